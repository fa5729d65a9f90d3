package wistel.server.paper;

import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What was printed on a pairing. */
@Repository
class PaperUseRepository {
    private final JdbcClient jdbc;

    PaperUseRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Attempts that came out, by the version of the pairing that they were printed with. */
    Map<Integer, Integer> prints(UUID pairing) {
        return jdbc.sql("""
            select (a.print_order::jsonb -> 'pairing' ->> 'number')::int as version, count(*) as prints from attempt a
            where a.pairing_id = ? and a.state = 'done' and not a.lab_file group by version""").param(pairing)
            .query((r, n) -> Map.entry(r.getInt("version"), r.getInt("prints"))).list().stream()
            .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }
}
