package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpRequest;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Length;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** Pictures from dockets and from files, printed together and judged one by one. */
public class TogetherTest extends InTestRoom {
    private String greenhouse;
    private String yard;
    private String path;

    @BeforeClass
    void lay() throws IOException {
        PrintingTest.pair(test, Paper.CORRIE_LUSTRE, Feeds.REAR, Intent.RELATIVE);
        greenhouse = paired("greenhouse-morning.jpg");
        yard = paired("boat-yard-night.jpg");
        change(greenhouse, "/size", "{\"width\":\"90\"}");
        change(yard, "/size", "{\"width\":\"80\"}");
        patch(yard, "{\"kind\":\"annotated\",\"itemId\":\"i1\",\"annotation\":{\"caption\":{\"title\":true,\"date\":false,\"edition\":0,"
            + "\"signature\":false,\"sizePt\":9,\"number\":false,\"fileName\":false,\"taken\":false},\"ruleMm\":0,\"ruleGapMm\":2,\"cutMarks\":false}}");
    }

    private String paired(String file) throws IOException {
        JsonNode d = api.drop(file, Files.readAllBytes(Path.of("../demo/pictures/" + file))).body().path("docket");
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        String id = d.path("id").asString();
        assertThat(api.put("/api/dockets/" + id + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt()).status())
            .isEqualTo(200);
        return id;
    }

    private JsonNode docket(String id) {
        return api.get("/api/dockets/" + id).body();
    }

    private JsonNode change(String id, String what, String body) {
        Api.Answer answer = api.patch("/api/dockets/" + id + what, body, docket(id).path("version").asInt());
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        return answer.body();
    }

    private JsonNode patch(String id, String body) {
        return change(id, "", body);
    }

    private static List<String> findings(JsonNode docket) {
        return docket.path("findings").valueStream().map(f -> f.path("code").asString()).toList();
    }

    @Test
    public void waitingDocketsComeWithTheirSizeAndCaption() {
        Api.Answer made = api.post("/api/joint-dockets", "{\"dockets\":[\"" + greenhouse + "\",\"" + yard + "\"]}", 0);
        assertThat(made.status()).as(made.body().toString()).isEqualTo(201);
        path = "/api/dockets/" + made.body().path("id").asString();
        JsonNode d = made.body();
        assertThat(d.path("readback").asString()).contains("2 pictures together, one cut right across");
        assertThat(d.path("layout").path("cuts").size()).isEqualTo(1);
        assertThat(d.path("layout").path("unplaced").size()).isZero();
        assertThat(d.path("layout").path("pages").get(0).path("marks").toString()).contains("Boat yard night");
        List<Double> widths = new ArrayList<>();
        d.path("spec").path("items").forEach(i -> widths.add(i.path("frame").path("widthMm").asDouble()));
        assertThat(widths).containsExactly(90.0, 80.0);
        assertThat(findings(d)).doesNotContain("PIECES_OVERLAP", "CAPTION_CUT");
        assertThat(docket(yard).path("joint").get(0).path("number")).as("it says where it is printed").isEqualTo(d.path("number"));
    }

    /** A picture file that was read in, as lists of pictures name it. */
    private String brought(String name, Path file) throws IOException {
        Api.Answer read = api.send(api.request("/api/masters?name=" + name).header("Content-Type", "application/octet-stream")
            .method("POST", HttpRequest.BodyPublishers.ofFile(file)));
        assertThat(read.status()).as(read.body().toString()).isEqualTo(200);
        return "{\"hash\":\"" + read.body().path("hash").asString() + "\",\"fileName\":\"" + name + "\"}";
    }

