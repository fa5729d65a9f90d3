package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import javax.imageio.ImageIO;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** Variations of a docket's picture: laid out, printed, and a piece of them put back into the docket. */
public class StripsTest extends InTestRoom {
    /** CIEDE2000 on average between a piece and the docket that was printed after it. */
    private static final double ALIKE = 0.5;

    @BeforeClass
    void pair() throws IOException {
        PrintingTest.pair(test, Paper.CORRIE_LUSTRE, Feeds.REAR, Intent.RELATIVE);
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
    }

    private String pairing(int nth) {
        return api.get("/api/pairings").body().get(nth).path("pairingId").asString();
    }

    private static String path(JsonNode d) {
        return "/api/dockets/" + d.path("id").asString();
    }

    private JsonNode origin() throws IOException {
        JsonNode d = api.drop("greenhouse-morning.jpg", Files.readAllBytes(Path.of("../demo/pictures/greenhouse-morning.jpg"))).body()
            .path("docket");
        return api.put(path(d) + "/pairing", "{\"pairingId\":\"" + pairing(0) + "\"}", d.path("version").asInt()).body();
    }

    private JsonNode strip(JsonNode origin) {
        Api.Answer made = api.post(path(origin) + "/strips", "", 0);
        assertThat(made.status()).as(made.body().toString()).isEqualTo(201);
        return made.body();
    }

    private JsonNode varied(JsonNode strip, String asked) {
        Api.Answer answer = api.put(path(strip) + "/strip", asked, strip.path("version").asInt());
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        return answer.body();
    }

    private JsonNode printed(JsonNode d) {
        Api.Answer released = api.post(path(d) + "/attempts", "", d.path("version").asInt());
        assertThat(released.status()).as(released.body().toString()).isEqualTo(202);
        JsonNode done = api.over(released.body().path("id").asString(), 90);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        return done;
    }

    private static String piece(JsonNode strip, String words) {
        return strip.path("planned").path("pieces").valueStream().filter(p -> p.path("words").asString().equals(words)).findFirst()
            .orElseThrow().path("placedId").asString();
    }

    private Api.Answer choose(JsonNode strip, int page, String... pieces) {
        return api.put(path(strip) + "/strip/choice",
            "{\"page\":" + page + ",\"placed\":[\"" + String.join("\",\"", pieces) + "\"]}",
            api.get(path(strip)).body().path("version").asInt());
    }

