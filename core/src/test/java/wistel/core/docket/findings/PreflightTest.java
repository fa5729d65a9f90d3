package wistel.core.docket.findings;

import wistel.core.docket.Dockets;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.changes.MachineCommand;
import wistel.core.docket.changes.PictureCommand;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.Readback;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static wistel.core.docket.Dockets.GLOSS;
import static wistel.core.docket.Dockets.GLOSS_A4;
import static wistel.core.docket.Dockets.PRINTER;
import static wistel.core.docket.Dockets.REAR;
import static wistel.core.docket.Dockets.codes;
import static wistel.core.docket.Dockets.facts;
import static wistel.core.docket.Dockets.findings;
import static wistel.core.docket.Dockets.framed;
import static wistel.core.docket.Dockets.idle;
import static wistel.core.docket.Dockets.on;
import static wistel.core.docket.Dockets.printer;
import static wistel.core.docket.Dockets.ready;
import static wistel.core.docket.Dockets.resampled;
import static wistel.core.docket.Dockets.routed;
import static wistel.core.docket.Dockets.row;
import static wistel.core.docket.Dockets.set;
import static wistel.core.docket.Dockets.annotated;
import static wistel.core.docket.Dockets.unpaired;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.cgats.Readings;
import wistel.core.colour.Lab;
import wistel.core.docket.findings.Finding.Severity;
import wistel.core.fault.Conflict;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Ppi;
import wistel.core.paper.Stock;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.Keywords;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Caption;
import wistel.core.sheet.Edge;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Item;
import wistel.core.sheet.SheetPlan;
import wistel.core.tone.PairingToneCurve;
import wistel.core.tone.ToneCurve;
import wistel.core.tone.ToneScale;

public class PreflightTest {
    private static final PrinterState IDLE = idle(GLOSS_A4);
    private static final PrinterDescription EIGHT_BITS = printer(List.of("srgb_8", "sgray_8"), 360);

    private static PreflightFacts holding(MediaRow... loaded) {
        return facts(PRINTER, idle(loaded), true, true);
    }

    private static PreflightFacts with(PrinterDescription printer) {
        return facts(printer, IDLE, true, true);
    }

    private static DocketSpec monochrome() {
        return new PictureCommand.Treated("r1", Treatment.Monochrome.NEUTRAL).on(ready());
    }

    /** With a curve of the mode in which this docket prints. */
    private static PreflightFacts measured(DocketSpec d, LocalDate on) {
        PreflightFacts f = facts();
        ToneScale scale = new ToneScale(Readings.Kind.COLOUR,
            IntStream.rangeClosed(0, 10).mapToObj(i -> new ToneScale.Step(i / 10.0, new Lab(96 - 9 * i, 0, 0), 1)).toList(), 0.1);
        PairingToneCurve curve = new PairingToneCurve(f.mode(d), scale, new ToneCurve(List.of(new ToneCurve.Point(0.5, 0.47))), 12, on,
            "reading", "gray",
            "");
        return new PreflightFacts(f.pictures(), Optional.of(GLOSS.withCurves(List.of(curve))), f.printer(), f.state(), f.blackAlways(),
            Set.of("r1", "r2"), 0, f.today(), Map.of());
    }

    /** A measured mode is noted nowhere, and the readback says that its curve is in force; in colour it has nothing to do. */
    @Test
    public void aMeasuredModeIsQuietAndItsCurveInTheReadback() {
        PreflightFacts facts = measured(monochrome(), Dockets.TODAY.minusMonths(11));
        assertThat(codes(monochrome(), facts)).doesNotContain(Code.NO_WEDGE, Code.WEDGE_OLD, Code.CURVE_OFF);
        assertThat(Readback.of(monochrome(), facts, facts.layout(monochrome()))).contains("monochrome, straightened by wedge 12;");
        assertThat(Readback.of(ready(), facts, facts.layout(ready()))).doesNotContain("straightened");
        assertThat(codes(ready(), facts)).doesNotContain(Code.NO_WEDGE);
        assertThat(ready().change("r1", 3, facts.curve(ready())).straightening()).isEmpty();
        assertThat(ready().change("r1", 1, facts.curve(ready())).straightening()).as("a gray master is monochrome").isPresent();
    }

