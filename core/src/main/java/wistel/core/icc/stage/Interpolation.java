package wistel.core.icc.stage;

import java.util.Arrays;

/**
 * Ways to read a {@link ClutGrid} between its nodes. Tetrahedral for three device inputs, whose neutral axis is the cube's diagonal; two
 * tetrahedra joined linearly for four; multilinear for other counts, and for tables over L*a*b*: there the neutral axis is an edge
 * direction, and a cut along the diagonal would tint grays.
 */
public enum Interpolation {
    TETRAHEDRAL {
        @Override
        void apply(ClutGrid grid, double[] work, int stride, int pixels) {
            double[] colour = new double[grid.outputs()];
            for (int p = 0, at = 0; p < pixels; p++, at += stride) {
                tetrahedral(grid, work, at, 0, 0, colour);
                System.arraycopy(colour, 0, work, at, colour.length);
            }
        }
    },
    JOINED_TETRAHEDRA {
        @Override
        void apply(ClutGrid grid, double[] work, int stride, int pixels) {
            double[] low = new double[grid.outputs()];
            double[] high = new double[grid.outputs()];
            for (int p = 0, at = 0; p < pixels; p++, at += stride) {
                double place = clamped(work[at]) * (grid.size(0) - 1);
                int cell = Math.min((int) place, grid.size(0) - 2);
                double part = place - cell;
                tetrahedral(grid, work, at, 1, cell * grid.stride(0), low);
                tetrahedral(grid, work, at, 1, (cell + 1) * grid.stride(0), high);
                for (int i = 0; i < low.length; i++) {
                    work[at + i] = low[i] + (high[i] - low[i]) * part;
                }
            }
        }
    },
    MULTILINEAR {
        @Override
        void apply(ClutGrid grid, double[] work, int stride, int pixels) {
            int n = grid.inputs();
            if (n == 3) {
                trilinear(grid, work, stride, pixels);
                return;
            }
            double[] parts = new double[n];
            double[] sums = new double[grid.outputs()];
            for (int p = 0, at = 0; p < pixels; p++, at += stride) {
                int base = 0;
                for (int i = 0; i < n; i++) {
                    double place = clamped(work[at + i]) * (grid.size(i) - 1);
                    int cell = Math.min((int) place, grid.size(i) - 2);
                    parts[i] = place - cell;
                    base += cell * grid.stride(i);
                }
                corners(grid, base, parts, sums);
                System.arraycopy(sums, 0, work, at, sums.length);
            }
        }
    };

    /** A block of pixels in place; see {@link Stage#apply}. */
    abstract void apply(ClutGrid grid, double[] work, int stride, int pixels);

    public static Interpolation forInputs(int inputs) {
        return switch (inputs) {
            case 3 -> TETRAHEDRAL;
            case 4 -> JOINED_TETRAHEDRA;
            default -> MULTILINEAR;
        };
    }

    private static double clamped(double v) {
        return v > 0 ? Math.min(v, 1) : 0;
    }

    /** Three inputs from {@code first} on, in the part of the grid that starts at {@code base}. */
    private static void tetrahedral(ClutGrid grid, double[] work, int at, int first, int base, double[] out) {
        double px = clamped(work[at + first]) * (grid.size(first) - 1);
        double py = clamped(work[at + first + 1]) * (grid.size(first + 1) - 1);
        double pz = clamped(work[at + first + 2]) * (grid.size(first + 2) - 1);
        int x = Math.min((int) px, grid.size(first) - 2);
        int y = Math.min((int) py, grid.size(first + 1) - 2);
        int z = Math.min((int) pz, grid.size(first + 2) - 2);
        double fx = px - x;
        double fy = py - y;
        double fz = pz - z;
        int sx = grid.stride(first);
        int sy = grid.stride(first + 1);
        int sz = grid.stride(first + 2);
        int origin = base + x * sx + y * sy + z * sz;
        int far = origin + sx + sy + sz;
        int longest = fx >= fy ? fx >= fz ? sx : sz : fy >= fz ? sy : sz;
        int shortest = fx >= fy ? fy >= fz ? sz : sy : fx >= fz ? sz : sx;
        double big = Math.max(fx, Math.max(fy, fz));
        double small = Math.min(fx, Math.min(fy, fz));
        double middle = Math.max(Math.min(fx, fy), Math.min(Math.max(fx, fy), fz));
        int second = origin + longest;
        int third = far - shortest;
        float[] values = grid.values();
        for (int i = 0; i < out.length; i++) {
            out[i] = (1 - big) * values[origin + i] + (big - middle) * values[second + i]
                + (middle - small) * values[third + i] + small * values[far + i];
        }
    }

    /** {@link #MULTILINEAR} for three inputs, written out: tables over L*a*b* are read a million times when a transform is made. */
    private static void trilinear(ClutGrid grid, double[] work, int stride, int pixels) {
        float[] v = grid.values();
        int outputs = grid.outputs();
        int sx = grid.stride(0);
        int sy = grid.stride(1);
        int sz = grid.stride(2);
        for (int p = 0, at = 0; p < pixels; p++, at += stride) {
            double px = clamped(work[at]) * (grid.size(0) - 1);
            double py = clamped(work[at + 1]) * (grid.size(1) - 1);
            double pz = clamped(work[at + 2]) * (grid.size(2) - 1);
            int x = Math.min((int) px, grid.size(0) - 2);
            int y = Math.min((int) py, grid.size(1) - 2);
            int z = Math.min((int) pz, grid.size(2) - 2);
            double fx = px - x;
            double fy = py - y;
            double fz = pz - z;
            int n = x * sx + y * sy + z * sz;
            for (int i = 0; i < outputs; i++, n++) {
                double near = line(line(v[n], v[n + sz], fz), line(v[n + sy], v[n + sy + sz], fz), fy);
                double far = line(line(v[n + sx], v[n + sx + sz], fz), line(v[n + sx + sy], v[n + sx + sy + sz], fz), fy);
                work[at + i] = line(near, far, fx);
            }
        }
    }

    private static double line(double from, double to, double part) {
        return from + (to - from) * part;
    }

    private static void corners(ClutGrid grid, int base, double[] parts, double[] sums) {
        Arrays.fill(sums, 0);
        for (int corner = 0; corner < 1 << parts.length; corner++) {
            double weight = 1;
            int at = base;
            for (int i = 0; i < parts.length && weight > 0; i++) {
                boolean upper = (corner >> i & 1) == 1;
                weight *= upper ? parts[i] : 1 - parts[i];
                at += upper ? grid.stride(i) : 0;
            }
            for (int i = 0; weight > 0 && i < sums.length; i++) {
                sums[i] += weight * grid.values()[at + i];
            }
        }
    }
}
