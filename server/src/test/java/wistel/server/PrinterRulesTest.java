package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.length.Margins;
import wistel.core.printer.Conflict;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.JobRequest;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterRules;
import wistel.server.printer.IppClient;
import wistel.server.printer.IppTicket;
import wistel.standin.PrintRoom;
import wistel.standin.room.MachineModel;

/** What Wistel's rules say of a printer against what the printer itself takes, asked with fidelity on. */
public class PrinterRulesTest {
    private static final Margins SOME = new Margins(3, 3, 3, 3);
    private final IppClient ipp = new IppClient();
    private PrintRoom room;

    @BeforeClass
    void open() throws Exception {
        room = new PrintRoom(Files.createTempDirectory("rules"), 0, 0);
    }

    @AfterClass(alwaysRun = true)
    void close() {
        room.close();
    }

    @DataProvider
    Object[][] printers() {
        return new Object[][] {{MachineModel.ARDLE_17.path(), 11}, {MachineModel.ARDLE_44.path(), 12}};
    }

    private String uri(String path) {
        return "ipp://localhost:" + room.port() + path;
    }

    private static JobRequest random(PrinterDescription printer, SplittableRandom random) {
        Map<String, String> settings = new TreeMap<>();
        printer.supported().forEach((name, values) -> {
            if (!values.values().isEmpty() && (name.startsWith("media-") || random.nextInt(3) == 0)) {
                settings.put(name, values.values().get(random.nextInt(values.values().size())));
            }
        });
        settings.remove(PrinterDescription.OVER_EDGE);
        settings.remove(Conflict.THICKNESS);
        List<MediaRow> rows = printer.media();
        MediaRow row = rows.get(random.nextInt(rows.size()));
        if (random.nextInt(4) > 0) {
            // mostly what lies near to something possible
            settings.put(DriverSettings.MEDIA_TYPE, row.type());
            settings.put(DriverSettings.FEED, row.feed());
        }
        double length = row.lengthMm().from() + random.nextDouble() * (row.lengthMm().to() - row.lengthMm().from());
        return new JobRequest(settings, row.widthMm().from(), Math.round(length), row.roll(), random.nextInt(4) == 0,
            new double[] {0, 0.2, 0.52, 1.2}[random.nextInt(4)]);
    }

    private IppTicket ticket(JobRequest job, PrinterDescription printer) {
        Margins margins = new PrinterRules(printer).row(job).map(MediaRow::margins).orElse(job.borderless() ? Margins.NONE : SOME);
        return new IppTicket("asked", job, printer.supported(), margins, 1, job.borderless() ? 2 : 0);
    }

    /** Whatever is offered as possible is accepted, whatever is struck out is refused. */
    @Test(dataProvider = "printers")
    public void theRulesAndThePrinterAgree(String path, int seed) {
        PrinterDescription printer = ipp.describe(uri(path)).description();
        PrinterRules rules = new PrinterRules(printer);
        SplittableRandom random = new SplittableRandom(seed);
        int possible = 0;
        for (int i = 0; i < 400; i++) {
            JobRequest job = random(printer, random);
            if (job.roll() && !job.get(DriverSettings.FEED).equals("main-roll")) {
                // that a roll doesn't lie in a tray is known here alone
                continue;
            }
            List<Conflict> conflicts = rules.check(job);
            Optional<String> refused = ipp.validate(uri(path), ticket(job, printer));
            assertThat(refused.isPresent()).as(job + ": " + conflicts + " against " + refused).isEqualTo(!conflicts.isEmpty());
            possible += conflicts.isEmpty() ? 1 : 0;
        }
        assertThat(possible).isBetween(40, 360);
    }

    /** One setting after the other: each of its values, and each way out that is offered for those that aren't possible. */
    @Test(dataProvider = "printers")
    public void everyValueAndEveryWayOutIsTrue(String path, int seed) {
        PrinterDescription printer = ipp.describe(uri(path)).description();
        PrinterRules rules = new PrinterRules(printer);
        SplittableRandom random = new SplittableRandom(seed + 100);
        int helped = 0;
        for (int i = 0; i < 40; i++) {
            JobRequest job = random(printer, random);
            if (!rules.check(job).isEmpty() || job.roll()) {
                continue;
            }
            for (String setting : List.of(DriverSettings.MEDIA_TYPE, DriverSettings.FEED, DriverSettings.COLOUR_MODE, DriverSettings.BLACK,
                DriverSettings.FINISHING, DriverSettings.QUALITY)) {
                for (Conflict.Offer offer : rules.offers(setting, job)) {
                    JobRequest with = job.with(setting, offer.value());
                    assertThat(ipp.validate(uri(path), ticket(with, printer)).isEmpty()).as(setting + " " + offer + " on " + job)
                        .isEqualTo(offer.possible());
                    JobRequest after = with;
                    for (Conflict.Alteration a : offer.way()) {
                        after = PrinterRules.altered(after, a);
                    }
                    if (!offer.way().isEmpty() && after.lengthMm() > 0) {
                        assertThat(ipp.validate(uri(path), ticket(after, printer))).as(offer + " on " + job).isEmpty();
                        helped++;
                    }
                }
            }
        }
        assertThat(helped).isGreaterThan(20);
    }

    @Test
    public void eachPrinterSaysWhatItCanInWordsForPeople() {
        PrinterDescription small = ipp.describe(uri(MachineModel.ARDLE_17.path())).description();
        assertThat(small.mediaTypes().stream().map(small::type)).contains("baryta", "cotton, smooth", "canvas")
            .noneMatch(w -> w.contains("stationery"));
        assertThat(small.feed("by-pass-tray")).isEqualTo("the front path");
        assertThat(small.word("wistel-head-gap")).isEqualTo("gap under the head");
        assertThat(small.constraints()).hasSizeGreaterThan(8);
        assertThat(small.consumption(5).orElseThrow().secondsPerM2()).isEqualTo(44 * 60);
        assertThat(small.blackChange().orElseThrow().ml()).isEqualTo(3.1);
        assertThat(ipp.describe(uri(MachineModel.ARDLE_44.path())).description().media())
            .anyMatch(m -> m.roll() && m.widthMm().holds(44 * 25.4));
        assertThat(ipp.describe(uri(MachineModel.ARDLE_17.path())).state().supplies()).extracting("name").contains("Photo black", "Gray");
        assertThat(new PrinterRules(small).check(new JobRequest(
            Map.of(DriverSettings.MEDIA_TYPE, "photographic-glossy", DriverSettings.FEED, "rear"), 210, 297, false, false, 0.52)))
            .extracting(Conflict::between).containsExactly(Set.of(DriverSettings.FEED, Conflict.THICKNESS));
    }
}
