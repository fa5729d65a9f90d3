package wistel.server.print;

import java.time.Instant;
import java.util.Optional;

/**
 * One page of an attempt.
 *
 * @param page     1 for the first
 * @param fileHash the print file, once made; {@code fileKept} is false once it was let go
 * @param jobTries how often a job was announced for it in vain: a page that is printed again has another job than before
 */
public record AttemptPage(int page, AttemptState state, String message, int percent, Optional<String> fileHash, boolean fileKept, Optional<Integer> jobId,
                          boolean jobSent, int jobTries, Optional<Instant> began, Optional<Instant> finished, Optional<String> scanHash, boolean scanKept, Optional<Integer> edition) {
}
