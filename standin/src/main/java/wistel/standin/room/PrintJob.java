package wistel.standin.room;

import java.nio.file.Path;
import java.time.Instant;
import java.util.Optional;

/** One job in the printer. Guarded by its printer's lock. */
public final class PrintJob {
    /** Values of job-state (RFC 8011, 5.3.7). */
    public enum State {
        PENDING(3), HELD(4), PROCESSING(5), STOPPED(6), CANCELED(7), ABORTED(8), COMPLETED(9);

        private final int code;

        State(int code) {
            this.code = code;
        }

        public int code() {
            return code;
        }

        public boolean over() {
            return code >= 7;
        }
    }

    private final int id;
    private final Ticket ticket;
    private final Instant created;
    State state = State.HELD;
    String reason = "job-incoming";
    Optional<Instant> started = Optional.empty();
    Optional<Instant> finished = Optional.empty();
    Path document;
    String format = "";
    int percent;
    boolean cancelAsked;

    PrintJob(int id, Ticket ticket, Instant created) {
        this.id = id;
        this.ticket = ticket;
        this.created = created;
    }

    public int id() {
        return id;
    }

    public Ticket ticket() {
        return ticket;
    }

    public Instant created() {
        return created;
    }

    /** What the outside may see of it, all at one moment. */
    public record Seen(int id, Ticket ticket, Instant created, State state, String reason, Optional<Instant> started, Optional<Instant> finished,
                       int percent) {
    }

    Seen seen() {
        return new Seen(id, ticket, created, state, reason, started, finished, percent);
    }
}
