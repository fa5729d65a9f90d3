package wistel.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.length.Margins;
import wistel.core.paper.FeedScale;
import wistel.core.paper.Stock;

/** Ruled lines on any paper, and how a page lies on a raster whose feed was measured. */
public class RulerTest {
    private static final Margins MARGINS = new Margins(3, 4, 14, 5);

    @DataProvider
    Object[][] stocks() {
        return new Object[][] {{new Stock.Sheet("A4", 210, 297)}, {new Stock.Sheet("A2", 420, 594)}, {new Stock.Roll(254)},
            {new Stock.Roll(1117.6)}};
    }

    private static Layout lay(Stock stock) {
        Item item = new Item("i", "r", Cut.WHOLE, new Frame(30, 50, Frame.Fit.WHOLE, 0.5, 0.5, false), Annotation.NONE, 1);
        return new Ruler("i", List.of("Ruled lines"))
            .lay(LayoutInput.bare(stock, MARGINS, Map.of("r", new SheetPlan.PixelSize(120, 200)), List.of(item)));
    }

    @Test(dataProvider = "stocks")
    public void bothLinesLieOnPrintablePaperAndAreAsLongAsTheySay(Stock stock) {
        Layout layout = lay(stock);
        Page page = layout.pages().get(0);
        Ruler.Lengths lengths = Ruler.lengths(stock, MARGINS);
        assertThat(layout.unplaced()).isEmpty();
        List<Mark.Line> lines = page.marks().stream().filter(Mark.Line.class::isInstance).map(Mark.Line.class::cast).toList();
        assertThat(lines.stream().mapToDouble(l -> Math.abs(l.toY() - l.fromY())).max().orElseThrow()).isEqualTo(lengths.alongMm());
        assertThat(lines.stream().mapToDouble(l -> Math.abs(l.toX() - l.fromX())).max().orElseThrow()).isEqualTo(lengths.acrossMm());
        assertThat(lines).allSatisfy(l -> {
            assertThat(Math.min(l.fromX(), l.toX())).isGreaterThan(MARGINS.left());
            assertThat(Math.min(l.fromY(), l.toY())).isGreaterThan(MARGINS.top());
            assertThat(Math.max(l.fromX(), l.toX())).isLessThan(page.widthMm() - MARGINS.right());
            assertThat(Math.max(l.fromY(), l.toY())).isLessThan(page.heightMm() - MARGINS.bottom());
        });
        // what is drawn is what is printed on, and leaves little of the paper
        assertThat(lengths.acrossMm()).isGreaterThan(Math.min(990, stock.widthMm() - 50));
        assertThat(lengths.alongMm() % 10).isZero();
    }

    @Test
    public void paperThatIsTooSmallToTellAnythingGetsNoLines() {
        assertThat(lay(new Stock.Sheet("small", 90, 130)).unplaced()).hasSize(1);
    }

    private static Page page(double width, double length) {
        return Page.of(width, length, Margins.NONE, wistel.core.pictures.Orientation.UPRIGHT, List.of(), List.of());
    }

    /** 254 dots an inch are 10 a millimetre. */
    @Test
    public void whatComesOutTooLongIsSentShorterByAsMuch() {
        Page page = page(300, 400);
        FeedScale scale = new FeedScale(0.999, 1.002);
        PageRaster sheet = new PageRaster(254, Double.POSITIVE_INFINITY, scale, false);
        PageRaster roll = new PageRaster(254, Double.POSITIVE_INFINITY, scale, true);
        assertThat(sheet.of(page, new Rect(100, 200, 100, 100))).containsExactly(1001, 1996, 2002, 2994);
        assertThat(sheet.height(page)).as("a sheet is as long as it is").isEqualTo(4000);
        assertThat(roll.height(page)).as("a roll is cut where the raster ends").isEqualTo(3992);
        assertThat(roll.width(page)).isEqualTo(3000);
        assertThat(roll.of(page, new Rect(100, 200, 100, 100))).containsExactly(1001, 1996, 2002, 2994);
    }
}
