/**
 * Rectangles packed onto pages: named algorithms, and a search over the order in which they take what they pack. All lengths in one unit.
 * What the rectangles are, and how much room is left between them, is {@code sheet}'s.
 */
package wistel.core.packing;
