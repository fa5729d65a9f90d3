package wistel.server.master;

import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.ProfileException;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.pictures.Histogram;
import wistel.core.pictures.PictureFacts;
import wistel.core.pictures.PictureFile;
import wistel.server.store.FileStore;
import wistel.server.store.ProfileRepository;

/** Takes a picture file in: kept by hash, decoded once from end to end, and recorded only when every row was there. */
@Service
public class MasterImport {
    /** The largest file taken. It streams to disk; no more than a band of it is ever in memory. */
    private static final long LARGE_PIXELS = 120_000_000;
    public static final long LARGEST_BYTES = 1L << 30;
    private static final int LONGEST_NAME = 200;
    private static final int LONGEST_WAIT_MINUTES = 10;

    private final FileStore files;
    private final ProfileRepository profiles;
    private final MasterRepository masters;
    private final PreviewStore previews;
    private final Clock clock;
    /** Two pictures decode at a time, whatever is dropped: that bounds the memory. */
    private final Semaphore decoding = new Semaphore(2);
    /** A very large one at a time, beside which others go on. */
    private final Semaphore decodingLarge = new Semaphore(1);

    public MasterImport(FileStore files, ProfileRepository profiles, MasterRepository masters, PreviewStore previews, Clock clock) {
        this.files = files;
        this.profiles = profiles;
        this.masters = masters;
        this.previews = previews;
        this.clock = clock;
    }

    /**
     * @param notice   something to tell, empty when there is nothing
     * @param fileName that it was brought by this time: the master has that of the first time
     */
    public record Taken(Master master, String notice, String fileName) {
    }

    /**
     * Before a byte of it is read.
     *
     * @param bytes that are announced; less than 0 when none are
     */
    public void accepts(long bytes) {
        if (bytes > LARGEST_BYTES) {
            throw FileStore.tooLarge(LARGEST_BYTES);
        }
    }

    public Taken take(String name, InputStream body) throws IOException {
        String fileName = cleaned(name);
        FileStore.Kept kept = files.put(body, LARGEST_BYTES);
        Optional<Master> known = masters.byHash(kept.hash());
        if (known.isPresent()) {
            return known(known.get(), fileName);
        }
        boolean nameTaken = masters.nameTaken(fileName);
        try {
            Master master = decode(fileName, kept);
            return new Taken(master,
                nameTaken ? "Another picture is also called " + fileName + ". Both are kept; they differ in content." : "", fileName);
        } catch (DuplicateKeyException e) {
            // the same file was dropped twice at once: the other one was first
            return known(masters.byHash(kept.hash()).orElseThrow(), fileName);
        } catch (RuntimeException e) {
            files.discard(kept);
            throw e;
        }
    }

    private static Taken known(Master master, String fileName) {
        return new Taken(master, "This file is here already (" + master.fileName() + "): the new docket uses the same master.", fileName);
    }

    private Master decode(String fileName, FileStore.Kept kept) throws IOException {
        PictureFile picture = PictureFile.open(files.image(kept.hash()));
        PictureFacts facts = picture.facts();
        Semaphore slot = (long) facts.width() * facts.height() > LARGE_PIXELS ? decodingLarge : decoding;
        if (!waited(slot)) {
            throw new Conflict(Conflict.Reason.BUSY, "Many pictures are being read just now; " + fileName + " had to wait too long.",
                "Drop it again in a while.");
        }
        try {
            Embedded embedded = embedded(facts);
            IccProfile profile = embedded.profile.orElseGet(() -> StandardSpaces.assumedFor(facts.channels()));
            Histogram.Counter counter = new Histogram.Counter(facts.channels());
            previews.make(kept.hash(), picture, profile, counter);
            if (embedded.profile.isPresent()) {
                profiles.add(profile);
            }
            Master master = new Master(UUID.randomUUID(), kept.hash(), fileName, kept.bytes(), facts.format(), facts.shownWidth(),
                facts.shownHeight(),
                facts.bits(), facts.channels(), embedded.profile.map(IccProfile::hash),
                embedded.profile.map(IccProfile::description).orElse(""),
                embedded.problem, clock.instant(), FileNotes.of(facts.notes()));
            masters.add(master, counter.histogram());
            return master;
        } finally {
            slot.release();
        }
    }

    private static boolean waited(Semaphore slot) {
        try {
            return slot.tryAcquire(LONGEST_WAIT_MINUTES, TimeUnit.MINUTES);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    private record Embedded(Optional<IccProfile> profile, String problem) {
    }

    private static Embedded embedded(PictureFacts facts) {
        if (facts.profile().length == 0) {
            return new Embedded(Optional.empty(), "");
        }
        try {
            IccProfile profile = ProfileReader.read(facts.profile());
            if (profile.space().channels() != facts.channels()) {
                return new Embedded(Optional.empty(), "The embedded profile is for " + profile.space() + ", the picture is not.");
            }
            TransformCompiler.toLab(profile);
            return new Embedded(Optional.of(profile), "");
        } catch (ProfileException e) {
            return new Embedded(Optional.empty(), "The embedded profile is damaged and was left aside.");
        }
    }

    private static String cleaned(String name) {
        String last = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1).replaceAll("\\p{Cntrl}", "").strip();
        if (last.isEmpty()) {
            throw new InvalidRequest(InvalidRequest.Reason.NAME_MISSING, "The file has no name.", "Drop it again.");
        }
        return last.length() > LONGEST_NAME ? last.substring(0, LONGEST_NAME) : last;
    }
}
