package wistel.server.light;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.fault.NotFound;
import wistel.core.light.HangingLight;

/** Lights by their names. */
@Repository
public class LightRepository {
    private final JdbcClient jdbc;

    LightRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A light that people have named; it may change, those that dockets hold don't. */
    public record NamedLight(UUID id, String name, double lux, double kelvin) {
        static NamedLight of(UUID id, HangingLight l) {
            return new NamedLight(id, l.name(), l.lux(), l.kelvin());
        }
    }

    /** In the order in which they were named. */
    public List<NamedLight> all() {
        return jdbc.sql("select * from light order by created, id").query(LightRepository::row).list();
    }

    NamedLight get(UUID id) {
        return jdbc.sql("select * from light where id = ?").param(id).query(LightRepository::row).optional()
            .orElseThrow(() -> new NotFound("There is no such light.", "Look at the lights as they are now."));
    }

    void add(NamedLight l, Instant created) {
        jdbc.sql("insert into light (id, name, lux, kelvin, created) values (?, ?, ?, ?, ?)")
            .params(l.id, l.name, l.lux, l.kelvin, Timestamp.from(created)).update();
    }

    void change(NamedLight l) {
        jdbc.sql("update light set name = ?, lux = ?, kelvin = ? where id = ?").params(l.name, l.lux, l.kelvin, l.id).update();
    }

    void delete(UUID id) {
        jdbc.sql("delete from light where id = ?").param(id).update();
    }

    private static NamedLight row(ResultSet r, int n) throws SQLException {
        return new NamedLight(r.getObject("id", UUID.class), r.getString("name"), r.getDouble("lux"), r.getDouble("kelvin"));
    }
}
