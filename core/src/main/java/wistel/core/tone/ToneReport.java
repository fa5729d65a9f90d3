package wistel.core.tone;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoubleFunction;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import wistel.core.cgats.Readings;
import wistel.core.colour.Lab;
import wistel.core.tone.ToneScale.Step;

/**
 * All that there is to say of a wedge's reading: what it is like, what straightens it, and what comes of that.
 *
 * @param scale     from paper to black, as it was read
 * @param used      without the steps that are left out or suspect: what the curve is fitted to
 * @param fitted    the curve with as few points as the reading justifies
 * @param curve     that, or the one that a person drew
 * @param before    root mean square of L* against the target
 * @param after     the same through the curve, as the reading tells
 * @param verdict   in sentences, the most important first
 */
public record ToneReport(ToneScale scale, ToneScale used, ToneJudgement judgement, Linearisation fitted, ToneCurve curve, double before,
    double after, List<String> verdict) {
    /** A correction up to this share of the scale is a small one. */
    private static final double SMALL_MOVE = 0.03;
    /** Off the target by less than this, a scale is as straight as it gets. */
    private static final double STRAIGHT_L = 0.7;
    private static final double VISIBLE_DRIFT = 2;
    private static final int COMPARED = 101;

    public ToneReport {
        verdict = List.copyOf(verdict);
    }

    /**
     * @param leftOut places of steps in the scale that a person leaves out
     * @param drawn   a person's own curve; empty for the fitted one
     */
    public static ToneReport of(ToneScale scale, ToneTarget target, List<Integer> leftOut, Optional<ToneCurve> drawn) {
        return of(scale, target, leftOut, drawn, new Known(Optional.empty(), true));
    }

    /**
     * @param fit     what the fit of this very scale came to, where that is known
     * @param scanner false for a scan by a scanner whose own curve was never found out
     */
    public record Known(Optional<Linearisation> fit, boolean scanner) {
    }

    public static ToneReport of(ToneScale scale, ToneTarget target, List<Integer> leftOut, Optional<ToneCurve> drawn, Known known) {
        ToneJudgement judgement = ToneJudgement.of(scale);
        Set<Integer> out = new HashSet<>(leftOut);
        out.addAll(judgement.suspects());
        ToneScale used = (judgement.reversed() ? scale.turned() : scale).without(List.copyOf(out));
        Linearisation fitted = known.fit.orElseGet(() -> Linearisation.fit(used, target));
        ToneCurve curve = drawn.orElse(fitted.curve());
        double before = off(used, target, ToneCurve.STRAIGHT);
        double after = off(used, target, curve);
        return new ToneReport(scale, used, judgement, fitted, curve, before, after,
            verdict(scale, judgement, curve, before, after, known.scanner));
    }

    /** How light each depth is to be, from paper to black, in even steps. */
    public static double[] target(ToneScale scale, ToneTarget target, int steps) {
        return IntStream.range(0, steps).mapToDouble(i -> target.lightness(i / (steps - 1.0), scale.paper().l(), scale.black().l()))
            .toArray();
    }

    /** L* of depths in even steps, sent through a curve. */
    public static double[] through(ToneScale scale, ToneCurve curve, int steps) {
        DoubleFunction<Lab> printed = scale.function();
        DoubleUnaryOperator sent = curve.function();
        return IntStream.range(0, steps).mapToDouble(i -> printed.apply(sent.applyAsDouble(i / (steps - 1.0))).l()).toArray();
    }

    private static double off(ToneScale scale, ToneTarget target, ToneCurve curve) {
        if (curve.points().isEmpty()) {
            return rms(
                scale.steps().stream().mapToDouble(s -> s.lab().l() - target.lightness(s.depth(), scale.paper().l(), scale.black().l())));
        }
        double[] wanted = target(scale, target, COMPARED);
        double[] got = through(scale, curve, COMPARED);
        return rms(IntStream.range(0, COMPARED).mapToDouble(i -> got[i] - wanted[i]));
    }

    private static double rms(DoubleStream values) {
        return Math.sqrt(values.map(v -> v * v).average().orElse(0));
    }

    private static List<String> verdict(ToneScale scale, ToneJudgement j, ToneCurve curve, double before, double after,
        boolean scannerKnown) {
        List<String> said = new ArrayList<>();
        if (j.isNoScale()) {
            return List
                .of("This is no scale at all: all of its patches are alike. See whether the wedge was printed, and read where it lies.");
        }
        if (j.reversed()) {
            said.add("This was read from black to paper.");
        }
        double move = Math.abs(curve.largestMove().sent());
        boolean scanner = !scannerKnown && move >= SMALL_MOVE;
        if (scanner) {
            said.add("This scanner isn't known yet: its own curve may be all that is seen here. Teach it with a wedge that was measured.");
        }
        j.blockedFrom().ifPresent(from -> said
            .add(String.format(Locale.ROOT, "Shadows block up: steps from %.0f %% on can't be told from full black.", 100 * from)));
        if (!j.rises().isEmpty()) {
            said.add(j.rises().size() == 1 ? "One step is lighter than the one before it."
                : j.rises().size() + " steps are lighter than the ones before them.");
        }
        if (curve.unsuited() && !scanner) {
            said.add(String.format(Locale.ROOT,
                "Ink, media type and paper don't suit each other: straightening this takes %.1f %% of the scale.", 100 * move));
        } else if (curve.points().isEmpty()) {
            said.add(before < STRAIGHT_L ? "The scale is straight as it is." : "No correction is justified by this reading.");
        } else {
            said.add(move < SMALL_MOVE ? "A small correction straightens it."
                : String.format(Locale.ROOT, "A correction of up to %.1f %% straightens it.", 100 * move));
            if (after > before) {
                said.add("As it is drawn, it would be farther off than without.");
            }
        }
        if (!j.suspects().isEmpty()) {
            said.add(suspects(scale, j));
        }
        if (scale.kind() == Readings.Kind.COLOUR && j.drift() > VISIBLE_DRIFT) {
            said.add(String.format(Locale.ROOT, "The grays drift from the paper's colour, most at %.0f %%.", 100 * j.driftDepth()));
        }
        return said;
    }

    private static String suspects(ToneScale scale, ToneJudgement j) {
        List<Step> steps = j.reversed() ? scale.turned().steps() : scale.steps();
        List<String> at = j.suspects().stream().map(i -> String.format(Locale.ROOT, "%.0f %%", 100 * steps.get(i).depth())).toList();
        return (at.size() == 1 ? "The step at " + at.get(0) + " is" : "The steps at " + String.join(", ", at) + " are")
            + " suspect, dust or a wrong patch, and left out.";
    }
}
