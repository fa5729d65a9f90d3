package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.SideFill;
import wistel.core.sheet.SheetPlan.PixelSize;

/** A piece with the plan that lays it round a body. */
public record WrapPiece(Item item, Wrap plan) {
    /** Roll before and behind the print, to hold it by. */
    static final double ROLL_END_MM = 15;

    /** @throws IllegalArgumentException when the plan lays another piece */
    public WrapPiece {
        if (!plan.itemId().equals(item.id())) {
            throw new IllegalArgumentException("plan of " + plan.itemId() + ", piece " + item.id());
        }
    }

    /** What of the picture is used: the largest part of the cut that has the shape of all faces together, and of what goes round them. */
    private Crop used(PixelSize picture) {
        return item.wanted(picture).shaped(wallShape(), item.frame().cropX(), item.frame().cropY());
    }

    /** Width over height of all faces together with what goes round them. */
    private double wallShape() {
        double round = plan.shownRoundMm();
        return (plan.wallWidthMm() + 2 * round) / (plan.wallHeightMm() + 2 * round);
    }

    /** All faces together, with what goes round them, have the shape of what is wanted of the picture: nothing of that is cropped. */
    public boolean pictureShaped(PixelSize picture) {
        return Frame.sameShape(wallShape(), shape(picture));
    }

    private double shape(PixelSize picture) {
        Crop wanted = item.wanted(picture);
        return wanted.width() / wanted.height();
    }

    /** Faces of this width, as high as the picture is shaped. */
    public Wrap byWidth(PixelSize picture, double faceMm) {
        Wrap.Panels panels = plan.panels();
        double round = plan.shownRoundMm();
        double wall = (panels.widthMm(faceMm) + 2 * round) / shape(picture) - 2 * round;
        return plan.around(plan.body().sized(faceMm, (wall - (panels.down() - 1) * panels.gapMm()) / panels.down()));
    }

    /** Faces of this height, as wide as the picture is shaped. */
    public Wrap byHeight(PixelSize picture, double faceMm) {
        Wrap.Panels panels = plan.panels();
        double round = plan.shownRoundMm();
        double wall = (panels.heightMm(faceMm) + 2 * round) * shape(picture) - 2 * round;
        return plan.around(plan.body().sized((wall - (panels.across() - 1) * panels.gapMm()) / panels.across(), faceMm));
    }

    /** One picture on a sheet as large as it was on the wall. */
    public SinglePiece unwrapped() {
        return new SinglePiece(item.framed(Frame.whole(plan.wallWidthMm(), plan.wallHeightMm())), Single.of(item.id(), plan.across()));
    }

    /** What lies on one face, and round it where the picture itself does. */
    private Crop crop(PixelSize picture, int column, int row) {
        double round = plan.shownRoundMm();
        WrapBody body = plan.body();
        PictureGrid grid = plan.panels().grid(body);
        Crop used = used(picture);
        double perMm = used.width() / (plan.wallWidthMm() + 2 * round);
        double perMmDown = used.height() / (plan.wallHeightMm() + 2 * round);
        return new Crop(used.x() + grid.leftMm(column) * perMm, used.y() + grid.topMm(row) * perMmDown,
            (body.faceWidthMm() + 2 * round) * perMm, (body.faceHeightMm() + 2 * round) * perMmDown);
    }

