package wistel.server.profiling;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.cgats.Readings;
import wistel.core.colour.Lab;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Sharpening;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.icc.inspection.ProfileInspection;
import wistel.core.icc.making.ChartPage;
import wistel.core.icc.making.ChartReading;
import wistel.core.icc.making.ProfileChart;
import wistel.core.icc.making.ProfileMaker;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.length.Margins;
import wistel.core.length.Range;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.MediaRow;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Chart;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketService;
import wistel.server.edge.Events;
import wistel.server.master.Master;
import wistel.server.pairing.PairingRepository;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptRepository;
import wistel.server.print.AttemptState;
import wistel.server.print.ChartDockets;
import wistel.server.print.PrintedSheets;
import wistel.server.print.ReleaseService;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;
import wistel.server.profiling.ProfilingRepository.Area;
import wistel.server.profiling.ProfilingRepository.Made;
import wistel.server.profiling.ProfilingRepository.Origin;
import wistel.server.profiling.ProfilingRepository.Reading;
import wistel.server.profiling.ProfilingRepository.Row;
import wistel.server.store.ProfileRepository;

/** Makes profiles from charts: each step is left and taken up when a person likes. */
@Service
class ProfilingService {
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
    /** A sheet that everybody has, where nothing is loaded: A4 within usual margins. */
    private static final MediaRow USUAL = new MediaRow("", "", new Range(210, 210),
        new Range(297, 297), new Margins(6, 6, 6, 6));
    /** Round the chart and for the writing below it, as {@link Chart} lays it. */
    private static final double AROUND_MM = 14;
    private static final double WRITING_MM = 22;
    private static final double LONGEST_MM = 1000;
    private static final double LEAST_SHARE = 0.97;
    private static final int LARGEST_READING = 4 << 20;
    private static final double USUAL_BLACK_L = 10;

    private final ProfilingRepository profilings;
    private final PairingRepository pairings;
    private final PrinterRepository printers;
    private final ProfileRepository profiles;
    private final ChartDockets charts;
    private final DocketRepository dockets;
    private final ReleaseService releases;
    private final AttemptRepository attempts;
    private final PrintedSheets sheets;
    private final Events events;
    private final Clock clock;
    private final TransactionTemplate transaction;

    ProfilingService(ProfilingRepository profilings, PairingRepository pairings, PrinterRepository printers, ProfileRepository profiles,
        ChartDockets charts, DocketRepository dockets, ReleaseService releases, AttemptRepository attempts, PrintedSheets sheets,
        Events events,
        Clock clock, TransactionTemplate transaction) {
        this.profilings = profilings;
        this.pairings = pairings;
        this.printers = printers;
        this.profiles = profiles;
        this.charts = charts;
        this.dockets = dockets;
        this.releases = releases;
        this.attempts = attempts;
        this.sheets = sheets;
        this.events = events;
        this.clock = clock;
        this.transaction = transaction;
    }

    /** What a profile is to be made for: the printer and how it will be set from then on. */
    record Wanted(UUID printerId, String paper, String surface, PaperBody body, DriverSettings settings, Intent intent) {
    }

