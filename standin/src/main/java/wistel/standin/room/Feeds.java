package wistel.standin.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wistel.core.paper.SheetSize;
import wistel.standin.ink.Paper;

/** The two ways into the sheet printer and what each takes: the table behind its media attributes. */
public final class Feeds {
    /** IPP keywords of the feeds. */
    public static final String REAR = "rear";
    public static final String FRONT = "by-pass-tray";

    /** One offer; margins in mm as the sheet goes through: leading, right, trailing, left. */
    public record Offer(SheetSize size, Paper paper, String feed, double lead, double right, double trail, double left) {
    }

    private static final SheetSize POSTCARD = new SheetSize("4 x 6 in", "na_index-4x6_4x6in", 101.6, 152.4);

    private Feeds() {
    }

    /** All offers. Stiff cotton goes through the front path alone, with 30 mm at both ends; the trailing edge elsewhere is the larger. */
    public static List<Offer> offers() {
        List<Offer> offers = new ArrayList<>();
        List<SheetSize> sizes = new ArrayList<>(SheetSize.KNOWN);
        sizes.add(POSTCARD);
        for (SheetSize size : sizes) {
            for (Paper paper : Paper.values()) {
                if (paper == Paper.MOSS_COTTON) {
                    offers.add(new Offer(size, paper, FRONT, 30, 3.4, 30, 3.4));
                } else {
                    offers.add(new Offer(size, paper, REAR, 3, 3, 14, 3));
                    offers.add(new Offer(size, paper, FRONT, 20, 3.4, 20, 3.4));
                }
            }
        }
        return offers;
    }

    public static List<SheetSize> sizes() {
        List<SheetSize> sizes = new ArrayList<>(SheetSize.KNOWN);
        sizes.add(POSTCARD);
        return sizes;
    }

    public static Optional<SheetSize> size(double widthMm, double heightMm) {
        return sizes().stream().filter(s -> Math.abs(s.widthMm() - widthMm) < 0.6 && Math.abs(s.heightMm() - heightMm) < 0.6).findFirst();
    }
}
