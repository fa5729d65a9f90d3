package wistel.core.docket.findings;

import wistel.core.docket.costs.Costs;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.Readback;
import static org.assertj.core.api.Assertions.assertThat;
import static wistel.core.docket.Dockets.GLOSS;
import static wistel.core.docket.Dockets.facts;
import static wistel.core.docket.Dockets.idle;
import static wistel.core.docket.Dockets.ready;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import wistel.core.colour.Lab;
import wistel.core.docket.findings.SettingChoice.Value;
import wistel.core.length.Margins;
import wistel.core.length.Range;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.core.paper.Stock;
import wistel.core.printer.BlackChange;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.Constraint;
import wistel.core.printer.Consumption;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;
import wistel.core.printer.RasterType;
import wistel.core.printer.Supply;
import wistel.core.printer.ValueSet;
import wistel.core.sheet.Layout;

/**
 * What the machine station offers, foresees and reckons, on a printer with a mode of its own, waivable ends, a roll and words for people.
 */
public class SettingChoicesTest {
    private static final Range THIN = new Range(0, 0.35);
    private static final PrinterDescription PRINTER = new PrinterDescription("", List.of(
        row("photographic-glossy", "rear", new Margins(3, 3, 14, 3), THIN), row("photographic-glossy", "rear", Margins.NONE, THIN),
        row("stationery-fine", "by-pass-tray", new Margins(30, 3, 30, 3), MediaRow.ANY_THICKNESS),
        row("stationery-fine", "by-pass-tray", new Margins(3, 3, 3, 3), MediaRow.ANY_THICKNESS),
        new MediaRow("photographic-glossy", "main-roll", Range.only(431.8), new Range(100, 5000), new Margins(3, 3, 3, 3), THIN)),
        Map.of("media-type", ValueSet.keywords("photographic-glossy", "stationery-fine"), "media-source",
            ValueSet.keywords("rear", "by-pass-tray", "main-roll"), "print-quality", ValueSet.enums(3, 4, 5),
            "print-color-mode", ValueSet.keywords("color", "process-monochrome"), DriverSettings.BLACK,
            ValueSet.keywords("by-paper", "photo", "matte"), DriverSettings.DARKNESS, ValueSet.keywords("1", "2", "3"),
            PrinterDescription.OVER_EDGE, new ValueSet(ValueSet.Syntax.INTEGER, List.of("0", "100", "200"), List.of()), "vendor-drying",
            ValueSet.keywords("none", "long")),
        Map.of(DriverSettings.BLACK, "by-paper", DriverSettings.DARKNESS, "2", "vendor-drying", "none"),
        List.of(new Constraint("", Map.of("print-color-mode", ValueSet.keywords("process-monochrome"), "print-quality", ValueSet.enums(3))),
            new Constraint("",
                Map.of(DriverSettings.BLACK, ValueSet.keywords("photo"), "media-type", ValueSet.keywords("stationery-fine"))),
            new Constraint("",
                Map.of(DriverSettings.BLACK, ValueSet.keywords("matte"), "media-type", ValueSet.keywords("photographic-glossy")))),
        List.of(), List.of(360), List.of("device3_16", "srgb_16", "adobe-rgb_16", "sgray_16"), List.of(),
        List.of(new Consumption(5, 2640, 12)), Optional.of(new BlackChange(120, 3.1)),
        Map.of("media-type.photographic-glossy", "baryta", "media-type.stationery-fine", "cotton", "media-source.by-pass-tray",
            "front path"));

    private static MediaRow row(String type, String feed, Margins margins, Range thickness) {
        return new MediaRow(type, feed, Range.only(210), Range.only(297), margins, thickness);
    }

    private static PreflightFacts on(PairingVersion pairing, PrinterState state) {
        PreflightFacts f = facts();
        return new PreflightFacts(f.pictures(), Optional.of(pairing), Optional.of(PRINTER), state, Set.of(), Set.of("r1"), 0, f.today(),
            Map.of());
    }

