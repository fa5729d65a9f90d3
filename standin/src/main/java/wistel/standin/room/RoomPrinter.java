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
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import wistel.core.fault.WistelException;
import wistel.core.length.Length;
import wistel.core.length.Range;
import wistel.core.paper.SheetSize;
import wistel.core.pictures.LabScan;
import wistel.core.render.PwgRaster;
import wistel.standin.ink.Laying;
import wistel.standin.ink.Paper;
import wistel.standin.ink.SheetMaker;

/**
 * One of the printers: takes jobs one at a time, waits for the right size of paper, takes its time, and keeps each sheet as a scan. What
 * lies in a feed may differ from what a job says it is: then the ink goes onto what lies there.
 */
public final class RoomPrinter implements AutoCloseable {
    /** After so long a rest it cleans its head first. */
    private static final Duration LONG_REST = Duration.ofDays(3);
    private static final double CLEANING_SECONDS = 75;
    /** What changing over from one black ink to the other takes. */
    public static final int BLACK_CHANGE_SECONDS = (int) InkStore.CHANGE_SECONDS;
    public static final int BLACK_CHANGE_MICROLITRES = (int) (1000 * InkStore.CHANGE_ML);
    private static final double ARRIVES_AFTER_MS = 20_000;
    /** How near the leading edge paper that lifts may touch the head. */
    private static final double STRIKE_ZONE_MM = 28;

    /** What lies in a feed. */
    public record Loaded(SheetSize size, Paper paper, int sheets) {
        /** A roll; its size's height is what is left on it. */
        public static Loaded roll(double widthMm, double leftMm, Paper paper) {
            return roll(widthMm, leftMm, paper, 1);
        }

        private static Loaded roll(double widthMm, double leftMm, Paper paper, int there) {
            return new Loaded(new SheetSize("roll of " + Math.round(widthMm / 25.4) + " in",
                "roll_loaded_" + Length.mm(widthMm) + "x" + Length.mm(leftMm) + "mm", widthMm, leftMm), paper, there);
        }

        /** An offer is for what lies here. */
        public boolean lies(MachineModel.Offer offer) {
            return offer.widthMm().holds(size.widthMm()) && (offer.feed().equals(Feeds.ROLL) || offer.lengthMm().holds(size.heightMm()));
        }

        /** The offer as it stands with what is left of a roll, or for this very sheet. */
        public MachineModel.Offer cut(MachineModel.Offer o) {
            Range length = o.feed().equals(Feeds.ROLL) ? new Range(o.lengthMm().from(), Math.max(o.lengthMm().from(), size.heightMm()))
                : Range.only(size.heightMm());
            return new MachineModel.Offer(Range.only(size.widthMm()), length, o.paper(), o.feed(), o.thickestMm(), o.lead(), o.right(),
                o.trail(), o.left());
        }

        /** It can take a page of this size. */
        boolean holds(String feed, double widthMm, double lengthMm) {
            boolean wide = Math.abs(size.widthMm() - widthMm) < 0.6;
            return sheets > 0 && wide
                && (feed.equals(Feeds.ROLL) ? size.heightMm() >= lengthMm : Math.abs(size.heightMm() - lengthMm) < 0.6);
        }

        /** After a page was taken. */
        Loaded less(String feed, double lengthMm) {
            return feed.equals(Feeds.ROLL) ? roll(size.widthMm(), size.heightMm() - lengthMm, paper) : new Loaded(size, paper, sheets - 1);
        }
    }

    private static final double NEW_ROLL_MM = 15_000;

    /** What keeps it from printing until somebody sees to it. */
    public enum Trouble {
        NONE("none"), JAM("media-jam-error"), COVER("cover-open-error");

        private final String reason;

        Trouble(String reason) {
            this.reason = reason;
        }

        public String reason() {
            return reason;
        }
    }

    private final MachineModel model;
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
    private Trouble trouble = Trouble.NONE;
    private volatile boolean vanished;
    private final InkStore inks = new InkStore();
    private Instant lastPrinted;
    private int nextId;
    private final Thread worker = new Thread(this::work, "room-printer");

    /**
     * @param folder for documents on their way and finished sheets
     * @param pace   how fast its time runs: 1 is life, 20 a demonstration, 0 no waiting at all
     */
    public RoomPrinter(MachineModel model, Path folder, Clock clock, double pace) {
        this.model = model;
        this.folder = folder;
        this.clock = clock;
        this.up = clock.instant();
        this.lastPrinted = up;
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
        for (String feed : model.feeds()) {
            feeds.put(feed, switch (feed) {
                case Feeds.REAR -> new Loaded(SheetSize.A4, Paper.SKERRY_BARYTA, 20);
                case Feeds.FRONT -> new Loaded(model == MachineModel.ARDLE_17 ? SheetSize.A4 : SheetSize.named("A2").orElseThrow(),
                    Paper.MOSS_COTTON, 5);
                default -> Loaded.roll(model == MachineModel.ARDLE_17 ? 17 * 25.4 : 24 * 25.4,
                    model == MachineModel.ARDLE_17 ? 9_400 : 22_000, Paper.CORRIE_LUSTRE);
            });
        }
        remember();
        worker.setDaemon(true);
        worker.start();
    }

