package wistel.server.docket;

import java.util.Collection;
import java.util.Map;
import java.util.UUID;
import wistel.core.docket.Costs;

/** What past prints teach about the next. */
public interface PrintHistory {
    /** Seconds of printing alone for a square metre, by pairing; pairings without prints are left out. */
    Map<String, Double> secondsPerM2();

    /** What the last pages on a pairing took. */
    Costs.Past past(String pairingId);

    /** The number that each docket's next numbered print gets; dockets without numbered prints are left out. */
    Map<UUID, Integer> nextEditions(Collection<UUID> dockets);
}
