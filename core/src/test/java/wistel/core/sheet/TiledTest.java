package wistel.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.pictures.DetailMap;
import wistel.core.pictures.View;

/** One picture over several sheets: how many they are, what each prints, where they are joined, and what is drawn on them. */
public class TiledTest {
    private static final Margins MARGINS = new Margins(3, 3, 14, 3);
    private static final Stock A3 = Stock.Sheet.of(SheetSize.KNOWN.stream().filter(s -> s.name().equals("A3")).findFirst().orElseThrow());
    private static final Stock A2 = Stock.Sheet.of(SheetSize.KNOWN.stream().filter(s -> s.name().equals("A2")).findFirst().orElseThrow());
    private static final Stock ROLL = new Stock.Roll(24 * 25.4);

    private static LayoutInput in(Stock stock, double width, double height) {
        return LayoutInput.bare(stock, MARGINS, Map.of("r", new SheetPlan.PixelSize(6000, 4000)),
            List.of(new Item("i", "r", Cut.WHOLE, new Frame(width, height, Frame.Fit.FILL, 0.5, 0.5, true), Annotation.NONE, 1)));
    }

    private static LayoutInput in(Stock stock, double width, double height, View looked) {
        LayoutInput in = in(stock, width, height);
        return new LayoutInput(stock, MARGINS, in.pictures(), in.items(), Map.of("r", DetailMap.of(looked)),
            Map.of("i", new CaptionText("Fells", "1 May 2026", 1)), 1);
    }

    /** Of the rule n P - (n - 1) o >= W, and the fewest that keep it. */
    @Test
    public void asFewSheetsAsCoverTheLength() {
        SplittableRandom random = new SplittableRandom(3);
        for (int i = 0; i < 2000; i++) {
            double whole = random.nextDouble(50, 5000);
            double tile = random.nextDouble(60, 1200);
            double common = random.nextDouble(0, 40);
            int n = PictureGrid.count(whole, tile, common);
            assertThat(n * tile - (n - 1) * common).isGreaterThanOrEqualTo(whole - 1e-6);
            if (n > 1) {
                assertThat((n - 1) * tile - (n - 2) * common).isLessThan(whole);
            }
        }
        assertThatThrownBy(() -> PictureGrid.count(100, 10, 10)).isInstanceOf(IllegalArgumentException.class);
        assertThat(new PictureGrid(3, 2, 400, 280, -12.7).widthMm()).isCloseTo(3 * 400 - 2 * 12.7, within(1e-9));
    }

    @DataProvider
    Object[][] ways() {
        List<Object[]> ways = new ArrayList<>();
        for (Stock stock : List.of(A3, A2, ROLL)) {
            for (boolean across : new boolean[] {false, true}) {
                for (SheetJoint joint : List.of(SheetJoint.USUAL, new SheetJoint(SheetJoint.Way.BUTTED, 3))) {
                    for (double[] size : new double[][] {{1200, 800}, {3000, 2000}, {500, 350}, {1300, 330}}) {
                        ways.add(new Object[] {stock, across, joint, size});
                    }
                }
            }
        }
        return ways.toArray(Object[][]::new);
    }

    /** Each sheet's part lies on what can be printed, and all that is seen of the parts is the picture, each place of it once. */
    @Test(dataProvider = "ways")
    public void whatIsSeenOfAllSheetsIsThePictureOnce(Stock stock, boolean across, SheetJoint joint, double[] size) {
        LayoutInput in = in(stock, size[0], size[1]);
        Tiled plan = Tiled.of("i", across).joined(joint);
        TiledPiece.Axes axes = new TiledPiece(in.item("i"), plan).axes(in).orElseThrow();
        Layout layout = plan.lay(in);
        assertThat(layout.pages()).hasSize(axes.sheets());
        double seen = 0;
        for (int n = 0; n < layout.pages().size(); n++) {
            Page page = layout.pages().get(n);
            Placed p = page.placed().get(0);
            Margins m = page.unprintable();
            assertThat(p.atMm().x()).isGreaterThanOrEqualTo(m.left() - 1e-6);
            assertThat(p.atMm().y()).isGreaterThanOrEqualTo(m.top() - 1e-6);
            assertThat(p.atMm().right()).isLessThanOrEqualTo(page.widthMm() - m.right() + 1e-6);
            assertThat(p.atMm().bottom()).isLessThanOrEqualTo(page.heightMm() - m.bottom() + 1e-6);
            Tile tile = p.tile().orElseThrow();
            assertThat(tile.atMm().width()).isCloseTo(size[0], within(1e-9));
            // the part shows what the whole would show there
            double perMm = tile.crop().width() / size[0];
            assertThat(p.crop().x()).isCloseTo(tile.crop().x() + (p.atMm().x() - tile.atMm().x()) * perMm, within(1e-6));
            int column = n % axes.columns().count();
            int row = n / axes.columns().count();
            double r = joint.reachMm();
            double w = p.atMm().width() - (column > 0 ? r : 0) - (column < axes.columns().count() - 1 ? r : 0);
            double h = p.atMm().height() - (row > 0 ? r : 0) - (row < axes.rows().count() - 1 ? r : 0);
            seen += w * h;
        }
        assertThat(seen).isCloseTo(size[0] * size[1], within(1e-3));
    }