    /**
     * Lays a chart and prints it in the settings of the future pairing, its numbers left alone. Nothing is kept of one that can't be printed.
     *
     * @param of whose next version it is to be
     */
    Row begin(Wanted wanted, Optional<UUID> of, ProfileChart.Size size, double dryingHours) {
        if (!(dryingHours >= 0 && dryingHours <= 336)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A chart dries for 0 hours to two weeks.", "Give other hours.");
        }
        Printer printer = printers.get(wanted.printerId);
        printer.offers(wanted.settings);
        of.ifPresent(id -> pairings.get(id.toString()));
        MediaRow lies = printer.state().loaded().stream().filter(m -> m.type().equals(wanted.settings.mediaType())).findFirst()
            .orElse(USUAL);
        double width = lies.widthMm().from() - lies.margins().left() - lies.margins().right() - AROUND_MM;
        double length = lies.roll() ? LONGEST_MM
            : lies.lengthMm().from() - lies.margins().top() - lies.margins().bottom() - AROUND_MM - WRITING_MM;
        long seed = UUID.randomUUID().getMostSignificantBits();
        List<ChartPage> pages = ChartPage.of(ProfileChart.of(size, seed), width, length);
        try {
            profiles.add(ChartDockets.AS_THEY_ARE);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        Row row = transaction.execute(t -> {
            PairingVersion pairing = pairings.add(new PairingVersion(UUID.randomUUID().toString(), 1, printer.id().toString(),
                printer.name(), wanted.paper, wanted.surface, wanted.body, wanted.settings, ChartDockets.AS_THEY_ARE.hash(), wanted.intent,
                new Lab(95, 0, 0), USUAL_BLACK_L));
            pairings.retire(UUID.fromString(pairing.pairingId()), true);
            List<UUID> printed = pages.stream().map(page -> print(page, pages.size(), pairing)).toList();
            Row made = new Row(UUID.randomUUID(), UUID.fromString(pairing.pairingId()), of, size, seed,
                new Area(pages.get(0).columns(), length), dryingHours, List.of(), Optional.empty(), Optional.empty(), clock.instant());
            profilings.add(made, printed);
            return made;
        });
        events.publish("profiling", row.id().toString());
        return row;
    }

    private UUID print(ChartPage page, int pages, PairingVersion pairing) {
        Master master = charts.picture("chart-page-" + page.number() + ".tif",
            new ChartDockets.Numbers(page.picture(), page.widthPixels(), page.heightPixels()));
        Rendition rendition = Rendition.of(DocketService.FIRST_RENDITION, master.hash()).straightened(false);
        String title = "Chart, page " + page.number() + " of " + pages;
        Chart chart = new Chart(DocketSpec.FIRST_ITEM, page.widthMm(), LEAST_SHARE,
            List.of(title + " · " + LocalDate.now(clock).format(DATE), pairing.paper() + " on " + pairing.printerName(),
                "Read from A1 row by row"));
        ChartDockets.Laid laid = charts.lay(DocketSpec.fresh(title, rendition, new PixelSize(master.width(), master.height()))
            .withPairing(pairing).withRoute(new ColourRoute.ByWistel(Intent.RELATIVE, false)).withSettings(pairing.settings())
            .withSharpening(Sharpening.OFF), chart);
        releases.release(laid.docket(), dockets.get(laid.docket()).version(), false);
        return laid.docket();
    }

    List<ChartPage> pages(Row r) {
        return ChartPage.of(ProfileChart.of(r.size(), r.seed()), (r.area().columns() + 1.5) * ChartPage.PATCH_MM, r.area().lengthMm());
    }

    Optional<Attempt> attempt(UUID docket) {
        return attempts.ofDocket(docket).stream().max((a, b) -> Integer.compare(a.number(), b.number()));
    }

    /** When a page may be read: it came out, and has dried. */
    Optional<Instant> dryFrom(Row r, Attempt attempt) {
        return attempt.state() == AttemptState.DONE
            ? Optional.of(attempt.finished().orElse(r.created()).plus(Duration.ofSeconds(Math.round(3600 * r.dryingHours()))))
            : Optional.empty();
    }

    /** Has the instrument in the printer's room read a page. */
    Row byInstrument(UUID id, int number) {
        Row r = profilings.get(id);
        ChartPage page = page(r, number);
        PrintedSheets.Sheet sheet = attempt(profilings.dockets(id).get(number - 1)).flatMap(sheets::first)
            .orElseThrow(() -> new Conflict(Conflict.Reason.STOPPED, "Page " + number + " has not come out yet.",
                "Wait until it lies there, dry."));
        String text = sheets.measured(sheet, IntStream.range(0, page.patches().size())
            .mapToObj(i -> new PrintedSheets.Spot(page.name(i), page.middle(i)[0], page.middle(i)[1])).toList(), LARGEST_READING);
        return read(r, number, text, Origin.INSTRUMENT);
    }

    /** Takes a page's reading as text: in the page's order, or by the ids of its patches. */
    Row byFile(UUID id, int number, String text) {
        return read(profilings.get(id), number, text, Origin.FILE);
    }

    private Row read(Row r, int number, String text, Origin origin) {
        ChartPage page = page(r, number);
        Readings readings = Readings.parse(text);
        if (readings.kind() != Readings.Kind.COLOUR) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "This reading holds lightness alone; a profile takes colours.",
                "Measure L*a*b*, XYZ or spectra.");
        }
        ChartReading.Ordered ordered = ChartReading.ordered(number, pages(r), inOrder(page, readings.all()));
        transaction.executeWithoutResult(t -> {
            profilings.locked(r.id());
            int no = 1 + (int) profilings.readings(r.id()).stream().filter(o -> o.page() == ordered.page()).count();
            profilings.add(r.id(), new Reading(ordered.page(), no, ordered.colours(), ordered.words(), origin, clock.instant()));
            profilings.made(r.id(), Optional.empty());
        });
        events.publish("profiling", r.id().toString());
        return profilings.get(r.id());
    }

    /** By names of places or ids of patches where the reading has all of them, else as they come. */
    private static List<Lab> inOrder(ChartPage page, List<Readings.Reading> all) {
        Map<String, Lab> byId = new HashMap<>();
        for (Readings.Reading reading : all) {
            if (byId.put(reading.id(), reading.lab()) != null) {
                throw new InvalidRequest(InvalidRequest.Reason.REQUEST_UNCLEAR,
                    "Two patches of this reading are called " + reading.id() + ".",
                    "Call each by its place on the page, or leave the names out.");
            }
        }
        List<Lab> byName = new ArrayList<>();
        List<Lab> byPatch = new ArrayList<>();
        for (int i = 0; i < page.patches().size(); i++) {
            byName.add(byId.get(page.name(i)));
            byPatch.add(byId.get(page.patches().get(i).id()));
        }
        return byName.stream().allMatch(Objects::nonNull) ? byName
            : byPatch.stream().allMatch(Objects::nonNull) ? byPatch : all.stream().map(Readings.Reading::lab).toList();
    }

    private ChartPage page(Row r, int number) {
        List<ChartPage> pages = pages(r);
        if (number < 1 || number > pages.size()) {
            throw new NotFound("This chart has no page " + number + ".", "It has " + pages.size() + ".");
        }
        return pages.get(number - 1);
    }

    /** Lets go of what was read of a page. */
    Row forget(UUID id, int number) {
        Row r = profilings.get(id);
        page(r, number);
        profilings.forget(id, number);
        profilings.made(id, Optional.empty());
        events.publish("profiling", id.toString());
        return profilings.get(id);
    }

    Row leaveOut(UUID id, List<String> patches) {
        Row r = profilings.get(id);
        List<String> known = ProfileChart.of(r.size(), r.seed()).patches().stream().map(ProfileChart.ChartPatch::id).toList();
        if (!known.containsAll(patches) || patches.size() > known.size() / 5) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Patches of this chart can be left out, a fifth of them at most.",
                "Read the page again.");
        }
        profilings.leaveOut(id, patches.stream().distinct().toList());
        profilings.made(id, Optional.empty());
        events.publish("profiling", id.toString());
        return profilings.get(id);
    }

    /** A patch with the mean of its readings; those left out as well. */
    record Measured(int page, int place, Patch patch) {
    }

    List<Measured> measured(Row r, List<Reading> readings) {
        List<Measured> all = new ArrayList<>();
        for (ChartPage page : pages(r)) {
            List<Reading> of = readings.stream().filter(x -> x.page() == page.number()).toList();
            for (int i = 0; i < page.patches().size() && !of.isEmpty(); i++) {
                int at = i;
                Lab mean = new Lab(of.stream().mapToDouble(x -> x.colours().get(at).l()).average().orElseThrow(),
                    of.stream().mapToDouble(x -> x.colours().get(at).a()).average().orElseThrow(),
                    of.stream().mapToDouble(x -> x.colours().get(at).b()).average().orElseThrow());
                all.add(new Measured(page.number(), i, new Patch(page.patches().get(i).id(), page.patches().get(i).rgb(), mean)));
            }
        }
        return all;
    }

    /** Makes the profile from all that was read and isn't left out. */
    Row make(UUID id) {
        Row r = profilings.get(id);
        List<Reading> readings = profilings.readings(id);
        List<Patch> patches = measured(r, readings).stream().map(Measured::patch).filter(p -> !r.leftOut().contains(p.id())).toList();
        if (readings.stream().map(Reading::page).distinct().count() < pages(r).size()) {
            throw new Conflict(Conflict.Reason.STOPPED, "Not every page of the chart is read yet.", "Read the others first.");
        }
        PairingVersion pairing = pairings.get(r.pairingId().toString());
        Cgats chart = Cgats.of(Cgats.Device.RGB, "Wistel",
            "Chart of " + r.size().count() + " patches on " + pairing.paper() + ", " + pairing.printerName(), patches);
        ProfileMaker.Made made = ProfileMaker.make(pairing.paper() + " on " + pairing.printerName(), chart);
        IccProfile profile = ProfileReader.read(made.profile());
        try {
            profiles.add(profile);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        profilings.made(id, Optional.of(new Made(profile.hash(), made.quality())));
        events.publish("profiling", id.toString());
        return profilings.get(id);
    }

    /** Keeps what was made: as the paper's pairing, or as the next version of the one that it was made for. */
    PairingVersion keep(UUID id) {
        PairingVersion kept = transaction.execute(t -> {
            Row r = profilings.locked(id);
            Made made = r.made()
                .orElseThrow(() -> new Conflict(Conflict.Reason.STOPPED, "No profile is made yet.", "Make it from what was read."));
            if (r.kept().isPresent()) {
                throw new Conflict(Conflict.Reason.STOPPED, "This profile is kept already.", "Look at the paper's page.");
            }
            PairingVersion chart = pairings.get(r.pairingId().toString());
            ProfileInspection inspection = ProfileInspection.of(profiles.get(made.profileHash()));
            PairingVersion found = new PairingVersion(r.ofPairing().orElse(r.pairingId()).toString(), 1, chart.printerId(),
                chart.printerName(), chart.paper(), chart.surface(), chart.body(), chart.settings(), made.profileHash(), chart.intent(),
                inspection.white(), inspection.blackL().get(Intent.RELATIVE));
            PairingVersion next = pairings.add(r.ofPairing().map(of -> found.following(pairings.get(of.toString()))).orElse(found));
            if (r.ofPairing().isEmpty()) {
                pairings.retire(r.pairingId(), false);
            }
            profilings.kept(id, clock.instant());
            return next;
        });
        events.publish("pairing", kept.pairingId());
        events.publish("profiling", id.toString());
        return kept;
    }

    void drop(UUID id) {
        profilings.get(id);
        profilings.delete(id);
        events.publish("profiling", id.toString());
    }
}
