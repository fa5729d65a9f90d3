package wistel.core.icc.transform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.colour.Matrix3;
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

public class TransformTest {

    /** IEC 61966-2-1 worked by hand: mid gray 128 has Y 0.21586, L* 53.585 under D50, neutral. */
    @Test
    public void aMidGrayInSrgbHasTheLightnessThatItsStandardSays() {
        Lab lab = LabEncoding.V4.lab(TransformCompiler.toLab(StandardSpaces.SRGB).exact(128 / 255.0, 128 / 255.0, 128 / 255.0));
        assertThat(lab.l()).isCloseTo(53.585, within(0.01));
        assertThat(lab.chroma()).isLessThan(0.05);
    }

    /** The dark end is a line of 1 / 12.92 up to 0.04045 (IEC 61966-2-1, 5.2): both sides of the joint, by hand. */
    @Test
    public void shadowsInSrgbFollowTheLineAndThePowerOfTheirStandard() {
        Transform toLab = TransformCompiler.toLab(StandardSpaces.SRGB);
        assertThat(LabEncoding.V4.lab(toLab.exact(0.02, 0.02, 0.02)).l()).isCloseTo(0.02 / 12.92 * 24389 / 27, within(0.002));
        assertThat(LabEncoding.V4.lab(toLab.exact(0.0625, 0.0625, 0.0625)).l())
            .isCloseTo(Math.pow((0.0625 + 0.055) / 1.055, 2.4) * 24389 / 27, within(0.002));
    }

    /** sRGB to a wide space by the formulas of ICC.1:2022, F.3, written out here a second time from the numbers in the tags' bytes. */
    @Test
    public void matrixToMatrixIsRightToOneCodeOfSixteenBits() {
        Transform transform = TransformCompiler.convert(StandardSpaces.SRGB, StandardSpaces.WIDE_RGB, Intent.RELATIVE, false);
        double[] m = Matrix3.product(Matrix3.inverse(colorants(StandardSpaces.WIDE_RGB)), colorants(StandardSpaces.SRGB));
        double[] srgb = numbers(StandardSpaces.SRGB, "rTRC", 12, 5);
        double gamma = numbers(StandardSpaces.WIDE_RGB, "rTRC", 12, 1)[0];
        SplittableRandom random = new SplittableRandom(9);
        int far = 0;
        for (int i = 0; i < 100_000; i++) {
            char[] rgb = {(char) random.nextInt(65536), (char) random.nextInt(65536), (char) random.nextInt(65536)};
            char[] out = transform.apply(rgb);
            for (int c = 0; c < 3; c++) {
                double light = 0;
                for (int k = 0; k < 3; k++) {
                    double v = rgb[k] / 65535.0;
                    light += m[3 * c + k] * (v < srgb[4] ? srgb[3] * v : Math.pow(srgb[1] * v + srgb[2], srgb[0]));
                }
                double wanted = 65535 * Math.pow(Math.max(0, Math.min(1, light)), 1 / gamma);
                assertThat((double) out[c]).isCloseTo(wanted, within(4.0));
                far += Math.abs(out[c] - wanted) > 1 ? 1 : 0;
            }
        }
        assertThat(far).isLessThan(300);
    }

    private static double[] numbers(IccProfile profile, String tag, int from, int count) {
        ByteBuffer bytes = ByteBuffer.wrap(profile.tag(tag).orElseThrow());
        double[] numbers = new double[count];
        Arrays.setAll(numbers, i -> bytes.getInt(from + 4 * i) / 65536.0);
        return numbers;
    }

    private static double[] colorants(IccProfile profile) {
        double[] m = new double[9];
        for (int c = 0; c < 3; c++) {
            double[] xyz = numbers(profile, "rgb".charAt(c) + "XYZ", 8, 3);
            for (int i = 0; i < 3; i++) {
                m[3 * i + c] = xyz[i];
            }
        }
        return m;
    }

    @DataProvider
    Object[][] bakedPairs() {
        IccProfile press = FoundProfiles.press();
        IccProfile printer = MadeProfiles.printer();
        return new Object[][] {{StandardSpaces.SRGB, printer}, {StandardSpaces.SRGB, press}, {StandardSpaces.WIDE_RGB, press},
            {press, StandardSpaces.SRGB},
            {press, printer}, {printer, press}, {printer, StandardSpaces.SRGB}, {StandardSpaces.GRAY_22, press},
            {StandardSpaces.SRGB, StandardSpaces.GRAY_22}};
    }

