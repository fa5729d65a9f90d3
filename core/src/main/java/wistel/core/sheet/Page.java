package wistel.core.sheet;

import java.util.List;
import wistel.core.length.Margins;
import wistel.core.pictures.Orientation;

/**
 * One sheet or one length of roll as it will be laid down, looked at upright.
 *
 * @param unprintable edges that stay white, as looked at
 * @param feedTurn    how the page is turned to lie as it feeds, short edge leading
 */
public record Page(double widthMm, double heightMm, Margins unprintable, Orientation feedTurn, List<Placed> placed, List<Mark> marks) {
    public Page {
        if (!(widthMm > 0 && heightMm > 0)) {
            throw new IllegalArgumentException("a page of " + widthMm + " x " + heightMm + " mm");
        }
        placed = List.copyOf(placed);
        marks = List.copyOf(marks);
    }

    public double areaMm2() {
        return widthMm * heightMm;
    }

    public double fedWidthMm() {
        return feedTurn.swapsSides() ? heightMm : widthMm;
    }

    public double fedHeightMm() {
        return feedTurn.swapsSides() ? widthMm : heightMm;
    }
}
