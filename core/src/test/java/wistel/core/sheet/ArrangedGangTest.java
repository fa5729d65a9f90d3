package wistel.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Orientation;
import wistel.core.sheet.Arrangement.Way;
import wistel.core.sheet.SheetPlan.PixelSize;

/** Pieces that an arrangement finds places for, and the cuts that part them. */
public class ArrangedGangTest {
    private static final Margins MARGINS = new Margins(3, 4, 14, 5);
    private static final Stock ROLL = new Stock.Roll(609.6);
    private static final Stock A3 = new Stock.Sheet("A3", 297, 420);
    private static final Map<String, PixelSize> PICTURES = Map.of("r", new PixelSize(3000, 2000));

    private static List<Item> items(double... widths) {
        return IntStream.range(0, widths.length).mapToObj(i -> Item.whole("i" + i, "r", widths[i], widths[i] / 1.5)).toList();
    }

    private static LayoutInput on(Stock stock, List<Item> items) {
        return LayoutInput.bare(stock, MARGINS, PICTURES, items);
    }

    private static Gang gang(boolean across, Way way, double gutter, List<Item> items) {
        return new Gang(across, new Arrangement(way, gutter, true, 0, Arrangement.Rows.AS_SIZED), items.stream().map(Item::id).toList(),
            List.of());
    }

    @DataProvider
    public Object[][] ways() {
        List<Object[]> ways = new ArrayList<>();
        for (Way way : List.of(Way.TIGHTEST, Way.CUT_ACROSS, Way.ROWS)) {
            for (boolean across : new boolean[] {false, true}) {
                for (Stock stock : List.of(ROLL, A3)) {
                    ways.add(new Object[] {way, across, stock});
                }
            }
        }
        return ways.toArray(Object[][]::new);
    }

    @Test(dataProvider = "ways")
    public void allLieOnPrintablePaperAGutterApart(Way way, boolean across, Stock stock) {
        List<Item> items = items(200, 150, 150, 120, 90, 90, 60, 240);
        LayoutInput in = on(stock, items);
        Layout layout = gang(across, way, 8, items).placed(in).lay(in);
        assertThat(layout.unplaced()).isEmpty();
        assertThat(layout.placed()).hasSize(8);
        for (Page page : layout.pages()) {
            for (Placed p : page.placed()) {
                Rect at = p.atMm();
                assertThat(at.x()).isGreaterThanOrEqualTo(page.unprintable().left() - 1e-6);
                assertThat(at.y()).isGreaterThanOrEqualTo(page.unprintable().top() - 1e-6);
                assertThat(at.right()).isLessThanOrEqualTo(page.widthMm() - page.unprintable().right() + 1e-6);
                assertThat(at.bottom()).isLessThanOrEqualTo(page.heightMm() - page.unprintable().bottom() + 1e-6);
                for (Placed o : page.placed()) {
                    Rect with = o.atMm();
                    assertThat(o.id().equals(p.id()) || at.right() + 8 <= with.x() + 1e-6 || with.right() + 8 <= at.x() + 1e-6
                        || at.bottom() + 8 <= with.y() + 1e-6 || with.bottom() + 8 <= at.y() + 1e-6).isTrue();
                }
            }
        }
    }

