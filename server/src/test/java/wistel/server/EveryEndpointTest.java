package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/**
 * Walks every endpoint that the API describes, with something impossible in each parameter and each field of each body in turn: whatever is
 * sent, the answer is not a fault of the server, is in words where it refuses, and comes soon.
 */
public class EveryEndpointTest extends InTestRoom {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
    private static final long SOON_NANOS = 5_000_000_000L;
    /** Streams, and what is sent as a file: those have tests of their own. */
    private static final List<String> LEFT_OUT = List.of("/api/events");
    private static final List<String> IN_ADDRESSES = List.of("", "null", "x", "-1", "1e308", "NaN", "%ED%A0%80", "%00", "-0001-01-01",
        "%7B%22values%22%3A%7B%22a%22%3Anull%7D%7D",
        "a".repeat(3000), "..%2F..%2Fetc%2Fpasswd");
    private static final List<String> IN_BODIES = List.of("null", "\"\"", "\"x\"", "\"\\u0000\"", "\"\\ud800\"", "\"-0001-01-01\"", "-1",
        "0.5", "1e308", "1e999", "99999999999999999999", "[]", "[null]", "{\"a\":null}",
        "\"" + "a".repeat(100_000) + "\"", "[".repeat(400) + "]".repeat(400));

    private JsonNode schemas;
    private final Map<String, String> faults = new TreeMap<>();
    private int asked;
    /** Of the docket that is asked about; 0 when it isn't known. */
    private int version;

    @BeforeClass
    void lay() throws Exception {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
        api.post("/api/compensations", "{\"name\":\"some\",\"moves\":[{\"kind\":\"warmth\",\"warmth\":2,\"tint\":0}],\"pairingId\":null}",
            0);
    }

    private String text(JsonNode list, String name) {
        return list.size() == 0 ? "00000000-0000-0000-0000-000000000000" : list.get(0).path(name).asString();
    }

    /** A docket on a paper, and its version. */
    private JsonNode docket(int seed) throws Exception {
        JsonNode d = api.drop("some-" + seed % 3 + ".png", PrintingTest.picture(seed % 3)).body().path("docket");
        String pairing = text(api.get("/api/pairings").body(), "pairingId");
        return api
            .put("/api/dockets/" + d.path("id").asString() + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt())
            .body();
    }

    @Test
    public void noEndpointAnswersSomethingImpossibleWithAFaultOfItsOwn() throws Exception {
        JsonNode api31 = JSON.readTree(api.get("/v3/api-docs").raw().body());
        schemas = api31.path("components").path("schemas");
        record Operation(String path, String method, JsonNode about) {
        }
        List<Operation> all = new ArrayList<>();
        api31.path("paths").properties()
            .forEach(p -> p.getValue().properties().forEach(m -> all.add(new Operation(p.getKey(), m.getKey(), m.getValue()))));
        // what takes things away comes last
        all.sort(Comparator.comparing((Operation o) -> o.method.equals("delete")).thenComparing(o -> !o.method.equals("get"))
            .thenComparing(Operation::path));
        JsonNode looked = docket(3);
        int seed = 0;
        for (Operation o : all) {
            if (!LEFT_OUT.contains(o.path)) {
                walk(o.path, o.method, o.about, o.method.equals("get") ? looked : docket(seed++));
            }
        }
        assertThat(asked).as("requests").isGreaterThan(4000);
        assertThat(faults.values()).as(faults.size() + " of " + asked).isEmpty();
    }