    Layout lay(LayoutInput in) {
        boolean across = plan.across();
        WrapBody body = plan.body();
        Margins margins = across ? in.feedMargins().across() : in.feedMargins();
        Orientation feed = across ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT;
        double lead = Math.max(ROLL_END_MM, Math.max(in.feedMargins().top(), in.feedMargins().bottom()));
        double length = in.stock() instanceof Stock.Sheet s ? s.lengthMm() : plan.neededLengthMm() + 2 * lead;
        double width = across ? length : in.stock().widthMm();
        double height = across ? in.stock().widthMm() : length;
        PixelSize picture = in.picture(item);
        int count = plan.panels().count();
        int most = in.stock() instanceof Stock.Roll r ? plan.beside(r.widthMm() - in.feedMargins().left() - in.feedMargins().right()) : 1;
        double step = plan.neededWidthMm() + Wrap.BESIDE_MM;
        List<Page> pages = new ArrayList<>();
        List<CutLine> cuts = new ArrayList<>();
        for (int first = 0; first < count; first += most) {
            int beside = Math.min(most, count - first);
            List<Placed> placed = new ArrayList<>();
            List<Mark> marks = new ArrayList<>();
            for (int i = first; i < first + beside; i++) {
                // from the middle of the length, across the roll
                double off = step * (i - first - (beside - 1) / 2.0);
                double x = (width - body.flatWidthMm()) / 2 + (across ? 0 : off);
                double y = (height - body.flatHeightMm()) / 2 + (across ? off : 0);
                Placed whole = placed(crop(picture, i % plan.panels().across(), i / plan.panels().across())).moved(x, y);
                placed.add(count == 1 ? whole : whole.part(i + 1));
                if (i == panel(item.annotation())) {
                    Rect face = whole.face().atMm();
                    item.annotation().laid(false).ifPresent(m -> marks.add(m.stamp(m.at(face), face)));
                }
                marks.addAll(new WrapMarks(plan, x, y).of(in.caption(item), i));
            }
            pages.add(Page.of(width, height, margins, feed, placed, marks));
            cuts(cuts, pages.size(), pages.get(pages.size() - 1), step);
        }
        return Layout.of(pages, losses(picture)).cut(cuts);
    }

    /** In the middle between prints that lie side by side, one after the other. */
    private void cuts(List<CutLine> cuts, int number, Page page, double step) {
        double wide = plan.across() ? page.heightMm() : page.widthMm();
        double along = plan.across() ? page.widthMm() : page.heightMm();
        int beside = page.placed().size();
        double before = 0;
        for (int i = 1; i < beside; i++) {
            double at = wide / 2 + step * (i - beside / 2.0);
            cuts.add(new CutLine(number, i, !plan.across(), at, 0, along, at - before, List.of(page.placed().get(i - 1).id())));
            before = at;
        }
    }

    private Placed placed(Crop crop) {
        WrapBody body = plan.body();
        Rect grown = body.grown(body.printedMm());
        Rect at = plan.fill() instanceof SideFill.Itself ? grown : body.face();
        return Placed.of(item, crop, at).sided(new WrappedSides(body.face(), grown, plan.fill(), plan.moves()));
    }

    /** What of the picture is seen on no face. */
    private List<Layout.Loss> losses(PixelSize picture) {
        double round = plan.shownRoundMm();
        WrapBody body = plan.body();
        Crop used = used(picture);
        double faces = plan.panels().count() * body.faceWidthMm() * body.faceHeightMm()
            / ((plan.wallWidthMm() + 2 * round) * (plan.wallHeightMm() + 2 * round));
        double shown = used.width() * used.height() / ((double) picture.width() * picture.height()) * faces;
        return Layout.Loss.of(item, 1 - shown);
    }

    /** The one whose corner of the whole picture a mark of one's own stands in. */
    private int panel(Annotation annotation) {
        int across = plan.panels().across();
        return annotation.own().map(OwnMark::spot).map(s -> (s.upper() ? 0 : plan.panels().down() - 1) * across
            + (s.column() == 0 ? 0 : s.column() == 1 ? across / 2 : across - 1)).orElse(-1);
    }

    /** For somebody who prints on paper of their own: each print on a sheet that is just large enough for it and its marks. */
    public Layout alone(LayoutInput in) {
        double w = plan.neededWidthMm();
        double l = plan.neededLengthMm();
        Wrap lies = w <= l ? plan : plan.turned();
        return lies.lay(in.on(new Stock.Sheet("as large as the print", Math.min(w, l), Math.max(w, l)), Margins.NONE));
    }
}
