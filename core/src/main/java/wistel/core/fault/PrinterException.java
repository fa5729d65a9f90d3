package wistel.core.fault;

import java.util.Map;

/** What a printer, or a file meant for one, got wrong. */
public final class PrinterException extends WistelException {
    public enum Reason {
        /** It doesn't answer. */
        AWAY("printer-away"),
        /** It answers that it can't just now; asking again later may help. */
        BUSY("printer-busy"),
        /** It refuses what was asked; asking again won't help. */
        REFUSED("printer-refused"),
        /** It would print with other settings than were asked for. */
        SUBSTITUTES("printer-substitutes"),
        /** It doesn't know a job that it took. */
        LOST_JOB("printer-lost-job"),
        /** Its answer can't be understood. */
        UNCLEAR("printer-unclear"),
        /** Wistel was stopped while it talked to the printer. */
        INTERRUPTED("printer-interrupted"),
        /** A print file is damaged. */
        RASTER_BROKEN("raster-broken");

        private final String code;

        Reason(String code) {
            this.code = code;
        }
    }

    private final Reason reason;

    public PrinterException(Reason reason, String what, String next) {
        this(reason, what, next, null);
    }

    public PrinterException(Reason reason, String what, String next, Throwable cause) {
        super(reason.code, what, next, Map.of(), cause);
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
