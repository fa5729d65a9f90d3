package wistel.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.sheet.Arrangement.Rows;
import wistel.core.sheet.Arrangement.Rows.Alike;
import wistel.core.sheet.Arrangement.Way;
import wistel.core.sheet.SheetPlan.PixelSize;

/** Rows that give pictures their sizes. */
public class ContactSheetTest {
    private static final Margins MARGINS = new Margins(3, 4, 14, 5);
    private static final Stock A4 = new Stock.Sheet("A4", 210, 297);
    private static final Stock ROLL = new Stock.Roll(609.6);
    private static final Map<String, PixelSize> PICTURES = Map.of("wide", new PixelSize(3000, 2000), "high", new PixelSize(2000, 3000),
        "long", new PixelSize(6000, 1000), "square", new PixelSize(2000, 2000));
    private static final List<String> SHAPES = List.of("wide", "wide", "high", "wide", "long", "square", "high");
    private static final Annotation CAPTION = new Annotation(new Caption(false, false, 0, false, 7, true, true, false), 0, 2, false);

    private static List<Item> items(int n) {
        return IntStream.range(0, n).mapToObj(i -> Item.whole("i" + i, SHAPES.get(i % SHAPES.size()), 150, 100).annotated(CAPTION))
            .toList();
    }

    private record Laid(Layout layout, List<Item> items) {
    }

    private static Laid laid(Stock stock, boolean across, Alike alike, int aPage, List<Item> items) {
        Gang gang = new Gang(across, new Arrangement(Way.ROWS, 6, false, 0, new Rows(alike, aPage)), items.stream().map(Item::id).toList(),
            List.of());
        List<Item> sized = gang.resized(LayoutInput.bare(stock, MARGINS, PICTURES, items));
        Map<String, CaptionText> captions = sized.stream().collect(Collectors.toMap(Item::id,
            i -> new CaptionText("", "", 1, 1, new CaptionText.OfFile(i.id() + ".jpg", ""))));
        LayoutInput in = new LayoutInput(stock, MARGINS, PICTURES, sized.stream().collect(Collectors.toMap(Item::id, i -> i)), captions, 1);
        return new Laid(gang.placed(in).lay(in), sized);
    }

    @DataProvider
    public Object[][] sheets() {
        List<Object[]> sheets = new ArrayList<>();
        for (Alike alike : Alike.values()) {
            for (boolean across : new boolean[] {false, true}) {
                for (int[] n : new int[][] {{1, 20}, {8, 20}, {20, 20}, {50, 20}, {500, 40}, {7, 1}}) {
                    sheets.add(new Object[] {alike, across, n[0], n[1]});
                }
            }
        }
        return sheets.toArray(Object[][]::new);
    }

    @Test(dataProvider = "sheets")
    public void picturesLieInTheirOrderOnAsManyPagesAsAreAskedFor(Alike alike, boolean across, int n, int aPage) {
        Layout layout = laid(A4, across, alike, aPage, items(n)).layout;
        assertThat(layout.unplaced()).isEmpty();
        assertThat(layout.placed().stream().map(Placed::itemId)).containsExactlyElementsOf(items(n).stream().map(Item::id).toList());
        // frames may be rounded up to whole rows, so that a page takes some more
        assertThat(layout.pages().size()).isBetween((n + 2 * aPage - 1) / (2 * aPage), (n + aPage - 1) / aPage);
        for (Page page : layout.pages()) {
            assertThat(page.deepestOverlapMm()).isLessThan(0.001);
            for (Placed p : page.placed()) {
                Margins m = page.unprintable();
                assertThat(p.atMm().x()).isGreaterThan(m.left());
                assertThat(p.atMm().y()).isGreaterThan(m.top());
                assertThat(p.atMm().right()).isLessThan(page.widthMm() - m.right() + 1e-6);
                assertThat(p.atMm().bottom()).isLessThan(page.heightMm() - m.bottom() + 1e-6);
                PixelSize picture = PICTURES.get(p.renditionId());
                assertThat(p.atMm().width() / p.atMm().height()).isCloseTo(picture.aspect(), within(1e-6));
            }
        }
        assertThat(layout.cuts()).isEmpty();
    }