    private void walk(String path, String method, JsonNode about, JsonNode docket) {
        Map<String, String> usual = usual(docket);
        version = docket.path("version").asInt();
        Set<String> replaced = new HashSet<>();
        List<JsonNode> parameters = new ArrayList<>();
        about.path("parameters").forEach(parameters::add);
        List<JsonNode> bodies = examples(about.path("requestBody").path("content").path("application/json").path("schema"), 0);
        String body = bodies.isEmpty() ? "" : bodies.get(0).toString();
        send(path, method, parameters, usual, Map.of(), body, docket);
        for (JsonNode p : parameters) {
            for (String bad : IN_ADDRESSES) {
                boolean header = p.path("in").asString().equals("header");
                if (!(header && bad.contains("%"))) {
                    send(path, method, parameters, usual, Map.of(p.path("name").asString(), bad), body, docket);
                }
            }
        }
        for (JsonNode example : bodies) {
            for (String bad : IN_BODIES) {
                withEachPartReplaced(example, bad, "").forEach((part, sent) -> {
                    // a change that stands among others is read as one that stands alone
                    if (replaced.add(part.replace(":together.changes[]:", ":") + " " + bad)) {
                        send(path, method, parameters, usual, Map.of(), sent, docket);
                    }
                });
            }
        }
        if (!bodies.isEmpty()) {
            List.of("", "{", "NaN", "\u0000", "{\"kind\":NaN}")
                .forEach(sent -> send(path, method, parameters, usual, Map.of(), sent, docket));
        }
    }

    /** Something that is there, for each name of a parameter. */
    private Map<String, String> usual(JsonNode docket) {
        Map<String, String> usual = new LinkedHashMap<>();
        JsonNode attempts = api.get("/api/attempts").body();
        String hash = docket.path("pictures").path(0).path("master").path("hash").asString();
        usual.put("hash", hash);
        usual.put("rendition", "r1");
        usual.put("placed", "i1");
        usual.put("itemId", "i1");
        usual.put("pairing", docket.path("spec").path("paper").path("pairingId").asString());
        usual.put("pairingId", docket.path("spec").path("paper").path("pairingId").asString());
        usual.put("printerId", text(api.get("/api/printers").body(), "id"));
        usual.put("attempt", text(attempts, "id"));
        usual.put("compensation", text(api.get("/api/compensations").body(), "id"));
        usual.put("intent", "RELATIVE");
        usual.put("way", "DRIVER");
        usual.put("name", "some.png");
        return usual;
    }

    private void send(String path, String method, List<JsonNode> parameters, Map<String, String> usual, Map<String, String> instead,
        String body, JsonNode docket) {
        String address = path;
        StringBuilder query = new StringBuilder();
        String version = null;
        for (JsonNode p : parameters) {
            String name = p.path("name").asString();
            String value = instead.getOrDefault(name, name.equals("id") ? id(path, usual, docket) : usual.getOrDefault(name, "1"));
            switch (p.path("in").asString()) {
                case "path" -> address = address.replace("{" + name + "}",
                    instead.containsKey(name) ? value.isEmpty() ? "%20" : value : URLEncoder.encode(value, StandardCharsets.UTF_8));
                case "query" -> {
                    if (instead.containsKey(name) || p.path("required").asBoolean()) {
                        query.append(query.isEmpty() ? "?" : "&").append(name).append('=')
                            .append(instead.containsKey(name) ? value : URLEncoder.encode(value, StandardCharsets.UTF_8));
                    }
                }
                default -> version = instead.containsKey(name) ? value : "\"" + version(docket) + "\"";
            }
        }
        HttpRequest.Builder request = api.request(address + query);
        if (version != null) {
            request.header("If-Match", version.isEmpty() ? " " : version);
        }
        if (!body.isEmpty()) {
            request.header("Content-Type", "application/json");
        }
        judge(method + " " + path, method + " " + address + query + " " + body,
            request.method(method.toUpperCase(java.util.Locale.ROOT), HttpRequest.BodyPublishers.ofString(body)));
    }

    /** Asked anew only when the last answer was that it is another one. */
    private int version(JsonNode docket) {
        if (version == 0) {
            version = api.get("/api/dockets/" + docket.path("id").asString()).body().path("version").asInt();
        }
        return version;
    }

    private static String id(String path, Map<String, String> usual, JsonNode docket) {
        return path.startsWith("/api/attempts") ? usual.get("attempt")
            : path.startsWith("/api/printers") ? usual.get("printerId") : path.startsWith("/api/pairings") ? usual.get("pairing")
                : path.startsWith("/api/compensations") ? usual.get("compensation") : docket.path("id").asString();
    }

