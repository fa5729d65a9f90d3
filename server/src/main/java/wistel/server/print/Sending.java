package wistel.server.print;

import java.io.IOException;
import java.net.URI;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import wistel.core.docket.PrintOrder;
import wistel.core.fault.PrinterException;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.Keywords;
import wistel.core.printer.PrinterDescription;
import wistel.server.edge.Events;
import wistel.server.edge.Shutdown;
import wistel.server.printer.IppClient;
import wistel.server.printer.IppJob;
import wistel.server.printer.IppTicket;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;
import wistel.server.store.FileStore;

/**
 * Sees one page through the printer in small steps, each safe to repeat. Its job bears a name of its own, so that after a stop in any place
 * it is found again instead of being printed twice.
 */
@Component
class Sending {
    private static final Logger LOG = LoggerFactory.getLogger(Sending.class);
    private static final Duration SOON = Duration.ofMillis(500);
    private static final Duration LATER = Duration.ofSeconds(3);
    private static final Duration NOW = Duration.ofMillis(1);
    /** No byte went out for so long: ask the printer whether it is still at work. */
    private static final Duration STALLED = Duration.ofSeconds(15);
    /** No byte went out and the printer didn't answer for so long: the connection is dead. */
    private static final Duration DEAD = Duration.ofSeconds(90);
    private static final int LARGEST_SCAN = 400 << 20;

    private final AttemptRepository attempts;
    private final PrintProgressRepository progress;
    private final PrinterRepository printers;
    private final IppClient ipp;
    private final FileStore files;
    private final Events events;
    private final Shutdown shutdown;
    private final Clock clock;
    /** When a page was last seen being printed, by its job's name. */
    private final Map<String, Instant> atWork = new ConcurrentHashMap<>();

    Sending(AttemptRepository attempts, PrintProgressRepository progress, PrinterRepository printers, IppClient ipp, FileStore files,
        Events events,
        Shutdown shutdown,
        Clock clock) {
        this.attempts = attempts;
        this.progress = progress;
        this.printers = printers;
        this.ipp = ipp;
        this.files = files;
        this.events = events;
        this.shutdown = shutdown;
        this.clock = clock;
    }

    /** One page on its way. */
    private record PageJob(Attempt attempt, AttemptPage page, PrintProgressRepository.Lease lease, Printer printer) {
        int number() {
            return page.page();
        }

        /** The name that its job is found by. */
        String jobName() {
            return number() == 1 && page.jobTries() == 0 ? attempt.id().toString() : attempt.id() + "-" + number() + "-" + page.jobTries();
        }
    }

    /** @return when to come again */
    Duration step(Attempt a, AttemptPage page, PrintProgressRepository.Lease lease) throws IOException {
        PageJob trip = new PageJob(a, page, lease, printers.get(a.printerId()));
        try {
            return page.jobSent() ? follow(trip) : send(trip);
        } catch (PrinterException e) {
            return trouble(trip, e);
        }
    }

    private Duration trouble(PageJob t, PrinterException e) {
        return switch (e.reason()) {
            case LOST_JOB -> lost(t);
            case REFUSED, SUBSTITUTES, RASTER_BROKEN -> {
                progress.closePage(t.lease, t.number(), AttemptState.FAILED, e.getMessage() + " " + e.next());
                yield NOW;
            }
            case INTERRUPTED -> throw e;
            default -> {
                if (t.attempt.cancelAsked() && t.page.jobId().isEmpty()) {
                    throw new CancellationException();
                }
                String why = e.reason() == PrinterException.Reason.AWAY ? t.printer.name() + " doesn't answer" : e.getMessage();
                progress.state(t.lease, t.number(), t.page.jobSent() ? AttemptState.PRINTING : AttemptState.SENDING, "waiting: " + why,
                    t.page.percent());
                yield LATER;
            }
        };
    }

