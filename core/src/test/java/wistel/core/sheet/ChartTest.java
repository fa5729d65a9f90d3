package wistel.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;

public class ChartTest {
    private static final Margins WIDE = new Margins(30, 3, 30, 3);
    private static final Chart CHART = new Chart("i1", 180, 0.55, List.of("Wedge 12", "Some Cotton on a printer", "fine quality"));

    private static Layout on(Stock stock, Margins margins) {
        return CHART.lay(
            LayoutInput.bare(stock, margins, Map.of("r1", new SheetPlan.PixelSize(1800, 1580)), List.of(Item.whole("i1", "r1", 180, 158))));
    }

    @Test
    public void itLiesInThePrintablePartWithItsWritingBelow() {
        for (Stock stock : List.of(Stock.Sheet.of(SheetSize.A4), Stock.Sheet.of(SheetSize.named("Letter").orElseThrow()),
            Stock.Sheet.of(SheetSize.named("A3+").orElseThrow()), new Stock.Roll(431.8))) {
            Page page = on(stock, WIDE).pages().get(0);
            Rect at = page.placed().get(0).atMm();
            assertThat(at.width() / at.height()).isCloseTo(1800 / 1580.0, within(1e-9));
            assertThat(at.x()).isGreaterThanOrEqualTo(3);
            assertThat(at.right()).isLessThanOrEqualTo(page.widthMm() - 3);
            assertThat(at.y()).isGreaterThanOrEqualTo(30);
            List<Mark.Text> lines = page.marks().stream().map(Mark.Text.class::cast).toList();
            assertThat(lines).extracting(Mark.Text::words).containsExactlyElementsOf(CHART.lines());
            assertThat(lines).allMatch(t -> t.y() > at.bottom() && t.y() < page.heightMm() - 30);
        }
    }

    @Test
    public void itIsAsLargeAsItIsMeantWhereThePaperAllows() {
        assertThat(on(Stock.Sheet.of(SheetSize.A4), Margins.NONE).placed().get(0).atMm().width()).isEqualTo(180);
        Layout small = on(new Stock.Sheet("small", 150, 210), Margins.NONE);
        assertThat(small.placed().get(0).atMm().width()).isEqualTo(138);
    }

    @Test
    public void whatItDoesntFitIsSaid() {
        Layout small = on(new Stock.Sheet("4x6", 101.6, 152.4), WIDE);
        assertThat(small.unplaced()).containsExactly(new Layout.Unplaced("i1", Layout.Unplaced.Reason.TOO_LARGE));
        assertThat(small.placed()).isEmpty();
        assertThatThrownBy(() -> new Chart("i1", 0, 0.5, List.of())).isInstanceOf(InvalidRequest.class);
    }
}
