package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.Socket;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** Whatever comes in wrong is answered by a typed problem with a next step, and leaves everything as it was. */
public class PlainErrorsTest extends InTestRoom {
    private String docket;

    @BeforeClass
    void open() throws IOException {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
        docket = "/api/dockets/" + api.drop("plain.png", PrintingTest.picture(700)).body().path("docket").path("id").asString();
    }

    private int version() {
        return api.get(docket).body().path("version").asInt();
    }

    private static void typed(Api.Answer answer, int... statuses) {
        assertThat(statuses).as(answer.status() + " " + answer.body()).contains(answer.status());
        assertThat(answer.code()).as(answer.body().toString()).isNotBlank().isNotEqualTo("unforeseen");
        assertThat(answer.body().path("detail").asString()).isNotBlank();
        assertThat(answer.body().path("next").asString()).as(answer.body().toString()).isNotBlank();
        assertThat(answer.body().toString()).doesNotContain("Exception");
    }

    @DataProvider
    Object[][] badChanges() {
        String longText = "x".repeat(100_000);
        return new Object[][] {
            {"{\"kind\":\"titled\",\"title\":null}"}, {"{\"kind\":\"titled\",\"title\":\"" + longText + "\"}"},
            {"{\"kind\":\"titled\",\"title\":\"a\\u0000b\"}"},
            {"{\"kind\":\"noted\",\"notes\":\"a\\u0000b\"}"}, {"{\"kind\":\"noted\",\"notes\":\"" + longText + "\"}"},
            {"{\"kind\":\"framed\",\"itemId\":\"i1\",\"widthMm\":null,\"heightMm\":5}"},
            {"{\"kind\":\"framed\",\"itemId\":\"i1\",\"widthMm\":\"NaN\",\"heightMm\":100}"},
            {"{\"kind\":\"framed\",\"itemId\":\"i1\",\"widthMm\":1e300,\"heightMm\":100}"},
            {"{\"kind\":\"framed\",\"itemId\":\"i1\",\"widthMm\":-1,\"heightMm\":100}"},
            {"{\"kind\":\"stocked\",\"stock\":null}"},
            {"{\"kind\":\"stocked\",\"stock\":{\"kind\":\"sheet\",\"name\":null,\"widthMm\":210,\"lengthMm\":297}}"},
            {"{\"kind\":\"stocked\",\"stock\":{\"kind\":\"roll\",\"widthMm\":\"NaN\"}}"},
            {"{\"kind\":\"stocked\",\"stock\":{\"kind\":\"roll\",\"widthMm\":1e9}}"},
            {"{\"kind\":\"bordered\",\"borders\":null}"},
            {"{\"kind\":\"bordered\",\"borders\":{\"kind\":\"sides\",\"top\":\"NaN\",\"right\":1,\"bottom\":1,\"left\":1}}"},
            {"{\"kind\":\"bordered\",\"borders\":{\"kind\":\"sides\",\"top\":1e300,\"right\":1,\"bottom\":1,\"left\":1}}"},
            {"{\"kind\":\"trimmed\",\"itemId\":\"i1\",\"cut\":{\"x\":0.9,\"y\":0,\"width\":0.5,\"height\":1,\"degrees\":0}}"},
            {"{\"kind\":\"trimmed\",\"itemId\":\"i1\",\"cut\":{\"x\":0,\"y\":0,\"width\":1,\"height\":1,\"degrees\":45}}"},
            {"{\"kind\":\"edged\",\"edge\":{\"borderless\":true,\"overMm\":400,\"bleedMm\":0}}"},
            {"{\"kind\":\"edged\",\"edge\":{\"borderless\":false,\"overMm\":2,\"bleedMm\":0}}"},
            {"{\"kind\":\"annotated\",\"itemId\":\"i1\",\"annotation\":{\"caption\":null,\"ruleMm\":0,\"ruleGapMm\":2,"
                + "\"cutMarks\":false}}"},
            {"{\"kind\":\"annotated\",\"itemId\":\"i1\",\"annotation\":{\"caption\":{\"title\":true,\"date\":true,\"edition\":-3,"
                + "\"signature\":true,\"sizePt\":9,\"number\":false,\"fileName\":false,\"taken\":false},\"ruleMm\":0,\"ruleGapMm\":2,\"cutMarks\":false}}"},
            {"{\"kind\":\"sharpened\",\"sharpening\":\"VERY\"}"},
            {"{\"kind\":\"laid\",\"at\":{\"x\":0,\"y\":0,\"width\":0,\"height\":10}}"},
            {"{\"kind\":\"laid\",\"at\":{\"x\":1e300,\"y\":0,\"width\":10,\"height\":10}}"},
            {"{\"kind\":\"routed\",\"route\":null}"}, {"{\"kind\":\"set\",\"setting\":null,\"value\":\"x\"}"},
            {"{\"kind\":\"set\",\"setting\":\"print-quality\",\"value\":\"" + longText + "\"}"},
            {"{\"kind\":\"resolved\",\"resolution\":null}"}, {"{\"kind\":\"copies\",\"copies\":1000}"}, {"{\"kind\":\"nonsense\"}"}, {"{}"},
            {"null"}, {"[]"}, {"not json"}, {"\"x\""},
        };
    }

