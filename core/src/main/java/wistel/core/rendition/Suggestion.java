package wistel.core.rendition;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import wistel.core.colour.CieDe2000;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/**
 * The moves that bring the print of one picture closest to its master, as a person would find them by hand: a pattern search (R. Hooke and
 * T. A. Jeeves, "Direct search" solution of numerical and statistical problems, J. ACM 8, 1961) over a few sliders, on colours of the
 * picture. It always gives the same answer to the same question, and never one that makes the mean difference larger.
 */
public final class Suggestion {
    private static final int MOST_COLOURS = 4000;
    private static final int COLOURS_AT_FIRST = 1000;
    /** Tones by lightness, each the mean of equally many colours, whose separation counts. */
    private static final int TONES = 48;
    /** For each L* by which neighbouring tones come nearer than half of what they were. */
    private static final double LOST_SEPARATION = 0.1;
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

    private static final Transform TO_WORKING = TransformCompiler.compile(new Recipe.FromLab(RenditionCompiler.WORKING, Intent.RELATIVE));

    private final double[] wanted;
    private final double[] reachable;
    private final int[][] tones;
    private final double pivot;
    private final boolean monochrome;
    private final UnaryOperator<char[]> print;

    /**
     * @param moves   none when nothing was found that is better
     * @param before  mean CIEDE2000 between master and print as it stands without moves
     * @param after   the same with them
     * @param apartBefore, apartAfter of {@link #TONES} - 1 pairs of neighbouring tones, those that keep more than half of their separation
     */
    public record Found(List<Move> moves, double before, double after, int apartBefore, int apartAfter) {
    }

    private record Judged(double mean, double objective, int apart) {
    }

    /**
     * @param wanted    L*a*b* of the treated picture's colours, interleaved as codes of {@link LabEncoding#V4}
     * @param reachable the nearest that the paper has to each: an out-of-gamut colour counts from there on
     * @param print     from L*a*b* codes to those of the print, relative to its paper
     */
    private Suggestion(double[] wanted, double[] reachable, boolean monochrome, UnaryOperator<char[]> print) {
        this.wanted = wanted;
        this.reachable = reachable;
        this.monochrome = monochrome;
        this.print = print;
        int n = wanted.length / 3;
        Integer[] byLightness = IntStream.range(0, n).boxed().sorted((a, b) -> Double.compare(wanted[3 * a], wanted[3 * b]))
            .toArray(Integer[]::new);
        pivot = Math.max(5, Math.min(95, wanted[3 * byLightness[n / 2]]));
        tones = new int[Math.min(TONES, n)][];
        for (int t = 0; t < tones.length; t++) {
            tones[t] = Arrays.stream(byLightness, t * n / tones.length, (t + 1) * n / tones.length).mapToInt(i -> i).toArray();
        }
    }

    /**
     * The moves that bring the print closest, of the picture and papers given; the same for the same input.
     *
     * @param pixels    of the picture, in its own codes, one or more
     * @param channels  of them
     * @param toWanted  from them to L*a*b* of the treated picture
     * @param toNearest from WORKING to the nearest that the paper has: relative colorimetric, black not scaled
     * @param toPrint   from WORKING to the print through the docket's own intent
     * @throws IllegalArgumentException when there is no pixel, or half of one
     */
    public static Found of(char[] pixels, int channels, boolean monochrome, Transform toWanted, Transform toNearest, Transform toPrint) {
        if (channels < 1 || pixels.length == 0 || pixels.length % channels != 0) {
            throw new IllegalArgumentException(pixels.length + " samples of " + channels + " channels");
        }
        Suggestion all = of(sampled(pixels, channels, MOST_COLOURS), monochrome, toWanted, toNearest, toPrint);
        Suggestion some = of(sampled(pixels, channels, COLOURS_AT_FIRST), monochrome, toWanted, toNearest, toPrint);
        double[] found = some.searched(new double[UNIT.length], FIRST_STEP, 4 * LAST_STEP);
        found = all.searched(found, 2 * LAST_STEP, LAST_STEP);
        return all.told(found);
    }

    private static Suggestion of(char[] colours, boolean monochrome, Transform toWanted, Transform toNearest, Transform toPrint) {
        char[] wanted = toWanted.apply(colours);
        double[] lab = labs(wanted);
        return new Suggestion(lab, labs(toNearest.apply(TO_WORKING.apply(wanted))), monochrome,
            codes -> toPrint.apply(TO_WORKING.apply(codes)));
    }

    /** Places all over the picture, by a fixed seed. */
    private static char[] sampled(char[] pixels, int channels, int most) {
        int n = pixels.length / channels;
        if (n <= most) {
            return pixels;
        }
        SplittableRandom random = new SplittableRandom(SEED);
        char[] sampled = new char[most * channels];
        for (int i = 0; i < most; i++) {
            System.arraycopy(pixels, random.nextInt(n) * channels, sampled, i * channels, channels);
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

    /** Better and better places, by steps that get smaller. */
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
                        double objective = next[s] == at[s] ? best : judged(next).objective;
                        if (objective < best) {
                            best = objective;
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

    /** Rounded as a person would set them, and given back only where they help. */
    private Found told(double[] found) {
        Judged before = judged(new double[UNIT.length]);
        double[] rounded = new double[UNIT.length];
        for (int s = 0; s < UNIT.length; s++) {
            rounded[s] = Math.round(found[s] / LEAST_STEP[s]) * LEAST_STEP[s];
        }
        Judged after = judged(rounded);
        boolean helps = after.mean < before.mean && after.objective < before.objective;
        return helps ? new Found(moves(rounded), before.mean, after.mean, before.apart, after.apart)
            : new Found(List.of(), before.mean, before.mean, before.apart, before.apart);
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
                mean += CieDe2000.between(wanted[i], wanted[i + 1], wanted[i + 2], printed[i], printed[i + 1], printed[i + 2]);
                chased += CieDe2000.between(reachable[i], reachable[i + 1], reachable[i + 2], printed[i], printed[i + 1], printed[i + 2]);
            }
            return new double[] {mean, chased};
        }).reduce(new double[2], (a, b) -> new double[] {a[0] + b[0], a[1] + b[1]});
        double lost = 0;
        int apart = 0;
        for (int t = 1; t < tones.length; t++) {
            double in = lightness(wanted, t) - lightness(wanted, t - 1);
            double out = lightness(printed, t) - lightness(printed, t - 1);
            lost += Math.max(0, in / 2 - out);
            apart += out > in / 2 ? 1 : 0;
        }
        double price = 0;
        for (int s = 0; s < sliders.length; s++) {
            price += PRICE * Math.abs(sliders[s]) / MOST[s];
        }
        return new Judged(sums[0] / n, (sums[0] + sums[1]) / 2 / n + LOST_SEPARATION * lost + price, apart);
    }

    private double lightness(double[] labs, int tone) {
        double sum = 0;
        for (int i : tones[tone]) {
            sum += labs[3 * i];
        }
        return sum / Math.max(1, tones[tone].length);
    }
}
