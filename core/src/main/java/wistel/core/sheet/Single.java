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
 * One picture on one sheet or one length of roll.
 *
 * @param across   the way the paper feeds lies left to right: of a sheet its long edge, of a roll its length
 * @param widthMm  of the frame; with {@link Fit#WHOLE} all of the cut is shown as large as the frame allows. Typed borders and borderless
 *                 printing make the frame themselves
 * @param cropX    with {@link Fit#FILL}, where the frame sits in the cut: 0 left, 1 right
 * @param cut      the part of the picture that is wanted
 */
public record Single(String renditionId, boolean across, double widthMm, double heightMm, Fit fit, double cropX, double cropY, Cut cut, Borders borders, Edge edge)
    implements SheetPlan {
    public enum Fit { WHOLE, FILL }

    public static final double SMALLEST_MM = 5;
    public static final double LARGEST_MM = 5000;
    /** Even borders of a roll are even with its sides up to this; beyond it, paper would be wasted. */
    private static final double ROLL_ENDS_MM = 25;
    /** Shapes that differ by less look the same. */
    private static final double SAME_SHAPE = 0.005;
    /** A loss smaller than this share is rounding. */
    static final double HARDLY = 0.0005;

    /** @throws InvalidRequest when a length or place is out of its range */
    public Single {
        boolean sane = widthMm >= SMALLEST_MM && heightMm >= SMALLEST_MM && widthMm <= LARGEST_MM && heightMm <= LARGEST_MM
            && cropX >= 0 && cropX <= 1 && cropY >= 0 && cropY <= 1;
        if (!sane) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A picture of " + widthMm + " × " + heightMm + " mm can't be printed.", "Pictures go from 5 mm to 5 m.");
        }
    }

    /** All of a picture in a frame, with even borders. */
    public static Single whole(String renditionId, boolean across, double widthMm, double heightMm) {
        return new Single(renditionId, across, widthMm, heightMm, Fit.WHOLE, 0.5, 0.5, Cut.WHOLE, new Borders.Even(), Edge.BORDERED);
    }

    /** In a frame of another size; borders that were typed give way to even ones. */
    public Single framed(double width, double height) {
        Borders next = borders instanceof Borders.Sides ? new Borders.Even() : borders;
        return new Single(renditionId, across, width, height, fit, cropX, cropY, cut, next, edge.borderless() ? new Edge(false, 0, edge.bleedMm()) : edge);
    }

    /** Where a person laid it: the borders are what is left of the paper. A roll is cut as far behind the picture as it begins before it. */
    public Single laid(Rect at, Stock stock) {
        PaperSize paper = paper(stock, across ? 2 * at.x() + at.width() : 2 * at.y() + at.height());
        Borders sides = new Borders.Sides(at.y(), paper.width - at.right(), paper.height - at.bottom(), at.x());
        return new Single(renditionId, across, at.width(), at.height(), fit, cropX, cropY, cut, sides, new Edge(false, 0, edge.bleedMm()));
    }

    public Single turned() {
        return new Single(renditionId, !across, widthMm, heightMm, fit, cropX, cropY, cut, borders, edge);
    }

    public Single fitted(Fit next) {
        return new Single(renditionId, across, widthMm, heightMm, next, cropX, cropY, cut, borders, edge);
    }

    public Single cropped(double x, double y) {
        return new Single(renditionId, across, widthMm, heightMm, fit, x, y, cut, borders, edge);
    }

    public Single cut(Cut next) {
        return new Single(renditionId, across, widthMm, heightMm, fit, cropX, cropY, next, borders, edge);
    }

    public Single bordered(Borders next) {
        return new Single(renditionId, across, widthMm, heightMm, fit, cropX, cropY, cut, next, edge);
    }

    public Single edged(Edge next) {
        return new Single(renditionId, across, widthMm, heightMm, fit, cropX, cropY, cut, borders, next);
    }

    /**
     * The largest frame of the picture's shape that lies wholly on printable paper, where the borders put it.
     *
     * @throws InvalidRequest when there is none of the smallest size
     */
    public Single largest(Ground ground) {
        return largestIfAny(ground).orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Nothing can be printed on this sheet by this feed.", "Choose another sheet or feed."));
    }

    /** The same; empty when a side would be shorter than pictures are. */
    public Optional<Single> largestIfAny(Ground ground) {
        PixelSize picture = ground.pictures().get(renditionId);
        double aspect = fit == Fit.FILL ? widthMm / heightMm : aspect(picture, cut.inside(picture.aspect()));
        PaperSize room = printable(ground);
        double width = Math.min(room.width, room.height * aspect);
        double height = width / aspect;
        double rounded = Math.floor(width * 10) / 10;
        double high = height * rounded / width;
        return Math.min(rounded, high) >= SMALLEST_MM ? Optional.of(framed(rounded, high)) : Optional.empty();
    }

    /** What can be printed on where the borders put the picture, with its bleed round it; a roll is as long as the picture asks for. */
    private PaperSize printable(Ground ground) {
        Margins m = margins(ground);
        double bleed = edge.bleedMm();
        double above = borders.aboveShare();
        PaperSize paper = paper(ground.stock(), Double.POSITIVE_INFINITY);
        double sides = 2 * (Math.max(m.left(), m.right()) + bleed);
        double spare = Math.max((m.top() + bleed) / above, (m.bottom() + bleed) / (1 - above));
        return new PaperSize(paper.width - sides, paper.height - spare);
    }

    /** Whether two widths over heights look the same. */
    public static boolean sameShape(double one, double other) {
        return Math.abs(one / other - 1) < SAME_SHAPE;
    }

    /** Filling a frame of the picture's own shape changes nothing: then the printable paper, borders even, is what is meant. */
    public Single filling(Ground ground) {
        Single filled = fitted(Fit.FILL);
        PixelSize picture = ground.pictures().get(renditionId);
        double shape = aspect(picture, cut.inside(picture.aspect()));
        if (edge.borderless() || borders instanceof Borders.Sides || ground.stock() instanceof Stock.Roll || !sameShape(widthMm / heightMm, shape)) {
            return filled;
        }
        PaperSize room = printable(ground);
        return filled.framed(room.width, room.height);
    }

    private static double aspect(PixelSize picture, Cut kept) {
        return picture.aspect() * kept.width() / kept.height();
    }

    private Margins margins(Ground ground) {
        return across ? ground.feedMargins().across() : ground.feedMargins();
    }

    @Override
    public Layout lay(Ground ground) {
        PixelSize picture = ground.pictures().get(renditionId);
        Cut kept = cut.inside(picture.aspect());
        Frame frame = frame(ground, aspect(picture, kept));
        Crop wanted = kept.of(picture);
        Crop crop = fit == Fit.FILL ? wanted.shaped(frame.at.width() / frame.at.height(), cropX, cropY) : wanted;
        Placed placed = new Placed(renditionId, crop, cut.degrees(), frame.at, Orientation.UPRIGHT);
        List<Placed> bleed = edge.bleedMm() > 0 ? Bleed.round(placed, edge.bleedMm()) : List.of();
        Orientation feed = across ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT;
        Margins margins = edge.borderless() ? Margins.NONE : margins(ground);
        List<Page> pages = new ArrayList<>();
        for (int copy = 0; copy < (ground.annotation().numbered() ? ground.copies() : 1); copy++) {
            List<Mark> marks = Annotated.marks(frame.at, edge, ground.annotation(), ground.lettering().plus(copy));
            pages.add(new Page(frame.paper.width, frame.paper.height, margins, feed, edge.overMm(), List.of(placed), bleed, marks));
        }
        return Layout.of(pages, losses(picture, crop, pages.get(0)));
    }

    /** What of the picture no page shows: outside of the crop, and past the edges of borderless paper. */
    private List<Layout.Loss> losses(PixelSize picture, Crop crop, Page page) {
        double shown = crop.width() * crop.height() / ((double) picture.width() * picture.height());
        if (edge.borderless()) {
            Rect at = page.placed().get(0).atMm();
            shown *= page.visibleMm2(at) / (at.width() * at.height());
        }
        return 1 - shown > HARDLY ? List.of(new Layout.Loss(renditionId, 1 - shown)) : List.of();
    }

    /** In mm, as the picture stands on it. */
    private record PaperSize(double width, double height) {
    }

    /** @param cutMm length that a roll is cut to */
    private PaperSize paper(Stock stock, double cutMm) {
        double length = stock instanceof Stock.Sheet sheet ? sheet.lengthMm() : cutMm;
        return across ? new PaperSize(length, stock.widthMm()) : new PaperSize(stock.widthMm(), length);
    }

    /** The paper, and where the picture lies on it. */
    private record Frame(PaperSize paper, Rect at) {
    }

    private Frame frame(Ground ground, double aspect) {
        if (edge.borderless()) {
            double over = edge.bleedMm() > 0 ? 0 : edge.overMm();
            return sided(ground, aspect, new Borders.Sides(-over, -over, -over, -over));
        }
        return borders instanceof Borders.Sides sides ? sided(ground, aspect, sides) : centred(ground, aspect);
    }

    /** The frame is what the borders leave; a picture of another shape lies in its middle. */
    private Frame sided(Ground ground, double aspect, Borders.Sides s) {
        double acrossRoll = ground.stock().widthMm() - (across ? s.top() + s.bottom() : s.left() + s.right());
        double along = fit == Fit.FILL ? (across ? widthMm : heightMm) : across ? acrossRoll * aspect : acrossRoll / aspect;
        PaperSize paper = paper(ground.stock(), along + (across ? s.left() + s.right() : s.top() + s.bottom()));
        double w = Math.max(SMALLEST_MM, paper.width - s.left() - s.right());
        double h = Math.max(SMALLEST_MM, paper.height - s.top() - s.bottom());
        double[] size = fitted(w, h, aspect);
        return new Frame(new PaperSize(Math.max(1, paper.width), Math.max(1, paper.height)), new Rect(s.left() + (w - size[0]) / 2, s.top() + (h - size[1]) / 2, size[0], size[1]));
    }

    private Frame centred(Ground ground, double aspect) {
        double[] size = fitted(widthMm, heightMm, aspect);
        Margins m = margins(ground);
        double side = (ground.stock().widthMm() - (across ? size[1] : size[0])) / 2;
        double end = Math.max(Math.max(across ? m.left() : m.top(), across ? m.right() : m.bottom()), Math.min(side, ROLL_ENDS_MM)) + edge.bleedMm();
        PaperSize paper = paper(ground.stock(), across ? size[0] + 2 * end : size[1] + end / borders.aboveShare());
        double spare = paper.height - size[1];
        return new Frame(paper, new Rect((paper.width - size[0]) / 2, spare > 0 ? spare * borders.aboveShare() : spare / 2, size[0], size[1]));
    }

    private double[] fitted(double w, double h, double aspect) {
        if (fit == Fit.FILL) {
            return new double[] {w, h};
        }
        return w / h > aspect ? new double[] {h * aspect, h} : new double[] {w, w / aspect};
    }
}
