package wistel.core.paper;

import wistel.core.fault.InvalidRequest;
import wistel.core.length.Length;

/**
 * How long a millimetre that is sent to a printer comes out on a paper: a feed rarely moves it by exactly what it should. What is to come
 * out true is sent smaller by as much.
 *
 * @param across the feed, along the way of the head
 * @param along  the feed
 */
public record FeedScale(double across, double along) {
    public static final double LEAST = 0.98;
    public static final double MOST = 1.02;
    /** Of a feed that nobody has measured. */
    public static final FeedScale NONE = new FeedScale(1, 1);

    /** @throws IllegalArgumentException when a factor isn't within 0.98 to 1.02 */
    public FeedScale {
        if (!within(across) || !within(along)) {
            throw new IllegalArgumentException("feed scale " + across + " across, " + along + " along");
        }
    }

    private static boolean within(double factor) {
        return factor >= LEAST && factor <= MOST;
    }

    /** Both directions of a line. */
    public enum Direction {
        ACROSS, ALONG;

        String words() {
            return this == ACROSS ? "across the feed" : "along the feed";
        }
    }

    private double of(Direction direction) {
        return direction == Direction.ACROSS ? across : along;
    }

    /**
     * The factor of one direction, from a line that was printed in it with this scale in force.
     *
     * @param meantMm how long the line was meant to come out
     * @param readMm  what a ruler says
     * @throws InvalidRequest when no feed is so far off, so that something else must be wrong
     */
    public double measured(Direction direction, double meantMm, double readMm) {
        double factor = of(direction) * readMm / meantMm;
        if (!within(factor)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                "The line " + direction.words() + " was to be " + Length.mm(meantMm) + " mm and reads " + Length.mm(readMm)
                    + " mm: no feed is that far off.",
                "Measure from tick to tick, and give the unit if it isn't mm; a feed is off by two percent at most.");
        }
        return factor;
    }
}
