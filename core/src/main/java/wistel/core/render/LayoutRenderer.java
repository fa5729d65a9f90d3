package wistel.core.render;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import wistel.core.icc.transform.Transform;
import wistel.core.pictures.GrownTexture;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.OrderedExecutor;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.PixelRuns;
import wistel.core.pictures.PixelSpool;
import wistel.core.pictures.Resampler;
import wistel.core.pictures.RowSource;
import wistel.core.pictures.StageTimes.Stage;
import wistel.core.pictures.StageTimes;
import wistel.core.progress.Progress;
import wistel.core.rendition.PlacedTransform;
import wistel.core.sheet.Page;
import wistel.core.sheet.PageRaster;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;

/**
 * Makes the raster of any page: pictures resampled once from their masters, converted, set on white paper and drawn over with marks, in
 * bands of rows. Each master is decoded once, forward, while the bands run over the pieces that show it: a picture that is placed once and
 * not turned is used as it comes, others go through a spool file of six bytes a pixel. What is made round a picture is made from the
 * picture as it is printed, which is kept for it in memory where it is small, else in a file. Bands are independent of each other and are made on all workers; they are cut alike everywhere, so the same job gives the
 * same bytes.
 */
public final class LayoutRenderer {
    static final int BAND_SAMPLES = 3 << 20;
    static final int BANDS_UNDER_WAY = 4;
    /** Share of the progress that filling the spools takes, where there are any. */
    private static final double SPOOL_SHARE = 0.3;
    private final Executor workers;
    private final PixelSpool.Places scratch;
    private final Resampler.Passes passes;

    /**
     * A rendition's picture.
     *
     * @param stored      as the master's file has it
     * @param orientation how that is shown upright
     * @param light       of its codes
     * @param luminance   weights of its channels in luminance, adding up to one; used by sharpening alone, else it may be empty
     * @param conversion  its codes to the sink's
     * @param sharpened   in a way of its own; empty as all of the page is
     */
    public record Picture(RowSource stored, Orientation orientation, LightCurve light, float[] luminance, PlacedTransform conversion,
        Optional<Sharpener> sharpened) {
        public Picture(RowSource stored, Orientation orientation, LightCurve light, float[] luminance, Transform conversion) {
            this(stored, orientation, light, luminance, PlacedTransform.everywhere(conversion), Optional.empty());
        }

        int shownWidth() {
            return orientation.swapsSides() ? stored.height() : stored.width();
        }

        int shownHeight() {
            return orientation.swapsSides() ? stored.width() : stored.height();
        }
    }

    /**
     * @param conversion of the sides, with what is done to them alone
     * @param grown      texture of the face, as it lies on the page looked at upright; needed where that fills the sides
     */
    public record SideColours(PlacedTransform conversion, Optional<GrownTexture> grown) {
        public SideColours(Transform conversion, Optional<GrownTexture> grown) {
            this(PlacedTransform.everywhere(conversion), grown);
        }
    }

    /**
     * For marks of one's own.
     *
     * @param arts      by content
     * @param toWorking by picture, its codes to WORKING
     * @param onward    from there to the sink's
     * @param white     bare paper in WORKING
     * @param neutral   nothing may add colour
     */
    public record Stamps(Map<String, StampArt> arts, Map<String, PlacedTransform> toWorking, Transform onward, char[] white,
        boolean neutral) {
        public Stamps {
            arts = Map.copyOf(arts);
            toWorking = Map.copyOf(toWorking);
        }
    }

