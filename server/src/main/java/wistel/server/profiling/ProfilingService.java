package wistel.server.profiling;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.cgats.Readings;
import wistel.core.colour.Lab;
import wistel.core.colour.Reflectance;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.icc.making.ChartPage;
import wistel.core.icc.making.ChartReading;
import wistel.core.icc.making.ProfileChart;
import wistel.core.icc.making.ProfileChoices;
import wistel.core.icc.profile.Intent;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.PrinterDescription;
import wistel.core.sheet.Chart;
import wistel.server.edge.Events;
import wistel.server.pairing.PairingRepository;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptState;
import wistel.server.print.ChartSheets;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;
import wistel.server.profiling.ProfilingRepository.Origin;
import wistel.server.profiling.ProfilingRepository.Reading;
import wistel.server.profiling.ProfilingRepository.Row;
import wistel.server.profiling.ProfilingRepository.Source;
import wistel.server.store.ProfileRepository;

/** Charts for profiles: laid, printed, dried, read, each step left and taken up when a person likes. */
@Service
public class ProfilingService {
    /** Fewer patches don't say what one of them should be. */
    private static final int FEWEST_JUDGED = 80;
    private static final int FEWEST_OWN = 5;
    private static final int MOST_OWN = 5000;

    /** All that was read of a chart. */
    private record Read(UUID id, List<Reading> readings) {
    }

    /** A page asks each second while a profile is made; what doesn't fit is found once for what was read. */
    private final Cache<Read, List<ChartReading.Suspect>> suspects = Caffeine.newBuilder().executor(Runnable::run).maximumSize(8).build();

    private final ProfilingRepository profilings;
    private final PairingRepository pairings;
    private final PrinterRepository printers;
    private final ProfileRepository profiles;
    private final ChartSheets sheets;
    private final Events events;
    private final Clock clock;
    private final TransactionTemplate transaction;

    ProfilingService(ProfilingRepository profilings, PairingRepository pairings, PrinterRepository printers, ProfileRepository profiles,
        ChartSheets sheets, Events events, Clock clock, TransactionTemplate transaction) {
        this.profilings = profilings;
        this.pairings = pairings;
        this.printers = printers;
        this.profiles = profiles;
        this.sheets = sheets;
        this.events = events;
        this.clock = clock;
        this.transaction = transaction;
    }

    /**
     * Which chart is asked for; with neither, a hundred patches more for the paper's profile.
     *
     * @param size of a chart of Wistel's own
     * @param own  a person's own, as CGATS
     */
    public record Asked(Optional<ProfileChart.Size> size, Optional<String> own) {
        public Asked {
            if (size.isPresent() && own.isPresent()) {
                throw new InvalidRequest(InvalidRequest.Reason.REQUEST_UNCLEAR, "A size and a chart are given.", "Give one of them.");
            }
        }
    }

    /** What a profile is to be made for: the printer and how it will be set from then on. */
    public record Wanted(UUID printerId, String paper, String surface, PaperBody body, DriverSettings settings, Intent intent,
        String inks) {
    }

