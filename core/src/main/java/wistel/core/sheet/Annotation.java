package wistel.core.sheet;

import java.util.Optional;
import wistel.core.fault.InvalidRequest;

/**
 * What is drawn round a picture.
 *
 * @param ruleMm    width of a thin line round the picture; 0 for none
 * @param ruleGapMm white between picture and line
 * @param cutMarks  at the corners of what is to be cut out
 * @param own       a mark of one's own, beside the picture or over it
 */
public record Annotation(Caption caption, double ruleMm, double ruleGapMm, boolean cutMarks, Optional<OwnMark> own) {
    public static final Annotation NONE = new Annotation(Caption.NONE, 0, 2, false);

    /** Without a mark of one's own. */
    public Annotation(Caption caption, double ruleMm, double ruleGapMm, boolean cutMarks) {
        this(caption, ruleMm, ruleGapMm, cutMarks, Optional.empty());
    }

    /** The mark as it is laid: over the picture, where that has no border. */
    public Optional<OwnMark> laid(boolean bordered) {
        return bordered ? own : own.map(OwnMark::inside);
    }

    /** As it may stand round other pictures too: without an edition, which is of one picture. */
    public Annotation perPicture() {
        Caption c = caption;
        return new Annotation(new Caption(c.title(), c.date(), 0, c.signature(), c.sizePt(), c.number(), c.fileName(), c.taken()), ruleMm,
            ruleGapMm, cutMarks, own);
    }

    /** Each print bears a number of its own, so copies are pages and the printer repeats none. */
    public boolean numbered() {
        return caption.edition() > 0;
    }

    /** @throws InvalidRequest when a length is out of its range */
    public Annotation {
        if (!(ruleMm >= 0 && ruleMm <= 5 && ruleGapMm >= 0 && ruleGapMm <= 100)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A rule of that width can't be.",
                "Rules go up to 5 mm, their distance up to 100 mm.");
        }
    }
}
