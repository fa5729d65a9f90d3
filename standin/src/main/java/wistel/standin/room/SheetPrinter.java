package wistel.standin.room;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import wistel.core.fault.WistelException;
import wistel.core.length.Length;
import wistel.core.length.Range;
import wistel.core.paper.SheetSize;
import wistel.core.pictures.LabScan;
import wistel.core.render.PwgRaster;
import wistel.standin.ink.Paper;
import wistel.standin.ink.SheetMaker;

/**
 * The sheet printer: takes jobs one at a time, waits for the right size of paper, takes its time, and keeps each sheet as a scan. What
 * lies in a feed may differ from what a job says it is: then the ink goes onto what lies there.
 */
public final class SheetPrinter implements AutoCloseable {
    /** Minutes for a square metre at IPP quality 3, 4 and 5, before the pace is applied. */
    private static final double[] MINUTES_PER_M2 = {12, 24, 44};

    /** What lies in a feed. */
    public record Loaded(SheetSize size, Paper paper, int sheets) {
        /** A roll; its size's height is what is left on it. */
        public static Loaded roll(double widthMm, double leftMm, Paper paper) {
            return new Loaded(new SheetSize("roll of " + Math.round(widthMm / 25.4) + " in", "roll_loaded_" + Length.mm(widthMm) + "x" + Length.mm(leftMm) + "mm", widthMm, leftMm), paper, 1);
        }

        /** An offer is for what lies here. */
        public boolean lies(Feeds.Offer offer) {
            return offer.widthMm().holds(size.widthMm()) && (offer.feed().equals(Feeds.ROLL) || offer.lengthMm().holds(size.heightMm()));
        }

        /** The offer as it stands with what is left of a roll, or for this very sheet. */
        public Feeds.Offer cut(Feeds.Offer o) {
            Range length = o.feed().equals(Feeds.ROLL) ? new Range(o.lengthMm().from(), Math.max(o.lengthMm().from(), Math.min(o.lengthMm().to(), size.heightMm())))
                : Range.only(size.heightMm());
            return new Feeds.Offer(Range.only(size.widthMm()), length, o.paper(), o.feed(), o.lead(), o.right(), o.trail(), o.left());
        }

        /** It can take a page of this size. */
        boolean holds(String feed, double widthMm, double lengthMm) {
            boolean wide = Math.abs(size.widthMm() - widthMm) < 0.6;
            return sheets > 0 && wide && (feed.equals(Feeds.ROLL) ? size.heightMm() >= lengthMm : Math.abs(size.heightMm() - lengthMm) < 0.6);
        }

        /** After a page was taken. */
        Loaded less(String feed, double lengthMm) {
            return feed.equals(Feeds.ROLL) ? roll(size.widthMm(), size.heightMm() - lengthMm, paper) : new Loaded(size, paper, sheets - 1);
        }
    }

    private static final double NEW_ROLL_MM = 15_000;

    private final Path folder;
    private final Clock clock;
    private final Instant up;
    private final String uuid;
    private final Map<Integer, PrintJob> jobs = new TreeMap<>();
    private final Map<String, Loaded> feeds = new LinkedHashMap<>();
    private double pace;
    private boolean attendant = true;
    private int intake = Integer.MAX_VALUE;
    private boolean closed;
    private boolean waiting;
    private int nextId;
    private final Thread worker = new Thread(this::work, "sheet-printer");

