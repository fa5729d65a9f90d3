package wistel.core.icc;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;

/** Makes an RGB output profile from a measured chart: A2B and B2A for three intents, the chart embedded as {@code targ}. */
public final class ProfileMaker {
    private static final int FORWARD_SIDE = 21;
    private static final int INVERSE_SIDE = 33;
    /** Chroma up to which the perceptual intent leaves colours alone, and the slope above it. */
    private static final double SOFT_CHROMA = 35;
    private static final double SOFT_SLOPE = 0.85;
    /** L* of the reference medium's black (ICC.1:2022, 6.3.3). */
    private static final double REFERENCE_BLACK_L = D50.lightness(0.0034731);

    /** CIEDE2000 of held-back patches against the profile's own A2B. */
    public record Quality(int patches, double mean, double percentile95, double max) {
    }

    public record Made(byte[] profile, Quality quality) {
    }

    private ProfileMaker() {
    }

    /**
     * @param chart patches with RGB device values and absolute L*a*b*; those off the cube are held back to judge the result
     */
    public static Made make(String description, Cgats chart) {
        List<Patch> patches = chart.patches();
        PrinterModel model = PrinterModel.of(patches);
        Grid forward = model.upsampled(FORWARD_SIDE);
        Mapping perceptual = new Mapping(model.blackL(), SOFT_SLOPE);
        Mapping saturation = new Mapping(model.blackL(), 1);
        byte[] profile = new ProfileWriter("prtr", ColourSpace.RGB, ColourSpace.LAB, description, "Made by Wistel from measurements of the owner")
            .xyz("wtpt", model.whiteXyz())
            .lut16("A2B0", 3, 3, FORWARD_SIDE, labCodes(forward, perceptual::undo))
            .lut16("A2B1", 3, 3, FORWARD_SIDE, labCodes(forward, UnaryOperator.identity()))
            .lut16("A2B2", 3, 3, FORWARD_SIDE, labCodes(forward, saturation::undo))
            .lut16("B2A0", 3, 3, INVERSE_SIDE, inverse(model, perceptual::apply))
            .lut16("B2A1", 3, 3, INVERSE_SIDE, inverse(model, UnaryOperator.identity()))
            .lut16("B2A2", 3, 3, INVERSE_SIDE, inverse(model, saturation::apply))
            .text("targ", chart.text())
            .write();
        return new Made(profile, quality(profile, patches));
    }

    /** Soft compression from the reference medium to this one: black to black in XYZ, chroma above a knee drawn in. */
    private record Mapping(double blackL, double slope) {
        Lab apply(Lab reference) {
            Lab scaled = scaled(reference, REFERENCE_BLACK_L, blackL);
            double c = scaled.chroma();
            return c <= SOFT_CHROMA ? scaled : chroma(scaled, (SOFT_CHROMA + (c - SOFT_CHROMA) * slope) / c);
        }

        Lab undo(Lab medium) {
            double c = medium.chroma();
            Lab wide = c <= SOFT_CHROMA ? medium : chroma(medium, (SOFT_CHROMA + (c - SOFT_CHROMA) / slope) / c);
            return scaled(wide, blackL, REFERENCE_BLACK_L);
        }

        private static Lab chroma(Lab lab, double factor) {
            return new Lab(lab.l(), lab.a() * factor, lab.b() * factor);
        }

        private static Lab scaled(Lab lab, double fromL, double toL) {
            double[] xyz = lab.toArray();
            D50.labToXyz(xyz, xyz);
            BlackPoint.scaling(fromL, toL).apply(xyz, xyz);
            D50.xyzToLab(xyz, xyz);
            return Lab.of(xyz);
        }
    }

    private static char[] labCodes(Grid grid, UnaryOperator<Lab> mapping) {
        float[] values = grid.values();
        char[] codes = new char[values.length];
        for (int n = 0; n < values.length; n += 3) {
            Lab lab = mapping.apply(new Lab(values[n], values[n + 1], values[n + 2]));
            codes[n] = code(lab.l() * 652.8);
            codes[n + 1] = code((lab.a() + 128) * 256);
            codes[n + 2] = code((lab.b() + 128) * 256);
        }
        return codes;
    }

