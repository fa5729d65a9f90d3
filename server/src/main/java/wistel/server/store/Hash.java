package wistel.server.store;

import java.util.regex.Pattern;
import wistel.core.fault.NotFound;

/**
 * SHA-256 of a file's bytes, by which it is kept: 64 hexadecimal digits in lower case.
 */
public record Hash(String hex) {
    private static final Pattern FORM = Pattern.compile("[0-9a-f]{64}");

    /** @throws NotFound when it can't be one */
    public Hash {
        if (!is(hex)) {
            throw new NotFound("There is nothing of this name.", "Look it up in the list.");
        }
    }

    static boolean is(String hex) {
        return FORM.matcher(hex).matches();
    }

    /** For addresses of requests. */
    public static Hash valueOf(String hex) {
        return new Hash(hex);
    }

    @Override
    public String toString() {
        return hex;
    }
}
