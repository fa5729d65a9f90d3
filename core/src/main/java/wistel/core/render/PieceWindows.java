package wistel.core.render;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.concurrent.Executor;
import java.util.stream.Collectors;
import wistel.core.pictures.ForwardRows;
import wistel.core.pictures.MirroredRows;
import wistel.core.pictures.OrderedExecutor;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.PixelRuns;
import wistel.core.pictures.PixelSpool;
import wistel.core.pictures.RowSource;
import wistel.core.pictures.RowWindow;
import wistel.core.pictures.StageTimes;
import wistel.core.pictures.View;
import wistel.core.progress.Progress;

/**
 * The windows over the masters of a page: each is opened when the bands come to it and closed when they have left it behind. A master that
 * goes through a file and of which little is printed is resampled for all its pieces at once; these are kept in its place.
 */
final class PieceWindows implements AutoCloseable {
    /** A picture that is resampled before the bands come to it stays in memory up to this. */
    private static final long SMALL_BYTES = 32L << 20;
    /** All of those together. */
    private static final long SMALL_BYTES_IN_ALL = 192L << 20;
    /** A master that goes through a file has so many times the pixels of what is printed of it before that is kept instead. */
    private static final int SHRUNK = 2;

    private final List<Use> uses;
    private final Means means;
    private final List<PixelRuns> kept = new ArrayList<>();

    /** With what masters are opened. */
    record Means(PixelSpool.Places scratch, Executor workers, StageTimes times) {
        private PixelSpool.Means spooling(Progress progress) {
            return new PixelSpool.Means(scratch, workers, progress, times);
        }
    }

    PieceWindows(List<RasterPiece> pieces, Means means) {
        this.means = means;
        this.uses = pieces.stream().collect(Collectors.groupingBy(p -> p.picture.stored(), LinkedHashMap::new, Collectors.toList()))
            .entrySet().stream().map(e -> new Use(e.getKey(), e.getValue())).toList();
    }

    /** Opens what shows itself above a row of the raster. */
    void reach(int bottom, Progress progress) throws IOException {
        for (Use use : uses) {
            if (use.state == Use.State.WAITING && use.first() < bottom) {
                use.state = Use.State.REACHED;
                open(use, progress);
            }
        }
    }

    private void open(Use use, Progress progress) throws IOException {
        if (use.forward()) {
            RasterPiece only = use.pieces.get(0);
            only.window = new ForwardRows(only.turn == Orientation.MIRRORED ? new MirroredRows(use.stored) : use.stored, means.times);
            use.open.add(only.window);
            return;
        }
        // decoded once, into a file for each way in which it is turned
        Orientation[] turns = use.pieces.stream().map(p -> p.turn).distinct().toArray(Orientation[]::new);
        PixelSpool[] spools = PixelSpool.of(use.stored, turns, means.spooling(progress));
        use.open.addAll(List.of(spools));
        use.pieces.forEach(piece -> piece.window = spools[Arrays.asList(turns).indexOf(piece.turn)]);
        if (use.shrinks()) {
            for (RasterPiece piece : use.pieces) {
                long inMemory = uses.stream().flatMap(u -> u.pieces.stream()).mapToLong(RasterPiece::heldBytes)
                    .sum();
                boolean small = piece.bytes() <= SMALL_BYTES && inMemory + piece.bytes() <= SMALL_BYTES_IN_ALL;
                piece.keep(kept(piece, small, progress), small);
            }
            use.open.forEach(RowWindow::close);
            use.open.clear();
        }
    }

    /**
     * Closes what lies above a row of the raster: what comes forward at once, as its rows were taken; a file when the bands that read
     * from it are made.
     */
    void leave(int top, int band) {
        for (Use use : uses) {
            if (use.state == Use.State.REACHED && use.end() <= top) {
                use.lastBand = Math.min(use.lastBand, band);
                if (use.forward() || band > use.lastBand + LayoutRenderer.BANDS_UNDER_WAY) {
                    use.close();
                }
            }
        }
    }

