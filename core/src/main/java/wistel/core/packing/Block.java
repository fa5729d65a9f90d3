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

    boolean fits(double w, double h) {
        return width <= w + Space.SAME && height <= h + Space.SAME || mayTurn && height <= w + Space.SAME && width <= h + Space.SAME;
    }

    public boolean fits(Space space) {
        return fits(space.width(), space.length());
    }
}
