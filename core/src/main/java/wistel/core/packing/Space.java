package wistel.core.packing;

/**
 * Pages that blocks are packed onto, all of one size. Of the last page, and of a page that can be cut off anywhere, as little length is used
 * as may be.
 *
 * @param length of a page
 * @param most   pages
 */
public record Space(double width, double length, int most) {
    /** Lengths that differ by less are one: a rounding of sums, far below what a printer places. */
    static final double SAME = 1e-6;

    /** @throws IllegalArgumentException unless all are larger than 0 and finite */
    public Space {
        if (!(width > 0 && length > 0 && most > 0) || !Double.isFinite(width * length * most)) {
            throw new IllegalArgumentException("pages of " + width + " x " + length + ", at most " + most);
        }
    }

    /** One length of a roll. */
    public static Space roll(double width, double longest) {
        return new Space(width, longest, 1);
    }
}
