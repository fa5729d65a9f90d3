package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import wistel.core.length.Length;

/**
 * The marks of a print that is folded round a body: ticks where it folds, cuts at its corners, and which side is up. They lie where nothing
 * of the print is seen on the finished body: behind it, in its corners, or beside the print.
 */
final class WrapMarks {
    private static final double HAIRLINE_MM = 0.2;
    private static final double FRONT_TICK_MM = 8;
    private static final double BACK_TICK_MM = 4;
    private static final double CUT_TICK_MM = 5;
    private static final double GAP_MM = 1;
    private static final double LABEL_PT = 9;
    private static final double LABEL_MM = LABEL_PT * Length.MM_PER_INCH / 72;
    /** A corner is cut so far outside the face's corner that the sides still close. */
    private static final double CORNER_KEPT_MM = 3;

    private final Wrap wrap;
    private final Rect flat;
    private final Rect face;
    private final Rect back;
    /** Bare width behind the body. */
    private final double bareMm;

    /** @param x, y of the print's own corner on the page */
    WrapMarks(Wrap wrap, double x, double y) {
        WrapBody body = wrap.body();
        this.wrap = wrap;
        this.flat = body.grown(body.aroundMm()).moved(x, y);
        this.face = body.face().moved(x, y);
        this.back = body.grown(body.sideMm() + body.foldMm() / 2).moved(x, y);
        Rect printed = body.grown(body.printedMm()).moved(x, y);
        this.bareMm = Math.max(0, Math.min(printed.x() - flat.x(), printed.y() - flat.y()));
    }

    List<Mark> of(CaptionText text, int panel) {
        List<Mark> marks = new ArrayList<>();
        folds(marks);
        outline(marks);
        corners(marks);
        labels(marks, text, panel);
        return marks;
    }

    /** At both ends of each fold, long for the front edges and short for the back ones. */
    private void folds(List<Mark> marks) {
        double[][] across = {{face.x(), FRONT_TICK_MM}, {face.right(), FRONT_TICK_MM}, {back.x(), BACK_TICK_MM},
            {back.right(), BACK_TICK_MM}};
        double[][] down = {{face.y(), FRONT_TICK_MM}, {face.bottom(), FRONT_TICK_MM}, {back.y(), BACK_TICK_MM},
            {back.bottom(), BACK_TICK_MM}};
        for (double[] fold : across) {
            double[] upper = tick(flat.y(), -1, fold[1]);
            double[] lower = tick(flat.bottom(), 1, fold[1]);
            marks.add(new Mark.Line(fold[0], upper[0], fold[0], upper[1], HAIRLINE_MM));
            marks.add(new Mark.Line(fold[0], lower[0], fold[0], lower[1], HAIRLINE_MM));
        }
        for (double[] fold : down) {
            double[] left = tick(flat.x(), -1, fold[1]);
            double[] right = tick(flat.right(), 1, fold[1]);
            marks.add(new Mark.Line(left[0], fold[0], left[1], fold[0], HAIRLINE_MM));
            marks.add(new Mark.Line(right[0], fold[0], right[1], fold[0], HAIRLINE_MM));
        }
    }

    /** On the bare turn-over, inwards from the print's edge, or outside of it where the picture goes on to there. */
    private double[] tick(double edge, int outwards, double length) {
        double bleed = wrap.body().turnOver().bleedMm();
        return bareMm > 0 ? new double[] {edge, edge - outwards * Math.min(length, bareMm)}
            : new double[] {edge + outwards * (bleed + GAP_MM), edge + outwards * (bleed + GAP_MM + Math.min(length, CUT_TICK_MM))};
    }

