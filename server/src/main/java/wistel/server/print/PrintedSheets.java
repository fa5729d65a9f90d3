package wistel.server.print;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wistel.core.fault.NotFound;
import wistel.core.sheet.Rect;
import wistel.server.printer.IppClient;
import wistel.server.printer.IppJob;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;

/** Sheets that came out of a printer, as the instrument and the scanner in its room read them. */
@Component
public class PrintedSheets {
    private final AttemptRepository attempts;
    private final PrinterRepository printers;
    private final IppClient ipp;

    PrintedSheets(AttemptRepository attempts, PrinterRepository printers, IppClient ipp) {
        this.attempts = attempts;
        this.printers = printers;
        this.ipp = ipp;
    }

    /**
     * One page with one picture.
     *
     * @param at      where the picture lies on it
     * @param readers that the printer offers for it
     */
    public record Sheet(Printer printer, Rect at, IppJob.Readers readers) {
    }

    /** @param x, y from 0 to 1 across and down the sheet's picture */
    public record Spot(String name, double x, double y) {
    }

    /** The first page of an attempt; empty as long as it hasn't come out. */
    public Optional<Sheet> first(Attempt attempt) {
        if (attempt.state() != AttemptState.DONE || attempt.page(1).jobId().isEmpty()) {
            return Optional.empty();
        }
        Printer printer = printers.get(attempt.printerId());
        return Optional.of(new Sheet(printer, attempts.order(attempt.id()).page(1).placed().get(0).atMm(),
            ipp.job(printer.uri(), attempt.page(1).jobId().get()).readers()));
    }

    /**
     * What the instrument reads of spots, as it writes it.
     *
     * @param most bytes of its answer
     * @throws NotFound where there is none
     */
    public String measured(Sheet sheet, List<Spot> spots, int most) {
        return measuredAt(sheet, spots.stream()
            .map(s -> new Place(s.name, sheet.at.x() + s.x * sheet.at.width(), sheet.at.y() + s.y * sheet.at.height())).toList(), most);
    }

    /** @param x, y in mm from the upper left corner of the sheet as it feeds */
    public record Place(String name, double x, double y) {
    }

    /** The same of places anywhere on the sheet. */
    public String measuredAt(Sheet sheet, List<Place> places, int most) {
        StringBuilder lines = new StringBuilder();
        for (Place p : places) {
            lines.append(String.format(Locale.ROOT, "%s %.3f %.3f%n", p.name, p.x, p.y));
        }
        return new String(ipp.read(sheet.printer.uri(),
            sheet.readers.instrument()
                .orElseThrow(() -> new NotFound("No instrument reads this printer's sheets.", "Bring the reading as a file.")),
            lines.toString(), most), StandardCharsets.US_ASCII);
    }

    /**
     * A scan of the sheet, a TIFF.
     *
     * @param most bytes of it
     * @throws NotFound where there is no scanner
     */
    public byte[] scanned(Sheet sheet, int most) {
        return ipp.fetch(sheet.printer.uri(),
            sheet.readers.flatbed().orElseThrow(() -> new NotFound("No scanner stands beside this printer.", "Bring the scan as a file.")),
            most);
    }
}
