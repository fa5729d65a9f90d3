package wistel.server.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.FeedScale;
import wistel.core.printer.DriverSettings;
import wistel.server.demo.DemoPlan.DocketPlan;
import wistel.server.demo.DemoPlan.PairingPlan;
import wistel.server.demo.DemoPlan.Scenario;
import wistel.server.edge.Shutdown;
import wistel.server.pairing.PairingRepository;
import wistel.server.store.ProfileRepository;

/**
 * Lays out the demo as a person would, through what everybody else uses too. What was laid out once is not laid out again, also when a
 * person took it away.
 */
@Component
public class DemoScenario {
    private static final Logger LOG = LoggerFactory.getLogger(DemoScenario.class);
    private static final String FIRST_PRINTER = "Ardle 17";

    private final String folder;
    private final JsonMapper mapper;
    private final ProfileRepository profiles;
    private final PairingRepository pairings;
    private final DemoRepository entries;
    private final DemoDockets dockets;
    private final DemoPrints prints;
    private final DemoPapers papers;
    private final Shutdown shutdown;
    private final TransactionTemplate transaction;
    private volatile Scenario laid;

    DemoScenario(@Value("${wistel.demo}") String folder, JsonMapper mapper, ProfileRepository profiles, PairingRepository pairings,
        DemoRepository entries, DemoDockets dockets, DemoPrints prints, DemoPapers papers, Shutdown shutdown,
        TransactionTemplate transaction) {
        this.folder = folder;
        // a plan names only what it wants to be different
        this.mapper = mapper.rebuild().disable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES).build();
        this.profiles = profiles;
        this.pairings = pairings;
        this.entries = entries;
        this.dockets = dockets;
        this.prints = prints;
        this.papers = papers;
        this.shutdown = shutdown;
        this.transaction = transaction;
    }

    /** Whether there is one. */
    public boolean wanted() {
        return !folder.isBlank();
    }

    /**
     * Lays out what isn't there yet.
     *
     * @param known printers by name
     * @param say   is told what is being done
     */
    public void lay(Map<String, UUID> known, Consumer<String> say) throws IOException {
        laid = laid(known, say);
    }

    /** Prints what was laid out; takes as long as the printers do. */
    public void print() {
        Optional.ofNullable(laid).ifPresent(scenario -> {
            scenario.dockets().forEach(prints::print);
            scenario.wedges().forEach(prints::wedge);
            Optional.ofNullable(scenario.papers()).ifPresent(papers::lay);
        });
    }

    private Scenario laid(Map<String, UUID> known, Consumer<String> say) throws IOException {
        Path demo = Path.of(folder);
        Scenario scenario = mapper.readValue(Files.readString(demo.resolve("scenario.json")), Scenario.class);
        for (PairingPlan plan : scenario.pairings()) {
            UUID printer = known.get(plan.printer());
            if (printer == null) {
                LOG.error("the demo's printer {} doesn't answer", plan.printer());
                return null;
            }
            pairing(demo, plan, printer, say);
        }
        Optional.ofNullable(scenario.papers()).ifPresent(papers::libraries);
        int nth = 0;
        for (DocketPlan plan : scenario.dockets()) {
            nth++;
            if (!shutdown.underWay() && !entries.has("docket:" + plan.title())) {
                say.accept("laying out the demo, picture " + nth + " of " + scenario.dockets().size());
                dockets.open(demo, plan);
            }
        }
        LOG.info("demo: {} dockets are on the bench", scenario.dockets().size());
        return scenario;
    }

    /** A new pairing, or another version of one whose profile or settings were made anew. */
    private void pairing(Path demo, PairingPlan plan, UUID printer, Consumer<String> say) throws IOException {
        // the first printer's were laid out before there was a second one
        String key = "pairing:" + (plan.printer().equals(FIRST_PRINTER) ? "" : plan.printer() + ":") + plan.paper();
        boolean there = entries.has(key);
        Optional<PairingVersion> before = pairings.all().stream()
            .filter(p -> p.paper().equals(plan.paper()) && p.printerId().equals(printer.toString())).findFirst();
        IccProfile profile = ProfileReader.read(Files.readAllBytes(demo.resolve(plan.profile())));
        boolean same = before.filter(b -> b.profileHash().equals(profile.hash()) && b.body().equals(plan.body())).isPresent();
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
        say.accept("reading the profile of " + plan.paper());
        profiles.add(profile);
        Lab white = LabEncoding.V4.lab(TransformCompiler.toMeasuredLab(profile).exact(1, 1, 1));
        Lab black = LabEncoding.V4.lab(TransformCompiler.toMeasuredLab(profile).exact(0, 0, 0));
        PairingVersion pairing = new PairingVersion(before.map(PairingVersion::pairingId).orElseGet(() -> UUID.randomUUID().toString()), 1,
            printer.toString(), plan.printer(), plan.paper(), plan.surface(),
            plan.body(), new DriverSettings(plan.settings()), profile.hash(), plan.intent(), white, black.l())
            .withFeedScale(before.map(PairingVersion::feedScale).or(plan::feedScale).orElse(FeedScale.NONE));
        transaction.executeWithoutResult(t -> {
            pairings.add(pairing);
            if (!there) {
                entries.add(key, Optional.empty());
            }
        });
    }
}
