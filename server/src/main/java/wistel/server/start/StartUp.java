package wistel.server.start;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import wistel.core.fault.PrinterException;
import wistel.core.fault.WistelException;
import wistel.server.demo.DemoScenario;
import wistel.server.edge.Shutdown;
import wistel.server.printer.PrinterWatch;

/** Asks the printers that are named at start, then has the demo laid out, while requests are answered already. */
@Component
class StartUp {
    private static final Logger LOG = LoggerFactory.getLogger(StartUp.class);

    private final String printerList;
    private final PrinterWatch printers;
    private final DemoScenario demo;
    private final StatusController status;
    private final Shutdown shutdown;

    StartUp(@Value("${wistel.printers}") String printerList, PrinterWatch printers, DemoScenario demo, StatusController status,
        Shutdown shutdown) {
        this.printerList = printerList;
        this.printers = printers;
        this.demo = demo;
        this.status = status;
        this.shutdown = shutdown;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        Thread thread = new Thread(() -> {
            try {
                run();
            } catch (Throwable e) {
                LOG.error("the demo could not be laid out whole", e);
                status.ready();
            }
        }, "demo");
        thread.setDaemon(true);
        thread.start();
    }

    private void run() {
        try {
            Map<String, UUID> known = printers();
            if (demo.wanted()) {
                demo.lay(known, status::say);
            }
        } catch (IOException | WistelException | DataAccessException e) {
            if (!shutdown.underWay()) {
                LOG.error("the demo could not be loaded whole; what is missing is loaded at the next start", e);
            }
        } finally {
            status.ready();
        }
        demo.print();
    }

    /** A printer that doesn't answer at start is known by an earlier one, or asked again at the next. */
    private Map<String, UUID> printers() {
        Map<String, UUID> known = new HashMap<>();
        for (String entry : printerList.split(",")) {
            String[] pair = entry.trim().split("=", 2);
            if (pair.length == 2) {
                status.say("asking " + pair[0] + " what it can");
                try {
                    known.put(pair[0], printers.registerPrinter(Optional.of(pair[0]), pair[1]));
                } catch (PrinterException e) {
                    LOG.warn("{} at {}: {}", pair[0], pair[1], e.getMessage());
                }
            }
        }
        return known;
    }
}