    /** A rule a row: what is out of order, how bad that is, and words that must be among what is said. */
    @DataProvider
    Object[][] cases() {
        MediaRow matteA4 = row("stationery-fine", "rear", 210, 297, REAR);
        MediaRow odd = row("photographic-glossy", "rear", 100, 150, REAR);
        DocketSpec square = ready().with(ready().single().framed(150, 150).fitted(Frame.Fit.FILL));
        return new Object[][] {
            // PictureRule
            {Code.PROFILE_MISSING, Severity.LOOK, ready(), facts(PRINTER, IDLE, false, true), "says nothing about its colour space"},
            // PaperRule
            {Code.PAIRING_MISSING, Severity.STOP, ready(), unpaired(), "No paper is chosen"},
            {Code.PRINTER_AWAY, Severity.LOOK, ready(), facts(PRINTER, PrinterState.AWAY, true, true),
                "waits and prints when the printer is back"},
            {Code.PRINTER_UNKNOWN, Severity.STOP, ready(),
                new PreflightFacts(facts().pictures(), Optional.of(GLOSS), Optional.empty(), PrinterState.AWAY, Set.of(), Set.of("r1"), 0,
                    Dockets.TODAY, Map.of()),
                "has never answered"},
            // EdgeRule
            {Code.LARGER_THAN_SHEET, Severity.STOP, framed(500, 333), facts(), "499.5 × 333 mm"},
            {Code.ON_UNPRINTABLE_EDGE, Severity.STOP, framed(290, 193.3), facts(), "right 10.5 mm"},
            {Code.CROPPED, Severity.NOTE, square, facts(), "33 % of the picture"},
            // AnnotationRule: A4 lies across, 210 mm high; 190 mm of picture leave 10 mm below, of which 3 can't be printed
            {Code.CAPTION_CUT, Severity.LOOK,
                annotated(framed(285, 190), new Annotation(new Caption(true, false, 0, false, 24), 0, 2, false)), facts(), "too narrow"},
            // SettingsRule and borderless
            {Code.SHEET_NOT_FOR_FEED, Severity.STOP, ready().withPlan(ready().single().plan().edged(new Edge(true, 2, 0))), facts(),
                "borderless"},
            {Code.SHEET_NOT_FOR_FEED, Severity.STOP, ready().withStock(new Stock.Roll(431.8)), facts(), "roll of 17 in"},
            // ResolutionRule: 3000 pixels over 250 mm are 304.8 ppi: at 150 of them (150/304.8)^2 = 24 % stay, at 600 1 - (304.8/600)^2 =
            // 74 % are made up
            {Code.FEW_PIXELS, Severity.LOOK, resampled(150), facts(), "Only 150 pixels an inch"},
            {Code.PIXELS_DISCARDED, Severity.LOOK, resampled(150), facts(), "76 %"},
            {Code.PIXELS_INVENTED, Severity.NOTE, resampled(600), facts(), "74 %"},
            // 3000 pixels over 60 mm are 1270 ppi; of a printer's 720 dpi 1 - (720/1270)^2 = 68 % are averaged away, of 360 dpi 92 %
            {Code.PIXELS_AVERAGED, Severity.NOTE, framed(60, 40), facts(), "68 % of the pixels"},
            {Code.PIXELS_AVERAGED, Severity.NOTE, framed(60, 40), with(printer(List.of("device3_16"), 360)), "takes 360 at most"},
            // ProofRule
            {Code.PROOF_NOT_LOOKED_AT, Severity.LOOK, ready(), facts(PRINTER, IDLE, true, false), "before it costs a sheet"},
            // SettingsRule
            {Code.MEDIA_TYPE_DIFFERS, Severity.STOP, set("media-type", "stationery-fine"), facts(), "made for glossy photo paper"},
            {Code.FEED_NOT_FOR_MEDIA, Severity.STOP, set("media-source", "by-pass-tray"), facts(),
                "The front path doesn't take glossy photo paper"},
            {Code.SHEET_NOT_FOR_FEED, Severity.STOP, on("A2"), facts(), "doesn't take A2 of this kind through the rear feed"},
            {Code.QUALITY_DIFFERS, Severity.LOOK, set("print-quality", "3"), facts(), "made at fine quality, this is set to quick"},
            // ColourRule
            {Code.DRIVER_CONVERTS, Severity.LOOK, routed(new ColourRoute.ByDriver()), facts(), "a conversion of its own"},
            {Code.NO_DEVICE_SPACE, Severity.STOP, ready(), with(EIGHT_BITS), "convert a second time"},
            {Code.NO_RASTER, Severity.STOP, ready(), with(printer(List.of("black_1"), 360)), "black_1"},
            {Code.EIGHT_BITS, Severity.NOTE, routed(new ColourRoute.ByDriver()), with(EIGHT_BITS), "8 bits a colour"},
            // ToneRule
            {Code.NO_WEDGE, Severity.NOTE, monochrome(), facts(), "No wedge was measured"},
            {Code.WEDGE_OLD, Severity.NOTE, monochrome(), measured(monochrome(), Dockets.TODAY.minusMonths(13)), "more than a year ago"},
            {Code.CURVE_OFF, Severity.NOTE, new PictureCommand.Straightens("r1", false).on(monochrome()),
                measured(monochrome(), Dockets.TODAY), "The curve of wedge 12 is off"},
            {Code.WEDGE_OF_OTHER_BLACK, Severity.NOTE, new MachineCommand.Set(DriverSettings.BLACK, "matte").on(monochrome()),
                measured(new MachineCommand.Set(DriverSettings.BLACK, "photo").on(monochrome()), Dockets.TODAY),
                "with the other black ink"},
            // LoadedPaperRule
            {Code.OTHER_PAPER_LOADED, Severity.LOOK, ready(), holding(matteA4), "The rear feed holds A4 fine paper now."},
            {Code.OTHER_PAPER_LOADED, Severity.LOOK, ready(), holding(odd), "The rear feed holds 100 × 150 mm glossy photo paper now."}};
    }

