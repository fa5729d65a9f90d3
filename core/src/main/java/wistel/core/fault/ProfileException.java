package wistel.core.fault;

import java.util.Map;

/** An ICC profile that is malformed, or of a kind that can't serve here. */
public final class ProfileException extends WistelException {
    public enum Reason {
        /** A change of colours that moves can't say. */
        BEYOND_MOVES,
        /** It contradicts the standard. */
        BROKEN,
        /** More colorants than can be handled. */
        CHANNELS,
        /** It is not in the store. */
        GONE,
        /** It describes something else than a change of colours. */
        NOT_ABSTRACT,
        /** It describes something else than a printer and paper that can be printed on here. */
        NOT_A_PAPER,
        /** It describes something else than a screen. */
        NOT_A_DISPLAY,
        /** A link, name list or abstract profile. */
        NOT_A_DEVICE,
        /** It lacks the direction that is needed. */
        ONE_WAY
    }

    private final Reason reason;

    public ProfileException(Reason reason, String what, String next) {
        this(reason, what, next, Map.of(), null);
    }

    public ProfileException(Reason reason, String what, String next, Map<String, Object> data) {
        this(reason, what, next, data, null);
    }

    public ProfileException(Reason reason, String what, String next, Throwable cause) {
        this(reason, what, next, Map.of(), cause);
    }

    private ProfileException(Reason reason, String what, String next, Map<String, Object> data, Throwable cause) {
        super(code("profile-", reason), what, next, data, cause);
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
