package wistel.core.length;

/** Unprintable edges in mm. Of a sheet as it feeds, {@code top} is the leading edge. */
public record Margins(double top, double right, double bottom, double left) {
    public static final Margins NONE = new Margins(0, 0, 0, 0);

    public Margins {
        if (!(top >= 0 && right >= 0 && bottom >= 0 && left >= 0)) {
            throw new IllegalArgumentException("margins " + top + ", " + right + ", " + bottom + ", " + left);
        }
    }

    /** The wider one on every side. */
    public Margins widest(Margins other) {
        return new Margins(Math.max(top, other.top), Math.max(right, other.right), Math.max(bottom, other.bottom),
            Math.max(left, other.left));
    }

    /** As looked at, of a sheet that lies across: it is fed turned a quarter to the right, so its left edge leads. */
    @SuppressWarnings("ArgumentSelectionDefectChecker")
    public Margins across() {
        return new Margins(right, bottom, left, top);
    }
}
