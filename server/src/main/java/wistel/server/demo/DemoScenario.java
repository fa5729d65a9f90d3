package wistel.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.docket.DocketSpec;
import wistel.core.docket.DocketSpec.Borders;
import wistel.core.docket.DocketSpec.Fit;
import wistel.core.docket.DocketSpec.MachineSpec;
import wistel.core.docket.DocketSpec.PictureSpec;
import wistel.core.docket.DocketSpec.ProofSpec;
import wistel.core.docket.DocketSpec.SizeSpec;
import wistel.core.fault.WistelException;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.paper.Pairing;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketService;
import wistel.server.edge.Events;
import wistel.server.master.MasterImport;
import wistel.server.pairing.PairingRepository;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptRepository;
import wistel.server.print.ReleaseService;
import wistel.server.printer.PrinterWatch;
import wistel.server.store.ProfileRepository;

/**
 * Makes the printers named in the settings known at every start, and fills an empty database with the demo's work of an invented
 * photographer, through the same services that a person's clicks go through: pictures are imported, dockets decided, sheets printed.
 */
@Component
class DemoScenario {
    private static final Logger LOG = LoggerFactory.getLogger(DemoScenario.class);

    private final String folder;
    private final String printerList;
    private final JsonMapper mapper;
    private final PrinterWatch printers;
    private final ProfileRepository profiles;
    private final PairingRepository pairings;
    private final MasterImport imports;
    private final DocketService docketService;
    private final DocketRepository dockets;
    private final ReleaseService releases;
    private final AttemptRepository attempts;
    private final Events events;

    DemoScenario(@Value("${wistel.demo}") String folder, @Value("${wistel.printers}") String printerList, JsonMapper mapper, PrinterWatch printers,
                 ProfileRepository profiles, PairingRepository pairings, MasterImport imports, DocketService docketService, DocketRepository dockets, ReleaseService releases,
                 AttemptRepository attempts, Events events) {
        this.folder = folder;
        this.printerList = printerList;
        this.mapper = mapper;
        this.printers = printers;
        this.profiles = profiles;
        this.pairings = pairings;
        this.imports = imports;
        this.docketService = docketService;
        this.dockets = dockets;
        this.releases = releases;
        this.attempts = attempts;
        this.events = events;
    }

    record PairingPlan(String paper, String surface, String mediaType, String feed, int quality, String profile, Intent intent) {
    }

    record Judged(String verdict, String remark, Boolean cancelled) {
    }

    record DocketPlan(String picture, String title, String paper, String sheet, Boolean across, Double widthMm, Double heightMm, Fit fit, Borders borders,
                      Intent intent, Boolean looked, Boolean profileTaken, String mediaType, DocketSpec.ColourBy colourBy, List<Judged> prints) {
    }

    record Scenario(String printer, List<PairingPlan> pairings, List<DocketPlan> dockets) {
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        Map<String, UUID> known = new java.util.HashMap<>();
        for (String entry : printerList.split(",")) {
            String[] pair = entry.trim().split("=", 2);
            if (pair.length == 2) {
                known.put(pair[0], printers.know(pair[0], pair[1]));
            }
        }
        if (folder.isBlank() || !pairings.all().isEmpty()) {
            return;
        }
        try {
            load(known);
        } catch (IOException | WistelException e) {
            LOG.error("the demo could not be loaded whole", e);
        }
    }

