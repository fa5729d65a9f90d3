package wistel.core.docket.spec;

import wistel.core.fault.InvalidRequest;

/** What a docket is for, which decides where it is shown. */
public sealed interface Purpose {
    /** A photographer's work: it lies on the bench. */
    record Work() implements Purpose {
    }

    /** A step wedge of the tone bench, by its number. */
    record WedgeOf(int number) implements Purpose {
        public WedgeOf {
            if (number < 1) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Wedge " + number + " can't be.",
                    "Wedges are counted from 1.");
            }
        }
    }

    /** Ruled lines to measure a pairing's feed by. */
    record RulerOf(String pairingId) implements Purpose {
    }
}
