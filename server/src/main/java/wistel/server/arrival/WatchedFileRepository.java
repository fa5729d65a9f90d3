package wistel.server.arrival;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Files of the watched folder that were dealt with, by their path. */
@Repository
class WatchedFileRepository {
    /** Taken and left in its place, taken and moved away, or told as unreadable. */
    enum State {
        TAKEN, MOVED, UNREADABLE
    }

    /**
     * @param mark what told the file from an earlier one at its path: size and times
     * @param hash of its content; empty where it couldn't be read
     */
    record Watched(String path, String mark, Optional<String> hash, State state) {
    }

    private final JdbcClient jdbc;
    private final Clock clock;

    WatchedFileRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Those under a folder, by path. */
    Map<String, Watched> under(String folder) {
        return jdbc.sql("select path, mark, hash, state from watched_file where starts_with(path, ?)").param(folder)
            .query((r, n) -> new Watched(r.getString("path"), r.getString("mark"), Optional.ofNullable(r.getString("hash")),
                State.valueOf(r.getString("state"))))
            .list().stream().collect(Collectors.toMap(Watched::path, w -> w));
    }

    /** Paths at which this content was taken and left. */
    List<String> taken(String hash) {
        return jdbc.sql("select path from watched_file where hash = ? and state = 'TAKEN'").param(hash).query(String.class).list();
    }

    /** Keeps that a file was dealt with; false where that stands there already: another server was first. */
    boolean keep(Watched w) {
        return jdbc.sql("""
            insert into watched_file (path, mark, hash, state, seen) values (?, ?, ?, ?, ?)
            on conflict (path) do update set mark = excluded.mark, hash = excluded.hash, state = excluded.state, seen = excluded.seen
              where watched_file.mark <> excluded.mark""")
            .params(Arrays.asList(w.path, w.mark, w.hash.orElse(null), w.state.name(), Timestamp.from(clock.instant()))).update() > 0;
    }

    void moved(String path) {
        jdbc.sql("update watched_file set state = 'MOVED' where path = ?").param(path).update();
    }
}
