package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;

/**
 * A picture that is printed to be measured or judged: all of it, at its own size or as large as the paper allows, with lines of writing
 * below it.
 *
 * @param widthMm    of the picture where the paper allows it
 * @param leastShare of that width below which it can't be read any more
 * @param page       of several, told by its corners; empty of one that stands alone
 */
public record Chart(String itemId, double widthMm, double leastShare, List<String> lines, Optional<Integer> page) implements SheetPlan {
    private static final double LINE_MM = 5;
    private static final double TYPE_PT = 9;
    /** Round the picture, so that a scanner sees bare paper on all sides. */
    private static final double ROUND_MM = 6;
    /** Bars of a corner's code and what lies between them: a scan of 150 dpi tells them apart. */
    private static final double BAR_MM = 0.6;
    private static final double BAR_LENGTH_MM = 3;
    private static final int MOST_BARS = 12;

    public Chart(String itemId, double widthMm, double leastShare, List<String> lines) {
        this(itemId, widthMm, leastShare, lines, Optional.empty());
    }

    public Chart {
        lines = List.copyOf(lines);
        if (!(widthMm >= Frame.SMALLEST_MM && widthMm <= Frame.LARGEST_MM && leastShare > 0 && leastShare <= 1)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A chart of " + widthMm + " mm can't be printed.",
                "Take one of 5 mm to 5 m.");
        }
    }

    @Override
    public List<String> items() {
        return List.of(itemId);
    }

    /** Where it would be too small to be read, nothing is placed. */
    @Override
    public Layout lay(LayoutInput in) {
        Item item = in.item(itemId);
        Stock stock = in.stock();
        PixelSize picture = in.picture(item);
        Margins m = in.feedMargins();
        double writing = LINE_MM * (lines.size() + 1);
        double across = stock.widthMm() - m.left() - m.right() - 2 * ROUND_MM;
        double down = stock instanceof Stock.Sheet s ? s.lengthMm() - m.top() - m.bottom() - 2 * ROUND_MM - writing
            : Double.POSITIVE_INFINITY;
        double width = Math.min(widthMm, Math.min(across, down * picture.aspect()));
        boolean fits = width >= leastShare * widthMm;
        double height = fits ? width / picture.aspect() : 0;
        double length = stock instanceof Stock.Sheet s ? s.lengthMm() : height + writing + 2 * ROUND_MM + m.top() + m.bottom();
        if (!fits) {
            return Layout.without(new Layout.Unplaced(itemId, Layout.Unplaced.Reason.TOO_LARGE),
                Page.of(stock.widthMm(), length, m, Orientation.UPRIGHT, List.of(), List.of()));
        }
        Rect at = new Rect((stock.widthMm() - width) / 2 + (m.left() - m.right()) / 2, m.top() + ROUND_MM, width, height);
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            marks.add(new Mark.Text(lines.get(i), at.x(), at.bottom() + LINE_MM * (i + 1.5), TYPE_PT, 0, Mark.Anchor.START));
        }
        page.ifPresent(number -> corners(number, at, marks));
        Placed placed = Placed.of(item, Crop.whole(picture.width(), picture.height()), at);
        return Layout.of(List.of(Page.of(stock.widthMm(), length, m, Orientation.UPRIGHT, List.of(placed), marks)), List.of());
    }

    /**
     * In each corner as many bars as the number of the page says, outside of the picture, and a block before those of the first corner: so
     * a page tells which it is and which way up it lies.
     */
    private static void corners(int number, Rect at, List<Mark> marks) {
        double out = ROUND_MM - BAR_LENGTH_MM;
        for (double y : new double[] {at.y() - out - BAR_LENGTH_MM / 2, at.bottom() + out / 2}) {
            for (boolean right : new boolean[] {false, true}) {
                double from = right ? at.right() : at.x();
                double inwards = right ? -1 : 1;
                for (int bar = 0; bar < Math.min(number, MOST_BARS); bar++) {
                    double x = from + inwards * BAR_MM * (2 * bar + 0.5);
                    marks.add(new Mark.Line(x, y - BAR_LENGTH_MM / 2, x, y + BAR_LENGTH_MM / 2, BAR_MM));
                }
                if (!right && y < at.y()) {
                    marks.add(new Mark.Line(from - BAR_LENGTH_MM - 1, y, from - 1, y, BAR_LENGTH_MM));
                }
            }
        }
    }

    /** It always lies as it is read. */
    @Override
    public Chart turned() {
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
        return visitor.chart(this);
    }
}
