package wistel.server.tone;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.fault.NotFound;
import wistel.core.tone.Linearisation;
import wistel.core.tone.ToneCurve;
import wistel.core.tone.ToneMode;
import wistel.core.tone.ToneTarget;
import wistel.server.store.Json;
import wistel.server.store.RecordRepository;

/** Wedges and their readings. What was read is never changed; how a person takes it stands beside it. */
@Repository
public class WedgeRepository {
    private final JdbcClient jdbc;
    private final Json json;
    private final RecordRepository records;
    private final Clock clock;
    private final RowMapper<Row> row;
    private final RowMapper<Reading> reading;

    public WedgeRepository(JdbcClient jdbc, Json json, RecordRepository records, Clock clock) {
        this.records = records;
        this.row = records.checked(r -> "wedge " + r.getInt("number"), this::row);
        this.reading = records.checked(r -> "reading " + r.getString("id") + " of wedge " + r.getInt("wedge"), this::readingOf);
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    /**
     * A wedge as it was printed.
     *
     * @param docketId that printed it; empty for a scale printed elsewhere
     * @param words    of its mode
     * @param sheet    what it lies on
     * @param through  the curve that it is printed through, to prove it
     * @param ofWedge  the wedge that this curve was made of
     */
    public record Row(int number, Optional<UUID> docketId, UUID pairingId, ToneMode mode, String words, String sheet, int steps,
        int repeats, boolean scattered, Optional<ToneCurve> through,
        Optional<Integer> ofWedge, Instant created) {
    }

    public enum Origin { INSTRUMENT, SCANNER, FILE }

    /**
     * @param hash     of the readings as CGATS text
     * @param scanHash of the picture that they were taken from
     * @param turned   taken as read from black to paper
     * @param leftOut  places of steps that a person leaves out
     * @param points   a person's own curve
     * @param note     what to know of it
     * @param scannerKnown false for a scan by a scanner whose own curve was not known
     */
    public record Reading(UUID id, int wedge, String hash, Optional<String> scanHash, Origin origin, Instant taken, boolean turned,
        List<Integer> leftOut, Optional<ToneCurve> points, ToneTarget target,
        String note, boolean scannerKnown) {
        Reading taken(boolean turn, List<Integer> out, Optional<ToneCurve> curve, ToneTarget next) {
            return new Reading(id, wedge, hash, scanHash, origin, taken, turn, out, curve, next, note, scannerKnown);
        }
    }

    public int nextNumber() {
        return jdbc.sql("select nextval('wedge_number')").query(Integer.class).single();
    }

    public void add(Row w) {
        jdbc.sql(
            "insert into wedge (number, docket_id, pairing_id, mode, words, sheet, steps, repeats, scattered, through, of_wedge, created) "
                + "values (?, ?, ?, ?::jsonb, ?, ?, ?, ?, ?, ?::jsonb, ?, ?)")
            .params(Arrays.asList(w.number, w.docketId.orElse(null), w.pairingId, json.text(w.mode), w.words, w.sheet, w.steps, w.repeats,
                w.scattered, w.through.map(json::text).orElse(null),
                w.ofWedge.orElse(null), Timestamp.from(clock.instant())))
            .update();
    }

    /** The newest first. */
    public List<Row> all() {
        return records.readable(jdbc.sql("select * from wedge order by number desc limit 500"), row);
    }

    public Row get(int number) {
        return jdbc.sql("select * from wedge where number = ?").param(number).query(row).optional()
            .orElseThrow(() -> new NotFound("There is no wedge " + number + ".", "Choose one on the tone bench."));
    }

    public Reading add(Reading r) {
        jdbc.sql(
            "insert into wedge_reading (id, wedge, hash, scan_hash, origin, taken, turned, target, note, scanner_known) "
                + "values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
            .params(Arrays.asList(r.id, r.wedge, r.hash, r.scanHash.orElse(null), r.origin.name(), Timestamp.from(r.taken), r.turned,
                r.target.name(), r.note, r.scannerKnown))
            .update();
        return r;
    }

    /** What the fit of a reading came to, if that is known. */
    public Optional<Linearisation> fit(UUID reading) {
        return jdbc.sql("select fit from wedge_reading where id = ? and fit is not null").param(reading).query(String.class).optional()
            .flatMap(t -> records.readable("fit of reading " + reading, () -> json.read(t, Linearisation.class)));
    }

    /** Keeps it, unless the reading is taken another way by now. */
    public void fitted(Reading r, Linearisation fit) {
        jdbc.sql("update wedge_reading set fit = ?::jsonb where id = ? and turned = ? and left_out = ?::jsonb and target = ?")
            .params(json.text(fit), r.id, r.turned, json.text(r.leftOut), r.target.name()).update();
    }

    /** @param fitsAnew what it was fitted to is another now */
    @Transactional
    public void take(Reading r, boolean fitsAnew) {
        if (fitsAnew) {
            jdbc.sql("update wedge_reading set fit = null where id = ?").param(r.id).update();
        }
        jdbc.sql("update wedge_reading set turned = ?, left_out = ?::jsonb, points = ?::jsonb, target = ? where id = ?")
            .params(Arrays.asList(r.turned, json.text(r.leftOut), r.points.map(json::text).orElse(null), r.target.name(), r.id)).update();
    }

    /** Of one wedge, the newest first. */
    public List<Reading> readings(int wedge) {
        return records.readable(jdbc.sql("select * from wedge_reading where wedge = ? order by taken desc, id").param(wedge), reading);
    }

    /** Of all wedges. */
    public List<Reading> readings() {
        return records.readable(jdbc.sql("select * from wedge_reading order by taken desc, id"), reading);
    }

    /** Locked against others until the transaction ends. */
    Reading lockedReading(UUID id) {
        jdbc.sql("select 1 from wedge_reading where id = ? for update").param(id).query(Integer.class).optional();
        return reading(id);
    }

    public Reading reading(UUID id) {
        return jdbc.sql("select * from wedge_reading where id = ?").param(id).query(reading).optional()
            .orElseThrow(() -> new NotFound("There is no such reading.", "Look at the wedge as it is now."));
    }

    private Row row(ResultSet r, int n) throws SQLException {
        return new Row(r.getInt("number"), Optional.ofNullable(r.getObject("docket_id", UUID.class)), r.getObject("pairing_id", UUID.class),
            json.read(r.getString("mode"), ToneMode.class), r.getString("words"),
            r.getString("sheet"), r.getInt("steps"), r.getInt("repeats"), r.getBoolean("scattered"), curve(r.getString("through")),
            Optional.ofNullable(r.getObject("of_wedge", Integer.class)),
            r.getTimestamp("created").toInstant());
    }

    private Optional<ToneCurve> curve(String text) {
        return Optional.ofNullable(text).map(t -> json.read(t, ToneCurve.class));
    }

    private Reading readingOf(ResultSet r, int n) throws SQLException {
        return new Reading(r.getObject("id", UUID.class), r.getInt("wedge"), r.getString("hash"),
            Optional.ofNullable(r.getString("scan_hash")), Origin.valueOf(r.getString("origin")),
            r.getTimestamp("taken").toInstant(), r.getBoolean("turned"), List.of(json.read(r.getString("left_out"), Integer[].class)),
            curve(r.getString("points")), ToneTarget.valueOf(r.getString("target")), r.getString("note"),
            r.getBoolean("scanner_known"));
    }
}
