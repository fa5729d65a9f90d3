package wistel.server.print;

import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Several dockets one after the other, over REST. */
@RestController
class SeriesController {
    private final SeriesService series;

    SeriesController(SeriesService series) {
        this.series = series;
    }

    record SeriesAsked(List<UUID> dockets) {
    }

    record BackAsked(List<UUID> attempts) {
    }

    /** Releases every one of these dockets that nothing stops, and says why the others are held back. */
    @PostMapping("/api/series")
    SeriesService.Series release(@RequestBody SeriesAsked asked) {
        return series.release(asked.dockets);
    }

    /** Cancels those attempts of which nothing was sent yet. */
    @PostMapping("/api/series/taken-back")
    SeriesService.TakenBack takeBack(@RequestBody BackAsked asked) {
        return series.takeBack(asked.attempts);
    }
}
