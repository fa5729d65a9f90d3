package wistel.server.print;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.docket.DocketSpec;
import wistel.core.fault.NotFound;
import wistel.core.paper.SheetSize;
import wistel.server.store.Json;

@Repository
public class AttemptRepository {
    private static final String SELECT = """
        select a.*, d.number as docket_number, d.master_id, p.name as printer_name, coalesce(g.paper, '') as paper
        from attempt a join docket d on d.id = a.docket_id join printer p on p.id = a.printer_id
        left join pairing g on g.id::text = a.decisions ->> 'pairingId'\s""";
    private static final int PAGE = 200;

    private final JdbcClient jdbc;
    private final Json json;
    private final Clock clock;

    public AttemptRepository(JdbcClient jdbc, Json json, Clock clock) {
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    public UUID add(UUID docketId, UUID printerId, String masterHash, String profileHash, DocketSpec decisions, String readback, Optional<String> fileHash) {
        UUID id = UUID.randomUUID();
        jdbc.sql("""
            insert into attempt (id, docket_id, number, printer_id, master_hash, profile_hash, decisions, readback, state, file_hash, created)
            select ?, ?, coalesce(max(number), 0) + 1, ?, ?, ?, ?::jsonb, ?, 'waiting', ?, ? from attempt where docket_id = ?""")
            .params(id, docketId, printerId, masterHash, profileHash, json.text(decisions), readback, fileHash.orElse(null),
                Timestamp.from(clock.instant()), docketId).update();
        return id;
    }

    public Attempt get(UUID id) {
        return jdbc.sql(SELECT + "where a.id = ?").param(id).query(this::row).optional()
            .orElseThrow(() -> new NotFound("There is no such attempt.", "Look it up in the print log."));
    }

    public List<Attempt> ofDocket(UUID docketId) {
        return jdbc.sql(SELECT + "where a.docket_id = ? order by a.number desc").param(docketId).query(this::row).list();
    }

    public List<Attempt> running() {
        return jdbc.sql(SELECT + "where a.state in ('waiting', 'rendering', 'sending', 'printing') order by a.created").query(this::row).list();
    }

    /** Newest first; words are looked for in title, paper, readback, verdict and remark. */
    public List<Attempt> search(String words) {
        String like = "%" + words.toLowerCase(java.util.Locale.ROOT).replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_") + "%";
        return jdbc.sql(SELECT + """
            where lower(concat_ws(' ', a.decisions ->> 'title', g.paper, a.readback, a.verdict, a.remark, 'docket', d.number)) like ?
            order by a.created desc limit ?""").params(like, PAGE).query(this::row).list();
    }

    public void state(UUID id, String state, String message, int percent) {
        jdbc.sql("update attempt set state = ?, message = ?, percent = ? where id = ?").params(state, message, percent, id).update();
    }

    public void close(UUID id, String state, String message) {
        jdbc.sql("update attempt set state = ?, message = ?, percent = case when ? = 'done' then 100 else percent end, finished = ? where id = ?")
            .params(state, message, state, Timestamp.from(clock.instant()), id).update();
    }

    public void rendered(UUID id, String fileHash) {
        jdbc.sql("update attempt set file_hash = ?, state = 'sending', percent = 0 where id = ?").params(fileHash, id).update();
    }

    public void announced(UUID id, int jobId) {
        jdbc.sql("update attempt set job_id = ?, job_sent = false where id = ?").params(jobId, id).update();
    }

    public void sent(UUID id) {
        jdbc.sql("update attempt set job_sent = true where id = ?").param(id).update();
    }

    public void began(UUID id) {
        jdbc.sql("update attempt set print_began = coalesce(print_began, ?) where id = ?").params(Timestamp.from(clock.instant()), id).update();
    }

    public void scanned(UUID id, String scanHash) {
        jdbc.sql("update attempt set scan_hash = ? where id = ?").params(scanHash, id).update();
    }

    public void askCancel(UUID id) {
        jdbc.sql("update attempt set cancel_asked = true where id = ?").param(id).update();
    }

    public void judge(UUID id, String verdict, String remark) {
        jdbc.sql("update attempt set verdict = ?, remark = ? where id = ?").params(verdict, remark, id).update();
    }

    /** Mean seconds for a square metre over the last prints on a pairing; 0 when there is none. */
    public double secondsPerM2(String pairingId) {
        return jdbc.sql("""
            select extract(epoch from a.finished - a.print_began) as seconds, a.decisions -> 'size' ->> 'sheet' as sheet from attempt a
            where a.state = 'done' and a.print_began is not null and a.decisions ->> 'pairingId' = ? order by a.finished desc limit 5""")
            .param(pairingId).query((r, n) -> r.getDouble("seconds") / area(r.getString("sheet"))).list().stream()
            .mapToDouble(v -> v).average().orElse(0);
    }

    private static double area(String sheet) {
        return SheetSize.KNOWN.stream().filter(s -> s.name().equals(sheet)).mapToDouble(s -> s.widthMm() * s.heightMm() / 1e6).findFirst().orElse(0.0624);
    }

    private Attempt row(ResultSet r, int n) throws SQLException {
        return new Attempt(r.getObject("id", UUID.class), r.getObject("docket_id", UUID.class), r.getInt("docket_number"), r.getInt("number"),
            r.getObject("printer_id", UUID.class), r.getString("printer_name"), r.getObject("master_id", UUID.class), r.getString("master_hash"),
            r.getString("profile_hash"), r.getString("paper"), json.read(r.getString("decisions"), DocketSpec.class), r.getString("readback"),
            r.getString("state"), r.getString("message"), r.getInt("percent"), r.getBoolean("cancel_asked"), Optional.ofNullable(r.getString("file_hash")),
            Optional.ofNullable(r.getObject("job_id", Integer.class)), r.getBoolean("job_sent"), Optional.ofNullable(r.getString("scan_hash")),
            r.getString("verdict"), r.getString("remark"), r.getTimestamp("created").toInstant(),
            Optional.ofNullable(r.getTimestamp("print_began")).map(Timestamp::toInstant),
            Optional.ofNullable(r.getTimestamp("finished")).map(Timestamp::toInstant));
    }
}