    /**
     * @param pictures by rendition; of a test strip by piece
     * @param sides    by placed picture, of those that something is made round
     * @param raster   that it is laid on
     * @param sharpener of the final raster
     * @param stamps    what marks of one's own need; empty where the page has none
     */
    public record Job(Page page, Map<String, Picture> pictures, Map<String, SideColours> sides, PageRaster raster, Sharpener sharpener,
        Optional<Stamps> stamps) {
        /** Of a page without marks of one's own. */
        public Job(Page page, Map<String, Picture> pictures, Map<String, SideColours> sides, PageRaster raster, Sharpener sharpener) {
            this(page, pictures, sides, raster, sharpener, Optional.empty());
        }

        /** The same, its colours those of WORKING. */
        private Job working(Stamps by) {
            Map<String, Picture> working = new HashMap<>();
            pictures.forEach((id, p) -> working.put(id,
                new Picture(p.stored, p.orientation, p.light, p.luminance, by.toWorking.get(id), p.sharpened)));
            Map<String, SideColours> around = new HashMap<>();
            page.placed().stream().filter(p -> p.sides().isPresent())
                .forEach(p -> around.put(p.id(), new SideColours(by.toWorking.get(p.coloursId()), sides.get(p.id()).grown)));
            return new Job(page, working, around, raster, sharpener, Optional.empty());
        }

        public Job {
            pictures = Map.copyOf(pictures);
            sides = Map.copyOf(sides);
            for (Placed placed : placed(page)) {
                if (!pictures.containsKey(placed.coloursId())) {
                    throw new IllegalArgumentException("no picture for " + placed.coloursId());
                }
                if (placed.sides().isPresent() && !sides.containsKey(placed.id())) {
                    throw new IllegalArgumentException("no colours for what is made round " + placed.id());
                }
            }
        }

        /** With nothing made round its pictures. */
        public static Job plain(Page page, Map<String, Picture> pictures, double dpi, double mostPpi, Sharpener sharpener) {
            return new Job(page, pictures, Map.of(), PageRaster.exact(dpi, mostPpi), sharpener);
        }

        private static List<Placed> placed(Page page) {
            List<Placed> all = new ArrayList<>(page.placed());
            page.placed().forEach(p -> all.addAll(p.bleedParts()));
            return all;
        }

        List<Placed> placed() {
            return placed(page);
        }

        Picture picture(Placed placed) {
            return pictures.get(placed.coloursId());
        }

        public double dpi() {
            return raster.dpi();
        }

        double mostPpi() {
            return raster.mostPpi();
        }

        /** A rectangle of the page as it feeds, in pixels of the raster: left, top, right, bottom. */
        int[] onRaster(Rect fed) {
            return raster.of(page, fed);
        }

        public int width() {
            return raster.width(page);
        }

        public int height() {
            return raster.height(page);
        }
    }

    /** @param workers runs the bands; the thread that renders only reads and writes
     * @param scratch opens an empty file for an intermediate picture, which is gone when it is closed */
    public LayoutRenderer(Executor workers, PixelSpool.Places scratch) {
        this(workers, scratch, Resampler.Passes.DOWN_FIRST);
    }

    /** @param passes in which pictures are reduced: files that were made in the other are the same to the byte only in that */
    public LayoutRenderer(Executor workers, PixelSpool.Places scratch, Resampler.Passes passes) {
        this.workers = workers;
        this.scratch = scratch;
        this.passes = passes;
    }

    /**
     * @param progress may stop the work by throwing; what was written until then is no whole file
     * @throws wistel.core.fault.PictureException when a master turns out to be damaged
     */
    public void render(Job job, RasterSink sink, OutputStream out, Progress progress) throws IOException {
        render(job, sink, out, progress, new StageTimes());
    }

