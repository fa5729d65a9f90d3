package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpRequest;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import javax.imageio.ImageIO;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** Files that come in again from the editor, dropped or through the watched folder. */
public class ArrivalsTest extends InTestRoom {
    private static final Path PICTURES = Path.of("../demo/pictures");

    /** A picture as an editor exports it: a part of the file's frame, a patch painted over, as PNG. */
    private static byte[] exported(String name, int left, int top, int right, int bottom, boolean painted) throws IOException {
        BufferedImage whole = ImageIO.read(PICTURES.resolve(name).toFile());
        BufferedImage part = new BufferedImage(whole.getWidth() - left - right, whole.getHeight() - top - bottom,
            BufferedImage.TYPE_INT_RGB);
        Graphics2D g = part.createGraphics();
        g.drawImage(whole, -left, -top, null);
        if (painted) {
            g.setColor(new Color(200, 40, 40));
            g.fillRect(part.getWidth() / 2, part.getHeight() / 2, part.getWidth() / 20, part.getHeight() / 20);
        }
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(part, "png", out);
        return out.toByteArray();
    }

    private static String path(JsonNode d) {
        return "/api/dockets/" + d.path("id").asString();
    }

    private JsonNode opened(String name, byte[] file) {
        JsonNode came = api.post("/api/arrivals?name=" + name, file).body();
        assertThat(came.path("docket").path("id").asString("")).as(came.toString()).isNotEmpty();
        return came.path("docket");
    }

    private JsonNode decided(JsonNode d, String command) {
        Api.Answer answer = api.patch(path(d), command, api.get(path(d)).body().path("version").asInt());
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        return answer.body();
    }

    private static JsonNode first(JsonNode list) {
        return list.get(0);
    }

    @Test
    public void aNewerFileAsksAndEveryDecisionStaysOverTheSameContent() throws IOException {
        JsonNode d = opened("ferry.png", exported("harbour-last-ferry.jpg", 0, 0, 0, 0, false));
        int width = first(d.path("pictures")).path("master").path("width").asInt();
        d = decided(d, "{\"kind\":\"trimmed\",\"itemId\":\"i1\",\"cut\":{\"x\":0.2,\"y\":0.1,\"width\":0.5,\"height\":0.7,\"degrees\":0}}");
        JsonNode came = api.post("/api/arrivals?name=Ferry.PNG", exported("harbour-last-ferry.jpg", 7, 4, 5, 3, true)).body();
        String arrival = came.path("arrival").asString("");
        assertThat(arrival).as(came.toString()).isNotEmpty();

        JsonNode compared = first(api.get("/api/arrivals/" + arrival + "/comparisons").body());
        assertThat(compared.path("alike").asBoolean()).isTrue();
        assertThat(compared.path("left").size()).as(compared.path("left").toString()).isZero();
        assertThat(compared.path("differences").toString()).contains("7 px less on the left, 4 px less above, 5 px less on the right")
            .contains("in the middle");

        JsonNode after = api.send(api.request("/api/arrivals/" + arrival + "/answer").header("Content-Type", "application/json")
            .PUT(HttpRequest.BodyPublishers.ofString("{\"pictures\":[{\"docketId\":\"" + d.path("id").asString()
                + "\",\"renditionId\":\"r1\"}]}")))
            .body().path("docket");
        JsonNode cut = first(after.path("spec").path("items")).path("cut");
        assertThat(cut.path("x").asDouble() * (width - 12)).isCloseTo(0.2 * width - 7, within(0.6));
        assertThat(cut.path("width").asDouble() * (width - 12)).isCloseTo(0.5 * width, within(0.6));
        assertThat(first(after.path("spec").path("items")).path("frame")).isEqualTo(first(d.path("spec").path("items")).path("frame"));
        assertThat(after.path("undo").asString()).contains("newer file");

        JsonNode undone = api.post(path(d) + "/undo", "", after.path("version").asInt()).body();
        assertThat(undone.path("spec")).isEqualTo(d.path("spec"));
        assertThat(api.get("/api/arrivals").body().valueStream().filter(a -> a.path("id").asString().equals(arrival))).isEmpty();
    }

    @Test
    public void aFileOfTheSameNameThatShowsSomethingElseIsADocketOfItsOwn() throws IOException {
        opened("same.png", exported("dune-west-wind.jpg", 0, 0, 0, 0, false));
        opened("same.png", exported("salt-pans-february.jpg", 0, 0, 0, 0, false));
    }

