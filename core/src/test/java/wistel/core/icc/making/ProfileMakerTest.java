package wistel.core.icc.making;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.Test;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.MeasurementException;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.Referee;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

public class ProfileMakerTest {

    @Test
    public void aProfileFromAFullCubePredictsHeldBackPatches() {
        Quality quality = MadeProfiles.made().quality();
        assertThat(quality.patches()).isEqualTo(150);
        assertThat(quality.mean()).isLessThan(0.3);
        assertThat(quality.percentile95()).isBetween(quality.mean(), quality.max());
        assertThat(quality.max()).isLessThan(2.5);
    }

    /** In gamut, colour sent through B2A and A2B comes back: the printer's own function is the judge, not the profile. */
    @Test
    public void coloursInGamutArePrintedAsAskedInRelativeColorimetric() {
        Transform there = TransformCompiler.compile(new Recipe.FromLab(MadeProfiles.printer(), Intent.ABSOLUTE));
        SplittableRandom random = new SplittableRandom(21);
        double sum = 0;
        for (int i = 0; i < 500; i++) {
            Lab wanted = MadeProfiles
                .measured(new double[] {0.1 + 0.8 * random.nextDouble(), 0.1 + 0.8 * random.nextDouble(), 0.1 + 0.8 * random.nextDouble()});
            double[] rgb = there.exact(wanted.l() / 100, (wanted.a() + 128) / 255, (wanted.b() + 128) / 255);
            sum += MadeProfiles.measured(rgb).deltaE2000(wanted);
        }
        assertThat(sum / 500).isLessThan(0.35);
    }

    @Test
    public void barePaperGetsNoInkInAnyIntent() {
        for (Intent intent : List.of(Intent.PERCEPTUAL, Intent.RELATIVE, Intent.SATURATION)) {
            for (double v : TransformCompiler.convert(StandardSpaces.SRGB, MadeProfiles.printer(), intent, true).exact(1, 1, 1)) {
                assertThat(v).isGreaterThan(0.9995);
            }
        }
    }