    @Test(dataProvider = "badChanges")
    public void nothingThatCannotBeReadIsSaved(String change) {
        JsonNode before = api.get(docket).body();
        typed(api.patch(docket, change, before.path("version").asInt()), 400);
        JsonNode after = api.get(docket).body();
        assertThat(after.path("version")).isEqualTo(before.path("version"));
        assertThat(after.path("spec")).isEqualTo(before.path("spec"));
        assertThat(api.get("/api/bench").status()).isEqualTo(200);
    }

    /** Where no printer is known no feed is either: the page sends what it was given, which is null. */
    @Test
    public void aStockIsTakenWithoutAFeed() {
        String a4 = "{\"kind\":\"stocked\",\"stock\":{\"kind\":\"sheet\",\"name\":\"A4\",\"widthMm\":210,\"lengthMm\":297},\"feed\":null}";
        assertThat(api.patch(docket, a4, version()).status()).isEqualTo(200);
    }

    @Test
    public void versionsThatAreNoneAreToldSo() {
        for (String version : List.of("", "abc", "*", "12345678901234567890", "\"\"")) {
            HttpRequest.Builder request = api.request(docket).header("Content-Type", "application/json").header("If-Match", version)
                .method("PATCH", HttpRequest.BodyPublishers.ofString("{\"kind\":\"turned\"}"));
            typed(api.send(request), 400);
        }
        typed(api.send(api.request(docket).header("Content-Type", "application/json").method("PATCH",
            HttpRequest.BodyPublishers.ofString("{\"kind\":\"turned\"}"))), 400, 428);
    }

    @Test
    public void textWithZeroBytesIsRefusedEverywhere() {
        typed(api.get("/api/attempts?words=a%00b"), 400);
        typed(api.send(api.request("/api/dockets?name=a%00b.png").POST(HttpRequest.BodyPublishers.ofByteArray(new byte[] {1, 2}))), 400,
            422);
        typed(api.put(docket + "/pairing", "{\"pairingId\":\"a\\u0000b\"}", version()), 400, 404);
        typed(api.put(docket + "/sheet", "{\"width\":\"200\",\"length\":\"300\",\"name\":\"a\\u0000b\"}", version()), 400);
        typed(api.post("/api/printers", "{\"uri\":\"ipp://localhost:631/a\\u0000b\"}", 0), 400);
    }

    @Test
    public void addressesThatAreNoneAreToldSoAndKnownOnesStayOne() {
        for (String uri : List.of("ipp://localhost:99999/ipp/print", "ipp://localhost:-5/x", "ipp://local%0d%0ahost/ipp/print",
            "ipp://localhost/a%0d%0ab", "ipp://", "ipp:print", "", "x".repeat(5000))) {
            typed(api.post("/api/printers", "{\"uri\":\"" + uri + "\"}", 0), 400, 502);
        }
        int before = api.get("/api/printers").body().size();
        Api.Answer again = api.post("/api/printers", "{\"uri\":\"" + test.ipp() + "\"}", 0);
        assertThat(again.status()).as(again.body().toString()).isIn(201, 200);
        Api.Answer alias = api.post("/api/printers", "{\"uri\":\"" + test.ipp().replace("localhost", "127.0.0.1") + "\"}", 0);
        assertThat(alias.status()).as(alias.body().toString()).isIn(201, 200);
        assertThat(api.get("/api/printers").body().size()).as("the same printer under another address").isEqualTo(before);
    }

