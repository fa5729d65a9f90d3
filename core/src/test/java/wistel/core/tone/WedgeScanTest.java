package wistel.core.tone;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.function.DoubleUnaryOperator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.cgats.Readings;
import wistel.core.colour.D50;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.MeasurementException;
import wistel.core.fault.MeasurementException.Reason;
import wistel.core.pictures.View;

/** A wedge on a scan: lit unevenly, with flare, askew; the truth is what was put there. */
public class WedgeScanTest {
    private static final Wedge WEDGE = new Wedge(33, 1, true, 4711);
    private static final int WIDTH = 1500;
    private static final int HEIGHT = 1700;
    private static final double PER_MM = 6;
    private static final double PAPER_Y = D50.luminance(Scales.PAPER);
    private static final double BLACK_Y = D50.luminance(Scales.BLACK);

    /** Even steps of L* between the ends, seen by a scanner of that response: from true luminance to what it tells. */
    private static View scan(Wedge wedge, double degrees, DoubleUnaryOperator response) {
        char[] picture = wedge.picture();
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        char[] lab = new char[3 * WIDTH * HEIGHT];
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                double u = x - WIDTH / 2.0;
                double v = y - HEIGHT / 2.0;
                double xMm = (cos * u + sin * v) / PER_MM + Wedge.WIDTH_MM / 2;
                double yMm = (cos * v - sin * u) / PER_MM + Wedge.HEIGHT_MM / 2;
                double gray = 1;
                if (xMm >= 0 && yMm >= 0 && xMm < Wedge.WIDTH_MM && yMm < Wedge.HEIGHT_MM) {
                    gray = picture[(int) (yMm * 10) * Wedge.pictureWidth() + (int) (xMm * 10)] / 65535.0;
                }
                double lit = 1 - 0.05 * (Math.pow(u / WIDTH, 2) + Math.pow(v / HEIGHT, 2)) - 0.02 * u / WIDTH;
                double told = lit * response.applyAsDouble(D50.luminance(Scales.BLACK + gray * (Scales.PAPER - Scales.BLACK)));
                int at = 3 * (y * WIDTH + x);
                lab[at] = LabEncoding.V4.ofL(D50.lightness(told));
                lab[at + 1] = LabEncoding.V4.ofAb(1);
                lab[at + 2] = LabEncoding.V4.ofAb(3);
            }
        }
        return new View(WIDTH, HEIGHT, 3, lab);
    }

    private static double[] lightness(Readings readings) {
        return ToneScale.of(WEDGE, readings).steps().stream().mapToDouble(s -> s.lab().l()).toArray();
    }

    private static double[] evenSteps() {
        double[] even = new double[WEDGE.steps()];
        Arrays.setAll(even, i -> Scales.PAPER + (Scales.BLACK - Scales.PAPER) * WEDGE.depth(i));
        return even;
    }

    @DataProvider
    public Object[][] turns() {
        return new Object[][] {{0.0}, {4.0}, {-11.0}, {90.0}, {180.0}, {187.0}, {270.0}};
    }

    /** Gain and flare drop out by the ends, uneven light by the paper around; however it lies. */
    @Test(dataProvider = "turns")
    public void aWedgeIsFoundAndReadHoweverItLies(double degrees) {
        WedgeScan read = WedgeScan.of(WEDGE, scan(WEDGE, degrees, y -> 0.85 * y + 0.012));
        assertThat(lightness(read.byEnds(Scales.PAPER, Scales.BLACK))).containsExactly(evenSteps(), within(0.35));
        assertThat(read.cast()).isCloseTo(Math.hypot(1, 3), within(0.1));
    }

    /**
     * A scanner whose curve isn't what its profile says is told by its ends alone within some L*, by a wedge that was read within tenths.
     */
    @Test
    public void aCurveOfTheScannersOwnIsLearntFromAWedgeThatWasRead() {
        DoubleUnaryOperator response = y -> 0.9 * Math.pow(y, 1.12) + 0.008;
        WedgeScan scanned = WedgeScan.of(WEDGE, scan(WEDGE, 1, response));
        ToneScale truth = Scales.scale(WEDGE.steps(), d -> d, 0, 1);
        ScannerCurve curve = ScannerCurve.of(scanned, truth);
        assertThat(lightness(scanned.by(curve, Scales.PAPER))).containsExactly(evenSteps(), within(0.3));
        double worst = 0;
        double[] byEnds = lightness(scanned.byEnds(Scales.PAPER, Scales.BLACK));
        for (int i = 0; i < byEnds.length; i++) {
            worst = Math.max(worst, Math.abs(byEnds[i] - evenSteps()[i]));
        }
        assertThat(worst).as("that is what the calibration mends").isBetween(1.0, 4.0);
    }

    @Test
    public void whatIsNotAllOfThisWedgeIsRefusedInWords() {
        View whole = scan(WEDGE, 2, y -> y);
        refused(new Wedge(33, 1, true, 4712), whole, Reason.READING_OF_ANOTHER_WEDGE, "scan of wedge 4711, not of wedge 4712");
        refused(WEDGE, cut(whole, 0, 0, WIDTH * 3 / 4, HEIGHT), Reason.SCAN_CROPPED, "upper right and the lower right");
        refused(WEDGE, cut(whole, 0, HEIGHT / 2, WIDTH, HEIGHT / 2), Reason.SCAN_CROPPED, "upper left and the upper right");
        char[] white = new char[3 * 400 * 400];
        Arrays.fill(white, (char) 65535);
        refused(WEDGE, new View(400, 400, 3, white), Reason.SCAN_WITHOUT_WEDGE, "No wedge");
        char[] orange = whole.pixels().clone();
        for (int i = 2; i < orange.length; i += 3) {
            orange[i] = LabEncoding.V4.ofAb(45);
        }
        refused(WEDGE, new View(WIDTH, HEIGHT, 3, orange), Reason.SCAN_UNCLEAR, "cast");
        assertThat(WedgeScan.number(whole)).hasValue(4711);
    }

    private static View cut(View v, int left, int top, int width, int height) {
        char[] part = new char[3 * width * height];
        for (int y = 0; y < height; y++) {
            System.arraycopy(v.pixels(), 3 * ((top + y) * v.width() + left), part, 3 * y * width, 3 * width);
        }
        return new View(width, height, 3, part);
    }

    private static void refused(Wedge wedge, View scan, Reason reason, String words) {
        assertThatThrownBy(() -> WedgeScan.of(wedge, scan)).isInstanceOfSatisfying(MeasurementException.class, e -> {
            assertThat(e.reason()).isEqualTo(reason);
            assertThat(e.getMessage()).contains(words);
            assertThat(e.next()).isNotBlank();
        });
    }

    /** Sheared beyond what a glass does: a photograph of a sheet that stands askew. */
    @Test
    public void aWarpedWedgeIsRefused() {
        View flat = scan(WEDGE, 0, y -> y);
        char[] warped = new char[flat.pixels().length];
        Arrays.fill(warped, (char) 65535);
        for (int y = 0; y < HEIGHT; y++) {
            double narrower = 0.8 + 0.2 * y / HEIGHT;
            for (int x = 0; x < WIDTH; x++) {
                int from = (int) (WIDTH / 2.0 + (x - WIDTH / 2.0) / narrower);
                if (from >= 0 && from < WIDTH) {
                    System.arraycopy(flat.pixels(), 3 * (y * WIDTH + from), warped, 3 * (y * WIDTH + x), 3);
                }
            }
        }
        refused(WEDGE, new View(WIDTH, HEIGHT, 3, warped), Reason.SCAN_UNCLEAR, "bent or warped");
    }

    @Test
    public void blackThatLooksLikePaperCantBeCalibrated() {
        WedgeScan flat = WedgeScan.of(WEDGE, scan(WEDGE, 0, y -> y));
        WedgeScan faint = new WedgeScan(WEDGE, flat.reflectances().stream().map(r -> 1 + (r - 1) / 50).toList(), 0);
        assertThatThrownBy(() -> faint.byEnds(Scales.PAPER, Scales.BLACK)).isInstanceOf(MeasurementException.class)
            .hasMessageContaining("look alike");
        assertThat(PAPER_Y).isGreaterThan(BLACK_Y);
    }
}