    /**
     * @param folder for documents on their way and finished sheets
     * @param pace   how fast its time runs: 1 is life, 20 a demonstration, 0 no waiting at all
     */
    public SheetPrinter(Path folder, Clock clock, double pace) {
        this.folder = folder;
        this.clock = clock;
        this.up = clock.instant();
        this.pace = pace;
        try {
            Files.createDirectories(folder.resolve("spool"));
            Files.createDirectories(folder.resolve("sheets"));
            Files.createDirectories(folder.resolve("jobs"));
            Path own = folder.resolve("printer-uuid");
            if (!Files.exists(own)) {
                Files.writeString(own, "urn:uuid:" + UUID.randomUUID());
            }
            uuid = Files.readString(own).strip();
            Path counter = folder.resolve("last-job");
            nextId = 1 + (Files.exists(counter) ? Integer.parseInt(Files.readString(counter).strip()) : 0);
            takeUp();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        feeds.put(Feeds.REAR, new Loaded(SheetSize.A4, Paper.SKERRY_BARYTA, 20));
        feeds.put(Feeds.FRONT, new Loaded(SheetSize.A4, Paper.MOSS_COTTON, 5));
        feeds.put(Feeds.ROLL, Loaded.roll(17 * 25.4, 9_400, Paper.CORRIE_LUSTRE));
        worker.setDaemon(true);
        worker.start();
    }

    /**
     * Jobs of before it was switched off: what waited goes on; what was being laid down when the power went is aborted, as its sheet is spoilt.
     */
    private void takeUp() throws IOException {
        try (var kept = Files.list(folder.resolve("jobs"))) {
            for (Path file : kept.sorted().toList()) {
                Properties stored = new Properties();
                try (var in = Files.newBufferedReader(file)) {
                    stored.load(in);
                    PrintJob job = PrintJob.of(Integer.parseInt(file.getFileName().toString().replaceAll("\\D", "")), stored);
                    jobs.put(job.id(), job);
                } catch (RuntimeException e) {
                    System.err.println("a job can't be read any more: " + file);
                }
            }
        }
        for (PrintJob job : jobs.values()) {
            boolean whole = job.document != null && Files.exists(job.document);
            if (job.state.over() || job.state == PrintJob.State.PENDING && whole || job.state == PrintJob.State.HELD && whole) {
                continue;
            }
            if (whole && job.percent == 0) {
                job.state = PrintJob.State.PENDING;
                job.reason = "none";
                keep(job);
            } else {
                finish(job.id(), PrintJob.State.ABORTED, "aborted-by-system");
            }
        }
    }

    /** On disk as it stands, so that a printer that is switched off knows it again. */
    private void keep(PrintJob job) {
        Path file = folder.resolve("jobs").resolve(String.format("%08d.properties", job.id()));
        Path part = folder.resolve("jobs").resolve(job.id() + ".part");
        try {
            try (var out = Files.newBufferedWriter(part)) {
                job.stored().store(out, null);
            }
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            System.err.println("job " + job.id() + " could not be kept: " + e);
        }
    }

    public String uuid() {
        return uuid;
    }

    public Instant upSince() {
        return up;
    }

    public Clock clock() {
        return clock;
    }

    // --- what a person in the room does ---

    public synchronized void pace(double next) {
        pace = Math.max(0, Math.min(1000, next));
        notifyAll();
    }

    public synchronized double pace() {
        return pace;
    }

    /** With the attendant in the room, a job that asks for other paper gets it after a short while. */
    public synchronized void attendant(boolean there) {
        attendant = there;
        notifyAll();
    }

    public synchronized boolean attendant() {
        return attendant;
    }

    public synchronized void load(String feed, SheetSize size, Paper paper, int sheets) {
        feeds.put(feed, new Loaded(size, paper, sheets));
        notifyAll();
    }

    /** Takes all paper out of a feed; the attendant leaves it so until it is loaded again. */
    public synchronized void empty(String feed) {
        Loaded now = feeds.get(feed);
        feeds.put(feed, new Loaded(now.size(), now.paper(), 0));
        attendant = false;
        notifyAll();
    }

    public synchronized Map<String, Loaded> feeds() {
        return new LinkedHashMap<>(feeds);
    }

    // --- what comes over IPP ---

    public synchronized PrintJob.Seen create(Ticket ticket) {
        PrintJob job = new PrintJob(nextId++, ticket, clock.instant());
        try {
            // job numbers go on after the printer was switched off
            Files.writeString(folder.resolve("last-job"), Integer.toString(job.id()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        jobs.put(job.id(), job);
        keep(job);
        while (jobs.size() > 500) {
            int oldest = jobs.keySet().iterator().next();
            jobs.remove(oldest);
            folder.resolve("jobs").resolve(String.format("%08d.properties", oldest)).toFile().delete();
        }
        return job.seen();
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
            keep(job);
            notifyAll();
            return job.seen();
        }
    }

    /** How many bytes of a document it takes in a second: a printer with little memory takes them as it prints; 0 for none until further notice. */
    public synchronized void intake(int bytesPerSecond) {
        intake = bytesPerSecond;
        notifyAll();
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
        jobs.values().forEach(j -> seen.add(j.seen()));
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
        keep(job);
        notifyAll();
        return true;
    }

    /** True while a job waits for paper. */
    public synchronized boolean waitsForPaper() {
        return waiting;
    }

    public synchronized boolean busy() {
        return jobs.values().stream().anyMatch(j -> j.state == PrintJob.State.PROCESSING || j.state == PrintJob.State.STOPPED);
    }

    public Path sheet(int id) {
        return folder.resolve("sheets").resolve(id + ".tif");
    }

    private synchronized void finish(int id, PrintJob.State state, String reason) {
        PrintJob job = jobs.get(id);
        job.state = state;
        job.reason = reason;
        job.finished = Optional.of(clock.instant());
        keep(job);
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
                job.started = Optional.of(clock.instant());
                keep(job);
            }
            try {
                print(job);
                finish(job.id(), PrintJob.State.COMPLETED, "job-completed-successfully");
            } catch (PowerOff e) {
                return;
            } catch (CancellationException e) {
                finish(job.id(), PrintJob.State.CANCELED, "job-canceled-by-user");
            } catch (IOException | WistelException e) {
                finish(job.id(), PrintJob.State.ABORTED, "document-format-error");
            } catch (RuntimeException e) {
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
        return jobs.values().stream().filter(j -> j.state == PrintJob.State.PENDING).findFirst();
    }

    private void pause(long millis) {
        try {
            wait(millis);
        } catch (InterruptedException e) {
            closed = true;
        }
    }

    /** Each copy takes its own sheet and its own time; the scan kept is the last one's, and all are alike. */
    private void print(PrintJob job) throws IOException {
        for (int copy = 0; copy < job.ticket().copies(); copy++) {
            printOnce(job);
        }
    }

    private void printOnce(PrintJob job) throws IOException {
        if (job.format.equals("image/jpeg")) {
            Loaded loaded = paper(job, 0, 0);
            JpegPage page = new JpegPage(job, loaded.size());
            lay(job, loaded, page.page(), page::row);
            return;
        }
        try (InputStream in = new BufferedInputStream(Files.newInputStream(job.document), 1 << 20)) {
            PwgRaster.Reader reader = new PwgRaster.Reader(in);
            PwgRaster.Page page = reader.nextPage();
            while (page != null) {
                Loaded loaded = paper(job, page.width() * 25.4 / page.dpi(), page.height() * 25.4 / page.dpi());
                lay(job, loaded, page, reader::row);
                page = reader.nextPage();
            }
        }
    }

    private interface Rows {
        void row(char[] samples) throws IOException;
    }

    private void lay(PrintJob job, Loaded loaded, PwgRaster.Page page, Rows rows) throws IOException {
        String mediaType = job.ticket().mediaType().isEmpty() ? loaded.paper().mediaType() : job.ticket().mediaType();
        int quality = job.ticket().quality();
        SheetMaker maker = new SheetMaker(page, loaded.paper(), mediaType, quality);
        OverEdge enlarging = new OverEdge(page, job.ticket().borderless() ? job.ticket().overMm() : 0);
        char[] row = new char[page.width() * page.space().channels()];
        double area = page.width() * 25.4 / page.dpi() * page.height() * 25.4 / page.dpi() / 1e6;
        double seconds = area * 60 * MINUTES_PER_M2[Math.max(0, Math.min(2, quality - 3))];
        Instant began = clock.instant();
        for (int y = 0; y < page.height(); y++) {
            rows.row(row);
            enlarging.row(y, row, maker::row);
            if (y % 128 == 0) {
                takeTime(job, began, seconds, (double) y / page.height());
            }
        }
        takeTime(job, began, seconds, 1);
        write(job.id(), maker.scan());
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
    }

    private synchronized void takeTime(PrintJob job, Instant began, double seconds, double share) {
        int percent = (int) (100 * share);
        if (job.percent == 0 && percent > 0) {
            job.percent = percent;
            keep(job);
        }
        job.percent = percent;
        while (true) {
            stopIfAsked(job);
            double due = pace == 0 ? 0 : seconds * share / pace;
            double late = due - Duration.between(began, clock.instant()).toMillis() / 1000.0;
            if (late <= 0) {
                return;
            }
            pause(Math.max(1, Math.min(200, (long) (late * 1000))));
        }
    }

    private synchronized Loaded paper(PrintJob job, double pageW, double pageH) {
        Ticket ticket = job.ticket();
        double w = ticket.widthMm() > 0 ? ticket.widthMm() : pageW;
        double h = ticket.heightMm() > 0 ? ticket.heightMm() : pageH;
        String feed = ticket.feed().isEmpty() ? feedFor(ticket) : ticket.feed();
        SheetSize asked = w > 0 ? Feeds.size(w, h) : feeds.get(feed).size();
        Paper kind = Paper.ofMediaType(ticket.mediaType()).orElse(feeds.get(feed).paper());
        Instant since = clock.instant();
        while (true) {
            Loaded now = feeds.get(feed);
            boolean sizeThere = now.holds(feed, asked.widthMm(), asked.heightMm());
            if (sizeThere && (now.paper() == kind || !attendant)) {
                feeds.put(feed, now.less(feed, asked.heightMm()));
                waiting = false;
                job.state = PrintJob.State.PROCESSING;
                job.reason = "job-printing";
                return now;
            }
            if (job.cancelAsked || closed) {
                waiting = false;
            }
            stopIfAsked(job);
            boolean arrived = pace == 0 || Duration.between(since, clock.instant()).toMillis() * pace > 20_000;
            if (attendant && arrived) {
                feeds.put(feed, feed.equals(Feeds.ROLL) ? Loaded.roll(asked.widthMm(), NEW_ROLL_MM, kind) : new Loaded(asked, kind, 20));
                continue;
            }
            waiting = true;
            job.state = PrintJob.State.STOPPED;
            job.reason = "resources-are-not-ready";
            pause(100);
        }
    }

    private static String feedFor(Ticket ticket) {
        return ticket.mediaType().equals(Paper.MOSS_COTTON.mediaType()) ? Feeds.FRONT : Feeds.REAR;
    }

    private void write(int id, LabScan scan) throws IOException {
        Path part = folder.resolve("sheets").resolve(id + ".part");
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(part), 1 << 18)) {
            scan.write(out);
        }
        Files.move(part, sheet(id), StandardCopyOption.ATOMIC_MOVE);
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
