package wistel.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;
import wistel.core.length.Margins;

public class PlacementTest {
    private static final Margins COTTON = new Margins(30, 3.4, 30, 3.4);

    private static Placement on(boolean across, Margins m, int w, int h, double fw, double fh, boolean fill, boolean foot) {
        return Placement.of(329, 483, across, m, w, h, fw, fh, fill, 0.5, 0.5, foot);
    }

    @Test
    public void aSheetLyingAcrossHasItsForcedMarginsLeftAndRight() {
        Placement p = on(true, COTTON, 3000, 2000, 380, 999, false, true);
        assertThat(p.margins()).isEqualTo(new Margins(3.4, 30, 3.4, 30));
        assertThat(p.height()).isCloseTo(253.333, within(0.001));
        assertThat(p.x()).isCloseTo(51.5, within(0.001));
        assertThat(p.overhangs()).isEmpty();
    }

    @Test
    public void theHeavierFootLeavesHalfAsMuchAgainBelow() {
        Placement p = on(true, Margins.NONE, 3000, 2000, 380, 999, false, true);
        double below = p.sheetHeightMm() - p.y() - p.height();
        assertThat(below / p.y()).isCloseTo(1.5, within(1e-9));
    }

    @Test
    public void theTrailingEdgeOfATurnedSheetIsItsRight() {
        Placement p = on(true, new Margins(3, 3, 14, 3), 3000, 2000, 470, 999, false, false);
        assertThat(p.margins().right()).isEqualTo(14);
        assertThat(p.overhangs()).extracting(Placement.Overhang::side).containsExactly("right");
        assertThat(p.overhangs().get(0).mm()).isCloseTo(14 - 6.5, within(1e-9));
    }

    @Test
    public void fillingAFrameCropsEvenlyAndSaysHowMuch() {
        Placement p = on(false, Margins.NONE, 4000, 2000, 200, 200, true, false);
        assertThat(p.crop().width()).isCloseTo(2000, within(1e-9));
        assertThat(p.crop().x()).isCloseTo(1000, within(1e-9));
        assertThat(p.lostShare()).isCloseTo(0.5, within(1e-9));
        assertThat(p.ppi()).isCloseTo(2000 / (200 / 25.4), within(1e-9));
    }
}
