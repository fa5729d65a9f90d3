package wistel.core.docket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import wistel.core.docket.DocketSpec.ColourBy;
import wistel.core.docket.DocketSpec.MachineSpec;
import wistel.core.docket.DocketSpec.Pixels;
import wistel.core.docket.DocketSpec.ProofSpec;
import wistel.core.docket.DocketSpec.SizeSpec;
import wistel.core.docket.Finding.Severity;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Margins;
import wistel.core.length.Ppi;
import wistel.core.paper.Pairing;
import wistel.core.printer.Capabilities;
import wistel.core.printer.Capabilities.Media;
import wistel.core.printer.Keywords;

public class PreflightTest {
    private static final Margins REAR = new Margins(3, 3, 14, 3);
    private static final Media GLOSS_A4 = new Media("photographic-glossy", "rear", 210, 297, REAR);
    private static final Media COTTON_A4 = new Media("stationery-fine", "by-pass-tray", 210, 297, new Margins(30, 3.4, 30, 3.4));
    private static final Capabilities PRINTER = new Capabilities("test printer", List.of(GLOSS_A4, COTTON_A4), List.of("photographic-glossy", "stationery-fine"),
        List.of("rear", "by-pass-tray"), List.of(3, 4, 5), List.of(180, 360, 720), List.of("device3_16", "srgb_16"), List.of("image/pwg-raster"), List.of(GLOSS_A4));
    private static final Pairing GLOSS = new Pairing("g", "p", "Test printer", "Some Gloss", "gloss", "photographic-glossy", "rear", 5, "hash", Intent.RELATIVE,
        new double[] {96, 0, -1}, 4);

    private static PreflightFacts facts(boolean profile) {
        return new PreflightFacts(3000, 2000, 3, profile, "", "sRGB", Optional.of(GLOSS), Optional.of(PRINTER), false, 600);
    }

    private static DocketSpec ready() {
        DocketSpec d = DocketSpec.fresh("Test", 3000, 2000).withPairing(GLOSS);
        return d.withProof(new ProofSpec(Intent.RELATIVE, true, d.proof().view(), true));
    }

    private static List<String> codes(DocketSpec d, PreflightFacts s) {
        return Preflight.findings(d, s).stream().map(Finding::code).toList();
    }

    @Test
    public void aDocketInOrderHasNothingToSay() {
        assertThat(Preflight.findings(ready(), facts(true))).isEmpty();
        assertThat(Readback.of(ready(), facts(true))).startsWith("an A4 sheet of Some Gloss from the rear feed, picture ")
            .contains("Wistel converts the colour (relative colorimetric with black point compensation), the driver leaves it alone").endsWith("about 40 seconds.");
        assertThat(Track.of(ready(), facts(true), List.of())).allMatch(t -> t.mark() == StageStatus.Mark.SETTLED);
    }

    @Test
    public void aMissingProfileIsAskedForOnceAndTheAnswerRemembered() {
        Finding asked = Preflight.findings(ready(), facts(false)).get(0);
        assertThat(asked.code()).isEqualTo("profile-missing");
        assertThat(codes(asked.mends().get(0).after(), facts(false))).isEmpty();
    }

    /** Every mend that a finding offers must make that finding go away. */
    @Test
    public void everyMendMends() {
        MachineSpec m = ready().machine();
        SizeSpec z = ready().size();
        List<DocketSpec> wrong = List.of(
            ready().withMachine(new MachineSpec("stationery-fine", "by-pass-tray", 5, ColourBy.WISTEL)),
            ready().withMachine(new MachineSpec(m.mediaType(), "by-pass-tray", 5, ColourBy.WISTEL)),
            ready().withMachine(new MachineSpec(m.mediaType(), m.feed(), 3, ColourBy.WISTEL)),
            ready().withMachine(new MachineSpec(m.mediaType(), m.feed(), 5, ColourBy.DRIVER)),
            ready().withSize(z.withFrame(500, 333)), ready().withSize(z.withFrame(296, 197.33)),
            ready().withSize(new SizeSpec("A4", true, 250, 166.67, z.fit(), 0.5, 0.5, DocketSpec.Borders.HEAVIER_FOOT, Pixels.RESAMPLE, 150, 0)));
        for (DocketSpec d : wrong) {
            List<Finding> findings = Preflight.findings(d, facts(true));
            assertThat(findings).isNotEmpty();
            for (Finding f : findings) {
                assertThat(f.mends().isEmpty()).as(f.code()).isEqualTo(f.code().equals("few-pixels"));
                f.mends().forEach(mend -> assertThat(codes(mend.after(), facts(true))).as(f.code() + " after " + mend.label()).doesNotContain(f.code()));
            }
        }
    }

