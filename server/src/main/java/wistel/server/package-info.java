/** The server: REST over the core, PostgreSQL and files under it, printers by IPP. It knows nothing of the stand-in. */
package wistel.server;
