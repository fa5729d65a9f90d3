package wistel.core.icc.kernel;

import java.util.Arrays;

/** More than four outputs: the same loop once for each four of them, then put together. */
public final class SplitOutputs implements Kernel {
    private final Kernel[] parts;
    private final int inputs;
    private final int outputs;

    public SplitOutputs(KernelFamily family, ClutTable cube) {
        inputs = cube.inputs();
        outputs = cube.outputs();
        parts = new Kernel[(outputs + 3) / 4];
        for (int part = 0; part < parts.length; part++) {
            int n = width(part);
            char[] nodes = new char[cube.nodes().length / outputs * n];
            for (int i = 0; i < nodes.length; i++) {
                nodes[i] = cube.nodes()[i / n * outputs + 4 * part + i % n];
            }
            parts[part] = family.over(new ClutTable(inputs, n, cube.side(), nodes, cube.trilinear()));
        }
    }

    private int width(int part) {
        return Math.min(4, outputs - 4 * part);
    }

    @Override
    public long bytes() {
        return Arrays.stream(parts).mapToLong(Kernel::bytes).sum();
    }

    @Override
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        char[] some = new char[4 * BATCH];
        for (int done = 0; done < pixels; done += BATCH) {
            int count = Math.min(BATCH, pixels - done);
            for (int part = 0; part < parts.length; part++) {
                int n = width(part);
                parts[part].apply(in, inAt + done * inputs, some, 0, count);
                for (int i = 0; i < count * n; i++) {
                    out[outAt + (done + i / n) * outputs + 4 * part + i % n] = some[i];
                }
            }
        }
    }
}
