package wistel.core.rendition;

import wistel.core.fault.InvalidRequest;

/** Numbers that are checked alike in every move. */
final class Ranges {
    private Ranges() {
    }

    /** @throws InvalidRequest when the value is no number, or outside of its range */
    static void within(String what, double value, double from, double to) {
        if (!(value >= from && value <= to)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A move's " + what + " of " + value + " can't be.",
                "It goes from " + number(from) + " to " + number(to) + ".");
        }
    }

    static InvalidRequest curve(String what, String next) {
        return new InvalidRequest(InvalidRequest.Reason.CURVE_UNCLEAR, what, next);
    }

    /** Without decimals that say nothing. */
    static String number(double v) {
        return v == Math.rint(v) ? String.valueOf((long) v) : String.valueOf(Math.round(v * 100) / 100.0);
    }

    /** With its sign. */
    static String signed(double v) {
        return (v < 0 ? "−" : "+") + number(Math.abs(v));
    }
}
