package wistel.server.master;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import wistel.core.fault.RecordException;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Histogram;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.PictureFile;
import wistel.core.pictures.View;
import wistel.core.render.PictureLight;
import wistel.server.store.FileStore;
import wistel.server.store.ProfileRepository;

/**
 * Pictures scaled for screens: a large and a small view of each master on disk, others made from them, the last used ones in memory (at
 * most 192 MB).
 */
@Component
public class PreviewStore {
    /** Longest side of the view on disk. */
    public static final int LARGEST = 2400;
    /** Ordinary files take a fiftieth of it. */
    private static final Duration LONGEST_READING = Duration.ofSeconds(60);
    private static final Duration LONGEST_READING_A_MILLION = Duration.ofMillis(200);
    private static final Logger LOG = LoggerFactory.getLogger(PreviewStore.class);
    private static final int SMALL = 640;
    private static final long MOST_BYTES = 192L << 20;
    private static final long MOST_ON_DISK = 4L << 30;

    private final FileStore files;
    private final ProfileRepository profiles;
    private final PixelExecutor workers;
    private final Clock clock;
    private final Cache<String, View> previews = Caffeine.newBuilder().executor(Runnable::run).maximumWeight(MOST_BYTES)
        .weigher((String k, View v) -> (int) Math.min(Integer.MAX_VALUE, v.bytes())).build();

    public PreviewStore(FileStore files, ProfileRepository profiles, PixelExecutor workers, Clock clock) {
        this.clock = clock;
        this.workers = workers;
        this.files = files;
        this.profiles = profiles;
    }

    /** What the master's numbers mean: its own profile, or the assumed one. */
    public IccProfile profile(Master master) {
        return master.profileHash().map(profiles::get).orElseGet(() -> StandardSpaces.assumedFor(master.channels()));
    }

    /** At most this long on its longest side; sizes are stepped so that few are made. */
    public View view(Master master, int longest) {
        int side = Math.max(64, Math.min(LARGEST, longest));
        int level = side <= SMALL ? SMALL : LARGEST;
        View kept = previews.get(master.hash() + level, k -> kept(master, level));
        if (side >= Math.max(kept.width(), kept.height())) {
            return kept;
        }
        return previews.get(master.hash() + side, k -> kept.fitting(side, PictureLight.of(profile(master))));
    }

    /** A part of an upright master, so wide in pixels, never enlarged. */
    public View part(Master master, Crop crop, int wide) {
        PictureFile picture = PictureFile.open(files.image(master.hash()));
        Orientation orientation = picture.facts().orientation();
        double scale = Math.min(1, wide / crop.width());
        int width = Math.max(1, (int) Math.round(crop.width() * scale));
        int height = Math.max(1, (int) Math.round(crop.height() * scale));
        boolean swaps = orientation.swapsSides();
        return View.part(picture.rows(), crop.turned(orientation.inverse(), master.width(), master.height()), swaps ? height : width,
            swaps ? width : height, PictureLight.of(profile(master))).oriented(orientation);
    }

    /** Makes the views from pixels as they are first read; a file that takes far longer than others of its size is given up. */
    public void make(String hash, PictureFile picture, IccProfile profile, Histogram.Counter counter) {
        long millionPixels = (long) picture.facts().width() * picture.facts().height() / 1_000_000;
        Duration most = LONGEST_READING.plus(LONGEST_READING_A_MILLION.multipliedBy(millionPixels));
        View view = View.fitting(picture.rows(most), LARGEST, PictureLight.of(profile), counter, workers.executor())
            .oriented(picture.facts().orientation());
        View small = view.fitting(SMALL, PictureLight.of(profile));
        previews.put(hash + LARGEST, view);
        previews.put(hash + SMALL, small);
        write(file(hash, LARGEST), view);
        write(file(hash, SMALL), small);
    }

    private View kept(Master master, int level) {
        Path file = file(master.hash(), level);
        try {
            if (Files.exists(file)) {
                Files.setLastModifiedTime(file, FileTime.from(clock.instant()));
                return read(file);
            }
            PictureFile picture = PictureFile.open(files.image(master.hash()));
            View view = View
                .fitting(picture.rows(), level, PictureLight.of(profile(master)), new Histogram.Counter(master.channels()),
                    workers.executor())
                .oriented(picture.facts().orientation());
            keep(file, view);
            return view;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A view that can't be kept is shown all the same, and made again the next time. */
    private void keep(Path file, View view) {
        try {
            write(file, view);
        } catch (RecordException e) {
            LOG.warn("a preview isn't kept: {}", e.getMessage());
        }
    }

    /** Keeps what lies on disk within its bound: what was not looked at for the longest goes first, and is made again when it is wanted. */
    @Scheduled(initialDelay = 60_000, fixedDelay = 600_000)
    void bound() throws IOException {
        bound(MOST_ON_DISK);
    }

    void bound(long mostBytes) throws IOException {
        record Kept(Path file, long bytes, FileTime used) {
        }
        List<Kept> kept = new ArrayList<>();
        try (var all = Files.list(files.previews())) {
            for (Path file : all.toList()) {
                kept.add(new Kept(file, Files.size(file), Files.getLastModifiedTime(file)));
            }
        }
        kept.sort(Comparator.comparing(Kept::used));
        long bytes = kept.stream().mapToLong(Kept::bytes).sum();
        for (Kept one : kept) {
            if (bytes <= mostBytes) {
                return;
            }
            Files.deleteIfExists(one.file);
            bytes -= one.bytes;
        }
    }

    private Path file(String hash, int level) {
        return files.previews().resolve(hash + "-" + level);
    }

    /** @throws RecordException when the disk is full; nothing half-written stays */
    private void write(Path file, View view) {
        Path part = files.staging().resolve(UUID.randomUUID().toString());
        try {
            try (DataOutputStream out = new DataOutputStream(new BufferedOutputStream(Files.newOutputStream(part), 1 << 18))) {
                out.writeInt(view.width());
                out.writeInt(view.height());
                out.writeInt(view.channels());
                ByteBuffer row = ByteBuffer.allocate(2 * view.width() * view.channels());
                for (int y = 0; y < view.height(); y++) {
                    row.clear().asCharBuffer().put(view.pixels(), y * view.width() * view.channels(), view.width() * view.channels());
                    out.write(row.array());
                }
            }
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw FileStore.full(e);
        } finally {
            part.toFile().delete();
        }
    }

    private static View read(Path file) throws IOException {
        try (DataInputStream in = new DataInputStream(new BufferedInputStream(Files.newInputStream(file), 1 << 18))) {
            int w = in.readInt();
            int h = in.readInt();
            int n = in.readInt();
            char[] pixels = new char[w * h * n];
            byte[] row = new byte[2 * w * n];
            for (int y = 0; y < h; y++) {
                in.readFully(row);
                ByteBuffer.wrap(row).asCharBuffer().get(pixels, y * w * n, w * n);
            }
            return new View(w, h, n, pixels);
        }
    }
}
