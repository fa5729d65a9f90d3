package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Nothing is lost and nothing printed twice, whatever stops, is killed, or is asked at once. One room serves all of it. */
public class AttemptsTest extends SharedPrintingRoom {
    private static final int TASK_THREADS = 4;

    @Test
    public void sixteenReleasesOfOneDocketAtOnceAreOneAttempt() throws Exception {
        for (int round = 0; round < 2; round++) {
            JsonNode d = small(100 + round);
            List<Api.Answer> answers = together(IntStream.range(0, 16).mapToObj(i -> (Callable<Api.Answer>) () -> release(d)).toList());
            List<Integer> accepted = answers.stream().map(Api.Answer::status).filter(s -> s == 202).toList();
            assertThat(answers).allMatch(a -> a.status() == 202 || a.status() == 409 && a.code().equals("printing-already"));
            JsonNode attempts = api.get("/api/dockets/" + d.path("id").asString() + "/attempts").body();
            // one is over quickly here, and then the docket may be released again: never two under way, and each sheet once
            assertThat(accepted).hasSize(attempts.size());
            for (JsonNode a : attempts) {
                assertThat(state(over(a.path("id").asString(), 30))).isEqualTo("done");
                assertThat(sheets(a.path("id").asString())).isEqualTo(1);
            }
        }
    }

    /** They share the task that makes files: whoever adds it second doesn't lose the release by it. */
    @Test
    public void releasesOfDifferentDocketsAtOnceAllGoThrough() throws Exception {
        for (int round = 0; round < 2; round++) {
            List<JsonNode> dockets = new ArrayList<>();
            for (int i = 0; i < 6; i++) {
                dockets.add(small(700 + 10 * round + i));
            }
            List<Api.Answer> answers = together(dockets.stream().map(d -> (Callable<Api.Answer>) () -> release(d)).toList());
            assertThat(answers).allSatisfy(a -> assertThat(a.status()).as(a.body().toString()).isEqualTo(202));
            for (Api.Answer a : answers) {
                assertThat(state(over(a.body().path("id").asString(), 60))).isEqualTo("done");
            }
        }
    }

    /** A stop is neither a cancel nor damage: every attempt that was being made goes on after the start. */
    @Test
    public void aStopWhileSeveralFilesAreMadeLosesNone() throws Exception {
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            ids.add(released(large(i)));
        }
        Waiting.until(() -> ids.stream().map(id -> state(api.attempt(id))).toList(), states -> states.contains("rendering"), 30);
        test.stop();
        test.start();
        for (String id : ids) {
            JsonNode a = over(id, 120);
            assertThat(state(a)).as(a.path("message").asString()).isEqualTo("done");
            assertThat(sheets(id)).isEqualTo(1);
            assertThat(jobs(id)).isEqualTo(1);
        }
    }

    /** More attempts than threads: what waits in a queue isn't taken for dead and run twice. */
    @Test
    public void moreAttemptsThanThreadsAreEachPrintedOnce() throws Exception {
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < 2 * TASK_THREADS; i++) {
            ids.add(released(small(200 + i)));
        }
        for (String id : ids) {
            assertThat(state(over(id, 60))).isEqualTo("done");
            assertThat(jobs(id)).isEqualTo(1);
        }
    }

    /** Heartbeats and leases decide who works on what, not who started last. */
    @Test
    public void twoServersOnOneDatabasePrintEachAttemptOnce() throws Exception {
        test.room.printer().pace(200);
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            ids.add(released(small(300 + i)));
        }
        Waiting.until(() -> ids.stream().map(id -> state(api.attempt(id))).toList(), states -> states.contains("printing"), 30);
        try (TestRoom.Beside second = test.beside()) {
            assertThat(second.port).isNotEqualTo(test.port);
            Api other = new Api(() -> second.port);
            for (int i = 4; i < 8; i++) {
                JsonNode d = small(300 + i);
                ids.add(other.post("/api/dockets/" + d.path("id").asString() + "/attempts", "", d.path("version").asInt()).body().path("id")
                    .asString());
            }
            test.room.printer().pace(0);
            for (String id : ids) {
                assertThat(state(over(id, 90))).isEqualTo("done");
            }
        }
        for (String id : ids) {
            assertThat(jobs(id)).isEqualTo(1);
            assertThat(sheets(id)).isEqualTo(1);
        }
    }

    /** What a killed server held is taken over once its heartbeats are missed; its job is found again by its name. */
    @Test
    public void aKilledServersAttemptsAreTakenOverByTheOther() throws Exception {
        test.room.printer().pace(400);
        String id = released(small(400));
        Waiting.until(() -> api.attempt(id), a -> state(a).equals("printing"), 30);
        test.stop();
        // as a killed server leaves it: picked, with a heartbeat that grows old
        test.sql(
            "insert into scheduled_tasks (task_name, task_instance, execution_time, picked, picked_by, last_heartbeat, version) values "
                + "('print', '"
                + id
                + "', now(), true, 'gone', now() - interval '1 minute', 7) on conflict (task_name, task_instance) do update set picked = "
                + "true, picked_by = 'gone', "
                + "last_heartbeat = now() - interval '1 minute'");
        test.room.printer().pace(0);
        test.start();
        assertThat(state(over(id, 180))).isEqualTo("done");
        assertThat(jobs(id)).isEqualTo(1);
    }

    /** While its data goes out, an attempt can still be cancelled. */
    @Test
    public void anAttemptOnItsWayOutIsCancelled() throws Exception {
        test.room.printer().intake(200_000);
        String id = released(large(610));
        Waiting.until(() -> api.attempt(id), a -> a.path("message").asString().startsWith("going to the printer, "), 60);
        api.post("/api/attempts/" + id + "/cancel", "", 0);
        JsonNode a = over(id, 30);
        assertThat(state(a)).as(a.path("message").asString()).isEqualTo("cancelled");
        test.room.printer().intake(Integer.MAX_VALUE);
        assertThat(sheets(id)).isZero();
    }

    /** One page of an attempt that failed is printed again alone, by the same order. */
    @Test
    public void aPageIsPrintedAgainAlone() throws Exception {
        String id = released(small(570));
        assertThat(state(over(id, 30))).isEqualTo("done");
        assertThat(api.post("/api/attempts/" + id + "/pages/7/reprints", "", 0).code()).isEqualTo("page-unknown");
        assertThat(api.post("/api/attempts/" + id + "/pages/1/reprints", "", 0).status()).isEqualTo(202);
        Waiting.until(() -> sheets(id), n -> n == 2, 30);
        assertThat(state(over(id, 30))).isEqualTo("done");
    }

    /** Without its database the server says so at once, and goes on when it is back. */
    @Test
    public void withoutADatabaseEveryRequestIsToldSoQuickly() throws Exception {
        String id = "/api/dockets/" + small(610).path("id").asString();
        test.databaseAway(true);
        try {
            long began = System.nanoTime();
            for (String path : List.of("/api/bench", id, "/api/attempts", "/api/printers")) {
                Api.Answer answer = api.get(path);
                assertThat(answer.status()).as(path + " " + answer.body()).isEqualTo(503);
                assertThat(answer.code()).isEqualTo("database-away");
                assertThat(answer.body().path("next").asString()).isNotBlank();
            }
            assertThat(Duration.ofNanos(System.nanoTime() - began)).as("four answers").isLessThan(Duration.ofSeconds(20));
        } finally {
            test.databaseAway(false);
        }
        Waiting.until(() -> api.get(id).status(), s -> s == 200, 20);
    }
}
