package wistel.server.arrival;

import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.fault.InvalidRequest;
import wistel.server.arrival.NewerStates.DocketPicture;
import wistel.server.docket.DocketOpening;
import wistel.server.docket.DocketRepository;
import wistel.server.edge.Events;
import wistel.server.master.Master;
import wistel.server.master.MasterImport;

/** What a picture file that comes in becomes: a docket, the newer state of a picture on one, or a question to a person. */
@Service
class ArrivalService {
    /** What a newer file in the watched folder becomes by itself. */
    enum Newer {
        /** The newer state of its pictures, where all of their decisions can follow. */
        TAKEN,
        /** A question. */
        ASKED
    }

    private final ArrivalRepository arrivals;
    private final WatchedFileRepository watched;
    private final NewerStates newer;
    private final DocketOpening opening;
    private final DocketRepository dockets;
    private final Events events;
    private final TransactionTemplate transaction;

    ArrivalService(ArrivalRepository arrivals, WatchedFileRepository watched, NewerStates newer, DocketOpening opening,
        DocketRepository dockets, Events events, TransactionTemplate transaction) {
        this.arrivals = arrivals;
        this.watched = watched;
        this.newer = newer;
        this.opening = opening;
        this.dockets = dockets;
        this.events = events;
        this.transaction = transaction;
    }

    /**
     * @param docket  that was opened; empty where a person is asked first
     * @param arrival that asks
     */
    record Came(Optional<UUID> docket, Optional<UUID> arrival, String notice) {
    }

    /** One that a person dropped on the bench. */
    Came dropped(MasterImport.Taken taken, Optional<UUID> from) {
        List<DocketPicture> candidates = newer.candidates(taken.master(), taken.fileName());
        if (candidates.isEmpty()) {
            return opened(taken, Optional.empty(), from);
        }
        UUID id = transaction.execute(status -> arrivals.add(came(taken, Arrival.Origin.DROPPED, Arrival.State.ASKS, "", Optional.empty()),
            candidates));
        events.publish("arrival", id.toString());
        return new Came(Optional.empty(), Optional.of(id), "");
    }

    /** A docket for a picture that was brought. */
    Came opened(MasterImport.Taken taken, Optional<UUID> like, Optional<UUID> from) {
        DocketOpening.Like opened = opening.open(taken, like, from);
        events.publish("docket", opened.docket().toString());
        return new Came(Optional.of(opened.docket()), Optional.empty(), (taken.notice() + " " + opened.notice()).strip());
    }

    private static ArrivalRepository.Came came(MasterImport.Taken taken, Arrival.Origin origin, Arrival.State state, String words,
        Optional<String> path) {
        return new ArrivalRepository.Came(taken.fileName(), Optional.of(taken.master().hash()), origin, state, words, path);
    }

    List<Arrival> all() {
        return arrivals.all();
    }

    /** How the file of one that asks stands to what it may be the newer state of. */
    List<NewerStates.FileCompared> compared(UUID id) {
        Arrival arrival = arrivals.asking(id);
        Master master = newer.master(arrival.masterHash().orElseThrow());
        return arrival.dockets().stream().map(w -> newer.compared(master, new DocketPicture(w.docketId(), w.renditionId()))).toList();
    }

    /**
     * What a person says: a docket of its own, or the newer state of these pictures.
     *
     * @param pictures none for a docket of its own
     */
    Came answer(UUID id, List<DocketPicture> pictures) {
        Came answered = transaction.execute(status -> {
            Arrival arrival = arrivals.asking(id);
            Set<DocketPicture> asked = new HashSet<>();
            arrival.dockets().forEach(w -> asked.add(new DocketPicture(w.docketId(), w.renditionId())));
            if (!asked.containsAll(pictures)) {
                throw new InvalidRequest(InvalidRequest.Reason.RENDITION_UNKNOWN, "This file isn't asked about for that picture.",
                    "Drop it on the docket itself.");
            }
            Master master = newer.master(arrival.masterHash().orElseThrow());
            arrivals.forget(id);
            if (pictures.isEmpty()) {
                return opened(new MasterImport.Taken(master, "", arrival.fileName()), Optional.empty(), Optional.empty());
            }
            take(pictures, master, arrival.fileName());
            return new Came(Optional.of(pictures.get(0).docketId()), Optional.empty(), "");
        });
        events.publish("arrival", id.toString());
        return answered;
    }

    private void take(List<DocketPicture> pictures, Master master, String fileName) {
        for (DocketPicture on : pictures) {
            newer.take(on, dockets.get(on.docketId()).version(), master, fileName);
            events.publish("docket", on.docketId().toString());
        }
    }

    void forget(UUID id) {
        arrivals.forget(id);
        events.publish("arrival", id.toString());
    }

    /** A file of the watched folder that was read. Either all of what it becomes is kept with it, or nothing. */
    void watched(WatchedFileRepository.Watched file, MasterImport.Taken taken, Newer choice) {
        Master master = taken.master();
        boolean known = here(file.path(), master, taken.fileName());
        List<DocketPicture> candidates = known ? List.of() : newer.candidates(master, taken.fileName());
        boolean follows = choice == Newer.TAKEN && candidates.stream().allMatch(c -> newer.follows(master, c));
        transaction.executeWithoutResult(status -> {
            if (!watched.keep(file)) {
                return;
            }
            arrivals.forget(file.path());
            Optional<String> path = Optional.of(file.path());
            if (known) {
                return;
            }
            if (candidates.isEmpty()) {
                UUID docket = opened(taken, Optional.empty(), Optional.empty()).docket().orElseThrow();
                arrivals.add(came(taken, Arrival.Origin.WATCHED, Arrival.State.OPENED, taken.notice(), path),
                    List.of(new DocketPicture(docket, dockets.get(docket).spec().renditions().get(0).id())));
            } else if (follows) {
                take(candidates, master, taken.fileName());
                arrivals.add(came(taken, Arrival.Origin.WATCHED, Arrival.State.NEWER, "", path), candidates);
            } else {
                arrivals.add(came(taken, Arrival.Origin.WATCHED, Arrival.State.ASKS, "", path), candidates);
            }
        });
        events.publish("arrival", file.path());
    }

    /** Whether this very file needs nothing: it is on the bench under its name, or was renamed since it was taken. */
    private boolean here(String path, Master master, String fileName) {
        boolean named = NewerStates.stem(master.fileName()).equals(NewerStates.stem(fileName))
            && !newer.holding(Set.of(master.hash())).isEmpty();
        return named || watched.taken(master.hash()).stream()
            .anyMatch(p -> !p.equals(path) && !Files.exists(Path.of(p), LinkOption.NOFOLLOW_LINKS));
    }

    /** A file of the watched folder that can't be read. */
    void unreadable(WatchedFileRepository.Watched file, String fileName, String words) {
        transaction.executeWithoutResult(status -> {
            if (watched.keep(file)) {
                arrivals.forget(file.path());
                arrivals.add(new ArrivalRepository.Came(fileName, Optional.empty(), Arrival.Origin.WATCHED, Arrival.State.UNREADABLE, words,
                    Optional.of(file.path())), List.of());
            }
        });
        events.publish("arrival", file.path());
    }
}
