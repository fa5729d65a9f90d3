package wistel.core.tone;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.function.DoubleUnaryOperator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.tone.ToneCurve.Point;

/** The fit is judged by the made-up printer itself: what it prints through the curve, at depths that were never read. */
public class LinearisationTest {
    private static final int SEEDS = 20;

    /** Root mean square of L* off the even scale, when the made-up printer prints through a curve. */
    private static double printedError(DoubleUnaryOperator printer, ToneCurve curve) {
        DoubleUnaryOperator through = curve.function();
        double sum = 0;
        for (int i = 0; i <= 200; i++) {
            double wanted = i / 200.0;
            sum += Math.pow((printer.applyAsDouble(through.applyAsDouble(wanted)) - wanted) * (Scales.PAPER - Scales.BLACK), 2);
        }
        return Math.sqrt(sum / 201);
    }

    /** A bend over a few steps, as where one ink takes over from another, read without noise. */
    @Test
    public void aSmallKinkIsFollowedWhereNothingHidesIt() {
        for (double at : new double[] {0.25, 0.5, 0.7}) {
            DoubleUnaryOperator printer = d -> d + 0.012 * Math.exp(-Math.pow((d - at) / 0.05, 2));
            Linearisation found = Linearisation.fit(Scales.scale(51, printer, 0, 1), ToneTarget.EVEN);
            assertThat(printedError(printer, ToneCurve.STRAIGHT)).isGreaterThan(0.2);
            assertThat(printedError(printer, found.curve())).as("kink at %s", at).isLessThan(0.12);
        }
    }

    /** With noise as large as the kink, nothing is made of it. */
    @Test
    public void whatNoiseHidesIsNotFollowed() {
        for (long seed = 0; seed < 8; seed++) {
            assertThat(Linearisation.fit(Scales.scale(51, d -> d, 0.3, seed), ToneTarget.EVEN).curve().points().size())
                .as("seed %d", seed).isLessThanOrEqualTo(2);
        }
    }

    @DataProvider
    public Object[][] distortions() {
        return new Object[][] {
            {2, new ToneCurve(List.of(new Point(0.3, 0.26), new Point(0.7, 0.72)))},
            {2, new ToneCurve(List.of(new Point(0.25, 0.33), new Point(0.8, 0.84)))},
            {3, new ToneCurve(List.of(new Point(0.2, 0.15), new Point(0.5, 0.5), new Point(0.85, 0.78)))},
            {4, new ToneCurve(List.of(new Point(0.15, 0.2), new Point(0.4, 0.37), new Point(0.65, 0.68), new Point(0.9, 0.84)))}
        };
    }

    @Test(dataProvider = "distortions")
    public void aKnownDistortionIsUndoneToWithinTheNoise(int points, ToneCurve distortion) {
        DoubleUnaryOperator printer = Scales.straightenedBy(distortion);
        for (double noise : new double[] {0.1, 0.3}) {
            int seeds = noise > 0.2 ? SEEDS : 5;
            double sum = 0;
            for (long seed = 0; seed < seeds; seed++) {
                Linearisation found = Linearisation.fit(Scales.scale(51, printer, noise, seed), ToneTarget.EVEN);
                assertThat(found.curve().points().size()).as("points, seed %d, noise %s", seed, noise).isBetween(2, points + 1);
                double error = printedError(printer, found.curve());
                sum += error;
                assertThat(error).as("L* after, seed %d, noise %s", seed, noise).isLessThan(1.5 * noise);
                assertThat(found.before()).as("L* before, as printed and as read").isCloseTo(printedError(printer, ToneCurve.STRAIGHT),
                    withinPercentage(12));
                assertThat(found.after()).as("L* after, as read").isBetween(0.5 * noise, 1.5 * noise);
            }
            assertThat(sum / seeds).as("L* after, on average").isLessThan(noise);
        }
    }

    @Test
    public void aStraightScaleGetsNoPoints() {
        for (int steps : Wedge.STEPS) {
            for (double noise : new double[] {0, 0.15, 0.5}) {
                for (long seed = 0; seed < (noise == 0.15 && steps <= 51 ? SEEDS : 1); seed++) {
                    Linearisation found = Linearisation.fit(Scales.scale(steps, d -> d, noise, seed), ToneTarget.EVEN);
                    assertThat(found.curve().points()).as("%d steps, seed %d, noise %s", steps, seed, noise).isEmpty();
                    assertThat(found.unsuited()).isFalse();
                }
            }
        }
    }

    @DataProvider
    public Object[][] printers() {
        return new Object[][] {
            {"shadows blocked from 80 %", (DoubleUnaryOperator) d -> Math.min(1, d / 0.8)},
            {"far too dark", (DoubleUnaryOperator) d -> Math.pow(d, 0.35)},
            {"far too light", (DoubleUnaryOperator) d -> Math.pow(d, 3)},
            {"a step in the middle", (DoubleUnaryOperator) d -> d < 0.5 ? d * 0.4 : 0.6 + (d - 0.5) * 0.8},
            {"lights lost", (DoubleUnaryOperator) d -> Math.max(0, (d - 0.15) / 0.85)},
            {"turns back", (DoubleUnaryOperator) d -> d + 0.15 * Math.sin(12 * d) * d * (1 - d)}
        };
    }

