package wistel.standin.ink;

import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.stage.ClutGrid;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/**
 * The driver's own colour conversion from sRGB: coarse, fitted to the paper that the media type names, a little livelier than the
 * original. It knows nothing of the profile that Wistel would use.
 */
final class DriverColour {
    private static final int SIDE = 9;

    private DriverColour() {
    }

    /** sRGB or another space to driver RGB, both 0 to 1. */
    static ClutGrid forPaper(Paper paper, int quality, IccProfile space) {
        InkOnPaper ink = new InkOnPaper(paper, paper.mediaType(), quality);
        Transform toLab = TransformCompiler.toLab(space);
        double[] white = new double[3];
        double[] black = new double[3];
        ink.lab(new double[] {1, 1, 1}, white);
        ink.lab(new double[] {0, 0, 0}, black);
        float[] values = new float[3 * SIDE * SIDE * SIDE];
        int at = 0;
        for (int r = 0; r < SIDE; r++) {
            for (int g = 0; g < SIDE; g++) {
                for (int b = 0; b < SIDE; b++) {
                    double[] srgb = {r / 8.0, g / 8.0, b / 8.0};
                    Lab meant = LabEncoding.V4.lab(toLab.exact(srgb));
                    double[] wanted = {black[0] + meant.l() / 100 * (white[0] - black[0]), meant.a() * 1.08 + white[1],
                        meant.b() * 1.08 + white[2]};
                    for (double v : search(ink, wanted, srgb)) {
                        values[at++] = (float) v;
                    }
                }
            }
        }
        return new ClutGrid(new int[] {SIDE, SIDE, SIDE}, 3, values);
    }

    /** Shrinking pattern search: crude, like what it stands for. */
    private static double[] search(InkOnPaper ink, double[] wanted, double[] start) {
        double[] best = start.clone();
        double cost = cost(ink, best, wanted);
        for (double step = 0.25; step > 0.004; step /= 2) {
            boolean moved = true;
            while (moved) {
                moved = false;
                for (int c = 0; c < 6; c++) {
                    double[] trial = best.clone();
                    trial[c / 2] = Math.max(0, Math.min(1, trial[c / 2] + (c % 2 == 0 ? step : -step)));
                    double next = cost(ink, trial, wanted);
                    if (next < cost - 1e-9) {
                        cost = next;
                        best = trial;
                        moved = true;
                    }
                }
            }
        }
        return best;
    }

    private static double cost(InkOnPaper ink, double[] rgb, double[] wanted) {
        double[] lab = new double[3];
        ink.lab(rgb, lab);
        double dl = lab[0] - wanted[0];
        double da = lab[1] - wanted[1];
        double db = lab[2] - wanted[2];
        return dl * dl + da * da + db * db;
    }

}
