package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.util.Set;
import java.util.function.IntToDoubleFunction;
import javax.imageio.ImageIO;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.Intent;
import wistel.core.pictures.LabScan;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;

/** What the drawing promises in millimetres is where it comes to lie: measured on the scan of the sheet. */
public class RegisterTest extends InTestRoom {
    private static final Set<String> OVER = Set.of("done", "failed", "cancelled");
    /** The scanner has 90 dots an inch, 0.28 mm each. */
    private static final double TOLERANCE_MM = 0.2;
    private String pairing;

    @BeforeClass
    void open() throws IOException {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
        pairing = api.get("/api/pairings").body().get(0).path("pairingId").asString();
    }

    /** Black with a white field in its middle, half as wide and high: eight edges. */
    private static byte[] target(int seed) throws IOException {
        BufferedImage image = new BufferedImage(900, 600, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(225, 150, 450, 300);
        g.dispose();
        image.setRGB(0, 0, seed);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    @DataProvider
    Object[][] layouts() {
        String a3 = "{\"kind\":\"stocked\",\"stock\":{\"kind\":\"sheet\",\"name\":\"A3\",\"widthMm\":297,\"lengthMm\":420}}";
        String roll = "{\"kind\":\"stocked\",\"stock\":{\"kind\":\"roll\",\"widthMm\":431.8},\"feed\":\"main-roll\"}";
        return new Object[][] {
            {"laid by hand", new String[] {a3, "{\"kind\":\"laid\",\"at\":{\"x\":61.3,\"y\":40.7,\"width\":240,\"height\":160}}"}},
            {"on the roll", new String[] {roll, "{\"kind\":\"framed\",\"itemId\":\"i1\",\"widthMm\":300,\"heightMm\":200}"}},
            {"borderless, 3 mm over", new String[] {a3, "{\"kind\":\"edged\",\"edge\":{\"borderless\":true,\"overMm\":3,\"bleedMm\":0}}"}},
            {"borderless, exact with a bleed",
                new String[] {a3, "{\"kind\":\"edged\",\"edge\":{\"borderless\":true,\"overMm\":2,\"bleedMm\":4}}"}},
        };
    }

    @Test(dataProvider = "layouts")
    public void thePictureLiesWhereTheDrawingSays(String what, String[] changes) throws IOException {
        JsonNode d = api.drop("target.png", target(what.hashCode())).body().path("docket");
        String path = "/api/dockets/" + d.path("id").asString();
        d = api.put(path + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt()).body();
        for (String change : changes) {
            Api.Answer answer = api.patch(path, change, d.path("version").asInt());
            assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
            d = answer.body();
        }
        JsonNode page = d.path("layout").path("pages").get(0);
        JsonNode placed = page.path("placed").get(0);
        Api.Answer released = api.post(path + "/attempts", "", d.path("version").asInt());
        assertThat(released.status()).as(released.body().toString()).isEqualTo(202);
        String id = released.body().path("id").asString();
        JsonNode done = Waiting.until(() -> api.get("/api/attempts/" + id).body(), a -> OVER.contains(a.path("state").asString()), 90);
        assertThat(done.path("state").asString()).as(done.path("message").asString()).isEqualTo("done");
        LabScan scan;
        try (InputStream in = Files.newInputStream(test.room.printer().sheet(Api.page(done).path("jobId").asInt()))) {
            scan = LabScan.read(in);
        }
        // the sheet lies across and feeds turned a quarter to the right: what is left to right on the drawing goes down the scan
        assertThat(page.path("feedTurn").asString()).isEqualTo("QUARTER_RIGHT");
        JsonNode at = placed.path("atMm");
        JsonNode crop = placed.path("crop");
        double perPixel = at.path("width").asDouble() / crop.path("width").asDouble();
        double left = at.path("x").asDouble() + (225 - crop.path("x").asDouble()) * perPixel;
        double right = left + 450 * perPixel;
        double top = at.path("y").asDouble() + (150 - crop.path("y").asDouble()) * perPixel;
        double bottom = top + 300 * perPixel;
        double mm = 25.4 / scan.dpi();
        double middleX = (left + right) / 2;
        double middleY = page.path("heightMm").asDouble() - (top + bottom) / 2;
        int column = (int) (middleY / mm);
        int row = (int) (middleX / mm);
        double[] down = whiteField(y -> lightness(scan, column, y), (int) (middleX / mm), scan.height(), mm);
        double[] across = whiteField(x -> lightness(scan, x, row), (int) (middleY / mm), scan.width(), mm);
        double height = page.path("heightMm").asDouble();
        assertThat(down[0]).as("left edge").isCloseTo(left, within(TOLERANCE_MM));
        assertThat(down[1]).as("right edge").isCloseTo(right, within(TOLERANCE_MM));
        assertThat(height - across[1]).as("upper edge").isCloseTo(top, within(TOLERANCE_MM));
        assertThat(height - across[0]).as("lower edge").isCloseTo(bottom, within(TOLERANCE_MM));
    }

    private static double lightness(LabScan scan, int x, int y) {
        return LabEncoding.V4.lab(scan.pixels(), 3 * (y * scan.width() + x)).l();
    }

    /** From a place inside of it outwards, where lightness crosses the middle between white and black, in mm. */
    private static double[] whiteField(IntToDoubleFunction lightness, int inside, int length, double mm) {
        double half = 50;
        int high = inside;
        while (high + 1 < length && lightness.applyAsDouble(high + 1) > half) {
            high++;
        }
        int low = inside;
        while (low > 0 && lightness.applyAsDouble(low - 1) > half) {
            low--;
        }
        return new double[] {crossing(lightness, low, low - 1, half) * mm, crossing(lightness, high, high + 1, half) * mm};
    }

    private static double crossing(IntToDoubleFunction lightness, int light, int dark, double half) {
        double a = lightness.applyAsDouble(light);
        double b = lightness.applyAsDouble(dark);
        return light + 0.5 + (dark - light) * (a - half) / (a - b);
    }
}
