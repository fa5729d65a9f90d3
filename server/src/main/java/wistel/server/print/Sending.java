package wistel.server.print;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import wistel.core.docket.DocketSpec;
import wistel.core.docket.Preflight;
import wistel.core.fault.PrinterException;
import wistel.core.length.Margins;
import wistel.core.paper.SheetSize;
import wistel.core.printer.Capabilities;
import wistel.server.edge.Events;
import wistel.server.printer.IppClient;
import wistel.server.printer.IppClient.JobSeen;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;
import wistel.server.store.FileStore;

/**
 * Sees one attempt through the printer in small steps, each safe to repeat. A job is announced under the attempt's own id, so that after a
 * stop in any place it is found again instead of being printed twice.
 */
@Component
class Sending {
    private static final Logger LOG = LoggerFactory.getLogger(Sending.class);
    private static final Duration SOON = Duration.ofMillis(500);
    private static final Duration LATER = Duration.ofSeconds(3);
    private static final Duration DONE = Duration.ZERO;
    private static final long LARGEST_SCAN = 400L << 20;

    private final AttemptRepository attempts;
    private final PrinterRepository printers;
    private final IppClient ipp;
    private final FileStore files;
    private final Events events;

    Sending(AttemptRepository attempts, PrinterRepository printers, IppClient ipp, FileStore files, Events events) {
        this.attempts = attempts;
        this.printers = printers;
        this.ipp = ipp;
        this.files = files;
        this.events = events;
    }

    /** @return when to come again; zero when the attempt is over */
    Duration step(UUID id) {
        Attempt a = attempts.get(id);
        if (a.over()) {
            return DONE;
        }
        Printer printer = printers.get(a.printerId());
        Duration next;
        try {
            next = a.jobSent() ? follow(a, printer) : send(a, printer);
        } catch (PrinterException e) {
            next = trouble(a, printer, e);
        } catch (IOException e) {
            LOG.info("attempt {}: {}", id, e.toString());
            next = LATER;
        }
        Attempt after = attempts.get(id);
        if (!after.equals(a)) {
            events.tell("attempt", id.toString());
        }
        return next;
    }

    private Duration trouble(Attempt a, Printer printer, PrinterException e) {
        if (e.code().equals("printer-lost-job")) {
            return lost(a, printer);
        }
        if (e.code().equals("printer-refused")) {
            attempts.close(a.id(), "failed", e.getMessage() + " " + e.next());
            return DONE;
        }
        if (a.cancelAsked() && a.jobId().isEmpty()) {
            attempts.close(a.id(), "cancelled", "Cancelled before anything was printed.");
            return DONE;
        }
        attempts.state(a.id(), a.jobSent() ? "printing" : "sending", "waiting: " + printer.name() + " doesn't answer", a.percent());
        return LATER;
    }

    private Duration send(Attempt a, Printer printer) throws IOException {
        Optional<JobSeen> known = known(a, printer);
        if (known.isPresent() && !known.get().lacksDocument() && (!known.get().over() || known.get().completed())) {
            attempts.announced(a.id(), known.get().id());
            attempts.sent(a.id());
            return SOON;
        }
        if (known.isPresent() && !known.get().over()) {
            // announced, but its document was cut off by a stop: that job can't be trusted
            ipp.cancel(printer.uri(), known.get().id());
        }
        if (a.cancelAsked()) {
            attempts.close(a.id(), "cancelled", "Cancelled before anything was printed.");
            return DONE;
        }
        int job = ipp.createJob(printer.uri(), ticket(a, printer));
        attempts.announced(a.id(), job);
        ipp.sendDocument(printer.uri(), job, files.path(a.fileHash().orElseThrow()), "image/pwg-raster");
        attempts.sent(a.id());
        attempts.state(a.id(), "printing", "", 0);
        return SOON;
    }

    /** The attempt's job by its name: a number alone may mean another job after the printer was switched off. */
    private Optional<JobSeen> known(Attempt a, Printer printer) {
        return ipp.findJob(printer.uri(), a.id().toString()).map(j -> ipp.job(printer.uri(), j));
    }

    private static boolean ours(JobSeen job, Attempt a) {
        return job.name().isEmpty() || job.name().equals(a.id().toString());
    }

    private Duration lost(Attempt a, Printer printer) {
        attempts.close(a.id(), "failed", printer.name() + " has lost this job: it was probably switched off in the middle. "
            + "Look whether a sheet came out; if not, print it again.");
        return DONE;
    }

    private static IppClient.Ticket ticket(Attempt a, Printer printer) {
        DocketSpec d = a.decisions();
        SheetSize sheet = Preflight.sheet(d);
        Margins margins = printer.capabilities().flatMap(c -> c.media(d.machine().mediaType(), d.machine().feed(), sheet.widthMm(), sheet.heightMm()))
            .map(Capabilities.Media::margins).orElse(Margins.NONE);
        return new IppClient.Ticket(a.id().toString(), d.machine().mediaType(), d.machine().feed(), sheet.widthMm(), sheet.heightMm(), margins,
            d.machine().quality(), d.copies());
    }

    private Duration follow(Attempt a, Printer printer) throws IOException {
        JobSeen job = ipp.job(printer.uri(), a.jobId().orElseThrow());
        if (!ours(job, a)) {
            return lost(a, printer);
        }
        if (a.cancelAsked() && !job.over()) {
            ipp.cancel(printer.uri(), job.id());
            return SOON;
        }
        if (!job.over()) {
            if (job.state() == 5) {
                attempts.began(a.id());
            }
            String message = job.waitsForPaper() ? "the printer waits for paper" : job.state() < 5 ? "in the printer's queue" : "";
            attempts.state(a.id(), "printing", message, Math.max(0, job.percent()));
            return SOON;
        }
        if (job.completed()) {
            attempts.began(a.id());
            fetchScan(a, printer, job.scan());
            attempts.close(a.id(), "done", "");
        } else if (job.state() == 7) {
            attempts.close(a.id(), "cancelled", "Cancelled at the printer; the sheet is spoilt if printing had begun.");
        } else {
            attempts.close(a.id(), "failed", "The printer gave up (" + String.join(", ", job.reasons()) + "). Look at it, then release the docket again.");
        }
        return DONE;
    }

    private void fetchScan(Attempt a, Printer printer, Optional<URI> scan) throws IOException {
        if (scan.isEmpty()) {
            return;
        }
        try (InputStream in = ipp.fetch(printer.uri(), scan.get())) {
            attempts.scanned(a.id(), files.put(in, LARGEST_SCAN).hash());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
        }
    }
}
