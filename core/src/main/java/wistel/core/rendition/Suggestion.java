package wistel.core.rendition;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import wistel.core.colour.CieDe2000;
import wistel.core.colour.D50;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.pictures.View;

/**
 * The moves that bring the print of one picture closest to what its master says, as a person would find them by hand: a pattern search (R.
 * Hooke and T. A. Jeeves, "Direct search" solution of numerical and statistical problems, J. ACM 8, 1961) over a few sliders, on colours of
 * the picture. What it aims at is the master fitted to the paper: its lightness brought onto the paper's range by black point compensation,
 * its colour as it is. It always gives the same answer to the same question. With its moves the mean difference to the fitted master never
 * rises, no step of the darkest third that stays apart without them is lost, not fewer steps stay apart over all, and not more is blocked.
 */
public final class Suggestion {
    private static final int MOST_COLOURS = 4000;
    private static final int COLOURS_AT_FIRST = 1000;
    /** Each place of the picture is taken with two others, near and farther off. */
    private static final int OF_A_PLACE = 3;
    /** How far off, as shares of the picture's width. */
    private static final double NEAR = 1 / 300.0;
    private static final double FARTHER = 1 / 60.0;
    /** Tones by lightness, each the mean of equally many colours, whose separation counts; as many again in the darkest third. */
    private static final int TONES = 48;
    private static final double DARKEST = 1 / 3.0;
    /** Steps smaller than this are rounding. */
    private static final double LEAST_STEP_L = 0.01;
    /** For each L* of local contrast that is lost, on average. */
    private static final double LOST_CONTRAST = 1;
    /** For a slider moved all the way. */
    private static final double PRICE = 0.05;
    private static final int SEED = 20;

    /** Sliders: shadows, midtones, contrast, chroma of six hues, warmth, tint; what one unit of the search is, and how far it may go. */
    private static final double[] UNIT = {10, 10, 10, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 2, 2};
    private static final double[] MOST = {50, 50, 50, 0.5, 0.5, 0.5, 0.5, 0.5, 0.5, 10, 10};
    private static final double[] LEAST_STEP = {1, 1, 1, 0.02, 0.02, 0.02, 0.02, 0.02, 0.02, 0.2, 0.2};
    private static final int TONE_SLIDERS = 3;
    private static final double FIRST_STEP = 1;
    private static final double LAST_STEP = 0.12;
    private static final int MOST_ROUNDS = 3;
    /** How often what breaks a promise is halved before nothing is suggested. */
    private static final int HALVINGS = 4;

    private static final Transform TO_WORKING = TransformCompiler.compile(new Recipe.FromLab(RenditionCompiler.WORKING, Intent.RELATIVE));

    /** What a person wants of it. */
    public enum Goal {
        /** The smallest difference. */
        CLOSEST(2),
        /** Contrast of the darkest third before all. */
        SHADOWS_OPEN(4);

        private final double darkWeight;

        Goal(double darkWeight) {
            this.darkWeight = darkWeight;
        }
    }

    /**
     * The ways of the colour.
     *
     * @param toNearest from WORKING to the nearest that the paper has: relative colorimetric, black not scaled
     * @param toPrint   from WORKING to the print through the docket's own intent
     */
    public record Ways(Transform toNearest, Transform toPrint) {
    }

    /**
     * @param moves  none when nothing was found that is better
     * @param before of the print as it stands without moves
     * @param after  the same with them
     */
    public record Found(List<Move> moves, Closeness before, Closeness after) {
    }

    /**
     * @param mean      CIEDE2000 against the fitted master, what the paper can't hold counted from the nearest that it has
     * @param apart     of {@link #TONES} - 1 pairs of neighbouring tones, those that keep more than half of their separation
     * @param darkApart the same of as many tones of the darkest third
     * @param blocked   share of the picture's colours within {@link EndPoints#BLOCKED} of the deepest that the paper gives
     */
    public record Closeness(double mean, int apart, int darkApart, double blocked) {
    }

