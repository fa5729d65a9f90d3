package wistel.server.edge;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Server-sent events: what changed, by kind and id. The screens then ask for it; nothing is lost if an event is. */
@RestController
public class Events {
    private static final int MOST_LISTENERS = 200;

    private final List<SseEmitter> listeners = new CopyOnWriteArrayList<>();

    @GetMapping(value = "/api/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter listen() throws IOException {
        SseEmitter emitter = new SseEmitter(0L);
        emitter.onCompletion(() -> listeners.remove(emitter));
        emitter.onError(e -> listeners.remove(emitter));
        listeners.add(emitter);
        while (listeners.size() > MOST_LISTENERS) {
            listeners.remove(0).complete();
        }
        emitter.send(SseEmitter.event().comment("listening"));
        return emitter;
    }

    public void tell(String kind, String id) {
        send(SseEmitter.event().name(kind).data(Map.of("id", id)));
    }

    /** Keeps quiet connections alive and finds the ones that are gone. */
    @Scheduled(fixedDelay = 15_000)
    void breathe() {
        send(SseEmitter.event().comment("still here"));
    }

    private void send(SseEmitter.SseEventBuilder event) {
        var parts = event.build();
        for (SseEmitter listener : listeners) {
            try {
                listener.send(parts);
            } catch (IOException | IllegalStateException e) {
                listeners.remove(listener);
            }
        }
    }

    /** Open connections end before the server waits for requests to finish. */
    @org.springframework.context.event.EventListener(org.springframework.context.event.ContextClosedEvent.class)
    void close() {
        listeners.forEach(SseEmitter::complete);
    }
}
