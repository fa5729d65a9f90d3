/** What goes along with prints that came out: labels for their backs and pages for buyers, and the texts that a person writes for them. */
package wistel.server.label;