    private static PreflightFacts gloss() {
        return on(GLOSS, idle());
    }

    private static PairingVersion cotton(PaperBody body) {
        return new PairingVersion("c", 1, "p", "Test printer", "Some Cotton", "cotton matte", body,
            DriverSettings.of("stationery-fine", "by-pass-tray", 5), "cotton", GLOSS.intent(), new Lab(95, 0, 2), 14);
    }

    private static SettingChoice choice(String setting, DocketSpec d, PreflightFacts facts) {
        return SettingChoices.of(d, facts).stream().filter(c -> c.setting().equals(setting)).findFirst().orElseThrow();
    }

    private static Value value(String setting, String value, DocketSpec d, PreflightFacts facts) {
        return choice(setting, d, facts).values().stream().filter(v -> v.value().equals(value)).findFirst().orElseThrow();
    }

    @Test
    public void valuesAreThereInThePrintersWordsAndStruckOutWithTheReason() {
        Value cotton = value("media-type", "stationery-fine", ready(), gloss());
        assertThat(cotton.label()).isEqualTo("cotton");
        assertThat(cotton.why()).isEqualTo("not through the rear feed");
        assertThat(cotton.fix().orElseThrow().label()).isEqualTo("Use the front path");
        DocketSpec after = cotton.fix().get().change().on(ready());
        assertThat(after.settings().mediaType()).isEqualTo("stationery-fine");
        assertThat(after.settings().feed()).isEqualTo("by-pass-tray");
        assertThat(cotton.fix().get().change().words()).isEqualTo("cotton, front path");
        assertThat(value("media-type", "photographic-glossy", ready(), gloss())).matches(v -> v.chosen() && v.possible());
        assertThat(choice("vendor-drying", ready(), gloss()).rest()).isTrue();
    }

    @Test
    public void thicknessForbidsAFeedInMillimetres() {
        PreflightFacts thick = on(cotton(new PaperBody(0.52, 300, "", PaperBody.Curl.FLAT)), idle());
        Value rear = value("media-source", "rear", ready().withPairing(thick.pairing().orElseThrow()), thick);
        assertThat(rear.why()).isEqualTo("bends paper thicker than 0.35 mm; this one has 0.52");
        assertThat(rear.fix()).as("a thinner paper is none of the settings").isEmpty();
    }

    @Test
    public void theDriversMonochromeIsOfferedWithItsDarknessAndMakesWayForItself() {
        DocketSpec quick = ready().withSettings(ready().settings().with("print-quality", "3"));
        Value mono = value(SettingChoices.ROUTE, "driver-monochrome", quick, gloss());
        assertThat(mono.why()).isEqualTo("not with quick quality");
        DocketSpec after = mono.fix().orElseThrow().change().on(quick);
        assertThat(after.route()).isInstanceOf(ColourRoute.DriverMonochrome.class);
        assertThat(after.settings().quality()).isNotEqualTo(3);
        assertThat(choice(DriverSettings.DARKNESS, after, gloss()).values()).extracting(Value::chosen).containsExactly(false, true, false);
        assertThat(SettingChoices.of(ready(), gloss())).extracting(SettingChoice::setting).doesNotContain(DriverSettings.DARKNESS);
        assertThat(Readback.of(after, gloss(), gloss().layout(after)))
            .contains("the driver's monochrome from gray; Wistel converts no colour");
        assertThat(Preflight.findings(after, gloss(), gloss().layout(after))).extracting(Finding::code)
            .contains(Code.MONOCHROME_UNMEASURED, Code.COLOUR_DROPPED).doesNotContain(Code.DRIVER_CONVERTS);
        assertThat(PRINTER.raster(after.route())).contains(RasterType.SGRAY_16);
        assertThat(gloss().job(after).get("print-color-mode")).isEqualTo("process-monochrome");
    }

