package wistel.core.sheet;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;

/**
 * Several pieces together on sheets, or along a roll.
 *
 * @param across the way the paper feeds lies left to right, as in {@link Single}
 * @param spots  where each piece lies; pages are as many as are named
 */
public record Gang(boolean across, List<Spot> spots) implements SheetPlan {
    /** Roll before and behind what lies on it, to hold it by. */
    private static final double ROLL_END_MM = 15;
    private static final int MOST_PAGES = 500;

    /**
     * A piece's place.
     *
     * @param page   1 for the first
     * @param x, y   of its upper left corner on the page as it is looked at; of its picture's frame, without what stands round that
     * @param turned it lies turned by a quarter to the right
     */
    public record Spot(String itemId, int page, double x, double y, boolean turned) {
        /** @throws InvalidRequest when it can't be */
        public Spot {
            Objects.requireNonNull(itemId);
            if (page < 1 || page > MOST_PAGES || !(Math.abs(x) <= Frame.LARGEST_MM && Math.abs(y) <= Frame.LARGEST_MM)) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A piece can't lie there.",
                    "Put it on one of the pages, up to 5 m away from its corner.");
            }
        }
    }

    public Gang {
        spots = List.copyOf(spots);
        if (spots.isEmpty()) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Nothing is laid.", "Lay at least one piece.");
        }
    }

    @Override
    public List<String> items() {
        return spots.stream().map(Spot::itemId).distinct().toList();
    }

    @Override
    public Layout lay(LayoutInput in) {
        Margins margins = across ? in.feedMargins().across() : in.feedMargins();
        Orientation feed = across ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT;
        int last = spots.stream().mapToInt(Spot::page).max().orElseThrow();
        Map<String, Integer> numbers = new HashMap<>();
        Map<String, Integer> prints = new HashMap<>();
        List<Page> pages = new ArrayList<>();
        for (int nth = 0; nth < last * (copiesByPrinter(in.items()) ? 1 : in.copies()); nth++) {
            int page = nth % last + 1;
            if (page == 1) {
                prints.clear();
            }
            List<Placed> placed = new ArrayList<>();
            List<Mark> marks = new ArrayList<>();
            for (Spot spot : spots.stream().filter(s -> s.page == page).toList()) {
                Item item = in.item(spot.itemId);
                int number = numbers.merge(item.id(), 1, Integer::sum);
                Placed piece = placed(item, spot, in.picture(item), prints.merge(item.id(), 1, Integer::sum));
                placed.add(piece);
                marks.addAll(AnnotationMarks.marks(piece.atMm(), edge(), item.annotation(), in.caption(item).plus(number - 1)));
            }
            double end = Math.max(ROLL_END_MM, across ? margins.right() : margins.bottom());
            double along = placed.stream().map(Placed::printedMm).mapToDouble(r -> across ? r.right() : r.bottom()).max().orElse(0) + end;
            double length = in.stock() instanceof Stock.Sheet s ? s.lengthMm() : along;
            pages
                .add(Page.of(across ? length : in.stock().widthMm(), across ? in.stock().widthMm() : length, margins, feed, placed, marks));
        }
        return Layout.of(pages, losses(in));
    }

    private static Placed placed(Item item, Spot spot, PixelSize picture, int print) {
        Frame frame = item.frame();
        double[] size = frame.filledBy(item.aspect(picture), frame.widthMm(), frame.heightMm());
        Rect at = new Rect(spot.x, spot.y, spot.turned ? size[1] : size[0], spot.turned ? size[0] : size[1]);
        Placed piece = Placed.of(item, item.shown(picture, size[0], size[1]), at)
            .oriented(spot.turned ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT);
        return print == 1 ? piece : piece.part(print);
    }

    /** Outside of the crop; the same for each print of a piece. */
    private List<Layout.Loss> losses(LayoutInput in) {
        List<Layout.Loss> losses = new ArrayList<>();
        for (String id : items()) {
            Item item = in.item(id);
            PixelSize picture = in.picture(item);
            Crop shown = placed(item, new Spot(id, 1, 0, 0, false), picture, 1).crop();
            losses.addAll(Layout.Loss.of(item, 1 - shown.width() * shown.height() / ((double) picture.width() * picture.height())));
        }
        return losses;
    }

    @Override
    public Gang turned() {
        return new Gang(!across, spots);
    }

    @Override
    public boolean frames() {
        return true;
    }

    @Override
    public boolean annotates() {
        return true;
    }

    @Override
    public <R> R accept(Visitor<R> visitor) {
        return visitor.gang(this);
    }
}
