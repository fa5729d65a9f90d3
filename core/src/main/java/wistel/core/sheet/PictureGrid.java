package wistel.core.sheet;

/**
 * Parts of one picture side by side: panels of a wrap, with a gap of wall between them, or sheets that overlap, whose gap is negative.
 *
 * @param tileWidthMm of each part
 * @param gapMm       between neighbours; below 0 they show as much of the picture both
 */
public record PictureGrid(int columns, int rows, double tileWidthMm, double tileHeightMm, double gapMm) {
    /** A part of this may be missing: a rounding. */
    private static final double ROUNDING = 1e-9;

    /** @throws IllegalArgumentException for no parts, or parts that overlap wholly */
    public PictureGrid {
        if (columns < 1 || rows < 1 || !(tileWidthMm > 0 && tileHeightMm > 0 && gapMm > -Math.min(tileWidthMm, tileHeightMm))) {
            throw new IllegalArgumentException(
                columns + " x " + rows + " parts of " + tileWidthMm + " x " + tileHeightMm + " mm, " + gapMm + " mm apart");
        }
    }

    /**
     * How many parts cover a length.
     *
     * @param tileMm   of each part at most
     * @param commonMm what neighbours show both, less than a part
     */
    public static int count(double wholeMm, double tileMm, double commonMm) {
        if (!(wholeMm > 0 && tileMm > commonMm && commonMm >= 0)) {
            throw new IllegalArgumentException(wholeMm + " mm over parts of " + tileMm + " mm with " + commonMm + " mm in common");
        }
        return wholeMm <= tileMm + ROUNDING ? 1 : (int) Math.ceil((wholeMm - commonMm) / (tileMm - commonMm) - ROUNDING);
    }

    /** Where a column begins, from the picture's left. */
    public double leftMm(int column) {
        return column * (tileWidthMm + gapMm);
    }

    public double topMm(int row) {
        return row * (tileHeightMm + gapMm);
    }

    public double widthMm() {
        return leftMm(columns - 1) + tileWidthMm;
    }

    public double heightMm() {
        return topMm(rows - 1) + tileHeightMm;
    }
}
