package wistel.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.testng.annotations.Test;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.core.sheet.Frame.Fit;

public class SingleTest {
    private static final Margins COTTON = new Margins(30, 3.4, 30, 3.4);
    private static final Borders EVEN = new Borders.Even();
    private static final Borders FOOT = new Borders.HeavierFoot();
    private static final Stock A3_PLUS = new Stock.Sheet("A3+", 329, 483);

    private static LayoutInput input(SinglePiece piece, Stock stock, Margins margins, int w, int h) {
        return LayoutInput.bare(stock, margins, Map.of("r", new PixelSize(w, h)), List.of(piece.item()));
    }

    private static Layout laid(SinglePiece piece, Margins margins, int w, int h) {
        return piece.plan().lay(input(piece, A3_PLUS, margins, w, h));
    }

    private static SinglePiece plan(boolean across, double w, double h, Fit fit, Borders borders) {
        return piece(across, new Frame(w, h, fit, 0.5, 0.5, true), borders);
    }

    private static SinglePiece piece(boolean across, Frame frame, Borders borders) {
        return new SinglePiece(new Item("i", "r", Cut.WHOLE, frame, Annotation.NONE, 1), new Single("i", across, borders, Edge.BORDERED));
    }

    private static SinglePiece edged(SinglePiece piece, Edge edge) {
        return new SinglePiece(piece.item(), piece.plan().edged(edge));
    }

    private static Page page(Layout layout) {
        assertThat(layout.pages()).hasSize(1);
        return layout.pages().get(0);
    }

    @Test
    public void aSheetLyingAcrossHasItsForcedMarginsLeftAndRight() {
        Page p = page(laid(plan(true, 380, 999, Fit.WHOLE, FOOT), COTTON, 3000, 2000));
        assertThat(p.unprintable()).isEqualTo(new Margins(3.4, 30, 3.4, 30));
        assertThat(p.feedTurn()).isEqualTo(Orientation.QUARTER_RIGHT);
        assertThat(p.fedWidthMm()).isEqualTo(329);
        Placed placed = p.placed().get(0);
        assertThat(placed.atMm().height()).isCloseTo(253.333, within(0.001));
        assertThat(placed.atMm().x()).isCloseTo(51.5, within(0.001));
        assertThat(Overhang.of(p, placed)).isEmpty();
        assertThat((p.heightMm() - placed.atMm().bottom()) / placed.atMm().y()).as("half as much again below").isCloseTo(1.5, within(1e-9));
    }

    @Test
    public void theTrailingEdgeOfATurnedSheetIsItsRight() {
        Page p = page(laid(plan(true, 470, 999, Fit.WHOLE, EVEN), new Margins(3, 3, 14, 3), 3000, 2000));
        assertThat(p.unprintable().right()).isEqualTo(14);
        List<Overhang> over = Overhang.of(p, p.placed().get(0));
        assertThat(over).extracting(Overhang::side).containsExactly(Overhang.Side.RIGHT);
        assertThat(over.get(0).mm()).isCloseTo(14 - 6.5, within(1e-9));
    }

    @Test
    public void fillingAFrameCropsEvenlyAndSaysHowMuch() {
        Layout layout = laid(plan(false, 200, 200, Fit.FILL, EVEN), Margins.NONE, 4000, 2000);
        Placed placed = page(layout).placed().get(0);
        assertThat(placed.crop().width()).isCloseTo(2000, within(1e-9));
        assertThat(placed.crop().x()).isCloseTo(1000, within(1e-9));
        assertThat(layout.losses().get(0).share()).isCloseTo(0.5, within(1e-9));
        assertThat(placed.ppi()).isCloseTo(2000 / (200 / 25.4), within(1e-9));
    }

