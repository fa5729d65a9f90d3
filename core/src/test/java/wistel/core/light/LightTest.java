package wistel.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.InvalidRequest;

/** Lights, and what the eye makes of colours and tones in them. */
public class LightTest {
    private static final Light HALL = new Light(90, 2700);

    /** DICOM PS3.14, table B-1, to its digits. */
    @Test
    public void theDisplayFunctionIsThePublishedOne() {
        double[][] gold = {{1, 0.0500}, {2, 0.0547}, {100, 1.8508}, {500, 119.1318}, {1023, 3993.4040}};
        for (double[] g : gold) {
            assertThat(GrayscaleFunction.luminance(g[0])).as("index %s", g[0]).isCloseTo(g[1], within(Math.max(0.0001, g[1] * 3e-5)));
        }
    }

    /** PS3.14 gives forward and backward function apart: each takes the other back. */
    @Test
    public void itsInverseTakesItBack() {
        for (int j = 1; j <= GrayscaleFunction.LAST_INDEX; j++) {
            assertThat(GrayscaleFunction.index(GrayscaleFunction.luminance(j))).as("index %s", j).isCloseTo(j, within(0.6));
        }
        assertThat(GrayscaleFunction.index(0)).isCloseTo(1, within(0.1));
        assertThat(GrayscaleFunction.index(1e9)).isCloseTo(1023, within(0.6));
        assertThatThrownBy(() -> GrayscaleFunction.luminance(0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> GrayscaleFunction.index(Double.NaN)).isInstanceOf(IllegalArgumentException.class);
    }

    /** The worked example of printing-rules.md, which CIE 248's authors give with their model. */
    @Test
    public void ciecam16GivesThePublishedAppearance() {
        Ciecam16.Appearance a = new Ciecam16(new Viewing(95.05, 108.88, 318.31, 20, Viewing.Surround.AVERAGE)).of(19.01, 20.00, 21.78);
        assertThat(a.lightness()).isCloseTo(41.7312, within(0.0001));
        assertThat(a.chroma()).isCloseTo(0.1034, within(0.0001));
        assertThat(a.hue()).isCloseTo(217.068, within(0.001));
        assertThat(a.brightness()).isCloseTo(195.3717, within(0.0001));
        assertThat(a.colourfulness()).isCloseTo(0.1074, within(0.0001));
    }

    @DataProvider
    Object[][] surrounds() {
        return new Object[][] {{Viewing.Surround.AVERAGE, 127.0}, {Viewing.Surround.DIM, 28.0}, {Viewing.Surround.DARK, 2.0},
            {Viewing.Surround.AVERAGE, 5.7}};
    }

    @Test(dataProvider = "surrounds")
    public void whatLooksSoIsTheColourItself(Viewing.Surround surround, double adapting) {
        Ciecam16 model = new Ciecam16(new Viewing(109.85, 35.58, adapting, 20, surround));
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < 2000; i++) {
            double[] xyz = {1 + 90 * random.nextDouble(), 1 + 90 * random.nextDouble(), 1 + 30 * random.nextDouble()};
            Ciecam16.Appearance a = model.of(xyz[0], xyz[1], xyz[2]);
            if (a.lightness() > 1 && a.chroma() < 90) {
                assertThat(model.colour(a.lightness(), a.colourfulness(), a.hue())).as("%s %s %s", xyz[0], xyz[1], xyz[2])
                    .containsExactly(xyz, within(1e-4));
            }
        }
        assertThat(model.colour(0, 10, 20)).containsExactly(0, 0, 0);
    }

    /** CIE 15:2018, tables T.3 and 11: chromaticities of illuminants A, D50 and D65, and of a black body of 2700 K (x 0.4599, y 0.4106). */
    @Test
    public void lightsHaveThePublishedColours() {
        chromaticity(SpectralPower.incandescent(), 0.44758, 0.40745);
        chromaticity(SpectralPower.of(5003), 0.34567, 0.35851);
        chromaticity(SpectralPower.of(6504), 0.31272, 0.32903);
        chromaticity(SpectralPower.of(7504), 0.29903, 0.31488);
        chromaticity(SpectralPower.of(2700), 0.4599, 0.4106);
        double[] d50 = SpectralPower.of(5003).white();
        assertThat(d50).containsExactly(new double[] {100 * D50.X, 100, 100 * D50.Z}, within(0.1));
    }

    private static void chromaticity(SpectralPower light, double x, double y) {
        double[] w = light.white();
        assertThat(w[1]).isCloseTo(100, within(1e-9));
        assertThat(w[0] / (w[0] + w[1] + w[2])).isCloseTo(x, within(0.0003));
        assertThat(w[1] / (w[0] + w[1] + w[2])).isCloseTo(y, within(0.0003));
    }

    /** 500 lx give about 140 cd/m2 on white paper, a hall with 90 lx 25 (printing-rules.md). */
    @Test
    public void whiteOnTheWallHasItsLuminance() {
        assertThat(new Light(500, 5000).luminance(0.88)).isCloseTo(140, within(1.0));
        assertThat(HALL.luminance(0.88)).isCloseTo(25, within(0.5));
    }

    @Test
    public void lightsThatCantBeAreRefusedInWords() {
        for (double lux : new double[] {0, -1, 1e9, Double.NaN}) {
            assertThatThrownBy(() -> new Light(lux, 5000)).isInstanceOf(InvalidRequest.class);
        }
        for (double kelvin : new double[] {500, 1e6, Double.NaN}) {
            assertThatThrownBy(() -> new Light(90, kelvin)).isInstanceOf(InvalidRequest.class);
        }
    }

