package wistel.server.check;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wistel.core.fault.InvalidRequest;
import wistel.server.setting.SettingRepository;

/** How often papers are to be checked, and which of them are due. */
@Component
public class CheckInterval {
    private static final String KEY = "papers-checked-every-days";
    private static final int LONGEST = 3650;

    private final SettingRepository settings;
    private final PaperCheckRepository checks;
    private final Clock clock;

    CheckInterval(SettingRepository settings, PaperCheckRepository checks, Clock clock) {
        this.settings = settings;
        this.checks = checks;
        this.clock = clock;
    }

    /** In days; 0 as long as nobody wishes to be told. */
    int days() {
        return settings.get(KEY).map(Integer::parseInt).orElse(0);
    }

    void set(int days) {
        if (days < 0 || days > LONGEST) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Papers are checked every 1 to " + LONGEST + " days, or never.",
                "Give other days; 0 is never.");
        }
        settings.put(KEY, Integer.toString(days));
    }

    /** Days since pairings were checked last, of those that are due; empty of one that never was. */
    public Map<UUID, Optional<Long>> due(Iterable<UUID> pairings) {
        Map<UUID, Optional<Long>> due = new HashMap<>();
        int days = days();
        if (days > 0) {
            Map<UUID, Instant> last = checks.last();
            for (UUID id : pairings) {
                Optional<Long> since = Optional.ofNullable(last.get(id)).map(at -> Duration.between(at, clock.instant()).toDays());
                if (since.filter(s -> s < days).isEmpty()) {
                    due.put(id, since);
                }
            }
        }
        return due;
    }
}
