package wistel.standin.room;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.util.Collection;
import java.util.Collections;
import java.util.Map;
import java.util.Properties;
import java.util.TreeMap;

/** A printer's jobs, on disk as they stand. Not safe for several threads: its printer's lock guards it. */
final class JobStore {
    private static final int MOST = 500;

    private final Path folder;
    private final Path counter;
    private final Map<Integer, PrintJob> jobs = new TreeMap<>();
    private int nextId;

    /** Jobs of before the printer was switched off; one that can't be read any more is said and left out. */
    JobStore(Path printer) throws IOException {
        folder = Files.createDirectories(printer.resolve("jobs"));
        counter = printer.resolve("last-job");
        nextId = 1 + (Files.exists(counter) ? Integer.parseInt(Files.readString(counter).strip()) : 0);
        try (var kept = Files.list(folder)) {
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
    }

    PrintJob get(int id) {
        return jobs.get(id);
    }

    Collection<PrintJob> all() {
        return Collections.unmodifiableCollection(jobs.values());
    }

    /** Numbers go on after the printer was switched off; the oldest jobs are forgotten. */
    PrintJob create(Ticket ticket, Instant now) {
        PrintJob job = new PrintJob(nextId++, ticket, now);
        try {
            Files.writeString(counter, Integer.toString(job.id()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        jobs.put(job.id(), job);
        keep(job);
        while (jobs.size() > MOST) {
            int oldest = jobs.keySet().iterator().next();
            jobs.remove(oldest);
            file(oldest).toFile().delete();
        }
        return job;
    }

    /** As it stands, so that a printer that is switched off knows it again. */
    void keep(PrintJob job) {
        Path part = folder.resolve(job.id() + ".part");
        try {
            try (var out = Files.newBufferedWriter(part)) {
                job.stored().store(out, null);
            }
            Files.move(part, file(job.id()), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            System.err.println("job " + job.id() + " could not be kept: " + e);
        }
    }

    private Path file(int id) {
        return folder.resolve(String.format("%08d.properties", id));
    }
}
