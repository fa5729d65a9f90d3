package wistel.core.docket.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.Lab;
import wistel.core.docket.Dockets;
import wistel.core.docket.findings.StageStatus;
import wistel.core.docket.findings.StageTrack;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.spec.Sharpening;
import wistel.core.icc.profile.Intent;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.PrinterState;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Caption;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Edge;
import wistel.core.sheet.Frame.Fit;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Item;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.core.sheet.Single;
import wistel.core.sheet.SinglePiece;

/** The one sentence, word for word: it is what a person trusts before a sheet is spent. */
public class ReadbackTest {
    private static final Borders EVEN = new Borders.Even();
    private static final Borders FOOT = new Borders.HeavierFoot();
    private static final PairingVersion COTTON = new PairingVersion("c", 1, "p", "Test printer", "Some Cotton", "matte", PaperBody.UNKNOWN,
        DriverSettings.of("stationery-fine", "by-pass-tray", 5),
        "hash", Intent.PERCEPTUAL, new Lab(95, 0, 3), 15);

    private static PreflightFacts facts(double secondsPerM2, Intent... blackAlways) {
        return new PreflightFacts(Map.of("r1", new PreflightFacts.Picture(new PixelSize(3000, 2000), 1, true, "", "gray")),
            Optional.of(COTTON), Optional.empty(),
            PrinterState.AWAY, Set.of(blackAlways), Set.of("r1"), secondsPerM2, Dockets.TODAY, Map.of());
    }

    private static DocketSpec spec(SinglePiece piece, ColourRoute route, int copies) {
        return DocketSpec.fresh("T", Rendition.of("r1", "m"), new PixelSize(3000, 2000)).withPairing(COTTON)
            .withStock(Stock.Sheet.of(SheetSize.named("A3+").orElseThrow())).with(piece).withRoute(route).withCopies(copies);
    }

    private static SinglePiece a3Plus(Fit fit, double w, double h, Borders borders) {
        return piece(new Frame(w, h, fit, 0.5, 0.5, true), new Single("i1", true, borders, Edge.BORDERED));
    }

    private static SinglePiece piece(Frame frame, Single plan) {
        return new SinglePiece(new Item("i1", "r1", Cut.WHOLE, frame, Annotation.NONE, 1), plan);
    }

    @DataProvider
    Object[][] sentences() {
        SinglePiece whole = a3Plus(Fit.WHOLE, 380, 300, FOOT);
        String lies = "an A3+ sheet of Some Cotton from the front path, picture 380 × 253.3 mm, white 51.5 mm at the sides, 30.3 above "
            + "and 45.4 below; ";
        return new Object[][] {
            {spec(whole, new ColourRoute.ByWistel(Intent.PERCEPTUAL, true), 1), facts(0),
                lies + "Wistel converts the colour (perceptual with black point compensation), the driver leaves it alone; fine quality."},
            {spec(whole, new ColourRoute.ByWistel(Intent.ABSOLUTE, true), 1), facts(0),
                lies + "Wistel converts the colour (absolute colorimetric), the driver leaves it alone; fine quality."},
            {spec(whole, new ColourRoute.ByWistel(Intent.PERCEPTUAL, false), 1), facts(0, Intent.PERCEPTUAL, Intent.SATURATION),
                lies + "Wistel converts the colour (perceptual with black point compensation), the driver leaves it alone; fine quality."},
            {spec(whole, new ColourRoute.ByWistel(Intent.RELATIVE, false), 1), facts(0, Intent.PERCEPTUAL, Intent.SATURATION),
                lies + "Wistel converts the colour (relative colorimetric), the driver leaves it alone; fine quality."},
            {spec(a3Plus(Fit.FILL, 200, 200, EVEN), new ColourRoute.ByDriver(), 4), facts(2640),
                "4 A3+ sheets of Some Cotton from the front path, picture 200 × 200 mm with 33 % cropped away, white 141.5 mm at the "
                    + "sides, 64.5 above and 64.5 below; "
                    + "the driver converts the colour its own way, from sRGB; fine quality; about 28 minutes."}};
    }

    @Test(dataProvider = "sentences")
    public void theSentenceSaysExactlyWhatWillHappen(DocketSpec d, PreflightFacts facts, String sentence) {
        assertThat(Readback.of(d, facts, facts.layout(d))).isEqualTo(sentence);
    }

