package wistel.core.icc.making;

import wistel.core.colour.Lab;
import wistel.core.colour.Matrix3;
import wistel.core.icc.stage.ClutGrid;

/** Finds the device colour whose print comes nearest to a wanted one, by damped least squares (Levenberg, 1944; Marquardt, 1963). */
final class NearestColour {
    private final ClutGrid nodes;
    private final ClutGrid fine;

    /**
     * @param nodes among which the search begins; media-relative L*a*b* over RGB
     * @param fine  the same on as many nodes as it takes to follow its slopes
     */
    NearestColour(ClutGrid nodes, ClutGrid fine) {
        this.nodes = nodes;
        this.fine = fine;
    }

    /**
     * The RGB whose print comes nearest to a media-relative colour, by damped least squares inside the cube. Out of gamut, hue is
     * kept before lightness and lightness before chroma.
     *
     * @return red, green, blue, and the distance left (weighted L*a*b* units)
     */
    double[] of(Lab wanted) {
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
        int side = nodes.size(0);
        float[] values = nodes.values();
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
        double h = 1.0 / (fine.size(0) - 1) / 2;
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
        double[] move = Matrix3.times(Matrix3.inverse(normal), gradient);
        double[] next = new double[3];
        for (int c = 0; c < 3; c++) {
            next[c] = Math.max(0, Math.min(1, rgb[c] - move[c]));
        }
        return next;
    }
}