    /** A chart of somebody else's: 900 patches anywhere in the cube, black and paper among them. */
    @Test
    public void aChartThatIsNoCubeIsFitted() {
        List<Patch> patches = new ArrayList<>();
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < 900; i++) {
            double[] rgb = i < 8 ? new double[] {i & 1, i >> 1 & 1, i >> 2} : new double[] {level(random), level(random), level(random)};
            patches.add(new Patch("P" + i, rgb, MadeProfiles.measured(rgb)));
        }
        ProfileMaker.Made made = ProfileMaker.make("fitted", Cgats.of(Cgats.Device.RGB, "t", "t", patches));
        assertThat(made.quality().patches()).isGreaterThan(60);
        assertThat(made.quality().mean()).isLessThan(1.0);
        assertThat(made.quality().percentile95()).isLessThan(3.0);
    }

    private static double level(SplittableRandom random) {
        // a fifth of all on the cube's faces, as charts have it
        return random.nextInt(10) == 0 ? random.nextInt(2) : random.nextDouble();
    }

    private static Cgats grayChart(int steps) {
        StringBuilder text = new StringBuilder(
            "CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID GRAY LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n");
        for (int i = 0; i < steps; i++) {
            double gray = i / (steps - 1.0);
            text.append(i).append(' ').append(100 * gray).append(' ').append(tone(gray)).append(" 0.8 ").append(2 - 3 * gray).append('\n');
        }
        return Cgats.parse(text + "END_DATA\n");
    }

    private static double tone(double gray) {
        return 14 + 82 * Math.pow(gray, 1.25);
    }

    @Test
    public void aGrayProfileGivesEachValueItsMeasuredToneAndFindsTheValueOfATone() {
        ProfileMaker.Made made = ProfileMaker.make("monochrome", grayChart(21));
        IccProfile profile = ProfileReader.read(made.profile());
        assertThat(profile.space()).isEqualTo(ColourSpace.GRAY);
        assertThat(made.quality().patches()).isEqualTo(19);
        assertThat(made.quality().mean()).isLessThan(0.1);
        Transform measured = TransformCompiler.toMeasuredLab(profile);
        Transform back = TransformCompiler.compile(new Recipe.FromLab(profile, Intent.ABSOLUTE));
        for (double gray = 0.05; gray < 1; gray += 0.09) {
            Lab lab = LabEncoding.V4.lab(measured.exact(gray));
            assertThat(lab.l()).isCloseTo(tone(gray), within(0.1));
            assertThat(lab.b()).isCloseTo(2 - 3 * gray, within(0.1));
            assertThat(back.exact(lab.l() / 100, 128 / 255.0, 128 / 255.0)[0]).isCloseTo(gray, within(0.004));
        }
        assertThat(TransformCompiler.convert(StandardSpaces.SRGB, profile, Intent.PERCEPTUAL, true).exact(1, 1, 1)[0]).isCloseTo(1,
            within(0.001));
        assertThat(TransformCompiler.convert(StandardSpaces.SRGB, profile, Intent.RELATIVE, true).exact(0, 0, 0)[0]).isCloseTo(0,
            within(0.004));
    }

    @Test
    public void theJdksCmmReadsAGrayProfileOfOursAlike() {
        IccProfile profile = ProfileReader.read(ProfileMaker.make("monochrome", grayChart(21)).profile());
        char[] in = new char[3 * 33];
        for (int i = 0; i < in.length; i++) {
            in[i] = (char) Math.round(i / 3 * 65535.0 / 32);
        }
        char[] theirs = new Referee(StandardSpaces.SRGB, profile, Intent.RELATIVE).apply(in);
        char[] ours = new char[33];
        TransformCompiler.convert(Referee.asVersion2(StandardSpaces.SRGB), Referee.asVersion2(profile), Intent.RELATIVE, false).exact(in, 0,
            ours, 0, 33);
        for (int i = 0; i < 33; i++) {
            assertThat((int) ours[i]).isCloseTo(theirs[i], within(8));
        }
    }

    @Test
    public void aNoisyRampNeverFalls() {
        List<Patch> patches = new ArrayList<>();
        double[] l = {12, 20, 19, 35, 33, 60, 80, 96};
        for (int i = 0; i < l.length; i++) {
            patches.add(new Patch("" + i, new double[] {i / 7.0}, new Lab(l[i], 0, 0)));
        }
        GrayRamp ramp = GrayRamp.of(patches);
        double last = -1;
        for (double g = 0; g <= 1; g += 0.002) {
            assertThat(ramp.at(g).l()).isGreaterThanOrEqualTo(last - 1e-9);
            last = ramp.at(g).l();
        }
        double[] paper = ramp.whiteXyz();
        assertThat(D50.lightness(paper[1])).isCloseTo(96, within(1e-6));
    }

    @Test
    public void chartsThatCantMakeAProfileSayWhatIsMissing() {
        Cgats two = Cgats.of(Cgats.Device.RGB, "t", "t",
            List.of(new Patch("1", new double[] {0, 0, 0}, new Lab(10, 0, 0)), new Patch("2", new double[] {1, 1, 1}, new Lab(95, 0, 0))));
        assertThatThrownBy(() -> ProfileMaker.make("x", two)).isInstanceOf(MeasurementException.class).hasMessageContaining("2 patches");
        assertThatThrownBy(() -> ProfileMaker.make("x", grayChart(4))).isInstanceOf(MeasurementException.class)
            .hasMessageContaining("4 levels");
        Cgats inks = Cgats.parse(
            "CGATS.17\nBEGIN_DATA_FORMAT\nCMYK_C CMYK_M CMYK_Y CMYK_K LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n0 0 0 0 95 0 "
                + "0\nEND_DATA\n");
        assertThatThrownBy(() -> ProfileMaker.make("x", inks)).isInstanceOf(MeasurementException.class).hasMessageContaining("inks");
    }
}
