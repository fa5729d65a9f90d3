package wistel.core.docket;

import java.util.Optional;
import wistel.core.paper.Pairing;
import wistel.core.printer.Capabilities;

/**
 * What a docket is judged against.
 *
 * @param widthPx        the picture upright
 * @param hasProfile     the file brought a usable profile
 * @param sourceName     the profile's name, or what would be taken
 * @param printer        empty when the pairing's printer has never been reached
 * @param printerAway    the printer doesn't answer now
 * @param secondsPerM2   from past attempts on this pairing; 0 when there are none
 */
public record PreflightFacts(int widthPx, int heightPx, int channels, boolean hasProfile, String profileProblem, String sourceName, Optional<Pairing> pairing,
                        Optional<Capabilities> printer, boolean printerAway, double secondsPerM2) {
}
