package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** One record of each table is damaged: it is named, and the rest of every list is there. */
public class DamagedRecordsTest extends InTestRoom {
    private static final List<String> LISTS = List.of("/api/bench", "/api/pairings", "/api/printers", "/api/wedges", "/api/compensations",
        "/api/attempts", "/api/displays", "/api/own-bodies",
        "/api/settings/retention", "/api/wedges/scanner", "/api/status");

    private JsonNode docket;
    private String before;

    @BeforeMethod
    void lay() throws Exception {
        if (docket != null) {
            return;
        }
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
        PrintingTest.pair(test, Paper.MOSS_COTTON, Feeds.REAR, Intent.RELATIVE);
        String pairing = api.get("/api/pairings").body().get(1).path("pairingId").asString();
        for (int i = 0; i < 2; i++) {
            JsonNode d = api.drop("kept-" + i + ".png", PrintingTest.picture(i)).body().path("docket");
            docket = api.put("/api/dockets/" + d.path("id").asString() + "/pairing", "{\"pairingId\":\"" + pairing + "\"}",
                d.path("version").asInt()).body();
            String a = api.post("/api/dockets/" + docket.path("id").asString() + "/attempts", "", docket.path("version").asInt()).body()
                .path("id").asString();
            api.over(a, 40);
            api.post("/api/compensations",
                "{\"name\":\"kept " + i + "\",\"moves\":[{\"kind\":\"warmth\",\"warmth\":2,\"tint\":0}],\"pairingId\":null}", 0);
            api.put("/api/own-bodies/bars%20" + i, "{\"support\":{\"kind\":\"BARS\",\"depthMm\":20,\"airGapMm\":0},\"turnOverMm\":30}", 0);
            api.put("/api/dockets/" + d.path("id").asString() + "/sheet",
                "{\"width\":\"300\",\"length\":\"400\",\"name\":\"own " + i + "\"}", docket.path("version").asInt());
            JsonNode wedge = api.post("/api/wedges", "{\"mode\":{\"pairingId\":\"" + pairing
                + "\",\"way\":\"PROFILE\",\"settings\":{},\"intent\":\"RELATIVE\",\"blackPoint\":true},\"steps\":21,\"repeats\":1,"
                + "\"scattered\":false}",
                0).body();
            int number = wedge.path("number").asInt();
            Waiting.until(() -> api.get("/api/wedges/" + number).body(), w -> w.path("printing").path("done").asBoolean(), 40);
            api.post("/api/wedges/" + number + "/readings/instrument", "", 0);
        }
    }

    /** What a table's row is called once it is damaged, how it is, and what every one is taken back by. */
    @DataProvider
    public Object[][] damages() {
        return new Object[][] {
            {"docket", "spec = '{\"title\": 3}'", "id = (select id from docket order by number limit 1)", ""},
            {"docket", "schema = 4711", "id = (select id from docket order by number limit 1)", ""},
            {"attempt", "state = 'done', verdict = verdict, printer_id = printer_id, title = repeat('x', 100000)",
                "number = 1 and ctid = (select min(ctid) from attempt)", null},
            {"attempt", "print_order = 'nonsense'", "ctid = (select min(ctid) from attempt)", null},
            {"attempt_page", "file_hash = 'not a hash'", "ctid = (select min(ctid) from attempt_page)", null},
            {"attempt_page", "fingerprint = '\\x0102'", "ctid = (select min(ctid) from attempt_page)", null},
            {"pairing_version", "settings = '[null]'", "ctid = (select min(ctid) from pairing_version)", "the pairing of "},
            {"pairing_version", "curves = '[null]'", "ctid = (select min(ctid) from pairing_version)", "the pairing of "},
            {"paper_version", "thickness_mm = 1e300", "paper_id = (select id from paper where name = 'Skerry Baryta 310')",
                "the pairing of "},
            {"printer_description", "body = '{\"supported\": 7}'", "true", null},
            {"printer_state", "loaded = '[{\"type\": null}]'", "true", "printer "},
            {"compensation_version", "moves = '[null]'", "ctid = (select min(ctid) from compensation_version)", "compensation “"},
            {"own_sheet", "width_mm = 1e9, length_mm = 1e9", "ctid = (select min(ctid) from own_sheet)", null},
            {"own_body", "depth_mm = 1e300", "ctid = (select min(ctid) from own_body)", "own body “"},
            {"wedge", "mode = '{\"route\": null}'", "ctid = (select min(ctid) from wedge)", "wedge "},
            {"wedge", "steps = 999999", "ctid = (select min(ctid) from wedge)", null},
            {"wedge_reading", "left_out = '[null]'", "ctid = (select min(ctid) from wedge_reading)", "reading "},
            {"wedge_reading", "hash = 'gone'", "ctid = (select min(ctid) from wedge_reading)", "reading "},
            {"wedge_reading", "fit = '[]'", "ctid = (select min(ctid) from wedge_reading)", null},
            {"master", "histogram = '[]'", "ctid = (select min(ctid) from master)", null},
            {"master", "hash = repeat('0', 64)", "ctid = (select min(ctid) from master)", "docket "},
            {"setting", "value = 'many'", "key = 'print-file-days'", "setting "},
        };
    }