    private void load(Map<String, UUID> known) throws IOException {
        Path demo = Path.of(folder);
        Scenario scenario = mapper.readValue(Files.readString(demo.resolve("scenario.json")), Scenario.class);
        UUID printer = known.get(scenario.printer);
        if (printer == null) {
            LOG.error("the demo's printer {} is not among the printers given", scenario.printer);
            return;
        }
        for (PairingPlan plan : scenario.pairings) {
            pairings.add(pairing(demo, plan, printer, scenario.printer));
        }
        record Printed(UUID docket, List<Judged> prints) {
        }
        List<Printed> toPrint = new ArrayList<>();
        for (DocketPlan plan : scenario.dockets) {
            UUID id = open(demo, plan);
            if (plan.prints != null && !plan.prints.isEmpty()) {
                toPrint.add(new Printed(id, plan.prints));
            }
            events.tell("docket", id.toString());
        }
        LOG.info("demo: {} dockets are on the bench", scenario.dockets.size());
        Thread history = new Thread(() -> toPrint.forEach(p -> p.prints.forEach(j -> print(p.docket, j))), "demo-history");
        history.setDaemon(true);
        history.start();
    }

    private Pairing pairing(Path demo, PairingPlan plan, UUID printer, String printerName) throws IOException {
        IccProfile profile = ProfileReader.read(Files.readAllBytes(demo.resolve(plan.profile)));
        profiles.add(profile);
        Lab white = LabEncoding.V4.lab(TransformCompiler.toMeasuredLab(profile).exact(1, 1, 1));
        Lab black = LabEncoding.V4.lab(TransformCompiler.toMeasuredLab(profile).exact(0, 0, 0));
        return new Pairing(UUID.randomUUID().toString(), printer.toString(), printerName, plan.paper, plan.surface, plan.mediaType, plan.feed, plan.quality,
            profile.hash(), plan.intent, white.toArray(), black.l());
    }

    private UUID open(Path demo, DocketPlan plan) throws IOException {
        Path file = demo.resolve(plan.picture);
        MasterImport.Taken taken;
        try (InputStream in = Files.newInputStream(file)) {
            taken = imports.take(file.getFileName().toString(), in);
        }
        UUID id = docketService.open(taken.master());
        DocketSpec d = dockets.get(id).decisions().withTitle(plan.title).withPicture(new PictureSpec(Boolean.TRUE.equals(plan.profileTaken)));
        Optional<Pairing> pairing = pairings.all().stream().filter(p -> p.paper().equals(plan.paper)).findFirst();
        if (pairing.isPresent()) {
            d = d.withPairing(pairing.get());
            d = d.withProof(new ProofSpec(plan.intent == null ? d.proof().intent() : plan.intent, true, d.proof().view(), Boolean.TRUE.equals(plan.looked)));
        }
        if (plan.mediaType != null) {
            d = d.withMachine(new MachineSpec(plan.mediaType, d.machine().feed(), d.machine().quality(), d.machine().colourBy()));
        }
        if (plan.colourBy != null) {
            d = d.withMachine(new MachineSpec(d.machine().mediaType(), d.machine().feed(), d.machine().quality(), plan.colourBy));
        }
        if (plan.sheet != null) {
            double aspect = (double) taken.master().width() / taken.master().height();
            double height = plan.fit == Fit.FILL ? plan.heightMm : plan.widthMm / aspect;
            SizeSpec z = d.size();
            d = d.withSize(new SizeSpec(plan.sheet, Boolean.TRUE.equals(plan.across), plan.widthMm, height, plan.fit == null ? Fit.WHOLE : plan.fit, 0.5, 0.5,
                plan.borders == null ? Borders.EVEN : plan.borders, z.pixels(), z.resamplePpi(), 0));
        }
        docketService.decide(id, dockets.get(id).version(), d);
        return id;
    }

    private void print(UUID docket, Judged judged) {
        try {
            UUID attempt = releases.release(docket, dockets.get(docket).version());
            if (Boolean.TRUE.equals(judged.cancelled)) {
                releases.cancel(attempt);
            }
            for (int i = 0; i < 600; i++) {
                Attempt a = attempts.get(attempt);
                if (a.over()) {
                    attempts.judge(attempt, judged.verdict, judged.remark);
                    events.tell("attempt", attempt.toString());
                    return;
                }
                Thread.sleep(200);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (WistelException e) {
            LOG.warn("demo print: {}", e.getMessage());
        }
    }
}
