package wistel.core.fault;

import java.util.Map;

/** What a printer, or a file meant for one, got wrong. */
public final class PrinterException extends WistelException {
    public enum Reason {
        /** It doesn't answer. */
        AWAY,
        /** It answers that it can't just now; asking again later may help. */
        BUSY,
        /** It refuses what was asked; asking again won't help. */
        REFUSED,
        /** It would print with other settings than were asked for. */
        SUBSTITUTES,
        /** It doesn't know a job that it took. */
        LOST_JOB,
        /** Its answer can't be understood. */
        UNCLEAR,
        /** Wistel was stopped while it talked to the printer. */
        INTERRUPTED,
        /** A print file is damaged. */
        RASTER_BROKEN
    }

    private final Reason reason;

    public PrinterException(Reason reason, String what, String next) {
        this(reason, what, next, null);
    }

    public PrinterException(Reason reason, String what, String next, Throwable cause) {
        super(code("printer-", reason), what, next, Map.of(), cause);
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
