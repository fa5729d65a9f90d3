package wistel.core.icc.transform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.FoundProfiles;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.Referee;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.profile.TagWriter;
import wistel.core.icc.stage.Stage;

public class BlackPointTest {

    private static double lightness(double[] xyz) {
        return D50.lightness(xyz[1]);
    }

    /** ISO 18619: white stays, the source's black lands on the destination's, in between it is a straight line in XYZ. */
    @Test
    public void scalingMovesBlackAndLeavesWhite() {
        Stage scaling = BlackPoint.scaling(BlackPoint.neutral(0), BlackPoint.neutral(12));
        double[] work = {D50.X, D50.Y, D50.Z, 0, 0, 0};
        scaling.apply(work, 3, 2);
        assertThat(work[1]).isCloseTo(1, within(1e-12));
        D50.xyzToLab(work, 3);
        assertThat(work[3]).isCloseTo(12, within(1e-9));
        assertThat(work[4]).isCloseTo(0, within(1e-9));
        double[] there = {0.3, 0.4, 0.2};
        scaling.apply(there, 3, 1);
        BlackPoint.scaling(BlackPoint.neutral(12), BlackPoint.neutral(0)).apply(there, 3, 1);
        assertThat(there).containsExactly(new double[] {0.3, 0.4, 0.2}, within(1e-12));
    }

    @Test
    public void blackOfMatrixProfilesAndOfTheReferenceMediumIsKnown() {
        assertThat(lightness(BlackPoint.ofSource(StandardSpaces.SRGB, Intent.RELATIVE))).isCloseTo(0, within(1e-6));
        assertThat(lightness(BlackPoint.ofDestination(StandardSpaces.SRGB, Intent.PERCEPTUAL))).isCloseTo(0, within(1e-6));
        // ICC.1:2022, 6.3.3: the reference medium's black is Y 0.0034731, which is L* 3.137
        assertThat(lightness(BlackPoint.ofDestination(MadeProfiles.printer(), Intent.PERCEPTUAL))).isCloseTo(3.137, within(0.01));
    }

    /** A press as source: relative takes the black that the perceptual table separates, the others all four inks at full. */
    @Test
    public void theBlackOfAPressDependsOnTheIntent() {
        IccProfile press = FoundProfiles.press();
        Transform look = TransformCompiler.toLab(press);
        double[] separated = TransformCompiler.compile(new Recipe.FromLab(press, Intent.PERCEPTUAL)).exact(0, 128 / 255.0, 128 / 255.0);
        assertThat(lightness(BlackPoint.ofSource(press, Intent.RELATIVE))).isCloseTo(LabEncoding.V4.lab(look.exact(separated)).l(),
            within(1e-3));
        assertThat(lightness(BlackPoint.ofSource(press, Intent.SATURATION)))
            .isLessThan(lightness(BlackPoint.ofSource(press, Intent.RELATIVE)));
    }

    /**
     * A printer whose round trip is known: lightness below 20 comes out as 20, above as it is. Its ramp is straight above the shadows, so
     * relative colorimetric keeps the darkest colorant.
     */
    @Test
    public void aStraightRoundTripKeepsTheFirstGuess() {
        IccProfile printer = Referee.asVersion2(MadeProfiles.printer());
        assertThat(lightness(BlackPoint.ofDestination(printer, Intent.RELATIVE)))
            .isCloseTo(lightness(BlackPoint.ofSource(printer, Intent.RELATIVE)), within(1e-9));
    }

    /**
     * The fit of perceptual black, worked a second way: the round trip of this test's own ramp, its shadows between 3 and 25 % of the
     * height, a parabola by Lagrange's normal equations solved by elimination, and the larger root.
     */
    @Test
    public void theFittedBlackAgreesWithASecondWayOfFittingIt() {
        for (IccProfile profile : new IccProfile[] {FoundProfiles.press(), Referee.asVersion2(MadeProfiles.printer())}) {
            Transform there = TransformCompiler.compile(new Recipe.FromLab(profile, Intent.PERCEPTUAL));
            Transform back = TransformCompiler.toLab(profile);
            double[] out = new double[256];
            for (int i = 0; i < 256; i++) {
                out[i] = LabEncoding.V4.lab(back.exact(there.exact(i / 255.0, 128 / 255.0, 128 / 255.0))).l();
            }
            double expected = fitted(out, 0.03, 0.25);
            assertThat(lightness(BlackPoint.ofDestination(profile, Intent.PERCEPTUAL))).as(profile.description()).isCloseTo(expected,
                within(0.02));
        }
    }

