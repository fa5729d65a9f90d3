package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.PrintJob;

/** A room with a pairing, small and large dockets ready to be printed, and its printer's own count of what came out. */
abstract class PrintingRoom {
    TestRoom test;
    Api api;

    void openRoom() throws IOException {
        test = new TestRoom(0);
        api = new Api(() -> test.port);
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
    }

    /** Printer and scanner are as quick and willing as they were delivered. */
    void calm() {
        test.room.printer().pace(0);
        test.room.printer().intake(Integer.MAX_VALUE);
        test.room.busy(false);
        test.room.stumble(false);
        test.room.hideScans(false);
        test.room.scanAddress("");
    }

    JsonNode ready(String name, byte[] file) {
        JsonNode d = api.drop(name, file).body().path("docket");
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        return api
            .put("/api/dockets/" + d.path("id").asString() + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt())
            .body();
    }

    /** On a small sheet: what is tested by it is how it travels. */
    JsonNode small(int seed) throws IOException {
        return on("\"4x6\",\"widthMm\":101.6,\"lengthMm\":152.4", ready("small-" + seed + ".png", PrintingTest.picture(seed)), 120);
    }

    private JsonNode on(String sheet, JsonNode d, int widthMm) {
        String path = "/api/dockets/" + d.path("id").asString();
        int version = api.patch(path, "{\"kind\":\"stocked\",\"stock\":{\"kind\":\"sheet\",\"name\":" + sheet + "}}",
            d.path("version").asInt()).body().path("version").asInt();
        return api.patch(path + "/size", "{\"width\":\"" + widthMm + "\"}", version).body();
    }

    /** A picture whose page takes a while to make: 1080 x 1620 pixels enlarged to A3 at 360 dpi. */
    JsonNode large(int seed) throws IOException {
        BufferedImage image = new BufferedImage(1620, 1080, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < 1620 * 1080; i++) {
            image.setRGB(i % 1620, i / 1620, (i * 31 + seed * 77) & 0xFFFFFF);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return on("\"A3\",\"widthMm\":297,\"lengthMm\":420", ready("large-" + seed + ".png", out.toByteArray()), 390);
    }

    Api.Answer release(JsonNode docket) {
        return api.post("/api/dockets/" + docket.path("id").asString() + "/attempts", "", docket.path("version").asInt());
    }

    String released(JsonNode docket) {
        Api.Answer answer = release(docket);
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(202);
        return answer.body().path("id").asString();
    }

    JsonNode over(String id, int seconds) {
        return api.over(id, seconds);
    }

    static String state(JsonNode a) {
        return a.path("state").asString();
    }

    /** Sheets that came out for an attempt. */
    long sheets(String attempt) {
        return announced(attempt).filter(j -> j.state() == PrintJob.State.COMPLETED).count();
    }

    /**
     * Those that were not given up: a job whose document was broken off by a stop is cancelled, or aborted by the printer itself, and
     * announced anew.
     */
    long jobs(String attempt) {
        return announced(attempt).filter(j -> j.state() != PrintJob.State.CANCELED && j.state() != PrintJob.State.ABORTED).count();
    }

    Stream<PrintJob.Seen> announced(String attempt) {
        return test.room.printer().jobs().stream().filter(j -> j.ticket().name().startsWith(attempt));
    }

    <T> List<T> together(List<Callable<T>> calls) throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(calls.size());
        try {
            List<T> results = new ArrayList<>();
            for (Future<T> f : threads.invokeAll(calls)) {
                results.add(f.get());
            }
            return results;
        } finally {
            threads.shutdown();
        }
    }
}