    /**
     * Jobs of before it was switched off: what waited goes on; what was being laid down when the power went is aborted, as its sheet is
     * spoilt.
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

    /** Feeds, inks and black as they were when it was switched off. */
    private void remember() {
        Path file = folder.resolve("machine.properties");
        if (!Files.exists(file)) {
            return;
        }
        Properties p = new Properties();
        try (var in = Files.newBufferedReader(file)) {
            p.load(in);
            inks.read(p);
            lastPrinted = Instant.parse(p.getProperty("last-printed", up.toString()));
            feeds.replaceAll((feed, now) -> {
                String[] kept = p.getProperty("feed." + feed, "").split(";");
                if (kept.length < 4) {
                    return now;
                }
                Paper paper = Paper.valueOf(kept[0]);
                double w = Double.parseDouble(kept[1]);
                double h = Double.parseDouble(kept[2]);
                return feed.equals(Feeds.ROLL) ? Loaded.roll(w, h, paper, Integer.parseInt(kept[3]))
                    : new Loaded(Feeds.size(w, h), paper, Integer.parseInt(kept[3]));
            });
        } catch (IOException | RuntimeException e) {
            System.err.println("what lay in the feeds of " + model.name() + " is not known any more: " + e);
        }
    }

    private void keepMachine() {
        Properties p = new Properties();
        inks.write(p);
        p.setProperty("last-printed", lastPrinted.toString());
        feeds.forEach((feed, l) -> p.setProperty("feed." + feed,
            l.paper() + ";" + l.size().widthMm() + ";" + l.size().heightMm() + ";" + l.sheets()));
        Path part = folder.resolve("machine.part");
        try {
            try (var out = Files.newBufferedWriter(part)) {
                p.store(out, null);
            }
            Files.move(part, folder.resolve("machine.properties"), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            System.err.println("the state of " + model.name() + " could not be kept: " + e);
        }
    }

    public MachineModel model() {
        return model;
    }

    /** Percent of each ink that is left, by name. */
    public synchronized Map<String, Integer> inks() {
        return inks.percent();
    }

    public synchronized boolean photoBlack() {
        return inks.photo();
    }

    public synchronized Trouble trouble() {
        return trouble;
    }

    public synchronized boolean inkEmpty() {
        return inks.empty();
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
        feeds.put(feed, feed.equals(Feeds.ROLL) ? Loaded.roll(size.widthMm(), NEW_ROLL_MM, paper) : new Loaded(size, paper, sheets));
        keepMachine();
        notifyAll();
    }

    /** A jam or an open cover stops it in the middle of a sheet, until somebody sees to it. */
    public synchronized void trouble(Trouble next) {
        trouble = next;
        notifyAll();
    }

    public void vanish(boolean gone) {
        vanished = gone;
    }

    /** The ink of this name is used up. */
    public synchronized void drain(String ink) {
        inks.drain(ink);
        keepMachine();
        notifyAll();
    }

    public synchronized void replaceInks() {
        inks.replaceEmpty();
        keepMachine();
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

    /**
     * How many bytes of a document it takes in a second: a printer with little memory takes them as it prints; 0 for none until further
     * notice.
     */
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
        return jobs.values().stream().filter(j -> j.state == PrintJob.State.PENDING).findFirst();
    }

    /** Callers look again at what they wait for. */
    @SuppressWarnings("WaitNotInLoop")
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
        Ticket ticket = job.ticket();
        Map<String, String> settings = new LinkedHashMap<>(ticket.settings());
        if (ticket.mediaType().isEmpty()) {
            settings.put("media-type", loaded.paper().mediaType());
        }
        int quality = ticket.quality();
        Laying laying = Laying.of(loaded.paper(), settings, quality);
        double before = prepare(job, laying.photoBlack());
        MachineModel.Offer offer = model.offer(ticket);
        SheetMaker maker = new SheetMaker(page, loaded.paper(), laying, edges(offer));
        OverEdge enlarging = new OverEdge(page, ticket.overMm());
        char[] row = new char[page.width() * page.space().channels()];
        double area = page.width() * 25.4 / page.dpi() * page.height() * 25.4 / page.dpi() / 1e6;
        double seconds = before + area * 60 * model.minutesPerM2(quality);
        Instant began = clock.instant();
        for (int y = 0; y < page.height(); y++) {
            rows.row(row);
            enlarging.row(y, row, maker::row);
            if (y % 128 == 0) {
                takeTime(job, began, seconds, (double) y / page.height());
            }
        }
        takeTime(job, began, seconds, 1);
        used(job, maker.inkMl(model.inkMlPerM2()));
        write(job.id(), struck(maker.scan(), offer, loaded.paper(), settings, job.id()));
    }

