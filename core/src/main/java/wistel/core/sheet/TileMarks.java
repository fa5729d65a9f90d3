package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import wistel.core.length.Length;
import wistel.core.length.Margins;

/**
 * The marks of one sheet of several that are joined: lines to cut along, ticks at the corners of what is seen of it, and which sheet it is.
 * All of it lies on what is cut off, or what the neighbour covers.
 */
final class TileMarks {
    private static final double LINE_MM = 0.2;
    private static final double TICK_MM = 5;
    private static final double LARGEST_PT = 8;
    private static final double SMALLEST_PT = 4;
    /** Of a strip, what is left free beside a line of text. */
    private static final double AIR = 0.25;
    private static final double MM_PER_PT = Length.MM_PER_INCH / 72;
    /** Of the type, from its baseline up. */
    private static final double RISES = 0.72;
    private static final double INDENT_MM = 4;
    /** A letter's usual width, of the type's size. */
    private static final double LETTER = 0.55;

    private final Tiled plan;
    private final Sheet sheet;
    private final Rect printed;
    private final Rect printable;
    private final Rect seen;

    /** Which one of all it is, counted from 0. */
    record Sheet(TiledPiece.Axes axes, int column, int row) {
        boolean first(boolean columns) {
            return (columns ? column : row) == 0;
        }

        boolean last(boolean columns) {
            return columns ? column == axes.columns().count() - 1 : row == axes.rows().count() - 1;
        }

        String words() {
            int number = row * axes.columns().count() + column + 1;
            return number + " of " + axes.sheets() + ", row " + (row + 1) + ", column " + (column + 1);
        }
    }

    /** @param page with this sheet's part of the picture on it */
    TileMarks(Tiled plan, Sheet sheet, Page page) {
        this.plan = plan;
        this.sheet = sheet;
        this.printed = page.placed().get(0).atMm();
        Margins m = page.unprintable();
        this.printable = new Rect(m.left(), m.top(), page.widthMm() - m.left() - m.right(), page.heightMm() - m.top() - m.bottom());
        this.seen = page.placed().get(0).tile().orElseThrow().seenMm();
    }

    /** @param title of the docket */
    List<Mark> of(String title) {
        List<Mark> marks = new ArrayList<>();
        if (sheet.axes.sheets() > 1 && plan.marks()) {
            lines(marks);
            ticks(marks);
        }
        if (sheet.axes.sheets() > 1 && plan.labels()) {
            label(marks, title + ", sheet " + sheet.words());
        }
        return marks;
    }

    /** Where the sheet is cut, beside what is seen of it: of glued ones that which lies on top, of butted ones both. */
    private void lines(List<Mark> marks) {
        boolean both = plan.joint().way() == SheetJoint.Way.BUTTED;
        double half = LINE_MM / 2;
        if (!sheet.first(true)) {
            marks.add(new Mark.Line(seen.x() - half, printed.y(), seen.x() - half, printed.bottom(), LINE_MM));
        }
        if (!sheet.first(false)) {
            marks.add(new Mark.Line(printed.x(), seen.y() - half, printed.right(), seen.y() - half, LINE_MM));
        }
        if (both && !sheet.last(true)) {
            marks.add(new Mark.Line(seen.right() + half, printed.y(), seen.right() + half, printed.bottom(), LINE_MM));
        }
        if (both && !sheet.last(false)) {
            marks.add(new Mark.Line(printed.x(), seen.bottom() + half, printed.right(), seen.bottom() + half, LINE_MM));
        }
    }

    /** Outwards from the four corners of what is seen, as far as can be printed. */
    private void ticks(List<Mark> marks) {
        for (double x : new double[] {seen.x(), seen.right()}) {
            tick(marks, x, Math.max(printable.y(), seen.y() - TICK_MM), x, seen.y());
            tick(marks, x, seen.bottom(), x, Math.min(printable.bottom(), seen.bottom() + TICK_MM));
        }
        for (double y : new double[] {seen.y(), seen.bottom()}) {
            tick(marks, Math.max(printable.x(), seen.x() - TICK_MM), y, seen.x(), y);
            tick(marks, seen.right(), y, Math.min(printable.right(), seen.right() + TICK_MM), y);
        }
    }