    @Test(dataProvider = "cases")
    public void eachRuleSaysWhatIsWrongAndItsMendMendsIt(Code code, Severity severity, DocketSpec d, PreflightFacts facts, String words) {
        Finding found = findings(d, facts).stream().filter(f -> f.code().equals(code)).findFirst()
            .orElseThrow(() -> new AssertionError(code + " not among " + codes(d, facts)));
        assertThat(found.severity()).isEqualTo(severity);
        assertThat(found.what() + " " + found.effect()).contains(words);
        for (Finding.Fix fix : found.fixes()) {
            assertThat(codes(fix.change().on(d), facts)).as("after " + fix.label()).doesNotContain(code);
            assertThat(fix.change().words()).isNotBlank();
        }
    }

    /** Findings that a press can mend offer it. */
    @Test
    public void whatCanBeMendedOffersIt() {
        Set<Code> without = Set.of(Code.PAIRING_MISSING, Code.PRINTER_AWAY, Code.PRINTER_UNKNOWN, Code.CROPPED, Code.FEW_PIXELS,
            Code.PIXELS_AVERAGED, Code.PROOF_NOT_LOOKED_AT, Code.SHEET_NOT_FOR_FEED,
            Code.NO_RASTER, Code.EIGHT_BITS, Code.OTHER_PAPER_LOADED, Code.NO_WEDGE, Code.WEDGE_OLD);
        for (Object[] row : cases()) {
            Finding found = findings((DocketSpec) row[2], (PreflightFacts) row[3]).stream().filter(f -> f.code().equals(row[0])).findFirst()
                .orElseThrow();
            // what can't be borderless can be printed with borders
            boolean borderless = ((DocketSpec) row[2]).plan().edge().borderless();
            assertThat(found.fixes().isEmpty()).as(row[0].toString()).isEqualTo(without.contains(row[0]) && !borderless);
        }
    }

