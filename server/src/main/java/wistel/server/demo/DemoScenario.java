package wistel.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZonedDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.docket.Change;
import wistel.core.docket.DocketCommand;
import wistel.core.docket.MachineCommand;
import wistel.core.docket.DocketSpec;
import wistel.core.docket.PictureCommand;
import wistel.core.docket.PieceCommand;
import wistel.core.docket.SheetCommand;
import wistel.core.docket.WrapCommand;
import wistel.core.fault.PrinterException;
import wistel.core.fault.WistelException;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.length.Length;
import wistel.core.paper.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.SideMoves;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.Compensation;
import wistel.core.rendition.Move;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Frame;
import wistel.server.compensation.CompensationRepository;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketOpening;
import wistel.server.docket.DocketService;
import wistel.server.edge.Events;
import wistel.server.edge.Shutdown;
import wistel.server.master.MasterImport;
import wistel.server.pairing.PairingRepository;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptRepository;
import wistel.server.print.ReleaseService;
import wistel.server.printer.PrinterWatch;
import wistel.server.proof.RenditionService;
import wistel.server.store.ProfileRepository;
import wistel.server.tone.ToneService;
import wistel.server.tone.WedgePrinting;
import wistel.server.tone.WedgeRepository;
import wistel.server.wrap.WrapService;

/**
 * Makes the printers named in the settings known at every start, and lays out the demo's work of an invented photographer, through the same services
 * that a person's clicks go through. Each entry is laid out once; a stop in between is made good at the next start.
 */
@Component
class DemoScenario {
    private static final Logger LOG = LoggerFactory.getLogger(DemoScenario.class);

    private static final String FIRST_PRINTER = "Ardle 17";
    private static final int WEDGE_STEPS = 33;
    private static final int MOST_LOOKS = 600;
    private static final int LOOK_MILLIS = 200;

    private final String folder;
    private final String printerList;
    private final JsonMapper mapper;
    private final PrinterWatch printers;
    private final ProfileRepository profiles;
    private final PairingRepository pairings;
    private final MasterImport imports;
    private final DocketService docketService;
    private final DocketOpening opening;
    private final DocketRepository dockets;
    private final CompensationRepository compensations;
    private final RenditionService renditions;
    private final ReleaseService releases;
    private final AttemptRepository attempts;
    private final WedgePrinting wedgePrinting;
    private final ToneService tones;
    private final WrapService wraps;
    private final DemoRepository entries;
    private final Events events;
    private final Shutdown shutdown;
    private final TransactionTemplate transaction;
    private volatile Status status = new Status(false, "starting");

