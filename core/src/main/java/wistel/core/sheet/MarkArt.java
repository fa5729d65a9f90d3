package wistel.core.sheet;

import wistel.core.fault.InvalidRequest;

/**
 * What a mark of one's own shows. It is pinned by its content: what is changed in the settings later changes no docket.
 *
 * @param content of a picture or drawing, the SHA-256 of its file; of words, these
 * @param aspect  width over height
 */
public record MarkArt(Kind kind, String name, String content, double aspect) {
    private static final int LONGEST_WORDS = 120;
    private static final int LONGEST_NAME = 80;
    private static final double FLATTEST = 100;

    /** A picture with transparency, a drawing of lines and shapes, or a line of text. */
    public enum Kind {
        PICTURE, DRAWING, WORDS
    }

    /** @throws InvalidRequest when a text is blank or too long, or it has no shape */
    public MarkArt {
        if (name.isBlank() || name.length() > LONGEST_NAME || content.isBlank() || content.length() > LONGEST_WORDS) {
            throw new InvalidRequest(InvalidRequest.Reason.TEXT_OUT_OF_RANGE,
                "A mark has a name of up to " + LONGEST_NAME + " characters, and a line of text up to " + LONGEST_WORDS + ".",
                "Write it shorter.");
        }
        if (!(aspect >= 1 / FLATTEST && aspect <= FLATTEST)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A mark of that shape can't be laid.",
                "Its sides may differ up to a hundredfold.");
        }
    }
}