    /** Each cut goes from edge to edge of the part that is in hand, crosses no picture, and in the end each part holds one. */
    @Test(dataProvider = "ways")
    public void straightCutsPartWhatIsLaidToBeCutAcross(Way way, boolean across, Stock stock) {
        List<Item> items = items(200, 150, 150, 120, 90, 90, 60, 240);
        LayoutInput in = on(stock, items);
        Layout layout = gang(across, way, 8, items).placed(in).lay(in);
        if (way == Way.TIGHTEST) {
            return;
        }
        for (int n = 1; n <= layout.pages().size(); n++) {
            int number = n;
            Page page = layout.pages().get(n - 1);
            List<CutLine> cuts = layout.cuts().stream().filter(c -> c.page() == number).toList();
            assertThat(cuts).hasSize(page.placed().size() - 1);
            assertThat(cuts).extracting(CutLine::number).containsExactlyElementsOf(IntStream.rangeClosed(1, cuts.size()).boxed().toList());
            List<double[]> parts = new ArrayList<>(List.of(new double[] {0, 0, page.widthMm(), page.heightMm()}));
            for (CutLine cut : cuts) {
                int a = cut.down() ? 0 : 1;
                double[] part = parts.stream().filter(p -> p[a] < cut.atMm() && p[a + 2] > cut.atMm()
                    && Math.abs(p[1 - a] - cut.fromMm()) < 1e-6 && Math.abs(p[3 - a] - cut.toMm()) < 1e-6).findFirst().orElseThrow();
                assertThat(cut.offMm()).isCloseTo(cut.atMm() - part[a], within(1e-6));
                parts.remove(part);
                double[] before = part.clone();
                double[] behind = part.clone();
                before[a + 2] = cut.atMm();
                behind[a] = cut.atMm();
                parts.add(before);
                parts.add(behind);
                assertThat(cut.off()).containsExactlyInAnyOrderElementsOf(
                    page.placed().stream().filter(p -> inside(p.atMm(), before)).map(Placed::id).toList());
            }
            assertThat(parts).allSatisfy(
                part -> assertThat(page.placed().stream().filter(p -> inside(p.atMm(), part))).hasSize(1));
        }
    }

    private static boolean inside(Rect r, double[] part) {
        return r.x() >= part[0] - 1e-6 && r.y() >= part[1] - 1e-6 && r.right() <= part[2] + 1e-6 && r.bottom() <= part[3] + 1e-6;
    }

    /** Five round a middle, as paving stones lie: no straight cut parts them. */
    @Test
    public void whatNoStraightCutPartsIsTold() {
        List<Item> items = List.of(Item.whole("a", "r", 60, 40), Item.whole("b", "r", 60, 40), Item.whole("c", "r", 60, 40),
            Item.whole("d", "r", 60, 40), Item.whole("e", "r", 20, 20));
        List<Gang.Spot> spots = List.of(new Gang.Spot("a", 1, 10, 10, false), new Gang.Spot("b", 1, 70, 10, true),
            new Gang.Spot("c", 1, 50, 70, false), new Gang.Spot("d", 1, 10, 50, true));
        LayoutInput in = on(A3, items);
        Gang gang = Gang.byHand(false, spots);
        Layout layout = gang.lay(in);
        assertThat(layout.cuts()).isEmpty();
        assertThat(gang.joined(in, layout).get(0)).containsExactlyInAnyOrder("a", "b", "c", "d");
    }

    @Test
    public void copiesAreLaidAndWhatDoesNotFitIsNamed() {
        List<Item> items = List.of(Item.whole("many", "r", 90, 60).repeated(7), Item.whole("huge", "r", 900, 600),
            Item.whole("small", "r", 60, 40));
        LayoutInput in = on(A3, items);
        Gang gang = gang(false, Way.CUT_ACROSS, 5, items).placed(in);
        Layout layout = gang.lay(in);
        assertThat(layout.placed().stream().filter(p -> p.itemId().equals("many"))).hasSize(7);
        assertThat(layout.unplaced()).containsExactly(new Layout.Unplaced("huge", Layout.Unplaced.Reason.TOO_LARGE));
        LayoutInput narrow = on(new Stock.Roll(609.6), List.of(Item.whole("many", "r", 900, 600).repeated(20)));
        Layout roll = gang(false, Way.TIGHTEST, 5, List.of(Item.whole("many", "r", 900, 600))).placed(narrow).lay(narrow);
        assertThat(roll.unplaced()).containsExactly(new Layout.Unplaced("many", Layout.Unplaced.Reason.NO_ROOM));
        assertThat(roll.usedLengthMm()).isLessThanOrEqualTo(5000);
    }

    @Test
    public void aRollIsCutIntoLengthsWhereThatIsWanted() {
        List<Item> items = List.of(Item.whole("many", "r", 300, 200).repeated(9));
        LayoutInput in = on(ROLL, items);
        Gang lengths = new Gang(false, new Arrangement(Way.CUT_ACROSS, 8, true, 700, Arrangement.Rows.AS_SIZED), List.of("many"), List.of())
            .placed(in);
        Layout layout = lengths.lay(in);
        assertThat(layout.pages().size()).isGreaterThan(1);
        assertThat(layout.placed()).hasSize(9);
        assertThat(layout.pages()).allSatisfy(p -> assertThat(p.fedHeightMm()).isLessThanOrEqualTo(700 + 1e-6));
    }

