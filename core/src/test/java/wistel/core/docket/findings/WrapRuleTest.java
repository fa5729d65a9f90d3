package wistel.core.docket.findings;

import wistel.core.docket.Dockets;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.changes.WrapCommand;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.Readback;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import wistel.core.colour.Lab;
import wistel.core.docket.findings.Finding.Severity;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Margins;
import wistel.core.length.Ppi;
import wistel.core.length.Range;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.core.paper.Stock;
import wistel.core.pictures.DetailMap;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.SideMoves;
import wistel.core.pictures.View;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.ValueSet;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Caption;
import wistel.core.sheet.CaptionText;
import wistel.core.sheet.Cut;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Wrap;
import wistel.core.sheet.WrapBody;

/** A roll printer that takes canvas 24 and 44 inches wide, and a picture of 6000 by 4000 pixels. */
public class WrapRuleTest {
    private static final double INCH = 25.4;
    private static final Stock ROLL_24 = new Stock.Roll(24 * INCH);
    private static final Stock ROLL_44 = new Stock.Roll(44 * INCH);
    private static final PaperBody WOVEN = new PaperBody(0.48, 390, "woven", PaperBody.Curl.STRONG);

    private static MediaRow roll(double inches) {
        return new MediaRow("canvas", "roll", Range.only(inches * INCH), new Range(100, 18_000), new Margins(30, 3, 30, 3));
    }

    private static PreflightFacts facts(String surface, PaperBody body, Optional<DetailMap> detail, MediaRow... loaded) {
        PrinterDescription printer = PrinterDescription.of("roll printer", List.of(roll(24), roll(44)),
            Map.of(DriverSettings.MEDIA_TYPE, ValueSet.keywords("canvas"), DriverSettings.FEED, ValueSet.keywords("roll"),
                DriverSettings.QUALITY, ValueSet.enums(4, 5)),
            List.of(360, 720), List.of("device3_16"), List.of("image/pwg-raster"));
        return new PreflightFacts(
            Map.of("r1",
                new PreflightFacts.Picture(new SheetPlan.PixelSize(6000, 4000), 3, true, "", "sRGB", CaptionText.OfFile.UNKNOWN, detail)),
            Optional.of(pairing(surface, body)), Optional.of(printer),
            Dockets.idle(loaded), Set.of(), Set.of("r1"), 600, Dockets.TODAY, Map.of());
    }

    private static PairingVersion pairing(String surface, PaperBody body) {
        return new PairingVersion("c", 1, "p", "Roll printer", "Some Canvas", surface, body, DriverSettings.of("canvas", "roll", 5), "hash",
            Intent.RELATIVE, new Lab(94, 0, 3), 20);
    }

    private static PreflightFacts canvas() {
        return facts("canvas matte", WOVEN, Optional.empty(), roll(44));
    }

    private static WrapBody bars(double width, double height, double depth, double turnOver) {
        return new WrapBody(width, height, new WrapBody.Support(WrapBody.Kind.BARS, depth, 0), new WrapBody.TurnOver(turnOver, 0, false, 3),
            0.48, Optional.of(new WrapBody.Growth(0.004, 0.007)));
    }

    private static DocketSpec docket(WrapBody body, Stock stock) {
        DocketSpec fresh = DocketSpec.fresh("Test", Rendition.of("r1", "master"), new SheetPlan.PixelSize(6000, 4000))
            .withPairing(pairing("canvas matte", WOVEN));
        return fresh.withPlan(Wrap.of("i1", body).onStock(stock)).withStock(stock);
    }

    private static List<Finding> found(DocketSpec d, PreflightFacts facts) {
        return new WrapRule().check(d, facts, facts.layout(d)).toList();
    }

    private static Finding only(DocketSpec d, PreflightFacts facts, Code code) {
        return found(d, facts).stream().filter(f -> f.code().equals(code)).findFirst()
            .orElseThrow(() -> new AssertionError(code + " not in " + found(d, facts)));
    }

    private static boolean has(DocketSpec d, PreflightFacts facts, Code code) {
        return found(d, facts).stream().anyMatch(f -> f.code().equals(code));
    }

    @Test
    public void aWrapInOrderIsToldToDryAndNothingElse() {
        assertThat(found(docket(bars(600, 400, 38, 25), ROLL_44), canvas())).extracting(Finding::code)
            .containsExactly(Code.DRY_BEFORE_STRETCHING);
        assertThat(
            Preflight.findings(docket(bars(600, 400, 38, 25), ROLL_44), canvas(), canvas().layout(docket(bars(600, 400, 38, 25), ROLL_44))))
            .noneMatch(f -> f.severity() == Severity.STOP);
    }

