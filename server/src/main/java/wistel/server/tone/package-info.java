/** The tone bench: wedges, their readings, and the curves that are kept of them. What they mean is computed in core. */
package wistel.server.tone;
