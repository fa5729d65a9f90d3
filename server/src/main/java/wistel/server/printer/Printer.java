package wistel.server.printer;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import wistel.core.printer.Capabilities;

/**
 * A printer that Wistel knows by its IPP address.
 *
 * @param state    idle, printing, stopped or away
 * @param reason   in words, what it waits for; empty when nothing
 * @param moreInfo its own page, empty when it has none
 */
public record Printer(UUID id, String name, String uri, String moreInfo, Optional<Capabilities> capabilities, String state, String reason, Optional<Instant> seen) {
    public boolean away() {
        return state.equals("away");
    }
}
