package wistel.server.check;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.colour.Lab;
import wistel.core.fault.NotFound;
import wistel.core.icc.check.ControlStrip;
import wistel.core.icc.check.StripVerdict;
import wistel.server.print.ChartSheets;
import wistel.server.store.Json;

/** Strips that were printed on pairings, and what was read of them. */
@Repository
class PaperCheckRepository {
    private final JdbcClient jdbc;
    private final Json json;

    PaperCheckRepository(JdbcClient jdbc, Json json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    /** What was read, in the strip's order, and what follows. */
    record Read(List<Lab> colours, StripVerdict verdict, Instant taken) {
    }

    /**
     * @param version  of the pairing whose profile foresees the strip
     * @param docketId of its print; empty of one that was printed elsewhere
     * @param beside   the attempt beside whose picture it was printed; empty of one on a sheet of its own
     */
    record Row(UUID id, UUID pairingId, int version, Optional<UUID> docketId, Optional<UUID> beside, ControlStrip strip,
        ChartSheets.Laid laid, Instant created,
        Optional<Read> read) {
    }

    void add(Row r) {
        jdbc.sql("insert into paper_check (id, pairing_id, version, docket_id, attempt_id, strip, columns, length_mm, "
            + "created) values (?, ?, ?, ?, ?, ?::jsonb, ?, ?, ?)")
            .params(Arrays.asList(r.id, r.pairingId, r.version, r.docketId.orElse(null), r.beside.orElse(null), json.text(r.strip),
                r.laid.columns(),
                r.laid.lengthMm(), Timestamp.from(r.created)))
            .update();
    }

    Row get(UUID id) {
        return jdbc.sql("select * from paper_check where id = ?").param(id).query(this::row).optional()
            .orElseThrow(() -> new NotFound("There is no such check.", "Look at the paper's page as it is now."));
    }

    /** The newest first. */
    List<Row> of(UUID pairing) {
        return jdbc.sql("select * from paper_check where pairing_id = ? order by created desc limit 200").param(pairing).query(this::row)
            .list();
    }

    void read(UUID id, Read read) {
        jdbc.sql("update paper_check set lab = ?::jsonb, verdict = ?::jsonb, taken = ? where id = ?")
            .params(json.text(read.colours), json.text(read.verdict), Timestamp.from(read.taken), id).update();
    }

    void delete(UUID id) {
        jdbc.sql("delete from paper_check where id = ?").param(id).update();
    }

    /** When each pairing was checked last. */
    Map<UUID, Instant> last() {
        return jdbc.sql("select pairing_id, max(taken) as taken from paper_check where taken is not null group by pairing_id")
            .query((r, n) -> Map.entry(r.getObject("pairing_id", UUID.class), r.getTimestamp("taken").toInstant())).list().stream()
            .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    private Row row(ResultSet r, int n) throws SQLException {
        String lab = r.getString("lab");
        Optional<Read> read = lab == null ? Optional.empty()
            : Optional.of(new Read(List.of(json.read(lab, Lab[].class)), json.read(r.getString("verdict"), StripVerdict.class),
                r.getTimestamp("taken").toInstant()));
        return new Row(r.getObject("id", UUID.class), r.getObject("pairing_id", UUID.class), r.getInt("version"),
            Optional.ofNullable(r.getObject("docket_id", UUID.class)), Optional.ofNullable(r.getObject("attempt_id", UUID.class)),
            json.read(r.getString("strip"), ControlStrip.class), new ChartSheets.Laid(r.getInt("columns"), r.getDouble("length_mm")),
            r.getTimestamp("created").toInstant(), read);
    }
}