    /** Every way out that is offered leads to a wrap that fits. */
    @Test
    public void whatIsTooWideIsStoppedAndEachMendFits() {
        DocketSpec d = docket(bars(700, 500, 38, 25), ROLL_24);
        Finding stop = only(d, canvas(), Code.WRAP_TOO_LARGE);
        assertThat(stop.severity()).isEqualTo(Severity.STOP);
        assertThat(stop.fixes()).extracting(Finding.Fix::label).containsExactly("Take the 44 in roll", "Take bars of 18 mm",
            "Make the face 678 × 484.3 mm");
        for (Finding.Fix fix : stop.fixes()) {
            assertThat(has(fix.change().on(d), canvas(), Code.WRAP_TOO_LARGE)).as(fix.label()).isFalse();
        }
        DocketSpec lies = docket(bars(1000, 400, 38, 25), ROLL_24);
        DocketSpec turned = lies.withPlan(lies.wrap().plan().turned());
        assertThat(only(turned, canvas(), Code.WRAP_TOO_LARGE).fixes().get(0).label()).isEqualTo("Turn it on the paper");
        assertThat(has(only(turned, canvas(), Code.WRAP_TOO_LARGE).fixes().get(0).change().on(turned), canvas(), Code.WRAP_TOO_LARGE))
            .isFalse();
    }

    @Test
    public void littleTurnedOverIsPointedAtAndMended() {
        DocketSpec d = docket(bars(600, 400, 38, 12), ROLL_44);
        Finding little = only(d, canvas(), Code.TURN_OVER_SMALL);
        assertThat(little.effect()).contains("staple");
        assertThat(has(little.fixes().get(0).change().on(d), canvas(), Code.TURN_OVER_SMALL)).isFalse();
    }

    /** Checks of four pixels at the left, the rest even. */
    @Test
    public void muchToSeeBesideAFoldIsTold() {
        char[] pixels = new char[300 * 200];
        Arrays.fill(pixels, (char) 30000);
        for (int i = 0; i < pixels.length; i++) {
            if (i % 300 < 8) {
                pixels[i] = (char) ((i / 300 / 4 + i % 300 / 4) % 2 == 0 ? 5000 : 60000);
            }
        }
        Optional<DetailMap> left = Optional.of(DetailMap.of(new View(300, 200, 1, pixels)));
        PreflightFacts busy = facts("canvas matte", WOVEN, left, roll(44));
        assertThat(only(docket(bars(600, 400, 38, 25), ROLL_44), busy, Code.DETAIL_NEAR_FOLD).what()).contains("10 mm of the left edge")
            .doesNotContain("right");
        // the crop moved away from it
        DocketSpec moved = docket(bars(600, 400, 38, 25), ROLL_44);
        DocketSpec cut = new PieceCommand.Trimmed("i1", new Cut(0.2, 0.1, 0.75, 0.75, 0)).on(moved);
        assertThat(has(cut, busy, Code.DETAIL_NEAR_FOLD)).isFalse();
        assertThat(left.get().in(0, 0, 0.02, 1)).isGreaterThan(20 * left.get().in(0.5, 0, 0.5, 1) + 0.01);
        assertThat(left.get().in(1.5, 0, 0.2, 1)).isZero();
    }

    @Test
    public void paperOverBarsAndCanvasOverABoardAreDoubtful() {
        DocketSpec d = docket(bars(600, 400, 38, 25), ROLL_44);
        assertThat(only(d, facts("gloss", PaperBody.UNKNOWN, Optional.empty()), Code.BARS_WANT_CANVAS).severity()).isEqualTo(Severity.LOOK);
        DocketSpec board = d.withPlan(d.wrap().plan().around(d.wrap().plan().body().on(new WrapBody.Support(WrapBody.Kind.BOARD, 5, 3))));
        assertThat(has(board, canvas(), Code.BOARD_WANTS_THIN_PAPER)).isTrue();
        DocketSpec thin = board.withPlan(board.wrap().plan().around(board.wrap().plan().body().of(0.2, Optional.empty())));
        assertThat(found(thin, facts("gloss", PaperBody.UNKNOWN, Optional.empty()))).isEmpty();
    }

    @Test
    public void unknownStretchAndACutterAreTold() {
        DocketSpec d = docket(bars(600, 400, 38, 25), ROLL_44);
        DocketSpec unknown = d.withPlan(d.wrap().plan().around(d.wrap().plan().body().of(0.48, Optional.empty())));
        assertThat(only(unknown, canvas(), Code.STRETCH_UNKNOWN).severity()).isEqualTo(Severity.NOTE);
        DocketSpec cutting = d.withSettings(d.settings().with(DriverSettings.FINISHING, "60"));
        Finding cutter = only(cutting, canvas(), Code.CUTTER_AND_CANVAS);
        assertThat(has(cutter.fixes().get(0).change().on(cutting), canvas(), Code.CUTTER_AND_CANVAS)).isFalse();
    }