    @Test(dependsOnMethods = "waitingDocketsComeWithTheirSizeAndCaption")
    public void filesAndOtherSizesAreLaidBesideThem() throws IOException {
        String id = path.substring("/api/dockets/".length());
        Api.Answer dropped = api.post(path + "/pieces",
            "{\"pictures\":[" + brought("slate-quarry.jpg", Path.of("../demo/pictures/fells-first-light.jpg")) + "]}", 0);
        assertThat(dropped.status()).as(dropped.body().toString()).isEqualTo(200);
        assertThat(dropped.body().path("spec").path("items").size()).isEqualTo(3);
        assertThat(dropped.body().path("layout").path("pages").get(0).path("placed").size()).isEqualTo(3);
        Api.Answer sizes = api.post(path + "/pieces/sizes",
            "{\"itemId\":\"i1\",\"sizes\":[{\"width\":\"6cm\",\"height\":\"4cm\",\"copies\":2},{\"width\":\"2in\",\"height\":\"2in\","
                + "\"copies\":1}]}",
            docket(id).path("version").asInt());
        assertThat(sizes.body().path("planned").path("prints").asInt()).isEqualTo(6);
        assertThat(findings(sizes.body())).as("a square of it loses something").contains("CROPPED");
        JsonNode gutter = change(id, "/arrangement", "{\"gutter\":\"1,5cm\",\"way\":\"TIGHTEST\"}");
        assertThat(gutter.path("spec").path("plan").path("arrangement").path("gutterMm").asDouble()).isEqualTo(15);
        assertThat(gutter.path("undo").asString()).contains("as tightly as can be").contains("15 mm");
        JsonNode undone = api.post(path + "/undo", "", gutter.path("version").asInt()).body();
        assertThat(undone.path("layout")).as("one step back").isEqualTo(sizes.body().path("layout"));
        JsonNode off = patch(id, "{\"kind\":\"taken-off\",\"itemIds\":[\"i4\",\"i5\"]}");
        assertThat(off.path("spec").path("items").size()).isEqualTo(3);
    }

