package wistel.core.icc.making;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CopyOnWriteArrayList;
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
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.progress.Progress;

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

    private static IccProfile chosen(ProfileChoices choices, ProfileWriter.Version version) {
        ProfileMaker.Wanted wanted = new ProfileMaker.Wanted("chosen", version, choices, Optional.of(LocalDate.of(2026, 12, 1)));
        return ProfileReader.read(ProfileMaker.make(wanted, MadeProfiles.chart(), Progress.SILENT).profile());
    }

    private static ProfileChoices choices(ProfileChoices.Compression compression, ProfileChoices.GrayBalance grays) {
        return new ProfileChoices(compression, grays, ProfileChoices.Tables.SMALL);
    }

    /** What a colour comes out as on the printer itself. */
    private static Lab printed(IccProfile profile, Intent intent, double l, double a, double b) {
        return MadeProfiles.measured(
            TransformCompiler.compile(new Recipe.FromLab(profile, intent)).exact(l / 100, (a + 128) / 255, (b + 128) / 255));
    }

    @Test
    public void strongerCompressionMakesPerceptualCalmerAndLeavesRelativeAlone() {
        IccProfile soft = chosen(choices(ProfileChoices.Compression.SOFT, ProfileChoices.GrayBalance.PAPER), ProfileWriter.Version.V4);
        IccProfile strong = chosen(choices(ProfileChoices.Compression.STRONG, ProfileChoices.GrayBalance.PAPER), ProfileWriter.Version.V4);
        double vivid = printed(soft, Intent.PERCEPTUAL, 60, 45, 30).chroma();
        assertThat(printed(strong, Intent.PERCEPTUAL, 60, 45, 30).chroma()).isLessThan(vivid - 2);
        assertThat(printed(strong, Intent.PERCEPTUAL, 60, 10, 5).deltaE2000(printed(soft, Intent.PERCEPTUAL, 60, 10, 5))).isLessThan(0.3);
        assertThat(soft.tag("B2A1").orElseThrow()).isEqualTo(strong.tag("B2A1").orElseThrow());
        assertThat(soft.tag("A2B1").orElseThrow()).isEqualTo(strong.tag("A2B1").orElseThrow());
    }

    /** The judge is the printer's own function: absolute a* and b* of a gray. */
    @Test
    public void graysAreNeutralUnderD50OrHaveThePapersTint() {
        IccProfile neutral = chosen(choices(ProfileChoices.Compression.MIDDLE, ProfileChoices.GrayBalance.D50), ProfileWriter.Version.V4);
        IccProfile paper = chosen(choices(ProfileChoices.Compression.MIDDLE, ProfileChoices.GrayBalance.PAPER), ProfileWriter.Version.V4);
        Lab white = MadeProfiles.measured(new double[] {1, 1, 1});
        for (double l = 25; l <= 65; l += 10) {
            assertThat(printed(neutral, Intent.PERCEPTUAL, l, 0, 0).chroma()).as("L* %.0f", l).isLessThan(0.5);
            Lab tinted = printed(paper, Intent.PERCEPTUAL, l, 0, 0);
            assertThat(Math.hypot(tinted.a() - white.a() * tinted.l() / white.l(), tinted.b() - white.b() * tinted.l() / white.l()))
                .isLessThan(1);
        }
        assertThat(printed(neutral, Intent.PERCEPTUAL, 100, 0, 0).deltaE2000(white)).as("bare paper stays bare").isLessThan(0.05);
        assertThat(printed(neutral, Intent.RELATIVE, 50, 0, 0).deltaE2000(printed(paper, Intent.RELATIVE, 50, 0, 0))).isZero();
    }

    @Test
    public void whatTheMappingDoesItUndoes() {
        MediumMapping mapping = new MediumMapping(new MediumMapping.Blacks(3, 14), 0.72,
            GrayTint.of(ProfileChoices.GrayBalance.D50, 0.86, 0.88, 0.7));
        SplittableRandom random = new SplittableRandom(3);
        for (int i = 0; i < 500; i++) {
            Lab lab = new Lab(4 + 96 * random.nextDouble(), 120 * (random.nextDouble() - 0.5), 120 * (random.nextDouble() - 0.5));
            assertThat(mapping.undo(mapping.apply(lab)).deltaE2000(lab)).isLessThan(1e-6);
        }
        assertThat(mapping.apply(new Lab(100, 0, 0)).deltaE2000(new Lab(100, 0, 0))).isLessThan(1e-9);
    }

    /** Version 2 has no reference medium: its perceptual black is the darkest there is. */
    @Test
    public void aVersionTwoProfileIsReadByTheJdksCmmAlike() {
        IccProfile two = chosen(ProfileChoices.USUAL, ProfileWriter.Version.V2);
        assertThat(two.majorVersion()).isEqualTo(2);
        assertThat(two.text("targ")).isPresent();
        SplittableRandom random = new SplittableRandom(4);
        char[] in = new char[3 * 200];
        for (int i = 0; i < in.length; i++) {
            in[i] = (char) random.nextInt(65536);
        }
        for (Intent intent : List.of(Intent.PERCEPTUAL, Intent.RELATIVE)) {
            char[] theirs = new Referee(Referee.asVersion2(StandardSpaces.SRGB), two, intent).apply(in);
            char[] ours = new char[in.length];
            TransformCompiler.convert(Referee.asVersion2(StandardSpaces.SRGB), two, intent, false).exact(in, 0, ours, 0, 200);
            double sum = 0;
            for (int i = 0; i < in.length; i++) {
                sum += Math.abs(ours[i] - theirs[i]);
            }
            assertThat(sum / in.length).as(intent.name()).isLessThan(30);
        }
        assertThat(printed(two, Intent.PERCEPTUAL, 0, 0, 0).l()).isCloseTo(MadeProfiles.measured(new double[3]).l(), within(0.3));
    }

    @Test
    public void makingTellsHowFarItIsAndStopsWhenToldTo() {
        List<Double> shares = new CopyOnWriteArrayList<>();
        ProfileMaker.Wanted wanted = new ProfileMaker.Wanted("stopped", ProfileWriter.Version.V4, ProfileChoices.USUAL, Optional.empty());
        assertThatThrownBy(() -> ProfileMaker.make(wanted, MadeProfiles.chart(), share -> {
            shares.add(share);
            if (share > 0.4) {
                throw new CancellationException();
            }
        })).isInstanceOf(CancellationException.class);
        assertThat(shares).allMatch(s -> s > 0 && s < 0.67);
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
