package wistel.core.fault;

import java.util.Map;

/** A sound request that doesn't go with the state of what it is about: it was changed meanwhile, or is busy. */
public final class Conflict extends WistelException {
    public enum Reason {
        /** What is asked for comes out other than it was. */
        DIFFERS,
        /** Something else goes by this name. */
        NAME_TAKEN,
        /** Too much else is under way. */
        BUSY,
        /** It is used somewhere. */
        IN_USE,
        /** Decided on an older version than the present one. */
        STALE,
        /** A finding stops the print. */
        STOPPED,
        /** The docket is on its way to the printer already. */
        PRINTING_ALREADY
    }

    private final Reason reason;

    public Conflict(Reason reason, String what, String next) {
        this(reason, what, next, Map.of());
    }

    public Conflict(Reason reason, String what, String next, Map<String, Object> data) {
        super(code("", reason), what, next, data, null);
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
