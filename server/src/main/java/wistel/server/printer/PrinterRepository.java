package wistel.server.printer;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.fault.NotFound;
import wistel.core.printer.Capabilities;
import wistel.server.store.Json;

@Repository
public class PrinterRepository {
    private final JdbcClient jdbc;
    private final Json json;
    private final Clock clock;

    public PrinterRepository(JdbcClient jdbc, Json json, Clock clock) {
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    public List<Printer> all() {
        return jdbc.sql("select * from printer order by name").query(this::row).list();
    }

    public Printer get(UUID id) {
        return jdbc.sql("select * from printer where id = ?").param(id).query(this::row).optional()
            .orElseThrow(() -> new NotFound("There is no such printer.", "Look at the list of printers."));
    }

    public UUID add(String name, String uri) {
        UUID id = UUID.randomUUID();
        jdbc.sql("insert into printer (id, name, uri) values (?, ?, ?)").params(id, name, uri).update();
        return id;
    }

    /** The same printer under another address: its port may change from one start to the next. */
    public void moved(UUID id, String uri) {
        jdbc.sql("update printer set uri = ? where id = ?").params(uri, id).update();
    }

    public void seen(UUID id, String state, String reason, String moreInfo, Capabilities capabilities) {
        jdbc.sql("update printer set state = ?, reason = ?, more_info = ?, capabilities = ?::jsonb, seen = ? where id = ?")
            .params(state, reason, moreInfo, json.text(capabilities), Timestamp.from(clock.instant()), id).update();
    }

    public void away(UUID id) {
        jdbc.sql("update printer set state = 'away', reason = '' where id = ?").param(id).update();
    }

    private Printer row(ResultSet r, int n) throws SQLException {
        return new Printer(r.getObject("id", UUID.class), r.getString("name"), r.getString("uri"), r.getString("more_info"),
            Optional.ofNullable(r.getString("capabilities")).map(t -> json.read(t, Capabilities.class)), r.getString("state"), r.getString("reason"),
            Optional.ofNullable(r.getTimestamp("seen")).map(Timestamp::toInstant));
    }
}
