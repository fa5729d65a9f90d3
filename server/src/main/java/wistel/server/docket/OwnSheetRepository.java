package wistel.server.docket;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.fault.NotFound;
import wistel.core.paper.Stock;
import wistel.server.store.RecordRepository;

/** Sheets that a person cuts and named. */
@Repository
public class OwnSheetRepository {
    private final JdbcClient jdbc;
    private final RecordRepository records;

    public OwnSheetRepository(JdbcClient jdbc, RecordRepository records) {
        this.records = records;
        this.jdbc = jdbc;
    }

    public List<Stock.Sheet> all() {
        return records.readable(jdbc.sql("select name, width_mm, length_mm from own_sheet order by width_mm * length_mm, name"),
            records.checked(r -> "own sheet “" + r.getString("name") + "”",
                (r, n) -> new Stock.Sheet(r.getString(1), r.getDouble(2), r.getDouble(3))));
    }

    /** Under its name, whatever had it before. */
    public void keep(Stock.Sheet sheet) {
        jdbc.sql("""
            insert into own_sheet (name, width_mm, length_mm) values (?, ?, ?)
            on conflict (name) do update set width_mm = excluded.width_mm, length_mm = excluded.length_mm""")
            .params(sheet.name(), sheet.widthMm(), sheet.lengthMm()).update();
    }

    public void forget(String name) {
        if (jdbc.sql("delete from own_sheet where name = ?").param(name).update() == 0) {
            throw new NotFound("There is no sheet of this name.", "Look at the list as it is now.");
        }
    }
}
