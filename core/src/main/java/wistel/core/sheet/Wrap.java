package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.SideMoves;

/**
 * One picture round a body, or cut up over several that hang side by side; each of them is a page.
 *
 * @param across the way the paper feeds lies left to right, as in {@link Single}
 * @param cut    the part of the picture that is wanted; of it the faces take the largest part of their shape
 * @param cropX  where that lies in the cut: 0 left, 1 right
 * @param fill   what the sides show
 * @param moves  of the sides alone
 */
public record Wrap(String renditionId, boolean across, WrapBody body, Panels panels, Cut cut, double cropX, double cropY, SideFill fill, SideMoves moves, Corners corners) implements SheetPlan {
    /** Roll before and behind the print, to hold it by. */
    private static final double ROLL_END_MM = 15;
    /** Round a print whose marks lie outside of it. */
    static final double MARKS_MM = 9;

    /** How the corners are done: folded in, or cut so that the turned-over edges meet along a mitre. */
    public enum Corners { FOLDED, MITRED }

    /**
     * Bodies that show one picture together.
     *
     * @param gapMm of wall between neighbours; what of the picture would lie there is not printed
     */
    public record Panels(int across, int down, double gapMm) {
        public static final Panels ONE = new Panels(1, 1, 0);
        private static final int MOST = 6;
        private static final double WIDEST_GAP_MM = 500;

        public Panels {
            if (across < 1 || down < 1 || across > MOST || down > MOST || !(gapMm >= 0 && gapMm <= WIDEST_GAP_MM)) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A picture can't be cut up like that.", "Take 1 to " + MOST + " pieces each way, and gaps of up to " + Math.round(WIDEST_GAP_MM) + " mm.");
            }
        }

        public int count() {
            return across * down;
        }

        /** Of all faces and the gaps between them. */
        double widthMm(double faceMm) {
            return across * faceMm + (across - 1) * gapMm;
        }

