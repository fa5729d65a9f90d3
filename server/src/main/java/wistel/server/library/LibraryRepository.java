package wistel.server.library;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.fault.NotFound;
import wistel.server.library.Catalogue.CataloguePaper;
import wistel.server.store.Json;

/** Libraries, what they said last, and where profiles came from. */
@Repository
class LibraryRepository {
    private final JdbcClient jdbc;
    private final Json json;

    LibraryRepository(JdbcClient jdbc, Json json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    /**
     * @param ownNetwork its address may be of the person's own network
     * @param fetched    when it answered last
     * @param failure    why it didn't since; empty when it did
     */
    record Library(UUID id, String address, boolean ownNetwork, String title, Optional<String> etag, Instant fetched,
        Optional<String> failure, Instant added) {
    }

    record Kept(UUID libraryId, String maker, CataloguePaper paper) {
    }

    /** @param libraryId empty once it was taken off */
    record Origin(String profileHash, Optional<UUID> libraryId, String maker, String itemId, String url, String edition,
        Optional<String> etag, String licence, Instant fetched) {
    }

    List<Library> all() {
        return jdbc.sql("select * from library order by title, address").query(LibraryRepository::library).list();
    }

    Library get(UUID id) {
        return jdbc.sql("select * from library where id = ?").param(id).query(LibraryRepository::library).optional()
            .orElseThrow(() -> new NotFound("This library isn't there.", "Look at the list as it is now."));
    }

    boolean has(String address) {
        return jdbc.sql("select count(*) from library where address = ?").param(address).query(Integer.class).single() > 0;
    }

    /** Puts a library and all of its papers in place of what was there of it. */
    void put(Library l, List<CataloguePaper> papers) {
        jdbc.sql("""
            insert into library (id, address, own_network, title, etag, fetched, failure, added) values (?, ?, ?, ?, ?, ?, ?, ?)
            on conflict (id) do update set title = excluded.title, etag = excluded.etag, fetched = excluded.fetched,
              failure = excluded.failure""")
            .params(Arrays.asList(l.id, l.address, l.ownNetwork, l.title, l.etag.orElse(null), Timestamp.from(l.fetched),
                l.failure.orElse(null), Timestamp.from(l.added)))
            .update();
        jdbc.sql("delete from library_paper where library_id = ?").param(l.id).update();
        for (int i = 0; i < papers.size(); i++) {
            jdbc.sql("insert into library_paper (library_id, item_id, position, paper) values (?, ?, ?, ?::jsonb) on conflict do nothing")
                .params(l.id, papers.get(i).itemId(), i, json.text(papers.get(i))).update();
        }
    }

    /** It answered, and nothing was new; or it didn't. */
    void asked(UUID id, Optional<Instant> answered, Optional<String> failure) {
        jdbc.sql("update library set fetched = coalesce(?, fetched), failure = ? where id = ?")
            .params(Arrays.asList(answered.map(Timestamp::from).orElse(null), failure.orElse(null), id)).update();
    }

    void remove(UUID id) {
        jdbc.sql("delete from library where id = ?").param(id).update();
    }

    List<Kept> papers() {
        return jdbc.sql("""
            select p.library_id, l.title, p.paper from library_paper p join library l on l.id = p.library_id
            order by l.title, l.id, p.position""")
            .query((r, n) -> new Kept(r.getObject("library_id", UUID.class), r.getString("title"),
                json.read(r.getString("paper"), CataloguePaper.class)))
            .list();
    }

    Optional<Kept> paper(UUID library, String item) {
        return jdbc.sql("""
            select p.library_id, l.title, p.paper from library_paper p join library l on l.id = p.library_id
            where p.library_id = ? and p.item_id = ?""").params(library, item)
            .query((r, n) -> new Kept(r.getObject("library_id", UUID.class), r.getString("title"),
                json.read(r.getString("paper"), CataloguePaper.class)))
            .optional();
    }

    void add(Origin o) {
        jdbc.sql("""
            insert into profile_origin (profile_hash, library_id, maker, item_id, url, edition, etag, licence, fetched)
            values (?, ?, ?, ?, ?, ?, ?, ?, ?) on conflict (profile_hash) do update set library_id = excluded.library_id,
              maker = excluded.maker, item_id = excluded.item_id, url = excluded.url, edition = excluded.edition, etag = excluded.etag,
              licence = excluded.licence, fetched = excluded.fetched""")
            .params(Arrays.asList(o.profileHash, o.libraryId.orElse(null), o.maker, o.itemId, o.url, o.edition, o.etag.orElse(null),
                o.licence, Timestamp.from(o.fetched)))
            .update();
    }

    Optional<Origin> origin(String profileHash) {
        return jdbc.sql("select * from profile_origin where profile_hash = ?").param(profileHash).query(LibraryRepository::origin)
            .optional();
    }

    /** What was fetched from an address, the newest first. */
    List<Origin> fetchedFrom(String url) {
        return jdbc.sql("select * from profile_origin where url = ? order by fetched desc").param(url).query(LibraryRepository::origin)
            .list();
    }

    private static Library library(ResultSet r, int n) throws SQLException {
        return new Library(r.getObject("id", UUID.class), r.getString("address"), r.getBoolean("own_network"), r.getString("title"),
            Optional.ofNullable(r.getString("etag")), r.getTimestamp("fetched").toInstant(), Optional.ofNullable(r.getString("failure")),
            r.getTimestamp("added").toInstant());
    }

    private static Origin origin(ResultSet r, int n) throws SQLException {
        return new Origin(r.getString("profile_hash"), Optional.ofNullable(r.getObject("library_id", UUID.class)), r.getString("maker"),
            r.getString("item_id"), r.getString("url"), r.getString("edition"), Optional.ofNullable(r.getString("etag")),
            r.getString("licence"), r.getTimestamp("fetched").toInstant());
    }
}
