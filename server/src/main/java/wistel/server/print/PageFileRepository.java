package wistel.server.print;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.render.PageFingerprint;

/** Files of pages: which of them are kept, and what pages looked like whose files are gone. */
@Repository
class PageFileRepository {
    private final JdbcClient jdbc;

    PageFileRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * A file of a page that is over.
     *
     * @param matches a print of it was judged to match
     */
    public record KeptFile(String hash, Instant finished, boolean matches) {
    }

    record PageOf(UUID attempt, int page) {
    }

    /**
     * The files of another attempt of the same order serve this one too, whichever version made them; those let go of are what new ones are
     * compared with.
     */
    public void takeFiles(UUID id, UUID from) {
        jdbc.sql(
            """
                update attempt_page p set file_hash = o.file_hash, file_kept = o.file_kept, coverage = o.coverage, engine = o.engine,
                  fingerprint = o.fingerprint
                from attempt_page o where p.attempt_id = ? and o.attempt_id = ? and o.page = p.page""")
            .params(id, from).update();
    }

    /** Pages printed from a file of which it isn't kept what they look like. */
    List<PageOf> notLookedAt(String fileHash) {
        return jdbc.sql(
            "select p.attempt_id, p.page from attempt_page p join attempt a on a.id = p.attempt_id where p.file_hash = ? and "
                + "p.fingerprint is null and not a.lab_file")
            .param(fileHash).query((r, n) -> new PageOf(r.getObject(1, UUID.class), r.getInt(2))).list();
    }

    /** Print files of pages that are over, oldest first; a file that a running page or a later one needs too counts with the later. */
    public List<KeptFile> printFiles() {
        return kept("file_hash", "file_kept");
    }

    public List<KeptFile> scans() {
        return kept("scan_hash", "scan_kept");
    }

    private List<KeptFile> kept(String hash, String kept) {
        return jdbc.sql("select p." + hash
            + ", max(p.finished) as finished, bool_or(a.verdict = 'matches') as matches from attempt_page p join attempt a on a.id = "
            + "p.attempt_id where p."
            + hash + " is not null and p." + kept
            + " group by p." + hash + " having bool_and(a.state not in " + AttemptRepository.RUNNING + ") order by 2 nulls first")
            .query((r, n) -> new KeptFile(r.getString(1),
                Optional.ofNullable(r.getTimestamp(2)).map(Timestamp::toInstant).orElse(Instant.EPOCH), r.getBoolean(3)))
            .list();
    }

    /** The file isn't there any more, whatever pages it was of. */
    public void forgetFile(String hash) {
        jdbc.sql("update attempt_page set file_kept = false where file_hash = ?").param(hash).update();
        jdbc.sql("update attempt_page set scan_kept = false where scan_hash = ?").param(hash).update();
    }

    /** What a page looked like, when its file is about to be let go of and this was never kept. */
    public void looked(UUID id, int page, PageFingerprint fingerprint) {
        jdbc.sql("update attempt_page set fingerprint = ? where attempt_id = ? and page = ?").params(fingerprint.bytes(), id, page)
            .update();
    }

    /** What a page looked like; empty for prints of versions that didn't keep it, whose files are gone. */
    public Optional<PageFingerprint> fingerprint(UUID id, int page) {
        return jdbc.sql("select fingerprint from attempt_page where attempt_id = ? and page = ?").params(id, page)
            .query((r, n) -> Optional.ofNullable(r.getBytes(1))).single()
            .map(PageFingerprint::read);
    }
}
