package wistel.core.fault;

import java.util.Map;

/** What a paper maker's library, or its address, got wrong. */
public final class LibraryException extends WistelException {
    public enum Reason {
        /** It doesn't answer, or not in time. */
        AWAY,
        /** It answers, but not with what was asked for. */
        REFUSED,
        /** Its answer is larger than any that makes sense. */
        TOO_LARGE,
        /** Its answer is of another kind than was asked for. */
        UNCLEAR,
        /** An address that isn't one, or isn't asked. */
        ADDRESS
    }

    private final Reason reason;

    public LibraryException(Reason reason, String what, String next) {
        this(reason, what, next, null);
    }

    public LibraryException(Reason reason, String what, String next, Throwable cause) {
        super(code("library-", reason), what, next, Map.of(), cause);
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
