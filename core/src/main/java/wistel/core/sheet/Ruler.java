package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import wistel.core.length.Length;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;

/**
 * One line along the feed and one across it, each between two ticks and as long as the paper allows, to be measured with a ruler; beside
 * them a picture that shows which way the paper went.
 */
public record Ruler(String itemId, List<String> lines) implements SheetPlan {
    public static final double LONGEST_MM = 1000;
    /** A shorter line tells less than a ruler's divisions. */
    public static final double SHORTEST_MM = 100;
    /** Lengths are whole steps, which a ruler shows at a glance. */
    private static final double STEP_MM = 10;
    private static final double LINE_MM = 0.2;
    private static final double TICK_MM = 8;
    /** From what can't be printed to the nearest tick. */
    private static final double CLEAR_MM = 6;
    private static final double PICTURE_MM = 30;
    private static final double ROW_MM = 6;
    private static final double TYPE_PT = 10;

    public Ruler {
        lines = List.copyOf(lines);
    }

    /** How long its lines are meant to come out. */
    public record Lengths(double acrossMm, double alongMm) {
    }

    @Override
    public List<String> items() {
        return List.of(itemId);
    }

    /** @return the lengths of its lines on this stock; below {@link #SHORTEST_MM} it isn't printed */
    public static Lengths lengths(Stock stock, Margins margins) {
        double across = stock.widthMm() - margins.left() - margins.right();
        double along = stock instanceof Stock.Sheet s ? s.lengthMm() - margins.top() - margins.bottom() : Double.POSITIVE_INFINITY;
        return new Lengths(whole(across), whole(along));
    }

    private static double whole(double printableMm) {
        return Math.max(0, Math.min(LONGEST_MM, Math.floor((printableMm - 2 * CLEAR_MM - TICK_MM) / STEP_MM) * STEP_MM));
    }

    @Override
    public Layout lay(LayoutInput in) {
        Item item = in.item(itemId);
        Stock stock = in.stock();
        Margins m = in.feedMargins();
        Lengths lengths = lengths(stock, m);
        double length = stock instanceof Stock.Sheet s ? s.lengthMm() : lengths.alongMm + m.top() + m.bottom() + 2 * CLEAR_MM + TICK_MM;
        if (Math.min(lengths.acrossMm, lengths.alongMm) < SHORTEST_MM) {
            return Layout.without(new Layout.Unplaced(itemId, Layout.Unplaced.Reason.TOO_LARGE),
                Page.of(stock.widthMm(), length, m, Orientation.UPRIGHT, List.of(), List.of()));
        }
        double left = m.left() + CLEAR_MM;
        double top = m.top() + CLEAR_MM;
        // each begins beside the other, so that their ticks don't meet
        double x = left + TICK_MM / 2;
        double y = top + TICK_MM / 2;
        List<Mark> marks = new ArrayList<>();
        line(marks, x, y + TICK_MM / 2, x, y + TICK_MM / 2 + lengths.alongMm);
        line(marks, x + TICK_MM / 2, y, x + TICK_MM / 2 + lengths.acrossMm, y);
        PixelSize size = in.picture(item);
        double scale = PICTURE_MM / Math.max(size.width(), size.height());
        Rect at = new Rect(x + 2 * TICK_MM, y + 2 * TICK_MM, size.width() * scale, size.height() * scale);
        double down = at.bottom();
        for (String words : rows(lengths)) {
            down += ROW_MM;
            marks.add(new Mark.Text(words, at.x(), down, TYPE_PT, 0, Mark.Anchor.START));
        }
        Placed placed = Placed.of(item, Crop.whole(size.width(), size.height()), at);
        return Layout.of(List.of(Page.of(stock.widthMm(), length, m, Orientation.UPRIGHT, List.of(placed), marks)), List.of());
    }

    private List<String> rows(Lengths lengths) {
        List<String> rows = new ArrayList<>(lines);
        rows.add("across: " + Length.mm(lengths.acrossMm) + " mm from tick to tick");
        rows.add("along: " + Length.mm(lengths.alongMm) + " mm from tick to tick");
        return rows;
    }

    /** With a tick across each end; what is measured lies between the middles of the ticks. */
    private static void line(List<Mark> marks, double fromX, double fromY, double toX, double toY) {
        marks.add(new Mark.Line(fromX, fromY, toX, toY, LINE_MM));
        double across = fromX == toX ? TICK_MM / 2 : 0;
        double down = fromX == toX ? 0 : TICK_MM / 2;
        marks.add(new Mark.Line(fromX - across, fromY - down, fromX + across, fromY + down, LINE_MM));
        marks.add(new Mark.Line(toX - across, toY - down, toX + across, toY + down, LINE_MM));
    }

    /** It always lies as it is read. */
    @Override
    public Ruler turned() {
        return this;
    }

    @Override
    public boolean frames() {
        return false;
    }

    /** It has lines of its own. */
    @Override
    public boolean annotates() {
        return false;
    }

    @Override
    public <R> R accept(Visitor<R> visitor) {
        return visitor.ruler(this);
    }
}
