package wistel.core.tone;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import wistel.core.cgats.Readings;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.tone.ToneScale.Step;

/**
 * What a scale's reading says of a printer, its settings and a paper.
 *
 * @param density       of black, visual: -log10 Y, with Y = 1 for the perfect diffuser
 * @param paperDensity  of bare paper; the difference is the density over the paper
 * @param blackL        L* of the darkest step
 * @param suspects      steps that lie off the line through their neighbours by far more than the noise: dust, or the wrong patch read
 * @param rises         steps lighter than the one before, the suspects left out
 * @param blockedFrom   depth from which steps can't be told from full black, if there are such steps
 * @param drift         largest distance of a* and b* from the paper's own; 0 where only lightness was read
 * @param driftDepth    where that is
 * @param reversed      it was read from black to paper
 * @param range         L* from the lightest step to the darkest, the suspects left out
 */
public record ToneJudgement(double density, double paperDensity, double blackL, List<Integer> suspects, List<Integer> rises,
    OptionalDouble blockedFrom, double drift, double driftDepth, boolean reversed, double range) {
    /** Two large patches side by side are told apart from about this difference in L* on. */
    public static final double JUST_VISIBLE = 0.3;
    /** In noises of their difference: two readings that are as far apart may be of different steps. */
    private static final double NOISES_APART = 1;
    /** From paper to black, in L*: less is no scale. */
    private static final double NO_SCALE = 2;
    private static final double WILD_NOISES = 5;
    private static final double WILD_L = 0.8;
    private static final double WILD_COLOUR = 3;
    private static final double LEAST_Y = 1e-5;

    /** All patches are alike, whatever they were sent. */
    public boolean isNoScale() {
        return range < NO_SCALE;
    }

    public ToneJudgement {
        suspects = List.copyOf(suspects);
        rises = List.copyOf(rises);
    }

    public static ToneJudgement of(ToneScale scale) {
        boolean reversed = scale.paper().l() < scale.black().l();
        ToneScale rightWay = reversed ? scale.turned() : scale;
        List<Integer> suspects = suspects(rightWay);
        List<Step> sound = new ArrayList<>();
        List<Integer> places = new ArrayList<>();
        for (int i = 0; i < rightWay.steps().size(); i++) {
            if (!suspects.contains(i)) {
                sound.add(rightWay.steps().get(i));
                places.add(i);
            }
        }
        Step darkest = sound.get(0);
        Step tinted = sound.get(0);
        for (Step s : sound) {
            darkest = s.lab().l() < darkest.lab().l() ? s : darkest;
            tinted = apart(s.lab(), rightWay.paper()) > apart(tinted.lab(), rightWay.paper()) ? s : tinted;
        }
        double lightest = sound.stream().mapToDouble(s -> s.lab().l()).max().orElseThrow();
        boolean colour = scale.kind() == Readings.Kind.COLOUR;
        return new ToneJudgement(density(darkest.lab().l()), density(rightWay.paper().l()), darkest.lab().l(), suspects,
            rises(rightWay, sound, places), blocked(rightWay, sound),
            colour ? apart(tinted.lab(), rightWay.paper()) : 0, colour ? tinted.depth() : 0, reversed, lightest - darkest.lab().l());
    }

    private static double density(double l) {
        return -Math.log10(Math.max(LEAST_Y, D50.luminance(l)));
    }

    private static double apart(Lab one, Lab other) {
        return Math.hypot(one.a() - other.a(), one.b() - other.b());
    }

    /**
     * The worst is taken out first, as it pulls the line that its neighbours are judged by. The ends have no line and are never suspect.
     */
    private static List<Integer> suspects(ToneScale scale) {
        List<Integer> left = new ArrayList<>();
        for (int i = 0; i < scale.steps().size(); i++) {
            left.add(i);
        }
        List<Integer> suspects = new ArrayList<>();
        int most = scale.steps().size() / 5;
        while (suspects.size() < most) {
            int worst = -1;
            double by = 1;
            for (int k = 1; k < left.size() - 1; k++) {
                double off = off(scale, left, k);
                if (off > by && alone(scale, left, k, off)) {
                    by = off;
                    worst = k;
                }
            }
            if (worst < 0) {
                break;
            }
            suspects.add(left.remove(worst));
        }
        suspects.sort(null);
        return suspects;
    }

    /** Without it its neighbours lie on a line: dust is alone, a bend of the scale is not. */
    private static boolean alone(ToneScale scale, List<Integer> left, int k, double off) {
        List<Integer> without = new ArrayList<>(left);
        without.remove(k);
        return (k < 2 || off(scale, without, k - 1) < off / 2) && (k >= without.size() - 1 || off(scale, without, k) < off / 2);
    }

    /** How far a step lies off its neighbours' line, 1 where it becomes suspect. */
    private static double off(ToneScale scale, List<Integer> left, int k) {
        List<Step> around = new ArrayList<>();
        for (int n = Math.max(0, k - 2); n <= Math.min(left.size() - 1, k + 2); n++) {
            if (n != k) {
                around.add(scale.steps().get(left.get(n)));
            }
        }
        Step step = scale.steps().get(left.get(k));
        double l = 0;
        double a = 0;
        double b = 0;
        double spread = 1;
        double[] weights = ToneScale.weights(around, step.depth());
        for (int i = 0; i < weights.length; i++) {
            l += weights[i] * around.get(i).lab().l();
            a += weights[i] * around.get(i).lab().a();
            b += weights[i] * around.get(i).lab().b();
            spread += weights[i] * weights[i];
        }
        double even = Math.abs(scale.paper().l() - scale.black().l()) / (scale.steps().size() - 1);
        double bearable = Math.max(Math.max(WILD_L, WILD_NOISES * scale.noiseOf(step) * Math.sqrt(spread)), 0.5 * even);
        double offColour = scale.kind() == Readings.Kind.COLOUR ? Math.hypot(step.lab().a() - a, step.lab().b() - b)
            / Math.max(WILD_COLOUR, WILD_NOISES * scale.noiseOf(step) * Math.sqrt(spread)) : 0;
        return Math.max(Math.abs(step.lab().l() - l) / bearable, offColour);
    }

    private static List<Integer> rises(ToneScale scale, List<Step> sound, List<Integer> places) {
        List<Integer> rises = new ArrayList<>();
        for (int i = 1; i < sound.size(); i++) {
            double noise = Math.hypot(scale.noiseOf(sound.get(i)), scale.noiseOf(sound.get(i - 1)));
            if (sound.get(i).lab().l() - sound.get(i - 1).lab().l() > 3 * noise) {
                rises.add(places.get(i));
            }
        }
        return rises;
    }

    /**
     * From the end: the first of the steps that all look like the last. Where the reading's noise hides differences that an eye would see,
     * it says nothing of them.
     */
    private static OptionalDouble blocked(ToneScale scale, List<Step> sound) {
        Step black = sound.get(sound.size() - 1);
        int first = sound.size() - 1;
        while (first > 0 && Math.abs(sound.get(first - 1).lab().l() - black.lab().l()) < JUST_VISIBLE
            && NOISES_APART * Math.hypot(scale.noiseOf(sound.get(first - 1)), scale.noiseOf(black)) < JUST_VISIBLE) {
            first--;
        }
        // steps sent so near to black that an even scale wouldn't show them either say nothing
        double even = (1 - sound.get(first).depth()) * (scale.paper().l() - black.lab().l());
        return even < 2 * JUST_VISIBLE ? OptionalDouble.empty() : OptionalDouble.of(sound.get(first).depth());
    }
}