    /**
     * Closeness of some sliders, and what the search goes by.
     *
     * @param fittedMean against the fitted master itself, also where no paper holds it
     * @param steps of the darkest third's tones as neutrals, which of them stay apart
     */
    private record Judged(Closeness closeness, double fittedMean, double objective, boolean[] steps) {
        /** As good as another one in everything that is promised. */
        private boolean keeps(Judged before) {
            for (int i = 0; i < steps.length; i++) {
                if (before.steps[i] && !steps[i]) {
                    return false;
                }
            }
            return closeness.mean <= before.closeness.mean && fittedMean <= before.fittedMean && closeness.apart >= before.closeness.apart
                && closeness.darkApart >= before.closeness.darkApart && closeness.blocked <= before.closeness.blocked;
        }
    }

    private final double[] wanted;
    private final double[] fitted;
    private final double[] reachable;
    private final int[][] tones;
    private final int[][] darkTones;
    private final double darkest;
    private final double deepest;
    private final double pivot;
    private final boolean monochrome;
    private final Goal goal;
    private final UnaryOperator<char[]> print;
    private final Judged bare;

    /** @param codes of places and of those beside them: first all places, then the near ones, then the farther ones */
    private Suggestion(char[] codes, boolean monochrome, Ways ways, Goal goal) {
        this.wanted = labs(codes);
        this.monochrome = monochrome;
        this.goal = goal;
        this.print = c -> ways.toPrint.apply(TO_WORKING.apply(c));
        char[] black = {0, LabEncoding.V4.ofAb(0), LabEncoding.V4.ofAb(0)};
        this.deepest = LabEncoding.V4.l(ways.toNearest.apply(TO_WORKING.apply(black))[0]);
        char[] fit = codes.clone();
        for (int i = 0; i < fit.length; i += 3) {
            fit[i] = LabEncoding.V4.ofL(fit(wanted[i]));
        }
        this.fitted = labs(fit);
        this.reachable = labs(ways.toNearest.apply(TO_WORKING.apply(fit)));
        int n = wanted.length / 3;
        Integer[] byLightness = IntStream.range(0, n).boxed().sorted((a, b) -> Double.compare(wanted[3 * a], wanted[3 * b]))
            .toArray(Integer[]::new);
        this.pivot = Math.max(5, Math.min(95, wanted[3 * byLightness[n / 2]]));
        int dark = Math.max(1, (int) (n * DARKEST));
        this.tones = tones(byLightness, n);
        this.darkTones = tones(byLightness, dark);
        this.darkest = fitted[3 * byLightness[dark - 1]];
        this.bare = judged(new double[UNIT.length]);
    }

    /** Equally many colours each, from the darkest on. */
    private static int[][] tones(Integer[] byLightness, int count) {
        int[][] tones = new int[Math.min(TONES, count)][];
        for (int t = 0; t < tones.length; t++) {
            tones[t] = Arrays.stream(byLightness, t * count / tones.length, (t + 1) * count / tones.length).mapToInt(i -> i).toArray();
        }
        return tones;
    }

    /**
     * The moves that bring the print closest; the same for the same input.
     *
     * @param picture as it is wanted, treated and with its local moves: codes of {@link LabEncoding#V4}
     */
    public static Found of(View picture, boolean monochrome, Ways ways, Goal goal) {
        Suggestion all = new Suggestion(sampled(picture, MOST_COLOURS), monochrome, ways, goal);
        Suggestion some = new Suggestion(sampled(picture, COLOURS_AT_FIRST), monochrome, ways, goal);
        double[] found = some.searched(new double[UNIT.length], FIRST_STEP, 4 * LAST_STEP);
        double[] start = all.kept(found);
        boolean none = Arrays.stream(start).allMatch(s -> s == 0);
        found = all.searched(start, none ? FIRST_STEP : 2 * LAST_STEP, LAST_STEP);
        return all.told(found);
    }

    /** Places all over the picture by a fixed seed, and what lies beside each, to the right or below. */
    private static char[] sampled(View picture, int most) {
        int n = picture.width() * picture.height();
        int places = Math.min(n, most / OF_A_PLACE);
        SplittableRandom random = new SplittableRandom(SEED);
        char[] sampled = new char[OF_A_PLACE * places * picture.channels()];
        for (int i = 0; i < places; i++) {
            int place = places == n ? i : random.nextInt(n);
            boolean down = i % 2 == 1;
            for (int k = 0; k < OF_A_PLACE; k++) {
                int off = k == 0 ? 0 : (int) Math.ceil(picture.width() * (k == 1 ? NEAR : FARTHER));
                int x = Math.min(picture.width() - 1, place % picture.width() + (down ? 0 : off));
                int y = Math.min(picture.height() - 1, place / picture.width() + (down ? off : 0));
                System.arraycopy(picture.pixels(), (y * picture.width() + x) * picture.channels(), sampled,
                    (k * places + i) * picture.channels(), picture.channels());
            }
        }
        return sampled;
    }