    @Test
    public void thePictureOnTheUnprintableEdgeStopsThePrintAndSaysHowMuchStaysWhite() {
        Finding f = Preflight.findings(ready().withSize(ready().size().withFrame(290, 193.3)), facts(true)).get(0);
        assertThat(f.severity()).isEqualTo(Severity.STOP);
        assertThat(f.effect()).contains("right 10.5 mm");
    }

    @Test
    public void aPrinterThatTakesNoDeviceColourWouldConvertTwice() {
        Capabilities plain = new Capabilities("x", PRINTER.media(), PRINTER.mediaTypes(), PRINTER.feeds(), PRINTER.qualities(), PRINTER.resolutions(),
            List.of("srgb_8"), PRINTER.formats(), PRINTER.loaded());
        PreflightFacts s = new PreflightFacts(3000, 2000, 3, true, "", "sRGB", Optional.of(GLOSS), Optional.of(plain), false, 0);
        assertThat(Preflight.findings(ready(), s)).anyMatch(f -> f.code().equals("no-device-space") && f.severity() == Severity.STOP);
    }

    @Test
    public void withoutAPaperTheReadbackAsksForOne() {
        PreflightFacts none = new PreflightFacts(3000, 2000, 3, true, "", "sRGB", Optional.empty(), Optional.empty(), false, 0);
        DocketSpec d = DocketSpec.fresh("Test", 3000, 2000);
        assertThat(codes(d, none)).containsExactly("pairing-missing");
        assertThat(Readback.of(d, none)).contains("choose a paper");
    }

    private static Finding finding(DocketSpec d, PreflightFacts s, String code) {
        return Preflight.findings(d, s).stream().filter(f -> f.code().equals(code)).findFirst().orElseThrow(() -> new AssertionError(code + " not among " + codes(d, s)));
    }

    private static PreflightFacts with(Capabilities printer, boolean away) {
        return new PreflightFacts(3000, 2000, 3, true, "", "sRGB", Optional.of(GLOSS), Optional.of(printer), away, 600);
    }

    private static Capabilities loadedWith(Media... loaded) {
        return new Capabilities("x", PRINTER.media(), PRINTER.mediaTypes(), PRINTER.feeds(), PRINTER.qualities(), PRINTER.resolutions(), PRINTER.rasterTypes(), PRINTER.formats(), List.of(loaded));
    }

    @Test
    public void aPrinterThatIsAwayLetsTheDocketWait() {
        Finding away = finding(ready(), with(PRINTER, true), "printer-away");
        assertThat(away.severity()).as("no reason to stop: the print waits").isEqualTo(Severity.LOOK);
        assertThat(away.effect()).contains("waits");
    }

    /** What lies in the feed is told as people say it, and only while the printer can be asked. */
    @Test
    public void anotherPaperInTheFeedIsSeenBeforeItIsPrintedOn() {
        Media matteA4 = new Media("stationery-fine", "rear", 210, 297, REAR);
        Media odd = new Media("photographic-glossy", "rear", 100, 150, REAR);
        assertThat(finding(ready(), with(loadedWith(matteA4), false), "other-paper-loaded").what()).isEqualTo("The rear feed holds A4 stationery fine now.");
        assertThat(finding(ready(), with(loadedWith(odd), false), "other-paper-loaded").what()).isEqualTo("The rear feed holds 100 × 150 mm photographic glossy now.");
        assertThat(codes(ready(), with(loadedWith(matteA4), true))).doesNotContain("other-paper-loaded");
        assertThat(codes(ready(), with(loadedWith(GLOSS_A4), false))).isEmpty();
    }

