package wistel.standin.room;

import java.util.function.Consumer;
import wistel.core.render.PwgRaster;

/** Borderless printing: the raster is laid down enlarged, so that it reaches over each edge, and the paper keeps what falls on it. */
final class OverEdge {
    private final PwgRaster.Page page;
    private final double acrossScale;
    private final double downScale;
    private final char[] enlarged;
    private final int rows;
    private int next;

    /**
     * @param overMm on each side
     * @param along  how long a millimetre of the feed comes out: where that is too short, what lies over the trailing edge fills the paper
     */
    OverEdge(PwgRaster.Page page, double overMm, double along) {
        this.page = page;
        double perMm = page.dpi() / 25.4;
        this.rows = (int) Math.ceil(page.height() / Math.min(1, along));
        this.acrossScale = page.width() / (page.width() + 2 * overMm * perMm);
        this.downScale = page.height() / (page.height() + 2 * overMm * perMm);
        this.enlarged = new char[page.width() * page.space().channels()];
    }

    /** Hands on the rows of the paper that this row of the raster comes to lie on: none, one or two; the row itself where nothing is enlarged. */
    void row(int y, char[] samples, Consumer<char[]> paper) {
        if (acrossScale == 1) {
            paper.accept(samples);
            return;
        }
        boolean ready = false;
        while (next < rows && source(next, page.height(), downScale) == y) {
            if (!ready) {
                enlarge(samples);
                ready = true;
            }
            paper.accept(enlarged);
            next++;
        }
    }

    private void enlarge(char[] samples) {
        int channels = page.space().channels();
        for (int x = 0; x < page.width(); x++) {
            System.arraycopy(samples, source(x, page.width(), acrossScale) * channels, enlarged, x * channels, channels);
        }
    }

    /** The raster's place that lies under a place of the paper: both have their middle in common. */
    private static int source(int place, int length, double scale) {
        return Math.max(0, Math.min(length - 1, (int) Math.floor(length / 2.0 + (place + 0.5 - length / 2.0) * scale)));
    }
}