    @Test
    public void rowsGoFromLeftToRightHoweverTheSheetLies() {
        for (boolean across : new boolean[] {false, true}) {
            List<Placed> placed = laid(A4, across, Alike.FRAMES, 12, items(12)).layout.placed();
            assertThat(placed.get(1).atMm().x()).isGreaterThan(placed.get(0).atMm().right());
            assertThat(placed.get(1).atMm().y()).isLessThan(placed.get(0).atMm().bottom());
        }
    }

    @Test
    public void picturesOfARowStandOnOneLine() {
        List<Placed> placed = laid(A4, false, Alike.FRAMES, 12, items(12)).layout.placed();
        Map<Long, List<Double>> byFoot = placed.stream()
            .collect(Collectors.groupingBy(p -> Math.round(p.atMm().bottom() / 5),
                Collectors.mapping(p -> p.atMm().bottom(), Collectors.toList())));
        byFoot.values().forEach(feet -> assertThat(feet).allSatisfy(f -> assertThat(f).isCloseTo(feet.get(0), within(1e-6))));
        assertThat(byFoot.size()).isLessThan(12);
    }

    @Test
    public void rowsOfOneHeightHaveOneHeight() {
        Laid laid = laid(A4, false, Alike.HEIGHTS, 20, items(20));
        double high = laid.layout.placed().get(0).atMm().height();
        // a panorama is as wide as the page at most
        laid.layout.placed().stream().filter(p -> !p.renditionId().equals("long"))
            .forEach(p -> assertThat(p.atMm().height()).isCloseTo(high, within(1e-6)));
        assertThat(laid.layout.pages()).hasSize(1);
        // the largest that one page takes: by a twentieth higher it takes another
        double most = laid.layout.placed().stream().mapToDouble(p -> p.atMm().bottom()).max().orElseThrow();
        assertThat(most).isGreaterThan(0.6 * 297);
    }

    /** Every number of columns, tried by hand. */
    @Test
    public void framesShowAsMuchOfThePicturesAsAnyNumberOfColumnsWould() {
        List<Item> items = items(20);
        Laid laid = laid(A4, false, Alike.FRAMES, 20, items);
        double shown = laid.layout.placed().stream().mapToDouble(p -> p.atMm().width() * p.atMm().height()).sum();
        double caption = AnnotationMarks.round(Edge.BORDERED, CAPTION).belowMm();
        for (int columns = 1; columns <= 20; columns++) {
            double w = (190 + 6.0) / columns - 6;
            double h = (297 - 24 + 6.0) / Math.ceil(20.0 / columns) - 6 - caption;
            double sum = items.stream().mapToDouble(i -> {
                double aspect = PICTURES.get(i.renditionId()).aspect();
                double wide = Math.min(w, h * aspect);
                return h < 5 ? 0 : wide * wide / aspect;
            }).sum();
            assertThat(shown).as(columns + " columns").isGreaterThanOrEqualTo(sum - 1e-6);
        }
    }

    @Test
    public void captionsSayNumberAndFileName() {
        Layout layout = laid(A4, false, Alike.FRAMES, 4, items(4)).layout;
        assertThat(layout.pages().get(0).marks().stream().filter(Mark.Text.class::isInstance).map(m -> ((Mark.Text) m).words()))
            .contains("1  i0.jpg", "1  i3.jpg");
    }

    @Test
    public void aRollTakesThemToo() {
        Layout layout = laid(ROLL, true, Alike.FRAMES, 30, items(60)).layout;
        assertThat(layout.pages()).hasSize(1);
        assertThat(layout.placed()).hasSize(60);
        assertThat(layout.pages().get(0).deepestOverlapMm()).isLessThan(0.001);
    }

    @Test
    public void moreThanAPageHoldsIsRefusedInWords() {
        assertThatThrownBy(() -> laid(new Stock.Sheet("small", 60, 90), false, Alike.FRAMES, 500, items(500)))
            .isInstanceOf(InvalidRequest.class).hasMessageContaining("don't fit on a page of small");
        assertThatThrownBy(() -> new Rows(Alike.FRAMES, 501)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new Rows(Alike.FRAMES, -1)).isInstanceOf(InvalidRequest.class);
    }
}
