package wistel.core.printer;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * Values that don't go together: where each of the settings has one of the values named here, the printer can't (PWG 5100.13,
 * job-constraints-supported). Members of media-col stand beside the other settings, under their own names.
 *
 * @param resolver name of the way out that the printer proposes; empty when it proposes none
 */
public record Constraint(String resolver, Map<String, ValueSet> when) {
    public Constraint {
        when = Collections.unmodifiableSortedMap(new TreeMap<>(when));
    }

    /** @param job settings by name; one that is missing meets nothing */
    public boolean met(Map<String, String> job) {
        for (Map.Entry<String, ValueSet> e : when.entrySet()) {
            String value = job.get(e.getKey());
            if (value == null || !e.getValue().holds(value)) {
                return false;
            }
        }
        return !when.isEmpty();
    }
}
