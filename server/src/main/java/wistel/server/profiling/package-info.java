/** Profiles made in the house: a chart laid, printed, dried, read and judged, and the pairing that comes of it. */
package wistel.server.profiling;
