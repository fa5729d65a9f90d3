package wistel.standin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import wistel.standin.ink.Laying;
import wistel.standin.ink.SheetMaker;
import java.util.stream.IntStream;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import wistel.core.cgats.Patch;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.paper.SheetSize;
import wistel.core.pictures.LabScan;
import wistel.core.render.PwgRaster;
import wistel.standin.ink.InkOnPaper;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.PrintJob;
import wistel.standin.room.Ticket;

public class PrintRoomTest {
    private PrintRoom room;

    @BeforeClass
    void open() throws IOException {
        room = new PrintRoom(Files.createTempDirectory("room"), 0, 0);
    }

    @AfterClass
    void close() {
        room.close();
    }

    private static byte[] flat(SheetSize size, char r, char g, char b, PwgRaster.Space space) throws IOException {
        int w = (int) Math.round(size.widthMm() / 25.4 * 180);
        int h = (int) Math.round(size.heightMm() / 25.4 * 180);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PwgRaster.Writer writer = new PwgRaster.Writer(out, new PwgRaster.Page(w, h, 180, 16, space, 0, 0, size.ippName(), "", 5, 1));
        char[] row = new char[3 * w];
        for (int i = 0; i < row.length; i += 3) {
            row[i] = r;
            row[i + 1] = g;
            row[i + 2] = b;
        }
        for (int y = 0; y < h; y++) {
            writer.row(row);
        }
        writer.finish();
        return out.toByteArray();
    }

    /** Jobs are on disk: after the power was cut what waited goes on, what was being laid down is aborted and says so. */
    @Test
    public void aPrinterThatWasSwitchedOffKnowsItsJobsAgain() throws Exception {
        Path folder = Files.createTempDirectory("switched-off");
        SheetSize a4 = SheetSize.A4;
        byte[] raster = flat(a4, (char) 20000, (char) 20000, (char) 20000, PwgRaster.Space.DEVICE3);
        int laid;
        int queued;
        int over;
        String uuid;
        try (PrintRoom first = new PrintRoom(folder, 0, 0)) {
            uuid = first.printer().uuid();
            over = sent(first, raster);
            for (int i = 0; i < 1000 && !first.printer().job(over).orElseThrow().state().over(); i++) {
                Thread.sleep(10);
            }
            first.printer().pace(20);
            laid = sent(first, raster);
            queued = sent(first, raster);
            for (int i = 0; i < 1000 && first.printer().job(laid).orElseThrow().percent() == 0; i++) {
                Thread.sleep(10);
            }
        }
        try (PrintRoom second = new PrintRoom(folder, 0, 0)) {
            assertThat(second.printer().uuid()).isEqualTo(uuid);
            assertThat(second.printer().job(over).orElseThrow().state()).isEqualTo(PrintJob.State.COMPLETED);
            assertThat(second.printer().job(laid).orElseThrow().state()).isEqualTo(PrintJob.State.ABORTED);
            for (int i = 0; i < 1000 && !second.printer().job(queued).orElseThrow().state().over(); i++) {
                Thread.sleep(10);
            }
            assertThat(second.printer().job(queued).orElseThrow().state()).isEqualTo(PrintJob.State.COMPLETED);
        }
    }

    private static int sent(PrintRoom to, byte[] raster) throws IOException {
        SheetSize a4 = SheetSize.A4;
        int id = to.printer()
            .create(Ticket.bordered("t", "photographic-glossy", Feeds.REAR, a4)).id();
        to.printer().receive(id, new ByteArrayInputStream(raster), "image/pwg-raster");
        return id;
    }

    private PrintJob.Seen print(String mediaType, String feed, byte[] raster) throws IOException, InterruptedException {
        SheetSize a4 = SheetSize.A4;
        int id = room.printer().create(Ticket.bordered("t", mediaType, feed, a4)).id();
        room.printer().receive(id, new ByteArrayInputStream(raster), "image/pwg-raster");
        return over(id);
    }

