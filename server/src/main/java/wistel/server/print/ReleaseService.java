package wistel.server.print;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.docket.DocketSpec;
import wistel.core.docket.Finding;
import wistel.core.docket.Preflight;
import wistel.core.docket.PreflightFacts;
import wistel.core.docket.Readback;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.paper.Pairing;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketService;
import wistel.server.edge.Events;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;

/** Releases dockets: records the attempt and its first task in one transaction, so that neither is ever there without the other. */
@Service
public class ReleaseService {
    private final DocketRepository dockets;
    private final DocketService docketService;
    private final MasterRepository masters;
    private final AttemptRepository attempts;
    private final SchedulerClient scheduler;
    private final Events events;
    private final Clock clock;

    public ReleaseService(DocketRepository dockets, DocketService docketService, MasterRepository masters, AttemptRepository attempts, @Lazy SchedulerClient scheduler,
                     Events events, Clock clock) {
        this.dockets = dockets;
        this.docketService = docketService;
        this.masters = masters;
        this.attempts = attempts;
        this.scheduler = scheduler;
        this.events = events;
        this.clock = clock;
    }

    /** @throws InvalidRequest when a finding stops the print, or the docket is on its way already */
    @Transactional
    public UUID release(UUID docketId, int version) {
        DocketRepository.Row docket = dockets.get(docketId);
        if (docket.version() != version) {
            throw new Conflict(Conflict.Reason.STALE, "This docket was changed in another window meanwhile.", "Look at it as it is now, then release it.");
        }
        Master master = masters.get(docket.masterId());
        DocketSpec d = docket.decisions();
        PreflightFacts s = docketService.facts(d, master);
        List<Finding> stops = Preflight.findings(d, s).stream().filter(f -> f.severity() == Finding.Severity.STOP).toList();
        if (!stops.isEmpty()) {
            throw new Conflict(Conflict.Reason.STOPPED, "The docket can't be printed: " + stops.get(0).what(), "Mend it first; the release station shows how.");
        }
        refuseTwice(docketId);
        Pairing pairing = s.pairing().orElseThrow();
        UUID id = attempts.add(docketId, UUID.fromString(pairing.printerId()), master.hash(), pairing.profileHash(), d, Readback.of(d, s), Optional.empty());
        scheduler.scheduleIfNotExists(PrintTasks.RENDER.instance(id.toString()).build(), clock.instant());
        events.tell("attempt", id.toString());
        return id;
    }

    /** The same again: same decisions, same profile and, when it is still there, the very same print file. */
    @Transactional
    public UUID again(UUID attemptId) {
        Attempt a = attempts.get(attemptId);
        refuseTwice(a.docketId());
        UUID id = attempts.add(a.docketId(), a.printerId(), a.masterHash(), a.profileHash(), a.decisions(), a.readback(), a.fileHash());
        scheduler.scheduleIfNotExists(PrintTasks.RENDER.instance(id.toString()).build(), clock.instant());
        events.tell("attempt", id.toString());
        return id;
    }

    private void refuseTwice(UUID docketId) {
        if (attempts.running().stream().anyMatch(a -> a.docketId().equals(docketId))) {
            throw new Conflict(Conflict.Reason.PRINTING_ALREADY, "This docket is on its way to the printer already.", "Wait for the sheet, or cancel it first.");
        }
    }

    public void cancel(UUID attemptId) {
        Attempt a = attempts.get(attemptId);
        if (!a.over()) {
            attempts.askCancel(attemptId);
            events.tell("attempt", attemptId.toString());
        }
    }
}
