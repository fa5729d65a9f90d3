package wistel.server.print;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.costs.Costs;
import wistel.core.fault.Conflict;
import wistel.core.fault.NotFound;
import wistel.core.fault.RecordException;
import wistel.server.docket.PrintHistory;
import wistel.server.store.Json;
import wistel.server.store.RecordRepository;
import wistel.server.store.StoredSpecs;
import wistel.server.store.StoredText;

/**
 * Attempts and their pages: released, read, stopped, judged. How far one is, is {@link PrintProgressRepository}'s to write.
 */
@Repository
public class AttemptRepository implements PrintHistory {
    static final String RUNNING = "('waiting', 'rendering', 'sending', 'printing')";
    private static final String SELECT = """
        select a.id, a.docket_id, a.number, a.printer_id, a.order_hash, a.title, a.paper, a.summary, a.readback, a.state, a.message,
          a.cancel_asked, a.verdict, a.remark,
          a.created, a.finished, a.lab_file, a.held, a.agreed, d.number as docket_number,
          coalesce(d.spec -> 'plan' ->> 'chosen', '') as chosen, p.name as printer_name,
          coalesce(a.master_hash, (select m.hash from docket_rendition r join master m on m.id = r.master_id
            where r.docket_id = a.docket_id order by r.position, r.rendition_id limit 1)) as master_hash,
          coalesce((select m.file_name from master m where m.hash = a.master_hash), '') as file_name
        from attempt a join docket d on d.id = a.docket_id join printer p on p.id = a.printer_id\s""";
    private static final int LOG_PAGE = 200;
    private static final int LEARN_FROM = 20;

    private final JdbcClient jdbc;
    private final AttemptPieceRepository pieceRows;
    private final Json json;
    private final StoredSpecs specs;
    private final RecordRepository records;
    private final Clock clock;
    private final RowMapper<Attempt> row;
    private final RowMapper<AttemptPage> page;

    public AttemptRepository(JdbcClient jdbc, Json json, StoredSpecs specs, RecordRepository records, Clock clock,
        AttemptPieceRepository pieceRows) {
        this.pieceRows = pieceRows;
        this.records = records;
        this.row = records.checked(r -> "print " + r.getInt("number") + " of docket " + r.getInt("docket_number"), AttemptRepository::row);
        this.page = records.checked(r -> "page " + r.getInt("page") + " of print " + r.getString("attempt_id"), (r, n) -> page(r));
        this.jdbc = jdbc;
        this.json = json;
        this.specs = specs;
        this.clock = clock;
    }

    /** @param placed names of what lies on it */
    public record NewPage(double areaM2, List<String> placed, List<NewNumber> numbers) {
    }

    /** @param work that it is a number of, as {@link PrintHistory#work} has it */
    public record NewNumber(String placedId, String work, int number) {
    }

    /**
     * What stands beside the order in lists.
     *
     * @param masterHash of its first picture
     */
    public record Labels(String title, String paper, Optional<UUID> pairingId, String summary, String readback, boolean labFile,
        String masterHash) {
    }

    public StoredText stored(PrintOrder order) {
        return StoredText.of(json.text(order));
    }

    /** @throws Conflict when another attempt of this docket is under way: the database holds that, whoever asks at the same moment */
    @Transactional
    public UUID add(UUID docketId, UUID printerId, StoredText order, Labels labels, List<NewPage> pages) {
        UUID id = UUID.randomUUID();
        // numbers of one docket are given one after the other
        jdbc.sql("select 1 from docket where id = ? for update").param(docketId).query(Integer.class).optional();
        try {
            jdbc.sql(
                """
                    insert into attempt (id, docket_id, number, printer_id, order_hash, print_order, title, paper, pairing_id, summary,
                      readback, lab_file, state, created, queued, master_hash)
                    select ?, ?, coalesce(max(number), 0) + 1, ?, ?, ?, ?, ?, ?, ?, ?, ?, 'waiting', ?, ?, ? from attempt
                      where docket_id = ?""")
                .params(Arrays.asList(id, docketId, printerId, order.hash(), order.text(), labels.title, labels.paper,
                    labels.pairingId.orElse(null), labels.summary,
                    labels.readback, labels.labFile, Timestamp.from(clock.instant()), Timestamp.from(clock.instant()),
                    labels.masterHash, docketId))
                .update();
        } catch (DuplicateKeyException e) {
            throw runningAlready();
        }
        for (int page = 1; page <= pages.size(); page++) {
            NewPage next = pages.get(page - 1);
            jdbc.sql("insert into attempt_page (attempt_id, page, state, area_m2, placed) values (?, ?, 'waiting', ?, ?)")
                .params(id, page, next.areaM2, next.placed.toArray(String[]::new)).update();
            for (NewNumber n : next.numbers) {
                jdbc.sql("insert into edition (work, number, attempt_id, page, placed_id) values (?, ?, ?, ?, ?)")
                    .params(n.work, n.number, id, page, n.placedId).update();
            }
        }
        return id;
    }