    /** Asked for 3 mm over the edges, a line 30 mm from the left comes to lie where enlargement about the middle puts it. */
    @Test
    public void borderlessPaperShowsWhatItIsSentEnlarged() throws Exception {
        SheetSize a4 = SheetSize.A4;
        int w = (int) Math.round(a4.widthMm() / 25.4 * 180);
        int h = (int) Math.round(a4.heightMm() / 25.4 * 180);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PwgRaster.Writer writer = new PwgRaster.Writer(out,
            new PwgRaster.Page(w, h, 180, 16, PwgRaster.Space.DEVICE3, 0, 0, a4.ippName(), "", 5, 1));
        char[] row = new char[3 * w];
        int line = (int) Math.round(30 / 25.4 * 180);
        for (int x = 0; x < w; x++) {
            Arrays.fill(row, 3 * x, 3 * x + 3, (char) (x >= line ? 0 : 65535));
        }
        for (int y = 0; y < h; y++) {
            writer.row(row);
        }
        writer.finish();
        int id = room.printer()
            .create(
                new Ticket("t", "test", Map.of("media-type", "photographic-glossy", "media-source", Feeds.REAR, "wistel-over-edge", "300"),
                    210, 297, Optional.of(List.of(0.0, 0.0, 0.0, 0.0)), 0, 1, false))
            .id();
        room.printer().receive(id, new ByteArrayInputStream(out.toByteArray()), "image/pwg-raster");
        assertThat(over(id).state()).isEqualTo(PrintJob.State.COMPLETED);
        LabScan scan = LabScan.read(Files.newInputStream(room.printer().sheet(id)));
        int dark = 0;
        while (scan.pixels()[3 * (scan.height() / 2 * scan.width() + dark)] > 30000) {
            dark++;
        }
        assertThat(dark * 25.4 / scan.dpi()).isCloseTo(105 + (30 - 105) * 216 / 210.0, within(0.6));
    }

    /** A page of another site that is open in the same browser can't load paper, and a rebound name isn't answered. */
    @Test
    public void foreignPagesAndNamesAreRefused() throws Exception {
        for (String head : new String[] {"Host: localhost:1\r\nOrigin: http://elsewhere.example", "Host: elsewhere.example",
            "Host: localhost:1\r\nOrigin: null"}) {
            try (Socket socket = new Socket("localhost", room.port())) {
                socket.getOutputStream().write(
                    ("POST /room HTTP/1.1\r\n" + head + "\r\nContent-Length: 16\r\nConnection: close\r\n\r\ndo=pace&pace=900")
                        .getBytes(StandardCharsets.ISO_8859_1));
                assertThat(new String(socket.getInputStream().readAllBytes(), StandardCharsets.ISO_8859_1)).startsWith("HTTP/1.1 403");
            }
        }
        assertThat(room.printer().pace()).isZero();
    }

    @Test
    public void aRollGetsShorterByWhatWasPrinted() throws Exception {
        double before = room.printer().feeds().get(Feeds.ROLL).size().heightMm();
        byte[] raster = flat(new SheetSize("cut", "custom", 431.8, 300), (char) 20000, (char) 20000, (char) 20000, PwgRaster.Space.DEVICE3);
        int id = room.printer()
            .create(Ticket.bordered("t", "photographic-satin", Feeds.ROLL, new SheetSize("custom", "custom", 431.8, 300)))
            .id();
        room.printer().receive(id, new ByteArrayInputStream(raster), "image/pwg-raster");
        assertThat(over(id).state()).isEqualTo(PrintJob.State.COMPLETED);
        assertThat(room.printer().feeds().get(Feeds.ROLL).size().heightMm()).isCloseTo(before - 300, within(0.1));
    }

    private PrintJob.Seen over(int id) throws InterruptedException {
        for (int i = 0; i < 1000 && !room.printer().job(id).orElseThrow().state().over(); i++) {
            Thread.sleep(10);
        }
        return room.printer().job(id).orElseThrow();
    }

    private Lab middle(int id) throws IOException {
        LabScan scan = LabScan.read(Files.newInputStream(room.printer().sheet(id)));
        return LabEncoding.V4.lab(scan.pixels(), 3 * (scan.height() / 2 * scan.width() + scan.width() / 2));
    }

    @Test
    public void whatComesOutIsWhatTheInkModelSays() throws Exception {
        PrintJob.Seen job = print("photographic-glossy", Feeds.REAR,
            flat(SheetSize.A4, (char) 20000, (char) 40000, (char) 50000, PwgRaster.Space.DEVICE3));
        double[] wanted = new double[3];
        new InkOnPaper(Paper.SKERRY_BARYTA, "photographic-glossy", 5).lab(new double[] {20000 / 65535.0, 40000 / 65535.0, 50000 / 65535.0},
            wanted);
        assertThat(job.state()).isEqualTo(PrintJob.State.COMPLETED);
        assertThat(middle(job.id()).deltaE2000(Lab.of(wanted))).isLessThan(0.05);
    }

