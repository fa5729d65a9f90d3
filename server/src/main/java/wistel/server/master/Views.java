package wistel.server.master;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wistel.core.icc.IccProfile;
import wistel.core.icc.StandardSpaces;
import wistel.core.picture.PictureFile;
import wistel.core.picture.PixelSource;
import wistel.core.picture.Progress;
import wistel.core.picture.View;
import wistel.core.render.PictureLight;
import wistel.server.store.FileStore;
import wistel.server.store.ProfileShelf;

/** Pictures scaled for screens: one large view of each master on disk, smaller ones made from it, the last used ones in memory (at most 192 MB). */
@Component
public class Views {
    /** Longest side of the view on disk. */
    public static final int LARGEST = 2400;
    private static final long MOST_BYTES = 192L << 20;

    private final FileStore files;
    private final ProfileShelf profiles;
    private final Cache<String, View> views = Caffeine.newBuilder().maximumWeight(MOST_BYTES)
        .weigher((String k, View v) -> (int) Math.min(Integer.MAX_VALUE, v.bytes())).build();

    public Views(FileStore files, ProfileShelf profiles) {
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
        View large = views.get(master.hash() + LARGEST, k -> large(master));
        if (side >= Math.max(large.width(), large.height())) {
            return large;
        }
        return views.get(master.hash() + side, k -> View.of(large, side, PictureLight.of(profile(master)), Progress.SILENT));
    }

    /** Makes the large view from pixels as they are first read. */
    public void make(String hash, PixelSource pixels, IccProfile profile) {
        View view = View.of(pixels, LARGEST, PictureLight.of(profile), Progress.SILENT);
        views.put(hash + LARGEST, view);
        try {
            write(hash, view);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private View large(Master master) {
        Path file = file(master.hash());
        try {
            if (Files.exists(file)) {
                return read(file);
            }
            View view = View.of(PictureFile.open(files.image(master.hash())).pixels(), LARGEST, PictureLight.of(profile(master)), Progress.SILENT);
            write(master.hash(), view);
            return view;
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private Path file(String hash) {
        return files.views().resolve(hash + "-" + LARGEST);
    }

    private void write(String hash, View view) throws IOException {
        Path part = files.coming().resolve(UUID.randomUUID().toString());
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
        Files.move(part, file(hash), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
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