    /**
     * Lays a chart and prints it in the settings of the future pairing, its numbers left alone. Nothing is kept of one that can't be printed.
     *
     * @param of whose next version it is to be
     */
    Row begin(Wanted wanted, Optional<UUID> of, Asked asked, double dryingHours) {
        if (!(dryingHours >= 0 && dryingHours <= 336)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A chart dries for 0 hours to two weeks.", "Give other hours.");
        }
        Printer printer = printers.get(wanted.printerId);
        printer.offers(wanted.settings);
        Source source = source(asked, of.map(id -> pairings.get(id.toString())));
        ProfileChart chart = source.chart();
        if (of.filter(id -> pairings.get(id.toString()).grayOnly() != chart.gray()).isPresent()) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A profile of grays is no next version of one of colours.",
                "Make it a paper of its own.");
        }
        DriverSettings settings = set(printer, wanted.settings, chart.gray());
        ChartSheets.Area area = sheets.area(printer, settings.mediaType());
        List<ChartPage> pages = ChartPage.of(chart, area.widthMm(), area.lengthMm());
        Row row = transaction.execute(t -> {
            PairingVersion pairing = sheets.numbersAsTheyAre(printer,
                new ChartSheets.Paper(wanted.paper, wanted.surface, wanted.body, wanted.inks),
                settings, wanted.intent);
            List<UUID> printed = pages.stream().map(page -> print(page, pages.size(), pairing)).toList();
            Row made = new Row(UUID.randomUUID(), UUID.fromString(pairing.pairingId()), of, source,
                new ChartSheets.Laid(pages.get(0).columns(), area.lengthMm()), dryingHours, ProfileChoices.USUAL, List.of(),
                Optional.empty(),
                Optional.empty(),
                clock.instant());
            profilings.add(made, printed);
            return made;
        });
        events.publish("profiling", row.id().toString());
        return row;
    }

    private UUID print(ChartPage page, int pages, PairingVersion pairing) {
        String title = "Chart, page " + page.number() + " of " + pages;
        return sheets.print(page, title, "Read from A1 row by row; as many bars in each corner as its number, the block at A1", pairing);
    }

    private Source source(Asked asked, Optional<PairingVersion> of) {
        long seed = UUID.randomUUID().getMostSignificantBits();
        return asked.size.<Source>map(size -> new Source.Laid(size, seed)).or(() -> asked.own.map(ProfilingService::own))
            .orElseGet(() -> {
                String hash = of.orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.REQUEST_UNCLEAR,
                    "A hundred patches more are for a paper that has a profile.", "Name the paper.")).profileHash();
                return new Source.Brought(ProfileChart.more(chartOf(hash), seed).text("A hundred patches more"), Optional.of(hash));
            });
    }

    private static Source own(String cgats) {
        int count = ProfileChart.own(cgats).patches().size();
        if (count < FEWEST_OWN || count > MOST_OWN) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                "This chart has " + count + " patches; a profile is made from " + FEWEST_OWN + " to " + MOST_OWN + ".",
                "Bring another chart, or take one that Wistel lays.");
        }
        return new Source.Brought(cgats, Optional.empty());
    }

    /** What a profile was made from, as it carries it. */
    List<Patch> chartOf(String hash) {
        return profiles.get(hash).text("targ").filter(text -> text.contains("BEGIN_DATA")).map(Cgats::parse)
            .filter(c -> c.device() == Cgats.Device.RGB).map(Cgats::patches)
            .orElseThrow(() -> new Conflict(Conflict.Reason.STOPPED, "The profile in use carries no RGB chart that could be added to.",
                "Make a new profile from a whole chart."));
    }

    /** A chart of grays is printed in the printer's own monochrome, any other with its colour left alone. */
    private static DriverSettings set(Printer printer, DriverSettings asked, boolean gray) {
        if (!gray) {
            return asked.with(DriverSettings.COLOUR_MODE, "");
        }
        return asked.with(DriverSettings.COLOUR_MODE,
            printer.description().flatMap(PrinterDescription::monochromeMode)
                .orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                    printer.name() + " has no monochrome of its own that a chart of grays could be for.", "Take a chart of colours.")));
    }

    List<ChartPage> pages(Row r) {
        return r.laid().pages(r.chart());
    }

    /** When a page may be read: it came out, and has dried. */
    Optional<Instant> dryFrom(Row r, Attempt attempt) {
        return attempt.state() == AttemptState.DONE
            ? Optional.of(attempt.finished().orElse(r.created()).plus(Duration.ofSeconds(Math.round(3600 * r.dryingHours()))))
            : Optional.empty();
    }

    /** Has the instrument in the printer's room read a page. */
    void byInstrument(UUID id, int number) {
        Row r = profilings.get(id);
        ChartPage page = page(r, number);
        read(r, number, sheets.instrument(profilings.dockets(id).get(number - 1), page), Origin.INSTRUMENT);
    }

    /** Takes a page's reading as text: in the page's order, or by the ids of its patches. */
    void byFile(UUID id, int number, String text) {
        read(profilings.get(id), number, Readings.parse(text), Origin.FILE);
    }

    private void read(Row r, int number, Readings readings, Origin origin) {
        ChartPage page = page(r, number);
        List<Readings.Reading> read = ChartSheets.inOrder(page, readings);
        ChartReading.Ordered ordered = ChartReading.ordered(number, pages(r), read.stream().map(Readings.Reading::lab).toList());
        List<Readings.Reading> patches = ordered.of(read);
        List<Reflectance> spectra = patches.stream().flatMap(p -> p.spectrum().stream()).toList();
        transaction.executeWithoutResult(t -> {
            profilings.locked(r.id());
            int no = 1 + (int) profilings.readings(r.id()).stream().filter(o -> o.page() == ordered.page()).count();
            profilings.add(r.id(), new Reading(ordered.page(), no, patches.stream().map(Readings.Reading::lab).toList(),
                spectra.size() == patches.size() ? spectra : List.of(), ordered.words(), origin, clock.instant()));
            profilings.made(r.id(), Optional.empty());
        });
        events.publish("profiling", r.id().toString());
    }

    private ChartPage page(Row r, int number) {
        List<ChartPage> pages = pages(r);
        if (number < 1 || number > pages.size()) {
            throw new NotFound("This chart has no page " + number + ".", "It has " + pages.size() + ".");
        }
        return pages.get(number - 1);
    }

    /** Lets go of what was read of a page. */
    void forget(UUID id, int number) {
        Row r = profilings.get(id);
        page(r, number);
        profilings.forget(id, number);
        profilings.made(id, Optional.empty());
        events.publish("profiling", id.toString());
    }

    void leaveOut(UUID id, List<String> patches) {
        Row r = profilings.get(id);
        List<String> known = r.chart().patches().stream().map(ProfileChart.ChartPatch::id).toList();
        if (!known.containsAll(patches) || patches.size() > known.size() / 5) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Patches of this chart can be left out, a fifth of them at most.",
                "Read the page again.");
        }
        profilings.leaveOut(id, patches.stream().distinct().toList());
        profilings.made(id, Optional.empty());
        events.publish("profiling", id.toString());
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
                all.add(new Measured(page.number(), i,
                    new Patch(page.patches().get(i).id(), page.patches().get(i).rgb(), mean, spectrum(of, i))));
            }
        }
        return all;
    }

    /** The mean of those readings of a patch that have one. */
    private static Optional<Reflectance> spectrum(List<Reading> of, int patch) {
        List<Reflectance> told = of.stream().filter(x -> !x.spectra().isEmpty()).map(x -> x.spectra().get(patch)).toList();
        return told.isEmpty() || !told.stream().allMatch(told.get(0)::like) ? Optional.empty() : Optional.of(Reflectance.mean(told));
    }

    /** Patches that don't fit the others, the worst first; their index is that among {@code measured}, which were read so. */
    List<ChartReading.Suspect> suspects(Row r, List<Reading> readings, List<Measured> measured) {
        return suspects.get(new Read(r.id(), readings), read -> suspects(r, measured));
    }

    private List<ChartReading.Suspect> suspects(Row r, List<Measured> measured) {
        if (measured.isEmpty()) {
            return List.of();
        }
        List<Patch> all = new ArrayList<>(
            r.source() instanceof Source.Brought b ? b.base().map(this::chartOf).orElse(List.of()) : List.of());
        int before = all.size();
        measured.forEach(m -> all.add(m.patch()));
        return all.size() < FEWEST_JUDGED ? List.of()
            : ChartReading.suspects(all).stream().filter(s -> s.index() >= before)
                .map(s -> new ChartReading.Suspect(s.index() - before, s.distance(), s.expected())).toList();
    }

    void drop(UUID id) {
        profilings.get(id);
        profilings.delete(id);
        events.publish("profiling", id.toString());
    }
}
