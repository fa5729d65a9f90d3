/** Measurement files (CGATS.17, ISO 28178): keyword and table text in and out, bounded. */
package wistel.core.cgats;
