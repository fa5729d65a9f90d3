package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What of a placed picture falls on an edge that stays white, side by side, in mm. */
public record Overhang(Side side, double mm) {
    /** Of a page as it is looked at. */
    public enum Side {
        LEFT, RIGHT, UPPER, LOWER;

        /** As it stands before "edge". */
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private static final double NOTICED_MM = 0.05;

    /** Empty when all of it is printable. */
    public static List<Overhang> of(Page page, Placed placed) {
        Rect at = placed.printedMm();
        List<Overhang> found = new ArrayList<>();
        add(found, Side.LEFT, page.unprintable().left() - at.x());
        add(found, Side.RIGHT, at.right() - (page.widthMm() - page.unprintable().right()));
        add(found, Side.UPPER, page.unprintable().top() - at.y());
        add(found, Side.LOWER, at.bottom() - (page.heightMm() - page.unprintable().bottom()));
        return found;
    }

    private static void add(List<Overhang> found, Side side, double mm) {
        if (mm > NOTICED_MM) {
            found.add(new Overhang(side, mm));
        }
    }

    public static boolean largerThanPage(Page page, Placed placed) {
        return placed.printedMm().width() > page.widthMm() + NOTICED_MM || placed.printedMm().height() > page.heightMm() + NOTICED_MM;
    }
}
