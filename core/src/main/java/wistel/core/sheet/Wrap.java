package wistel.core.sheet;

import java.util.List;
import wistel.core.fault.InvalidRequest;
import wistel.core.paper.Stock;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.SideMoves;

/**
 * One picture round a body, or cut up over several that hang side by side; each of them is a page, but on a roll as many lie on one length
 * as it is wide. Of what is wanted of the picture the
 * faces take the largest part of their shape, where the frame's crop says.
 *
 * @param across the way the paper feeds lies left to right, as in {@link Single}
 * @param fill   what the sides show
 * @param moves  of the sides alone
 */
public record Wrap(String itemId, boolean across, WrapBody body, Panels panels, SideFill fill, SideMoves moves,
    Corners corners) implements SheetPlan {
    /** Round a print whose marks lie outside of it. */
    static final double MARKS_MM = 9;
    /** Between prints that lie side by side: a knife's way with room to err. */
    static final double BESIDE_MM = 8;

    /** How the corners are done: folded in, or cut so that the turned-over edges meet along a mitre. */
    public enum Corners {
        FOLDED, MITRED
    }

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
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A picture can't be cut up like that.",
                    "Take 1 to " + MOST + " pieces each way, and gaps of up to " + Math.round(WIDEST_GAP_MM) + " mm.");
            }
        }

        public int count() {
            return across * down;
        }

        PictureGrid grid(WrapBody body) {
            return new PictureGrid(across, down, body.faceWidthMm(), body.faceHeightMm(), gapMm);
        }

        /** Of all faces and the gaps between them. */
        double widthMm(double faceMm) {
            return new PictureGrid(across, 1, faceMm, faceMm, gapMm).widthMm();
        }

        double heightMm(double faceMm) {
            return new PictureGrid(1, down, faceMm, faceMm, gapMm).heightMm();
        }
    }

    /** One face with mirrored sides. */
    public static Wrap of(String itemId, WrapBody body) {
        return new Wrap(itemId, false, body, Panels.ONE, new SideFill.Mirrored(), SideMoves.NONE,
            body.support().kind() == WrapBody.Kind.BOARD ? Corners.MITRED : Corners.FOLDED);
    }

    @Override
    public List<String> items() {
        return List.of(itemId);
    }

    @Override
    public Layout lay(LayoutInput in) {
        return new WrapPiece(in.item(itemId), this).lay(in);
    }

    @Override
    public boolean frames() {
        return false;
    }

    /** What goes round a body has no border to write in. */
    @Override
    public boolean annotates() {
        return false;
    }

    @Override
    public <R> R accept(Visitor<R> visitor) {
        return visitor.wrap(this);
    }

    @Override
    public Wrap turned() {
        return laid(!across);
    }

    public Wrap laid(boolean lies) {
        return new Wrap(itemId, lies, body, panels, fill, moves, corners);
    }

    public Wrap filled(SideFill next) {
        return new Wrap(itemId, across, body, panels, next, moves, corners);
    }

    public Wrap moved(SideMoves next) {
        return new Wrap(itemId, across, body, panels, fill, next, corners);
    }

    public Wrap around(WrapBody next) {
        return new Wrap(itemId, across, next, panels, fill, moves, corners);
    }

    /** Lying on this stock so that it fits, and of two ways that fit, the one that takes less of a roll. */
    @Override
    public Wrap onStock(Stock stock) {
        Wrap upright = laid(false);
        Wrap lying = laid(true);
        if (upright.fits(stock) != lying.fits(stock)) {
            return upright.fits(stock) ? upright : lying;
        }
        return upright.lengthMm(stock) <= lying.lengthMm(stock) ? upright : lying;
    }

    /** Whether the print with its marks lies on this stock as it is. */
    @Override
    public boolean fits(Stock stock) {
        return neededWidthMm() <= stock.widthMm()
            && (stock instanceof Stock.Roll || stock instanceof Stock.Sheet s && neededLengthMm() <= s.lengthMm());
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

    /** How many of its prints lie side by side on a roll of which so much can be printed on; at least one. */
    int beside(double printableMm) {
        return Math.max(1, Math.min(panels.count(), (int) ((printableMm + BESIDE_MM) / (neededWidthMm() + BESIDE_MM))));
    }

    private double lengthMm(Stock stock) {
        return stock instanceof Stock.Sheet s ? s.lengthMm()
            : Math.ceil((double) panels.count() / beside(stock.widthMm())) * (neededLengthMm() + 2 * WrapPiece.ROLL_END_MM);
    }

    /** The picture's way round a face's edges. */
    double shownRoundMm() {
        return fill instanceof SideFill.Itself ? body.printedMm() : 0;
    }

    /** Of all faces and gaps together. */
    double wallWidthMm() {
        return panels.widthMm(body.faceWidthMm());
    }

    double wallHeightMm() {
        return panels.heightMm(body.faceHeightMm());
    }

    /** Cut up otherwise, all of it as large on the wall as before. */
    public Wrap cutUp(Panels next) {
        double width = (panels.widthMm(body.faceWidthMm()) - (next.across - 1) * next.gapMm) / next.across;
        double height = (panels.heightMm(body.faceHeightMm()) - (next.down - 1) * next.gapMm) / next.down;
        return new Wrap(itemId, across, body.sized(width, height), next, fill, moves, corners);
    }

    public Wrap cornered(Corners next) {
        return new Wrap(itemId, across, body, panels, fill, moves, next);
    }

    /** On this stock as it lies, or turned where only that fits. */
    public Wrap fitting(Stock stock) {
        return fits(stock) ? this : onStock(stock);
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

    /** Of each of its prints, in their order. */
    public List<Lines> lines(Layout layout) {
        return layout.placed().stream().map(this::lines).toList();
    }

    /** @param placed a print of this plan */
    private Lines lines(Placed placed) {
        WrappedSides sides = placed.sides().orElseThrow();
        double x = sides.faceMm().x() - body.face().x();
        double y = sides.faceMm().y() - body.face().y();
        return new Lines(body.grown(body.aroundMm()).moved(x, y), sides.faceMm(), body.grown(body.sideMm() + body.foldMm() / 2).moved(x, y),
            body.grown(body.sideMm()).moved(x, y));
    }
}
