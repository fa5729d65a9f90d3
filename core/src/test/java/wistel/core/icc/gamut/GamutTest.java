package wistel.core.icc.gamut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Arrays;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.D50;
import wistel.core.fault.ProfileException;
import wistel.core.icc.FoundProfiles;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.LutWriter;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.profile.TagWriter;
import wistel.core.icc.transform.TransformCompiler;

public class GamutTest {

    @Test
    public void coloursBeyondThePaperAreToldByTheirCause() {
        GamutCheck check = new GamutCheck(StandardSpaces.WIDE_RGB, MadeProfiles.printer());
        assertThat(check.exact(0, 1, 0).cause()).isEqualTo(GamutCheck.Cause.TOO_VIVID);
        assertThat(check.exact(0, 0, 0).cause()).isEqualTo(GamutCheck.Cause.TOO_DARK);
        assertThat(check.exact(0.5, 0.5, 0.5).cause()).isEqualTo(GamutCheck.Cause.INSIDE);
        assertThat(check.exact(0, 0, 0).lighter()).isGreaterThan(8);
    }

    /** A printer that takes L*a*b* as it comes and lays down what these nodes say; a* and b* of none are 8000 (ICC.1:2022, 10.10). */
    private static IccProfile laying(UnaryOperator<double[]> plane) {
        char[] same = new char[24];
        char[] laid = new char[24];
        for (int n = 0; n < 8; n++) {
            double[] ab = plane.apply(new double[] {(n >> 1 & 1) - 0.5, (n & 1) - 0.5});
            for (int c = 0; c < 3; c++) {
                same[3 * n + c] = (char) ((n >> (2 - c) & 1) * 65535);
                laid[3 * n + c] = (char) (c == 0 ? same[3 * n] : Math.round(32768 + 65535 * ab[c - 1]));
            }
        }
        return ProfileReader
            .read(new ProfileWriter(ProfileWriter.Version.V2, DeviceClass.OUTPUT, ColourSpace.RGB, ColourSpace.LAB, "laying", "c")
                .tag("wtpt", TagWriter.xyz(D50.X, D50.Y, D50.Z))
                .tag("A2B0", LutWriter.lut16(3, 3, 2, laid)).tag("B2A0", LutWriter.lut16(3, 3, 2, same)).write());
    }

    /** A gray that comes out with b* 10, and a colour whose hue turns by 30 degrees, are neither too vivid nor too dark. */
    @Test
    public void chromaThatIsGainedAndHuesThatTurnAreCausesOfTheirOwn() {
        GamutCheck tinting = new GamutCheck(StandardSpaces.SRGB, laying(ab -> new double[] {ab[0], 0.9 * ab[1] + 10 / 256.0}));
        assertThat(tinting.exact(0.5, 0.5, 0.5).cause()).isEqualTo(GamutCheck.Cause.GAINS_CHROMA);
        GamutCheck turning = new GamutCheck(StandardSpaces.SRGB,
            laying(ab -> new double[] {0.73 * (0.866 * ab[0] - 0.5 * ab[1]), 0.73 * (0.5 * ab[0] + 0.866 * ab[1])}));
        assertThat(turning.exact(0.8, 0.4, 0.4).cause()).isEqualTo(GamutCheck.Cause.SHIFTS_HUE);
        assertThat(turning.exact(0.5, 0.5, 0.5).cause()).isEqualTo(GamutCheck.Cause.INSIDE);
        GamutCheck.Report report = turning.report(new char[] {52428, 26214, 26214, 32768, 32768, 32768});
        assertThat(report.share(GamutCheck.Cause.SHIFTS_HUE)).isEqualTo(0.5);
        assertThat(report.mostly()).contains(GamutCheck.Cause.SHIFTS_HUE);
    }

    @DataProvider
    Object[][] sources() {
        return new Object[][] {{StandardSpaces.WIDE_RGB, MadeProfiles.printer()}, {StandardSpaces.SRGB, FoundProfiles.press()},
            {FoundProfiles.press(), MadeProfiles.printer()},
            {StandardSpaces.GRAY_22, MadeProfiles.printer()}};
    }

