package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;
import wistel.core.sheet.SheetPlan.PixelSize;

/** A piece with the plan that lays it alone on its paper: what a person changes of the two goes together. */
public record SinglePiece(Item item, Single plan) {
    private static final double FRESH_BORDER_MM = 20;
    /** Even borders of a roll are even with its sides up to this; beyond it, paper would be wasted. */
    private static final double ROLL_ENDS_MM = 25;

    /** @throws IllegalArgumentException when the plan lays another piece */
    public SinglePiece {
        if (!plan.itemId().equals(item.id())) {
            throw new IllegalArgumentException("plan of " + plan.itemId() + ", piece " + item.id());
        }
    }

    /**
     * What a piece is laid as while nobody has decided: all of it, the way of the sheet that suits it, with a border of 20 mm or as wide as
     * the feed needs.
     */
    public static SinglePiece usual(String itemId, String renditionId, LayoutInput in) {
        PixelSize picture = in.pictures().get(renditionId);
        boolean across = picture.width() > picture.height();
        double width = in.stock().widthMm();
        double length = in.stock() instanceof Stock.Sheet sheet ? sheet.lengthMm()
            : width * Math.max(picture.aspect(), 1 / picture.aspect());
        double sheetW = across ? length : width;
        double sheetH = across ? width : length;
        double scale = Math.min((sheetW - 2 * FRESH_BORDER_MM) / picture.width(), (sheetH - 2 * FRESH_BORDER_MM) / picture.height());
        Item item = Item.whole(itemId, renditionId, tenth(picture.width() * scale), tenth(picture.height() * scale));
        SinglePiece usual = new SinglePiece(item, Single.of(itemId, across));
        return usual.largestIfAny(in).filter(largest -> largest.widthMm() < item.frame().widthMm())
            .map(f -> usual.framed(f.widthMm(), f.heightMm())).orElse(usual);
    }

    private static double tenth(double mm) {
        return Math.max(5, Math.round(mm * 10) / 10.0);
    }

    /** In a frame of another size; borders that were typed give way to even ones. */
    public SinglePiece framed(double widthMm, double heightMm) {
        return new SinglePiece(item.sized(widthMm, heightMm), plan.reframed());
    }

    /**
     * Where a person laid it: the borders are what is left of the paper. A roll is cut as far behind the picture as it begins before it.
     */
    public SinglePiece laid(Rect at, Stock stock) {
        PaperSize paper = paper(stock, plan.across() ? 2 * at.x() + at.width() : 2 * at.y() + at.height());
        Borders sides = new Borders.Sides(at.y(), paper.width - at.right(), paper.height - at.bottom(), at.x());
        return new SinglePiece(item.sized(at.width(), at.height()),
            new Single(item.id(), plan.across(), sides, new Edge(false, 0, plan.edge().bleedMm())));
    }

    public SinglePiece fitted(Frame.Fit next) {
        return new SinglePiece(item.framed(item.frame().fitted(next)), plan);
    }

