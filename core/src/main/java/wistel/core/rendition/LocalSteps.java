package wistel.core.rendition;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
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
                    new RenditionChange(new Treatment.Colour(), moves), RenditionCompiler.WORKING, Intent.RELATIVE, route.blackPoint()))));
            }
        }
        return new LocalSteps(List.copyOf(steps));
    }

    /** A view's codes, changed in place. */
    public void apply(View working, PicturePlaces places) {
        for (int row = 0; row < working.height(); row++) {
            apply(working.pixels(), row * working.width() * CHANNELS, working.width(), places.from(0, row));
        }
    }

    /**
     * Codes of a run of pixels, changed in place.
     *
     * @param places of the first of them; only what a column adds is looked at
     */
    public void apply(char[] working, int at, int count, PicturePlaces places) {
        double[] weights = new double[count];
        for (Step step : steps) {
            int first = count;
            int end = 0;
            for (int i = 0; i < count; i++) {
                weights[i] = step.move.weight(places.x() + i * places.acrossX(), places.y() + i * places.acrossY(), places.aspect(),
                    places.frame());
                if (weights[i] > 0) {
                    first = Math.min(first, i);
                    end = i + 1;
                }
            }
            if (first < end) {
                blend(step.with, working, at + first * CHANNELS, weights, first, end);
            }
        }
    }

    private static void blend(Transform with, char[] working, int at, double[] weights, int first, int end) {
        char[] moved = new char[(end - first) * CHANNELS];
        with.apply(working, at, moved, 0, end - first);
        for (int i = 0; i < moved.length; i++) {
            double weight = weights[first + i / CHANNELS];
            working[at + i] = (char) Math.round(working[at + i] + weight * (moved[i] - working[at + i]));
        }
    }
}
