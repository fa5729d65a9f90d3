package wistel.core.sheet;

import wistel.core.fault.InvalidRequest;

/** White round a picture, and with it where the picture sits. */
public sealed interface Borders {
    /** A heavier foot leaves half as much again below as above. */
    double ABOVE_WITH_FOOT = 0.4;

    /** The picture in the middle. */
    record Even() implements Borders {
    }

    /** The picture a little above the middle. */
    record HeavierFoot() implements Borders {
    }

    /** Typed, in mm as looked at; the frame is what they leave of the paper. Negative ones reach over the edge. */
    record Sides(double top, double right, double bottom, double left) implements Borders {
        private static final double MOST = 5000;

        /** @throws InvalidRequest when a border is out of its range */
        public Sides {
            if (!(Math.abs(top) <= MOST && Math.abs(right) <= MOST && Math.abs(bottom) <= MOST && Math.abs(left) <= MOST)) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Borders of that width can't be.", "Borders go up to 5 m.");
            }
        }
    }

    /** Share of the spare height that lies above the picture. */
    default double aboveShare() {
        return this instanceof HeavierFoot ? ABOVE_WITH_FOOT : 0.5;
    }
}
