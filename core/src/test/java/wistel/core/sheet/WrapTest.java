package wistel.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Crop;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.SideMoves;

public class WrapTest {
    private static final Stock ROLL_44 = new Stock.Roll(44 * 25.4);
    private static final Margins MARGINS = new Margins(30, 3, 30, 3);
    private static final Item ITEM = Item.whole("i", "r", 100, 100);
    private static final SideFill ITSELF = new SideFill.Itself();
    private static final SideFill MIRRORED = new SideFill.Mirrored();

    private static WrapBody bars(double width, double height, double depth, boolean printed) {
        return new WrapBody(width, height, new WrapBody.Support(WrapBody.Kind.BARS, depth, 0), new WrapBody.TurnOver(25, 0, printed, 3),
            0.48, Optional.of(new WrapBody.Growth(0.004, 0.007)));
    }

    private static Wrap wrap(WrapBody body, Wrap.Panels panels, SideFill fill, Wrap.Corners corners) {
        return new Wrap("i", false, body, panels, fill, SideMoves.NONE, corners);
    }

    private static LayoutInput ground(Stock stock) {
        return new LayoutInput(stock, MARGINS, Map.of("r", new SheetPlan.PixelSize(6000, 4000)), Map.of("i", ITEM),
            Map.of("i", new CaptionText("Dune", "3 May 2026", 1)), 1);
    }

    @DataProvider
    public Object[][] wraps() {
        List<Object[]> all = new ArrayList<>();
        for (SideFill fill : List.of(ITSELF, MIRRORED)) {
            for (boolean across : new boolean[] {false, true}) {
                all.add(new Object[] {wrap(bars(600, 400, 38, false), Wrap.Panels.ONE, fill, Wrap.Corners.FOLDED).laid(across)});
                all.add(new Object[] {wrap(bars(300, 400, 18, true), new Wrap.Panels(3, 1, 40), fill, Wrap.Corners.FOLDED).laid(across)});
                all.add(new Object[] {wrap(bars(200, 150, 40, false), new Wrap.Panels(2, 2, 25), fill, Wrap.Corners.MITRED).laid(across)});
            }
        }
        return all.toArray(Object[][]::new);
    }

    /**
     * Each place of the flat print is folded back to where it lies on the wall, and must show there what the picture has there: all faces
     * and gaps together are one picture, seen through windows. A place of the picture is told in pixels, a tenth of a millimetre on the
     * wall at most apart.
     */
    @Test(dataProvider = "wraps")
    public void foldedBackEveryPictureStandsOnTheWallAsOne(Wrap wrap) {
        WrapBody body = wrap.body();
        Layout layout = wrap.lay(ground(ROLL_44));
        double round = wrap.fill() instanceof SideFill.Itself ? body.printedMm() : 0;
        double wallWidth = wrap.panels().across() * body.faceWidthMm() + (wrap.panels().across() - 1) * wrap.panels().gapMm() + 2 * round;
        double wallHeight = wrap.panels().down() * body.faceHeightMm() + (wrap.panels().down() - 1) * wrap.panels().gapMm() + 2 * round;
        double pixelsPerMm = Math.min(6000 / wallWidth, 4000 / wallHeight);
        assertThat(layout.placed()).hasSize(wrap.panels().count());
        for (int i = 0; i < layout.placed().size(); i++) {
            Placed placed = layout.placed().get(i);
            Rect face = placed.sides().orElseThrow().faceMm();
            // where the picture itself goes round, places of the sides are looked up too, unrolled
            double beyond = wrap.fill() instanceof SideFill.Itself ? 0.05 : 0;
            for (double u = -beyond; u <= 1 + beyond; u += 0.25 + beyond / 2) {
                for (double v = -beyond; v <= 1 + beyond; v += 0.25 + beyond / 2) {
                    double x = face.x() + u * face.width();
                    double y = face.y() + v * face.height();
                    double pictureX = placed.crop().x() + (x - placed.atMm().x()) / placed.atMm().width() * placed.crop().width();
                    double pictureY = placed.crop().y() + (y - placed.atMm().y()) / placed.atMm().height() * placed.crop().height();
                    // on the body a print is longer by what it grows
                    double wallX = i % wrap.panels().across() * (body.faceWidthMm() + wrap.panels().gapMm()) + (x - face.x()) * 1.004;
                    double wallY = i / wrap.panels().across() * (body.faceHeightMm() + wrap.panels().gapMm()) + (y - face.y()) * 1.007;
                    assertThat(pictureX).isCloseTo(3000 + (wallX + round - wallWidth / 2) * pixelsPerMm, within(0.1 * pixelsPerMm));
                    assertThat(pictureY).isCloseTo(2000 + (wallY + round - wallHeight / 2) * pixelsPerMm, within(0.1 * pixelsPerMm));
                }
            }
        }
    }

