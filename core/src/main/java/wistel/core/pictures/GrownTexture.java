package wistel.core.pictures;

/**
 * A picture grown outwards from its edges by its own texture, as places that its pixels are taken from.
 *
 * @param margin on all four sides, in pixels
 * @param origin of each pixel of the grown picture, row by row: its place in the picture times four, with {@link PatchSynthesis#ACROSS_FLIPPED} and
 *               {@link PatchSynthesis#DOWN_FLIPPED} where its surroundings lie mirrored
 */
public record GrownTexture(int margin, int width, int height, int[] origin) {
    /** The same picture, grown. */
    public View of(View picture) {
        int c = picture.channels();
        char[] pixels = new char[origin.length * c];
        for (int i = 0; i < origin.length; i++) {
            System.arraycopy(picture.pixels(), PatchSynthesis.place(origin[i]) * c, pixels, i * c, c);
        }
        return new View(width, height, c, pixels);
    }

    /** The place in the picture that a pixel is taken from. */
    int from(int x, int y) {
        return PatchSynthesis.place(origin[y * width + x]);
    }

    public int faceWidth() {
        return width - 2 * margin;
    }

    public int faceHeight() {
        return height - 2 * margin;
    }

    boolean inFace(int x, int y) {
        return x >= margin && y >= margin && x < width - margin && y < height - margin;
    }

    int column(int code) {
        return PatchSynthesis.place(code) % faceWidth();
    }

    int row(int code) {
        return PatchSynthesis.place(code) / faceWidth();
    }

    /** The same, of the picture as it lies when it is turned or mirrored. */
    public GrownTexture turned(Orientation orientation) {
        if (orientation == Orientation.UPRIGHT) {
            return this;
        }
        boolean swaps = orientation.swapsSides();
        int w = swaps ? height : width;
        int h = swaps ? width : height;
        int[] turned = new int[origin.length];
        int[] placeOf = placesOf(orientation);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int[] from = orientation.toStored(x, y, width, height);
                int code = origin[from[1] * width + from[0]];
                int flips = code & (PatchSynthesis.ACROSS_FLIPPED | PatchSynthesis.DOWN_FLIPPED);
                int swapped = !swaps || flips == 0 || flips == (PatchSynthesis.ACROSS_FLIPPED | PatchSynthesis.DOWN_FLIPPED) ? flips
                    : flips ^ (PatchSynthesis.ACROSS_FLIPPED | PatchSynthesis.DOWN_FLIPPED);
                turned[y * w + x] = placeOf[PatchSynthesis.place(code)] << 2 | swapped;
            }
        }
        return new GrownTexture(margin, w, h, turned);
    }

    /** Where each place of the picture lies once that is turned. */
    private int[] placesOf(Orientation orientation) {
        int w = orientation.swapsSides() ? faceHeight() : faceWidth();
        int h = orientation.swapsSides() ? faceWidth() : faceHeight();
        int[] places = new int[w * h];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int[] from = orientation.toStored(x, y, faceWidth(), faceHeight());
                places[from[1] * faceWidth() + from[0]] = y * w + x;
            }
        }
        return places;
    }
}