    @Test
    public void withoutAPaperTheReadbackAsksForOne() {
        DocketSpec d = Dockets.ready();
        assertThat(Readback.of(d, Dockets.unpaired(), Dockets.unpaired().layout(d))).contains("choose a paper");
    }

    @Test
    public void everyStageOfTheTrackCarriesItsOutcome() {
        DocketSpec d = spec(a3Plus(Fit.WHOLE, 380, 300, EVEN), new ColourRoute.ByWistel(Intent.PERCEPTUAL, true), 1);
        List<StageStatus> track = StageTrack.of(d, facts(0), facts(0).layout(d), Dockets.findings(d, facts(0)));
        assertThat(track).extracting(StageStatus::outcome).containsExactly("monochrome, gray", "Some Cotton",
            "380 × 253.3 mm on A3+, 201 ppi",
            "perceptual, black compensated", "fine paper, fine, front path", "one thing stops it");
        assertThat(track.get(5).mark()).as("its printer has never answered").isEqualTo(StageStatus.Mark.BLOCKED);
        DocketSpec driver = d.withRoute(new ColourRoute.ByDriver());
        assertThat(StageTrack.of(driver, facts(0), facts(0).layout(d), List.of()).get(3).outcome())
            .isEqualTo("doesn't apply: the driver converts");
    }

    @Test
    public void aFreshDocketFitsItsSheetWithAGenerousBorder() {
        for (int[] px : new int[][] {{6000, 4000}, {2400, 3000}, {6000, 1800}, {500, 500}}) {
            PixelSize size = new PixelSize(px[0], px[1]);
            DocketSpec d = DocketSpec.fresh("T", Rendition.of("r1", "m"), size);
            var facts = new PreflightFacts(Map.of("r1", new PreflightFacts.Picture(size, 3, true, "", "s")), Optional.empty(),
                Optional.empty(), PrinterState.AWAY, Set.of(), Set.of(), 0, Dockets.TODAY, Map.of());
            var page = facts.layout(d).pages().get(0);
            var at = page.placed().get(0).atMm();
            assertThat(at.width()).isLessThanOrEqualTo(page.widthMm() - 39.8);
            assertThat(at.height()).isLessThanOrEqualTo(page.heightMm() - 39.8);
            assertThat(at.width() / at.height()).isCloseTo((double) px[0] / px[1], org.assertj.core.api.Assertions.within(0.01));
        }
    }

    @Test
    public void rollsEdgesCaptionsAndSharpeningAreTold() {
        Single plan = new Single("i1", false, new Borders.Sides(30, 50, 30, 50), Edge.BORDERED);
        SinglePiece piece = piece(Frame.whole(300, 200), plan);
        DocketSpec roll = spec(piece, new ColourRoute.ByDriver(), 2).withStock(new Stock.Roll(431.8));
        assertThat(Readback.of(roll, facts(0), facts(0).layout(roll))).startsWith("2 times 281.2 mm of the roll of 17 in of Some Cotton");
        DocketSpec edge = spec(new SinglePiece(piece.item(), plan.edged(new Edge(true, 2, 0))).fitted(Fit.FILL), new ColourRoute.ByDriver(),
            1);
        assertThat(Readback.of(edge, facts(0), facts(0).layout(edge))).contains("to the edge and 2 mm over it").doesNotContain("white");
        DocketSpec numbered = Dockets
            .annotated(spec(piece, new ColourRoute.ByDriver(), 3), new Annotation(new Caption(true, false, 25, false, 9), 0, 2, false))
            .withSharpening(Sharpening.LIGHT);
        assertThat(Readback.of(numbered, facts(0), facts(0).layout(numbered))).startsWith("3 A3+ sheets").contains("picture ")
            .contains("a caption below; light sharpening");
    }

    @Test
    public void knownSheetsAreRecognisedByTheirSizeAndOthersNameThemselves() {
        for (SheetSize sheet : SheetSize.KNOWN) {
            assertThat(SheetSize.near(sheet.widthMm() + 0.3, sheet.heightMm() - 0.3)).contains(sheet);
            assertThat(SheetSize.ippName(Stock.Sheet.of(sheet).widthMm(), Stock.Sheet.of(sheet).lengthMm())).isEqualTo(sheet.ippName());
        }
        assertThat(SheetSize.near(100, 100)).isEmpty();
        assertThat(SheetSize.ippName(100, 120.5)).isEqualTo("custom_sheet_100x120.5mm");
    }
}