    /** Where the print is cut out of the sheet: along its edge where that is bare, else by ticks beside its corners. */
    private void outline(List<Mark> marks) {
        if (bareMm > 0) {
            marks.add(new Mark.Line(flat.x(), flat.y(), flat.right(), flat.y(), HAIRLINE_MM));
            marks.add(new Mark.Line(flat.x(), flat.bottom(), flat.right(), flat.bottom(), HAIRLINE_MM));
            marks.add(new Mark.Line(flat.x(), flat.y(), flat.x(), flat.bottom(), HAIRLINE_MM));
            marks.add(new Mark.Line(flat.right(), flat.y(), flat.right(), flat.bottom(), HAIRLINE_MM));
            return;
        }
        double from = wrap.body().turnOver().bleedMm() + GAP_MM;
        for (double x : new double[] {flat.x(), flat.right()}) {
            marks.add(new Mark.Line(x, flat.y() - from - CUT_TICK_MM, x, flat.y() - from, HAIRLINE_MM));
            marks.add(new Mark.Line(x, flat.bottom() + from, x, flat.bottom() + from + CUT_TICK_MM, HAIRLINE_MM));
        }
        for (double y : new double[] {flat.y(), flat.bottom()}) {
            marks.add(new Mark.Line(flat.x() - from - CUT_TICK_MM, y, flat.x() - from, y, HAIRLINE_MM));
            marks.add(new Mark.Line(flat.right() + from, y, flat.right() + from + CUT_TICK_MM, y, HAIRLINE_MM));
        }
    }

    /** The diagonal that a corner is folded along, on what lies behind the body; or the slant that it is cut off at. */
    private void corners(List<Mark> marks) {
        for (int i = 0; i < 4; i++) {
            int right = i % 2 == 0 ? -1 : 1;
            int down = i < 2 ? -1 : 1;
            double cornerX = right < 0 ? face.x() : face.right();
            double cornerY = down < 0 ? face.y() : face.bottom();
            double outX = right < 0 ? face.x() - flat.x() : flat.right() - face.right();
            double outY = down < 0 ? face.y() - flat.y() : flat.bottom() - face.bottom();
            if (wrap.corners() == Wrap.Corners.MITRED) {
                double kept = Math.min(wrap.body().sideMm() + CORNER_KEPT_MM, Math.min(outX, outY));
                marks.add(new Mark.Line(cornerX + right * outX, cornerY + down * (kept - outX), cornerX + right * (kept - outY),
                    cornerY + down * outY, HAIRLINE_MM));
            } else {
                double share = bareMm > 0 ? Math.min(1, bareMm / Math.min(outX, outY)) : 0.2;
                marks.add(new Mark.Line(cornerX + right * outX, cornerY + down * outY, cornerX + right * outX * (1 - share),
                    cornerY + down * outY * (1 - share), HAIRLINE_MM));
            }
        }
    }

    /** Above and below, so that the writing is read from behind with the picture upright. */
    private void labels(List<Mark> marks, CaptionText text, int panel) {
        WrapBody body = wrap.body();
        String which = wrap.panels().count() == 1 ? "" : ", piece " + (panel + 1) + " of " + wrap.panels().count();
        String size = Length.mm(body.faceWidthMm()) + " × " + Length.mm(body.faceHeightMm()) + " mm, " + Length.mm(body.support().totalMm())
            + " mm deep";
        double bleed = body.turnOver().bleedMm();
        if (bareMm > 0 && bareMm < LABEL_MM + 2 * GAP_MM) {
            return;
        }
        double middle = (face.x() + face.right()) / 2;
        double upper = bareMm > 0 ? flat.y() + (bareMm + LABEL_MM * 0.7) / 2 : flat.y() - bleed - GAP_MM;
        double lower = bareMm > 0 ? flat.bottom() - (bareMm - LABEL_MM * 0.7) / 2 : flat.bottom() + bleed + GAP_MM + LABEL_MM * 0.8;
        marks.add(new Mark.Text("up · " + text.title() + which, middle, upper, LABEL_PT, 0, Mark.Anchor.MIDDLE));
        marks.add(new Mark.Text(size + (text.date().isEmpty() ? "" : " · " + text.date()), middle, lower, LABEL_PT, 0, Mark.Anchor.MIDDLE));
    }
}
