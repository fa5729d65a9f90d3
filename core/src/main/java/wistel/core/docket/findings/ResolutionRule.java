package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Stream;
import wistel.core.docket.changes.MachineCommand;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.spec.Resolution;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.length.Ppi;
import wistel.core.printer.PrinterDescription;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Plans;

/** Pixels per inch against the eye, and what is thrown away or made up on the way to the printer. */
final class ResolutionRule implements Rule {
    private static final double NOTICED_SHARE = 0.02;

    /** A piece as it is printed. */
    private record Printed(String itemId, double ppi) {
    }

    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        if (Plans.strip(d.plan()).isPresent()) {
            return Stream.empty();
        }
        List<Printed> pieces = layout.placed().stream().map(p -> new Printed(p.itemId(), p.ppi())).distinct().toList();
        Stream<Finding> few = each(pieces, p -> few(d, facts, p), (label, group) -> Finding.look(Stage.SIZE, Code.FEW_PIXELS,
            "Only " + range(group, p -> "" + Math.round(Math.min(p.ppi, d.resolution().mostPpi()))) + " pixels an inch at this size.",
            label == Ppi.Label.POOR ? "Edges look soft or stepped at reading distance." : "Fine detail looks a little soft close up."));
        Stream<Finding> resampled = d.resolution().pixels() == Resolution.Pixels.RESAMPLE
            ? each(pieces, p -> resampled(d, p), (enlarged, group) -> resampled(d, enlarged, group)) : Stream.of();
        Stream<Finding> averaged = facts.printer().stream()
            .flatMap(printer -> each(pieces, p -> averaged(d, printer, p), (dpi, group) -> averaged(d, dpi, group)));
        return Stream.of(few, resampled, averaged).flatMap(s -> s);
    }

    /** The same is said of all pieces of one kind, each of which is named; of those without a kind nothing. */
    private static <K> Stream<Finding> each(List<Printed> pieces, Function<Printed, Optional<K>> kind,
        BiFunction<K, List<Printed>, Finding> said) {
        Map<K, List<Printed>> groups = new LinkedHashMap<>();
        pieces.forEach(p -> kind.apply(p).ifPresent(k -> groups.computeIfAbsent(k, x -> new ArrayList<>()).add(p)));
        return groups.entrySet().stream().flatMap(g -> {
            Finding all = said.apply(g.getKey(), g.getValue());
            return g.getValue().stream().map(p -> all.of(new Subject.OfPiece(p.itemId)));
        });
    }

    /** Of the least and of the most pixels an inch: "83 to 94". */
    private static String range(List<Printed> group, Function<Printed, String> words) {
        String low = words.apply(group.stream().min(Comparator.comparingDouble(Printed::ppi)).orElseThrow());
        String high = words.apply(group.stream().max(Comparator.comparingDouble(Printed::ppi)).orElseThrow());
        return low.equals(high) ? low : low + " to " + high;
    }

    private static Optional<Ppi.Label> few(DocketSpec d, PreflightFacts facts, Printed p) {
        return Optional.of(Ppi.label(Math.min(p.ppi, d.resolution().mostPpi()), d.resolution().viewingMm(), facts.neededPixels()))
            .filter(label -> label == Ppi.Label.POOR || label == Ppi.Label.FAIR);
    }

    /** Whether pixels are made up, rather than thrown away; empty where hardly any are. */
    private static Optional<Boolean> resampled(DocketSpec d, Printed p) {
        double share = Math.pow(d.resolution().resamplePpi() / p.ppi, 2);
        return Math.abs(share - 1) <= NOTICED_SHARE ? Optional.empty() : Optional.of(share > 1);
    }

    private static Finding resampled(DocketSpec d, boolean invented, List<Printed> group) {
        int wanted = d.resolution().resamplePpi();
        Fix keep = new Fix("Keep the pixels",
            new MachineCommand.Resolved(new Resolution(Resolution.Pixels.KEEP, wanted, d.resolution().viewingMm())));
        String share = range(group, p -> {
            double kept = Math.pow(wanted / p.ppi, 2);
            return DocketPhrases.percent(invented ? 1 - 1 / kept : 1 - kept);
        });
        return invented
            ? Finding.note(Stage.SIZE, Code.PIXELS_INVENTED, "Resampling to " + wanted + " ppi invents " + share + " of the pixels.",
                "No detail is gained by it.", keep)
            : Finding.look(Stage.SIZE, Code.PIXELS_DISCARDED, "Resampling to " + wanted + " ppi discards " + share + " of the pixels.",
                "The printer gets less than the picture holds.", keep);
    }

    /** The printer's finest input, where a picture has more pixels than that: even kept, they can't all be printed. */
    private static Optional<Integer> averaged(DocketSpec d, PrinterDescription printer, Printed p) {
        int dpi = printer.inputDpi(Math.min(p.ppi, d.resolution().mostPpi()));
        return Optional.of(dpi).filter(x -> averagedShare(d, dpi, p) > NOTICED_SHARE);
    }

    private static double averagedShare(DocketSpec d, int dpi, Printed p) {
        return 1 - Math.pow(dpi / Math.min(p.ppi, d.resolution().mostPpi()), 2);
    }

    private static Finding averaged(DocketSpec d, int dpi, List<Printed> group) {
        return Finding.note(Stage.SIZE, Code.PIXELS_AVERAGED,
            "The picture has " + range(group, p -> "" + Math.round(Math.min(p.ppi, d.resolution().mostPpi())))
                + " pixels an inch here, the printer takes " + dpi + " at most.",
            range(group, p -> DocketPhrases.percent(averagedShare(d, dpi, p)))
                + " of the pixels are averaged into their neighbours. The eye doesn't miss them at this size.");
    }
}
