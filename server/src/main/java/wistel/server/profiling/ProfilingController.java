package wistel.server.profiling;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.colour.Lab;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.WistelException;
import wistel.core.icc.making.ChartPage;
import wistel.core.icc.making.ChartReading;
import wistel.core.icc.making.ProfileChart;
import wistel.core.icc.making.ProfileChoices;
import wistel.core.icc.making.Quality;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.core.printer.DriverSettings;
import wistel.server.pairing.PairingRepository;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptState;
import wistel.server.print.ChartSheets;
import wistel.server.profiling.ProfilingRepository.Reading;
import wistel.server.profiling.ProfilingRepository.Row;
import wistel.server.profiling.ProfilingRepository.Source;
import wistel.server.store.ReadingFiles;

/** Profiles in the making, a step at a time. */
@RestController
@RequestMapping("/api/profilings")
class ProfilingController {
    private static final int LONGEST_NAME = 120;
    private static final int MOST_SUSPECTS = 40;

    private final ProfilingService service;
    private final ProfileMakingService making;
    private final ProfilingRepository profilings;
    private final PairingRepository pairings;
    private final ChartSheets sheets;

    ProfilingController(ProfilingService service, ProfileMakingService making, ProfilingRepository profilings, PairingRepository pairings,
        ChartSheets sheets) {
        this.service = service;
        this.making = making;
        this.profilings = profilings;
        this.pairings = pairings;
        this.sheets = sheets;
    }

    /**
     * @param ofPairing whose next version it is to be; empty for a paper that has none
     * @param size      of a chart of Wistel's own
     * @param chart     a person's own, as CGATS; with neither, a hundred patches more for the profile of {@code ofPairing}
     * @param inks      that it is printed with; empty for the printer maker's own
     */
    record NewProfiling(UUID printerId, String paper, String surface, PaperBody body, DriverSettings settings, Intent intent,
        Optional<UUID> ofPairing, Optional<ProfileChart.Size> size, Optional<String> chart, double dryingHours, Optional<String> inks) {
    }

    /** @param colour as it was read; empty before */
    record PatchView(String id, String name, Optional<Lab> colour, boolean suspect, boolean leftOut) {
    }

    /**
     * @param attempt of its newest print
     * @param dryFrom when it may be read; empty before it came out
     * @param noise   mean CIEDE2000 between two readings of it
     * @param words   what was put right when it was read
     */
    record PageView(int page, UUID docketId, Optional<UUID> attempt, Optional<AttemptState> state, Optional<Instant> dryFrom, int columns,
        List<PatchView> patches, int readings, Optional<Double> noise, List<String> words) {
    }

    /** @param name where it stands: "page 2, C12" */
    record SuspectView(String id, String name, double distance, Lab colour, Lab expected, boolean leftOut) {
    }

    /**
     * @param pairing     what it is made for
     * @param gray        for the printer's own monochrome
     * @param adds        to the chart of the profile in use
     * @param suspects    patches that don't fit the others
     * @param making      empty while nothing is made
     * @param made        empty before, and after something that it was made from changed
     */
    record ProfilingView(UUID id, PairingVersion pairing, Optional<UUID> ofPairing, int patches, boolean gray, boolean adds,
        double dryingHours, List<PageView> pages, List<SuspectView> suspects, ProfileChoices choices, Optional<MakingView> making,
        Optional<MadeView> made, Optional<Instant> kept, Instant created) {
    }

    /**
     * @param share   0 to 1
     * @param failure why it ended without a profile
     */
    record MakingView(double share, Optional<String> failure, Optional<String> next) {
    }

    /** @param inUse the profile in use, and how well it foresees the same patches where it can */
    record MadeView(String profileHash, Quality quality, Optional<String> inUse, Optional<Quality> inUseQuality) {
    }

    /** @param read pages that are read */
    record OpenProfiling(UUID id, String paper, String printerName, int patches, int pages, int read, boolean made, Instant created) {
    }

