package wistel.core.icc.making;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import wistel.core.cgats.Patch;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.MeasurementException;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/** Measured patches of a chart: which page they are of and which way up it was read, and which of them don't fit the others. */
public final class ChartReading {
    /** By how much a page's lightness must follow another order better before that is believed, as a correlation. */
    private static final double CLEARLY = 0.25;
    /** Below this no order fits: it is another chart. */
    private static final double FOLLOWS = 0.6;
    /** An instrument may lie a little below black and above white. */
    private static final double MOST_OVER_L = 5;
    private static final double MOST_CHROMA = 180;
    /** Times the median misfit, and CIEDE2000, from which a patch doesn't fit. */
    private static final double TIMES = 6;
    private static final double LEAST = 3;
    private static final int ROUNDS = 3;
    /** Below this L* misfits count less: towards black L*a*b* bends more than a smooth model follows. */
    private static final double FULLY_COUNTED_L = 40;
    /** Neighbours of a patch, and how many times their median misfit it must have: where all bend away, none is a speck. */
    private static final int NEIGHBOURS = 12;
    private static final double ALONE = 3;
    /** So that no patch draws the model to itself. */
    private static final double STIFF = 0.5;
    private static final Transform AS_A_DISPLAY = TransformCompiler.toLab(StandardSpaces.SRGB);

    private ChartReading() {
    }

    /**
     * A page's patches among what was read.
     *
     * @param page  that it is of, 1 for the first
     * @param order where each patch was read, from 0
     * @param words what was put right; empty for nothing
     */
    public record Ordered(int page, List<Integer> order, List<String> words) {
        public Ordered {
            order = List.copyOf(order);
            words = List.copyOf(words);
        }

        /** What was read, by patch. */
        public <T> List<T> of(List<T> read) {
            return order.stream().map(read::get).toList();
        }
    }

    /**
     * Finds out which page was read and which way up, by how lightness follows what was printed, and puts rows that were read one for the
     * other back.
     *
     * @param meant   the page that it is said to be of
     * @param pages   of the chart
     * @param colours in the order in which they were read
     * @throws MeasurementException where their number is that of no page, one is no colour of a print, or no order fits
     */
    public static Ordered ordered(int meant, List<ChartPage> pages, List<Lab> colours) {
        colours.stream().filter(c -> !(c.l() > -MOST_OVER_L && c.l() < 100 + MOST_OVER_L && c.chroma() < MOST_CHROMA)).findFirst()
            .ifPresent(c -> {
                throw new MeasurementException(MeasurementException.Reason.READING_UNCLEAR,
                    String.format(Locale.ROOT, "No print has L* %.0f, a* %.0f, b* %.0f.", c.l(), c.a(), c.b()),
                    "Write L*a*b* with L* from 0 to 100, or XYZ with 100 for white.");
            });
        List<ChartPage> fitting = pages.stream().filter(p -> p.patches().size() == colours.size()).toList();
        if (fitting.isEmpty()) {
            throw new MeasurementException(MeasurementException.Reason.READING_UNCLEAR,
                "This reading has " + colours.size() + " patches; page " + meant + " has " + pages.get(meant - 1).patches().size() + ".",
                "Read the page from its first patch to its last, row by row.");
        }
        List<Integer> asRead = IntStream.range(0, colours.size()).boxed().toList();
        List<Integer> backwards = new ArrayList<>(asRead);
        Collections.reverse(backwards);
        List<Lab> turned = backwards.stream().map(colours::get).toList();
        ChartPage first = pages.get(meant - 1);
        double asSaid = first.patches().size() == colours.size() ? follows(first, colours) : -1;
        Ordered best = new Ordered(meant, asRead, List.of());
        double most = asSaid + CLEARLY;
        for (ChartPage page : fitting) {
            for (boolean upsideDown : new boolean[] {false, true}) {
                double now = follows(page, upsideDown ? turned : colours);
                if (now > most) {
                    most = now;
                    best = new Ordered(page.number(), upsideDown ? backwards : asRead, said(page.number(), meant, upsideDown));
                }
            }
        }
        if (Math.max(asSaid, most - (best.words.isEmpty() ? CLEARLY : 0)) < FOLLOWS) {
            throw new MeasurementException(MeasurementException.Reason.READING_UNCLEAR,
                "What was read follows no page of this chart: lightness goes its own way.", "Take the reading of this chart.");
        }
        return rowsBack(pages.get(best.page - 1), best, colours);
    }

    private static List<String> said(int page, int meant, boolean upsideDown) {
        List<String> words = new ArrayList<>();
        if (page != meant) {
            words.add("It is page " + page + ", not " + meant + ".");
        }
        if (upsideDown) {
            words.add("It was read upside down; its patches are put in order.");
        }
        return words;
    }

    /** How lightness follows that of the same numbers on a display (Pearson's correlation). */
    private static double follows(ChartPage page, List<Lab> colours) {
        return correlation(page, colours, 0, 0, colours.size());
    }

