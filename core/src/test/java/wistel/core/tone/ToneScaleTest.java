package wistel.core.tone;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.cgats.Readings;
import wistel.core.cgats.Readings.Reading;
import wistel.core.colour.Lab;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.MeasurementException;
import wistel.core.fault.MeasurementException.Reason;

/** From a wedge's readings to a scale and its judgement. */
public class ToneScaleTest {
    private static final Wedge RAMP = new Wedge(21, 1, false, 4711);

    private static Readings lightness(double... l) {
        List<Reading> all = new ArrayList<>();
        for (double v : l) {
            all.add(new Reading(String.valueOf(all.size() + 1), OptionalDouble.empty(), new Lab(v, 0, 0)));
        }
        return new Readings(Readings.Kind.COLOUR, all);
    }

    private static Reason refused(Wedge wedge, Readings readings) {
        return catchThrowableOfType(MeasurementException.class, () -> ToneScale.of(wedge, readings)).reason();
    }

    @Test
    public void aScatteredWedgeWithRepeatsIsPutInOrder() {
        Wedge wedge = new Wedge(33, 3, true, 12);
        ToneScale scale = ToneScale.of(wedge, Scales.read(wedge, d -> d, 0, 1));
        assertThat(wedge.order()).hasSize(99).isNotEqualTo(wedge.order().stream().sorted().toList());
        for (int i = 0; i < 33; i++) {
            assertThat(scale.steps().get(i).lab().l()).isCloseTo(Scales.PAPER + (Scales.BLACK - Scales.PAPER) * i / 32.0, within(1e-9));
            assertThat(scale.steps().get(i).repeats()).isEqualTo(3);
        }
        List<Reading> shuffled = new ArrayList<>(Scales.read(wedge, d -> d, 0, 1).all());
        Collections.shuffle(shuffled, new Random(5));
        assertThat(ToneScale.of(wedge, new Readings(Readings.Kind.COLOUR, shuffled))).as("labels tell the patch, whatever the order")
            .isEqualTo(scale);
    }

    @Test
    public void noiseIsToldFromRepeatsOrFromTheLine() {
        Wedge repeated = new Wedge(51, 4, true, 3);
        assertThat(ToneScale.of(repeated, Scales.read(repeated, d -> Math.pow(d, 1.3), 0.4, 9)).noise()).isCloseTo(0.4, within(0.06));
        assertThat(Scales.scale(101, d -> Math.pow(d, 1.3), 0.4, 9).noise()).isCloseTo(0.4, within(0.1));
        assertThat(Scales.scale(21, d -> d, 0, 9).noise()).as("no instrument is better").isEqualTo(ToneScale.LEAST_NOISE);
    }

    /** A scale printed elsewhere, its steps nearer to each other in the shadows, and strongly bent: no error in it is the reading's. */
    @Test
    public void unevenStepsAreNotTakenForNoise() {
        List<Reading> all = new ArrayList<>();
        for (int i = 0; i <= 30; i++) {
            double depth = 1 - Math.pow(1 - i / 30.0, 2);
            double l = Scales.PAPER + (Scales.BLACK - Scales.PAPER) * Math.pow(depth, 1.6);
            all.add(new Reading("", OptionalDouble.of(1 - depth), new Lab(l, 0, 0)));
        }
        ToneScale scale = ToneScale.of(new Readings(Readings.Kind.COLOUR, all));
        assertThat(scale.noise()).isLessThan(0.05);
        assertThat(ToneJudgement.of(scale).blockedFrom()).isEmpty();
    }

    /** Two wild patches of 21: neither hides the other, nor what the rest of the reading says. */
    @Test
    public void wildPatchesDontBecomeNoise() {
        for (long seed = 0; seed < 5; seed++) {
            List<Reading> all = new ArrayList<>(Scales.read(RAMP, d -> d + 0.2 * d * (1 - d), 0.1, seed).all());
            for (int wild : new int[] {6, 13}) {
                Reading r = all.get(wild);
                all.set(wild, new Reading(r.id(), r.gray(), new Lab(r.lab().l() + 9, r.lab().a(), r.lab().b())));
            }
            ToneScale scale = ToneScale.of(RAMP, new Readings(Readings.Kind.COLOUR, all));
            assertThat(scale.noise()).as("seed %d", seed).isLessThan(0.3);
            ToneReport report = ToneReport.of(scale, ToneTarget.EVEN, List.of(), Optional.empty());
            assertThat(report.judgement().suspects()).containsExactly(6, 13);
            assertThat(report.used().noise()).isLessThan(0.3);
            assertThat(report.curve().points()).isNotEmpty();
            assertThat(report.after()).isLessThan(0.4);
        }
    }

