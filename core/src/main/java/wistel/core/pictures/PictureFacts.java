package wistel.core.pictures;

/**
 * What a picture file says of itself, found without decoding it.
 *
 * @param format      JPEG, PNG or TIFF
 * @param width       stored width in pixels, before orientation
 * @param height      stored height in pixels
 * @param bits        bits per sample as stored
 * @param channels    1 for gray, 3 for colour (alpha and palettes are resolved when pixels are read)
 * @param profile     embedded ICC profile, empty when there is none
 */
public record PictureFacts(String format, int width, int height, int bits, int channels, Orientation orientation, byte[] profile,
    PictureNotes notes) {
    /** Longest side and most pixels taken: above them a decoder's own tables would outgrow the heap. */
    public static final int LONGEST_SIDE = 60_000;
    public static final long MOST_PIXELS = 600_000_000L;

    public int shownWidth() {
        return orientation.swapsSides() ? height : width;
    }

    public int shownHeight() {
        return orientation.swapsSides() ? width : height;
    }
}