    @Test
    public void theDriversOwnConversionOfSrgbIsNotAnIdentity() throws Exception {
        char v = 30000;
        Lab converted = middle(print("photographic-glossy", Feeds.REAR, flat(SheetSize.A4, v, v, v, PwgRaster.Space.SRGB)).id());
        Lab raw = middle(print("photographic-glossy", Feeds.REAR, flat(SheetSize.A4, v, v, v, PwgRaster.Space.DEVICE3)).id());
        assertThat(converted.deltaE2000(raw)).isGreaterThan(3);
        // sRGB 30000/65535 has L* 48.4: the driver comes near it
        assertThat(converted.l()).isCloseTo(48.4, within(6.0));
    }

    /**
     * The physics that the rest relies on: more ink is darker, matte black is lighter than gloss black, a wrong media type spoils the
     * black.
     */
    @Test
    public void inkDarkensPaperAndTheWrongMediaTypeShows() {
        for (Paper paper : Paper.values()) {
            InkOnPaper ink = new InkOnPaper(paper, paper.mediaType(), 5);
            double before = -1;
            for (double v = 0; v <= 1.0001; v += 0.05) {
                double[] lab = new double[3];
                ink.lab(new double[] {v, v, v}, lab);
                assertThat(lab[0]).as(paper + " at " + v).isGreaterThan(before);
                before = lab[0];
            }
        }
        assertThat(black(Paper.MOSS_COTTON, Paper.MOSS_COTTON)).isGreaterThan(black(Paper.SKERRY_BARYTA, Paper.SKERRY_BARYTA) + 5);
        assertThat(black(Paper.SKERRY_BARYTA, Paper.MOSS_COTTON)).isGreaterThan(black(Paper.SKERRY_BARYTA, Paper.SKERRY_BARYTA) + 5);
    }

    private static double black(Paper paper, Paper setTo) {
        double[] lab = new double[3];
        new InkOnPaper(paper, setTo.mediaType(), 5).lab(new double[] {0, 0, 0}, lab);
        return lab[0];
    }

    @Test
    public void aJobWaitsForPaperAndCanBeCancelledWhileItDoes() throws Exception {
        room.printer().empty(Feeds.FRONT);
        try {
            SheetSize a4 = SheetSize.A4;
            int id = room.printer()
                .create(Ticket.bordered("t", "stationery-fine", Feeds.FRONT, a4)).id();
            room.printer().receive(id, new ByteArrayInputStream(flat(a4, (char) 0, (char) 0, (char) 0, PwgRaster.Space.DEVICE3)),
                "image/pwg-raster");
            for (int i = 0; i < 300 && !room.printer().waitsForPaper(); i++) {
                Thread.sleep(10);
            }
            assertThat(room.printer().job(id).orElseThrow().state()).isEqualTo(PrintJob.State.STOPPED);
            assertThat(room.printer().cancel(id)).isTrue();
            assertThat(over(id).state()).isEqualTo(PrintJob.State.CANCELED);
            assertThat(room.printer().cancel(id)).isFalse();
        } finally {
            room.printer().load(Feeds.FRONT, SheetSize.A4, Paper.MOSS_COTTON, 5);
            room.printer().attendant(true);
        }
    }

    @Test
    public void aDocumentThatIsNoRasterAbortsItsJobAndTheNextOnePrints() throws Exception {
        assertThat(print("photographic-glossy", Feeds.REAR, "no raster".getBytes(StandardCharsets.ISO_8859_1)).state())
            .isEqualTo(PrintJob.State.ABORTED);
        assertThat(
            print("photographic-glossy", Feeds.REAR, flat(SheetSize.A4, (char) 9, (char) 9, (char) 9, PwgRaster.Space.DEVICE3)).state())
            .isEqualTo(PrintJob.State.COMPLETED);
    }

