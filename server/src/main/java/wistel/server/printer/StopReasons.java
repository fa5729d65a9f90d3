package wistel.server.printer;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import wistel.core.printer.Keywords;

/** Why a printer has stopped, from its printer-state-reasons (RFC 8011, 5.4.12), as people say it. */
final class StopReasons {
    private static final Map<String, String> WORDS = new LinkedHashMap<>();

    static {
        WORDS.put("media-empty", "it is out of paper");
        WORDS.put("media-needed", "it waits for paper");
        WORDS.put("media-jam", "paper is jammed");
        WORDS.put("cover-open", "its cover is open");
        WORDS.put("door-open", "its door is open");
        WORDS.put("input-tray-missing", "a tray is missing");
        WORDS.put("marker-supply-empty", "an ink is empty");
        WORDS.put("toner-empty", "an ink is empty");
        WORDS.put("marker-waste-full", "its waste tank is full");
        WORDS.put("output-area-full", "its tray is full");
        WORDS.put("paused", "somebody has paused it");
        WORDS.put("moving-to-paused", "somebody has paused it");
        WORDS.put("offline", "it is offline");
        WORDS.put("resources-are-not-ready", "it waits for paper");
    }

    private StopReasons() {
    }

    /** Reports and warnings don't stop a printer; errors and those without an ending may. Empty when nothing is said. */
    static String words(List<String> reasons) {
        return reasons.stream().filter(r -> !r.equals("none") && !r.endsWith("-report") && !r.endsWith("-warning") && !r.isBlank())
            .map(r -> r.replaceFirst("-error$", "")).map(r -> WORDS.getOrDefault(r, Keywords.words(r))).distinct()
            .collect(Collectors.joining(", "));
    }
}
