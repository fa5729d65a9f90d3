package wistel.core.icc.transform;

import java.util.Arrays;
import java.util.Optional;
import java.util.SplittableRandom;
import wistel.core.colour.CieDe2000;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.stage.Chain;

/** A fixed set of colours through a chain, against which fast forms are measured: three quarters from all over, one quarter near gray. */
final class Sample {
    private static final int COLOURS = 4096;

    private final char[] in;
    private final double[] wanted;
    private final int inputs;
    private final int outputs;
    private final Optional<Chain> look;

    Sample(Chain chain, int inputs, int outputs, Optional<Chain> look) {
        this.inputs = inputs;
        this.outputs = outputs;
        this.look = look;
        in = new char[COLOURS * inputs];
        double[] work = new double[COLOURS * Chain.STRIDE];
        SplittableRandom random = new SplittableRandom(7);
        for (int s = 0; s < COLOURS; s++) {
            int gray = random.nextInt(65536);
            for (int c = 0; c < inputs; c++) {
                int near = Math.max(0, Math.min(65535, gray + random.nextInt(8000) - 4000));
                in[s * inputs + c] = (char) (s % 4 == 0 ? near : random.nextInt(65536));
                work[s * Chain.STRIDE + c] = in[s * inputs + c] / 65535.0;
            }
        }
        chain.apply(work, COLOURS);
        clamp(work);
        wanted = looked(work);
    }

    int inputs() {
        return inputs;
    }

    private void clamp(double[] work) {
        for (int i = 0; i < work.length; i++) {
            work[i] = Math.max(0, Math.min(1, work[i]));
        }
    }

    private double[] looked(double[] work) {
        if (look.isPresent()) {
            look.get().apply(work, COLOURS);
        }
        return work;
    }

    /** A fast form with its errors. */
    Baked measured(Kernel kernel, String kind, int side) {
        double[] errors = errors(kernel);
        return new Baked(Optional.of(kernel), kind, side, Arrays.stream(errors).average().orElse(0), errors[(int) Math.ceil(0.999 * errors.length) - 1]);
    }

    /** Differences from the chain, sorted. */
    private double[] errors(Kernel kernel) {
        char[] out = new char[COLOURS * outputs];
        kernel.apply(in, 0, out, 0, COLOURS);
        double[] work = new double[COLOURS * Chain.STRIDE];
        for (int i = 0; i < out.length; i++) {
            work[i / outputs * Chain.STRIDE + i % outputs] = out[i] / 65535.0;
        }
        double[] got = looked(work);
        double[] errors = new double[COLOURS];
        for (int s = 0; s < COLOURS; s++) {
            errors[s] = look.isPresent() ? seen(got, s * Chain.STRIDE) : coded(got, s * Chain.STRIDE);
        }
        Arrays.sort(errors);
        return errors;
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
