package wistel.core.docket;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import wistel.core.docket.Finding.Mend;
import wistel.core.paper.PairingVersion;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.RasterType;
import wistel.core.sheet.Layout;

/** Colour is converted exactly once, and the printer takes it in the form in which it then comes. */
final class ColourRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        if (facts.pairing().isEmpty() || facts.printer().isEmpty()) {
            return Stream.empty();
        }
        PairingVersion pairing = facts.pairing().get();
        PrinterDescription printer = facts.printer().get();
        ColourRoute byWistel = new ColourRoute.ByWistel(pairing.intent(), true);
        ColourRoute byDriver = new ColourRoute.ByDriver();
        Optional<RasterType> raster = printer.raster(d.route());
        List<Finding> found = new ArrayList<>();
        if (d.route() instanceof ColourRoute.ByDriver) {
            List<Mend> mend = printer.raster(byWistel).isPresent() ? List.of(new Mend("Let Wistel convert", new Change.Routed(byWistel))) : List.of();
            found.add(Finding.look(Stage.MACHINE, "driver-converts", "The driver converts the colour, with a conversion of its own.",
                "The pairing's profile and the proof don't apply: the print will differ from what you judged.", mend.toArray(Mend[]::new)));
        }
        if (raster.isEmpty() && printer.raster(byDriver).isPresent()) {
            found.add(Finding.stop(Stage.MACHINE, "no-device-space", Words.printer(pairing) + " doesn't take colour in its own space.",
                "It would convert a second time what Wistel has converted: too saturated, too dark.", new Mend("Let the driver convert", new Change.Routed(byDriver))));
        } else if (raster.isEmpty()) {
            found.add(Finding.stop(Stage.MACHINE, "no-raster", Words.printer(pairing) + " takes no print file that Wistel makes.",
                "It offers " + (printer.rasters().isEmpty() ? "no PWG raster" : String.join(", ", printer.rasters())) + "; nothing could be sent."));
        } else if (raster.get().bits() == 8) {
            found.add(Finding.note(Stage.MACHINE, "eight-bits", Words.printer(pairing) + " takes 8 bits a colour.",
                "Very smooth skies may show faint steps; the print file is made for it."));
        }
        return found.stream();
    }
}
