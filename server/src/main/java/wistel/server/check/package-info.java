/** Papers kept true: strips printed, read and judged, their history, and how long ago the last one was. */
package wistel.server.check;
