/** Lengths in millimetres as people write them, ranges and margins of them, and pixels per inch. Nothing here knows what is measured. */
package wistel.core.length;
