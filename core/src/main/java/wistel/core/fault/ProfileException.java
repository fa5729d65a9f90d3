package wistel.core.fault;

import java.util.Map;

/** An ICC profile that is malformed, or of a kind that can't serve here. */
public final class ProfileException extends WistelException {
    public ProfileException(String code, String what, String next) {
        super(code, what, next, Map.of(), null);
    }

    public ProfileException(String code, String what, String next, Map<String, Object> data) {
        super(code, what, next, data, null);
    }

    public ProfileException(String code, String what, String next, Throwable cause) {
        super(code, what, next, Map.of(), cause);
    }
}