    private static double[] labs(char[] codes) {
        double[] labs = new double[codes.length];
        for (int i = 0; i < codes.length; i += 3) {
            labs[i] = LabEncoding.V4.l(codes[i]);
            labs[i + 1] = LabEncoding.V4.ab(codes[i + 1]);
            labs[i + 2] = LabEncoding.V4.ab(codes[i + 2]);
        }
        return labs;
    }

    /** Better and better places that keep what is promised, by steps that get smaller. */
    private double[] searched(double[] from, double firstStep, double lastStep) {
        double[] at = from.clone();
        double best = judged(at).objective;
        int sliders = monochrome ? TONE_SLIDERS : UNIT.length;
        for (double step = firstStep; step >= lastStep; step /= 2) {
            boolean better = true;
            for (int round = 0; better && round < MOST_ROUNDS; round++) {
                better = false;
                for (int s = 0; s < sliders; s++) {
                    for (int way = -1; way <= 1; way += 2) {
                        double[] next = at.clone();
                        next[s] = Math.max(-MOST[s], Math.min(MOST[s], at[s] + way * step * UNIT[s]));
                        if (next[s] == at[s]) {
                            continue;
                        }
                        Judged there = judged(next);
                        if (there.objective < best && there.keeps(bare)) {
                            best = there.objective;
                            at = next;
                            better = true;
                            break;
                        }
                    }
                }
            }
        }
        return at;
    }

    /** As much of it as keeps what is promised. */
    private double[] kept(double[] found) {
        double[] at = found.clone();
        for (int i = 0; i < HALVINGS; i++) {
            if (judged(at).keeps(bare)) {
                return at;
            }
            for (int s = 0; s < at.length; s++) {
                at[s] /= 2;
            }
        }
        return new double[UNIT.length];
    }

    /** Rounded as a person would set them, and given back only where they help. */
    private Found told(double[] found) {
        double[] rounded = rounded(found);
        if (!judged(rounded).keeps(bare)) {
            rounded = rounded(kept(found));
        }
        Judged after = judged(rounded);
        boolean helps = after.keeps(bare) && after.objective < bare.objective;
        return helps ? new Found(moves(rounded), bare.closeness, after.closeness) : new Found(List.of(), bare.closeness, bare.closeness);
    }

    private static double[] rounded(double[] found) {
        double[] rounded = new double[UNIT.length];
        for (int s = 0; s < UNIT.length; s++) {
            rounded[s] = Math.round(found[s] / LEAST_STEP[s]) * LEAST_STEP[s];
        }
        return rounded;
    }

    private List<Move> moves(double[] s) {
        List<Move> moves = new ArrayList<>(List.of(new ToneMoves(s[0], s[1], 0, s[2], 0, Math.round(pivot))));
        if (!monochrome) {
            List<ChromaMoves.HuePoint> byHue = new ArrayList<>();
            for (int h = 0; h < Hues.SIX.size(); h++) {
                byHue.add(new ChromaMoves.HuePoint(Hues.SIX.get(h), Math.round(100 * (1 + s[TONE_SLIDERS + h])) / 100.0, 0, 0));
            }
            moves.add(new ChromaMoves(1, byHue));
            moves.add(new Warmth(Math.round(10 * s[9]) / 10.0, Math.round(10 * s[10]) / 10.0));
        }
        return Compensation.inOrder(moves);
    }

