package wistel.vector;

import java.util.List;
import java.util.SplittableRandom;

import wistel.core.colour.LabEncoding;
import wistel.core.icc.kernel.Axis;
import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.InverseTrc;
import wistel.core.icc.kernel.LabToLight;
import wistel.core.icc.kernel.MatrixCurves;
import wistel.core.icc.kernel.MatrixTrcToLab;
import wistel.core.icc.kernel.OklabMix;
import wistel.core.icc.kernel.OklabMoves;
import wistel.core.icc.kernel.ShadowGrid;

/**
 * Runs every vector loop in the background until the JVM has compiled it, and compares its codes and its time with the scalar twin's. Only
 * then are the vector loops let to pictures; if one disagrees, or all together are no quicker on this JVM, never.
 */
final class Warming {
    private static final System.Logger LOG = System.getLogger(Warming.class.getName());
    private static final int PIXELS = 4096;
    /** Enough calls and rounds to ask for the last stage of compilation, which then takes its own time. */
    private static final int ROUNDS = 120;
    private static final int ATTEMPTS = 20;

    private Warming() {
    }

    static Thread start() {
        Thread thread = new Thread(Warming::run, "vector-warming");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        thread.start();
        return thread;
    }

    private static void run() {
        List<LaneKernel> kernels = List.of(new ClutLanes(cube(3, false)), new ClutLanes(cube(3, true)), new ClutLanes(cube(4, false)),
            new ShadowLanes(shadows()), new LightLanes(light()), new LightLanes(lab()), new LightLanes(matrix()), new OklabLanes(moves()),
            new OklabMixLanes(mix()));
        try {
            for (int i = 0; i < ATTEMPTS && !LaneKernel.serving(); i++) {
                if (kernels.stream().mapToLong(Warming::gained).sum() > 0) {
                    LaneKernel.serve();
                }
            }
        } catch (RuntimeException | LinkageError e) {
            // a JVM whose vectors differ from those the loops were compiled for, or loops that disagree: the scalar ones go on serving
            LOG.log(System.Logger.Level.WARNING, "vector loops are left alone", e);
        }
        LOG.log(System.Logger.Level.INFO, LaneKernel.serving() ? "vector loops serve" : "scalar loops serve");
    }

    /** Nanoseconds that the vector loops save over some pixels. */
    private static long gained(LaneKernel kernel) {
        SplittableRandom random = new SplittableRandom(3);
        char[] in = new char[kernel.inputs() * PIXELS];
        for (int i = 0; i < in.length; i++) {
            in[i] = (char) random.nextInt(65536);
        }
        char[] lanes = new char[kernel.outputs() * PIXELS];
        char[] plain = new char[kernel.outputs() * PIXELS];
        long lanesTime = quickest(() -> kernel.lanes(in, 0, lanes, 0, PIXELS));
        long plainTime = quickest(() -> kernel.plain().apply(in, 0, plain, 0, PIXELS));
        for (int i = 0; i < plain.length; i++) {
            if (lanes[i] != plain[i]) {
                throw new IllegalStateException(kernel.getClass().getSimpleName() + " gives " + (int) lanes[i] + " for " + (int) plain[i]);
            }
        }
        return plainTime - lanesTime;
    }

    private static long quickest(Runnable work) {
        long best = Long.MAX_VALUE;
        for (int i = 0; i < ROUNDS; i++) {
            long start = System.nanoTime();
            work.run();
            best = Math.min(best, System.nanoTime() - start);
        }
        return best;
    }

    private static ClutTable cube(int inputs, boolean trilinear) {
        long[] nodes = new long[(int) Math.round(Math.pow(9, inputs))];
        for (int i = 0; i < nodes.length; i++) {
            nodes[i] = i * 0x9E3779B97F4A7C15L;
        }
        return new ClutTable(inputs, 3, new Axis(8), nodes, trilinear);
    }

    private static ShadowGrid shadows() {
        long[] nodes = new long[729 + 125];
        for (int i = 0; i < nodes.length; i++) {
            nodes[i] = i * 0x9E3779B97F4A7C15L;
        }
        return new ShadowGrid(3, new Axis(8), new Axis(4), nodes);
    }

    private static final double[] MATRIX = {0.45, 0.4, 0.15, 0.22, 0.72, 0.06, 0.02, 0.12, 0.86};

    private static MatrixTrcToLab light() {
        float[] square = new float[65536];
        for (int i = 0; i < square.length; i++) {
            square[i] = (float) (i / 65535.0 * (i / 65535.0));
        }
        return new MatrixTrcToLab(new float[][] {square, square, square}, MATRIX, new double[3], LabEncoding.V2);
    }

    private static LabToLight lab() {
        return new LabToLight(MATRIX, new double[3], roots(), LabEncoding.V2);
    }

    /** Colours as they are, and a tint. */
    private static OklabMoves moves() {
        float[] plane = new float[OklabMoves.WIDTH * OklabMoves.SIDE * OklabMoves.SIDE];
        for (int i = 0; i < OklabMoves.SIDE * OklabMoves.SIDE; i++) {
            plane[OklabMoves.WIDTH * i] = (float) OklabMoves.node(i / OklabMoves.SIDE);
            plane[OklabMoves.WIDTH * i + 1] = (float) OklabMoves.node(i % OklabMoves.SIDE);
        }
        return new OklabMoves(plane, tones(), new float[2 * (OklabMoves.TINTS + 1)], lab());
    }

    private static OklabMix mix() {
        return new OklabMix(new float[OklabMoves.SIDE * OklabMoves.SIDE], LabEncoding.V2);
    }

    /** A little darker. */
    private static float[] tones() {
        float[] tones = new float[OklabMoves.TONES + 1];
        for (int i = 0; i <= OklabMoves.TONES; i++) {
            float l = (float) i / OklabMoves.TONES;
            tones[i] = l * (0.7f + 0.3f * l);
        }
        return tones;
    }

    private static InverseTrc[] roots() {
        InverseTrc root = new InverseTrc(Math::sqrt);
        return new InverseTrc[] {root, root, root};
    }

    private static MatrixCurves matrix() {
        double[] square = new double[65536];
        for (int i = 0; i < square.length; i++) {
            square[i] = i / 65535.0 * (i / 65535.0);
        }
        return new MatrixCurves(new double[][] {square, square, square}, MATRIX, new double[3], roots());
    }
}