    /** Two pictures of which the same is to be said are one line, and one press mends both. */
    @Test
    public void whatIsSoOfSeveralPicturesIsSaidOnce() {
        DocketSpec two = ready().withRenditions(List.of(Rendition.of("r1", "one"), Rendition.of("r2", "two")));
        PreflightFacts.Picture untagged = new PreflightFacts.Picture(new SheetPlan.PixelSize(3000, 2000), 3, false, "", "sRGB");
        PreflightFacts f = facts();
        PreflightFacts facts = new PreflightFacts(Map.of("r1", untagged, "r2", untagged), f.pairing(), f.printer(), f.state(),
            f.blackAlways(), Set.of("r1", "r2"), 0, f.today(), Map.of());
        List<Finding> missing = findings(two, facts).stream().filter(x -> x.code() == Code.PROFILE_MISSING).toList();
        assertThat(missing).hasSize(1);
        assertThat(missing.get(0).subjects()).containsExactly(new Finding.Subject.OfPicture("r1"), new Finding.Subject.OfPicture("r2"));
        assertThat(codes(missing.get(0).fixes().get(0).change().on(two), facts)).doesNotContain(Code.PROFILE_MISSING);
    }

    @Test
    public void piecesOverOneAnotherStopThePrint() {
        DocketSpec d = ready();
        List<Item> items = List.of(Item.whole("a", "r1", 90, 60), Item.whole("b", "r1", 90, 60));
        DocketSpec over = d.withPictures(d.renditions(), items,
            Gang.byHand(false, List.of(new Gang.Spot("a", 1, 20, 20, false), new Gang.Spot("b", 1, 100, 20, false))));
        assertThat(findings(over, facts())).anySatisfy(x -> {
            assertThat(x.code()).isEqualTo(Code.PIECES_OVERLAP);
            assertThat(x.what()).contains("10 mm");
        });
        DocketSpec beside = over
            .withPlan(Gang.byHand(false, List.of(new Gang.Spot("a", 1, 20, 20, false), new Gang.Spot("b", 1, 110, 20, false))));
        assertThat(codes(beside, facts())).doesNotContain(Code.PIECES_OVERLAP);
        assertThat(Readback.of(beside, facts(), facts().layout(beside))).contains("2 pictures together, 83 % of the paper bare");
    }

    @Test
    public void aDocketInOrderHasNothingToSay() {
        assertThat(findings(ready(), facts())).isEmpty();
        assertThat(StageTrack.of(ready(), facts(), facts().layout(ready()), List.of())).allMatch(t -> t.mark() == StageStatus.Mark.SETTLED);
        assertThat(codes(resampled(305), facts())).isEmpty();
        assertThat(codes(ready(), holding(GLOSS_A4))).isEmpty();
        assertThat(codes(ready(),
            facts(PRINTER,
                new PrinterState(PrinterState.Doing.AWAY, "", List.of(row("stationery-fine", "rear", 210, 297, REAR)), List.of(), ""), true,
                true)))
            .as("what lies in the feed of a printer that is away isn't known").containsExactly(Code.PRINTER_AWAY);
    }