    /** Points of every mark, against what is seen of the finished body: the face and its four sides. */
    @Test(dataProvider = "wraps")
    public void noMarkLiesWhereThePrintIsSeen(Wrap wrap) {
        Layout layout = wrap.lay(ground(ROLL_44));
        List<Wrap.Lines> beside = wrap.lines(layout).subList(0, layout.pages().get(0).placed().size());
        assertThat(layout.pages().get(0).marks()).hasSizeGreaterThan(20);
        for (Mark mark : layout.pages().get(0).marks()) {
            for (double t = 0; t <= 1; t += 0.02) {
                double x = mark instanceof Mark.Line l ? l.fromX() + t * (l.toX() - l.fromX()) : ((Mark.Text) mark).x();
                double y = mark instanceof Mark.Line l ? l.fromY() + t * (l.toY() - l.fromY()) : ((Mark.Text) mark).y();
                for (Wrap.Lines lines : beside) {
                    boolean seen = inside(x, lines.faceMm().x(), lines.faceMm().right())
                        && inside(y, lines.shownMm().y(), lines.shownMm().bottom())
                        || inside(y, lines.faceMm().y(), lines.faceMm().bottom())
                            && inside(x, lines.shownMm().x(), lines.shownMm().right());
                    assertThat(seen).as("%s at %s, %s", mark, x, y).isFalse();
                }
            }
        }
    }

    private static boolean inside(double at, double from, double to) {
        return at > from + 1e-6 && at < to - 1e-6;
    }

    /** Folded over, the ticks of both ends of a front fold stand on the face's edge, those of a back fold a side farther. */
    @Test
    public void ticksStandWhereItFolds() {
        WrapBody body = bars(600, 400, 38, false);
        Layout layout = wrap(body, Wrap.Panels.ONE, MIRRORED, Wrap.Corners.FOLDED).lay(ground(ROLL_44));
        Rect face = layout.placed().get(0).sides().orElseThrow().faceMm();
        List<Double> upright = layout.pages().get(0).marks().stream().filter(Mark.Line.class::isInstance).map(Mark.Line.class::cast)
            .filter(l -> l.fromX() == l.toX() && Math.abs(l.fromY() - l.toY()) < 10).map(Mark.Line::fromX).distinct().sorted().toList();
        double side = body.sideMm() + body.foldMm() / 2;
        assertThat(upright).hasSize(4);
        assertThat(upright.get(0)).isCloseTo(face.x() - side / 1.004, within(1e-6));
        assertThat(upright.get(1)).isCloseTo(face.x(), within(1e-6));
        assertThat(upright.get(2)).isCloseTo(face.right(), within(1e-6));
        assertThat(upright.get(3)).isCloseTo(face.right() + side / 1.004, within(1e-6));
    }

    /**
     * By hand: the face is 600 by 400 mm of 6000 by 4000 pixels, sides of 38 mm with a fold of 0.754 mm and a bleed of 3 mm take a ninth of
     * the width.
     */
    @Test
    public void thePictureItselfLosesWhatGoesRound() {
        WrapBody body = bars(600, 400, 38, false);
        Layout itself = wrap(body, Wrap.Panels.ONE, ITSELF, Wrap.Corners.FOLDED).lay(ground(ROLL_44));
        double round = 38 + 0.754 + 3;
        double used = Math.min(6000, 4000 * (600 + 2 * round) / (400 + 2 * round));
        double shown = used * (used * (400 + 2 * round) / (600 + 2 * round)) * (600 * 400) / ((600 + 2 * round) * (400 + 2 * round));
        assertThat(itself.losses().get(0).share()).isCloseTo(1 - shown / 24e6, within(1e-4));
        assertThat(wrap(body, Wrap.Panels.ONE, MIRRORED, Wrap.Corners.FOLDED).lay(ground(ROLL_44)).losses()).isEmpty();
    }

    /** What lies behind the gaps of a triptych is not printed. */
    @Test
    public void aTriptychLeavesOutItsGaps() {
        Layout layout = wrap(bars(200, 400, 38, false), new Wrap.Panels(3, 1, 30), MIRRORED, Wrap.Corners.FOLDED).lay(ground(ROLL_44));
        Crop first = layout.placed().get(0).crop();
        Crop second = layout.placed().get(1).crop();
        assertThat((second.x() - first.x() - first.width()) / first.width()).isCloseTo(30 / 200.0, within(1e-9));
        // 660 by 400 mm of a picture of 3 to 2, of which 60 mm lie behind the gaps
        assertThat(layout.losses().get(0).share()).isCloseTo(1 - 1.5 / 1.65 * 600 / 660, within(1e-6));
    }