    /** The tabled figures of a whole picture against each colour worked out by itself. */
    @Test(dataProvider = "sources")
    public void theMapOfAPictureAgreesWithEachColourByItself(IccProfile source, IccProfile printer) {
        GamutCheck check = new GamutCheck(source, printer);
        int n = source.space().channels();
        SplittableRandom random = new SplittableRandom(3);
        char[] pixels = new char[n * 20_000];
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = (char) random.nextInt(65536);
        }
        float[] distance = new float[20_000];
        byte[] causes = check.map(pixels, distance);
        double sum = 0;
        int other = 0;
        for (int p = 0; p < 20_000; p++) {
            double[] device = new double[n];
            for (int c = 0; c < n; c++) {
                device[c] = pixels[p * n + c] / 65535.0;
            }
            GamutCheck.Spot spot = check.exact(device);
            sum += Math.abs(spot.distance() - distance[p]);
            // near the threshold and where both parts are alike either answer will do
            double[] parts = {Math.abs(spot.lighter()), Math.abs(spot.moreChroma()), spot.hue()};
            Arrays.sort(parts);
            boolean clear = Math.abs(spot.distance() - GamutCheck.THRESHOLD) > 0.5
                && (spot.distance() < 2 || parts[2] - parts[1] > 0.15 * (parts[2] + parts[1]));
            other += clear && spot.cause().ordinal() != causes[p] ? 1 : 0;
        }
        assertThat(sum / 20_000).as("mean error of distance").isLessThan(0.12);
        assertThat(other).as("other causes of 20 000").isLessThan(100);
    }

    @Test
    public void sharesOfAPictureAddUpToAllOfIt() {
        GamutCheck check = new GamutCheck(StandardSpaces.WIDE_RGB, MadeProfiles.printer());
        char[] pixels = {0, 0, 0, 0, 65535, 0, 32768, 32768, 32768, 30000, 33000, 31000};
        GamutCheck.Report report = check.report(pixels);
        assertThat(report.inside()).isEqualTo(0.5);
        assertThat(report.share(GamutCheck.Cause.TOO_DARK)).isEqualTo(0.25);
        assertThat(report.share(GamutCheck.Cause.TOO_VIVID)).isEqualTo(0.25);
        assertThat(report.inside() + report.outside()).isEqualTo(1);
        assertThat(report.parts().get(2).meanDifference()).isGreaterThan(5);
    }

    @Test
    public void roundTripsInsideTheGamutComeBack() {
        var there = TransformCompiler.proofToLab(StandardSpaces.SRGB, MadeProfiles.printer(), Intent.RELATIVE, false, false);
        assertThat(there.exact(0.5, 0.5, 0.5)[0]).isCloseTo(TransformCompiler.toLab(StandardSpaces.SRGB).exact(0.5, 0.5, 0.5)[0],
            within(0.01));
    }

    /** Each edge of a closed mesh belongs to two triangles that run along it in opposite directions. */
    @Test
    public void theBoundaryIsClosedAndTurnedOutward() {
        for (IccProfile device : List.of(MadeProfiles.printer(), FoundProfiles.press(), StandardSpaces.SRGB)) {
            GamutBoundary boundary = GamutBoundary.of(device);
            Map<Long, Integer> edges = new HashMap<>();
            for (int[] t : boundary.triangles()) {
                for (int i = 0; i < 3; i++) {
                    int a = t[i];
                    int b = t[(i + 1) % 3];
                    edges.merge((long) Math.min(a, b) << 32 | Math.max(a, b), a < b ? 1 : -1, Integer::sum);
                }
            }
            long open = edges.values().stream().filter(v -> v != 0).count();
            // at the poles of a mesh of rays all vertices of a ring lie on one point
            assertThat(open).as(device.description()).isLessThanOrEqualTo(device.space().channels() == 4 ? 144 : 0);
        }
    }

    /** sRGB's volume in L*a*b* is about 830 000 cubic units under D50; here it is summed a second way, over slices of one L*. */
    @Test
    public void theVolumeIsTheSumOfItsSlices() {
        for (IccProfile device : List.of(StandardSpaces.SRGB, MadeProfiles.printer(), FoundProfiles.press())) {
            GamutBoundary boundary = GamutBoundary.of(device);
            double sum = 0;
            for (double l = 0.25; l < 100; l += 0.5) {
                for (List<double[]> outline : boundary.slice(l)) {
                    double area = 0;
                    for (int i = 0; i < outline.size(); i++) {
                        double[] p = outline.get(i);
                        double[] q = outline.get((i + 1) % outline.size());
                        area += p[0] * q[1] - p[1] * q[0];
                    }
                    sum += Math.abs(area) / 2 * 0.5;
                }
            }
            assertThat(boundary.volume()).as(device.description()).isCloseTo(sum, org.assertj.core.api.Assertions.withinPercentage(2));
        }
        assertThat(GamutBoundary.of(StandardSpaces.SRGB).volume()).isBetween(780_000.0, 880_000.0);
        assertThat(GamutBoundary.of(FoundProfiles.press()).volume()).isLessThan(GamutBoundary.of(StandardSpaces.SRGB).volume());
    }

    @Test
    public void slicesAboveWhiteAndBelowBlackAreEmptyAndGrayHasNoGamut() {
        GamutBoundary boundary = GamutBoundary.of(MadeProfiles.printer());
        assertThat(boundary.slice(101)).isEmpty();
        assertThat(boundary.slice(2)).isEmpty();
        assertThat(boundary.slice(50)).isNotEmpty();
        assertThatThrownBy(() -> GamutBoundary.of(StandardSpaces.GRAY_22)).isInstanceOf(ProfileException.class);
    }
}
