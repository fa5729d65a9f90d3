package wistel.server.demo;

import java.util.Arrays;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Which entries of the demo are laid out: what a person then changes or puts away stays so. */
@Repository
class DemoRepository {
    private final JdbcClient jdbc;

    DemoRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    boolean has(String key) {
        return jdbc.sql("select exists (select 1 from demo_entry where key = ?)").param(key).query(Boolean.class).single();
    }

    Optional<UUID> docket(String key) {
        return jdbc.sql("select docket_id from demo_entry where key = ? and docket_id is not null").param(key).query(UUID.class).optional();
    }

    void add(String key, Optional<UUID> docket) {
        jdbc.sql("insert into demo_entry (key, docket_id) values (?, ?) on conflict do nothing")
            .params(Arrays.asList(key, docket.orElse(null))).update();
    }
}
