/** Printers: IPP as a client, what they are and say, watching them. */
package wistel.server.printer;
