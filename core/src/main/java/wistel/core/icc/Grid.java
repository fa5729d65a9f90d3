package wistel.core.icc;

/**
 * An n-dimensional table over 0 to 1, first input slowest. Interpolation: linear for one input, tetrahedral for three, two tetrahedra
 * joined linearly for four, multilinear for any other count.
 */
public final class Grid {
    private final int[] sizes;
    private final int outputs;
    private final float[] values;
    private final int[] strides;

    /** @param values outputs of one node side by side, last input fastest; kept, not copied */
    public Grid(int[] sizes, int outputs, float[] values) {
        this.sizes = sizes.clone();
        this.outputs = outputs;
        this.values = values;
        this.strides = new int[sizes.length];
        int stride = outputs;
        for (int i = sizes.length - 1; i >= 0; i--) {
            strides[i] = stride;
            stride *= sizes[i];
        }
        if (stride != values.length) {
            throw new IllegalArgumentException("grid of " + stride + " values, " + values.length + " given");
        }
    }

    public int inputs() {
        return sizes.length;
    }

    public int outputs() {
        return outputs;
    }

    public int size(int input) {
        return sizes[input];
    }

    /** The table itself; not to be changed. */
    public float[] values() {
        return values;
    }

    public void at(double[] in, double[] out) {
        switch (sizes.length) {
            case 3 -> tetrahedral(in, 0, 0, out);
            case 4 -> joined(in, out);
            default -> multilinear(in, out);
        }
    }

    private static double clamped(double v) {
        return v > 0 ? Math.min(v, 1) : 0;
    }

    private void tetrahedral(double[] in, int first, int base, double[] out) {
        double px = clamped(in[first]) * (sizes[first] - 1);
        double py = clamped(in[first + 1]) * (sizes[first + 1] - 1);
        double pz = clamped(in[first + 2]) * (sizes[first + 2] - 1);
        int x = (int) px;
        int y = (int) py;
        int z = (int) pz;
        double fx = px - x;
        double fy = py - y;
        double fz = pz - z;
        int sx = fx > 0 ? strides[first] : 0;
        int sy = fy > 0 ? strides[first + 1] : 0;
        int sz = fz > 0 ? strides[first + 2] : 0;
        int origin = base + x * strides[first] + y * strides[first + 1] + z * strides[first + 2];
        int far = origin + sx + sy + sz;
        int second;
        int third;
        double big;
        double middle;
        double small;
        if (fx >= fy) {
            if (fy >= fz) {
                second = origin + sx; third = origin + sx + sy; big = fx; middle = fy; small = fz;
            } else if (fx >= fz) {
                second = origin + sx; third = origin + sx + sz; big = fx; middle = fz; small = fy;
            } else {
                second = origin + sz; third = origin + sx + sz; big = fz; middle = fx; small = fy;
            }
        } else if (fx >= fz) {
            second = origin + sy; third = origin + sx + sy; big = fy; middle = fx; small = fz;
        } else if (fy >= fz) {
            second = origin + sy; third = origin + sy + sz; big = fy; middle = fz; small = fx;
        } else {
            second = origin + sz; third = origin + sy + sz; big = fz; middle = fy; small = fx;
        }
        for (int i = 0; i < outputs; i++) {
            out[i] = (1 - big) * values[origin + i] + (big - middle) * values[second + i]
                + (middle - small) * values[third + i] + small * values[far + i];
        }
    }

    private void joined(double[] in, double[] out) {
        double place = clamped(in[0]) * (sizes[0] - 1);
        int cell = (int) place;
        double part = place - cell;
        double[] low = new double[outputs];
        tetrahedral(in, 1, cell * strides[0], low);
        if (part == 0) {
            System.arraycopy(low, 0, out, 0, outputs);
            return;
        }
        double[] high = new double[outputs];
        tetrahedral(in, 1, (cell + 1) * strides[0], high);
        for (int i = 0; i < outputs; i++) {
            out[i] = low[i] + (high[i] - low[i]) * part;
        }
    }

    private void multilinear(double[] in, double[] out) {
        int n = sizes.length;
        int base = 0;
        double[] part = new double[n];
        for (int i = 0; i < n; i++) {
            double place = clamped(in[i]) * (sizes[i] - 1);
            int cell = (int) place;
            part[i] = place - cell;
            base += cell * strides[i];
        }
        double[] sum = new double[outputs];
        for (int corner = 0; corner < 1 << n; corner++) {
            double weight = 1;
            int at = base;
            for (int i = 0; i < n && weight > 0; i++) {
                boolean upper = (corner >> i & 1) == 1;
                weight *= upper ? part[i] : 1 - part[i];
                at += upper && part[i] > 0 ? strides[i] : 0;
            }
            for (int i = 0; weight > 0 && i < outputs; i++) {
                sum[i] += weight * values[at + i];
            }
        }
        System.arraycopy(sum, 0, out, 0, outputs);
    }
}
