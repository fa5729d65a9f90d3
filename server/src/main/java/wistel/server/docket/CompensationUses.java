package wistel.server.docket;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.docket.changes.PictureCommand;
import wistel.core.fault.Conflict;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.Compensation;
import wistel.core.rendition.CompensationRef;
import wistel.core.rendition.Move;
import wistel.core.rendition.Rendition;
import wistel.server.compensation.CompensationRepository;
import wistel.server.edge.Events;

/** What dockets have to do with kept compensations: which use one, which follow its next version. Each is done whole or not at all. */
@Service
class CompensationUses {
    private final CompensationRepository compensations;
    private final DocketRepository dockets;
    private final Events events;

    CompensationUses(CompensationRepository compensations, DocketRepository dockets, Events events) {
        this.compensations = compensations;
        this.dockets = dockets;
        this.events = events;
    }

    /** @param version of it that the docket was judged with */
    record CompensationUse(UUID docketId, int docketNumber, String title, int version) {
    }

    List<CompensationUse> of(String id) {
        List<CompensationUse> uses = new ArrayList<>();
        for (DocketRepository.Row row : dockets.using(id)) {
            row.spec().renditions().stream().flatMap(r -> r.compensation().kept().stream()).filter(k -> k.id().equals(id))
                .map(CompensationRef::version).distinct()
                .forEach(version -> uses.add(new CompensationUse(row.id(), row.number(), row.spec().title(), version)));
        }
        return uses;
    }

    /**
     * The next version.
     *
     * @param follow whether dockets that use an earlier one take it
     */
    @Transactional
    public void next(UUID id, List<Move> moves, Optional<UUID> pairingId, boolean follow) {
        Compensation made = compensations.follow(id, moves, pairingId).compensation();
        if (follow) {
            of(made.id()).stream().map(CompensationUse::docketId).distinct().forEach(docket -> follow(docket, made));
        }
    }

    private void follow(UUID docket, Compensation made) {
        for (Rendition r : dockets.locked(docket).spec().renditions()) {
            if (r.compensation().kept().filter(k -> k.id().equals(made.id()) && k.version() < made.version()).isPresent()) {
                dockets.change(docket, dockets.get(docket).version(),
                    new PictureCommand.Compensates(r.id(), new Compensated(made.moves(), Optional.of(made.ref()), r.compensation().on())));
            }
        }
        events.publish("docket", docket.toString());
    }

    /** @throws Conflict when a docket or paper uses it; none can come to use it meanwhile */
    @Transactional
    public void delete(UUID id) {
        Compensation now = compensations.locked(id);
        List<CompensationUse> uses = of(now.id());
        if (!uses.isEmpty()) {
            List<String> where = uses.stream().map(u -> "docket " + u.docketNumber + " (" + u.title + ")").distinct().toList();
            throw new Conflict(Conflict.Reason.IN_USE, "“" + now.name() + "” is used by " + String.join(", ", where) + ".",
                "Choose another compensation there first.", Map.of("dockets", where));
        }
        List<String> usualOn = compensations.usualOn(id);
        if (!usualOn.isEmpty()) {
            throw new Conflict(Conflict.Reason.IN_USE, "New dockets on " + String.join(", ", usualOn) + " start with “" + now.name() + "”.",
                "Let them start with another one first.");
        }
        compensations.delete(id);
    }
}