    @Test(dependsOnMethods = "filesAndOtherSizesAreLaidBesideThem")
    public void aPieceIsMovedByHandAndNotOntoAnother() {
        String copy = api.post(path + "/copies", "", 0).body().path("id").asString();
        JsonNode spots = docket(copy).path("spec").path("plan").path("spots");
        JsonNode other = spots.get(1);
        String onto = "{\"kind\":\"moved\",\"print\":0,\"to\":{\"itemId\":\"" + spots.get(0).path("itemId").asString()
            + "\",\"page\":1,\"x\":" + other.path("x").asDouble() + ",\"y\":" + other.path("y").asDouble() + ",\"turned\":false}}";
        Api.Answer refused = api.patch("/api/dockets/" + copy, onto, docket(copy).path("version").asInt());
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.code()).isEqualTo("pieces-overlap");
        JsonNode moved = patch(copy, onto.replace("\"page\":1", "\"page\":2"));
        assertThat(moved.path("spec").path("plan").path("arrangement").path("way").asString()).isEqualTo("BY_HAND");
        assertThat(moved.path("layout").path("pages").size()).isEqualTo(2);
        assertThat(moved.path("layout").path("pages").get(0).path("placed").size()).isEqualTo(2);
        JsonNode alone = patch(copy, "{\"kind\":\"picked-out\",\"itemId\":\"i2\"}");
        assertThat(alone.path("spec").path("plan").path("kind").asString()).isEqualTo("single");
        assertThat(alone.path("pictures").size()).isEqualTo(1);
    }

    /** Each comes out as its proof promised, and is judged by itself. */
    @Test(dependsOnMethods = "aPieceIsMovedByHandAndNotOntoAnother")
    public void allArePrintedTogetherAndEachIsScanned() {
        JsonNode released = api.post(path + "/attempts", "", api.get(path).body().path("version").asInt()).body();
        JsonNode done = api.over(released.path("id").asString(), 60);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        JsonNode placed = done.path("pages").get(0).path("placed");
        assertThat(placed.size()).isEqualTo(3);
        for (JsonNode id : placed) {
            JsonNode figures = api
                .get("/api/attempts/" + done.path("id").asString() + "/pages/1/placed/" + id.asString() + "/scan/figures").body();
            assertThat(figures.path("meanDifference").asDouble()).as(id.asString()).isBetween(0.01, 2.5);
        }
    }

    /** The page for the workbench says of each cut how far it lies from an edge, and what comes off. */
    @Test(dependsOnMethods = "allArePrintedTogetherAndEachIsScanned")
    public void cutsAreListedOnAPageForTheWorkbench() throws IOException {
        byte[] pdf = api.get(path + "/cuts").raw().body();
        JsonNode cut = api.get(path).body().path("layout").path("cuts").get(0);
        try (PDDocument document = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
            assertThat(text).contains("1. From ").contains(Length.mm(cut.path("offMm").asDouble()) + " mm from the ")
                .contains("Boat yard night, 80 × 53.3 mm");
        }
    }

    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {{"POST", "/pieces/sizes", "{\"itemId\":\"i1\",\"sizes\":[]}"},
            {"POST", "/pieces/sizes", "{\"itemId\":\"i1\",\"sizes\":[{\"width\":\"0\",\"height\":\"10\",\"copies\":1}]}"},
            {"POST", "/pieces/sizes", "{\"itemId\":\"i1\",\"sizes\":[{\"width\":\"NaN\",\"height\":\"1e308\",\"copies\":1}]}"},
            {"POST", "/pieces/sizes", "{\"itemId\":\"i1\",\"sizes\":[{\"width\":\"100\",\"height\":\"100\",\"copies\":501}]}"},
            {"POST", "/pieces/sizes", "{\"itemId\":\"none\",\"sizes\":[{\"width\":\"100\",\"height\":\"100\",\"copies\":1}]}"},
            {"POST", "/pieces/from-dockets", "{\"dockets\":[]}"}, {"PATCH", "/arrangement", "{\"gutter\":\"51\"}"},
            {"PATCH", "/arrangement", "{\"gutter\":\"-1\"}"}, {"PATCH", "/arrangement", "{\"longest\":\"20 mm\"}"},
            {"PATCH", "/pieces/i1", "{\"width\":\"6000\"}"}, {"PATCH", "/pieces/none", "{\"width\":\"60\"}"},
            {"PATCH", "", "{\"kind\":\"taken-off\",\"itemIds\":[\"i1\",\"i2\",\"i3\"]}"},
            {"PATCH", "", "{\"kind\":\"repeated\",\"itemId\":\"i1\",\"copies\":0}"},
            {"PATCH", "", "{\"kind\":\"moved\",\"print\":77,\"to\":{\"itemId\":\"i1\",\"page\":1,\"x\":0,\"y\":0,\"turned\":false}}"},
            {"PATCH", "", "{\"kind\":\"reordered\",\"itemIds\":[\"i1\"]}"}};
    }

    @Test(dataProvider = "nonsense", dependsOnMethods = "allArePrintedTogetherAndEachIsScanned")
    public void whatCantBeIsRefusedInWordsAndChangesNothing(String method, String what, String body) {
        JsonNode before = api.get(path).body();
        HttpRequest.Builder request = api.request(path + what).header("Content-Type", "application/json").header("If-Match",
            "\"" + before.path("version").asInt() + "\"");
        Api.Answer answer = api.send(request.method(method, HttpRequest.BodyPublishers.ofString(body)));
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(400);
        assertThat(answer.body().path("next").asString()).isNotBlank();
        assertThat(api.get(path).body().path("version")).isEqualTo(before.path("version"));
    }

    @Test(dependsOnMethods = "allArePrintedTogetherAndEachIsScanned")
    public void otherPapersAndFilesThatAreNoneAreRefused() throws IOException {
        JsonNode bare = api.drop("bare.png", PrintingTest.picture(5)).body().path("docket");
        Api.Answer other = api.post(path + "/pieces/from-dockets", "{\"dockets\":[\"" + bare.path("id").asString() + "\"]}",
            api.get(path).body().path("version").asInt());
        assertThat(other.code()).isEqualTo("pairing-differs");
        Api.Answer text = api.send(api.request("/api/masters?name=list.txt").header("Content-Type", "application/octet-stream")
            .method("POST", HttpRequest.BodyPublishers.ofString("no picture")));
        assertThat(text.status()).isBetween(400, 422);
        assertThat(api.get(path).body().path("spec").path("items").size()).isEqualTo(3);
    }

    /** What is taken off a joint docket, or whose joint docket was put away, is printed there no more. */
    @Test(dependsOnMethods = "allArePrintedTogetherAndEachIsScanned")
    public void aDocketSaysOnlyWhereItLiesNow() {
        String both = "{\"dockets\":[\"" + greenhouse + "\",\"" + yard + "\"]}";
        String id = api.post("/api/joint-dockets", both, 0).body().path("id").asString();
        assertThat(docket(yard).path("joint").size()).isEqualTo(2);
        patch(id, "{\"kind\":\"taken-off\",\"itemIds\":[\"i2\"]}");
        assertThat(docket(yard).path("joint").size()).isEqualTo(1);
        assertThat(docket(greenhouse).path("joint").size()).isEqualTo(2);
        api.post("/api/dockets/" + id + "/archive", "", docket(id).path("version").asInt());
        assertThat(docket(greenhouse).path("joint").size()).isEqualTo(1);
    }

    /** A piece larger than the paper is told, and what is smaller lies there all the same. */
    @Test(dependsOnMethods = "allArePrintedTogetherAndEachIsScanned")
    public void aPieceThatIsTooLargeStopsThePrintWithItsName() {
        String copy = api.post(path + "/copies", "", 0).body().path("id").asString();
        JsonNode large = change(copy, "/pieces/i1", "{\"width\":\"90cm\"}");
        assertThat(findings(large)).contains("PIECE_TOO_LARGE");
        assertThat(large.path("layout").path("unplaced").toString()).contains("i1");
        assertThat(large.path("layout").path("pages").get(0).path("placed").size()).isEqualTo(2);
        JsonNode fixes = large.path("findings").valueStream().filter(f -> f.path("code").asString().equals("PIECE_TOO_LARGE")).findFirst()
            .orElseThrow().path("fixes");
        JsonNode smaller = patch(copy, fixes.valueStream().filter(f -> f.path("label").asString().equals("Make it as large as fits"))
            .findFirst().orElseThrow().path("change").toString());
        assertThat(findings(smaller)).doesNotContain("PIECE_TOO_LARGE", "NO_ROOM");
        assertThat(smaller.path("layout").path("unplaced").size()).isZero();
    }

    /** The log finds a print by what lies on it, and each docket that gave a piece has it among its own. */
    @Test(dependsOnMethods = "allArePrintedTogetherAndEachIsScanned")
    public void aPrintIsFoundByItsPiecesAndOneOfThemIsPrintedAlone() {
        JsonNode found = api.get("/api/attempts?words=boat%20yard%20night").body();
        assertThat(found.size()).isEqualTo(1);
        assertThat(found.get(0).path("pieces").valueStream().map(x -> x.path("title").asString()))
            .containsExactly("Greenhouse morning", "Boat yard night", "Slate quarry");
        assertThat(api.get("/api/attempts?words=slate-quarry.jpg").body().size()).as("by its file").isEqualTo(1);
        assertThat(api.get("/api/attempts?words=no%20such%20boat").body().size()).isZero();
        JsonNode own = api.get("/api/dockets/" + yard + "/attempts").body();
        assertThat(own.get(0).path("id")).isEqualTo(found.get(0).path("id"));
        String attempt = found.get(0).path("id").asString();
        String item = found.get(0).path("pieces").get(1).path("itemId").asString();
        Api.Answer alone = api.post("/api/attempts/" + attempt + "/pieces/" + item + "/dockets", "", 0);
        assertThat(alone.status()).isEqualTo(201);
        JsonNode d = docket(alone.body().path("docketId").asString());
        assertThat(d.path("spec").path("plan").path("kind").asString()).isEqualTo("single");
        assertThat(d.path("spec").path("heading").path("title").asString()).isEqualTo("Boat yard night");
        assertThat(Api.picture(d).path("width").asDouble()).isEqualTo(80);
        assertThat(api.post("/api/attempts/" + attempt + "/pieces/none/dockets", "", 0).status()).isEqualTo(400);
    }

    @Test(dependsOnMethods = "allArePrintedTogetherAndEachIsScanned")
    public void severalPiecesAreChangedAtOnceInOneStep() {
        String copy = api.post(path + "/copies", "", 0).body().path("id").asString();
        JsonNode before = docket(copy);
        JsonNode sized = change(copy, "/pieces", "{\"itemIds\":[\"i1\",\"i2\"],\"longer\":\"6cm\"}");
        for (int i = 0; i < 2; i++) {
            JsonNode frame = sized.path("spec").path("items").get(i).path("frame");
            assertThat(Math.max(frame.path("widthMm").asDouble(), frame.path("heightMm").asDouble())).isEqualTo(60);
        }
        assertThat(sized.path("spec").path("items").get(2)).isEqualTo(before.path("spec").path("items").get(2));
        JsonNode filled = patch(copy, "{\"kind\":\"all-fitted\",\"itemIds\":[\"i1\",\"i2\"],\"fit\":\"FILL\"}");
        assertThat(filled.path("spec").path("items").get(1).path("frame").path("fit").asString()).isEqualTo("FILL");
        JsonNode twice = patch(copy, "{\"kind\":\"all-repeated\",\"itemIds\":[\"i1\",\"i2\"],\"copies\":2}");
        assertThat(twice.path("planned").path("prints").asInt()).isEqualTo(5);
        Api.Answer more = api.post("/api/dockets/" + copy + "/pieces/copies", "{\"itemIds\":[\"i3\"]}", twice.path("version").asInt());
        assertThat(more.body().path("spec").path("items").size()).isEqualTo(4);
        JsonNode undone = more.body();
        for (int i = 0; i < 4; i++) {
            undone = api.post("/api/dockets/" + copy + "/undo", "", undone.path("version").asInt()).body();
        }
        assertThat(undone.path("spec")).isEqualTo(before.path("spec"));
    }

    /** What waits for the same paper is offered where it takes no more of it, and not where it would. */
    @Test(dependsOnMethods = "allArePrintedTogetherAndEachIsScanned")
    public void whatFitsIntoTheBarePartIsOffered() throws IOException {
        String small = paired("dune-west-wind.jpg");
        change(small, "/size", "{\"width\":\"45\"}");
        String large = paired("salt-pans-february.jpg");
        change(large, "/size", "{\"width\":\"190\"}");
        String joint = api.post("/api/joint-dockets", "{\"dockets\":[\"" + greenhouse + "\",\"" + yard + "\"]}", 0).body().path("id")
            .asString();
        String aRoll = "{\"kind\":\"stocked\",\"stock\":{\"kind\":\"sheet\",\"name\":\"short\",\"widthMm\":130,\"lengthMm\":210}}";
        patch(joint, aRoll);
        List<String> fitting = api.get("/api/dockets/" + joint + "/fitting").body().valueStream().map(JsonNode::asString).toList();
        assertThat(fitting).contains(small).doesNotContain(large, greenhouse, yard);
        JsonNode filled = api.post("/api/dockets/" + joint + "/pieces/from-dockets", "{\"dockets\":[\"" + small + "\"]}",
            docket(joint).path("version").asInt()).body();
        assertThat(filled.path("layout").path("pages").size()).isEqualTo(1);
        assertThat(filled.path("layout").path("unplaced").size()).isZero();
    }

    /** A docket whose picture lies on a joint sheet is put away: the sheet keeps its piece, and prints it. */
    @Test(dependsOnMethods = {"aDocketSaysOnlyWhereItLiesNow", "whatFitsIntoTheBarePartIsOffered",
        "aPrintIsFoundByItsPiecesAndOneOfThemIsPrintedAlone"})
    public void aSheetKeepsWhatADocketGaveThatIsPutAway() throws IOException {
        String gone = paired("fells-first-light.jpg");
        change(gone, "/size", "{\"width\":\"60\"}");
        String joint = api.post("/api/joint-dockets", "{\"dockets\":[\"" + greenhouse + "\",\"" + gone + "\"]}", 0).body().path("id")
            .asString();
        patch(joint, "{\"kind\":\"set\",\"setting\":\"printer-resolution\",\"value\":\"180\",\"said\":\"\"}");
        assertThat(api.post("/api/dockets/" + gone + "/archive", "", docket(gone).path("version").asInt()).status()).isLessThan(300);
        assertThat(docket(joint).path("layout").path("pages").get(0).path("placed").size()).isEqualTo(2);
        JsonNode released = api.post("/api/dockets/" + joint + "/attempts", "", docket(joint).path("version").asInt()).body();
        assertThat(api.over(released.path("id").asString(), 60).path("state").asString()).isEqualTo("done");
        assertThat(api.get("/api/attempts?words=fells").body().valueStream().map(a -> a.path("id").asString()))
            .contains(released.path("id").asString());
    }

    /** Two tabs move the same piece: the second one is told that the docket was changed meanwhile, and nothing is lost. */
    @Test(dependsOnMethods = "allArePrintedTogetherAndEachIsScanned")
    public void ofTwoTabsThatMoveOnePieceTheSecondIsRefused() {
        String copy = api.post(path + "/copies", "", 0).body().path("id").asString();
        JsonNode before = docket(copy);
        String move = "{\"kind\":\"moved\",\"print\":0,\"to\":{\"itemId\":\""
            + before.path("spec").path("plan").path("spots").get(0).path("itemId")
                .asString()
            + "\",\"page\":2,\"x\":40,\"y\":40,\"turned\":false}}";
        assertThat(api.patch("/api/dockets/" + copy, move, before.path("version").asInt()).status()).isEqualTo(200);
        Api.Answer second = api.patch("/api/dockets/" + copy, move.replace("\"x\":40", "\"x\":60"), before.path("version").asInt());
        assertThat(second.status()).isEqualTo(412);
        assertThat(second.body().path("next").asString()).isNotBlank();
        assertThat(docket(copy).path("layout").path("pages").get(1).path("placed").get(0).path("atMm").path("x").asDouble()).isEqualTo(40);
    }
}
