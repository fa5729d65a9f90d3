/** What a printer says it can do and is doing, its settings, and who converts the colour. Talking to it is the server's. */
package wistel.core.printer;