    @DataProvider
    Object[][] besides() {
        // a print of 200 x 300 mm with bars of 18 mm takes 293 mm across: three times with 8 mm between are 895, four times 1196
        return new Object[][] {{44, 3, 1, List.of(3)}, {36, 3, 1, List.of(3)}, {24, 3, 1, List.of(2, 1)}, {17, 3, 1, List.of(1, 1, 1)},
            {44, 5, 1, List.of(3, 2)}, {44, 2, 2, List.of(3, 1)}};
    }

    /** As many as the roll is wide lie side by side, none over another, all on printable paper, with a cut between each two. */
    @Test(dataProvider = "besides")
    public void printsLieSideBySideOnARoll(int inches, int columns, int rows, List<Integer> onPages) {
        for (boolean across : new boolean[] {false, true}) {
            Wrap wrap = wrap(bars(across ? 300 : 200, across ? 200 : 300, 18, false), new Wrap.Panels(columns, rows, 30), MIRRORED,
                Wrap.Corners.FOLDED).laid(across);
            Layout layout = wrap.lay(ground(new Stock.Roll(inches * 25.4)));
            assertThat(layout.pages().stream().map(p -> p.placed().size())).isEqualTo(onPages);
            int print = 0;
            for (int number = 1; number <= layout.pages().size(); number++) {
                Page page = layout.pages().get(number - 1);
                double wide = across ? page.heightMm() : page.widthMm();
                List<Rect> flats = wrap.lines(layout).subList(print, print + page.placed().size()).stream().map(Wrap.Lines::flatMm)
                    .toList();
                int on = number;
                List<CutLine> cuts = layout.cuts().stream().filter(c -> c.page() == on).toList();
                assertThat(cuts).hasSize(flats.size() - 1);
                double before = 3;
                for (int i = 0; i < flats.size(); i++) {
                    double from = across ? flats.get(i).y() : flats.get(i).x();
                    double to = across ? flats.get(i).bottom() : flats.get(i).right();
                    assertThat(from).isGreaterThanOrEqualTo(before);
                    before = i < cuts.size() ? cuts.get(i).atMm() : wide - 3;
                    assertThat(to).isLessThanOrEqualTo(before);
                    assertThat(page.marks().size() % flats.size()).isZero();
                }
                print += flats.size();
            }
        }
    }

    @Test
    public void aRollIsCutToThePrintWithRoomToHoldItByAndAPrintLiesAsItFits() {
        Wrap wide = wrap(bars(1200, 400, 38, false), Wrap.Panels.ONE, MIRRORED, Wrap.Corners.FOLDED);
        assertThat(wide.fits(ROLL_44)).isFalse();
        assertThat(wide.onStock(ROLL_44).across()).isTrue();
        assertThat(wide.onStock(ROLL_44).fits(ROLL_44)).isTrue();
        Layout layout = wide.onStock(ROLL_44).lay(ground(ROLL_44));
        assertThat(layout.usedLengthMm()).isCloseTo(wide.body().flatWidthMm() + 60, within(1e-9));
        // lying across takes the shorter way of a face that fits both ways
        Wrap either = wrap(bars(600, 400, 38, false), Wrap.Panels.ONE, MIRRORED, Wrap.Corners.FOLDED);
        assertThat(either.onStock(ROLL_44).across()).isFalse();
        assertThat(either.turned().onStock(ROLL_44).across()).isFalse();
    }

    @Test
    public void aLabGetsEachPrintOnASheetOfItsOwnSizeWithTheSameMarks() {
        Wrap wrap = wrap(bars(200, 300, 38, true), new Wrap.Panels(3, 1, 30), ITSELF, Wrap.Corners.FOLDED);
        Layout alone = new WrapPiece(ITEM, wrap).alone(ground(ROLL_44));
        assertThat(alone.pages()).hasSize(3);
        assertThat(alone.pages().get(0).widthMm()).isCloseTo(wrap.body().flatWidthMm() + 2 * (Wrap.MARKS_MM + 3), within(1e-9));
        assertThat(alone.pages().get(0).marks())
            .hasSameSizeAs(wrap.lay(ground(new Stock.Sheet("A2", 420, 594))).pages().get(0).marks());
        Layout pictures = alone.picturesAlone();
        assertThat(pictures.pages()).hasSize(3);
        assertThat(pictures.pages().get(1).widthMm()).isCloseTo(wrap.body().grown(wrap.body().printedMm()).width(), within(1e-9));
    }

    @Test
    public void whatCantBeIsRefusedInWords() {
        assertThatThrownBy(() -> new Wrap.Panels(0, 1, 0)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new Wrap.Panels(3, 1, 900)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new SideFill.Patch(0.9, 0.9, 0.3, 0.05)).isInstanceOf(InvalidRequest.class)
            .hasMessageContaining("outside the picture");
        assertThatThrownBy(() -> new SideMoves(60, 0, 0)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new SideFill.OneColour(new SideFill.Patch(0, 0, 1, 1), List.of(1, 2))).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new SideFill.Extended(-1)).isInstanceOf(InvalidRequest.class);
    }
}
