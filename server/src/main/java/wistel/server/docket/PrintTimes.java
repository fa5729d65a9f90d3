package wistel.server.docket;

import java.util.Map;

/** How long printing takes, as past prints tell; known by whoever keeps them. */
public interface PrintTimes {
    /** Mean seconds of printing for a square metre, by pairing; pairings that were never printed on are missing. */
    Map<String, Double> secondsPerM2();
}
