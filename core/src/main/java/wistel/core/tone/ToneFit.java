package wistel.core.tone;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.hipparchus.exception.MathIllegalStateException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;
import wistel.core.colour.MonotoneCubic;
import wistel.core.tone.ToneCurve.Point;
import wistel.core.tone.ToneScale.Step;

/**
 * The least squares of a linearisation: points of the curve and the L* of paper and black, which are read with the same noise as every
 * step, so that what was sent and what was read agree in L*. Bounds of the slope weigh in as further residuals.
 */
final class ToneFit {
    private static final double POINT_DISTANCE = 0.04;
    /** A point nearer to an end would follow the one or two steps that lie there. */
    private static final double END = 0.05;
    private static final double DIFFERENCE = 1e-5;
    private static final int MOST_EVALUATIONS = 30;
    private static final double COST_TOLERANCE_SHARE = 1e-5;
    private static final int STARTS = 2;
    /** Places where the slope is held within its bounds, and how much L* a unit of slope beyond them counts. */
    private static final int SLOPES = 80;
    private static final double SLOPE_WEIGHT = 20;
    /** Noise variances that a point must take off the squares: its place and value take off two or three of nothing but noise. */
    private static final double SHOWS = 16;
    /** Few steps tell noise badly: with as many, what shows must be twice as large. */
    private static final double FEW_STEPS = 12;
    private static final double INSIDE = 0.08;
    private static final double LEAST_GRADIENT = 0.5;

    private final ToneTarget target;
    private final Step first;
    private final Step last;
    private final List<Step> between;
    private final double[] gradients;

    /** @param paper in L*, as fitted; so black */
    record Fitted(double paper, double black, List<Point> points) {
        private double[] parameters() {
            double[] all = new double[2 + 2 * points.size()];
            all[0] = paper;
            all[1] = black;
            for (int i = 0; i < points.size(); i++) {
                all[2 + 2 * i] = points.get(i).wanted();
                all[3 + 2 * i] = points.get(i).sent();
            }
            return all;
        }

        /** Places are kept in order and apart. */
        private static Fitted of(RealVector parameters) {
            List<Point> points = new ArrayList<>();
            int n = parameters.getDimension() / 2 - 1;
            double last = END - POINT_DISTANCE / 2;
            for (int i = 0; i < n; i++) {
                double furthest = 1 - END - POINT_DISTANCE / 2 * (n - 1 - i);
                last = Math.max(last + POINT_DISTANCE / 2, Math.min(furthest, parameters.getEntry(2 + 2 * i)));
                points.add(new Point(last, parameters.getEntry(3 + 2 * i)));
            }
            return new Fitted(parameters.getEntry(0), parameters.getEntry(1), points);
        }

        private Fitted with(double x, double y) {
            List<Point> more = new ArrayList<>(points);
            more.add(new Point(x, y));
            more.sort(Comparator.comparingDouble(Point::wanted));
            return new Fitted(paper, black, more);
        }
    }

    /** @param steps from paper to black, the first and the last at the ends of the scale */
    ToneFit(List<Step> steps, ToneTarget target) {
        this.target = target;
        this.first = steps.get(0);
        this.last = steps.get(steps.size() - 1);
        this.between = List.copyOf(steps.subList(1, steps.size() - 1));
        this.gradients = gradients(steps);
    }

    /** The same fit seeing these steps only; both ends are among them. */
    ToneFit on(List<Step> seen) {
        return new ToneFit(seen, target);
    }

    /** L* for a unit of depth around each step between the ends. */
    private static double[] gradients(List<Step> steps) {
        double[] gradients = new double[steps.size() - 2];
        for (int i = 1; i < steps.size() - 1; i++) {
            Step before = steps.get(Math.max(0, i - 2));
            Step after = steps.get(Math.min(steps.size() - 1, i + 2));
            gradients[i - 1] = Math.max(LEAST_GRADIENT, (before.lab().l() - after.lab().l()) / (after.depth() - before.depth()));
        }
        return gradients;
    }

    /** The best curves of no point, one, two, up to as many as a curve may have. */
    List<Fitted> byPoints() {
        List<Fitted> grown = new ArrayList<>(List.of(best(new Fitted(first.lab().l(), last.lab().l(), List.of()))));
        while (grown.size() <= ToneCurve.MOST_POINTS) {
            grown.add(oneMore(grown.get(grown.size() - 1)));
        }
        return grown;
    }

    /**
     * With further points while each, or two together, take off far more of the squares than noise would.
     *
     * @param noise variance of a step in L*
     */
    Fitted withWhatShows(Fitted start, double noise) {
        Fitted best = start;
        Fitted next = start;
        int grown = 0;
        while (next.points().size() < ToneCurve.MOST_POINTS && grown < 2) {
            next = oneMore(next);
            grown++;
            if (sum(best) - sum(next) > grown * SHOWS * noise * (1 + FEW_STEPS / between.size())) {
                best = next;
                grown = 0;
            }
        }
        return best;
    }

    private double sum(Fitted fitted) {
        return Arrays.stream(squares(fitted)).sum();
    }

