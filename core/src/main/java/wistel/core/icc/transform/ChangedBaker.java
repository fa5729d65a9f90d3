package wistel.core.icc.transform;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.kernel.LabToLight;
import wistel.core.icc.kernel.LightnessTable;
import wistel.core.icc.kernel.OklabMix;
import wistel.core.icc.kernel.OklabMoves;
import wistel.core.icc.kernel.Sequence;
import wistel.core.icc.kernel.ShapedKernel;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.stage.LabChange;
import wistel.core.icc.stage.LabFunction;
import wistel.core.icc.stage.Stage;

/**
 * The fast form of a {@link Recipe.Changed}, quickly made, as a slider waits for it: the source's way to L*a*b* stays from step to step;
 * lightness that depends on lightness is a table of every code, what depends on hue and chroma a table over Oklab's plane, and all between
 * them is arithmetic.
 */
final class ChangedBaker {
    /** Values of a smooth function of lightness; lines between. */
    private static final int STEPS = 4096;
    private static final LabEncoding CODES = LabEncoding.WIDE;

    private final Kernel head;
    private final Chain tail;
    private final KernelFamily family;

    /**
     * @param head from the source to L*a*b* in {@link LabEncoding#WIDE}
     * @param tail from L*a*b* to the destination: curves and a matrix
     */
    ChangedBaker(Kernel head, Chain tail, KernelFamily family) {
        this.head = head;
        this.tail = tail;
        this.family = family;
    }

    /** @param inputs of the source; what it is wrong by is not measured, as a slider would wait for that */
    Baked bake(LabChange change, int inputs) {
        Kernel rest = change.form() instanceof LabChange.Form.TonesFirst tones ? tonesFirst(tones)
            : collapsed((LabChange.Form.Collapsed) change.form());
        return Baked.withoutGrid(new Sequence(head, rest, inputs, 3, 3), "L*a*b*, changed");
    }

    private Kernel tonesFirst(LabChange.Form.TonesFirst form) {
        LabToLight end = MatrixTrcOutput.lightOfLab(tail.stages(), CODES).orElseThrow();
        float[] tint = tint(form.tint());
        Kernel moved = form.colour().isPresent() || tint.length > 0
            ? family.moved(new OklabMoves(plane(form.colour().orElse(at -> {})), tint, end)) : family.fromLab(end);
        char[] straight = Tables.codes(x -> x);
        return new ShapedKernel(moved, 3, new char[][] {Tables.codes(between(tones(form.tones()))), straight, straight}, new char[0][]);
    }

    private Kernel collapsed(LabChange.Form.Collapsed form) {
        Kernel end = new LightnessTable(ofLightness(form.ofLightness()), 3, 3);
        return form.mix().isEmpty() ? end : new Sequence(family.mixed(new OklabMix(lighter(form.mix().get()), CODES)), end, 3, 3, 3);
    }

    private static float[] plane(LabChange.OklabPlane function) {
        int side = OklabMoves.SIDE;
        float[] plane = new float[OklabMoves.WIDTH * side * side];
        IntStream.range(0, side).parallel().forEach(row -> {
            double[] at = new double[3];
            for (int i = 0; i < side; i++) {
                at[0] = OklabMoves.node(row);
                at[1] = OklabMoves.node(i);
                at[2] = 0;
                function.apply(at);
                for (int c = 0; c < 3; c++) {
                    plane[OklabMoves.WIDTH * (row * side + i) + c] = (float) at[c];
                }
            }
        });
        return plane;
    }

    private static float[] lighter(LabChange.OklabPlane function) {
        float[] plane = plane(function);
        float[] lighter = new float[plane.length / OklabMoves.WIDTH];
        for (int i = 0; i < lighter.length; i++) {
            lighter[i] = plane[OklabMoves.WIDTH * i + 2];
        }
        return lighter;
    }

    /** What a function adds to a* and b*, by lightness; empty when that is nothing. */
    private static float[] tint(LabFunction function) {
        float[] tint = new float[2 * (OklabMoves.TINTS + 1)];
        for (int i = 0; i <= OklabMoves.TINTS; i++) {
            double[] lab = {100.0 * i / OklabMoves.TINTS, 0, 0};
            function.apply(lab, 0);
            tint[2 * i] = (float) lab[1];
            tint[2 * i + 1] = (float) lab[2];
        }
        return Arrays.equals(tint, new float[tint.length]) ? new float[0] : tint;
    }

    /** L* over 100 at evenly spaced L*. */
    private static double[] tones(LabFunction function) {
        double[] values = new double[STEPS + 1];
        double[] lab = new double[3];
        for (int i = 0; i <= STEPS; i++) {
            lab[0] = 100.0 * i / STEPS;
            lab[1] = 0;
            lab[2] = 0;
            function.apply(lab, 0);
            values[i] = lab[0] / 100;
        }
        return values;
    }

    private static DoubleUnaryOperator between(double[] values) {
        return x -> {
            double place = x * STEPS;
            int i = Math.min(STEPS - 1, (int) place);
            return values[i] + (values[i + 1] - values[i]) * (place - i);
        };
    }

    /** Destination codes of every code of lightness. */
    private char[] ofLightness(LabFunction function) {
        double[] work = new double[(STEPS + 1) * Chain.STRIDE];
        for (int i = 0; i <= STEPS; i++) {
            work[i * Chain.STRIDE] = 100.0 * i / STEPS;
            function.apply(work, i * Chain.STRIDE);
        }
        tail.apply(work, STEPS + 1);
        char[] codes = new char[3 * 65536];
        for (int c = 0; c < 3; c++) {
            double[] values = new double[STEPS + 1];
            for (int i = 0; i <= STEPS; i++) {
                values[i] = work[i * Chain.STRIDE + c];
            }
            DoubleUnaryOperator curve = between(values);
            for (int i = 0; i < 65536; i++) {
                codes[3 * i + c] = Tables.code(curve.applyAsDouble(i / 65535.0));
            }
        }
        return codes;
    }

    /** A source's way to L*a*b* in wide codes, with nothing changed: the same for every step of a slider. */
    static Kernel head(Recipe.MeantFor meant, KernelFamily family) {
        int inputs = meant.from().channels();
        Chain toLab = Chain.of(meant.stages());
        Optional<Kernel> light = inputs == 3 ? TableByTable.lightToLab(toLab.stages(), CODES, family) : Optional.empty();
        return light.orElseGet(() -> {
            List<Stage> coded = new ArrayList<>(toLab.stages());
            coded.add(wide());
            Chain all = Chain.of(coded);
            if (inputs == 1) {
                return Baker.grayTable(all, 3);
            }
            Stage.Linear back = Stage.Linear.scale(65535 / CODES.lightness(), 65535 / CODES.chroma(), 65535 / CODES.chroma(), 0,
                CODES.lowest(), CODES.lowest());
            Sample sample = new Sample(all, meant.from(), 3, Optional.of(Chain.of(List.of(back))));
            return new ClutBaker(all, inputs, 3, sample, Optional.empty(), family).bake(Baker.most(inputs)).kernel().orElseThrow();
        });
    }

    private static Stage wide() {
        double l = CODES.lightness() / 65535;
        double ab = CODES.chroma() / 65535;
        return Stage.Linear.scale(l, ab, ab, 0, -CODES.lowest() * ab, -CODES.lowest() * ab);
    }
}
