package wistel.bench;

import java.util.Arrays;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/**
 * How many times quicker all processors are than one thread. The two take turns, and each pair gives a ratio: a machine whose clock or
 * neighbours change between one benchmark and the next would make nonsense of two figures taken minutes apart.
 */
final class Scaling {
    private static final int PAIRS = 41;
    private static final int WARM = 10;

    private Scaling() {
    }

    /** The median ratio. */
    static double median(String through) throws Exception {
        ColourBench.awaitKernels();
        Transform transform = TransformCompiler.convert(StandardSpaces.SRGB, ColourBench.destination(through), Intent.RELATIVE, true);
        char[] in = ColourBench.picture();
        char[] out = new char[transform.outputs() * ColourBench.PIXELS];
        double[] ratios = new double[PAIRS];
        for (int i = -WARM; i < PAIRS; i++) {
            long start = System.nanoTime();
            transform.apply(in, 0, out, 0, ColourBench.PIXELS);
            long between = System.nanoTime();
            transform.applyInStrips(in, out, ColourBench.PIXELS);
            ratios[Math.max(0, i)] = (between - start) / (double) (System.nanoTime() - between);
        }
        Arrays.sort(ratios);
        return ratios[PAIRS / 2];
    }
}