    DemoScenario(@Value("${wistel.demo}") String folder, @Value("${wistel.printers}") String printerList, JsonMapper mapper, PrinterWatch printers,
                 ProfileRepository profiles, PairingRepository pairings, MasterImport imports, DocketService docketService, DocketOpening opening, DocketRepository dockets, CompensationRepository compensations, RenditionService renditions,
                 ReleaseService releases,
                 AttemptRepository attempts, WedgePrinting wedgePrinting, ToneService tones, WrapService wraps, DemoRepository entries, Events events, Shutdown shutdown, TransactionTemplate transaction) {
        this.folder = folder;
        this.printerList = printerList;
        // a plan names only what it wants to be different
        this.mapper = mapper.rebuild().disable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES).build();
        this.printers = printers;
        this.profiles = profiles;
        this.pairings = pairings;
        this.imports = imports;
        this.docketService = docketService;
        this.opening = opening;
        this.dockets = dockets;
        this.compensations = compensations;
        this.renditions = renditions;
        this.releases = releases;
        this.attempts = attempts;
        this.wedgePrinting = wedgePrinting;
        this.tones = tones;
        this.wraps = wraps;
        this.entries = entries;
        this.events = events;
        this.shutdown = shutdown;
        this.transaction = transaction;
    }

    /**
     * @param ready the printers were asked and the bench is laid
     * @param doing what is being done until then, for people
     * @param largestFile that can be dropped, in bytes
     */
    record Status(boolean ready, String doing, long largestFile) {
        Status(boolean ready, String doing) {
            this(ready, doing, MasterImport.LARGEST_BYTES);
        }
    }

    @RestController
    static class StatusController {
        private final DemoScenario scenario;

        StatusController(DemoScenario scenario) {
            this.scenario = scenario;
        }

        @GetMapping("/api/status")
        Status status() {
            return scenario.status;
        }
    }

    record PairingPlan(String printer, String paper, String surface, PaperBody body, Map<String, String> settings, String profile, Intent intent) {
    }

    record Judged(String verdict, String remark, Boolean cancelled) {
    }

    /** @param compensation name under which the moves that are suggested for it are kept */
    record DocketPlan(String picture, String title, String printer, String paper, Double rollInches, String sheet, Boolean across, Double widthMm, Double heightMm, Frame.Fit fit, Boolean heavierFoot,
                      Intent intent, Boolean looked, Boolean profileTaken, String mediaType, Boolean byDriver, Treatment treatment, String compensation, List<Judged> prints, WrapPlan wrap) {
    }

    /** A body as a person would type it, and what fills its sides. */
    record WrapPlan(WrapService.WrapAsked body, SideFill fill, SideMoves moves) {
    }

    /**
     * A wedge in one mode of a pairing.
     *
     * @param reading   a file of readings of a scale that was printed elsewhere, {@code monthsAgo}; else the wedge is printed and read here
     * @param kept      its curve is put in force
     * @param proved    it is printed once more through its curve
     */
    record WedgePlan(String printer, String paper, WedgePrinting.Way way, Map<String, String> settings, Intent intent, Boolean blackPoint, String reading, Integer monthsAgo, Boolean kept, Boolean proved) {
        private String key() {
            return "wedge:" + printer + ":" + paper + ":" + way + ":" + settings + ":" + intent + ":" + blackPoint + ":" + reading;
        }
    }

    record Scenario(List<PairingPlan> pairings, List<DocketPlan> dockets, List<WedgePlan> wedges) {
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        Thread thread = new Thread(() -> {
            try {
                run();
            } catch (Throwable e) {
                LOG.error("the demo could not be laid out whole", e);
                status = new Status(true, "");
            }
        }, "demo");
        thread.setDaemon(true);
        thread.start();
    }

    private void run() {
        Scenario scenario = null;
        try {
            Map<String, UUID> known = printers();
            if (!folder.isBlank()) {
                scenario = lay(known);
            }
        } catch (IOException | WistelException | DataAccessException e) {
            if (!shutdown.underWay()) {
                LOG.error("the demo could not be loaded whole; what is missing is loaded at the next start", e);
            }
        } finally {
            status = new Status(true, "");
            events.tell("status", "ready");
        }
        if (scenario != null) {
            scenario.dockets.forEach(this::print);
            scenario.wedges.forEach(this::wedge);
        }
    }

    private void say(String doing) {
        status = new Status(false, doing);
        events.tell("status", doing);
    }

    /** A printer that doesn't answer at start is known by an earlier one, or asked again at the next. */
    private Map<String, UUID> printers() {
        Map<String, UUID> known = new HashMap<>();
        for (String entry : printerList.split(",")) {
            String[] pair = entry.trim().split("=", 2);
            if (pair.length == 2) {
                say("asking " + pair[0] + " what it can");
                try {
                    known.put(pair[0], printers.know(Optional.of(pair[0]), pair[1]));
                } catch (PrinterException e) {
                    LOG.warn("{} at {}: {}", pair[0], pair[1], e.getMessage());
                }
            }
        }
        return known;
    }

    private Scenario lay(Map<String, UUID> known) throws IOException {
        Path demo = Path.of(folder);
        Scenario scenario = mapper.readValue(Files.readString(demo.resolve("scenario.json")), Scenario.class);
        for (PairingPlan plan : scenario.pairings) {
            UUID printer = known.get(plan.printer);
            if (printer == null) {
                LOG.error("the demo's printer {} doesn't answer", plan.printer);
                return null;
            }
            pairing(demo, plan, printer);
        }
        int nth = 0;
        for (DocketPlan plan : scenario.dockets) {
            nth++;
            if (!shutdown.underWay() && !entries.has("docket:" + plan.title)) {
                say("laying out the demo, picture " + nth + " of " + scenario.dockets.size());
                open(demo, plan);
            }
        }
        LOG.info("demo: {} dockets are on the bench", scenario.dockets.size());
        return scenario;
    }

    /** A new pairing, or another version of one whose profile or settings were made anew. */
    private void pairing(Path demo, PairingPlan plan, UUID printer) throws IOException {
        // the first printer's were laid out before there was a second one
        String key = "pairing:" + (plan.printer.equals(FIRST_PRINTER) ? "" : plan.printer + ":") + plan.paper;
        boolean there = entries.has(key);
        Optional<PairingVersion> before = pairings.all().stream().filter(p -> p.paper().equals(plan.paper) && p.printerId().equals(printer.toString())).findFirst();
        IccProfile profile = ProfileReader.read(Files.readAllBytes(demo.resolve(plan.profile)));
        boolean same = before.filter(b -> b.profileHash().equals(profile.hash()) && b.body().equals(plan.body)).isPresent();
        if (there && before.isEmpty()) {
            // retired by a person
            return;
        }
        if (same) {
            if (!there) {
                entries.add(key, Optional.empty());
            }
            return;
        }
        say("reading the profile of " + plan.paper);
        profiles.add(profile);
        Lab white = LabEncoding.V4.lab(TransformCompiler.toMeasuredLab(profile).exact(1, 1, 1));
        Lab black = LabEncoding.V4.lab(TransformCompiler.toMeasuredLab(profile).exact(0, 0, 0));
        PairingVersion pairing = new PairingVersion(before.map(PairingVersion::pairingId).orElseGet(() -> UUID.randomUUID().toString()), 1, printer.toString(), plan.printer, plan.paper, plan.surface,
            plan.body, new DriverSettings(plan.settings), profile.hash(), plan.intent, white, black.l());
        transaction.executeWithoutResult(t -> {
            pairings.add(pairing);
            if (!there) {
                entries.add(key, Optional.empty());
            }
        });
    }

    /** Picture, docket and decisions, all or none of it on the bench. */
    private void open(Path demo, DocketPlan plan) throws IOException {
        Path file = demo.resolve(plan.picture);
        MasterImport.Taken taken;
        try (InputStream in = Files.newInputStream(file)) {
            taken = imports.take(file.getFileName().toString(), in);
        }
        double aspect = (double) taken.master().width() / taken.master().height();
        UUID docket = transaction.execute(t -> {
            UUID id = opening.open(taken);
            decide(id, plan, aspect);
            entries.add("docket:" + plan.title, Optional.of(id));
            return id;
        });
        events.tell("docket", docket.toString());
    }

    private void decide(UUID id, DocketPlan plan, double aspect) {
        change(id, new DocketCommand.Titled(plan.title));
        if (Boolean.TRUE.equals(plan.profileTaken)) {
            change(id, new PictureCommand.ProfileConfirmed(DocketService.FIRST_RENDITION));
        }
        pairings.all().stream().filter(p -> p.paper().equals(plan.paper) && p.printerName().equals(plan.printer == null ? FIRST_PRINTER : plan.printer)).findFirst().ifPresent(p -> change(id, new Change.Paired(p)));
        if (plan.intent != null) {
            change(id, new MachineCommand.Routed(new ColourRoute.ByWistel(plan.intent, true)));
        }
        if (plan.sheet != null) {
            change(id, new SheetCommand.Stocked(Stock.Sheet.of(SheetSize.named(plan.sheet).orElseThrow()), Optional.empty()));
            if (dockets.get(id).spec().single().plan().across() != Boolean.TRUE.equals(plan.across)) {
                change(id, new SheetCommand.Turned());
            }
            change(id, new PieceCommand.Framed(DocketSpec.FIRST_ITEM, plan.widthMm, plan.fit == Frame.Fit.FILL ? plan.heightMm : plan.widthMm / aspect));
            change(id, new PieceCommand.Fitted(DocketSpec.FIRST_ITEM, plan.fit == null ? Frame.Fit.WHOLE : plan.fit));
            change(id, new SheetCommand.Bordered(Boolean.TRUE.equals(plan.heavierFoot) ? new Borders.HeavierFoot() : new Borders.Even()));
        }
        if (plan.rollInches != null) {
            change(id, new SheetCommand.Stocked(new Stock.Roll(plan.rollInches * Length.MM_PER_INCH), Optional.empty()));
            if (dockets.get(id).spec().single().plan().across() != Boolean.TRUE.equals(plan.across)) {
                change(id, new SheetCommand.Turned());
            }
            change(id, new PieceCommand.Framed(DocketSpec.FIRST_ITEM, plan.widthMm, plan.widthMm / aspect));
        }
        if (plan.wrap != null) {
            wrap(id, plan.wrap);
        }
        if (plan.mediaType != null) {
            change(id, new MachineCommand.Set(DriverSettings.MEDIA_TYPE, plan.mediaType));
        }
        if (Boolean.TRUE.equals(plan.byDriver)) {
            change(id, new MachineCommand.Routed(new ColourRoute.ByDriver()));
        }
        if (plan.treatment != null) {
            change(id, new PictureCommand.Treated(DocketService.FIRST_RENDITION, plan.treatment));
        }
        if (plan.compensation != null) {
            compensate(id, plan.compensation);
        }
        if (Boolean.TRUE.equals(plan.looked)) {
            docketService.see(id, DocketService.FIRST_RENDITION);
        }
    }

    private void wrap(UUID id, WrapPlan plan) {
        wraps.wrap(id, dockets.get(id).version());
        change(id, new WrapCommand.SidesFilled(plan.fill));
        wraps.change(id, dockets.get(id).version(), plan.body);
        if (plan.moves != null) {
            change(id, new WrapCommand.SidesMoved(plan.moves));
        }
    }

    private void compensate(UUID id, String name) {
        DocketRepository.Row row = dockets.get(id);
        List<Move> moves = renditions.suggestion(row, DocketService.FIRST_RENDITION).moves();
        Compensation kept = compensations.add(new Compensation(UUID.randomUUID().toString(), 1, name, moves), row.spec().pairingId().map(UUID::fromString)).compensation();
        change(id, new PictureCommand.Compensates(DocketService.FIRST_RENDITION, new Compensated(kept.moves(), Optional.of(kept.ref()), true)));
    }

    private void change(UUID id, Change change) {
        docketService.change(id, dockets.get(id).version(), change);
    }

    private void print(DocketPlan plan) {
        int nth = 0;
        for (Judged judged : plan.prints == null ? List.<Judged>of() : plan.prints) {
            String key = "print:" + plan.title + ":" + ++nth;
            Optional<UUID> docket = entries.docket("docket:" + plan.title);
            if (docket.isPresent() && !entries.has(key) && !shutdown.underWay()) {
                print(docket.get(), judged, key);
            }
        }
    }

    private void wedge(WedgePlan plan) {
        if (shutdown.underWay() || entries.has(plan.key())) {
            return;
        }
        Optional<PairingVersion> pairing = pairings.all().stream().filter(p -> p.paper().equals(plan.paper) && p.printerName().equals(plan.printer)).findFirst();
        if (pairing.isEmpty()) {
            return;
        }
        WedgePrinting.AskedMode mode = new WedgePrinting.AskedMode(pairing.get().pairingId(), plan.way, plan.settings, Optional.ofNullable(plan.intent), Optional.ofNullable(plan.blackPoint));
        try {
            WedgeRepository.Row wedge;
            if (plan.reading == null) {
                wedge = wedgePrinting.print(new WedgePrinting.AskedWedge(mode, WEDGE_STEPS, 1, false));
                entries.add(plan.key(), wedge.docketId());
                read(wedge);
            } else {
                wedge = wedgePrinting.foreign(mode, WEDGE_STEPS);
                entries.add(plan.key(), Optional.empty());
                try (InputStream file = Files.newInputStream(Path.of(folder).resolve(plan.reading))) {
                    tones.byFile(wedge.number(), file, Optional.of(ZonedDateTime.now().minusMonths(plan.monthsAgo).toInstant()));
                }
            }
            if (Boolean.TRUE.equals(plan.kept)) {
                tones.keep(wedge.number());
            }
            if (Boolean.TRUE.equals(plan.proved)) {
                read(wedgePrinting.prove(wedge, tones.report(wedge, tones.newest(wedge)).curve()));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (IOException | WistelException | DataAccessException e) {
            if (!shutdown.underWay()) {
                LOG.warn("demo wedge: {}", e.getMessage());
            }
        }
    }

    /** Waits for the sheet and has it read. */
    private void read(WedgeRepository.Row wedge) throws InterruptedException {
        for (int i = 0; i < MOST_LOOKS && !shutdown.underWay(); i++) {
            if (tones.attempt(wedge).filter(Attempt::over).isPresent()) {
                tones.byInstrument(wedge.number());
                return;
            }
            Thread.sleep(LOOK_MILLIS);
        }
    }

    private void print(UUID docket, Judged judged, String key) {
        try {
            UUID attempt = transaction.execute(t -> {
                UUID released = releases.release(docket, dockets.get(docket).version(), false);
                entries.add(key, Optional.of(docket));
                attempts.judge(released, judged.verdict, judged.remark);
                return released;
            });
            if (Boolean.TRUE.equals(judged.cancelled)) {
                releases.cancel(attempt);
            }
            for (int i = 0; i < MOST_LOOKS && !shutdown.underWay(); i++) {
                Attempt a = attempts.get(attempt);
                if (a.over()) {
                    events.tell("attempt", attempt.toString());
                    return;
                }
                Thread.sleep(LOOK_MILLIS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (WistelException | DataAccessException e) {
            if (!shutdown.underWay()) {
                LOG.warn("demo print: {}", e.getMessage());
            }
        }
    }
}