    private void judge(String operation, String words, HttpRequest.Builder request) {
        asked++;
        long began = System.nanoTime();
        Api.Answer answer = api.send(request);
        if (System.nanoTime() - began > SOON_NANOS) {
            // the machine may be busy with something else: once more
            began = System.nanoTime();
            answer = api.send(request);
        }
        version = answer.status() == 412 ? 0
            : answer.raw().headers().firstValue("ETag").map(tag -> Integer.parseInt(tag.replaceAll("\\D", ""))).orElse(version);
        String said = words.length() > 300 ? words.substring(0, 300) + "…" : words;
        if (System.nanoTime() - began > SOON_NANOS) {
            faults.putIfAbsent(operation + " slow", "slow: " + said);
        } else if (answer.status() >= 500) {
            faults.putIfAbsent(operation + answer.status(), answer.status() + ": " + said);
        } else if (answer.status() >= 400
            && (answer.body().path("detail").asString("").isBlank() || answer.body().path("next").asString("").isBlank())) {
            faults.putIfAbsent(operation + " wordless", answer.status() + " without words: " + said);
        }
    }

    // --- bodies ---

    /** Values of a schema: one with its usual parts, and one more for each other form that a part can have. */
    private List<JsonNode> examples(JsonNode schema, int depth) {
        JsonNode s = schema.has("$ref") ? schemas.path(schema.path("$ref").asString().replaceFirst(".*/", "")) : schema;
        List<JsonNode> examples = new ArrayList<>();
        if (s.isMissingNode() || s.isEmpty() || depth > 6) {
            return examples;
        }
        if (s.has("oneOf")) {
            s.path("oneOf").forEach(one -> examples.addAll(examples(one, depth + 1)));
            return examples;
        }
        if (s.has("enum")) {
            return List.of(s.path("enum").get(0));
        }
        String type = s.path("type").isArray() ? s.path("type").get(0).asString() : s.path("type").asString("object");
        switch (type) {
            case "string" -> examples.add(
                NODES.stringNode(s.path("format").asString().equals("uuid") ? text(api.get("/api/pairings").body(), "pairingId") : "30"));
            case "integer", "number" -> examples.add(NODES.numberNode(1));
            case "boolean" -> examples.add(NODES.booleanNode(true));
            case "array" -> {
                List<JsonNode> items = examples(s.path("items"), depth + 1);
                items.forEach(item -> examples.add(NODES.arrayNode().add(item)));
                if (items.isEmpty()) {
                    examples.add(NODES.arrayNode());
                }
            }
            default -> {
                ObjectNode object = NODES.objectNode();
                Map<String, List<JsonNode>> parts = new LinkedHashMap<>();
                s.path("properties").properties().forEach(p -> parts.put(p.getKey(), examples(p.getValue(), depth + 1)));
                parts.forEach((name, values) -> object.set(name, values.isEmpty() ? NODES.nullNode() : values.get(0)));
                examples.add(object);
                parts.forEach((name, values) -> values.stream().skip(1).forEach(other -> {
                    ObjectNode variant = object.deepCopy();
                    variant.set(name, other);
                    examples.add(variant);
                }));
            }
        }
        return examples;
    }

    /**
     * The value with each of its parts, and itself, replaced by something else in turn; by the part's name, which tells forms of a sum
     * apart.
     */
    private static Map<String, String> withEachPartReplaced(JsonNode value, String bad, String name) {
        Map<String, String> all = new LinkedHashMap<>();
        all.put(name, bad);
        if (value instanceof ObjectNode object) {
            String here = name + ":" + object.path("kind").asString("");
            for (Map.Entry<String, JsonNode> part : object.properties()) {
                withEachPartReplaced(part.getValue(), bad, here + "." + part.getKey())
                    .forEach((path, replaced) -> all.put(path, written(object, part.getKey(), replaced)));
            }
        } else if (value instanceof ArrayNode array && array.size() > 0) {
            withEachPartReplaced(array.get(0), bad, name + "[]").forEach((path, replaced) -> all.put(path, "[" + replaced + "]"));
        }
        return all;
    }

    private static String written(ObjectNode object, String name, String instead) {
        StringBuilder text = new StringBuilder("{");
        for (Map.Entry<String, JsonNode> part : object.properties()) {
            text.append(text.length() > 1 ? "," : "").append('"').append(part.getKey()).append("\":")
                .append(part.getKey().equals(name) ? instead : part.getValue().toString());
        }
        return text.append('}').toString();
    }
}
