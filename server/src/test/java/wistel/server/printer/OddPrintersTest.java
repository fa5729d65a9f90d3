package wistel.server.printer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.hp.jipp.encoding.Attribute;
import com.hp.jipp.encoding.AttributeGroup;
import com.hp.jipp.encoding.IntOrIntRange;
import com.hp.jipp.encoding.IppOutputStream;
import com.hp.jipp.encoding.IppPacket;
import com.hp.jipp.encoding.KeywordOrName;
import com.hp.jipp.encoding.Name;
import com.hp.jipp.encoding.OtherString;
import com.hp.jipp.encoding.Tag;
import com.hp.jipp.encoding.Text;
import com.hp.jipp.encoding.UnknownAttribute;
import com.hp.jipp.encoding.UntypedCollection;
import com.hp.jipp.encoding.UntypedEnum;
import com.sun.net.httpserver.HttpServer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import wistel.core.fault.PrinterException;
import wistel.core.printer.JobRequest;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterRules;

/** Printers that describe nonsense, too much, or never stop talking: each ends in a sentence or is left out, within bounds. */
public class OddPrintersTest {
    private HttpServer http;
    private List<Attribute<?>> said;
    private volatile byte[] strings = {};
    private final IppClient ipp = new IppClient();

    @BeforeMethod
    void open() throws IOException {
        said = new ArrayList<>();
        http = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        http.setExecutor(Executors.newCachedThreadPool(r -> {
            Thread t = new Thread(r);
            t.setDaemon(true);
            return t;
        }));
        http.createContext("/ipp", e -> {
            e.getRequestBody().readAllBytes();
            byte[] body = answer();
            e.sendResponseHeaders(200, body.length);
            e.getResponseBody().write(body);
            e.close();
        });
        http.createContext("/strings", e -> {
            e.sendResponseHeaders(200, strings.length);
            e.getResponseBody().write(strings);
            e.close();
        });
        http.createContext("/endless", e -> {
            e.sendResponseHeaders(200, 0);
            try (OutputStream out = e.getResponseBody()) {
                byte[] line = "\"a\" = \"b\";\n".repeat(1000).getBytes(StandardCharsets.UTF_8);
                while (true) {
                    out.write(line);
                }
            }
        });
        http.start();
    }

    @AfterMethod(alwaysRun = true)
    void close() {
        http.stop(0);
    }

    private String base(String scheme) {
        return scheme + "://localhost:" + http.getAddress().getPort();
    }

    private byte[] answer() throws IOException {
        List<AttributeGroup> groups = List.of(
            AttributeGroup.groupOf(Tag.operationAttributes, List.of(attribute("attributes-charset", new OtherString(Tag.charset, "utf-8")),
                attribute("attributes-natural-language", new OtherString(Tag.naturalLanguage, "en")))),
            AttributeGroup.groupOf(Tag.printerAttributes, said));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new IppOutputStream(out).write(new IppPacket(0x0200, 0, 1, groups));
        return out.toByteArray();
    }

    private static Attribute<?> attribute(String name, Object... values) {
        return new UnknownAttribute(name, List.of(values));
    }

    private static Object keyword(String value) {
        return new KeywordOrName(value);
    }

    private static UntypedCollection media(Object x, Object y) {
        return new UntypedCollection(
            List.of(attribute("media-size", new UntypedCollection(List.of(attribute("x-dimension", x), attribute("y-dimension", y)))),
                attribute("media-top-margin", -300)));
    }

    private PrinterDescription described() {
        return ipp.describe(base("ipp") + "/ipp").description();
    }

    @Test
    public void aPrinterWithoutMediaHasNoneAndEveryRequestIsLeftToIt() {
        said.add(attribute("printer-name", new Name("Bare")));
        PrinterDescription bare = described();
        assertThat(bare.media()).isEmpty();
        assertThat(bare.constraints()).isEmpty();
        assertThat(new PrinterRules(bare).row(new JobRequest(Map.of(), 210, 297, false, false, 0))).isEmpty();
    }

    @Test
    public void invertedAndNegativeRangesAreLeftOut() {
        said.add(attribute("media-col-database", media(new IntOrIntRange(30000, 20000), 29700), media(-21000, 29700),
            media(21000, new IntOrIntRange(10000, 50000)), keyword("no collection")));
        PrinterDescription d = described();
        assertThat(d.media()).hasSize(1);
        assertThat(d.media().get(0).margins().top()).isZero();
        assertThat(d.media().get(0).roll()).isTrue();
    }