    private static Conflict runningAlready() {
        return new Conflict(Conflict.Reason.PRINTING_ALREADY, "This docket is on its way to the printer already.",
            "Wait for the sheet, or cancel it first.");
    }

    /** Sets one page that is over to be printed again, alone, by the same order. */
    @Transactional
    public void again(UUID id, int page) {
        reopen(id, "page = " + page + " and state in ('done', 'failed', 'cancelled')",
            new NotFound("This page can't be printed again now.", "Wait until it is over."));
    }

    /** Sets all pages that failed, or were never printed, to be printed by the same order. */
    @Transactional
    public void goOn(UUID id) {
        reopen(id, "state in ('failed', 'cancelled')",
            new NotFound("There is nothing left to print of this.", "Print exactly this again."));
    }

    private void reopen(UUID id, String which, NotFound none) {
        int open = jdbc
            .sql(
                """
                    update attempt_page set state = 'waiting', message = '', percent = 0, job_id = null, job_sent = false,
                      job_tries = job_tries + 1, began = null, finished = null,
                      printed_seconds = 0, scan_hash = null, scan_kept = true, made_anew = false, difference_mean = null,
                      difference_most = null
                    where attempt_id = ? and %s""".formatted(which))
            .param(id).update();
        if (open == 0) {
            throw none;
        }
        try {
            jdbc.sql("update attempt set state = 'waiting', message = '', cancel_asked = false, finished = null, queued = ? where id = ?")
                .params(Timestamp.from(clock.instant()), id).update();
        } catch (DuplicateKeyException e) {
            throw runningAlready();
        }
    }

    public Attempt get(UUID id) {
        Attempt a = jdbc.sql(SELECT + "where a.id = ?").param(id).query(row).optional()
            .orElseThrow(() -> new NotFound("There is no such attempt.", "Look it up in the print log."));
        return withPages(List.of(a)).stream().findFirst()
            .orElseThrow(() -> records.damaged("print " + a.number() + " of docket " + a.docketNumber(),
                new IllegalArgumentException("one of its pages is damaged")));
    }

    /** As it was written at release: text and hash stay the same through every reprint. */
    public StoredText storedOrder(UUID id) {
        return jdbc.sql("select print_order, order_hash from attempt where id = ?").param(id)
            .query((r, n) -> new StoredText(r.getString(1), r.getString(2))).optional()
            .orElseThrow(() -> new NotFound("There is no such attempt.", "Look it up in the print log."));
    }

    public PrintOrder order(UUID id) {
        return specs.order(storedOrder(id).text());
    }

    /** Of the docket itself, and of those that printed a piece of it together with others; newest first. */
    public List<Attempt> ofDocket(UUID docketId) {
        return withPages(records.readable(jdbc.sql(SELECT + """
            where a.docket_id = ? or exists (select 1 from attempt_piece p where p.attempt_id = a.id and p.source_id = ?)
            order by a.created desc, a.number desc""").params(docketId, docketId), row));
    }

    /** The newest of each docket; dockets without one are left out. */
    public List<Attempt> newestOf(Collection<UUID> dockets) {
        return withPages(records.readable(jdbc
            .sql(
                SELECT + "where a.docket_id = any (?) and a.number = (select max(n.number) from attempt n where n.docket_id = a.docket_id)")
            .param(dockets.toArray(UUID[]::new)), row));
    }

    public List<Attempt> running() {
        return withPages(records.readable(jdbc.sql(SELECT + "where a.state in " + RUNNING + " order by a.queued, a.id"), row));
    }

    /** Attempts that a printer has before it, in the order in which they were released. */
    List<Attempt> underWay(UUID printerId) {
        return withPages(records
            .readable(jdbc.sql(SELECT + "where a.printer_id = ? and not a.lab_file and a.state in " + RUNNING + " order by a.queued, a.id")
                .param(printerId), row));
    }

    List<Attempt> labFilesUnderWay() {
        return withPages(
            records.readable(jdbc.sql(SELECT + "where a.lab_file and a.state in " + RUNNING + " order by a.queued, a.id"), row));
    }

    /** Attempts released earlier for the same printer that still have a page to be sent; those that are held let others pass. */
    int before(UUID id) {
        return jdbc
            .sql("""
                select count(*) from attempt b join attempt a on a.printer_id = b.printer_id and (a.queued, a.id) < (b.queued, b.id)
                where b.id = ? and not a.lab_file and not a.held and a.state in %1$s
                  and exists (select 1 from attempt_page p where p.attempt_id = a.id and not p.job_sent and p.state in %1$s)"""
                .formatted(RUNNING))
            .param(id).query(Integer.class).single();
    }

