package wistel.server.compensation;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.fault.Conflict;
import wistel.core.fault.NotFound;
import wistel.core.rendition.Compensation;
import wistel.core.rendition.CompensationRef;
import wistel.core.rendition.Move;
import wistel.server.store.Json;
import wistel.server.store.RecordRepository;

/** Compensations and all their versions. */
@Repository
public class CompensationRepository {
    private static final String SELECT = "select c.id, c.name, v.no, v.moves, v.pairing_id from compensation c join compensation_version "
        + "v on v.compensation_id = c.id ";
    private static final String NEWEST = SELECT
        + "where v.no = (select max(n.no) from compensation_version n where n.compensation_id = c.id) ";

    private final JdbcClient jdbc;
    private final Json json;
    private final RecordRepository records;
    private final Clock clock;
    private final RowMapper<Row> row;

    public CompensationRepository(JdbcClient jdbc, Json json, RecordRepository records, Clock clock) {
        this.records = records;
        this.row = records.checked(r -> "compensation “" + r.getString("name") + "”, version " + r.getInt("no"), this::row);
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    /** @param pairingId that it was made on */
    public record Row(Compensation compensation, Optional<UUID> pairingId) {
    }

    /** The newest version of each, by name. */
    public List<Row> all() {
        return records.readable(jdbc.sql(NEWEST + "order by c.name"), row);
    }

    public Row newest(UUID id) {
        return jdbc.sql(NEWEST + "and c.id = ?").param(id).query(row).optional().orElseThrow(CompensationRepository::missing);
    }

    public Row find(UUID id, int version) {
        return jdbc.sql(SELECT + "where c.id = ? and v.no = ?").params(id, version).query(row).optional()
            .orElseThrow(CompensationRepository::missing);
    }

    /** The version that a reference names, as it is kept, not to be deleted before the transaction ends; empty when there is none. */
    public Optional<Compensation> known(CompensationRef ref) {
        return jdbc.sql(SELECT + "where c.id::text = ? and v.no = ? for share of c").params(ref.id(), ref.version()).query(row).optional()
            .map(Row::compensation);
    }

    /** The newest version, locked against others until the transaction ends. */
    public Compensation locked(UUID id) {
        lock(id);
        return newest(id).compensation;
    }

    private void lock(UUID id) {
        if (jdbc.sql("select 1 from compensation where id = ? for update").param(id).query(Integer.class).optional().isEmpty()) {
            throw missing();
        }
    }

    private static NotFound missing() {
        return new NotFound("There is no such compensation.", "Choose another one.");
    }

    /** @throws Conflict when another one has this name */
    @Transactional
    public Row add(Compensation compensation, Optional<UUID> pairingId) {
        try {
            jdbc.sql("insert into compensation (id, name, created) values (?, ?, ?)")
                .params(UUID.fromString(compensation.id()), compensation.name(), Timestamp.from(clock.instant())).update();
        } catch (DuplicateKeyException e) {
            throw taken(compensation.name());
        }
        write(compensation, pairingId);
        return newest(UUID.fromString(compensation.id()));
    }

    private static Conflict taken(String name) {
        return new Conflict(Conflict.Reason.NAME_TAKEN, "Another compensation is called “" + name + "”.",
            "Give this one another name, or make it the next version of that one.");
    }

    /** The next version of a known one. */
    @Transactional
    public Row follow(UUID id, List<Move> moves, Optional<UUID> pairingId) {
        lock(id);
        Compensation last = newest(id).compensation;
        write(new Compensation(last.id(), last.version() + 1, last.name(), moves), pairingId);
        return newest(id);
    }

    private void write(Compensation c, Optional<UUID> pairingId) {
        jdbc.sql("insert into compensation_version (compensation_id, no, moves, pairing_id, made) values (?, ?, ?::jsonb, ?, ?)")
            .params(UUID.fromString(c.id()), c.version(), json.texts(c.moves(), Move.class), pairingId.orElse(null),
                Timestamp.from(clock.instant()))
            .update();
    }

    public void rename(UUID id, String name) {
        try {
            jdbc.sql("update compensation set name = ? where id = ?").params(name, id).update();
        } catch (DuplicateKeyException e) {
            throw taken(name);
        }
    }

    public void delete(UUID id) {
        jdbc.sql("delete from compensation where id = ?").param(id).update();
    }

    /** What new dockets on a pairing start with. */
    public Optional<Compensation> usual(UUID pairingId) {
        return jdbc.sql(NEWEST + "and c.id = (select compensation_id from pairing_compensation where pairing_id = ?)").param(pairingId)
            .query(row).optional().map(Row::compensation);
    }

    /** Names of the papers whose new dockets start with it. */
    public List<String> usualOn(UUID id) {
        return jdbc
            .sql(
                """
                    select distinct a.name from pairing_compensation u join pairing_version v on v.pairing_id = u.pairing_id
                      join paper a on a.id = v.paper_id
                    where u.compensation_id = ? order by a.name""")
            .param(id).query(String.class).list();
    }

    /** @param compensation none to start with nothing */
    @Transactional
    public void makeUsual(UUID pairingId, Optional<UUID> compensation) {
        jdbc.sql("delete from pairing_compensation where pairing_id = ?").param(pairingId).update();
        compensation.ifPresent(id -> {
            newest(id);
            jdbc.sql("insert into pairing_compensation (pairing_id, compensation_id) values (?, ?)").params(pairingId, id).update();
        });
    }

    private Row row(ResultSet r, int n) throws SQLException {
        return new Row(
            new Compensation(r.getString("id"), r.getInt("no"), r.getString("name"), json.readList(r.getString("moves"), Move.class)),
            Optional.ofNullable(r.getObject("pairing_id", UUID.class)));
    }
}