    @Test
    public void endsMayBeWaivedAtOnesOwnRisk() {
        PreflightFacts curled = on(cotton(new PaperBody(0.5, 340, "", PaperBody.Curl.STRONG)), idle());
        DocketSpec d = ready().withPairing(curled.pairing().orElseThrow());
        SettingChoice ends = choice(DriverSettings.TOP_MARGIN, d, curled);
        assertThat(ends.values()).extracting(Value::label).containsExactly("30 mm kept", "3 mm, at your own risk");
        DocketSpec waived = ends.values().get(1).change().on(d);
        assertThat(curled.margins(waived).top()).isEqualTo(3);
        Finding found = Preflight.findings(waived, curled, curled.layout(waived)).stream().filter(f -> f.code().equals(Code.ENDS_WAIVED))
            .findFirst().orElseThrow();
        assertThat(found.effect()).contains("may well touch the head");
        assertThat(curled.margins(found.fixes().get(0).change().on(waived)).top()).isEqualTo(30);
        assertThat(PrintPrediction.of(waived, curled, curled.layout(waived).pages().get(0), List.of()).notes())
            .extracting(PrintPrediction.Note::code)
            .contains(Optional.of(Code.ENDS_WAIVED));
    }

    @Test
    public void borderlessSaysWhereItIsAndHowFarItGoes() {
        assertThat(value(SettingChoices.EDGES, "yes", ready(), gloss()).possible()).isTrue();
        DocketSpec edge = value(SettingChoices.EDGES, "yes", ready(), gloss()).change().on(ready());
        assertThat(choice(PrinterDescription.OVER_EDGE, edge, gloss()).values()).extracting(Value::label).containsExactly("not at all",
            "1 mm", "2 mm");
        PreflightFacts cotton = on(cotton(PaperBody.UNKNOWN), idle());
        assertThat(value(SettingChoices.EDGES, "yes", ready().withPairing(cotton.pairing().orElseThrow()), cotton).why())
            .isEqualTo("not for cotton; for baryta on A4");
    }

    @Test
    public void theBlackThatThePaperAsksForIsChangedOverTo() {
        PrinterState photo = new PrinterState(PrinterState.Doing.IDLE, "", List.of(), List.of(new Supply("matte black", 7, "")), "photo");
        PreflightFacts cotton = on(cotton(PaperBody.UNKNOWN), photo);
        DocketSpec d = ready().withPairing(cotton.pairing().orElseThrow());
        List<Finding> found = Preflight.findings(d, cotton, cotton.layout(d));
        assertThat(found).anyMatch(
            f -> f.code().equals(Code.BLACK_CHANGES) && f.what().contains("to matte black") && f.effect().contains("2 min and 3.1 ml"));
        assertThat(found).anyMatch(f -> f.code().equals(Code.SUPPLY_LOW) && f.what().equals("Matte black is at 7 %."));
        assertThat(Preflight.findings(ready(), on(GLOSS, photo), gloss().layout(ready()))).extracting(Finding::code)
            .doesNotContain(Code.BLACK_CHANGES);
    }

    @Test
    public void aRollThatIsTooShortIsToldWithWhatItTakes() {
        DocketSpec d = ready().withStock(new Stock.Roll(431.8)).withSettings(ready().settings().with("media-source", "main-roll"));
        PreflightFacts left = on(GLOSS,
            idle(new MediaRow("photographic-glossy", "main-roll", Range.only(431.8), new Range(100, 150), Margins.NONE)));
        Layout layout = left.layout(d);
        assertThat(Preflight.findings(d, left, layout))
            .anyMatch(f -> f.code().equals(Code.ROLL_TOO_SHORT) && f.what().contains("150 mm left"));
        Costs costs = Costs.of(d, left, layout, 1, Costs.Past.NONE);
        assertThat(costs.rollLeftMm().orElseThrow()).isEqualTo(150 - costs.rollMm());
    }

