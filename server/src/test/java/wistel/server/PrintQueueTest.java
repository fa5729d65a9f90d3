package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.PrintJob;

/**
 * A printer that has many prints before it: it gets them in the order of release, the first as soon as it is made, and is never left
 * waiting for a file that is there.
 */
public class PrintQueueTest extends InTestRoom {
    private static final int PRINTS = 5;

    @BeforeClass
    void pair() throws Exception {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
    }

    /** A picture on A5, of grain that doesn't pack: a quarter of a second of work. */
    private JsonNode ready(int seed) throws Exception {
        BufferedImage image = new BufferedImage(900, 600, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < 900 * 600; i++) {
            image.setRGB(i % 900, i / 900, (i * 31 + seed * 77) & 0xFFFFFF);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        JsonNode d = api.drop("queued-" + seed + ".png", out.toByteArray()).body().path("docket");
        String path = "/api/dockets/" + d.path("id").asString();
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        JsonNode on = api.put(path + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt()).body();
        JsonNode laid = api.patch(path,
            "{\"kind\":\"stocked\",\"stock\":{\"kind\":\"sheet\",\"name\":\"A5\",\"widthMm\":148,\"lengthMm\":210}}",
            on.path("version").asInt()).body();
        return api.patch(path + "/size", "{\"width\":\"170\"}", laid.path("version").asInt()).body();
    }

    private String released(JsonNode d, String query) {
        return api.post("/api/dockets/" + d.path("id").asString() + "/attempts" + query, "", d.path("version").asInt()).body().path("id")
            .asString();
    }

    private List<String> started() {
        return test.room.printer().jobs().stream()
            .filter(j -> j.state() == PrintJob.State.COMPLETED || j.state() == PrintJob.State.PROCESSING).map(j -> j.ticket().name())
            .toList();
    }

    private boolean made(JsonNode a) {
        return !Api.page(a).path("fileHash").isNull();
    }

    private boolean sent(JsonNode a) {
        return Api.page(a).path("jobSent").asBoolean();
    }

    /** The printer takes its data slowly, so that files could pile up: they don't. */
    @Test
    public void printsGoInTheOrderOfReleaseAndFewAreMadeAhead() throws Exception {
        List<JsonNode> dockets = new ArrayList<>();
        for (int i = 0; i < PRINTS; i++) {
            dockets.add(ready(i));
        }
        test.room.printer().intake(20_000_000);
        List<String> ids = new ArrayList<>();
        for (JsonNode d : dockets) {
            ids.add(released(d, ""));
        }
        int mostAhead = 0;
        long end = System.nanoTime() + 120_000_000_000L;
        List<JsonNode> now;
        do {
            now = ids.stream().map(api::attempt).toList();
            mostAhead = Math.max(mostAhead, (int) now.stream().filter(a -> made(a) && !sent(a)).count());
            for (int i = 1; i < now.size(); i++) {
                assertThat(sent(now.get(i)) && !sent(now.get(i - 1))).as("print " + i + " was sent before the one released earlier")
                    .isFalse();
            }
            Thread.sleep(50);
        } while (System.nanoTime() < end && !now.stream().allMatch(Api::isOver));
        assertThat(now).allMatch(a -> a.path("state").asString().equals("done"), "done");
        assertThat(mostAhead).isBetween(1, 2);
        List<String> came = started();
        assertThat(came.subList(came.size() - PRINTS, came.size())).isEqualTo(ids);
        test.room.printer().intake(Integer.MAX_VALUE);
    }

    /** What a person holds waits alone: those released after it are made and printed. */
    @Test
    public void aHeldPrintLetsTheOthersPass() throws Exception {
        JsonNode first = ready(20);
        JsonNode second = ready(21);
        String held = released(first, "?held=true");
        String passes = released(second, "");
        JsonNode done = api.over(passes, 60);
        assertThat(done.path("state").asString()).isEqualTo("done");
        assertThat(api.attempt(held).path("message").asString()).startsWith("held");
        api.put("/api/attempts/" + held + "/held", "{\"held\":false}", 0);
        assertThat(api.over(held, 60).path("state").asString()).isEqualTo("done");
    }

    /** While a page of a set prints the next is made, and it is sent only when that one came out. */
    @Test
    public void theNextPageOfASetIsMadeWhileOnePrints() throws Exception {
        JsonNode d = ready(30);
        String path = "/api/dockets/" + d.path("id").asString();
        d = api.patch(path,
            "{\"kind\":\"annotated\",\"itemId\":\"i1\",\"annotation\":{\"caption\":{\"title\":true,\"date\":false,\"edition\":3,"
                + "\"signature\":false,\"sizePt\":9,\"number\":false,\"fileName\":false,\"taken\":false},\"ruleMm\":0,\"ruleGapMm\":2,\"cutMarks\":false}}",
            d.path("version").asInt()).body();
        d = api.patch(path, "{\"kind\":\"copies\",\"copies\":3}", d.path("version").asInt()).body();
        test.room.printer().pace(60);
        String id = released(d, "");
        JsonNode early = Waiting.until(() -> api.attempt(id),
            a -> a.path("pages").get(0).path("state").asString().equals("printing") && !a.path("pages").get(1).path("fileHash").isNull(),
            60);
        assertThat(early.path("pages").size()).isEqualTo(3);
        assertThat(early.path("pages").get(1).path("jobId").isNull()).isTrue();
        assertThat(early.path("state").asString()).isEqualTo("printing");
        test.room.printer().pace(0);
        assertThat(api.over(id, 60).path("state").asString()).isEqualTo("done");
    }
}
