package wistel.standin.room;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Properties;
import wistel.core.paper.SheetSize;
import wistel.standin.ink.Paper;

/** What a person finds and sets at a printer: paper in its feeds, ink, pace, trouble. It is kept on disk; its own lock guards it. */
public abstract sealed class Machine permits RoomPrinter {
    /** After so long a rest it cleans its head first. */
    private static final Duration LONG_REST = Duration.ofDays(3);
    private static final double CLEANING_SECONDS = 75;

    private final MachineModel model;
    private final Clock clock;
    final PaperFeeds feeds;
    double pace;
    boolean attendant = true;
    int intake = Integer.MAX_VALUE;
    boolean closed;
    Trouble trouble = Trouble.NONE;
    final InkStore inks = new InkStore();
    private Instant lastPrinted;
    private final Path file;

    Machine(MachineModel model, Path file, Clock clock, double pace) {
        this.model = model;
        this.feeds = new PaperFeeds(model);
        this.file = file;
        this.clock = clock;
        this.lastPrinted = clock.instant();
        this.pace = pace;
        remember();
    }

    /** Feeds, inks and black as they were when it was switched off. */
    private void remember() {
        if (!Files.exists(file)) {
            return;
        }
        Properties p = new Properties();
        try (var in = Files.newBufferedReader(file)) {
            p.load(in);
            inks.read(p);
            lastPrinted = Instant.parse(p.getProperty("last-printed", lastPrinted.toString()));
            feeds.read(p);
        } catch (IOException | RuntimeException e) {
            System.err.println("what lay in the feeds of " + model.name() + " is not known any more: " + e);
        }
    }

    final void keepMachine() {
        Properties p = new Properties();
        inks.write(p);
        p.setProperty("last-printed", lastPrinted.toString());
        feeds.write(p);
        Path part = file.resolveSibling("machine.part");
        try {
            try (var out = Files.newBufferedWriter(part)) {
                p.store(out, null);
            }
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            System.err.println("the state of " + model.name() + " could not be kept: " + e);
        }
    }

    public final MachineModel model() {
        return model;
    }

    /** Percent of each ink that is left, by name. */
    public final synchronized Map<String, Integer> inks() {
        return inks.percent();
    }

    public final synchronized boolean photoBlack() {
        return inks.photo();
    }

    public final synchronized Trouble trouble() {
        return trouble;
    }

    public final synchronized boolean inkEmpty() {
        return inks.empty();
    }

    public final Clock clock() {
        return clock;
    }

    // --- what a person in the room does ---

    public final synchronized void pace(double next) {
        pace = Math.max(0, Math.min(1000, next));
        notifyAll();
    }

    public final synchronized double pace() {
        return pace;
    }

    /** With the attendant in the room, a job that asks for other paper gets it after a short while. */
    public final synchronized void attendant(boolean there) {
        attendant = there;
        notifyAll();
    }

    public final synchronized boolean attendant() {
        return attendant;
    }

    public final synchronized void load(String feed, SheetSize size, Paper paper, int sheets) {
        feeds.load(feed, size, paper, sheets);
        keepMachine();
        notifyAll();
    }

    /** A jam or an open cover stops it in the middle of a sheet, until somebody sees to it. */
    public final synchronized void trouble(Trouble next) {
        trouble = next;
        notifyAll();
    }

    /** The ink of this name is used up. */
    public final synchronized void drain(String ink) {
        inks.drain(ink);
        keepMachine();
        notifyAll();
    }

    public final synchronized void replaceInks() {
        inks.replaceEmpty();
        keepMachine();
        notifyAll();
    }

    /** Takes all paper out of a feed; the attendant leaves it so until it is loaded again. */
    public final synchronized void empty(String feed) {
        feeds.empty(feed);
        attendant = false;
        notifyAll();
    }

    public final synchronized Map<String, Loaded> feeds() {
        return feeds.all();
    }

    /**
     * How many bytes of a document it takes in a second: a printer with little memory takes them as it prints; 0 for none until further
     * notice.
     */
    public final synchronized void intake(int bytesPerSecond) {
        intake = bytesPerSecond;
        notifyAll();
    }

    /** @return seconds that it takes before the first dot: changing the black over, cleaning after a long rest */
    final synchronized double prepare(PrintJob job, boolean photoBlack) {
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

    final synchronized void used(PrintJob job, double[] ml) {
        inks.lay(ml);
        for (double v : ml) {
            job.inkMl += v;
        }
        lastPrinted = clock.instant();
        keepMachine();
    }

    /** Callers look again at what they wait for. */
    @SuppressWarnings("WaitNotInLoop")
    final void pause(long millis) {
        try {
            wait(millis);
        } catch (InterruptedException e) {
            closed = true;
        }
    }
}
