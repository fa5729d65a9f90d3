package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.FeedScale;
import wistel.core.paper.PaperBody;
import wistel.core.printer.DriverSettings;
import wistel.server.pairing.PairingRepository;
import wistel.server.printer.PrinterRepository;
import wistel.server.store.ProfileRepository;
import wistel.standin.PrintRoom;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.MachineModel;
import wistel.standin.room.PrintJob;

/** From a dropped file to a sheet, through the real chain: REST, PostgreSQL, tasks, IPP, ink on paper, scan. */
public class PrintingTest extends InTestRoom {
    @BeforeClass
    void open() throws IOException {
        pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
        pair(test, Paper.MOSS_COTTON, Feeds.FRONT, Intent.PERCEPTUAL);
        pair(test, Paper.CORRIE_LUSTRE, Feeds.REAR, Intent.RELATIVE);
    }

    /** A pairing whose feed was measured: what is printed on it comes out true. */
    static void pair(TestRoom test, Paper paper, String feed, Intent intent) throws IOException {
        pair(test, paper, feed, intent, MachineModel.ARDLE_17.feedScale(paper));
    }

    static void pair(TestRoom test, Paper paper, String feed, Intent intent, FeedScale scale) throws IOException {
        String name = paper.name().toLowerCase(Locale.ROOT).replace('_', '-');
        IccProfile profile = ProfileReader.read(Files.readAllBytes(Path.of("../demo/profiles", name + ".icc")));
        test.bean(ProfileRepository.class).add(profile);
        Lab white = LabEncoding.V4.lab(TransformCompiler.toMeasuredLab(profile).exact(1, 1, 1));
        UUID printer = test.bean(PrinterRepository.class).all().get(0).id();
        test.bean(PairingRepository.class)
            .add(new PairingVersion(UUID.randomUUID().toString(), 1, printer.toString(), "", paper.label(),
                paper.photoBlack() ? "lustre" : "cotton matte", new PaperBody(paper.thicknessMm(), 0, "", PaperBody.Curl.FLAT),
                DriverSettings.of(paper.mediaType(), feed, 5), profile.hash(), intent, white, 4).withFeedScale(scale));
    }