    @Test
    public void aFileDroppedOnADocketIsComparedAndTakenWhateverItIsCalled() throws IOException {
        JsonNode d = opened("yard.png", exported("boat-yard-night.jpg", 0, 0, 0, 0, false));
        String hash = api.post("/api/masters?name=final.png", exported("boat-yard-night.jpg", 0, 0, 300, 0, false)).body().path("hash")
            .asString();
        JsonNode compared = first(api.get("/api/masters/" + hash + "/comparisons?docket=" + d.path("id").asString()).body());
        assertThat(compared.path("alike").asBoolean()).isTrue();
        assertThat(compared.path("left").toString()).contains("another shape");
        String take = path(d) + "/renditions/r1/master";
        assertThat(api.put(take, "{\"hash\":\"" + hash + "\",\"fileName\":\"final.png\"}", 0).status()).isEqualTo(412);
        Api.Answer taken = api.put(take, "{\"hash\":\"" + hash + "\",\"fileName\":\"final.png\"}", d.path("version").asInt());
        assertThat(first(taken.body().path("pictures")).path("master").path("hash").asString()).isEqualTo(hash);
        Api.Answer map = api.get("/api/masters/" + hash + "/difference?from=" + compared.path("olderHash").asString() + "&longest=300");
        BufferedImage drawn = ImageIO.read(new ByteArrayInputStream(map.raw().body()));
        assertThat(drawn.getRGB(drawn.getWidth() / 2, drawn.getHeight() / 2) & 0xFF).as("nothing differs there").isGreaterThan(200);
    }

    /** Printed from one file, then from a newer one: each print tells its own. */
    @Test
    public void thePrintLogKeepsWhatWasPrintedFromWhichFile() throws IOException {
        PrintingTest.pair(test, Paper.CORRIE_LUSTRE, Feeds.REAR, Intent.RELATIVE);
        JsonNode d = opened("pans.png", exported("salt-pans-february.jpg", 11, 0, 0, 0, false));
        String older = first(d.path("pictures")).path("master").path("hash").asString();
        String pairing = first(api.get("/api/pairings").body()).path("pairingId").asString();
        d = api.put(path(d) + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt()).body();
        String print = printed(d);
        String newer = api.post("/api/masters?name=pans-lighter.png", exported("salt-pans-february.jpg", 11, 0, 0, 0, true)).body()
            .path("hash").asString();
        d = api.put(path(d) + "/renditions/r1/master", "{\"hash\":\"" + newer + "\",\"fileName\":\"pans-lighter.png\"}",
            d.path("version").asInt()).body();
        String later = printed(d);
        assertThat(api.attempt(print).path("masterHash").asString()).isEqualTo(older);
        assertThat(api.attempt(print).path("fileName").asString()).isEqualTo("pans.png");
        assertThat(api.attempt(later).path("masterHash").asString()).isEqualTo(newer);
        assertThat(api.attempt(later).path("fileName").asString()).isEqualTo("pans-lighter.png");
        assertThat(api.get("/api/attempts/" + later + "/differences?from=" + print).body().toString()).contains("file was another one");
        Api.Answer again = api.post("/api/attempts/" + print + "/reprints", "", 0);
        assertThat(again.status()).as(again.body().toString()).isBetween(200, 202);
        assertThat(api.over(again.body().path("id").asString(), 90).path("masterHash").asString()).isEqualTo(older);
    }

    private String printed(JsonNode d) {
        Api.Answer released = api.post(path(d) + "/attempts", "", d.path("version").asInt());
        assertThat(released.status()).as(released.body().toString()).isEqualTo(202);
        JsonNode done = api.over(released.body().path("id").asString(), 90);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        return done.path("id").asString();
    }

    @DataProvider
    public Object[][] unfit() {
        return new Object[][] {{"", "whole path"}, {"exports", "whole path"}, {"/nowhere/at/all", "no folder"}, {"/", "root"}};
    }

    private Api.Answer watch(String folder, String newer, String done) {
        return api.put("/api/settings/watched-folder",
            "{\"on\":true,\"folder\":\"" + folder + "\",\"newer\":\"" + newer + "\",\"done\":\"" + done + "\"}", 0);
    }

