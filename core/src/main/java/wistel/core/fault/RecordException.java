package wistel.core.fault;

import java.util.Map;

/** Something that Wistel keeps, or wants to keep, can't be read or written just now. */
public final class RecordException extends WistelException {
    public enum Reason {
        /** A docket was written in a way that this version can't read. */
        DOCKET_UNREADABLE,
        /** What is stored of a record is damaged. */
        RECORD_DAMAGED,
        /** The database doesn't answer. */
        DATABASE_AWAY,
        /** A file can't be written. */
        DISK_FULL
    }

    private final Reason reason;

    public RecordException(Reason reason, String what, String next, Throwable cause) {
        super(code("", reason), what, next, Map.of(), cause);
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
