package wistel.core.icc.transform;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.Sequence;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.stage.Stage;

/**
 * A compiled colour transform. {@code exact} runs the chain of stages in double precision; {@code apply} runs its fast form, whose error
 * against the chain was measured when it was made. The fast form is made for whoever first asks for it: a few colours through the chain
 * don't wait for it. To its users immutable, and safe for any number of threads; it never holds a picture: pixels come and go in strips.
 *
 * <p>Samples: device values 0 to 65535 (or 255, or 1.0); L*a*b* as {@link wistel.core.colour.LabEncoding#V4}; XYZ 0 to 1.99997 as
 * u1Fixed15.
 */
public final class Transform {
    /** Pixels through the chain at once. */
    private static final int CHAIN_BLOCK = 256;
    /** Large enough that handing a strip to a thread costs nothing, small enough that two threads finish together. */
    private static final int STRIP = 16384;

    private final Chain chain;
    private final ColourSpace from;
    private final ColourSpace to;
    /** Null before the fast form is made. */
    private volatile Baked baked;
    /** Null once the fast form is made, so that what it was made from can go. */
    private Supplier<Baked> bake;

    /** @param bake makes the fast form, once */
    Transform(Chain chain, ColourSpace from, ColourSpace to, Supplier<Baked> bake) {
        this.chain = chain;
        this.from = from;
        this.to = to;
        this.bake = bake;
    }

    /** This one, and another one after it. Its error is taken as the sum of theirs. */
    public Transform then(Transform next) {
        List<Stage> stages = new ArrayList<>(chain.stages());
        stages.addAll(next.chain.stages());
        return new Transform(Chain.of(stages), from, next.to, () -> sequence(next));
    }

    private Baked sequence(Transform next) {
        Baked first = baked();
        Baked second = next.baked();
        Optional<Kernel> both = first.kernel().isPresent() && second.kernel().isPresent()
            ? Optional.of(Sequence.of(first.kernel().get(), second.kernel().get()))
            : Optional.empty();
        return new Baked(both, first.kind() + "; " + second.kind(), second.side(), first.mean() + second.mean(),
            first.nearlyAll() + second.nearlyAll());
    }

    public ColourSpace from() {
        return from;
    }

    public ColourSpace to() {
        return to;
    }

    public int inputs() {
        return from.channels();
    }

    public int outputs() {
        return to.channels();
    }

    /**
     * The fast form: its kind, its size, and how far it is from the chain. Making it takes threads of the common pool: whoever hands strips
     * to that pool asks for it first.
     */
    public Baked baked() {
        Baked made = baked;
        if (made == null) {
            synchronized (this) {
                made = baked;
                if (made == null) {
                    made = bake.get();
                    baked = made;
                    bake = null;
                }
            }
        }
        return made;
    }

    /** Bytes that the chain's and the fast form's tables hold. */
    public long bytes() {
        return chain.bytes() + baked().bytes();
    }

    /** One colour through the chain: values 0 to 1, L*a*b* and XYZ as their 16-bit code over 65535. */
    public double[] exact(double... in) {
        double[] work = chain.at(Arrays.copyOf(in, inputs()));
        for (int i = 0; i < outputs(); i++) {
            work[i] = unit(work[i]);
        }
        return Arrays.copyOf(work, outputs());
    }

    /** Interleaved 16-bit pixels through the chain. */
    public void exact(char[] in, int inAt, char[] out, int outAt, int pixels) {
        double[] work = new double[CHAIN_BLOCK * Chain.STRIDE];
        for (int done = 0; done < pixels; done += CHAIN_BLOCK) {
            int count = Math.min(CHAIN_BLOCK, pixels - done);
            for (int p = 0, i = inAt + done * inputs(); p < count; p++) {
                for (int c = 0; c < inputs(); c++) {
                    work[p * Chain.STRIDE + c] = in[i++] / 65535.0;
                }
            }
            chain.apply(work, count);
            for (int p = 0, o = outAt + done * outputs(); p < count; p++) {
                for (int c = 0; c < outputs(); c++) {
                    out[o++] = Tables.code(work[p * Chain.STRIDE + c]);
                }
            }
        }
    }

