package wistel.standin;

import static org.assertj.core.api.Assertions.assertThat;

import com.hp.jipp.encoding.Attribute;
import com.hp.jipp.encoding.AttributeGroup;
import com.hp.jipp.encoding.IppInputStream;
import com.hp.jipp.encoding.IppOutputStream;
import com.hp.jipp.encoding.IppPacket;
import com.hp.jipp.encoding.KeywordOrName;
import com.hp.jipp.encoding.Name;
import com.hp.jipp.encoding.OtherString;
import com.hp.jipp.encoding.Tag;
import com.hp.jipp.encoding.UnknownAttribute;
import com.hp.jipp.encoding.UntypedCollection;
import com.hp.jipp.encoding.UntypedEnum;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.GZIPOutputStream;
import javax.imageio.ImageIO;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.paper.SheetSize;
import wistel.core.pictures.LabScan;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.MachineModel;
import wistel.standin.room.Ticket;

/** The printer over the wire, one operation at a time. */
public class IppServiceTest {
    /** A job that says nothing. */
    private static final Ticket UNSAID = new Ticket("a", "b", Map.of(), 0, 0, Optional.empty(), 0, 1, false);

    private static final int OK = 0;
    private PrintRoom room;
    private final HttpClient http = HttpClient.newHttpClient();

    @BeforeClass
    void open() throws IOException {
        room = new PrintRoom(Files.createTempDirectory("room"), 0, 0);
    }

    @AfterClass
    void close() {
        room.close();
    }

    private static Attribute<?> text(String name, Object... values) {
        return new UnknownAttribute(name, List.of(values));
    }

    private static Attribute<?> keyword(String name, String... values) {
        return new UnknownAttribute(name, Arrays.stream(values).map(v -> (Object) new KeywordOrName(v)).toList());
    }