    /** Patches from {@code sent} on against colours from {@code read} on. */
    private static double correlation(ChartPage page, List<Lab> colours, int sent, int read, int count) {
        double[] a = new double[count];
        double[] b = new double[count];
        for (int i = 0; i < count; i++) {
            a[i] = LabEncoding.V4.lab(AS_A_DISPLAY.exact(page.patches().get(sent + i).rgb())).l();
            b[i] = colours.get(read + i).l();
        }
        double meanA = Arrays.stream(a).average().orElse(0);
        double meanB = Arrays.stream(b).average().orElse(0);
        double both = 0;
        double ofA = 0;
        double ofB = 0;
        for (int i = 0; i < count; i++) {
            both += (a[i] - meanA) * (b[i] - meanB);
            ofA += (a[i] - meanA) * (a[i] - meanA);
            ofB += (b[i] - meanB) * (b[i] - meanB);
        }
        return both / Math.max(1e-9, Math.sqrt(ofA * ofB));
    }

    /** Two rows of which each follows the other's patches were read in the wrong order. */
    private static Ordered rowsBack(ChartPage page, Ordered read, List<Lab> all) {
        int n = page.columns();
        int full = page.patches().size() / n;
        List<Integer> order = new ArrayList<>(read.order);
        List<Lab> colours = new ArrayList<>(read.of(all));
        List<String> words = new ArrayList<>(read.words);
        boolean[] moved = new boolean[full];
        for (int i = 0; i < full; i++) {
            for (int j = i + 1; j < full && !moved[i]; j++) {
                double own = Math.max(correlation(page, colours, i * n, i * n, n), correlation(page, colours, j * n, j * n, n));
                double swapped = Math.min(correlation(page, colours, i * n, j * n, n), correlation(page, colours, j * n, i * n, n));
                if (!moved[j] && swapped > own + CLEARLY && swapped > FOLLOWS) {
                    for (int c = 0; c < n; c++) {
                        Collections.swap(colours, i * n + c, j * n + c);
                        Collections.swap(order, i * n + c, j * n + c);
                    }
                    moved[i] = true;
                    moved[j] = true;
                    words.add("Rows " + (i + 1) + " and " + (j + 1) + " were read one for the other; they are put back.");
                }
            }
        }
        return new Ordered(read.page, order, words);
    }

    /**
     * A patch that doesn't fit the others.
     *
     * @param index    among the patches
     * @param distance CIEDE2000 from what they say of it, less of it in the dark
     */
    public record Suspect(int index, double distance, Lab expected) {
    }

    /**
     * Patches that lie far from what a smooth model of all the others gives, the farthest first.
     *
     * @param patches RGB with what was measured
     */
    public static List<Suspect> suspects(List<Patch> patches) {
        boolean[] out = new boolean[patches.size()];
        List<Suspect> suspects = List.of();
        for (int round = 0; round < ROUNDS; round++) {
            List<Patch> taken = IntStream.range(0, out.length).filter(i -> !out[i]).mapToObj(patches::get).toList();
            double[] nodes = CubeFit.nodes(taken, taken.stream().map(Patch::lab).toList(), STIFF);
            double[] apart = new double[out.length];
            Lab[] expected = new Lab[out.length];
            for (int i = 0; i < out.length; i++) {
                expected[i] = CubeFit.at(nodes, patches.get(i).device());
                Lab read = patches.get(i).lab();
                double lightness = (expected[i].l() + read.l()) / 2;
                apart[i] = expected[i].deltaE2000(read) * Math.min(1, Math.max(0.25, lightness / FULLY_COUNTED_L));
            }
            double[] sorted = apart.clone();
            Arrays.sort(sorted);
            double bound = Math.max(LEAST, TIMES * sorted[sorted.length / 2]);
            suspects = IntStream.range(0, out.length).filter(i -> apart[i] > bound && apart[i] > ALONE * around(patches, apart, i))
                .mapToObj(i -> new Suspect(i, apart[i], expected[i])).sorted((a, b) -> Double.compare(b.distance, a.distance)).toList();
            Arrays.fill(out, false);
            suspects.forEach(s -> out[s.index] = true);
        }
        return suspects;
    }

    /** The median misfit of a patch's neighbours among device values. */
    private static double around(List<Patch> patches, double[] apart, int of) {
        double[] at = patches.get(of).device();
        return IntStream.range(0, apart.length).filter(i -> i != of).boxed()
            .sorted(Comparator.comparingDouble(i -> squared(at, patches.get(i).device()))).limit(NEIGHBOURS).mapToDouble(i -> apart[i])
            .sorted().skip(NEIGHBOURS / 2).findFirst().orElse(0);
    }

    private static double squared(double[] a, double[] b) {
        double sum = 0;
        for (int c = 0; c < a.length; c++) {
            sum += (a[c] - b[c]) * (a[c] - b[c]);
        }
        return sum;
    }
}