    @Override
    public void close() {
        uses.forEach(Use::close);
        kept.forEach(PixelRuns::close);
    }

    /** A piece as it is printed, whole, until this is closed. */
    PixelRuns whole(RasterPiece piece, Progress progress) throws IOException {
        PixelRuns whole = kept(piece, piece.bytes() <= SMALL_BYTES, progress);
        kept.add(whole);
        return whole;
    }

    private PixelRuns kept(RasterPiece piece, boolean small, Progress progress) throws IOException {
        RowSource rows = new ResampledRows(piece);
        return small ? View.whole(rows) : PixelSpool.of(rows, new Orientation[] {Orientation.UPRIGHT}, means.spooling(progress))[0];
    }

    /**
     * A master with the pieces that show it, and its open windows while the bands run over these. A picture that is placed once and whose
     * rows come as they are stored is read forward, others go through a file.
     */
    private static final class Use {
        /** The bands have not come to it, are at it, have left it behind. */
        private enum State {
            WAITING, REACHED, LEFT
        }

        private final RowSource stored;
        private final List<RasterPiece> pieces;
        private final List<RowWindow> open = new ArrayList<>();
        private State state = State.WAITING;
        /** Band after which nothing reads from it any more. */
        private int lastBand = Integer.MAX_VALUE;

        private Use(RowSource stored, List<RasterPiece> pieces) {
            this.stored = stored;
            this.pieces = pieces;
        }

        private boolean forward() {
            return pieces.size() == 1 && pieces.get(0).turn.keepsRows();
        }

        /** Pieces that something is made round are resampled by themselves. */
        private boolean shrinks() {
            long kept = pieces.stream().mapToLong(p -> (long) p.width * p.height).sum();
            return !forward() && pieces.stream().allMatch(p -> p.placed.sides().isEmpty())
                && kept * SHRUNK < (long) stored.width() * stored.height();
        }

        private int first() {
            return pieces.stream().mapToInt(p -> p.y).min().orElseThrow();
        }

        private int end() {
            return pieces.stream().mapToInt(p -> p.y + p.height).max().orElseThrow();
        }

        private void close() {
            open.forEach(RowWindow::close);
            open.clear();
            pieces.forEach(RasterPiece::close);
            state = State.LEFT;
        }
    }

    /** A piece as it is printed, from its upper row to its lowest. */
    private final class ResampledRows implements RowSource {
        private final RasterPiece piece;

        private ResampledRows(RasterPiece piece) {
            this.piece = piece;
        }

        @Override
        public int width() {
            return piece.width;
        }

        @Override
        public int height() {
            return piece.height;
        }

        @Override
        public int channels() {
            return piece.picture.stored().channels();
        }

        @Override
        public void rows(RowSink sink) {
            int row = piece.width * channels();
            int most = Math.max(1, Math.min(piece.height, LayoutRenderer.BAND_SAMPLES / row));
            char[] one = new char[row];
            int[] next = {0};
            try (OrderedExecutor<char[]> bands = new OrderedExecutor<>(means.workers, LayoutRenderer.BANDS_UNDER_WAY, band -> {
                for (int y = 0; y < band.length / row; y++) {
                    System.arraycopy(band, y * row, one, 0, row);
                    sink.row(next[0]++, one);
                }
            })) {
                for (int top = 0; top < piece.height; top += most) {
                    RasterPiece.Strip strip = piece.strip(top, Math.min(piece.height, top + most), means.times);
                    bands.submit(() -> {
                        char[] resampled = strip.resampled(means.times);
                        char[] rows = new char[(strip.to() - strip.from()) * row];
                        for (int y = strip.from(); y < strip.to(); y++) {
                            System.arraycopy(resampled, strip.at(y), rows, (y - strip.from()) * row, row);
                        }
                        return rows;
                    });
                }
                bands.finish();
            }
        }
    }
}
