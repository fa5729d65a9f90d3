package wistel.core.packing;

import java.util.List;

/**
 * Skyline with best fit: the lowest gap of the skyline takes the block that fits it best, else the first of the order that fits; a gap that
 * nothing fits into is filled up to its lower neighbour. After E. K. Burke, G. Kendall, G. Whitwell, A New Placement Heuristic for the
 * Orthogonal Stock-Cutting Problem, Operations Research 52 (2004) 655-671; the grades of fit after S. C. H. Leung, D. Zhang, K. M. Sim, A
 * two-stage intelligent search algorithm for the two-dimensional strip packing problem, European Journal of Operational Research 215 (2011)
 * 57-69. Cuts need not go from edge to edge.
 */
public final class Skyline extends Filling {
    private final double[] from;
    private final double[] level;
    private final double[] wide;
    private int segments;
    private int best;
    private boolean bestTurned;
    private int bestGrade;

    private Skyline(List<Block> blocks, Space space) {
        super(blocks, space);
        from = new double[blocks.size() + 3];
        level = new double[from.length];
        wide = new double[from.length];
    }

    /**
     * Packs blocks as tightly as the effort finds.
     *
     * @param first an order to start from, of all blocks; empty for none
     */
    public static Packing pack(List<Block> blocks, Space space, List<Integer> first, Effort effort) {
        return OrderSearch.pack(blocks, space, Skyline::new, first, effort);
    }

    @Override
    protected void fillPage(double limit) {
        segments = 1;
        from[0] = 0;
        level[0] = 0;
        wide[0] = pageWidth();
        while (more()) {
            int gap = lowest();
            double base = level[gap];
            if (base >= limit - SAME) {
                return;
            }
            double left = (gap == 0 ? limit : level[gap - 1]) - base;
            double right = (gap == segments - 1 ? limit : level[gap + 1]) - base;
            choose(wide[gap], limit - base, Math.max(left, right), Math.min(left, right));
            if (best >= 0) {
                lay(gap, left, right);
            } else if (segments == 1) {
                return;
            } else {
                level[gap] = Math.min(gap == 0 ? Double.MAX_VALUE : level[gap - 1],
                    gap == segments - 1 ? Double.MAX_VALUE : level[gap + 1]);
                if (waste(wide[gap] * (level[gap] - base))) {
                    return;
                }
                merge(gap);
            }
        }
    }

    private int lowest() {
        int lowest = 0;
        for (int k = 1; k < segments; k++) {
            if (level[k] < level[lowest] - SAME) {
                lowest = k;
            }
        }
        return lowest;
    }

    /** Grades: as wide as the gap and as high as a wall of it, best; then as wide; then as high; then any that fits. */
    private void choose(double gap, double room, double higher, double lower) {
        best = -1;
        bestGrade = 0;
        if (gap < shortestSide() - SAME) {
            return;
        }
        for (int k = firstSide(gap - SAME); k < side.length && side[k] <= gap + SAME; k++) {
            boolean turn = sideIsHeight[k];
            int block = sideOf[k];
            double high = down(block, turn);
            if (!placed[block] && high <= room + SAME) {
                grade(block, turn, same(high, higher) ? 6 : same(high, lower) ? 5 : high < higher ? 3 : 1);
            }
        }
        asHigh(higher, gap, room, 4);
        asHigh(lower, gap, room, 2);
        if (best < 0) {
            best = firstFitting(gap, room);
            bestTurned = best >= 0 && !fits(best, false, gap, room);
        }
    }

    private static boolean same(double a, double b) {
        return Math.abs(a - b) < SAME;
    }

    private void asHigh(double wall, double gap, double room, int grade) {
        if (grade <= bestGrade || wall > room + SAME) {
            return;
        }
        for (int k = firstSide(wall - SAME); k < side.length && side[k] <= wall + SAME; k++) {
            boolean turn = !sideIsHeight[k];
            int block = sideOf[k];
            if (!placed[block] && across(block, turn) <= gap + SAME) {
                grade(block, turn, grade);
            }
        }
    }

    private void grade(int block, boolean turn, int grade) {
        if ((!turn || mayTurn[block]) && (grade > bestGrade || grade == bestGrade && rank[block] < rank[best])) {
            best = block;
            bestTurned = turn;
            bestGrade = grade;
        }
    }

    /** Beside the wall that it is as high as, else beside the higher one. */
    private void lay(int gap, double left, double right) {
        double w = across(best, bestTurned);
        double h = down(best, bestTurned);
        boolean full = w > wide[gap] - SAME;
        boolean atLeft = full || same(h, left) || !same(h, right) && left >= right;
        place(best, bestTurned, atLeft ? from[gap] : from[gap] + wide[gap] - w, level[gap]);
        if (full) {
            level[gap] += h;
            merge(gap);
            return;
        }
        insert(gap);
        if (atLeft) {
            level[gap] += h;
            wide[gap] = w;
            from[gap + 1] += w;
            wide[gap + 1] -= w;
            merge(gap);
        } else {
            wide[gap] -= w;
            from[gap + 1] += wide[gap];
            wide[gap + 1] = w;
            level[gap + 1] += h;
            merge(gap + 1);
        }
    }

    private void merge(int k) {
        if (k + 1 < segments && same(level[k], level[k + 1])) {
            wide[k] += wide[k + 1];
            move(k + 2, -1);
        }
        if (k > 0 && same(level[k], level[k - 1])) {
            wide[k - 1] += wide[k];
            move(k + 1, -1);
        }
    }

    private void insert(int k) {
        move(k, 1);
        from[k] = from[k + 1];
        level[k] = level[k + 1];
        wide[k] = wide[k + 1];
    }

    private void move(int first, int by) {
        int length = segments - first;
        System.arraycopy(from, first, from, first + by, length);
        System.arraycopy(level, first, level, first + by, length);
        System.arraycopy(wide, first, wide, first + by, length);
        segments += by;
    }
}
