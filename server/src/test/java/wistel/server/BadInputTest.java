package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

public class BadInputTest extends InTestRoom {
    private long keptFiles() throws IOException {
        try (var files = Files.walk(test.files.resolve("by-hash"))) {
            return files.filter(Files::isRegularFile).count();
        }
    }

    @Test
    public void aRefusedFileLeavesNothingBehindAndSaysWhatToDo() throws IOException {
        long before = keptFiles();
        byte[] png = PrintingTest.picture(20);
        for (byte[] bad : new byte[][] {{}, "no picture".getBytes(StandardCharsets.UTF_8), Arrays.copyOf(png, png.length / 2)}) {
            Api.Answer answer = api.drop("bad.png", bad);
            assertThat(answer.status()).isEqualTo(422);
            assertThat(answer.code()).startsWith("picture-");
            assertThat(answer.body().path("next").asString()).isNotBlank();
            assertThat(answer.body().toString()).doesNotContain("Exception");
        }
        assertThat(keptFiles()).isEqualTo(before);
        assertThat(api.drop("good.png", png).status()).isEqualTo(201);
    }

    /** A profile dropped among the pictures is refused, and the pairing that uses the very same bytes keeps them. */
    @Test
    public void aRefusedFileThatSomethingElseUsesStaysInTheStore() throws IOException {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
        long before = keptFiles();
        byte[] profile = Files.readAllBytes(Path.of("../demo/profiles/skerry-baryta.icc"));
        assertThat(api.drop("skerry-baryta.icc", profile).code()).isEqualTo("picture-unknown");
        assertThat(keptFiles()).isEqualTo(before);
    }

    @Test
    public void theSameFileTwiceAtOnceBecomesOneMaster() throws Exception {
        byte[] file = PrintingTest.picture(29);
        var both = IntStream.range(0, 4).parallel().mapToObj(i -> api.drop("at-once.png", file)).toList();
        assertThat(both).allMatch(a -> a.status() == 201);
        assertThat(both.stream().map(a -> a.body().path("docket").path("pictures").get(0).path("master").path("id").asString()).distinct())
            .hasSize(1);
    }

    @Test
    public void theSameFileTwiceAndTwoFilesOfOneNameAreTold() throws IOException {
        Api.Answer first = api.drop("twin.png", PrintingTest.picture(21));
        Api.Answer same = api.drop("other-name.png", PrintingTest.picture(21));
        Api.Answer namesake = api.drop("twin.png", PrintingTest.picture(22));
        assertThat(same.body().path("notice").asString()).contains("twin.png").contains("here already");
        assertThat(same.body().path("docket").path("spec").path("heading").path("title").asString())
            .as("by the name that it was brought by").isEqualTo("Other name");
        assertThat(same.body().path("docket").path("pictures").get(0).path("master").path("id"))
            .isEqualTo(first.body().path("docket").path("pictures").get(0).path("master").path("id"));
        assertThat(namesake.body().path("notice").asString()).contains("also called twin.png");
    }

    @Test
    public void threeHundredMegabytesOfJunkAreRefusedWithoutBeingHeld() {
        byte[] megabyte = new byte[1 << 20];
        long[] left = {300L << 20};
        HttpRequest.Builder request = api.request("/api/dockets?name=junk.tif")
            .POST(HttpRequest.BodyPublishers.ofInputStream(() -> new InputStream() {
                @Override
                public int read() {
                    throw new UnsupportedOperationException();
                }

                @Override
                public int read(byte[] into, int off, int len) {
                    if (left[0] <= 0) {
                        return -1;
                    }
                    int n = Math.min(len, megabyte.length);
                    System.arraycopy(megabyte, 0, into, off, n);
                    left[0] -= n;
                    return n;
                }
            }));
        assertThat(api.send(request).code()).isEqualTo("picture-unknown");
    }

    @Test
    public void anUploadThatBreaksOffKeepsNothing() throws IOException {
        long before = keptFiles();
        try (Socket socket = new Socket("localhost", test.port)) {
            socket.getOutputStream()
                .write(("POST /api/dockets?name=half.png HTTP/1.1\r\nHost: localhost\r\nContent-Length: 1000000\r\n\r\n")
                    .getBytes(StandardCharsets.UTF_8));
            socket.getOutputStream().write(new byte[5000]);
            socket.getOutputStream().flush();
        }
        Waiting.until(() -> {
            try {
                return test.staged();
            } catch (IOException e) {
                return -1L;
            }
        }, n -> n == 0, 20);
        assertThat(keptFiles()).isEqualTo(before);
    }

    @Test
    public void wrongRequestsGetTypedProblems() throws IOException {
        JsonNode d = api.drop("typed.png", PrintingTest.picture(23)).body().path("docket");
        String path = "/api/dockets/" + d.path("id").asString();
        assertThat(api.get("/api/dockets/00000000-0000-0000-0000-000000000000").status()).isEqualTo(404);
        assertThat(api.get("/api/dockets/nonsense").status()).isEqualTo(400);
        assertThat(api.patch(path, "{", 1).status()).isEqualTo(400);
        assertThat(api.patch(path, "{\"kind\":\"titled\"}", 1).status()).as("a part is missing").isEqualTo(400);
        assertThat(api.patch(path, "{\"kind\":\"painted\"}", 1).status()).isEqualTo(400);
        assertThat(
            api.patch(path, "{\"kind\":\"stocked\",\"stock\":{\"kind\":\"sheet\",\"name\":\"x\",\"widthMm\":1,\"lengthMm\":1}}", 1).code())
            .isEqualTo("sheet-out-of-range");
        assertThat(api.patch(path, "{\"kind\":\"copies\",\"copies\":1000}", 1).code()).isEqualTo("out-of-range");
        for (String changed : new String[] {"/undo", "/archive", "/attempts"}) {
            assertThat(api.send(api.request(path + changed).header("If-Match", "*").POST(HttpRequest.BodyPublishers.noBody())).code())
                .isEqualTo("version-unclear");
        }
        assertThat(api.get(path + "/renditions/r1/figures").code()).isEqualTo("pairing-missing");
        assertThat(api.post("/api/printers", "{\"uri\":\"http://elsewhere\"}", 0).code()).isEqualTo("address-unclear");
        assertThat(api.post("/api/printers", "{\"uri\":\"ipp://localhost:9/ipp/print\"}", 0).code()).isEqualTo("printer-away");
    }

    @Test
    public void anotherSitesPageMayChangeNothing() throws IOException {
        HttpRequest.Builder foreign = api.request("/api/printers").header("Origin", "http://elsewhere.example")
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString("{}"));
        assertThat(api.send(foreign).status()).isEqualTo(403);
        try (Socket socket = new Socket("localhost", test.port)) {
            socket.getOutputStream()
                .write("GET /api/printers HTTP/1.1\r\nHost: rebound.example\r\nConnection: close\r\n\r\n".getBytes(StandardCharsets.UTF_8));
            assertThat(new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8)).startsWith("HTTP/1.1 403");
        }
    }

    @Test
    public void theFrontEndsTypesAreMadeFromThisApi() throws IOException {
        var mapper = tools.jackson.databind.json.JsonMapper.builder().build();
        JsonNode live = mapper.readTree(api.get("/v3/api-docs").raw().body()).path("components").path("schemas");
        JsonNode kept = mapper.readTree(Files.readAllBytes(Path.of("../web/openapi.json"))).path("components").path("schemas");
        assertThat(kept).as("web/openapi.json is stale: fetch /v3/api-docs again and run npm run types").isEqualTo(live);
    }
}
