package wistel.server.print;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.sheet.Item;
import wistel.core.sheet.Plans;
import wistel.server.docket.JointRepository;

/** What lies on prints that hold several pieces, the dockets that those came from, and the numbers that prints bear. */
@Repository
public class AttemptPieceRepository {
    private final JdbcClient jdbc;
    private final JointRepository joints;

    AttemptPieceRepository(JdbcClient jdbc, JointRepository joints) {
        this.jdbc = jdbc;
        this.joints = joints;
    }

    /** Nothing of a print of one piece. */
    void add(UUID attempt, UUID docket, DocketSpec d) {
        if (Plans.gang(d.plan()).isEmpty()) {
            return;
        }
        Map<String, UUID> sources = joints.sources(docket);
        for (int i = 0; i < d.plan().items().size(); i++) {
            Item item = d.item(d.plan().items().get(i));
            jdbc.sql("""
                insert into attempt_piece (attempt_id, position, item_id, title, file_name, source_id)
                values (?, ?, ?, ?, coalesce((select file_name from master where hash = ?), ''), ?)""")
                .params(Arrays.asList(attempt, i + 1, item.id(), item.title().isBlank() ? d.title() : item.title(),
                    d.rendition(item.renditionId()).masterHash(), sources.get(item.id())))
                .update();
        }
    }

    /** The same as on another attempt of the same order. */
    void take(UUID attempt, UUID from) {
        jdbc.sql("""
            insert into attempt_piece (attempt_id, position, item_id, title, file_name, source_id)
            select ?, position, item_id, title, file_name, source_id from attempt_piece where attempt_id = ?""").params(attempt, from)
            .update();
    }

    /** Numbers of editions that its prints bear, by page and name: "2 i1". */
    public Map<String, Integer> numbers(UUID id) {
        Map<String, Integer> numbers = new HashMap<>();
        jdbc.sql("select page, placed_id, number from edition where attempt_id = ?").param(id)
            .query(r -> {
                numbers.put(r.getInt(1) + " " + r.getString(2), r.getInt(3));
            });
        return numbers;
    }

    /** By attempt, in their order; those without pieces are left out. */
    Map<UUID, List<Attempt.Piece>> of(Collection<UUID> attempts) {
        Map<UUID, List<Attempt.Piece>> pieces = new HashMap<>();
        jdbc.sql("""
            select p.attempt_id, p.item_id, p.title, p.file_name, d.number from attempt_piece p left join docket d on d.id = p.source_id
            where p.attempt_id = any (?) order by p.position""").param(attempts.toArray(UUID[]::new))
            .query(r -> {
                pieces.computeIfAbsent(r.getObject(1, UUID.class), k -> new ArrayList<>()).add(new Attempt.Piece(r.getString(2),
                    r.getString(3), r.getString(4), Optional.ofNullable(r.getObject(5, Integer.class))));
            });
        return pieces;
    }
}
