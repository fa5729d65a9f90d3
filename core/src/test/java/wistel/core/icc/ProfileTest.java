package wistel.core.icc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.ByteBuffer;
import java.util.SplittableRandom;
import org.testng.annotations.Test;
import wistel.core.cgats.Cgats;
import wistel.core.fault.MeasurementException;
import wistel.core.fault.ProfileException;

public class ProfileTest {

    @Test
    public void aMadeProfilePredictsHeldBackPatches() {
        ProfileMaker.Quality quality = MadeProfiles.made().quality();
        assertThat(quality.patches()).isEqualTo(150);
        assertThat(quality.mean()).isLessThan(0.3);
        assertThat(quality.max()).isLessThan(2.5);
    }

    @Test
    public void theChartTravelsInsideTheProfileWordForWord() {
        byte[] targ = MadeProfiles.printer().tag("targ").orElseThrow();
        assertThat(TagReader.text(targ)).isEqualTo(MadeProfiles.chart().text().trim());
    }

    @Test
    public void tablesWrittenAreReadBackToTheBit() {
        char[] codes = new char[27 * 3];
        SplittableRandom random = new SplittableRandom(2);
        for (int i = 0; i < codes.length; i++) {
            codes[i] = (char) random.nextInt(65536);
        }
        IccProfile read = ProfileReader.read(new ProfileWriter("prtr", ColourSpace.RGB, ColourSpace.LAB, "t", "c")
            .xyz("wtpt", new double[] {0.9, 0.92, 0.75}).lut16("A2B0", 3, 3, 3, codes).write());
        Grid grid = LutReader.toPcs(read.tag("A2B0").orElseThrow(), ColourSpace.RGB, ColourSpace.LAB).stream()
            .filter(Stage.Clut.class::isInstance).map(s -> ((Stage.Clut) s).grid()).findFirst().orElseThrow();
        for (int i = 0; i < codes.length; i++) {
            assertThat(Math.round(grid.values()[i] * 65535.0)).isEqualTo(codes[i]);
        }
        assertThat(read.mediaWhite()[1]).isCloseTo(0.92, within(1e-5));
        assertThat(read.description()).isEqualTo("t");
    }

    /** ICC.1:2022, 10.11: L* of lut16 is FF00 for 100 even in a v4 profile. */
    @Test
    public void labOfLut16KeepsItsOlderCodingInAVersionFourProfile() {
        char[] codes = new char[24];
        java.util.Arrays.fill(codes, (char) 0x8000);
        codes[21] = 0xFF00;
        IccProfile p = ProfileReader.read(new ProfileWriter("prtr", ColourSpace.RGB, ColourSpace.LAB, "t", "c").lut16("A2B0", 3, 3, 2, codes).write());
        double[] work = new double[16];
        work[0] = 1;
        work[1] = 1;
        work[2] = 1;
        for (Stage s : LutReader.toPcs(p.tag("A2B0").orElseThrow(), ColourSpace.RGB, ColourSpace.LAB)) {
            s.apply(work, work);
        }
        assertThat(work[0]).isCloseTo(100, within(1e-4));
        assertThat(work[1]).isCloseTo(0, within(1e-4));
    }

    @Test
    public void fourInputsJoinTwoTetrahedraAndReproduceALinearFunction() {
        int[] sizes = {3, 4, 3, 5};
        float[] values = new float[3 * 4 * 3 * 5];
        int at = 0;
        for (int a = 0; a < 3; a++) {
            for (int b = 0; b < 4; b++) {
                for (int c = 0; c < 3; c++) {
                    for (int d = 0; d < 5; d++) {
                        values[at++] = (float) (0.1 + 0.2 * a / 2 + 0.3 * b / 3 + 0.15 * c / 2 + 0.25 * d / 4);
                    }
                }
            }
        }
        Grid grid = new Grid(sizes, 1, values);
        double[] out = new double[1];
        grid.at(new double[] {0.37, 0.81, 0.11, 0.62}, out);
        assertThat(out[0]).isCloseTo(0.1 + 0.2 * 0.37 + 0.3 * 0.81 + 0.15 * 0.11 + 0.25 * 0.62, within(1e-6));
        grid.at(new double[] {1, 1, 1, 1}, out);
        assertThat(out[0]).isCloseTo(1.0, within(1e-6));
    }

