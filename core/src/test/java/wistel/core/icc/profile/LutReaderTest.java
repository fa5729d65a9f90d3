package wistel.core.icc.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.color.ICC_ColorSpace;
import java.awt.color.ICC_Profile;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.fault.ProfileException;
import wistel.core.icc.stage.Stage;
import wistel.core.icc.transform.DeviceModel;

/** Lookup tables of every type, made by hand here so that each byte's meaning is the test's own. */
public class LutReaderTest {

    private static double[] run(List<Stage> stages, double... in) {
        double[] work = new double[16];
        System.arraycopy(in, 0, work, 0, in.length);
        for (Stage stage : stages) {
            stage.apply(work, 16, 1);
        }
        return Arrays.copyOf(work, 3);
    }

    /** A made-up press: ink takes light away; black takes it from all. */
    private static Lab press(double c, double m, double y, double k) {
        double[] xyz = {D50.X * (1 - 0.75 * c) * (1 - 0.55 * m) * (1 - 0.10 * y) * (1 - 0.94 * k),
            (1 - 0.55 * c) * (1 - 0.72 * m) * (1 - 0.12 * y) * (1 - 0.94 * k),
            D50.Z * (1 - 0.25 * c) * (1 - 0.50 * m) * (1 - 0.88 * y) * (1 - 0.93 * k)};
        D50.xyzToLab(xyz, xyz);
        return Lab.of(xyz);
    }