    /** For any frame: borders and picture add up to the sheet, proportions are kept, and what is lost plus what is kept is the picture. */
    @Test
    public void lengthsAddUpForAnyFrame() {
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < 2000; i++) {
            int w = 200 + random.nextInt(8000);
            int h = 200 + random.nextInt(8000);
            SinglePiece plan = piece(random.nextBoolean(),
                new Frame(5 + random.nextDouble() * 600, 5 + random.nextDouble() * 600, random.nextBoolean() ? Fit.FILL : Fit.WHOLE,
                    random.nextDouble(), random.nextDouble(), true),
                random.nextBoolean() ? EVEN : FOOT);
            Layout layout = laid(plan, COTTON, w, h);
            Page p = page(layout);
            Placed placed = p.placed().get(0);
            Rect at = placed.atMm();
            assertThat(2 * at.x() + at.width()).isCloseTo(p.widthMm(), within(1e-9));
            assertThat(placed.crop().width() / placed.crop().height()).isCloseTo(at.width() / at.height(), within(1e-6));
            double kept = placed.crop().width() * placed.crop().height() / ((double) w * h);
            double lost = layout.losses().stream().mapToDouble(Layout.Loss::share).sum();
            assertThat(kept + lost).isCloseTo(1, within(0.0006));
            assertThat(placed.crop().x() + placed.crop().width()).isLessThanOrEqualTo(w + 1e-6);
            double visible = Math.max(0, Math.min(p.widthMm(), at.right()) - Math.max(0, at.x()))
                * Math.max(0, Math.min(p.heightMm(), at.bottom()) - Math.max(0, at.y()));
            assertThat(layout.bareMm2()).isCloseTo(p.widthMm() * p.heightMm() - visible, within(1e-6));
        }
    }

    private static Layout on(SinglePiece piece, Stock stock) {
        return piece.plan().lay(input(piece, stock, COTTON, 3000, 2000));
    }

    /** Typed borders and the picture between them are the paper, on sheets and rolls, whichever way it lies. */
    @Test
    public void typedBordersAndPictureAddUpToThePaper() {
        SplittableRandom random = new SplittableRandom(6);
        for (int i = 0; i < 2000; i++) {
            Borders.Sides sides = new Borders.Sides(random.nextDouble() * 60, random.nextDouble() * 60, random.nextDouble() * 60,
                random.nextDouble() * 60);
            boolean across = random.nextBoolean();
            Stock stock = random.nextBoolean() ? A3_PLUS : new Stock.Roll(431.8);
            SinglePiece plan = piece(across, new Frame(5 + random.nextDouble() * 600, 5 + random.nextDouble() * 600, Fit.FILL,
                random.nextDouble(), random.nextDouble(), true), sides);
            Page p = page(on(plan, stock));
            Rect at = p.placed().get(0).atMm();
            assertThat(sides.left() + at.width() + sides.right()).isCloseTo(p.widthMm(), within(1e-9));
            assertThat(sides.top() + at.height() + sides.bottom()).isCloseTo(p.heightMm(), within(1e-9));
            assertThat(p.fedWidthMm()).isCloseTo(stock.widthMm(), within(1e-9));
            Page whole = page(on(plan.fitted(Fit.WHOLE), stock));
            Rect in = whole.placed().get(0).atMm();
            assertThat(in.width() / in.height()).as("all of the picture keeps its shape").isCloseTo(1.5, within(1e-9));
            assertThat(in.x() - sides.left()).as("and lies in the middle of its frame")
                .isCloseTo(whole.widthMm() - sides.right() - in.right(), within(1e-9));
        }
    }

    /** Dragging a picture to a place and typing the borders that it then has give the same layout. */
    @Test
    public void draggingToAPlaceAndTypingItsBordersAreTheSame() {
        SplittableRandom random = new SplittableRandom(7);
        for (int i = 0; i < 500; i++) {
            double w = 20 + random.nextDouble() * 200;
            Rect at = new Rect(random.nextDouble() * 80, random.nextDouble() * 80, w, w / 1.5);
            boolean across = random.nextBoolean();
            SinglePiece dragged = plan(across, 100, 100, Fit.WHOLE, EVEN).laid(at, A3_PLUS);
            Page p = page(on(dragged, A3_PLUS));
            Borders.Sides typed = new Borders.Sides(at.y(), p.widthMm() - at.right(), p.heightMm() - at.bottom(), at.x());
            assertThat(dragged.plan().borders()).isEqualTo(typed);
            Rect lies = p.placed().get(0).atMm();
            assertThat(lies.x()).isCloseTo(at.x(), within(1e-9));
            assertThat(lies.y()).isCloseTo(at.y(), within(1e-9));
            assertThat(lies.width()).isCloseTo(at.width(), within(1e-9));
        }
    }

    /** The largest picture touches a forced margin and reaches over none, however borders and paper lie. */
    @Test
    public void theLargestPictureFitsBetweenTheForcedMargins() {
        for (Stock stock : List.of(A3_PLUS, new Stock.Roll(431.8))) {
            for (boolean across : new boolean[] {true, false}) {
                for (Borders borders : List.of(EVEN, FOOT)) {
                    for (int[] px : new int[][] {{3000, 2000}, {2000, 3000}, {2000, 2000}, {6000, 1000}}) {
                        SinglePiece plan = plan(across, 100, 100, Fit.WHOLE, borders);
                        Frame frame = plan.largest(input(plan, stock, COTTON, px[0], px[1]));
                        SinglePiece largest = plan.framed(frame.widthMm(), frame.heightMm());
                        Page p = page(largest.plan().lay(input(largest, stock, COTTON, px[0], px[1])));
                        Rect at = p.placed().get(0).atMm();
                        assertThat(Overhang.of(p, p.placed().get(0))).as(stock + " " + across + " " + borders).isEmpty();
                        Margins m = p.unprintable();
                        double least = Math.min(Math.min(at.x() - m.left(), p.widthMm() - m.right() - at.right()),
                            Math.min(at.y() - m.top(), p.heightMm() - m.bottom() - at.bottom()));
                        assertThat(least).as(stock + " " + across + " " + borders + " " + px[0]).isLessThan(0.2);
                    }
                }
            }
        }
    }

    /** What falls off a borderless sheet is what lies outside of it; a bleed takes its place and nothing is lost. */
    @Test
    public void borderlessLosesTheOverhangAndABleedSavesIt() {
        SinglePiece plan = edged(plan(true, 100, 100, Fit.FILL, EVEN), new Edge(true, 2, 0));
        Layout cut = on(plan, A3_PLUS);
        Page p = page(cut);
        assertThat(p.unprintable()).isEqualTo(Margins.NONE);
        Rect at = p.placed().get(0).atMm();
        assertThat(at).isEqualTo(new Rect(-2, -2, 487, 333));
        Crop crop = p.placed().get(0).crop();
        double kept = crop.width() * crop.height() * (483.0 * 329) / (487.0 * 333);
        assertThat(cut.losses().get(0).share()).isCloseTo(1 - kept / 6e6, within(1e-9));
        Page bled = page(on(edged(plan, new Edge(true, 2, 3)), A3_PLUS));
        assertThat(bled.placed().get(0).atMm()).isEqualTo(new Rect(0, 0, 483, 329));
        assertThat(bled.placed().get(0).bleedParts()).hasSize(8);
        assertThat(bled.overMm()).isEqualTo(2);
    }

    /** A frame that has the picture's shape already becomes the printable paper; another one is filled as it is. */
    @Test
    public void fillingFillsThePrintableSheetWhereTheFrameHasThePicturesShape() {
        SinglePiece plan = plan(true, 300, 200, Fit.WHOLE, EVEN);
        SinglePiece filled = plan.filling(input(plan, A3_PLUS, COTTON, 3000, 2000));
        Page p = page(on(filled, A3_PLUS));
        Rect at = p.placed().get(0).atMm();
        assertThat(new double[] {at.x(), at.y(), at.width(), at.height()}).containsExactly(new double[] {30, 3.4, 423, 322.2},
            within(1e-9));
        assertThat(Overhang.of(p, p.placed().get(0))).isEmpty();
        SinglePiece flat = plan(true, 300, 150, Fit.WHOLE, EVEN);
        assertThat(flat.filling(input(flat, A3_PLUS, COTTON, 3000, 2000)).item().frame().widthMm()).isEqualTo(300);
    }

    /** However a picture is straightened, the corners of what is kept lie on it. */
    @Test
    public void aStraightenedCutHoldsOnlyPicture() {
        SplittableRandom random = new SplittableRandom(8);
        for (int i = 0; i < 3000; i++) {
            double aspect = 0.3 + random.nextDouble() * 3;
            double w = 0.1 + random.nextDouble() * 0.9;
            double h = 0.1 + random.nextDouble() * 0.9;
            Cut cut = new Cut(random.nextDouble() * (1 - w), random.nextDouble() * (1 - h), w, h, random.nextDouble() * 20 - 10)
                .inside(aspect);
            double turn = Math.toRadians(-cut.degrees());
            for (double[] corner : new double[][] {{cut.x(), cut.y()}, {cut.x() + cut.width(), cut.y()}, {cut.x(), cut.y() + cut.height()},
                {cut.x() + cut.width(), cut.y() + cut.height()}}) {
                double u = (corner[0] - 0.5) * aspect;
                double v = corner[1] - 0.5;
                double x = (u * Math.cos(turn) - v * Math.sin(turn)) / aspect + 0.5;
                double y = u * Math.sin(turn) + v * Math.cos(turn) + 0.5;
                assertThat(x).isBetween(-1e-6, 1 + 1e-6);
                assertThat(y).isBetween(-1e-6, 1 + 1e-6);
            }
        }
    }

    @Test
    public void numberedCopiesArePagesOfTheirOwn() {
        Annotation annotation = new Annotation(new Caption(true, true, 25, true, 9), 0.2, 2, true);
        SinglePiece plan = plan(true, 380, 999, Fit.WHOLE, FOOT);
        Layout layout = plan.plan().lay(new LayoutInput(A3_PLUS, COTTON, Map.of("r", new PixelSize(3000, 2000)),
            Map.of("i", plan.item().annotated(annotation)), Map.of("i", new CaptionText("Fells", "1 May 2026", 4)), 3));
        assertThat(layout.pages()).hasSize(3);
        for (int i = 0; i < 3; i++) {
            List<String> words = layout.pages().get(i).marks().stream().filter(Mark.Text.class::isInstance)
                .map(m -> ((Mark.Text) m).words()).toList();
            assertThat(words).containsExactly("Fells, 1 May 2026", (4 + i) + " of 25");
        }
        Rect at = layout.pages().get(0).placed().get(0).atMm();
        assertThat(layout.pages().get(0).marks()).filteredOn(Mark.Line.class::isInstance)
            .as("four of the rule, eight at the corners, one to sign on").hasSize(13)
            .allSatisfy(m -> assertThat(touches((Mark.Line) m, at)).as("no mark on the picture").isFalse());
    }

    private static boolean touches(Mark.Line line, Rect r) {
        double half = line.widthMm() / 2 - 1e-6;
        return Math.max(line.fromX(), line.toX()) + half > r.x() && Math.min(line.fromX(), line.toX()) - half < r.right()
            && Math.max(line.fromY(), line.toY()) + half > r.y() && Math.min(line.fromY(), line.toY()) - half < r.bottom();
    }

    /** Turning a rectangle with its page and back is where it was, in all eight ways. */
    @Test
    public void aRectangleTurnsWithItsPage() {
        Rect at = new Rect(10, 20, 30, 50);
        assertThat(at.turned(Orientation.QUARTER_RIGHT, 100, 200)).isEqualTo(new Rect(200 - 70, 10, 50, 30));
        Orientation[] inverse = Orientation.values().clone();
        inverse[5] = Orientation.QUARTER_LEFT;
        inverse[7] = Orientation.QUARTER_RIGHT;
        for (Orientation o : Orientation.values()) {
            Rect turned = at.turned(o, 100, 200);
            assertThat(turned.turned(inverse[o.ordinal()], o.swapsSides() ? 200 : 100, o.swapsSides() ? 100 : 200)).isEqualTo(at);
        }
    }
}
