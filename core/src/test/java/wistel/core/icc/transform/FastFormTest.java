package wistel.core.icc.transform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.CieDe2000;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
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

/** Which fast form a chain gets, and that odd profiles get a right one too. */
public class FastFormTest {

    @Test
    public void eachKindOfChainGetsItsForm() {
        assertThat(TransformCompiler.convert(StandardSpaces.GRAY_22, MadeProfiles.printer(), Intent.RELATIVE, true).baked().kind())
            .isEqualTo("table");
        assertThat(TransformCompiler.convert(StandardSpaces.SRGB, StandardSpaces.WIDE_RGB, Intent.RELATIVE, true).baked().kind())
            .isEqualTo("curves and matrix");
        assertThat(TransformCompiler.toLab(FoundProfiles.press()).baked().kind()).isEqualTo("own tables");
        assertThat(TransformCompiler.convert(FoundProfiles.press(), StandardSpaces.SRGB, Intent.RELATIVE, true).baked().kind())
            .isEqualTo("own tables");
        assertThat(TransformCompiler.convert(StandardSpaces.SRGB, MadeProfiles.printer(), Intent.RELATIVE, true).baked().kind())
            .contains("grid");
        assertThat(TransformCompiler.toLab(fiveInks()).baked().kernel()).as("five inks: the chain itself").isEmpty();
    }

    /** A linear grid had given 2.2, 4.4 and 6.5 for the grays 1, 2 and 3 of 255, which are 6.4, 8.8 and 10.5 by the standards' curves. */
    @Test
    public void rgbToGrayKeepsItsCurvesInTheDark() {
        for (IccProfile source : List.of(StandardSpaces.SRGB, StandardSpaces.WIDE_RGB)) {
            Transform t = TransformCompiler.convert(source, StandardSpaces.GRAY_22, Intent.RELATIVE, true);
            assertThat(t.baked().kind()).isEqualTo("curves and matrix");
            SplittableRandom random = new SplittableRandom(8);
            for (int i = 0; i < 4000; i++) {
                char[] in = new char[3];
                for (int c = 0; c < 3; c++) {
                    in[c] = i < 256 ? (char) (257 * i) : (char) random.nextInt(i % 2 == 0 ? 16384 : 65536);
                }
                char[] out = new char[1];
                t.apply(in, 0, out, 0, 1);
                double exact = 65535 * t.exact(in[0] / 65535.0, in[1] / 65535.0, in[2] / 65535.0)[0];
                assertThat((double) out[0]).as(Arrays.toString(in)).isCloseTo(exact, within(3.0));
            }
        }
        char[] grays = {257, 257, 257, 514, 514, 514, 771, 771, 771};
        char[] out = TransformCompiler.convert(StandardSpaces.SRGB, StandardSpaces.GRAY_22, Intent.RELATIVE, true).apply(grays);
        assertThat(out[0] / 257.0).isCloseTo(6.4, within(0.1));
        assertThat(out[1] / 257.0).isCloseTo(8.8, within(0.1));
        assertThat(out[2] / 257.0).isCloseTo(10.5, within(0.15));
    }

    /** From tables to one gray: the first dark codes had been 6.07 where 8.84 is exact, as a grid can't follow the gray's curve there. */
    @Test
    public void tablesToGrayKeepTheGraysCurve() {
        for (IccProfile source : List.of(MadeProfiles.printer(), FoundProfiles.press(), FoundProfiles.named("moss-cotton.icc"))) {
            Transform t = TransformCompiler.convert(source, StandardSpaces.GRAY_22, Intent.RELATIVE, true);
            assertThat(t.baked().kind()).isEqualTo("own tables");
            SplittableRandom random = new SplittableRandom(9);
            int n = t.inputs();
            for (int i = 0; i < 3000; i++) {
                char[] in = new char[n];
                double[] unit = new double[n];
                for (int c = 0; c < n; c++) {
                    in[c] = (char) (i < 64 ? (n == 4 ? 65535 - 257 * i : 257 * i) : random.nextInt(65536));
                    unit[c] = in[c] / 65535.0;
                }
                char[] out = new char[1];
                t.apply(in, 0, out, 0, 1);
                assertThat((double) out[0]).as(Arrays.toString(in)).isCloseTo(65535 * t.exact(unit)[0], within(60.0));
            }
        }
    }

