package wistel.core.pictures;

/**
 * Where the content of one file of a picture lies in another one: a pixel p of the older file is at scale * p + shift in the newer.
 *
 * @param older    sizes of both files, upright
 * @param scale    pixels of the newer file per pixel of the older
 * @param dx       of the older file's upper left corner, in pixels of the newer
 * @param likeness correlation of what both show, whatever was done to tones: 1 the same, about 0 another picture
 * @param followed false where the content was turned or bent as well, or shows too little to tell where it lies
 */
public record SameContent(Size older, Size newer, double scale, double dx, double dy, double likeness, boolean followed) {
    /** Likeness from which both are taken for one picture. */
    public static final double ALIKE = 0.6;
    /** Pixels of the newer file by which edges may differ and the frame is still the same: sizes are rounded where a picture is resampled. */
    private static final double SAME_EDGE = 0.75;

    public record Size(int width, int height) {
        public Size {
            if (width < 1 || height < 1) {
                throw new IllegalArgumentException(width + " x " + height);
            }
        }

        public double aspect() {
            return (double) width / height;
        }
    }

    public SameContent {
        if (!(scale > 0) || !Double.isFinite(scale + dx + dy + likeness)) {
            throw new IllegalArgumentException("scale " + scale + ", shift " + dx + ", " + dy);
        }
    }

    /** Frame on frame, without having looked. */
    public static SameContent framed(Size older, Size newer, double likeness) {
        double scale = Math.max((double) newer.width / older.width, (double) newer.height / older.height);
        return new SameContent(older, newer, scale, (newer.width - scale * older.width) / 2, (newer.height - scale * older.height) / 2,
            likeness, false);
    }

    public boolean alike() {
        return likeness >= ALIKE;
    }

    /** Both files show the same to their edges. */
    public boolean sameFrame() {
        return Math.abs(dx) <= SAME_EDGE && Math.abs(dy) <= SAME_EDGE && Math.abs(scale * older.width + dx - newer.width) <= SAME_EDGE
            && Math.abs(scale * older.height + dy - newer.height) <= SAME_EDGE;
    }

    /** Where a share of the older file's width lies, as a share of the newer's; it may lie outside. */
    public double x(double share) {
        return sameFrame() ? share : (scale * share * older.width + dx) / newer.width;
    }

    public double y(double share) {
        return sameFrame() ? share : (scale * share * older.height + dy) / newer.height;
    }

    /** How long a share of the older file's width is in shares of the newer's. */
    public double across(double share) {
        return sameFrame() ? share : scale * share * older.width / newer.width;
    }

    public double down(double share) {
        return sameFrame() ? share : scale * share * older.height / newer.height;
    }
}
