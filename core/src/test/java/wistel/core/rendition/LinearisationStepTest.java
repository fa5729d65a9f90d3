package wistel.core.rendition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import wistel.core.cgats.Readings;
import wistel.core.colour.Lab;
import wistel.core.icc.kernel.Kernels;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.colour.LabEncoding;
import wistel.core.tone.ToneCurve;
import wistel.core.tone.ToneScale;

public class LinearisationStepTest {
    private static final ToneCurve CURVE = new ToneCurve(
        List.of(new ToneCurve.Point(0.2, 0.15), new ToneCurve.Point(0.5, 0.47), new ToneCurve.Point(0.85, 0.78)));

    /** Depth and lightness are each other's complement, and so is the curve. */
    @Test
    public void lightnessIsMovedAsDepthIs() {
        LinearisationStep s = LinearisationStep.of(CURVE);
        for (int i = 0; i <= 100; i++) {
            double[] lab = {i, 3, -4};
            s.function().apply(lab, 0);
            assertThat(lab[0]).isCloseTo(100 * (1 - CURVE.function().applyAsDouble(1 - i / 100.0)), within(1e-9));
            assertThat(lab[1]).isEqualTo(3);
        }
        assertThat(LinearisationStep.of(ToneCurve.STRAIGHT).points()).hasSize(2);
    }

    /** Through the compiled tables: of a neutral scale in monochrome, and of grays that are left in colour. */
    @Test
    public void compiledItDoesThatToNeutrals() {
        for (Treatment treatment : List.of(Treatment.Monochrome.NEUTRAL, new Treatment.Colour())) {
            RenditionChange change = new RenditionChange(treatment, List.of(new ToneMoves(10, 0, 0, 0, 0, 50)),
                Optional.of(LinearisationStep.of(CURVE)));
            Transform compiled = RenditionCompiler.toWorking(StandardSpaces.GRAY_L, change, Intent.RELATIVE, false, Kernels.best());
            Transform toLab = TransformCompiler.compile(new Recipe.DeviceToLab(RenditionCompiler.WORKING, false));
            char[] grays = new char[101];
            IntStream.rangeClosed(0, 100).forEach(i -> grays[i] = (char) Math.round(655.35 * i));
            char[] got = toLab.apply(compiled.apply(grays));
            for (int i = 0; i <= 100; i++) {
                double[] lab = {i, 0, 0};
                change.apply(lab, 0);
                assertThat(LabEncoding.V4.l(got[3 * i])).as(treatment + " at " + i).isCloseTo(lab[0], within(0.15));
            }
        }
    }

    @Test
    public void itIsPartOfWhatAChangeIs() {
        RenditionChange plain = new RenditionChange(Treatment.Monochrome.NEUTRAL, List.of());
        RenditionChange straight = plain.straightened(Optional.of(LinearisationStep.of(CURVE)));
        assertThat(straight).isNotEqualTo(plain);
        assertThat(straight.straightened(Optional.empty())).isEqualTo(plain);
        assertThat(straight.toDriverGray().straightening()).isPresent();
        assertThat(RenditionChange.NONE.straightened(Optional.of(LinearisationStep.of(CURVE))).changesNothing()).isFalse();
        assertThat(straight.toString()).contains("straightened");
    }

    private static ToneScale scale(double bend) {
        List<ToneScale.Step> steps = new ArrayList<>();
        for (int i = 0; i <= 32; i++) {
            double d = i / 32.0;
            steps.add(new ToneScale.Step(d, new Lab(96 - 84 * (d + bend * d * (1 - d)), 0, 0), 1));
        }
        return new ToneScale(Readings.Kind.COLOUR, steps, 0.1);
    }

    /** The proof made from it is as light as the print: the profile's own scale led back to the measured one. */
    @Test
    public void aPredictionLeadsTheProofToWhatWasMeasured() {
        double[] byProfile = IntStream.range(0, TonePrediction.GRAYS).mapToDouble(i -> 12 + 84 * Math.pow(i / 100.0, 1.3)).toArray();
        ToneScale measured = scale(0.3);
        for (Optional<LinearisationStep> inForce : List.of(Optional.<LinearisationStep>empty(), Optional.of(LinearisationStep.of(CURVE)))) {
            LinearisationStep from = TonePrediction.of(byProfile, measured, inForce);
            for (int l = 1; l < 100; l += 3) {
                double[] proofed = {l, 0, 0};
                from.function().apply(proofed, 0);
                double[] sent = {l, 0, 0};
                inForce.ifPresent(s -> s.function().apply(sent, 0));
                double printed = measured.function().apply(1 - sent[0] / 100).l();
                assertThat(12 + 84 * Math.pow(proofed[0] / 100, 1.3)).isCloseTo(printed, within(0.1));
            }
        }
    }

    /** Where the print is deeper or lighter than the profile knows, the proof shows the deepest and lightest that it has. */
    @Test
    public void beyondTheProfilesEndsItShowsItsEnds() {
        double[] narrow = IntStream.range(0, TonePrediction.GRAYS).mapToDouble(i -> 20 + 0.7 * i).toArray();
        LinearisationStep from = TonePrediction.of(narrow, scale(0), Optional.empty());
        double[] black = {0, 0, 0};
        from.function().apply(black, 0);
        double[] white = {100, 0, 0};
        from.function().apply(white, 0);
        assertThat(black[0]).isZero();
        assertThat(white[0]).isEqualTo(100);
    }
}
