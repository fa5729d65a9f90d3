package wistel.core.rendition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.View;

/** Edges, places and slopes: their weights, and what they make of colours. */
public class LocalMoveTest {
    private static final LocalChange LIGHTER = new LocalChange(30, 0, 0, 0);
    private static final LocalMove.PrintFrame WHOLE = LocalMove.PrintFrame.WHOLE;
    private static final RenditionCompiler.ConversionOptions ROUTE = new RenditionCompiler.ConversionOptions(Intent.RELATIVE, false);
    private static final LocalMove.Place PLACE = new LocalMove.Place(0.4, 0.6, 0.2, 0.3, 25, 0.6, LIGHTER, true);
    private static final LocalMove.Slope SLOPE = new LocalMove.Slope(0.2, 0.1, 0.7, 0.8, LIGHTER, true);
    private static final LocalMove.Edges EDGES = new LocalMove.Edges(0.5, 0.4, 0.8, LIGHTER, true);

    @DataProvider
    Object[][] moves() {
        return new Object[][] {{PLACE}, {SLOPE}, {EDGES}};
    }

    /** From 0 to 1, and no jump from one place to the next: nowhere steeper than a rim of its softness can be. */
    @Test(dataProvider = "moves")
    public void weightsGoSmoothlyFromNothingToAll(LocalMove move) {
        double step = 1 / 2000.0;
        LocalMove.Weight weighed = move.weight(1.5, WHOLE);
        double most = 0;
        double least = 1;
        for (double y = 0.05; y < 1; y += 0.1) {
            double before = weighed.at(0, y);
            double slopeBefore = (weighed.at(step, y) - before) / step;
            for (double x = step; x <= 1; x += step) {
                double weight = weighed.at(x, y);
                assertThat(weight).isBetween(0.0, 1.0);
                double slope = (weight - before) / step;
                assertThat(Math.abs(slope)).isLessThan(60);
                assertThat(Math.abs(slope - slopeBefore)).as("at %.3f, %.3f", x, y).isLessThan(1.5);
                slopeBefore = slope;
                before = weight;
                most = Math.max(most, weight);
                least = Math.min(least, weight);
            }
        }
        assertThat(least).isZero();
        assertThat(most).isGreaterThan(0.95);
    }

    /** Rows are what places one by one are, to the bit, whichever way the raster runs through the picture. */
    @Test(dataProvider = "moves")
    public void aRowWeighsWhatItsPlacesWeigh(LocalMove move) {
        LocalMove.PrintFrame upright = new LocalMove.PrintFrame(0.1, 0.05, 0.8, 0.9, 0);
        LocalMove.PrintFrame straightened = new LocalMove.PrintFrame(0.1, 0.05, 0.8, 0.9, 4);
        float[] row = new float[257];
        for (LocalMove.PrintFrame frame : new LocalMove.PrintFrame[] {upright, straightened}) {
            for (PicturePlaces from : new PicturePlaces[] {PicturePlaces.whole(257, 171, frame),
                new PicturePlaces(-0.3, 0.2, 0.006, 0.001, -0.001, 0.006, 1.5, frame),
                new PicturePlaces(1.2, 0.9, -0.0054, 0, 0, -0.005, 1.5, frame),
                new PicturePlaces(0.4, 0, 0, 0.0041, -0.004, 0, 1.5, frame)}) {
                LocalMove.Weight weight = move.weight(from.aspect(), frame);
                for (int y = 0; y < 171; y += 10) {
                    PicturePlaces at = from.from(0, y);
                    weight.row(at, row, 0, row.length);
                    for (int x = 0; x < row.length; x++) {
                        assertThat(row[x]).isEqualTo((float) weight.at(at.x() + x * at.acrossX(), at.y() + x * at.acrossY()));
                    }
                }
            }
        }
    }

    @Test
    public void aPlaceIsFullInItsMiddleAndNothingOutside() {
        assertThat(PLACE.weight(1.5, WHOLE).at(0.4, 0.6)).isEqualTo(1);
        // its wider axis, turned by 25 degrees clockwise: 0.31 of the height from the middle is outside
        double angle = Math.toRadians(25 + 90);
        assertThat(PLACE.weight(1.5, WHOLE).at(0.4 + 0.31 * Math.cos(angle) / 1.5, 0.6 + 0.31 * Math.sin(angle))).isZero();
        assertThat(PLACE.weight(1.5, WHOLE).at(0.4 + 0.2 * Math.cos(angle) / 1.5, 0.6 + 0.2 * Math.sin(angle))).isPositive();
    }

    @Test
    public void aSlopeIsFullBeforeItsFirstPointAndGoneBehindItsSecond() {
        assertThat(SLOPE.weight(1.5, WHOLE).at(0.2, 0.1)).isEqualTo(1);
        assertThat(SLOPE.weight(1.5, WHOLE).at(0, 0)).isEqualTo(1);
        assertThat(SLOPE.weight(1.5, WHOLE).at(0.7, 0.8)).isZero();
        assertThat(SLOPE.weight(1.5, WHOLE).at(0.45, 0.45)).isCloseTo(0.5, within(1e-9));
    }