    @Test
    public void repeatsTellNoiseWhateverIsWildAmongThem() {
        Wedge repeated = new Wedge(21, 2, true, 3);
        List<Reading> all = new ArrayList<>(Scales.read(repeated, d -> d, 0.2, 9).all());
        Reading r = all.get(17);
        all.set(17, new Reading(r.id(), r.gray(), new Lab(r.lab().l() + 30, 0, 0)));
        assertThat(ToneScale.of(repeated, new Readings(Readings.Kind.COLOUR, all)).noise()).isCloseTo(0.2, within(0.08));
    }

    @Test
    public void patchesThatAreAllAlikeAreNoScale() {
        ToneReport report = ToneReport.of(Scales.scale(21, d -> 0.4, 0.2, 3), ToneTarget.EVEN, List.of(), Optional.empty());
        assertThat(report.verdict()).singleElement().asString().contains("no scale at all");
    }

    /** Steps of 0.25 L* read with noise of 0.5: the reading can't tell them apart, which says nothing of the print. */
    @Test
    public void whatNoiseHidesIsNotCalledBlocked() {
        for (long seed = 0; seed < 10; seed++) {
            ToneScale scale = Scales.scale(51, d -> d < 0.8 ? d / 0.8 * 0.97 : 0.97 + (d - 0.8) * 0.15, 0.5, seed);
            assertThat(ToneJudgement.of(scale).blockedFrom()).as("seed %d", seed).isEmpty();
        }
    }

    /** A scan by a scanner with a gamma of its own: it is named before the paper is. */
    @Test
    public void aScannerThatIsNotKnownIsNamedBeforeThePaper() {
        ToneScale scale = Scales.scale(33, d -> Math.pow(d, 0.6), 0.1, 2);
        ToneReport known = ToneReport.of(scale, ToneTarget.EVEN, List.of(), Optional.empty());
        assertThat(known.verdict().get(0)).contains("don't suit each other");
        ToneReport unknown = ToneReport.of(scale, ToneTarget.EVEN, List.of(), Optional.empty(),
            new ToneReport.Known(Optional.of(known.fitted()), false));
        assertThat(unknown.verdict().get(0)).startsWith("This scanner isn't known yet");
        assertThat(String.join(" ", unknown.verdict())).doesNotContain("don't suit");
    }

    @Test
    public void readingsOfAnotherLengthOrWedgeAreRefused() {
        Readings right = Scales.read(RAMP, d -> d, 0, 1);
        assertThat(refused(RAMP, new Readings(Readings.Kind.COLOUR, right.all().subList(0, 20))))
            .isEqualTo(Reason.READING_OF_ANOTHER_LENGTH);
        List<Reading> more = new ArrayList<>(right.all());
        more.add(more.get(3));
        assertThat(refused(RAMP, new Readings(Readings.Kind.COLOUR, more))).isEqualTo(Reason.READING_OF_ANOTHER_LENGTH);
        Wedge other = new Wedge(21, 1, false, 4712);
        assertThatThrownBy(() -> ToneScale.of(RAMP, Scales.read(other, d -> d, 0, 1))).isInstanceOf(MeasurementException.class)
            .hasMessageContaining("wedge 4712");
        List<Reading> odd = new ArrayList<>();
        for (Reading r : right.all()) {
            odd.add(new Reading("x", OptionalDouble.of(Math.max(0, 0.98 - odd.size() * 0.05)), r.lab()));
        }
        assertThat(refused(RAMP, new Readings(Readings.Kind.COLOUR, odd))).as("grays that the wedge hasn't")
            .isEqualTo(Reason.READING_OF_ANOTHER_WEDGE);
    }

    @Test
    public void aWedgeThatCannotBeIsRefused() {
        assertThatThrownBy(() -> new Wedge(22, 1, false, 1)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new Wedge(256, 5, false, 1)).isInstanceOf(InvalidRequest.class);
    }

    /** Y of L* 8.99144 is 0.01, so its density is 2; paper of L* 96 has Y 0.90013 and density 0.0457. */
    @Test
    public void blackIsJudgedByItsDensity() {
        double[] l = new double[21];
        for (int i = 0; i < 21; i++) {
            l[i] = 96 + (8.991442 - 96) * i / 20;
        }
        ToneJudgement judged = ToneJudgement.of(ToneScale.of(RAMP, lightness(l)));
        assertThat(judged.density()).isCloseTo(2, within(1e-5));
        assertThat(judged.paperDensity()).isCloseTo(0.0457, within(1e-4));
        assertThat(judged.blackL()).isCloseTo(8.991442, within(1e-9));
        assertThat(judged.suspects()).isEmpty();
        assertThat(judged.rises()).isEmpty();
        assertThat(judged.blockedFrom()).isEmpty();
        assertThat(judged.reversed()).isFalse();
    }

