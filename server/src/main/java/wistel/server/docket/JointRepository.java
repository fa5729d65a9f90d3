package wistel.server.docket;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Which pieces of a docket were taken from which other dockets, to be printed together. */
@Repository
public class JointRepository {
    private final JdbcClient jdbc;

    JointRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param sources by item of the docket */
    void add(UUID docket, Map<String, UUID> sources) {
        sources.forEach((item, source) -> jdbc.sql(
            "insert into joint_piece (docket_id, item_id, source_id) values (?, ?, ?) on conflict (docket_id, item_id) do update set source_id = excluded.source_id")
            .params(docket, item, source).update());
    }

    /** Where the pieces of a docket came from, by item; those of its own are left out. */
    public Map<String, UUID> sources(UUID docket) {
        Map<String, UUID> sources = new HashMap<>();
        jdbc.sql("select item_id, source_id from joint_piece where docket_id = ?").param(docket)
            .query(r -> {
                sources.put(r.getString(1), r.getObject(2, UUID.class));
            });
        return sources;
    }

    /** What another docket is called. */
    Optional<DocketView.Joint> named(UUID docket) {
        return jdbc.sql("select id, number, spec -> 'heading' ->> 'title' from docket where id = ?").param(docket)
            .query((r, n) -> new DocketView.Joint(r.getObject(1, UUID.class), r.getInt(2), r.getString(3))).optional();
    }

    /** Dockets on which a piece of this one lies as they stand now, those left out that were put away. */
    List<DocketView.Joint> of(UUID source) {
        return jdbc.sql("""
            select distinct d.id, d.number, d.spec -> 'heading' ->> 'title'
            from joint_piece j join docket d on d.id = j.docket_id
            where j.source_id = ? and not d.put_away
                and exists (select 1 from jsonb_array_elements(d.spec -> 'items') i where i ->> 'id' = j.item_id)
            order by d.number""").param(source)
            .query((r, n) -> new DocketView.Joint(r.getObject(1, UUID.class), r.getInt(2), r.getString(3)))
            .list();
    }
}