    /** By tables and by the formula: the same to a thousandth. */
    @Test
    public void edgesFadeAsTheirFormulaSays() {
        SplittableRandom random = new SplittableRandom(8);
        for (int i = 0; i < 200; i++) {
            double reach = random.nextDouble(0.02, 1);
            double round = random.nextDouble();
            double soft = random.nextDouble(0.05, 1);
            LocalMove.Weight weight = new LocalMove.Edges(reach, round, soft, LIGHTER, true).weight(1.5, WHOLE);
            double power = 2 + 14 * (1 - round) * (1 - round);
            for (int k = 0; k < 200; k++) {
                double x = random.nextDouble();
                double y = random.nextDouble();
                double out = Math.pow(Math.pow(Math.abs(2 * x - 1), power) + Math.pow(Math.abs(2 * y - 1), power), 1 / power);
                assertThat(weight.at(x, y)).isCloseTo(LocalMove.smooth((out - (1 - reach)) / (reach * soft)), within(1e-3));
            }
        }
    }

    /** Half of the picture is printed, straightened: its edges are those of that half. */
    @Test
    public void edgesFollowTheCrop() {
        LocalMove.PrintFrame crop = new LocalMove.PrintFrame(0.25, 0.25, 0.5, 0.5, 0);
        assertThat(EDGES.weight(1.5, crop).at(0.25, 0.5)).isEqualTo(1);
        assertThat(EDGES.weight(1.5, crop).at(0.1, 0.5)).isEqualTo(1);
        assertThat(EDGES.weight(1.5, crop).at(0.5, 0.5)).isZero();
        assertThat(EDGES.weight(1.5, crop).at(0.26, 0.5)).isGreaterThan(0.9);
        LocalMove.PrintFrame turned = new LocalMove.PrintFrame(0.25, 0.25, 0.5, 0.5, 10);
        PicturePlaces places = PicturePlaces.part(new PicturePlaces.Part(300, 200, new Crop(75, 50, 150, 100), 10), 150, 100, turned);
        for (int row : new int[] {0, 50, 99}) {
            PicturePlaces at = places.from(0, row);
            assertThat(EDGES.weight(1.5, turned).at(at.x(), at.y())).as("row %d", row).isGreaterThan(0.99);
        }
    }

    /** A pixel of a turned and mirrored part lies where the same pixel lies in the picture. */
    @Test
    public void placesFollowEveryOrientation() {
        View upright = new View(60, 40, 1, new char[2400]);
        for (int i = 0; i < 2400; i++) {
            upright.pixels()[i] = (char) i;
        }
        PicturePlaces.Part whole = new PicturePlaces.Part(60, 40, Crop.whole(60, 40), 0);
        for (Orientation orientation : Orientation.values()) {
            View shown = upright.oriented(orientation);
            PicturePlaces places = PicturePlaces.turned(whole, orientation, new double[] {5, 7, 5 + shown.width(), 7 + shown.height()},
                WHOLE);
            for (int[] at : new int[][] {{0, 0}, {3, 11}, {shown.width() - 1, shown.height() - 1}}) {
                PicturePlaces there = places.from(5 + at[0], 7 + at[1]);
                int pixel = shown.pixels()[at[1] * shown.width() + at[0]];
                assertThat(there.x() * 60).as(orientation.toString()).isCloseTo(pixel % 60 + 0.5, within(1e-9));
                assertThat(there.y() * 40).as(orientation.toString()).isCloseTo(pixel / 60 + 0.5, within(1e-9));
            }
        }
    }

    private static View working(View picture, RenditionChange change, PicturePlaces places) {
        Transform to = RenditionCompiler.toWorking(StandardSpaces.SRGB, change, ROUTE, TransformCompiler::compile);
        View working = new View(picture.width(), picture.height(), 3, to.apply(picture.pixels()));
        LocalSteps.of(change, ROUTE, TransformCompiler::compile).apply(working, places);
        return working;
    }

    /** A flat gray under a slope, in 16 bit: it rises everywhere, and no step is larger than its neighbours by more than rounding. */
    @Test
    public void aSlopeOverAFlatGrayShowsNoBand() {
        int width = 6000;
        View gray = new View(width, 1, 3, new char[3 * width]);
        Arrays.fill(gray.pixels(), (char) 30000);
        RenditionChange change = RenditionChange.NONE.locally(List.of(new LocalMove.Slope(0.95, 0.5, 0.05, 0.5, LIGHTER, true)));
        char[] codes = working(gray, change, PicturePlaces.whole(width, 1, WHOLE)).pixels();
        int levels = 0;
        for (int x = 2; x < width; x++) {
            int step = codes[3 * x] - codes[3 * x - 3];
            int before = codes[3 * x - 3] - codes[3 * x - 6];
            assertThat(step).isBetween(0, 12);
            assertThat(Math.abs(step - before)).isLessThanOrEqualTo(1);
            levels += step > 0 ? 1 : 0;
        }
        assertThat(levels).as("different tones").isGreaterThan(4000);
    }

