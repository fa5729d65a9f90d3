package wistel.server.pairing;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.icc.profile.Intent;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.FeedScale;
import wistel.core.paper.PaperBody;
import wistel.core.printer.DriverSettings;
import wistel.core.tone.PairingToneCurve;
import wistel.server.store.Json;
import wistel.server.store.RecordRepository;

/** Papers and pairings. A version of a pairing is never changed: a new one follows it. */
@Repository
public class PairingRepository {
    private static final String COLUMNS = """
        v.*, p.name as printer_name, a.name as paper, b.surface, b.thickness_mm, b.grammage, b.texture, b.curl
        from pairing_version v join pairing g on g.id = v.pairing_id join printer p on p.id = v.printer_id join paper a on a.id = v.paper_id
          join paper_version b on b.paper_id = v.paper_id and b.no = v.paper_no\s""";

    private static final String ALL = "select " + COLUMNS;
    private static final String LATEST = "select distinct on (v.pairing_id) " + COLUMNS;

    private final JdbcClient jdbc;
    private final Json json;
    private final RecordRepository records;
    private final Clock clock;
    private final RowMapper<PairingVersion> row;

    public PairingRepository(JdbcClient jdbc, Json json, RecordRepository records, Clock clock) {
        this.records = records;
        this.row = records.checked(
            r -> "the pairing of " + r.getString("paper") + " on " + r.getString("printer_name") + ", version " + r.getInt("no"),
            this::row);
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    /** A new pairing, or the next version of a known one; the number is the next that is free. */
    @Transactional
    public PairingVersion add(PairingVersion v) {
        UUID id = UUID.fromString(v.pairingId());
        jdbc.sql("insert into pairing (id) values (?) on conflict do nothing").param(id).update();
        jdbc.sql("select 1 from pairing where id = ? for update").param(id).query(Integer.class).single();
        Paper paper = paper(v);
        int number = jdbc.sql("select coalesce(max(no), 0) + 1 from pairing_version where pairing_id = ?").param(id).query(Integer.class)
            .single();
        jdbc.sql(
            """
                insert into pairing_version (pairing_id, no, printer_id, paper_id, settings, profile_hash, intent, white_l, white_a,
                  white_b, black_l, made, curves, paper_no, feed_across, feed_along, inks)
                values (?, ?, ?, ?, ?::jsonb, ?, ?, ?, ?, ?, ?, ?, ?::jsonb, ?, ?, ?, ?)""")
            .params(id, number, UUID.fromString(v.printerId()), paper.id, json.text(v.settings().values()), v.profileHash(),
                v.intent().name(),
                v.white().l(), v.white().a(), v.white().b(), v.blackL(), Timestamp.from(clock.instant()), json.text(v.curves()),
                paper.number, v.feedScale().across(), v.feedScale().along(), v.inks())
            .update();
        return find(v.pairingId()).orElseThrow();
    }

    /** A version of a paper. */
    private record Paper(UUID id, int number) {
    }

    /** The paper's present version where it says the same, else its next; what isn't known now stays as it was known before. */
    private Paper paper(PairingVersion v) {
        jdbc.sql("insert into paper (id, name) values (?, ?) on conflict do nothing").params(UUID.randomUUID(), v.paper()).update();
        UUID id = jdbc.sql("select id from paper where name = ? for update").param(v.paper()).query(UUID.class).single();
        Object[] said = {v.surface(), v.body().thicknessMm(), v.body().grammage(), v.body().texture(), v.body().curl().name()};
        return jdbc
            .sql(
                """
                    with last as (select * from paper_version where paper_id = ? order by no desc limit 1),
                      said as (select ?::text as surface, ?::double precision as thickness_mm, ?::int as grammage, ?::text as texture,
                        ?::text as curl),
                      next as (select s.surface, coalesce(nullif(s.thickness_mm, 0), l.thickness_mm, 0) as thickness_mm,
                        coalesce(nullif(s.grammage, 0), l.grammage, 0) as grammage,
                        coalesce(nullif(s.texture, ''), l.texture, '') as texture, s.curl, coalesce(l.no, 0) + 1 as no
                        from said s left join last l on true),
                      made as (insert into paper_version (paper_id, no, surface, thickness_mm, grammage, texture, curl, made)
                        select ?, n.no, n.surface, n.thickness_mm, n.grammage, n.texture, n.curl, ? from next n
                        where not exists (select 1 from last l where (l.surface, l.thickness_mm, l.grammage, l.texture,
                          l.curl) = (n.surface, n.thickness_mm, n.grammage, n.texture, n.curl))
                        returning no)
                    select coalesce((select no from made), (select no from last))""")
            .param(id).params(said).param(id).param(Timestamp.from(clock.instant())).query((r, n) -> new Paper(id, r.getInt(1))).single();
    }

    /** Offered no more; dockets and prints that have it keep it. */
    public void retire(UUID id, boolean retired) {
        if (jdbc.sql("update pairing set retired = ? where id = ?").params(retired, id).update() == 0) {
            throw none();
        }
    }

    /** The newest version of each, retired ones left out, by the paper's name. */
    public List<PairingVersion> all() {
        return records.readable(jdbc.sql("select * from (" + LATEST
            + "where not g.retired order by v.pairing_id, v.no desc) l order by paper, printer_name, pairing_id"), row);
    }

    /** All by id, and those of these that are retired; those left out that can't be read. */
    public Map<String, PairingVersion> known(Collection<String> alsoRetired) {
        Map<String, PairingVersion> known = new HashMap<>();
        all().forEach(p -> known.put(p.pairingId(), p));
        alsoRetired.stream().distinct().filter(id -> !known.containsKey(id))
            .forEach(id -> records.unlessDamaged(() -> find(id)).ifPresent(p -> known.put(id, p)));
        return known;
    }

    /** The newest version, also of a retired one. */
    public Optional<PairingVersion> find(String id) {
        try {
            return jdbc.sql(LATEST + "where g.id = ? order by v.pairing_id, v.no desc").param(UUID.fromString(id)).query(row).optional();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /**
     * The newest version.
     *
     * @throws NotFound when there is none
     */
    public PairingVersion get(String id) {
        return find(id).orElseThrow(PairingRepository::none);
    }

    private static NotFound none() {
        return new NotFound("There is no such pairing.", "Choose another one.");
    }

    /**
     * The newest version of the pairing that a docket stands on.
     *
     * @param id empty where none is chosen
     * @throws InvalidRequest when there is none
     */
    public PairingVersion chosen(Optional<String> id) {
        return id.flatMap(this::find).orElseThrow(
            () -> new InvalidRequest(InvalidRequest.Reason.PAIRING_MISSING, "No paper is chosen yet.", "Choose one at the paper station."));
    }

    /** A version, and when it was made. */
    public record Made(PairingVersion version, Instant at) {
    }

    /** The newest first. */
    public List<Made> versions(UUID id) {
        return records.readable(jdbc.sql(ALL + "where g.id = ? order by v.no desc limit 100").param(id),
            (r, n) -> new Made(row.mapRow(r, n), r.getTimestamp("made").toInstant()));
    }

    public Optional<PairingVersion> find(String id, int number) {
        try {
            return jdbc.sql(LATEST + "where g.id = ? and v.no = ? order by v.pairing_id, v.no desc").params(UUID.fromString(id), number)
                .query(row).optional();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    @SuppressWarnings("unchecked")
    private PairingVersion row(ResultSet r, int n) throws SQLException {
        return new PairingVersion(r.getString("pairing_id"), r.getInt("no"), r.getString("printer_id"), r.getString("printer_name"),
            r.getString("paper"), r.getString("surface"),
            new PaperBody(r.getDouble("thickness_mm"), r.getInt("grammage"), r.getString("texture"),
                PaperBody.Curl.valueOf(r.getString("curl"))),
            new DriverSettings((Map<String, String>) json.read(r.getString("settings"), Map.class)), r.getString("profile_hash"),
            Intent.valueOf(r.getString("intent")),
            List.of(r.getDouble("white_l"), r.getDouble("white_a"), r.getDouble("white_b")), r.getDouble("black_l"),
            new FeedScale(r.getDouble("feed_across"), r.getDouble("feed_along")),
            List.of(json.read(r.getString("curves"), PairingToneCurve[].class)), r.getString("inks"));
    }
}
