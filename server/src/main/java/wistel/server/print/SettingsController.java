package wistel.server.print;

import java.io.IOException;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** How long print files and scans are kept. */
@RestController
class SettingsController {
    private final Retention retention;

    SettingsController(Retention retention) {
        this.retention = retention;
    }

    /** @param matchingBytes of files of prints that were judged to match */
    record Kept(Retention.Limits limits, long bytesNow, long matchingBytes) {
    }

    @GetMapping("/api/settings/retention")
    Kept kept() throws IOException {
        return new Kept(retention.limits(), retention.bytes(), retention.matchingBytes());
    }

    @PutMapping("/api/settings/retention")
    Kept keep(@RequestBody Retention.Limits limits) throws IOException {
        retention.limit(limits);
        retention.tidy();
        return kept();
    }
}
