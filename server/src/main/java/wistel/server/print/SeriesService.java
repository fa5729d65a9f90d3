package wistel.server.print;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import wistel.core.docket.costs.ReleaseOrder;
import wistel.core.docket.findings.Finding;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.WistelException;
import wistel.core.pairing.PairingVersion;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.edge.Events;

/** Releases several dockets one after the other, and takes them back as long as nothing of them was sent. */
@Service
class SeriesService {
    private static final int MOST_DOCKETS = 200;

    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final ReleaseService releases;
    private final AttemptRepository attempts;
    private final Events events;

    SeriesService(DocketRepository dockets, DocketAssessor assessor, ReleaseService releases, AttemptRepository attempts, Events events) {
        this.dockets = dockets;
        this.assessor = assessor;
        this.releases = releases;
        this.attempts = attempts;
        this.events = events;
    }

    record Released(UUID docketId, int docketNumber, String title, UUID attemptId) {
    }

    /** @param why in words */
    record HeldBack(UUID docketId, int docketNumber, String title, String why) {
    }

    /** @param released in the order of printing */
    record Series(List<Released> released, List<HeldBack> heldBack) {
    }

    /** Each docket is released by itself: what stops one stops no other. */
    Series release(List<UUID> asked) {
        if (asked.isEmpty() || asked.size() > MOST_DOCKETS || asked.stream().distinct().count() != asked.size()) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, asked.size() + " dockets can't be released at once.",
                "Choose 1 to " + MOST_DOCKETS + " different ones.");
        }
        Map<String, List<DocketAssessment>> byPrinter = new LinkedHashMap<>();
        List<HeldBack> heldBack = new ArrayList<>();
        for (UUID id : asked) {
            DocketAssessment judged = assessor.assess(dockets.get(id));
            List<String> stops = judged.findings().stream().filter(f -> f.severity() == Finding.Severity.STOP).map(Finding::what).toList();
            if (stops.isEmpty()) {
                byPrinter.computeIfAbsent(judged.facts().pairing().map(PairingVersion::printerId).orElse(""), k -> new ArrayList<>())
                    .add(judged);
            } else {
                heldBack.add(heldBack(judged.row(), String.join(" ", stops)));
            }
        }
        List<Released> released = new ArrayList<>();
        for (List<DocketAssessment> ofPrinter : byPrinter.values()) {
            List<ReleaseOrder.Needs> needs = ofPrinter.stream().map(SeriesService::needs).toList();
            for (int i : ReleaseOrder.of(needs, ofPrinter.get(0).facts().state().blackInk())) {
                DocketRepository.Row row = ofPrinter.get(i).row();
                try {
                    released
                        .add(new Released(row.id(), row.number(), row.spec().title(), releases.release(row.id(), row.version(), false)));
                } catch (WistelException e) {
                    heldBack.add(heldBack(row, e.getMessage()));
                }
            }
        }
        return new Series(released, heldBack);
    }

    private static ReleaseOrder.Needs needs(DocketAssessment judged) {
        DocketSpec d = judged.row().spec();
        return new ReleaseOrder.Needs(judged.facts().wantedBlack(d), d.settings().feed(), d.stock().name());
    }

    private static HeldBack heldBack(DocketRepository.Row row, String why) {
        return new HeldBack(row.id(), row.number(), row.spec().title(), why);
    }

    /** @param goingOn attempts of which something was sent already */
    record TakenBack(List<UUID> takenBack, List<UUID> goingOn) {
    }

    TakenBack takeBack(List<UUID> asked) {
        List<UUID> back = asked.stream().filter(attempts::askCancelUnsent).toList();
        back.forEach(id -> events.publish("attempt", id.toString()));
        return new TakenBack(back, asked.stream().filter(id -> !back.contains(id)).toList());
    }
}
