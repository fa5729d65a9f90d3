package wistel.server.edge;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter.DataWithMediaType;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.testng.annotations.Test;

/** What changed is told when it is true, and nobody who tells waits for whoever listens. */
public class EventsTest {
    /** A browser: what it was sent, and whether it takes anything. */
    private static final class Browser extends SseEmitter {
        private final LinkedBlockingQueue<String> heard = new LinkedBlockingQueue<>();
        private final CountDownLatch stalled;

        private Browser(boolean stalls) {
            super(0L);
            stalled = new CountDownLatch(stalls ? 1 : 0);
        }

        @Override
        public void send(SseEventBuilder event) throws IOException {
            send(event.build());
        }

        @Override
        public void send(Set<DataWithMediaType> parts) throws IOException {
            try {
                stalled.await();
            } catch (InterruptedException e) {
                throw new IOException(e);
            }
            heard.add(parts.stream().map(p -> String.valueOf(p.getData())).collect(Collectors.joining()).replace("\n", " "));
        }

        private String next() throws InterruptedException {
            return String.valueOf(heard.poll(10, TimeUnit.SECONDS));
        }
    }

    private static Browser listening(Events events, boolean stalls) {
        Browser browser = new Browser(stalls);
        events.add(browser);
        return browser;
    }

    @Test
    public void whatATransactionChangedIsToldOnceItIsCommitted() throws InterruptedException {
        Events events = new Events();
        Browser browser = listening(events, false);
        TransactionSynchronizationManager.initSynchronization();
        try {
            events.publish("docket", "1");
            assertThat(browser.heard.poll(200, TimeUnit.MILLISECONDS)).as("not while it may still be undone").isNull();
            TransactionSynchronizationManager.getSynchronizations().forEach(TransactionSynchronization::afterCommit);
        } finally {
            TransactionSynchronizationManager.clearSynchronization();
        }
        assertThat(browser.next()).contains("docket").contains("id=1");
        events.stop();
    }

    /** A tab has the answer to its own change; what another one did meanwhile is told all the same. */
    @Test
    public void whoseRequestItWasIsToldAlong() throws InterruptedException {
        Events events = new Events();
        Browser browser = listening(events, false);
        for (String tab : List.of("0a1b", "2c3d", "not a tab's name")) {
            MockHttpServletRequest request = new MockHttpServletRequest();
            request.addHeader("Wistel-Tab", tab);
            RequestContextHolder.setRequestAttributes(new ServletRequestAttributes(request));
            events.publish("docket", "1");
        }
        RequestContextHolder.resetRequestAttributes();
        List<String> heard = List.of(browser.next(), browser.next(), browser.next());
        assertThat(heard).anyMatch(h -> h.contains("tab=0a1b")).anyMatch(h -> h.contains("tab=2c3d"))
            .anyMatch(h -> h.contains("tab=}") || h.contains("tab=,"));
        events.stop();
    }

    @Test
    public void aBrowserThatTakesNothingKeepsNobodyWaiting() throws InterruptedException {
        Events events = new Events();
        List<Browser> stalled = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            stalled.add(listening(events, true));
        }
        Browser other = listening(events, false);
        for (int i = 0; i < 50; i++) {
            events.publish("attempt", "7");
        }
        events.publish("attempt", "8");
        List<String> heard = new ArrayList<>();
        for (String next = other.next(); !next.contains("id=8"); next = other.next()) {
            heard.add(next);
        }
        assertThat(heard).as("the same event waits once").hasSizeBetween(1, 50).allMatch(h -> h.contains("id=7"));
        stalled.forEach(b -> b.stalled.countDown());
        // what was told while they stalled waits once each, whatever was under way
        assertThat(stalled.get(0).next()).contains("id=7");
        events.stop();
    }
}
