package wistel.server.check;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Pages that were printed to judge papers by. */
@Repository
class JudgingPageRepository {
    private final JdbcClient jdbc;

    JudgingPageRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param version of the pairing that it was printed with */
    record Row(UUID docketId, UUID pairingId, int version, Instant created) {
    }

    void add(Row r) {
        jdbc.sql("insert into judging_page (docket_id, pairing_id, version, created) values (?, ?, ?, ?)")
            .params(r.docketId, r.pairingId, r.version, Timestamp.from(r.created)).update();
    }

    /** The newest first. */
    List<Row> of(UUID pairing) {
        return jdbc.sql("select * from judging_page where pairing_id = ? order by created desc limit 20").param(pairing)
            .query((r, n) -> new Row(r.getObject("docket_id", UUID.class), r.getObject("pairing_id", UUID.class), r.getInt("version"),
                r.getTimestamp("created").toInstant()))
            .list();
    }
}
