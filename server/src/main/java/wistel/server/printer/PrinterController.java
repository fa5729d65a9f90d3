package wistel.server.printer;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.fault.InvalidRequest;
import wistel.server.edge.Events;

@RestController
class PrinterController {
    private static final int LONGEST_ADDRESS = 500;
    private static final int LONGEST_NAME = 80;

    private final PrinterRepository printers;
    private final PrinterWatch watch;
    private final Discovery discovery;
    private final Events events;

    PrinterController(PrinterRepository printers, PrinterWatch watch, Discovery discovery, Events events) {
        this.printers = printers;
        this.watch = watch;
        this.discovery = discovery;
        this.events = events;
    }

    record NewPrinter(String uri) {
    }

    record Renamed(Optional<String> name, Optional<Boolean> retired) {
    }

    @GetMapping("/api/printers")
    List<PrinterView> printers() {
        Map<UUID, Integer> waits = printers.waiting();
        return printers.all().stream().map(p -> PrinterView.of(p, waits.getOrDefault(p.id(), 0))).toList();
    }

    /** Makes a printer known by its IPP address; it must answer. */
    @PostMapping("/api/printers")
    @ResponseStatus(HttpStatus.CREATED)
    PrinterView add(@RequestBody NewPrinter asked) {
        String uri = asked.uri().trim();
        if (PrinterRepository.withUser(uri)) {
            throw new InvalidRequest(InvalidRequest.Reason.ADDRESS_UNCLEAR,
                "An address with a user and password isn't taken: they would be shown to everybody who looks at the printers.",
                "Write it without them, like ipp://printer.local/ipp/print.");
        }
        if (uri.length() > LONGEST_ADDRESS || !address(uri)) {
            throw new InvalidRequest(InvalidRequest.Reason.ADDRESS_UNCLEAR,
                "'" + (uri.length() > 60 ? uri.substring(0, 60) + "…" : uri) + "' is not a printer's address.",
                "Write it like ipp://printer.local/ipp/print.");
        }
        return PrinterView.of(printers.get(watch.registerPrinter(Optional.empty(), uri)), 0);
    }

    /** Asks the network for printers that make themselves known; takes a few seconds. */
    @PostMapping("/api/printers/discovery")
    List<Discovery.FoundPrinter> discover() {
        return discovery.look();
    }

    private static boolean address(String text) {
        try {
            URI uri = new URI(text);
            return "ipp".equals(uri.getScheme()) && uri.getHost() != null && uri.getPort() != 0 && uri.getPort() >= -1
                && uri.getPort() <= 65535
                && !text.toLowerCase(Locale.ROOT).matches(".*%(0[0-9a-f]|1[0-9a-f]|7f).*");
        } catch (URISyntaxException e) {
            return false;
        }
    }

    /** Gives a printer another name, or retires it: it is asked nothing any more and not offered; its prints stay in the log. */
    @PatchMapping("/api/printers/{id}")
    PrinterView change(@PathVariable UUID id, @RequestBody Renamed asked) {
        printers.get(id);
        asked.name().ifPresent(name -> printers.rename(id, InvalidRequest.named(name, "A printer's name", LONGEST_NAME)));
        asked.retired().ifPresent(retired -> printers.retire(id, retired));
        events.publish("printer", id.toString());
        return PrinterView.of(printers.get(id), 0);
    }
}
