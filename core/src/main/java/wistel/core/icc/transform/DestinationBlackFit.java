package wistel.core.icc.transform;

import wistel.core.colour.Matrix3;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.stage.Chain;

/** The destination's black read off the round trip of 256 grays (ISO 18619:2015, clause 6, with its limits). */
final class DestinationBlackFit {
    private static final int STEPS = 256;

    private DestinationBlackFit() {
    }

    /** @return L* of black */
    static double black(Chain roundTrip, Intent intent, double first) {
        double[] in = new double[STEPS];
        double[] out = new double[STEPS];
        for (int i = 0; i < STEPS; i++) {
            in[i] = 100.0 * i / (STEPS - 1);
            out[i] = roundTrip.at(in[i], 0, 0)[0];
        }
        for (int i = STEPS - 2; i > 0; i--) {
            out[i] = Math.min(out[i], out[i + 1]);
        }
        double min = out[0];
        double max = out[STEPS - 1];
        if (!(min < max)) {
            return 0;
        }
        if (intent == Intent.RELATIVE && straightAboveShadows(in, out, min, max)) {
            return first;
        }
        return foot(in, out, min, max, intent == Intent.RELATIVE ? 0.1 : 0.03, intent == Intent.RELATIVE ? 0.5 : 0.25);
    }

    private static boolean straightAboveShadows(double[] in, double[] out, double min, double max) {
        for (int i = 0; i < STEPS; i++) {
            if (in[i] > min + 0.2 * (max - min) && Math.abs(in[i] - out[i]) >= 4) {
                return false;
            }
        }
        return true;
    }

    /** Where a parabola through the ramp's shadows, from {@code low} to {@code high} of its height, meets the ground. */
    private static double foot(double[] in, double[] out, double min, double max, double low, double high) {
        double[] sums = new double[5];
        double[] right = new double[3];
        int points = 0;
        for (int i = 0; i < STEPS; i++) {
            double y = (out[i] - min) / (max - min);
            if (y >= low && y < high) {
                double power = 1;
                for (int k = 0; k < 5; k++, power *= in[i]) {
                    sums[k] += power;
                    if (k < 3) {
                        right[k] += power * y;
                    }
                }
                points++;
            }
        }
        return points < 4 ? 0 : root(sums, right);
    }

    private static double root(double[] s, double[] y) {
        double[] fit = Matrix3.times(
            Matrix3.inverse(new double[] {s[0], s[1], s[2], s[1], s[2], s[3], s[2], s[3], s[4]}), y);
        double a = fit[2];
        double b = fit[1];
        double c = fit[0];
        if (Math.abs(a) < 1e-10) {
            return Math.abs(b) < 1e-10 ? 0 : -c / b;
        }
        double d = b * b - 4 * a * c;
        return d <= 0 ? 0 : (-b + Math.sqrt(d)) / (2 * a);
    }
}
