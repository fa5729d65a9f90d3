package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.core.colour.LabEncoding;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.findings.Finding;
import wistel.core.docket.findings.Preflight;
import wistel.core.docket.findings.PrintPrediction;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Margins;
import wistel.core.pictures.LabScan;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.View;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.RasterType;
import wistel.core.progress.Progress;
import wistel.core.sheet.Page;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.print.Rendering;
import wistel.server.proof.PrintPredictionService;
import wistel.server.store.FileStore;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.PrintJob;
import wistel.standin.room.Ticket;

/** The sheet as it is laid down beforehand against the scan of what the printer then makes of the very same settings, mistakes included. */
public class PrintPredictionTest extends InTestRoom {
    private static final double SCAN_DPI = 90;
    private static final Margins REAR = new Margins(3, 3, 14, 3);

    @BeforeClass
    void open() throws IOException {
        PrintingTest.pair(test, Paper.SKERRY_BARYTA, Feeds.REAR, Intent.RELATIVE);
        PrintingTest.pair(test, Paper.CORRIE_LUSTRE, Feeds.REAR, Intent.RELATIVE);
        PrintingTest.pair(test, Paper.MOSS_COTTON, Feeds.FRONT, Intent.PERCEPTUAL);
    }

    /** The greenhouse on a paper, 240 mm wide on A4. */
    private String docket(String paper) throws IOException {
        JsonNode d = api.drop("greenhouse.jpg", Files.readAllBytes(Path.of("../demo/pictures/greenhouse-morning.jpg"))).body()
            .path("docket");
        String path = "/api/dockets/" + d.path("id").asString();
        String pairing = api.get("/api/pairings").body().valueStream().filter(p -> p.path("paper").asString().equals(paper)).findFirst()
            .orElseThrow().path("pairingId").asString();
        assertThat(api.put(path + "/pairing", "{\"pairingId\":\"" + pairing + "\"}", d.path("version").asInt()).status()).isEqualTo(200);
        change(path, "{\"kind\":\"framed\",\"itemId\":\"i1\",\"widthMm\":240,\"heightMm\":160}");
        return path;
    }

    private void change(String docket, String change) {
        assertThat(api.patch(docket, change, api.get(docket).body().path("version").asInt()).status()).as(change).isEqualTo(200);
    }

    private DocketAssessment judged(String docket) {
        DocketRepository.Row row = test.bean(DocketRepository.class).get(UUID.fromString(docket.substring(docket.lastIndexOf('/') + 1)));
        return test.bean(DocketAssessor.class).assess(row);
    }

    /** Lays the docket down on a paper, whatever would stop it, and scans the sheet; upright. */
    private View printed(DocketAssessment judged, Paper paper, RasterType raster, Margins feedMargins) throws Exception {
        PrintOrder order = new PrintOrder(PrintOrder.SCHEMA, judged.row().spec(), judged.layout(), judged.facts().pairing().orElseThrow(),
            new PrintOrder.Output(raster, 360, feedMargins, 1),
            judged.masters(), "", PrintOrder.ENGINE, Optional.empty(), judged.facts().curve(judged.row().spec()));
        String hash = test.bean(Rendering.class).file(order, 1, Progress.SILENT).hash();
        Page page = order.page(1);
        Map<String, String> settings = new HashMap<>(order.spec().settings().values());
        settings.put("wistel-over-edge", Long.toString(Math.round(page.overMm() * 100)));
        test.room.printer().load(order.spec().settings().feed(), wistel.core.paper.SheetSize.A4, paper, 5);
        test.room.printer().attendant(false);
        Ticket ticket = new Ticket("laid down", "test", settings, page.fedWidthMm(), page.fedHeightMm(),
            Optional.of(List.of(feedMargins.top(), feedMargins.right(), feedMargins.bottom(), feedMargins.left())), 0, 1, false);
        int job = test.room.printer().create(ticket).id();
        try (InputStream in = Files.newInputStream(test.bean(FileStore.class).path(hash))) {
            test.room.printer().receive(job, in, "image/pwg-raster");
        }
        Waiting.until(() -> test.room.printer().job(job).orElseThrow(), j -> j.state().over(), 60);
        assertThat(test.room.printer().job(job).orElseThrow().state()).isEqualTo(PrintJob.State.COMPLETED);
        try (InputStream in = Files.newInputStream(test.room.printer().sheet(job))) {
            LabScan scan = LabScan.read(in);
            return new View(scan.width(), scan.height(), 3, scan.pixels()).oriented(page.feedTurn().inverse());
        }
    }

