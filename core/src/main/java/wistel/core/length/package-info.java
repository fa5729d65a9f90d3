/** Lengths in millimetres as people write them, and pixels per inch. */
package wistel.core.length;