        double heightMm(double faceMm) {
            return down * faceMm + (down - 1) * gapMm;
        }
    }

    /** @throws InvalidRequest when a place is out of its range */
    public Wrap {
        if (!(cropX >= 0 && cropX <= 1 && cropY >= 0 && cropY <= 1)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A crop lies inside the picture.", "Move it by 0 to 1.");
        }
    }

    /** All of a picture on one face with mirrored sides, lying as it takes least paper. */
    public static Wrap of(String renditionId, WrapBody body, Cut cut) {
        return new Wrap(renditionId, false, body, Panels.ONE, cut, 0.5, 0.5, new SideFill.Mirrored(), SideMoves.NONE, body.support().kind() == WrapBody.Kind.BOARD ? Corners.MITRED : Corners.FOLDED);
    }

    public Wrap turned() {
        return laid(!across);
    }

    public Wrap laid(boolean lies) {
        return new Wrap(renditionId, lies, body, panels, cut, cropX, cropY, fill, moves, corners);
    }

    public Wrap cut(Cut next) {
        return new Wrap(renditionId, across, body, panels, next, cropX, cropY, fill, moves, corners);
    }

    public Wrap cropped(double x, double y) {
        return new Wrap(renditionId, across, body, panels, cut, x, y, fill, moves, corners);
    }

    public Wrap filled(SideFill next) {
        return new Wrap(renditionId, across, body, panels, cut, cropX, cropY, next, moves, corners);
    }

    public Wrap moved(SideMoves next) {
        return new Wrap(renditionId, across, body, panels, cut, cropX, cropY, fill, next, corners);
    }

    public Wrap around(WrapBody next) {
        return new Wrap(renditionId, across, next, panels, cut, cropX, cropY, fill, moves, corners);
    }

    /** Lying on this stock so that it fits, and of two ways that fit, the one that takes less of a roll. */
    public Wrap lying(Stock stock) {
        Wrap upright = laid(false);
        Wrap lying = laid(true);
        if (upright.fits(stock) != lying.fits(stock)) {
            return upright.fits(stock) ? upright : lying;
        }
        return upright.lengthMm(stock) <= lying.lengthMm(stock) ? upright : lying;
    }

    /** Whether the print with its marks lies on this stock as it is. */
    public boolean fits(Stock stock) {
        return neededWidthMm() <= stock.widthMm() && (stock instanceof Stock.Roll || stock instanceof Stock.Sheet s && neededLengthMm() <= s.lengthMm());
    }

    private double roomMm() {
        return body.turnOver().printed() ? MARKS_MM + body.turnOver().bleedMm() : 0;
    }

    /** As it feeds, with its marks. */
    public double neededWidthMm() {
        return (across ? body.flatHeightMm() : body.flatWidthMm()) + 2 * roomMm();
    }

    public double neededLengthMm() {
        return (across ? body.flatWidthMm() : body.flatHeightMm()) + 2 * roomMm();
    }

    private double lengthMm(Stock stock) {
        return stock instanceof Stock.Sheet s ? s.lengthMm() : neededLengthMm();
    }

    /** The picture's way round a face's edges. */
    private double shownRoundMm() {
        return fill instanceof SideFill.Itself ? body.printedMm() : 0;
    }

    /** What of the picture is used: the largest part of the cut that has the shape of all faces together, and of what goes round them. */
    private Crop used(PixelSize picture) {
        double round = shownRoundMm();
        double shape = (panels.widthMm(body.faceWidthMm()) + 2 * round) / (panels.heightMm(body.faceHeightMm()) + 2 * round);
        return cut.inside(picture.aspect()).of(picture).shaped(shape, cropX, cropY);
    }

    /** All faces together, with what goes round them, have the shape of what is wanted of the picture: nothing of that is cropped. */
    public boolean pictureShaped(PixelSize picture) {
        double round = shownRoundMm();
        return Single.sameShape((panels.widthMm(body.faceWidthMm()) + 2 * round) / (panels.heightMm(body.faceHeightMm()) + 2 * round), shape(picture));
    }

    private double shape(PixelSize picture) {
        Crop wanted = cut.inside(picture.aspect()).of(picture);
        return wanted.width() / wanted.height();
    }

    /** Faces of this width, as high as the picture is shaped. */
    public Wrap byWidth(PixelSize picture, double faceMm) {
        double round = shownRoundMm();
        double wall = (panels.widthMm(faceMm) + 2 * round) / shape(picture) - 2 * round;
        return around(body.sized(faceMm, (wall - (panels.down - 1) * panels.gapMm) / panels.down));
    }

    /** Faces of this height, as wide as the picture is shaped. */
    public Wrap byHeight(PixelSize picture, double faceMm) {
        double round = shownRoundMm();
        double wall = (panels.heightMm(faceMm) + 2 * round) * shape(picture) - 2 * round;
        return around(body.sized((wall - (panels.across - 1) * panels.gapMm) / panels.across, faceMm));
    }

    /** Cut up otherwise, all of it as large on the wall as before. */
    public Wrap cutUp(Panels next) {
        double width = (panels.widthMm(body.faceWidthMm()) - (next.across - 1) * next.gapMm) / next.across;
        double height = (panels.heightMm(body.faceHeightMm()) - (next.down - 1) * next.gapMm) / next.down;
        return new Wrap(renditionId, across, body.sized(width, height), next, cut, cropX, cropY, fill, moves, corners);
    }

    public Wrap cornered(Corners next) {
        return new Wrap(renditionId, across, body, panels, cut, cropX, cropY, fill, moves, next);
    }

    /** On this stock as it lies, or turned where only that fits. */
    public Wrap fitting(Stock stock) {
        return fits(stock) ? this : lying(stock);
    }

    /** One picture on a sheet as large as it was on the wall. */
    public Single unwrapped() {
        return Single.whole(renditionId, across, panels.widthMm(body.faceWidthMm()), panels.heightMm(body.faceHeightMm())).cut(cut);
    }

    /** What lies on one face, and round it where the picture itself does. */
    private Crop crop(PixelSize picture, int column, int row) {
        double round = shownRoundMm();
        Crop used = used(picture);
        double perMm = used.width() / (panels.widthMm(body.faceWidthMm()) + 2 * round);
        double perMmDown = used.height() / (panels.heightMm(body.faceHeightMm()) + 2 * round);
        return new Crop(used.x() + column * (body.faceWidthMm() + panels.gapMm) * perMm, used.y() + row * (body.faceHeightMm() + panels.gapMm) * perMmDown,
            (body.faceWidthMm() + 2 * round) * perMm, (body.faceHeightMm() + 2 * round) * perMmDown);
    }

    @Override
    public Layout lay(Ground ground) {
        Margins margins = across ? ground.feedMargins().across() : ground.feedMargins();
        Orientation feed = across ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT;
        double lead = Math.max(ROLL_END_MM, Math.max(ground.feedMargins().top(), ground.feedMargins().bottom()));
        double length = ground.stock() instanceof Stock.Sheet s ? s.lengthMm() : neededLengthMm() + 2 * lead;
        double width = across ? length : ground.stock().widthMm();
        double height = across ? ground.stock().widthMm() : length;
        double x = (width - body.flatWidthMm()) / 2;
        double y = (height - body.flatHeightMm()) / 2;
        PixelSize picture = ground.pictures().get(renditionId);
        List<Page> pages = new ArrayList<>();
        for (int i = 0; i < panels.count(); i++) {
            Placed placed = placed(crop(picture, i % panels.across, i / panels.across)).moved(x, y);
            pages.add(Page.of(width, height, margins, feed, List.of(placed), new WrapMarks(this, x, y).of(ground.lettering(), i)));
        }
        return Layout.of(pages, losses(picture));
    }

    private Placed placed(Crop crop) {
        Rect grown = body.grown(body.printedMm());
        Rect at = fill instanceof SideFill.Itself ? grown : body.face();
        return new Placed(renditionId, crop, cut.degrees(), at, Orientation.UPRIGHT, Optional.of(new WrappedSides(body.face(), grown, fill, moves)));
    }

    /** What of the picture is seen on no face. */
    private List<Layout.Loss> losses(PixelSize picture) {
        double round = shownRoundMm();
        Crop used = used(picture);
        double faces = panels.count() * body.faceWidthMm() * body.faceHeightMm() / ((panels.widthMm(body.faceWidthMm()) + 2 * round) * (panels.heightMm(body.faceHeightMm()) + 2 * round));
        double shown = used.width() * used.height() / ((double) picture.width() * picture.height()) * faces;
        return 1 - shown > Single.HARDLY ? List.of(new Layout.Loss(renditionId, 1 - shown)) : List.of();
    }

    /** For somebody who prints on paper of their own: each print on a sheet that is just large enough for it and its marks. */
    public Layout alone(Ground ground) {
        double w = neededWidthMm();
        double l = neededLengthMm();
        Wrap lies = w <= l ? this : turned();
        Stock sheet = new Stock.Sheet("as large as the print", Math.min(w, l), Math.max(w, l));
        return lies.lay(new Ground(sheet, Margins.NONE, ground.pictures(), ground.annotation(), ground.lettering(), ground.copies()));
    }

    /**
     * Where the lines of a print lie on its page.
     *
     * @param flatMm  the print's own edge: there it is cut
     * @param faceMm  where it folds over the front edges
     * @param backMm  where it folds over the back edges
     * @param shownMm what is seen once it is folded, face and sides; the same as {@code backMm} without its fold
     */
    public record Lines(Rect flatMm, Rect faceMm, Rect backMm, Rect shownMm) {
    }

    /** Of every page of a layout of this plan; all panels lie alike. */
    public Lines lines(Layout layout) {
        WrappedSides sides = layout.placed().get(0).sides().orElseThrow();
        double x = sides.faceMm().x() - body.face().x();
        double y = sides.faceMm().y() - body.face().y();
        return new Lines(body.grown(body.aroundMm()).moved(x, y), sides.faceMm(), body.grown(body.sideMm() + body.foldMm() / 2).moved(x, y), body.grown(body.sideMm()).moved(x, y));
    }
}
