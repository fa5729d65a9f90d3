package wistel.server.arrival;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * A picture file that came in and of which the bench tells.
 *
 * @param masterHash empty where the file couldn't be read
 * @param words      what happened and what to do; blank where the state says all
 * @param dockets    pictures that it may be the newer file of, or became; for an opened one the docket
 */
public record Arrival(UUID id, String fileName, Optional<String> masterHash, Origin origin, State state, String words, Instant came,
    List<ArrivalPlace> dockets) {
    /** Dropped by a person, or found in the watched folder. */
    public enum Origin {
        DROPPED, WATCHED
    }

    public enum State {
        /** Another docket, or the newer state of a picture on one: a person says. */
        ASKS,
        /** A docket was opened for it. */
        OPENED,
        /** It became the newer state of pictures on dockets. */
        NEWER,
        /** It can't be read, and is left where it is. */
        UNREADABLE
    }

    Arrival at(List<ArrivalPlace> places) {
        return new Arrival(id, fileName, masterHash, origin, state, words, came, places);
    }

    public record ArrivalPlace(UUID docketId, int number, String title, String renditionId) {
    }
}