    private static IccProfile cmyk(int side) {
        char[] codes = new char[3 * side * side * side * side];
        int at = 0;
        for (int n = 0; n < codes.length / 3; n++) {
            double top = side - 1;
            Lab lab = press(n / (side * side * side) / top, n / (side * side) % side / top, n / side % side / top, n % side / top);
            codes[at++] = (char) Math.round(lab.l() * 652.8);
            codes[at++] = (char) Math.round((lab.a() + 128) * 256);
            codes[at++] = (char) Math.round((lab.b() + 128) * 256);
        }
        return ProfileReader.read(new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.CMYK, ColourSpace.LAB, "press", "none")
            .xyz("wtpt", new double[] {0.85, 0.88, 0.72}).tag("A2B0", LutWriter.lut16(4, 3, side, codes))
            .tag("A2B1", LutWriter.lut16(4, 3, side, codes)).write());
    }

    @Test
    public void aCmykTableGivesItsNodesExactlyAndSmoothColoursBetweenThem() {
        List<Stage> stages = DeviceModel.toXyz(cmyk(9), Intent.RELATIVE);
        SplittableRandom random = new SplittableRandom(4);
        for (int i = 0; i < 200; i++) {
            double[] ink = {random.nextDouble(), random.nextDouble(), random.nextDouble(), random.nextDouble() * 0.9};
            double[] lab = new double[3];
            D50.xyzToLab(run(stages, ink), lab);
            assertThat(Lab.of(lab).deltaE2000(press(ink[0], ink[1], ink[2], ink[3]))).isLessThan(1.5);
        }
        double[] node = new double[3];
        D50.xyzToLab(run(stages, 0.5, 0.25, 0.75, 0.125), node);
        assertThat(Lab.of(node).deltaE2000(press(0.5, 0.25, 0.75, 0.125))).isLessThan(0.02);
    }

    @Test
    public void theJdksCmmReadsOurCmykTableAlike() {
        byte[] marked = cmyk(9).bytes();
        marked[8] = 2;
        marked[67] = 1;
        ICC_ColorSpace referee = new ICC_ColorSpace(ICC_Profile.getInstance(marked));
        List<Stage> ours = DeviceModel.toXyz(cmyk(9), Intent.RELATIVE);
        SplittableRandom random = new SplittableRandom(6);
        double sum = 0;
        for (int i = 0; i < 300; i++) {
            float[] ink = {random.nextFloat(), random.nextFloat(), random.nextFloat(), random.nextFloat() * 0.8f};
            float[] xyz = referee.toCIEXYZ(ink);
            double[] theirs = {xyz[0], xyz[1], xyz[2]};
            D50.xyzToLab(theirs, theirs);
            double[] mine = new double[3];
            D50.xyzToLab(run(ours, ink[0], ink[1], ink[2], ink[3]), mine);
            sum += Lab.of(theirs).deltaE2000(Lab.of(mine));
        }
        assertThat(sum / 300).isLessThan(0.25);
    }

    private static byte[] ascii(String s) {
        return s.getBytes(StandardCharsets.US_ASCII);
    }

    private static void gamma(ByteBuffer out, int at, double gamma) {
        out.put(at, ascii("para")).putShort(at + 8, (short) 0).putInt(at + 12, (int) Math.round(gamma * 65536));
    }

    /** lutAToB with all five parts: A curves, a 2 x 2 x 2 identity table, M curves, a matrix with offset, B curves (ICC.1:2022, 10.12). */
    private static byte[] full(String type) {
        int b = 32;
        int matrix = b + 48;
        int m = matrix + 48;
        int clut = m + 48;
        int a = clut + 20 + 48;
        ByteBuffer tag = ByteBuffer.allocate(a + 48);
        tag.put(0, ascii(type)).put(8, (byte) 3).put(9, (byte) 3);
        tag.putInt(12, b).putInt(16, matrix).putInt(20, m).putInt(24, clut).putInt(28, a);
        for (int i = 0; i < 3; i++) {
            gamma(tag, b + 16 * i, 1);
            gamma(tag, m + 16 * i, 2);
            gamma(tag, a + 16 * i, 0.5);
        }
        double[] e = {0.5, 0, 0, 0, 0.25, 0, 0, 0, 1, 0.1, 0.2, 0};
        for (int i = 0; i < 12; i++) {
            tag.putInt(matrix + 4 * i, (int) Math.round(e[i] * 65536));
        }
        tag.put(clut, new byte[] {2, 2, 2}).put(clut + 16, (byte) 2);
        for (int n = 0; n < 8; n++) {
            for (int c = 0; c < 3; c++) {
                tag.putShort(clut + 20 + 2 * (3 * n + c), (short) ((n >> (2 - c) & 1) * 0xFFFF));
            }
        }
        return tag.array();
    }

    /**
     * Device (r, g, b): square root, identity, square, matrix: so the middle is the device value itself, scaled and shifted, then decoded
     * to L*a*b*.
     */
    @Test
    public void theFivePartsOfLutAToBWorkInTheirOrder() {
        double[] lab = run(LutReader.read(full("mAB "), ColourSpace.RGB, ColourSpace.LAB), 0.6, 0.4, 0.3);
        assertThat(lab[0]).isCloseTo(100 * (0.5 * 0.6 + 0.1), within(0.01));
        assertThat(lab[1]).isCloseTo(255 * (0.25 * 0.4 + 0.2) - 128, within(0.02));
        assertThat(lab[2]).isCloseTo(255 * 0.3 - 128, within(0.02));
    }

    /** The other way the parts come in the opposite order: B, matrix, M, table, A (10.13). */
    @Test
    public void theFivePartsOfLutBToAWorkTheOtherWayRound() {
        double[] rgb = run(LutReader.read(full("mBA "), ColourSpace.LAB, ColourSpace.RGB), 60, 0, 0);
        assertThat(rgb[0]).as("matrix 0.5 v + 0.1, squared, then its root").isCloseTo(0.5 * 0.6 + 0.1, within(0.001));
        assertThat(rgb[1]).isCloseTo(0.25 * 128 / 255 + 0.2, within(0.001));
    }

    @Test
    public void lut8IsReadWithItsOwnCoding() {
        ByteBuffer tag = ByteBuffer.allocate(48 + 3 * 256 + 24 + 3 * 256);
        tag.put(0, ascii("mft1")).put(8, (byte) 3).put(9, (byte) 3).put(10, (byte) 2);
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < 256; i++) {
                tag.put(48 + 256 * c + i, (byte) i).put(48 + 768 + 24 + 256 * c + i, (byte) i);
            }
        }
        for (int n = 0; n < 8; n++) {
            for (int c = 0; c < 3; c++) {
                tag.put(48 + 768 + 3 * n + c, (byte) ((n >> (2 - c) & 1) * 255));
            }
        }
        double[] lab = run(LutReader.read(tag.array(), ColourSpace.RGB, ColourSpace.LAB), 1, 128 / 255.0, 0);
        assertThat(lab[0]).isCloseTo(100, within(1e-6));
        assertThat(lab[1]).isCloseTo(0, within(1e-6));
        assertThat(lab[2]).isCloseTo(-128, within(1e-6));
    }

    @DataProvider
    Object[][] broken() {
        byte[] shortCurve = full("mAB ");
        ByteBuffer.wrap(shortCurve).putInt(28, shortCurve.length - 6);
        byte[] noTable = full("mAB ");
        noTable[9] = 2;
        byte[] thin = full("mAB ");
        ByteBuffer b = ByteBuffer.wrap(thin);
        thin[b.getInt(24)] = 1;
        byte[] far = full("mAB ");
        ByteBuffer.wrap(far).putInt(24, Integer.MIN_VALUE);
        return new Object[][] {{shortCurve}, {noTable}, {thin}, {far}, {new byte[40]}};
    }

    @Test(dataProvider = "broken")
    public void brokenTablesEndInATypedError(byte[] tag) {
        assertThatThrownBy(() -> LutReader.read(tag, ColourSpace.RGB, ColourSpace.LAB)).isInstanceOf(ProfileException.class);
    }
}
