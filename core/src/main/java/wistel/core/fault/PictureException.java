package wistel.core.fault;

import java.util.Map;

/** A file that is not a picture Wistel can print, or not whole. */
public final class PictureException extends WistelException {
    public PictureException(String code, String what, String next) {
        super(code, what, next, Map.of(), null);
    }

    public PictureException(String code, String what, String next, Map<String, Object> data) {
        super(code, what, next, data, null);
    }

    public PictureException(String code, String what, String next, Throwable cause) {
        super(code, what, next, Map.of(), cause);
    }
}
