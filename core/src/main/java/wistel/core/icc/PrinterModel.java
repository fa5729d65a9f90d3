package wistel.core.icc;

import java.util.Arrays;
import java.util.List;
import wistel.core.cgats.Patch;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.fault.MeasurementException;

/**
 * A printer's RGB behaviour on one paper, from a measured chart whose patches fill a regular cube: media-relative L*a*b* for any RGB
 * (Catmull-Rom between the patches), and the RGB that comes nearest to a wanted colour.
 */
final class PrinterModel {
    private static final int FINE_SIDE = 41;

    private final Grid measured;
    private final Grid fine;
    private final double[] whiteXyz;
    private final double blackL;

    private PrinterModel(Grid measured, double[] whiteXyz) {
        this.measured = measured;
        this.whiteXyz = whiteXyz;
        this.fine = upsampled(FINE_SIDE);
        this.blackL = fine.values()[0];
    }

    /** @throws MeasurementException when the patches don't hold a full cube of RGB levels, white included */
    static PrinterModel of(List<Patch> patches) {
        double[] levels = patches.stream().mapToDouble(p -> Math.round(p.device()[0] * 1000) / 1000.0).distinct().sorted().toArray();
        int side = side(patches, levels);
        double[] sums = new double[side * side * side * 4];
        for (Patch patch : patches) {
            int at = node(patch.device(), side);
            if (at >= 0) {
                double[] lab = patch.lab().toArray();
                for (int i = 0; i < 3; i++) {
                    sums[4 * at + i] += lab[i];
                }
                sums[4 * at + 3]++;
            }
        }
        double[] white = new double[3];
        int last = side * side * side - 1;
        D50.labToXyz(mean(sums, last), white);
        float[] values = new float[3 * side * side * side];
        double[] xyz = new double[3];
        for (int n = 0; n <= last; n++) {
            D50.labToXyz(mean(sums, n), xyz);
            double[] relative = {xyz[0] / white[0] * D50.X, xyz[1] / white[1] * D50.Y, xyz[2] / white[2] * D50.Z};
            D50.xyzToLab(relative, relative);
            for (int i = 0; i < 3; i++) {
                values[3 * n + i] = (float) relative[i];
            }
        }
        return new PrinterModel(new Grid(new int[] {side, side, side}, 3, values), white);
    }

    private static int side(List<Patch> patches, double[] levels) {
        for (int side = Math.min(33, levels.length); side >= 4; side--) {
            boolean[] seen = new boolean[side * side * side];
            for (Patch patch : patches) {
                int at = node(patch.device(), side);
                if (at >= 0) {
                    seen[at] = true;
                }
            }
            boolean full = true;
            for (boolean s : seen) {
                full &= s;
            }
            if (full) {
                return side;
            }
        }
        throw new MeasurementException("chart-not-a-cube",
            "These " + patches.size() + " patches don't fill a cube of evenly spaced RGB values, at least 4 on a side.",
            "Measure a chart that Wistel laid out, or one with a full RGB cube.");
    }

    private static int node(double[] rgb, int side) {
        int at = 0;
        for (int i = 0; i < 3; i++) {
            double place = rgb[i] * (side - 1);
            long near = Math.round(place);
            if (Math.abs(place - near) > 0.02) {
                return -1;
            }
            at = at * side + (int) near;
        }
        return at;
    }

    private static double[] mean(double[] sums, int node) {
        double n = sums[4 * node + 3];
        return new double[] {sums[4 * node] / n, sums[4 * node + 1] / n, sums[4 * node + 2] / n};
    }

    /** XYZ of the bare paper, Y = 1 for the perfect diffuser. */
    double[] whiteXyz() {
        return whiteXyz.clone();
    }

    /** L* of the darkest mix, relative to the paper. */
    double blackL() {
        return blackL;
    }

    /** The model on a grid of any side, media-relative L*a*b*. */
    Grid upsampled(int side) {
        float[] values = new float[3 * side * side * side];
        double[] lab = new double[3];
        int at = 0;
        for (int r = 0; r < side; r++) {
            for (int g = 0; g < side; g++) {
                for (int b = 0; b < side; b++) {
                    smooth((double) r / (side - 1), (double) g / (side - 1), (double) b / (side - 1), lab);
                    for (double v : lab) {
                        values[at++] = (float) v;
                    }
                }
            }
        }
        return new Grid(new int[] {side, side, side}, 3, values);
    }

    private void smooth(double r, double g, double b, double[] lab) {
        int side = measured.size(0);
        double[] wr = new double[4];
        double[] wg = new double[4];
        double[] wb = new double[4];
        int cr = weights(r, side, wr);
        int cg = weights(g, side, wg);
        int cb = weights(b, side, wb);
        Arrays.fill(lab, 0);
        float[] values = measured.values();
        for (int i = 0; i < 4; i++) {
            for (int j = 0; j < 4; j++) {
                for (int k = 0; k < 4; k++) {
                    double w = wr[i] * wg[j] * wb[k];
                    int at = 3 * ((clamp(cr + i - 1, side) * side + clamp(cg + j - 1, side)) * side + clamp(cb + k - 1, side));
                    for (int c = 0; w != 0 && c < 3; c++) {
                        lab[c] += w * values[at + c];
                    }
                }
            }
        }
    }

    private static int clamp(int i, int side) {
        return Math.max(0, Math.min(side - 1, i));
    }

