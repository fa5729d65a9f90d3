package wistel.server.docket;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.flipkart.zjsonpatch.JsonDiff;
import com.flipkart.zjsonpatch.JsonPatch;
import com.flipkart.zjsonpatch.JsonPatchApplicationException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * The specs that dockets went through, as JSON: every 20th whole, the others as what changed since the one before (JSON Patch, RFC 6902). A
 * patch is of the form of the spec before it; where a new version writes another form, it writes the spec whole.
 */
@Repository
class RevisionRepository {
    private static final int WHOLE_EVERY = 20;
    private static final int UNDO_STEPS = 200;

    private final JdbcClient jdbc;
    private final Clock clock;
    /** The library's own; ours reads no nodes of its kind. */
    private final ObjectMapper patches = new ObjectMapper();

    RevisionRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A spec as it was written, of the form {@code schema}. */
    record Written(int schema, String text) {
    }

    private record Row(int revision, int schema, String spec, String patch) {
    }

    void addFirst(UUID docket, Written spec) {
        insert(docket, 1, spec, null, "");
    }

    /** What holds after {@code before}; what had been undone is gone, and what undo can't reach any more. */
    void add(UUID docket, int revision, Written before, Written after, String change) {
        jdbc.sql("delete from docket_revision where docket_id = ? and revision >= ?").params(docket, revision).update();
        jdbc.sql("delete from docket_revision where docket_id = ? and revision < ?")
            .params(docket, lastWhole(docket, revision - UNDO_STEPS)).update();
        boolean whole = revision % WHOLE_EVERY == 1 || before.schema != after.schema;
        insert(docket, revision, after, whole ? null : JsonDiff.asJson(tree(before.text), tree(after.text)).toString(), change);
    }

    private void insert(UUID docket, int revision, Written spec, String patch, String change) {
        jdbc.sql(
            "insert into docket_revision (docket_id, revision, schema, spec, patch, change, at) values (?, ?, ?, ?::jsonb, ?::jsonb, ?, ?)")
            .params(Arrays.asList(docket, revision, spec.schema, patch == null ? spec.text : null, patch, change,
                Timestamp.from(clock.instant())))
            .update();
    }

    /** @throws IllegalArgumentException when it can't be put together: what it is made of is damaged or gone */
    Written get(UUID docket, int revision) {
        List<Written> all = all(docket, lastWhole(docket, revision), revision);
        if (all.isEmpty()) {
            throw new IllegalArgumentException("revision " + revision + " isn't there");
        }
        return all.get(all.size() - 1);
    }

    /** All that undo and redo lead to, in their order. */
    List<Written> all(UUID docket) {
        return all(docket, 0, Integer.MAX_VALUE);
    }

    /** The last revision up to this one whose spec is whole; 0 where none is. */
    private int lastWhole(UUID docket, int upTo) {
        return jdbc.sql("select coalesce(max(revision), 0) from docket_revision where docket_id = ? and spec is not null and revision <= ?")
            .params(docket, upTo).query(Integer.class).single();
    }

    private List<Written> all(UUID docket, int from, int to) {
        List<Row> rows = jdbc.sql(
            "select revision, schema, spec, patch from docket_revision where docket_id = ? and revision between ? and ? order by revision")
            .params(docket, from, to)
            .query((r, n) -> new Row(r.getInt(1), r.getInt(2), r.getString(3), r.getString(4))).list();
        List<Written> all = new ArrayList<>();
        for (Row row : rows) {
            all.add(new Written(row.schema, row.spec != null ? row.spec : patched(all, row)));
        }
        return all;
    }

    private String patched(List<Written> before, Row row) {
        if (before.isEmpty()) {
            throw new IllegalArgumentException("nothing is there that revision " + row.revision + " changes");
        }
        try {
            return JsonPatch.apply(tree(row.patch), tree(before.get(before.size() - 1).text)).toString();
        } catch (JsonPatchApplicationException e) {
            throw new IllegalArgumentException("revision " + row.revision + " doesn't fit the one before", e);
        }
    }

    private JsonNode tree(String text) {
        try {
            return patches.readTree(text);
        } catch (JsonProcessingException e) {
            throw new IllegalArgumentException("not JSON", e);
        }
    }
}
