package wistel.standin.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import wistel.core.length.Range;
import wistel.core.paper.SheetSize;
import wistel.standin.ink.Paper;

/** The ways into the sheet printer and what each takes: the table behind its media attributes. */
public final class Feeds {
    /** IPP keywords of the feeds. */
    public static final String REAR = "rear";
    public static final String FRONT = "by-pass-tray";
    public static final String ROLL = "main-roll";

    /** How far it can print over the edges of borderless paper. */
    public static final List<Double> OVER_EDGE_MM = List.of(0.0, 1.0, 2.0, 3.0);
    public static final double USUAL_OVER_EDGE_MM = 2;

    private static final double WIDEST_MM = 431.8;
    private static final double NARROWEST_MM = 89;
    private static final Range CUSTOM_LENGTH = new Range(127, 1200);
    private static final Range ROLL_LENGTH = new Range(100, 5000);
    private static final List<Double> ROLL_WIDTHS = List.of(10 * 25.4, 13 * 25.4, 16 * 25.4, 17 * 25.4);
    private static final Set<String> BORDERLESS_SHEETS = Set.of("4 × 6 in", "5 × 7 in", "8 × 10 in", "A4", "A3", "A3+", "A2", "17 × 22 in");
    private static final Set<Double> BORDERLESS_ROLLS = Set.of(10 * 25.4, 13 * 25.4, 17 * 25.4);

    /** One offer; margins in mm as the paper goes through: leading, right, trailing, left. */
    public record Offer(Range widthMm, Range lengthMm, Paper paper, String feed, double lead, double right, double trail, double left) {
        public boolean takes(double width, double length) {
            return widthMm.holds(width) && lengthMm.holds(length);
        }

        public boolean borderless() {
            return lead + right + trail + left == 0;
        }
    }

    private Feeds() {
    }

    /**
     * All offers. Stiff cotton goes through the front path alone, with 30 mm at both ends; elsewhere the trailing edge is the larger. The smooth
     * papers may be printed to the edge in some sizes, and lie on the roll too.
     */
    public static List<Offer> offers() {
        List<Offer> offers = new ArrayList<>();
        for (Paper paper : Paper.values()) {
            for (SheetSize size : sizes()) {
                sheet(offers, paper, Range.only(size.widthMm()), Range.only(size.heightMm()));
            }
            sheet(offers, paper, new Range(NARROWEST_MM, WIDEST_MM), CUSTOM_LENGTH);
            if (paper != Paper.MOSS_COTTON) {
                sizes().stream().filter(s -> BORDERLESS_SHEETS.contains(s.name()))
                    .forEach(s -> offers.add(new Offer(Range.only(s.widthMm()), Range.only(s.heightMm()), paper, REAR, 0, 0, 0, 0)));
                ROLL_WIDTHS.forEach(w -> offers.add(new Offer(Range.only(w), ROLL_LENGTH, paper, ROLL, 3, 3, 3, 3)));
                BORDERLESS_ROLLS.stream().sorted().forEach(w -> offers.add(new Offer(Range.only(w), ROLL_LENGTH, paper, ROLL, 0, 0, 0, 0)));
            }
        }
        return offers;
    }

    private static void sheet(List<Offer> offers, Paper paper, Range width, Range length) {
        if (paper == Paper.MOSS_COTTON) {
            offers.add(new Offer(width, length, paper, FRONT, 30, 3.4, 30, 3.4));
        } else {
            offers.add(new Offer(width, length, paper, REAR, 3, 3, 14, 3));
            offers.add(new Offer(width, length, paper, FRONT, 20, 3.4, 20, 3.4));
        }
    }

    /** The known sheets that go through its 17 inches. */
    public static List<SheetSize> sizes() {
        return SheetSize.KNOWN.stream().filter(s -> s.widthMm() <= WIDEST_MM + 0.1).toList();
    }

    /** The known size of these lengths, or one cut to measure. */
    public static SheetSize size(double widthMm, double heightMm) {
        return SheetSize.near(widthMm, heightMm)
            .orElseGet(() -> new SheetSize("cut to " + Math.round(widthMm) + " × " + Math.round(heightMm) + " mm", SheetSize.ippName(widthMm, heightMm), widthMm, heightMm));
    }
}