    private static char[] inverse(PrinterModel model, UnaryOperator<Lab> mapping) {
        int side = INVERSE_SIDE;
        double[] rgb = new double[3 * side * side * side];
        boolean[] outside = new boolean[side * side * side];
        java.util.stream.IntStream.range(0, side * side * side).parallel().forEach(n -> {
            double l = code(n / (side * side), side) / 652.8;
            double a = code(n / side % side, side) / 256 - 128;
            double b = code(n % side, side) / 256 - 128;
            double[] found = model.nearest(mapping.apply(new Lab(Math.min(100, l), a, b)));
            System.arraycopy(found, 0, rgb, 3 * n, 3);
            outside[n] = found[3] > 3;
        });
        double[] smooth = smoothed(rgb, outside, side);
        char[] codes = new char[smooth.length];
        for (int i = 0; i < codes.length; i++) {
            codes[i] = code(smooth[i] * 65535);
        }
        return codes;
    }

    private static double code(int node, int side) {
        return node * 65535.0 / (side - 1);
    }

    /** Nodes well out of gamut are averaged with their neighbours, so that clipped colours run on without steps. */
    private static double[] smoothed(double[] rgb, boolean[] outside, int side) {
        double[] out = rgb.clone();
        int[] steps = {side * side, side, 1};
        for (int n = 0; n < outside.length; n++) {
            int[] place = {n / (side * side), n / side % side, n % side};
            for (int c = 0; outside[n] && c < 3; c++) {
                double sum = 2 * rgb[3 * n + c];
                int count = 2;
                for (int axis = 0; axis < 3; axis++) {
                    for (int sign = -1; sign <= 1; sign += 2) {
                        int neighbour = n + sign * steps[axis];
                        if (place[axis] + sign >= 0 && place[axis] + sign < side && outside[neighbour]) {
                            sum += rgb[3 * neighbour + c];
                            count++;
                        }
                    }
                }
                out[3 * n + c] = sum / count;
            }
        }
        return out;
    }

    private static char code(double value) {
        return (char) Math.max(0, Math.min(65535, Math.round(value)));
    }

    private static Quality quality(byte[] profile, List<Patch> patches) {
        Transform toLab = TransformCompiler.toMeasuredLab(ProfileReader.read(profile));
        double[] differences = patches.stream()
            .filter(p -> !onCube(p))
            .mapToDouble(p -> LabCode.lab(toLab.exact(p.device())).deltaE2000(p.lab()))
            .sorted().toArray();
        if (differences.length == 0) {
            return new Quality(0, 0, 0, 0);
        }
        return new Quality(differences.length, Arrays.stream(differences).average().orElse(0),
            differences[(int) (0.95 * (differences.length - 1))], differences[differences.length - 1]);
    }

    private static boolean onCube(Patch patch) {
        for (double v : patch.device()) {
            if (Arrays.stream(CHART_LEVELS).noneMatch(l -> Math.abs(l - v) < 0.002)) {
                return false;
            }
        }
        return true;
    }

    private static final int CHART_SIDE = 11;
    private static final double[] CHART_LEVELS = java.util.stream.IntStream.range(0, CHART_SIDE).mapToDouble(i -> i / (CHART_SIDE - 1.0)).toArray();
    private static final int HELD_BACK = 150;

    /** Device values of the chart to print: a full cube, then colours between its levels that only judge the profile. */
    public static List<double[]> chart() {
        List<double[]> patches = new ArrayList<>();
        for (double r : CHART_LEVELS) {
            for (double g : CHART_LEVELS) {
                for (double b : CHART_LEVELS) {
                    patches.add(new double[] {r, g, b});
                }
            }
        }
        SplittableRandom random = new SplittableRandom(11);
        for (int i = 0; i < HELD_BACK; i++) {
            patches.add(new double[] {between(random), between(random), between(random)});
        }
        return patches;
    }

    private static double between(SplittableRandom random) {
        return (random.nextInt(CHART_SIDE - 1) + 0.3 + 0.4 * random.nextDouble()) / (CHART_SIDE - 1);
    }
}