    private Duration send(PageJob t) throws IOException {
        Optional<IppJob> known = ipp.findJob(t.printer.uri(), t.jobName()).map(j -> ipp.job(t.printer.uri(), j));
        if (known.isPresent()
            && (known.get().completed() || !known.get().over() && (known.get().processing() || !known.get().lacksDocument()))) {
            // it has the document, or is at work on what it has of it: that job is never taken from it without asking
            progress.announced(t.lease, t.number(), known.get().id());
            progress.sent(t.lease, t.number());
            return SOON;
        }
        if (known.isPresent() && known.get().over() && known.get().begun()) {
            // it began and ended without us: a sheet may be out, so it is a person's to decide
            return ended(t, known.get());
        }
        if (known.isPresent() && !known.get().over()) {
            // announced, but its document never came whole and nothing was printed of it
            ipp.cancel(t.printer.uri(), known.get().id());
        }
        if (t.attempt.cancelAsked()) {
            throw new CancellationException();
        }
        progress.held(t.lease);
        PrinterDescription now = t.printer.description().orElse(PrinterDescription.UNKNOWN);
        IppTicket ticket = ticket(t, now);
        List<String> unknown = now.unknown(new DriverSettings(ticket.asked().with(DriverSettings.TOP_MARGIN, "").settings()));
        if (!unknown.isEmpty()) {
            throw new PrinterException(PrinterException.Reason.SUBSTITUTES,
                t.printer.name() + " doesn't offer " + String.join(", ", unknown) + " any more.",
                "Nothing was printed. Set the docket to what the printer offers.");
        }
        int job = ipp.createJob(t.printer.uri(), ticket);
        progress.announced(t.lease, t.number(), job);
        progress.state(t.lease, t.number(), AttemptState.SENDING, "", 0);
        events.publish("attempt", t.attempt.id().toString());
        String hash = t.page.fileHash().orElseThrow();
        ipp.sendDocument(t.printer.uri(), job, files.path(hash), "image/pwg-raster", watched(t, job, files.size(hash)));
        progress.sent(t.lease, t.number());
        progress.state(t.lease, t.number(), AttemptState.PRINTING, "", 0);
        return SOON;
    }

    /** Follows a document that goes out: tells how far it is, and breaks it off only when it was cancelled or the printer is gone. */
    private IppClient.Sending watched(PageJob t, int job, long bytes) {
        long[] answered = {System.nanoTime()};
        return (sent, stalled) -> {
            if (shutdown.underWay()) {
                throw new CancellationException("the server stops");
            }
            progress.held(t.lease);
            if (attempts.cancelAsked(t.attempt.id())) {
                ipp.cancel(t.printer.uri(), job);
                throw new CancellationException("cancelled");
            }
            if (stalled.compareTo(STALLED) > 0) {
                try {
                    IppJob seen = ipp.job(t.printer.uri(), job);
                    answered[0] = System.nanoTime();
                    progress.state(t.lease, t.number(), AttemptState.SENDING,
                        seen.stopped() ? stopped(t) : "the printer takes its data slowly", percent(sent, bytes));
                } catch (PrinterException e) {
                    if (Duration.ofNanos(System.nanoTime() - answered[0]).compareTo(DEAD) > 0) {
                        throw e;
                    }
                }
            } else {
                answered[0] = System.nanoTime();
                progress.state(t.lease, t.number(), AttemptState.SENDING, "going to the printer, " + percent(sent, bytes) + " %",
                    percent(sent, bytes));
            }
            events.publish("attempt", t.attempt.id().toString());
        };
    }

    private static int percent(long sent, long bytes) {
        return bytes == 0 ? 0 : (int) Math.min(100, 100 * Math.max(0, sent) / bytes);
    }

    private Duration lost(PageJob t) {
        progress.closePage(t.lease, t.number(), AttemptState.FAILED,
            t.printer.name() + " has lost this job: it was probably switched off in the middle. "
                + "Look whether a sheet came out; if not, print it again.");
        return NOW;
    }

