package wistel.core.packing;

import java.util.List;

/** No packing is shorter: by area, by the longest block, and by blocks that never lie beside one another. */
public final class LowerBound {
    private LowerBound() {
    }

    /** Of the length used of a space without an end, whose blocks each fit across. */
    public static double length(List<Block> blocks, double width) {
        double area = 0;
        double longest = 0;
        double single = 0;
        for (Block b : blocks) {
            area += b.area();
            longest = Math.max(longest, shortest(b, width));
            boolean wide = Math.min(b.width(), b.mayTurn() ? b.height() : b.width()) > width / 2 + Space.SAME;
            single += wide ? shortest(b, width) : 0;
        }
        return Math.max(Math.max(area / width, longest), single);
    }

    /** How much of the length it takes in the way that takes least. */
    private static double shortest(Block b, double width) {
        boolean upright = b.width() <= width + Space.SAME;
        boolean turned = b.mayTurn() && b.height() <= width + Space.SAME;
        return upright && turned ? Math.min(b.width(), b.height()) : turned ? b.width() : b.height();
    }

    /** Of pages, by area alone. */
    public static int pages(List<Block> blocks, Space space) {
        double area = blocks.stream().mapToDouble(Block::area).sum();
        return (int) Math.max(1, Math.ceil(area / (space.width() * space.length()) - Space.SAME));
    }
}
