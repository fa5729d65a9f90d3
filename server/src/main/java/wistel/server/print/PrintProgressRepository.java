package wistel.server.print;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/**
 * How far an attempt is. Whoever works on it holds its lease; what is written under a lease that was taken over since is refused, so that
 * two runs of a task never write into one another.
 */
@Repository
class PrintProgressRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    PrintProgressRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** What a lease is for: making files and printing go on at the same time. */
    private enum Work {
        PRINT("lease"), RENDER("render_lease");

        private final String column;

        Work(String column) {
            this.column = column;
        }
    }

    /** The right to work on an attempt, for one run of a task. */
    record Lease(UUID attempt, UUID token, Work work) {
    }

    /** Somebody else works on the attempt by now. */
    static final class LeaseLost extends RuntimeException {
        LeaseLost(UUID attempt) {
            super("attempt " + attempt + " is worked on elsewhere");
        }
    }

    /** Takes the lease, whoever held it before. */
    Lease lease(UUID id) {
        return lease(id, Work.PRINT);
    }

    /** Takes the lease to make an attempt's files. */
    Lease leaseToRender(UUID id) {
        return lease(id, Work.RENDER);
    }

    private Lease lease(UUID id, Work work) {
        Lease lease = new Lease(id, UUID.randomUUID(), work);
        jdbc.sql("update attempt set " + work.column + " = ? where id = ?").params(lease.token, id).update();
        return lease;
    }

    void held(Lease lease) {
        if (jdbc.sql("select 1 from attempt where id = ? and " + lease.work.column + " = ?").params(lease.attempt, lease.token)
            .query(Integer.class).optional().isEmpty()) {
            throw new LeaseLost(lease.attempt);
        }
    }

    @Transactional
    void state(Lease lease, int page, AttemptState state, String message, int percent) {
        int percentShown = Math.max(0, Math.min(100, percent));
        onAttempt(lease, "state = ?, message = ?", state.word(), message);
        onPage(lease, page, "state = ?, message = ?, percent = ?", state.word(), message, percentShown);
    }

    @Transactional
    void closePage(Lease lease, int page, AttemptState state, String message) {
        onPage(lease, page, "state = ?, message = ?, percent = case when ? = 'done' then 100 else percent end, finished = ?", state.word(),
            message, state.word(),
            Timestamp.from(clock.instant()));
    }

    /** Pages that were not begun when another one ended the set: nothing went wrong with them. */
    @Transactional
    void leaveUnprinted(Lease lease) {
        held(lease);
        jdbc.sql("update attempt_page set state = 'cancelled', message = '', finished = ? where attempt_id = ? and state in "
            + AttemptRepository.RUNNING).params(Timestamp.from(clock.instant()), lease.attempt).update();
    }

    /**
     * Ends the attempt; pages that are not over end as it does, and whoever still makes a file for it has lost the right to say
     * so.
     */
    @Transactional
    void close(Lease lease, AttemptState state, String message) {
        onAttempt(lease, "state = ?, message = ?, finished = ?, render_lease = null", state.word(), message,
            Timestamp.from(clock.instant()));
        jdbc.sql(
            "update attempt_page set state = ?, message = ?, finished = ? where attempt_id = ? and state in " + AttemptRepository.RUNNING)
            .params(state.word(), message, Timestamp.from(clock.instant()), lease.attempt)
            .update();
    }

    /** A page's file is being made; the attempt says so as long as none of its pages is further. */
    @Transactional
    void making(Lease lease, int page, int percent) {
        onPage(lease, page, "state = 'rendering', message = '', percent = ?", percent);
        jdbc.sql("update attempt set state = 'rendering', message = '' where id = ? and state in ('waiting', 'rendering')")
            .param(lease.attempt).update();
    }

    /** A page's file is there. Where it differs from the print that it repeats, the attempt waits until a person has agreed. */
    @Transactional
    void rendered(Lease lease, int page, Rendering.Made made, Optional<MadeAnew> anew) {
        onPage(lease, page,
            "file_hash = ?, coverage = ?, engine = ?, fingerprint = ?, file_kept = true, state = 'waiting', message = '', percent = 0, "
                + "made_anew = ?, difference_mean = ?, difference_most = ?",
            made.hash(), made.coverage().orElse(null), made.engine(), made.fingerprint().bytes(), anew.isPresent(),
            anew.flatMap(MadeAnew::mean).orElse(null), anew.flatMap(MadeAnew::most).orElse(null));
        anew.ifPresent(a -> jdbc.sql("update attempt set held = true where id = ? and coalesce(agreed, -1) < ?")
            .params(lease.attempt, a.extent()).update());
        nowMaking(lease, "waiting");
    }

    /** A page is not made after all. */
    @Transactional
    void notMade(Lease lease, int page) {
        onPage(lease, page, "state = 'waiting', percent = 0");
        nowMaking(lease, "waiting");
    }

    private void nowMaking(Lease lease, String state) {
        jdbc.sql("update attempt set state = ? where id = ? and state = 'rendering'").params(state, lease.attempt).update();
    }

    void announced(Lease lease, int page, int jobId) {
        onPage(lease, page, "job_id = ?, job_sent = false", jobId);
    }

    void sent(Lease lease, int page) {
        onPage(lease, page, "job_sent = true");
    }

    void began(Lease lease, int page) {
        onPage(lease, page, "began = coalesce(began, ?)", Timestamp.from(clock.instant()));
    }

    /** Counts time that the printer was at work on the page, waiting left out. */
    void printed(Lease lease, int page, double seconds) {
        onPage(lease, page, "printed_seconds = printed_seconds + ?", seconds);
    }

    /** What the printer told that the page took. */
    void inked(Lease lease, int page, double ml) {
        onPage(lease, page, "ink_ml = ?", ml);
    }

    void scanned(Lease lease, int page, String scanHash) {
        onPage(lease, page, "scan_hash = ?, scan_kept = true", scanHash);
    }

    private void onAttempt(Lease lease, String set, Object... values) {
        List<Object> params = new ArrayList<>(Arrays.asList(values));
        params.addAll(List.of(lease.attempt, lease.token));
        if (jdbc.sql("update attempt set " + set + " where id = ? and " + lease.work.column + " = ?").params(params).update() != 1) {
            throw new LeaseLost(lease.attempt);
        }
    }

    private void onPage(Lease lease, int page, String set, Object... values) {
        List<Object> params = new ArrayList<>(Arrays.asList(values));
        params.addAll(List.of(lease.attempt, page, lease.attempt, lease.token));
        if (jdbc.sql("update attempt_page set " + set
            + " where attempt_id = ? and page = ? and exists (select 1 from attempt where id = ? and " + lease.work.column + " = ?)")
            .params(params).update() != 1) {
            throw new LeaseLost(lease.attempt);
        }
    }
}
