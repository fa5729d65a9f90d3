/**
 * What happens when the server starts: printers are asked, the demo is laid out where there is one, and everybody can see how far that is.
 */
package wistel.server.start;