    /** Catmull-Rom weights of the four nodes round a place; at the ends the missing node is mirrored through the last one. */
    private static int weights(double x, int side, double[] w) {
        double place = x * (side - 1);
        int cell = Math.min((int) place, side - 2);
        double t = place - cell;
        w[0] = ((-t + 2) * t - 1) * t / 2;
        w[1] = ((3 * t - 5) * t * t + 2) / 2;
        w[2] = ((-3 * t + 4) * t + 1) * t / 2;
        w[3] = (t - 1) * t * t / 2;
        if (cell == 0) {
            w[1] += 2 * w[0];
            w[2] -= w[0];
            w[0] = 0;
        }
        if (cell == side - 2) {
            w[2] += 2 * w[3];
            w[1] -= w[3];
            w[3] = 0;
        }
        return cell;
    }

    Lab relative(double[] rgb) {
        double[] lab = new double[3];
        fine.at(rgb, lab);
        return Lab.of(lab);
    }

    /**
     * The RGB whose print comes nearest to a media-relative colour, by damped least squares inside the cube. Out of gamut, hue is
     * kept before lightness and lightness before chroma.
     *
     * @return red, green, blue, and the distance left (weighted L*a*b* units)
     */
    double[] nearest(Lab wanted) {
        double[] weightRows = rows(wanted);
        double[] rgb = start(wanted, weightRows);
        double[] residual = new double[3];
        double cost = residual(rgb, wanted, weightRows, residual);
        double damping = 1;
        for (int i = 0; i < 24 && cost > 1e-6 && damping < 1e7; i++) {
            double[] trial = step(rgb, wanted, weightRows, residual, damping);
            double[] next = new double[3];
            double trialCost = residual(trial, wanted, weightRows, next);
            if (trialCost < cost) {
                boolean done = cost - trialCost < 1e-9;
                rgb = trial;
                residual = next;
                cost = trialCost;
                damping = Math.max(1e-3, damping / 4);
                if (done) {
                    break;
                }
            } else {
                damping *= 6;
            }
        }
        return new double[] {rgb[0], rgb[1], rgb[2], Math.sqrt(cost)};
    }

    /** Rows that turn an L*a*b* difference into weighted lightness, chroma and hue parts; weights even out for neutral colours. */
    private static double[] rows(Lab wanted) {
        double chroma = wanted.chroma();
        double cos = chroma < 1e-6 ? 1 : wanted.a() / chroma;
        double sin = chroma < 1e-6 ? 0 : wanted.b() / chroma;
        double vivid = Math.min(1, chroma / 30);
        double chromaWeight = 1 - 0.4 * vivid;
        double hueWeight = 1 + 0.8 * vivid;
        return new double[] {1.1, 0, 0, 0, chromaWeight * cos, chromaWeight * sin, 0, -hueWeight * sin, hueWeight * cos};
    }

    private double residual(double[] rgb, Lab wanted, double[] m, double[] out) {
        double[] lab = new double[3];
        fine.at(rgb, lab);
        double dl = lab[0] - wanted.l();
        double da = lab[1] - wanted.a();
        double db = lab[2] - wanted.b();
        double cost = 0;
        for (int i = 0; i < 3; i++) {
            out[i] = m[3 * i] * dl + m[3 * i + 1] * da + m[3 * i + 2] * db;
            cost += out[i] * out[i];
        }
        return cost;
    }

    private double[] start(Lab wanted, double[] m) {
        int side = measured.size(0);
        float[] values = measured.values();
        double best = Double.MAX_VALUE;
        int at = 0;
        for (int n = 0; n < values.length; n += 3) {
            double dl = values[n] - wanted.l();
            double da = values[n + 1] - wanted.a();
            double db = values[n + 2] - wanted.b();
            double p = m[0] * dl;
            double q = m[4] * da + m[5] * db;
            double r = m[7] * da + m[8] * db;
            double cost = p * p + q * q + r * r;
            if (cost < best) {
                best = cost;
                at = n / 3;
            }
        }
        double top = side - 1;
        return new double[] {at / (side * side) / top, at / side % side / top, at % side / top};
    }

    private double[] step(double[] rgb, Lab wanted, double[] m, double[] residual, double damping) {
        double h = 1.0 / (FINE_SIDE - 1) / 2;
        double[] jacobian = new double[9];
        double[] up = new double[3];
        double[] down = new double[3];
        for (int c = 0; c < 3; c++) {
            double[] plus = rgb.clone();
            double[] minus = rgb.clone();
            plus[c] = Math.min(1, rgb[c] + h);
            minus[c] = Math.max(0, rgb[c] - h);
            residual(plus, wanted, m, up);
            residual(minus, wanted, m, down);
            for (int i = 0; i < 3; i++) {
                jacobian[3 * i + c] = (up[i] - down[i]) / (plus[c] - minus[c]);
            }
        }
        double[] gradient = new double[3];
        double[] normal = new double[9];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < 3; i++) {
                gradient[c] += jacobian[3 * i + c] * residual[i];
                for (int d = 0; d < 3; d++) {
                    normal[3 * c + d] += jacobian[3 * i + c] * jacobian[3 * i + d];
                }
            }
        }
        for (int c = 0; c < 3; c++) {
            boolean held = rgb[c] <= 0 && gradient[c] > 0 || rgb[c] >= 1 && gradient[c] < 0;
            if (held) {
                gradient[c] = 0;
                for (int d = 0; d < 3; d++) {
                    normal[3 * c + d] = 0;
                    normal[3 * d + c] = 0;
                }
                normal[4 * c] = 1;
            }
            normal[4 * c] += damping;
        }
        double[] move = wistel.core.colour.Matrix3.times(wistel.core.colour.Matrix3.inverse(normal), gradient);
        double[] next = new double[3];
        for (int c = 0; c < 3; c++) {
            next[c] = Math.max(0, Math.min(1, rgb[c] - move[c]));
        }
        return next;
    }
}