    @Test(dataProvider = "printers")
    public void theCurveNeverReversesAndItsSlopeStaysWithinAQuarterAndFour(String what, DoubleUnaryOperator printer) {
        for (int steps : new int[] {21, 51}) {
            for (long seed = 0; seed < 3; seed++) {
                Linearisation found = Linearisation.fit(Scales.scale(steps, printer, 0.8, seed), ToneTarget.EVEN);
                DoubleUnaryOperator curve = found.curve().function();
                double last = 0;
                for (int i = 1; i <= 1000; i++) {
                    double now = curve.applyAsDouble(i / 1000.0);
                    assertThat((now - last) * 1000).as("slope at %s of 1000, %s", i, what).isBetween(0.24, 4.05);
                    last = now;
                }
                assertThat(printedError(printer, found.curve())).as("better on paper, %s", what)
                    .isLessThan(printedError(printer, ToneCurve.STRAIGHT) + 0.4);
            }
        }
    }

    @Test
    public void aPrinterThatBlocksUpIsStraightenedAsFarAsTheSlopeAllows() {
        DoubleUnaryOperator printer = d -> Math.min(1, d / 0.8);
        Linearisation found = Linearisation.fit(Scales.scale(51, printer, 0.1, 1), ToneTarget.EVEN);
        assertThat(found.unsuited()).isTrue();
        assertThat(printedError(printer, ToneCurve.STRAIGHT)).isGreaterThan(8);
        assertThat(printedError(printer, found.curve())).isLessThan(2.5);
    }

    @Test
    public void aMoveOfMoreThanEightPercentIsCalledUnsuited() {
        ToneCurve small = new ToneCurve(List.of(new Point(0.3, 0.35), new Point(0.7, 0.74)));
        ToneCurve large = new ToneCurve(List.of(new Point(0.3, 0.42), new Point(0.7, 0.8)));
        assertThat(Linearisation.fit(Scales.scale(51, Scales.straightenedBy(small), 0.1, 3), ToneTarget.EVEN).unsuited()).isFalse();
        assertThat(Linearisation.fit(Scales.scale(51, Scales.straightenedBy(large), 0.1, 3), ToneTarget.EVEN).unsuited()).isTrue();
        assertThat(large.largestMove().sent()).isCloseTo(0.12, within(0.01));
    }

    /** ISO 18619 by hand: L* 50 has Y 0.184187, which lies between Y 0.011260 of the black and 0.876183 of the paper. */
    @Test
    public void theProofOfAGrayRampIsScaledInLuminance() {
        assertThat(ToneTarget.PROOF.lightness(0.5, 95, 10)).isCloseTo(48.33145, within(0.001));
        assertThat(ToneTarget.PROOF.lightness(0, 95, 10)).isCloseTo(95, within(1e-9));
        assertThat(ToneTarget.PROOF.lightness(1, 95, 10)).isCloseTo(10, within(1e-9));
        for (ToneTarget target : ToneTarget.values()) {
            for (double depth = 0.05; depth < 1; depth += 0.05) {
                assertThat(target.depth(target.lightness(depth, 92, 22), 92, 22)).isCloseTo(depth, within(1e-9));
            }
        }
    }

    @Test
    public void aScaleCanBeMatchedToTheProofInstead() {
        DoubleUnaryOperator asProofed = d -> (ToneTarget.PROOF.lightness(d, Scales.PAPER, Scales.BLACK) - Scales.PAPER)
            / (Scales.BLACK - Scales.PAPER);
        assertThat(Linearisation.fit(Scales.scale(33, asProofed, 0.1, 5), ToneTarget.PROOF).curve().points()).isEmpty();
        assertThat(Linearisation.fit(Scales.scale(33, asProofed, 0.1, 5), ToneTarget.EVEN).before()).isGreaterThan(1);
    }

    @Test
    public void aCurveThatReversesOrIsTooSteepIsRefused() {
        assertThat(new ToneCurve(List.of(new Point(0.5, 0.6))).moved(0, new Point(0.5, 0.4)).function().applyAsDouble(0.5)).isCloseTo(0.4,
            within(1e-12));
        for (List<Point> wrong : List.of(List.of(new Point(0.4, 0.6), new Point(0.6, 0.4)), List.of(new Point(0.1, 0.7)),
            List.of(new Point(0.5, 0.5), new Point(0.505, 0.51)), List.of(new Point(0.5, Double.NaN)))) {
            assertThatThrownBy(() -> new ToneCurve(wrong)).as("%s", wrong).isInstanceOf(InvalidRequest.class);
        }
    }

    @Test
    public void theGrayProfileSaysWhatIsPrintedThroughTheCurve() {
        ToneCurve curve = new ToneCurve(List.of(new Point(0.25, 0.33), new Point(0.8, 0.84)));
        ToneScale scale = Scales.scale(51, Scales.straightenedBy(curve), 0, 1);
        IccProfile profile = ProfileReader.read(new StraightenedScale(scale, curve).profile("Made-up printer, straightened"));
        Transform measured = TransformCompiler.toMeasuredLab(profile);
        for (double gray = 0; gray <= 1; gray += 0.05) {
            double even = Scales.BLACK + (Scales.PAPER - Scales.BLACK) * gray;
            assertThat(LabEncoding.V4.lab(measured.exact(new double[] {gray})).l()).as("gray %s", gray).isCloseTo(even, within(0.25));
        }
        assertThat(profile.chartText().orElseThrow()).contains("0.2500>0.3300 0.8000>0.8400");
    }
}