    /** 0.06237 m2 of A4: 2640 s and 12 ml a square metre by the printer's figures; 600 s and 9 ml by four prints. */
    @Test
    public void costsComeFromThePrinterUntilPrintsTeachBetter() {
        Layout layout = gloss().layout(ready());
        Costs first = Costs.of(ready(), gloss(), layout, 0.8, Costs.Past.NONE);
        assertThat(first.seconds().value()).isCloseTo(164.7, org.assertj.core.api.Assertions.within(0.1));
        assertThat(first.inkMl().value()).isCloseTo(0.599, org.assertj.core.api.Assertions.within(0.001));
        assertThat(first.inkMl().basis()).isEqualTo(Costs.Basis.PRINTER);
        Costs learned = Costs.of(ready().withCopies(2), gloss(), layout, 0.8, new Costs.Past(4, 600, 30, 4, 9, 0.5));
        assertThat(learned.seconds().value()).isCloseTo(2 * 37.42, org.assertj.core.api.Assertions.within(0.01));
        assertThat(learned.seconds().giveOrTake()).isCloseTo(2 * 1.871, org.assertj.core.api.Assertions.within(0.01));
        assertThat(learned.inkMl().value()).isCloseTo(2 * 0.449, org.assertj.core.api.Assertions.within(0.001));
        assertThat(learned.sheets()).isEqualTo(2);
        PreflightFacts silent = facts();
        assertThat(Costs.of(ready(), silent, layout, 0.8, Costs.Past.NONE).inkMl().basis()).isEqualTo(Costs.Basis.NONE);
    }

    @Test
    public void whatASettingWouldDoToTheColoursIsForeseen() {
        Layout layout = gloss().layout(ready());
        PairingVersion lustre = new PairingVersion("l", 1, "p", "Test printer", "Some Lustre", "lustre", PaperBody.UNKNOWN,
            DriverSettings.of("stationery-fine", "rear", 5), "x", GLOSS.intent(), new Lab(96, 0, 0), 5);
        DocketSpec wrong = ready().withSettings(ready().settings().with("media-type", "stationery-fine"));
        assertThat(PrintPrediction.of(ready(), gloss(), layout.pages().get(0), List.of()).colours())
            .isEqualTo(PrintPrediction.Colours.AS_PROOFED);
        assertThat(PrintPrediction.of(wrong, gloss(), layout.pages().get(0), List.of()).colours())
            .isEqualTo(PrintPrediction.Colours.OTHER_TYPE_UNKNOWN);
        assertThat(PrintPrediction.of(wrong, gloss(), layout.pages().get(0), List.of(cotton(PaperBody.UNKNOWN), lustre)).by())
            .as("a lustre tells of gloss, a cotton doesn't").contains(lustre);
        assertThat(PrintPrediction
            .of(ready().withRoute(new ColourRoute.ByDriver(RasterType.Space.OPRGB)), gloss(), layout.pages().get(0), List.of()).raster())
            .isEqualTo(RasterType.Space.OPRGB);
    }

    @Test
    public void aSettingThatHasVanishedStopsThePrintAndIsReplacedByOnePress() {
        DocketSpec old = ready().withSettings(ready().settings().with("media-source", "cassette"));
        Finding gone = Preflight.findings(old, gloss(), gloss().layout(old)).stream().filter(f -> f.code().equals(Code.SETTING_GONE))
            .findFirst().orElseThrow();
        assertThat(gone.what()).contains("doesn't offer the cassette feed any more");
        assertThat(Preflight.findings(gone.fixes().get(0).change().on(old), gloss(), gloss().layout(old))).extracting(Finding::code)
            .doesNotContain(Code.SETTING_GONE);
        assertThat(value("media-source", "cassette", old, gloss()).why()).isEqualTo("the printer doesn't offer it any more");
    }
}
