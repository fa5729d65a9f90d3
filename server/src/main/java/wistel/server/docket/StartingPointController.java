package wistel.server.docket;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.InvalidRequest;
import wistel.core.pairing.PairingVersion;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Plans;
import wistel.server.pairing.PairingRepository;

/** Decisions of dockets that are kept under a name, over REST. */
@RestController
@RequestMapping("/api/starting-points")
class StartingPointController {
    private static final int LONGEST_NAME = 80;

    private final StartingPointRepository points;
    private final DocketRepository dockets;
    private final PairingRepository pairings;

    StartingPointController(StartingPointRepository points, DocketRepository dockets, PairingRepository pairings) {
        this.points = points;
        this.dockets = dockets;
        this.pairings = pairings;
    }

    /**
     * @param paper of its pairing; empty where none was chosen
     * @param words stock and size
     */
    record StartingPointView(UUID id, String name, Optional<String> pairingId, Optional<String> paper, String words) {
    }

    record StartAsked(UUID docketId, String name) {
    }

    @GetMapping
    List<StartingPointView> all() {
        return named(points.all());
    }

    private List<StartingPointView> named(List<StartingPointRepository.StartingPoint> all) {
        Map<String, PairingVersion> known = pairings.known(all.stream().flatMap(p -> p.spec().pairingId().stream()).toList());
        return all.stream().map(p -> named(p, known)).toList();
    }

    private static StartingPointView named(StartingPointRepository.StartingPoint p, Map<String, PairingVersion> known) {
        DocketSpec d = p.spec();
        Frame frame = d.items().get(0).frame();
        Optional<String> paper = d.pairingId().map(known::get).map(PairingVersion::paper);
        String size = Math.round(frame.widthMm()) + " × " + Math.round(frame.heightMm()) + " mm";
        return new StartingPointView(p.id(), p.name(), d.pairingId(), paper,
            d.stock().name() + (Plans.wrap(d.plan()).isPresent() ? ", wrapped"
                : Plans.tiled(d.plan()).isPresent() ? ", over sheets, finished " + size : ", picture " + size));
    }

    /** Keeps a docket's decisions as they are now. */
    @PostMapping
    ResponseEntity<StartingPointView> keep(@RequestBody StartAsked asked) {
        String name = InvalidRequest.named(asked.name, "A starting point's name", LONGEST_NAME);
        DocketSpec d = dockets.get(asked.docketId).spec();
        if (Plans.single(d.plan()).isEmpty() && Plans.wrap(d.plan()).isEmpty() && Plans.tiled(d.plan()).isEmpty()) {
            throw new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS, "Several pictures together are no start for one.",
                "Keep the decisions of a docket with one picture.");
        }
        return ResponseEntity.status(HttpStatus.CREATED).body(named(List.of(points.get(points.add(name, d)))).get(0));
    }

    @DeleteMapping("/{id}")
    ResponseEntity<Void> letGo(@PathVariable UUID id) {
        points.remove(id);
        return ResponseEntity.noContent().build();
    }
}
