package wistel.server.master;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;

/**
 * A picture file as it came.
 *
 * @param width, height  upright
 * @param profileHash    empty when it brought no usable profile
 * @param profileProblem why an embedded profile could not be used; empty when there was none or it is fine
 * @param notes          what the file says in words
 */
public record Master(UUID id, String hash, String fileName, long bytes, String format, int width, int height, int bits, int channels,
    Optional<String> profileHash, String profileName, String profileProblem, Instant added, FileNotes notes) {
    /** A file's name without what says its kind; {@link MasterRepository#called} has the same in SQL. */
    public static String stem(String fileName) {
        return fileName.replaceFirst("\\.[^.]{1,5}$", "");
    }
}
