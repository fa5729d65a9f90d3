package wistel.core.fault;

import java.util.Map;

/** Something asked for by its name or number that isn't there. */
public final class NotFound extends WistelException {
    public NotFound(String what, String next) {
        super("not-found", what, next, Map.of(), null);
    }
}
