package wistel.server.setting;

import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What was set, by its key. */
@Repository
public class SettingRepository {
    private final JdbcClient jdbc;

    public SettingRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public Optional<String> get(String key) {
        return jdbc.sql("select value from setting where key = ?").param(key).query(String.class).optional();
    }

    public void put(String key, String value) {
        jdbc.sql("insert into setting (key, value) values (?, ?) on conflict (key) do update set value = excluded.value").params(key, value)
            .update();
    }
}
