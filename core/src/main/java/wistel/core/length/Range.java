package wistel.core.length;

/** Lengths from one to another, in mm; both the same for a single one. */
public record Range(double from, double to) {
    /** Sheets are cut to about half a millimetre, and printers round to hundredths. */
    private static final double TOLERANCE = 0.6;

    public Range {
        if (!(from >= 0 && to >= from)) {
            throw new IllegalArgumentException("from " + from + " to " + to + " mm");
        }
    }

    public static Range only(double mm) {
        return new Range(mm, mm);
    }

    public boolean holds(double mm) {
        return mm > from - TOLERANCE && mm < to + TOLERANCE;
    }
}
