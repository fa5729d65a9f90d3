package wistel.server.edge;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Server-sent events: what changed, by kind and id. The screens then ask for it; nothing is lost if an event is. What a transaction changed
 * is told once it is committed. Whoever tells never waits for a browser: each has a box of its own, in which the same event stands once.
 */
@RestController
public class Events {
    private static final Logger LOG = LoggerFactory.getLogger(Events.class);
    private static final String TAB = "Wistel-Tab";
    private static final Pattern TAB_NAME = Pattern.compile("[0-9a-z-]{1,64}");
    private static final int MOST_LISTENERS = 200;
    /** A browser that has so much to be told and doesn't take it is let go of; it asks for everything when it comes back. */
    private static final int MOST_WAITING = 1000;
    /** No browser that takes nothing keeps another one waiting: at most one thread each, for as long as there is something to send. */
    private static final int SENDERS = MOST_LISTENERS + 50;

    private final List<Listener> listeners = new CopyOnWriteArrayList<>();
    private final ExecutorService senders = senders();

    private static ExecutorService senders() {
        return new ThreadPoolExecutor(0, SENDERS, 30, TimeUnit.SECONDS, new SynchronousQueue<>(), work -> {
            Thread thread = new Thread(work, "events");
            thread.setDaemon(true);
            return thread;
        });
    }

    /** One browser, and what it is still to be told. */
    private final class Listener {
        private final SseEmitter emitter;
        private final Map<String, SseEmitter.SseEventBuilder> waiting = new LinkedHashMap<>();
        private boolean sending;

        private Listener(SseEmitter emitter) {
            this.emitter = emitter;
        }

        private synchronized void put(String key, SseEmitter.SseEventBuilder event) {
            waiting.put(key, event);
            if (waiting.size() > MOST_WAITING) {
                leave();
            } else if (!sending) {
                sending = true;
                try {
                    senders.execute(this::send);
                } catch (RejectedExecutionException e) {
                    sending = false;
                    LOG.debug("no thread is free to tell a browser; it is told with the next event");
                }
            }
        }

        private void send() {
            try {
                for (SseEmitter.SseEventBuilder next = take(); next != null; next = take()) {
                    emitter.send(next);
                }
            } catch (IOException | RuntimeException e) {
                leave();
            }
        }

        private synchronized SseEmitter.SseEventBuilder take() {
            var entries = waiting.entrySet().iterator();
            if (!entries.hasNext()) {
                sending = false;
                return null;
            }
            SseEmitter.SseEventBuilder next = entries.next().getValue();
            entries.remove();
            return next;
        }

        private void leave() {
            listeners.remove(this);
            emitter.complete();
        }
    }

    @GetMapping(value = "/api/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter listen() throws IOException {
        SseEmitter emitter = new SseEmitter(0L);
        emitter.send(SseEmitter.event().comment("listening"));
        add(emitter);
        return emitter;
    }

    void add(SseEmitter emitter) {
        Listener listener = new Listener(emitter);
        emitter.onCompletion(() -> listeners.remove(listener));
        emitter.onError(e -> listeners.remove(listener));
        listeners.add(listener);
        while (listeners.size() > MOST_LISTENERS) {
            listeners.get(0).leave();
        }
    }

    /**
     * The tab whose request this is, as it names itself; empty where it doesn't, or nobody asked. It has its answer, and needn't ask for it
     * again.
     */
    private static String tab() {
        String named = RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request
            ? request.getRequest().getHeader(TAB) : null;
        return named != null && TAB_NAME.matcher(named).matches() ? named : "";
    }

    /** Tells all browsers, once what the present transaction did is committed; at once where there is none. */
    public void publish(String kind, String id) {
        if (!TransactionSynchronizationManager.isSynchronizationActive()) {
            send(kind, id, tab());
            return;
        }
        String tab = tab();
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                send(kind, id, tab);
            }
        });
    }

    private void send(String kind, String id, String tab) {
        listeners.forEach(l -> l.put(kind + " " + id + " " + tab, SseEmitter.event().name(kind).data(Map.of("id", id, "tab", tab))));
    }

    /** Keeps quiet connections alive and finds the ones that are gone. */
    @Scheduled(fixedDelay = 15_000)
    void sendHeartbeat() {
        listeners.forEach(l -> l.put("", SseEmitter.event().comment("still here")));
    }

    /** Open connections end before the server waits for requests to finish. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        listeners.forEach(l -> l.emitter.complete());
    }

    @PreDestroy
    void stop() {
        senders.shutdownNow();
    }
}
