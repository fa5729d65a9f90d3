package wistel.server.pairing;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
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
import wistel.core.paper.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.core.printer.DriverSettings;
import wistel.core.tone.KeptCurve;
import wistel.server.store.Json;
import wistel.server.store.Records;

/** Papers and pairings. A version of a pairing is never changed: a new one follows it. */
@Repository
public class PairingRepository {
    private static final String ALL = """
        select v.*, p.name as printer_name, a.name as paper, a.surface, a.thickness_mm, a.grammage, a.texture, a.curl
        from pairing_version v join pairing g on g.id = v.pairing_id join printer p on p.id = v.printer_id join paper a on a.id = v.paper_id\s""";

    private static final String LATEST = ALL.replaceFirst("select", "select distinct on (v.pairing_id)");

    private final JdbcClient jdbc;
    private final Json json;
    private final Records records;
    private final Clock clock;
    private final RowMapper<PairingVersion> row;

    public PairingRepository(JdbcClient jdbc, Json json, Records records, Clock clock) {
        this.records = records;
        this.row = records.checked(r -> "the pairing of " + r.getString("paper") + " on " + r.getString("printer_name") + ", version " + r.getInt("no"), this::row);
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
        UUID paper = jdbc.sql("""
            insert into paper (id, name, surface, thickness_mm, grammage, texture, curl) values (?, ?, ?, ?, ?, ?, ?)
            on conflict (name) do update set surface = excluded.surface,
              thickness_mm = coalesce(nullif(excluded.thickness_mm, 0), paper.thickness_mm), grammage = coalesce(nullif(excluded.grammage, 0), paper.grammage),
              texture = coalesce(nullif(excluded.texture, ''), paper.texture), curl = excluded.curl returning id""")
            .params(UUID.randomUUID(), v.paper(), v.surface(), v.body().thicknessMm(), v.body().grammage(), v.body().texture(), v.body().curl().name()).query(UUID.class).single();
        int number = jdbc.sql("select coalesce(max(no), 0) + 1 from pairing_version where pairing_id = ?").param(id).query(Integer.class).single();
        jdbc.sql("""
            insert into pairing_version (pairing_id, no, printer_id, paper_id, settings, profile_hash, intent, white_l, white_a, white_b, black_l, made, curves)
            values (?, ?, ?, ?, ?::jsonb, ?, ?, ?, ?, ?, ?, ?, ?::jsonb)""")
            .params(id, number, UUID.fromString(v.printerId()), paper, json.text(v.settings().values()), v.profileHash(), v.intent().name(),
                v.whiteLab()[0], v.whiteLab()[1], v.whiteLab()[2], v.blackL(), Timestamp.from(clock.instant()), json.text(v.curves())).update();
        return find(v.pairingId()).orElseThrow();
    }

    /** Offered no more; dockets and prints that have it keep it. */
    public void retire(UUID id, boolean retired) {
        if (jdbc.sql("update pairing set retired = ? where id = ?").params(retired, id).update() == 0) {
            throw new NotFound("There is no such pairing.", "Choose another one.");
        }
    }

    /** The newest version of each, retired ones left out, by the paper's name. */
    public List<PairingVersion> all() {
        return records.readable(jdbc.sql("select * from (" + LATEST + "where not g.retired order by v.pairing_id, v.no desc) l order by paper, printer_name, pairing_id"), row);
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
     * The newest version of the pairing that a docket stands on.
     *
     * @param id empty where none is chosen
     * @throws InvalidRequest when there is none
     */
    public PairingVersion chosen(Optional<String> id) {
        return id.flatMap(this::find).orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.PAIRING_MISSING, "No paper is chosen yet.", "Choose one at the paper station."));
    }

    /** A version, and when it was made. */
    public record Made(PairingVersion version, Instant at) {
    }

    /** The newest first. */
    public List<Made> versions(UUID id) {
        return records.readable(jdbc.sql(ALL + "where g.id = ? order by v.no desc limit 100").param(id), (r, n) -> new Made(row.mapRow(r, n), r.getTimestamp("made").toInstant()));
    }

    public Optional<PairingVersion> find(String id, int number) {
        try {
            return jdbc.sql(LATEST + "where g.id = ? and v.no = ? order by v.pairing_id, v.no desc").params(UUID.fromString(id), number).query(row).optional();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    @SuppressWarnings("unchecked")
    private PairingVersion row(ResultSet r, int n) throws SQLException {
        return new PairingVersion(r.getString("pairing_id"), r.getInt("no"), r.getString("printer_id"), r.getString("printer_name"), r.getString("paper"), r.getString("surface"),
            new PaperBody(r.getDouble("thickness_mm"), r.getInt("grammage"), r.getString("texture"), PaperBody.Curl.valueOf(r.getString("curl"))),
            new DriverSettings((Map<String, String>) json.read(r.getString("settings"), Map.class)), r.getString("profile_hash"), Intent.valueOf(r.getString("intent")),
            new double[] {r.getDouble("white_l"), r.getDouble("white_a"), r.getDouble("white_b")}, r.getDouble("black_l"), List.of(json.read(r.getString("curves"), KeptCurve[].class)));
    }
}
