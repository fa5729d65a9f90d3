package wistel.standin.room;

import wistel.core.paper.SheetSize;

/** IPP keywords of the ways into the printers, and the sizes that lie there. */
public final class Feeds {
    public static final String REAR = "rear";
    public static final String FRONT = "by-pass-tray";
    public static final String ROLL = "main-roll";

    private Feeds() {
    }

    /** The known size of these lengths, or one cut to measure. */
    public static SheetSize size(double widthMm, double heightMm) {
        return SheetSize.near(widthMm, heightMm)
            .orElseGet(() -> new SheetSize("cut to " + Math.round(widthMm) + " × " + Math.round(heightMm) + " mm",
                SheetSize.ippName(widthMm, heightMm), widthMm, heightMm));
    }
}