    @Test
    public void aWildPatchIsSuspectAndNothingElseIs() {
        for (int wild = 1; wild < 20; wild++) {
            List<Reading> all = new ArrayList<>(Scales.read(RAMP, d -> Math.pow(d, 1.2), 0.1, wild).all());
            Reading r = all.get(wild);
            all.set(wild, new Reading(r.id(), r.gray(), new Lab(r.lab().l() + (wild % 2 == 0 ? 9 : -9), r.lab().a(), r.lab().b())));
            ToneJudgement judged = ToneJudgement.of(ToneScale.of(RAMP, new Readings(Readings.Kind.COLOUR, all)));
            assertThat(judged.suspects()).as("dust on step %d", wild).containsExactly(wild);
            assertThat(judged.rises()).as("without it").isEmpty();
        }
        List<Reading> all = new ArrayList<>(Scales.read(RAMP, d -> d, 0.1, 1).all());
        all.set(6, new Reading(all.get(6).id(), OptionalDouble.empty(), new Lab(all.get(6).lab().l(), 7, -1)));
        assertThat(ToneJudgement.of(ToneScale.of(RAMP, new Readings(Readings.Kind.COLOUR, all))).suspects()).as("a coloured speck")
            .containsExactly(6);
    }

    @Test
    public void noiseAloneMakesNoSuspects() {
        for (long seed = 0; seed < 40; seed++) {
            assertThat(ToneJudgement.of(Scales.scale(51, d -> Math.pow(d, 1.3), 0.4, seed)).suspects()).as("seed %d", seed).isEmpty();
        }
    }

    @Test
    public void shadowsThatCannotBeToldApartAndRisesAreNamed() {
        ToneJudgement blocked = ToneJudgement.of(Scales.scale(51, d -> Math.min(1, d / 0.8), 0, 1));
        assertThat(blocked.blockedFrom().orElseThrow()).isCloseTo(0.8, within(1e-9));
        ToneJudgement rising = ToneJudgement.of(Scales.scale(51, d -> d < 0.9 ? d / 0.9 : 1 - (d - 0.9), 0.05, 1));
        assertThat(rising.rises()).isNotEmpty().allMatch(i -> i > 44);
        assertThat(rising.blackL()).as("the darkest, not the last, which has L* 20.4").isCloseTo(Scales.BLACK, within(2.0));
    }

    @Test
    public void theDriftOfColourIsAgainstThePaper() {
        List<Reading> all = new ArrayList<>();
        for (int i = 0; i < 21; i++) {
            all.add(new Reading(RAMP.id(i), OptionalDouble.empty(),
                new Lab(96 - 4 * i, 0.5 + 0.1 * Math.min(i, 15), -2 + 0.2 * Math.min(i, 15))));
        }
        ToneJudgement judged = ToneJudgement.of(ToneScale.of(RAMP, new Readings(Readings.Kind.COLOUR, all)));
        assertThat(judged.drift()).isCloseTo(Math.hypot(1.5, 3), within(1e-9));
        assertThat(judged.driftDepth()).isCloseTo(0.75, within(1e-9));
        assertThat(ToneJudgement.of(ToneScale.of(RAMP, new Readings(Readings.Kind.LIGHTNESS, all))).drift()).isZero();
    }

    @Test
    public void aReadingFromBlackToPaperIsNoticedAndTurned() {
        List<Reading> backwards = new ArrayList<>(Scales.read(RAMP, d -> Math.pow(d, 1.2), 0.1, 4).all());
        Collections.reverse(backwards);
        Readings unlabelled = new Readings(Readings.Kind.COLOUR,
            backwards.stream().map(r -> new Reading("", OptionalDouble.empty(), r.lab())).toList());
        ToneScale scale = ToneScale.of(RAMP, unlabelled);
        assertThat(ToneJudgement.of(scale).reversed()).isTrue();
        ToneScale straight = ToneScale.of(RAMP, Scales.read(RAMP, d -> Math.pow(d, 1.2), 0.1, 4));
        for (int i = 0; i < 21; i++) {
            assertThat(scale.turned().steps().get(i).lab()).isEqualTo(straight.steps().get(i).lab());
            assertThat(scale.turned().steps().get(i).depth()).isCloseTo(straight.steps().get(i).depth(), within(1e-12));
        }
    }

    @Test
    public void thePictureOfAWedgeHoldsEachStepWhereItsPlaceSays() {
        Wedge wedge = new Wedge(51, 2, true, 99);
        char[] gray = wedge.picture();
        double perMm = Wedge.pictureWidth() / Wedge.WIDTH_MM;
        List<Integer> order = wedge.order();
        for (int patch = 0; patch < wedge.patches(); patch++) {
            var at = wedge.place(patch);
            int x = (int) ((at.x() + at.width() / 2) * perMm);
            int y = (int) ((at.y() + at.height() / 2) * perMm);
            assertThat((int) gray[y * Wedge.pictureWidth() + x]).isEqualTo((int) Math.round(65535 * (1 - wedge.depth(order.get(patch)))));
        }
    }

