package wistel.standin.room;

import java.nio.file.Path;
import java.time.Instant;
import java.util.Optional;
import java.util.Properties;

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

    /** As it is kept on disk. */
    Properties stored() {
        Properties p = new Properties();
        p.setProperty("name", ticket.name());
        p.setProperty("user", ticket.user());
        p.setProperty("mediaType", ticket.mediaType());
        p.setProperty("feed", ticket.feed());
        p.setProperty("widthMm", Double.toString(ticket.widthMm()));
        p.setProperty("heightMm", Double.toString(ticket.heightMm()));
        p.setProperty("quality", Integer.toString(ticket.quality()));
        p.setProperty("copies", Integer.toString(ticket.copies()));
        p.setProperty("held", Boolean.toString(ticket.held()));
        p.setProperty("colourMode", ticket.colourMode());
        p.setProperty("intent", ticket.intent());
        p.setProperty("borderless", Boolean.toString(ticket.borderless()));
        p.setProperty("overMm", Double.toString(ticket.overMm()));
        p.setProperty("created", created.toString());
        p.setProperty("state", state.name());
        p.setProperty("reason", reason);
        p.setProperty("format", format);
        p.setProperty("percent", Integer.toString(percent));
        p.setProperty("document", document == null ? "" : document.toString());
        started.ifPresent(t -> p.setProperty("started", t.toString()));
        finished.ifPresent(t -> p.setProperty("finished", t.toString()));
        return p;
    }

    /** @throws RuntimeException when what is kept can't be read */
    static PrintJob of(int id, Properties p) {
        Ticket ticket = new Ticket(p.getProperty("name"), p.getProperty("user"), p.getProperty("mediaType"), p.getProperty("feed"), Double.parseDouble(p.getProperty("widthMm")),
            Double.parseDouble(p.getProperty("heightMm")), Integer.parseInt(p.getProperty("quality")), Integer.parseInt(p.getProperty("copies")),
            Boolean.parseBoolean(p.getProperty("held")), p.getProperty("colourMode"), p.getProperty("intent"),
            Boolean.parseBoolean(p.getProperty("borderless", "false")), Double.parseDouble(p.getProperty("overMm", "0")));
        PrintJob job = new PrintJob(id, ticket, Instant.parse(p.getProperty("created")));
        job.state = State.valueOf(p.getProperty("state"));
        job.reason = p.getProperty("reason");
        job.format = p.getProperty("format");
        job.percent = Integer.parseInt(p.getProperty("percent"));
        job.document = p.getProperty("document").isEmpty() ? null : Path.of(p.getProperty("document"));
        job.started = Optional.ofNullable(p.getProperty("started")).map(Instant::parse);
        job.finished = Optional.ofNullable(p.getProperty("finished")).map(Instant::parse);
        return job;
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
