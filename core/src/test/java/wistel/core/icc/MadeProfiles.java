package wistel.core.icc;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import java.util.function.UnaryOperator;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.making.ProfileMaker;
import wistel.core.icc.making.RgbChart;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.LutWriter;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.TagWriter;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/** Profiles for tests: a made-up printer with a smooth, known behaviour. */
public final class MadeProfiles {
    private MadeProfiles() {
    }

    /**
     * A printer whose measured colour is known in closed form: gamma-like ramps, unwanted absorptions, a paper of L* 95 and a black of L*
     * 9.
     */
    public static Lab measured(double[] rgb) {
        double r = 0.02 + 0.98 * Math.pow(rgb[0], 1.7);
        double g = 0.02 + 0.98 * Math.pow(rgb[1], 1.8);
        double b = 0.02 + 0.98 * Math.pow(rgb[2], 1.6);
        double[] xyz = {0.86 * D50.X * (0.45 * r + 0.38 * g + 0.17 * b), 0.88 * (0.24 * r + 0.68 * g + 0.08 * b),
            0.84 * D50.Z * (0.02 * r + 0.12 * g + 0.86 * b)};
        D50.xyzToLab(xyz, xyz);
        return Lab.of(xyz);
    }

    public static Cgats chart() {
        List<Patch> patches = new ArrayList<>();
        SplittableRandom noise = new SplittableRandom(3);
        for (double[] rgb : RgbChart.patches()) {
            Lab lab = measured(rgb);
            patches.add(new Patch("P" + patches.size(), rgb, new Lab(lab.l() + 0.05 * (noise.nextDouble() - 0.5), lab.a(), lab.b())));
        }
        return Cgats.of(Cgats.Device.RGB, "test", "a made-up printer", patches);
    }

    private static final class Held {
        private static final ProfileMaker.Made MADE = ProfileMaker.make("Made-up printer", chart());
        private static final IccProfile PRINTER = ProfileReader.read(MADE.profile());
    }

    public static ProfileMaker.Made made() {
        return Held.MADE;
    }

    public static IccProfile printer() {
        return Held.PRINTER;
    }

    private static final int SIDE = 33;

    /**
     * The same printer, its tables connected through XYZ (lut16Type): from device to XYZ as it is, and back over the cube root of XYZ,
     * where a table of this size can follow.
     */
    public static IccProfile printerThroughXyz() {
        Transform toXyz = TransformCompiler.toLab(printer());
        Transform fromXyz = TransformCompiler.compile(new Recipe.FromLab(printer(), Intent.RELATIVE));
        char[] there = nodes(rgb -> {
            Lab lab = LAB.lab(toXyz.exact(rgb));
            double[] xyz = new double[3];
            D50.labToXyz(new double[] {lab.l(), lab.a(), lab.b()}, xyz);
            return new double[] {xyz[0] * 32768 / 65535, xyz[1] * 32768 / 65535, xyz[2] * 32768 / 65535};
        });
        char[] back = nodes(root -> {
            double[] lab = new double[3];
            D50.xyzToLab(new double[] {Math.pow(root[0], 3), Math.pow(root[1], 3), Math.pow(root[2], 3)}, lab);
            return fromXyz.exact(lab[0] / 100, (lab[1] + 128) / 255, (lab[2] + 128) / 255);
        });
        char[] curve = new char[4096];
        for (int i = 0; i < curve.length; i++) {
            curve[i] = (char) Math.round(65535 * Math.cbrt(Math.min(1, i / 4095.0 * 65535 / 32768)));
        }
        return ProfileReader
            .read(new ProfileWriter(ProfileWriter.Version.V2, DeviceClass.OUTPUT, ColourSpace.RGB, ColourSpace.XYZ, "through XYZ", "c")
                .tag("wtpt", printer().tag("wtpt").orElseThrow()).tag("A2B0", LutWriter.lut16(3, 3, SIDE, there))
                .tag("B2A0", LutWriter.lut16(3, SIDE, back, curve, curve, curve)).write());
    }

    /** The same printer in lutAToBType and lutBToAType with all five parts. */
    public static IccProfile composedPrinter() {
        Transform toLab = TransformCompiler.toLab(printer());
        Transform fromLab = TransformCompiler.compile(new Recipe.FromLab(printer(), Intent.RELATIVE));
        double[] mixed = {1 / 0.9, -0.05 / 0.81, -0.05 / 0.81, 0, 1 / 0.9, 0, 0, 0, 1 / 0.9, 2 * 0.05 * 0.05 / 0.81, -0.05 / 0.9,
            -0.05 / 0.9};
        double[] parted = {0.9, 0.05, 0.05, 0, 0.9, 0, 0, 0, 0.9, 0, 0.05, 0.05};
        DoubleUnaryOperator square = x -> x * x;
        char[] there = nodes(device -> {
            double[] lab = toLab.exact(Math.sqrt(device[0]), Math.sqrt(device[1]), Math.sqrt(device[2]));
            double[] m = new double[3];
            for (int i = 0; i < 3; i++) {
                m[i] = square.applyAsDouble(
                    Math.max(0, parted[3 * i] * lab[0] + parted[3 * i + 1] * lab[1] + parted[3 * i + 2] * lab[2] + parted[9 + i]));
            }
            return m;
        });
        char[] back = nodes(m -> {
            double[] root = {Math.sqrt(m[0]), Math.sqrt(m[1]), Math.sqrt(m[2])};
            double[] lab = new double[3];
            for (int i = 0; i < 3; i++) {
                lab[i] = mixed[3 * i] * root[0] + mixed[3 * i + 1] * root[1] + mixed[3 * i + 2] * root[2] + mixed[9 + i];
            }
            double[] rgb = fromLab.exact(lab);
            return new double[] {square.applyAsDouble(rgb[0]), square.applyAsDouble(rgb[1]), square.applyAsDouble(rgb[2])};
        });
        List<byte[]> straight = same(1);
        int[] sizes = {SIDE, SIDE, SIDE};
        return ProfileReader.read(new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.RGB, ColourSpace.LAB, "composed", "c")
            .tag("wtpt", printer().tag("wtpt").orElseThrow())
            .tag("A2B0",
                LutWriter.deviceFirst(3,
                    new LutWriter.Parts(straight, mixed, same(0.5), List.of(new LutWriter.Table(sizes, there)), same(2))))
            .tag("B2A0", LutWriter.connectionFirst(3,
                new LutWriter.Parts(straight, parted, same(2), List.of(new LutWriter.Table(sizes, back)), same(0.5))))
            .write());
    }

    private static final LabEncoding LAB = LabEncoding.V4;

    private static List<byte[]> same(double gamma) {
        byte[] curve = gamma == 1 ? TagWriter.sampled() : TagWriter.parametric(gamma);
        return List.of(curve, curve, curve);
    }

    private static char[] nodes(UnaryOperator<double[]> of) {
        char[] nodes = new char[3 * SIDE * SIDE * SIDE];
        for (int n = 0; n < nodes.length / 3; n++) {
            double[] value = of
                .apply(new double[] {n / SIDE / SIDE / (SIDE - 1.0), n / SIDE % SIDE / (SIDE - 1.0), n % SIDE / (SIDE - 1.0)});
            for (int c = 0; c < 3; c++) {
                nodes[3 * n + c] = (char) Math.round(65535 * Math.max(0, Math.min(1, value[c])));
            }
        }
        return nodes;
    }
}
