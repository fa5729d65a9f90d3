package wistel.core.icc.transform;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import wistel.core.colour.D50;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.kernel.InverseTrc;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.kernel.LabToLight;
import wistel.core.icc.kernel.MatrixCurves;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.stage.Curve;
import wistel.core.icc.stage.Stage;

/**
 * Recognises chains, and ends of chains, that are a matrix profile's curves and matrix: those need no grid, as arithmetic is exact and
 * quick.
 */
final class MatrixTrcOutput {
    private static final Curve[] STRAIGHT = {Curve.Power.IDENTITY, Curve.Power.IDENTITY, Curve.Power.IDENTITY};
    private static final Stage.Linear NOTHING = Stage.Linear.scale(1, 1, 1, 0, 0, 0);

    private MatrixTrcOutput() {
    }

    /** A whole chain of curves, a matrix and curves, as between two matrix profiles. */
    static Optional<Kernel> whole(Chain chain, KernelFamily family) {
        List<Stage> stages = new ArrayList<>(chain.stages());
        Curve[] first = takenCurves(stages);
        Stage.Linear linear = takenLinear(stages);
        Curve[] last = takenCurves(stages);
        if (!stages.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(between(first, linear, last, family));
    }

    static Kernel between(Curve[] first, Stage.Linear linear, Curve[] last, KernelFamily family) {
        return family.by(
            new MatrixCurves(Tables.each(List.of(first), new double[3][], Tables::values), linear.matrix(), linear.offset(), lights(last)));
    }

    /** Curves, a matrix, its luminance and a curve, as from a matrix profile to a gray one: no grid would follow the curves in the dark. */
    static Optional<Kernel> toGray(Chain chain, KernelFamily family) {
        List<Stage> stages = new ArrayList<>(chain.stages());
        Curve[] first = takenCurves(stages);
        Stage.Linear linear = takenLinear(stages);
        if (stages.isEmpty() || !(stages.remove(0) instanceof Stage.XyzToGray)) {
            return Optional.empty();
        }
        Curve last = stages.isEmpty() ? Curve.Power.IDENTITY : takenCurves(stages)[0];
        if (!stages.isEmpty()) {
            return Optional.empty();
        }
        double[] m = linear.matrix();
        double[] luminance = {m[3] / D50.Y, m[4] / D50.Y, m[5] / D50.Y};
        double[] offset = {linear.offset()[1] / D50.Y};
        return Optional.of(family.by(new MatrixCurves(Tables.each(List.of(first), new double[3][], Tables::values), luminance, offset,
            new InverseTrc[] {light(last)})));
    }

    /** From L*a*b* codes on: L*a*b* to XYZ, a matrix, curves, and no more. */
    static Optional<Kernel> afterLab(List<Stage> rest, LabEncoding codes, KernelFamily family) {
        return lightOfLab(rest, codes).map(family::by);
    }

    static Optional<LabToLight> lightOfLab(List<Stage> rest, LabEncoding codes) {
        List<Stage> stages = new ArrayList<>(rest);
        if (stages.isEmpty() || !(stages.remove(0) instanceof Stage.LabToXyz)) {
            return Optional.empty();
        }
        Stage.Linear linear = takenLinear(stages);
        if (!stages.isEmpty() && stages.get(0) instanceof Stage.XyzToGray) {
            stages.remove(0);
            Curve last = stages.isEmpty() ? Curve.Power.IDENTITY : takenCurves(stages)[0];
            double[] luminance = Arrays.stream(fromOverWhite(linear.matrix()), 3, 6).map(m -> m / D50.Y).toArray();
            return stages.isEmpty()
                ? Optional.of(new LabToLight(luminance, new double[] {linear.offset()[1] / D50.Y}, new InverseTrc[] {light(last)}, codes))
                : Optional.empty();
        }
        Curve[] last = takenCurves(stages);
        if (!stages.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new LabToLight(fromOverWhite(linear.matrix()), linear.offset(), lights(last), codes));
    }

    private static InverseTrc[] lights(Curve[] curves) {
        return Tables.each(List.of(curves), new InverseTrc[3], MatrixTrcOutput::light);
    }

    private static InverseTrc light(Curve curve) {
        return curve instanceof Curve.TableInverse undone ? new InverseTrc(curve::at, undone.forward().samples())
            : new InverseTrc(curve::at);
    }

    /** A matrix that starts from XYZ, made to start from XYZ over its white. */
    static double[] fromOverWhite(double[] matrix) {
        double[] m = matrix.clone();
        for (int i = 0; i < 9; i += 3) {
            m[i] *= D50.X;
            m[i + 2] *= D50.Z;
        }
        return m;
    }

    private static Curve[] takenCurves(List<Stage> stages) {
        return !stages.isEmpty() && stages.get(0) instanceof Stage.Curves curves && stages.remove(0) != null ? curves.curves() : STRAIGHT;
    }

    private static Stage.Linear takenLinear(List<Stage> stages) {
        return !stages.isEmpty() && stages.get(0) instanceof Stage.Linear linear && stages.remove(0) != null ? linear : NOTHING;
    }
}