    /** @return seconds that it takes before the first dot: changing the black over, cleaning after a long rest */
    private synchronized double prepare(PrintJob job, boolean photoBlack) {
        double seconds = 0;
        if (inks.black(photoBlack)) {
            seconds += InkStore.CHANGE_SECONDS;
        }
        if (Duration.between(lastPrinted, clock.instant()).compareTo(LONG_REST) > 0) {
            inks.clean();
            seconds += CLEANING_SECONDS;
        }
        job.preparedSeconds += seconds;
        return seconds;
    }

    private synchronized void used(PrintJob job, double[] ml) {
        inks.lay(ml);
        for (double v : ml) {
            job.inkMl += v;
        }
        lastPrinted = clock.instant();
        keepMachine();
    }

    /** Edges that stay white: leading, right, trailing, left. */
    private static double[] edges(MachineModel.Offer offer) {
        return offer == null ? new double[4] : new double[] {offer.lead(), offer.right(), offer.trail(), offer.left()};
    }

    /**
     * Paper that lifts touches the head near its leading edge where the wide margin was waived; a wide gap under the head saves it mostly.
     */
    private static LabScan struck(LabScan scan, MachineModel.Offer offer, Paper paper, Map<String, String> settings, int seed) {
        boolean waived = offer != null && !offer.borderless() && offer.lead() < 10 && paper.lifts() >= 0.3;
        double risk = waived ? paper.lifts() * ("wide".equals(settings.get("wistel-head-gap")) ? 0.25 : 1) : 0;
        SplittableRandom random = new SplittableRandom(seed);
        if (random.nextDouble() >= risk) {
            return scan;
        }
        double perMm = scan.dpi() / 25.4;
        char[] pixels = scan.pixels().clone();
        for (int mark = 0; mark < 3 + random.nextInt(4); mark++) {
            int y = (int) (random.nextDouble() * STRIKE_ZONE_MM * perMm);
            int x = (int) (random.nextDouble() * scan.width());
            int length = (int) ((8 + random.nextDouble() * 30) * perMm);
            for (int dy = 0; dy < Math.max(2, (int) (1.2 * perMm)); dy++) {
                for (int dx = 0; dx < length; dx++) {
                    int at = 3 * ((y + dy) * scan.width() + x + dx);
                    if (x + dx < scan.width() && y + dy < scan.height()) {
                        pixels[at] = (char) (pixels[at] * 0.55);
                    }
                }
            }
        }
        return new LabScan(scan.width(), scan.height(), scan.dpi(), pixels);
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
        Duration stood = standStill(job);
        job.stood = job.stood.plus(stood);
        while (true) {
            stopIfAsked(job);
            double due = pace == 0 ? 0 : seconds * share / pace;
            double late = due - Duration.between(began, clock.instant()).minus(job.stood).toMillis() / 1000.0;
            if (late <= 0) {
                return;
            }
            pause(Math.max(1, Math.min(200, (long) (late * 1000))));
        }
    }

    /** While paper is jammed, the cover is open or an ink is empty, the sheet waits. */
    private Duration standStill(PrintJob job) {
        Instant since = clock.instant();
        while (trouble != Trouble.NONE || inks.empty()) {
            stopIfAsked(job);
            if (trouble == Trouble.NONE && attendant
                && (pace == 0 || Duration.between(since, clock.instant()).toMillis() * pace > ARRIVES_AFTER_MS)) {
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
        return Duration.between(since, clock.instant());
    }

    private synchronized Loaded paper(PrintJob job, double pageW, double pageH) {
        Ticket ticket = job.ticket();
        double w = ticket.widthMm() > 0 ? ticket.widthMm() : pageW;
        double h = ticket.heightMm() > 0 ? ticket.heightMm() : pageH;
        String feed = model.feeds().contains(ticket.feed()) ? ticket.feed() : feedFor(ticket);
        SheetSize asked = w > 0 ? Feeds.size(w, h) : feeds.get(feed).size();
        Paper kind = Paper.ofMediaType(ticket.mediaType()).orElse(feeds.get(feed).paper());
        Instant since = clock.instant();
        while (true) {
            Loaded now = feeds.get(feed);
            boolean sizeThere = now.holds(feed, asked.widthMm(), asked.heightMm());
            if (sizeThere && (now.paper() == kind || !attendant)) {
                feeds.put(feed, now.less(feed, asked.heightMm()));
                keepMachine();
                waiting = false;
                job.state = PrintJob.State.PROCESSING;
                job.reason = "job-printing";
                return now;
            }
            if (job.cancelAsked || closed) {
                waiting = false;
            }
            stopIfAsked(job);
            boolean arrived = pace == 0 || Duration.between(since, clock.instant()).toMillis() * pace > ARRIVES_AFTER_MS;
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

    private String feedFor(Ticket ticket) {
        return model.offers().stream().filter(o -> o.paper().mediaType().equals(ticket.mediaType())).map(MachineModel.Offer::feed)
            .findFirst().orElse(model.feeds().get(0));
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