    /** L*a*b* of a print's scan, of 12 x 8 fields of it: two prints never lie alike to a pixel. */
    private char[] scan(JsonNode attempt, String placed) throws IOException {
        byte[] png = api.get("/api/attempts/" + attempt.path("id").asString() + "/pages/1/placed/" + placed + "/scan?longest=200").raw()
            .body();
        var image = ImageIO.read(new ByteArrayInputStream(png));
        double[] sums = new double[3 * 96];
        int[] counts = new int[96];
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                int field = y * 8 / image.getHeight() * 12 + x * 12 / image.getWidth();
                counts[field]++;
                for (int c = 0; c < 3; c++) {
                    sums[3 * field + c] += (image.getRGB(x, y) >> (16 - 8 * c) & 255) * 257;
                }
            }
        }
        char[] codes = new char[sums.length];
        for (int i = 0; i < codes.length; i++) {
            codes[i] = (char) Math.round(sums[i] / counts[i / 3]);
        }
        Transform toLab = TransformCompiler.toLab(StandardSpaces.SRGB);
        return toLab.apply(codes);
    }

    private static double difference(char[] a, char[] b) {
        assertThat(a).hasSameSizeAs(b);
        double sum = 0;
        for (int i = 0; i < a.length; i += 3) {
            sum += LabEncoding.V4.lab(a, i).deltaE2000(LabEncoding.V4.lab(b, i));
        }
        return sum / (a.length / 3);
    }

    /** From the docket over its strip and back: the docket then prints what the piece showed. */
    @Test
    public void theDocketIsPrintedLikeThePieceThatWasChosen() throws IOException {
        JsonNode origin = origin();
        JsonNode strip = strip(origin);
        assertThat(strip.path("origin").path("number").asInt()).isEqualTo(origin.path("number").asInt());
        assertThat(strip.path("planned").path("pieces").size()).isEqualTo(15);
        assertThat(strip.path("findings").valueStream().map(f -> f.path("severity").asString())).doesNotContain("STOP");
        assertThat(strip.path("readback").asString()).contains("15 pieces of one part of the picture")
            .contains("lightness −20 to +20 across");
        JsonNode came = printed(strip);
        String chosen = piece(strip, "lightness +10, warmth +4");
        JsonNode taken = choose(strip, 1, chosen).body();
        assertThat(taken.path("piece").asString()).isEqualTo("lightness +10, warmth +4");
        assertThat(taken.path("docket").asString()).isEqualTo(origin.path("id").asString());
        assertThat(api.get(path(strip)).body().path("spec").path("plan").path("chosen").asString()).isEqualTo("lightness +10, warmth +4");

        JsonNode like = api.get(path(origin)).body();
        assertThat(like.path("undo").asString()).contains("lightness +10, warmth +4");
        // the same part, as large as the piece, so that the two can be laid beside each other
        JsonNode item = strip.path("spec").path("items").get(0);
        JsonNode cut = api.patch(path(like), "{\"kind\":\"trimmed\",\"itemId\":\"i1\",\"cut\":" + item.path("cut") + "}",
            like.path("version").asInt()).body();
        JsonNode sized = api.patch(path(cut) + "/size", "{\"width\":\"" + item.path("frame").path("widthMm").asDouble() + "\"}",
            cut.path("version").asInt()).body();
        char[] after = scan(printed(sized), sized.path("layout").path("pages").get(0).path("placed").get(0).path("id").asString());
        assertThat(difference(scan(came, chosen), after)).isLessThan(ALIKE);
        assertThat(difference(scan(came, piece(strip, "as it is")), after)).isGreaterThan(2 * ALIKE);

        JsonNode undone = api.post(path(origin) + "/undo", "", sized.path("version").asInt()).body();
        undone = api.post(path(origin) + "/undo", "", undone.path("version").asInt()).body();
        undone = api.post(path(origin) + "/undo", "", undone.path("version").asInt()).body();
        assertThat(undone.path("spec").path("renditions")).isEqualTo(origin.path("spec").path("renditions"));
    }

    @Test
    public void twoNeighboursMeanTheMiddleAndTheNextStripIsFinerAboutIt() throws IOException {
        JsonNode strip = strip(origin());
        String one = piece(strip, "lightness +10");
        String two = piece(strip, "lightness +20");
        JsonNode taken = choose(strip, 1, one, two).body();
        assertThat(taken.path("piece").asString()).isEqualTo("lightness +15");
        JsonNode finer = api.post(path(strip) + "/strips/finer", "{\"page\":1,\"placed\":[\"" + one + "\",\"" + two + "\"]}",
            api.get(path(strip)).body().path("version").asInt()).body();
        JsonNode steps = finer.path("spec").path("plan").path("columns").path("steps");
        assertThat(steps.valueStream().map(s -> s.path("by").asDouble())).containsExactly(-10.0, -5.0, 0.0, 5.0, 10.0);
        JsonNode moves = finer.path("spec").path("renditions").get(0).path("compensation").path("moves");
        assertThat(moves.get(0).path("brightness").asDouble()).isEqualTo(15);
        assertThat(finer.path("origin")).isEqualTo(strip.path("origin"));
        assertThat(choose(strip, 1, one, piece(strip, "lightness −20")).code()).isEqualTo("out-of-range");
    }

    /** Each page is a job of its own that is told its own quality. */
    @Test
    public void aSettingIsVariedPageByPage() throws IOException {
        JsonNode strip = varied(strip(origin()), "{\"across\":{\"what\":\"INTENT\",\"values\":[\"PERCEPTUAL\"]},"
            + "\"pages\":{\"setting\":\"print-quality\",\"values\":[\"4\",\"5\"]}}");
        assertThat(strip.path("layout").path("pages").size()).isEqualTo(2);
        JsonNode came = printed(strip);
        List<Integer> told = test.room.printer().jobs().stream()
            .filter(j -> j.ticket().name().startsWith(came.path("id").asString())).map(j -> j.ticket().quality()).toList();
        assertThat(told).containsExactlyInAnyOrder(4, 5);
        JsonNode taken = choose(strip, 1, piece(strip, "perceptual")).body();
        assertThat(taken.path("piece").asString()).startsWith("perceptual, ");
        JsonNode origin = api.get("/api/dockets/" + taken.path("docket").asString()).body();
        assertThat(origin.path("spec").path("colour").path("settings").path("values").path("print-quality").asString()).isEqualTo("4");
        assertThat(origin.path("spec").path("colour").path("route").path("intent").asString()).isEqualTo("PERCEPTUAL");
    }

    /** Where most of the darkest third lies, and of the strongest colour; a part of one's own is told the same way. */
    @Test
    public void thePartIsChosenByWhatLiesInIt() throws IOException {
        JsonNode strip = strip(origin());
        for (String by : List.of("DARKEST", "COLOUR", "BOTH")) {
            strip = api.put(path(strip) + "/strip/part?by=" + by, "", strip.path("version").asInt()).body();
            JsonNode part = api.get(path(strip) + "/strip/part").body();
            double share = by.equals("COLOUR") ? part.path("colour").asDouble() : part.path("darkest").asDouble();
            // a part of 16 % of the picture holds more than its share of what is looked for
            assertThat(share).as(by).isGreaterThan(by.equals("BOTH") ? 0.16 : 0.2);
        }
    }

    @Test
    public void moreStepsMakeThePiecesSmaller() throws IOException {
        JsonNode strip = varied(strip(origin()), "{\"across\":{\"what\":\"LIGHTNESS\",\"steps\":7,\"step\":5,\"values\":[]},"
            + "\"down\":{\"what\":\"SHADOWS\",\"steps\":7,\"step\":5,\"values\":[]}}");
        assertThat(strip.path("layout").path("unplaced")).isEmpty();
        assertThat(strip.path("layout").path("pages").get(0).path("placed").size()).isEqualTo(49);
    }

    @DataProvider
    Object[][] unclear() {
        String lightness = "{\"what\":\"LIGHTNESS\",\"steps\":3,\"step\":10,\"values\":[]}";
        return new Object[][] {{"{\"across\":" + lightness + ",\"down\":" + lightness + "}"},
            {"{\"across\":{\"what\":\"WARMTH\",\"steps\":3,\"step\":0,\"values\":[]}}"},
            {"{\"across\":{\"what\":\"WARMTH\",\"steps\":7,\"step\":9,\"values\":[]}}"},
            {"{\"across\":{\"what\":\"WARMTH\",\"steps\":99,\"step\":1,\"values\":[]}}"},
            {"{\"across\":{\"what\":\"INTENT\",\"values\":[\"LOUD\"]}}"},
            {"{\"across\":{\"what\":\"INTENT\",\"values\":[]}}"},
            {"{\"across\":" + lightness + ",\"pages\":{\"setting\":\"print-quality\",\"values\":[\"5\",\"77\"]}}"},
            {"{\"across\":" + lightness + ",\"pages\":{\"setting\":\"media-source\",\"values\":[\"rear\",\"roll\"]}}"}};
    }

    @Test(dataProvider = "unclear")
    public void whatCantBeVariedIsRefusedAndTheStripStays(String asked) throws IOException {
        JsonNode strip = strip(origin());
        Api.Answer answer = api.put(path(strip) + "/strip", asked, strip.path("version").asInt());
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(400);
        assertThat(answer.body().path("detail").asString()).isNotBlank();
        assertThat(api.get(path(strip)).body().path("version").asInt()).isEqualTo(strip.path("version").asInt());
    }

    /** A docket that was changed meanwhile says so; one that was put away comes back; on another paper it is left alone. */
    @Test
    public void whatBecameOfTheDocketMeanwhileIsTold() throws IOException {
        JsonNode origin = origin();
        JsonNode strip = strip(origin);
        String chosen = piece(strip, "warmth −4");
        JsonNode changed = api.patch(path(origin), "{\"kind\":\"compensates\",\"renditionId\":\"r1\",\"compensation\":{\"moves\":"
            + "[{\"kind\":\"warmth\",\"warmth\":5,\"tint\":0}],\"kept\":null,\"on\":true}}", origin.path("version").asInt()).body();
        api.post(path(origin) + "/archive", "", changed.path("version").asInt());
        JsonNode taken = choose(strip, 1, chosen).body();
        assertThat(taken.path("notice").asString()).contains("put away").contains("undo brings it back");
        assertThat(api.get("/api/bench").body().toString()).contains(origin.path("id").asString());
        JsonNode back = api.get(path(origin)).body();
        api.put(path(origin) + "/pairing", "{\"pairingId\":\"" + pairing(1) + "\"}", back.path("version").asInt());
        Api.Answer refused = choose(strip, 1, chosen);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().path("detail").asString().toLowerCase(Locale.ROOT)).contains("another paper");
        assertThat(api.put(path(strip) + "/strip/choice", "{\"page\":1,\"placed\":[\"" + chosen + "\"]}", 0).status()).isEqualTo(412);
        assertThat(choose(strip, 9, chosen).status()).isEqualTo(400);
        assertThat(choose(strip, 1, "i1.77").status()).isEqualTo(400);
        assertThat(api.post(path(strip) + "/strips", "", 0).code()).isEqualTo("plan-differs");
        assertThat(api.put(path(origin) + "/strip", "{\"across\":{\"what\":\"WARMTH\",\"values\":[]}}",
            api.get(path(origin)).body().path("version").asInt()).code()).isEqualTo("plan-differs");
    }

    /** Nothing of a strip's own is kept of a part that isn't there; a docket that was printed and got a newer file since takes a piece. */
    @Test
    public void aPartOutsideIsRefusedAndADocketThatWasPrintedSinceStillTakesAPiece() throws IOException {
        JsonNode origin = origin();
        JsonNode strip = varied(strip(origin), "{\"across\":{\"what\":\"WARMTH\",\"steps\":3,\"step\":2,\"values\":[]}}");
        Api.Answer outside = api.patch(path(strip),
            "{\"kind\":\"trimmed\",\"itemId\":\"i1\",\"cut\":{\"x\":0.8,\"y\":0.1,\"width\":0.4,\"height\":0.2,\"degrees\":0}}",
            strip.path("version").asInt());
        assertThat(outside.status()).isEqualTo(400);
        assertThat(outside.body().path("detail").asString()).contains("no part of the picture");
        assertThat(api.get(path(strip)).body().path("version").asInt()).isEqualTo(strip.path("version").asInt());
        printed(origin);
        byte[] file = Files.readAllBytes(Path.of("../demo/pictures/fells-first-light.jpg"));
        String newer = api.post("/api/masters?name=newer.jpg", file).body().path("hash").asString();
        JsonNode now = api.get(path(origin)).body();
        assertThat(api.put(path(origin) + "/renditions/r1/master", "{\"hash\":\"" + newer + "\",\"fileName\":\"newer.jpg\"}",
            now.path("version").asInt()).status()).isEqualTo(200);
        JsonNode taken = choose(strip, 1, strip.path("planned").path("pieces").get(2).path("placedId").asString()).body();
        assertThat(taken.path("notice").asString()).contains("keeps the newer file");
        JsonNode rendition = api.get(path(origin)).body().path("spec").path("renditions").get(0);
        assertThat(rendition.path("masterHash").asString()).as("the newer file stays").isEqualTo(newer);
        assertThat(rendition.path("compensation").path("moves").toString()).contains("warmth");
    }
}
