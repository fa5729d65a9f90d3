package wistel.server.printer;

import java.util.List;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import wistel.core.fault.PrinterException;
import wistel.server.edge.Events;

/** Asks every known printer for its state and what it can do, every few seconds; tells the screens when something changed. */
@Component
public class PrinterWatch {
    private static final Logger LOG = LoggerFactory.getLogger(PrinterWatch.class);

    private final PrinterRepository printers;
    private final IppClient ipp;
    private final Events events;

    public PrinterWatch(PrinterRepository printers, IppClient ipp, Events events) {
        this.printers = printers;
        this.ipp = ipp;
        this.events = events;
    }

    @Scheduled(fixedDelay = 2500)
    public void look() {
        printers.all().forEach(this::look);
    }

    public void look(Printer before) {
        try {
            IppClient.Described now = ipp.describe(before.uri());
            printers.seen(before.id(), now.state(), now.reason(), now.moreInfo(), now.capabilities());
        } catch (PrinterException e) {
            if (!before.away()) {
                LOG.info("{} is away: {}", before.name(), e.getMessage());
            }
            printers.away(before.id());
        }
        Printer after = printers.get(before.id());
        boolean same = after.state().equals(before.state()) && after.reason().equals(before.reason()) && after.capabilities().equals(before.capabilities());
        if (!same) {
            events.tell("printer", after.id().toString());
        }
    }

    /** A printer by name, added or found under a new address. */
    public UUID know(String name, String uri) {
        List<Printer> known = printers.all();
        UUID id = known.stream().filter(p -> p.name().equals(name)).findFirst().map(Printer::id).orElseGet(() -> printers.add(name, uri));
        printers.moved(id, uri);
        look(printers.get(id));
        return id;
    }
}
