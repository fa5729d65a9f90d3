package wistel.core.rendition;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.kernel.KernelFamily;
import wistel.core.icc.kernel.Kernels;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.stage.LabChange.TonesOf;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCache;
import wistel.core.icc.transform.TransformCompiler;

public class RenditionCompilerTest {
    private static final Transform WORKING_TO_LAB = TransformCompiler.compile(new Recipe.DeviceToLab(RenditionCompiler.WORKING, false));

    /** Random colours, as many dark ones, ramps from black, near neutrals, and the cube's corners, edges and faces. */
    private static char[] colours(int channels) {
        SplittableRandom r = new SplittableRandom(11);
        List<char[]> all = new ArrayList<>();
        for (int i = 0; i < 3000; i++) {
            char[] c = new char[channels];
            char[] dark = new char[channels];
            char[] edge = new char[channels];
            char[] near = new char[channels];
            int gray = r.nextInt(65536);
            for (int k = 0; k < channels; k++) {
                c[k] = (char) r.nextInt(65536);
                dark[k] = (char) r.nextInt(16384);
                edge[k] = (char) (r.nextInt(3) == 0 ? r.nextInt(65536) : r.nextBoolean() ? 65535 : 0);
                near[k] = (char) Math.max(0, Math.min(65535, gray + r.nextInt(-3000, 3000)));
            }
            all.addAll(List.of(c, dark, edge, near));
        }
        for (int v = 0; v < 256; v++) {
            for (int mask = 1; mask < 1 << channels; mask++) {
                char[] c = new char[channels];
                for (int k = 0; k < channels; k++) {
                    c[k] = (char) ((mask >> k & 1) * v * 257);
                }
                all.add(c);
            }
        }
        char[] joined = new char[channels * all.size()];
        for (int i = 0; i < all.size(); i++) {
            System.arraycopy(all.get(i), 0, joined, i * channels, channels);
        }
        return joined;
    }

    private static double[] errors(char[] wanted, char[] got) {
        double[] errors = new double[wanted.length / 3];
        for (int i = 0; i < errors.length; i++) {
            errors[i] = lab(wanted, i).deltaE2000(lab(got, i));
        }
        Arrays.sort(errors);
        return errors;
    }

    private static Lab lab(char[] working, int i) {
        return LabEncoding.V4
            .lab(WORKING_TO_LAB.exact(working[3 * i] / 65535.0, working[3 * i + 1] / 65535.0, working[3 * i + 2] / 65535.0));
    }

    @DataProvider
    Object[][] sources() {
        return new Object[][] {{StandardSpaces.SRGB}, {StandardSpaces.WIDE_RGB}, {StandardSpaces.GRAY_22}, {MadeProfiles.printer()}};
    }

    /** What decides for the connection space: in 16 bits it gives back every colour that profiles on hand encode. */
    @Test(dataProvider = "sources")
    public void workingGivesBackWhatAnyProfileEncodes(IccProfile source) {
        Transform toWorking = TransformCompiler
            .compile(new Recipe.Convert(source, RenditionCompiler.WORKING, Intent.RELATIVE, false, Observer.ADAPTED));
        Transform toLab = TransformCompiler.compile(new Recipe.DeviceToLab(source, false));
        char[] colours = colours(source.space().channels());
        int n = source.space().channels();
        double worst = 0;
        for (int i = 0; i < colours.length / n; i += 3) {
            double[] device = new double[n];
            for (int k = 0; k < n; k++) {
                device[k] = colours[i * n + k] / 65535.0;
            }
            Lab wanted = LabEncoding.V4.lab(toLab.exact(device));
            if (Math.abs(wanted.a()) > 126 || Math.abs(wanted.b()) > 126) {
                // beyond what L*a*b* of the referee encodes
                continue;
            }
            double[] working = toWorking.exact(device);
            for (int k = 0; k < 3; k++) {
                working[k] = Math.round(working[k] * 65535) / 65535.0;
            }
            worst = Math.max(worst, wanted.deltaE2000(LabEncoding.V4.lab(WORKING_TO_LAB.exact(working))));
        }
        assertThat(worst).isLessThan(0.05);
    }

