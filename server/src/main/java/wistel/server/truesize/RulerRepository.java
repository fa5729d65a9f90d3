package wistel.server.truesize;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.fault.NotFound;
import wistel.core.paper.FeedScale;
import wistel.core.sheet.Ruler;

/** Ruled lines as they were printed, and what a ruler said of them. */
@Repository
public class RulerRepository {
    private final JdbcClient jdbc;

    RulerRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * @param stock   what they lie on
     * @param scale   that was in force when they were printed
     * @param reading empty as long as nobody has measured them
     */
    public record Row(UUID id, UUID pairingId, UUID docketId, Ruler.Lengths lengths, String stock, FeedScale scale, Instant created,
        Optional<Reading> reading) {
    }

    /**
     * What a ruler said, one direction or both.
     *
     * @param version of the pairing that has its factors
     */
    public record Reading(Optional<Double> acrossMm, Optional<Double> alongMm, int version) {
    }

    void add(Row r) {
        jdbc.sql("insert into ruler (id, pairing_id, docket_id, across_mm, along_mm, stock, scale_across, scale_along, created) "
            + "values (?, ?, ?, ?, ?, ?, ?, ?, ?)")
            .params(r.id, r.pairingId, r.docketId, r.lengths.acrossMm(), r.lengths.alongMm(), r.stock, r.scale.across(), r.scale.along(),
                Timestamp.from(r.created))
            .update();
    }

    void read(UUID id, Reading reading) {
        jdbc.sql("update ruler set read_across_mm = ?, read_along_mm = ?, version = ? where id = ?")
            .params(Arrays.asList(reading.acrossMm.orElse(null), reading.alongMm.orElse(null), reading.version, id)).update();
    }

    Row get(UUID id) {
        return jdbc.sql("select * from ruler where id = ?").param(id).query(RulerRepository::row).optional()
            .orElseThrow(() -> new NotFound("There are no such ruled lines.", "Print some on the paper's page."));
    }

    /** Of a pairing, the newest first. */
    List<Row> of(UUID pairing) {
        return jdbc.sql("select * from ruler where pairing_id = ? order by created desc limit 20").param(pairing)
            .query(RulerRepository::row).list();
    }

    private static Row row(ResultSet r, int n) throws SQLException {
        int version = r.getInt("version");
        Optional<Reading> reading = r.wasNull() ? Optional.empty()
            : Optional.of(new Reading(Optional.ofNullable(r.getObject("read_across_mm", Double.class)),
                Optional.ofNullable(r.getObject("read_along_mm", Double.class)), version));
        return new Row(r.getObject("id", UUID.class), r.getObject("pairing_id", UUID.class), r.getObject("docket_id", UUID.class),
            new Ruler.Lengths(r.getDouble("across_mm"), r.getDouble("along_mm")), r.getString("stock"),
            new FeedScale(r.getDouble("scale_across"), r.getDouble("scale_along")), r.getTimestamp("created").toInstant(), reading);
    }
}
