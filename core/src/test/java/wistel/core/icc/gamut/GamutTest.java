package wistel.core.icc.gamut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.ProfileException;
import wistel.core.icc.FoundProfiles;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
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

    @DataProvider
    Object[][] sources() {
        return new Object[][] {{StandardSpaces.WIDE_RGB, MadeProfiles.printer()}, {StandardSpaces.SRGB, FoundProfiles.press()}, {FoundProfiles.press(), MadeProfiles.printer()},
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
            boolean clear = Math.abs(spot.distance() - GamutCheck.THRESHOLD) > 0.5
                && (spot.distance() < 2 || Math.abs(Math.abs(spot.lighter()) - Math.abs(spot.duller())) > 0.15 * (Math.abs(spot.lighter()) + Math.abs(spot.duller())));
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
        assertThat(report.tooDark()).isEqualTo(0.25);
        assertThat(report.tooVivid()).isEqualTo(0.25);
        assertThat(report.inside() + report.outside()).isEqualTo(1);
        assertThat(report.meanTooVivid()).isGreaterThan(5);
    }

    @Test
    public void roundTripsInsideTheGamutComeBack() {
        var there = TransformCompiler.proofToLab(StandardSpaces.SRGB, MadeProfiles.printer(), Intent.RELATIVE, false, false);
        assertThat(there.exact(0.5, 0.5, 0.5)[0]).isCloseTo(TransformCompiler.toLab(StandardSpaces.SRGB).exact(0.5, 0.5, 0.5)[0], within(0.01));
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