    /** In the judging light a settled eye sees the print as it is; in the hall colour is lost, and white isn't quite neutral. */
    @Test
    public void aSettledEyeLosesColourInTheHall() {
        PrintLook judging = new PrintLook(new Light(2000, 5003));
        PrintLook hall = new PrintLook(HALL);
        for (Lab print : new Lab[] {new Lab(96, 0, -2), new Lab(50, 40, 20), new Lab(20, -10, 5), new Lab(60, -30, -30)}) {
            assertThat(judging.settled(print).deltaE2000(print)).as(print.toString()).isLessThan(0.3);
            Lab seen = hall.settled(print);
            assertThat(seen.l()).isCloseTo(print.l(), within(4.0));
            if (print.chroma() > 20) {
                assertThat(hall.appearance(print).colourfulness()).isLessThan(judging.appearance(print).colourfulness());
            }
        }
        assertThat(hall.settled(new Lab(96, 0, 0)).b()).as("adaptation to warm light isn't complete").isBetween(1.0, 15.0);
    }

    @Test
    public void besideAScreenAPrintIsAsDarkAndAsWarmAsItIs() {
        PrintLook hall = new PrintLook(HALL);
        Screen screen = new Screen(140);
        assertThat(hall.ratio(screen)).isCloseTo(90 / Math.PI / 140, within(1e-9));
        Lab white = hall.beside(new Lab(100, 0, 0), screen);
        assertThat(white.xyz()[1]).isCloseTo(0.205, within(0.03));
        assertThat(white.b()).isGreaterThan(15);
        assertThat(new PrintLook(Light.JUDGING).beside(new Lab(100, 0, 0), screen).l()).as("no screen is brighter than its white")
            .isLessThanOrEqualTo(100.5);
    }

    @Test
    public void fewerTonesStayApartWhereItIsDim() {
        PrintLook hall = new PrintLook(HALL);
        PrintLook judging = new PrintLook(Light.JUDGING);
        double steps = judging.index(0.05, 0.9) - judging.index(0.03, 0.9);
        assertThat(hall.index(0.05, 0.9) - hall.index(0.03, 0.9)).isLessThan(0.7 * steps);
    }

    private static double[] paper(double black, double gamma) {
        return IntStream.range(0, LightCompensation.TONES)
            .mapToDouble(l -> D50.luminance(black + (96 - black) * Math.pow(l / 100.0, gamma)))
            .toArray();
    }

    @Test
    public void allTheWayNoticeableDifferencesAreSpreadAsInTheJudgingLight() {
        PrintLook hall = new PrintLook(HALL);
        PrintLook judging = new PrintLook(Light.JUDGING);
        double[] now = paper(12, 1);
        double[] curve = LightCompensation.curve(judging, hall, now, now, 1);
        double[] wanted = LightCompensation.shares(judging, now);
        double[] got = LightCompensation.shares(hall, IntStream.range(0, 101).mapToDouble(t -> at(now, curve[t])).toArray());
        for (int t = 0; t < 101; t++) {
            assertThat(got[t]).as("tone %s", t).isCloseTo(wanted[t], within(0.01));
            assertThat(curve[t]).isGreaterThanOrEqualTo(t == 0 ? 0 : curve[t - 1]);
        }
        assertThat(curve[25]).as("shadows are opened").isGreaterThan(26);
        double[] half = LightCompensation.curve(judging, hall, now, now, 0.5);
        assertThat(half[25]).isBetween(25.3, curve[25] - 0.3);
        assertThat(LightCompensation.curve(judging, hall, now, now, 0)[40]).isCloseTo(40, within(0.01));
        assertThat(LightCompensation.curve(judging, judging, now, paper(12, 1.3), 1)[50])
            .as("it goes through what the print does to it afterwards").isGreaterThan(51);
        assertThatThrownBy(() -> LightCompensation.curve(judging, hall, new double[3], now, 1))
            .isInstanceOf(IllegalArgumentException.class);
    }

    private static double at(double[] row, double place) {
        int i = Math.min(row.length - 2, (int) place);
        return row[i] + (row[i + 1] - row[i]) * (place - i);
    }

    @Test
    public void aTableGivesWhatItsFunctionGives() {
        PrintLook hall = new PrintLook(HALL);
        LabTable table = new LabTable(hall::settled);
        SplittableRandom random = new SplittableRandom(8);
        double sum = 0;
        for (int i = 0; i < 500; i++) {
            double l = 5 + 92 * random.nextDouble();
            // as much colour as paper has at this lightness
            double most = Math.min(40, l);
            Lab lab = new Lab(l, most * (2 * random.nextDouble() - 1), most * (2 * random.nextDouble() - 1));
            char[] codes = {LabEncoding.V4.ofL(lab.l()), LabEncoding.V4.ofAb(lab.a()), LabEncoding.V4.ofAb(lab.b())};
            table.apply(codes);
            double apart = LabEncoding.V4.lab(codes, 0).deltaE2000(hall.settled(lab));
            assertThat(apart).as(lab.toString()).isLessThan(1.5);
            sum += apart;
        }
        assertThat(sum / 500).isLessThan(0.2);
    }
}
