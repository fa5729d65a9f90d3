package wistel.server.mark;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.fault.Conflict;
import wistel.core.fault.NotFound;
import wistel.core.sheet.MarkArt;

/** Marks that a person keeps, by their name. */
@Repository
class OwnMarkRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    OwnMarkRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    record Kept(UUID id, MarkArt art) {
    }

    List<Kept> all() {
        return jdbc.sql("select id, name, kind, content, aspect from own_mark order by lower(name)")
            .query((r, n) -> new Kept(r.getObject("id", UUID.class), new MarkArt(MarkArt.Kind.valueOf(r.getString("kind")),
                r.getString("name"), r.getString("content"), r.getDouble("aspect"))))
            .list();
    }

    /** @throws Conflict when another one is called so */
    Kept add(MarkArt art) {
        UUID id = UUID.randomUUID();
        try {
            jdbc.sql("insert into own_mark (id, name, kind, content, aspect, added) values (?, ?, ?, ?, ?, ?)")
                .params(id, art.name(), art.kind().name(), art.content(), art.aspect(), Timestamp.from(clock.instant())).update();
        } catch (DuplicateKeyException e) {
            throw new Conflict(Conflict.Reason.NAME_TAKEN, "Another mark is called " + art.name() + ".", "Give this one another name.");
        }
        return new Kept(id, art);
    }

    void forget(UUID id) {
        if (jdbc.sql("delete from own_mark where id = ?").param(id).update() == 0) {
            throw new NotFound("There is no such mark.", "Look at the list as it is now.");
        }
    }
}
