package wistel.server.printer;

import java.net.URI;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.fault.InvalidRequest;

@RestController
class PrinterController {
    private final PrinterRepository printers;
    private final PrinterWatch watch;
    private final IppClient ipp;

    PrinterController(PrinterRepository printers, PrinterWatch watch, IppClient ipp) {
        this.printers = printers;
        this.watch = watch;
        this.ipp = ipp;
    }

    record NewPrinter(String uri) {
    }

    @GetMapping("/api/printers")
    List<Printer> printers() {
        return printers.all();
    }

    /** Makes a printer known by its IPP address; it must answer. */
    @PostMapping("/api/printers")
    @ResponseStatus(HttpStatus.CREATED)
    Printer add(@RequestBody NewPrinter asked) {
        String uri = asked.uri() == null ? "" : asked.uri().trim();
        try {
            if (!"ipp".equals(URI.create(uri).getScheme()) || URI.create(uri).getHost() == null) {
                throw new IllegalArgumentException(uri);
            }
        } catch (IllegalArgumentException e) {
            throw new InvalidRequest("address-unclear", "'" + uri + "' is not a printer's address.", "Write it like ipp://printer.local/ipp/print.");
        }
        String name = ipp.describe(uri).name();
        UUID id = watch.know(name.isBlank() ? uri : name, uri);
        return printers.get(id);
    }
}
