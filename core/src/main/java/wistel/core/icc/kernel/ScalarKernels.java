package wistel.core.icc.kernel;


/**
 * The loops in plain Java, for every JVM, and the referee of the others. Two 16-bit channels share one 64-bit multiplication: four
 * weighted codes of a channel add up to less than 2^31, so neighbours in one word never meet. Cells are found and sorted without a
 * branch: fraction and step of an axis travel in one number, so that the largest fraction brings its step along.
 */
final class ScalarKernels implements KernelFamily {
    private static final long EVEN = 0x0000_FFFF_0000_FFFFL;
    private static final long HALF = (long) Cube.FULL / 2 << 32 | Cube.FULL / 2;

    @Override
    public String name() {
        return "scalar";
    }

    @Override
    public Kernel over(Cube cube) {
        if (cube.outputs() > 4) {
            return new SideBySide(this, cube);
        }
        if (cube.inputs() == 4) {
            return new FourInputs(cube);
        }
        return cube.trilinear() ? new AlongAxes(cube) : new ThreeInputs(cube);
    }

    @Override
    public Kernel toLab(LightToLab light) {
        return light;
    }

    @Override
    public Kernel fromLab(LabToLight light) {
        return light;
    }

    /** A node's channels in one word, the first in its lowest 16 bits. */
    private static long[] packed(Cube cube) {
        int n = cube.outputs();
        long[] words = new long[cube.nodes().length / n];
        for (int i = 0; i < cube.nodes().length; i++) {
            words[i / n] |= (long) cube.nodes()[i] << 16 * (i % n);
        }
        return words;
    }

    /** Place along an axis: cell in the upper 8 bits, fraction in the lower 24. {@code spans} is the number of cells. */
    private static int place(int code, int spans) {
        return (code << 8 | code >>> 8) * spans;
    }

    /** Fraction in 15 bits (0 to 32768) above the step of its axis in 15 bits. */
    private static int key(int place, int step) {
        return (place & 0xFFFFFF) + 256 >>> 9 << 15 | step;
    }

    private static void write(long even, long odd, char[] out, int at, int outputs) {
        out[at] = (char) (even >>> 15);
        if (outputs > 1) {
            out[at + 1] = (char) (odd >>> 15);
        }
        if (outputs > 2) {
            out[at + 2] = (char) (even >>> 47);
        }
        if (outputs > 3) {
            out[at + 3] = (char) (odd >>> 47);
        }
    }

    private record ThreeInputs(long[] nodes, int side, int outputs) implements Kernel {
        ThreeInputs(Cube cube) {
            this(packed(cube), cube.side(), cube.outputs());
        }

        @Override
        public long bytes() {
            return 8L * nodes.length;
        }