    @Test(dataProvider = "damages")
    public void theRestOfEveryListIsThereAndTheDamagedOneIsNamed(String table, String damage, String where, String named) {
        api.put("/api/settings/retention", "{\"printFileDays\":3000,\"scanDays\":0,\"gigabytes\":0,\"keepMatching\":false}", 0);
        List<Integer> sizes = LISTS.stream().map(l -> api.get(l).body().size()).toList();
        test.sql("create table kept_aside as select * from " + table);
        before = table;
        test.sql("update " + table + " set " + damage + " where " + where);
        List<String> faults = new ArrayList<>();
        for (int i = 0; i < LISTS.size(); i++) {
            Api.Answer answer = api.get(LISTS.get(i));
            if (answer.status() != 200) {
                faults.add(answer.status() + " " + LISTS.get(i) + ": " + answer.body());
            } else if (!table.startsWith("printer") && answer.body().size() < sizes.get(i) - 1) {
                faults.add(LISTS.get(i) + " has " + answer.body().size() + " instead of " + sizes.get(i));
            }
        }
        JsonNode all = api.get("/api/bench").body();
        all.forEach(g -> g.path("dockets").forEach(d -> {
            Api.Answer one = api.get("/api/dockets/" + d.path("id").asString());
            if (one.status() >= 500) {
                faults.add(one.status() + " of docket " + d.path("number") + ": " + one.body());
            }
        }));
        assertThat(faults).as(table + ": " + damage).isEmpty();
        if (named != null && !named.isEmpty()) {
            // a printer that is asked how it is meanwhile is written whole again: then it is damaged once more
            Waiting.until(() -> {
                if (table.equals("printer_state")) {
                    test.sql("update " + table + " set " + damage + " where " + where);
                    LISTS.forEach(api::get);
                }
                return api.get("/api/damaged").body().findValuesAsString("name");
            }, names -> names.stream().anyMatch(n -> n.startsWith(named)), 10);
        }
    }

    /** A histogram is needed by the picture station alone. */
    @Test
    public void aDamagedHistogramIsNamedWhereItIsAskedFor() {
        String hash = api.get("/api/bench").body().get(0).path("dockets").get(0).path("pictures").get(0).path("masterHash").asString();
        assertThat(api.get("/api/masters/" + hash + "/histogram").body().path("counts").size()).isBetween(1, 3);
        test.sql("create table kept_aside as select * from master");
        before = "master";
        test.sql("update master set histogram = '[]' where hash = '" + hash + "'");
        assertThat(api.get("/api/masters/" + hash + "/histogram").status()).isEqualTo(422);
        assertThat(api.get("/api/damaged").body().findValuesAsString("name")).anyMatch(n -> n.startsWith("picture "));
    }

    /** As it was: the next damage is the only one. */
    @AfterMethod(alwaysRun = true)
    void fix() {
        if (before != null) {
            test.sql("set session_replication_role = replica; delete from " + before + "; insert into " + before
                + " overriding system value select * from kept_aside; drop table kept_aside");
            before = null;
        }
    }
}