    @GetMapping
    List<OpenProfiling> open() {
        List<ProfilingRepository.Open> open = profilings.open();
        Map<String, PairingVersion> known = pairings.known(open.stream().map(o -> o.row().pairingId().toString()).toList());
        return open.stream().filter(o -> known.containsKey(o.row().pairingId().toString())).map(o -> {
            Row r = o.row();
            PairingVersion p = known.get(r.pairingId().toString());
            return new OpenProfiling(r.id(), p.paper(), p.printerName(), r.chart().patches().size(), o.pages(), o.read(),
                r.made().isPresent(),
                r.created());
        }).toList();
    }

    /** Lays a chart and prints it. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    ProfilingView begin(@RequestBody NewProfiling asked) {
        return view(service.begin(
            new ProfilingService.Wanted(asked.printerId, InvalidRequest.named(asked.paper, "A paper's name", LONGEST_NAME),
                InvalidRequest.named(asked.surface, "A surface", LONGEST_NAME), asked.body, asked.settings, asked.intent,
                PairingVersion.inks(asked.inks)),
            asked.ofPairing, new ProfilingService.Asked(asked.size, asked.chart), asked.dryingHours).id());
    }

    @GetMapping("/{id}")
    ProfilingView get(@PathVariable UUID id) {
        return view(id);
    }

    /** Has the instrument in the printer's room read a page, once more where it was read before. */
    @PostMapping("/{id}/pages/{page}/readings/instrument")
    @ResponseStatus(HttpStatus.CREATED)
    ProfilingView instrument(@PathVariable UUID id, @PathVariable int page) {
        service.byInstrument(id, page);
        return view(id);
    }

    /** Takes a page's reading, CGATS or plain lines, as the request's body. */
    @PostMapping(value = "/{id}/pages/{page}/readings", consumes = "!application/x-www-form-urlencoded")
    @ResponseStatus(HttpStatus.CREATED)
    ProfilingView file(@PathVariable UUID id, @PathVariable int page, @Parameter(hidden = true) HttpServletRequest request)
        throws IOException {
        service.byFile(id, page, ReadingFiles.text(request.getInputStream()));
        return view(id);
    }

    /** Lets go of what was read of a page. */
    @DeleteMapping("/{id}/pages/{page}/readings")
    ProfilingView forget(@PathVariable UUID id, @PathVariable int page) {
        service.forget(id, page);
        return view(id);
    }

    /** @param patches ids of all that are left out */
    record LeftOut(List<String> patches) {
    }

    @PutMapping("/{id}/left-out")
    ProfilingView leaveOut(@PathVariable UUID id, @RequestBody LeftOut asked) {
        service.leaveOut(id, asked.patches);
        return view(id);
    }

    /** Begins to make the profile from what was read; the view tells how far it is. */
    @PostMapping("/{id}/profile")
    @ResponseStatus(HttpStatus.ACCEPTED)
    ProfilingView make(@PathVariable UUID id, @RequestBody ProfileChoices choices) {
        making.make(id, choices);
        return view(id);
    }

    /** Stops making it. */
    @DeleteMapping("/{id}/profile")
    ProfilingView cancel(@PathVariable UUID id) {
        making.cancel(id);
        return view(id);
    }

    /** What was made, as a file. */
    @GetMapping(value = "/{id}/profile", produces = "application/vnd.iccprofile")
    ResponseEntity<byte[]> file(@PathVariable UUID id, @RequestParam(defaultValue = "V4") ProfileWriter.Version version) {
        String name = version == ProfileWriter.Version.V4 ? "profile-v4.icc" : "profile-v2.icc";
        return ResponseEntity.ok().header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
            .body(making.file(id, version));
    }

    /** Keeps it as a pairing, or as the next version of one. */
    @PostMapping("/{id}/pairing")
    @ResponseStatus(HttpStatus.CREATED)
    PairingVersion keep(@PathVariable UUID id) {
        return making.keep(id);
    }

