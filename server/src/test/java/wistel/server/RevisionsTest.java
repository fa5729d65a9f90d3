package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What a docket went through: kept small, and every state of it comes back. */
public class RevisionsTest extends InTestRoom {
    private JsonNode change(JsonNode d, String change) {
        Api.Answer answer = api.patch("/api/dockets/" + d.path("id").asString(), change, d.path("version").asInt());
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        return answer.body();
    }

    private JsonNode step(JsonNode d, String way) {
        return api.post("/api/dockets/" + d.path("id").asString() + "/" + way, "", d.path("version").asInt()).body();
    }

    @Test
    public void undoAndRedoGoThroughEveryStateAndOnlyEveryTwentiethIsKeptWhole() throws IOException {
        JsonNode d = api.drop("steps.png", PrintingTest.picture(93)).body().path("docket");
        List<JsonNode> states = new ArrayList<>(List.of(d.path("spec")));
        for (int i = 1; i <= 45; i++) {
            d = change(d, i % 3 == 0 ? "{\"kind\":\"titled\",\"title\":\"Step " + i + "\"}" : "{\"kind\":\"framed\",\"itemId\":\"i1\",\"widthMm\":" + (100 + i) + ",\"heightMm\":80}");
            states.add(d.path("spec"));
        }
        String id = d.path("id").asString();
        List<String> whole = new ArrayList<>();
        test.query("select revision from docket_revision where spec is not null and docket_id = '" + id + "' order by revision", whole::add);
        assertThat(whole).containsExactly("1", "21", "41");
        for (int i = 44; i >= 0; i--) {
            d = step(d, "undo");
            assertThat(d.path("spec")).isEqualTo(states.get(i));
        }
        for (int i = 1; i <= 45; i++) {
            d = step(d, "redo");
            assertThat(d.path("spec")).isEqualTo(states.get(i));
        }
        // a decision after a step back takes the place of what was undone
        for (int i = 0; i < 10; i++) {
            d = step(d, "undo");
        }
        d = change(d, "{\"kind\":\"copies\",\"copies\":7}");
        assertThat(d.path("redo").isNull()).isTrue();
        d = step(d, "undo");
        assertThat(d.path("spec")).isEqualTo(states.get(35));
        assertThat(step(d, "redo").path("spec").path("copies").asInt()).isEqualTo(7);
    }

    @Test
    public void twoHundredStepsAreKeptAndNoLaterOneIsLost() throws IOException {
        JsonNode d = api.drop("long.png", PrintingTest.picture(94)).body().path("docket");
        for (int i = 1; i <= 250; i++) {
            d = change(d, "{\"kind\":\"copies\",\"copies\":" + (i % 2 + 1) + "}");
        }
        int steps = 0;
        while (!d.path("undo").isNull()) {
            d = step(d, "undo");
            steps++;
        }
        assertThat(steps).isBetween(200, 220);
    }

    /** One that can't be put together any more is told, and the docket stays as it is. */
    @Test
    public void aStepIntoADamagedRevisionIsTold() throws IOException {
        JsonNode d = api.drop("spoilt.png", PrintingTest.picture(95)).body().path("docket");
        d = change(d, "{\"kind\":\"copies\",\"copies\":2}");
        d = change(d, "{\"kind\":\"copies\",\"copies\":3}");
        String id = d.path("id").asString();
        test.sql("update docket_revision set patch = '[{\"op\":\"replace\",\"path\":\"/nowhere/x\",\"value\":1}]' where docket_id = '" + id + "' and revision = 2");
        Api.Answer back = api.post("/api/dockets/" + id + "/undo", "", d.path("version").asInt());
        assertThat(back.status()).isEqualTo(422);
        assertThat(back.code()).isEqualTo("docket-unreadable");
        assertThat(api.get("/api/dockets/" + id).body().path("spec").path("copies").asInt()).isEqualTo(3);
    }
}
