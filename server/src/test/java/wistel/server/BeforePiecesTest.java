package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.zip.GZIPInputStream;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.spec.Purpose;
import wistel.core.progress.Progress;
import wistel.core.render.PageFingerprint;
import wistel.server.docket.DocketRepository;
import wistel.server.print.AttemptRepository;
import wistel.server.print.Rendering;

/**
 * A database of the version before pieces (specs of form 6, orders of form 7): everything opens, and every order gives a print
 * that looks as it did.
 */
public class BeforePiecesTest {
    private TestRoom test;
    private Api api;
    private final Map<String, JsonNode> dockets = new HashMap<>();

    @BeforeClass
    void open() throws IOException {
        test = TestRoom.ofDump("/thirteenth-schema.sql.gz");
        test.keep(Path.of("src/test/resources/thirteenth-schema.png"), false);
        api = new Api(() -> test.port);
        for (JsonNode group : api.get("/api/bench").body()) {
            for (JsonNode d : group.path("dockets")) {
                JsonNode docket = api.get("/api/dockets/" + d.path("id").asString()).body();
                dockets.put(docket.path("spec").path("heading").path("title").asString(), docket);
            }
        }
    }

    @AfterClass(alwaysRun = true)
    void close() {
        if (test != null) {
            test.close();
        }
    }

    @Test
    public void everyDocketOpensWithItsPieceAndPlan() {
        assertThat(dockets).hasSize(17);
        JsonNode numbered = dockets.get("Numbered, with a bleed").path("spec");
        assertThat(numbered.path("items").get(0).path("annotation").path("caption").path("edition").asInt()).isEqualTo(25);
        assertThat(numbered.path("items").get(0).path("frame").path("widthMm").asDouble()).isEqualTo(90);
        assertThat(dockets.get("Numbered, with a bleed").path("readback").asString()).contains("picture 90 × 52.5 mm")
            .contains("a caption below");
        JsonNode inTwo = dockets.get("In two, on board");
        assertThat(inTwo.path("spec").path("plan").path("panels").path("across").asInt()).isEqualTo(2);
        assertThat(inTwo.path("spec").path("items").get(0).path("frame").path("cropX").asDouble()).isEqualTo(0.4);
        assertThat(inTwo.path("readback").asString()).contains(
            "2 pieces of 70 × 106.7 mm on 5 mm of board with mirrored sides (12 % darker, softer, 5 % less colour), 15 mm turned over "
                + "bare, 13 % of it on no face");
        dockets.values().forEach(d -> assertThat(d.path("layout").path("unplaced").size()).isZero());
    }

    @Test
    public void wedgesKnowTheirNumber() {
        List<Integer> numbers = new ArrayList<>();
        test.query("select a.docket_id from attempt a join wedge w on w.docket_id = a.docket_id order by w.number", row -> {
            if (test.bean(DocketRepository.class).get(UUID.fromString(row)).spec().heading().purpose() instanceof Purpose.WedgeOf wedge) {
                numbers.add(wedge.number());
            }
        });
        assertThat(numbers).containsExactly(1, 2, 3, 4, 6, 7);
    }

    /** The copies bore 1 and 2 of 25, the file for a lab the third; what lies on each page is known by name. */
    @Test
    public void numbersGoOnFromWhereTheyWere() {
        JsonNode numbered = dockets.get("Numbered, with a bleed");
        assertThat(numbered.path("layout").path("pages").get(0).path("marks").toString()).contains("4 of 25");
        List<String> editions = new ArrayList<>();
        test.query("select number || ' on page ' || page || ', ' || placed_id from edition order by 1", editions::add);
        assertThat(editions).containsExactly("1 on page 1, i1", "2 on page 2, i1", "3 on page 1, i1");
    }

    @Test
    public void undoGoesBackThroughEverythingThatWasDecided() {
        JsonNode d = dockets.get("In two, on board");
        String path = "/api/dockets/" + d.path("id").asString();
        List<String> undone = new ArrayList<>();
        while (!d.path("undo").isNull()) {
            undone.add(d.path("undo").asString());
            Api.Answer answer = api.post(path + "/undo", "", d.path("version").asInt());
            assertThat(answer.status()).isEqualTo(200);
            d = answer.body();
        }
        assertThat(undone).startsWith("crop moved", "sides 12 % darker, softer, 5 % less colour");
        assertThat(d.path("spec").path("plan").path("kind").asString()).isEqualTo("single");
    }

    /**
     * Of the prints whose pictures are in the demo or beside this test; those of wedges are of the same kind. The engine that made them
     * went another way through the paper's tables: a code here and there is another one, nothing that anybody sees.
     */
    @Test
    public void everyOldOrderLooksAsItDid() throws IOException {
        AttemptRepository attempts = test.bean(AttemptRepository.class);
        Map<String, PageFingerprint> looks = looks();
        List<String> pages = new ArrayList<>();
        test.query("select a.id || ' ' || p.page || ' ' || p.file_hash from attempt a join attempt_page p on p.attempt_id = a.id where "
            + "p.file_hash is not null and a.title not like 'Wedge%'", pages::add);
        assertThat(pages).as("a sheet twice, one more, two numbered copies with a bleed, a file for a lab, two panels of a wrap")
            .hasSize(8);
        for (String named : pages) {
            String[] page = named.split(" ");
            int number = Integer.parseInt(page[1]);
            PrintOrder order = attempts.order(UUID.fromString(page[0]));
            PageFingerprint.Difference apart = looks.get(page[2])
                .difference(test.bean(Rendering.class).file(order, number, Progress.SILENT).fingerprint());
            assertThat(apart.mean()).as(order.spec().title() + ", page " + number).isLessThan(0.01);
            assertThat(apart.most()).as(order.spec().title() + ", page " + number).isLessThan(0.2);
        }
    }

    /** What each file looked like, by its hash: written by the version whose bytes they are. */
    private static Map<String, PageFingerprint> looks() throws IOException {
        Map<String, PageFingerprint> looks = new HashMap<>();
        try (InputStream in = new GZIPInputStream(Files.newInputStream(Path.of("src/test/resources/thirteenth-schema-looks.gz")))) {
            for (byte[] hash = in.readNBytes(32); hash.length > 0; hash = in.readNBytes(32)) {
                looks.put(HexFormat.of().formatHex(hash), PageFingerprint.read(in.readNBytes(2 * 3 * 96 * 64)));
            }
        }
        return looks;
    }
}