    /** A caption turns with its picture, and nothing is laid over it. */
    @Test
    public void captionsTurnWithTheirPictures() {
        Annotation captioned = new Annotation(new Caption(true, false, 0, false, 9), 0, 2, false);
        Item turned = Item.whole("i", "r", 400, 266).annotated(captioned).titled("Fells");
        LayoutInput bare = on(A3, List.of(turned));
        LayoutInput in = new LayoutInput(A3, MARGINS, PICTURES, bare.items(), Map.of("i", new CaptionText("Fells", "", 1)), 1);
        Layout layout = gang(false, Way.CUT_ACROSS, 8, List.of(turned)).placed(in).lay(in);
        Placed placed = layout.placed().get(0);
        assertThat(placed.orientation()).isEqualTo(Orientation.QUARTER_RIGHT);
        Mark.Text text = (Mark.Text) layout.pages().get(0).marks().get(0);
        assertThat(text.turnDegrees()).isEqualTo(90);
        assertThat(text.x()).as("left of the picture").isLessThan(placed.atMm().x()).isGreaterThan(0);
        assertThat(text.y()).as("begins at its upper end").isCloseTo(placed.atMm().y(), within(1e-6));
    }

    @Test
    public void byHandTheOthersStayAndNewOnesComeBehind() {
        List<Item> items = items(120, 100, 80);
        LayoutInput two = on(A3, items);
        Gang laid = gang(false, Way.CUT_ACROSS, 8, items.subList(0, 2)).placed(two);
        Gang byHand = laid.arranged(laid.arrangement().by(Way.BY_HAND)).of(List.of("i0", "i1", "i2")).placed(two);
        assertThat(byHand.spots().subList(0, 2)).isEqualTo(laid.spots());
        assertThat(byHand.spots().get(2).page()).isEqualTo(2);
        assertThat(byHand.of(List.of("i1")).placed(two).spots()).extracting(Gang.Spot::itemId).containsExactly("i1");
    }

    @Test
    public void cutMarksStandBesideThePictures() {
        List<Item> items = items(200, 150, 150, 120);
        LayoutInput in = on(ROLL, items);
        Layout layout = gang(true, Way.CUT_ACROSS, 8, items).placed(in).lay(in);
        assertThat(layout.pages().get(0).marks()).isNotEmpty().allSatisfy(mark -> {
            Mark.Line l = (Mark.Line) mark;
            assertThat(layout.placed())
                .noneMatch(p -> Math.max(l.fromX(), l.toX()) > p.atMm().x() && Math.min(l.fromX(), l.toX()) < p.atMm().right()
                    && Math.max(l.fromY(), l.toY()) > p.atMm().y() && Math.min(l.fromY(), l.toY()) < p.atMm().bottom());
        });
    }

    @Test
    public void noArrangementLeavesLessBareThanTheBound() {
        List<Item> items = items(200, 150, 150, 120, 90, 90, 60, 240);
        for (Stock stock : List.of(ROLL, A3)) {
            LayoutInput in = on(stock, items);
            Gang gang = gang(false, Way.TIGHTEST, 8, items).placed(in);
            Layout layout = gang.lay(in);
            double bare = layout.bareMm2() / layout.pages().stream().mapToDouble(Page::areaMm2).sum();
            assertThat(gang.leastBareShare(in, layout)).isBetween(0.0, bare + 1e-9);
        }
    }

    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {{-1.0, 0.0}, {50.1, 0.0}, {Double.NaN, 0.0}, {8.0, 1.0}, {8.0, Double.NaN}, {8.0, 1e308}};
    }

    @Test(dataProvider = "nonsense")
    public void lengthsThatCantBeAreRefusedInWords(double gutter, double longest) {
        assertThatThrownBy(() -> new Arrangement(Way.TIGHTEST, gutter, true, longest, Arrangement.Rows.AS_SIZED))
            .isInstanceOf(InvalidRequest.class);
    }
}
