package wistel.core.pictures;

/** Small picture files as a person sees them. */
final class Pictures {
    private Pictures() {
    }

    static View upright(PictureFile file) {
        return View.whole(file.rows()).oriented(file.facts().orientation());
    }

    /** A rectangle of the upright picture. */
    static void read(PictureFile file, int x, int y, int w, int h, char[] out) {
        View view = upright(file);
        for (int row = 0; row < h; row++) {
            System.arraycopy(view.pixels(), ((y + row) * view.width() + x) * view.channels(), out, row * w * view.channels(),
                w * view.channels());
        }
    }
}
