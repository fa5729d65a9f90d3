package wistel.server.light;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.light.HangingLight;
import wistel.server.edge.Events;
import wistel.server.light.LightRepository.NamedLight;

/** The lights that prints hang in, and the screen's white. */
@RestController
class LightController {
    private static final int MOST_LIGHTS = 50;

    private final LightRepository lights;
    private final ScreenWhite screen;
    private final Events events;
    private final Clock clock;

    LightController(LightRepository lights, ScreenWhite screen, Events events, Clock clock) {
        this.lights = lights;
        this.screen = screen;
        this.events = events;
        this.clock = clock;
    }

    @GetMapping("/api/lights")
    List<NamedLight> all() {
        return lights.all();
    }

    @PostMapping("/api/lights")
    @ResponseStatus(HttpStatus.CREATED)
    NamedLight add(@RequestBody HangingLight asked) {
        if (lights.all().size() >= MOST_LIGHTS) {
            throw new Conflict(Conflict.Reason.STOPPED, "There are " + MOST_LIGHTS + " lights already.", "Let one go that hangs no print.");
        }
        NamedLight light = NamedLight.of(UUID.randomUUID(), asked);
        lights.add(light, clock.instant());
        events.publish("light", light.id().toString());
        return light;
    }

    @PutMapping("/api/lights/{id}")
    NamedLight change(@PathVariable UUID id, @RequestBody HangingLight asked) {
        lights.get(id);
        NamedLight light = NamedLight.of(id, asked);
        lights.change(light);
        events.publish("light", id.toString());
        return light;
    }

    /** What was compensated for it stays as it is. */
    @DeleteMapping("/api/lights/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable UUID id) {
        lights.get(id);
        lights.delete(id);
        events.publish("light", id.toString());
    }

    /** @param white cd/m2; empty where nobody said it */
    record ScreenSaid(Optional<Double> white) {
    }

    @GetMapping("/api/settings/screen")
    ScreenSaid screen() {
        return new ScreenSaid(screen.said());
    }

    @PutMapping("/api/settings/screen")
    ScreenSaid screen(@RequestBody ScreenSaid asked) {
        screen.say(asked.white.orElseThrow(
            () -> new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "No brightness is given.", "Give cd/m² of the screen's white.")));
        events.publish("light", "screen");
        return screen();
    }
}
