package wistel.server.tone;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Purpose;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.icc.profile.Intent;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.PrinterDescription;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.LightnessCurve;
import wistel.core.rendition.LinearisationStep;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Chart;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.core.tone.ToneCurve;
import wistel.core.tone.ToneMode;
import wistel.core.tone.TonePage;
import wistel.core.tone.Wedge;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketService;
import wistel.server.edge.Events;
import wistel.server.master.Master;
import wistel.server.pairing.PairingRepository;
import wistel.server.print.ChartDockets;
import wistel.server.print.ReleaseService;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;
import wistel.server.tone.WedgeRepository.Row;

/** Prints wedges and the page to judge by eye: as dockets that lie on no bench, through the queue that every print goes through. */
@Service
public class WedgePrinting {
    /** An instrument's opening, with room to aim. */
    private static final double LEAST_PATCH_MM = 4.2;
    private static final double LEAST_SHARE = 0.55;

    private final WedgeRepository wedges;
    private final PairingRepository pairings;
    private final PrinterRepository printers;
    private final ChartDockets charts;
    private final DocketRepository dockets;
    private final ReleaseService releases;
    private final Events events;
    private final Clock clock;
    private final TransactionTemplate transaction;

    public WedgePrinting(WedgeRepository wedges, PairingRepository pairings, PrinterRepository printers, ChartDockets charts,
        DocketRepository dockets, ReleaseService releases, Events events, Clock clock, TransactionTemplate transaction) {
        this.wedges = wedges;
        this.pairings = pairings;
        this.printers = printers;
        this.charts = charts;
        this.dockets = dockets;
        this.releases = releases;
        this.events = events;
        this.clock = clock;
        this.transaction = transaction;
    }

    /** Who makes ink of gray: the driver's own mode, or Wistel through the pairing's profile. */
    public enum Way { DRIVER, PROFILE }

    /**
     * @param settings   in place of the pairing's own; an empty value leaves one to the printer
     * @param intent     through the profile, in place of the pairing's usual one
     * @param blackPoint compensated, where nothing else is said
     */
    public record AskedMode(String pairingId, Way way, Map<String, String> settings, Optional<Intent> intent,
        Optional<Boolean> blackPoint) {
        public AskedMode(String pairingId, Way way, Map<String, String> settings) {
            this(pairingId, way, settings, Optional.empty(), Optional.empty());
        }
    }

    public record AskedWedge(AskedMode mode, int steps, int repeats, boolean scattered) {
    }

    /** A mode on its pairing, as the printer takes it. */
    private record Ready(PairingVersion pairing, PrinterDescription can, ColourRoute route, DriverSettings settings) {
        private ToneMode mode() {
            return ToneMode.of(route, settings, can);
        }
    }

    private Ready ready(AskedMode asked) {
        PairingVersion pairing = pairings.get(asked.pairingId);
        Printer printer = printers.get(UUID.fromString(pairing.printerId()));
        PrinterDescription can = printer.description().orElse(PrinterDescription.UNKNOWN);
        DriverSettings settings = pairing.settings();
        for (Map.Entry<String, String> e : asked.settings.entrySet()) {
            settings = settings.with(e.getKey(), e.getValue());
        }
        printer.offers(settings);
        boolean driver = asked.way == Way.DRIVER || pairing.grayOnly();
        return new Ready(pairing, can, driver ? new ColourRoute.DriverMonochrome()
            : new ColourRoute.ByWistel(asked.intent.orElse(pairing.intent()), asked.blackPoint.orElse(true)), settings);
    }

    /** Prints a wedge; nothing is kept of it when it can't be printed. */
    public Row print(AskedWedge asked) {
        Ready ready = ready(asked.mode);
        return print(ready, new Wedge(asked.steps, asked.repeats, asked.scattered, wedges.nextNumber()), Optional.empty());
    }

    /** @param curve that is to be proved, fitted to wedge {@code of} */
    private record Proof(ToneCurve curve, int of) {
    }

    /** Prints a wedge once more, through a curve. */
    public Row prove(Row of, ToneCurve curve) {
        PairingVersion pairing = pairings.find(of.pairingId().toString())
            .orElseThrow(() -> new NotFound("There is no such pairing.", "Choose another wedge."));
        PrinterDescription can = printers.get(UUID.fromString(pairing.printerId())).description().orElse(PrinterDescription.UNKNOWN);
        DriverSettings settings = pairing.settings();
        for (Map.Entry<String, String> e : of.mode().settings().entrySet()) {
            settings = settings.with(e.getKey(), e.getValue());
        }
        Ready ready = new Ready(pairing, can, of.mode().route(), settings);
        return print(ready,
            new Wedge(of.docketId().isPresent() ? of.steps() : Wedge.STEPS.get(1), of.docketId().isPresent() ? of.repeats() : 1,
                of.scattered(), wedges.nextNumber()),
            Optional.of(new Proof(curve, of.number())));
    }

