package wistel.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.testng.annotations.Test;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Orientation;
import wistel.core.sheet.SheetPlan.Ground;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.core.sheet.Single.Borders;
import wistel.core.sheet.Single.Fit;

public class SingleTest {
    private static final Margins COTTON = new Margins(30, 3.4, 30, 3.4);
    private static final Stock A3_PLUS = new Stock.Sheet("A3+", 329, 483);

    private static Layout laid(Single plan, Margins margins, int w, int h) {
        return plan.lay(new Ground(A3_PLUS, margins, Map.of("r", new PixelSize(w, h))));
    }

    private static Single plan(boolean across, double w, double h, Fit fit, Borders borders) {
        return new Single("r", across, w, h, fit, 0.5, 0.5, borders);
    }

    private static Page page(Layout layout) {
        assertThat(layout.pages()).hasSize(1);
        return layout.pages().get(0);
    }

    @Test
    public void aSheetLyingAcrossHasItsForcedMarginsLeftAndRight() {
        Page p = page(laid(plan(true, 380, 999, Fit.WHOLE, Borders.HEAVIER_FOOT), COTTON, 3000, 2000));
        assertThat(p.unprintable()).isEqualTo(new Margins(3.4, 30, 3.4, 30));
        assertThat(p.feedTurn()).isEqualTo(Orientation.QUARTER_RIGHT);
        assertThat(p.fedWidthMm()).isEqualTo(329);
        Placed placed = p.placed().get(0);
        assertThat(placed.atMm().height()).isCloseTo(253.333, within(0.001));
        assertThat(placed.atMm().x()).isCloseTo(51.5, within(0.001));
        assertThat(Overhang.of(p, placed)).isEmpty();
        assertThat((p.heightMm() - placed.atMm().bottom()) / placed.atMm().y()).as("half as much again below").isCloseTo(1.5, within(1e-9));
    }

    @Test
    public void theTrailingEdgeOfATurnedSheetIsItsRight() {
        Page p = page(laid(plan(true, 470, 999, Fit.WHOLE, Borders.EVEN), new Margins(3, 3, 14, 3), 3000, 2000));
        assertThat(p.unprintable().right()).isEqualTo(14);
        List<Overhang> over = Overhang.of(p, p.placed().get(0));
        assertThat(over).extracting(Overhang::side).containsExactly("right");
        assertThat(over.get(0).mm()).isCloseTo(14 - 6.5, within(1e-9));
    }

    @Test
    public void fillingAFrameCropsEvenlyAndSaysHowMuch() {
        Layout layout = laid(plan(false, 200, 200, Fit.FILL, Borders.EVEN), Margins.NONE, 4000, 2000);
        Placed placed = page(layout).placed().get(0);
        assertThat(placed.crop().width()).isCloseTo(2000, within(1e-9));
        assertThat(placed.crop().x()).isCloseTo(1000, within(1e-9));
        assertThat(layout.losses().get(0).share()).isCloseTo(0.5, within(1e-9));
        assertThat(placed.ppi()).isCloseTo(2000 / (200 / 25.4), within(1e-9));
    }

    /** For any frame: borders and picture add up to the sheet, proportions are kept, and what is lost plus what is kept is the picture. */
    @Test
    public void lengthsAddUpForAnyFrame() {
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < 2000; i++) {
            int w = 200 + random.nextInt(8000);
            int h = 200 + random.nextInt(8000);
            Single plan = new Single("r", random.nextBoolean(), 5 + random.nextDouble() * 600, 5 + random.nextDouble() * 600, random.nextBoolean() ? Fit.FILL : Fit.WHOLE,
                random.nextDouble(), random.nextDouble(), random.nextBoolean() ? Borders.EVEN : Borders.HEAVIER_FOOT);
            Layout layout = laid(plan, COTTON, w, h);
            Page p = page(layout);
            Placed placed = p.placed().get(0);
            Rect at = placed.atMm();
            assertThat(2 * at.x() + at.width()).isCloseTo(p.widthMm(), within(1e-9));
            assertThat(placed.crop().width() / placed.crop().height()).isCloseTo(at.width() / at.height(), within(1e-6));
            double kept = placed.crop().width() * placed.crop().height() / ((double) w * h);
            double lost = layout.losses().stream().mapToDouble(Layout.Loss::share).sum();
            assertThat(kept + lost).isCloseTo(1, within(0.0006));
            assertThat(placed.crop().x() + placed.crop().width()).isLessThanOrEqualTo(w + 1e-6);
            double visible = Math.max(0, Math.min(p.widthMm(), at.right()) - Math.max(0, at.x())) * Math.max(0, Math.min(p.heightMm(), at.bottom()) - Math.max(0, at.y()));
            assertThat(layout.bareMm2()).isCloseTo(p.widthMm() * p.heightMm() - visible, within(1e-6));
        }
    }

    /** Turning a rectangle with its page and back is where it was, in all eight ways. */
    @Test
    public void aRectangleTurnsWithItsPage() {
        Rect at = new Rect(10, 20, 30, 50);
        assertThat(at.turned(Orientation.QUARTER_RIGHT, 100, 200)).isEqualTo(new Rect(200 - 70, 10, 50, 30));
        Orientation[] inverse = Orientation.values().clone();
        inverse[5] = Orientation.QUARTER_LEFT;
        inverse[7] = Orientation.QUARTER_RIGHT;
        for (Orientation o : Orientation.values()) {
            Rect turned = at.turned(o, 100, 200);
            assertThat(turned.turned(inverse[o.ordinal()], o.swapsSides() ? 200 : 100, o.swapsSides() ? 100 : 200)).isEqualTo(at);
        }
    }
}
