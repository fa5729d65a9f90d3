package wistel.core.fault;

import java.util.Map;

/** A printer that can't be reached, or that refused. */
public final class PrinterException extends WistelException {
    public PrinterException(String code, String what, String next) {
        super(code, what, next, Map.of(), null);
    }

    public PrinterException(String code, String what, String next, Map<String, Object> data) {
        super(code, what, next, data, null);
    }

    public PrinterException(String code, String what, String next, Throwable cause) {
        super(code, what, next, Map.of(), cause);
    }
}