    private IppPacket ask(int operation, List<Attribute<?>> more, List<Attribute<?>> job, byte[] document) throws Exception {
        List<Attribute<?>> head = new ArrayList<>(List.of(text("attributes-charset", new OtherString(Tag.charset, "utf-8")),
            text("attributes-natural-language", new OtherString(Tag.naturalLanguage, "en")),
            text("printer-uri", URI.create("ipp://localhost/ipp/print")),
            text("requesting-user-name", new Name("tester"))));
        head.addAll(more);
        List<AttributeGroup> groups = new ArrayList<>(List.of(AttributeGroup.groupOf(Tag.operationAttributes, head)));
        if (!job.isEmpty()) {
            groups.add(AttributeGroup.groupOf(Tag.jobAttributes, job));
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new IppOutputStream(out).write(new IppPacket(0x0200, operation, 7, groups));
        out.write(document);
        HttpResponse<byte[]> answer = http.send(HttpRequest.newBuilder(URI.create("http://localhost:" + room.port() + "/ipp/print"))
            .header("Content-Type", "application/ipp").POST(BodyPublishers.ofByteArray(out.toByteArray())).build(),
            HttpResponse.BodyHandlers.ofByteArray());
        IppPacket packet = new IppInputStream(new ByteArrayInputStream(answer.body())).readPacket();
        assertThat(packet.getRequestId()).isEqualTo(7);
        return packet;
    }

    private IppPacket ask(int operation, Attribute<?>... more) throws Exception {
        return ask(operation, List.of(more), List.of(), new byte[0]);
    }

    private static int jobId(IppPacket answer) {
        return (Integer) answer.get(Tag.jobAttributes).get("job-id").get(0);
    }

    private static int state(IppPacket answer) {
        return ((com.hp.jipp.encoding.Enum) answer.get(Tag.jobAttributes).get("job-state").get(0)).getCode();
    }

    private int overState(int job) throws Exception {
        for (int i = 0; i < 500; i++) {
            int state = state(ask(0x09, text("job-id", job)));
            if (state >= 7) {
                return state;
            }
            Thread.sleep(20);
        }
        throw new AssertionError("job " + job + " is not over");
    }

    private static byte[] jpeg(int gray) throws IOException {
        BufferedImage image = new BufferedImage(120, 160, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < 120 * 160; i++) {
            image.setRGB(i % 120, i / 120, gray << 16 | gray << 8 | gray);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpg", out);
        return out.toByteArray();
    }

    @Test
    public void theMediaDatabaseIsGivenOnlyToThoseWhoAskForItByName() throws Exception {
        AttributeGroup all = ask(0x0b).get(Tag.printerAttributes);
        assertThat(all.get("media-col-database")).isNull();
        assertThat(all.get("printer-name").strings()).containsExactly("Ardle 17");
        AttributeGroup some = ask(0x0b, keyword("requested-attributes", "media-col-database", "printer-state")).get(Tag.printerAttributes);
        assertThat(some.get("media-col-database")).hasSize(MachineModel.ARDLE_17.offers().size());
        assertThat(some.get("printer-name")).isNull();
    }

    @Test
    public void stiffCottonIsOfferedThroughTheFrontPathAloneWithMarginsThatMayBeWaived() {
        assertThat(MachineModel.ARDLE_17.offers()).filteredOn(o -> o.paper().mediaType().equals("stationery-fine"))
            .allMatch(o -> o.feed().equals(Feeds.FRONT) && (o.lead() == 30 && o.trail() == 30 || o.lead() == 3.4));
        assertThat(MachineModel.ARDLE_17.offers()).filteredOn(o -> o.feed().equals(Feeds.REAR) && !o.borderless())
            .allMatch(o -> o.trail() > o.lead());
    }

    @Test
    public void aPackedJpegIsUnpackedFittedAndLaidDown() throws Exception {
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(packed)) {
            gzip.write(jpeg(30));
        }
        IppPacket answer = ask(0x02,
            List.of(text("document-format", new OtherString(Tag.mimeMediaType, "image/jpeg")), keyword("compression", "gzip")), List.of(),
            packed.toByteArray());
        assertThat(answer.getCode()).isEqualTo(OK);
        int job = jobId(answer);
        assertThat(overState(job)).isEqualTo(9);
        LabScan scan = LabScan.read(Files.newInputStream(room.printer().sheet(job)));
        Lab middle = LabEncoding.V4.lab(scan.pixels(), 3 * (scan.height() / 2 * scan.width() + scan.width() / 2));
        Lab corner = LabEncoding.V4.lab(scan.pixels(), 0);
        assertThat(middle.l()).isLessThan(35);
        assertThat(corner.l()).as("bare paper").isGreaterThan(90);
    }

    @Test
    public void whatItCantTakeIsRefusedBeforeAJobIsMade() throws Exception {
        int before = room.printer().jobs().size();
        assertThat(ask(0x04, text("document-format", new OtherString(Tag.mimeMediaType, "application/pdf"))).getCode()).isEqualTo(0x040a);
        assertThat(ask(0x04, keyword("compression", "compress")).getCode()).isEqualTo(0x040f);
        Attribute<?> size = text("media-size", new UntypedCollection(List.of(text("x-dimension", 50_000), text("y-dimension", 60_000))));
        assertThat(ask(0x04, List.of(text("ipp-attribute-fidelity", true)),
            List.of(text("media-col", new UntypedCollection(List.of(size)))), new byte[0]).getCode())
            .isEqualTo(0x040b);
        assertThat(ask(0x7777).getCode()).isEqualTo(0x0501);
        assertThat(room.printer().jobs()).hasSize(before);
    }

    @Test
    public void aJobIsAnnouncedThenFedAndTakesOneDocumentOnly() throws Exception {
        int job = jobId(
            ask(0x05, List.of(text("job-name", new Name("two steps"))), List.of(text("print-quality", new UntypedEnum(3))), new byte[0]));
        assertThat(ask(0x09, text("job-id", job)).get(Tag.jobAttributes).get("job-state-reasons").strings())
            .containsExactly("job-incoming");
        List<Attribute<?>> last = List.of(text("job-id", job), text("last-document", true),
            text("document-format", new OtherString(Tag.mimeMediaType, "image/jpeg")));
        assertThat(ask(0x06, List.of(text("job-id", job)), List.of(), jpeg(90)).getCode()).as("last-document is missing").isEqualTo(0x0400);
        assertThat(ask(0x06, last, List.of(), jpeg(90)).getCode()).isEqualTo(OK);
        assertThat(ask(0x06, last, List.of(), jpeg(90)).getCode()).as("a second document").isEqualTo(0x0404);
        assertThat(overState(job)).isEqualTo(9);
        assertThat(ask(0x06, List.of(text("job-id", 99_999), text("last-document", true)), List.of(), jpeg(1)).getCode()).isEqualTo(0x0406);
    }

    @Test
    public void everyCopyTakesASheet() throws Exception {
        room.printer().load(Feeds.REAR, SheetSize.A4, Paper.SKERRY_BARYTA, 20);
        int job = jobId(ask(0x02, List.of(text("document-format", new OtherString(Tag.mimeMediaType, "image/jpeg"))),
            List.of(text("copies", 3)), jpeg(60)));
        assertThat(overState(job)).isEqualTo(9);
        assertThat(room.printer().feeds().get(Feeds.REAR).sheets()).isEqualTo(17);
        assertThat(ask(0x09, text("job-id", job)).get(Tag.jobAttributes).get("job-impressions-completed").get(0)).isEqualTo(3);
    }

    /** At pace 1000 an A4 sheet in quick quality takes 12 min/m2 x 0.0624 m2 / 1000 = 45 ms; in fine quality 165 ms. */
    @Test
    public void finerQualityTakesLonger() throws Exception {
        room.printer().load(Feeds.REAR, SheetSize.A4, Paper.SKERRY_BARYTA, 20);
        room.printer().pace(1000);
        try {
            for (int quality : new int[] {3, 5}) {
                int job = jobId(ask(0x02, List.of(text("document-format", new OtherString(Tag.mimeMediaType, "image/jpeg"))),
                    List.of(text("print-quality", new UntypedEnum(quality))), jpeg(60)));
                assertThat(overState(job)).isEqualTo(9);
                var seen = room.printer().job(job).orElseThrow();
                long took = Duration.between(seen.started().orElseThrow(), seen.finished().orElseThrow()).toMillis();
                assertThat(took).isGreaterThanOrEqualTo(quality == 3 ? 40 : 150);
            }
        } finally {
            room.printer().pace(0);
        }
    }

    @Test
    public void getJobsTellsMineFromOthersAndOverFromOpen() throws Exception {
        int mine = jobId(ask(0x05, List.of(text("job-name", new Name("mine"))), List.of(), new byte[0]));
        assertThat(names(ask(0x0a, keyword("which-jobs", "not-completed"), text("my-jobs", true), keyword("requested-attributes", "all"))))
            .contains("mine");
        ask(0x08, text("job-id", mine));
        assertThat(names(ask(0x0a, keyword("which-jobs", "not-completed"), keyword("requested-attributes", "all")))).doesNotContain("mine");
        assertThat(names(ask(0x0a, keyword("which-jobs", "completed"), keyword("requested-attributes", "all")))).contains("mine");
        assertThat(ask(0x0a, keyword("which-jobs", "somewhere")).getCode()).isEqualTo(0x040b);
        assertThat(ask(0x0a, keyword("which-jobs", "completed"), text("limit", 1)).getAttributeGroups()).hasSize(2);
    }

    private static List<String> names(IppPacket answer) {
        return answer.getAttributeGroups().stream().filter(g -> g.getTag().equals(Tag.jobAttributes) && g.get("job-name") != null)
            .map(g -> g.get("job-name").strings().get(0)).toList();
    }

    @Test
    public void aHeldJobWaitsForItsRelease() throws Exception {
        int job = jobId(ask(0x02, List.of(text("document-format", new OtherString(Tag.mimeMediaType, "image/jpeg"))),
            List.of(keyword("job-hold-until", "indefinite")), jpeg(60)));
        assertThat(state(ask(0x09, text("job-id", job)))).isEqualTo(4);
        assertThat(ask(0x0d, text("job-id", job)).getCode()).isEqualTo(OK);
        assertThat(overState(job)).isEqualTo(9);
    }

    @Test
    public void jobNumbersGoOnAfterThePrinterWasSwitchedOff() throws Exception {
        var folder = Files.createTempDirectory("room");
        int before;
        try (PrintRoom first = new PrintRoom(folder, 0, 0)) {
            before = first.printer().create(UNSAID).id();
        }
        try (PrintRoom second = new PrintRoom(folder, 0, 0)) {
            assertThat(second.printer().create(UNSAID).id()).isEqualTo(before + 1);
        }
    }

    @Test
    public void thePersonInTheRoomLoadsPaperOnItsPage() throws Exception {
        String base = "http://localhost:" + room.port();
        HttpResponse<String> page = http.send(HttpRequest.newBuilder(URI.create(base + "/")).build(), HttpResponse.BodyHandlers.ofString());
        assertThat(page.body()).contains("Take the paper out").contains("Skerry Baryta 310").doesNotContain("{{");
        HttpResponse<String> loaded = http.send(HttpRequest.newBuilder(URI.create(base + "/room"))
            .POST(BodyPublishers.ofString("do=load&feed=rear&size=A3&paper=CORRIE_LUSTRE")).build(), HttpResponse.BodyHandlers.ofString());
        assertThat(loaded.statusCode()).isEqualTo(303);
        assertThat(room.printer().feeds().get(Feeds.REAR).size().name()).isEqualTo("A3");
        for (String wrong : new String[] {"do=load&feed=cellar&size=A3&paper=CORRIE_LUSTRE", "do=load&feed=rear&size=A3&paper=GOLD",
            "do=pace&pace=fast", "", "do=dance"}) {
            assertThat(http
                .send(HttpRequest.newBuilder(URI.create(base + "/room")).POST(BodyPublishers.ofString(wrong)).build(),
                    HttpResponse.BodyHandlers.ofString())
                .statusCode()).as(wrong).isEqualTo(400);
        }
        assertThat(http.send(HttpRequest.newBuilder(URI.create(base + "/scan/424242.tif")).build(), HttpResponse.BodyHandlers.ofString())
            .statusCode()).isEqualTo(404);
    }
}