    /** Whatever its weight, lighter tones stay lighter. */
    @Test
    public void tonesKeepTheirOrderAtEveryWeight() {
        SplittableRandom random = new SplittableRandom(4);
        for (int i = 0; i < 20; i++) {
            LocalChange change = new LocalChange(random.nextDouble(-50, 50), random.nextDouble(-50, 50), random.nextDouble(-100, 100), 0);
            View ramp = new View(1, 1024, 3, new char[3 * 1024]);
            for (int y = 0; y < 1024; y++) {
                Arrays.fill(ramp.pixels(), 3 * y, 3 * y + 3, (char) (y * 64));
            }
            double level = random.nextDouble();
            // one weight for all of it: the ramp stands at a line of the slope
            RenditionChange local = RenditionChange.NONE
                .locally(List.of(new LocalMove.Slope(0.5 - level, 0, 1.5 - level, 0, change, true)));
            char[] codes = working(ramp, local, PicturePlaces.whole(1, 1024, WHOLE)).pixels();
            for (int y = 1; y < 1024; y++) {
                assertThat((int) codes[3 * y + 1]).isGreaterThanOrEqualTo(codes[3 * y - 2] - 1);
            }
        }
    }

    /** Weight 1 is the moves of the whole picture, weight 0 nothing: the same transform as without local moves. */
    @Test
    public void fullWeightIsTheMoveItself() {
        RenditionChange local = RenditionChange.NONE
            .locally(List.of(new LocalMove.Place(0.5, 0.5, 3, 3, 0, 0.05, new LocalChange(20, -10, 40, 3), true)));
        RenditionChange everywhere = new RenditionChange(new Treatment.Colour(),
            List.of(new ToneMoves(0, 0, 0, -10, 20, 50), ChromaMoves.all(1.4), new Warmth(3, 0)));
        char[] pixels = new char[3 * 512];
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = (char) random.nextInt(65536);
        }
        View picture = new View(32, 16, 3, pixels);
        Transform lab = TransformCompiler.compile(new Recipe.DeviceToLab(RenditionCompiler.WORKING, false));
        char[] placed = lab.apply(working(picture, local, PicturePlaces.whole(32, 16, WHOLE)).pixels());
        char[] moved = lab.apply(RenditionCompiler.toWorking(StandardSpaces.SRGB, everywhere, ROUTE, TransformCompiler::compile)
            .apply(pixels));
        for (int i = 0; i < placed.length; i += 3) {
            assertThat(LabEncoding.V4.lab(placed, i)
                .deltaE2000(LabEncoding.V4.lab(moved, i))).isLessThan(0.2);
        }
        LocalMove off = new LocalMove.Place(0.4, 0.6, 0.2, 0.3, 25, 0.6, LIGHTER, false);
        RenditionChange nowhere = RenditionChange.NONE
            .locally(List.of(new LocalMove.Place(-0.9, -0.9, 0.05, 0.05, 0, 1, LIGHTER, true)));
        assertThat(working(picture, nowhere, PicturePlaces.whole(32, 16, WHOLE)).pixels())
            .isEqualTo(working(picture, RenditionChange.NONE.locally(List.of(off)), PicturePlaces.whole(32, 16, WHOLE))
                .pixels());
    }

    /** A driver's gray gets no colour from a place, and what straightens comes last. */
    @Test
    public void aDriversGrayStaysGray() {
        RenditionChange gray = RenditionChange.NONE
            .locally(List.of(new LocalMove.Place(0.5, 0.5, 3, 3, 0, 1, new LocalChange(10, 0, 50, 10), true)))
            .straightened(Optional.of(new LinearisationStep(List.of(new LightnessCurve.TonePoint(0, 0),
                new LightnessCurve.TonePoint(50, 60), new LightnessCurve.TonePoint(100, 100)))))
            .toDriverGray();
        View picture = new View(1, 1, 3, new char[] {40000, 30000, 20000});
        char[] codes = working(picture, gray, PicturePlaces.whole(1, 1, WHOLE)).pixels();
        double[] lab = TransformCompiler.compile(new Recipe.DeviceToLab(RenditionCompiler.WORKING, false))
            .exact(codes[0] / 65535.0, codes[1] / 65535.0, codes[2] / 65535.0);
        var out = LabEncoding.V4.lab(lab);
        assertThat(Math.hypot(out.a(), out.b())).isLessThan(0.3);
        assertThat(gray.afterLocal().straightening()).isPresent();
        assertThat(gray.beforeLocal().straightening()).isEmpty();
    }

    @Test
    public void whatCantBeIsRefusedInWords() {
        assertThatThrownBy(() -> new LocalMove.Place(0.5, 0.5, 0, 0.1, 0, 0.5, LIGHTER, true)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new LocalMove.Place(Double.NaN, 0.5, 0.1, 0.1, 0, 0.5, LIGHTER, true)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new LocalMove.Slope(0.5, 0.5, 0.5, 0.5, LIGHTER, true)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new LocalMove.Edges(0, 0, 0.5, LIGHTER, true)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new LocalChange(51, 0, 0, 0)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> Rendition.of("r", "m").locally(Collections.nCopies(200, PLACE))).isInstanceOf(InvalidRequest.class)
            .hasMessageContaining("200");
    }
}
