package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import wistel.core.docket.changes.Command;
import wistel.core.docket.changes.MachineCommand;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.Conflict.Alteration;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.PrinterDescription;
import wistel.core.sheet.Edge;

/** What a printer would have changed, as changes of a docket with words on their button. */
final class ConflictResolutions {
    private final PreflightFacts facts;

    ConflictResolutions(PreflightFacts facts) {
        this.facts = facts;
    }

    /** Empty where there is no way. */
    Optional<Fix> fix(List<Alteration> way) {
        if (way.isEmpty()) {
            return Optional.empty();
        }
        List<Command> changes = changes(way);
        String label = DocketPhrases.capital(way.stream().map(this::label).collect(Collectors.joining(", ")));
        return Optional.of(new Fix(label, Command.of(changes)));
    }

    List<Command> changes(List<Alteration> way) {
        List<Command> changes = new ArrayList<>();
        way.forEach(a -> changes.add(change(a)));
        return changes;
    }

    private Command change(Alteration a) {
        if (a instanceof Alteration.Edges e) {
            return new SheetCommand.Edged(e.borderless()
                ? new Edge(true, facts.described().overEdgesMm().stream().skip(1).findFirst().orElse(0.0), 0) : Edge.BORDERED);
        }
        if (a instanceof Alteration.Size s) {
            return new SheetCommand.Stocked(stock(s), Optional.empty());
        }
        Alteration.Setting s = (Alteration.Setting) a;
        return s.name().equals(DriverSettings.COLOUR_MODE) ? new MachineCommand.Routed(route(s.value())) : set(s.name(), s.value());
    }

    /** With the printer's own word for the value. */
    MachineCommand.Set set(String name, String value) {
        return new MachineCommand.Set(name, value, value.isEmpty() ? "" : facts.described().word(name, value));
    }

    private ColourRoute route(String mode) {
        PrinterDescription printer = facts.described();
        if (printer.monochromeMode().filter(mode::equals).isPresent()) {
            return new ColourRoute.DriverMonochrome();
        }
        return facts.pairing().<ColourRoute>map(p -> new ColourRoute.ByWistel(p.intent(), true)).filter(r -> printer.raster(r).isPresent())
            .orElseGet(ColourRoute.ByDriver::new);
    }

    private static Stock stock(Alteration.Size s) {
        return s.roll() ? new Stock.Roll(s.widthMm()) : SheetSize.near(s.widthMm(), s.lengthMm()).map(Stock.Sheet::of)
            .orElseGet(() -> new Stock.Sheet(RuleWords.size(s.widthMm(), s.lengthMm(), false), s.widthMm(), s.lengthMm()));
    }

    private String label(Alteration a) {
        if (a instanceof Alteration.Edges e) {
            return e.borderless() ? "print it to the edge" : "print it with borders";
        }
        if (a instanceof Alteration.Size s) {
            return "take " + RuleWords.size(s.widthMm(), s.lengthMm(), s.roll());
        }
        Alteration.Setting s = (Alteration.Setting) a;
        PrinterDescription printer = facts.described();
        return switch (s.name()) {
            case DriverSettings.FEED -> "use " + printer.feed(s.value());
            case DriverSettings.COLOUR_MODE -> route(s.value()) instanceof ColourRoute.DriverMonochrome ? "use the driver's monochrome"
                : route(s.value()) instanceof ColourRoute.ByWistel ? "let Wistel convert" : "let the driver convert";
            default -> s.value().isEmpty() ? "leave " + printer.word(s.name()) + " to the printer"
                : "set " + printer.phrase(s.name(), s.value());
        };
    }
}
