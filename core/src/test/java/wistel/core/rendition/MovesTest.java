package wistel.core.rendition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.colour.D50;
import wistel.core.colour.LabEncoding;
import wistel.core.colour.Oklab;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.stage.LabFunction;

public class MovesTest {
    private static double[] of(LabFunction f, double l, double a, double b) {
        double[] lab = {l, a, b};
        f.apply(lab, 0);
        return lab;
    }

    private static double tone(double l, double... sliders) {
        return of(new ToneMoves(sliders[0], sliders[1], sliders[2], sliders[3], sliders[4], sliders[5]).function(), l, 0, 0)[0];
    }

    /** Worked out apart in Python from the formulas of the moves' descriptions. */
    @Test
    public void toneMovesFollowTheirFormulas() {
        assertThat(tone(20, 50, 0, 0, 0, 0, 50)).isCloseTo(40.48, within(1e-4));
        assertThat(tone(20, -50, 0, 0, 0, 0, 50)).isCloseTo(13.856, within(1e-4));
        assertThat(tone(50, 0, 30, 0, 0, 0, 50)).isCloseTo(63.125, within(1e-4));
        assertThat(tone(80, 0, 0, -40, 0, 0, 50)).isCloseTo(63.616, within(1e-4));
        assertThat(tone(30, 0, 0, 0, 25, 0, 45)).isCloseTo(26.3604, within(1e-4));
        assertThat(tone(30, 0, 0, 0, 0, 50, 45)).isCloseTo(46.1538, within(1e-4));
        assertThat(tone(35, 20, -10, 15, -30, 10, 40)).isCloseTo(40.3319, within(1e-4));
    }

    /** Fritsch and Butland's slopes through 0, 25 to 10, 60 to 70 and 100, worked out apart. */
    @Test
    public void theLightnessCurveIsTheMonotoneCubic() {
        LabFunction curve = new LightnessCurve(List.of(point(0, 0), point(25, 10), point(60, 70), point(100, 100))).function();
        assertThat(of(curve, 12.5, 3, 4)).containsExactly(new double[] {4.29064, 3, 4}, within(1e-5));
        assertThat(of(curve, 40, 0, 0)[0]).isCloseTo(32.81935, within(1e-5));
        assertThat(of(curve, 80, 0, 0)[0]).isCloseTo(86.51316, within(1e-5));
        assertThat(of(curve, 25, 0, 0)[0]).isEqualTo(10);
    }

    private static LightnessCurve.TonePoint point(double from, double to) {
        return new LightnessCurve.TonePoint(from, to);
    }

    @Test
    public void endPointsOfTheCurveMayMove() {
        LabFunction curve = new LightnessCurve(List.of(point(5, 10), point(95, 98))).function();
        assertThat(of(curve, 0, 0, 0)[0]).isEqualTo(10);
        assertThat(of(curve, 100, 0, 0)[0]).isEqualTo(98);
        assertThat(of(curve, 50, 0, 0)[0]).isCloseTo(54, within(1e-9));
    }

    /** Weight 4 x 25 x 75 / 10 000 = 0.75 at L* 25. */
    @Test
    public void warmthIsWeightedTowardsTheMiddle() {
        LabFunction warm = new Warmth(8, -4).function();
        assertThat(of(warm, 25, 1, 2)).containsExactly(new double[] {25, -2, 8}, within(1e-12));
        assertThat(of(warm, 0, 0, 0)).containsExactly(0, 0, 0);
        assertThat(of(warm, 100, 0, 0)).containsExactly(100, 0, 0);
    }

    private static double random(SplittableRandom r, double most) {
        // ends are as likely as all that lies between
        return switch (r.nextInt(4)) {
            case 0 -> -most;
            case 1 -> most;
            case 2 -> 0;
            default -> r.nextDouble(-most, most);
        };
    }

    @Test
    public void tonesKeepTheirOrderAtEveryCombinationOfSliders() {
        SplittableRandom r = new SplittableRandom(1);
        for (int i = 0; i < 3000; i++) {
            LabFunction f = new ToneMoves(random(r, 50), random(r, 50), random(r, 50), random(r, 50), random(r, 50), r.nextDouble(5, 95))
                .function();
            double last = of(f, 0, 0, 0)[0];
            assertThat(last).isZero();
            for (int l = 1; l <= 200; l++) {
                double next = of(f, l / 2.0, 0, 0)[0];
                assertThat(next).isGreaterThan(last);
                last = next;
            }
            assertThat(last).isEqualTo(100);
        }
    }

