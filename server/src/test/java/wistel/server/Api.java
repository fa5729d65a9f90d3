package wistel.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.IntSupplier;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The REST API as a program uses it. */
final class Api {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private final HttpClient http = HttpClient.newHttpClient();
    private final IntSupplier port;

    Api(IntSupplier port) {
        this.port = port;
    }

    record Answer(int status, JsonNode body, HttpResponse<byte[]> raw) {
        String code() {
            return body.path("code").asString("");
        }
    }

    /** Where a docket's first picture lies on its first page. */
    static JsonNode picture(JsonNode docket) {
        return docket.path("layout").path("pages").get(0).path("placed").get(0).path("atMm");
    }

    static JsonNode page(JsonNode attempt) {
        return attempt.path("pages").get(0);
    }

    static boolean isOver(JsonNode attempt) {
        return List.of("done", "failed", "cancelled").contains(attempt.path("state").asString());
    }

    JsonNode attempt(String id) {
        return get("/api/attempts/" + id).body();
    }

    /** The attempt, once it is over. */
    JsonNode over(String id, int seconds) {
        return Waiting.until(() -> attempt(id), Api::isOver, seconds);
    }

    Answer get(String path) {
        return send(request(path).GET());
    }

    Answer post(String path, String body, int version) {
        return send(request(path).header("Content-Type", "application/json").header("If-Match", "\"" + version + "\"")
            .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    Answer put(String path, String body, int version) {
        return send(request(path).header("Content-Type", "application/json").header("If-Match", "\"" + version + "\"")
            .PUT(HttpRequest.BodyPublishers.ofString(body)));
    }

    Answer patch(String path, String body, int version) {
        return send(request(path).header("Content-Type", "application/json").header("If-Match", "\"" + version + "\"")
            .method("PATCH", HttpRequest.BodyPublishers.ofString(body)));
    }

    Answer drop(String name, byte[] file) {
        return post("/api/dockets?name=" + URLEncoder.encode(name, StandardCharsets.UTF_8), file);
    }

    /** A file as it is. */
    Answer post(String path, byte[] file) {
        return send(request(path).header("Content-Type", "application/octet-stream").POST(HttpRequest.BodyPublishers.ofByteArray(file)));
    }

    Answer delete(String path) {
        return send(request(path).DELETE());
    }

    HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create("http://localhost:" + port.getAsInt() + path));
    }

    Answer send(HttpRequest.Builder request) {
        try {
            HttpResponse<byte[]> answer = http.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
            boolean json = answer.headers().firstValue("Content-Type").orElse("").contains("json");
            return new Answer(answer.statusCode(), json ? JSON.readTree(answer.body()) : JSON.createObjectNode(), answer);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
