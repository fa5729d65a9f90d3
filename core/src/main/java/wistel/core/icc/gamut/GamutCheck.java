package wistel.core.icc.gamut;

import java.util.stream.IntStream;
import wistel.core.colour.CieDe2000;
import wistel.core.fault.ProfileException;
import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.GrayTable;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.Kernels;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.transform.Recipe;

/**
 * What a printer and paper can't hold of a picture: how far, and why. A colour is compared in L*a*b* with itself after the printer's
 * relative colorimetric round trip, by CIEDE2000; the larger of the lightness and chroma parts names the cause. For whole pictures the three
 * figures are tabled over the source's colours. Immutable and safe for any number of threads.
 */
public final class GamutCheck {
    /** CIEDE2000 above which a colour counts as out of gamut. */
    public static final double THRESHOLD = 2.0;
    /** Nodes along each input, by their number. */
    private static final int[] SIDES = {0, 256, 0, 65, 19};
    private static final int STRIP = 16384;
    /** Codes for one unit: distances reach 128, lightness and chroma parts 128 either way. */
    private static final double DISTANCE_CODES = 512;
    private static final double PART_CODES = 256;
    private static final double PART_ZERO = 32768;

    public enum Cause { INSIDE, TOO_DARK, TOO_LIGHT, TOO_VIVID }

    /**
     * Shares of all pixels (0 to 1), those inside and those outside by cause, and mean CIEDE2000 among the pixels of each cause.
     */
    public record Report(double inside, double tooDark, double tooLight, double tooVivid, double meanTooDark, double meanTooLight, double meanTooVivid) {
        public double outside() {
            return tooDark + tooLight + tooVivid;
        }
    }

    /**
     * One colour.
     *
     * @param lighter how much lighter the attainable colour is than the wanted one, in L*
     * @param duller  how much less chroma it has
     */
    public record Spot(double distance, double lighter, double duller) {
        public Cause cause() {
            return GamutCheck.cause(distance, lighter, duller);
        }
    }

    private static Cause cause(double distance, double lighter, double duller) {
        if (distance <= THRESHOLD) {
            return Cause.INSIDE;
        }
        if (Math.abs(duller) > Math.abs(lighter)) {
            return Cause.TOO_VIVID;
        }
        return lighter > 0 ? Cause.TOO_DARK : Cause.TOO_LIGHT;
    }

    private final Chain wanted;
    private final Chain attained;
    private final int inputs;
    private final Kernel figures;

    /** @throws wistel.core.fault.ProfileException when the source has more than four channels or a profile lacks a way */
    public GamutCheck(IccProfile source, IccProfile printer) {
        wanted = Chain.of(new Recipe.DeviceToLab(source, false).stages());
        attained = Chain.of(new Recipe.ProofToLab(source, printer, Intent.RELATIVE, false, false).stages());
        inputs = source.space().channels();
        figures = tabled();
    }

    /** One colour exactly; device values 0 to 1. */
    public Spot exact(double... device) {
        double[] want = wanted.at(device);
        double[] got = attained.at(device);
        return spot(want, got, 0);
    }

    private static Spot spot(double[] want, double[] got, int at) {
        return new Spot(CieDe2000.between(want[at], want[at + 1], want[at + 2], got[at], got[at + 1], got[at + 2]), got[at] - want[at],
            Math.hypot(want[at + 1], want[at + 2]) - Math.hypot(got[at + 1], got[at + 2]));
    }

    private Kernel tabled() {
        if (inputs != 1 && inputs != 3 && inputs != 4) {
            throw new ProfileException(ProfileException.Reason.CHANNELS, "A picture of " + inputs + " channels can't be checked against a paper.",
                "Convert it to RGB first.");
        }
        int side = SIDES[inputs];
        int rows = (int) Math.round(Math.pow(side, inputs - 1));
        char[] nodes = new char[3 * rows * side];
        IntStream.range(0, rows).parallel().forEach(row -> row(row, side, nodes));
        return inputs == 1 ? new GrayTable(stretched(nodes), 3) : Kernels.best().over(new ClutTable(inputs, 3, side, nodes, false));
    }

    private void row(int row, int side, char[] nodes) {
        double[] want = new double[side * Chain.STRIDE];
        for (int i = 0; i < side; i++) {
            want[i * Chain.STRIDE + inputs - 1] = i / (side - 1.0);
            for (int c = inputs - 2, place = row; c >= 0; c--, place /= side) {
                want[i * Chain.STRIDE + c] = place % side / (side - 1.0);
            }
        }
        double[] got = want.clone();
        wanted.apply(want, side);
        attained.apply(got, side);
        for (int i = 0, at = 3 * row * side; i < side; i++, at += 3) {
            Spot spot = spot(want, got, i * Chain.STRIDE);
            nodes[at] = code(spot.distance * DISTANCE_CODES);
            nodes[at + 1] = code(spot.lighter * PART_CODES + PART_ZERO);
            nodes[at + 2] = code(spot.duller * PART_CODES + PART_ZERO);
        }
    }

    private static char code(double v) {
        return (char) Math.max(0, Math.min(65535, Math.round(v)));
    }

    /** 256 grays to all 65536, by lines. */
    private static char[] stretched(char[] nodes) {
        char[] all = new char[3 * 65536];
        for (int v = 0; v < 65536; v++) {
            int cell = Math.min(254, v / 257);
            double part = v / 257.0 - cell;
            for (int c = 0; c < 3; c++) {
                all[3 * v + c] = code(nodes[3 * cell + c] + part * (nodes[3 * cell + 3 + c] - nodes[3 * cell + c]));
            }
        }
        return all;
    }

    /** Cause for each pixel as its ordinal, and in {@code distance} (same length, or empty) its CIEDE2000. Strips go to all processors. */
    public byte[] map(char[] pixels, float[] distance) {
        int count = pixels.length / inputs;
        byte[] causes = new byte[count];
        IntStream.range(0, (count + STRIP - 1) / STRIP).parallel()
            .forEach(strip -> map(pixels, strip * STRIP, Math.min(STRIP, count - strip * STRIP), causes, distance));
        return causes;
    }

    private void map(char[] pixels, int from, int count, byte[] causes, float[] distance) {
        char[] codes = new char[3 * count];
        figures.apply(pixels, from * inputs, codes, 0, count);
        for (int p = 0; p < count; p++) {
            double far = codes[3 * p] / DISTANCE_CODES;
            if (distance.length > 0) {
                distance[from + p] = (float) far;
            }
            causes[from + p] = (byte) cause(far, (codes[3 * p + 1] - PART_ZERO) / PART_CODES, (codes[3 * p + 2] - PART_ZERO) / PART_CODES).ordinal();
        }
    }

    public Report report(char[] pixels) {
        float[] distance = new float[pixels.length / inputs];
        byte[] causes = map(pixels, distance);
        long[] counts = new long[4];
        double[] sums = new double[4];
        for (int p = 0; p < causes.length; p++) {
            counts[causes[p]]++;
            sums[causes[p]] += distance[p];
        }
        double all = Math.max(1, causes.length);
        return new Report(counts[0] / all, counts[1] / all, counts[2] / all, counts[3] / all, mean(sums[1], counts[1]), mean(sums[2], counts[2]),
            mean(sums[3], counts[3]));
    }

    private static double mean(double sum, long count) {
        return count == 0 ? 0 : sum / count;
    }
}
