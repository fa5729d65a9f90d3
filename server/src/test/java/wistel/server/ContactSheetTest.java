package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpRequest;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** Pictures that are brought at once: contact sheets, dockets that start alike, prints one after another, and what goes along with them. */
public class ContactSheetTest extends InTestRoom {
    @BeforeClass
    void pair() throws IOException {
        PrintingTest.pair(test, Paper.CORRIE_LUSTRE, Feeds.REAR, Intent.RELATIVE);
        PrintingTest.pair(test, Paper.MOSS_COTTON, Feeds.FRONT, Intent.RELATIVE);
    }

    /** A JPEG with a title in XMP and the day it was taken in Exif; none where those are blank. */
    private static byte[] jpeg(int seed, String title, String taken) throws IOException {
        BufferedImage image = new BufferedImage(90, 60, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < 90 * 60; i++) {
            image.setRGB(i % 90, i / 90, (i * 31 + seed * 7919) & 0xFFFFFF);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", out);
        byte[] plain = out.toByteArray();
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        file.write(plain, 0, 2);
        if (!taken.isBlank()) {
            // a directory of one entry that leads to the Exif directory, whose one entry is the original date (36867)
            ByteBuffer exif = ByteBuffer.allocate(8 + 18 + 18 + 20);
            exif.put("MM\0*".getBytes(StandardCharsets.ISO_8859_1)).putInt(8);
            exif.putShort((short) 1).putShort((short) 34665).putShort((short) 4).putInt(1).putInt(26).putInt(0);
            exif.putShort((short) 1).putShort((short) 36867).putShort((short) 2).putInt(20).putInt(44).putInt(0);
            exif.put((taken + "\0").getBytes(StandardCharsets.ISO_8859_1));
            segment(file, "Exif\0\0", exif.array());
        }
        if (!title.isBlank()) {
            String xmp = "<x:xmpmeta xmlns:x='adobe:ns:meta/'><rdf:RDF xmlns:rdf='http://www.w3.org/1999/02/22-rdf-syntax-ns#'>"
                + "<rdf:Description xmlns:dc='http://purl.org/dc/elements/1.1/'><dc:title><rdf:Alt><rdf:li xml:lang='x-default'>" + title
                + "</rdf:li></rdf:Alt></dc:title></rdf:Description></rdf:RDF></x:xmpmeta>";
            segment(file, "http://ns.adobe.com/xap/1.0/\0", xmp.getBytes(StandardCharsets.UTF_8));
        }
        file.write(plain, 2, plain.length - 2);
        return file.toByteArray();
    }

    private static void segment(ByteArrayOutputStream file, String mark, byte[] body) {
        int length = 2 + mark.length() + body.length;
        file.writeBytes(new byte[] {(byte) 0xFF, (byte) 0xE1, (byte) (length >> 8), (byte) length});
        file.writeBytes(mark.getBytes(StandardCharsets.ISO_8859_1));
        file.writeBytes(body);
    }

    private Api.Answer bring(String name, byte[] file) {
        return api.send(api.request("/api/masters?name=" + name).header("Content-Type", "application/octet-stream")
            .method("POST", HttpRequest.BodyPublishers.ofByteArray(file)));
    }

    private String brought(String name, byte[] file) {
        Api.Answer read = bring(name, file);
        assertThat(read.status()).as(read.body().toString()).isEqualTo(200);
        return "{\"hash\":\"" + read.body().path("hash").asString() + "\",\"fileName\":\"" + name + "\"}";
    }

    private JsonNode contact(List<String> pictures) {
        Api.Answer made = api.post("/api/sheet-dockets",
            "{\"sheet\":\"CONTACT\",\"title\":\"\",\"pictures\":[" + String.join(",", pictures) + "]}", 0);
        assertThat(made.status()).as(made.body().toString()).isEqualTo(201);
        return made.body();
    }

    private static List<String> marks(JsonNode docket) {
        List<String> words = new ArrayList<>();
        docket.path("layout").path("pages").forEach(p -> p.path("marks").forEach(m -> {
            if (m.has("words")) {
                words.add(m.path("words").asString());
            }
        }));
        return words;
    }

    @Test
    public void captionsComeFromTheFilesAndTheOrderFromTheirNamesOrDays() throws IOException {
        JsonNode d = contact(List.of(brought("tide-10.jpg", jpeg(1, "High water", "2026:03:02 08:00:00")),
            brought("tide-9.jpg", jpeg(2, "", "2026:03:05 08:00:00")), brought("tide-11.jpg", jpeg(3, "Low <!-- water", ""))));
        String path = "/api/dockets/" + d.path("id").asString();
        assertThat(marks(d)).containsExactly("1  tide-10.jpg", "2  tide-9.jpg", "3  tide-11.jpg");
        assertThat(d.path("spec").path("items").get(0).path("title").asString()).isEqualTo("High water");
        assertThat(d.path("spec").path("items").get(1).path("title").asString()).isEqualTo("Tide 9");
        JsonNode named = api.put(path + "/pieces/order", "{\"by\":\"NAME\"}", d.path("version").asInt()).body();
        assertThat(marks(named)).as("9 before 10").containsExactly("1  tide-9.jpg", "2  tide-10.jpg", "3  tide-11.jpg");
        JsonNode dated = api.put(path + "/pieces/order", "{\"by\":\"TAKEN\"}", named.path("version").asInt()).body();
        assertThat(marks(dated)).containsExactly("1  tide-10.jpg", "2  tide-9.jpg", "3  tide-11.jpg");
        String caption = "{\"kind\":\"all-annotated\",\"itemIds\":[\"i1\",\"i2\",\"i3\"],\"annotation\":{\"caption\":{\"title\":true,"
            + "\"date\":false,\"edition\":0,\"signature\":false,\"sizePt\":7,\"number\":false,\"fileName\":false,\"taken\":true},"
            + "\"ruleMm\":0,\"ruleGapMm\":2,\"cutMarks\":false}}";
        assertThat(marks(api.patch(path, caption, dated.path("version").asInt()).body())).containsExactly("High water, 2 March 2026",
            "Tide 9, 5 March 2026", "Tide 11");
    }

    /** Title and day in IPTC records (object name 2:05, date created 2:55), as a JPEG has them. */
    @Test
    public void titlesAndDaysOfIptcRecordsAreReadToo() throws IOException {
        byte[] plain = jpeg(4, "", "");
        ByteArrayOutputStream records = new ByteArrayOutputStream();
        for (String[] tag : new String[][] {{"5", "Slack water"}, {"55", "20260411"}}) {
            records.writeBytes(new byte[] {0x1C, 2, Byte.parseByte(tag[0]), 0, (byte) tag[1].length()});
            records.writeBytes(tag[1].getBytes(StandardCharsets.ISO_8859_1));
        }
        ByteBuffer block = ByteBuffer.allocate(12 + records.size());
        block.put("8BIM".getBytes(StandardCharsets.ISO_8859_1)).putShort((short) 0x0404).putShort((short) 0).putInt(records.size())
            .put(records.toByteArray());
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        file.write(plain, 0, 2);
        int length = 2 + 14 + block.capacity();
        file.writeBytes(new byte[] {(byte) 0xFF, (byte) 0xED, (byte) (length >> 8), (byte) length});
        file.writeBytes("resources 1.0\0".getBytes(StandardCharsets.ISO_8859_1));
        file.writeBytes(block.array());
        file.write(plain, 2, plain.length - 2);
        JsonNode d = contact(List.of(brought("slack.jpg", file.toByteArray())));
        assertThat(d.path("spec").path("items").get(0).path("title").asString()).isEqualTo("Slack water");
        assertThat(d.path("pictures").get(0).path("master").path("notes").path("taken").asString()).startsWith("2026-04-11");
    }

    /** A hundred of them over five pages, a bad one among them; each page is printed. */
    @Test
    public void aHundredLieOnFivePagesAndABadOneIsNamed() throws IOException {
        List<String> pictures = new ArrayList<>();
        for (int i = 0; i < 100; i++) {
            pictures.add(brought("grain-" + i + ".jpg", jpeg(100 + i, "", "")));
        }
        Api.Answer bad = bring("grain-bad.jpg", new byte[] {(byte) 0xFF, (byte) 0xD8, 1, 2, 3});
        assertThat(bad.status()).isEqualTo(422);
        assertThat(bad.body().path("next").asString()).isNotBlank();
        JsonNode d = contact(pictures.subList(0, 50));
        String path = "/api/dockets/" + d.path("id").asString();
        d = api.post(path + "/pieces", "{\"pictures\":[" + String.join(",", pictures.subList(50, 100)) + "]}", 0).body();
        assertThat(d.path("layout").path("pages").size()).isEqualTo(5);
        assertThat(marks(d)).contains("1  grain-0.jpg", "100  grain-99.jpg");
        assertThat(d.path("findings").valueStream().filter(f -> f.path("code").asString().equals("PROFILE_MISSING")).count())
            .as("said once of all").isLessThanOrEqualTo(1);
        JsonNode fewer = api.patch(path + "/arrangement", "{\"rows\":{\"alike\":\"HEIGHTS\",\"aPage\":50}}", d.path("version").asInt())
            .body();
        assertThat(fewer.path("layout").path("pages").size()).isLessThanOrEqualTo(2);
        JsonNode own = api.patch(path + "/pieces/i1", "{\"width\":\"40\"}", fewer.path("version").asInt()).body();
        assertThat(own.path("spec").path("plan").path("arrangement").path("rows").path("aPage").asInt()).as("sizes of its own").isZero();
    }

    @Test
    public void moreThanADocketHoldsAndWhatWasNeverBroughtAreRefused() throws IOException {
        String one = brought("one.jpg", jpeg(50, "", ""));
        String many = IntStream.range(0, 501).mapToObj(i -> one).collect(Collectors.joining(","));
        Api.Answer tooMany = api.post("/api/sheet-dockets", "{\"sheet\":\"CONTACT\",\"title\":\"\",\"pictures\":[" + many + "]}", 0);
        assertThat(tooMany.status()).isEqualTo(400);
        assertThat(tooMany.body().path("next").asString()).contains("500");
        Api.Answer none = api.post("/api/sheet-dockets", "{\"sheet\":\"TOGETHER\",\"title\":\"\",\"pictures\":[]}", 0);
        assertThat(none.status()).isEqualTo(400);
        Api.Answer unknown = api.post("/api/sheet-dockets",
            "{\"sheet\":\"TOGETHER\",\"title\":\"\",\"pictures\":[{\"hash\":\"" + "0".repeat(64) + "\",\"fileName\":\"gone.jpg\"}]}", 0);
        assertThat(unknown.status()).isEqualTo(404);
        assertThat(unknown.body().toString()).contains("gone.jpg");
    }

    private JsonNode ready(String name, int seed, String paper) throws IOException {
        JsonNode d = api.drop(name, PrintingTest.picture(seed)).body().path("docket");
        String pairing = api.get("/api/pairings").body().valueStream().filter(p -> p.path("paper").asString().equals(paper)).findFirst()
            .orElseThrow().path("pairingId").asString();
        return api.put("/api/dockets/" + d.path("id").asString() + "/pairing", "{\"pairingId\":\"" + pairing + "\"}",
            d.path("version").asInt()).body();
    }

    /** What nothing stops goes, the others are held back with why; what wasn't sent is taken back. */
    @Test
    public void docketsArePrintedOneAfterAnotherAndTakenBack() throws IOException {
        JsonNode one = ready("series-1.png", 61, "Corrie Lustre 260");
        JsonNode two = ready("series-2.png", 62, "Moss Cotton 300");
        JsonNode three = ready("series-3.png", 63, "Corrie Lustre 260");
        JsonNode bare = api.drop("series-4.png", PrintingTest.picture(64)).body().path("docket");
        test.room.printer().intake(0);
        try {
            String ids = List.of(one, two, three, bare).stream().map(d -> "\"" + d.path("id").asString() + "\"")
                .collect(Collectors.joining(","));
            JsonNode series = api.post("/api/series", "{\"dockets\":[" + ids + "]}", 0).body();
            assertThat(series.path("released").size()).isEqualTo(3);
            List<Integer> order = series.path("released").valueStream().map(r -> r.path("docketNumber").asInt()).toList();
            int at = order.indexOf(two.path("number").asInt());
            assertThat(at).as("the black ink is changed over once").isIn(0, 2);
            assertThat(series.path("heldBack").get(0).path("title").asString()).isEqualTo("Series 4");
            assertThat(series.path("heldBack").get(0).path("why").asString()).isNotBlank();
            JsonNode again = api.post("/api/series", "{\"dockets\":[" + ids + "]}", 0).body();
            assertThat(again.path("released").size()).as("all are on their way").isZero();
            assertThat(again.path("heldBack").size()).isEqualTo(4);
            String attempts = series.path("released").valueStream().map(r -> "\"" + r.path("attemptId").asString() + "\"")
                .collect(Collectors.joining(","));
            JsonNode back = api.post("/api/series/taken-back", "{\"attempts\":[" + attempts + "]}", 0).body();
            assertThat(back.path("takenBack").size() + back.path("goingOn").size()).isEqualTo(3);
            assertThat(back.path("takenBack").size()).isGreaterThanOrEqualTo(2);
            for (JsonNode id : back.path("takenBack")) {
                assertThat(api.over(id.asString(), 60).path("state").asString()).isEqualTo("cancelled");
            }
        } finally {
            test.room.printer().intake(Integer.MAX_VALUE);
        }
        assertThat(api.post("/api/series", "{\"dockets\":[]}", 0).status()).isEqualTo(400);
    }

    @Test
    public void aDocketStartsWithDecisionsThatWereKept() throws IOException {
        JsonNode d = ready("start.png", 71, "Moss Cotton 300");
        String path = "/api/dockets/" + d.path("id").asString();
        d = api.patch(path + "/size", "{\"width\":\"120\"}", d.path("version").asInt()).body();
        String kept = "{\"docketId\":\"" + d.path("id").asString() + "\",\"name\":\"Cotton, small\"}";
        Api.Answer made = api.post("/api/starting-points", kept, 0);
        assertThat(made.status()).as(made.body().toString()).isEqualTo(201);
        assertThat(made.body().path("paper").asString()).isEqualTo("Moss Cotton 300");
        assertThat(api.post("/api/starting-points", kept, 0).code()).isEqualTo("name-taken");
        assertThat(api.post("/api/starting-points", kept.replace("Cotton, small", " "), 0).status()).isEqualTo(400);
        JsonNode opened = api.send(api.request("/api/dockets?name=next.png&from=" + made.body().path("id").asString())
            .header("Content-Type", "application/octet-stream")
            .method("POST", HttpRequest.BodyPublishers.ofByteArray(PrintingTest.picture(72))))
            .body().path("docket");
        assertThat(opened.path("pairing").path("paper").asString()).isEqualTo("Moss Cotton 300");
        assertThat(Api.picture(opened).path("width").asDouble()).isEqualTo(120);
        assertThat(opened.path("spec").path("heading").path("title").asString()).isEqualTo("Next");
        String point = "/api/starting-points/" + made.body().path("id").asString();
        assertThat(api.send(api.request(point).DELETE()).status()).isEqualTo(204);
        assertThat(api.get("/api/starting-points").body().size()).isZero();
        assertThat(api.get("/api/dockets/" + opened.path("id").asString()).status()).as("dockets keep what they began with").isEqualTo(200);
    }

    /** Labels and the page for a buyer say what the print is, in the person's own texts. */
    @Test
    public void labelsAndAPageForTheBuyerGoAlong() throws IOException {
        JsonNode d = ready("label.png", 81, "Corrie Lustre 260");
        String path = "/api/dockets/" + d.path("id").asString();
        String caption = "{\"kind\":\"annotated\",\"itemId\":\"i1\",\"annotation\":{\"caption\":{\"title\":true,\"date\":false,\"edition\":25,"
            + "\"signature\":false,\"sizePt\":9,\"number\":false,\"fileName\":false,\"taken\":false},\"ruleMm\":0,\"ruleGapMm\":2,"
            + "\"cutMarks\":false}}";
        d = api.patch(path, caption, d.path("version").asInt()).body();
        d = api.patch(path + "/size", "{\"width\":\"120\"}", d.path("version").asInt()).body();
        String id = api.post(path + "/attempts", "", d.path("version").asInt()).body().path("id").asString();
        assertThat(api.over(id, 60).path("state").asString()).isEqualTo("done");
        String texts = "{\"name\":\"Una Vale\",\"contact\":\"at the pier\",\"inks\":\"ten pigment inks\",\"note\":\"Out of the sun.\"}";
        assertThat(api.put("/api/settings/print-texts", texts, 0).status()).isEqualTo(200);
        assertThat(api.get("/api/settings/print-texts").body().path("inks").asString()).isEqualTo("ten pigment inks");
        assertThat(api.put("/api/settings/print-texts", texts.replace("Out of", "x".repeat(700)), 0).status()).isEqualTo(400);
        String placed = "/api/attempts/" + id + "/pages/1/placed/i1";
        for (String what : List.of("/api/attempts/" + id + "/labels", placed + "/label", placed + "/buyers-page")) {
            try (PDDocument document = Loader.loadPDF(api.get(what).raw().body())) {
                assertThat(new PDFTextStripper().getText(document)).as(what).contains("Label").contains("120 × 80 mm")
                    .contains("Corrie Lustre 260").contains("ten pigment inks").contains("1 of 25").contains("Una Vale");
            }
        }
        assertThat(api.get("/api/attempts/" + id + "/pages/1/placed/none/label").status()).isEqualTo(404);
    }
}
