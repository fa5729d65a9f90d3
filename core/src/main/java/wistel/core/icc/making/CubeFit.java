package wistel.core.icc.making;

import java.util.Arrays;
import java.util.List;
import wistel.core.cgats.Patch;
import wistel.core.colour.Lab;

/**
 * A regular cube of colours fitted to patches that lie anywhere: the nodes that reproduce the patches by trilinear interpolation with the
 * least bending (sum of squared second differences along the axes), found by conjugate gradients on the normal equations (Hestenes and
 * Stiefel, 1952).
 */
final class CubeFit {
    static final int SIDE = 11;
    /** How much bending counts against misfit: enough to bridge gaps, little enough to follow ink. */
    private static final double STIFFNESS = 0.01;
    private static final int MOST_ROUNDS = 400;

    private final int side;
    private final int nodes;
    private final int[] steps;
    private final int[][] corners;
    private final double[][] weights;
    private final double stiffness;

    private CubeFit(List<double[]> devices, int side, double stiffness) {
        this.side = side;
        this.nodes = side * side * side;
        this.steps = new int[] {side * side, side, 1};
        this.stiffness = stiffness;
        corners = new int[devices.size()][8];
        weights = new double[devices.size()][8];
        for (int p = 0; p < corners.length; p++) {
            double[] part = new double[3];
            int origin = 0;
            for (int c = 0; c < 3; c++) {
                double place = devices.get(p)[c] * (side - 1);
                int cell = Math.min((int) place, side - 2);
                part[c] = place - cell;
                origin += cell * steps[c];
            }
            for (int k = 0; k < 8; k++) {
                corners[p][k] = origin;
                weights[p][k] = 1;
                for (int c = 0; c < 3; c++) {
                    boolean upper = (k >> c & 1) == 1;
                    corners[p][k] += upper ? steps[c] : 0;
                    weights[p][k] *= upper ? part[c] : 1 - part[c];
                }
            }
        }
    }

    /** The colour that nodes give to device values, by trilinear interpolation. */
    static Lab at(double[] nodes, double[] device) {
        CubeFit one = new CubeFit(List.of(device), SIDE, STIFFNESS);
        double[] lab = new double[3];
        for (int k = 0; k < 8; k++) {
            for (int c = 0; c < 3; c++) {
                lab[c] += one.weights[0][k] * nodes[3 * one.corners[0][k] + c];
            }
        }
        return Lab.of(lab);
    }

    /** @return L*, a*, b* for each node, first channel slowest */
    static double[] nodes(List<Patch> patches, List<Lab> colours) {
        return nodes(patches, colours, STIFFNESS);
    }

    /** @param stiffness how much bending counts against misfit */
    static double[] nodes(List<Patch> patches, List<Lab> colours, double stiffness) {
        return new CubeFit(patches.stream().map(Patch::device).toList(), SIDE, stiffness)
            .solved(colours.stream().map(Lab::toArray).toList());
    }

    /**
     * Values of three channels at the nodes of a cube of any side, from values at places in it.
     *
     * @param devices places, 0 to 1 along each axis
     */
    static double[] nodes(List<double[]> devices, List<double[]> values, int side) {
        return new CubeFit(devices, side, STIFFNESS).solved(values);
    }

    private double[] solved(List<double[]> colours) {
        double[] all = new double[3 * nodes];
        for (int c = 0; c < 3; c++) {
            int channel = c;
            double[] solved = solve(colours.stream().mapToDouble(v -> v[channel]).toArray());
            for (int n = 0; n < nodes; n++) {
                all[3 * n + c] = solved[n];
            }
        }
        return all;
    }

    private double[] solve(double[] values) {
        double[] x = new double[nodes];
        Arrays.fill(x, Arrays.stream(values).average().orElse(0));
        double[] residual = times(x);
        for (int n = 0; n < nodes; n++) {
            residual[n] = -residual[n];
        }
        for (int p = 0; p < values.length; p++) {
            for (int k = 0; k < 8; k++) {
                residual[corners[p][k]] += weights[p][k] * values[p];
            }
        }
        double[] direction = residual.clone();
        double size = dot(residual, residual);
        for (int round = 0; round < MOST_ROUNDS && size > 1e-9; round++) {
            double[] image = times(direction);
            double step = size / dot(direction, image);
            for (int n = 0; n < nodes; n++) {
                x[n] += step * direction[n];
                residual[n] -= step * image[n];
            }
            double next = dot(residual, residual);
            for (int n = 0; n < nodes; n++) {
                direction[n] = residual[n] + next / size * direction[n];
            }
            size = next;
        }
        return x;
    }

    /** The normal equations' matrix times a vector. */
    private double[] times(double[] x) {
        double[] out = new double[nodes];
        for (int p = 0; p < corners.length; p++) {
            double sum = 0;
            for (int k = 0; k < 8; k++) {
                sum += weights[p][k] * x[corners[p][k]];
            }
            for (int k = 0; k < 8; k++) {
                out[corners[p][k]] += weights[p][k] * sum;
            }
        }
        for (int step : steps) {
            for (int n = 0; n < nodes; n++) {
                int place = n / step % side;
                if (place > 0 && place < side - 1) {
                    double bend = stiffness * (x[n - step] - 2 * x[n] + x[n + step]);
                    out[n - step] += bend;
                    out[n] -= 2 * bend;
                    out[n + step] += bend;
                }
            }
        }
        return out;
    }

    private static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += a[i] * b[i];
        }
        return sum;
    }
}
