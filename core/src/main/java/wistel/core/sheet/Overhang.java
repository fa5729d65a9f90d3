package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;

/** What of a placed picture falls on an edge that stays white, side by side, in mm. */
public record Overhang(String side, double mm) {
    private static final double HARDLY = 0.05;

    /** Empty when all of it is printable. */
    public static List<Overhang> of(Page page, Placed placed) {
        Rect at = placed.printedMm();
        List<Overhang> found = new ArrayList<>();
        add(found, "left", page.unprintable().left() - at.x());
        add(found, "right", at.right() - (page.widthMm() - page.unprintable().right()));
        add(found, "upper", page.unprintable().top() - at.y());
        add(found, "lower", at.bottom() - (page.heightMm() - page.unprintable().bottom()));
        return found;
    }

    private static void add(List<Overhang> found, String side, double mm) {
        if (mm > HARDLY) {
            found.add(new Overhang(side, mm));
        }
    }

    public static boolean largerThanPage(Page page, Placed placed) {
        return placed.printedMm().width() > page.widthMm() + HARDLY || placed.printedMm().height() > page.heightMm() + HARDLY;
    }
}
