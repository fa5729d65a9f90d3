package wistel.server.store;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/**
 * A text that is known by its hash.
 *
 * @param hash SHA-256 of its UTF-8 bytes, in hex
 */
public record StoredText(String text, String hash) {
    public static StoredText of(String text) {
        try {
            return new StoredText(text,
                HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8))));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