    @Test
    public void aSheetThatTheFeedDoesNotTakeStopsThePrint() {
        SizeSpec z = ready().size();
        DocketSpec large = ready().withSize(new SizeSpec("A2", z.across(), z.widthMm(), z.heightMm(), z.fit(), 0.5, 0.5, z.borders(), z.pixels(), z.resamplePpi(), 0));
        Finding f = finding(large, facts(true), "sheet-not-for-feed");
        assertThat(f.severity()).isEqualTo(Severity.STOP);
        assertThat(f.what()).contains("A2").contains("the rear feed");
    }

    @Test
    public void aProofThatNobodyLookedAtIsAskedFor() {
        ProofSpec p = ready().proof();
        DocketSpec unseen = ready().withProof(new ProofSpec(p.intent(), p.blackPoint(), p.view(), false));
        assertThat(finding(unseen, facts(true), "proof-not-looked-at").severity()).isEqualTo(Severity.LOOK);
        assertThat(Track.of(unseen, facts(true), Preflight.findings(unseen, facts(true)))).extracting(StageStatus::outcome).contains("not looked at yet", "1 thing to look at");
    }

    /** 3000 pixels over 250 mm are 304.8 ppi: at 150 of them (150/304.8)^2 = 24 % stay, at 600 as many are made up as 1 - (304.8/600)^2 = 74 %. */
    @Test
    public void resamplingSaysWhatItThrowsAwayAndWhatItMakesUp() {
        SizeSpec z = ready().size();
        DocketSpec fewer = ready().withSize(new SizeSpec("A4", true, 250, 166.67, z.fit(), 0.5, 0.5, z.borders(), Pixels.RESAMPLE, 150, 0));
        DocketSpec more = ready().withSize(new SizeSpec("A4", true, 250, 166.67, z.fit(), 0.5, 0.5, z.borders(), Pixels.RESAMPLE, 600, 0));
        DocketSpec same = ready().withSize(new SizeSpec("A4", true, 250, 166.67, z.fit(), 0.5, 0.5, z.borders(), Pixels.RESAMPLE, 305, 0));
        assertThat(finding(fewer, facts(true), "pixels-discarded").what()).contains("76 %");
        Finding invented = finding(more, facts(true), "pixels-invented");
        assertThat(invented.what()).contains("74 %");
        assertThat(invented.severity()).isEqualTo(Severity.NOTE);
        assertThat(codes(same, facts(true))).isEmpty();
    }

    /** A square frame over a picture of 3 : 2 loses a third of it. */
    @Test
    public void whatTheFrameCutsAwayIsTold() {
        SizeSpec z = ready().size();
        DocketSpec square = ready().withSize(new SizeSpec("A4", true, 150, 150, DocketSpec.Fit.FILL, 0.5, 0.5, z.borders(), Pixels.KEEP, 360, 0));
        assertThat(finding(square, facts(true), "cropped").what()).startsWith("33 %");
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
        assertThat(List.of(Keywords.feed("rear"), Keywords.feed("manual"), Keywords.feed("main-roll"), Keywords.feed(""), Keywords.feed("top-tray")))
            .containsExactly("the rear feed", "the front path", "the roll", "any feed", "the top tray feed");
        assertThat(List.of(Keywords.quality(3), Keywords.quality(4), Keywords.quality(5), Keywords.quality(7))).containsExactly("quick", "standard", "fine", "quality 7");
        assertThat(Keywords.words("photographic-semi-gloss")).isEqualTo("photographic semi gloss");
    }
}
