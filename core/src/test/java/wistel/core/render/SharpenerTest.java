package wistel.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import java.util.function.IntBinaryOperator;
import org.testng.annotations.Test;
import wistel.core.colour.D50;
import wistel.core.docket.spec.Sharpening;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.paper.Surface;
import wistel.core.pictures.LightCurve;

public class SharpenerTest {
    private static final LightCurve CURVE = PictureLight.of(StandardSpaces.SRGB);
    private static final float[] WEIGHTS = PictureLight.luminance(StandardSpaces.SRGB);
    private static final int W = 60;
    private static final int H = 40;

    private static char[] picture(IntBinaryOperator code) {
        char[] all = new char[3 * W * H];
        for (int i = 0; i < W * H; i++) {
            char v = (char) code.applyAsInt(i % W, i / W);
            all[3 * i] = v;
            all[3 * i + 1] = v;
            all[3 * i + 2] = v;
        }
        return all;
    }

    private static double lightness(char code) {
        double v = code / 65535.0;
        return D50.lightness(v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4));
    }

    private static char[] sharpened(char[] codes, double radius, double amount) {
        char[] out = codes.clone();
        Sharpener.of(radius, amount).apply(out, W, 3, CURVE, WEIGHTS);
        return out;
    }

    /** sRGB's luminance weights (IEC 61966-2-1, adapted to D50): 0.2225, 0.7169, 0.0606. */
    @Test
    public void theWeightsAreTheProfilesOwn() {
        assertThat(WEIGHTS[0]).isCloseTo(0.2225f, within(0.001f));
        assertThat(WEIGHTS[1]).isCloseTo(0.7169f, within(0.001f));
        assertThat(WEIGHTS[2]).isCloseTo(0.0606f, within(0.001f));
    }

    @Test
    public void anEdgeGetsSteeperAndNoPlaceGoesBeyondItsNeighboursByMoreThanSix() {
        char[] before = picture((x, y) -> x < 30 ? 20_000 : 45_000);
        char[] after = sharpened(before, 1.2, 3);
        int row = 20 * W;
        assertThat(after[3 * (row + 29)]).isLessThan(before[3 * (row + 29)]);
        assertThat(after[3 * (row + 30)]).isGreaterThan(before[3 * (row + 30)]);
        for (int i = 0; i < before.length; i++) {
            assertThat(lightness(after[i])).isBetween(lightness((char) 20_000) - Sharpener.MOST - 0.01,
                lightness((char) 45_000) + Sharpener.MOST + 0.01);
        }
        assertThat(after[3 * row]).as("far from the edge").isEqualTo(before[3 * row]);
    }

    @Test
    public void grainAndSmoothAreasAreLeftAlone() {
        SplittableRandom random = new SplittableRandom(3);
        char[] grain = picture((x, y) -> 30_000 + random.nextInt(900) - 450);
        assertThat(sharpened(grain, 1, 1.4)).isEqualTo(grainAsRead(grain));
        char[] ramp = picture((x, y) -> 10_000 + 600 * x);
        assertThat(sharpened(ramp, 1, 1.4)).isEqualTo(grainAsRead(ramp));
    }

    /** Codes to light and back, with nothing done in between. */
    private static char[] grainAsRead(char[] codes) {
        char[] out = codes.clone();
        Sharpener.of(1, 0).apply(out, W, 3, CURVE, WEIGHTS);
        return out;
    }

    @Test
    public void onlyLightnessMovesSoAColourKeepsItsProportions() {
        char[] before = new char[3 * W * H];
        for (int i = 0; i < W * H; i++) {
            double k = i % W < 30 ? 0.25 : 0.5;
            before[3 * i] = code(0.6 * k);
            before[3 * i + 1] = code(0.3 * k);
            before[3 * i + 2] = code(0.15 * k);
        }
        char[] after = sharpened(before, 1, 1);
        int at = 3 * (20 * W + 30);
        assertThat(after[at + 1]).isGreaterThan(before[at + 1]);
        float[] light = new float[3];
        CURVE.light(Arrays.copyOfRange(after, at, at + 3), 0, light);
        assertThat(light[0] / light[1]).isCloseTo(2f, within(0.01f));
        assertThat(light[1] / light[2]).isCloseTo(2f, within(0.02f));
    }

    private static char code(double light) {
        char[] out = new char[1];
        CURVE.codes(new float[] {(float) light}, out, 0);
        return out[0];
    }

    /** Seen from 100 m, half a minute of arc is 14.5 mm: more than is sharpened at once, and still a print. */
    @Test
    public void aRadiusBeyondWhatIsSharpenedAtOnceIsCutShort() {
        char[] codes = picture((x, y) -> x < 30 ? 20_000 : 45_000);
        char[] longest = codes.clone();
        Sharpener.of(40, 0.9).apply(longest, W, 3, CURVE, WEIGHTS);
        Sharpener.onPaper(14.5, 0.9, 720).apply(codes, W, 3, CURVE, WEIGHTS);
        assertThat(codes).isEqualTo(longest);
        assertThat(Sharpener.onPaper(0.04, 0, 360).off()).isTrue();
    }

    @Test
    public void theRadiusFollowsThePaperUntilTheEyeIsFartherThanThat() {
        assertThat(Sharpening.STANDARD.radiusMm(Surface.MATTE, 0)).isEqualTo(0.09);
        assertThat(Sharpening.STANDARD.radiusMm(Surface.GLOSS, 0)).as("300 mm x tan(0.5')").isCloseTo(0.0436, within(0.0001));
        assertThat(Sharpening.STANDARD.radiusMm(Surface.MATTE, 2000)).isCloseTo(0.2909, within(0.0001));
        assertThat(Sharpening.LIGHT.amount(Surface.CANVAS)).isGreaterThan(Sharpening.LIGHT.amount(Surface.GLOSS));
        assertThat(Surface.of("cotton matte")).isEqualTo(Surface.MATTE);
        assertThat(Surface.of("baryta gloss")).isEqualTo(Surface.GLOSS);
        assertThat(Surface.of("lustre")).isEqualTo(Surface.LUSTRE);
    }
}
