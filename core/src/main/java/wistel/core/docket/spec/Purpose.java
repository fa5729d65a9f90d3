package wistel.core.docket.spec;

import java.util.List;
import wistel.core.fault.InvalidRequest;
import wistel.core.rendition.Compensation;

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

    /**
     * Variations of a docket's picture, to find out how it prints best.
     *
     * @param tried versions of compensations that its pieces may take
     */
    record StripOf(String docketId, String renditionId, List<Compensation> tried) implements Purpose {
        public StripOf {
            tried = List.copyOf(tried);
        }
    }

    /** Ruled lines to measure a pairing's feed by. */
    record RulerOf(String pairingId) implements Purpose {
    }
}
