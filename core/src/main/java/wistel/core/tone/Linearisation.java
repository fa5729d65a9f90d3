package wistel.core.tone;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import wistel.core.tone.ToneFit.Fitted;
import wistel.core.tone.ToneScale.Step;

/**
 * The curve that straightens a scale, with as few points as its reading justifies: their number is the smallest whose cross-validated error
 * exceeds the least one by no more than the reading's noise, as variances. A bend between a few steps can't be foreseen by a fit that
 * doesn't see them; where what is left is many times the noise, further points follow it as far as each of them shows well above it.
 *
 * @param before   root mean square of L* against the target, without the curve
 * @param after    the same with it, as the reading predicts
 * @param byPoints cross-validated error in L* with no point, one, two and so on
 */
public record Linearisation(ToneCurve curve, ToneTarget target, double before, double after, List<Double> byPoints) {
    /** Beyond it ink, media type and paper don't suit each other, as a share of the scale. */
    public static final double LARGEST_SOUND_MOVE = 0.08;
    private static final int FEWEST_POINTS = 2;
    private static final int FOLDS = 5;
    private static final double UNSURE = 2.25;

    public Linearisation {
        byPoints = List.copyOf(byPoints);
    }

    /** The largest move exceeds what a sound match of ink, media type and paper needs. */
    public boolean unsuited() {
        return curve.unsuited();
    }

    /**
     * The curve with as few points as the scale justifies; the same for the same scale. It can't tell a scale that was read from the wrong
     * end from one that is reversed: {@link ToneJudgement} does.
     *
     * @param scale from paper to black, without the steps that are left out
     */
    public static Linearisation fit(ToneScale scale, ToneTarget target) {
        ToneFit whole = new ToneFit(scale.steps(), target);
        List<Fold> folds = IntStream.range(0, FOLDS).parallel().mapToObj(nth -> Fold.of(scale.steps(), whole, nth)).toList();
        double[] variances = IntStream.rangeClosed(0, ToneCurve.MOST_POINTS)
            .mapToDouble(n -> folds.stream().mapToDouble(f -> f.offs[n]).sum() / (scale.steps().size() - 2)).toArray();
        double least = Arrays.stream(variances).min().orElseThrow();
        double noise = scale.steps().stream().mapToDouble(s -> Math.pow(scale.noiseOf(s), 2)).average().orElseThrow();
        // few steps tell noise badly: some more than was found may be noise too
        noise = Math.min(Math.max(noise, least), UNSURE * noise);
        int n = 0;
        while (variances[n] > least + noise) {
            n++;
        }
        int points = n == 0 ? 0 : Math.max(FEWEST_POINTS, n);
        Fitted chosen = whole.withWhatShows(whole.best(folds.stream().map(f -> f.byPoints.get(points)).toList()), noise);
        ToneCurve curve = ToneCurve.within(chosen.points());
        return new Linearisation(curve, target, whole.uncorrected(chosen),
            rms(whole.squares(new Fitted(chosen.paper(), chosen.black(), curve.points()))),
            Arrays.stream(variances).mapToObj(Math::sqrt).toList());
    }

    private static double rms(double[] squares) {
        return Math.sqrt(Arrays.stream(squares).average().orElseThrow());
    }

    /**
     * A fit that didn't see some of the steps between the ends.
     *
     * @param offs sum of the squares of those steps, by number of points
     */
    private record Fold(List<Fitted> byPoints, double[] offs) {
        private static Fold of(List<Step> steps, ToneFit whole, int nth) {
            List<Step> seen = new ArrayList<>();
            for (int i = 0; i < steps.size(); i++) {
                if (i == 0 || i == steps.size() - 1 || (i - 1) % FOLDS != nth) {
                    seen.add(steps.get(i));
                }
            }
            List<Fitted> byPoints = whole.on(seen).byPoints();
            double[] offs = byPoints.stream().mapToDouble(fitted -> {
                double[] squares = whole.squares(fitted);
                return IntStream.range(0, squares.length).filter(i -> i % FOLDS == nth).mapToDouble(i -> squares[i]).sum();
            }).toArray();
            return new Fold(byPoints, offs);
        }
    }
}
