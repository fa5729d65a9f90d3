package wistel.core.sheet;

import java.util.Arrays;
import java.util.List;
import wistel.core.length.Length;
import wistel.core.pictures.Orientation;

/** Something drawn on the page besides pictures, over them, in the printer's black unless it says otherwise. Places are in mm on the page as it is looked at. */
public sealed interface Mark {
    /**
     * As it lies when all of a rectangle from 0, 0 on is turned to the right.
     *
     * @param at where the turned rectangle lies
     */
    Mark turnedRight(Rect at);

    /** A rectangle that it doesn't reach out of; of a text about, as its letters' widths aren't known here. */
    Rect extentMm();

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

        @Override
        public Rect extentMm() {
            double half = widthMm / 2;
            return new Rect(Math.min(fromX, toX) - half, Math.min(fromY, toY) - half, Math.abs(toX - fromX) + widthMm,
                Math.abs(toY - fromY) + widthMm);
        }
    }

    /** A rectangle that stays paper white, for what is written on it over a picture. */
    record Bare(Rect atMm) implements Mark {
        @Override
        public Bare turnedRight(Rect at) {
            return new Bare(turned(atMm, at));
        }

        @Override
        public Rect extentMm() {
            return atMm;
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

        @Override
        public Rect extentMm() {
            return atMm;
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

        @Override
        public Rect extentMm() {
            return shownMm;
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
        private static final double POINT_MM = Length.MM_PER_INCH / 72;
        /** Of a letter, as a share of its size: more than any word of a caption has on average. */
        private static final double LETTER = 0.62;
        private static final double BELOW_LINE = 0.3;

        public Text {
            if (!(sizePt >= 1 && sizePt <= 400) || !Double.isFinite(x + y + turnDegrees)) {
                throw new IllegalArgumentException("text of " + sizePt + " pt");
            }
        }

        @Override
        public Text turnedRight(Rect at) {
            return new Text(words, at.right() - y, at.y() + x, sizePt, turnDegrees + 90, anchor);
        }

        @Override
        public Rect extentMm() {
            double size = sizePt * POINT_MM;
            double length = LETTER * size * words.length();
            double from = switch (anchor) {
                case START -> 0;
                case MIDDLE -> -length / 2;
                case END -> -length;
            };
            double cos = Math.cos(Math.toRadians(turnDegrees));
            double sin = Math.sin(Math.toRadians(turnDegrees));
            double[] across = new double[4];
            double[] down = new double[4];
            for (int corner = 0; corner < 4; corner++) {
                double along = corner % 2 == 0 ? from : from + length;
                double up = corner < 2 ? -size : BELOW_LINE * size;
                across[corner] = x + along * cos - up * sin;
                down[corner] = y + along * sin + up * cos;
            }
            double left = Arrays.stream(across).min().orElseThrow();
            double top = Arrays.stream(down).min().orElseThrow();
            return new Rect(left, top, Math.max(size, Arrays.stream(across).max().orElseThrow() - left),
                Math.max(size, Arrays.stream(down).max().orElseThrow() - top));
        }
    }
}
