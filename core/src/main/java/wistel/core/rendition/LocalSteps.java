package wistel.core.rendition;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import java.util.stream.IntStream;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.pictures.View;

/**
 * What local moves make of a picture's codes in {@link RenditionCompiler#WORKING}, one after another: where a move has weight, each colour is
 * blended with what the move makes of it, in 16 bit. The weight is that of the place, whatever raster it lies on. Safe for any number of
 * threads.
 */
public final class LocalSteps {
    private static final int CHANNELS = 3;
    private static final int STRIP_ROWS = 8;

    private record Step(LocalMove move, Transform with) {
    }

    private final List<Step> steps;

    private LocalSteps(List<Step> steps) {
        this.steps = steps;
    }

    /**
     * @param change  of whose local moves those are run that do something
     * @param compile makes or finds transforms
     */
    public static LocalSteps of(RenditionChange change, RenditionCompiler.ConversionOptions route, Function<Recipe, Transform> compile) {
        List<Step> steps = new ArrayList<>();
        for (LocalMove move : change.local()) {
            List<Move> moves = move.change().moves(change.driverGray());
            if (!moves.isEmpty()) {
                steps.add(new Step(move, compile.apply(new Recipe.Changed(RenditionCompiler.WORKING,
                    new RenditionChange(new Treatment.Colour(), moves).tonesOf(change.tonesOf()), RenditionCompiler.WORKING,
                    Intent.RELATIVE, route.blackPoint()))));
            }
        }
        return new LocalSteps(List.copyOf(steps));
    }

    /**
     * A view's codes, changed in place, strips of its rows on all processors.
     *
     * @return by row, whether anything of it was changed
     */
    public boolean[] apply(View working, PicturePlaces places) {
        Run run = run(places);
        boolean[] changed = new boolean[working.height()];
        int strips = (working.height() + STRIP_ROWS - 1) / STRIP_ROWS;
        IntStream.range(0, strips).parallel().forEach(strip -> {
            int from = strip * STRIP_ROWS;
            int rows = Math.min(STRIP_ROWS, working.height() - from);
            boolean any = run.apply(working.pixels(), from * working.width() * CHANNELS, new int[] {working.width(), rows},
                places.from(0, from));
            Arrays.fill(changed, from, from + rows, any);
        });
        return changed;
    }

    /**
     * Leads rows of a view on, on all processors.
     *
     * @param rows those that are led on
     * @param out  gets them; all others stay
     */
    public static void onward(View working, boolean[] rows, Transform last, char[] out) {
        last.baked();
        int strips = (working.height() + STRIP_ROWS - 1) / STRIP_ROWS;
        IntStream.range(0, strips).parallel().forEach(strip -> {
            int end = Math.min(working.height(), (strip + 1) * STRIP_ROWS);
            for (int row = strip * STRIP_ROWS; row < end;) {
                int first = row;
                while (row < end && rows[row] == rows[first]) {
                    row++;
                }
                if (rows[first]) {
                    last.apply(working.pixels(), first * working.width() * CHANNELS, out, first * working.width() * last.outputs(),
                        (row - first) * working.width());
                }
            }
        });
    }

    /** With the weights of a picture's places. */
    Run run(PicturePlaces places) {
        return new Run(steps.stream().map(s -> s.move.weight(places.aspect(), places.frame())).toArray(LocalMove.Weight[]::new));
    }

    /** Changes runs of pixels of one picture. */
    final class Run {
        private final LocalMove.Weight[] weights;

        private Run(LocalMove.Weight[] weights) {
            this.weights = weights;
        }

        /**
         * Codes of rows of pixels, changed in place.
         *
         * @param size   columns and rows
         * @param places of the first of them
         * @return whether any was changed
         */
        boolean apply(char[] working, int at, int[] size, PicturePlaces places) {
            int columns = size[0];
            float[] share = new float[columns * size[1]];
            int[] reached = new int[share.length];
            boolean any = false;
            for (int s = 0; s < weights.length; s++) {
                for (int row = 0; row < size[1]; row++) {
                    weights[s].row(places.from(0, row), share, row * columns, columns);
                }
                int count = 0;
                for (int i = 0; i < share.length; i++) {
                    if (share[i] > 0) {
                        reached[count++] = i;
                    }
                }
                if (count > 0) {
                    any = true;
                    blend(steps.get(s).with, working, at, share, Arrays.copyOf(reached, count));
                }
            }
            return any;
        }
    }

    /** What has weight is gathered, changed and blended where it came from. */
    private static void blend(Transform with, char[] working, int at, float[] share, int[] reached) {
        char[] some = new char[reached.length * CHANNELS];
        for (int i = 0, to = 0; i < reached.length; i++, to += CHANNELS) {
            int from = at + reached[i] * CHANNELS;
            some[to] = working[from];
            some[to + 1] = working[from + 1];
            some[to + 2] = working[from + 2];
        }
        char[] moved = new char[some.length];
        with.apply(some, 0, moved, 0, reached.length);
        for (int i = 0, from = 0; i < reached.length; i++, from += CHANNELS) {
            float weight = share[reached[i]];
            int to = at + reached[i] * CHANNELS;
            for (int c = 0; c < CHANNELS; c++) {
                char before = some[from + c];
                working[to + c] = (char) (before + weight * (moved[from + c] - before) + 0.5);
            }
        }
    }
}
