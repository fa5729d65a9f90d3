package wistel.core.icc.kernel;

import static wistel.core.icc.kernel.ClutTable.FULL;

/**
 * Loops that find each pixel's tetrahedron among the six of its cell. A fraction is sorted together with the step along its axis, in nodes:
 * the fraction, 0 to {@link ClutTable#FULL}, in the upper bits of a key, the step in the lower ones.
 */
final class TetrahedronLoops {
    private static final int STEP_BITS = 15;
    private static final int STEP_MASK = (1 << STEP_BITS) - 1;

    private TetrahedronLoops() {
    }

    /** Fractions to keys, in place; the last axis's step is 1. */
    static void keys(int[] xs, int stepX, int[] ys, int stepY, int[] zs, int count) {
        for (int p = 0; p < count; p++) {
            xs[p] = xs[p] << STEP_BITS | stepX;
            ys[p] = ys[p] << STEP_BITS | stepY;
            zs[p] = zs[p] << STEP_BITS | 1;
        }
    }

    /** The same where each pixel's cell has a side of its own. */
    static void keys(int[] xs, int[] ys, int[] zs, int[] sides, int count) {
        for (int p = 0; p < count; p++) {
            xs[p] = xs[p] << STEP_BITS | sides[p] * sides[p];
            ys[p] = ys[p] << STEP_BITS | sides[p];
            zs[p] = zs[p] << STEP_BITS | 1;
        }
    }

    /** Largest first. */
    static void sort(int[] xs, int[] ys, int[] zs, int count) {
        for (int p = 0; p < count; p++) {
            int most = Math.max(Math.max(xs[p], ys[p]), zs[p]);
            int least = Math.min(Math.min(xs[p], ys[p]), zs[p]);
            ys[p] = xs[p] + ys[p] + zs[p] - most - least;
            xs[p] = most;
            zs[p] = least;
        }
    }

    /** The first corner and one step along the axis of the largest fraction; {@code scale} makes steps nodes. */
    static void second(int[] origins, int[] most, int scale, int[] second, int count) {
        for (int p = 0; p < count; p++) {
            second[p] = origins[p] + (most[p] & STEP_MASK) * scale;
        }
    }

    /** The last corner, seen from {@code from}, and one step back along the axis of the smallest fraction. */
    static void third(int[] from, int[] least, int scale, int[] third, int count) {
        for (int p = 0; p < count; p++) {
            third[p] = from[p] - (least[p] & STEP_MASK) * scale;
        }
    }

    static void weights(int[] most, int[] middle, int[] least, int[][] weights, int count) {
        weights(most, middle, least, weights[0], weights[1], weights[2], weights[3], count);
    }

    private static void weights(int[] most, int[] middle, int[] least, int[] a, int[] b, int[] c, int[] d, int count) {
        for (int p = 0; p < count; p++) {
            int big = most[p] >>> STEP_BITS;
            int mid = middle[p] >>> STEP_BITS;
            int small = least[p] >>> STEP_BITS;
            a[p] = FULL - big;
            b[p] = big - mid;
            c[p] = mid - small;
            d[p] = small;
        }
    }
}
