package wistel.server.arrival;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.fault.NotFound;
import wistel.server.arrival.NewerStates.DocketPicture;

/** Files that came in, until they are answered or told. */
@Repository
class ArrivalRepository {
    private static final int MOST_TOLD = 20;
    private static final int MOST_OPEN = 500;
    private static final String SELECT = "select id, file_name, master_hash, origin, state, words, came from arrival ";

    private final JdbcClient jdbc;
    private final Clock clock;

    ArrivalRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param path of a watched file; empty for one that was dropped */
    record Came(String fileName, Optional<String> masterHash, Arrival.Origin origin, Arrival.State state, String words,
        Optional<String> path) {
    }

    /** Those told before go when there are many. */
    UUID add(Came came, List<DocketPicture> dockets) {
        UUID id = UUID.randomUUID();
        jdbc.sql("insert into arrival (id, file_name, master_hash, origin, state, words, path, came) values (?, ?, ?, ?, ?, ?, ?, ?)")
            .params(Arrays.asList(id, came.fileName, came.masterHash.orElse(null), came.origin.name(), came.state.name(), came.words,
                came.path.orElse(null), Timestamp.from(clock.instant())))
            .update();
        dockets.forEach(d -> jdbc.sql("insert into arrival_docket (arrival_id, docket_id, rendition_id) values (?, ?, ?)")
            .params(id, d.docketId(), d.renditionId()).update());
        jdbc.sql("""
            delete from arrival where state in ('OPENED', 'NEWER') and id not in
              (select id from arrival where state in ('OPENED', 'NEWER') order by came desc, id limit ?)""").param(MOST_TOLD).update();
        return id;
    }

    /** All that ask something or couldn't be read, and the last ones that were dealt with; the newest first. */
    List<Arrival> all() {
        return read(jdbc.sql(SELECT + "order by came desc, id limit ?").param(MOST_OPEN));
    }

    /** One that asks, locked until the transaction ends. */
    Arrival asking(UUID id) {
        return read(jdbc.sql(SELECT + "where id = ? and state = 'ASKS' for update").param(id)).stream().findFirst()
            .orElseThrow(() -> new NotFound("This file was dealt with already.", "Look at the bench as it is now."));
    }

    private List<Arrival> read(JdbcClient.StatementSpec rows) {
        List<Arrival> bare = rows.query((r, n) -> new Arrival(r.getObject("id", UUID.class), r.getString("file_name"),
            Optional.ofNullable(r.getString("master_hash")), Arrival.Origin.valueOf(r.getString("origin")),
            Arrival.State.valueOf(r.getString("state")), r.getString("words"), r.getTimestamp("came").toInstant(), List.of())).list();
        Map<UUID, List<Arrival.ArrivalPlace>> where = new HashMap<>();
        jdbc.sql("""
            select a.arrival_id, a.docket_id, a.rendition_id, d.number,
              coalesce(d.spec -> 'heading' ->> 'title', d.spec ->> 'title', '') as title
            from arrival_docket a join docket d on d.id = a.docket_id
            where a.arrival_id = any (?) and not d.put_away order by d.number, a.rendition_id""")
            .param(bare.stream().map(Arrival::id).toArray(UUID[]::new))
            .query(r -> {
                where.computeIfAbsent(r.getObject("arrival_id", UUID.class), k -> new ArrayList<>())
                    .add(new Arrival.ArrivalPlace(r.getObject("docket_id", UUID.class), r.getInt("number"), r.getString("title"),
                        r.getString("rendition_id")));
            });
        return bare.stream().map(a -> a.at(where.getOrDefault(a.id(), List.of()))).toList();
    }

    void forget(UUID id) {
        jdbc.sql("delete from arrival where id = ?").param(id).update();
    }

    /** What was told or asked of a watched file is no longer so. */
    void forget(String path) {
        jdbc.sql("delete from arrival where path = ? and state in ('UNREADABLE', 'ASKS')").param(path).update();
    }
}
