package wistel.server.edge;

import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Tells long work that the server is about to stop, before anything that it uses is gone. */
@Component
public class Shutdown {
    private volatile boolean underWay;

    @EventListener(ContextClosedEvent.class)
    void begin() {
        underWay = true;
    }

    public boolean underWay() {
        return underWay;
    }
}
