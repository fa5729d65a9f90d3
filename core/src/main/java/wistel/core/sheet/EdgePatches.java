package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wistel.core.length.Margins;

/**
 * Patches in a printer's own numbers along an edge of a page, where its paper is bare: in rows from the left to the right, the first row
 * above, a bar before the first patch.
 */
final class EdgePatches {
    /** Sides of patches: an instrument's opening with room to aim, and less of it where the border is narrow. */
    private static final double[] SIDES_MM = {8, 7, 6};
    private static final int MOST_ROWS = 4;
    /** Bare paper between them and what else is printed. */
    private static final double CLEAR_MM = 3;
    /** To what can't be printed on. */
    private static final double INSIDE_MM = 1;
    private static final double BAR_MM = 0.6;
    private static final double BAR_LENGTH_MM = 4;
    /** Between the bar and the first patch, and what the bar takes. */
    private static final double BEFORE_MM = 2;

    private EdgePatches() {
    }

    /**
     * The page with them, or nothing where no edge has room for them.
     *
     * @param codes of each patch, 16 bit, by channel
     */
    static Optional<Page> on(Page page, List<List<Integer>> codes) {
        if (page.overMm() > 0 || codes.isEmpty()) {
            return Optional.empty();
        }
        double[] taken = taken(page);
        List<Rect> bands = bands(page, taken);
        for (double side : SIDES_MM) {
            for (Rect band : bands) {
                Optional<List<Mark>> marks = within(band, taken, side, codes);
                if (marks.isPresent()) {
                    return marks.map(page::marked);
                }
            }
        }
        return Optional.empty();
    }

    /** Bare paper that can be printed on: below all that is printed, to its right, above it, to its left. */
    private static List<Rect> bands(Page page, double[] taken) {
        Margins m = page.unprintable();
        double left = m.left() + INSIDE_MM;
        double top = m.top() + INSIDE_MM;
        double right = page.widthMm() - m.right() - INSIDE_MM;
        double bottom = page.heightMm() - m.bottom() - INSIDE_MM;
        List<Rect> bands = new ArrayList<>();
        band(bands, left, taken[3] + CLEAR_MM, right, bottom);
        band(bands, taken[2] + CLEAR_MM, top, right, bottom);
        band(bands, left, top, right, taken[1] - CLEAR_MM);
        band(bands, left, top, taken[0] - CLEAR_MM, bottom);
        return bands;
    }

    /** What a rectangle round all that is printed has as its left, upper, right and lower edge. */
    private static double[] taken(Page page) {
        double[] taken = {page.widthMm(), page.heightMm(), 0, 0};
        page.placed().forEach(p -> take(taken, p.printedMm()));
        page.placed().forEach(p -> p.bleedParts().forEach(b -> take(taken, b.printedMm())));
        page.marks().forEach(mark -> take(taken, mark.extentMm()));
        return taken;
    }

    private static void take(double[] taken, Rect at) {
        taken[0] = Math.min(taken[0], at.x());
        taken[1] = Math.min(taken[1], at.y());
        taken[2] = Math.max(taken[2], at.right());
        taken[3] = Math.max(taken[3], at.bottom());
    }

    private static void band(List<Rect> bands, double left, double top, double right, double bottom) {
        if (right > left && bottom > top) {
            bands.add(new Rect(left, top, right - left, bottom - top));
        }
    }

    /** Where something of this length begins so that it lies in the middle of what is printed, as far as the band allows. */
    private static double beside(double from, double to, double length, double least, double most) {
        return Math.max(least, Math.min(most - length, (from + to - length) / 2));
    }

    /** In a band, in the middle of what is printed, in as few rows (of an upright one: columns) as they go. */
    private static Optional<List<Mark>> within(Rect band, double[] taken, double side, List<List<Integer>> codes) {
        boolean lying = band.width() >= band.height();
        double length = (lying ? band.width() : band.height()) - BEFORE_MM;
        double depth = lying ? band.height() : band.width();
        int along = (int) Math.floor(length / side);
        int rows = along < 1 ? MOST_ROWS + 1 : (codes.size() + along - 1) / along;
        if (rows > MOST_ROWS || rows * side > depth) {
            return Optional.empty();
        }
        int even = (codes.size() + rows - 1) / rows;
        int columns = lying ? even : rows;
        double across = columns * side + (lying ? BEFORE_MM : 0);
        double down = ((codes.size() + columns - 1) / columns) * side + (lying ? 0 : BEFORE_MM);
        double x = beside(taken[0], taken[2], across, band.x(), band.right()) + (lying ? BEFORE_MM : 0);
        double y = beside(taken[1], taken[3], down, band.y(), band.bottom()) + (lying ? 0 : BEFORE_MM);
        List<Mark> marks = new ArrayList<>();
        double bar = BEFORE_MM - BAR_MM / 2;
        double middle = side / 2;
        marks.add(lying ? new Mark.Line(x - bar, y + middle - BAR_LENGTH_MM / 2, x - bar, y + middle + BAR_LENGTH_MM / 2, BAR_MM)
            : new Mark.Line(x + middle - BAR_LENGTH_MM / 2, y - bar, x + middle + BAR_LENGTH_MM / 2, y - bar, BAR_MM));
        for (int i = 0; i < codes.size(); i++) {
            marks.add(new Mark.ControlPatch(new Rect(x + i % columns * side, y + i / columns * side, side, side), codes.get(i)));
        }
        return Optional.of(marks);
    }
}