    @Test
    public void contrastTurnsAboutItsPivot() {
        for (double pivot : new double[] {5, 23, 50, 71, 95}) {
            for (double contrast : new double[] {-50, -10, 30, 50}) {
                assertThat(tone(pivot, 0, 0, 0, contrast, 0, pivot)).isCloseTo(pivot, within(1e-9));
            }
        }
    }

    private static ChromaMoves chroma(SplittableRandom r) {
        for (int tries = 0; tries < 1000; tries++) {
            List<ChromaMoves.HuePoint> points = new ArrayList<>();
            int n = r.nextInt(7);
            for (int i = 0; i < n; i++) {
                points.add(new ChromaMoves.HuePoint(r.nextDouble(360), r.nextDouble(0.2, 2), random(r, 15), random(r, 10)));
            }
            try {
                return new ChromaMoves(r.nextDouble(0.3, 2), points);
            } catch (InvalidRequest e) {
                // points that pass each other are refused
            }
        }
        throw new IllegalStateException();
    }

    @Test
    public void neutralsStayNeutralAndPaperAndBlackStay() {
        SplittableRandom r = new SplittableRandom(2);
        for (int i = 0; i < 300; i++) {
            LabFunction f = chroma(r).function();
            for (int l = 0; l <= 100; l += 5) {
                assertThat(of(f, l, 0, 0)).containsExactly(new double[] {l, 0, 0}, within(1e-6));
            }
        }
    }

    @Test
    public void chromaAloneHoldsTheHueWithinADegree() {
        SplittableRandom r = new SplittableRandom(4);
        for (int i = 0; i < 2000; i++) {
            double[] lab = {r.nextDouble(10, 95), r.nextDouble(-60, 60), r.nextDouble(-60, 60)};
            double[] before = lab.clone();
            new ChromaMoves(r.nextDouble(0.2, 2),
                List.of(new ChromaMoves.HuePoint(100, 1.4, 0, 0), new ChromaMoves.HuePoint(250, 0.6, 0, 0))).function().apply(lab, 0);
            Oklab.fromLab(before, 0);
            Oklab.fromLab(lab, 0);
            if (Math.hypot(before[1], before[2]) > 0.005) {
                double apart = Math.abs(Oklab.hue(before[1], before[2]) - Oklab.hue(lab[1], lab[2]));
                assertThat(Math.min(apart, 360 - apart)).isLessThan(1e-6);
            }
        }
    }

    /** No two colours become one: the volume of a small box of colours keeps its sign. */
    @Test
    public void nothingFoldsOver() {
        SplittableRandom r = new SplittableRandom(5);
        for (int i = 0; i < 4000; i++) {
            RenditionChange f = new RenditionChange(new Treatment.Colour(),
                List.of(new ToneMoves(random(r, 50), random(r, 50), random(r, 50), random(r, 50), random(r, 50), 40),
                    chroma(r), new Warmth(random(r, 10), random(r, 10))));
            double l = r.nextDouble(3, 97);
            double a = r.nextDouble(-50, 50);
            double b = r.nextDouble(-50, 50);
            double h = 1e-4;
            double[] at = of(f, l, a, b);
            double[][] d = {of(f, l + h, a, b), of(f, l, a + h, b), of(f, l, a, b + h)};
            for (double[] v : d) {
                for (int k = 0; k < 3; k++) {
                    v[k] = (v[k] - at[k]) / h;
                }
            }
            double volume = d[0][0] * (d[1][1] * d[2][2] - d[1][2] * d[2][1]) - d[0][1] * (d[1][0] * d[2][2] - d[1][2] * d[2][0])
                + d[0][2] * (d[1][0] * d[2][1] - d[1][1] * d[2][0]);
            assertThat(volume).as(l + " " + a + " " + b + " " + f.moves()).isPositive();
        }
    }

    @Test
    public void aMixLightensOneHueAndLeavesNeutralsAlone() {
        LabFunction mix = new HueMix(List.of(new HueMix.MixPoint(25, 30), new HueMix.MixPoint(145, -20))).function();
        // a red and a green of one lightness come apart
        double[] red = of(mix, 50, 60, 35);
        double[] green = of(mix, 50, -45, 40);
        assertThat(red[0] - green[0]).isGreaterThan(25);
        assertThat(red[1]).isZero();
        assertThat(green[2]).isZero();
        for (int l = 0; l <= 100; l += 10) {
            assertThat(of(mix, l, 0, 0)).containsExactly(new double[] {l, 0, 0}, within(1e-6));
        }
    }