    @Test
    public void sidesOnAnEdgeThatStaysWhiteStopThePrint() {
        WrapBody tight = new WrapBody(500, 530, new WrapBody.Support(WrapBody.Kind.BARS, 38, 0), new WrapBody.TurnOver(0, 0, false, 0), 0.2,
            Optional.empty());
        DocketSpec d = docket(tight, ROLL_24);
        PreflightFacts wide = new PreflightFacts(canvas().pictures(), canvas().pairing(),
            Optional.of(PrinterDescription.of("roll printer",
                List.of(new MediaRow("canvas", "roll", Range.only(24 * INCH), new Range(100, 18_000), new Margins(30, 15, 30, 15))),
                Map.of(DriverSettings.MEDIA_TYPE, ValueSet.keywords("canvas"), DriverSettings.FEED, ValueSet.keywords("roll")),
                List.of(360), List.of("device3_16"), List.of())),
            Dockets.idle(), Set.of(), Set.of("r1"), 0, Dockets.TODAY, Map.of());
        DocketSpec across = d.withPlan(d.wrap().plan().laid(true));
        assertThat(only(across, wide, Code.WRAP_ON_UNPRINTABLE_EDGE).severity()).isEqualTo(Severity.STOP);
    }

    /** A third fewer pixels do under a weave. */
    @Test
    public void canvasForgivesAThirdOfThePixels() {
        assertThat(Ppi.label(200, 0, 2 / 3.0)).isEqualTo(Ppi.Label.FINE);
        assertThat(Ppi.label(199, 0)).isEqualTo(Ppi.Label.FAIR);
        // 6000 pixels over 1130 mm are 135 an inch
        DocketSpec d = docket(bars(1130, 753.3, 38, 25), ROLL_44);
        assertThat(codes(d, canvas())).doesNotContain(Code.FEW_PIXELS);
        assertThat(codes(d, facts("gloss", PaperBody.UNKNOWN, Optional.empty()))).contains(Code.FEW_PIXELS);
    }

    private static List<Code> codes(DocketSpec d, PreflightFacts facts) {
        return new ResolutionRule().check(d, facts, facts.layout(d)).map(Finding::code).toList();
    }

    /** What undo and the readback say. */
    @Test
    public void changesOfWrapsSayWhatTheyDo() {
        DocketSpec d = docket(bars(600, 400, 38, 25), ROLL_44);
        assertThat(new WrapCommand.Wraps(d.wrap().plan()).words()).isEqualTo("600 × 400 mm on 38 mm bars");
        assertThat(new WrapCommand.SidesFilled(new SideFill.Stretched()).words()).isEqualTo("stretched sides");
        assertThat(new WrapCommand.SidesMoved(new SideMoves(-10, 20, 30)).words())
            .isEqualTo("sides 10 % lighter, softer, 30 % less colour");
        assertThat(new WrapCommand.SidesMoved(SideMoves.NONE).words()).isEqualTo("sides as they are");
        assertThat(new SheetCommand.Turned().on(d).wrap().plan().across()).isNotEqualTo(d.wrap().plan().across());
        assertThat(new PieceCommand.Cropped("i1", 0.2, 0.7).on(d).wrap().item().frame().cropX()).isEqualTo(0.2);
        assertThat(new SheetCommand.Stocked(ROLL_24, Optional.empty()).on(d).wrap().plan().fits(ROLL_24)).isTrue();
        DocketSpec moved = new WrapCommand.SidesMoved(new SideMoves(12, 0, 0)).on(d);
        assertThat(Readback.of(moved, canvas(), canvas().layout(moved)))
            .contains("one wrap of 600 × 400 mm on 38 mm bars with mirrored sides (12 % darker), 25 mm turned over bare");
        // what a sheet was numbered with doesn't number wraps: the printer makes the copies
        DocketSpec numbered = Dockets.annotated(d, new Annotation(new Caption(false, false, 25, false, 9), 0, 0, false)).withCopies(3);
        assertThat(numbered.items().get(0).annotation().numbered()).isTrue();
        assertThat(numbered.copiesByPrinter()).isEqualTo(3);
        // another canvas is as thick as it is, and nobody knows how it gives
        DocketSpec other = d.withPairing(new PairingVersion("d", 1, "p", "Roll printer", "Other Canvas", "canvas",
            new PaperBody(0.6, 0, "", PaperBody.Curl.FLAT), DriverSettings.of("canvas", "roll", 5), "hash",
            Intent.RELATIVE, new Lab(94, 0, 3), 20));
        assertThat(other.wrap().plan().body().thicknessMm()).isEqualTo(0.6);
        assertThat(other.wrap().plan().body().growth()).isEmpty();
    }
}