    @Test
    public void mutatedIppPacketsAreAnsweredAndNeverKillTheService() throws Exception {
        HttpClient http = HttpClient.newHttpClient();
        URI uri = URI.create("http://localhost:" + room.port() + "/ipp/print");
        byte[] good = {2, 0, 0, 0x0b, 0, 0, 0, 1, 1, 0x47, 0, 18, 'a', 't', 't', 'r', 'i', 'b', 'u', 't', 'e', 's', '-', 'c', 'h', 'a', 'r',
            's', 'e', 't', 0, 5,
            'u', 't', 'f', '-', '8', 3};
        SplittableRandom random = new SplittableRandom(8);
        for (int i = 0; i < 150; i++) {
            byte[] bad = good.clone();
            for (int k = 0; k < 1 + i % 4; k++) {
                bad[random.nextInt(bad.length)] = (byte) random.nextInt(256);
            }
            HttpResponse<byte[]> answer = http.send(HttpRequest.newBuilder(uri).POST(HttpRequest.BodyPublishers.ofByteArray(bad)).build(),
                HttpResponse.BodyHandlers.ofByteArray());
            assertThat(answer.statusCode()).isEqualTo(200);
            assertThat(answer.body().length).isGreaterThanOrEqualTo(9);
        }
    }

    /** The shipped profiles belong to this printer: each predicts what the ink model lays down. */
    @Test
    public void theShippedProfilesPredictTheStandIn() throws Exception {
        for (Paper paper : List.of(Paper.SKERRY_BARYTA, Paper.MOSS_COTTON, Paper.CORRIE_LUSTRE, Paper.HEATH_COTTON, Paper.TARN_CANVAS)) {
            String name = paper.name().toLowerCase(Locale.ROOT).replace('_', '-');
            var toLab = TransformCompiler.toMeasuredLab(ProfileReader.read(Files.readAllBytes(Path.of("../demo/profiles", name + ".icc"))));
            InkOnPaper ink = new InkOnPaper(paper, paper.mediaType(), 5);
            SplittableRandom random = new SplittableRandom(21);
            double sum = 0;
            double[] lab = new double[3];
            for (int i = 0; i < 500; i++) {
                double[] rgb = {random.nextDouble(), random.nextDouble(), random.nextDouble()};
                ink.lab(rgb, lab);
                sum += LabEncoding.V4.lab(toLab.exact(rgb)).deltaE2000(Lab.of(lab));
            }
            assertThat(sum / 500).as(paper.label()).isLessThan(0.4);
        }
    }

    @Test
    public void theChartOnPaperIsReadBackThroughTheInstrument() throws Exception {
        var chart = ProfilingRun.measure(room, room.printer(), Paper.CORRIE_LUSTRE);
        List<Patch> patches = chart.patches();
        double[] lab = new double[3];
        new InkOnPaper(Paper.CORRIE_LUSTRE, Paper.CORRIE_LUSTRE.mediaType(), 5).lab(patches.get(700).device(), lab);
        assertThat(patches.get(700).lab().deltaE2000(Lab.of(lab))).isLessThan(0.3);
    }

    /** Canvas shows its threads in a scan, on average it is as light as without them; a smooth paper shows none. */
    @Test
    public void aScanOfCanvasShowsItsWeave() {
        double[] canvas = lightness(Paper.TARN_CANVAS);
        double[] smooth = lightness(Paper.SKERRY_BARYTA);
        assertThat(spread(canvas)).isBetween(0.2, 2.0);
        assertThat(spread(smooth)).isLessThan(0.02);
        double[] lab = new double[3];
        new InkOnPaper(Paper.TARN_CANVAS, Paper.TARN_CANVAS.mediaType(), 5).lab(new double[] {0.5, 0.5, 0.5}, lab);
        assertThat(Arrays.stream(canvas).average().orElseThrow()).isCloseTo(lab[0], within(0.05));
    }

    /** L* over a scanned sheet of one middle gray. */
    private static double[] lightness(Paper paper) {
        PwgRaster.Page page = new PwgRaster.Page(720, 720, 360, 16, PwgRaster.Space.DEVICE3, 144, 144, "", paper.mediaType(), 5, 1);
        SheetMaker maker = new SheetMaker(page, paper, Laying.of(paper, Map.of("media-type", paper.mediaType()), 5),
            SheetMaker.Feeding.EXACT);
        char[] row = new char[3 * 720];
        Arrays.fill(row, (char) 32768);
        for (int y = 0; y < 720; y++) {
            maker.row(row);
        }
        var scan = maker.scan();
        return IntStream.range(0, scan.width() * scan.height()).mapToDouble(i -> LabEncoding.V4.l(scan.pixels()[3 * i])).toArray();
    }

    private static double spread(double[] values) {
        double mean = Arrays.stream(values).average().orElseThrow();
        return Math.sqrt(Arrays.stream(values).map(v -> (v - mean) * (v - mean)).average().orElseThrow());
    }
}