    /**
     * Displays whose curves are tables: a quantised power whose toe has steps, one that stays at nothing at first, as film curves do, and
     * one that is full before its end.
     */
    @DataProvider
    Object[][] tabledCurves() {
        return new Object[][] {{1024, (DoubleUnaryOperator) x -> Math.pow(x, 2.2)}, {4096, (DoubleUnaryOperator) x -> Math.pow(x, 3)},
            {1024, (DoubleUnaryOperator) x -> Math.max(0, (Math.exp(4 * x) - Math.exp(0.4)) / (Math.exp(4) - Math.exp(0.4)))},
            {1024, (DoubleUnaryOperator) x -> Math.min(1, x * x * 1.02)}};
    }

    @Test(dataProvider = "tabledCurves")
    public void tabledCurvesWithFlatPartsAreFollowedToTheCode(int entries, DoubleUnaryOperator light) {
        char[] samples = new char[entries];
        for (int i = 0; i < entries; i++) {
            samples[i] = (char) Math.round(65535 * light.applyAsDouble(i / (entries - 1.0)));
        }
        ProfileWriter writer = ProfileWriter.of(StandardSpaces.WIDE_RGB);
        for (String curve : List.of("rTRC", "gTRC", "bTRC")) {
            writer.tag(curve, TagWriter.sampled(samples));
        }
        Transform t = TransformCompiler.convert(StandardSpaces.SRGB, ProfileReader.read(writer.write()), Intent.RELATIVE, false);
        SplittableRandom random = new SplittableRandom(5);
        int off = 0;
        for (int i = 0; i < 20_000; i++) {
            char[] in = new char[3];
            for (int c = 0; c < 3; c++) {
                in[c] = i < 256 ? (char) (257 * i) : (char) random.nextInt(i % 2 == 0 ? 16384 : 65536);
            }
            char[] out = t.apply(in);
            double[] exact = t.exact(in[0] / 65535.0, in[1] / 65535.0, in[2] / 65535.0);
            for (int c = 0; c < 3; c++) {
                double error = Math.abs(out[c] - 65535 * Math.max(0, Math.min(1, exact[c])));
                assertThat(error).as(Arrays.toString(in)).isLessThanOrEqualTo(4);
                off += error > 1.01 ? 1 : 0;
            }
        }
        assertThat(off).isLessThanOrEqualTo(20);
    }

    /** Shaper curves pay where a source counts light itself; where it counts nearly lightness, they would only cost their lookups. */
    @Test
    public void shaperCurvesServeASourceThatCountsLight() {
        ProfileWriter linear = ProfileWriter.of(StandardSpaces.SRGB);
        for (String curve : List.of("rTRC", "gTRC", "bTRC")) {
            linear.tag(curve, TagWriter.sampled());
        }
        Transform t = TransformCompiler.convert(ProfileReader.read(linear.write()), MadeProfiles.printer(), Intent.RELATIVE, true);
        assertThat(t.baked().kind()).contains("lightness before");
        assertPromise(t);
        assertThat(TransformCompiler.convert(StandardSpaces.SRGB, MadeProfiles.printer(), Intent.RELATIVE, true).baked().kind())
            .doesNotContain("before");
    }

    /** A proof goes through one grid, whichever view is wanted, or through the tables it is made of. */
    @Test
    public void proofsKeepTheirPromiseInEachView() {
        for (IccProfile printer : List.of(MadeProfiles.printer(), FoundProfiles.press())) {
            for (ProofView view : ProofView.values()) {
                Baked baked = TransformCompiler
                    .compile(new Recipe.Proof(StandardSpaces.SRGB, printer, Intent.RELATIVE, true, view, StandardSpaces.SRGB))
                    .baked();
                assertThat(baked.kernel()).as(view.name()).isPresent();
                assertThat(baked.keepsItsPromise()).as(baked.toString()).isTrue();
            }
        }
    }

