package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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

/** Pixels per inch against the eye, and what is thrown away or made up on the way to the printer. */
final class ResolutionRule implements Rule {
    private static final double NOTICED_SHARE = 0.02;

    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        return layout.placed().stream().flatMap(p -> of(d, facts, p.ppi()).map(f -> f.of(new Subject.OfPiece(p.itemId()))));
    }

    private static Stream<Finding> of(DocketSpec d, PreflightFacts facts, double ppi) {
        List<Finding> found = new ArrayList<>();
        double printed = Math.min(ppi, d.resolution().mostPpi());
        Ppi.Label label = Ppi.label(printed, d.resolution().viewingMm(), facts.neededPixels());
        if (label == Ppi.Label.POOR || label == Ppi.Label.FAIR) {
            found.add(Finding.look(Stage.SIZE, Code.FEW_PIXELS, "Only " + Math.round(printed) + " pixels an inch at this size.",
                label == Ppi.Label.POOR ? "Edges look soft or stepped at reading distance." : "Fine detail looks a little soft close up."));
        }
        if (d.resolution().pixels() == Resolution.Pixels.RESAMPLE) {
            resampled(d, ppi).ifPresent(found::add);
        }
        facts.printer().flatMap(p -> averagedAway(p, printed)).ifPresent(found::add);
        return found.stream();
    }

    private static Optional<Finding> resampled(DocketSpec d, double ppi) {
        int wanted = d.resolution().resamplePpi();
        double share = Math.pow(wanted / ppi, 2);
        Fix keep = new Fix("Keep the pixels",
            new MachineCommand.Resolved(new Resolution(Resolution.Pixels.KEEP, wanted, d.resolution().viewingMm())));
        if (share < 1 - NOTICED_SHARE) {
            return Optional
                .of(Finding.look(Stage.SIZE, Code.PIXELS_DISCARDED,
                    "Resampling to " + wanted + " ppi discards " + DocketPhrases.percent(1 - share)
                        + " of the pixels.",
                    "The printer gets less than the picture holds.", keep));
        }
        return share <= 1 + NOTICED_SHARE ? Optional.empty()
            : Optional.of(Finding.note(Stage.SIZE, Code.PIXELS_INVENTED, "Resampling to " + wanted
                + " ppi invents " + DocketPhrases.percent(1 - 1 / share) + " of the pixels.", "No detail is gained by it.", keep));
    }

    /** A picture with more pixels than the printer's finest input: even kept, they can't all be printed. */
    private static Optional<Finding> averagedAway(PrinterDescription printer, double printed) {
        int dpi = printer.inputDpi(printed);
        double share = 1 - Math.pow(dpi / printed, 2);
        return share <= NOTICED_SHARE ? Optional.empty() : Optional.of(Finding.note(Stage.SIZE, Code.PIXELS_AVERAGED,
            "The picture has " + Math.round(printed) + " pixels an inch here, the printer takes " + dpi + " at most.",
            DocketPhrases.percent(share) + " of the pixels are averaged into their neighbours. The eye doesn't miss them at this size."));
    }
}
