package wistel.server.label;

import java.util.stream.Stream;
import wistel.core.fault.InvalidRequest;

/**
 * What a person writes once for all labels and pages for buyers.
 *
 * @param name    of the photographer
 * @param contact an address or a line to be reached by
 * @param inks    what the prints are made with
 * @param note    a sentence for the buyer: how to hang and to keep it
 */
record PrintTexts(String name, String contact, String inks, String note) {
    static final PrintTexts EMPTY = new PrintTexts("", "", "", "");
    private static final int LONGEST = 600;

    /** @throws InvalidRequest when a text is too long */
    PrintTexts {
        if (Stream.of(name, contact, inks, note).anyMatch(t -> t.length() > LONGEST)) {
            throw new InvalidRequest(InvalidRequest.Reason.TEXT_OUT_OF_RANGE, "A text for labels has up to " + LONGEST + " characters.",
                "Write it shorter.");
        }
    }
}
