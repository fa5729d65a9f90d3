/** What a printer says it can do, the settings of one job, and the rules between them. */
package wistel.core.printer;
