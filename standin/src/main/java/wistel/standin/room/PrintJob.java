package wistel.standin.room;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.stream.Collectors;

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
    /** What it took, once it came out. */
    double inkMl;
    double preparedSeconds;
    /** How long it stood still in the middle of a sheet. */
    Duration stood = Duration.ZERO;

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
        ticket.settings().forEach((name, value) -> p.setProperty("set." + name, value));
        p.setProperty("widthMm", Double.toString(ticket.widthMm()));
        p.setProperty("heightMm", Double.toString(ticket.heightMm()));
        ticket.marginsMm()
            .ifPresent(m -> p.setProperty("margins", m.stream().map(v -> Double.toString(v)).collect(Collectors.joining(";"))));
        p.setProperty("thicknessMm", Double.toString(ticket.thicknessMm()));
        p.setProperty("copies", Integer.toString(ticket.copies()));
        p.setProperty("held", Boolean.toString(ticket.held()));
        p.setProperty("inkMl", Double.toString(inkMl));
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
        Map<String, String> settings = new HashMap<>();
        p.stringPropertyNames().stream().filter(n -> n.startsWith("set.")).forEach(n -> settings.put(n.substring(4), p.getProperty(n)));
        if (p.containsKey("mediaType")) {
            // as it was kept before
            settings.putAll(Map.of("media-type", p.getProperty("mediaType"), "media-source", p.getProperty("feed"), "print-quality",
                p.getProperty("quality")));
        }
        Optional<List<Double>> margins = Optional.ofNullable(p.getProperty("margins"))
            .map(m -> Arrays.stream(m.split(";")).map(Double::valueOf).toList());
        Ticket ticket = new Ticket(p.getProperty("name"), p.getProperty("user"), settings, Double.parseDouble(p.getProperty("widthMm")),
            Double.parseDouble(p.getProperty("heightMm")), margins,
            Double.parseDouble(p.getProperty("thicknessMm", "0")), Integer.parseInt(p.getProperty("copies")),
            Boolean.parseBoolean(p.getProperty("held")));
        PrintJob job = new PrintJob(id, ticket, Instant.parse(p.getProperty("created")));
        job.state = State.valueOf(p.getProperty("state"));
        job.reason = p.getProperty("reason");
        job.format = p.getProperty("format");
        job.percent = Integer.parseInt(p.getProperty("percent"));
        job.document = p.getProperty("document").isEmpty() ? null : Path.of(p.getProperty("document"));
        job.started = Optional.ofNullable(p.getProperty("started")).map(Instant::parse);
        job.finished = Optional.ofNullable(p.getProperty("finished")).map(Instant::parse);
        job.inkMl = Double.parseDouble(p.getProperty("inkMl", "0"));
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
    public record Seen(int id, Ticket ticket, Instant created, State state, String reason, Optional<Instant> started,
        Optional<Instant> finished,
        int percent, double inkMl) {
    }

    Seen seen() {
        return new Seen(id, ticket, created, state, reason, started, finished, percent, inkMl);
    }
}