    public boolean isRunning(UUID docketId) {
        return jdbc.sql("select exists (select 1 from attempt where docket_id = ? and state in " + RUNNING + ")").param(docketId)
            .query(Boolean.class).single();
    }

    /** Newest first; words are looked for in title, paper, readback, verdict, remark and what lies on it. */
    public List<Attempt> search(String words) {
        String like = "%" + words.toLowerCase(Locale.ROOT).replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_") + "%";
        return withPages(records.readable(jdbc.sql(SELECT + """
            where lower(concat_ws(' ', a.title, a.paper, a.readback, a.verdict, a.remark, 'docket', d.number)) like ?
              or exists (select 1 from attempt_piece p left join docket o on o.id = p.source_id
                where p.attempt_id = a.id and lower(concat_ws(' ', p.title, p.file_name, 'docket', o.number)) like ?)
            order by a.created desc limit ?""").params(like, like, LOG_PAGE), row));
    }

    // --- what a person does ---

    public void askCancel(UUID id) {
        jdbc.sql("update attempt set cancel_asked = true where id = ? and state in " + RUNNING).param(id).update();
    }

    /** Only where the printer was told nothing of it; false when it was, or it is over. */
    boolean askCancelUnsent(UUID id) {
        return jdbc.sql("update attempt a set cancel_asked = true where id = ? and state in " + RUNNING
            + " and not exists (select 1 from attempt_page p where p.attempt_id = a.id and (p.job_sent or p.job_id is not null))")
            .param(id).update() == 1;
    }

    /** It waits before it is sent, or goes on. */
    public void hold(UUID id, boolean held) {
        jdbc.sql("update attempt set held = ? where id = ? and state in " + RUNNING).params(held, id).update();
    }

    /** Pages that were made anew may differ from the print of then by as much, mean CIEDE2000. */
    public void agree(UUID id, double extent) {
        jdbc.sql("update attempt set agreed = greatest(coalesce(agreed, 0), ?) where id = ?").params(extent, id).update();
    }

    public boolean cancelAsked(UUID id) {
        return jdbc.sql("select cancel_asked from attempt where id = ?").param(id).query(Boolean.class).optional().orElse(false);
    }

    public void judge(UUID id, String verdict, String remark) {
        jdbc.sql("update attempt set verdict = ?, remark = ? where id = ?").params(verdict, remark, id).update();
    }