    /**
     * The largest frame of the picture's shape that lies wholly on printable paper, where the borders put it.
     *
     * @throws InvalidRequest when there is none of the smallest size
     */
    public Frame largest(LayoutInput in) {
        return largestIfAny(in).orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
            "Nothing can be printed on this sheet by this feed.", "Choose another sheet or feed."));
    }

    /** The same; empty when a side would be shorter than pictures are. */
    public Optional<Frame> largestIfAny(LayoutInput in) {
        Frame frame = item.frame();
        double aspect = frame.fit() == Frame.Fit.FILL ? frame.widthMm() / frame.heightMm() : item.aspect(in.picture(item));
        PaperSize room = printable(in);
        double width = Math.min(room.width, room.height * aspect);
        double height = width / aspect;
        double rounded = Math.floor(width * 10) / 10;
        double high = height * rounded / width;
        return Math.min(rounded, high) >= Frame.SMALLEST_MM ? Optional.of(frame.sized(rounded, high)) : Optional.empty();
    }

    /** What can be printed on where the borders put the picture, with its bleed round it; a roll is as long as the picture asks for. */
    private PaperSize printable(LayoutInput in) {
        Margins m = margins(in);
        double bleed = plan.edge().bleedMm();
        double above = plan.borders().aboveShare();
        PaperSize paper = paper(in.stock(), Double.POSITIVE_INFINITY);
        double sides = 2 * (Math.max(m.left(), m.right()) + bleed);
        double spare = Math.max((m.top() + bleed) / above, (m.bottom() + bleed) / (1 - above));
        return new PaperSize(paper.width - sides, paper.height - spare);
    }

    /** Filling a frame of the picture's own shape changes nothing: then the printable paper, borders even, is what is meant. */
    public SinglePiece filling(LayoutInput in) {
        SinglePiece filled = fitted(Frame.Fit.FILL);
        Frame frame = item.frame();
        boolean framed = !plan.edge().borderless() && !(plan.borders() instanceof Borders.Sides) && in.stock() instanceof Stock.Sheet;
        if (!framed || !Frame.sameShape(frame.widthMm() / frame.heightMm(), item.aspect(in.picture(item)))) {
            return filled;
        }
        PaperSize room = printable(in);
        return filled.framed(room.width, room.height);
    }

    private Margins margins(LayoutInput in) {
        return plan.across() ? in.feedMargins().across() : in.feedMargins();
    }

    Layout lay(LayoutInput in) {
        PixelSize picture = in.picture(item);
        Edge edge = plan.edge();
        Place place = place(in, item.aspect(picture));
        Crop crop = item.shown(picture, place.at.width(), place.at.height());
        Placed placed = Placed.of(item, crop, place.at).bled(edge.bleedMm());
        Orientation feed = plan.across() ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT;
        Margins margins = edge.borderless() ? Margins.NONE : margins(in);
        List<Page> pages = new ArrayList<>();
        for (int copy = 0; copy < (plan.copiesByPrinter(in.items()) ? 1 : in.copies()); copy++) {
            List<Mark> marks = AnnotationMarks.marks(place.at, edge, item.annotation(), in.caption(item).plus(copy));
            pages.add(new Page(place.paper.width, place.paper.height, margins, feed, edge.overMm(), List.of(placed), marks));
        }
        return Layout.of(pages, losses(picture, crop, pages.get(0)));
    }

    /** What of the picture no page shows: outside of the crop, and past the edges of borderless paper. */
    private List<Layout.Loss> losses(PixelSize picture, Crop crop, Page page) {
        double shown = crop.width() * crop.height() / ((double) picture.width() * picture.height());
        if (plan.edge().borderless()) {
            Rect at = page.placed().get(0).atMm();
            shown *= page.visibleMm2(at) / (at.width() * at.height());
        }
        return Layout.Loss.of(item, 1 - shown);
    }

    /** In mm, as the picture stands on it. */
    private record PaperSize(double width, double height) {
    }

    /** @param cutMm length that a roll is cut to */
    private PaperSize paper(Stock stock, double cutMm) {
        double length = stock instanceof Stock.Sheet sheet ? sheet.lengthMm() : cutMm;
        return plan.across() ? new PaperSize(length, stock.widthMm()) : new PaperSize(stock.widthMm(), length);
    }

    /** The paper, and where the picture lies on it. */
    private record Place(PaperSize paper, Rect at) {
    }

    private Place place(LayoutInput in, double aspect) {
        if (plan.edge().borderless()) {
            double over = plan.edge().bleedMm() > 0 ? 0 : plan.edge().overMm();
            return sided(in, aspect, new Borders.Sides(-over, -over, -over, -over));
        }
        return plan.borders() instanceof Borders.Sides sides ? sided(in, aspect, sides) : centred(in, aspect);
    }

    /** The frame is what the borders leave; a picture of another shape lies in its middle. */
    private Place sided(LayoutInput in, double aspect, Borders.Sides s) {
        boolean across = plan.across();
        Frame frame = item.frame();
        double acrossRoll = in.stock().widthMm() - (across ? s.top() + s.bottom() : s.left() + s.right());
        double along = frame.fit() == Frame.Fit.FILL ? (across ? frame.widthMm() : frame.heightMm())
            : across ? acrossRoll * aspect : acrossRoll / aspect;
        PaperSize paper = paper(in.stock(), along + (across ? s.left() + s.right() : s.top() + s.bottom()));
        double w = Math.max(Frame.SMALLEST_MM, paper.width - s.left() - s.right());
        double h = Math.max(Frame.SMALLEST_MM, paper.height - s.top() - s.bottom());
        double[] size = frame.filledBy(aspect, w, h);
        return new Place(new PaperSize(Math.max(1, paper.width), Math.max(1, paper.height)),
            new Rect(s.left() + (w - size[0]) / 2, s.top() + (h - size[1]) / 2, size[0], size[1]));
    }

    private Place centred(LayoutInput in, double aspect) {
        boolean across = plan.across();
        double[] size = item.frame().filledBy(aspect, item.frame().widthMm(), item.frame().heightMm());
        Margins m = margins(in);
        double side = (in.stock().widthMm() - (across ? size[1] : size[0])) / 2;
        double end = Math.max(Math.max(across ? m.left() : m.top(), across ? m.right() : m.bottom()), Math.min(side, ROLL_ENDS_MM))
            + plan.edge().bleedMm();
        PaperSize paper = paper(in.stock(), across ? size[0] + 2 * end : size[1] + end / plan.borders().aboveShare());
        double spare = paper.height - size[1];
        return new Place(paper,
            new Rect((paper.width - size[0]) / 2, spare > 0 ? spare * plan.borders().aboveShare() : spare / 2, size[0], size[1]));
    }
}
