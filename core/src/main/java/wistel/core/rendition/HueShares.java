package wistel.core.rendition;

import wistel.core.colour.LabEncoding;
import wistel.core.colour.Oklab;

/**
 * How much of a picture has which hue: its colours counted by their chroma, so that grays don't.
 *
 * @param shares of 72 hues in Oklab from 0 degrees on, 5 degrees each; the largest is 1, all are 0 for a picture without colour
 */
public record HueShares(double[] shares) {
    public static final int HUES = 72;

    /** @param lab codes of {@link LabEncoding#V4} */
    public static HueShares of(char[] lab) {
        double[] sums = new double[HUES];
        double largest = 0;
        for (int i = 0; i < lab.length; i += 3) {
            double[] ok = oklab(lab, i);
            double chroma = Math.hypot(ok[1], ok[2]);
            int hue = (int) (Oklab.hue(ok[1], ok[2]) / 360 * HUES) % HUES;
            // a colour that hardly has one says nothing of hues
            sums[hue] += chroma > ChromaMoves.HALF_CHROMA ? chroma : 0;
            largest = Math.max(largest, sums[hue]);
        }
        for (int h = 0; h < HUES && largest > 0; h++) {
            sums[h] /= largest;
        }
        return new HueShares(sums);
    }

    /** Of one colour, in Oklab. */
    public static double hue(char[] lab, int at) {
        double[] ok = oklab(lab, at);
        return Oklab.hue(ok[1], ok[2]);
    }

    private static double[] oklab(char[] lab, int at) {
        double[] v = {LabEncoding.V4.l(lab[at]), LabEncoding.V4.ab(lab[at + 1]), LabEncoding.V4.ab(lab[at + 2])};
        Oklab.fromLab(v, 0);
        return v;
    }
}
