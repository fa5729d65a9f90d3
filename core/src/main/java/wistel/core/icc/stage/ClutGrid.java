package wistel.core.icc.stage;

import java.util.Arrays;

/** An n-dimensional table of colours over 0 to 1, first input slowest (ICC.1:2022, 10.10 and 10.12.5). */
public final class ClutGrid {
    private final int[] sizes;
    private final int outputs;
    private final float[] values;
    private final int[] strides;

    /**
     * @param sizes  nodes along each input, one or more
     * @param values outputs of one node side by side, last input fastest; kept, not copied, as tables are large
     * @throws IllegalArgumentException when there are not as many values as nodes have outputs
     * @throws ArithmeticException      when that is more than an array holds
     */
    public ClutGrid(int[] sizes, int outputs, float[] values) {
        this.sizes = sizes.clone();
        this.outputs = outputs;
        this.values = values;
        this.strides = new int[sizes.length];
        int stride = outputs;
        for (int i = sizes.length - 1; i >= 0; i--) {
            strides[i] = stride;
            stride = Math.multiplyExact(stride, sizes[i]);
        }
        if (stride != values.length || outputs < 1 || Arrays.stream(sizes).anyMatch(s -> s < 1)) {
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

    /** How far apart in {@link #values()} two neighbours along this input are. */
    int stride(int input) {
        return strides[input];
    }

    /** The table itself; not to be changed. */
    public float[] values() {
        return values;
    }

    /** One colour, 0 to 1 (beyond is clipped), by the interpolation for this number of inputs. {@code out} may be {@code in}. */
    public void at(double[] in, double[] out) {
        double[] work = Arrays.copyOf(in, Math.max(inputs(), outputs));
        Interpolation.forInputs(inputs()).apply(this, work, work.length, 1);
        System.arraycopy(work, 0, out, 0, outputs);
    }
}
