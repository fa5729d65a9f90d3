package wistel.core.docket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import wistel.core.docket.Decisions.ColourBy;
import wistel.core.docket.Decisions.MachineStation;
import wistel.core.docket.Decisions.Pixels;
import wistel.core.docket.Decisions.ProofStation;
import wistel.core.docket.Decisions.SizeStation;
import wistel.core.docket.Finding.Severity;
import wistel.core.icc.profile.Intent;
import wistel.core.paper.Pairing;
import wistel.core.printer.Capabilities;
import wistel.core.printer.Capabilities.Margins;
import wistel.core.printer.Capabilities.Media;

public class PreflightTest {
    private static final Margins REAR = new Margins(3, 3, 14, 3);
    private static final Media GLOSS_A4 = new Media("photographic-glossy", "rear", 210, 297, REAR);
    private static final Media COTTON_A4 = new Media("stationery-fine", "by-pass-tray", 210, 297, new Margins(30, 3.4, 30, 3.4));
    private static final Capabilities PRINTER = new Capabilities("test printer", List.of(GLOSS_A4, COTTON_A4), List.of("photographic-glossy", "stationery-fine"),
        List.of("rear", "by-pass-tray"), List.of(3, 4, 5), List.of(180, 360, 720), List.of("device3_16", "srgb_16"), List.of("image/pwg-raster"), List.of(GLOSS_A4));
    private static final Pairing GLOSS = new Pairing("g", "p", "Test printer", "Some Gloss", "gloss", "photographic-glossy", "rear", 5, "hash", Intent.RELATIVE,
        new double[] {96, 0, -1}, 4);

    private static Situation situation(boolean profile) {
        return new Situation(3000, 2000, 3, profile, "", "sRGB", Optional.of(GLOSS), Optional.of(PRINTER), false, 600);
    }

    private static Decisions ready() {
        Decisions d = Decisions.fresh("Test", 3000, 2000).withPairing(GLOSS);
        return d.withProof(new ProofStation(Intent.RELATIVE, true, d.proof().view(), true));
    }

    private static List<String> codes(Decisions d, Situation s) {
        return Preflight.findings(d, s).stream().map(Finding::code).toList();
    }

    @Test
    public void aDocketInOrderHasNothingToSay() {
        assertThat(Preflight.findings(ready(), situation(true))).isEmpty();
        assertThat(Readback.of(ready(), situation(true))).startsWith("an A4 sheet of Some Gloss from the rear feed, picture ")
            .contains("Wistel converts the colour (relative colorimetric with black point compensation), the driver leaves it alone").endsWith("about 40 seconds.");
        assertThat(Track.of(ready(), situation(true), List.of())).allMatch(t -> t.mark() == Track.Mark.SETTLED);
    }

    @Test
    public void aMissingProfileIsAskedForOnceAndTheAnswerRemembered() {
        Finding asked = Preflight.findings(ready(), situation(false)).get(0);
        assertThat(asked.code()).isEqualTo("profile-missing");
        assertThat(codes(asked.mends().get(0).after(), situation(false))).isEmpty();
    }

    /** Every mend that a finding offers must make that finding go away. */
    @Test
    public void everyMendMends() {
        MachineStation m = ready().machine();
        SizeStation z = ready().size();
        List<Decisions> wrong = List.of(
            ready().withMachine(new MachineStation("stationery-fine", "by-pass-tray", 5, ColourBy.WISTEL)),
            ready().withMachine(new MachineStation(m.mediaType(), "by-pass-tray", 5, ColourBy.WISTEL)),
            ready().withMachine(new MachineStation(m.mediaType(), m.feed(), 3, ColourBy.WISTEL)),
            ready().withMachine(new MachineStation(m.mediaType(), m.feed(), 5, ColourBy.DRIVER)),
            ready().withSize(z.withFrame(500, 333)), ready().withSize(z.withFrame(296, 197.33)),
            ready().withSize(new SizeStation("A4", true, 250, 166.67, z.fit(), 0.5, 0.5, Decisions.Borders.HEAVIER_FOOT, Pixels.RESAMPLE, 150, 0)));
        for (Decisions d : wrong) {
            List<Finding> findings = Preflight.findings(d, situation(true));
            assertThat(findings).isNotEmpty();
            for (Finding f : findings) {
                assertThat(f.mends().isEmpty()).as(f.code()).isEqualTo(f.code().equals("few-pixels"));
                f.mends().forEach(mend -> assertThat(codes(mend.after(), situation(true))).as(f.code() + " after " + mend.label()).doesNotContain(f.code()));
            }
        }
    }

    @Test
    public void thePictureOnTheUnprintableEdgeStopsThePrintAndSaysHowMuchStaysWhite() {
        Finding f = Preflight.findings(ready().withSize(ready().size().withFrame(290, 193.3)), situation(true)).get(0);
        assertThat(f.severity()).isEqualTo(Severity.STOP);
        assertThat(f.effect()).contains("right 10.5 mm");
    }

    @Test
    public void aPrinterThatTakesNoDeviceColourWouldConvertTwice() {
        Capabilities plain = new Capabilities("x", PRINTER.media(), PRINTER.mediaTypes(), PRINTER.feeds(), PRINTER.qualities(), PRINTER.resolutions(),
            List.of("srgb_8"), PRINTER.formats(), PRINTER.loaded());
        Situation s = new Situation(3000, 2000, 3, true, "", "sRGB", Optional.of(GLOSS), Optional.of(plain), false, 0);
        assertThat(Preflight.findings(ready(), s)).anyMatch(f -> f.code().equals("no-device-space") && f.severity() == Severity.STOP);
    }

    @Test
    public void withoutAPaperTheReadbackAsksForOne() {
        Situation none = new Situation(3000, 2000, 3, true, "", "sRGB", Optional.empty(), Optional.empty(), false, 0);
        Decisions d = Decisions.fresh("Test", 3000, 2000);
        assertThat(codes(d, none)).containsExactly("pairing-missing");
        assertThat(Readback.of(d, none)).contains("choose a paper");
    }
}
