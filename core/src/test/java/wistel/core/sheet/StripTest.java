package wistel.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;

/** Variations of a part of a picture on a sheet: which pieces there are, where they lie, what is written below each. */
public class StripTest {
    private static final Margins MARGINS = new Margins(3, 3.4, 14, 3.4);
    private static final Stock A4 = Stock.Sheet.of(SheetSize.A4);
    private static final Cut PART = new Cut(0.3, 0.2, 0.4, 0.4, 0);

    private static LayoutInput in(Stock stock, double width) {
        LayoutInput bare = LayoutInput.bare(stock, MARGINS, Map.of("r", new SheetPlan.PixelSize(6000, 4000)),
            List.of(new Item("i", "r", PART, Frame.whole(width, width / 1.5), Annotation.NONE, 1)));
        return new LayoutInput(stock, MARGINS, bare.pictures(), bare.items(), Map.of("i", new CaptionText("Yard", "1 May 2026", 1)), 1);
    }

    private static Strip strip(int across, int down, boolean lying) {
        return Strip.of("i", lying, StripAxis.even(Varied.LIGHTNESS, across, 10, 0),
            Optional.of(StripAxis.even(Varied.WARMTH, down, 2, 0)));
    }

    private static List<String> labels(Page page) {
        return page.marks().stream().filter(Mark.Text.class::isInstance).map(m -> ((Mark.Text) m).words()).skip(1).toList();
    }

    @Test
    public void everyPieceShowsThePartAndDiffersInWhatIsWrittenBelowIt() {
        Page page = strip(5, 3, true).lay(in(A4, 46)).pages().get(0);
        assertThat(page.placed()).hasSize(15).allSatisfy(p -> {
            assertThat(p.crop().x()).isCloseTo(1800, within(1e-6));
            assertThat(p.crop().width()).isCloseTo(2400, within(1e-6));
            assertThat(p.atMm().width()).isCloseTo(46, within(1e-9));
        });
        assertThat(labels(page)).startsWith("lightness −20, warmth −2", "lightness −10, warmth −2", "warmth −2", "lightness +10, warmth −2")
            .contains("as it is", "lightness +20").hasSize(15).doesNotHaveDuplicates();
        assertThat(page.placed().get(7).variation().orElseThrow().deltas()).isEmpty();
        assertThat(page.placed().stream().map(Placed::coloursId)).doesNotHaveDuplicates();
    }

    @DataProvider
    Object[][] grids() {
        return new Object[][] {{A4, 3, 3, true}, {A4, 5, 3, true}, {A4, 7, 7, false}, {new Stock.Roll(431.8), 7, 7, true},
            {new Stock.Roll(431.8), 4, 2, false}};
    }

    /** As large as it says that fits, all lies on printable paper and nothing over another; a little larger, nothing is laid. */
    @Test(dataProvider = "grids")
    public void asLargeAsFitsFits(Stock stock, int across, int down, boolean lying) {
        Strip strip = strip(across, down, lying);
        double largest = Math.min(60, strip.largestMm(in(stock, 30)));
        Layout layout = strip.lay(in(stock, largest));
        assertThat(layout.unplaced()).isEmpty();
        Page page = layout.pages().get(0);
        assertThat(page.deepestOverlapMm()).isLessThanOrEqualTo(0);
        assertThat(page.placed()).allSatisfy(p -> assertThat(Overhang.of(page, p)).isEmpty());
        assertThat(page.marks()).allSatisfy(m -> {
            Mark.Text text = (Mark.Text) m;
            assertThat(text.x()).isBetween(page.unprintable().left(), page.widthMm() - page.unprintable().right());
            assertThat(text.y()).isBetween(page.unprintable().top(), page.heightMm() - page.unprintable().bottom());
            assertThat(page.placed()).noneMatch(p -> text.y() > p.atMm().y() && text.y() < p.atMm().bottom());
        });
        if (largest < 60) {
            assertThat(strip.lay(in(stock, largest + 1)).unplaced()).extracting(Layout.Unplaced::reason)
                .containsExactly(Layout.Unplaced.Reason.TOO_LARGE);
        }
    }

    @Test
    public void pagesRepeatThePiecesAndAreToldASettingEach() {
        StripPages pages = new StripPages("print-quality", List.of(new StripPages.PageSetting("4", "quality normal"),
            new StripPages.PageSetting("5", "quality fine")));
        Layout layout = strip(3, 3, true).varied(StripAxis.even(Varied.CHROMA, 3, 10, 0), Optional.empty(), Optional.of(pages))
            .lay(in(A4, 46));
        assertThat(layout.pages()).extracting(Page::settings).containsExactly(Map.of("print-quality", "4"), Map.of("print-quality", "5"));
        assertThat(layout.pages().get(0).placed()).isEqualTo(layout.pages().get(1).placed()).hasSize(3);
        assertThat(((Mark.Text) layout.pages().get(1).marks().get(0)).words()).isEqualTo("Yard · quality fine · 1 May 2026");
    }

    /** A slider near its end: all steps lie on it, and where it stands is among them. */
    @Test
    public void stepsStayOnTheSlider() {
        for (double from = -50; from <= 50; from += 5) {
            StripAxis axis = StripAxis.even(Varied.SHADOWS, 7, 12, from);
            double stands = from;
            assertThat(axis.steps()).hasSize(7).anyMatch(Delta::asItIs)
                .allSatisfy(d -> assertThat(stands + ((Delta.Shift) d).by()).isBetween(-50.0, 50.0));
        }
    }

    @Test
    public void whatCantBeVariedIsRefusedInWords() {
        StripAxis lightness = StripAxis.even(Varied.LIGHTNESS, 3, 10, 0);
        assertThatThrownBy(() -> Strip.of("i", true, lightness, Optional.of(lightness))).isInstanceOf(InvalidRequest.class)
            .hasMessageContaining("varied already");
        assertThatThrownBy(() -> StripAxis.even(Varied.LIGHTNESS, 5, 0, 0)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> StripAxis.even(Varied.LIGHTNESS, 5, Double.NaN, 0)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> StripAxis.even(Varied.WARMTH, 7, 4, 0)).hasMessageContaining("can be moved");
        assertThatThrownBy(() -> StripAxis.even(Varied.WARMTH, 8, 1, 0)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new StripAxis(List.of(new Delta.Shift(Varied.TINT, 1), new Delta.Shift(Varied.TINT, 2))))
            .hasMessageContaining("what is there");
        assertThatThrownBy(() -> new StripPages("x", List.of(new StripPages.PageSetting("1", "a"), new StripPages.PageSetting("1", "b"))))
            .isInstanceOf(InvalidRequest.class);
    }

    @Test
    public void twoNeighboursMeanTheMiddle() {
        Variation plus = new Variation(List.of(new Delta.Shift(Varied.LIGHTNESS, 10), new Delta.Shift(Varied.WARMTH, 2)));
        Variation none = new Variation(List.of(new Delta.Shift(Varied.LIGHTNESS, 0), new Delta.Shift(Varied.WARMTH, 2)));
        assertThat(plus.middle(none))
            .isEqualTo(new Variation(List.of(new Delta.Shift(Varied.LIGHTNESS, 5), new Delta.Shift(Varied.WARMTH, 2))));
        Variation perceptual = new Variation(List.of(new Delta.Instead(Varied.INTENT, "PERCEPTUAL", "perceptual")));
        assertThatThrownBy(() -> perceptual.middle(none)).isInstanceOf(InvalidRequest.class).hasMessageContaining("no middle");
    }
}
