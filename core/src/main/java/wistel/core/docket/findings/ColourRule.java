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
import wistel.core.docket.words.DocketPhrases;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.RasterType;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Layout;

/** Colour is converted exactly once, and the printer takes it in the form in which it then comes. */
final class ColourRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        if (facts.pairing().isEmpty() || facts.printer().isEmpty()) {
            return Stream.empty();
        }
        List<Finding> found = new ArrayList<>();
        PrinterDescription printer = facts.printer().get();
        route(d, facts, found);
        Optional<RasterType> raster = printer.raster(d.route());
        if (raster.isEmpty()) {
            found.add(none(d, facts));
        } else if (raster.get().bits() == 8) {
            found.add(Finding.note(Stage.MACHINE, Code.EIGHT_BITS, DocketPhrases.printer(facts.pairing().get()) + " takes 8 bits a colour.",
                "Very smooth skies may show faint steps; the print file is made for it."));
        }
        return found.stream();
    }

    private static ColourRoute byWistel(PreflightFacts facts) {
        return new ColourRoute.ByWistel(facts.pairing().orElseThrow().intent(), true);
    }

    private static void route(DocketSpec d, PreflightFacts facts, List<Finding> found) {
        PrinterDescription printer = facts.described();
        boolean gray = facts.pairing().orElseThrow().grayOnly();
        if (gray && !(d.route() instanceof ColourRoute.DriverMonochrome)) {
            found.add(Finding.stop(Stage.MACHINE, Code.GRAY_PROFILE,
                "The profile of " + facts.pairing().orElseThrow().paper() + " is one of grays.", "Colour can't be converted through it.",
                new Fix("Use the driver's monochrome", new MachineCommand.Routed(new ColourRoute.DriverMonochrome()))));
            return;
        }
        Fix[] wistel = !gray && printer.raster(byWistel(facts)).isPresent()
            ? new Fix[] {new Fix("Let Wistel convert", new MachineCommand.Routed(byWistel(facts)))} : new Fix[0];
        if (d.route() instanceof ColourRoute.ByDriver by) {
            found.add(Finding.look(Stage.MACHINE, Code.DRIVER_CONVERTS, "The driver converts the colour, with a conversion of its own.",
                "The pairing's profile and the proof don't apply: the print will differ from what you judged. The picture goes out in "
                    + DocketPhrases.space(by.space())
                    + "; see that colour management is on at the printer.",
                wistel));
        } else if (d.route() instanceof ColourRoute.DriverMonochrome) {
            if (printer.monochromeMode().isEmpty()) {
                found.add(Finding.stop(Stage.MACHINE, Code.NO_MONOCHROME,
                    DocketPhrases.printer(facts.pairing().orElseThrow()) + " has no monochrome mode of its own.",
                    "It would print gray as it prints colours.", wistel));
                return;
            }
            if (!gray && facts.curve(d).isEmpty()) {
                found
                    .add(Finding.look(Stage.MACHINE, Code.MONOCHROME_UNMEASURED, "The tones of the driver's monochrome are not known here.",
                        "No wedge was measured for it: the proof can't show how light or dark it prints.", wistel));
            }
            d.renditions().stream()
                .filter(r -> r.treatment() instanceof Treatment.Monochrome m
                    ? m.toning().shadows().strength() + m.toning().lights().strength() > 0
                    : facts.pictures().get(r.id()).channels() > 1)
                .forEach(r -> found.add(Finding.look(Stage.MACHINE, Code.COLOUR_DROPPED,
                    "The driver's monochrome drops every colour of the picture, a toning too.",
                    "Only lightness is sent. Make it monochrome at the picture station to choose how light each hue becomes; tone it with "
                        + "the driver's own settings.",
                    wistel)
                    .of(new Subject.OfPicture(r.id()))));
        }
    }

    /** It takes no raster for this way of the colour: converted twice, by nobody, or not at all. */
    private static Finding none(DocketSpec d, PreflightFacts facts) {
        PairingVersion pairing = facts.pairing().orElseThrow();
        PrinterDescription printer = facts.described();
        ColourRoute byDriver = new ColourRoute.ByDriver();
        if (d.route() instanceof ColourRoute.ByWistel && printer.raster(byDriver).isPresent()) {
            return Finding.stop(Stage.MACHINE, Code.NO_DEVICE_SPACE,
                DocketPhrases.printer(pairing) + " doesn't take colour in its own space.",
                "It would convert a second time what Wistel has converted: too saturated, too dark. If it has a setting that switches its "
                    + "own colour management off, it doesn't tell of it over the network; "
                    + "look for it at the printer itself before you print from elsewhere.",
                new Fix("Let the driver convert", new MachineCommand.Routed(byDriver)));
        }
        if (!(d.route() instanceof ColourRoute.ByWistel) && printer.raster(byWistel(facts)).isPresent()) {
            return Finding.stop(Stage.MACHINE, Code.NOBODY_CONVERTS,
                DocketPhrases.printer(pairing) + " takes colour in its own space alone, and converts nothing.",
                "Nobody would convert the picture: flat where it should be lively, and off in hue.",
                new Fix("Let Wistel convert", new MachineCommand.Routed(byWistel(facts))));
        }
        return Finding.stop(Stage.MACHINE, Code.NO_RASTER, DocketPhrases.printer(pairing) + " takes no print file that Wistel makes.",
            "It offers " + (printer.rasters().isEmpty() ? "no PWG raster" : String.join(", ", printer.rasters()))
                + "; nothing could be sent.");
    }
}