    /** Interleaved pixels of floats, 0 to 1, through the chain. */
    public void exact(float[] in, int inAt, float[] out, int outAt, int pixels) {
        double[] work = new double[CHAIN_BLOCK * Chain.STRIDE];
        for (int done = 0; done < pixels; done += CHAIN_BLOCK) {
            int count = Math.min(CHAIN_BLOCK, pixels - done);
            for (int p = 0, i = inAt + done * inputs(); p < count; p++) {
                for (int c = 0; c < inputs(); c++) {
                    work[p * Chain.STRIDE + c] = in[i++];
                }
            }
            chain.apply(work, count);
            for (int p = 0, o = outAt + done * outputs(); p < count; p++) {
                for (int c = 0; c < outputs(); c++) {
                    out[o++] = (float) unit(work[p * Chain.STRIDE + c]);
                }
            }
        }
    }

    private static double unit(double v) {
        return v > 0 ? Math.min(1, v) : 0;
    }

    /**
     * Interleaved 16-bit pixels.
     *
     * @param in  {@code pixels * inputs()} samples from {@code inAt}
     * @param out room for {@code pixels * outputs()} samples from {@code outAt}; may be {@code in} when a pixel doesn't grow
     */
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels) {
        Optional<Kernel> fast = baked().kernel();
        if (fast.isPresent()) {
            fast.get().apply(in, inAt, out, outAt, pixels);
        } else {
            exact(in, inAt, out, outAt, pixels);
        }
    }

    /** A whole array of interleaved 16-bit pixels, strips of it on all processors. */
    public char[] apply(char[] in) {
        int pixels = in.length / inputs();
        char[] out = new char[pixels * outputs()];
        applyInStrips(in, out, pixels);
        return out;
    }

    /** As {@link #apply(char[], int, char[], int, int)}, strips of it on all processors. */
    public void applyInStrips(char[] in, char[] out, int pixels) {
        // made before strips go to the common pool, whose threads it needs
        baked();
        int strips = (pixels + STRIP - 1) / STRIP;
        IntStream all = IntStream.range(0, strips);
        (strips > 1 ? all.parallel() : all)
            .forEach(s -> apply(in, s * STRIP * inputs(), out, s * STRIP * outputs(), Math.min(STRIP, pixels - s * STRIP)));
    }

    /** Interleaved 8-bit pixels. */
    public void apply(byte[] in, int inAt, byte[] out, int outAt, int pixels) {
        char[] wide = new char[Kernel.BATCH * inputs()];
        char[] done = new char[Kernel.BATCH * outputs()];
        for (int from = 0; from < pixels; from += Kernel.BATCH) {
            int count = Math.min(Kernel.BATCH, pixels - from);
            for (int i = 0, at = inAt + from * inputs(); i < count * inputs(); i++) {
                wide[i] = (char) ((in[at + i] & 0xFF) * 257);
            }
            apply(wide, 0, done, 0, count);
            for (int i = 0, at = outAt + from * outputs(); i < count * outputs(); i++) {
                out[at + i] = (byte) ((done[i] * 255 + 32895) >>> 16);
            }
        }
    }

    /** Planar 16-bit pixels: an array for each channel. */
    public void apply(char[][] in, int inAt, char[][] out, int outAt, int pixels) {
        char[] mixed = new char[Kernel.BATCH * inputs()];
        char[] done = new char[Kernel.BATCH * outputs()];
        for (int from = 0; from < pixels; from += Kernel.BATCH) {
            int count = Math.min(Kernel.BATCH, pixels - from);
            for (int c = 0; c < inputs(); c++) {
                for (int p = 0; p < count; p++) {
                    mixed[p * inputs() + c] = in[c][inAt + from + p];
                }
            }
            apply(mixed, 0, done, 0, count);
            for (int c = 0; c < outputs(); c++) {
                for (int p = 0; p < count; p++) {
                    out[c][outAt + from + p] = done[p * outputs() + c];
                }
            }
        }
    }
}