    @Test
    public void everyCurveIsUndoneByItsInverse() {
        Curve srgb = new Curve.Parametric(2.4, 1 / 1.055, 0.055 / 1.055, 0.04045, 1 / 12.92, 0, 0);
        for (Curve curve : new Curve[] {srgb, new Curve.Power(2.2), new Curve.Table(new double[] {0, 0.1, 0.4, 1})}) {
            for (double x = 0; x <= 1; x += 0.05) {
                assertThat(curve.inverse().at(curve.at(x))).isCloseTo(x, within(1e-6));
            }
        }
    }

    /** Whatever is done to a profile's bytes, the outcome is a working profile or a typed error, in bounded time. */
    @Test(timeOut = 60_000)
    public void mutatedProfilesEndInATypedErrorOrWork() {
        SplittableRandom random = new SplittableRandom(77);
        byte[][] seeds = {StandardSpaces.SRGB.bytes(), StandardSpaces.GRAY_22.bytes(), small()};
        int refused = 0;
        for (int i = 0; i < 6000; i++) {
            byte[] bytes = seeds[i % seeds.length].clone();
            for (int k = 0; k <= random.nextInt(6); k++) {
                bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
            }
            if (random.nextInt(8) == 0) {
                bytes = java.util.Arrays.copyOf(bytes, random.nextInt(bytes.length));
            }
            try {
                IccProfile p = ProfileReader.read(bytes);
                double[] work = new double[16];
                for (Stage s : ProfileModel.toXyz(p, Intent.values()[i % 4])) {
                    s.apply(work, work);
                }
                p.description();
                p.mediaWhite();
            } catch (ProfileException e) {
                refused++;
            }
        }
        assertThat(refused).isGreaterThan(500);
    }

    private static byte[] small() {
        char[] codes = new char[24];
        return new ProfileWriter("prtr", ColourSpace.RGB, ColourSpace.LAB, "small", "c").xyz("wtpt", new double[] {0.9, 0.92, 0.75})
            .lut16("A2B0", 3, 3, 2, codes).lut16("B2A0", 3, 3, 2, codes).write();
    }

    @Test
    public void aGridOfGigabytesIsRefusedBeforeMemoryIsTaken() {
        byte[] bytes = small();
        IccProfile p = ProfileReader.read(bytes);
        byte[] tag = p.tag("A2B0").orElseThrow().clone();
        tag[10] = (byte) 255;
        assertThatThrownBy(() -> LutReader.toPcs(tag, ColourSpace.RGB, ColourSpace.LAB)).isInstanceOf(ProfileException.class);
        ByteBuffer.wrap(bytes).putInt(128, Integer.MAX_VALUE);
        assertThatThrownBy(() -> ProfileReader.read(bytes)).isInstanceOf(ProfileException.class).hasMessageContaining("tags");
    }

    @Test
    public void aChartThatIsNoCubeIsRefusedWithTheWayOut() {
        String text = "CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID RGB_R RGB_G RGB_B LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n1 0 0 0 10 0 0\n2 100 100 100 95 0 0\nEND_DATA\n";
        assertThatThrownBy(() -> ProfileMaker.make("x", Cgats.parse(text))).isInstanceOf(MeasurementException.class).hasMessageContaining("cube");
        assertThatThrownBy(() -> Cgats.parse(text.replace("95 0 0", "95 zero 0"))).isInstanceOf(MeasurementException.class).hasMessageContaining("row 2");
        assertThatThrownBy(() -> Cgats.parse(text.replace("END_DATA\n", "").replace("END_DATA_FORMAT", "END_DATA_FORMAT"))).isInstanceOf(MeasurementException.class);
        assertThat(Cgats.parse(text.replace("100 100 100", "255 255 255")).patches().get(1).device()[0]).isEqualTo(1.0);
    }
}