    @Test(dataProvider = "unfit")
    public void aFolderThatCantBeWatchedIsRefusedInWords(String folder, String words) {
        Api.Answer refused = watch(folder, "TAKEN", "LEFT");
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.body().path("detail").asString() + refused.body().path("title").asString()).contains(words);
    }

    @Test
    public void wistelsOwnFolderIsRefused() {
        for (Path own : List.of(test.files, test.files.resolve("by-hash"))) {
            Api.Answer refused = watch(own.toString(), "TAKEN", "LEFT");
            assertThat(refused.status()).isEqualTo(400);
            assertThat(refused.body().toString()).contains("its own files");
        }
    }

    private List<JsonNode> told(String name) {
        return api.get("/api/arrivals").body().valueStream().filter(a -> a.path("fileName").asString().equals(name)).toList();
    }

    private List<JsonNode> waiting(String name, String state) {
        return Waiting.until(() -> told(name), all -> all.stream().anyMatch(a -> a.path("state").asString().equals(state)), 30);
    }

    private long dockets(String title) {
        return api.get("/api/bench").body().valueStream().flatMap(g -> g.path("dockets").valueStream())
            .filter(d -> d.path("title").asString().equals(title)).count();
    }

    @Test
    public void whatAnEditorExportsIsTakenOnceAndANewerFileBecomesTheNewerState() throws Exception {
        Path folder = Files.createDirectory(Files.createTempDirectory("exports").toRealPath().resolve("out"));
        Path elsewhere = Files.write(folder.resolveSibling("secret.png"), exported("dune-west-wind.jpg", 1, 1, 1, 1, false));
        Files.createSymbolicLink(folder.resolve("linked.png"), elsewhere);
        Files.writeString(folder.resolve("notes.txt"), "no picture");
        byte[] file = exported("fells-first-light.jpg", 0, 0, 0, 0, false);
        Path target = Files.write(folder.resolve("fells-watched.png"), Arrays.copyOf(file, file.length / 2));
        assertThat(watch(folder.toString(), "TAKEN", "LEFT").status()).isEqualTo(200);
        try {
            for (int part = file.length / 2; part < file.length; part += file.length / 8) {
                Thread.sleep(300);
                Files.write(target, Arrays.copyOf(file, part));
                assertThat(told("fells-watched.png")).as("it still grows").isEmpty();
            }
            Files.write(target, file);
            JsonNode opened = waiting("fells-watched.png", "OPENED").get(0);
            assertThat(waiting("notes.txt", "UNREADABLE").get(0).path("words").asString()).isNotBlank();
            assertThat(folder.resolve("notes.txt")).exists();
            test.stop();
            test.start();
            Files.write(target, exported("fells-first-light.jpg", 2, 3, 4, 1, true));
            waiting("fells-watched.png", "NEWER");
            assertThat(dockets("Fells watched")).isEqualTo(1);
            assertThat(told("linked.png")).isEmpty();
            JsonNode d = api.get("/api/dockets/" + opened.path("dockets").get(0).path("docketId").asString()).body();
            assertThat(d.path("undo").asString()).contains("fells-watched.png");
        } finally {
            api.put("/api/settings/watched-folder", "{\"on\":false,\"folder\":\"\",\"newer\":\"TAKEN\",\"done\":\"LEFT\"}", 0);
        }
    }

    @Test
    public void whatWasTakenIsMovedBesideAndAFolderThatVanishesIsToldAndTakenUpAgain() throws Exception {
        Path folder = Files.createDirectory(Files.createTempDirectory("exports").toRealPath().resolve("out"));
        assertThat(watch(folder.toString(), "ASKED", "MOVED").status()).isEqualTo(200);
        try {
            Files.write(folder.resolve("quarry-moved.png"), exported("greenhouse-morning.jpg", 0, 0, 0, 0, false));
            waiting("quarry-moved.png", "OPENED");
            Path done = folder.resolveSibling("out taken");
            Waiting.until(() -> Files.exists(done.resolve("quarry-moved.png")), there -> there, 10);
            Files.write(folder.resolve("quarry-moved.png"), exported("greenhouse-morning.jpg", 0, 0, 0, 0, true));
            waiting("quarry-moved.png", "ASKS");
            Waiting.until(() -> Files.exists(done.resolve("quarry-moved (2).png")), there -> there, 10);
            Files.delete(folder);
            Waiting.until(() -> api.get("/api/settings/watched-folder").body().path("now").path("problem").asString(),
                p -> p.contains("isn't there"), 10);
            Files.createDirectory(folder);
            Waiting.until(() -> api.get("/api/settings/watched-folder").body().path("now").path("problem").asString(), String::isEmpty, 10);
        } finally {
            api.put("/api/settings/watched-folder", "{\"on\":false,\"folder\":\"\",\"newer\":\"TAKEN\",\"done\":\"LEFT\"}", 0);
        }
    }
}