    /** What the table of exactness promises: mean below 0.03, 99.9 % below 0.2, over colours other than those the form was chosen by. */
    @Test(dataProvider = "bakedPairs")
    public void theFastFormKeepsItsPromiseAgainstTheChain(IccProfile source, IccProfile destination) {
        Transform look = TransformCompiler.toLab(destination);
        for (Intent intent : Intent.values()) {
            Transform transform = TransformCompiler.convert(source, destination, intent, intent != Intent.ABSOLUTE);
            int n = transform.inputs();
            SplittableRandom random = new SplittableRandom(1234);
            char[] in = new char[n * 8000];
            for (int i = 0; i < in.length; i++) {
                in[i] = (char) random.nextInt(65536);
            }
            char[] fast = transform.apply(in);
            char[] exact = new char[fast.length];
            transform.exact(in, 0, exact, 0, 8000);
            double[] errors = new double[8000];
            for (int p = 0; p < 8000; p++) {
                errors[p] = seen(look, fast, p).deltaE2000(seen(look, exact, p));
            }
            Arrays.sort(errors);
            assertThat(Arrays.stream(errors).average().orElseThrow()).as("mean of %s, %s", intent, transform.baked()).isLessThan(0.03);
            assertThat(errors[7991]).as("99.9 %% of %s, %s", intent, transform.baked()).isLessThan(0.2);
        }
    }

    private static Lab seen(Transform look, char[] codes, int pixel) {
        double[] device = new double[look.inputs()];
        for (int c = 0; c < device.length; c++) {
            device[c] = codes[pixel * device.length + c] / 65535.0;
        }
        return LabEncoding.V4.lab(look.exact(device));
    }

    @Test
    public void whiteStaysWhiteAndBlackPointCompensationOpensTheShadows() {
        IccProfile printer = MadeProfiles.printer();
        for (Intent intent : List.of(Intent.PERCEPTUAL, Intent.RELATIVE, Intent.SATURATION)) {
            for (double v : TransformCompiler.convert(StandardSpaces.SRGB, printer, intent, true).exact(1, 1, 1)) {
                assertThat(v).isGreaterThan(0.995);
            }
        }
        Transform plain = TransformCompiler.proofToLab(StandardSpaces.SRGB, printer, Intent.RELATIVE, false, false);
        Transform compensated = TransformCompiler.proofToLab(StandardSpaces.SRGB, printer, Intent.RELATIVE, true, false);
        double step = LabEncoding.V4.lab(plain.exact(0.06, 0.06, 0.06)).l() - LabEncoding.V4.lab(plain.exact(0, 0, 0)).l();
        double kept = LabEncoding.V4.lab(compensated.exact(0.06, 0.06, 0.06)).l() - LabEncoding.V4.lab(compensated.exact(0, 0, 0)).l();
        assertThat(kept).isGreaterThan(step + 1);
    }

    @Test
    public void theProofShowsThePapersWhiteWhenAsked() {
        double[] white = TransformCompiler
            .compile(new Recipe.Proof(StandardSpaces.SRGB, MadeProfiles.printer(), Intent.RELATIVE, true, ProofView.PAPER_WHITE,
                StandardSpaces.SRGB))
            .exact(1, 1, 1);
        Lab shown = LabEncoding.V4.lab(TransformCompiler.toLab(StandardSpaces.SRGB).exact(white));
        assertThat(shown.deltaE2000(LabEncoding.V4.lab(TransformCompiler.toMeasuredLab(MadeProfiles.printer()).exact(1, 1, 1))))
            .isLessThan(0.5);
    }

    @Test
    public void eightBitFloatAndPlanarPixelsAgreeWithSixteenBitOnes() {
        Transform t = TransformCompiler.convert(StandardSpaces.SRGB, FoundProfiles.press(), Intent.RELATIVE, true);
        byte[] bytes = {0, 0, 0, (byte) 255, (byte) 255, (byte) 255, 20, (byte) 200, 90, (byte) 130, 7, (byte) 240};
        char[] wide = new char[12];
        float[] floats = new float[12];
        char[][] planes = new char[3][4];
        for (int i = 0; i < 12; i++) {
            wide[i] = (char) ((bytes[i] & 0xFF) * 257);
            floats[i] = (bytes[i] & 0xFF) / 255f;
            planes[i % 3][i / 3] = wide[i];
        }
        char[] expected = t.apply(wide);
        byte[] narrow = new byte[16];
        t.apply(bytes, 0, narrow, 0, 4);
        float[] outFloats = new float[16];
        t.exact(floats, 0, outFloats, 0, 4);
        char[][] outPlanes = new char[4][4];
        t.apply(planes, 0, outPlanes, 0, 4);
        for (int i = 0; i < 16; i++) {
            assertThat(narrow[i] & 0xFF).isEqualTo((int) Math.round(expected[i] / 257.0));
            assertThat(outPlanes[i % 4][i / 4]).isEqualTo(expected[i]);
            assertThat(outFloats[i] * 65535.0).isCloseTo(expected[i], within(40.0));
        }
    }

