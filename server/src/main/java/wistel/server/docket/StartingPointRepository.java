package wistel.server.docket;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.server.store.Json;
import wistel.server.store.RecordRepository;
import wistel.server.store.StoredSpecs;

/** Decisions kept under names. */
@Repository
class StartingPointRepository {
    private static final int MOST = 200;

    private final JdbcClient jdbc;
    private final Json json;
    private final Clock clock;
    private final RecordRepository records;
    private final RowMapper<StartingPoint> row;

    StartingPointRepository(JdbcClient jdbc, Json json, StoredSpecs specs, Clock clock, RecordRepository records) {
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
        this.records = records;
        this.row = records.checked(r -> "starting point " + r.getString("name"), (r, n) -> new StartingPoint(r.getObject("id", UUID.class),
            r.getString("name"), specs.spec(r.getInt("schema"), r.getString("spec"))));
    }

    record StartingPoint(UUID id, String name, DocketSpec spec) {
    }

    List<StartingPoint> all() {
        return records.readable(jdbc.sql("select * from starting_point order by name"), row);
    }

    StartingPoint get(UUID id) {
        return jdbc.sql("select * from starting_point where id = ?").param(id).query(row).optional()
            .orElseThrow(() -> new NotFound("This starting point is not there any more.", "Choose another one."));
    }

    UUID add(String name, DocketSpec spec) {
        if (jdbc.sql("select count(*) from starting_point").query(Integer.class).single() >= MOST) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, MOST + " starting points are kept already.", "Let go of some.");
        }
        UUID id = UUID.randomUUID();
        try {
            jdbc.sql("insert into starting_point (id, name, schema, spec, created) values (?, ?, ?, ?::jsonb, ?)")
                .params(id, name, DocketSpec.SCHEMA, json.text(spec), Timestamp.from(clock.instant())).update();
        } catch (DuplicateKeyException e) {
            throw new InvalidRequest(InvalidRequest.Reason.NAME_TAKEN, "Another starting point is called “" + name + "”.",
                "Choose another name, or let go of the other one first.");
        }
        return id;
    }

    void remove(UUID id) {
        jdbc.sql("delete from starting_point where id = ?").param(id).update();
    }
}
