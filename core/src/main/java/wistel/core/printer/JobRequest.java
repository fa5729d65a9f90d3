package wistel.core.printer;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * What a printer is asked for, as its rules see it.
 *
 * @param settings    by IPP names, media type and feed among them; one that is missing is left to the printer
 * @param widthMm     of the paper as it feeds
 * @param lengthMm    of the sheet, or to which a roll is cut; 0 where any length will do
 * @param thicknessMm of the paper; 0 when it isn't known
 */
public record JobRequest(Map<String, String> settings, double widthMm, double lengthMm, boolean roll, boolean borderless,
    double thicknessMm) {
    public JobRequest {
        settings = Collections.unmodifiableSortedMap(new TreeMap<>(settings));
    }

    public String get(String name) {
        return settings.getOrDefault(name, "");
    }

    /** @param value empty to leave it to the printer */
    public JobRequest with(String name, String value) {
        Map<String, String> next = new TreeMap<>(settings);
        if (value.isEmpty()) {
            next.remove(name);
        } else {
            next.put(name, value);
        }
        return new JobRequest(next, widthMm, lengthMm, roll, borderless, thicknessMm);
    }

    public JobRequest edged(boolean toTheEdge) {
        return new JobRequest(settings, widthMm, lengthMm, roll, toTheEdge, thicknessMm);
    }

    public JobRequest sized(double width, double length, boolean onRoll) {
        return new JobRequest(settings, width, length, onRoll, borderless, thicknessMm);
    }
}
