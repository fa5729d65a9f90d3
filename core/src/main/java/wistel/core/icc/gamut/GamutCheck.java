package wistel.core.icc.gamut;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import wistel.core.colour.CieDe2000;
import wistel.core.fault.ProfileException;
import wistel.core.icc.kernel.Axis;
import wistel.core.icc.kernel.ClutTable;
import wistel.core.icc.kernel.FirstInputTable;
import wistel.core.icc.kernel.Kernel;
import wistel.core.icc.kernel.Kernels;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.icc.transform.Transform;
import wistel.core.colour.LabEncoding;
import java.util.Arrays;
import wistel.core.icc.transform.Recipe;

/**
 * What a printer and paper can't hold of a picture: how far, and why. A colour is compared in L*a*b* with itself after the printer's
 * relative colorimetric round trip, by CIEDE2000; the larger of the lightness and chroma parts names the cause. For whole pictures the
 * three figures are tabled over the source's colours. Immutable and safe for any number of threads.
 */
public final class GamutCheck {
    /** CIEDE2000 above which a colour counts as out of gamut. */
    public static final double THRESHOLD = 2.0;
    /** Nodes along each input, by their number. */
    private static final int[] SIDES = {0, 256, 0, 65, 19};
    private static final int STRIP = 16384;
    /** Codes for one unit: distances reach 128, the parts of one 128 either way. */
    private static final double DISTANCE_CODES = 512;
    private static final double PART_CODES = 256;
    private static final double PART_ZERO = 32768;
    /** The table is off by less than this; what it has so near to the threshold is asked exactly. */
    private static final double DOUBT = 1;
    private static final int FIGURES = 4;
    /** Shares below this one are not worth a word. */
    private static final double WORTH_TELLING = 0.001;

    /**
     * What the largest part of a difference is: the picture's colour is too dark, too light or too vivid for the paper, or the paper adds
     * chroma or turns the hue.
     */
    public enum Cause {
        INSIDE, TOO_DARK, TOO_LIGHT, TOO_VIVID, GAINS_CHROMA, SHIFTS_HUE
    }

    /**
     * @param share          of all pixels, 0 to 1
     * @param meanDifference CIEDE2000 among them
     */
    public record Part(Cause cause, double share, double meanDifference) {
    }

    /**
     * @param inside share of all pixels
     * @param parts  those outside by cause, every cause once
     * @param mostly the cause of most of those outside, where they are worth a word
     */
    public record Report(double inside, List<Part> parts, Optional<Cause> mostly) {
        public double outside() {
            return 1 - inside;
        }

        public double share(Cause cause) {
            return cause == Cause.INSIDE ? inside : parts.get(cause.ordinal() - 1).share;
        }
    }

    /**
     * One colour: its CIEDE2000 from the attainable one, and what of that is lightness, chroma and hue, in L*, C* and H* (CIE 15:2018,
     * 8.2.1).
     *
     * @param lighter    how much lighter the attainable colour is than the wanted one
     * @param moreChroma how much more chroma it has
     * @param hue        how far its hue is off, whichever way
     */
    public record Spot(double distance, double lighter, double moreChroma, double hue) {
        public Cause cause() {
            return GamutCheck.cause(distance, lighter, moreChroma, hue);
        }
    }

    private static Cause cause(double distance, double lighter, double moreChroma, double hue) {
        if (distance <= THRESHOLD) {
            return Cause.INSIDE;
        }
        double l = Math.abs(lighter);
        double c = Math.abs(moreChroma);
        if (hue > Math.max(l, c)) {
            return Cause.SHIFTS_HUE;
        }
        if (c > l) {
            return moreChroma < 0 ? Cause.TOO_VIVID : Cause.GAINS_CHROMA;
        }
        return lighter > 0 ? Cause.TOO_DARK : Cause.TOO_LIGHT;
    }

    private final Chain wanted;
    private final Chain attained;
    private final Transform wantedLab;
    private final Transform attainedLab;
    private final int inputs;
    private final Kernel figures;

    /** @throws wistel.core.fault.ProfileException when the source has more than four channels or a profile lacks a way */
    public GamutCheck(IccProfile source, IccProfile printer) {
        Recipe toLab = new Recipe.DeviceToLab(source, false);
        Recipe roundTrip = new Recipe.ProofToLab(source, printer, Intent.RELATIVE, false, false);
        wanted = Chain.of(toLab.stages());
        attained = Chain.of(roundTrip.stages());
        wantedLab = TransformCompiler.compile(toLab);
        attainedLab = TransformCompiler.compile(roundTrip);
        // not left to the strips of a map: making one in a thread of the common pool waits for others of that pool
        wantedLab.baked();
        attainedLab.baked();
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
        double moreChroma = Math.hypot(got[at + 1], got[at + 2]) - Math.hypot(want[at + 1], want[at + 2]);
        double plane = Math.hypot(got[at + 1] - want[at + 1], got[at + 2] - want[at + 2]);
        return new Spot(CieDe2000.between(want[at], want[at + 1], want[at + 2], got[at], got[at + 1], got[at + 2]), got[at] - want[at],
            moreChroma,
            Math.sqrt(Math.max(0, plane * plane - moreChroma * moreChroma)));
    }

