package wistel.server.docket;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.docket.DocketSpec;
import wistel.core.fault.Conflict;
import wistel.core.fault.NotFound;
import wistel.server.store.Json;

/** Dockets and every set of decisions they went through: undo and redo move along these. */
@Repository
public class DocketRepository {
    private static final String SELECT = """
        select d.*, r.decisions, (select max(revision) from docket_revision where docket_id = d.id) as newest,
          (select min(revision) from docket_revision where docket_id = d.id) as oldest
        from docket d join docket_revision r on r.docket_id = d.id and r.revision = d.revision\s""";
    private static final int UNDO_STEPS = 200;

    private final JdbcClient jdbc;
    private final Json json;
    private final Clock clock;

    public DocketRepository(JdbcClient jdbc, Json json, Clock clock) {
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    public record Row(UUID id, int number, UUID masterId, int version, DocketSpec decisions, boolean canUndo, boolean canRedo, Instant changed) {
    }

    @Transactional
    public UUID add(UUID masterId, DocketSpec decisions) {
        UUID id = UUID.randomUUID();
        Timestamp now = Timestamp.from(clock.instant());
        jdbc.sql("insert into docket (id, master_id, created, changed) values (?, ?, ?, ?)").params(id, masterId, now, now).update();
        jdbc.sql("insert into docket_revision (docket_id, revision, decisions) values (?, 1, ?::jsonb)").params(id, json.text(decisions)).update();
        return id;
    }

    public List<Row> onBench() {
        return jdbc.sql(SELECT + "where not d.put_away order by d.number").query(this::row).list();
    }

    public Row get(UUID id) {
        return jdbc.sql(SELECT + "where d.id = ?").param(id).query(this::row).optional()
            .orElseThrow(() -> new NotFound("There is no such docket.", "Go back to the bench."));
    }

    /** A new decision after the present one; what had been undone is gone. */
    @Transactional
    public void decide(UUID id, int version, DocketSpec next) {
        Row now = locked(id, version);
        if (now.decisions.equals(next)) {
            return;
        }
        int revision = revision(id);
        jdbc.sql("delete from docket_revision where docket_id = ? and (revision > ? or revision < ?)").params(id, revision, revision - UNDO_STEPS).update();
        jdbc.sql("insert into docket_revision (docket_id, revision, decisions) values (?, ?, ?::jsonb)").params(id, revision + 1, json.text(next)).update();
        move(id, revision + 1);
    }

    /** One step back (-1) or forward (1); nothing happens at the ends. */
    @Transactional
    public void step(UUID id, int version, int direction) {
        Row now = locked(id, version);
        if (direction < 0 ? now.canUndo : now.canRedo) {
            move(id, revision(id) + direction);
        }
    }

    @Transactional
    public void putAway(UUID id, int version) {
        locked(id, version);
        jdbc.sql("update docket set put_away = true, version = version + 1 where id = ?").param(id).update();
    }

    private Row locked(UUID id, int version) {
        jdbc.sql("select 1 from docket where id = ? for update").param(id).query(Integer.class).optional();
        Row now = get(id);
        if (now.version != version) {
            throw new Conflict(Conflict.Reason.STALE, "This docket was changed in another window meanwhile.", "Look at it as it is now, then decide again.",
                Map.of("version", now.version));
        }
        return now;
    }

    private int revision(UUID id) {
        return jdbc.sql("select revision from docket where id = ?").param(id).query(Integer.class).single();
    }

    private void move(UUID id, int revision) {
        jdbc.sql("update docket set revision = ?, version = version + 1, changed = ? where id = ?")
            .params(revision, Timestamp.from(clock.instant()), id).update();
    }

    private Row row(ResultSet r, int n) throws SQLException {
        int revision = r.getInt("revision");
        return new Row(r.getObject("id", UUID.class), r.getInt("number"), r.getObject("master_id", UUID.class), r.getInt("version"), json.read(r.getString("decisions"), DocketSpec.class),
            r.getInt("oldest") < revision, r.getInt("newest") > revision, r.getTimestamp("changed").toInstant());
    }
}
