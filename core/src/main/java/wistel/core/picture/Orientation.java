package wistel.core.picture;

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
