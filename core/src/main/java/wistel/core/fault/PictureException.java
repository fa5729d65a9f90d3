package wistel.core.fault;

import java.util.Map;

/** A file that is not a picture Wistel can print, or not whole. */
public final class PictureException extends WistelException {
    public enum Reason {
        /** Several pictures in one file. */
        ANIMATED,
        /** Four inks. */
        CMYK,
        /** Its pixels contradict the format. */
        DAMAGED,
        /** No bytes. */
        EMPTY,
        /** Samples are no whole numbers. */
        FLOAT,
        /** Stored as L*a*b*. */
        LAB,
        /** A TIFF whose rows can't be read one after the other. */
        ONE_STRIP,
        /** A progressive JPEG that is too large to hold. */
        PROGRESSIVE,
        /** More pixels than are taken. */
        TOO_LARGE,
        /** Its decoding takes longer than any such picture should. */
        TOO_SLOW,
        /** It ends early. */
        TRUNCATED,
        /** None of the formats. */
        UNKNOWN,
        /** It could not be opened. */
        UNREADABLE,
        /** The format is known, this form of it isn't read. */
        UNSUPPORTED
    }

    private final Reason reason;

    public PictureException(Reason reason, String what, String next) {
        this(reason, what, next, Map.of(), null);
    }

    public PictureException(Reason reason, String what, String next, Map<String, Object> data) {
        this(reason, what, next, data, null);
    }

    public PictureException(Reason reason, String what, String next, Throwable cause) {
        this(reason, what, next, Map.of(), cause);
    }

    private PictureException(Reason reason, String what, String next, Map<String, Object> data, Throwable cause) {
        super(code("picture-", reason), what, next, data, cause);
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
