package wistel.core.docket.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import wistel.core.docket.Dockets;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Margins;
import wistel.core.length.Range;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.core.paper.Stock;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;
import wistel.core.printer.ValueSet;
import wistel.core.colour.Lab;
import wistel.core.sheet.SheetPlan;

/** Long prints on a roll of 24 in, of which some is left. */
public class RollRuleTest {
    private static final double WIDTH = 609.6;
    private static final Margins MARGINS = new Margins(5, 3, 5, 3);
    private static final Range LENGTHS = new Range(100, 15000);
    private static final DriverSettings SETTINGS = DriverSettings.of("photographic-glossy", "main-roll", 5);

    private static PreflightFacts facts(double leftMm, PaperBody.Curl curl, String usualCut) {
        MediaRow takes = new MediaRow("photographic-glossy", "main-roll", Range.only(WIDTH), LENGTHS, MARGINS);
        MediaRow lies = new MediaRow("photographic-glossy", "main-roll", Range.only(WIDTH), new Range(100, leftMm), MARGINS);
        PrinterDescription printer = new PrinterDescription("test printer", List.of(takes),
            Map.of(DriverSettings.MEDIA_TYPE, ValueSet.keywords("photographic-glossy"), DriverSettings.FEED, ValueSet.keywords("main-roll"),
                DriverSettings.QUALITY, ValueSet.enums(5), DriverSettings.FINISHING, ValueSet.enums(3, 60)),
            Map.of(DriverSettings.FINISHING, usualCut), List.of(), List.of(), List.of(360), List.of("device3_16"),
            List.of("image/pwg-raster"),
            List.of(), Optional.empty(), Map.of());
        PairingVersion pairing = new PairingVersion("g", 1, "p", "Test printer", "Some Gloss", "gloss", new PaperBody(0.2, 180, "", curl),
            SETTINGS, "hash", Intent.RELATIVE, new Lab(96, 0, -1), 4);
        return new PreflightFacts(Map.of("r1", new PreflightFacts.Picture(new SheetPlan.PixelSize(9000, 1000), 3, true, "", "sRGB")),
            Optional.of(pairing), Optional.of(printer),
            new PrinterState(PrinterState.Doing.IDLE, "", List.of(lies), List.of(), ""), Set.of(), Set.of("r1"), 0, Dockets.TODAY,
            Map.of());
    }

    /** 4.5 m long, 0.5 m wide. */
    private static DocketSpec docket(PreflightFacts facts, int copies) {
        DocketSpec d = DocketSpec.fresh("Test", wistel.core.rendition.Rendition.of("r1", "master"), new SheetPlan.PixelSize(9000, 1000))
            .withPairing(facts.pairing().orElseThrow()).withStock(new Stock.Roll(WIDTH));
        return d.with(d.single().framed(4500, 500)).withCopies(copies);
    }

    private static Optional<Finding> finding(Code code, DocketSpec d, PreflightFacts facts) {
        return Dockets.findings(d, facts).stream().filter(f -> f.code() == code).findFirst();
    }

    @Test
    public void theEndOfARollHoldsToItsCore() {
        PreflightFacts enough = facts(4800, PaperBody.Curl.FLAT, "3");
        PreflightFacts short_ = facts(4700, PaperBody.Curl.FLAT, "3");
        double length = enough.layout(docket(enough, 1)).usedLengthMm();
        assertThat(length).isBetween(4500.0, 4600.0);
        assertThat(finding(Code.ROLL_TOO_SHORT, docket(enough, 1), enough)).isEmpty();
        assertThat(finding(Code.ROLL_TOO_SHORT, docket(short_, 1), short_)).get()
            .satisfies(f -> assertThat(f.what()).contains("4700 mm left, the last 200 of them on its core"));
    }

    @Test
    public void itIsSaidHowManyLengthsComeOut() {
        PreflightFacts facts = facts(12000, PaperBody.Curl.FLAT, "3");
        assertThat(finding(Code.ROLL_TOO_SHORT, docket(facts, 3), facts)).get()
            .satisfies(f -> assertThat(f.effect()).startsWith("2 of 3 lengths come out"));
    }

    @Test
    public void shortEndsOfPaperThatLiftsAreMendedInOneStep() {
        PreflightFacts facts = facts(20000, PaperBody.Curl.STRONG, "3");
        DocketSpec d = docket(facts, 1);
        Finding found = finding(Code.ROLL_ENDS_SHORT, d, facts).orElseThrow();
        DocketSpec mended = found.fixes().get(0).change().on(d);
        assertThat(finding(Code.ROLL_ENDS_SHORT, mended, facts)).isEmpty();
        assertThat(facts.layout(mended).usedLengthMm()).isCloseTo(4600, within(1e-6));
        assertThat(finding(Code.ROLL_ENDS_SHORT, docket(facts(20000, PaperBody.Curl.FLAT, "3"), 1), facts(20000, PaperBody.Curl.FLAT, "3")))
            .isEmpty();
    }

    @Test
    public void aLongLengthThatIsCutWetMayFall() {
        PreflightFacts cuts = facts(20000, PaperBody.Curl.FLAT, "60");
        Finding found = finding(Code.LENGTH_HANGS, docket(cuts, 1), cuts).orElseThrow();
        assertThat(found.severity()).isEqualTo(Finding.Severity.LOOK);
        DocketSpec mended = found.fixes().get(0).change().on(docket(cuts, 1));
        assertThat(finding(Code.LENGTH_HANGS, mended, cuts).orElseThrow().severity()).isEqualTo(Finding.Severity.NOTE);
        DocketSpec d = docket(cuts, 1);
        assertThat(finding(Code.LENGTH_HANGS, d.with(d.single().framed(600, 500)), cuts)).isEmpty();
    }
}