    private static void tick(List<Mark> marks, double fromX, double fromY, double toX, double toY) {
        if (toX - fromX + toY - fromY > LINE_MM) {
            marks.add(new Mark.Line(fromX, fromY, toX, toY, LINE_MM));
        }
    }

    /** A strip beside what is seen, along one of its sides. */
    private record Strip(Rect at, boolean upright) {
        double depthMm() {
            return upright ? at.width() : at.height();
        }
    }

    /** On the widest strip beside what is seen: white paper round the picture, or what is cut off or covered. */
    private void label(List<Mark> marks, String words) {
        Strip best = null;
        for (Strip strip : strips()) {
            best = best == null || strip.depthMm() > best.depthMm() + LINE_MM ? strip : best;
        }
        if (best == null || (1 - AIR) * best.depthMm() / MM_PER_PT < SMALLEST_PT) {
            return;
        }
        double length = (best.upright ? best.at.height() : best.at.width()) - 2 * INDENT_MM;
        double pt = Math.min(Math.min(LARGEST_PT, (1 - AIR) * best.depthMm() / MM_PER_PT),
            Math.max(SMALLEST_PT, length / (LETTER * words.length() * MM_PER_PT)));
        double type = pt * MM_PER_PT;
        double textMm = LETTER * words.length() * type;
        if (best.upright) {
            double middle = best.at.x() + best.at.width() / 2;
            double foot = best.at.bottom() - INDENT_MM;
            marks.add(new Mark.Bare(new Rect(middle - 0.6 * type, foot - textMm - 3 * type, 1.2 * type, textMm + 3.5 * type)));
            arrow(marks, middle, foot - 0.2 * type, type, -90);
            marks.add(new Mark.Text(words, middle + RISES * type / 2, foot - 1.5 * type, pt, -90, Mark.Anchor.START));
        } else {
            double middle = best.at.y() + best.at.height() / 2;
            double from = best.at.x() + INDENT_MM;
            marks.add(new Mark.Bare(new Rect(from - 0.5 * type, middle - 0.6 * type, textMm + 3.5 * type, 1.2 * type)));
            arrow(marks, from + 0.5 * type, middle, type, 0);
            marks.add(new Mark.Text(words, from + 1.5 * type, middle + RISES * type / 2, pt, 0, Mark.Anchor.START));
        }
    }

    /** Pointing to where the picture is up. */
    private static void arrow(List<Mark> marks, double x, double y, double sizeMm, int turned) {
        double half = 0.45 * sizeMm;
        double atY = turned == 0 ? y : y - half;
        marks.add(new Mark.Line(x, atY + half, x, atY - half, LINE_MM));
        marks.add(new Mark.Line(x - half / 2, atY - half / 3, x, atY - half, LINE_MM));
        marks.add(new Mark.Line(x + half / 2, atY - half / 3, x, atY - half, LINE_MM));
    }

    private List<Strip> strips() {
        List<Strip> strips = new ArrayList<>();
        double gap = LINE_MM + 0.3;
        // below and above reads best
        add(strips, seen.x(), seen.bottom() + gap, seen.right(), printable.bottom(), false);
        add(strips, seen.x(), printable.y(), seen.right(), seen.y() - gap, false);
        add(strips, printable.x(), seen.y(), seen.x() - gap, seen.bottom(), true);
        add(strips, seen.right() + gap, seen.y(), printable.right(), seen.bottom(), true);
        return strips;
    }

    private static void add(List<Strip> strips, double left, double top, double right, double bottom, boolean upright) {
        if (right - left > 1 && bottom - top > 1) {
            strips.add(new Strip(new Rect(left, top, right - left, bottom - top), upright));
        }
    }
}
