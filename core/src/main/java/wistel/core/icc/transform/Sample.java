package wistel.core.icc.transform;

import java.util.Arrays;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import wistel.core.colour.CieDe2000;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.ShadowGrid;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.stage.Chain;

/**
 * A fixed set of colours through a chain, against which fast forms are measured: uniform ones and as many dark ones, near grays, ramps of
 * grays, primaries and their mixtures in steps of one 8-bit code, corners, edges and faces. Uniform ones alone are blind where people look
 * first, in the shadows.
 */
final class Sample {
    private static final int UNIFORM = 1536;
    private static final int NEAR_GRAY = 512;
    private static final int ON_EDGES = 512;
    private static final int RAMP = 256;
    private static final int BLOCK = 1024;

    private final char[] in;
    private final double[] wanted;
    private final int colours;
    private final int inputs;
    private final int outputs;
    private final Optional<Chain> look;

    /** Which colours count. */
    enum Part {
        ALL, DARK, NOT_DARK
    }

    Sample(Chain chain, ColourSpace from, int outputs, Optional<Chain> look) {
        this.inputs = from.channels();
        this.outputs = outputs;
        this.look = look;
        colours = 2 * UNIFORM + NEAR_GRAY + ON_EDGES + RAMP * ((1 << inputs) - 1);
        in = colours(from);
        wanted = new double[colours * Chain.STRIDE];
        for (int i = 0; i < in.length; i++) {
            wanted[i / inputs * Chain.STRIDE + i % inputs] = in[i] / 65535.0;
        }
        blocks((work, count) -> {
            chain.apply(work, count);
            for (int i = 0; i < work.length; i++) {
                work[i] = Math.max(0, Math.min(1, work[i]));
            }
            look.ifPresent(way -> way.apply(work, count));
        }, wanted);
    }

    private char[] colours(ColourSpace from) {
        SplittableRandom random = new SplittableRandom(7);
        char[] codes = new char[colours * inputs];
        for (int s = 0; s < colours; s++) {
            int gray = random.nextInt(65536);
            int face = random.nextInt(inputs);
            int edge = random.nextInt(inputs);
            int ramp = s - 2 * UNIFORM - NEAR_GRAY - ON_EDGES;
            for (int c = 0; c < inputs; c++) {
                int any = random.nextInt(65536);
                int code;
                if (s < UNIFORM) {
                    code = any;
                } else if (s < 2 * UNIFORM) {
                    code = dark(from, c, any);
                } else if (s < 2 * UNIFORM + NEAR_GRAY) {
                    code = Math.max(0, Math.min(65535, gray + any / 8 - 4096));
                } else if (ramp < 0) {
                    code = c == face || c == edge ? any / 32768 * 65535 : any;
                } else {
                    code = (ramp / RAMP + 1 >> c & 1) * 257 * (ramp % RAMP);
                }
                codes[s * inputs + c] = (char) code;
            }
        }
        return codes;
    }

    /** In the darkest quarter of each input. Of L*a*b* only the first is lightness, and dark colours are near its axis. */
    private static int dark(ColourSpace from, int input, int any) {
        return switch (from) {
            case RGB, XYZ, GRAY -> any / 4;
            case LAB -> input == 0 ? any / 4 : 32768 + any / 4 - 8192;
            default -> 65535 - any / 4;
        };
    }

    private interface Work {
        void on(double[] block, int count);
    }

    private static void blocks(Work work, double[] all) {
        int size = BLOCK * Chain.STRIDE;
        IntStream.range(0, (all.length + size - 1) / size).parallel().forEach(b -> {
            double[] block = Arrays.copyOfRange(all, b * size, Math.min(all.length, (b + 1) * size));
            work.on(block, block.length / Chain.STRIDE);
            System.arraycopy(block, 0, all, b * size, block.length);
        });
    }

    /** A fast form with its errors. */
    Baked measured(Kernel kernel, String kind, int side) {
        return measured(kernel, kind, side, Part.ALL);
    }

    Baked measured(Kernel kernel, String kind, int side, Part part) {
        double[] errors = errors(kernel, part);
        return new Baked(Optional.of(kernel), kind, side, Arrays.stream(errors).average().orElse(0),
            errors.length == 0 ? 0 : errors[(int) Math.ceil(0.999 * errors.length) - 1]);
    }

    /** Differences from the chain, sorted. */
    private double[] errors(Kernel kernel, Part part) {
        int[] places = IntStream.range(0, colours)
            .filter(s -> part == Part.ALL || (part == Part.DARK) == (inputs == 3 && ShadowGrid.isDark(in, 3 * s))).toArray();
        char[] codes = new char[places.length * inputs];
        for (int i = 0; i < codes.length; i++) {
            codes[i] = in[places[i / inputs] * inputs + i % inputs];
        }
        char[] out = new char[places.length * outputs];
        kernel.apply(codes, 0, out, 0, places.length);
        double[] got = new double[places.length * Chain.STRIDE];
        for (int i = 0; i < out.length; i++) {
            got[i / outputs * Chain.STRIDE + i % outputs] = out[i] / 65535.0;
        }
        look.ifPresent(way -> blocks(way::apply, got));
        double[] errors = new double[places.length];
        Arrays.parallelSetAll(errors, i -> look.isPresent() ? seen(got, i * Chain.STRIDE, places[i] * Chain.STRIDE)
            : coded(got, i * Chain.STRIDE, places[i] * Chain.STRIDE));
        Arrays.sort(errors);
        return errors;
    }

    private double seen(double[] got, int at, int from) {
        return CieDe2000.between(wanted[from], wanted[from + 1], wanted[from + 2], got[at], got[at + 1], got[at + 2]);
    }

    private double coded(double[] got, int at, int from) {
        double most = 0;
        for (int c = 0; c < outputs; c++) {
            most = Math.max(most, 100 * Math.abs(got[at + c] - wanted[from + c]));
        }
        return most;
    }
}
