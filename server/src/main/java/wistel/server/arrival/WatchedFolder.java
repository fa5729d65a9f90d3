package wistel.server.arrival;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileVisitOption;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;
import wistel.core.fault.Conflict;
import wistel.core.fault.RecordException;
import wistel.core.fault.WistelException;
import wistel.server.arrival.WatchSettings.Done;
import wistel.server.arrival.WatchedFileRepository.State;
import wistel.server.arrival.WatchedFileRepository.Watched;
import wistel.server.edge.Events;
import wistel.server.master.MasterImport;

/**
 * Looks into one folder every two seconds and takes what an editor exports there, each file once: a file and what it becomes are kept in
 * one transaction, and only then is it moved. Files that still grow, hidden ones and links are left alone. One that is exported anew is
 * known by its size and times.
 */
@Service
class WatchedFolder {
    private static final Logger LOG = LoggerFactory.getLogger(WatchedFolder.class);
    private static final int DEEPEST = 8;
    static final int MOST_FILES = 20_000;
    private static final String CHANGED = "unix:ctime";

    private final WatchSettings settings;
    private final WatchedFileRepository files;
    private final ArrivalService arrivals;
    private final MasterImport imports;
    private final Events events;
    private final Clock clock;
    private final ScheduledExecutorService thread = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread t = new Thread(work, "watched-folder");
        t.setDaemon(true);
        return t;
    });
    /** Files that were seen and not yet taken: how they looked, and since when. */
    private final Map<Path, Seen> coming = new HashMap<>();
    private volatile FolderState now = new FolderState("", 0, Optional.empty());

    WatchedFolder(WatchSettings settings, WatchedFileRepository files, ArrivalService arrivals, MasterImport imports, Events events,
        Clock clock) {
        this.settings = settings;
        this.files = files;
        this.arrivals = arrivals;
        this.imports = imports;
        this.events = events;
        this.clock = clock;
    }

    private record Seen(String mark, Instant since) {
    }

    /**
     * @param problem what keeps the folder from being watched, in words; blank where nothing does
     * @param waiting files that are still to be taken
     * @param looked  when it was looked into last
     */
    record FolderState(String problem, int waiting, Optional<Instant> looked) {
    }

    FolderState now() {
        return now;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        long every = settings.still().toMillis() * 2 / 3;
        thread.scheduleWithFixedDelay(() -> {
            try {
                look();
            } catch (DataAccessException e) {
                LOG.info("the watched folder waits for the database: {}", e.getMessage());
            } catch (Throwable e) {
                LOG.warn("the watched folder could not be looked into", e);
                tell("It could not be looked into: " + e.getMessage() + ". It is tried again.", now.waiting);
            }
        }, every, every, TimeUnit.MILLISECONDS);
    }

    @PreDestroy
    void stop() {
        thread.shutdownNow();
    }

    private void tell(String problem, int waiting) {
        FolderState before = now;
        now = new FolderState(problem, waiting, Optional.of(clock.instant()));
        if (!before.problem.equals(problem) || before.waiting == 0 != (waiting == 0)) {
            events.publish("watched-folder", "state");
        }
    }

    /** One look, to its end. */
    void look() {
        WatchSettings.Watch watch = settings.get();
        if (!watch.on()) {
            coming.clear();
            now = new FolderState("", 0, Optional.empty());
            return;
        }
        Path folder = Path.of(watch.folder());
        String problem = settings.problem(folder);
        if (!problem.isEmpty()) {
            coming.clear();
            tell(problem, 0);
            return;
        }
        try {
            Found found = found(folder);
            tell(take(watch, folder, found), 0);
        } catch (IOException | UncheckedIOException e) {
            tell("It can't be read: " + e.getMessage() + ". It is looked into again every few seconds.", 0);
        }
    }

    /** @param more there are more than are looked at */
    private record Found(List<Path> files, boolean more) {
    }

    /** Files that aren't hidden, in it and the folders in it; links are not followed. */
    private static Found found(Path folder) throws IOException {
        List<Path> all = new ArrayList<>();
        Files.walkFileTree(folder, EnumSet.noneOf(FileVisitOption.class), DEEPEST, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult preVisitDirectory(Path at, BasicFileAttributes of) {
                return at.equals(folder) || !hidden(at) ? FileVisitResult.CONTINUE : FileVisitResult.SKIP_SUBTREE;
            }

            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes of) {
                if (of.isRegularFile() && !hidden(file)) {
                    all.add(file);
                }
                return all.size() > MOST_FILES ? FileVisitResult.TERMINATE : FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFileFailed(Path at, IOException e) throws IOException {
                if (at.equals(folder)) {
                    throw e;
                }
                return FileVisitResult.CONTINUE;
            }
        });
        all.sort(null);
        return new Found(all.subList(0, Math.min(all.size(), MOST_FILES)), all.size() > MOST_FILES);
    }

    private static boolean hidden(Path path) {
        String name = path.getFileName().toString();
        return name.startsWith(".") || name.startsWith("~");
    }

    /** Size and times: they tell a file from one that is written at its place later. */
    private static String mark(Path file) throws IOException {
        BasicFileAttributes of = Files.readAttributes(file, BasicFileAttributes.class, LinkOption.NOFOLLOW_LINKS);
        if (!of.isRegularFile()) {
            throw new NoSuchFileException(file.toString());
        }
        return of.size() + " " + of.lastModifiedTime().toInstant() + " " + changed(file);
    }

    /** A change of a file's name or rights changes this too; the same always where the file system doesn't know it. */
    private static Instant changed(Path file) throws IOException {
        try {
            return ((FileTime) Files.getAttribute(file, CHANGED, LinkOption.NOFOLLOW_LINKS)).toInstant();
        } catch (UnsupportedOperationException | IllegalArgumentException e) {
            return Instant.EPOCH;
        }
    }

    /** @return what went wrong with the folder; blank where nothing did */
    private String take(WatchSettings.Watch watch, Path folder, Found found) {
        Map<String, Watched> known = files.under(folder + "/");
        coming.keySet().retainAll(Set.copyOf(found.files));
        String problem = found.more
            ? "More than " + MOST_FILES + " files lie there: the first ones are taken, the others when there is room."
            : "";
        int left = found.files.size();
        for (Path file : found.files) {
            left--;
            if (Thread.currentThread().isInterrupted()) {
                return problem;
            }
            try {
                String mark = mark(file);
                Watched before = known.get(file.toString());
                boolean taken = false;
                if (before != null && before.mark().equals(mark)) {
                    taken = before.state() == State.TAKEN;
                } else if (still(file, mark)) {
                    tell(problem, left + 1);
                    taken = taken(watch, file, mark, before);
                    coming.remove(file);
                }
                if (taken && watch.done() == Done.MOVED) {
                    problem = moved(folder, file, mark).orElse(problem);
                }
            } catch (NoSuchFileException e) {
                coming.remove(file);
            } catch (RecordException | Conflict e) {
                return e.getMessage() + " " + e.next() + " The files wait where they are.";
            } catch (IOException e) {
                problem = file.getFileName() + " can't be read just now: " + e.getMessage() + ".";
            }
        }
        return problem;
    }

    private boolean still(Path file, String mark) {
        Seen seen = coming.get(file);
        if (seen == null || !seen.mark.equals(mark)) {
            coming.put(file, new Seen(mark, clock.instant()));
            return false;
        }
        return Duration.between(seen.since, clock.instant()).compareTo(settings.still()) >= 0;
    }

    /** @return whether it is taken by now, as it was marked */
    private boolean taken(WatchSettings.Watch watch, Path file, String mark, Watched before) throws IOException {
        String name = file.getFileName().toString();
        try (InputStream in = Files.newInputStream(file, LinkOption.NOFOLLOW_LINKS)) {
            imports.accepts(Files.size(file));
            MasterImport.Taken taken = imports.take(name, in);
            if (!mark.equals(mark(file))) {
                // it was written anew while it was read
                return false;
            }
            Watched kept = new Watched(file.toString(), mark, Optional.of(taken.master().hash()), State.TAKEN);
            if (before != null && before.hash().equals(kept.hash())) {
                // touched, renamed there and back: nothing new
                files.keep(kept);
            } else {
                arrivals.watched(kept, taken, watch.newer());
            }
            return true;
        } catch (AccessDeniedException e) {
            unreadable(file, mark, name, "It may not be read. Give Wistel the right to read it.");
            return false;
        } catch (RecordException | Conflict e) {
            throw e;
        } catch (WistelException e) {
            unreadable(file, mark, name, e.getMessage() + " " + e.next());
            return false;
        }
    }

    private void unreadable(Path file, String mark, String name, String words) {
        arrivals.unreadable(new Watched(file.toString(), mark, Optional.empty(), State.UNREADABLE), name, words);
    }

    /**
     * Beside the watched folder, under its own name; where one lies there, with a number. One that was written anew meanwhile stays.
     *
     * @return why it can't be
     */
    private Optional<String> moved(Path folder, Path file, String mark) {
        try {
            if (!mark.equals(mark(file))) {
                return Optional.empty();
            }
            Path to = WatchSettings.doneFolder(folder).resolve(folder.relativize(file));
            Files.createDirectories(to.getParent());
            Path free = to;
            for (int n = 2; Files.exists(free, LinkOption.NOFOLLOW_LINKS); n++) {
                free = to.resolveSibling(numbered(to.getFileName().toString(), n));
            }
            Files.move(file, free);
            files.moved(file.toString());
            return Optional.empty();
        } catch (IOException e) {
            return Optional.of(file.getFileName() + " was taken and can't be moved away: " + e.getMessage() + ". It is not taken again.");
        }
    }

    private static String numbered(String name, int n) {
        int dot = name.lastIndexOf('.');
        return dot <= 0 ? name + " (" + n + ")" : name.substring(0, dot) + " (" + n + ")" + name.substring(dot);
    }
}
