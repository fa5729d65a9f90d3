package wistel.core.icc.gamut;

import wistel.core.colour.CieDe2000;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.LabCode;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/**
 * What a printer and paper can't hold of a picture: how far, and why. A colour is compared in L*a*b* with itself after the printer's
 * relative colorimetric round trip; the larger of the lightness and chroma parts names the cause.
 */
public final class GamutCheck {
    /** CIEDE2000 above which a colour counts as out of gamut. */
    public static final double THRESHOLD = 2.0;

    public enum Cause { INSIDE, TOO_DARK, TOO_LIGHT, TOO_VIVID }

    /** Shares of all pixels (0 to 1) and mean CIEDE2000 among the pixels of each cause. */
    public record Report(double tooDark, double tooLight, double tooVivid, double meanTooDark, double meanTooLight, double meanTooVivid) {
        public double outside() {
            return tooDark + tooLight + tooVivid;
        }
    }

    private final Transform wanted;
    private final Transform attained;

    public GamutCheck(IccProfile source, IccProfile printer) {
        wanted = TransformCompiler.toLab(source);
        attained = TransformCompiler.proofToLab(source, printer, Intent.RELATIVE, false, false);
    }

    /** Cause for each pixel as its ordinal, and in {@code distance} (same length, or empty) its CIEDE2000. */
    public byte[] map(char[] pixels, float[] distance) {
        int count = pixels.length / wanted.inputs();
        byte[] causes = new byte[count];
        char[] want = wanted.apply(pixels);
        char[] got = attained.apply(pixels);
        for (int p = 0; p < count; p++) {
            double l1 = LabCode.l(want[3 * p]);
            double a1 = LabCode.ab(want[3 * p + 1]);
            double b1 = LabCode.ab(want[3 * p + 2]);
            double l2 = LabCode.l(got[3 * p]);
            double a2 = LabCode.ab(got[3 * p + 1]);
            double b2 = LabCode.ab(got[3 * p + 2]);
            double far = CieDe2000.between(l1, a1, b1, l2, a2, b2);
            if (distance.length > 0) {
                distance[p] = (float) far;
            }
            causes[p] = (byte) cause(far, l2 - l1, Math.hypot(a1, b1) - Math.hypot(a2, b2)).ordinal();
        }
        return causes;
    }

    private static Cause cause(double far, double lighter, double duller) {
        if (far <= THRESHOLD) {
            return Cause.INSIDE;
        }
        if (Math.abs(duller) > Math.abs(lighter)) {
            return Cause.TOO_VIVID;
        }
        return lighter > 0 ? Cause.TOO_DARK : Cause.TOO_LIGHT;
    }

    public Report report(char[] pixels) {
        float[] distance = new float[pixels.length / wanted.inputs()];
        byte[] causes = map(pixels, distance);
        long[] counts = new long[4];
        double[] sums = new double[4];
        for (int p = 0; p < causes.length; p++) {
            counts[causes[p]]++;
            sums[causes[p]] += distance[p];
        }
        double all = Math.max(1, causes.length);
        return new Report(counts[1] / all, counts[2] / all, counts[3] / all, mean(sums[1], counts[1]), mean(sums[2], counts[2]),
            mean(sums[3], counts[3]));
    }

    private static double mean(double sum, long count) {
        return count == 0 ? 0 : sum / count;
    }
}
