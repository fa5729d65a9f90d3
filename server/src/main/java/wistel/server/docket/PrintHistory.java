package wistel.server.docket;

import java.util.Collection;
import java.util.Map;
import java.util.UUID;

/** What past prints teach about the next. */
public interface PrintHistory {
    /** Seconds of printing alone for a square metre, by pairing; pairings without prints are left out. */
    Map<String, Double> secondsPerM2();

    /** The number that each docket's next numbered print gets; dockets without numbered prints are left out. */
    Map<UUID, Integer> nextEditions(Collection<UUID> dockets);
}
