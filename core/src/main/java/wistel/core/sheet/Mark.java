package wistel.core.sheet;

/** Something drawn on the page besides pictures, in the printer's black. Places are in mm on the page as it is looked at. */
public sealed interface Mark {
    /** A straight line: cut marks, fold lines, register ticks, a rule. */
    record Line(double fromX, double fromY, double toX, double toY, double widthMm) implements Mark {
        public Line {
            if (!(widthMm > 0) || !Double.isFinite(fromX + fromY + toX + toY)) {
                throw new IllegalArgumentException("a line of " + widthMm + " mm");
            }
        }
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
    }
}