    private static double fitted(double[] out, double low, double high) {
        for (int i = 254; i > 0; i--) {
            out[i] = Math.min(out[i], out[i + 1]);
        }
        double[][] a = new double[3][4];
        for (int i = 0; i < 256; i++) {
            double y = (out[i] - out[0]) / (out[255] - out[0]);
            // a middle of 30 keeps the sums small: another basis than the one under test
            double x = i / 2.55 - 30;
            for (int r = 0; y >= low && y < high && r < 3; r++) {
                for (int c = 0; c < 3; c++) {
                    a[r][c] += Math.pow(x, r + c);
                }
                a[r][3] += Math.pow(x, r) * y;
            }
        }
        for (int pivot = 0; pivot < 3; pivot++) {
            for (int r = 0; r < 3; r++) {
                double f = r == pivot ? 0 : a[r][pivot] / a[pivot][pivot];
                for (int c = 0; c < 4; c++) {
                    a[r][c] -= f * a[pivot][c];
                }
            }
        }
        double c = a[0][3] / a[0][0];
        double b = a[1][3] / a[1][1];
        double q = a[2][3] / a[2][2];
        double d = b * b - 4 * q * c;
        return d <= 0 ? 0 : Math.max(0, Math.min(50, 30 + (-b + Math.sqrt(d)) / (2 * q)));
    }

    @Test
    public void absoluteColorimetricShowsOnePapersWhiteOnTheOther() {
        Transform absolute = TransformCompiler.convert(StandardSpaces.SRGB, MadeProfiles.printer(), Intent.ABSOLUTE, true);
        Transform measured = TransformCompiler.toMeasuredLab(MadeProfiles.printer());
        Lab wanted = LabEncoding.V4.lab(TransformCompiler.toLab(StandardSpaces.SRGB).exact(0.5, 0.5, 0.5));
        assertThat(LabEncoding.V4.lab(measured.exact(absolute.exact(0.5, 0.5, 0.5))).deltaE2000(wanted)).isLessThan(0.6);
    }

    /**
     * A version 2 display that states its own white, D65: to an adapted eye its white is the paper's D50; unadapted it keeps the bluish
     * colour that was measured.
     */
    @Test
    public void anOldDisplaysWhiteIsWhiteToAnAdaptedEyeAndBluishToAnotherOne() {
        double[] d65 = {0.9505, 1, 1.0891};
        IccProfile srgb = StandardSpaces.SRGB;
        ProfileWriter writer = new ProfileWriter(ProfileWriter.Version.V2, DeviceClass.DISPLAY, srgb.space(), srgb.pcs(), "old", "c")
            .tag("wtpt", TagWriter.xyz(d65));
        for (String tag : new String[] {"rXYZ", "gXYZ", "bXYZ"}) {
            writer.tag(tag, srgb.tag(tag).orElseThrow());
        }
        for (String tag : new String[] {"rTRC", "gTRC", "bTRC"}) {
            writer.tag(tag, TagWriter.sampled((char) 563));
        }
        IccProfile old = ProfileReader.read(writer.write());
        double[] work = {D50.X, 1, D50.Z};
        MediaWhite.toAbsolute(old, Observer.ADAPTED).apply(work, 3, 1);
        assertThat(work).containsExactly(new double[] {D50.X, 1, D50.Z}, within(1e-9));
        MediaWhite.toAbsolute(old, Observer.NOT_ADAPTED).apply(work, 3, 1);
        assertThat(work).containsExactly(d65, within(2e-4));
        MediaWhite.fromAbsolute(old, Observer.NOT_ADAPTED).apply(work, 3, 1);
        assertThat(work).containsExactly(new double[] {D50.X, 1, D50.Z}, within(1e-6));
    }
}