    /** What the printer is asked for: from the order alone, but for the words that this printer has for it. */
    private IppTicket ticket(PageJob t, PrinterDescription now) {
        PrintOrder order = attempts.order(t.attempt.id());
        return new IppTicket(t.jobName(), order.request(t.number(), now), now.supported(), order.output().feedMargins(),
            order.output().copies(), order.page(t.number()).overMm());
    }

    private Duration follow(PageJob t) {
        IppJob job = ipp.job(t.printer.uri(), t.page.jobId().orElseThrow());
        if (!job.name().isEmpty() && !job.name().equals(t.jobName())) {
            return lost(t);
        }
        if (t.attempt.cancelAsked() && !job.over()) {
            ipp.cancel(t.printer.uri(), job.id());
            return SOON;
        }
        countTime(t, job);
        if (!job.over()) {
            String message = job.stopped() ? stopped(t) : job.state() < 5 ? "in the printer's queue" : "";
            progress.state(t.lease, t.number(), AttemptState.PRINTING, message, Math.max(0, job.percent()));
            return SOON;
        }
        if (job.completed()) {
            progress.began(t.lease, t.number());
            if (job.inkMl() > 0) {
                progress.inked(t.lease, t.number(), job.inkMl());
            }
            progress.closePage(t.lease, t.number(), AttemptState.DONE, fetchScan(t, job.scan()));
            return NOW;
        }
        return ended(t, job);
    }

    /** Over, and not as it should be. */
    private Duration ended(PageJob t, IppJob job) {
        if (job.state() == 7) {
            progress.closePage(t.lease, t.number(), AttemptState.CANCELLED,
                "Cancelled at the printer; the sheet is spoilt if printing had begun.");
        } else {
            progress.closePage(t.lease, t.number(), AttemptState.FAILED,
                "The printer gave up (" + job.reasons().stream().map(Keywords::words).collect(Collectors.joining(", "))
                    + "). Look whether a sheet came out, then print it again.");
        }
        return NOW;
    }

    /** Time between two looks counts as printing when the printer was at work at both: waiting for paper is not printing. */
    private void countTime(PageJob t, IppJob job) {
        Instant now = clock.instant();
        Instant before = job.state() == 5 ? atWork.put(t.jobName(), now) : atWork.remove(t.jobName());
        if (job.state() == 5) {
            progress.began(t.lease, t.number());
        }
        if (before != null && (job.state() == 5 || job.completed())) {
            progress.printed(t.lease, t.number(), Duration.between(before, now).toMillis() / 1000.0);
        }
    }

    private String stopped(PageJob t) {
        String why = "";
        try {
            why = ipp.stopReason(t.printer.uri());
        } catch (PrinterException e) {
            LOG.info("{} didn't say why it waits: {}", t.printer.name(), e.getMessage());
        }
        return "the printer has stopped" + (why.isEmpty() ? "" : ": " + why);
    }

    /** @return what there is to tell of it; empty when all is well. The page is out either way. */
    private String fetchScan(PageJob t, Optional<URI> scan) {
        if (scan.isEmpty()) {
            return "";
        }
        try {
            String hash = files.put(out -> ipp.fetch(t.printer.uri(), scan.get(), LARGEST_SCAN, out)).hash();
            progress.scanned(t.lease, t.number(), hash);
            return "";
        } catch (PrintProgressRepository.LeaseLost | DataAccessException e) {
            throw e;
        } catch (PrinterException e) {
            if (e.reason() == PrinterException.Reason.INTERRUPTED) {
                throw e;
            }
            return "Printed. Its scan could not be had: " + e.getMessage();
        } catch (IOException | RuntimeException e) {
            LOG.warn("the scan of attempt {}, page {}", t.attempt.id(), t.number(), e);
            return "Printed. Its scan could not be kept: " + (e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage());
        }
    }
}