    /** All that was measured, for other software and for keeping. */
    @GetMapping(value = "/{id}/chart", produces = MediaType.TEXT_PLAIN_VALUE)
    ResponseEntity<String> chart(@PathVariable UUID id) {
        return ResponseEntity.ok().header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"chart.txt\"")
            .body(making.measuredText(id));
    }

    /** Gives it up; what was printed stays in the log. */
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void drop(@PathVariable UUID id) {
        making.cancel(id);
        service.drop(id);
    }

    private ProfilingView view(UUID id) {
        // first, so that what has just ended is seen as made
        Optional<MakingView> far = making.progressed(id)
            .map(p -> new MakingView(p.share(), p.failure().map(WistelException::getMessage), p.failure().map(WistelException::next)));
        Row r = profilings.get(id);
        List<ChartPage> pages = service.pages(r);
        List<UUID> dockets = profilings.dockets(r.id());
        List<Reading> readings = profilings.readings(r.id());
        List<ProfilingService.Measured> measured = service.measured(r, readings);
        List<ChartReading.Suspect> suspects = service.suspects(r, readings, measured);
        Set<String> suspected = new HashSet<>();
        suspects.forEach(s -> suspected.add(measured.get(s.index()).patch().id()));
        List<PageView> told = new ArrayList<>();
        for (ChartPage page : pages) {
            told.add(page(r, page, dockets.get(page.number() - 1), readings, suspected, measured));
        }
        List<SuspectView> named = suspects.stream().limit(MOST_SUSPECTS).map(s -> {
            ProfilingService.Measured m = measured.get(s.index());
            return new SuspectView(m.patch().id(),
                (pages.size() > 1 ? "page " + m.page() + ", " : "") + pages.get(m.page() - 1).name(m.place()),
                s.distance(), m.patch().lab(), s.expected(), r.leftOut().contains(m.patch().id()));
        }).toList();
        ProfileChart chart = r.chart();
        Optional<MadeView> made = r.made().map(m -> new MadeView(m.profileHash(), m.quality(),
            r.ofPairing().map(of -> pairings.get(of.toString()).profileHash()), m.inUse()));
        return new ProfilingView(r.id(), pairings.get(r.pairingId().toString()), r.ofPairing(), chart.patches().size(), chart.gray(),
            r.source() instanceof Source.Brought b && b.base().isPresent(), r.dryingHours(), told, named, r.choices(), far, made, r.kept(),
            r.created());
    }

    private PageView page(Row r, ChartPage page, UUID docket, List<Reading> readings, Set<String> suspected,
        List<ProfilingService.Measured> measured) {
        List<Reading> of = readings.stream().filter(x -> x.page() == page.number()).toList();
        List<Lab> colours = measured.stream().filter(m -> m.page() == page.number()).map(m -> m.patch().lab()).toList();
        List<PatchView> patches = new ArrayList<>();
        for (int i = 0; i < page.patches().size(); i++) {
            String id = page.patches().get(i).id();
            patches.add(new PatchView(id, page.name(i), colours.isEmpty() ? Optional.empty() : Optional.of(colours.get(i)),
                suspected.contains(id), r.leftOut().contains(id)));
        }
        Optional<Attempt> attempt = sheets.attempt(docket);
        return new PageView(page.number(), docket, attempt.map(Attempt::id), attempt.map(Attempt::state),
            attempt.flatMap(a -> service.dryFrom(r, a)), page.columns(), patches, of.size(), noise(of),
            of.stream().flatMap(x -> x.words().stream()).distinct().toList());
    }

    private static Optional<Double> noise(List<Reading> of) {
        if (of.size() < 2) {
            return Optional.empty();
        }
        List<Lab> a = of.get(of.size() - 2).colours();
        List<Lab> b = of.get(of.size() - 1).colours();
        double sum = 0;
        for (int i = 0; i < a.size(); i++) {
            sum += a.get(i).deltaE2000(b.get(i));
        }
        return Optional.of(sum / a.size());
    }
}
