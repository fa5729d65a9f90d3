package wistel.core.docket.findings;

import java.util.List;
import java.util.Optional;
import wistel.core.docket.changes.Command;
import wistel.core.docket.findings.Finding.Fix;

/**
 * One setting of the printer with all of its values, those among them that aren't possible now.
 *
 * @param setting by its IPP name, or one of {@link SettingChoices}'s own
 * @param label   in words
 * @param note    what its present value means, where there is something to say; empty otherwise
 * @param rest    one that Wistel doesn't reason about
 */
public record SettingChoice(String setting, String label, List<Value> values, String note, boolean rest) {
    public SettingChoice {
        values = List.copyOf(values);
    }

    /**
     * @param chosen   as it is now
     * @param why      what stands in its way; empty where it is possible
     * @param change   sets it
     * @param fix      sets it with all that has to change along; empty where it is possible as it is, or never
     */
    public record Value(String value, String label, boolean chosen, String why, Command change, Optional<Fix> fix) {
        public boolean possible() {
            return why.isEmpty();
        }
    }
}