    static byte[] picture(int seed) throws IOException {
        BufferedImage image = new BufferedImage(240, 160, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < 240 * 160; i++) {
            image.setRGB(i % 240, i / 240, (i % 240 + seed) % 256 << 16 | i / 240 << 8 | 90);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private String pairingId(String paper) {
        for (JsonNode p : api.get("/api/pairings").body()) {
            if (p.path("paper").asString().equals(paper)) {
                return p.path("pairingId").asString();
            }
        }
        throw new AssertionError(paper);
    }

    private JsonNode ready(String name, byte[] file, String paper) {
        JsonNode docket = api.drop(name, file).body().path("docket");
        Api.Answer paired = api.put("/api/dockets/" + docket.path("id").asString() + "/pairing",
            "{\"pairingId\":\"" + pairingId(paper) + "\"}", docket.path("version").asInt());
        assertThat(paired.status()).isEqualTo(200);
        // cotton's forced margins leave less room
        return api
            .patch("/api/dockets/" + docket.path("id").asString() + "/size", "{\"width\":\"160\"}", paired.body().path("version").asInt())
            .body();
    }

    private JsonNode printed(JsonNode docket) {
        Api.Answer released = api.post("/api/dockets/" + docket.path("id").asString() + "/attempts", "", docket.path("version").asInt());
        assertThat(released.status()).as(released.body().toString()).isEqualTo(202);
        return over(released.body().path("id").asString());
    }

    private JsonNode over(String attempt) {
        return api.over(attempt, 60);
    }

    private long jobs(String attempt) {
        return test.room.printer().jobs().stream().filter(j -> j.ticket().name().equals(attempt))
            .filter(j -> j.state() == PrintJob.State.COMPLETED).count();
    }

    /** The promise of the soft proof: over the demo pictures, proof and scan agree. */
    @Test
    public void theProofOfEveryDemoPictureAgreesWithTheScanOfItsPrint() throws IOException {
        Map<String, String> papers = Map.of("poppies-copper-still.tif", "Skerry Baryta 310", "slate-quarry.tif", "Moss Cotton 300",
            "fells-first-light.jpg", "Moss Cotton 300",
            "boat-yard-night.jpg", "Corrie Lustre 260", "greenhouse-morning.jpg", "Corrie Lustre 260");
        double sum = 0;
        int count = 0;
        try (var files = Files.list(Path.of("../demo/pictures"))) {
            for (Path file : files.sorted().toList()) {
                String name = file.getFileName().toString();
                JsonNode d = ready(name, Files.readAllBytes(file), papers.getOrDefault(name, "Skerry Baryta 310"));
                // twice as fine as the scan
                JsonNode a = printed(api
                    .patch("/api/dockets/" + d.path("id").asString(),
                        "{\"kind\":\"set\",\"setting\":\"printer-resolution\",\"value\":\"180\",\"said\":\"\"}", d.path("version").asInt())
                    .body());
                assertThat(a.path("state").asString()).as(name + " " + a.path("message")).isEqualTo("done");
                double apart = api.get("/api/attempts/" + a.path("id").asString() + "/pages/1/placed/i1/scan/figures").body()
                    .path("meanDifference").asDouble();
                System.out.printf("proof and print of %s differ by %.2f%n", name, apart);
                assertThat(apart).as(name).isBetween(0.01, 2.0);
                sum += apart;
                count++;
            }
        }
        assertThat(count).isGreaterThanOrEqualTo(8);
        assertThat(sum / count).isLessThan(1.0);
    }

    @Test
    public void aDocketIsDecidedUndoneRedoneAndAStaleChangeIsRefused() throws IOException {
        JsonNode d = ready("undo.png", picture(1), "Skerry Baryta 310");
        String path = "/api/dockets/" + d.path("id").asString();
        Api.Answer wide = api.patch(path + "/size", "{\"width\":\"8in\"}", d.path("version").asInt());
        assertThat(Api.picture(wide.body()).path("width").asDouble()).isCloseTo(203.2, org.assertj.core.api.Assertions.within(1e-9));
        assertThat(wide.body().path("spec").path("items").get(0).path("frame").path("heightMm").asDouble()).isCloseTo(203.2 * 160 / 240,
            org.assertj.core.api.Assertions.within(1e-6));
        assertThat(api.patch(path + "/size", "{\"width\":\"9in\"}", d.path("version").asInt()).code()).isEqualTo("stale");
        Api.Answer undone = api.post(path + "/undo", "", wide.body().path("version").asInt());
        assertThat(Api.picture(undone.body()).path("width").asDouble()).isEqualTo(Api.picture(d).path("width").asDouble());
        assertThat(undone.body().path("redo").asString()).isEqualTo("picture 203.2 × 135.5 mm");
        assertThat(wide.body().path("undo").asString()).isEqualTo("picture 203.2 × 135.5 mm");
        Api.Answer redone = api.post(path + "/redo", "", undone.body().path("version").asInt());
        assertThat(Api.picture(redone.body()).path("width").asDouble()).isCloseTo(203.2, org.assertj.core.api.Assertions.within(1e-9));
        assertThat(api.patch(path + "/size", "{\"width\":\"a bit\"}", redone.body().path("version").asInt()).code())
            .isEqualTo("length-unclear");
    }

    @Test
    public void aStoppedDocketIsNotPrintedAndItsMendMakesItPrintable() throws IOException {
        JsonNode d = ready("stopped.png", picture(2), "Corrie Lustre 260");
        String path = "/api/dockets/" + d.path("id").asString();
        JsonNode large = api.patch(path + "/size", "{\"width\":\"400\"}", d.path("version").asInt()).body();
        assertThat(api.post(path + "/attempts", "", large.path("version").asInt()).code()).isEqualTo("stopped");
        JsonNode fix = large.path("findings").get(0).path("fixes").get(0).path("change");
        JsonNode mended = api.patch(path, fix.toString(), large.path("version").asInt()).body();
        assertThat(printed(mended).path("state").asString()).isEqualTo("done");
    }

    @Test
    public void theSameAgainSendsTheVerySameFile() throws IOException {
        JsonNode first = printed(ready("again.png", picture(3), "Skerry Baryta 310"));
        JsonNode second = over(api.post("/api/attempts/" + first.path("id").asString() + "/reprints", "", 0).body().path("id").asString());
        assertThat(second.path("state").asString()).isEqualTo("done");
        assertThat(Api.page(second).path("fileHash").asString()).isEqualTo(Api.page(first).path("fileHash").asString());
        assertThat(Api.page(second).path("scanHash").asString()).isEqualTo(Api.page(first).path("scanHash").asString());
        assertThat(second.path("number").asInt()).isEqualTo(2);
    }

    @Test
    public void theDriversConversionGivesAnotherPrintThanTheProof() throws IOException {
        JsonNode d = ready("driver.png", picture(4), "Skerry Baryta 310");
        JsonNode byDriver = api.patch("/api/dockets/" + d.path("id").asString(),
            "{\"kind\":\"routed\",\"route\":{\"kind\":\"by-driver\",\"space\":\"SRGB\"}}", d.path("version").asInt()).body();
        assertThat(byDriver.path("readback").asString()).contains("the driver converts the colour its own way");
        JsonNode a = printed(byDriver);
        assertThat(api.get("/api/attempts/" + a.path("id").asString() + "/pages/1/placed/i1/scan/figures").body().path("meanDifference")
            .asDouble()).isGreaterThan(1.5);
    }

    @Test(dependsOnMethods = {"theProofOfEveryDemoPictureAgreesWithTheScanOfItsPrint", "theSameAgainSendsTheVerySameFile",
        "theDriversConversionGivesAnotherPrintThanTheProof",
        "aStoppedDocketIsNotPrintedAndItsMendMakesItPrintable"})
    public void aRestartInTheMiddleOfAJobFinishesItWithoutPrintingTwice() throws IOException {
        JsonNode d = ready("restart.png", picture(5), "Skerry Baryta 310");
        test.room.printer().pace(250);
        String id = api.post("/api/dockets/" + d.path("id").asString() + "/attempts", "", d.path("version").asInt()).body().path("id")
            .asString();
        Waiting.until(() -> api.attempt(id), a -> a.path("state").asString().equals("printing"), 30);
        test.stop();
        test.start();
        test.room.printer().pace(0);
        assertThat(over(id).path("state").asString()).isEqualTo("done");
        assertThat(jobs(id)).isEqualTo(1);
    }

    @Test(dependsOnMethods = "aRestartInTheMiddleOfAJobFinishesItWithoutPrintingTwice")
    public void aRestartWhileTheFileIsMadeFinishesItToo() throws IOException {
        JsonNode d = ready("restart-early.png", picture(6), "Skerry Baryta 310");
        String id = api.post("/api/dockets/" + d.path("id").asString() + "/attempts", "", d.path("version").asInt()).body().path("id")
            .asString();
        test.stop();
        test.start();
        assertThat(over(id).path("state").asString()).isEqualTo("done");
        assertThat(jobs(id)).isEqualTo(1);
        assertThat(test.staged()).isZero();
    }

    @Test(dependsOnMethods = "aRestartWhileTheFileIsMadeFinishesItToo")
    public void aJobThatWaitsForPaperSaysSoAndCanBeCancelled() throws IOException {
        JsonNode d = ready("no-paper.png", picture(7), "Skerry Baryta 310");
        test.room.printer().empty(Feeds.REAR);
        String id = api.post("/api/dockets/" + d.path("id").asString() + "/attempts", "", d.path("version").asInt()).body().path("id")
            .asString();
        Waiting.until(() -> api.attempt(id), a -> a.path("message").asString().contains("it waits for paper"), 30);
        api.post("/api/attempts/" + id + "/cancel", "", 0);
        assertThat(over(id).path("state").asString()).isEqualTo("cancelled");
    }

    @Test(dependsOnMethods = "withThePrinterGoneTheDocketWaitsAndSaysSo")
    public void aPrinterSwitchedOffInTheMiddleHasLostTheJobAndTheAttemptSaysSo() throws IOException {
        JsonNode d = ready("lost.png", picture(9), "Skerry Baryta 310");
        test.room.printer().pace(100);
        String id = api.post("/api/dockets/" + d.path("id").asString() + "/attempts", "", d.path("version").asInt()).body().path("id")
            .asString();
        Waiting.until(() -> api.attempt(id), a -> Api.page(a).path("jobSent").asBoolean(), 30);
        try (PrintRoom other = new PrintRoom(Files.createTempDirectory("room"), 0, 0)) {
            UUID printer = test.bean(PrinterRepository.class).all().get(0).id();
            test.bean(PrinterRepository.class).moved(printer, "ipp://localhost:" + other.port() + "/ipp/print", Optional.empty());
            JsonNode a = over(id);
            test.bean(PrinterRepository.class).moved(printer, test.ipp(), Optional.empty());
            assertThat(a.path("state").asString()).isEqualTo("failed");
            assertThat(a.path("message").asString()).contains("has lost this job").contains("Look whether a sheet came out");
        } finally {
            test.room.printer().pace(0);
        }
    }

    @Test(dependsOnMethods = "aJobThatWaitsForPaperSaysSoAndCanBeCancelled")
    public void withThePrinterGoneTheDocketWaitsAndSaysSo() throws IOException {
        JsonNode d = ready("gone.png", picture(8), "Moss Cotton 300");
        test.bean(PrinterRepository.class).moved(test.bean(PrinterRepository.class).all().get(0).id(), "ipp://localhost:9/ipp/print",
            Optional.empty());
        String id = api.post("/api/dockets/" + d.path("id").asString() + "/attempts", "", d.path("version").asInt()).body().path("id")
            .asString();
        Waiting.until(() -> api.attempt(id), a -> a.path("message").asString().contains("doesn't answer"), 30);
        test.bean(PrinterRepository.class).moved(test.bean(PrinterRepository.class).all().get(0).id(), test.ipp(), Optional.empty());
        test.room.printer().attendant(true);
        assertThat(over(id).path("state").asString()).isEqualTo("done");
    }
}