    private View foreseen(DocketAssessment judged) {
        return test.bean(PrintPredictionService.class).sheet(judged, 1, SCAN_DPI);
    }

    /** Mean CIEDE2000 over the whole sheet, both averaged over squares of about 2 mm, as edges of pictures lie between dots. */
    private static double apart(View a, View b) {
        int w = 150;
        int h = (int) Math.round(150.0 * a.height() / a.width());
        LightCurve codes = new LightCurve(v -> v);
        View x = a.scaled(wistel.core.pictures.Crop.whole(a.width(), a.height()), w, h, codes);
        View y = b.scaled(wistel.core.pictures.Crop.whole(b.width(), b.height()), w, h, codes);
        double sum = 0;
        for (int i = 0; i < w * h; i++) {
            sum += LabEncoding.V4.lab(x.pixels(), 3 * i).deltaE2000(LabEncoding.V4.lab(y.pixels(), 3 * i));
        }
        return sum / (w * h);
    }

    private void agrees(String docket, Paper paper, RasterType raster, Margins margins, PrintPrediction.Colours colours) throws Exception {
        agrees(judged(docket), paper, raster, margins, colours);
    }

    private void agrees(DocketAssessment judged, Paper paper, RasterType raster, Margins margins, PrintPrediction.Colours colours)
        throws Exception {
        assertThat(test.bean(PrintPredictionService.class).told(judged, 1).colours()).isEqualTo(colours);
        double apart = apart(foreseen(judged), printed(judged, paper, raster, margins));
        System.out.printf("laid down %s on %s: CIEDE2000 %.2f%n", colours, paper, apart);
        assertThat(apart).as(colours + " on " + paper).isLessThan(2);
    }

    @Test
    public void rightSettingsComeOutAsForeseen() throws Exception {
        agrees(docket("Skerry Baryta 310"), Paper.SKERRY_BARYTA, RasterType.DEVICE3_16, REAR, PrintPrediction.Colours.AS_PROOFED);
    }

    @Test
    public void anotherMediaTypeIsForeseenByTheProfileOfThePaperThatItIsFor() throws Exception {
        String docket = docket("Corrie Lustre 260");
        change(docket, "{\"kind\":\"set\",\"setting\":\"media-type\",\"value\":\"photographic-glossy\",\"said\":\"baryta\"}");
        agrees(docket, Paper.CORRIE_LUSTRE, RasterType.DEVICE3_16, REAR, PrintPrediction.Colours.OTHER_TYPE);
        change(docket, "{\"kind\":\"set\",\"setting\":\"media-type\",\"value\":\"stationery-fine\",\"said\":\"cotton\"}");
        assertThat(test.bean(PrintPredictionService.class).told(judged(docket), 1).colours()).as("gloss tells nothing of cotton")
            .isEqualTo(PrintPrediction.Colours.OTHER_TYPE_UNKNOWN);
    }

    @Test
    public void theDriversOwnConversionIsForeseen() throws Exception {
        for (String[] space : new String[][] {{"SRGB", "SRGB_16"}, {"OPRGB", "OPRGB_16"}}) {
            String docket = docket("Skerry Baryta 310");
            change(docket, "{\"kind\":\"routed\",\"route\":{\"kind\":\"by-driver\",\"space\":\"" + space[0] + "\"}}");
            agrees(docket, Paper.SKERRY_BARYTA, RasterType.valueOf(space[1]), REAR, PrintPrediction.Colours.BY_DRIVER);
        }
    }

    /**
     * A printer that takes no colours of its own converts once more; one that takes nothing else converts nothing. Neither can be released,
     * both are shown.
     */
    @Test
    public void colourConvertedTwiceOrByNobodyIsForeseen() throws Exception {
        DocketAssessment twice = taking(judged(docket("Skerry Baryta 310")), "srgb_16");
        assertThat(twice.findings()).extracting(Finding::code).contains(Finding.Code.NO_DEVICE_SPACE);
        agrees(twice, Paper.SKERRY_BARYTA, RasterType.SRGB_16, REAR, PrintPrediction.Colours.TWICE);
        String docket = docket("Skerry Baryta 310");
        change(docket, "{\"kind\":\"routed\",\"route\":{\"kind\":\"by-driver\",\"space\":\"SRGB\"}}");
        DocketAssessment nobody = taking(judged(docket), "device3_16");
        assertThat(nobody.findings()).extracting(Finding::code).contains(Finding.Code.NOBODY_CONVERTS);
        agrees(nobody, Paper.SKERRY_BARYTA, RasterType.DEVICE3_16, REAR, PrintPrediction.Colours.UNCONVERTED);
    }

