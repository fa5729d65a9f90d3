package wistel.standin.room;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import wistel.core.fault.WistelException;
import wistel.core.paper.SheetSize;
import wistel.standin.ink.Drift;
import wistel.standin.ink.Paper;

/**
 * One of the printers: takes jobs one at a time, waits for the right size of paper, takes its time, and keeps each sheet as a scan. What
 * lies in a feed may differ from what a job says it is: then the ink goes onto what lies there.
 */
public final class RoomPrinter extends Machine implements AutoCloseable {
    /** What changing over from one black ink to the other takes. */
    public static final int BLACK_CHANGE_SECONDS = (int) InkStore.CHANGE_SECONDS;
    public static final int BLACK_CHANGE_MICROLITRES = (int) (1000 * InkStore.CHANGE_ML);
    private static final double ARRIVES_AFTER_MS = 20_000;

    private final Path folder;
    private final Instant up;
    private final String uuid;
    private final JobStore jobs;
    private boolean waiting;
    private volatile boolean vanished;
    private volatile Drift drift = Drift.NONE;
    private boolean spoilt;
    private final Thread worker = new Thread(this::work, "room-printer");

    /**
     * @param folder for documents on their way and finished sheets
     * @param pace   how fast its time runs: 1 is life, 20 a demonstration, 0 no waiting at all
     */
    public RoomPrinter(MachineModel model, Path folder, Clock clock, double pace) {
        super(model, folder.resolve("machine.properties"), clock, pace);
        this.folder = folder;
        this.up = clock().instant();
        try {
            Files.createDirectories(folder.resolve("spool"));
            Files.createDirectories(folder.resolve("sheets"));
            Path own = folder.resolve("printer-uuid");
            if (!Files.exists(own)) {
                Files.writeString(own, "urn:uuid:" + UUID.randomUUID());
            }
            uuid = Files.readString(own).strip();
            jobs = new JobStore(folder);
            takeUp();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        worker.setDaemon(true);
        worker.start();
    }

    /** What waited goes on; what was being laid down when the power went is aborted, as its sheet is spoilt. */
    private void takeUp() {
        for (PrintJob job : jobs.all()) {
            boolean whole = job.document != null && Files.exists(job.document);
            if (job.state.over() || job.state == PrintJob.State.PENDING && whole || job.state == PrintJob.State.HELD && whole) {
                continue;
            }
            if (whole && job.percent == 0) {
                job.state = PrintJob.State.PENDING;
                job.reason = "none";
                jobs.keep(job);
            } else {
                finish(job.id(), PrintJob.State.ABORTED, "aborted-by-system");
            }
        }
    }

    /** It answers nobody any more, as if its plug were pulled; what it prints goes on. */
    public boolean vanished() {
        return vanished;
    }

    public String uuid() {
        return uuid;
    }

    public Instant upSince() {
        return up;
    }

    /** From now on it prints, or its paper is, as something has changed it. */
    public void drift(Drift now) {
        drift = now;
    }

    public Drift drift() {
        return drift;
    }

    public void vanish(boolean gone) {
        vanished = gone;
    }

    // --- what comes over IPP ---

    public synchronized PrintJob.Seen create(Ticket ticket) {
        return jobs.create(ticket, clock().instant()).seen();
    }

    /** Takes the document of a job and queues it. A cut-off document aborts the job. */
    public PrintJob.Seen receive(int id, InputStream document, String format) throws IOException {
        Path spool = folder.resolve("spool").resolve(id + ".doc");
        try (OutputStream out = Files.newOutputStream(spool)) {
            takeIn(document, out);
        } catch (IOException e) {
            finish(id, PrintJob.State.ABORTED, "aborted-by-system");
            Files.deleteIfExists(spool);
            throw e;
        }
        synchronized (this) {
            PrintJob job = jobs.get(id);
            job.document = spool;
            job.format = format;
            if (!job.state.over()) {
                job.state = job.ticket().held() ? PrintJob.State.HELD : PrintJob.State.PENDING;
                job.reason = job.ticket().held() ? "job-hold-until-specified" : "none";
            }
            jobs.keep(job);
            notifyAll();
            return job.seen();
        }
    }

    private void takeIn(InputStream document, OutputStream out) throws IOException {
        byte[] part = new byte[1 << 16];
        for (int n = document.read(part); n >= 0; n = document.read(part)) {
            out.write(part, 0, n);
            synchronized (this) {
                while (intake == 0 && !closed) {
                    pause(100);
                }
                if (intake < Integer.MAX_VALUE && intake > 0) {
                    pause(Math.max(1, 1000L * n / intake));
                }
            }
        }
    }

    public synchronized boolean hasDocument(int id) {
        return jobs.get(id).document != null;
    }

    public synchronized Optional<PrintJob.Seen> job(int id) {
        return Optional.ofNullable(jobs.get(id)).map(PrintJob::seen);
    }

    public synchronized List<PrintJob.Seen> jobs() {
        List<PrintJob.Seen> seen = new ArrayList<>();
        jobs.all().forEach(j -> seen.add(j.seen()));
        return seen;
    }

    /** @return false when the job is over already */
    public synchronized boolean cancel(int id) {
        PrintJob job = jobs.get(id);
        if (job.state.over()) {
            return false;
        }
        job.cancelAsked = true;
        if (job.state != PrintJob.State.PROCESSING && job.state != PrintJob.State.STOPPED) {
            finish(id, PrintJob.State.CANCELED, "job-canceled-by-user");
        }
        notifyAll();
        return true;
    }

    public synchronized boolean release(int id) {
        PrintJob job = jobs.get(id);
        if (job.state != PrintJob.State.HELD || job.document == null) {
            return false;
        }
        job.state = PrintJob.State.PENDING;
        job.reason = "none";
        jobs.keep(job);
        notifyAll();
        return true;
    }

    /** True while a job waits for paper. */
    public synchronized boolean waitsForPaper() {
        return waiting;
    }

    public synchronized boolean busy() {
        return jobs.all().stream().anyMatch(j -> j.state == PrintJob.State.PROCESSING || j.state == PrintJob.State.STOPPED);
    }

    public Path sheet(int id) {
        return folder.resolve("sheets").resolve(id + ".tif");
    }

    private synchronized void finish(int id, PrintJob.State state, String reason) {
        PrintJob job = jobs.get(id);
        job.state = state;
        job.reason = reason;
        job.finished = Optional.of(clock().instant());
        jobs.keep(job);
    }

    // --- the worker ---

    private void work() {
        while (true) {
            PrintJob job;
            synchronized (this) {
                while (next().isEmpty() && !closed) {
                    pause(0);
                }
                if (closed) {
                    return;
                }
                job = next().get();
                job.state = PrintJob.State.PROCESSING;
                job.reason = "job-printing";
                job.started = Optional.of(clock().instant());
                jobs.keep(job);
            }
            try {
                new PrintRun(this, job).print();
                finish(job.id(), PrintJob.State.COMPLETED, "job-completed-successfully");
            } catch (PowerOff e) {
                return;
            } catch (SpoiltSheet e) {
                finish(job.id(), PrintJob.State.ABORTED, "aborted-by-system");
            } catch (CancellationException e) {
                finish(job.id(), PrintJob.State.CANCELED, "job-canceled-by-user");
            } catch (IOException | WistelException e) {
                finish(job.id(), PrintJob.State.ABORTED, "document-format-error");
            } catch (RuntimeException | Error e) {
                System.err.println("job " + job.id() + " aborted: " + e);
                finish(job.id(), PrintJob.State.ABORTED, "aborted-by-system");
            }
            try {
                Files.deleteIfExists(job.document);
            } catch (IOException e) {
                System.err.println("spool file left behind: " + job.document);
            }
        }
    }

    private Optional<PrintJob> next() {
        return jobs.all().stream().filter(j -> j.state == PrintJob.State.PENDING).findFirst();
    }

    /** The power went in the middle of a job, which stays as it is. */
    private static final class PowerOff extends RuntimeException {
    }

    private void stopIfAsked(PrintJob job) {
        if (closed) {
            throw new PowerOff();
        }
        if (job.cancelAsked) {
            throw new CancellationException();
        }
        if (spoilt && job.state == PrintJob.State.PROCESSING) {
            spoilt = false;
            throw new SpoiltSheet();
        }
    }

    /** The sheet that is being laid down crumples: it is thrown away, and its job with it. */
    public synchronized void spoil() {
        spoilt = busy();
        notifyAll();
    }

    private static final class SpoiltSheet extends RuntimeException {
    }

    synchronized void takeTime(PrintJob job, Instant began, double seconds, double share) {
        int percent = (int) (100 * share);
        if (job.percent == 0 && percent > 0) {
            job.percent = percent;
            jobs.keep(job);
        }
        job.percent = percent;
        Duration stood = standStill(job);
        job.stood = job.stood.plus(stood);
        while (true) {
            stopIfAsked(job);
            double due = pace == 0 ? 0 : seconds * share / pace;
            double late = due - Duration.between(began, clock().instant()).minus(job.stood).toMillis() / 1000.0;
            if (late <= 0) {
                return;
            }
            pause(Math.max(1, Math.min(200, (long) (late * 1000))));
        }
    }

    /** While paper is jammed, the cover is open or an ink is empty, the sheet waits. */
    private Duration standStill(PrintJob job) {
        Instant since = clock().instant();
        while (trouble != Trouble.NONE || inks.empty()) {
            stopIfAsked(job);
            if (trouble == Trouble.NONE && attendant
                && (pace == 0 || Duration.between(since, clock().instant()).toMillis() * pace > ARRIVES_AFTER_MS)) {
                inks.replaceEmpty();
                continue;
            }
            job.state = PrintJob.State.STOPPED;
            job.reason = "printer-stopped";
            pause(100);
        }
        if (job.state == PrintJob.State.STOPPED) {
            job.state = PrintJob.State.PROCESSING;
            job.reason = "job-printing";
        }
        return Duration.between(since, clock().instant());
    }

    synchronized Loaded paper(PrintJob job, double pageW, double pageH) {
        Ticket ticket = job.ticket();
        double w = ticket.widthMm() > 0 ? ticket.widthMm() : pageW;
        double h = ticket.heightMm() > 0 ? ticket.heightMm() : pageH;
        String feed = model().feeds().contains(ticket.feed()) ? ticket.feed() : feedFor(ticket);
        SheetSize asked = w > 0 ? Feeds.size(w, h) : feeds.get(feed).size();
        Paper kind = Paper.ofMediaType(ticket.mediaType()).orElse(feeds.get(feed).paper());
        Instant since = clock().instant();
        while (true) {
            // without the attendant, ink goes onto whatever paper lies there
            Optional<Loaded> taken = feeds.take(feed, asked, attendant ? Optional.of(kind) : Optional.empty());
            if (taken.isPresent()) {
                keepMachine();
                waiting = false;
                job.state = PrintJob.State.PROCESSING;
                job.reason = "job-printing";
                return taken.get();
            }
            if (job.cancelAsked || closed) {
                waiting = false;
            }
            stopIfAsked(job);
            boolean arrived = pace == 0 || Duration.between(since, clock().instant()).toMillis() * pace > ARRIVES_AFTER_MS;
            if (attendant && arrived) {
                feeds.load(feed, asked, kind);
                continue;
            }
            waiting = true;
            job.state = PrintJob.State.STOPPED;
            job.reason = "resources-are-not-ready";
            pause(100);
        }
    }

    private String feedFor(Ticket ticket) {
        return model().offers().stream().filter(o -> o.paper().mediaType().equals(ticket.mediaType())).map(MachineModel.Offer::feed)
            .findFirst().orElse(model().feeds().get(0));
    }

    @Override
    public void close() {
        synchronized (this) {
            closed = true;
            notifyAll();
        }
        try {
            worker.join(5000);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
