package wistel.core.rendition;

import wistel.core.colour.D50;
import wistel.core.colour.Oklab;
import wistel.core.icc.stage.LabFunction;

/**
 * A function of lightness on colours: it moves Oklab's L, which of a neutral is L* in another scale, so that hues stay. Where it darkens,
 * chroma falls in the same proportion, as it does in less light: a colour that is possible stays so. Where it lightens, the chroma of
 * L*a*b* stays: that of Oklab grows without end towards black, and lifted shadows would show what their darkness hides.
 *
 * @param tones changes L* by L* alone
 */
record TonesOfColours(LabFunction tones) implements LabFunction {
    /** Below this L of Oklab there is no chroma to speak of. */
    private static final double DARKEST = 1e-6;

    @Override
    public void apply(double[] lab, int at) {
        Oklab.fromLab(lab, at);
        double l = lab[at];
        double a = lab[at + 1];
        double b = lab[at + 2];
        lab[at] = D50.lightness(l * l * l);
        tones.apply(lab, at);
        double moved = Math.cbrt(D50.luminance(lab[at]));
        double share = share(l, moved);
        lab[at] = moved;
        lab[at + 1] = a * share;
        lab[at + 2] = b * share;
        Oklab.toLab(lab, at);
    }

    /** What chroma is multiplied with where Oklab's L becomes another. */
    static double share(double l, double moved) {
        double darker = Math.max(0, Math.min(1, moved / Math.max(l, DARKEST)));
        return darker * Math.min(1, shown(l) / Math.max(shown(moved), DARKEST * DARKEST));
    }

    /**
     * How much of Oklab's chroma L*a*b* shows: all of it above the joint of the standard's f (CIE 15:2018, 8.2.1.1), whose root is 6/29;
     * below, where f is a line of light and Oklab goes on with the root, a share that falls with the square of it.
     */
    private static double shown(double l) {
        double part = l * 29 / 6;
        return Math.min(1, part * part);
    }
}
