package wistel.core.packing;

import java.util.List;

/**
 * Every cut goes from edge to edge of what is left: a free rectangle that takes a block is cut along it into two. A rectangle that a block
 * fills from edge to edge takes that block at once, else the smallest one takes the first block of the order that fits. After J. Jylänki, A
 * Thousand Ways to Pack the Bin (2010), section 2.2, best area fit and longer leftover axis; the search may turn a block or a cut the other
 * way.
 */
public final class Guillotine extends Filling {
    private final double[] freeX;
    private final double[] freeY;
    private final double[] freeWidth;
    private final double[] freeHeight;
    private final boolean[] otherCut;
    private final boolean[] otherTurn;
    private int free;
    private int best;
    private boolean bestTurned;
    private int bestGrade;

    private Guillotine(List<Block> blocks, Space space) {
        super(blocks, space);
        freeX = new double[2 * blocks.size() + 4];
        freeY = new double[freeX.length];
        freeWidth = new double[freeX.length];
        freeHeight = new double[freeX.length];
        otherCut = new boolean[blocks.size()];
        otherTurn = new boolean[blocks.size()];
    }

    /**
     * Packs blocks as tightly as the effort finds.
     *
     * @param first an order to start from, of all blocks; empty for none
     */
    public static Packing pack(List<Block> blocks, Space space, List<Integer> first, Effort effort) {
        return OrderSearch.pack(blocks, space, Guillotine::new, first, effort);
    }

    @Override
    boolean[][] flags() {
        return new boolean[][] {otherCut, otherTurn};
    }

    @Override
    protected void fillPage(double limit) {
        free = 0;
        add(0, 0, pageWidth(), limit);
        while (free > 0 && more()) {
            int k = smallest();
            double x = freeX[k];
            double y = freeY[k];
            double w = freeWidth[k];
            double h = freeHeight[k];
            remove(k);
            int block = w < shortestSide() - SAME || h < shortestSide() - SAME ? -1 : firstFitting(w, h);
            if (block >= 0) {
                boolean turn = turn(block, w, h);
                place(block, turn, x, y);
                cut(block, across(block, turn), down(block, turn), x, y, w, h);
            } else if (waste(w * h)) {
                return;
            }
        }
    }

    private int smallest() {
        int smallest = 0;
        for (int k = 1; k < free; k++) {
            if (freeWidth[k] * freeHeight[k] < freeWidth[smallest] * freeHeight[smallest]) {
                smallest = k;
            }
        }
        return smallest;
    }

    private void remove(int k) {
        free--;
        freeX[k] = freeX[free];
        freeY[k] = freeY[free];
        freeWidth[k] = freeWidth[free];
        freeHeight[k] = freeHeight[free];
    }

    /** The way that leaves the narrower rest, unless the search wants the other. */
    private boolean turn(int block, double w, double h) {
        boolean upright = fits(block, false, w, h);
        if (!upright || !fits(block, true, w, h)) {
            return !upright;
        }
        double restUpright = Math.min(w - width[block], h - height[block]);
        double restTurned = Math.min(w - height[block], h - width[block]);
        return restTurned < restUpright != otherTurn[block];
    }

    private void cut(int block, double blockWidth, double blockHeight, double x, double y, double w, double h) {
        double beside = w - blockWidth;
        double below = h - blockHeight;
        boolean downAll = beside > below != otherCut[block];
        double besideHeight = downAll ? h : blockHeight;
        double belowWidth = downAll ? blockWidth : w;
        if (beside * besideHeight < below * belowWidth) {
            add(x + blockWidth, y, beside, besideHeight);
            add(x, y + blockHeight, belowWidth, below);
        } else {
            add(x, y + blockHeight, belowWidth, below);
            add(x + blockWidth, y, beside, besideHeight);
        }
    }

    /** Keeps a free rectangle, after blocks that reach from edge to edge of it were laid. */
    private void add(double atX, double atY, double w, double h) {
        double x = atX;
        double y = atY;
        double restWidth = w;
        double restHeight = h;
        while (more() && restWidth >= shortestSide() - SAME && restHeight >= shortestSide() - SAME) {
            choose(restWidth, restHeight);
            if (best < 0) {
                freeX[free] = x;
                freeY[free] = y;
                freeWidth[free] = restWidth;
                freeHeight[free] = restHeight;
                free++;
                return;
            }
            place(best, bestTurned, x, y);
            if (across(best, bestTurned) > restWidth - SAME) {
                y += down(best, bestTurned);
                restHeight -= down(best, bestTurned);
            } else {
                x += across(best, bestTurned);
                restWidth -= across(best, bestTurned);
            }
        }
    }

    /** Grades: as wide and as high, then as wide or as high. */
    private void choose(double w, double h) {
        best = -1;
        bestGrade = 0;
        for (int k = firstSide(w - SAME); k < side.length && side[k] <= w + SAME; k++) {
            grade(sideOf[k], sideIsHeight[k], w, h);
        }
        for (int k = firstSide(h - SAME); bestGrade < 2 && k < side.length && side[k] <= h + SAME; k++) {
            grade(sideOf[k], !sideIsHeight[k], w, h);
        }
    }

    private void grade(int block, boolean turn, double w, double h) {
        if (placed[block] || !fits(block, turn, w, h)) {
            return;
        }
        int grade = across(block, turn) > w - SAME && down(block, turn) > h - SAME ? 2 : 1;
        if (grade > bestGrade || grade == bestGrade && rank[block] < rank[best]) {
            best = block;
            bestTurned = turn;
            bestGrade = grade;
        }
    }
}
