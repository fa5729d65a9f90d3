package wistel.core.tone;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.cgats.Readings;
import wistel.core.colour.Lab;
import wistel.core.icc.profile.Intent;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.ValueSet;

public class ToneReportTest {
    private static final double NOISE = 0.1;

    private static ToneReport report(DoubleUnaryOperator printed, long seed) {
        return ToneReport.of(Scales.scale(33, printed, NOISE, seed), ToneTarget.EVEN, List.of(), Optional.empty());
    }

    /** What a person is told of scales of every kind. */
    @DataProvider
    public Object[][] verdicts() {
        return new Object[][] {
            {(DoubleUnaryOperator) d -> d, "straight as it is"},
            {(DoubleUnaryOperator) d -> d + 0.07 * d * (1 - d), "A small correction straightens it"},
            {(DoubleUnaryOperator) d -> d + 0.24 * d * (1 - d), "A correction of up to"},
            {(DoubleUnaryOperator) d -> d + 0.5 * d * (1 - d), "don't suit each other"},
            {(DoubleUnaryOperator) d -> Math.min(1, d / 0.88), "Shadows block up"},
            {(DoubleUnaryOperator) d -> 1 - d, "read from black to paper"}};
    }

    @Test(dataProvider = "verdicts")
    public void theVerdictSaysWhatMatters(DoubleUnaryOperator printed, String words) {
        for (long seed = 1; seed <= 5; seed++) {
            assertThat(String.join(" ", report(printed, seed).verdict())).contains(words);
        }
    }

    @Test
    public void whatTheCurveGivesIsPredictedFromTheReadingItself() {
        ToneReport told = report(d -> d + 0.24 * d * (1 - d), 3);
        // the worst of x + 0.24 x (1 - x) is 0.06 at the middle; its rms over the scale is 0.24 / sqrt(30)
        assertThat(told.before()).isCloseTo((Scales.PAPER - Scales.BLACK) * 0.24 / Math.sqrt(30), within(0.15));
        assertThat(told.after()).isLessThan(0.25);
        double[] wanted = ToneReport.target(told.used(), ToneTarget.EVEN, 33);
        double[] got = ToneReport.through(told.used(), told.curve(), 33);
        assertThat(got).containsExactly(wanted, within(0.6));
    }

    @Test
    public void aPersonsCurveIsJudgedLikeTheFittedOne() {
        ToneScale scale = Scales.scale(33, d -> d, NOISE, 2);
        ToneReport worse = ToneReport.of(scale, ToneTarget.EVEN, List.of(),
            Optional.of(new ToneCurve(List.of(new ToneCurve.Point(0.5, 0.44)))));
        assertThat(worse.after()).isGreaterThan(worse.before());
        assertThat(worse.verdict()).anyMatch(v -> v.contains("farther off"));
    }

    /** A wild patch is suspect, said, and doesn't bend the curve; what a person leaves out doesn't either. */
    @Test
    public void suspectStepsAndThoseLeftOutDontCount() {
        List<ToneScale.Step> steps = new ArrayList<>(Scales.scale(33, d -> d, NOISE, 5).steps());
        steps.set(12, new ToneScale.Step(steps.get(12).depth(), new Lab(steps.get(12).lab().l() - 9, 0.4, -1.2), 1));
        ToneReport told = ToneReport.of(new ToneScale(Readings.Kind.COLOUR, steps, NOISE), ToneTarget.EVEN, List.of(20), Optional.empty());
        assertThat(told.used().steps()).hasSize(31);
        assertThat(told.curve().points()).isEmpty();
        assertThat(told.verdict()).anyMatch(v -> v.contains("The step at 38 % is suspect"));
    }

    @Test
    public void aLightnessAloneTakesThePapersColourTowardsBlack() {
        ToneScale read = new ToneScale(Readings.Kind.LIGHTNESS, Scales.scale(21, d -> d, 0, 1).steps(), 0.1).tinted(new Lab(96, 1, 4));
        assertThat(read.paper().b()).isEqualTo(4);
        assertThat(read.black().b()).isZero();
        assertThat(read.steps().get(10).lab().a()).isCloseTo(0.5, within(1e-9));
    }

    private static final PrinterDescription CAN = new PrinterDescription("m", List.of(),
        Map.of(DriverSettings.DARKNESS, ValueSet.keywords("1", "2", "3"), DriverSettings.QUALITY, ValueSet.enums(4, 5),
            DriverSettings.BLACK, ValueSet.keywords("photo", "matte")),
        Map.of(DriverSettings.DARKNESS, "3"), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), Optional.empty(), Map.of());

    /** What the printer takes where nothing is said is the same mode as saying it; how the sheet is fed is none of it. */
    @Test
    public void aModeIsWhatDecidesTones() {
        ColourRoute mono = new ColourRoute.DriverMonochrome();
        DriverSettings plain = DriverSettings.of("cotton", "rear", 5);
        assertThat(ToneMode.of(mono, plain.with(DriverSettings.DARKNESS, "3"), CAN)).isEqualTo(ToneMode.of(mono, plain, CAN));
        assertThat(ToneMode.of(mono, plain.with(DriverSettings.FEED, "by-pass-tray").with(DriverSettings.RESOLUTION, "720"), CAN))
            .isEqualTo(ToneMode.of(mono, plain, CAN));
        assertThat(ToneMode.of(mono, plain.with(DriverSettings.DARKNESS, "2"), CAN)).isNotEqualTo(ToneMode.of(mono, plain, CAN));
        assertThat(ToneMode.of(mono, plain.with(DriverSettings.QUALITY, "4"), CAN)).isNotEqualTo(ToneMode.of(mono, plain, CAN));
        ColourRoute profile = new ColourRoute.ByWistel(Intent.RELATIVE, true);
        assertThat(ToneMode.of(profile, plain.with(DriverSettings.DARKNESS, "2"), CAN))
            .as("its own settings don't count through the profile").isEqualTo(ToneMode.of(profile, plain, CAN));
        assertThat(ToneMode.of(profile, plain, CAN))
            .isNotEqualTo(ToneMode.of(new ColourRoute.ByWistel(Intent.RELATIVE, false), plain, CAN));
        ToneMode matte = ToneMode.of(mono, plain.with(DriverSettings.BLACK, "matte"), CAN);
        assertThat(matte.differsInBlack(ToneMode.of(mono, plain.with(DriverSettings.BLACK, "photo"), CAN))).isTrue();
        assertThat(
            matte.differsInBlack(ToneMode.of(mono, plain.with(DriverSettings.BLACK, "photo").with(DriverSettings.QUALITY, "4"), CAN)))
            .isFalse();
        assertThat(matte.words(CAN)).startsWith("driver's monochrome").contains("fine quality").contains("darkness");
    }
}
