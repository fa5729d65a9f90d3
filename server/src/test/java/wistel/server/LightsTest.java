package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.icc.profile.Intent;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** Lights that prints hang in: named, looked at in, printed for. */
public class LightsTest extends InTestRoom {
    private static final int SIDE = 240;
    private JsonNode docket;
    private String path;

    /** A picture of a ramp from black to white, its left half in colour. */
    @BeforeClass
    void lay() throws Exception {
        PrintingTest.pair(test, Paper.MOSS_COTTON, Feeds.FRONT, Intent.RELATIVE);
        BufferedImage image = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < SIDE * SIDE; i++) {
            int v = 255 * (i / SIDE) / (SIDE - 1);
            image.setRGB(i % SIDE, i / SIDE, i % SIDE < SIDE / 2 ? v << 16 | v / 2 << 8 | v / 4 : v << 16 | v << 8 | v);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        JsonNode d = api.drop("ramp.png", out.toByteArray()).body().path("docket");
        String pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
        docket = api.put("/api/dockets/" + d.path("id").asString() + "/pairing", "{\"pairingId\":\"" + pairing + "\"}",
            d.path("version").asInt()).body();
        path = "/api/dockets/" + docket.path("id").asString() + "/renditions/r1";
    }

    @Test
    public void lightsAreNamedChangedAndLetGo() {
        assertThat(api.get("/api/lights").body().get(0).path("name").asString()).isEqualTo("an evening room");
        JsonNode hall = api.post("/api/lights", "{\"name\":\" hall \",\"lux\":90,\"kelvin\":2700}", 0).body();
        assertThat(hall.path("name").asString()).isEqualTo("hall");
        String one = "/api/lights/" + hall.path("id").asString();
        assertThat(api.put(one, "{\"name\":\"hall\",\"lux\":120,\"kelvin\":3000}", 0).body().path("lux").asDouble()).isEqualTo(120);
        for (String bad : new String[] {"{\"name\":\"x\",\"lux\":0,\"kelvin\":3000}", "{\"name\":\"x\",\"lux\":-4,\"kelvin\":3000}",
            "{\"name\":\"x\",\"lux\":1e9,\"kelvin\":3000}", "{\"name\":\"x\",\"lux\":90,\"kelvin\":500}",
            "{\"name\":\"x\",\"lux\":90,\"kelvin\":1e6}", "{\"name\":\"\",\"lux\":90,\"kelvin\":3000}"}) {
            Api.Answer refused = api.post("/api/lights", bad, 0);
            assertThat(refused.status()).as(bad).isEqualTo(400);
            assertThat(refused.body().path("next").asString()).isNotBlank();
        }
        assertThat(api.delete(one).status()).isEqualTo(204);
        assertThat(api.put(one, "{\"name\":\"hall\",\"lux\":120,\"kelvin\":3000}", 0).status()).isEqualTo(404);
        assertThat(api.put("/api/settings/screen", "{\"white\":0}", 0).status()).isEqualTo(400);
    }

    private JsonNode figures(double lux, int kelvin, String more) {
        Api.Answer answer = api.get(path + "/light-figures?lux=" + lux + "&kelvin=" + kelvin + more);
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        return answer.body();
    }

    /** White on the wall has E rho / pi. */
    @Test
    public void aDimWarmRoomTakesShadowsAndColour() {
        JsonNode room = figures(60, 2700, "");
        double paper = room.path("judging").asDouble() * Math.PI / 2000;
        assertThat(room.path("white").asDouble()).isCloseTo(60 * paper / Math.PI, within(0.01));
        assertThat(paper).isBetween(0.8, 0.95);
        assertThat(room.path("screen").asDouble()).isEqualTo(140);
        assertThat(room.path("apart").asInt()).as("cotton in a dim room").isLessThan(room.path("apartJudging").asInt());
        assertThat(room.path("colourKept").asDouble()).isBetween(0.6, 0.95);
        assertThat(room.path("whiteSeen").path("b").asDouble()).isGreaterThan(1);
        JsonNode judging = figures(2000, 5000, "");
        assertThat(judging.path("colourKept").asDouble()).isCloseTo(1, within(0.01));
        assertThat(judging.path("apart").asInt()).isEqualTo(judging.path("apartJudging").asInt());
        assertThat(api.get(path + "/light-figures?lux=NaN&kelvin=2700").status()).isEqualTo(400);
    }

