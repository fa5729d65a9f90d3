package wistel.core.packing;

/**
 * A rectangle to be packed.
 *
 * @param mayTurn by a quarter
 */
public record Block(double width, double height, boolean mayTurn) {
    /** @throws IllegalArgumentException unless both sides are finite and larger than 0 */
    public Block {
        if (!(width > 0 && height > 0) || !Double.isFinite(width * height)) {
            throw new IllegalArgumentException("a block of " + width + " x " + height);
        }
    }

    public double area() {
        return width * height;
    }

    /** Its width as it lies. */
    public double across(boolean turned) {
        return turned ? height : width;
    }

    /** Its height as it lies. */
    public double down(boolean turned) {
        return turned ? width : height;
    }

    /** Whether it may lie so on a page, and fits. */
    boolean fits(Space space, boolean turned) {
        return (!turned || mayTurn) && across(turned) <= space.width() + Space.SAME && down(turned) <= space.length() + Space.SAME;
    }

    public boolean fits(Space space) {
        return fits(space, false) || fits(space, true);
    }
}