    /** @param times is told how long each stage took */
    public void render(Job job, RasterSink sink, OutputStream out, Progress progress, StageTimes times) throws IOException {
        List<RasterPiece> pieces = RasterPiece.of(job, passes);
        boolean surrounds = pieces.stream().anyMatch(p -> p.placed.sides().isPresent());
        try (PieceWindows windows = new PieceWindows(pieces, new PieceWindows.Means(scratch, workers, times))) {
            Surrounded sided = surround(job, pieces, windows, progress);
            List<RasterPiece> flat = pieces.stream().filter(p -> p.placed.sides().isEmpty()).toList();
            new Composition(job, sink, new Content(flat, windows, sided), times)
                .write(out, surrounds ? progress.part(SPOOL_SHARE, 1) : progress);
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    /** What is drawn on a page: pictures as they come, and pictures with what is made round them. */
    private record Content(List<RasterPiece> pieces, PieceWindows windows, Surrounded sided) {
    }

    /** @param working the same in WORKING, where marks of one's own are laid over them; empty elsewhere */
    private record Surrounded(List<SidedPiece> pieces, List<SidedPiece> working) {
    }

    /** Resamples pictures that something is made round, whole, and keeps them for it. */
    private static Surrounded surround(Job job, List<RasterPiece> pieces, PieceWindows windows, Progress progress)
        throws IOException {
        List<SidedPiece> sided = new ArrayList<>();
        List<SidedPiece> working = new ArrayList<>();
        Optional<Job> inWorking = job.stamps.map(job::working);
        for (RasterPiece piece : pieces) {
            if (piece.placed.sides().isPresent()) {
                windows.reach(piece.y + 1, progress.part(0, SPOOL_SHARE / 2));
                PixelRuns whole = windows.whole(piece, progress.part(SPOOL_SHARE / 2, SPOOL_SHARE));
                SidedPiece.Base base = new SidedPiece.Base(whole, piece.x, piece.y, piece.places);
                sided.add(SidedPiece.of(job, piece.placed, base));
                inWorking.ifPresent(w -> working.add(SidedPiece.of(w, piece.placed, base)));
            }
        }
        return new Surrounded(sided, working);
    }

    /** The page band by band. */
    private final class Composition {
        private final int width;
        private final int height;
        private final RasterSink sink;
        private final Content content;
        private final MarkLayer marks;
        private final Optional<Stamped> stamped;
        private final StageTimes times;

        /** Marks of one's own, and what they need. */
        private record Stamped(StampLayer layer, Stamps by) {
        }

        private Composition(Job job, RasterSink sink, Content content, StageTimes times) {
            this.times = times;
            this.width = job.width();
            this.height = job.height();
            this.sink = sink;
            this.content = content;
            this.marks = new MarkLayer(job.page, job.raster);
            this.stamped = job.stamps.map(by -> new Stamped(new StampLayer(job, by.arts), by));
        }

        private void write(OutputStream out, Progress progress) throws IOException {
            int bandRows = Math.max(1, Math.min(height, BAND_SAMPLES / (width * sink.channels())));
            sink.begin(out, bandRows);
            try (OrderedExecutor<RasterSink.Packed> bands = new OrderedExecutor<>(workers, BANDS_UNDER_WAY, packed -> write(out, packed))) {
                for (int top = 0; top < height; top += bandRows) {
                    int first = top;
                    int rows = Math.min(bandRows, height - top);
                    double done = (double) top / height;
                    content.windows.leave(top, top / bandRows);
                    content.windows.reach(top + rows, share -> progress.at(done));
                    List<RasterPiece.Strip> strips = strips(top, top + rows);
                    bands.submit(() -> packed(composed(strips, first, rows), first, rows));
                    progress.at((double) top / height);
                }
                bands.finish();
            }
            progress.at(1);
        }

        private RasterSink.Packed packed(char[] band, int first, int rows) {
            long began = StageTimes.now();
            RasterSink.Packed packed = sink.pack(band, first, rows);
            times.add(Stage.PACK, began);
            return packed;
        }

        private void write(OutputStream out, RasterSink.Packed packed) {
            long began = StageTimes.now();
            try {
                out.write(packed.bytes(), 0, packed.size());
                times.add(Stage.WRITE, began);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        private List<RasterPiece.Strip> strips(int top, int bottom) {
            List<RasterPiece.Strip> strips = new ArrayList<>();
            for (RasterPiece piece : content.pieces) {
                int from = Math.max(0, top - piece.y);
                int to = Math.min(piece.height, bottom - piece.y);
                if (from < to) {
                    strips.add(piece.strip(from, to, times));
                }
            }
            return strips;
        }

        private char[] composed(List<RasterPiece.Strip> strips, int top, int rows) {
            int channels = sink.channels();
            char[] band = new char[rows * width * channels];
            Arrays.fill(band, (char) 65535);
            Optional<Below> below = stamped.filter(s -> s.layer.in(top, rows)).map(s -> new Below(s, top, rows));
            for (RasterPiece.Strip strip : strips) {
                RasterPiece piece = strip.piece();
                char[] resampled = strip.resampled(times);
                long resampledAt = StageTimes.now();
                for (int y = strip.from(); y < strip.to(); y++) {
                    piece.picture.conversion.apply(resampled, strip.at(y), band,
                        ((piece.y + y - top) * width + piece.x) * channels, piece.width, piece.places.from(piece.x, piece.y + y));
                }
                below.ifPresent(b -> b.take(strip, resampled));
                times.add(Stage.CONVERT, resampledAt);
            }
            long began = StageTimes.now();
            content.sided.pieces.forEach(s -> s.draw(band, width, top, channels));
            below.ifPresent(b -> b.stamp(band));
            times.add(Stage.CONVERT, began);
            marks.draw(band, width, top, rows, channels);
            return band;
        }

        /** A band in WORKING: what marks of one's own are laid over. */
        private final class Below {
            private static final int CHANNELS = 3;
            private final Stamped by;
            private final int top;
            private final char[] codes;

            private Below(Stamped by, int top, int rows) {
                this.by = by;
                this.top = top;
                this.codes = new char[rows * width * CHANNELS];
                for (int i = 0; i < codes.length; i++) {
                    codes[i] = by.by.white[i % CHANNELS];
                }
            }

            private void take(RasterPiece.Strip strip, char[] resampled) {
                RasterPiece piece = strip.piece();
                PlacedTransform toWorking = by.by.toWorking.get(piece.placed.coloursId());
                for (int y = strip.from(); y < strip.to(); y++) {
                    toWorking.apply(resampled, strip.at(y), codes, ((piece.y + y - top) * width + piece.x) * CHANNELS, piece.width,
                        piece.places.from(piece.x, piece.y + y));
                }
            }

            private void stamp(char[] band) {
                content.sided.working.forEach(s -> s.draw(codes, width, top, CHANNELS));
                by.layer.draw(codes, band, width, top, by.by);
            }
        }
    }
}