    /** It is part of the docket: undone like any decision, and moves for it are told elsewhere. */
    @Test
    public void aDocketRemembersItsLight() {
        String one = "/api/dockets/" + docket.path("id").asString();
        int version = api.get(one).body().path("version").asInt();
        String hall = "{\"name\":\"the hall\",\"lux\":90,\"kelvin\":2700}";
        JsonNode made = api.patch(one, "{\"kind\":\"together\",\"changes\":[{\"kind\":\"hangs-in\",\"light\":" + hall
            + "},{\"kind\":\"compensates\",\"renditionId\":\"r1\",\"compensation\":{\"moves\":[{\"kind\":\"warmth\",\"warmth\":1,\"tint\":0}],"
            + "\"kept\":null,\"on\":true,\"madeFor\":" + hall + "}}]}", version).body();
        assertThat(made.path("readback").asString()).as(made.toString()).contains("for the hall (90 lx)");
        assertThat(made.path("findings").toString()).doesNotContain("MADE_FOR_OTHER_LIGHT");
        JsonNode elsewhere = api.patch(one, "{\"kind\":\"hangs-in\",\"light\":null}", made.path("version").asInt()).body();
        assertThat(elsewhere.path("findings").toString()).contains("MADE_FOR_OTHER_LIGHT");
        assertThat(api.patch(one, "{\"kind\":\"hangs-in\",\"light\":{\"name\":\"x\",\"lux\":-1,\"kelvin\":2700}}",
            elsewhere.path("version").asInt()).status()).isEqualTo(400);
        JsonNode plain = api.patch(one,
            "{\"kind\":\"compensates\",\"renditionId\":\"r1\",\"compensation\":{\"moves\":[],\"kept\":null,\"on\":true,\"madeFor\":null}}",
            elsewhere.path("version").asInt()).body();
        assertThat(plain.path("readback").asString()).doesNotContain("lx)");
    }

    private static int[] pixel(byte[] png, double x, double y) throws Exception {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(png));
        int rgb = image.getRGB((int) (x * (image.getWidth() - 1)), (int) (y * (image.getHeight() - 1)));
        return new int[] {rgb >> 16 & 255, rgb >> 8 & 255, rgb & 255};
    }

    @Test
    public void besideTheScreenItIsDarkAndWarmAndOnceSettledLessSo() throws Exception {
        String lit = path + "/light-views?lux=60&kelvin=2700&longest=240&seen=";
        int[] beside = pixel(api.get(lit + "BESIDE").raw().body(), 0.9, 0.95);
        int[] settled = pixel(api.get(lit + "SETTLED").raw().body(), 0.9, 0.95);
        assertThat(beside[0]).as("red over blue").isGreaterThan(beside[2] + 30);
        assertThat(beside[1]).isLessThan(settled[1] - 60);
        assertThat(settled[0] - settled[2]).isBetween(3, 60);
        assertThat(api.get(lit + "ELSEWHERE").status()).isEqualTo(400);
        assertThat(api.get(path + "/light-views?lux=60&kelvin=2700&longest=99999").status()).isEqualTo(400);
    }

    /** With the moves that are suggested, noticeable differences lie over the tones as in the judging light; half-way is between. */
    @Test
    public void whatIsSuggestedSpreadsTheTonesAsTheJudgingLightDoes() {
        double before = spread(figures(60, 2700, ""));
        double[] after = new double[2];
        for (int i = 0; i < 2; i++) {
            Api.Answer found = api.post(path + "/light-suggestion?lux=60&kelvin=2700&share=" + (i + 1) / 2.0, "", 0);
            assertThat(found.status()).as(found.body().toString()).isEqualTo(200);
            JsonNode moves = found.body().path("moves");
            assertThat(moves.toString()).contains("lightness-curve", "chroma-moves");
            String change = URLEncoder.encode("{\"treatment\":{\"kind\":\"colour\"},\"moves\":" + moves + "}", StandardCharsets.UTF_8);
            JsonNode with = figures(60, 2700, "&change=" + change);
            after[i] = spread(with);
            assertThat(with.path("apart").asInt()).isGreaterThanOrEqualTo(figures(60, 2700, "").path("apart").asInt());
            assertThat(with.path("colourKept").asDouble()).isPositive();
        }
        assertThat(after[1]).as("all the way").isLessThan(0.3 * before);
        assertThat(after[0]).as("half-way").isBetween(after[1], before);
        assertThat(api.post(path + "/light-suggestion?lux=60&kelvin=2700&share=7", "", 0).status()).isEqualTo(400);
    }

    /** Largest distance of the shares of differences here from those that the plain print has in the judging light. */
    private double spread(JsonNode figures) {
        JsonNode wanted = figures(60, 2700, "").path("tones");
        JsonNode got = figures.path("tones");
        double most = 0;
        for (int i = 0; i < 101; i++) {
            most = Math.max(most, Math.abs(share(got, i, "here") - share(wanted, i, "judging")));
        }
        return most;
    }

    private static double share(JsonNode tones, int i, String of) {
        double first = tones.get(0).path(of).asDouble();
        return (tones.get(i).path(of).asDouble() - first) / (tones.get(100).path(of).asDouble() - first);
    }
}