    private static List<ChromaMoves.HuePoint> six(double chroma, double shift, double lighter) {
        List<ChromaMoves.HuePoint> six = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            double way = i % 2 == 0 ? 1 : -1;
            six.add(new ChromaMoves.HuePoint(Hues.SIX.get(i), 1 + way * chroma, way * shift, way * lighter));
        }
        return six;
    }

    @DataProvider
    Object[][] renderings() {
        Treatment colour = new Treatment.Colour();
        RenditionChange[] all = {
            new RenditionChange(colour, List.of(new ToneMoves(35, 10, -20, 15, 10, 42))),
            new RenditionChange(colour,
                List.of(new LightnessCurve(List.of(new LightnessCurve.TonePoint(0, 4), new LightnessCurve.TonePoint(30, 40),
                    new LightnessCurve.TonePoint(100, 100))))),
            new RenditionChange(colour, List.of(new ToneMoves(-50, 50, -50, 50, -50, 50), ChromaMoves.all(1.4))),
            new RenditionChange(colour, List.of(new ToneMoves(50, -50, 50, -50, 50, 30), ChromaMoves.all(2))),
            new RenditionChange(colour, List.of(new Warmth(6, -4))), new RenditionChange(colour, List.of(ChromaMoves.all(1.3))),
            new RenditionChange(colour,
                List.of(new ToneMoves(25, 5, 0, 10, 0, 42), new ChromaMoves(1.1, six(0.25, 8, 5)), new Warmth(2, -1))),
            new RenditionChange(colour, List.of(new ToneMoves(25, 5, 0, 10, 0, 42), new ChromaMoves(1.1, six(0.25, 8, 5))))
                .tonesOf(TonesOf.LAB),
            new RenditionChange(new Treatment.Monochrome(HueMix.EVEN, Toning.NEUTRAL), List.of()),
            new RenditionChange(new Treatment.Monochrome(
                new HueMix(List.of(new HueMix.MixPoint(25, 25), new HueMix.MixPoint(145, -20), new HueMix.MixPoint(260, 8))),
                new Toning(new Toning.Tone(60, 8), new Toning.Tone(250, 4), 45, 12)), List.of(new ToneMoves(20, 0, 0, 10, 0, 42)))};
        List<Object[]> cases = new ArrayList<>();
        for (IccProfile source : List.of(StandardSpaces.SRGB, StandardSpaces.WIDE_RGB, StandardSpaces.GRAY_22)) {
            for (RenditionChange rendering : all) {
                cases.add(new Object[] {source, rendering});
            }
        }
        return cases.toArray(Object[][]::new);
    }

    /** The tables against the plain functions, for every kind of move and colour, as proof and print use them. */
    @Test(dataProvider = "renderings")
    public void tablesFollowThePlainFunctions(IccProfile source, RenditionChange rendering) {
        char[] colours = colours(source.space().channels());
        int pixels = colours.length / source.space().channels();
        for (KernelFamily family : List.of(Kernels.best(), Kernels.SCALAR)) {
            Transform transform = RenditionCompiler.toWorking(source, rendering, Intent.RELATIVE, true, family);
            char[] exact = new char[3 * pixels];
            char[] fast = new char[3 * pixels];
            transform.exact(colours, 0, exact, 0, pixels);
            transform.apply(colours, 0, fast, 0, pixels);
            double[] errors = errors(exact, fast);
            assertThat(Arrays.stream(errors).average().orElseThrow()).isLessThan(0.05);
            assertThat(errors[(int) (0.999 * errors.length)]).isLessThan(0.3);
        }
    }

    @Test
    public void oldPrintFilesKeepTheirTonesOfLab() {
        RenditionChange darker = new RenditionChange(new Treatment.Colour(), List.of(new ToneMoves(-50, 0, 0, 0, -50, 42)));
        double[] old = {45, 60, -40};
        darker.tonesOf(TonesOf.LAB).apply(old, 0);
        assertThat(old).startsWith(old[0], 60, -40);
        double[] now = {45, 60, -40};
        darker.apply(now, 0);
        assertThat(Math.hypot(now[1], now[2])).isLessThan(0.9 * Math.hypot(60, -40));
        assertThat(darker.tonesOf(TonesOf.LAB)).isNotEqualTo(darker);
    }

    /** A source of tables has its own grid before what is changed. */
    @Test
    public void sourcesOfTablesAreChangedAsWell() {
        RenditionChange rendering = new RenditionChange(new Treatment.Colour(),
            List.of(new ToneMoves(25, 5, 0, 10, 0, 42), ChromaMoves.all(1.2)));
        Transform transform = RenditionCompiler.toWorking(MadeProfiles.printer(), rendering, Intent.RELATIVE, true, Kernels.best());
        char[] colours = colours(3);
        char[] exact = new char[colours.length];
        transform.exact(colours, 0, exact, 0, colours.length / 3);
        double[] errors = errors(exact, transform.apply(colours));
        assertThat(Arrays.stream(errors).average().orElseThrow()).isLessThan(0.1);
    }

    /** A step of a slider compiles nothing of the source again, and the same step nothing at all. */
    @Test
    public void equalRenderingsShareOneTransform() {
        TransformCache cache = new TransformCache(64L << 20);
        Transform first = cache.get(RenditionCompiler.recipe(StandardSpaces.SRGB,
            new RenditionChange(new Treatment.Colour(), List.of(new Warmth(3, 0))), Intent.RELATIVE, true));
        Transform again = cache.get(RenditionCompiler.recipe(StandardSpaces.SRGB,
            new RenditionChange(new Treatment.Colour(), List.of(new Warmth(3, 0))), Intent.RELATIVE, true));
        assertThat(again).isSameAs(first);
    }

    /** Neutral through the printer's profile: with black point compensation, by way of WORKING is the way without it. */
    @Test
    public void byWayOfWorkingIsTheSameWay() {
        IccProfile printer = MadeProfiles.printer();
        RenditionChange hardly = new RenditionChange(new Treatment.Colour(), List.of(new Warmth(1e-9, 0)));
        Transform direct = TransformCompiler.compile(new Recipe.ProofToLab(StandardSpaces.SRGB, printer, Intent.RELATIVE, true, false));
        Transform toWorking = RenditionCompiler.toWorking(StandardSpaces.SRGB, hardly, Intent.RELATIVE, true, Kernels.best());
        Transform onward = TransformCompiler
            .compile(new Recipe.ProofToLab(RenditionCompiler.WORKING, printer, Intent.RELATIVE, true, false));
        SplittableRandom r = new SplittableRandom(6);
        for (int i = 0; i < 300; i++) {
            double[] rgb = {r.nextDouble(), r.nextDouble(), r.nextDouble()};
            Lab one = LabEncoding.V4.lab(direct.exact(rgb));
            assertThat(LabEncoding.V4.lab(onward.exact(toWorking.exact(rgb))).deltaE2000(one)).isLessThan(0.02);
        }
    }
}
