package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import wistel.core.fault.PrinterException;
import wistel.core.length.Margins;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.JobRequest;
import wistel.core.render.PwgRaster;
import wistel.server.printer.IppClient;
import wistel.server.printer.IppJob;
import wistel.server.printer.IppTicket;

/** Our IPP client against a printer that somebody else wrote: ippeveprinter of cups-ipp-utils. */
public class ForeignPrinterTest {
    private static final int PORT = 18640;
    private static final String URI = "ipp://localhost:" + PORT + "/ipp/print";
    private Process printer;
    private Path spool;
    private final IppClient ipp = new IppClient();

    @BeforeClass
    void start() throws IOException {
        spool = Files.createTempDirectory("spool");
        printer = new ProcessBuilder("dbus-run-session", "--", "sh", "-c",
            "DBUS_SYSTEM_BUS_ADDRESS=$DBUS_SESSION_BUS_ADDRESS exec ippeveprinter -r off -n localhost -p " + PORT
                + " -d '" + spool + "' -k -f image/pwg-raster,application/pdf,image/jpeg -s 1,1 Foreign")
            .redirectErrorStream(true)
            .redirectOutput(spool.resolve("log").toFile()).start();
        Waiting.until(() -> {
            try {
                return ipp.describe(URI).name();
            } catch (PrinterException e) {
                return "";
            }
        }, name -> !name.isEmpty(), 20);
    }

    @AfterClass(alwaysRun = true)
    void stop() throws InterruptedException {
        printer.descendants().forEach(ProcessHandle::destroy);
        printer.destroy();
        printer.waitFor(5, TimeUnit.SECONDS);
    }

    /** This printer takes jobs with a media type that it doesn't have and prints them on another: so Wistel looks at its list itself. */
    @Test
    public void whatItDoesNotOfferIsFoundBeforeItIsSent() {
        var description = ipp.describe(URI).description();
        assertThat(description.unknown(DriverSettings.of("papyrus", "", 5))).containsExactly("media type papyrus");
        assertThat(description.unknown(DriverSettings.of(description.mediaTypes().get(0), description.feeds().get(0), 5))).isEmpty();
    }

    @Test
    public void itIsDescribedPrintedOnAndItsJobFoundByName() throws Exception {
        IppClient.Described described = ipp.describe(URI);
        assertThat(described.description().formats()).contains("image/pwg-raster");
        assertThat(described.description().media()).isNotEmpty();
        assertThat(described.description().rasters()).isNotEmpty();

        Path file = Files.createTempFile("page", ".pwg");
        try (var out = Files.newOutputStream(file)) {
            PwgRaster.Writer writer = new PwgRaster.Writer(out,
                new PwgRaster.Page(600, 800, 300, 8, PwgRaster.Space.SRGB, 144, 192, "na_letter_8.5x11in", "", 5, 1));
            char[] row = new char[1800];
            for (int y = 0; y < 800; y++) {
                Arrays.fill(row, (char) (y * 80));
                writer.row(row);
            }
            writer.finish();
        }
        String name = UUID.randomUUID().toString();
        int job = ipp.createJob(URI,
            new IppTicket(name,
                new JobRequest(Map.of("print-quality", "5", "print-color-mode", "color"), 215.9, 279.4, false, true, 0),
                described.description().supported(), Margins.NONE, 1, 0));
        ipp.sendDocument(URI, job, file, "image/pwg-raster", (sent, stalled) -> {});
        IppJob seen = Waiting.until(() -> ipp.job(URI, job), IppJob::over, 30);
        assertThat(seen.completed()).as(seen.toString()).isTrue();
        assertThat(seen.scan()).isEmpty();
        assertThat(ipp.findJob(URI, name)).contains(job);
        assertThat(ipp.findJob(URI, "never announced")).isEmpty();
        List<Path> kept;
        try (var files = Files.list(spool)) {
            kept = files.filter(p -> p.toString().endsWith(".pwg")).toList();
        }
        assertThat(kept).hasSize(1);
        assertThat(Files.readAllBytes(kept.get(0))).isEqualTo(Files.readAllBytes(file));
    }
}
