package wistel.server.pairing;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.icc.profile.Intent;
import wistel.core.paper.Pairing;

@Repository
public class PairingRepository {
    private static final String SELECT = "select g.*, p.name as printer_name from pairing g join printer p on p.id = g.printer_id ";

    private final JdbcClient jdbc;

    public PairingRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public void add(Pairing p) {
        jdbc.sql("""
            insert into pairing (id, printer_id, paper, surface, media_type, feed, quality, profile_hash, intent, white_l, white_a, white_b, black_l)
            values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)""")
            .params(UUID.fromString(p.id()), UUID.fromString(p.printerId()), p.paper(), p.surface(), p.mediaType(), p.feed(), p.quality(),
                p.profileHash(), p.intent().name(), p.whiteLab()[0], p.whiteLab()[1], p.whiteLab()[2], p.blackL()).update();
    }

    public List<Pairing> all() {
        return jdbc.sql(SELECT + "order by g.paper").query(PairingRepository::row).list();
    }

    public Optional<Pairing> find(String id) {
        try {
            return jdbc.sql(SELECT + "where g.id = ?").param(UUID.fromString(id)).query(PairingRepository::row).optional();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static Pairing row(ResultSet r, int n) throws SQLException {
        return new Pairing(r.getString("id"), r.getString("printer_id"), r.getString("printer_name"), r.getString("paper"), r.getString("surface"),
            r.getString("media_type"), r.getString("feed"), r.getInt("quality"), r.getString("profile_hash"), Intent.valueOf(r.getString("intent")),
            new double[] {r.getDouble("white_l"), r.getDouble("white_a"), r.getDouble("white_b")}, r.getDouble("black_l"));
    }
}
