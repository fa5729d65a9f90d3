package wistel.core.icc.making;

import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import wistel.core.colour.Lab;
import wistel.core.icc.profile.LutWriter;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.stage.ClutGrid;

/** A2B and B2A of an RGB printer for three intents, from its model (ICC.1:2022, 8.4 and 10.10). */
final class RgbTables {
    private static final int FORWARD_SIDE = 21;
    private static final int INVERSE_SIDE = 33;
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

    static ProfileWriter into(ProfileWriter profile, PrinterModel model) {
        ClutGrid forward = model.upsampled(FORWARD_SIDE);
        MediumMapping perceptual = MediumMapping.perceptual(model.blackL());
        MediumMapping saturation = MediumMapping.saturation(model.blackL());
        return profile.tag("A2B0", forward(forward, perceptual::undo))
            .tag("A2B1", forward(forward, UnaryOperator.identity()))
            .tag("A2B2", forward(forward, saturation::undo))
            .tag("B2A0", inverse(model, perceptual::apply))
            .tag("B2A1", inverse(model, UnaryOperator.identity()))
            .tag("B2A2", inverse(model, saturation::apply));
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
    private static byte[] inverse(PrinterModel model, UnaryOperator<Lab> mapping) {
        int side = INVERSE_SIDE;
        double[] rgb = new double[3 * side * side * side];
        boolean[] outside = new boolean[side * side * side];
        IntStream.range(0, side * side * side).parallel().forEach(n -> {
            double l = 100.0 * (n / (side * side)) / (side - 1);
            double a = code(n / side % side, side) / 256 - 128;
            double b = code(n % side, side) / 256 - 128;
            double[] found = model.nearest(mapping.apply(new Lab(l, a, b)));
            System.arraycopy(found, 0, rgb, 3 * n, 3);
            outside[n] = found[3] > 3;
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