    /** At L* 20 the weight is 0.64 and the shadows' tone counts 1 - 1/(1 + e^8) of it. */
    @Test
    public void shadowsAndLightsAreTonedApart() {
        LabFunction toned = new Toning(new Toning.Tone(90, 10), new Toning.Tone(270, 5), 50, 15).function();
        assertThat(of(toned, 20, 0, 0)[2]).isCloseTo(0.64 * (10 - 15 / (1 + Math.exp(8))), within(1e-9));
        assertThat(of(toned, 80, 0, 0)[2]).isCloseTo(0.64 * (-5 + 15 / (1 + Math.exp(8))), within(1e-9));
        assertThat(of(toned, 0, 0, 0)).containsExactly(0, 0, 0);
        assertThat(of(toned, 100, 0, 0)).containsExactly(100, 0, 0);
    }

    @Test
    public void toningFollowsAThirdOfThePapersTint() {
        Toning warm = Toning.following(new double[] {96, 0, 6});
        assertThat(warm.lights().hue()).isEqualTo(90);
        assertThat(warm.shadows().strength()).isEqualTo(2);
        assertThat(Toning.following(new double[] {97, 0, 0}).changesNothing()).isTrue();
    }

    /** Ten by ten: the left half white paper with one black speck, the right half black with one light speck. */
    @Test
    public void endsAreAreasNotSpecks() {
        char[] lab = new char[300];
        for (int i = 0; i < 100; i++) {
            boolean speck = i == 22 || i == 77;
            lab[3 * i] = LabEncoding.V4.ofL(i % 10 < 5 != speck ? 99.8 : 4.3);
            lab[3 * i + 1] = LabEncoding.V4.ofAb(0);
            lab[3 * i + 2] = LabEncoding.V4.ofAb(0);
        }
        EndPoints found = EndPoints.of(lab, 10, 4);
        assertThat(found.bareShare()).isEqualTo(0.49);
        assertThat(found.blockedShare()).isEqualTo(0.49);
        assertThat(EndPoints.of(lab, 10, 3.5).blockedShare()).as("L* 4.3 is more than half an L* above the deepest").isZero();
    }

    @Test
    public void shadowStepsAreTheDarkestThirdInTenths() {
        char[] lab = new char[3 * 3000];
        for (int i = 0; i < 3000; i++) {
            lab[3 * i] = LabEncoding.V4.ofL(i / 30.0);
        }
        char[] steps = ShadowSteps.of(lab);
        assertThat(LabEncoding.V4.l(steps[0])).isCloseTo(100 / 60.0, within(0.05));
        assertThat(LabEncoding.V4.l(steps[27])).isCloseTo(100 / 3.0 * 0.95, within(0.05));
        assertThat(ShadowSteps.apart(steps)).isEqualTo(10);
    }

    @DataProvider
    Object[][] impossible() {
        return new Object[][] {
            {(ThrowingCallable) () -> new ToneMoves(51, 0, 0, 0, 0, 50)},
            {(ThrowingCallable) () -> new ToneMoves(0, Double.NaN, 0, 0, 0, 50)},
            {(ThrowingCallable) () -> new ToneMoves(0, 0, 0, 0, 0, 0)}, {(ThrowingCallable) () -> new Warmth(10.5, 0)},
            {(ThrowingCallable) () -> new Warmth(0, Double.POSITIVE_INFINITY)},
            {(ThrowingCallable) () -> new LightnessCurve(List.of(point(0, 0)))},
            {(ThrowingCallable) () -> new LightnessCurve(List.of(point(0, 0), point(0, 10), point(100, 100)))},
            {(ThrowingCallable) () -> new LightnessCurve(List.of(point(0, 0), point(50, 60), point(70, 40), point(100, 100)))},
            {(ThrowingCallable) () -> new LightnessCurve(
                List.of(point(0, 0), point(10, 10), point(20, 20), point(30, 30), point(40, 40), point(50, 50), point(60, 60),
                    point(70, 70), point(100, 100)))},
            {(ThrowingCallable) () -> point(-1, 0)}, {(ThrowingCallable) () -> new ChromaMoves(-0.1, List.of())},
            {(ThrowingCallable) () -> new ChromaMoves(1,
                List.of(new ChromaMoves.HuePoint(100, 1, 15, 0), new ChromaMoves.HuePoint(120, 1, -15, 0)))},
            {(ThrowingCallable) () -> new ChromaMoves.HuePoint(361, 1, 0, 0)},
            {(ThrowingCallable) () -> new HueMix(List.of(new HueMix.MixPoint(0, 1), new HueMix.MixPoint(360, 2)))},
            {(ThrowingCallable) () -> new HueMix.MixPoint(10, 31)}, {(ThrowingCallable) () -> new Toning.Tone(0, 21)},
            {(ThrowingCallable) () -> new Toning(Toning.Tone.NONE, Toning.Tone.NONE, 5, 10)},
            {(ThrowingCallable) () -> new Compensation("c", 1, " ", List.of())},
            {(ThrowingCallable) () -> new Compensation("c", 1, "twice", List.of(new Warmth(1, 0), new Warmth(2, 0)))}};
    }

