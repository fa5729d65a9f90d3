package wistel.server.print;

import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * One page of an attempt.
 *
 * @param page     1 for the first
 * @param fileHash the print file, once made; {@code fileKept} is false once it was let go
 * @param placed   names of what lies on it
 * @param engine   version of the renderer that made it
 * @param anew     how it differs from the print that it repeats, where its file had to be made anew and came out different
 * @param jobTries how often a job was announced for it in vain: a page that is printed again has another job than before
 */
public record AttemptPage(int page, AttemptState state, String message, int percent, Optional<String> fileHash, boolean fileKept,
    Optional<Integer> jobId,
    boolean jobSent, int jobTries, Optional<Instant> began, Optional<Instant> finished, Optional<String> scanHash, boolean scanKept,
    List<String> placed, Optional<String> engine, Optional<MadeAnew> anew) {
    /** Its file is there. */
    boolean kept() {
        return fileHash.isPresent() && fileKept;
    }
}
