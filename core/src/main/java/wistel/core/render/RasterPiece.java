package wistel.core.render;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import wistel.core.pictures.Crop;
import wistel.core.pictures.ForwardRows;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.PixelRuns;
import wistel.core.pictures.Resampler;
import wistel.core.pictures.Resampling;
import wistel.core.pictures.RotatedResampler;
import wistel.core.pictures.RowWindow;
import wistel.core.pictures.StageTimes.Stage;
import wistel.core.pictures.StageTimes;
import wistel.core.sheet.Placed;

/** A placed picture on the raster: where its visible part lies, and how its source gets there. */
final class RasterPiece {
    final Placed placed;
    final LayoutRenderer.Picture picture;
    final Orientation turn;
    final int x;
    final int y;
    final int width;
    final int height;
    final Resampling resampler;
    /** Set before the first band is made. */
    RowWindow window;
    private Optional<PixelRuns> kept = Optional.empty();
    private boolean held;

    private RasterPiece(Placed placed, LayoutRenderer.Picture picture, Orientation turn, int[] at, Resampling resampler) {
        this.placed = placed;
        this.picture = picture;
        this.turn = turn;
        this.x = at[0];
        this.y = at[1];
        this.width = at[2];
        this.height = at[3];
        this.resampler = resampler;
    }

    /** What it takes as it is printed. */
    long bytes() {
        return 2L * width * height * picture.stored().channels();
    }

    /** What of it is in memory. */
    long heldBytes() {
        return held ? bytes() : 0;
    }

    /**
     * As it is printed, resampled and sharpened: its window isn't asked any more.
     *
     * @param inMemory rather than in a file
     */
    void keep(PixelRuns whole, boolean inMemory) {
        kept = Optional.of(whole);
        held = inMemory;
    }

    void close() {
        kept.ifPresent(PixelRuns::close);
        kept = Optional.empty();
        held = false;
    }

    Strip strip(int from, int to, Sharpener sharpener, StageTimes times) {
        if (kept.isPresent()) {
            PixelRuns whole = kept.get();
            return new Strip(this, () -> rows(whole, from, to), true, 0, from, to, from, to);
        }
        int above = within(from - sharpener.reach());
        int below = within(to + sharpener.reach());
        int first = resampler.firstRow(above);
        return new Strip(this, source(first, resampler.lastRow(below - 1) + 1, times), false, first, from, to, above, below);
    }

    private static char[] rows(PixelRuns whole, int from, int to) {
        int row = whole.width() * whole.channels();
        char[] rows = new char[(to - from) * row];
        for (int y = from; y < to; y++) {
            whole.run(0, y, whole.width(), rows, (y - from) * row);
        }
        return rows;
    }

    private int within(int row) {
        return Math.max(0, Math.min(height, row));
    }

    /** Rows that come forward are taken here, in order; a spool is read where the band is made. */
    private Supplier<char[]> source(int from, int to, StageTimes times) {
        if (window instanceof ForwardRows forward) {
            char[] rows = forward.rows(from, to);
            return () -> rows;
        }
        return () -> {
            long began = StageTimes.now();
            char[] rows = window.rows(from, to);
            times.add(Stage.TURN, began);
            return rows;
        };
    }

    /**
     * The part of a piece in one band, with the source rows that it needs; rows from {@code above} on are resampled, so that sharpening
     * sees its surroundings.
     *
     * @param made the rows are those of the raster already
     */
    record Strip(RasterPiece piece, Supplier<char[]> source, boolean made, int top, int from, int to, int above, int below) {
        char[] resampled(Sharpener sharpener, StageTimes times) {
            char[] rows = source.get();
            if (made) {
                return rows;
            }
            long began = StageTimes.now();
            char[] resampled = piece.resampler.band(rows, top, above, below);
            times.add(Stage.RESAMPLE, began);
            if (!sharpener.off()) {
                long sharpening = StageTimes.now();
                sharpener.apply(resampled, piece.width, piece.picture.stored().channels(), piece.picture.light(),
                    piece.picture.luminance());
                times.add(Stage.SHARPEN, sharpening);
            }
            return resampled;
        }
    }

    /** Of all placed pictures that reach onto the raster, in their order. */
    static List<RasterPiece> of(LayoutRenderer.Job job) {
        List<RasterPiece> pieces = new ArrayList<>();
        for (Placed placed : job.placed()) {
            LayoutRenderer.Picture picture = job.pictures().get(placed.renditionId());
            Orientation shown = placed.orientation().then(job.page().feedTurn());
            int[] at = job.onRaster(placed.atMm().turned(job.page().feedTurn(), job.page().widthMm(), job.page().heightMm()));
            Crop crop = placed.crop().turned(shown, picture.shownWidth(), picture.shownHeight());
            int left = at[0];
            int top = at[1];
            int right = at[2];
            int bottom = at[3];
            int[] visible = placed.sides().isPresent() ? new int[] {left, top, right, bottom}
                : new int[] {Math.max(0, left), Math.max(0, top), Math.min(job.width(), right), Math.min(job.height(), bottom)};
            if (visible[2] <= visible[0] || visible[3] <= visible[1]) {
                continue;
            }
            double perX = crop.width() / (right - left);
            double perY = crop.height() / (bottom - top);
            Crop used = new Crop(crop.x() + (visible[0] - left) * perX, crop.y() + (visible[1] - top) * perY,
                (visible[2] - visible[0]) * perX, (visible[3] - visible[1]) * perY);
            Orientation turn = picture.orientation().then(shown);
            Resampler.Size size = new Resampler.Size(used, visible[2] - visible[0], visible[3] - visible[1],
                Math.max(1, perX * job.dpi() / job.mostPpi()));
            pieces.add(new RasterPiece(placed, picture, turn, new int[] {visible[0], visible[1], size.width(), size.height()},
                resampling(placed, shown, picture, size)));
        }
        return pieces;
    }

    private static Resampling resampling(Placed placed, Orientation shown, LayoutRenderer.Picture picture, Resampler.Size size) {
        boolean across = picture.orientation().then(shown).swapsSides();
        int sourceWidth = across ? picture.stored().height() : picture.stored().width();
        int sourceHeight = across ? picture.stored().width() : picture.stored().height();
        if (placed.straighten() == 0) {
            return new Resampler(sourceWidth, sourceHeight, picture.stored().channels(), size, picture.light());
        }
        double degrees = shown.mirrors() ? -placed.straighten() : placed.straighten();
        return new RotatedResampler(sourceWidth, sourceHeight, picture.stored().channels(), size, degrees, picture.light());
    }
}
