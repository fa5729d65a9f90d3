package wistel.core.packing;

/**
 * Where a block lies.
 *
 * @param block  its index among those that were to be packed
 * @param page   0 for the first
 * @param x, y   of its upper left corner
 * @param turned by a quarter: it is as wide as it was high
 */
public record Place(int block, int page, double x, double y, boolean turned) {
}
