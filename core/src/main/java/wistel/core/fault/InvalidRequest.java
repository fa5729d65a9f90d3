package wistel.core.fault;

import java.util.Map;

/** Something a person or a program asked for that can't be as it was put: a value that is out of range or can't be understood. */
public final class InvalidRequest extends WistelException {
    public InvalidRequest(String code, String what, String next) {
        super(code, what, next, Map.of(), null);
    }

    public InvalidRequest(String code, String what, String next, Map<String, Object> data) {
        super(code, what, next, data, null);
    }
}
