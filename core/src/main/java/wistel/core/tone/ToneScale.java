package wistel.core.tone;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.function.DoubleFunction;
import wistel.core.cgats.Readings;
import wistel.core.cgats.Readings.Reading;
import wistel.core.colour.Lab;
import wistel.core.colour.MonotoneCubic;
import wistel.core.fault.MeasurementException;
import wistel.core.fault.MeasurementException.Reason;

/**
 * What the reading of a wedge comes to: the mean of each step, from bare paper to full black.
 *
 * @param kind  whether a* and b* were measured
 * @param noise standard deviation of one reading in L*: from repeats where there are enough, else from how far steps lie off a smooth curve
 */
public record ToneScale(Readings.Kind kind, List<Step> steps, double noise) {
    /** Hand instruments repeat themselves no better. */
    static final double LEAST_NOISE = 0.03;
    /** Median of absolute values to standard deviation of a normal distribution. */
    private static final double MAD = 1.4826;
    /** The first quartile of absolute values to standard deviation of a normal distribution. */
    private static final double QUARTER = 3.1384;
    /** In noises: no reading of as many steps as a wedge has is so far off by chance. */
    private static final double WILD = 6;
    /** Readings beyond the first of their step, from which on they tell noise better than a smooth line does. */
    private static final int ENOUGH_REPEATS = 4;
    private static final int FEWEST = 5;
    private static final double SAME_DEPTH = 1e-4;

    /**
     * @param depth   0 for bare paper, 1 for full black, as it was sent
     * @param repeats how often it was read
     */
    public record Step(double depth, Lab lab, int repeats) {
    }

    /** @throws MeasurementException with fewer than five steps */
    public ToneScale {
        steps = List.copyOf(steps);
        if (steps.size() < FEWEST) {
            throw new MeasurementException(Reason.READING_UNCLEAR, "A scale of " + steps.size() + " steps says too little.",
                "Read at least " + FEWEST + " steps.");
        }
        for (int i = 1; i < steps.size(); i++) {
            if (!(steps.get(i).depth > steps.get(i - 1).depth)) {
                throw new IllegalArgumentException("steps out of order at " + i);
            }
        }
    }

