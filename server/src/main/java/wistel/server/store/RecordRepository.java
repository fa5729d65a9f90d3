package wistel.server.store;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wistel.core.fault.RecordException;

/**
 * Reads what was stored by the same checks as it was written with. A record that doesn't pass them is damaged: it is named here, left out
 * of lists, and told in words when it is asked for by itself; the rest of any list is there.
 */
@Component
public class RecordRepository {
    private static final Logger LOG = LoggerFactory.getLogger(RecordRepository.class);
    /** More are not named one by one. */
    private static final int MOST_NAMED = 200;

    private final Map<String, Damaged> damaged = new ConcurrentHashMap<>();

    /**
     * A record that can't be read.
     *
     * @param name for people: "wedge 12"
     * @param why  for whoever mends it
     */
    public record Damaged(String name, String why) {
    }

    /** How a row's record is called. */
    @FunctionalInterface
    public interface Name {
        String of(java.sql.ResultSet row) throws java.sql.SQLException;
    }

    /** Rows as records; a damaged one ends in a {@link RecordException} that names it. */
    public <T> RowMapper<T> checked(Name name, RowMapper<T> mapper) {
        return (row, n) -> {
            try {
                T record = mapper.mapRow(row, n);
                if (!damaged.isEmpty()) {
                    damaged.remove(name.of(row));
                }
                return record;
            } catch (DataAccessException | RecordException e) {
                throw e;
            } catch (RuntimeException e) {
                throw damaged(name.of(row), e);
            }
        };
    }

    /** All rows that can be read. */
    public <T> List<T> readable(JdbcClient.StatementSpec rows, RowMapper<T> checked) {
        List<T> records = new ArrayList<>();
        rows.query(row -> {
            try {
                records.add(checked.mapRow(row, records.size()));
            } catch (RecordException e) {
                LOG.debug("{}", e.getMessage());
            }
        });
        return records;
    }

    /** What several records come to; empty when one that it needs is damaged, or they don't go together. */
    public <T> Optional<T> readable(String name, Supplier<T> made) {
        try {
            Optional<T> whole = Optional.of(made.get());
            damaged.remove(name);
            return whole;
        } catch (DataAccessException e) {
            throw e;
        } catch (RuntimeException e) {
            damaged(name, e);
            return Optional.empty();
        }
    }

    /** A record that others can do without; empty when it is damaged. */
    public <T> Optional<T> unlessDamaged(Supplier<Optional<T>> found) {
        try {
            return found.get();
        } catch (RecordException e) {
            LOG.debug("{}", e.getMessage());
            return Optional.empty();
        }
    }

    /** Notes that a record is damaged. */
    public RecordException damaged(String name, RuntimeException e) {
        if (damaged.size() < MOST_NAMED && damaged.put(name, new Damaged(name, said(e))) == null) {
            LOG.error("{} is damaged", name, e);
        }
        return new RecordException(RecordException.Reason.RECORD_DAMAGED,
            Character.toUpperCase(name.charAt(0)) + name.substring(1) + " can't be read: what is stored of it is damaged.",
            "It is kept as it is. Bring it back from a copy, or do without it; everything else is there.", e);
    }

    private static String said(RuntimeException e) {
        String said = e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage().lines().findFirst().orElse("");
        return said.length() <= 200 ? said : said.substring(0, 200) + "…";
    }

    /** Those met since the start that weren't readable the last time, by name. */
    public List<Damaged> damaged() {
        return damaged.values().stream().sorted(Comparator.comparing(Damaged::name)).toList();
    }
}
