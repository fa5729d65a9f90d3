package wistel.server.wrap;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.fault.NotFound;
import wistel.core.sheet.WrapBody;
import wistel.server.store.RecordRepository;

/** Bars and boards that a person keeps under a name. */
@Repository
class OwnBodyRepository {
    private final JdbcClient jdbc;
    private final RecordRepository records;

    OwnBodyRepository(JdbcClient jdbc, RecordRepository records) {
        this.records = records;
        this.jdbc = jdbc;
    }

    record OwnBody(String name, WrapBody.Support support, double turnOverMm) {
    }

    List<OwnBody> all() {
        return records.readable(
            jdbc.sql("select name, kind, depth_mm, air_gap_mm, turn_over_mm from own_body order by kind, depth_mm, name"),
            records.checked(r -> "own body “" + r.getString("name") + "”",
                (r, n) -> new OwnBody(r.getString(1),
                    new WrapBody.Support(WrapBody.Kind.valueOf(r.getString(2)), r.getDouble(3), r.getDouble(4)), r.getDouble(5))));
    }

    /** Under its name, whatever had it before. */
    void keep(OwnBody b) {
        jdbc.sql(
            """
                insert into own_body (name, kind, depth_mm, air_gap_mm, turn_over_mm) values (?, ?, ?, ?, ?)
                on conflict (name) do update set kind = excluded.kind, depth_mm = excluded.depth_mm, air_gap_mm = excluded.air_gap_mm,
                  turn_over_mm = excluded.turn_over_mm""")
            .params(b.name, b.support.kind().name(), b.support.depthMm(), b.support.airGapMm(), b.turnOverMm).update();
    }

    void forget(String name) {
        if (jdbc.sql("delete from own_body where name = ?").param(name).update() == 0) {
            throw new NotFound("There are no bars of this name.", "Look at the list as it is now.");
        }
    }
}
