package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.server.print.Retention;
import wistel.server.store.FileStore;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/**
 * Exactly this again: the kept file whatever made it, the same bytes from the order, or something else that is told before it is printed.
 */
public class ReprintTest extends InTestRoom {

    @BeforeClass
    void pair() throws Exception {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
    }

    private static String id(JsonNode a) {
        return a.path("id").asString();
    }

    private JsonNode over(String id) {
        return api.over(id, 40);
    }

    private JsonNode printed(int seed) throws Exception {
        JsonNode d = api.drop("again-" + seed + ".png", PrintingTest.picture(seed)).body().path("docket");
        String path = "/api/dockets/" + id(d);
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        d = api.put(path + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt()).body();
        return over(id(api.post(path + "/attempts", "", d.path("version").asInt()).body()));
    }

    private JsonNode again(JsonNode a) {
        return api.post("/api/attempts/" + id(a) + "/reprints", "", 0).body();
    }

    private JsonNode waiting(JsonNode a) {
        return Waiting.until(() -> api.attempt(id(a)),
            x -> x.path("held").asBoolean() && Api.page(x).path("message").asString().startsWith("Made anew"), 40);
    }

    private static String hash(JsonNode a) {
        return Api.page(a).path("fileHash").asString();
    }

    /** As an older version left it: its file made by another renderer, which gave other bytes, and let go of since. */
    private void madeByAnotherEngine(JsonNode a, boolean fingerprint) throws Exception {
        Files.delete(test.bean(FileStore.class).path(hash(a)));
        test.sql("update attempt_page set engine = '1', file_kept = false, file_hash = repeat('0', 64)"
            + (fingerprint ? "" : ", fingerprint = null") + " where attempt_id = '" + id(a) + "'");
    }

    @Test
    public void aKeptFileIsPrintedAsItIsWhateverEngineMadeIt() throws Exception {
        JsonNode first = printed(900);
        assertThat(first.path("reprint").asString()).isEqualTo("KEPT");
        // another renderer's file: not what this one would make
        byte[] old = Files.readAllBytes(test.bean(FileStore.class).path(hash(first)));
        old[old.length - 1] ^= 1;
        String other = test.bean(FileStore.class).put(out -> out.write(old)).hash();
        test.sql("update attempt_page set file_hash = '" + other + "', engine = '1' where attempt_id = '" + id(first) + "'");
        JsonNode second = over(id(again(api.attempt(id(first)))));
        assertThat(second.path("state").asString()).as(second.path("message").asString()).isEqualTo("done");
        assertThat(hash(second)).isEqualTo(other);
        assertThat(Api.page(second).path("anew").isNull()).isTrue();
    }

    @Test
    public void whatComesOutTheSameToTheByteIsPrintedWithoutAWord() throws Exception {
        JsonNode first = printed(901);
        Files.delete(test.bean(FileStore.class).path(hash(first)));
        test.sql("update attempt_page set file_kept = false where attempt_id = '" + id(first) + "'");
        assertThat(api.attempt(id(first)).path("reprint").asString()).isEqualTo("SAME");
        JsonNode second = over(id(again(first)));
        assertThat(second.path("state").asString()).isEqualTo("done");
        assertThat(hash(second)).isEqualTo(hash(first));
    }

    @Test
    public void aFileMadeAnewThatLooksAlikeIsToldAndPrintedOnAWord() throws Exception {
        JsonNode first = printed(902);
        madeByAnotherEngine(first, true);
        assertThat(api.attempt(id(first)).path("reprint").asString()).isEqualTo("ANEW");
        JsonNode held = waiting(again(first));
        assertThat(Api.page(held).path("anew").path("mean").asDouble()).as("the bytes are said to differ; what is laid down doesn't")
            .isCloseTo(0, within(1e-9));
        assertThat(Api.page(held).path("message").asString()).isEqualTo(
            "Made anew by a newer version of Wistel: mean ΔE 0.00, at most 0.00 from the print of then. It goes on when you say so.");
        assertThat(test.room.printer().jobs()).noneMatch(j -> j.ticket().name().startsWith(id(held)));
        assertThat(api.put("/api/attempts/" + id(held) + "/held", "{\"held\":false}", 0).status()).isEqualTo(200);
        assertThat(over(id(held)).path("state").asString()).isEqualTo("done");
    }

