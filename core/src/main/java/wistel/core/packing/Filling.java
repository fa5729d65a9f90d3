package wistel.core.packing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Lays blocks one after the other, those of a given order first, onto pages from above. What a page is filled by is the algorithm. One
 * thread's: it is run many thousand times without allocating.
 */
abstract class Filling {
    protected static final double SAME = Space.SAME;
    private static final int RANGES = 4096;

    private final Space space;
    private final double area;
    protected final int count;
    protected final double[] width;
    protected final double[] height;
    protected final boolean[] mayTurn;
    /** Both sides of all blocks in rising order, and whose they are: exact fits are looked up here. */
    protected final double[] side;
    protected final int[] sideOf;
    protected final boolean[] sideIsHeight;
    /** Where the sides of each of many equal ranges of length begin. */
    private final int[] firstOfRange = new int[RANGES];
    private final double rangesPerLength;
    protected final int[] rank;
    protected final boolean[] placed;
    protected final boolean[] turned;
    private final double[] x;
    private final double[] y;
    private final int[] page;
    /** The order as a list that placed blocks are taken from; its head stands at the end. */
    private final int[] next;
    private int current;
    private int remaining;
    private int shortest;
    private double end;
    /** Area that may stay bare before more blocks are left than is allowed. */
    private double spare;

    Filling(List<Block> blocks, Space space) {
        this.space = space;
        count = blocks.size();
        width = blocks.stream().mapToDouble(Block::width).toArray();
        height = blocks.stream().mapToDouble(Block::height).toArray();
        mayTurn = new boolean[count];
        side = new double[2 * count];
        sideOf = new int[2 * count];
        sideIsHeight = new boolean[2 * count];
        rank = new int[count];
        placed = new boolean[count];
        turned = new boolean[count];
        x = new double[count];
        y = new double[count];
        page = new int[count];
        next = new int[count + 1];
        int[] sorted = IntStream.range(0, 2 * count).boxed()
            .sorted(Comparator.comparingDouble(k -> k % 2 == 0 ? width[k / 2] : height[k / 2])).mapToInt(Integer::intValue).toArray();
        for (int k = 0; k < sorted.length; k++) {
            sideOf[k] = sorted[k] / 2;
            sideIsHeight[k] = sorted[k] % 2 == 1;
            side[k] = sideIsHeight[k] ? height[sideOf[k]] : width[sideOf[k]];
        }
        rangesPerLength = (RANGES - 1) / side[side.length - 1];
        for (int r = 0, k = 0; r < RANGES; r++) {
            while (k < side.length - 1 && (int) (side[k] * rangesPerLength) < r) {
                k++;
            }
            firstOfRange[r] = k;
        }
        double all = 0;
        for (int i = 0; i < count; i++) {
            mayTurn[i] = blocks.get(i).mayTurn();
            all += blocks.get(i).area();
        }
        area = all;
    }

    /** Fills one page as far as that goes. */
    protected abstract void fillPage(double limit);

    /**
     * Packs afresh.
     *
     * @param order of all blocks
     * @param total length at most, over all pages
     * @return area of the blocks that found no place
     */
    final double fill(int[] order, double total) {
        return fill(order, total, Double.MAX_VALUE);
    }

    /**
     * The same, given up when more is left than is of use.
     *
     * @param allowed area that may be left
     * @return infinity when it was given up
     */
    final double fill(int[] order, double total, double allowed) {
        start(order);
        spare = space.width() * Math.min(total, space.length() * space.most()) - area + allowed + SAME * space.width();
        for (current = 0; current < space.most() && remaining > 0; current++) {
            double limit = Math.min(space.length(), total - current * space.length());
            if (limit <= SAME) {
                break;
            }
            end = 0;
            int before = remaining;
            fillPage(limit);
            if (spare < 0) {
                return Double.POSITIVE_INFINITY;
            }
            if (remaining == before) {
                break;
            }
        }
        double left = 0;
        for (int i = 0; remaining > 0 && i < count; i++) {
            left += placed[i] ? 0 : width[i] * height[i];
        }
        return left;
    }

    private void start(int[] order) {
        int previous = count;
        for (int k = 0; k < count; k++) {
            next[previous] = order[k];
            previous = order[k];
            rank[previous] = k;
            placed[previous] = false;
        }
        next[previous] = -1;
        remaining = count;
        shortest = 0;
        current = 0;
        end = 0;
    }

    /** What the last packing used, when all blocks lie: whole pages and what is used of the last. */
    final double length() {
        return Math.max(0, current - 1) * space.length() + end;
    }

    final List<Place> places() {
        List<Place> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            if (placed[i]) {
                all.add(new Place(i, page[i], x[i], y[i], turned[i]));
            }
        }
        return all;
    }

    /** Area that nothing can lie on any more; true when that is too much. */
    protected final boolean waste(double bare) {
        spare -= bare;
        return spare < 0;
    }

    protected final double pageWidth() {
        return space.width();
    }

    protected final boolean more() {
        return remaining > 0;
    }

    /** The shortest side of all blocks that are still to be placed. */
    protected final double shortestSide() {
        return shortest < side.length ? side[shortest] : Double.MAX_VALUE;
    }

    protected final double across(int block, boolean turn) {
        return turn ? height[block] : width[block];
    }

    protected final double down(int block, boolean turn) {
        return turn ? width[block] : height[block];
    }

    /** The first side that isn't shorter. */
    protected final int firstSide(double atLeast) {
        if (atLeast > side[side.length - 1]) {
            return side.length;
        }
        int k = firstOfRange[Math.max(0, (int) (atLeast * rangesPerLength))];
        while (side[k] < atLeast) {
            k++;
        }
        return k;
    }

    /** The first block of the order that fits into a gap in either way; -1 for none. */
    protected final int firstFitting(double w, double h) {
        for (int p = count, i = next[count]; i >= 0; i = next[p]) {
            if (placed[i]) {
                next[p] = next[i];
                continue;
            }
            if (fits(i, false, w, h) || fits(i, true, w, h)) {
                return i;
            }
            p = i;
        }
        return -1;
    }

    protected final boolean fits(int block, boolean turn, double w, double h) {
        return (!turn || mayTurn[block]) && across(block, turn) <= w + SAME && down(block, turn) <= h + SAME;
    }

    protected final void place(int block, boolean turn, double atX, double atY) {
        placed[block] = true;
        turned[block] = turn;
        x[block] = atX;
        y[block] = atY;
        page[block] = current;
        remaining--;
        end = Math.max(end, atY + down(block, turn));
        while (shortest < side.length && placed[sideOf[shortest]]) {
            shortest++;
        }
    }

    /** Decisions other than the order, that a search may change: flags by block; none unless an algorithm has some. */
    boolean[][] flags() {
        return new boolean[0][];
    }
}
