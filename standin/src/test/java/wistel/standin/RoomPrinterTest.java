package wistel.standin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.paper.SheetSize;
import wistel.core.pictures.LabScan;
import wistel.core.render.PwgRaster;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.Loaded;
import wistel.standin.room.MachineModel;
import wistel.standin.room.PrintJob;
import wistel.standin.room.RoomPrinter;
import wistel.standin.room.Ticket;
import wistel.standin.room.Trouble;

/** What the two printers do by their rules: inks, blacks, margins, heads and troubles. */
public class RoomPrinterTest {
    private static final SheetSize A4 = SheetSize.A4;
    private static final List<Double> KEPT = List.of(30.0, 3.4, 30.0, 3.4);
    private static final List<Double> WAIVED = List.of(3.4, 3.4, 3.4, 3.4);

    /** A clock that stands where it is put. */
    private static final class Standing extends Clock {
        private Instant now = Instant.parse("2026-11-20T08:00:00Z");

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return now;
        }
    }

    private static RoomPrinter printer(MachineModel model) throws IOException {
        return new RoomPrinter(model, Files.createTempDirectory("room"), Clock.systemUTC(), 0);
    }

    private static byte[] gray(char v, PwgRaster.Space space) throws IOException {
        int w = (int) Math.round(A4.widthMm() / 25.4 * 90);
        int h = (int) Math.round(A4.heightMm() / 25.4 * 90);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PwgRaster.Writer writer = new PwgRaster.Writer(out, new PwgRaster.Page(w, h, 90, 16, space, 0, 0, A4.ippName(), "", 5, 1));
        char[] row = new char[space.channels() * w];
        Arrays.fill(row, v);
        for (int y = 0; y < h; y++) {
            writer.row(row);
        }
        writer.finish();
        return out.toByteArray();
    }

    private static Ticket ticket(Paper paper, String feed, List<Double> margins, Map<String, String> more) {
        Map<String, String> settings = new HashMap<>(Map.of("media-type", paper.mediaType(), "media-source", feed));
        settings.putAll(more);
        return new Ticket("t", "test", settings, A4.widthMm(), A4.heightMm(), Optional.of(margins), 0, 1, false);
    }

    private static int send(RoomPrinter printer, Ticket ticket, byte[] raster) throws IOException {
        int id = printer.create(ticket).id();
        printer.receive(id, new ByteArrayInputStream(raster), "image/pwg-raster");
        return id;
    }

    private static PrintJob.Seen over(RoomPrinter printer, int id) throws InterruptedException {
        return until(printer, id, PrintJob.State.COMPLETED);
    }

    private static PrintJob.Seen until(RoomPrinter printer, int id, PrintJob.State state) throws InterruptedException {
        for (int i = 0; i < 2000 && printer.job(id).orElseThrow().state() != state; i++) {
            Thread.sleep(5);
        }
        assertThat(printer.job(id).orElseThrow().state()).isEqualTo(state);
        return printer.job(id).orElseThrow();
    }

    private static LabScan scan(RoomPrinter printer, int id) throws IOException {
        return LabScan.read(new ByteArrayInputStream(Files.readAllBytes(printer.sheet(id))));
    }

    private static Lab middle(LabScan s) {
        return LabEncoding.V4.lab(s.pixels(), 3 * (s.height() / 2 * s.width() + s.width() / 2));
    }

    @Test
    public void monochromeKeepsToBlackAndGrayInkAndItsDarknessIsFollowed() throws Exception {
        try (RoomPrinter printer = printer(MachineModel.ARDLE_17)) {
            printer.load(Feeds.FRONT, A4, Paper.MOSS_COTTON, 20);
            Map<String, Integer> before = printer.inks();
            double lighter = 101;
            for (String darkness : List.of("1", "2", "3", "4", "5")) {
                Ticket t = ticket(Paper.MOSS_COTTON, Feeds.FRONT, KEPT,
                    Map.of("print-color-mode", "process-monochrome", "wistel-mono-darkness", darkness));
                Lab lab = middle(scan(printer, over(printer, send(printer, t, gray((char) 28000, PwgRaster.Space.SGRAY))).id()));
                assertThat(lab.l()).as("darkness " + darkness).isLessThan(lighter - 0.5);
                assertThat(Math.hypot(lab.a(), lab.b())).as("near the paper's own tint").isLessThan(3);
                lighter = lab.l();
            }
            Ticket warm = ticket(Paper.MOSS_COTTON, Feeds.FRONT, KEPT,
                Map.of("print-color-mode", "process-monochrome", "wistel-mono-tint", "warm"));
            Ticket neutral = ticket(Paper.MOSS_COTTON, Feeds.FRONT, KEPT, Map.of("print-color-mode", "process-monochrome"));
            double b = middle(scan(printer, over(printer, send(printer, neutral, gray((char) 28000, PwgRaster.Space.SGRAY))).id())).b();
            assertThat(before.get("cyan")).isEqualTo(printer.inks().get("cyan"));
            assertThat(middle(scan(printer, over(printer, send(printer, warm, gray((char) 28000, PwgRaster.Space.SGRAY))).id())).b())
                .isGreaterThan(b + 1);
            assertThat(printer.inks().get("gray")).isLessThan(before.get("gray"));
        }
    }

    @Test
    public void blacksAreChangedOverForWhatIsPrinted() throws Exception {
        try (RoomPrinter printer = printer(MachineModel.ARDLE_17)) {
            printer.load(Feeds.FRONT, A4, Paper.MOSS_COTTON, 20);
            assertThat(printer.photoBlack()).isTrue();
            int matte = printer.inks().get("matte black");
            PrintJob.Seen job = over(printer,
                send(printer, ticket(Paper.MOSS_COTTON, Feeds.FRONT, KEPT, Map.of()), gray((char) 65535, PwgRaster.Space.DEVICE3)));
            assertThat(printer.photoBlack()).isFalse();
            assertThat(printer.inks().get("matte black")).as("3.1 of 80 ml").isCloseTo(matte - 4, within(1));
            assertThat(job.inkMl()).as("a blank page takes none").isCloseTo(0, within(1e-6));
        }
    }

    /**
     * Kept margins never mark the sheet; waived ones mark paper that lifts on some sheets, near the leading edge alone, and a wide gap
     * mostly saves it.
     */
    @Test
    public void waivedMarginsMarkSomeSheetsOfPaperThatLifts() throws Exception {
        try (RoomPrinter printer = printer(MachineModel.ARDLE_17)) {
            int kept = 0;
            int waived = 0;
            int wide = 0;
            for (int i = 0; i < 12; i++) {
                kept += marked(printer, ticket(Paper.HEATH_COTTON, Feeds.FRONT, KEPT, Map.of())) ? 1 : 0;
                waived += marked(printer, ticket(Paper.HEATH_COTTON, Feeds.FRONT, WAIVED, Map.of())) ? 1 : 0;
                wide += marked(printer, ticket(Paper.HEATH_COTTON, Feeds.FRONT, WAIVED, Map.of("wistel-head-gap", "wide"))) ? 1 : 0;
            }
            assertThat(kept).isZero();
            assertThat(waived).isBetween(3, 12);
            assertThat(wide).isLessThan(waived);
        }
    }

    private static boolean marked(RoomPrinter printer, Ticket ticket) throws Exception {
        printer.load(Feeds.FRONT, A4, Paper.HEATH_COTTON, 20);
        LabScan s = scan(printer, over(printer, send(printer, ticket, gray((char) 65535, PwgRaster.Space.DEVICE3))).id());
        char white = s.pixels()[3 * (s.height() / 2 * s.width() + s.width() / 2)];
        boolean marked = false;
        for (int y = 0; y < s.height(); y++) {
            for (int x = 0; x < s.width(); x++) {
                if (s.pixels()[3 * (y * s.width() + x)] < white * 0.9) {
                    assertThat(y * 25.4 / s.dpi()).as("near the leading edge").isLessThan(30);
                    marked = true;
                }
            }
        }
        return marked;
    }

    @Test
    public void whatItCantPrintStaysWhite() throws Exception {
        try (RoomPrinter printer = printer(MachineModel.ARDLE_17)) {
            LabScan s = scan(printer,
                over(printer, send(printer, ticket(Paper.SKERRY_BARYTA, Feeds.REAR, List.of(3.0, 3.0, 14.0, 3.0), Map.of()),
                    gray((char) 0, PwgRaster.Space.DEVICE3))).id());
            int foot = s.height() - (int) Math.round(13 / 25.4 * s.dpi());
            assertThat(LabEncoding.V4.lab(s.pixels(), 3 * (foot * s.width() + s.width() / 2)).l()).isGreaterThan(90);
            assertThat(LabEncoding.V4.lab(s.pixels(), 3 * ((foot - 12) * s.width() + s.width() / 2)).l()).isLessThan(10);
        }
    }

    @Test
    public void anEmptyInkAJamAndAnOpenCoverStopTheSheetUntilTheyArePutRight() throws Exception {
        try (RoomPrinter printer = printer(MachineModel.ARDLE_17)) {
            printer.attendant(false);
            Ticket t = ticket(Paper.SKERRY_BARYTA, Feeds.REAR, List.of(3.0, 3.0, 14.0, 3.0), Map.of());
            for (Trouble trouble : List.of(Trouble.JAM, Trouble.COVER)) {
                printer.trouble(trouble);
                int id = send(printer, t, gray((char) 30000, PwgRaster.Space.DEVICE3));
                until(printer, id, PrintJob.State.STOPPED);
                printer.trouble(Trouble.NONE);
                over(printer, id);
            }
            printer.drain("cyan");
            int id = send(printer, t, gray((char) 30000, PwgRaster.Space.DEVICE3));
            until(printer, id, PrintJob.State.STOPPED);
            assertThat(printer.inkEmpty()).isTrue();
            printer.replaceInks();
            over(printer, id);
            assertThat(printer.inks().get("cyan")).isBetween(95, 100);
        }
    }

    @Test
    public void afterDaysOfRestTheHeadIsCleanedFirst() throws Exception {
        Standing clock = new Standing();
        try (RoomPrinter printer = new RoomPrinter(MachineModel.ARDLE_17, Files.createTempDirectory("room"), clock, 0)) {
            Ticket t = ticket(Paper.SKERRY_BARYTA, Feeds.REAR, List.of(3.0, 3.0, 14.0, 3.0), Map.of());
            over(printer, send(printer, t, gray((char) 65535, PwgRaster.Space.DEVICE3)));
            int before = printer.inks().values().stream().mapToInt(v -> v).sum();
            clock.now = clock.now.plus(Duration.ofDays(2));
            over(printer, send(printer, t, gray((char) 65535, PwgRaster.Space.DEVICE3)));
            assertThat(printer.inks().values().stream().mapToInt(v -> v).sum()).isEqualTo(before);
            for (int i = 0; i < 6; i++) {
                clock.now = clock.now.plus(Duration.ofDays(4));
                over(printer, send(printer, t, gray((char) 65535, PwgRaster.Space.DEVICE3)));
            }
            assertThat(printer.inks().values().stream().mapToInt(v -> v).sum()).as("six cleanings of 1.2 ml").isLessThan(before - 4);
        }
    }

    @Test
    public void whatLiesInItSurvivesASwitchOff() throws Exception {
        Path folder = Files.createTempDirectory("room");
        Map<String, Integer> inks;
        try (RoomPrinter first = new RoomPrinter(MachineModel.ARDLE_44, folder, Clock.systemUTC(), 0)) {
            first.load(Feeds.ROLL, Loaded.roll(914.4, 15_000, Paper.TARN_CANVAS).size(), Paper.TARN_CANVAS, 1);
            Ticket t = new Ticket("t", "test", Map.of("media-type", Paper.TARN_CANVAS.mediaType(), "media-source", Feeds.ROLL), 914.4, 600,
                Optional.of(List.of(30.0, 3.0, 30.0, 3.0)), 0, 1, false);
            int w = (int) Math.round(914.4 / 25.4 * 20);
            int h = (int) Math.round(600 / 25.4 * 20);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            PwgRaster.Writer writer = new PwgRaster.Writer(out,
                new PwgRaster.Page(w, h, 20, 16, PwgRaster.Space.DEVICE3, 0, 0, "", "", 5, 1));
            char[] row = new char[3 * w];
            for (int y = 0; y < h; y++) {
                writer.row(row);
            }
            writer.finish();
            assertThat(over(first, send(first, t, out.toByteArray())).inkMl()).isGreaterThan(1);
            inks = first.inks();
        }
        try (RoomPrinter second = new RoomPrinter(MachineModel.ARDLE_44, folder, Clock.systemUTC(), 0)) {
            assertThat(second.inks()).isEqualTo(inks);
            assertThat(second.photoBlack()).isFalse();
            Loaded roll = second.feeds().get(Feeds.ROLL);
            assertThat(roll.paper()).isEqualTo(Paper.TARN_CANVAS);
            assertThat(roll.size().heightMm()).isCloseTo(14_400, within(1.0));
        }
    }

    @Test
    public void anUnpluggedPrinterAnswersNobodyAndTheOtherGoesOn() throws Exception {
        try (PrintRoom room = new PrintRoom(Files.createTempDirectory("room"), 0, 0)) {
            HttpClient http = HttpClient.newHttpClient();
            room.printer().vanish(true);
            assertThatThrownBy(() -> http.send(asked(room, "/ipp/print"), HttpResponse.BodyHandlers.ofByteArray()))
                .isInstanceOf(IOException.class);
            assertThat(http.send(asked(room, "/ipp/large"), HttpResponse.BodyHandlers.ofByteArray()).statusCode()).isEqualTo(200);
            room.printer().vanish(false);
            assertThat(http.send(asked(room, "/ipp/print"), HttpResponse.BodyHandlers.ofByteArray()).statusCode()).isEqualTo(200);
            String strings = http
                .send(HttpRequest.newBuilder(URI.create("http://localhost:" + room.port() + "/strings/ipp/print.strings")).build(),
                    HttpResponse.BodyHandlers.ofString())
                .body();
            assertThat(strings).contains("\"media-type.stationery-fine\" = \"cotton, smooth\";");
        }
    }

    private static HttpRequest asked(PrintRoom room, String path) {
        return HttpRequest.newBuilder(URI.create("http://localhost:" + room.port() + path))
            .POST(HttpRequest.BodyPublishers.ofByteArray(new byte[] {2, 0, 0, 0x0b, 0, 0, 0, 1, 3})).build();
    }
}