    private Row print(Ready ready, Wedge wedge, Optional<Proof> proof) {
        String words = ready.mode().words(ready.can);
        String through = proof.map(p -> ", through the curve of wedge " + p.of).orElse("");
        List<String> lines = new ArrayList<>(charts.heading("Wedge " + wedge.number() + through + " · " + wedge.steps() + " steps"
            + (wedge.repeats() > 1 ? ", " + wedge.repeats() + " of each" : "") + (wedge.scattered() ? ", scattered" : ""), ready.pairing));
        lines.add(words);
        double least = LEAST_PATCH_MM / Math.min(wedge.place(0).width(), wedge.place(0).height());
        Chart chart = new Chart(DocketSpec.FIRST_ITEM, Wedge.WIDTH_MM, Math.min(1, Math.max(LEAST_SHARE, least)), lines);
        Master master = charts.picture("wedge-" + wedge.number() + ".tif",
            new ChartDockets.Grays(wedge.picture(), Wedge.pictureWidth(), Wedge.pictureHeight()));
        Rendition rendition = rendition(master).compensated(
            proof.map(p -> new Compensated(List.of(new LightnessCurve(LinearisationStep.of(p.curve).points())), Optional.empty(), true))
                .orElse(Compensated.NONE));
        return transaction.execute(t -> {
            ChartDockets.Laid laid = lay(new DocketSpec.Heading("Wedge " + wedge.number(), "", new Purpose.WedgeOf(wedge.number())), master,
                rendition,
                chart, ready);
            Row row = new Row(wedge.number(), Optional.of(laid.docket()), UUID.fromString(ready.pairing.pairingId()), ready.mode(), words,
                laid.spec().stock().name(), wedge.steps(), wedge.repeats(),
                wedge.scattered(), proof.map(Proof::curve), proof.map(Proof::of), clock.instant());
            wedges.add(row);
            releases.release(laid.docket(), dockets.get(laid.docket()).version(), false);
            events.publish("wedge", Integer.toString(wedge.number()));
            return row;
        });
    }

    /** A scale that was printed elsewhere: only its readings come. */
    public Row foreign(AskedMode mode, int steps) {
        Ready ready = ready(mode);
        Row row = new Row(wedges.nextNumber(), Optional.empty(), UUID.fromString(ready.pairing.pairingId()), ready.mode(),
            ready.mode().words(ready.can), "printed elsewhere", steps, 1, false,
            Optional.empty(), Optional.empty(), clock.instant());
        wedges.add(row);
        return row;
    }

    /** A page to judge a mode by eye, straightened where the pairing knows how. */
    public UUID testPage(AskedMode asked) {
        Ready ready = ready(asked);
        ToneMode mode = ready.mode();
        List<String> lines = new ArrayList<>(charts.heading("Page to judge tones by", ready.pairing));
        lines.add(mode.words(ready.can));
        Master master = charts.picture("tone-page.tif", new ChartDockets.Grays(TonePage.picture(), TonePage.WIDTH, TonePage.HEIGHT));
        Chart chart = new Chart(DocketSpec.FIRST_ITEM, TonePage.WIDTH_MM, LEAST_SHARE, lines);
        return transaction.execute(t -> {
            ChartDockets.Laid laid = lay(new DocketSpec.Heading("Page to judge tones by", "", new Purpose.Work()), master,
                rendition(master).straightened(true), chart, ready);
            return releases.release(laid.docket(), dockets.get(laid.docket()).version(), false);
        });
    }

    private static Rendition rendition(Master master) {
        return Rendition.of(DocketService.FIRST_RENDITION, master.hash()).treated(Treatment.Monochrome.NEUTRAL).straightened(false);
    }

    private ChartDockets.Laid lay(DocketSpec.Heading heading, Master master, Rendition rendition, Chart chart, Ready ready) {
        return charts.lay(DocketSpec.fresh(heading.title(), rendition, new PixelSize(master.width(), master.height())).withHeading(heading)
            .withPairing(ready.pairing).withRoute(ready.route).withSettings(ready.settings), chart);
    }
}