    /** 1 200 x 800 mm over A3 that prints 291 x 403 mm: 1 187.3 / 390.3 and 787.3 / 278.3 across, 1 187.3 / 278.3 and 787.3 / 390.3 upright. */
    @Test
    public void bothOrientationsAreCountedByTheirOwnMargins() {
        LayoutInput in = in(A3, 1200, 800);
        TiledPiece.Axes across = new TiledPiece(in.item("i"), Tiled.of("i", true)).axes(in).orElseThrow();
        assertThat(across.columns().mostMm()).isCloseTo(420 - 17, within(1e-9));
        assertThat(across.rows().mostMm()).isCloseTo(297 - 6, within(1e-9));
        assertThat(new int[] {across.columns().count(), across.rows().count()}).containsExactly(4, 3);
        TiledPiece.Axes upright = new TiledPiece(in.item("i"), Tiled.of("i", false)).axes(in).orElseThrow();
        assertThat(new int[] {upright.columns().count(), upright.rows().count()}).containsExactly(5, 3);
    }

    @Test
    public void aRollGivesLongDropsInOneDirectionOnly() {
        LayoutInput in = in(ROLL, 1150, 800);
        assertThat(Tiled.of("i", false).lay(in).pages()).hasSize(2).allSatisfy(p -> {
            assertThat(p.widthMm()).isEqualTo(24 * 25.4);
            assertThat(p.heightMm()).isCloseTo(800 + 2 * 15, within(1e-6));
        });
        assertThat(Tiled.of("i", true).lay(in).pages()).hasSize(2).allSatisfy(p -> assertThat(p.fedWidthMm()).isEqualTo(24 * 25.4));
    }

    /** A picture with a bright pillar where the even joints would lie: they go beside it, as far as the sheets allow. */
    @Test
    public void quietJointsKeepOffWhatTheEyeFollows() {
        View pillars = pillars(0.3, 0.36, 0.64, 0.7);
        LayoutInput in = in(A2, 1200, 800, pillars);
        Tiled quiet = new TiledPiece(in.item("i"), Tiled.of("i", true).parted(Seams.of(Seams.Choice.QUIET))).found(in);
        TiledPiece.Axes axes = new TiledPiece(in.item("i"), quiet).axes(in).orElseThrow();
        assertThat(quiet.seams().columnsMm()).hasSize(axes.columns().count() - 1).noneMatch(x -> x > 356 && x < 436)
            .noneMatch(x -> x > 764 && x < 844);
        assertThat(axes.suited(quiet.seams())).as("the sheets allow it").isEqualTo(quiet.seams());
        Seams even = new TiledPiece(in.item("i"), Tiled.of("i", true)).found(in).seams();
        assertThat(even.columnsMm()).as("evenly they would lie in one").anyMatch(x -> x > 360 && x < 432);
    }

    private static View pillars(double... edges) {
        char[] pixels = new char[600 * 400 * 3];
        for (int i = 0; i < 600 * 400; i++) {
            double x = i % 600 / 600.0;
            boolean in = x > edges[0] && x < edges[1] || x > edges[2] && x < edges[3];
            // striped, so that all of a pillar has contrast across
            char v = (char) (in ? i % 600 / 6 % 2 == 0 ? 60000 : 5000 : 30000);
            pixels[3 * i] = v;
            pixels[3 * i + 1] = v;
            pixels[3 * i + 2] = v;
        }
        return new View(600, 400, 3, pixels);
    }

    /** Every choice of joints that are a millimetre apart is worse or as good: tried out for two joints. */
    @Test
    public void noOtherPlacesOfTwoJointsCostLess() {
        SeamAxis axis = SeamAxis.of(1000, 400, 12.7);
        assertThat(axis.count()).isEqualTo(3);
        SplittableRandom random = new SplittableRandom(7);
        double[] cost = random.doubles(1001).toArray();
        List<Double> found = axis.cheapest(x -> cost[(int) Math.round(x)]);
        double best = cost[(int) Math.round(found.get(0))] + cost[(int) Math.round(found.get(1))];
        double least = Double.MAX_VALUE;
        for (int a = 1; a < 1000; a++) {
            for (int b = a + 1; b < 1000; b++) {
                if (axis.suited(List.of((double) a, (double) b)).equals(List.of((double) a, (double) b))) {
                    least = Math.min(least, cost[a] + cost[b]);
                }
            }
        }
        assertThat(best).as("but for the price of lying off the middle").isLessThan(least + 0.25);
        assertThat(axis.suited(found)).isEqualTo(found);
    }

