package wistel.server.master;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.fault.NotFound;
import wistel.core.pictures.Histogram;
import wistel.core.sheet.CaptionText;
import wistel.server.store.Json;
import wistel.server.store.RecordRepository;

@Repository
public class MasterRepository {
    private static final String SELECT = "select m.id, m.hash, m.file_name, m.bytes, m.format, m.width, m.height, m.bits, m.channels, "
        + "m.profile_hash, m.profile_problem, m.added, m.title, m.taken, p.description as profile_name from master m left join profile p on p.hash = "
        + "m.profile_hash ";

    private final JdbcClient jdbc;
    private final Json json;
    private final RowMapper<Master> row;
    private final RowMapper<Histogram> histogram;

    public MasterRepository(JdbcClient jdbc, Json json, RecordRepository records) {
        this.row = records.checked(r -> "picture " + r.getString("file_name"), MasterRepository::row);
        this.histogram = records.checked(r -> "picture " + r.getString("file_name"),
            (r, n) -> json.read(r.getString("histogram"), Histogram.class));
        this.jdbc = jdbc;
        this.json = json;
    }

    public void add(Master m, Histogram histogram) {
        jdbc.sql(
            """
                insert into master (id, hash, file_name, bytes, format, width, height, bits, channels, profile_hash, profile_problem,
                  histogram, added, title, taken, notes_read)
                values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?::jsonb, ?, ?, ?, true)""")
            .params(Arrays.asList(m.id(), m.hash(), m.fileName(), m.bytes(), m.format(), m.width(), m.height(), m.bits(), m.channels(),
                m.profileHash().orElse(null), m.profileProblem(), json.text(histogram), Timestamp.from(m.added()), m.notes().title(),
                m.notes().taken().map(Timestamp::valueOf).orElse(null)))
            .update();
    }

    public Optional<Master> byHash(String hash) {
        return jdbc.sql(SELECT + "where m.hash = ?").param(hash).query(row).optional();
    }

    /** By hash; those that aren't there are left out. */
    public Map<String, Master> byHashes(Collection<String> hashes) {
        return jdbc.sql(SELECT + "where m.hash = any (?)").param(hashes.toArray(String[]::new)).query(row).list().stream()
            .collect(Collectors.toMap(Master::hash, m -> m));
    }

    /** What judging a docket needs of a master. */
    public record Brief(UUID id, String hash, int width, int height, int channels, Optional<String> profileHash, String profileName,
        String profileProblem, CaptionText.OfFile inCaptions) {
    }

    /** By hash. */
    public Map<String, Brief> briefs(Collection<String> hashes) {
        return jdbc.sql("""
            select m.id, m.hash, m.width, m.height, m.channels, m.profile_hash, m.profile_problem, m.file_name,
              m.taken, p.description as profile_name
            from master m left join profile p on p.hash = m.profile_hash where m.hash = any (?)""").param(hashes.toArray(String[]::new))
            .query((r, n) -> new Brief(r.getObject("id", UUID.class), r.getString("hash"), r.getInt("width"), r.getInt("height"),
                r.getInt("channels"),
                Optional.ofNullable(r.getString("profile_hash")), Optional.ofNullable(r.getString("profile_name")).orElse(""),
                r.getString("profile_problem"), new CaptionText.OfFile(r.getString("file_name"),
                    taken(r).map(t -> CaptionText.date(t.toLocalDate())).orElse(""))))
            .list()
            .stream().collect(Collectors.toMap(Brief::hash, b -> b));
    }

    public Master get(UUID id) {
        return jdbc.sql(SELECT + "where m.id = ?").param(id).query(row).optional()
            .orElseThrow(() -> new NotFound("There is no such picture.", "Go back to the bench."));
    }

    /** Files that were called so, whatever their kind; {@code stem} in small letters, without the ending. */
    public List<Master> called(String stem) {
        return jdbc.sql(SELECT + "where lower(regexp_replace(m.file_name, '\\.[^.]{1,5}$', '')) = ?").param(stem).query(row).list();
    }

    public boolean nameTaken(String fileName) {
        return !List.of()
            .equals(jdbc.sql("select 1 from master where lower(file_name) = lower(?)").param(fileName).query(Integer.class).list());
    }

    private static Master row(ResultSet r, int n) throws SQLException {
        Optional<String> profile = Optional.ofNullable(r.getString("profile_hash"));
        return new Master(r.getObject("id", UUID.class), r.getString("hash"), r.getString("file_name"), r.getLong("bytes"),
            r.getString("format"),
            r.getInt("width"), r.getInt("height"), r.getInt("bits"), r.getInt("channels"), profile,
            Optional.ofNullable(r.getString("profile_name")).orElse(""), r.getString("profile_problem"),
            r.getTimestamp("added").toInstant(), new FileNotes(r.getString("title"), taken(r)));
    }

    private static Optional<LocalDateTime> taken(ResultSet r) throws SQLException {
        return Optional.ofNullable(r.getTimestamp("taken")).map(Timestamp::toLocalDateTime);
    }

    /** Hashes of files whose words were never read: they came before that was kept. */
    List<String> unread() {
        return jdbc.sql("select hash from master where not notes_read").query(String.class).list();
    }

    void note(String hash, FileNotes notes) {
        jdbc.sql("update master set title = ?, taken = ?, notes_read = true where hash = ?")
            .params(Arrays.asList(notes.title(), notes.taken().map(Timestamp::valueOf).orElse(null), hash)).update();
    }

    /** @throws NotFound when there is no such picture */
    public Histogram histogram(String hash) {
        return jdbc.sql("select file_name, histogram from master where hash = ?").param(hash).query(histogram).optional()
            .orElseThrow(() -> new NotFound("There is no such picture.", "Go back to the bench."));
    }
}
