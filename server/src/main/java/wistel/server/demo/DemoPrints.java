package wistel.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.fault.WistelException;
import wistel.core.pairing.PairingVersion;
import wistel.server.demo.DemoPlan.DocketPlan;
import wistel.server.demo.DemoPlan.Judged;
import wistel.server.demo.DemoPlan.WedgePlan;
import wistel.server.docket.DocketRepository;
import wistel.server.edge.Events;
import wistel.server.edge.Shutdown;
import wistel.server.pairing.PairingRepository;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptRepository;
import wistel.server.print.ReleaseService;
import wistel.server.tone.ToneService;
import wistel.server.tone.WedgePrinting;
import wistel.server.tone.WedgeRepository;

/** Prints the demo's dockets and wedges, and judges and reads what comes out. */
@Component
class DemoPrints {
    private static final Logger LOG = LoggerFactory.getLogger(DemoPrints.class);
    private static final int WEDGE_STEPS = 33;
    private static final int MOST_LOOKS = 600;
    private static final int LOOK_MILLIS = 200;

    private final String folder;
    private final ReleaseService releases;
    private final AttemptRepository attempts;
    private final DocketRepository dockets;
    private final PairingRepository pairings;
    private final WedgePrinting wedgePrinting;
    private final ToneService tones;
    private final DemoRepository entries;
    private final Events events;
    private final Shutdown shutdown;
    private final TransactionTemplate transaction;

    DemoPrints(@Value("${wistel.demo}") String folder, ReleaseService releases, AttemptRepository attempts, DocketRepository dockets,
        PairingRepository pairings, WedgePrinting wedgePrinting, ToneService tones, DemoRepository entries, Events events,
        Shutdown shutdown, TransactionTemplate transaction) {
        this.folder = folder;
        this.releases = releases;
        this.attempts = attempts;
        this.dockets = dockets;
        this.pairings = pairings;
        this.wedgePrinting = wedgePrinting;
        this.tones = tones;
        this.entries = entries;
        this.events = events;
        this.shutdown = shutdown;
        this.transaction = transaction;
    }

    void print(DocketPlan plan) {
        int nth = 0;
        for (Judged judged : plan.prints() == null ? List.<Judged>of() : plan.prints()) {
            String key = "print:" + plan.title() + ":" + ++nth;
            Optional<UUID> docket = entries.docket("docket:" + plan.title());
            if (docket.isPresent() && !entries.has(key) && !shutdown.underWay()) {
                print(docket.get(), judged, key);
            }
        }
    }

    void wedge(WedgePlan plan) {
        if (shutdown.underWay() || entries.has(plan.key())) {
            return;
        }
        Optional<PairingVersion> pairing = pairings.all().stream()
            .filter(p -> p.paper().equals(plan.paper()) && p.printerName().equals(plan.printer())).findFirst();
        if (pairing.isEmpty()) {
            return;
        }
        WedgePrinting.AskedMode mode = new WedgePrinting.AskedMode(pairing.get().pairingId(), plan.way(), plan.settings(),
            Optional.ofNullable(plan.intent()), Optional.ofNullable(plan.blackPoint()));
        try {
            WedgeRepository.Row wedge;
            if (plan.reading() == null) {
                wedge = wedgePrinting.print(new WedgePrinting.AskedWedge(mode, WEDGE_STEPS, 1, false));
                entries.add(plan.key(), wedge.docketId());
                read(wedge);
            } else {
                wedge = wedgePrinting.foreign(mode, WEDGE_STEPS);
                entries.add(plan.key(), Optional.empty());
                try (InputStream file = Files.newInputStream(Path.of(folder).resolve(plan.reading()))) {
                    tones.byFile(wedge.number(), file,
                        Optional.of(ZonedDateTime.now(ZoneId.systemDefault()).minusMonths(plan.monthsAgo()).toInstant()));
                }
            }
            if (Boolean.TRUE.equals(plan.kept())) {
                tones.keep(wedge.number());
            }
            if (Boolean.TRUE.equals(plan.proved())) {
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
                attempts.judge(released, judged.verdict(), judged.remark());
                return released;
            });
            if (Boolean.TRUE.equals(judged.cancelled())) {
                releases.cancel(attempt);
            }
            for (int i = 0; i < MOST_LOOKS && !shutdown.underWay(); i++) {
                Attempt a = attempts.get(attempt);
                if (a.over()) {
                    events.publish("attempt", attempt.toString());
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
