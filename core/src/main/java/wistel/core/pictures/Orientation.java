package wistel.core.pictures;

/** The eight ways a stored picture is to be shown (TIFF 6.0, tag 274; Exif 2.32). The ordinal is the tag's value less one. */
public enum Orientation {
    UPRIGHT, MIRRORED, HALF_TURN, FLIPPED, TRANSPOSED, QUARTER_RIGHT, TRANSVERSED, QUARTER_LEFT;

    /** Of a tag's value; anything unknown is upright. */
    public static Orientation ofTag(int value) {
        return value >= 1 && value <= 8 ? values()[value - 1] : UPRIGHT;
    }

    public boolean swapsSides() {
        return ordinal() >= 4;
    }

    /** Left and right are exchanged, whatever else: two such in a row turn, or do nothing. */
    public boolean mirrors() {
        return this == MIRRORED || this == FLIPPED || this == TRANSPOSED || this == TRANSVERSED;
    }

    /** Rows are shown in the order in which they are stored. */
    public boolean keepsRows() {
        return this == UPRIGHT || this == MIRRORED;
    }

    /** This one first, then the other: how a picture is shown whose shown form is turned again. */
    public Orientation then(Orientation other) {
        // a 2 x 3 picture tells all eight apart by where two of its corners go
        for (Orientation both : values()) {
            if (both.sameAs(this, other)) {
                return both;
            }
        }
        throw new IllegalStateException(this + " then " + other);
    }

    private boolean sameAs(Orientation one, Orientation two) {
        int w = one.swapsSides() ? 3 : 2;
        int h = one.swapsSides() ? 2 : 3;
        for (int[] corner : new int[][] {{0, 0}, {1, 0}}) {
            int[] between = two.toStored(corner[0], corner[1], w, h);
            int[] stored = one.toStored(between[0], between[1], 2, 3);
            int[] here = toStored(corner[0], corner[1], 2, 3);
            if (swapsSides() != (one.swapsSides() != two.swapsSides()) || here[0] != stored[0] || here[1] != stored[1]) {
                return false;
            }
        }
        return true;
    }

    /** The one that takes this back. */
    public Orientation inverse() {
        return switch (this) {
            case QUARTER_RIGHT -> QUARTER_LEFT;
            case QUARTER_LEFT -> QUARTER_RIGHT;
            default -> this;
        };
    }

    /** A box on a picture of the stored size, as it lies once the picture is shown. */
    public Box shown(Box box, double storedWidth, double storedHeight) {
        double fromRight = storedWidth - box.x - box.width;
        double fromBottom = storedHeight - box.y - box.height;
        return switch (this) {
            case UPRIGHT -> box;
            case MIRRORED -> new Box(fromRight, box.y, box.width, box.height);
            case HALF_TURN -> new Box(fromRight, fromBottom, box.width, box.height);
            case FLIPPED -> new Box(box.x, fromBottom, box.width, box.height);
            case TRANSPOSED -> new Box(box.y, box.x, box.height, box.width);
            case QUARTER_RIGHT -> new Box(fromBottom, box.x, box.height, box.width);
            case TRANSVERSED -> new Box(fromBottom, fromRight, box.height, box.width);
            case QUARTER_LEFT -> new Box(box.y, fromRight, box.height, box.width);
        };
    }

    /** Places and lengths in one unit; x to the right and y downwards. */
    public record Box(double x, double y, double width, double height) {
    }

    /** Where the shown pixel (x, y) is stored in a picture of the stored size. */
    int[] toStored(int x, int y, int storedWidth, int storedHeight) {
        int right = storedWidth - 1;
        int bottom = storedHeight - 1;
        return switch (this) {
            case UPRIGHT -> new int[] {x, y};
            case MIRRORED -> new int[] {right - x, y};
            case HALF_TURN -> new int[] {right - x, bottom - y};
            case FLIPPED -> new int[] {x, bottom - y};
            case TRANSPOSED -> new int[] {y, x};
            case QUARTER_RIGHT -> new int[] {y, bottom - x};
            case TRANSVERSED -> new int[] {right - y, bottom - x};
            case QUARTER_LEFT -> new int[] {right - y, x};
        };
    }
}
