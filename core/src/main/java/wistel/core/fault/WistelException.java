package wistel.core.fault;

import java.util.Locale;
import java.util.Map;

/**
 * Everything Wistel refuses or fails at on purpose. Each carries a stable code, what happened, what to do next, and the data behind
 * the words; the server turns it into an RFC 9457 problem, so a message never has to be parsed.
 */
public abstract sealed class WistelException extends RuntimeException
    permits PictureException, ProfileException, MeasurementException, InvalidRequest, NotFound, Conflict, PrinterException,
    LibraryException, RecordException {

    private final String code;
    private final String next;
    private final transient Map<String, Object> data;

    protected WistelException(String code, String what, String next, Map<String, Object> data, Throwable cause) {
        super(what, cause);
        this.code = code;
        this.next = next;
        this.data = Map.copyOf(data);
    }

    /** {@code TOO_LARGE} of the room "picture-" is "picture-too-large". */
    protected static String code(String room, Enum<?> reason) {
        return room + reason.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Stable, for programs: {@code picture-truncated}. */
    public String code() {
        return code;
    }

    /** What to do now, one sentence for people. */
    public String next() {
        return next;
    }

    public Map<String, Object> data() {
        return data == null ? Map.of() : data;
    }
}