    /** A device of five inks: L* falls with their sum. */
    private static IccProfile fiveInks() {
        char[] nodes = new char[3 * 32];
        for (int n = 0; n < 32; n++) {
            nodes[3 * n] = (char) (0xFF00 - Integer.bitCount(n) * 0x2000);
            nodes[3 * n + 1] = 0x8000;
            nodes[3 * n + 2] = 0x8000;
        }
        return ProfileReader.read(new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.COLORANTS_5, ColourSpace.LAB, "five", "c")
            .tag("A2B0", LutWriter.lut16(5, 3, 2, nodes)).write());
    }

    @Test
    public void fiveInksGoThroughTheChainPixelByPixel() {
        Transform t = TransformCompiler.toLab(fiveInks());
        assertThat(LabEncoding.V4.lab(t.exact(0.5, 0, 0, 0, 0)).l()).isCloseTo(100 - 0x1000 / 652.8, within(1e-3));
        char[] out = t.apply(new char[] {0, 0, 0, 0, 0, 65535, 65535, 65535, 65535, 65535});
        assertThat(LabEncoding.V4.l(out[0])).isCloseTo(100, within(0.01));
        assertThat(LabEncoding.V4.l(out[3])).isCloseTo(100 - 5 * 0x2000 / 652.8, within(0.01));
    }

    /** A scanner whose table gives XYZ (lut16 with XYZ as connection space): half of white's XYZ is L* 76.07 (CIE 15:2018). */
    @Test
    public void tablesMayConnectThroughXyz() {
        char[] nodes = new char[24];
        for (int n = 0; n < 8; n++) {
            double[] white = {D50.X, D50.Y, D50.Z};
            for (int c = 0; c < 3; c++) {
                nodes[3 * n + c] = (char) Math.round((n >> (2 - c) & 1) * white[c] * 32768);
            }
        }
        IccProfile scanner = ProfileReader
            .read(new ProfileWriter(ProfileWriter.Version.V2, DeviceClass.INPUT, ColourSpace.RGB, ColourSpace.XYZ, "scanner", "c")
                .tag("A2B0", LutWriter.lut16(3, 3, 2, nodes)).write());
        assertThat(LabEncoding.V4.lab(TransformCompiler.toLab(scanner).exact(0.5, 0.5, 0.5)).l()).isCloseTo(76.07, within(0.01));
        assertPromise(TransformCompiler.convert(scanner, MadeProfiles.printer(), Intent.RELATIVE, true));
        assertPromise(TransformCompiler.convert(scanner, StandardSpaces.SRGB, Intent.RELATIVE, true));
    }

    /** A printer of lutAToB and lutBToA only, all five parts: read from, and printed to. */
    private static IccProfile composed() {
        byte[] root = TagWriter.parametric(0.5);
        byte[] square = TagWriter.parametric(2);
        byte[] straight = TagWriter.sampled();
        char[] corners = new char[24];
        for (int n = 0; n < 8; n++) {
            for (int c = 0; c < 3; c++) {
                corners[3 * n + c] = (char) ((n >> (2 - c) & 1) * 65535);
            }
        }
        LutWriter.Table same = new LutWriter.Table(new int[] {2, 2, 2}, corners);
        double[] matrix = {0.8, 0.1, 0.1, 0, 0.4, 0, 0, 0, 0.4, 0, 0.3, 0.3};
        double[] inverse = {1.25, -0.3125, -0.3125, 0, 2.5, 0, 0, 0, 2.5, 0.1875, -0.75, -0.75};
        return ProfileReader.read(new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.RGB, ColourSpace.LAB, "composed", "c")
            .tag("wtpt", TagWriter.xyz(0.9, 0.92, 0.78))
            .tag("A2B0",
                LutWriter.deviceFirst(3,
                    new LutWriter.Parts(List.of(straight, straight, straight), matrix, List.of(straight, straight, straight), List.of(same),
                        List.of(square, square, square))))
            .tag("B2A0",
                LutWriter.connectionFirst(3,
                    new LutWriter.Parts(List.of(straight, straight, straight), inverse, List.of(straight, straight, straight),
                        List.of(same), List.of(root, root, root))))
            .write());
    }

    @Test
    public void composedTablesAreUndoneByTheirInverse() {
        Transform there = TransformCompiler.toLab(composed());
        Transform back = TransformCompiler.compile(new Recipe.FromLab(composed(), Intent.RELATIVE));
        double[] rgb = back.exact(there.exact(0.3, 0.6, 0.8));
        assertThat(rgb).containsExactly(new double[] {0.3, 0.6, 0.8}, within(1e-4));
    }

    @DataProvider
    Object[][] mixed() {
        IccProfile press = FoundProfiles.press();
        return new Object[][] {{press, composed()}, {composed(), press}, {composed(), MadeProfiles.printer()},
            {StandardSpaces.WIDE_RGB, composed()}, {composed(), StandardSpaces.SRGB}};
    }

    /** Tables of both codings of L*a*b* one after another, with black scaled in between and without. */
    @Test(dataProvider = "mixed")
    public void tablesOfDifferentCodingsMeet(IccProfile source, IccProfile destination) {
        for (boolean black : new boolean[] {true, false}) {
            assertPromise(TransformCompiler.convert(source, destination, Intent.RELATIVE, black));
        }
    }

    /** A damaged curve of gamma -1 gives infinite lightness: no grid can be measured in that, so the chain itself must serve. */
    @Test
    public void aProfileWhoseColoursAreNoNumbersIsStillCompiled() {
        byte[] straight = TagWriter.sampled();
        byte[] damaged = TagWriter.parametric(-1);
        char[] corners = new char[24];
        for (int i = 0; i < 24; i++) {
            corners[i] = (char) (i % 2 * 65535);
        }
        IccProfile odd = ProfileReader.read(ProfileWriter.of(composed())
            .tag("A2B0", LutWriter.deviceFirst(3, new LutWriter.Parts(List.of(damaged, damaged, damaged),
                new double[0], List.of(), List.of(new LutWriter.Table(new int[] {2, 2, 2}, corners)),
                List.of(straight, straight, straight))))
            .write());
        assertThat(
            TransformCompiler.convert(StandardSpaces.SRGB, odd, Intent.RELATIVE, false).apply(new char[] {0, 0, 0, 30000, 40000, 50000}))
            .hasSize(6);
        assertThat(TransformCompiler.toLab(odd).exact(0, 0, 0)).hasSize(3);
        assertThat(TransformCompiler
            .compile(new Recipe.Proof(StandardSpaces.SRGB, odd, Intent.RELATIVE, false, ProofView.PAPER_WHITE, StandardSpaces.SRGB))
            .exact(0, 0, 0)).hasSize(3);
    }

    /**
     * As from sRGB, whose black is L* 0 too: into version 4's perceptual and saturation tables it lands on the reference medium's black
     * (ICC.1:2022, 6.3.3).
     */
    @Test
    public void blackOfLabIsScaledIntoTablesWithAReferenceBlack() {
        for (Intent intent : List.of(Intent.PERCEPTUAL, Intent.SATURATION)) {
            Transform fromLab = TransformCompiler.compile(new Recipe.FromLab(MadeProfiles.printer(), intent));
            Transform fromSrgb = TransformCompiler.convert(StandardSpaces.SRGB, MadeProfiles.printer(), intent, false);
            Transform toLab = TransformCompiler.toLab(StandardSpaces.SRGB);
            for (double gray : new double[] {0, 0.05, 0.1, 0.3, 0.7, 1}) {
                assertThat(fromLab.exact(toLab.exact(gray, gray, gray))).as("%s %s", intent, gray)
                    .containsExactly(fromSrgb.exact(gray, gray, gray), within(1e-6));
            }
        }
    }

    @DataProvider
    Object[][] tables() {
        IccProfile cotton = FoundProfiles.named("moss-cotton.icc");
        return new Object[][] {{StandardSpaces.SRGB, cotton, Intent.ABSOLUTE}, {StandardSpaces.SRGB, cotton, Intent.RELATIVE},
            {StandardSpaces.WIDE_RGB, cotton, Intent.PERCEPTUAL},
            {StandardSpaces.SRGB, MadeProfiles.printer(), Intent.ABSOLUTE},
            {StandardSpaces.WIDE_RGB, FoundProfiles.press(), Intent.SATURATION},
            {StandardSpaces.WIDE_RGB, MadeProfiles.composedPrinter(), Intent.RELATIVE},
            {StandardSpaces.SRGB, MadeProfiles.printerThroughXyz(), Intent.PERCEPTUAL}};
    }

    /** Judged by other colours than those they were chosen by: uniform and dark ones, ramps of one 8-bit code, faces and edges. */
    @Test(dataProvider = "tables")
    public void fastFormsAreRightInTheShadowsToo(IccProfile source, IccProfile printer, Intent intent) {
        boolean black = intent != Intent.ABSOLUTE;
        Transform proof = TransformCompiler
            .compile(new Recipe.Proof(source, printer, intent, black, ProofView.PAPER_WHITE, StandardSpaces.SRGB));
        for (Transform t : List.of(TransformCompiler.convert(source, printer, intent, black), proof)) {
            Transform look = TransformCompiler.toLab(t == proof ? StandardSpaces.SRGB : printer);
            assertThat(t.baked().kernel()).as(t.baked().kind()).isPresent();
            char[] in = judged();
            char[] fast = t.apply(in);
            char[] exact = new char[fast.length];
            t.exact(in, 0, exact, 0, in.length / 3);
            double[] errors = new double[in.length / 3];
            for (int i = 0; i < errors.length; i++) {
                Lab a = seen(look, fast, i * t.outputs());
                Lab b = seen(look, exact, i * t.outputs());
                errors[i] = CieDe2000.between(a.l(), a.a(), a.b(), b.l(), b.a(), b.b());
            }
            Arrays.sort(errors);
            assertThat(Arrays.stream(errors).average().orElseThrow()).as(t.baked().toString()).isLessThan(0.03);
            assertThat(errors[(int) (0.999 * errors.length)]).as(t.baked().toString()).isLessThan(0.2);
        }
    }

    private static Lab seen(Transform look, char[] codes, int at) {
        double[] device = new double[look.inputs()];
        for (int c = 0; c < device.length; c++) {
            device[c] = codes[at + c] / 65535.0;
        }
        return LabEncoding.V4.lab(look.exact(device));
    }

    private static char[] judged() {
        SplittableRandom random = new SplittableRandom(2026);
        char[] in = new char[3 * 6000];
        in[1] = 11308;
        for (int i = 1; i < 6000; i++) {
            for (int c = 0; c < 3; c++) {
                int any = random.nextInt(65536);
                boolean lit = (i / 256 % 7 + 1 >> c & 1) == 1;
                in[3 * i + c] = (char) (i < 1792 ? lit ? i % 256 * 257 : 0
                    : i < 3500 ? any : i < 5200 ? any / 4 : c == i % 3 ? any / 32768 * 65535 : any);
            }
        }
        return in;
    }

    private static void assertPromise(Transform t) {
        SplittableRandom random = new SplittableRandom(77);
        char[] in = new char[t.inputs() * 3000];
        for (int i = 0; i < in.length; i++) {
            in[i] = (char) random.nextInt(65536);
        }
        char[] fast = t.apply(in);
        char[] exact = new char[fast.length];
        t.exact(in, 0, exact, 0, 3000);
        double sum = 0;
        for (int i = 0; i < fast.length; i++) {
            sum += Math.abs(fast[i] - exact[i]);
        }
        // in codes, as some of these have no way to look back: 60 codes are about a tenth of L*
        assertThat(sum / fast.length).as(t.baked().toString()).isLessThan(60);
        assertThat(t.baked().mean()).as(t.baked().kind()).isLessThan(0.03);
        assertThat(t.baked().nearlyAll()).as(t.baked().kind()).isLessThan(0.2);
    }
}
