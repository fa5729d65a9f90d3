package wistel.core.icc.kernel;

/**
 * The loops in plain Java, for every JVM, and the referee of the others. Two 16-bit channels share one 64-bit multiplication: four
 * weighted codes of a channel add up to less than 2^31, so neighbours in one word never meet. Cells are found and sorted without a
 * branch: fraction and step of an axis travel in one number, so that the largest fraction brings its step along.
 */
final class ScalarKernels implements KernelFamily {
    private static final long EVEN = 0x0000_FFFF_0000_FFFFL;
    private static final long HALF = (long) ClutTable.FULL / 2 << 32 | ClutTable.FULL / 2;

    @Override
    public String name() {
        return "scalar";
    }

    @Override
    public Kernel over(ClutTable cube) {
        if (cube.outputs() > 4) {
            return new SplitOutputs(this, cube);
        }
        if (cube.inputs() == 4) {
            return new FourInputs(cube);
        }
        return cube.trilinear() ? new Trilinear(cube) : new ThreeInputs(cube);
    }

    @Override
    public Kernel toLab(MatrixTrcToLab light) {
        return light;
    }

    @Override
    public Kernel fromLab(LabToLight light) {
        return light;
    }

    @Override
    public Kernel moved(OklabMoves moves) {
        return moves;
    }

    @Override
    public Kernel mixed(OklabMix mix) {
        return mix;
    }

    @Override
    public Kernel between(MatrixCurves light) {
        return light;
    }

    /** A node's channels in one word, the first in its lowest 16 bits. */
    private static long[] packed(ClutTable cube) {
        int n = cube.outputs();
        long[] words = new long[cube.nodes().length / n];
        char[] nodes = cube.nodes();
        for (int word = 0, i = 0; word < words.length; word++) {
            for (int c = 0; c < n; c++) {
                words[word] |= (long) nodes[i++] << 16 * c;
            }
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

    /**
     * Four corners weighted: the first at full, and each difference by the next fraction. Differences may be negative and borrow from the
     * upper channel of a word; the sum gives back what was borrowed.
     */
    private static long sum(long n0, long n1, long n2, long n3, long big, long mid, long small) {
        return (n0 << 15) + (n1 - n0) * big + (n2 - n1) * mid + (n3 - n2) * small + HALF;
    }

    private static long line(long from, long to, long part) {
        return (from << 15) + (to - from) * part + HALF;
    }

    /** Sums back to codes. */
    private static long codes(long sums) {
        return sums >>> 15 & EVEN;
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
        ThreeInputs(ClutTable cube) {
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
                long big = longest >>> 15;
                long mid = middle >>> 15;
                long small = shortest >>> 15;
                write(sum(n0 & EVEN, n1 & EVEN, n2 & EVEN, n3 & EVEN, big, mid, small),
                    sum(n0 >>> 16 & EVEN, n1 >>> 16 & EVEN, n2 >>> 16 & EVEN, n3 >>> 16 & EVEN, big, mid, small), out, o, outputs);
            }
        }
    }

    private record FourInputs(long[] nodes, int side, int outputs) implements Kernel {
        FourInputs(ClutTable cube) {
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
                long big = longest >>> 15;
                long mid = middle >>> 15;
                long small = shortest >>> 15;
                long a0 = nodes[low];
                long a1 = nodes[low + second];
                long a2 = nodes[low + third];
                long a3 = nodes[low + diagonal];
                long b0 = nodes[high];
                long b1 = nodes[high + second];
                long b2 = nodes[high + third];
                long b3 = nodes[high + diagonal];
                long part = (k & 0xFFFFFF) + 256 >>> 9;
                long even = line(codes(sum(a0 & EVEN, a1 & EVEN, a2 & EVEN, a3 & EVEN, big, mid, small)),
                    codes(sum(b0 & EVEN, b1 & EVEN, b2 & EVEN, b3 & EVEN, big, mid, small)), part);
                long odd = line(codes(sum(a0 >>> 16 & EVEN, a1 >>> 16 & EVEN, a2 >>> 16 & EVEN, a3 >>> 16 & EVEN, big, mid, small)),
                    codes(sum(b0 >>> 16 & EVEN, b1 >>> 16 & EVEN, b2 >>> 16 & EVEN, b3 >>> 16 & EVEN, big, mid, small)), part);
                write(even, odd, out, o, outputs);
            }
        }
    }

    /** Trilinear: lines along the second axis, then between those along the first, then along the last, as vector units do it best. */
    private record Trilinear(long[] nodes, int side, int outputs) implements Kernel {
        Trilinear(ClutTable cube) {
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
                write(between(a0 & EVEN, a1 & EVEN, b0 & EVEN, b1 & EVEN, c0 & EVEN, c1 & EVEN, d0 & EVEN, d1 & EVEN, fx, fy, fz),
                    between(a0 >>> 16 & EVEN, a1 >>> 16 & EVEN, b0 >>> 16 & EVEN, b1 >>> 16 & EVEN, c0 >>> 16 & EVEN, c1 >>> 16 & EVEN,
                        d0 >>> 16 & EVEN,
                        d1 >>> 16 & EVEN, fx, fy, fz),
                    out, o, outputs);
            }
        }

        private static long between(long a0, long a1, long b0, long b1, long c0, long c1, long d0, long d1, long fx, long fy, long fz) {
            long near = line(codes(line(a0, b0, fy)), codes(line(c0, d0, fy)), fx);
            long far = line(codes(line(a1, b1, fy)), codes(line(c1, d1, fy)), fx);
            return line(codes(near), codes(far), fz);
        }
    }
}
