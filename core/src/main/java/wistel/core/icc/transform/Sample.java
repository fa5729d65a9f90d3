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
    /** Colours of each of the first three kinds. */
    private static final int MANY = 3072;
    /** How many codes a near gray is off the neutral axis at most. */
    private static final int NEAR = 2000;
    private static final int ON_EDGES = 512;
    private static final int RAMP = 256;
    private static final int BLOCK = 1024;

    private final char[] in;
    private final double[] wanted;
    private final int colours;
    private final int inputs;
    private final int outputs;
    private final Optional<Chain> look;

    Sample(Chain chain, ColourSpace from, int outputs, Optional<Chain> look) {
        this.inputs = from.channels();
        this.outputs = outputs;
        this.look = look;
        colours = 3 * MANY + ON_EDGES + RAMP * ((1 << inputs) - 1);
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
            int ramp = s - 3 * MANY - ON_EDGES;
            for (int c = 0; c < inputs; c++) {
                int any = random.nextInt(65536);
                int code;
                if (s < MANY) {
                    code = any;
                } else if (s < 2 * MANY) {
                    code = dark(from, c, any);
                } else if (s < 3 * MANY) {
                    code = Math.max(0, Math.min(65535, gray + any * NEAR / 32768 - NEAR));
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

    /**
     * Differences from the chain.
     *
     * @param mean  over all colours
     * @param light what 99.9 % stay below among colours that aren't dark, of the kind where that is most
     * @param dark  the same among those whose inputs all lie in their darkest quarter
     */
    record Errors(double mean, double light, double dark) {
        double nearlyAll() {
            return Math.max(light, dark);
        }
    }

    /** A fast form with its errors. */
    Baked measured(Kernel kernel, String kind, int side) {
        Errors errors = errors(kernel);
        return new Baked(Optional.of(kernel), kind, side, errors.mean, errors.nearlyAll());
    }

    Errors errors(Kernel kernel) {
        char[] out = new char[colours * outputs];
        kernel.apply(in, 0, out, 0, colours);
        double[] got = new double[colours * Chain.STRIDE];
        for (int i = 0; i < out.length; i++) {
            got[i / outputs * Chain.STRIDE + i % outputs] = out[i] / 65535.0;
        }
        look.ifPresent(way -> blocks(way::apply, got));
        double[] errors = new double[colours];
        Arrays.parallelSetAll(errors, i -> look.isPresent() ? seen(got, i * Chain.STRIDE) : coded(got, i * Chain.STRIDE));
        return new Errors(Arrays.stream(errors).average().orElse(0), nearlyAll(errors, false),
            nearlyAll(errors, true));
    }

    private double nearlyAll(double[] errors, boolean dark) {
        double worst = 0;
        for (int[] kind : new int[][] {{0, MANY}, {MANY, 2 * MANY}, {2 * MANY, 3 * MANY}, {3 * MANY, colours}}) {
            double[] some = IntStream.range(kind[0], kind[1]).filter(s -> isDark(s) == dark).mapToDouble(s -> errors[s]).sorted().toArray();
            if (some.length > 0) {
                worst = Math.max(worst, some[(int) Math.ceil(0.999 * some.length) - 1]);
            }
        }
        return worst;
    }

    private boolean isDark(int colour) {
        for (int c = 0; c < inputs; c++) {
            if (in[colour * inputs + c] >= ShadowGrid.BRIGHTEST) {
                return false;
            }
        }
        return true;
    }

    private double seen(double[] got, int at) {
        return CieDe2000.between(wanted[at], wanted[at + 1], wanted[at + 2], got[at], got[at + 1], got[at + 2]);
    }

    private double coded(double[] got, int at) {
        double most = 0;
        for (int c = 0; c < outputs; c++) {
            most = Math.max(most, 100 * Math.abs(got[at + c] - wanted[at + c]));
        }
        return most;
    }
}
