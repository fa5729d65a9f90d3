package wistel.standin.room;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import wistel.core.pictures.LabScan;
import wistel.core.paper.FeedScale;
import wistel.core.render.PwgRaster;
import wistel.standin.ink.Laying;
import wistel.standin.ink.SheetMaker;

/** One job being laid down, row by row; its printer gives paper and time, and may end it between two rows. */
final class PrintRun {
    private final RoomPrinter printer;
    private final PrintJob job;

    PrintRun(RoomPrinter printer, PrintJob job) {
        this.printer = printer;
        this.job = job;
    }

    /** Each copy takes its own sheet and its own time; the scan kept is the last one's, and all are alike. */
    void print() throws IOException {
        for (int copy = 0; copy < job.ticket().copies(); copy++) {
            once();
        }
    }

    private void once() throws IOException {
        if (job.format.equals("image/jpeg")) {
            Loaded loaded = printer.paper(job, 0, 0);
            JpegPage page = new JpegPage(job, loaded.size());
            lay(loaded, page.page(), page::row);
            return;
        }
        try (InputStream in = new BufferedInputStream(Files.newInputStream(job.document), 1 << 20)) {
            PwgRaster.Reader reader = new PwgRaster.Reader(in);
            PwgRaster.Page page = reader.nextPage();
            while (page != null) {
                Loaded loaded = printer.paper(job, page.width() * 25.4 / page.dpi(), page.height() * 25.4 / page.dpi());
                lay(loaded, page, reader::row);
                page = reader.nextPage();
            }
        }
    }

    private interface Rows {
        void row(char[] samples) throws IOException;
    }

    private void lay(Loaded loaded, PwgRaster.Page page, Rows rows) throws IOException {
        Ticket ticket = job.ticket();
        Map<String, String> settings = new LinkedHashMap<>(ticket.settings());
        if (ticket.mediaType().isEmpty()) {
            settings.put("media-type", loaded.paper().mediaType());
        }
        int quality = ticket.quality();
        Laying laying = Laying.of(loaded.paper(), settings, quality).with(printer.drift());
        double before = printer.prepare(job, laying.photoBlack());
        MachineModel.Offer offer = printer.model().offer(ticket);
        FeedScale scale = printer.model().feedScale(loaded.paper());
        SheetMaker maker = new SheetMaker(page, loaded.paper(), laying,
            new SheetMaker.Feeding(edges(offer), scale, offer != null && offer.roll()));
        OverEdge enlarging = new OverEdge(page, ticket.overMm(), scale.along());
        char[] row = new char[page.width() * page.space().channels()];
        double area = page.width() * 25.4 / page.dpi() * page.height() * 25.4 / page.dpi() / 1e6;
        double seconds = before + area * 60 * printer.model().minutesPerM2(quality);
        Instant began = printer.clock().instant();
        for (int y = 0; y < page.height(); y++) {
            rows.row(row);
            enlarging.row(y, row, maker::row);
            if (y % 128 == 0) {
                printer.takeTime(job, began, seconds, (double) y / page.height());
            }
        }
        printer.takeTime(job, began, seconds, 1);
        printer.used(job, maker.inkMl(printer.model().inkMlPerM2()));
        write(HeadStrike.marked(maker.scan(), offer, loaded.paper(), settings, job.id()));
    }

    /** Edges that stay white: leading, right, trailing, left. */
    private static double[] edges(MachineModel.Offer offer) {
        return offer == null ? new double[4] : new double[] {offer.lead(), offer.right(), offer.trail(), offer.left()};
    }

    private void write(LabScan scan) throws IOException {
        Path sheet = printer.sheet(job.id());
        Path part = sheet.resolveSibling(job.id() + ".part");
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(part), 1 << 18)) {
            scan.write(out);
        }
        Files.move(part, sheet, StandardCopyOption.ATOMIC_MOVE);
    }
}
