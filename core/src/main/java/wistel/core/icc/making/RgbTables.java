package wistel.core.icc.making;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import wistel.core.colour.Lab;
import wistel.core.icc.profile.LutWriter;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.stage.ClutGrid;
import wistel.core.progress.Progress;

/**
 * A2B and B2A of an RGB printer for three intents, from its model (ICC.1:2022, 8.4 and 10.10). The inverse tables take nearly all of the
 * time.
 */
final class RgbTables {
    /** lut16 codes L* 100 as FF00, which is 256 / 257 of its range: with 258 samples the knee falls on one of them. */
    private static final int SAMPLES = 258;
    private static final char[] TO_WHITE = samples(257.0 / 256);
    private static final char[] STRAIGHT = samples(1);

    private RgbTables() {
    }

    private static char[] samples(double slope) {
        char[] samples = new char[SAMPLES];
        for (int i = 0; i < SAMPLES; i++) {
            samples[i] = (char) Math.round(65535 * Math.min(1, slope * i / (SAMPLES - 1)));
        }
        return samples;
    }

    static ProfileWriter into(ProfileWriter profile, PrinterModel model, ProfileChoices choices, Progress progress) {
        MediumMapping.Blacks blacks = MediumMapping.Blacks.of(profile.version(), model.blackL());
        GrayTint grays = GrayTint.of(choices.grays(), model.whiteXyz());
        MediumMapping perceptual = new MediumMapping(blacks, choices.compression().slope(), grays);
        MediumMapping saturation = new MediumMapping(blacks, 1, grays);
        ClutGrid forward = model.upsampled(choices.tables().forward());
        int side = choices.tables().inverse();
        return profile.tag("A2B0", forward(forward, perceptual::undo))
            .tag("A2B1", forward(forward, UnaryOperator.identity()))
            .tag("A2B2", forward(forward, saturation::undo))
            .tag("B2A0", inverse(model, side, perceptual::apply, progress.part(0, 1 / 3.0)))
            .tag("B2A1", inverse(model, side, UnaryOperator.identity(), progress.part(1 / 3.0, 2 / 3.0)))
            .tag("B2A2", inverse(model, side, saturation::apply, progress.part(2 / 3.0, 1)));
    }

    private static byte[] forward(ClutGrid grid, UnaryOperator<Lab> mapping) {
        float[] values = grid.values();
        char[] codes = new char[values.length];
        for (int n = 0; n < values.length; n += 3) {
            Lab lab = mapping.apply(new Lab(values[n], values[n + 1], values[n + 2]));
            NodeCodes.put(lab, codes, n);
        }
        return LutWriter.lut16(3, 3, grid.size(0), codes);
    }

    /** B2A: the printer's values for a grid over L*a*b*, whose last plane is exactly L* 100, so that paper white stays free of ink. */
    private static byte[] inverse(PrinterModel model, int side, UnaryOperator<Lab> mapping, Progress progress) {
        double[] rgb = new double[3 * side * side * side];
        boolean[] outside = new boolean[side * side * side];
        AtomicInteger done = new AtomicInteger();
        IntStream.range(0, side * side).parallel().forEach(row -> {
            for (int n = row * side; n < (row + 1) * side; n++) {
                double l = 100.0 * (n / (side * side)) / (side - 1);
                double a = code(n / side % side, side) / 256 - 128;
                double b = code(n % side, side) / 256 - 128;
                double[] found = model.nearest(mapping.apply(new Lab(l, a, b)));
                System.arraycopy(found, 0, rgb, 3 * n, 3);
                outside[n] = found[3] > 3;
            }
            progress.at(done.incrementAndGet() / (double) (side * side));
        });
        double[] smooth = smoothed(rgb, outside, side);
        char[] codes = new char[smooth.length];
        for (int i = 0; i < codes.length; i++) {
            codes[i] = NodeCodes.code(smooth[i] * 65535);
        }
        return LutWriter.lut16(3, side, codes, TO_WHITE, STRAIGHT, STRAIGHT);
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
}