    /** The same docket, had its printer only this raster type. */
    private static DocketAssessment taking(DocketAssessment j, String raster) {
        PrinterDescription p = j.facts().printer().orElseThrow();
        PrinterDescription poorer = new PrinterDescription(p.model(), p.media(), p.supported(), p.defaults(), p.constraints(),
            p.resolvers(), p.resolutions(), List.of(raster), p.formats(), p.consumption(),
            p.blackChange(), p.words());
        PreflightFacts f = j.facts();
        PreflightFacts on = new PreflightFacts(f.pictures(), f.pairing(), Optional.of(poorer), f.state(), f.blackAlways(), f.proofsSeen(),
            f.secondsPerM2(), f.today(), f.editions());
        return new DocketAssessment(j.row(), on, j.layout(), j.masters(), j.printer(), j.proofKeys(),
            Preflight.findings(j.row().spec(), on, j.layout()));
    }

    /** What falls on edges that can't be printed stays white in both, to half a millimetre. */
    @Test
    public void edgesThatStayWhiteAreForeseenToHalfAMillimetre() throws Exception {
        String docket = docket("Skerry Baryta 310");
        change(docket, "{\"kind\":\"framed\",\"itemId\":\"i1\",\"widthMm\":296,\"heightMm\":197.3}");
        agrees(docket, Paper.SKERRY_BARYTA, RasterType.DEVICE3_16, REAR, PrintPrediction.Colours.AS_PROOFED);
        DocketAssessment judged = judged(docket);
        View sheet = foreseen(judged);
        View scan = printed(judged, Paper.SKERRY_BARYTA, RasterType.DEVICE3_16, REAR);
        for (boolean fromLeft : new boolean[] {true, false}) {
            assertThat(edge(sheet, fromLeft)).as(fromLeft ? "left" : "right").isCloseTo(edge(scan, fromLeft), within(0.5));
        }
        assertThat(edge(sheet, true) + edge(sheet, false)).as("one end is the trailing one").isCloseTo(17, within(1.0));
        assertThat(test.bean(PrintPredictionService.class).told(judged, 1).notes()).extracting(PrintPrediction.Note::code)
            .contains(Optional.of(Finding.Code.ON_UNPRINTABLE_EDGE));
    }

    /** White paper up to the picture, in mm, in the middle row. */
    private static double edge(View sheet, boolean fromLeft) {
        int row = sheet.height() / 2;
        char white = sheet.pixels()[0];
        for (int i = 0; i < sheet.width(); i++) {
            int x = fromLeft ? i : sheet.width() - 1 - i;
            if (Math.abs(sheet.pixels()[3 * (row * sheet.width() + x)] - white) > 2500) {
                return i * 25.4 / SCAN_DPI;
            }
        }
        return -1;
    }

    @Test
    public void borderlessEnlargementIsForeseen() throws Exception {
        String docket = docket("Skerry Baryta 310");
        change(docket, "{\"kind\":\"edged\",\"edge\":{\"borderless\":true,\"overMm\":3,\"bleedMm\":0}}");
        agrees(docket, Paper.SKERRY_BARYTA, RasterType.DEVICE3_16, Margins.NONE, PrintPrediction.Colours.AS_PROOFED);
    }

    @Test
    public void whatIsSeenIsServedAsAPictureWithItsNotes() throws Exception {
        String docket = docket("Corrie Lustre 260");
        change(docket, "{\"kind\":\"set\",\"setting\":\"media-type\",\"value\":\"photographic-glossy\",\"said\":\"baryta\"}");
        JsonNode told = api.get(docket + "/pages/1/prediction/notes").body();
        assertThat(told.path("notes").get(0).path("text").asString()).contains("Shown by the profile of Skerry Baryta 310");
        assertThat(api.get(docket + "/pages/1/prediction?longest=900").raw().body().length).isGreaterThan(50_000);
        assertThat(api.get(docket + "/pages/2/prediction").status()).isEqualTo(400);
        JsonNode costs = api.get(docket + "/costs").body();
        assertThat(costs.path("sheets").asInt()).isEqualTo(1);
        assertThat(costs.path("inkMl").path("basis").asString()).isEqualTo("PRINTER");
        assertThat(costs.path("inkMl").path("value").asDouble()).isBetween(0.3, 2.0);
        assertThat(costs.path("seconds").path("value").asDouble()).isCloseTo(44 * 60 * 0.06237, within(130.0));
    }
}