    /**
     * A reading of a wedge of Wistel's, by its patches' labels, else by what was sent, else in the order of the patches.
     *
     * @throws MeasurementException when it is of another wedge, or has more or fewer patches
     */
    public static ToneScale of(Wedge wedge, Readings readings) {
        List<Reading> all = readings.all();
        all.stream().map(r -> Wedge.numberOf(r.id())).flatMap(Optional::stream).filter(n -> n != wedge.number()).findFirst()
            .ifPresent(other -> {
                throw new MeasurementException(Reason.READING_OF_ANOTHER_WEDGE,
                    "This is a reading of wedge " + other + ", not of wedge " + wedge.number() + ".",
                    "Add it to wedge " + other + ", or read this one.");
            });
        if (all.size() != wedge.patches()) {
            throw new MeasurementException(Reason.READING_OF_ANOTHER_LENGTH,
                "The reading has " + all.size() + " patches, wedge " + wedge.number() + " has " + wedge.patches() + ".",
                all.size() < wedge.patches() ? "Read all of its patches, row by row."
                    : "See whether it is another wedge's, or one row was read twice.");
        }
        List<Integer> order = wedge.order();
        List<Step> single = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            Reading r = all.get(i);
            int patch = Wedge.patchOf(r.id()).orElse(i);
            if (patch >= order.size()) {
                throw new MeasurementException(Reason.READING_OF_ANOTHER_WEDGE, "Wedge " + wedge.number() + " has no patch " + r.id() + ".",
                    "See whether the reading belongs to it.");
            }
            double depth = r.gray().isPresent() ? nearest(wedge, 1 - r.gray().getAsDouble()) : wedge.depth(order.get(patch));
            single.add(new Step(depth, r.lab(), 1));
        }
        return averaged(readings.kind(), single);
    }

    private static double nearest(Wedge wedge, double depth) {
        double step = wedge.depth((int) Math.round(depth * (wedge.steps() - 1)));
        if (Math.abs(step - depth) > 0.25 / (wedge.steps() - 1)) {
            throw new MeasurementException(Reason.READING_OF_ANOTHER_WEDGE,
                String.format(Locale.ROOT, "The reading has a patch of %.1f %% black; wedge %d has none.", 100 * depth, wedge.number()),
                "See whether the reading belongs to it.");
        }
        return step;
    }

    /** A scale printed elsewhere: by what was sent, else as even steps in the order read. */
    public static ToneScale of(Readings readings) {
        List<Reading> all = readings.all();
        boolean told = all.stream().allMatch(r -> r.gray().isPresent());
        List<Step> single = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            single.add(new Step(told ? 1 - all.get(i).gray().getAsDouble() : i / Math.max(1.0, all.size() - 1), all.get(i).lab(), 1));
        }
        return averaged(readings.kind(), single);
    }

    private static ToneScale averaged(Readings.Kind kind, List<Step> single) {
        Map<Long, List<Step>> byDepth = new TreeMap<>();
        single.forEach(s -> byDepth.computeIfAbsent(Math.round(s.depth / SAME_DEPTH), k -> new ArrayList<>()).add(s));
        List<Step> steps = byDepth.values().stream().map(ToneScale::mean).sorted(Comparator.comparingDouble(Step::depth)).toList();
        if (steps.size() < FEWEST || steps.get(0).depth > 0.01 || steps.get(steps.size() - 1).depth < 0.99) {
            throw new MeasurementException(Reason.READING_UNCLEAR,
                "This scale has " + steps.size() + " steps; it takes " + FEWEST + " or more, with bare paper and full black among them.",
                "Read the whole wedge.");
        }
        double noise = single.size() - steps.size() >= ENOUGH_REPEATS ? ofRepeats(byDepth.values()) : ofSteps(steps);
        return new ToneScale(kind, steps, Math.max(LEAST_NOISE, noise));
    }

    private static Step mean(List<Step> same) {
        return new Step(same.get(0).depth,
            new Lab(same.stream().mapToDouble(s -> s.lab.l()).average().orElseThrow(),
                same.stream().mapToDouble(s -> s.lab.a()).average().orElseThrow(),
                same.stream().mapToDouble(s -> s.lab.b()).average().orElseThrow()),
            same.size());
    }

    /** From the median of how far readings are off their group's mean; single wild ones among them don't count. */
    private static double ofRepeats(Collection<List<Step>> groups) {
        return MAD * median(groups.stream().filter(same -> same.size() > 1).flatMapToDouble(same -> {
            double mean = mean(same).lab.l();
            double free = Math.sqrt(same.size() / (same.size() - 1.0));
            return same.stream().mapToDouble(s -> Math.abs(s.lab.l() - mean) * free);
        }).sorted().toArray());
    }

    private static double median(double[] sorted) {
        return sorted.length == 0 ? 0 : sorted[sorted.length / 2];
    }

    /**
     * From how far steps lie off the curve through their neighbours, of third and of fifth degree: whichever is nearer to them, as a bent
     * scale is none of the reading's noise. Wild steps pull their neighbours' curves, so they are taken out one by one first.
     */
    private static double ofSteps(List<Step> steps) {
        return Math.min(offCurve(steps, 2), offCurve(steps, 3));
    }

    /** @param reach neighbours on either side */
    private static double offCurve(List<Step> steps, int reach) {
        if (steps.size() < 2 * reach + 1) {
            return Double.POSITIVE_INFINITY;
        }
        List<Step> left = new ArrayList<>(steps);
        for (int most = steps.size() / 5; most > 0; most--) {
            double[] off = off(left, reach);
            double[] sorted = Arrays.stream(off).sorted().toArray();
            double quiet = Math.max(LEAST_NOISE, QUARTER * sorted[sorted.length / 4]);
            int worst = IntStream.range(0, off.length).boxed().max(Comparator.comparingDouble(k -> off[k])).orElseThrow();
            if (off[worst] < WILD * quiet || left.size() <= 2 * reach + 1) {
                break;
            }
            left.remove(worst + 1);
        }
        return MAD * median(Arrays.stream(off(left, reach)).sorted().toArray());
    }

    /** For each step between the ends, how far it is off its neighbours' curve, over what noise of 1 would come to there. */
    private static double[] off(List<Step> steps, int reach) {
        return IntStream.range(1, steps.size() - 1).mapToDouble(k -> {
            int from = Math.max(0, Math.min(k - reach, steps.size() - 1 - 2 * reach));
            List<Step> around = new ArrayList<>(steps.subList(from, from + 2 * reach + 1));
            around.remove(k - from);
            double[] weights = weights(around, steps.get(k).depth);
            double off = steps.get(k).lab.l();
            double spread = 1;
            for (int i = 0; i < weights.length; i++) {
                off -= weights[i] * around.get(i).lab.l();
                spread += weights[i] * weights[i];
            }
            return Math.abs(off) / Math.sqrt(spread);
        }).toArray();
    }

    /** Lagrange's weights of some steps at a depth: of the curve of least degree through them. */
    static double[] weights(List<Step> steps, double depth) {
        double[] weights = new double[steps.size()];
        for (int i = 0; i < weights.length; i++) {
            weights[i] = 1;
            for (int n = 0; n < weights.length; n++) {
                if (n != i) {
                    weights[i] *= (depth - steps.get(n).depth) / (steps.get(i).depth - steps.get(n).depth);
                }
            }
        }
        return weights;
    }

    public Lab paper() {
        return steps.get(0).lab;
    }

    public Lab black() {
        return steps.get(steps.size() - 1).lab;
    }

    /** The noise of one step's mean, in L*. */
    double noiseOf(Step step) {
        return noise / Math.sqrt(step.repeats);
    }

    /** What a depth of 0 to 1 printed as; between the steps that were read by monotone cubics. Make it once for many. */
    public DoubleFunction<Lab> function() {
        double[] depths = steps.stream().mapToDouble(Step::depth).toArray();
        MonotoneCubic l = new MonotoneCubic(depths, steps.stream().mapToDouble(s -> s.lab().l()).toArray());
        MonotoneCubic a = new MonotoneCubic(depths, steps.stream().mapToDouble(s -> s.lab().a()).toArray());
        MonotoneCubic b = new MonotoneCubic(depths, steps.stream().mapToDouble(s -> s.lab().b()).toArray());
        return depth -> new Lab(l.at(depth), a.at(depth), b.at(depth));
    }

    /** The same without some steps; the ends stay. */
    public ToneScale without(List<Integer> left) {
        List<Step> kept = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            if (!left.contains(i) || i == 0 || i == steps.size() - 1) {
                kept.add(steps.get(i));
            }
        }
        boolean repeated = steps.stream().mapToInt(s -> s.repeats - 1).sum() >= ENOUGH_REPEATS;
        return new ToneScale(kind, kept, repeated || kept.size() == steps.size() ? noise : Math.max(LEAST_NOISE, ofSteps(kept)));
    }

    /** Where lightness alone was read: in the paper's colour, which black ink covers. */
    public ToneScale tinted(Lab paper) {
        if (kind == Readings.Kind.COLOUR) {
            return this;
        }
        return new ToneScale(
            kind, steps.stream()
                .map(s -> new Step(s.depth, new Lab(s.lab.l(), (1 - s.depth) * paper.a(), (1 - s.depth) * paper.b()), s.repeats)).toList(),
            noise);
    }

    /** As if it had been read from black to paper. */
    public ToneScale turned() {
        List<Step> turned = new ArrayList<>();
        for (int i = steps.size() - 1; i >= 0; i--) {
            turned.add(new Step(1 - steps.get(i).depth, steps.get(i).lab, steps.get(i).repeats));
        }
        return new ToneScale(kind, turned, noise);
    }
}
