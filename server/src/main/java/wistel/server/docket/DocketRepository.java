package wistel.server.docket;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import wistel.core.docket.changes.Change;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.Conflict;
import wistel.core.fault.NotFound;
import wistel.core.fault.RecordException;
import wistel.core.fault.WistelException;
import wistel.core.rendition.Rendition;
import wistel.server.store.Json;
import wistel.server.store.RecordRepository;
import wistel.server.store.StoredSpecs;

/**
 * Dockets and every spec they went through: undo and redo move along these. What was seen of a proof stands beside, and is never undone.
 */
@Repository
public class DocketRepository {
    private static final String SELECT = """
        select d.*, (select r.change from docket_revision r where r.docket_id = d.id and r.revision = d.revision) as change,
          exists (select 1 from docket_revision o where o.docket_id = d.id and o.revision < d.revision) as can_undo,
          (select n.change from docket_revision n where n.docket_id = d.id and n.revision = d.revision + 1) as redo,
          array(select proof_key from docket_seen s where s.docket_id = d.id) as seen
        from docket d\s""";
    private static final int MOST_READ_BYTES = 64 << 20;
    /** Of a spec's text and what is made of it. */
    private static final int BYTES_A_LETTER = 4;
    /** What undo says of a change made before changes had words. */
    private static final String UNNAMED = "the last change";

    private final JdbcClient jdbc;
    private final Json json;
    private final StoredSpecs specs;
    private final RevisionRepository revisions;
    private final RecordRepository records;
    private final Clock clock;
    private final RowMapper<Row> row;
    /** Specs as they were read last, by their text. */
    private final Cache<String, DocketSpec> read = Caffeine.newBuilder().maximumWeight(MOST_READ_BYTES)
        .weigher((String text, DocketSpec spec) -> BYTES_A_LETTER * text.length()).build();

    public DocketRepository(JdbcClient jdbc, Json json, StoredSpecs specs, RevisionRepository revisions, RecordRepository records,
        Clock clock) {
        this.records = records;
        this.row = records.checked(r -> "docket " + r.getInt("number"), this::row);
        this.jdbc = jdbc;
        this.json = json;
        this.specs = specs;
        this.revisions = revisions;
        this.clock = clock;
    }

    /**
     * @param undo words of the change that undo takes back; empty when there is none
     * @param redo words of the change that redo makes again
     * @param seen keys of proofs that were looked at
     */
    public record Row(UUID id, int number, int version, DocketSpec spec, Optional<String> undo, Optional<String> redo, Set<String> seen,
        Instant changed) {
        /** The same docket as it would be. */
        public Row with(DocketSpec other) {
            return new Row(id, number, version, other, undo, redo, seen, changed);
        }
    }

    @Transactional
    public UUID add(DocketSpec spec) {
        UUID id = UUID.randomUUID();
        Timestamp now = Timestamp.from(clock.instant());
        RevisionRepository.Written written = written(spec);
        jdbc.sql("insert into docket (id, created, changed, schema, spec) values (?, ?, ?, ?, ?::jsonb)")
            .params(id, now, now, written.schema(), written.text()).update();
        renditions(id, spec);
        revisions.addFirst(id, written);
        return id;
    }

    /** Which pictures the docket holds, in their order. */
    private void renditions(UUID id, DocketSpec spec) {
        jdbc.sql("delete from docket_rendition where docket_id = ?").param(id).update();
        for (int i = 0; i < spec.renditions().size(); i++) {
            Rendition r = spec.renditions().get(i);
            jdbc.sql(
                "insert into docket_rendition (docket_id, rendition_id, master_id, position) select ?, ?, m.id, ? from master m where "
                    + "m.hash = ?")
                .params(id, r.id(), i, r.masterHash()).update();
        }
    }

    private RevisionRepository.Written written(DocketSpec spec) {
        return new RevisionRepository.Written(spec.schema(), json.text(spec));
    }

    /** @param unreadable numbers of dockets that this version can't read */
    public record OnBench(List<Row> rows, List<Integer> unreadable) {
    }

    /** One that can't be read doesn't take the others with it. */
    public OnBench onBench() {
        List<Integer> unreadable = new ArrayList<>();
        List<Row> rows = new ArrayList<>();
        jdbc.sql(SELECT + "where not d.put_away order by d.number").query(r -> {
            try {
                rows.add(row.mapRow(r, 0));
            } catch (RecordException e) {
                unreadable.add(r.getInt("number"));
            }
        });
        return new OnBench(rows, unreadable);
    }

    /** Dockets on the bench that hold one of these pictures, those left out that can't be read. */
    public List<Row> onBenchHolding(Collection<String> masterHashes) {
        return records.readable(jdbc.sql(SELECT + """
            where not d.put_away and d.id in (select x.docket_id from docket_rendition x join master m on m.id = x.master_id
              where m.hash = any (?)) order by d.number""").param(masterHashes.toArray(String[]::new)), row);
    }

    /** Dockets that hold a version of this compensation now, those put away among them. */
    public List<Row> using(String compensationId) {
        return records.readable(jdbc.sql(SELECT + "where d.spec::text like ? order by d.number").param("%\"" + compensationId + "\"%"), row)
            .stream()
            .filter(row -> row.spec().renditions().stream()
                .anyMatch(x -> x.compensation().kept().filter(k -> k.id().equals(compensationId)).isPresent()))
            .toList();
    }

