package wistel.core.icc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.color.ColorSpace;
import java.awt.color.ICC_ColorSpace;
import java.awt.color.ICC_Profile;
import java.util.SplittableRandom;
import org.testng.annotations.Test;
import wistel.core.colour.Lab;

public class TransformTest {

    /** IEC 61966-2-1 worked by hand: mid gray 128 has Y 0.21586, L* 53.585 under D50, neutral. */
    @Test
    public void aMidGrayInSrgbHasTheLightnessThatItsStandardSays() {
        Lab lab = LabCode.lab(TransformCompiler.toLab(StandardSpaces.SRGB).exact(128 / 255.0, 128 / 255.0, 128 / 255.0));
        assertThat(lab.l()).isCloseTo(53.585, within(0.01));
        assertThat(lab.chroma()).isLessThan(0.05);
    }

    /**
     * The JDK's CMM as a second opinion. It compensates black by itself for version 4 perceptual, so the referee is given the same profile
     * marked as version 2 with the relative intent in its header.
     */
    @Test
    public void ourPrinterProfileMeansTheSameToTheJdksCmm() {
        byte[] marked = MadeProfiles.printer().bytes();
        marked[8] = 2;
        marked[67] = 1;
        ICC_ColorSpace referee = new ICC_ColorSpace(ICC_Profile.getInstance(marked));
        SplittableRandom random = new SplittableRandom(5);
        double sum = 0;
        double worst = 0;
        java.util.List<Stage> ours = ProfileModel.toXyz(MadeProfiles.printer(), Intent.RELATIVE);
        for (int i = 0; i < 400; i++) {
            double[] rgb = {random.nextDouble(), random.nextDouble(), random.nextDouble()};
            float[] xyz = referee.toCIEXYZ(new float[] {(float) rgb[0], (float) rgb[1], (float) rgb[2]});
            double[] theirs = {xyz[0], xyz[1], xyz[2]};
            wistel.core.colour.D50.xyzToLab(theirs, theirs);
            double[] work = java.util.Arrays.copyOf(rgb, 16);
            for (Stage stage : ours) {
                stage.apply(work, work);
            }
            wistel.core.colour.D50.xyzToLab(work, work);
            double far = Lab.of(theirs).deltaE2000(new Lab(work[0], work[1], work[2]));
            sum += far;
            worst = Math.max(worst, far);
        }
        assertThat(sum / 400).as("mean CIEDE2000").isLessThan(0.15);
        assertThat(worst).as("worst").isLessThan(1.0);
    }

    @Test
    public void srgbToWideRgbAgreesWithTheJdksCmm() {
        ICC_ColorSpace from = new ICC_ColorSpace(ICC_Profile.getInstance(StandardSpaces.SRGB.bytes()));
        ICC_ColorSpace to = new ICC_ColorSpace(ICC_Profile.getInstance(StandardSpaces.WIDE_RGB.bytes()));
        assertThat(from.getType()).isEqualTo(ColorSpace.TYPE_RGB);
        Transform ours = TransformCompiler.convert(StandardSpaces.SRGB, StandardSpaces.WIDE_RGB, Intent.RELATIVE, false);
        SplittableRandom random = new SplittableRandom(9);
        double sum = 0;
        for (int i = 0; i < 300; i++) {
            float[] rgb = {random.nextFloat(), random.nextFloat(), random.nextFloat()};
            float[] theirs = to.fromCIEXYZ(from.toCIEXYZ(rgb));
            double[] mine = ours.exact(rgb[0], rgb[1], rgb[2]);
            for (int c = 0; c < 3; c++) {
                // the referee goes through a 16-bit table of XYZ here, which is coarse for dark channels: compared in light
                assertThat(Math.pow(mine[c], 2.2)).isCloseTo(Math.pow(theirs[c], 2.2), within(0.004));
                sum += Math.abs(mine[c] - theirs[c]);
            }
        }
        assertThat(sum / 900).isLessThan(0.0008);
    }

