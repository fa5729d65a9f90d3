package wistel.core.docket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.docket.DocketSpec.Borders;
import wistel.core.docket.DocketSpec.ColourBy;
import wistel.core.docket.DocketSpec.Fit;
import wistel.core.docket.DocketSpec.MachineSpec;
import wistel.core.docket.DocketSpec.Pixels;
import wistel.core.docket.DocketSpec.ProofSpec;
import wistel.core.docket.DocketSpec.SizeSpec;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.transform.ProofView;
import wistel.core.paper.Pairing;
import wistel.core.paper.SheetSize;

/** The one sentence, word for word: it is what a person trusts before a sheet is spent. */
public class ReadbackTest {
    private static final Pairing COTTON = new Pairing("c", "p", "Test printer", "Some Cotton", "matte", "stationery-fine", "by-pass-tray", 5, "hash", Intent.PERCEPTUAL,
        new double[] {95, 0, 3}, 15);

    private static PreflightFacts facts(double secondsPerM2) {
        return new PreflightFacts(3000, 2000, 1, true, "", "gray", Optional.of(COTTON), Optional.empty(), false, secondsPerM2);
    }

    private static DocketSpec decisions(SizeSpec size, Intent intent, boolean blackPoint, ColourBy by, int copies) {
        return new DocketSpec("T", new DocketSpec.PictureSpec(true), "c", size, new ProofSpec(intent, blackPoint, ProofView.PAPER_WHITE, true),
            new MachineSpec("stationery-fine", "by-pass-tray", 5, by), copies, "");
    }

    private static SizeSpec a3Plus(Fit fit, double w, double h, Borders borders) {
        return new SizeSpec("A3+", true, w, h, fit, 0.5, 0.5, borders, Pixels.KEEP, 360, 0);
    }

    @DataProvider
    Object[][] sentences() {
        SizeSpec whole = a3Plus(Fit.WHOLE, 380, 300, Borders.HEAVIER_FOOT);
        return new Object[][] {
            {decisions(whole, Intent.PERCEPTUAL, true, ColourBy.WISTEL, 1), 0,
                "an A3+ sheet of Some Cotton from the front path, picture 380 × 253.3 mm, white 51.5 mm at the sides, 30.3 above and 45.4 below; "
                    + "Wistel converts the colour (perceptual with black point compensation), the driver leaves it alone; fine quality."},
            {decisions(whole, Intent.ABSOLUTE, true, ColourBy.WISTEL, 1), 0,
                "an A3+ sheet of Some Cotton from the front path, picture 380 × 253.3 mm, white 51.5 mm at the sides, 30.3 above and 45.4 below; "
                    + "Wistel converts the colour (absolute colorimetric), the driver leaves it alone; fine quality."},
            {decisions(a3Plus(Fit.FILL, 200, 200, Borders.EVEN), Intent.RELATIVE, false, ColourBy.DRIVER, 4), 2640,
                "4 A3+ sheets of Some Cotton from the front path, picture 200 × 200 mm with 33 % cropped away, white 141.5 mm at the sides, 64.5 above and 64.5 below; "
                    + "the driver converts the colour its own way, from sRGB; fine quality; about 28 minutes."}};
    }

    @Test(dataProvider = "sentences")
    public void theSentenceSaysExactlyWhatWillHappen(DocketSpec d, double secondsPerM2, String sentence) {
        assertThat(Readback.of(d, facts(secondsPerM2))).isEqualTo(sentence);
    }

    @Test
    public void everyStationOfTheTrackCarriesItsOutcome() {
        DocketSpec d = decisions(a3Plus(Fit.WHOLE, 380, 300, Borders.EVEN), Intent.PERCEPTUAL, true, ColourBy.WISTEL, 1);
        List<StageStatus> track = Track.of(d, facts(0), Preflight.findings(d, facts(0)));
        assertThat(track).extracting(StageStatus::outcome).containsExactly("monochrome, gray", "Some Cotton", "380 × 253.3 mm on A3+, 201 ppi",
            "perceptual, black compensated", "stationery fine, fine, front path", "one thing stops it");
        assertThat(track.get(5).mark()).as("its printer has never answered").isEqualTo(StageStatus.Mark.BLOCKED);
    }

    @Test
    public void aFreshDocketFitsItsSheetWithAGenerousBorder() {
        for (int[] px : new int[][] {{6000, 4000}, {2400, 3000}, {6000, 1800}, {500, 500}}) {
            DocketSpec d = DocketSpec.fresh("T", px[0], px[1]);
            var p = Preflight.place(d, new PreflightFacts(px[0], px[1], 3, true, "", "s", Optional.empty(), Optional.empty(), false, 0));
            assertThat(p.width()).isLessThanOrEqualTo(p.sheetWidthMm() - 39.8);
            assertThat(p.height()).isLessThanOrEqualTo(p.sheetHeightMm() - 39.8);
            assertThat(p.width() / p.height()).isCloseTo((double) px[0] / px[1], org.assertj.core.api.Assertions.within(0.01));
        }
    }

    @Test
    public void knownSheetsAreRecognisedByTheirSize() {
        for (SheetSize sheet : SheetSize.KNOWN) {
            assertThat(SheetSize.near(sheet.widthMm() + 0.3, sheet.heightMm() - 0.3)).contains(sheet);
        }
        assertThat(SheetSize.near(100, 100)).isEmpty();
    }
}