    @Test(dataProvider = "impossible")
    public void whatCantBeIsRefusedInWords(ThrowingCallable made) {
        assertThatThrownBy(made).isInstanceOfSatisfying(InvalidRequest.class, e -> assertThat(e.next()).isNotBlank());
    }

    @Test
    public void movesSayWhatTheyDo() {
        Compensation c = new Compensation("c", 2, "For cotton", List.of(new ToneMoves(12, 0, 0, -5, 0, 40), new Warmth(-2.5, 0),
            new ChromaMoves(1.1, List.of(new ChromaMoves.HuePoint(260, 0.8, 5, 0))),
            new LightnessCurve(List.of(point(0, 0), point(100, 100)))));
        assertThat(c.moves()).as("what does nothing is left out").hasSize(3);
        assertThat(c.words()).isEqualTo("shadows +12, contrast −5, chroma +10 %, blues chroma −20 % and turned by +5°, colder by 2.5");
    }

    @Test
    public void equalRenderingsAreEqual() {
        RenditionChange a = new RenditionChange(new Treatment.Colour(),
            List.of(new Warmth(1, 0), new LightnessCurve(List.of(point(0, 0), point(50, 60), point(100, 100)))));
        RenditionChange b = new RenditionChange(new Treatment.Colour(),
            List.of(new Warmth(1, 0), new LightnessCurve(List.of(point(0, 0), point(50, 60), point(100, 100)))));
        assertThat(a).isEqualTo(b).hasSameHashCodeAs(b).isNotEqualTo(RenditionChange.NONE);
        assertThat(RenditionChange.NONE.changesNothing()).isTrue();
        assertThat(new RenditionChange(new Treatment.Monochrome(HueMix.EVEN, Toning.NEUTRAL), List.of()).changesNothing()).isFalse();
    }

    /** Saturated blue, green and a dark cyan under tones that darken and lighten: Oklab's hue stays, and the colour stays one of light. */
    @Test
    public void tonesKeepHuesAndPossibleColours() {
        Transform toLab = TransformCompiler.toLab(StandardSpaces.WIDE_RGB);
        for (double[] rgb : new double[][] {{0, 0, 1}, {0, 1, 0}, {1, 0, 0}, {0, 0.3, 0.35}, {0.05, 0, 0.4}}) {
            for (ToneMoves tones : List.of(new ToneMoves(-50, 50, -50, 50, -50, 50), new ToneMoves(50, 50, 50, -50, 50, 50),
                new ToneMoves(-50, -50, 0, 50, 0, 30))) {
                double[] lab = LabEncoding.V4.lab(toLab.exact(rgb)).toArray();
                double[] before = lab.clone();
                Oklab.fromLab(before, 0);
                new RenditionChange(new Treatment.Colour(), List.of(tones)).apply(lab, 0);
                double[] xyz = lab.clone();
                D50.labToXyz(xyz, 0);
                assertThat(Math.min(xyz[0], xyz[2])).as("light of %s", tones.words()).isGreaterThan(-0.002);
                Oklab.fromLab(lab, 0);
                assertThat(Oklab.hue(lab[1], lab[2])).as(tones.words()).isCloseTo(Oklab.hue(before[1], before[2]), within(0.01));
                assertThat(Math.hypot(lab[1], lab[2])).isLessThanOrEqualTo(Math.hypot(before[1], before[2]) + 1e-9);
            }
        }
    }
}