    @DataProvider
    public Object[][] files() {
        StringBuilder density = new StringBuilder("CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID GRAY_K D_VIS\nEND_DATA_FORMAT\nBEGIN_DATA\n");
        StringBuilder commas = new StringBuilder("CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n");
        StringBuilder xyz = new StringBuilder(
            "CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID RGB_R RGB_G RGB_B XYZ_X XYZ_Y XYZ_Z\nEND_DATA_FORMAT\nBEGIN_DATA\n");
        StringBuilder lines = new StringBuilder("# read by hand\nL a b\n");
        StringBuilder numbered = new StringBuilder();
        StringBuilder densities = new StringBuilder();
        for (int i = 0; i < 21; i++) {
            double l = 95 - 4 * i;
            double y = Math.pow((l + 16) / 116, 3);
            density.append(String.format(Locale.ROOT, "%d %.2f %.6f%n", i + 1, 5.0 * i, -Math.log10(y)));
            commas.append(String.format(Locale.GERMANY, "W4711-%d %.4f %.4f %.4f%n", i + 1, l, 0.0, 0.0));
            xyz.append(String.format(Locale.ROOT, "%d %.3f %.3f %.3f %.6f %.6f %.6f%n", i + 1, 255 * (1 - i / 20.0), 255 * (1 - i / 20.0),
                255 * (1 - i / 20.0), 96.42 * y, 100 * y, 82.49 * y));
            lines.append(String.format(Locale.ROOT, "%.4f; 0; 0%n", l));
            numbered.append(String.format(Locale.GERMANY, "%d\t%.4f%n", i + 1, l));
            densities.append(String.format(Locale.ROOT, "%.6f%n", -Math.log10(y)));
        }
        return new Object[][] {{"density", density.append("END_DATA\n").toString(), Readings.Kind.LIGHTNESS},
            {"decimal commas", commas.append("END_DATA\n").toString(), Readings.Kind.COLOUR},
            {"XYZ of equal RGB", xyz.append("END_DATA\n").toString(), Readings.Kind.COLOUR},
            {"lines of L*a*b*", lines.toString(), Readings.Kind.COLOUR},
            {"numbered lines of L*", numbered.toString(), Readings.Kind.LIGHTNESS},
            {"lines of density", densities.toString(), Readings.Kind.LIGHTNESS}};
    }

    @Test(dataProvider = "files")
    public void readingsComeAsTablesOrLinesInColourOrDensity(String what, String text, Readings.Kind kind) {
        Readings readings = Readings.parse(text);
        assertThat(readings.kind()).isEqualTo(kind);
        ToneScale scale = ToneScale.of(RAMP, readings);
        for (int i = 0; i < 21; i++) {
            assertThat(scale.steps().get(i).lab().l()).as("%s, step %d", what, i).isCloseTo(95 - 4 * i, within(0.001));
        }
        assertThat(ToneScale.of(readings).steps()).as("without a wedge too").hasSize(21);
    }

    @DataProvider
    public Object[][] broken() {
        String head = "CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID RGB_R RGB_G RGB_B LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n";
        return new Object[][] {{""}, {"a note\nwithout numbers"}, {"90\n80\nseventy\n60"}, {"90 0 0\n80 0"}, {"1 2 3 4 5 6"}, {"90\n1e300"},
            {"300 0 0\n200 0 0"},
            {head + "1 100 0 0 50 60 40\nEND_DATA\n"}, {head + "1 100 100 100 95 0\nEND_DATA\n"}, {head + "1 100 100 100 95 0 0\n"},
            {"CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID D_VIS\nEND_DATA_FORMAT\nBEGIN_DATA\n1 12\nEND_DATA\n"}, {"80\nNaN\n70\n60\n50"}};
    }

    @Test(dataProvider = "broken")
    public void whatIsNoReadingIsRefusedInWords(String text) {
        assertThatThrownBy(() -> Readings.parse(text)).isInstanceOfSatisfying(MeasurementException.class,
            e -> assertThat(e.reason()).isIn(Reason.READING_UNCLEAR, Reason.CHART_UNREADABLE));
    }

    @Test
    public void fewStepsAreTooFew() {
        assertThatThrownBy(() -> ToneScale.of(lightness(90, 60, 40, 20))).isInstanceOf(MeasurementException.class);
        assertThat(ToneScale.of(lightness(90, 70, 50, 30, 15)).steps()).hasSize(5);
    }
}