    @Test
    public void aFileMadeAnewThatLooksDifferentIsPrintedOnlyWhenThatIsAgreedTo() throws Exception {
        JsonNode first = printed(903);
        // what was laid down then, as another renderer left it: black all over
        test.sql(
            "update attempt_page set fingerprint = decode(repeat('000080808080', 96 * 64), 'hex') where attempt_id = '" + id(first) + "'");
        madeByAnotherEngine(first, true);
        JsonNode held = waiting(again(first));
        assertThat(Api.page(held).path("anew").path("mean").asDouble()).isGreaterThan(0.2);
        assertThat(Api.page(held).path("anew").path("most").asDouble()).isGreaterThan(50);
        Api.Answer refused = api.put("/api/attempts/" + id(held) + "/held", "{\"held\":false}", 0);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.code()).isEqualTo("differs");
        assertThat(api.attempt(id(held)).path("held").asBoolean()).isTrue();
        api.put("/api/attempts/" + id(held) + "/held", "{\"held\":false,\"agreed\":true}", 0);
        JsonNode done = over(id(held));
        assertThat(done.path("state").asString()).isEqualTo("done");
        assertThat(Api.page(done).path("anew").path("mean").asDouble()).as("the log keeps it").isGreaterThan(0.2);
    }

    @Test
    public void whatNothingWasKeptOfIsSaidToBeUnknownAndMustBeAgreedTo() throws Exception {
        JsonNode first = printed(904);
        madeByAnotherEngine(first, false);
        JsonNode held = waiting(again(first));
        assertThat(Api.page(held).path("anew").path("mean").isNull()).isTrue();
        assertThat(Api.page(held).path("message").asString()).contains("isn't known");
        assertThat(api.put("/api/attempts/" + id(held) + "/held", "{\"held\":false}", 0).code()).isEqualTo("differs");
        api.post("/api/attempts/" + id(held) + "/cancel", "", 0);
        assertThat(over(id(held)).path("state").asString()).isEqualTo("cancelled");
    }

    /** A home of a version that kept no fingerprints: what a page looks like is read from its file before that goes. */
    @Test
    public void beforeAnOldFileIsLetGoItIsKeptWhatItLooksLike() throws Exception {
        JsonNode first = printed(905);
        test.sql("update attempt_page set fingerprint = null where attempt_id = '" + id(first) + "'");
        test.sql("update attempt_page set finished = now() - interval '400 days' where attempt_id = '" + id(first) + "'");
        api.put("/api/settings/retention", "{\"printFileDays\":300,\"scanDays\":0,\"gigabytes\":0,\"keepMatching\":false}", 0);
        assertThat(test.bean(FileStore.class).has(hash(first))).isFalse();
        test.sql("update attempt_page set file_hash = repeat('0', 64) where attempt_id = '" + id(first) + "'");
        JsonNode held = waiting(again(first));
        assertThat(Api.page(held).path("anew").path("mean").asDouble()).isLessThan(0.001);
        api.post("/api/attempts/" + id(held) + "/cancel", "", 0);
    }

    @Test
    public void filesOfPrintsThatMatchAreKeptForEverWhereThatIsChosen() throws Exception {
        JsonNode first = printed(906);
        JsonNode other = printed(907);
        api.put("/api/attempts/" + id(first) + "/verdict", "{\"verdict\":\"matches\"}", 0);
        test.sql("update attempt_page set finished = now() - interval '4000 days' where attempt_id in ('" + id(first) + "', '" + id(other)
            + "')");
        JsonNode kept = api
            .put("/api/settings/retention", "{\"printFileDays\":3000,\"scanDays\":0,\"gigabytes\":0,\"keepMatching\":true}", 0).body();
        assertThat(kept.path("matchingBytes").asLong()).isEqualTo(test.bean(FileStore.class).size(hash(first))).isPositive();
        assertThat(Api.page(api.attempt(id(first))).path("fileKept").asBoolean()).isTrue();
        assertThat(Api.page(api.attempt(id(other))).path("fileKept").asBoolean()).isFalse();
        test.bean(Retention.class).bound(0);
        assertThat(test.bean(FileStore.class).has(hash(first))).as("the bound on bytes leaves it too").isTrue();
        api.put("/api/settings/retention", "{\"printFileDays\":3000,\"scanDays\":0,\"gigabytes\":0,\"keepMatching\":false}", 0);
        assertThat(test.bean(FileStore.class).has(hash(first))).isFalse();
    }
}
