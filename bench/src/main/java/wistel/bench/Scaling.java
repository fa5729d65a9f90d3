package wistel.bench;

import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/**
 * How many times quicker all processors are than one thread. The two take turns, and the least disturbed run of each counts: a machine
 * whose clock or neighbours change between one benchmark and the next would make nonsense of two figures taken minutes apart.
 */
final class Scaling {
    private static final int TURNS = 50;

    private Scaling() {
    }

    static double of(String through) throws Exception {
        ColourBench.awaitKernels();
        Transform transform = TransformCompiler.convert(StandardSpaces.SRGB, ColourBench.destination(through), Intent.RELATIVE, true);
        char[] in = ColourBench.picture();
        char[] out = new char[transform.outputs() * ColourBench.PIXELS];
        long one = Long.MAX_VALUE;
        long all = Long.MAX_VALUE;
        for (int i = 0; i < TURNS; i++) {
            long start = System.nanoTime();
            transform.apply(in, 0, out, 0, ColourBench.PIXELS);
            long between = System.nanoTime();
            transform.applyInStrips(in, out, ColourBench.PIXELS);
            one = Math.min(one, between - start);
            all = Math.min(all, System.nanoTime() - between);
        }
        return one / (double) all;
    }
}