    @Test
    public void frameworkErrorsHaveTheSameForm() {
        typed(api.get("/api/nothing-here"), 404);
        typed(api.get("/api/dockets/not-a-uuid"), 400, 404);
        typed(api.get("/api/dockets/00000000-0000-0000-0000-000000000000"), 404);
        typed(api.send(api.request(docket).DELETE()), 405);
        typed(api.send(api.request(docket).header("If-Match", "\"1\"").header("Content-Type", "text/plain").method("PATCH",
            HttpRequest.BodyPublishers.ofString("x"))), 415);
        typed(api.send(api.request("/api/dockets?name=x.png").header("Content-Type", "application/x-www-form-urlencoded")
            .POST(HttpRequest.BodyPublishers.ofByteArray(new byte[] {'%', 0, 1}))), 415);
        typed(api.send(api.request("/api/dockets").POST(HttpRequest.BodyPublishers.ofByteArray(new byte[] {1}))), 400);
        typed(api.get("/api/masters/" + "0".repeat(64) + "/picture?longest=abc"), 400);
    }

    /** A request as it stands, for what the JDK's client refuses to send. */
    private String raw(String head) throws IOException {
        try (Socket socket = new Socket("localhost", test.port)) {
            socket.setSoTimeout(20_000);
            socket.getOutputStream().write((head + "\r\nConnection: close\r\n\r\n").getBytes(StandardCharsets.ISO_8859_1));
            socket.getOutputStream().flush();
            BufferedReader reader = new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8));
            StringBuilder answer = new StringBuilder();
            // a server that still waits for a body has answered all the same
            for (String line = reader.readLine(); line != null && !answer.toString().contains("\"next\""); line = reader.readLine()) {
                answer.append(line).append('\n');
                if (line.contains("\"next\"")) {
                    break;
                }
            }
            return answer.toString();
        }
    }

    @Test
    public void foreignPagesAndHostsAreRefusedInTheSameForm() throws IOException {
        for (String origin : List.of("null", "http://[bad", "http://elsewhere.example", "//", "http://localhost:1")) {
            String answer = raw("POST " + docket + "/undo HTTP/1.1\r\nHost: localhost:" + test.port
                + "\r\nIf-Match: \"1\"\r\nContent-Length: 0\r\nOrigin: " + origin);
            assertThat(answer).as(origin).startsWith("HTTP/1.1 403").contains("application/problem+json").contains("\"code\"")
                .containsIgnoringCase("X-Content-Type-Options: nosniff");
        }
        assertThat(raw("GET /api/bench HTTP/1.1\r\nHost: elsewhere.example")).startsWith("HTTP/1.1 403").contains("\"next\"");
    }

    @Test
    public void aFileThatIsTooLargeIsToldSoBeforeItIsSent() throws IOException {
        String answer = raw("POST /api/dockets?name=large.tif HTTP/1.1\r\nHost: localhost:" + test.port + "\r\nContent-Length: 9000000000");
        assertThat(answer).startsWith("HTTP/1.1 413").contains("file-too-large");
    }

    @Test
    public void oneDocketThatCannotBeReadLeavesTheBenchAndTheOthersAlone() throws IOException {
        String id = api.drop("spoilt.png", PrintingTest.picture(701)).body().path("docket").path("id").asString();
        test.sql("update docket set spec = '{\"schema\": 3}'::jsonb where id = '" + id + "'");
        Api.Answer bench = api.get("/api/bench");
        assertThat(bench.status()).isEqualTo(200);
        assertThat(bench.body().toString()).contains("can't be read");
        typed(api.get("/api/dockets/" + id), 422);
        assertThat(api.get(docket).status()).isEqualTo(200);
        test.sql("update docket set put_away = true where id = '" + id + "'");
    }

    @Test
    public void dataIsForItsOwnerAlone() throws IOException {
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(test.files))).isEqualTo("rwx------");
    }
}
