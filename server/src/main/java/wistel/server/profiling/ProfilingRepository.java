package wistel.server.profiling;

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
import wistel.core.colour.Lab;
import wistel.core.colour.Reflectance;
import wistel.core.fault.NotFound;
import wistel.core.icc.making.ProfileChart;
import wistel.core.icc.making.ProfileChoices;
import wistel.core.icc.making.Quality;
import wistel.server.print.ChartSheets;
import wistel.server.store.Json;

/** Profiles in the making, their pages and what was read of them. */
@Repository
class ProfilingRepository {
    private final JdbcClient jdbc;
    private final Json json;

    ProfilingRepository(JdbcClient jdbc, Json json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    /**
     * @param pairingId   on which its chart is printed; the new paper's, once it is kept
     * @param ofPairing   whose next version it becomes; empty for a paper of its own
     * @param lengthMm    that patches may lie on
     * @param leftOut     ids of patches
     * @param profileHash of what was made last
     */
    record Row(UUID id, UUID pairingId, Optional<UUID> ofPairing, Source source, ChartSheets.Laid laid, double dryingHours,
        ProfileChoices choices,
        List<String> leftOut, Optional<Made> made, Optional<Instant> kept, Instant created) {
        ProfileChart chart() {
            return source.chart();
        }
    }

    /** Where a chart comes from. */
    sealed interface Source {
        ProfileChart chart();

        /** One of Wistel's own sizes. */
        record Laid(ProfileChart.Size size, long seed) implements Source {
            @Override
            public ProfileChart chart() {
                return ProfileChart.of(size, seed);
            }
        }

        /**
         * @param cgats what is sent, in the order in which it is printed
         * @param base  of the profile whose chart's measurements count too; empty of a chart that stands alone
         */
        record Brought(String cgats, Optional<String> base) implements Source {
            @Override
            public ProfileChart chart() {
                return ProfileChart.own(cgats);
            }
        }
    }

    /** @param inUse how well the profile in use foresees the same patches; empty of a paper that has none */
    record Made(String profileHash, Quality quality, Optional<Quality> inUse) {
    }

    enum Origin {
        INSTRUMENT, FILE
    }

    /**
     * @param colours of a page's patches, in the page's order
     * @param spectra of the same; empty where one of them has none
     */
    record Reading(int page, int number, List<Lab> colours, List<Reflectance> spectra, List<String> words, Origin origin, Instant taken) {
    }

    void add(Row r, List<UUID> dockets) {
        Optional<Source.Laid> laid = r.source instanceof Source.Laid l ? Optional.of(l) : Optional.empty();
        Optional<Source.Brought> brought = r.source instanceof Source.Brought b ? Optional.of(b) : Optional.empty();
        jdbc.sql(
            "insert into profiling (id, pairing_id, of_pairing, size, seed, chart, base_hash, columns, length_mm, drying_hours, created) "
                + "values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
            .params(Arrays.asList(r.id, r.pairingId, r.ofPairing.orElse(null), laid.map(l -> l.size().name()).orElse(null),
                laid.map(Source.Laid::seed).orElse(0L), brought.map(Source.Brought::cgats).orElse(null),
                brought.flatMap(Source.Brought::base).orElse(null), r.laid.columns(), r.laid.lengthMm(), r.dryingHours,
                Timestamp.from(r.created)))
            .update();
        for (int i = 0; i < dockets.size(); i++) {
            jdbc.sql("insert into profiling_page (profiling_id, page, docket_id) values (?, ?, ?)").params(r.id, i + 1, dockets.get(i))
                .update();
        }
    }

    /** @param read pages that are read */
    record Open(Row row, int pages, int read) {
    }

    /** Those that aren't kept yet, the newest first. */
    List<Open> open() {
        return jdbc.sql("""
            select f.*, (select count(*) from profiling_page p where p.profiling_id = f.id) as pages,
              (select count(distinct r.page) from profiling_reading r where r.profiling_id = f.id) as read
            from profiling f where f.kept is null order by f.created desc limit 50""")
            .query((r, n) -> new Open(row(r, n), r.getInt("pages"), r.getInt("read"))).list();
    }

    Row get(UUID id) {
        return jdbc.sql("select * from profiling where id = ?").param(id).query(this::row).optional()
            .orElseThrow(() -> new NotFound("No such profile is in the making.", "Look at the papers as they are now."));
    }

    /** As {@link #get}, held until the transaction ends. */
    Row locked(UUID id) {
        return jdbc.sql("select * from profiling where id = ? for update").param(id).query(this::row).optional()
            .orElseThrow(() -> new NotFound("No such profile is in the making.", "Look at the papers as they are now."));
    }

    /** By page. */
    List<UUID> dockets(UUID id) {
        return jdbc.sql("select docket_id from profiling_page where profiling_id = ? order by page").param(id)
            .query((r, n) -> r.getObject(1, UUID.class)).list();
    }

    List<Reading> readings(UUID id) {
        return jdbc.sql("select * from profiling_reading where profiling_id = ? order by page, no").param(id)
            .query((r, n) -> new Reading(r.getInt("page"), r.getInt("no"), List.of(json.read(r.getString("lab"), Lab[].class)),
                List.of(json.read(r.getString("spectra"), Reflectance[].class)),
                List.of(json.read(r.getString("words"), String[].class)), Origin.valueOf(r.getString("origin")),
                r.getTimestamp("taken").toInstant()))
            .list();
    }

    void add(UUID id, Reading r) {
        jdbc.sql(
            "insert into profiling_reading (profiling_id, page, no, lab, spectra, words, origin, taken) "
                + "values (?, ?, ?, ?::jsonb, ?::jsonb, ?::jsonb, ?, ?)")
            .params(id, r.page, r.number, json.text(r.colours), json.text(r.spectra), json.text(r.words), r.origin.name(),
                Timestamp.from(r.taken))
            .update();
    }

    void forget(UUID id, int page) {
        jdbc.sql("delete from profiling_reading where profiling_id = ? and page = ?").params(id, page).update();
    }

    void leaveOut(UUID id, List<String> patches) {
        jdbc.sql("update profiling set left_out = ?::jsonb where id = ?").params(json.text(patches), id).update();
    }

    /** Empty where what it was made from has changed since. */
    void made(UUID id, Optional<Made> made) {
        jdbc.sql("update profiling set profile_hash = ?, quality = ?::jsonb, in_use = ?::jsonb where id = ?")
            .params(Arrays.asList(made.map(Made::profileHash).orElse(null), made.map(m -> json.text(m.quality)).orElse(null),
                made.flatMap(Made::inUse).map(json::text).orElse(null), id))
            .update();
    }

    void choose(UUID id, ProfileChoices choices) {
        jdbc.sql("update profiling set choices = ?::jsonb where id = ?").params(json.text(choices), id).update();
    }

    void kept(UUID id, Instant at) {
        jdbc.sql("update profiling set kept = ? where id = ?").params(Timestamp.from(at), id).update();
    }

    void delete(UUID id) {
        jdbc.sql("delete from profiling where id = ?").param(id).update();
    }

    private Row row(ResultSet r, int n) throws SQLException {
        Optional<String> hash = Optional.ofNullable(r.getString("profile_hash"));
        String quality = r.getString("quality");
        Optional<Quality> inUse = Optional.ofNullable(r.getString("in_use")).map(q -> json.read(q, Quality.class));
        return new Row(r.getObject("id", UUID.class), r.getObject("pairing_id", UUID.class),
            Optional.ofNullable(r.getObject("of_pairing", UUID.class)), source(r),
            new ChartSheets.Laid(r.getInt("columns"), r.getDouble("length_mm")),
            r.getDouble("drying_hours"), json.read(r.getString("choices"), ProfileChoices.class),
            List.of(json.read(r.getString("left_out"), String[].class)),
            hash.map(h -> new Made(h, json.read(quality, Quality.class), inUse)),
            Optional.ofNullable(r.getTimestamp("kept")).map(Timestamp::toInstant), r.getTimestamp("created").toInstant());
    }

    private static Source source(ResultSet r) throws SQLException {
        String chart = r.getString("chart");
        return chart == null ? new Source.Laid(ProfileChart.Size.valueOf(r.getString("size")), r.getLong("seed"))
            : new Source.Brought(chart, Optional.ofNullable(r.getString("base_hash")));
    }
}