    @Test
    public void stripsOnSeveralThreadsGiveWhatOneLoopGives() {
        Transform t = TransformCompiler.convert(StandardSpaces.SRGB, MadeProfiles.printer(), Intent.PERCEPTUAL, true);
        SplittableRandom random = new SplittableRandom(8);
        char[] in = new char[3 * 50_001];
        for (int i = 0; i < in.length; i++) {
            in[i] = (char) random.nextInt(65536);
        }
        char[] once = new char[in.length];
        t.apply(in, 0, once, 0, 50_001);
        char[] strips = t.apply(in);
        for (int i = 0; i < in.length; i++) {
            // a strip's last few pixels take the scalar loop, which may round the other way
            assertThat(Math.abs(strips[i] - once[i])).isLessThanOrEqualTo(1);
        }
    }

    /** An abstract profile that halves lightness, and a device link that turns gray round: both of tables made here. */
    @Test
    public void abstractProfilesChangeColoursAndDeviceLinksGoTheirOwnWay() {
        char[] nodes = new char[24];
        for (int n = 0; n < 8; n++) {
            nodes[3 * n] = (char) (n >> 2 & 1) == 1 ? (char) 0x8000 : 0;
            nodes[3 * n + 1] = (char) ((n >> 1 & 1) * 0xFFFF);
            nodes[3 * n + 2] = (char) ((n & 1) * 0xFFFF);
        }
        IccProfile darker = ProfileReader.read(new ProfileWriter(DeviceClass.ABSTRACT, ColourSpace.LAB, ColourSpace.LAB, "darker", "c")
            .tag("A2B0", LutWriter.lut16(3, 3, 2, nodes)).write());
        Transform changed = TransformCompiler
            .compile(new Recipe.ViaAbstract(StandardSpaces.SRGB, List.of(darker), StandardSpaces.SRGB, Intent.RELATIVE, false));
        Lab before = LabEncoding.V4.lab(TransformCompiler.toLab(StandardSpaces.SRGB).exact(0.7, 0.7, 0.7));
        Lab after = LabEncoding.V4.lab(TransformCompiler.toLab(StandardSpaces.SRGB).exact(changed.exact(0.7, 0.7, 0.7)));
        assertThat(after.l()).isCloseTo(before.l() / 2, within(0.05));
        IccProfile link = ProfileReader.read(new ProfileWriter(DeviceClass.LINK, ColourSpace.GRAY, ColourSpace.GRAY, "negative", "c")
            .tag("A2B0", LutWriter.lut16(1, 1, 2, new char[] {0xFFFF, 0})).write());
        assertThat(TransformCompiler.link(link).exact(0.3)[0]).isCloseTo(0.7, within(1e-6));
        assertThat((int) TransformCompiler.link(link).apply(new char[] {0x4000})[0]).isEqualTo(0xFFFF - 0x4000);
        assertThatThrownBy(() -> TransformCompiler.toLab(link)).isInstanceOf(ProfileException.class).hasMessageContaining("device link");
    }

    /** A gray profile may connect through L*a*b*; then its curve gives lightness (ICC.1:2022, 8.3.4 and annex F). */
    @Test
    public void aGrayProfileConnectsThroughXyzOrThroughLightness() {
        IccProfile lightness = ProfileReader.read(new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.GRAY, ColourSpace.LAB, "gray", "c")
            .tag("kTRC", TagWriter.sampled()).write());
        assertThat(LabEncoding.V4.lab(TransformCompiler.toLab(lightness).exact(0.42)).l()).isCloseTo(42, within(1e-6));
        double[] there = TransformCompiler.convert(StandardSpaces.GRAY_22, lightness, Intent.RELATIVE, false).exact(0.5);
        assertThat(100 * there[0]).isCloseTo(LabEncoding.V4.lab(TransformCompiler.toLab(StandardSpaces.GRAY_22).exact(0.5)).l(),
            within(1e-6));
    }

    @Test
    public void aTransformIsCompiledOnceForEqualProfilesAndOptionsAndTheCacheIsBounded() {
        TransformCache cache = new TransformCache(3 << 20);
        IccProfile again = ProfileReader.read(StandardSpaces.SRGB.bytes());
        Transform first = cache
            .get(new Recipe.Convert(StandardSpaces.SRGB, StandardSpaces.WIDE_RGB, Intent.RELATIVE, true, Observer.ADAPTED));
        assertThat(cache.get(new Recipe.Convert(again, StandardSpaces.WIDE_RGB, Intent.RELATIVE, true, Observer.ADAPTED))).isSameAs(first);
        for (Intent intent : Intent.values()) {
            cache.get(new Recipe.Convert(StandardSpaces.WIDE_RGB, StandardSpaces.SRGB, intent, true, Observer.ADAPTED));
            cache.get(new Recipe.Convert(StandardSpaces.WIDE_RGB, StandardSpaces.SRGB, intent, false, Observer.ADAPTED));
        }
        assertThat(cache.size()).isBetween(1L, 6L);
    }
}
