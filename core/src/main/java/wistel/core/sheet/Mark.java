package wistel.core.sheet;

import java.util.List;
import wistel.core.pictures.Orientation;

/** Something drawn on the page besides pictures, over them, in the printer's black unless it says otherwise. Places are in mm on the page as it is looked at. */
public sealed interface Mark {
    /**
     * As it lies when all of a rectangle from 0, 0 on is turned to the right.
     *
     * @param at where the turned rectangle lies
     */
    Mark turnedRight(Rect at);

    /** A straight line: cut marks, fold lines, register ticks, a rule. */
    record Line(double fromX, double fromY, double toX, double toY, double widthMm) implements Mark {
        public Line {
            if (!(widthMm > 0) || !Double.isFinite(fromX + fromY + toX + toY)) {
                throw new IllegalArgumentException("a line of " + widthMm + " mm");
            }
        }

        @Override
        public Line turnedRight(Rect at) {
            return new Line(at.right() - fromY, at.y() + fromX, at.right() - toY, at.y() + toX, widthMm);
        }
    }

    /** A rectangle that stays paper white, for what is written on it over a picture. */
    record Bare(Rect atMm) implements Mark {
        @Override
        public Bare turnedRight(Rect at) {
            return new Bare(turned(atMm, at));
        }
    }

    /**
     * A patch that is measured, in the numbers of the page's raster as they are.
     *
     * @param codes 16 bit, by channel
     */
    record ControlPatch(Rect atMm, List<Integer> codes) implements Mark {
        public ControlPatch {
            codes = List.copyOf(codes);
            if (codes.stream().anyMatch(c -> c < 0 || c > 65535)) {
                throw new IllegalArgumentException("codes " + codes);
            }
        }

        @Override
        public ControlPatch turnedRight(Rect at) {
            return new ControlPatch(turned(atMm, at), codes);
        }
    }

    /**
     * A mark of one's own.
     *
     * @param shownMm     what of it is printed: it is cut off outside of this
     * @param orientation how it is turned to lie there
     */
    record Stamp(MarkArt art, Rect atMm, Rect shownMm, Orientation orientation, double opacity, OwnMark.Ink ink) implements Mark {
        @Override
        public Stamp turnedRight(Rect at) {
            return new Stamp(art, turned(atMm, at), turned(shownMm, at), orientation.then(Orientation.QUARTER_RIGHT), opacity, ink);
        }
    }

    /** A rectangle of what is turned to the right. */
    @SuppressWarnings("ArgumentSelectionDefectChecker")
    private static Rect turned(Rect it, Rect at) {
        return new Rect(at.right() - it.bottom(), at.y() + it.x(), it.height(), it.width());
    }

    /** Which part of a text lies at its place. */
    enum Anchor { START, MIDDLE, END }

    /**
     * One line of text.
     *
     * @param x, y        the anchor's place on its baseline
     * @param sizePt      of the type, 1/72 in
     * @param turnDegrees clockwise about that end
     */
    record Text(String words, double x, double y, double sizePt, double turnDegrees, Anchor anchor) implements Mark {
        public Text {
            if (!(sizePt >= 1 && sizePt <= 400) || !Double.isFinite(x + y + turnDegrees)) {
                throw new IllegalArgumentException("text of " + sizePt + " pt");
            }
        }

        @Override
        public Text turnedRight(Rect at) {
            return new Text(words, at.right() - y, at.y() + x, sizePt, turnDegrees + 90, anchor);
        }
    }
}
