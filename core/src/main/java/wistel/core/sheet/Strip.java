package wistel.core.sheet;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Orientation;

/**
 * A part of one picture, printed several times with one thing varied across, another downwards, and a setting of the printer page by page.
 * The part is the piece's cut, its frame is as large as each of them. What was varied is written below each.
 *
 * @param across the way the paper feeds lies left to right, as in {@link Single}
 * @param down   empty for a single row
 * @param pages  empty for a single page
 * @param chosen what was taken over from it into the docket that it came from, in words; blank until then
 */
public record Strip(String itemId, boolean across, StripAxis columns, Optional<StripAxis> down, Optional<StripPages> pages,
    String chosen) implements SheetPlan {
    private static final double GAP_MM = 8;
    /** Below each piece, for its label and the gap to the next row. */
    private static final double BELOW_MM = 10;
    private static final double HEAD_MM = 8;
    private static final double BASELINE_MM = 4;
    private static final double ROUND_MM = 4;
    private static final double ROLL_END_MM = 15;
    private static final double TYPE_PT = 7;
    private static final double SMALLEST_TYPE_PT = 4;
    /** A line of type this wide for each character at one point, about. */
    private static final double CHARACTER_MM = 0.19;

    /** @throws InvalidRequest when one thing is varied twice */
    public Strip {
        Set<Varied> seen = new HashSet<>();
        if (!Stream.concat(Stream.of(columns), down.stream()).map(StripAxis::what).allMatch(seen::add)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "The " + columns.what().word() + " is varied already.",
                "Choose something else across or downwards.");
        }
    }

    public static Strip of(String itemId, boolean across, StripAxis columns, Optional<StripAxis> down) {
        return new Strip(itemId, across, columns, down, Optional.empty(), "");
    }

    public Strip varied(StripAxis nextColumns, Optional<StripAxis> nextDown, Optional<StripPages> nextPages) {
        return new Strip(itemId, across, nextColumns, nextDown, nextPages, chosen);
    }

    public Strip chose(String words) {
        return new Strip(itemId, across, columns, down, pages, words);
    }

    public Strip lying(boolean next) {
        return new Strip(itemId, next, columns, down, pages, chosen);
    }

    /** Pieces on each page. */
    public int count() {
        return columns.steps().size() * rows();
    }

    private int rows() {
        return down.map(d -> d.steps().size()).orElse(1);
    }

    @Override
    public List<String> items() {
        return List.of(itemId);
    }

    /** As wide as all pieces may be on a stock, so that a page holds them; 0 or less where it holds none. */
    public double largestMm(LayoutInput in) {
        Room room = room(in);
        double aspect = in.item(itemId).aspect(in.picture(in.item(itemId)));
        int n = columns.steps().size();
        double width = (room.width - (n - 1) * GAP_MM) / n;
        double height = (room.height - HEAD_MM) / rows() - BELOW_MM;
        return Math.floor(Math.min(width, height * aspect) * 10) / 10;
    }

    /** A piece of this width; its height follows from the part. */
    public Item sized(double widthMm, LayoutInput in) {
        Item item = in.item(itemId);
        return item.sized(widthMm, widthMm / item.aspect(in.picture(item)));
    }

    /** What can be printed on, looked at upright; a roll is as long as it takes. */
    private record Room(double left, double top, double width, double height) {
    }

    private Room room(LayoutInput in) {
        Margins m = across ? in.feedMargins().across() : in.feedMargins();
        double length = in.stock() instanceof Stock.Sheet s ? s.lengthMm() : Double.POSITIVE_INFINITY;
        double width = (across ? length : in.stock().widthMm()) - m.left() - m.right() - 2 * ROUND_MM;
        double height = (across ? in.stock().widthMm() : length) - m.top() - m.bottom() - 2 * ROUND_MM;
        return new Room(m.left() + ROUND_MM, m.top() + ROUND_MM, width, height);
    }

    @Override
    public Layout lay(LayoutInput in) {
        Item item = in.item(itemId);
        double[] size = item.size(in.picture(item));
        Room room = room(in);
        Margins m = across ? in.feedMargins().across() : in.feedMargins();
        int n = columns.steps().size();
        double wide = n * size[0] + (n - 1) * GAP_MM;
        double high = HEAD_MM + rows() * (size[1] + BELOW_MM);
        double fixed = in.stock().widthMm();
        double along = in.stock() instanceof Stock.Sheet s ? s.lengthMm()
            : (across ? wide + m.left() + m.right() : high + m.top() + m.bottom()) + 2 * ROLL_END_MM;
        double pageWidth = across ? along : fixed;
        double pageHeight = across ? fixed : along;
        Orientation feed = across ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT;
        if (wide > room.width + 1e-6 || high > room.height + 1e-6) {
            return Layout.without(new Layout.Unplaced(itemId, Layout.Unplaced.Reason.TOO_LARGE),
                Page.of(pageWidth, pageHeight, m, feed, List.of(), List.of()));
        }
        double left = m.left() + (pageWidth - m.left() - m.right() - wide) / 2;
        double top = m.top() + (pageHeight - m.top() - m.bottom() - high) / 2;
        List<Page> laid = new ArrayList<>();
        for (int nth = 0; nth < pages.map(p -> p.values().size()).orElse(1); nth++) {
            laid.add(page(nth, in, new Rect(left, top, size[0], size[1]), Page.of(pageWidth, pageHeight, m, feed, List.of(), List.of())));
        }
        return Layout.of(laid, List.of());
    }

    /** @param first where the grid begins, and how large each piece is */
    private Page page(int nth, LayoutInput in, Rect first, Page bare) {
        Item item = in.item(itemId);
        List<Placed> placed = new ArrayList<>();
        List<Mark> marks = new ArrayList<>();
        Optional<StripPages.PageSetting> value = pages.map(p -> p.values().get(nth));
        String head = Stream.of(in.caption(item).title(), value.map(StripPages.PageSetting::words).orElse(""), in.caption(item).date())
            .filter(w -> !w.isBlank()).reduce((a, b) -> a + " · " + b).orElse("");
        if (!head.isEmpty()) {
            marks.add(new Mark.Text(head, first.x(), first.y() + BASELINE_MM, TYPE_PT, 0, Mark.Anchor.START));
        }
        for (int row = 0; row < rows(); row++) {
            for (int column = 0; column < columns.steps().size(); column++) {
                Rect at = new Rect(first.x() + column * (first.width() + GAP_MM),
                    first.y() + HEAD_MM + row * (first.height() + BELOW_MM), first.width(), first.height());
                List<Delta> deltas = new ArrayList<>(List.of(columns.steps().get(column)));
                if (down.isPresent()) {
                    deltas.add(down.get().steps().get(row));
                }
                Variation variation = new Variation(deltas);
                placed.add(Placed.of(item, item.shown(in.picture(item), at.width(), at.height()), at)
                    .varied(row * columns.steps().size() + column + 1, variation));
                marks.add(new Mark.Text(variation.words(), at.x(), at.bottom() + BASELINE_MM, typePt(variation.words(), at.width()), 0,
                    Mark.Anchor.START));
            }
        }
        return new Page(bare.widthMm(), bare.heightMm(), bare.unprintable(), bare.feedTurn(), 0, placed, marks,
            value.map(v -> Map.of(pages.orElseThrow().setting(), v.value())).orElse(Map.of()));
    }

    /** As large as lets a label end before the next one begins. */
    private static double typePt(String words, double widthMm) {
        return Math.max(SMALLEST_TYPE_PT, Math.min(TYPE_PT, (widthMm + GAP_MM - 2) / (CHARACTER_MM * Math.max(1, words.length()))));
    }

    @Override
    public Strip turned() {
        return lying(!across);
    }

    @Override
    public boolean frames() {
        return true;
    }

    /** It has labels of its own. */
    @Override
    public boolean annotates() {
        return false;
    }

    @Override
    public <R> R accept(Visitor<R> visitor) {
        return visitor.strip(this);
    }
}