    public Row get(UUID id) {
        return jdbc.sql(SELECT + "where d.id = ?").param(id).query(row).optional()
            .orElseThrow(() -> new NotFound("There is no such docket.", "Go back to the bench."));
    }

    /** A new decision after the present one; what had been undone is gone. */
    @Transactional
    public void change(UUID id, int version, Change change) {
        Row now = locked(id, version);
        DocketSpec next = change.on(now.spec);
        if (now.spec.equals(next)) {
            return;
        }
        Now stored = now(id);
        RevisionRepository.Written written = written(next);
        revisions.add(id, stored.revision + 1, stored.spec, written, change.words());
        move(id, stored.revision + 1, now.spec, next, written);
    }

    /** One step back (-1) or forward (1); nothing happens at the ends. */
    @Transactional
    public void step(UUID id, int version, int direction) {
        Row now = locked(id, version);
        if ((direction < 0 ? now.undo : now.redo).isPresent()) {
            int revision = now(id).revision + direction;
            RevisionRepository.Written written = unlessDamaged(now.number, () -> revisions.get(id, revision));
            move(id, revision, now.spec, spec(now.number, written.schema(), written.text()), written);
        }
    }

    /** Keeps that a proof was looked at. It is no decision: the docket's version stays. */
    public void see(UUID id, String proofKey) {
        jdbc.sql("insert into docket_seen (docket_id, proof_key) values (?, ?) on conflict do nothing").params(id, proofKey).update();
    }

    /** Dockets of which something was looked at under a key of an earlier version: those hold colons. */
    List<UUID> withFormerProofKeys() {
        return jdbc.sql("select distinct docket_id from docket_seen where proof_key like '%:%'").query(UUID.class).list();
    }

    void forgetFormerProofKeys(UUID id) {
        jdbc.sql("delete from docket_seen where docket_id = ? and proof_key like '%:%'").param(id).update();
    }

    /** All states that undo and redo lead to, those left out that can't be read. */
    List<DocketSpec> revisions(UUID id) {
        int number = jdbc.sql("select number from docket where id = ?").param(id).query(Integer.class).single();
        return unlessDamaged(number, () -> revisions.all(id)).stream()
            .flatMap(w -> records.readable("docket " + number, () -> spec(number, w.schema(), w.text())).stream()).toList();
    }

    @Transactional
    public void putAway(UUID id, int version) {
        locked(id, version);
        jdbc.sql("update docket set put_away = true, version = version + 1 where id = ?").param(id).update();
    }

    /** Lays a docket on the bench again; false where it lies there. */
    @Transactional
    public boolean bringBack(UUID id) {
        return jdbc.sql("update docket set put_away = false, version = version + 1 where id = ? and put_away").param(id).update() > 0;
    }

    /** As it is now, locked against others until the transaction ends. */
    Row locked(UUID id) {
        jdbc.sql("select 1 from docket where id = ? for update").param(id).query(Integer.class).optional();
        return get(id);
    }

    private Row locked(UUID id, int version) {
        Row now = locked(id);
        if (now.version != version) {
            throw new Conflict(Conflict.Reason.STALE, "This docket was changed in another window meanwhile.",
                "Look at it as it is now, then decide again.",
                Map.of("version", now.version));
        }
        return now;
    }

    /** Which of its revisions holds, and its spec as it is written. */
    private record Now(int revision, RevisionRepository.Written spec) {
    }

    private Now now(UUID id) {
        return jdbc.sql("select revision, schema, spec from docket where id = ?").param(id)
            .query((r, n) -> new Now(r.getInt(1), new RevisionRepository.Written(r.getInt(2), r.getString(3)))).single();
    }

    private void move(UUID id, int revision, DocketSpec before, DocketSpec after, RevisionRepository.Written written) {
        if (!before.renditions().equals(after.renditions())) {
            renditions(id, after);
        }
        jdbc.sql("update docket set revision = ?, version = version + 1, changed = ?, schema = ?, spec = ?::jsonb where id = ?")
            .params(revision, Timestamp.from(clock.instant()), written.schema(), written.text(), id).update();
    }

    private Row row(ResultSet r, int n) throws SQLException {
        Optional<String> undo = r.getBoolean("can_undo") ? Optional.of(named(r.getString("change"))) : Optional.empty();
        Set<String> seen = Arrays.stream((String[]) r.getArray("seen").getArray()).collect(Collectors.toSet());
        int schema = r.getInt("schema");
        String text = r.getString("spec");
        return new Row(r.getObject("id", UUID.class), r.getInt("number"), r.getInt("version"), spec(r.getInt("number"), schema, text), undo,
            Optional.ofNullable(r.getString("redo")).map(DocketRepository::named), seen, r.getTimestamp("changed").toInstant());
    }

    private DocketSpec spec(int number, int schema, String text) {
        return read.get(schema + text, k -> unlessDamaged(number, () -> specs.spec(schema, text)));
    }

    private static <T> T unlessDamaged(int number, Supplier<T> reading) {
        try {
            return reading.get();
        } catch (JacksonException | WistelException | IllegalArgumentException | ClassCastException e) {
            throw new RecordException(RecordException.Reason.DOCKET_UNREADABLE,
                "Docket " + number + " can't be read by this version of Wistel.",
                "It is kept as it was written: open it with the version that wrote it, or put it away.", e);
        }
    }

    private static String named(String change) {
        return change.isEmpty() ? UNNAMED : change;
    }
}