    /** A before b and b before a, and everything excluded: the search for a way out ends. */
    @Test
    public void constraintsThatContradictThemselvesEndInNoWayOut() {
        said.add(attribute("print-quality-supported", new UntypedEnum(3), new UntypedEnum(4)));
        said.add(attribute("print-color-mode-supported", keyword("color"), keyword("monochrome")));
        said.add(attribute("job-constraints-supported",
            new UntypedCollection(
                List.of(attribute("resolver-name", new Name("r")), attribute("print-quality", new UntypedEnum(3), new UntypedEnum(4)),
                    attribute("print-color-mode", keyword("color"), keyword("monochrome")))),
            new UntypedCollection(List.of(attribute("resolver-name", new Name("r")))), new UntypedCollection(List.of())));
        said.add(attribute("job-resolvers-supported",
            new UntypedCollection(List.of(attribute("resolver-name", new Name("r")), attribute("print-quality", new UntypedEnum(99))))));
        PrinterDescription d = described();
        assertThat(d.constraints()).hasSize(1);
        PrinterRules rules = new PrinterRules(d);
        JobRequest job = new JobRequest(Map.of("print-quality", "3", "print-color-mode", "color"), 210, 297, false, false, 0);
        assertThat(rules.check(job)).hasSize(1);
        assertThat(rules.way(job, java.util.Set.of())).isEmpty();
    }

    @Test
    public void tooManyMediaAreRefusedInASentence() {
        List<Object> rows = new ArrayList<>();
        for (int i = 0; i <= IppDescription.MOST_ROWS; i++) {
            rows.add(media(21000 + i, 29700));
        }
        said.add(new UnknownAttribute("media-col-database", rows));
        assertThatThrownBy(this::described).isInstanceOf(PrinterException.class).hasMessageContaining("kinds of media");
    }

    @Test
    public void anAnswerLargerThanAnyPrinterNeedsIsRefused() {
        List<Object> texts = new ArrayList<>();
        for (int i = 0; i < 9000; i++) {
            texts.add(new Text("x".repeat(1000)));
        }
        said.add(new UnknownAttribute("printer-info", texts));
        assertThatThrownBy(this::described).isInstanceOf(PrinterException.class);
    }

    @Test
    public void wordsAreTakenWithinBoundsAndAStringsFileThatNeverEndsIsDoneWithout() {
        strings = ("/* words */\n\"media-type.glossy\" = \"baryta \\\"fine\\\"\";\n\"broken\" = \"no end\n\"media-type\" = \"paper "
            + "kind\";\n\"x\" = \""
            + "y".repeat(1500) + "\";").getBytes(StandardCharsets.UTF_8);
        said.add(attribute("media-type-supported", keyword("glossy")));
        said.add(attribute("printer-strings-uri", URI.create(base("http") + "/strings")));
        PrinterDescription d = described();
        assertThat(d.type("glossy")).isEqualTo("baryta \"fine\"");
        assertThat(d.word("x").length()).isEqualTo(200);
        said.set(1, attribute("printer-strings-uri", URI.create(base("http") + "/endless")));
        long began = System.nanoTime();
        assertThat(described().type("glossy")).isEqualTo("glossy");
        assertThat(Duration.ofNanos(System.nanoTime() - began)).isLessThan(Duration.ofSeconds(20));
        said.set(1, attribute("printer-strings-uri", URI.create("http://elsewhere.example/strings")));
        assertThat(described().words()).as("from its own host alone").isEmpty();
    }

    @Test
    public void suppliesAreReadInBothForms() {
        said.add(attribute("printer-supply", "type=ink;maxcapacity=200;level=50;colorantname=cyan;".getBytes(StandardCharsets.US_ASCII),
            "type=ink;level=-2;colorantname=black".getBytes(StandardCharsets.US_ASCII),
            "nothing of use".getBytes(StandardCharsets.US_ASCII)));
        assertThat(ipp.describe(base("ipp") + "/ipp").state().supplies()).extracting("name", "percent")
            .containsExactly(org.assertj.core.groups.Tuple.tuple("cyan", 25), org.assertj.core.groups.Tuple.tuple("black", -1));
        said.clear();
        said.add(attribute("marker-names", new Name("Matte black"), new Name("Waste")));
        said.add(attribute("marker-levels", 40, -1));
        assertThat(ipp.describe(base("ipp") + "/ipp").state().supplies()).extracting("name", "percent")
            .containsExactly(org.assertj.core.groups.Tuple.tuple("Matte black", 40), org.assertj.core.groups.Tuple.tuple("Waste", -1));
    }

    @Test
    public void withoutAMediaDatabaseSizesAndMarginsTellWhatItTakes() {
        said.add(attribute("media-supported", keyword("iso_a4_210x297mm"), keyword("na_letter_8.5x11in"), keyword("custom_min_89x89mm"),
            keyword("unclear")));
        said.add(attribute("media-top-margin-supported", 300, 500));
        PrinterDescription d = described();
        assertThat(d.media()).hasSize(2);
        assertThat(d.media().get(1).widthMm().from()).isCloseTo(215.9, org.assertj.core.api.Assertions.within(1e-9));
        assertThat(d.media().get(0).margins().top()).isEqualTo(5);
    }
}