    /** Over the last pages on each pairing. */
    @Override
    public Map<String, Double> secondsPerM2() {
        return jdbc
            .sql(
                """
                    select g.id as pairing_id, avg(last.seconds_per_m2) as seconds from pairing g, lateral (
                      select case when p.printed_seconds > 0 then p.printed_seconds / p.area_m2 end as seconds_per_m2 from attempt a
                        join attempt_page p on p.attempt_id = a.id
                      where a.pairing_id = g.id and p.state = 'done' and p.area_m2 > 0
                      order by a.created desc, p.page desc limit ?) last
                    group by g.id having count(last.seconds_per_m2) > 0""")
            .param(LEARN_FROM)
            .query((r, n) -> Map.entry(r.getString("pairing_id"), r.getDouble("seconds"))).list().stream()
            .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    @Override
    public Costs.Past past(String pairingId) {
        return jdbc
            .sql(
                """
                    select count(*) filter (where printed_seconds > 0) as prints,
                      avg(printed_seconds / area_m2) filter (where printed_seconds > 0) as seconds,
                      coalesce(stddev_samp(printed_seconds / area_m2) filter (where printed_seconds > 0), 0) as seconds_spread,
                      count(*) filter (where ink_ml > 0 and coverage > 0) as inked,
                      avg(ink_ml / (coverage * area_m2)) filter (where ink_ml > 0 and coverage > 0) as ml,
                      coalesce(stddev_samp(ink_ml / (coverage * area_m2)) filter (where ink_ml > 0 and coverage > 0), 0) as ml_spread
                    from (select p.* from attempt a join attempt_page p on p.attempt_id = a.id where a.pairing_id = ?
                      and p.state = 'done' and p.area_m2 > 0
                      order by a.created desc, p.page desc limit ?) last""")
            .params(UUID.fromString(pairingId), LEARN_FROM)
            .query((r, n) -> new Costs.Past(r.getInt("prints"), r.getDouble("seconds"), r.getDouble("seconds_spread"), r.getInt("inked"),
                r.getDouble("ml"), r.getDouble("ml_spread")))
            .single();
    }

    /** Sheets that failed or were cancelled give their numbers back. */
    @Override
    public Map<String, Integer> nextEditions(Collection<String> works) {
        return works.isEmpty() ? Map.of() : jdbc.sql("""
            select e.work, max(e.number) + 1 as next from edition e join attempt_page p on p.attempt_id = e.attempt_id and p.page = e.page
            where p.state not in ('failed', 'cancelled') and e.work = any (?) group by e.work""").param(works.toArray(String[]::new))
            .query((r, n) -> Map.entry(r.getString("work"), r.getInt("next"))).list().stream()
            .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    public List<NewPage> newPages(UUID id) {
        return jdbc.sql("select page, area_m2, placed from attempt_page where attempt_id = ? order by page").param(id)
            .query((r, n) -> new NewPage(r.getDouble("area_m2"), texts(r, "placed"), numbers(id, r.getInt("page")))).list();
    }

    private List<NewNumber> numbers(UUID id, int page) {
        return jdbc.sql("select placed_id, work, number from edition where attempt_id = ? and page = ?").params(id, page)
            .query((r, n) -> new NewNumber(r.getString("placed_id"), r.getString("work"), r.getInt("number"))).list();
    }

    private static List<String> texts(ResultSet r, String column) throws SQLException {
        return List.of((String[]) r.getArray(column).getArray());
    }

    // --- files that may be let go ---

    // --- reading ---

    private List<Attempt> withPages(List<Attempt> attempts) {
        if (attempts.isEmpty()) {
            return attempts;
        }
        Map<UUID, List<AttemptPage>> pages = new HashMap<>();
        Set<UUID> damaged = new HashSet<>();
        jdbc.sql("select * from attempt_page where attempt_id = any (?) order by page")
            .param(attempts.stream().map(Attempt::id).toArray(UUID[]::new))
            .query(r -> {
                try {
                    pages.computeIfAbsent(r.getObject("attempt_id", UUID.class), k -> new ArrayList<>()).add(page.mapRow(r, 0));
                } catch (RecordException e) {
                    damaged.add(r.getObject("attempt_id", UUID.class));
                }
            });
        Map<UUID, List<Attempt.Piece>> pieces = pieceRows.of(attempts.stream().map(Attempt::id).toList());
        return attempts.stream().filter(a -> !damaged.contains(a.id())).map(a -> {
            List<AttemptPage> own = pages.getOrDefault(a.id(), List.of());
            int percent = (int) own.stream().mapToInt(p -> p.state() == AttemptState.DONE ? 100 : p.percent()).average().orElse(0);
            return new Attempt(a.id(), a.docketId(), a.docketNumber(), a.number(), a.printerId(), a.printerName(), a.masterHash(),
                a.orderHash(), a.title(), a.paper(), a.summary(),
                a.readback(), a.state(), a.message(), percent, a.cancelAsked(), own, a.verdict(), a.remark(), a.created(), a.finished(),
                a.labFile(), a.held(), a.agreed(), pieces.getOrDefault(a.id(), List.of()), a.chosen(), a.fileName());
        }).toList();
    }

    private static AttemptPage page(ResultSet r) throws SQLException {
        return new AttemptPage(r.getInt("page"), AttemptState.of(r.getString("state")), r.getString("message"), r.getInt("percent"),
            Optional.ofNullable(r.getString("file_hash")), r.getBoolean("file_kept"),
            Optional.ofNullable(r.getObject("job_id", Integer.class)), r.getBoolean("job_sent"),
            r.getInt("job_tries"), time(r, "began"), time(r, "finished"), Optional.ofNullable(r.getString("scan_hash")),
            r.getBoolean("scan_kept"),
            texts(r, "placed"), Optional.ofNullable(r.getString("engine")), anew(r));
    }

    private static Optional<MadeAnew> anew(ResultSet r) throws SQLException {
        return r.getBoolean("made_anew")
            ? Optional.of(new MadeAnew(Optional.ofNullable(r.getObject("difference_mean", Double.class)),
                Optional.ofNullable(r.getObject("difference_most", Double.class))))
            : Optional.empty();
    }

    private static Optional<Instant> time(ResultSet r, String column) throws SQLException {
        return Optional.ofNullable(r.getTimestamp(column)).map(Timestamp::toInstant);
    }

    private static Attempt row(ResultSet r, int n) throws SQLException {
        return new Attempt(r.getObject("id", UUID.class), r.getObject("docket_id", UUID.class), r.getInt("docket_number"),
            r.getInt("number"),
            r.getObject("printer_id", UUID.class), r.getString("printer_name"), r.getString("master_hash"), r.getString("order_hash"),
            r.getString("title"),
            r.getString("paper"), r.getString("summary"), r.getString("readback"), AttemptState.of(r.getString("state")),
            r.getString("message"), 0,
            r.getBoolean("cancel_asked"), List.of(), r.getString("verdict"), r.getString("remark"), r.getTimestamp("created").toInstant(),
            time(r, "finished"), r.getBoolean("lab_file"),
            r.getBoolean("held"), Optional.ofNullable(r.getObject("agreed", Double.class)),
            List.of(), r.getString("chosen"), r.getString("file_name"));
    }

}
