package wistel.core.fault;

import java.util.Map;

/** Something a person or a program asked for that can't be as it was put. */
public final class EntryException extends WistelException {
    public EntryException(String code, String what, String next) {
        super(code, what, next, Map.of(), null);
    }

    public EntryException(String code, String what, String next, Map<String, Object> data) {
        super(code, what, next, data, null);
    }

    public EntryException(String code, String what, String next, Throwable cause) {
        super(code, what, next, Map.of(), cause);
    }
}