    /** Root mean square of L* off the target as it was read, without a curve. */
    double uncorrected(Fitted ends) {
        return Math.sqrt(between.stream()
            .mapToDouble(s -> Math.pow(s.lab().l() - target.lightness(s.depth(), ends.paper(), ends.black()), 2)).average().orElseThrow());
    }

    /** L* of the steps between the ends off what the curve says of them, squared. */
    double[] squares(Fitted fitted) {
        double[] off = residuals(fitted);
        double[] squares = new double[between.size()];
        Arrays.setAll(squares, i -> off[i] * off[i]);
        return squares;
    }

    private double cost(Fitted fitted) {
        return new ArrayRealVector(residuals(fitted), false).getNorm();
    }

    /** With another point: put where it helps most, its value best to first order, and from the best of these places all fitted anew. */
    private Fitted oneMore(Fitted fitted) {
        List<Fitted> tried = new ArrayList<>();
        MonotoneCubic curve = ToneCurve.through(fitted.points());
        for (double at = END; at < 1 - END / 2; at += POINT_DISTANCE) {
            double x = at;
            if (fitted.points().stream().noneMatch(p -> Math.abs(p.wanted() - x) < POINT_DISTANCE / 2)) {
                double y = curve.at(x);
                RealVector here = new ArrayRealVector(residuals(fitted.with(x, y)), false);
                RealVector by = new ArrayRealVector(residuals(fitted.with(x, y + DIFFERENCE)), false).subtract(here).mapDivide(DIFFERENCE);
                tried.add(fitted.with(x, Math.max(0, Math.min(1, y - by.dotProduct(here) / Math.max(DIFFERENCE, by.dotProduct(by))))));
            }
        }
        tried.sort(Comparator.comparingDouble(this::cost));
        return best(Stream.concat(tried.stream().limit(STARTS), Stream.of(spread(fitted, fitted.points().size() + 1))).toList());
    }

    /** As many points evenly spread, their values as the steps around them were read. */
    private Fitted spread(Fitted ends, int n) {
        List<Point> points = new ArrayList<>();
        double last = 0;
        for (int i = 1; i <= n; i++) {
            double x = (double) i / (n + 1);
            Step nearest = Collections.min(between,
                Comparator.comparingDouble(s -> Math.abs(target.depth(s.lab().l(), ends.paper(), ends.black()) - x)));
            last = Math.max(last, nearest.depth());
            points.add(new Point(x, last));
        }
        return new Fitted(ends.paper(), ends.black(), points);
    }

    /** The best that can be reached from these. */
    Fitted best(List<Fitted> starts) {
        return starts.stream().map(this::best).min(Comparator.comparingDouble(this::cost)).orElseThrow();
    }

    private Fitted best(Fitted start) {
        Fitted[] best = {start};
        double[] least = {cost(start)};
        try {
            new LevenbergMarquardtOptimizer().optimize(new LeastSquaresBuilder()
                .start(start.parameters())
                .target(new double[between.size() + SLOPES + 2])
                .model(at -> {
                    Fitted here = Fitted.of(at);
                    RealVector off = new ArrayRealVector(residuals(here), false);
                    if (off.getNorm() < least[0]) {
                        least[0] = off.getNorm();
                        best[0] = here;
                    }
                    return new Pair<>(off, derivatives(at));
                })
                .checker((iteration, before, now) -> before.getCost() - now.getCost() < COST_TOLERANCE_SHARE * before.getCost())
                .maxEvaluations(MOST_EVALUATIONS).maxIterations(MOST_EVALUATIONS).build());
        } catch (MathIllegalStateException e) {
            // not settled within the evaluations: the best of them is taken
        }
        return best[0];
    }

    /** Off the steps in L*, beyond the bounds of the slope, and off the readings of paper and black. */
    private double[] residuals(Fitted fitted) {
        MonotoneCubic curve = ToneCurve.through(fitted.points());
        int n = between.size();
        double[] off = new double[n + SLOPES + 2];
        for (int i = 0; i < n; i++) {
            double wanted = target.depth(between.get(i).lab().l(), fitted.paper(), fitted.black());
            off[i] = (curve.at(wanted) - between.get(i).depth()) * gradients[i];
        }
        double before = 0;
        for (int i = 0; i < SLOPES; i++) {
            double now = curve.at((i + 1.0) / SLOPES);
            double slope = (now - before) * SLOPES;
            off[n + i] = SLOPE_WEIGHT * Math.max(0, Math.max(ToneCurve.FLATTEST + INSIDE - slope, slope - ToneCurve.STEEPEST + INSIDE));
            before = now;
        }
        off[n + SLOPES] = fitted.paper() - first.lab().l();
        off[n + SLOPES + 1] = fitted.black() - last.lab().l();
        return off;
    }

    private RealMatrix derivatives(RealVector at) {
        RealMatrix by = new Array2DRowRealMatrix(between.size() + SLOPES + 2, at.getDimension());
        RealVector here = new ArrayRealVector(residuals(Fitted.of(at)), false);
        for (int k = 0; k < at.getDimension(); k++) {
            RealVector moved = at.copy();
            moved.addToEntry(k, DIFFERENCE);
            by.setColumnVector(k, new ArrayRealVector(residuals(Fitted.of(moved)), false).subtract(here).mapDivide(DIFFERENCE));
        }
        return by;
    }
}
