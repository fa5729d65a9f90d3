package wistel.core.sheet;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.packing.Effort;
import wistel.core.paper.Stock;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;

/**
 * Several pieces together on sheets, or along a roll.
 *
 * @param across the way the paper feeds lies left to right, as in {@link Single}
 * @param pieces ids of all that are to be laid, in their order
 * @param spots  where each print of a piece lies; pages are as many as are named. An arrangement finds them when what is arranged changes,
 *               so that an order lies as it lay for ever
 */
public record Gang(boolean across, Arrangement arrangement, List<String> pieces, List<Spot> spots) implements SheetPlan {
    /** Roll before and behind what lies on it, to hold it by. */
    static final double ROLL_END_MM = 15;
    /** Pieces that lie over one another by less touch: a rounding. */
    public static final double TOUCHING_MM = 0.01;
    private static final double CUT_MARK_MM = 4;
    static final int MOST_PAGES = 500;

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

    /** @throws InvalidRequest when there is no piece, or a spot of one that isn't among them */
    public Gang {
        spots = List.copyOf(spots);
        pieces = List.copyOf(pieces);
        Objects.requireNonNull(arrangement);
        if (pieces.isEmpty()) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Nothing is laid.", "Lay at least one piece.");
        }
        if (!pieces.containsAll(spots.stream().map(Spot::itemId).toList()) || pieces.stream().distinct().count() != pieces.size()) {
            throw new InvalidRequest(InvalidRequest.Reason.ITEM_UNKNOWN, "A place is kept for a piece that isn't laid here.",
                "Look at the docket as it is now.");
        }
    }

    /** Where a person put them. */
    public static Gang byHand(boolean across, List<Spot> spots) {
        return new Gang(across, Arrangement.UNTOLD, spots.stream().map(Spot::itemId).distinct().toList(), spots);
    }

    @Override
    public List<String> items() {
        return pieces;
    }

    public Gang arranged(Arrangement next) {
        return new Gang(across, next, pieces, spots);
    }

    /** Other pieces, or the same in another order; spots of those that are gone go with them. */
    public Gang of(List<String> next) {
        return new Gang(across, arrangement, next, spots.stream().filter(s -> next.contains(s.itemId)).toList());
    }

    public Gang laid(List<Spot> next) {
        return new Gang(across, arrangement, pieces, next);
    }

    /** Whether what its places depend on is the same here and there. */
    public boolean arrangedAlike(LayoutInput in, Gang other, LayoutInput otherIn) {
        return Arranger.of(this, in).equals(Arranger.of(other, otherIn));
    }

    /**
     * Its pieces in the sizes that its arrangement gives them; none where they keep those that they have.
     *
     * @throws InvalidRequest when they would be smaller than can be printed
     */
    public List<Item> resized(LayoutInput in) {
        return arrangement.sizes() ? RowSizes.of(this, in).items() : List.of();
    }

    /**
     * Whether more pieces lie on the paper that these take already. A quick trial: it may miss that they do.
     *
     * @param in  with the pieces that are there, and with the others
     * @param now as it lies
     */
    public boolean takes(List<String> more, LayoutInput in, Layout now) {
        Gang all = of(Stream.concat(pieces.stream(), more.stream()).toList());
        List<Spot> found = Arranger.of(all, in).spots(spots, Effort.QUICK);
        if (arrangement.way() == Arrangement.Way.BY_HAND
            || found.size() < all.pieces.stream().mapToInt(id -> in.item(id).copies()).sum()) {
            return false;
        }
        Layout then = all.laid(found).lay(in);
        return then.pages().size() <= now.pages().size() && then.usedLengthMm() <= now.usedLengthMm() + TOUCHING_MM;
    }

    /** Every print where its arrangement puts it; by hand, those that have no place yet behind the others. */
    public Gang placed(LayoutInput in) {
        if (arrangement.way() != Arrangement.Way.BY_HAND) {
            return laid(Arranger.of(this, in).spots(spots));
        }
        return laidByHand(in);
    }

    /** The same, found quickly, from the places of now on: for a hand that still moves something. */
    public Gang placedQuickly(LayoutInput in) {
        return arrangement.way() == Arrangement.Way.BY_HAND ? laidByHand(in) : laid(Arranger.of(this, in).spots(spots, Effort.QUICK));
    }

    private Gang laidByHand(LayoutInput in) {
        Map<String, Integer> open = new HashMap<>();
        pieces.forEach(id -> open.put(id, in.item(id).copies()));
        List<Spot> kept = new ArrayList<>(spots.stream().filter(s -> open.merge(s.itemId, -1, Integer::sum) >= 0).toList());
        open.replaceAll((id, n) -> Math.max(0, n));
        int last = kept.stream().mapToInt(Spot::page).max().orElse(0);
        Gang rest = arranged(arrangement.by(Arrangement.Way.CUT_ACROSS));
        Arranger.of(rest, in, item -> open.get(item.id())).spots(List.of())
            .forEach(s -> kept.add(new Spot(s.itemId, last + s.page, s.x, s.y, s.turned)));
        return laid(kept);
    }

    /** Whether a piece, as large as it is, has room on an empty page. */
    public boolean holds(String itemId, LayoutInput in) {
        return alone(itemId, in).holds();
    }

    /** By what a piece is to be scaled so that it just has room on an empty page; 0 where nothing of it has. */
    public double largestScale(String itemId, LayoutInput in) {
        return alone(itemId, in).largestScale(in.item(itemId).size(in.picture(in.item(itemId))));
    }

    /** One print of a piece on the paper of all. */
    private Arranger alone(String itemId, LayoutInput in) {
        return Arranger.of(new Gang(across, arrangement, List.of(itemId), List.of()), in, item -> 1);
    }

    /** Share of the paper's length that stays bare in the arrangement that wastes least, as far as a bound tells; 0 to 1. */
    public double leastBareShare(LayoutInput in, Layout layout) {
        double pictures = layout.pages().stream().mapToDouble(Page::areaMm2).sum() - layout.bareMm2();
        double sheets = in.stock() instanceof Stock.Sheet s
            ? Math.ceil(pictures / (s.widthMm() * s.lengthMm()) - 1e-9) * s.widthMm() * s.lengthMm()
            : (Arranger.of(this, in).leastLengthMm() + 2 * ROLL_END_MM - arrangement.gutterMm()) * in.stock().widthMm();
        return Math.max(0, 1 - pictures / Math.max(1, sheets));
    }

    @Override
    public Layout lay(LayoutInput in) {
        Margins margins = across ? in.feedMargins().across() : in.feedMargins();
        Orientation feed = across ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT;
        int last = spots.stream().mapToInt(Spot::page).max().orElse(1);
        Map<String, Integer> numbers = new HashMap<>();
        Map<String, Integer> prints = new HashMap<>();
        List<Page> pages = new ArrayList<>();
        List<CutLine> cuts = new ArrayList<>();
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
                marks.addAll(AnnotationMarks.marks(piece, edge(), item.annotation(), in.caption(item).plus(number - 1)));
            }
            double end = Math.max(ROLL_END_MM, across ? margins.right() : margins.bottom());
            double along = placed.stream().map(Placed::printedMm).mapToDouble(r -> across ? r.right() : r.bottom()).max().orElse(0) + end;
            double length = in.stock() instanceof Stock.Sheet s ? s.lengthMm() : along;
            Page bare = Page.of(across ? length : in.stock().widthMm(), across ? in.stock().widthMm() : length, margins, feed, placed,
                marks);
            // a contact sheet stays whole
            List<CutLine> parted = arrangement.sizes() ? List.of()
                : Cuts.of(nth + 1, bare, placed.stream().map(p -> lain(p, in)).toList()).lines();
            cuts.addAll(parted);
            pages.add(arrangement.cutMarks() ? bare.marked(parted.stream().flatMap(c -> cutMarks(c, bare)).toList()) : bare);
        }
        return Layout.of(pages, losses(in), unplaced(in)).cut(cuts);
    }

    /** Ids of what straight cuts don't part, by page. */
    public List<List<String>> joined(LayoutInput in, Layout layout) {
        return arrangement.sizes() ? List.of()
            : layout.pages().stream().map(page -> Cuts.of(1, page, page.placed().stream().map(p -> lain(p, in)).toList()).joined())
                .toList();
    }

    /** A piece on its page, with what stands round it. */
    private Cuts.Lain lain(Placed p, LayoutInput in) {
        AnnotationMarks.Round round = AnnotationMarks.round(edge(), in.item(p.itemId()).annotation());
        boolean turned = p.orientation() != Orientation.UPRIGHT;
        double left = turned ? round.belowMm() : round.sidesMm();
        double below = turned ? round.sidesMm() : round.belowMm();
        Rect at = p.atMm();
        return new Cuts.Lain(p.id(), new Rect(at.x() - left, at.y() - round.sidesMm(), at.width() + left + round.sidesMm(),
            at.height() + round.sidesMm() + below));
    }

    /** Short lines at both ends of a cut, on printable paper, where they lie beside all pictures. */
    private static Stream<Mark> cutMarks(CutLine cut, Page page) {
        Margins m = page.unprintable();
        double from = Math.max(cut.fromMm(), cut.down() ? m.top() : m.left());
        double to = Math.min(cut.toMm(), cut.down() ? page.heightMm() - m.bottom() : page.widthMm() - m.right());
        return Stream.of(new double[] {from, from + CUT_MARK_MM}, new double[] {to - CUT_MARK_MM, to})
            .filter(ends -> page.placed().stream().map(Placed::atMm).noneMatch(r -> cut.down()
                ? r.x() < cut.atMm() && r.right() > cut.atMm() && r.y() < ends[1] && r.bottom() > ends[0]
                : r.y() < cut.atMm() && r.bottom() > cut.atMm() && r.x() < ends[1] && r.right() > ends[0]))
            .map(ends -> cut.down() ? new Mark.Line(cut.atMm(), ends[0], cut.atMm(), ends[1], AnnotationMarks.HAIRLINE_MM)
                : new Mark.Line(ends[0], cut.atMm(), ends[1], cut.atMm(), AnnotationMarks.HAIRLINE_MM));
    }

    /** Pieces of which not all prints have a place. */
    private List<Layout.Unplaced> unplaced(LayoutInput in) {
        List<Layout.Unplaced> unplaced = new ArrayList<>();
        for (String id : pieces) {
            long lie = spots.stream().filter(s -> s.itemId.equals(id)).count();
            if (lie < in.item(id).copies() && (arrangement.way() != Arrangement.Way.BY_HAND || lie == 0)) {
                unplaced.add(new Layout.Unplaced(id, holds(id, in) ? Layout.Unplaced.Reason.NO_ROOM : Layout.Unplaced.Reason.TOO_LARGE));
            }
        }
        return unplaced;
    }

    private static Placed placed(Item item, Spot spot, PixelSize picture, int print) {
        double[] size = item.size(picture);
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
        return new Gang(!across, arrangement, pieces, spots);
    }

    /** A roll is looked at from the side, as long as it may become. */
    @Override
    public Gang onStock(Stock stock) {
        return stock instanceof Stock.Roll ? new Gang(true, arrangement, pieces, spots) : this;
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
