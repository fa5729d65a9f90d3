package wistel.core.light;

import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * The lightness curve that makes a print keep its tones apart in a light as it does in the judging light: noticeable differences are spread
 * over the master's tones in the same shares.
 */
public final class LightCompensation {
    /** Tones of a master, L* 0 to 100 in steps of one. */
    public static final int TONES = 101;

    private LightCompensation() {
    }

    /**
     * Shares of all noticeable differences that lie below each tone.
     *
     * @param reflectance of each tone of the print, rising
     * @return 0 for the darkest, 1 for the lightest
     * @throws IllegalArgumentException where it falls, or has not {@link #TONES} values
     */
    static double[] shares(PrintLook look, double... reflectance) {
        check(reflectance);
        double paper = reflectance[TONES - 1];
        double first = look.index(reflectance[0], paper);
        double last = look.index(paper, paper);
        return Arrays.stream(reflectance).map(y -> last > first ? (look.index(y, paper) - first) / (last - first) : 0).toArray();
    }

    private static void check(double[] reflectance) {
        if (reflectance.length != TONES
            || IntStream.range(1, TONES).anyMatch(i -> !(reflectance[i] >= reflectance[i - 1] - 1e-9)) || !(reflectance[0] >= 0)) {
            throw new IllegalArgumentException("tones that fall");
        }
    }

    /**
     * @param now   reflectance of each tone of the print as it stands
     * @param plain the same without a lightness curve: what a curve of the master's tones leads through
     * @param share 0 for nothing, 1 for all the way
     * @return L* that each of the master's tones becomes before everything else, rising from 0 to 100
     */
    public static double[] curve(PrintLook judging, PrintLook hung, double[] now, double[] plain, double share) {
        check(plain);
        double[] wanted = shares(judging, now);
        double[] have = shares(hung, now);
        double[] of = shares(hung, plain);
        double[] curve = new double[TONES];
        for (int t = 0; t < TONES; t++) {
            double aim = have[t] + (wanted[t] - have[t]) * share;
            curve[t] = Math.max(t == 0 ? 0 : curve[t - 1], at(of, aim));
        }
        curve[0] = 0;
        curve[TONES - 1] = TONES - 1;
        return curve;
    }

    /** Where a rising row reaches a value, from 0 on. */
    private static double at(double[] rising, double value) {
        int i = 0;
        while (i < rising.length - 1 && rising[i + 1] < value) {
            i++;
        }
        if (i == rising.length - 1) {
            return i;
        }
        double step = rising[i + 1] - rising[i];
        return step <= 0 ? i : i + Math.max(0, Math.min(1, (value - rising[i]) / step));
    }
}
