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
import wistel.core.rendition.PicturePlaces;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.Tile;

/** A placed picture on the raster: where its visible part lies, and how its source gets there. */
final class RasterPiece {
    final Placed placed;
    final LayoutRenderer.Picture picture;
    final Orientation turn;
    final int x;
    final int y;
    final int width;
    final int height;
    /** What is resampled: all of it, and of a tile what sharpening sees beyond it. */
    private final Resampling resampler;
    private final Sharpener sharpener;
    private final Margin margin;
    /** Of the raster's first pixel. */
    final PicturePlaces places;
    /** Set before the first band is made. */
    RowWindow window;
    private Optional<PixelRuns> kept = Optional.empty();
    private boolean held;

    /** Pixels that are resampled beyond a piece and not printed. */
    private record Margin(int left, int above, int below) {
        static final Margin NONE = new Margin(0, 0, 0);
    }

    /**
     * The picture that a piece shows, and how it is turned to lie on the raster.
     *
     * @param seen of the picture, once it is hung: without what is folded away or lies round it
     */
    private record Shown(Placed placed, LayoutRenderer.Picture picture, Orientation orientation, Sharpener sharpener, Crop seen) {
    }

    /** @param whole where all of its picture's part lies on the raster: left, top, right, bottom */
    private RasterPiece(Shown shown, int[] at, int[] whole, Resampling resampler, Margin margin) {
        this.places = places(shown, whole);
        this.placed = shown.placed;
        this.sharpener = shown.sharpener;
        LayoutRenderer.Picture picture = shown.picture;
        Orientation turn = picture.orientation().then(shown.orientation);
        this.margin = margin;
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

    Strip strip(int from, int to, StageTimes times) {
        if (kept.isPresent()) {
            PixelRuns whole = kept.get();
            return new Strip(this, () -> rows(whole, from, to), true, 0, from, to, from, to);
        }
        int above = within(from - sharpener.reach());
        int below = within(to + sharpener.reach());
        int first = resampler.firstRow(margin.above + above);
        return new Strip(this, source(first, resampler.lastRow(margin.above + below - 1) + 1, times), false, first, from, to, above, below);
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
        return Math.max(-margin.above, Math.min(height + margin.below, row));
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
        /** Where a row of the piece begins in what is resampled. */
        int at(int y) {
            int channels = piece.picture.stored().channels();
            return made ? (y - above) * piece.width * channels
                : (y - above) * piece.resampler.rowSamples() + piece.margin.left * channels;
        }

        /** From {@code above} on, with what lies beside the piece. */
        char[] resampled(StageTimes times) {
            Sharpener sharpener = piece.sharpener;
            char[] rows = source.get();
            if (made) {
                return rows;
            }
            long began = StageTimes.now();
            char[] resampled = piece.resampler.band(rows, top, piece.margin.above + above, piece.margin.above + below);
            times.add(Stage.RESAMPLE, began);
            if (!sharpener.off()) {
                long sharpening = StageTimes.now();
                int channels = piece.picture.stored().channels();
                sharpener.apply(resampled, piece.resampler.rowSamples() / channels, channels, piece.picture.light(),
                    piece.picture.luminance());
                times.add(Stage.SHARPEN, sharpening);
            }
            return resampled;
        }
    }

    /** Of all placed pictures that reach onto the raster, in their order. */
    static List<RasterPiece> of(LayoutRenderer.Job job, Resampler.Passes passes) {
        List<RasterPiece> pieces = new ArrayList<>();
        for (Placed placed : job.placed()) {
            LayoutRenderer.Picture picture = job.picture(placed);
            Shown shown = new Shown(placed, picture, placed.orientation().then(job.page().feedTurn()),
                picture.sharpened().orElse(job.sharpener()), seen(job.page(), placed));
            (placed.tile().isPresent() ? tile(job, shown, placed.tile().get()) : whole(job, shown, passes)).ifPresent(pieces::add);
        }
        return pieces;
    }

    /** What is made round a picture belongs to what is seen of it. */
    private static Crop seen(Page page, Placed placed) {
        Placed piece = page.placed(placed.id()).orElse(placed);
        return piece.tile().map(Tile::crop).orElseGet(() -> piece.face().crop());
    }

    private static PicturePlaces places(Shown shown, int[] whole) {
        int width = shown.picture.shownWidth();
        int height = shown.picture.shownHeight();
        Placed placed = shown.placed;
        Crop crop = placed.tile().map(Tile::crop).orElse(placed.crop());
        return PicturePlaces.turned(new PicturePlaces.Part(width, height, crop, placed.straighten()), shown.orientation,
            new double[] {whole[0], whole[1], whole[2], whole[3]},
            new PicturePlaces.Part(width, height, shown.seen, placed.straighten()).framed());
    }

    private static Optional<RasterPiece> whole(LayoutRenderer.Job job, Shown shown, Resampler.Passes passes) {
        Placed placed = shown.placed;
        int[] at = job.onRaster(placed.atMm().turned(job.page().feedTurn(), job.page().widthMm(), job.page().heightMm()));
        Crop crop = placed.crop().turned(shown.orientation, shown.picture.shownWidth(), shown.picture.shownHeight());
        int left = at[0];
        int top = at[1];
        int right = at[2];
        int bottom = at[3];
        int[] visible = placed.sides().isPresent() ? new int[] {left, top, right, bottom}
            : new int[] {Math.max(0, left), Math.max(0, top), Math.min(job.width(), right), Math.min(job.height(), bottom)};
        if (visible[2] <= visible[0] || visible[3] <= visible[1]) {
            return Optional.empty();
        }
        int width = visible[2] - visible[0];
        int height = visible[3] - visible[1];
        double perX = crop.width() / (right - left);
        double perY = crop.height() / (bottom - top);
        double finest = Math.max(1, perX * job.dpi() / job.mostPpi());
        Resampler.Size size;
        if (passes == Resampler.Passes.ACROSS_FIRST) {
            Crop used = new Crop(crop.x() + (visible[0] - left) * perX, crop.y() + (visible[1] - top) * perY, width * perX, height * perY);
            size = new Resampler.Size(used, width, height, finest, passes);
        } else {
            size = new Resampler.Size(crop, right - left, bottom - top, finest, passes)
                .part(new Resampler.Window(visible[0] - left, visible[1] - top, width, height));
        }
        return Optional
            .of(new RasterPiece(shown, new int[] {visible[0], visible[1], width, height}, at, resampling(shown, size), Margin.NONE));
    }

    /**
     * A sheet's part of a picture over several: a window over the raster of the whole picture, with as much round it as sharpening sees, so
     * that each of its pixels is that of the picture printed in one piece.
     */
    private static Optional<RasterPiece> tile(LayoutRenderer.Job job, Shown shown, Tile tile) {
        Page page = job.page();
        Rect whole = tile.atMm().turned(page.feedTurn(), page.widthMm(), page.heightMm());
        Rect part = shown.placed.atMm().turned(page.feedTurn(), page.widthMm(), page.heightMm());
        int[] origin = job.onRaster(whole);
        int[] from = job.onRaster(new Rect(part.x() - whole.x(), part.y() - whole.y(), 1, 1));
        int[] to = job.onRaster(new Rect(part.right() - whole.x(), part.bottom() - whole.y(), 1, 1));
        int[] all = job.onRaster(new Rect(0, 0, whole.width(), whole.height()));
        // where its own pixels lie, so that only the picture's place on the page is rounded
        int x = Math.max(0, origin[0] + from[0]);
        int y = Math.max(0, origin[1] + from[1]);
        int width = Math.min(job.width() - x, Math.min(all[2], to[0]) - from[0]);
        int height = Math.min(job.height() - y, Math.min(all[3], to[1]) - from[1]);
        if (width <= 0 || height <= 0) {
            return Optional.empty();
        }
        Crop crop = tile.crop().turned(shown.orientation, shown.picture.shownWidth(), shown.picture.shownHeight());
        int reach = shown.sharpener.reach();
        int left = Math.max(0, from[0] - reach);
        int above = Math.max(0, from[1] - reach);
        int right = Math.min(all[2], from[0] + width + reach);
        int below = Math.min(all[3], from[1] + height + reach);
        Resampler.Size size = new Resampler.Size(crop, all[2], all[3], Math.max(1, crop.width() / all[2] * job.dpi() / job.mostPpi()))
            .part(new Resampler.Window(left, above, right - left, below - above));
        return Optional.of(new RasterPiece(shown, new int[] {x, y, width, height},
            new int[] {x - from[0], y - from[1], x - from[0] + all[2], y - from[1] + all[3]}, resampling(shown, size),
            new Margin(from[0] - left, from[1] - above, below - from[1] - height)));
    }

    private static Resampling resampling(Shown shown, Resampler.Size size) {
        LayoutRenderer.Picture picture = shown.picture;
        boolean across = picture.orientation().then(shown.orientation).swapsSides();
        int sourceWidth = across ? picture.stored().height() : picture.stored().width();
        int sourceHeight = across ? picture.stored().width() : picture.stored().height();
        double straighten = shown.placed.straighten();
        if (straighten == 0) {
            return new Resampler(sourceWidth, sourceHeight, picture.stored().channels(), size, picture.light());
        }
        double degrees = shown.orientation.mirrors() ? -straighten : straighten;
        return new RotatedResampler(sourceWidth, sourceHeight, picture.stored().channels(), size, degrees, picture.light());
    }
}