        @Override
        public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
            int spans = side - 1;
            int stepX = side * side;
            int stepY = side;
            int diagonal = stepX + stepY + 1;
            for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += outputs) {
                int x = place(in[i], spans);
                int y = place(in[i + 1], spans);
                int z = place(in[i + 2], spans);
                int origin = (x >>> 24) * stepX + (y >>> 24) * stepY + (z >>> 24);
                int kx = key(x, stepX);
                int ky = key(y, stepY);
                int kz = key(z, 1);
                int longest = Math.max(kx, Math.max(ky, kz));
                int shortest = Math.min(kx, Math.min(ky, kz));
                int middle = kx + ky + kz - longest - shortest;
                long n0 = nodes[origin];
                long n1 = nodes[origin + (longest & 0x7FFF)];
                long n2 = nodes[origin + diagonal - (shortest & 0x7FFF)];
                long n3 = nodes[origin + diagonal];
                long w0 = Cube.FULL - (longest >>> 15);
                long w1 = (longest >>> 15) - (middle >>> 15);
                long w2 = (middle >>> 15) - (shortest >>> 15);
                long w3 = shortest >>> 15;
                write((n0 & EVEN) * w0 + (n1 & EVEN) * w1 + (n2 & EVEN) * w2 + (n3 & EVEN) * w3 + HALF,
                    (n0 >>> 16 & EVEN) * w0 + (n1 >>> 16 & EVEN) * w1 + (n2 >>> 16 & EVEN) * w2 + (n3 >>> 16 & EVEN) * w3 + HALF, out, o, outputs);
            }
        }
    }

    private record FourInputs(long[] nodes, int side, int outputs) implements Kernel {
        FourInputs(Cube cube) {
            this(packed(cube), cube.side(), cube.outputs());
        }

        @Override
        public long bytes() {
            return 8L * nodes.length;
        }

        @Override
        public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
            int spans = side - 1;
            int stepX = side * side;
            int stepY = side;
            int stepK = side * stepX;
            int diagonal = stepX + stepY + 1;
            for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 4, o += outputs) {
                int k = place(in[i], spans);
                int x = place(in[i + 1], spans);
                int y = place(in[i + 2], spans);
                int z = place(in[i + 3], spans);
                int low = (k >>> 24) * stepK + (x >>> 24) * stepX + (y >>> 24) * stepY + (z >>> 24);
                int high = low + stepK;
                int kx = key(x, stepX);
                int ky = key(y, stepY);
                int kz = key(z, 1);
                int longest = Math.max(kx, Math.max(ky, kz));
                int shortest = Math.min(kx, Math.min(ky, kz));
                int middle = kx + ky + kz - longest - shortest;
                int second = longest & 0x7FFF;
                int third = diagonal - (shortest & 0x7FFF);
                long w0 = Cube.FULL - (longest >>> 15);
                long w1 = (longest >>> 15) - (middle >>> 15);
                long w2 = (middle >>> 15) - (shortest >>> 15);
                long w3 = shortest >>> 15;
                long a0 = nodes[low];
                long a1 = nodes[low + second];
                long a2 = nodes[low + third];
                long a3 = nodes[low + diagonal];
                long b0 = nodes[high];
                long b1 = nodes[high + second];
                long b2 = nodes[high + third];
                long b3 = nodes[high + diagonal];
                long even = (a0 & EVEN) * w0 + (a1 & EVEN) * w1 + (a2 & EVEN) * w2 + (a3 & EVEN) * w3 + HALF >>> 15 & EVEN;
                long odd = (a0 >>> 16 & EVEN) * w0 + (a1 >>> 16 & EVEN) * w1 + (a2 >>> 16 & EVEN) * w2 + (a3 >>> 16 & EVEN) * w3 + HALF >>> 15 & EVEN;
                long evenHigh = (b0 & EVEN) * w0 + (b1 & EVEN) * w1 + (b2 & EVEN) * w2 + (b3 & EVEN) * w3 + HALF >>> 15 & EVEN;
                long oddHigh = (b0 >>> 16 & EVEN) * w0 + (b1 >>> 16 & EVEN) * w1 + (b2 >>> 16 & EVEN) * w2 + (b3 >>> 16 & EVEN) * w3 + HALF >>> 15 & EVEN;
                long part = (k & 0xFFFFFF) + 256 >>> 9;
                write(even * (Cube.FULL - part) + evenHigh * part + HALF, odd * (Cube.FULL - part) + oddHigh * part + HALF, out, o, outputs);
            }
        }
    }

    /** Trilinear: lines along the last axis, then between those along the second, then along the first. */
    private record AlongAxes(long[] nodes, int side, int outputs) implements Kernel {
        AlongAxes(Cube cube) {
            this(packed(cube), cube.side(), cube.outputs());
        }

        @Override
        public long bytes() {
            return 8L * nodes.length;
        }

        @Override
        public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
            int spans = side - 1;
            int stepX = side * side;
            for (int p = 0, i = inAt, o = outAt; p < pixels; p++, i += 3, o += outputs) {
                int x = place(in[i], spans);
                int y = place(in[i + 1], spans);
                int z = place(in[i + 2], spans);
                int n = (x >>> 24) * stepX + (y >>> 24) * side + (z >>> 24);
                long fx = (x & 0xFFFFFF) + 256 >>> 9;
                long fy = (y & 0xFFFFFF) + 256 >>> 9;
                long fz = (z & 0xFFFFFF) + 256 >>> 9;
                long a0 = nodes[n];
                long a1 = nodes[n + 1];
                long b0 = nodes[n + side];
                long b1 = nodes[n + side + 1];
                long c0 = nodes[n + stepX];
                long c1 = nodes[n + stepX + 1];
                long d0 = nodes[n + stepX + side];
                long d1 = nodes[n + stepX + side + 1];
                long even = line(line(line(a0 & EVEN, a1 & EVEN, fz), line(b0 & EVEN, b1 & EVEN, fz), fy),
                    line(line(c0 & EVEN, c1 & EVEN, fz), line(d0 & EVEN, d1 & EVEN, fz), fy), fx);
                long odd = line(line(line(a0 >>> 16 & EVEN, a1 >>> 16 & EVEN, fz), line(b0 >>> 16 & EVEN, b1 >>> 16 & EVEN, fz), fy),
                    line(line(c0 >>> 16 & EVEN, c1 >>> 16 & EVEN, fz), line(d0 >>> 16 & EVEN, d1 >>> 16 & EVEN, fz), fy), fx);
                write(even << 15, odd << 15, out, o, outputs);
            }
        }

        /** Two channels at once, rounded to codes. */
        private static long line(long from, long to, long part) {
            return from * (Cube.FULL - part) + to * part + HALF >>> 15 & EVEN;
        }
    }
}
