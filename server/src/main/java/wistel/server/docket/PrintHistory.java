package wistel.server.docket;

import java.util.Collection;
import java.util.Map;
import java.util.UUID;
import wistel.core.docket.costs.Costs;

/** What past prints teach about the next. */
public interface PrintHistory {
    /** Seconds of printing alone for a square metre, by pairing; pairings without prints are left out. */
    Map<String, Double> secondsPerM2();

    /** What the last pages on a pairing took. */
    Costs.Past past(String pairingId);

    /** The number that the next numbered print of each work gets; works without numbered prints are left out. */
    Map<String, Integer> nextEditions(Collection<String> works);

    /** What is numbered together: the prints of one piece of a docket. */
    static String work(UUID docket, String itemId) {
        return docket + "/" + itemId;
    }
}