    @Test
    public void theBakedGridFollowsTheExactChain() {
        IccProfile printer = MadeProfiles.printer();
        Transform there = TransformCompiler.convert(StandardSpaces.SRGB, printer, Intent.RELATIVE, true);
        Transform look = TransformCompiler.toMeasuredLab(printer);
        SplittableRandom random = new SplittableRandom(13);
        double sum = 0;
        char[] out = new char[3];
        for (int i = 0; i < 2000; i++) {
            char[] in = {(char) random.nextInt(65536), (char) random.nextInt(65536), (char) random.nextInt(65536)};
            there.apply(in, 0, out, 0, 1);
            Lab baked = LabCode.lab(look.exact(out[0] / 65535.0, out[1] / 65535.0, out[2] / 65535.0));
            sum += LabCode.lab(look.exact(there.exact(in[0] / 65535.0, in[1] / 65535.0, in[2] / 65535.0))).deltaE2000(baked);
        }
        assertThat(sum / 2000).isLessThan(0.2);
    }

    @Test
    public void whiteStaysPaperAndBlackPointCompensationKeepsTheShadowsApart() {
        IccProfile printer = MadeProfiles.printer();
        for (Intent intent : new Intent[] {Intent.PERCEPTUAL, Intent.RELATIVE, Intent.SATURATION}) {
            double[] white = TransformCompiler.convert(StandardSpaces.SRGB, printer, intent, true).exact(1, 1, 1);
            assertThat(java.util.Arrays.stream(white).min().orElse(0)).as(intent + " white").isGreaterThan(0.985);
        }
        Transform plain = TransformCompiler.proofToLab(StandardSpaces.SRGB, printer, Intent.RELATIVE, false, false);
        Transform compensated = TransformCompiler.proofToLab(StandardSpaces.SRGB, printer, Intent.RELATIVE, true, false);
        double step = LabCode.lab(plain.exact(0.06, 0.06, 0.06)).l() - LabCode.lab(plain.exact(0, 0, 0)).l();
        double kept = LabCode.lab(compensated.exact(0.06, 0.06, 0.06)).l() - LabCode.lab(compensated.exact(0, 0, 0)).l();
        assertThat(step).as("clipped shadows").isLessThan(0.5);
        assertThat(kept).as("compensated shadows").isGreaterThan(0.7);
    }

    @Test
    public void theProofWithPaperWhiteShowsThePaperItself() {
        double[] white = TransformCompiler.proof(StandardSpaces.SRGB, MadeProfiles.printer(), Intent.RELATIVE, true,
            TransformCompiler.ProofView.PAPER_WHITE, StandardSpaces.SRGB).exact(1, 1, 1);
        Lab shown = LabCode.lab(TransformCompiler.toLab(StandardSpaces.SRGB).exact(white));
        assertThat(shown.deltaE2000(MadeProfiles.measured(new double[] {1, 1, 1}))).isLessThan(0.5);
    }

    @Test
    public void anInGamutColourComesOutAsItWasWanted() {
        Transform there = TransformCompiler.proofToLab(StandardSpaces.SRGB, MadeProfiles.printer(), Intent.RELATIVE, false, false);
        Transform wanted = TransformCompiler.toLab(StandardSpaces.SRGB);
        for (double[] rgb : new double[][] {{0.5, 0.5, 0.5}, {0.6, 0.5, 0.45}, {0.45, 0.55, 0.6}, {0.7, 0.7, 0.6}}) {
            assertThat(LabCode.lab(there.exact(rgb)).deltaE2000(LabCode.lab(wanted.exact(rgb)))).isLessThan(0.6);
        }
    }

    @Test
    public void aVividRedIsTooVividADeepShadowTooDarkAndAGrayInside() {
        GamutCheck check = new GamutCheck(StandardSpaces.WIDE_RGB, MadeProfiles.printer());
        char[] pixels = {65535, 0, 0, 600, 600, 600, 30000, 30000, 30000};
        byte[] causes = check.map(pixels, new float[0]);
        assertThat(GamutCheck.Cause.values()[causes[0]]).isEqualTo(GamutCheck.Cause.TOO_VIVID);
        assertThat(GamutCheck.Cause.values()[causes[1]]).isEqualTo(GamutCheck.Cause.TOO_DARK);
        assertThat(GamutCheck.Cause.values()[causes[2]]).isEqualTo(GamutCheck.Cause.INSIDE);
        assertThat(check.report(pixels).outside()).isCloseTo(2.0 / 3, within(1e-9));
    }
}
