package wistel.core.icc;

import java.util.SplittableRandom;
import java.util.stream.IntStream;

/** The fast forms of a transform. Which one serves is decided here; the pixel loops stand below, apart from the choice. */
abstract sealed class Baked {
    /** Grid sides tried in turn until the mean error is below the bound. */
    private static final int[] SIDES = {33, 49};
    /** In 16-bit codes: about 0.02 of an L* unit. */
    private static final double GOOD_ENOUGH_CODES = 14;
    private static final int TRIALS = 1500;

    private double errorCodes;

    static Baked of(Transform transform) {
        if (transform.inputs() == 1) {
            return new OneInput(transform);
        }
        if (transform.inputs() != 3) {
            return new PixelByPixel(transform);
        }
        Baked best = null;
        for (int side : SIDES) {
            best = new ThreeInputs(transform, side);
            best.errorCodes = measured(transform, best);
            if (best.errorCodes < GOOD_ENOUGH_CODES) {
                break;
            }
        }
        return best;
    }

    abstract void apply(char[] in, int inAt, char[] out, int outAt, int pixels);

    double errorCodes() {
        return errorCodes;
    }

    private static double measured(Transform transform, Baked baked) {
        SplittableRandom random = new SplittableRandom(7);
        char[] in = new char[3];
        char[] out = new char[transform.outputs()];
        double sum = 0;
        double[] work = new double[16];
        for (int t = 0; t < TRIALS; t++) {
            for (int i = 0; i < 3; i++) {
                in[i] = (char) random.nextInt(65536);
                work[i] = in[i] / 65535.0;
            }
            transform.run(work);
            baked.apply(in, 0, out, 0, 1);
            for (int i = 0; i < out.length; i++) {
                sum += Math.abs(out[i] - work[i] * 65535);
            }
        }
        return sum / (TRIALS * out.length);
    }

    /** Every 16-bit gray value computed once. */
    static final class OneInput extends Baked {
        private final char[] table;
        private final int outputs;

        OneInput(Transform transform) {
            outputs = transform.outputs();
            table = new char[65536 * outputs];
            double[] work = new double[16];
            for (int v = 0; v < 65536; v++) {
                work[0] = v / 65535.0;
                transform.run(work);
                for (int i = 0; i < outputs; i++) {
                    table[v * outputs + i] = (char) Math.round(work[i] * 65535);
                }
            }
        }

        @Override
        void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
            for (int p = pixels - 1; p >= 0; p--) {
                int row = in[inAt + p] * outputs;
                for (int i = 0; i < outputs; i++) {
                    out[outAt + p * outputs + i] = table[row + i];
                }
            }
        }
    }

    /** The exact chain for each pixel: four inputs and more. */
    static final class PixelByPixel extends Baked {
        private final Transform transform;

        PixelByPixel(Transform transform) {
            this.transform = transform;
        }

        @Override
        void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
            int inputs = transform.inputs();
            int outputs = transform.outputs();
            double[] work = new double[16];
            for (int p = 0; p < pixels; p++) {
                for (int i = 0; i < inputs; i++) {
                    work[i] = in[inAt + p * inputs + i] / 65535.0;
                }
                transform.run(work);
                for (int i = 0; i < outputs; i++) {
                    out[outAt + p * outputs + i] = (char) Math.round(work[i] * 65535);
                }
            }
        }
    }

    /** A cube of nodes in code units, read by tetrahedral interpolation. Each axis' cell and part come from a table over all codes. */
    static final class ThreeInputs extends Baked {
        private final float[] nodes;
        private final int outputs;
        private final int side;
        private final float scale;

        ThreeInputs(Transform transform, int side) {
            this.side = side;
            this.outputs = transform.outputs();
            this.scale = (side - 1) / 65535f;
            this.nodes = new float[side * side * side * outputs];
            IntStream.range(0, side).parallel().forEach(x -> plane(transform, x));
        }

        private void plane(Transform transform, int x) {
            double[] work = new double[16];
            int at = x * side * side * outputs;
            for (int y = 0; y < side; y++) {
                for (int z = 0; z < side; z++) {
                    work[0] = (double) x / (side - 1);
                    work[1] = (double) y / (side - 1);
                    work[2] = (double) z / (side - 1);
                    transform.run(work);
                    for (int i = 0; i < outputs; i++) {
                        nodes[at++] = (float) (work[i] * 65535);
                    }
                }
            }
        }

        @Override
        void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
            int n = outputs;
            int strideX = side * side * n;
            int strideY = side * n;
            int last = side - 2;
            for (int p = 0; p < pixels; p++) {
                int from = inAt + 3 * p;
                float px = in[from] * scale;
                float py = in[from + 1] * scale;
                float pz = in[from + 2] * scale;
                int x = Math.min((int) px, last);
                int y = Math.min((int) py, last);
                int z = Math.min((int) pz, last);
                float fx = px - x;
                float fy = py - y;
                float fz = pz - z;
                int origin = x * strideX + y * strideY + z * n;
                int far = origin + strideX + strideY + n;
                int second;
                int third;
                float big;
                float middle;
                float small;
                if (fx >= fy) {
                    if (fy >= fz) {
                        second = origin + strideX; third = second + strideY; big = fx; middle = fy; small = fz;
                    } else if (fx >= fz) {
                        second = origin + strideX; third = second + n; big = fx; middle = fz; small = fy;
                    } else {
                        second = origin + n; third = second + strideX; big = fz; middle = fx; small = fy;
                    }
                } else if (fx >= fz) {
                    second = origin + strideY; third = second + strideX; big = fy; middle = fx; small = fz;
                } else if (fy >= fz) {
                    second = origin + strideY; third = second + n; big = fy; middle = fz; small = fx;
                } else {
                    second = origin + n; third = second + strideY; big = fz; middle = fy; small = fx;
                }
                float w0 = 1 - big;
                float w1 = big - middle;
                float w2 = middle - small;
                int to = outAt + n * p;
                for (int i = 0; i < n; i++) {
                    out[to + i] = (char) (w0 * nodes[origin + i] + w1 * nodes[second + i] + w2 * nodes[third + i]
                        + small * nodes[far + i] + 0.5f);
                }
            }
        }
    }
}