    @Test
    public void aJointIsMovedAsFarAsTheSheetsAllowAndTheOthersStay() {
        LayoutInput in = in(A2, 1200, 800);
        Tiled plan = new TiledPiece(in.item("i"), Tiled.of("i", true)).found(in);
        TiledPiece piece = new TiledPiece(in.item("i"), plan);
        SeamAxis axis = piece.axes(in).orElseThrow().columns();
        double[] range = axis.range(plan.seams().columnsMm(), 0);
        assertThat(range[1] - range[0]).isGreaterThan(20);
        Tiled far = piece.moved(in, true, 0, 1150);
        assertThat(far.seams().columnsMm().get(0)).isCloseTo(range[1], within(1e-9));
        assertThat(far.seams().columnsMm().subList(1, far.seams().columnsMm().size()))
            .isEqualTo(plan.seams().columnsMm().subList(1, plan.seams().columnsMm().size()));
        assertThat(far.seams().choice()).isEqualTo(Seams.Choice.BY_HAND);
        assertThat(new TiledPiece(in.item("i"), far).found(in)).as("it stays when something else changes").isEqualTo(far);
        LayoutInput onA3 = in(A3, 1200, 800);
        assertThat(new TiledPiece(in.item("i"), far).found(onA3).seams().choice()).as("other sheets are parted elsewhere")
            .isEqualTo(Seams.Choice.EVEN);
    }

    /** What is drawn and written lies on what is cut off, covered by the neighbour, or beside the picture. */
    @Test(dataProvider = "ways")
    public void allMarksStayOffWhatIsSeen(Stock stock, boolean across, SheetJoint joint, double[] size) {
        LayoutInput in = in(stock, size[0], size[1]);
        Tiled plan = Tiled.of("i", across).joined(joint);
        TiledPiece.Axes axes = new TiledPiece(in.item("i"), plan).axes(in).orElseThrow();
        Layout layout = plan.lay(in);
        for (int n = 0; n < layout.pages().size(); n++) {
            Page page = layout.pages().get(n);
            Rect at = page.placed().get(0).atMm();
            double r = joint.reachMm();
            int column = n % axes.columns().count();
            int row = n / axes.columns().count();
            double left = at.x() + (column > 0 ? r : 0);
            double top = at.y() + (row > 0 ? r : 0);
            double right = at.right() - (column < axes.columns().count() - 1 ? r : 0);
            double bottom = at.bottom() - (row < axes.rows().count() - 1 ? r : 0);
            Rect seen = new Rect(left + 0.01, top + 0.01, right - left - 0.02, bottom - top - 0.02);
            for (Mark mark : page.marks()) {
                if (mark instanceof Mark.Line l) {
                    boolean beside = Math.max(l.fromX(), l.toX()) <= seen.x() + 1e-9 || Math.min(l.fromX(), l.toX()) >= seen.right() - 1e-9
                        || Math.max(l.fromY(), l.toY()) <= seen.y() + 1e-9 || Math.min(l.fromY(), l.toY()) >= seen.bottom() - 1e-9;
                    assertThat(beside).as(mark + " on " + seen).isTrue();
                } else if (mark instanceof Mark.Bare b) {
                    assertThat(b.atMm().right() <= seen.x() || b.atMm().x() >= seen.right() || b.atMm().bottom() <= seen.y()
                        || b.atMm().y() >= seen.bottom()).as(mark + " on " + seen).isTrue();
                }
            }
            if (axes.sheets() > 1) {
                assertThat(page.marks()).as("its label").anyMatch(m -> m instanceof Mark.Text);
            }
        }
    }

    @Test
    public void whatCantBeJoinedIsToldAndNothingIsThrown() {
        LayoutInput in = in(A3, 3000, 2000);
        Layout wide = Tiled.of("i", true).joined(new SheetJoint(SheetJoint.Way.GLUED, 200)).lay(in(A3, 5000, 5000));
        assertThat(wide.unplaced()).singleElement().extracting(Layout.Unplaced::reason).isEqualTo(Layout.Unplaced.Reason.TOO_MANY_SHEETS);
        LayoutInput narrow = in.on(A3, new Margins(140, 100, 140, 100));
        assertThat(Tiled.of("i", true).joined(new SheetJoint(SheetJoint.Way.GLUED, 150)).lay(narrow).unplaced()).singleElement()
            .extracting(Layout.Unplaced::reason).isEqualTo(Layout.Unplaced.Reason.NOTHING_BESIDE_OVERLAP);
        for (double overlap : new double[] {0, 1.9, -3, Double.NaN, 1e308, Double.POSITIVE_INFINITY}) {
            assertThatThrownBy(() -> new SheetJoint(SheetJoint.Way.GLUED, overlap)).isInstanceOf(InvalidRequest.class);
        }
    }

    @Test
    public void aPictureThatOneSheetHoldsLiesOnOneWithoutMarks() {
        Layout layout = Tiled.of("i", true).lay(in(A2, 300, 200));
        assertThat(layout.pages()).hasSize(1);
        assertThat(layout.pages().get(0).marks()).isEmpty();
        assertThat(layout.pages().get(0).placed().get(0).id()).isEqualTo("i");
    }
}
