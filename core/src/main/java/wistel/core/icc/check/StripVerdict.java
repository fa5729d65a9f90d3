package wistel.core.icc.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import wistel.core.colour.Lab;
import wistel.core.fault.MeasurementException;
import wistel.core.icc.check.ControlStrip.Kind;
import wistel.core.icc.check.ControlStrip.StripPatch;
import wistel.core.icc.making.Quality;

/**
 * What a strip that was read says of its profile, by the figures of ISO 12647-7:2016 for contract proofs: the strictest that a print room
 * is held to.
 *
 * @param all     CIEDE2000 of all patches
 * @param paper   of the bare paper
 * @param primary most of the full inks
 * @param hue     most of their hues (CIELAB delta H)
 * @param gray    mean distance of grays in the a* b* plane
 * @param advice  what to do, the first first; never empty
 */
public record StripVerdict(Quality all, double paper, double primary, double hue, double gray, List<Advice> advice) {
    /** What is judged, and its limit by ISO 12647-7:2016. */
    public enum Measure {
        MEAN(2.5), PERCENTILE_95(5), PAPER(3), PRIMARY(3), HUE(2.5), GRAY(2);

        private final double most;

        Measure(double most) {
            this.most = most;
        }

        public double most() {
            return most;
        }
    }

    /** A judged value beside its limit. */
    public record Figure(Measure measure, double value, double most) {
        private static Figure of(Measure measure, double value) {
            return new Figure(measure, value, measure.most);
        }

        private boolean holds() {
            return value <= most;
        }
    }

    /** By how much chroma an ink falls short before its nozzles are doubted, and by how much others may. */
    private static final double INK_LOST = 5;
    private static final double INK_HELD = 2.5;
    /** Lightness of grays, L*, from which a curve is worth making. */
    private static final double TONES_OFF = 1.2;

    /** What a person does next. */
    public enum Advice {
        /** Nothing. */
        KEEP,
        /** One ink lays down too little: its nozzles. */
        CLEAN_HEADS,
        /** The bare sheet is another one. */
        OTHER_PAPER,
        /** Grays got lighter or darker, and nothing else: a new curve for monochrome. */
        NEW_CURVE,
        /** Colours have moved: a new profile. */
        REPROFILE
    }

    public StripVerdict {
        advice = List.copyOf(advice);
    }

    public List<Figure> figures() {
        return List.of(Figure.of(Measure.MEAN, all.mean()), Figure.of(Measure.PERCENTILE_95, all.percentile95()),
            Figure.of(Measure.PAPER, paper), Figure.of(Measure.PRIMARY, primary), Figure.of(Measure.HUE, hue),
            Figure.of(Measure.GRAY, gray));
    }

    /** Whether prints still look as their proofs say. */
    public boolean holds() {
        return advice.get(0) == Advice.KEEP;
    }

    /**
     * @param read absolute colours in the strip's order
     * @throws MeasurementException when their number is another
     */
    public static StripVerdict of(ControlStrip strip, List<Lab> read) {
        List<StripPatch> patches = strip.patches();
        if (read.size() != patches.size()) {
            throw new MeasurementException(MeasurementException.Reason.READING_UNCLEAR,
                "This reading has " + read.size() + " patches, the strip " + patches.size() + ".",
                "Read it from its first patch to its last.");
        }
        Quality all = Quality
            .of(IntStream.range(0, read.size()).mapToDouble(i -> patches.get(i).foreseen().deltaE2000(read.get(i))).toArray());
        double paper = most(strip, read, Kind.PAPER, pair -> pair[0].deltaE2000(pair[1]));
        double primary = most(strip, read, Kind.PRIMARY, pair -> pair[0].deltaE2000(pair[1]));
        double hue = most(strip, read, Kind.PRIMARY, StripVerdict::hue);
        double gray = Arrays.stream(pairs(strip, read, Kind.GRAY)).mapToDouble(p -> Math.hypot(p[0].a() - p[1].a(), p[0].b() - p[1].b()))
            .average().orElse(0);
        StripVerdict held = new StripVerdict(all, paper, primary, hue, gray, List.of(Advice.KEEP));
        return held.figures().stream().allMatch(Figure::holds) ? held
            : new StripVerdict(all, paper, primary, hue, gray, advice(strip, read, paper, gray));
    }

    private static List<Advice> advice(ControlStrip strip, List<Lab> read, double paper, double gray) {
        List<Advice> advice = new ArrayList<>();
        if (anInkIsShort(strip, read)) {
            advice.add(Advice.CLEAN_HEADS);
        }
        if (paper > Measure.PAPER.most) {
            advice.add(Advice.OTHER_PAPER);
        }
        double tones = Arrays.stream(pairs(strip, read, Kind.GRAY)).mapToDouble(p -> Math.abs(p[0].l() - p[1].l())).average().orElse(0);
        double colours = Arrays.stream(pairs(strip, read, Kind.PRIMARY)).mapToDouble(p -> p[0].deltaE2000(p[1])).max().orElse(0);
        if (advice.isEmpty() && tones > TONES_OFF && gray <= Measure.GRAY.most && colours <= Measure.PRIMARY.most) {
            advice.add(Advice.NEW_CURVE);
        }
        if (advice.isEmpty() || advice.equals(List.of(Advice.OTHER_PAPER))) {
            advice.add(Advice.REPROFILE);
        }
        return advice;
    }

    /** One of cyan, magenta and yellow has lost chroma, full and at half tone, while another has not. */
    private static boolean anInkIsShort(ControlStrip strip, List<Lab> read) {
        double[] lost = new double[3];
        List<String> inks = List.of("cyan", "magenta", "yellow");
        for (int i = 0; i < read.size(); i++) {
            StripPatch p = strip.patches().get(i);
            int ink = inks.indexOf(p.name());
            if (ink >= 0) {
                lost[ink] = p.foreseen().chroma() - read.get(i).chroma();
            }
        }
        return Arrays.stream(lost).max().orElse(0) > INK_LOST && Arrays.stream(lost).min().orElse(0) < INK_HELD;
    }

    private static double most(ControlStrip strip, List<Lab> read, Kind kind, ToDoubleFunction<Lab[]> distance) {
        return Arrays.stream(pairs(strip, read, kind)).mapToDouble(distance).max().orElse(0);
    }

    /** Foreseen and read. */
    private static Lab[][] pairs(ControlStrip strip, List<Lab> read, Kind kind) {
        return IntStream.range(0, read.size()).filter(i -> strip.patches().get(i).kind() == kind)
            .mapToObj(i -> new Lab[] {strip.patches().get(i).foreseen(), read.get(i)}).toArray(Lab[][]::new);
    }

    /** CIE 15: what is left of the distance in a* b* when that of chroma is taken off. */
    private static double hue(Lab[] pair) {
        double ab = Math.pow(pair[0].a() - pair[1].a(), 2) + Math.pow(pair[0].b() - pair[1].b(), 2);
        return Math.sqrt(Math.max(0, ab - Math.pow(pair[0].chroma() - pair[1].chroma(), 2)));
    }
}
