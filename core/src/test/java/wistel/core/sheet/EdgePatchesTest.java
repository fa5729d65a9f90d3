package wistel.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.length.Margins;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;

/** Patches along the edge of a page that a picture lies on. */
public class EdgePatchesTest {
    private static final List<List<Integer>> CODES = IntStream.range(0, 24).mapToObj(i -> List.of(1000 * i, 65535 - i, 7)).toList();
    private static final Margins EDGES = new Margins(3, 4, 12, 5);

    private static Page page(Rect picture, List<Mark> marks) {
        Item item = Item.whole("i1", "r1", picture.width(), picture.height());
        return Page.of(210, 297, EDGES, Orientation.UPRIGHT, List.of(Placed.of(item, Crop.whole(300, 400), picture)), marks);
    }

    @DataProvider
    Object[][] borders() {
        return new Object[][] {{"below", new Rect(20, 20, 170, 245)}, {"right", new Rect(10, 10, 160, 270)},
            {"above", new Rect(10, 25, 190, 255)}, {"left", new Rect(40, 10, 160, 270)}, {"all round", new Rect(60, 60, 90, 120)}};
    }

    @Test(dataProvider = "borders")
    public void theyLieOnBarePaperWhereThereIsRoom(String where, Rect picture) {
        List<Mark> caption = List.of(new Mark.Text("Dune in the west wind", picture.x(), picture.bottom() + 4, 9, 0, Mark.Anchor.START));
        Page with = EdgePatches.on(page(picture, caption), CODES).orElseThrow();
        List<Mark.ControlPatch> patches = with.patches();
        assertThat(patches).extracting(Mark.ControlPatch::codes).containsExactlyElementsOf(CODES);
        double side = patches.get(0).atMm().width();
        assertThat(side).isBetween(6.0, 8.0);
        Rect words = new Rect(picture.x(), picture.bottom() + 1, 40, 3.5);
        for (int i = 0; i < patches.size(); i++) {
            Rect at = patches.get(i).atMm();
            assertThat(at.height()).isEqualTo(side);
            assertThat(at.x()).isGreaterThanOrEqualTo(EDGES.left());
            assertThat(at.y()).isGreaterThanOrEqualTo(EDGES.top());
            assertThat(at.right()).isLessThanOrEqualTo(210 - EDGES.right());
            assertThat(at.bottom()).isLessThanOrEqualTo(297 - EDGES.bottom());
            assertThat(apart(at, picture)).as("patch %s from the picture", i).isGreaterThanOrEqualTo(3);
            assertThat(apart(at, words)).as("patch %s from the caption", i).isPositive();
            for (int before = 0; before < i; before++) {
                assertThat(apart(at, patches.get(before).atMm())).isGreaterThanOrEqualTo(-1e-9);
            }
            if (i > 0) {
                Rect last = patches.get(i - 1).atMm();
                boolean goesOn = Math.abs(at.x() - last.right()) < 1e-9 && Math.abs(at.y() - last.y()) < 1e-9;
                assertThat(goesOn || at.y() > last.y()).as("row by row").isTrue();
            }
        }
        Mark.Line bar = with.marks().stream().filter(Mark.Line.class::isInstance).map(Mark.Line.class::cast).findFirst().orElseThrow();
        Rect first = patches.get(0).atMm();
        assertThat(Math.hypot(bar.fromX() - first.x(), bar.fromY() - first.y())).as("the bar stands before the first").isLessThan(side);
    }

    /** The gap between two rectangles along the axis on which it is larger; below 0 where they overlap. */
    private static double apart(Rect a, Rect b) {
        return Math.max(Math.max(a.x() - b.right(), b.x() - a.right()), Math.max(a.y() - b.bottom(), b.y() - a.bottom()));
    }

    @Test
    public void aPictureThatLeavesNoBorderHasNone() {
        assertThat(EdgePatches.on(page(new Rect(8, 6, 195, 275), List.of()), CODES)).isEmpty();
        Page borderless = new Page(210, 297, Margins.NONE, Orientation.UPRIGHT, 2, List.of(), List.of());
        assertThat(EdgePatches.on(borderless, CODES)).isEmpty();
    }

    @Test
    public void aTextThatIsTurnedKeepsItsPlaceToo() {
        Rect picture = new Rect(8, 6, 170, 275);
        assertThat(EdgePatches.on(page(picture, List.of()), CODES)).isPresent();
        Mark.Text along = new Mark.Text("a line down the right border", 190, 40, 12, 90, Mark.Anchor.START);
        Optional<Page> with = EdgePatches.on(page(picture, List.of(along)), CODES);
        with.ifPresent(p -> p.patches().forEach(patch -> assertThat(patch.atMm().x()).isGreaterThan(191)));
    }

    @Test
    public void whereTheyLieAsThePaperFeeds() {
        Page turned = Page.of(297, 210, Margins.NONE, Orientation.QUARTER_RIGHT, List.of(), List.of());
        assertThat(turned.asFed(10, 20)).containsExactly(new double[] {190, 10}, within(1e-9));
        assertThat(page(new Rect(60, 60, 90, 120), List.of()).asFed(10, 20)).containsExactly(10, 20);
    }

    /** Who cuts nothing measures nothing either. */
    @Test
    public void aFileForALabHasNone() {
        Layout laid = Layout.of(List.of(page(new Rect(60, 60, 90, 120), List.of())), List.of());
        assertThat(laid.patched(CODES).pages().get(0).patches()).hasSize(24);
        assertThat(laid.patched(CODES).onPaper().pages().get(0).patches()).isEmpty();
        assertThat(laid.patched(List.of())).isEqualTo(laid);
    }
}
