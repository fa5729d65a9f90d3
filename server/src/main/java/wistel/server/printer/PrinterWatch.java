package wistel.server.printer;

import jakarta.annotation.PreDestroy;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import wistel.core.fault.PrinterException;
import wistel.server.edge.Events;

/**
 * Asks every known printer for its state and what it can do, every few seconds, each on its own: one that is slow to answer keeps no other
 * waiting.
 */
@Component
public class PrinterWatch {
    private static final Logger LOG = LoggerFactory.getLogger(PrinterWatch.class);

    private final PrinterRepository printers;
    private final IppClient ipp;
    private final Events events;
    private final Set<UUID> asked = ConcurrentHashMap.newKeySet();
    private final ExecutorService threads = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "printer-watch");
        thread.setDaemon(true);
        return thread;
    });

    public PrinterWatch(PrinterRepository printers, IppClient ipp, Events events) {
        this.printers = printers;
        this.ipp = ipp;
        this.events = events;
    }

    @PreDestroy
    void stop() {
        threads.shutdownNow();
    }

    @Scheduled(fixedDelay = 2500)
    public void look() {
        for (Printer printer : printers.all()) {
            if (asked.add(printer.id())) {
                threads.execute(() -> {
                    try {
                        look(printer);
                    } catch (DataAccessException e) {
                        LOG.info("what {} answered could not be kept: {}", printer.name(), e.getMessage());
                    } catch (RuntimeException | StackOverflowError e) {
                        LOG.warn("{} could not be asked", printer.name(), e);
                    } finally {
                        asked.remove(printer.id());
                    }
                });
            }
        }
    }

    private void look(Printer before) {
        try {
            IppClient.Described now = ipp.describe(before.uri());
            if (!before.ippUuid().isEmpty() && !now.uuid().isEmpty() && !now.uuid().equals(before.ippUuid())) {
                printers.away(before.id(), "another printer answers at its address");
            } else {
                printers.seen(before.id(), now.description(), now.state(), now.moreInfo());
                if (before.ippUuid().isEmpty() && !now.uuid().isEmpty()) {
                    printers.moved(before.id(), before.uri(), Optional.of(now.uuid()));
                }
            }
        } catch (PrinterException e) {
            if (!before.away()) {
                LOG.info("{} is away: {}", before.name(), e.getMessage());
            }
            printers.away(before.id(),
                e.reason() == PrinterException.Reason.UNCLEAR ? "what answers at its address is not understood" : "");
        }
        Printer after = printers.get(before.id());
        if (!after.state().equals(before.state()) || !after.descriptionHash().equals(before.descriptionHash())) {
            events.publish("printer", after.id().toString());
        }
    }

    /**
     * The printer at an address, known by its UUID or new.
     *
     * @param name for a new one; else it takes the one that it gives itself
     * @throws PrinterException when nothing answers there
     */
    public UUID registerPrinter(Optional<String> name, String uri) {
        IppClient.Described now = ipp.describe(uri);
        Optional<String> uuid = Optional.of(now.uuid()).filter(u -> !u.isEmpty());
        UUID id;
        try {
            id = printers.known(now.uuid(), uri).map(Printer::id)
                .orElseGet(() -> printers.add(name.orElse(now.name().isBlank() ? uri : now.name()), uri, uuid));
        } catch (DuplicateKeyException e) {
            // somebody else stood at this address before
            id = printers.add(name.orElse(now.name()), uri + "#new" + UUID.randomUUID(), uuid);
        }
        printers.moved(id, uri, uuid);
        printers.seen(id, now.description(), now.state(), now.moreInfo());
        events.publish("printer", id.toString());
        return id;
    }
}