    private Kernel tabled() {
        if (inputs != 1 && inputs != 3 && inputs != 4) {
            throw new ProfileException(ProfileException.Reason.CHANNELS,
                "A picture of " + inputs + " channels can't be checked against a paper.",
                "Convert it to RGB first.");
        }
        int side = SIDES[inputs];
        int rows = (int) Math.round(Math.pow(side, inputs - 1));
        char[] nodes = new char[FIGURES * rows * side];
        IntStream.range(0, rows).parallel().forEach(row -> row(row, side, nodes));
        return inputs == 1 ? new FirstInputTable(1, stretched(nodes))
            : Kernels.best().over(new ClutTable.Codes(inputs, FIGURES, new Axis(side - 1), nodes, false));
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
        for (int i = 0, at = FIGURES * row * side; i < side; i++, at += FIGURES) {
            Spot spot = spot(want, got, i * Chain.STRIDE);
            nodes[at] = code(spot.distance * DISTANCE_CODES);
            nodes[at + 1] = code(spot.lighter * PART_CODES + PART_ZERO);
            nodes[at + 2] = code(spot.moreChroma * PART_CODES + PART_ZERO);
            nodes[at + 3] = code(spot.hue * PART_CODES + PART_ZERO);
        }
    }

    private static char code(double v) {
        return (char) Math.max(0, Math.min(65535, Math.round(v)));
    }

    /** 256 grays to all 65536, by lines. */
    private static char[][] stretched(char[] nodes) {
        char[][] all = new char[FIGURES][65536];
        for (int v = 0; v < 65536; v++) {
            int cell = Math.min(254, v / 257);
            double part = v / 257.0 - cell;
            for (int c = 0, from = FIGURES * cell; c < FIGURES; c++, from++) {
                all[c][v] = code(nodes[from] + part * (nodes[from + FIGURES] - nodes[from]));
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
        char[] codes = new char[FIGURES * count];
        figures.apply(pixels, from * inputs, codes, 0, count);
        int[] doubtful = new int[count];
        int doubts = 0;
        for (int p = 0, at = 0; p < count; p++, at += FIGURES) {
            double far = codes[at] / DISTANCE_CODES;
            if (Math.abs(far - THRESHOLD) < DOUBT) {
                doubtful[doubts++] = from + p;
                continue;
            }
            told(from + p, new Spot(far, part(codes[at + 1]), part(codes[at + 2]), part(codes[at + 3])), causes, distance);
        }
        ask(pixels, Arrays.copyOf(doubtful, doubts), causes, distance);
    }

    private static void told(int pixel, Spot spot, byte[] causes, float[] distance) {
        if (distance.length > 0) {
            distance[pixel] = (float) spot.distance;
        }
        causes[pixel] = (byte) spot.cause().ordinal();
    }

    /** Colours that the table has near the threshold: by the profiles' own tables. */
    private void ask(char[] pixels, int[] doubtful, byte[] causes, float[] distance) {
        int count = doubtful.length;
        char[] some = new char[count * inputs];
        for (int i = 0; i < count; i++) {
            System.arraycopy(pixels, doubtful[i] * inputs, some, i * inputs, inputs);
        }
        char[] want = new char[3 * count];
        char[] got = new char[3 * count];
        wantedLab.apply(some, 0, want, 0, count);
        attainedLab.apply(some, 0, got, 0, count);
        for (int i = 0; i < count; i++) {
            told(doubtful[i], spot(LabEncoding.V4.lab(want, 3 * i).toArray(), LabEncoding.V4.lab(got, 3 * i).toArray(), 0), causes,
                distance);
        }
    }

    private static double part(char code) {
        return (code - PART_ZERO) / PART_CODES;
    }

    public Report report(char[] pixels) {
        float[] distance = new float[pixels.length / inputs];
        byte[] causes = map(pixels, distance);
        Cause[] kinds = Cause.values();
        long[] counts = new long[kinds.length];
        double[] sums = new double[kinds.length];
        for (int p = 0; p < causes.length; p++) {
            counts[causes[p]]++;
            sums[causes[p]] += distance[p];
        }
        double all = Math.max(1, causes.length);
        List<Part> parts = new ArrayList<>();
        for (int k = 1; k < kinds.length; k++) {
            parts.add(new Part(kinds[k], counts[k] / all, mean(sums[k], counts[k])));
        }
        return new Report(counts[0] / all, parts,
            parts.stream().max(Comparator.comparingDouble(Part::share)).filter(p -> p.share > WORTH_TELLING).map(Part::cause));
    }

    private static double mean(double sum, long count) {
        return count == 0 ? 0 : sum / count;
    }
}
