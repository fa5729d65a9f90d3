package wistel.server.check;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Readings;
import wistel.core.colour.Lab;
import wistel.core.docket.PrintOrder;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.check.ControlStrip;
import wistel.core.icc.check.StripVerdict;
import wistel.core.icc.making.ChartPage;
import wistel.core.icc.making.ProfileChart;
import wistel.core.pairing.PairingVersion;
import wistel.core.sheet.Mark;
import wistel.core.sheet.Rect;
import wistel.server.check.PaperCheckRepository.Read;
import wistel.server.check.PaperCheckRepository.Row;
import wistel.server.edge.Events;
import wistel.server.pairing.ControlStrips;
import wistel.server.pairing.PairingRepository;
import wistel.server.print.ChartSheets;
import wistel.server.print.ReleaseService;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;
import wistel.server.store.ProfileRepository;

/** Checks of papers: a strip is printed, read and judged. */
@Service
public class PaperCheckService {
    private final PaperCheckRepository checks;
    private final PairingRepository pairings;
    private final PrinterRepository printers;
    private final ProfileRepository profiles;
    private final ChartSheets sheets;
    private final ControlStrips strips;
    private final Events events;
    private final Clock clock;
    private final TransactionTemplate transaction;

    PaperCheckService(PaperCheckRepository checks, PairingRepository pairings, PrinterRepository printers, ProfileRepository profiles,
        ChartSheets sheets, ControlStrips strips, Events events, Clock clock, TransactionTemplate transaction) {
        this.checks = checks;
        this.pairings = pairings;
        this.printers = printers;
        this.profiles = profiles;
        this.sheets = sheets;
        this.strips = strips;
        this.events = events;
        this.clock = clock;
        this.transaction = transaction;
    }

    /** Prints a strip for a pairing's profile, in the pairing's settings. */
    Row begin(UUID pairingId, int count) {
        if (count < ControlStrip.FEWEST || count > ControlStrip.MOST) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                "A strip has " + ControlStrip.FEWEST + " to " + ControlStrip.MOST + " patches.", "Ask for such a number.");
        }
        PairingVersion pairing = pairings.get(pairingId.toString());
        Printer printer = printers.get(UUID.fromString(pairing.printerId()));
        ControlStrip strip = ControlStrip.of(profiles.get(pairing.profileHash()), count);
        ChartSheets.Laid laid = laid(strip, printer, pairing);
        Row row = transaction.execute(t -> {
            PairingVersion asTheyAre = sheets.numbersAsTheyAre(printer,
                new ChartSheets.Paper(pairing.paper(), pairing.surface(), pairing.body(), pairing.inks()), pairing.settings(),
                pairing.intent());
            UUID docket = sheets.print(laid.pages(chart(strip)).get(0), "Check of " + pairing.paper(), "Read from A1 row by row",
                asTheyAre);
            Row made = new Row(UUID.randomUUID(), pairingId, pairing.number(), Optional.of(docket), Optional.empty(), strip, laid,
                clock.instant(),
                Optional.empty());
            checks.add(made);
            return made;
        });
        events.publish("check", row.id().toString());
        return row;
    }

    /**
     * Takes what was read of a strip that was printed elsewhere.
     *
     * @param taken when it was read
     */
    public UUID printedElsewhere(UUID pairingId, int count, String text, Instant taken) {
        PairingVersion pairing = pairings.get(pairingId.toString());
        ControlStrip strip = ControlStrip.of(profiles.get(pairing.profileHash()), count);
        Row row = new Row(UUID.randomUUID(), pairingId, pairing.number(), Optional.empty(), Optional.empty(), strip,
            laid(strip, printers.get(UUID.fromString(pairing.printerId())), pairing),
            taken, Optional.empty());
        List<Lab> colours = ChartSheets.inOrder(page(row), Readings.parse(text)).stream().map(Readings.Reading::lab).toList();
        StripVerdict verdict = StripVerdict.of(strip, colours);
        transaction.executeWithoutResult(t -> {
            checks.add(row);
            checks.read(row.id(), new Read(colours, verdict, taken));
        });
        events.publish("check", row.id().toString());
        return row.id();
    }

    /** On one page: a strip that is torn in two is no strip. */
    private ChartSheets.Laid laid(ControlStrip strip, Printer printer, PairingVersion pairing) {
        ChartSheets.Area area = sheets.area(printer, pairing.settings().mediaType());
        List<ChartPage> pages = ChartPage.of(chart(strip), area.widthMm(), area.lengthMm());
        if (pages.size() > 1) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                "A strip of " + strip.patches().size() + " patches doesn't fit what lies in the printer.", "Load a larger sheet.");
        }
        return new ChartSheets.Laid(pages.get(0).columns(), area.lengthMm());
    }

    private static ProfileChart chart(ControlStrip strip) {
        return ProfileChart.own(IntStream.range(0, strip.patches().size())
            .mapToObj(i -> new Cgats.Sent(Integer.toString(i + 1), strip.patches().get(i).device())).toList());
    }

    ChartPage page(Row r) {
        ProfileChart chart = chart(r.strip());
        return r.beside().isPresent() ? new ChartPage(1, r.laid().columns(), chart.patches()) : r.laid().pages(chart).get(0);
    }

    /** A print that bears a strip beside its picture can be read by it, and so can each one after it of the same order. */
    @EventListener
    void released(ReleaseService.Released released) {
        PrintOrder order = released.order();
        List<Rect> patches = order.page(1).patches().stream().map(Mark.ControlPatch::atMm).toList();
        if (patches.isEmpty()) {
            return;
        }
        int columns = (int) patches.stream().filter(p -> p.y() == patches.get(0).y()).count();
        double length = patches.get(patches.size() - 1).bottom() - patches.get(0).y();
        PairingVersion pairing = order.pairing();
        strips.beside(pairing.profileHash())
            .filter(strip -> strip.codes().equals(order.page(1).patches().stream().map(Mark.ControlPatch::codes).toList()))
            .ifPresent(strip -> checks.add(new Row(UUID.randomUUID(), UUID.fromString(pairing.pairingId()), pairing.number(),
                Optional.of(released.docketId()), Optional.of(released.attemptId()), strip, new ChartSheets.Laid(columns, length),
                clock.instant(), Optional.empty())));
    }

    /** Has the instrument in the printer's room read it; once more where it was read before. */
    Row byInstrument(UUID id) {
        Row r = checks.get(id);
        UUID docket = r.docketId().orElseThrow(() -> new Conflict(Conflict.Reason.STOPPED, "This strip was printed elsewhere.",
            "Bring its reading as a file."));
        ChartPage page = page(r);
        return read(r, r.beside().map(attempt -> sheets.instrumentBeside(attempt,
            IntStream.range(0, page.patches().size()).mapToObj(page::name).toList())).orElseGet(() -> sheets.instrument(docket, page)));
    }

    Row byFile(UUID id, String text) {
        return read(checks.get(id), Readings.parse(text));
    }

    private Row read(Row r, Readings readings) {
        List<Lab> colours = ChartSheets.inOrder(page(r), readings).stream().map(Readings.Reading::lab).toList();
        checks.read(r.id(), new Read(colours, StripVerdict.of(r.strip(), colours), clock.instant()));
        events.publish("check", r.id().toString());
        return checks.get(r.id());
    }

    void drop(UUID id) {
        checks.delete(checks.get(id).id());
        events.publish("check", id.toString());
    }
}
