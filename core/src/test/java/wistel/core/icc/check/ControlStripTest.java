package wistel.core.icc.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.Lab;
import wistel.core.fault.MeasurementException;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.check.ControlStrip.Kind;
import wistel.core.icc.check.ControlStrip.StripPatch;
import wistel.core.icc.check.StripVerdict.Advice;

/** The made-up printer's own function stands for what it prints now. */
public class ControlStripTest {
    private static final ControlStrip STRIP = ControlStrip.of(MadeProfiles.printer(), 36);

    private static StripVerdict printed(Function<StripPatch, Lab> now) {
        return StripVerdict.of(STRIP, STRIP.patches().stream().map(now).toList());
    }

    private static Lab asMade(StripPatch p) {
        return MadeProfiles.measured(p.device());
    }

    @DataProvider
    Object[][] counts() {
        return new Object[][] {{24}, {36}, {48}};
    }

    @Test(dataProvider = "counts")
    public void aStripHasOfEachKindAndAsManyAsAsked(int count) {
        List<StripPatch> patches = ControlStrip.of(MadeProfiles.printer(), count).patches();
        assertThat(patches).hasSize(count);
        for (Kind kind : Kind.values()) {
            assertThat(patches).as(kind.name()).anyMatch(p -> p.kind() == kind);
        }
        assertThat(patches.stream().map(p -> Arrays.toString(p.device())).distinct()).as("each once").hasSize(count);
        assertThatThrownBy(() -> ControlStrip.of(MadeProfiles.printer(), 23)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    public void aPrinterThatPrintsAsItDidHolds() {
        StripVerdict verdict = printed(ControlStripTest::asMade);
        assertThat(verdict.holds()).isTrue();
        assertThat(verdict.all().mean()).isLessThan(0.4);
    }

    @Test
    public void anInkThatIsShortAsksForCleanHeads() {
        // a third of the cyan doesn't arrive
        StripVerdict verdict = printed(
            p -> MadeProfiles.measured(new double[] {1 - 0.67 * (1 - p.device()[0]), p.device()[1], p.device()[2]}));
        assertThat(verdict.holds()).isFalse();
        assertThat(verdict.advice()).first().isEqualTo(Advice.CLEAN_HEADS);
    }

    @Test
    public void anotherSheetIsToldByItsWhite() {
        StripVerdict verdict = printed(p -> {
            Lab lab = asMade(p);
            double share = lab.l() / 95;
            return new Lab(lab.l() - 2 * share, lab.a(), lab.b() + 6 * share);
        });
        assertThat(verdict.paper()).isGreaterThan(StripVerdict.Measure.PAPER.most());
        assertThat(verdict.advice()).contains(Advice.OTHER_PAPER, Advice.REPROFILE);
    }

    @Test
    public void graysThatGotLighterAloneNeedACurve() {
        StripVerdict verdict = printed(p -> {
            Lab lab = asMade(p);
            return p.kind() == Kind.GRAY || p.kind() == Kind.DARK ? new Lab(lab.l() + 6, lab.a(), lab.b()) : lab;
        });
        assertThat(verdict.advice()).containsExactly(Advice.NEW_CURVE);
    }

    @Test
    public void coloursThatMovedNeedANewProfile() {
        StripVerdict verdict = printed(p -> {
            Lab lab = asMade(p);
            double turn = Math.toRadians(9);
            return new Lab(lab.l() - 3, lab.a() * Math.cos(turn) - lab.b() * Math.sin(turn),
                lab.a() * Math.sin(turn) + lab.b() * Math.cos(turn));
        });
        assertThat(verdict.hue()).isGreaterThan(StripVerdict.Measure.HUE.most());
        assertThat(verdict.advice()).contains(Advice.REPROFILE);
    }

    @Test
    public void aReadingOfAnotherLengthIsRefused() {
        assertThatExceptionOfType(MeasurementException.class).isThrownBy(() -> StripVerdict.of(STRIP, List.of(new Lab(50, 0, 0))))
            .withMessageContaining("36");
    }
}