    /** An 8-bit printer gets 8-bit data; a printer that offers more gets the deepest. */
    @Test
    public void thePrintFileHasATypeThatThePrinterTakes() {
        ColourRoute byDriver = new ColourRoute.ByDriver();
        assertThat(EIGHT_BITS.raster(byDriver).orElseThrow().keyword()).isEqualTo("srgb_8");
        assertThat(PRINTER.raster(byDriver).orElseThrow().keyword()).isEqualTo("srgb_16");
        assertThat(printer(List.of("device3_8"), 360).raster(new ColourRoute.ByWistel(Intent.RELATIVE, true)).orElseThrow().keyword())
            .isEqualTo("device3_8");
        DocketSpec mended = findings(ready(), with(EIGHT_BITS)).get(0).fixes().get(0).change().on(ready());
        assertThat(PrintOrder.freeze(mended, with(EIGHT_BITS), List.of(), "d").output().raster().bits()).isEqualTo(8);
    }

    @DataProvider
    Object[][] resolutions() {
        return new Object[][] {{150.0, 360}, {360.0, 360}, {361.0, 360}, {380.0, 720}, {720.0, 720}, {1200.0, 720}};
    }

    /** Keeping the pixels takes the finest input only where the picture has more than the usual one prints. */
    @Test(dataProvider = "resolutions")
    public void theInputResolutionFollowsThePicture(double ppi, int dpi) {
        assertThat(PRINTER.inputDpi(ppi)).isEqualTo(dpi);
        assertThat(printer(List.of(), 300).inputDpi(ppi)).isEqualTo(300);
        assertThat(printer(List.of(), 600, 1200).inputDpi(150)).as("all finer than usual: the coarsest").isEqualTo(600);
    }

    @Test
    public void whatStopsIsNotFrozen() {
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> PrintOrder.freeze(framed(500, 333), facts(), List.of(), "d"))
            .isInstanceOf(Conflict.class).hasMessageContaining("larger than the sheet");
    }

    /** The longest side that still earns a label: 6000 pixels at 300, 200 and 150 an inch. */
    @Test
    public void aPictureCanGoAsLargeAsItsPixelsAllow() {
        assertThat(Ppi.longestMm(6000, Ppi.Label.FINE)).isCloseTo(508, within(1e-9));
        assertThat(Ppi.longestMm(6000, Ppi.Label.GOOD)).isCloseTo(762, within(1e-9));
        assertThat(Ppi.longestMm(6000, Ppi.Label.FAIR)).isCloseTo(1016, within(1e-9));
        assertThat(Ppi.label(Ppi.of(6000, 1016), 0)).isEqualTo(Ppi.Label.FAIR);
        assertThat(Ppi.label(Ppi.of(6000, 1017), 0)).isEqualTo(Ppi.Label.POOR);
    }

    /** Words for people, whatever a printer calls its feeds, types and qualities. */
    @Test
    public void keywordsBecomeWords() {
        assertThat(List.of(Keywords.feed("rear"), Keywords.feed("manual"), Keywords.feed("main-roll"), Keywords.feed(""),
            Keywords.feed("top-tray")))
            .containsExactly("the rear feed", "the front path", "the roll", "any feed", "the top tray feed");
        assertThat(List.of(PRINTER.quality(3), PRINTER.quality(4), PRINTER.quality(5), PRINTER.quality(7))).containsExactly("quick",
            "standard", "fine", "quality 7");
        assertThat(Keywords.words("photographic-semi-gloss")).isEqualTo("photographic semi gloss");
    }

    @Test
    public void pictureFactsAreKeptByRendition() {
        PreflightFacts facts = new PreflightFacts(
            Map.of("r1", new PreflightFacts.Picture(new SheetPlan.PixelSize(30, 20), 1, false, "It is damaged.", "gray")),
            Optional.of(GLOSS),
            Optional.of(PRINTER), IDLE, Set.of(), Set.of("r1"), 0, Dockets.TODAY, Map.of());
        assertThat(findings(ready(), facts).stream().filter(f -> f.code().equals(Code.PROFILE_MISSING)).findFirst().orElseThrow().what())
            .isEqualTo("It is damaged.");
    }
}
