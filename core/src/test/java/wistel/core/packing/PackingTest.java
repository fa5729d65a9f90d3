package wistel.core.packing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class PackingTest {
    private static final int OF_EACH = 4;
    private static final Space ROLL = Space.roll(Instances.WIDTH, 100_000);

    /** Number of blocks, most of the mean above the optimum as a share: what is promised of a hundred of each. */
    @DataProvider
    public Object[][] tightest() {
        return new Object[][] {{16, 0.04}, {50, 0.035}, {100, 0.03}};
    }

    @Test(dataProvider = "tightest")
    public void blocksThatFillAStripAreLaidLittleLonger(int n, double most) {
        assertThat(IntStream.range(0, OF_EACH).mapToDouble(k -> gap(Instances.straight(n, k), true)).average().orElseThrow())
            .isBetween(-1e-9, most);
    }

    @Test(dataProvider = "tightest")
    public void alsoWhereNoStraightCutPartsThem(int n, double most) {
        assertThat(IntStream.range(0, OF_EACH).mapToDouble(k -> gap(Instances.round(n, k), true)).average().orElseThrow())
            .isBetween(-1e-9, most);
    }

    @DataProvider
    public Object[][] straight() {
        return new Object[][] {{16, 0.06}, {50, 0.06}, {100, 0.05}};
    }

    @Test(dataProvider = "straight")
    public void straightCutsTakeLittleMore(int n, double most) {
        assertThat(IntStream.range(0, OF_EACH).mapToDouble(k -> gap(Instances.straight(n, k), false)).average().orElseThrow())
            .isBetween(-1e-9, most);
    }

    private static double gap(Instances.Instance instance, boolean tight) {
        Packing packing = tight ? Skyline.pack(instance.blocks(), ROLL, List.of(), Effort.THOROUGH)
            : Guillotine.pack(instance.blocks(), ROLL, List.of(), Effort.THOROUGH);
        assertLies(packing, instance.blocks(), ROLL);
        assertThat(tight || straight(rects(packing, instance.blocks(), 0))).as("parted by straight cuts").isTrue();
        assertThat(LowerBound.length(instance.blocks(), Instances.WIDTH)).isLessThanOrEqualTo(instance.length() + 1e-6);
        return packing.length() / instance.length() - 1;
    }

    /** Every block once, inside of its page, none over another. */
    private static void assertLies(Packing packing, List<Block> blocks, Space space) {
        assertThat(packing.left()).isEmpty();
        assertThat(packing.places()).extracting(Place::block).containsExactlyInAnyOrderElementsOf(IntStream.range(0, blocks.size()).boxed()
            .toList());
        for (int page = 0; page < packing.pages(); page++) {
            List<double[]> rects = rects(packing, blocks, page);
            for (int i = 0; i < rects.size(); i++) {
                double[] r = rects.get(i);
                assertThat(r[0]).isGreaterThanOrEqualTo(-1e-6);
                assertThat(r[2]).isLessThanOrEqualTo(space.width() + 1e-3);
                assertThat(r[3]).isLessThanOrEqualTo(space.length() + 1e-3);
                for (double[] o : rects.subList(0, i)) {
                    assertThat(apart(r[0], r[2], o[0], o[2]) || apart(r[1], r[3], o[1], o[3])).isTrue();
                }
            }
        }
    }

    private static boolean apart(double a, double b, double c, double d) {
        return b <= c + 1e-3 || d <= a + 1e-3;
    }

    private static List<double[]> rects(Packing packing, List<Block> blocks, int page) {
        List<double[]> rects = new ArrayList<>();
        for (Place p : packing.places()) {
            Block b = blocks.get(p.block());
            if (p.page() == page) {
                rects.add(new double[] {p.x(), p.y(), p.x() + b.across(p.turned()),
                    p.y() + b.down(p.turned())});
            }
        }
        return rects;
    }

    /** Some straight line parts them, and again each part. */
    private static boolean straight(List<double[]> rects) {
        if (rects.size() < 2) {
            return true;
        }
        for (int axis = 0; axis < 2; axis++) {
            int a = axis;
            for (double[] edge : rects) {
                double at = edge[a];
                List<double[]> before = rects.stream().filter(r -> r[a + 2] <= at + 1e-3).toList();
                List<double[]> behind = rects.stream().filter(r -> r[a] >= at - 1e-3).toList();
                if (!before.isEmpty() && before.size() + behind.size() == rects.size()) {
                    return straight(before) && straight(behind);
                }
            }
        }
        return false;
    }

    private static List<Block> prints(int n, long seed) {
        Random random = new Random(seed);
        return random.doubles(n, 40, 200).mapToObj(w -> new Block(Math.rint(w), 40 + random.nextInt(160), true)).toList();
    }

    @Test
    public void neverMoreSheetsThanFirstFitInRowsAndFewAsCanBeWhereThatIsEasy() {
        Space sheets = new Space(420, 594, 100);
        int easy = 0;
        int reached = 0;
        for (int seed = 0; seed < 24; seed++) {
            List<Block> blocks = prints(20 + 3 * seed, seed);
            Packing rows = Shelf.firstFit(blocks, sheets);
            Packing tight = Skyline.pack(blocks, sheets, List.of(), Effort.QUICK);
            Packing straight = Guillotine.pack(blocks, sheets, List.of(), Effort.QUICK);
            for (Packing packing : List.of(rows, tight, straight)) {
                assertLies(packing, blocks, sheets);
            }
            assertThat(Math.max(tight.pages(), straight.pages())).isLessThanOrEqualTo(rows.pages());
            int least = LowerBound.pages(blocks, sheets);
            if (blocks.stream().mapToDouble(Block::area).sum() < 0.85 * least * 420 * 594) {
                easy++;
                reached += tight.pages() == least ? 1 : 0;
            }
        }
        assertThat(easy).isGreaterThan(3);
        assertThat(reached).isGreaterThanOrEqualTo((int) Math.ceil(0.8 * easy));
    }

    @Test
    public void theSameBlocksAreLaidAlike() {
        List<Block> blocks = prints(40, 3);
        assertThat(Skyline.pack(blocks, ROLL, List.of(), Effort.QUICK)).isEqualTo(Skyline.pack(blocks, ROLL, List.of(), Effort.QUICK));
        assertThat(Guillotine.pack(blocks, ROLL, List.of(), Effort.QUICK))
            .isEqualTo(Guillotine.pack(blocks, ROLL, List.of(), Effort.QUICK));
    }

    @Test
    public void whatMayNotTurnStaysUpright() {
        List<Block> upright = prints(30, 4).stream().map(b -> new Block(b.width(), b.height(), false)).toList();
        for (Packing packing : List.of(Skyline.pack(upright, ROLL, List.of(), Effort.QUICK),
            Guillotine.pack(upright, ROLL, List.of(), Effort.QUICK))) {
            assertLies(packing, upright, ROLL);
            assertThat(packing.places()).noneMatch(Place::turned);
        }
    }

    @Test
    public void anArrangementIsNoLongerThanTheOneThatItStartsFrom() {
        List<Block> blocks = Instances.straight(40, 9).blocks();
        Packing thorough = Skyline.pack(blocks, ROLL, List.of(), Effort.THOROUGH);
        Packing quick = Skyline.pack(blocks, ROLL, List.of(), Effort.QUICK);
        assertThat(thorough.length()).isLessThanOrEqualTo(quick.length());
        assertThat(Skyline.pack(blocks, ROLL, thorough.order(), Effort.QUICK).length()).isLessThanOrEqualTo(quick.length() + 1e-6);
    }

    @Test
    public void whatIsTooLargeOrTooMuchIsLeft() {
        Space sheet = new Space(200, 300, 1);
        List<Block> blocks = List.of(new Block(250, 250, true), new Block(150, 200, true), new Block(290, 90, false),
            new Block(180, 120, true), new Block(100, 90, true));
        for (Packing packing : List.of(Skyline.pack(blocks, sheet, List.of(), Effort.QUICK),
            Guillotine.pack(blocks, sheet, List.of(), Effort.QUICK))) {
            assertThat(packing.left()).contains(0, 2);
            assertThat(packing.pages()).isEqualTo(1);
            assertThat(packing.places().size() + packing.left().size()).isEqualTo(5);
        }
        assertThat(Skyline.pack(blocks.subList(0, 1), sheet, List.of(), Effort.QUICK).places()).isEmpty();
    }

    @Test
    public void rowsKeepTheOrderAndTurnNothing() {
        List<Block> blocks = prints(25, 5);
        Packing packing = Shelf.inOrder(blocks, new Space(600, 500, 50));
        assertThat(packing.left()).isEmpty();
        assertThat(packing.places()).extracting(Place::block).isSorted();
        assertThat(packing.places()).noneMatch(Place::turned);
    }

    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {{0.0, 1.0}, {-1.0, 1.0}, {Double.NaN, 1.0}, {1.0, Double.POSITIVE_INFINITY}, {1e308, 1e308}};
    }

    @Test(dataProvider = "nonsense")
    public void sizesThatAreNoneAreRefused(double width, double height) {
        assertThatThrownBy(() -> new Block(width, height, true)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Space(width, height, 1)).isInstanceOf(IllegalArgumentException.class);
    }
}
