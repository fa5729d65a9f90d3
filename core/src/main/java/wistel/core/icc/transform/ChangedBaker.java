package wistel.core.icc.transform;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import wistel.core.colour.D50;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.kernel.CodeTables;
import wistel.core.icc.kernel.FirstInputTable;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.kernel.LabToLight;
import wistel.core.icc.kernel.OklabMix;
import wistel.core.icc.kernel.OklabMoves;
import wistel.core.icc.kernel.Sequence;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.stage.LabChange;
import wistel.core.icc.stage.LabFunction;
import wistel.core.icc.stage.Stage;

/**
 * The fast form of a {@link Recipe.Changed}, quickly made, as a slider waits for it: the source's way to L*a*b* stays from step to step;
 * lightness that depends on lightness is a table over Oklab's L, what depends on hue and chroma one over Oklab's plane, and all between
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

    /** What it is wrong by is not measured, as a slider would wait for that. */
    Baked bake(LabChange change) {
        Kernel rest = change.form() instanceof LabChange.Form.TonesFirst tones ? tonesFirst(tones)
            : collapsed((LabChange.Form.Collapsed) change.form());
        return Baked.withoutGrid(Sequence.of(head, rest), "L*a*b*, changed");
    }

    private Kernel tonesFirst(LabChange.Form.TonesFirst form) {
        LabToLight end = MatrixTrcOutput.lightOfLab(tail.stages(), CODES).orElseThrow();
        float[] tint = tint(form.tint());
        if (form.of() == LabChange.TonesOf.LAB) {
            return Sequence.of(lightnesses(form.tones()),
                family.moved(new OklabMoves(plane(form.colour().orElse(at -> {})), new float[0], tint, end)));
        }
        float[] tones = tones(form.tones());
        return form.colour().isPresent() || tint.length > 0 || tones.length > 0
            ? family.moved(new OklabMoves(plane(form.colour().orElse(at -> {})), tones, tint, end)) : family.by(end);
    }

    /** Codes whose L* is moved by itself. */
    private static Kernel lightnesses(LabFunction tones) {
        char[] moved = new char[65536];
        char[] same = new char[65536];
        double[] lab = new double[3];
        for (int code = 0; code < moved.length; code++) {
            lab[0] = CODES.l((char) code);
            tones.apply(lab, 0);
            moved[code] = CODES.ofL(lab[0]);
            same[code] = (char) code;
        }
        return new CodeTables(new char[][] {moved, same, same});
    }

    private Kernel collapsed(LabChange.Form.Collapsed form) {
        Kernel end = new FirstInputTable(3, ofLightness(form.ofLightness()));
        return form.mix().isEmpty() ? end : Sequence.of(family.mixed(new OklabMix(lighter(form.mix().get()), CODES)), end);
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

    /** What Oklab's L becomes; empty when it stays. */
    private static float[] tones(LabFunction function) {
        float[] tones = new float[OklabMoves.TONES + 1];
        double[] lab = new double[3];
        boolean same = true;
        for (int i = 0; i <= OklabMoves.TONES; i++) {
            double l = (double) i / OklabMoves.TONES;
            lab[0] = D50.lightness(l * l * l);
            lab[1] = 0;
            lab[2] = 0;
            double before = lab[0];
            function.apply(lab, 0);
            same &= Math.abs(lab[0] - before) < 1e-9;
            tones[i] = (float) Math.cbrt(D50.luminance(lab[0]));
        }
        return same ? new float[0] : tones;
    }

    private static DoubleUnaryOperator between(double[] values) {
        return x -> {
            double place = x * STEPS;
            int i = Math.min(STEPS - 1, (int) place);
            return values[i] + (values[i + 1] - values[i]) * (place - i);
        };
    }

    /** Destination codes of every code of lightness. */
    private char[][] ofLightness(LabFunction function) {
        double[] work = new double[(STEPS + 1) * Chain.STRIDE];
        for (int i = 0; i <= STEPS; i++) {
            work[i * Chain.STRIDE] = 100.0 * i / STEPS;
            function.apply(work, i * Chain.STRIDE);
        }
        tail.apply(work, STEPS + 1);
        char[][] codes = new char[3][];
        for (int c = 0; c < 3; c++) {
            double[] values = new double[STEPS + 1];
            for (int i = 0; i <= STEPS; i++) {
                values[i] = work[i * Chain.STRIDE + c];
            }
            codes[c] = Tables.codes(between(values));
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
