package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import wistel.core.docket.changes.MachineCommand;
import wistel.core.docket.changes.PictureCommand;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.CaptionText;
import wistel.core.sheet.Layout;
import wistel.core.tone.PairingToneCurve;
import wistel.core.tone.ToneMode;

/** Whether anything was measured of the tones in which a monochrome picture comes out, with this ink and not too long ago. */
final class ToneRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        List<Rendition> monochrome = d.renditions().stream().filter(r -> d.monochrome(r, facts.pictures().get(r.id()).channels())).toList();
        if (monochrome.isEmpty() || facts.pairing().isEmpty() || d.route() instanceof ColourRoute.ByDriver) {
            return Stream.empty();
        }
        Optional<PairingToneCurve> curve = facts.curve(d);
        if (curve.isEmpty()) {
            return Stream.of(unmeasured(d, facts));
        }
        List<Finding> found = new ArrayList<>();
        if (curve.get().old(facts.today())) {
            found.add(Finding.note(Stage.MACHINE, Code.WEDGE_OLD,
                "The wedge of this mode was measured on " + CaptionText.date(curve.get().measured()) + ", more than a year ago.",
                "Heads and inks drift: print it again on the tone bench and see whether the scale still is straight."));
        }
        monochrome.stream().filter(r -> !r.straightened() && !curve.get().curve().points().isEmpty())
            .forEach(r -> found.add(Finding.note(Stage.MACHINE, Code.CURVE_OFF,
                "The curve of wedge " + curve.get().wedge() + " is off.", "The tones come out as this mode lays them down.",
                new Fix("Straighten the tones", new PictureCommand.Straightens(r.id(), true))).of(new Subject.OfPicture(r.id()))));
        return found.stream();
    }

    private static Finding unmeasured(DocketSpec d, PreflightFacts facts) {
        ToneMode mode = facts.mode(d);
        Optional<PairingToneCurve> otherBlack = facts.pairing().orElseThrow().curves().stream().filter(k -> k.mode().differsInBlack(mode))
            .findFirst();
        if (otherBlack.isPresent()) {
            String black = otherBlack.get().mode().settings().getOrDefault(DriverSettings.BLACK, "");
            Fix[] fixes = black.isEmpty() ? new Fix[0]
                : new Fix[] {new Fix("Use that black", new MachineCommand.Set(DriverSettings.BLACK, black))};
            return Finding.note(Stage.MACHINE, Code.WEDGE_OF_OTHER_BLACK,
                "Wedge " + otherBlack.get().wedge() + " was measured with the other black ink.",
                "Its curve doesn't hold here: the tones come out as they fall.", fixes);
        }
        return Finding.note(Stage.MACHINE, Code.NO_WEDGE, "No wedge was measured for monochrome with these settings.",
            "Print one on the tone bench to see how evenly it goes from black to paper, and to straighten it.");
    }
}