    private Judged judged(double[] sliders) {
        RenditionChange change = new RenditionChange(new Treatment.Colour(), moves(sliders));
        int n = wanted.length / 3;
        char[] codes = new char[3 * n];
        IntStream.range(0, 4).parallel().forEach(part -> {
            double[] lab = new double[3];
            for (int i = part * n / 4; i < (part + 1) * n / 4; i++) {
                System.arraycopy(wanted, 3 * i, lab, 0, 3);
                change.apply(lab, 0);
                codes[3 * i] = LabEncoding.V4.ofL(lab[0]);
                codes[3 * i + 1] = LabEncoding.V4.ofAb(lab[1]);
                codes[3 * i + 2] = LabEncoding.V4.ofAb(lab[2]);
            }
        });
        double[] printed = labs(print.apply(codes));
        double[] sums = IntStream.range(0, 4).parallel().mapToObj(part -> {
            double mean = 0;
            double chased = 0;
            for (int i = 3 * (part * n / 4); i < 3 * ((part + 1) * n / 4); i += 3) {
                mean += CieDe2000.between(fitted[i], fitted[i + 1], fitted[i + 2], printed[i], printed[i + 1], printed[i + 2]);
                chased += CieDe2000.between(reachable[i], reachable[i + 1], reachable[i + 2], printed[i], printed[i + 1], printed[i + 2]);
            }
            return new double[] {mean, chased};
        }).reduce(new double[2], (a, b) -> new double[] {a[0] + b[0], a[1] + b[1]});
        double price = 0;
        for (int s = 0; s < sliders.length; s++) {
            price += PRICE * Math.abs(sliders[s]) / MOST[s];
        }
        Closeness closeness = new Closeness(sums[1] / n, count(apart(tones, printed)), count(apart(darkTones, printed)), blocked(printed));
        return new Judged(closeness, sums[0] / n, closeness.mean + LOST_CONTRAST * lostContrast(printed) + price, steps(change));
    }

    /** Mean loss of difference in L* between a place and those beside it, those of the darkest third counting more. */
    private double lostContrast(double[] printed) {
        int places = wanted.length / 3 / OF_A_PLACE;
        double lost = 0;
        double weights = 0;
        for (int i = 0; i < places; i++) {
            double weight = fitted[3 * i] <= darkest ? goal.darkWeight : 1;
            for (int k = 1; k < OF_A_PLACE; k++) {
                int beside = 3 * (k * places + i);
                lost += weight
                    * Math.max(0, Math.abs(fitted[beside] - fitted[3 * i]) - Math.abs(printed[beside] - printed[3 * i]));
                weights += weight;
            }
        }
        return lost / Math.max(1, weights);
    }

    private double blocked(double[] printed) {
        int blocked = 0;
        for (int i = 0; i < printed.length; i += 3) {
            blocked += printed[i] < deepest + EndPoints.BLOCKED ? 1 : 0;
        }
        return 3.0 * blocked / printed.length;
    }

    /** Which tones keep more than half of what parts them from the next. */
    private boolean[] apart(int[][] of, double[] printed) {
        boolean[] apart = new boolean[of.length - 1];
        for (int t = 1; t < of.length; t++) {
            double in = mean(fitted, of[t]) - mean(fitted, of[t - 1]);
            apart[t - 1] = in >= LEAST_STEP_L && mean(printed, of[t]) - mean(printed, of[t - 1]) > in / 2;
        }
        return apart;
    }

    /** The same of the darkest third's tones as neutrals, which no colour moves. */
    private boolean[] steps(RenditionChange change) {
        char[] codes = new char[3 * darkTones.length];
        for (int t = 0; t < darkTones.length; t++) {
            double[] lab = {mean(wanted, darkTones[t]), 0, 0};
            change.apply(lab, 0);
            codes[3 * t] = LabEncoding.V4.ofL(lab[0]);
            codes[3 * t + 1] = LabEncoding.V4.ofAb(lab[1]);
            codes[3 * t + 2] = LabEncoding.V4.ofAb(lab[2]);
        }
        double[] printed = labs(print.apply(codes));
        boolean[] apart = new boolean[darkTones.length - 1];
        for (int t = 1; t < darkTones.length; t++) {
            double in = fit(mean(wanted, darkTones[t])) - fit(mean(wanted, darkTones[t - 1]));
            apart[t - 1] = in >= LEAST_STEP_L && printed[3 * t] - printed[3 * t - 3] > in / 2;
        }
        return apart;
    }

    private double fit(double l) {
        return D50.lightness(D50.luminance(deepest) + (1 - D50.luminance(deepest)) * D50.luminance(l));
    }

    private static int count(boolean[] of) {
        int count = 0;
        for (boolean one : of) {
            count += one ? 1 : 0;
        }
        return count;
    }

    private static double mean(double[] labs, int[] tone) {
        double sum = 0;
        for (int i : tone) {
            sum += labs[3 * i];
        }
        return sum / Math.max(1, tone.length);
    }
}
