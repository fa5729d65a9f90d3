package wistel.server.store;

import jakarta.annotation.PreDestroy;
import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.channels.Channels;
import java.nio.channels.ClosedByInterruptException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.UUID;
import java.util.function.Supplier;
import javax.imageio.stream.FileImageInputStream;
import javax.imageio.stream.ImageInputStream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.fault.RecordException;

/** Files by SHA-256 of their content. A file appears under its name only when it is complete: it is written aside and moved. */
@Component
public class FileStore {
    private static final String LOCK = "in-use";

    /** Held while a file is put in its place or taken from it. */
    private final Object placing = new Object();
    private final Path content;
    private final Path staging;
    private FileChannel mark;
    private final Path previews;

    public FileStore(@Value("${wistel.files}") Path folder) {
        content = folder.resolve("by-hash");
        previews = folder.resolve("views");
        try {
            ownersAlone(Files.createDirectories(folder));
            Files.createDirectories(content);
            Files.createDirectories(previews);
            staging = ownStaging(Files.createDirectories(folder.resolve("staging")));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Pictures are nobody else's business, where the file system knows owners. */
    private static void ownersAlone(Path folder) throws IOException {
        if (Files.getFileStore(folder).supportsFileAttributeView(PosixFileAttributeView.class)) {
            Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
        }
    }

    /** A folder of this process's own, marked by a locked file. Folders whose lock is free were left behind by a process that is gone. */
    private Path ownStaging(Path all) throws IOException {
        try (var folders = Files.list(all)) {
            for (Path left : folders.toList()) {
                if (!Files.isDirectory(left)) {
                    Files.delete(left);
                } else if (free(left)) {
                    try (var files = Files.walk(left).sorted(Comparator.reverseOrder())) {
                        files.forEach(p -> p.toFile().delete());
                    }
                }
            }
        }
        Path own = Files.createDirectory(all.resolve(UUID.randomUUID().toString()));
        mark = FileChannel.open(own.resolve(LOCK), StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
        mark.lock();
        return own;
    }

    private static boolean free(Path folder) throws IOException {
        try (FileChannel file = FileChannel.open(folder.resolve(LOCK), StandardOpenOption.WRITE); FileLock lock = file.tryLock()) {
            return lock != null;
        } catch (NoSuchFileException e) {
            return true;
        } catch (OverlappingFileLockException e) {
            // another server in this very process
            return false;
        }
    }

    @PreDestroy
    void close() throws IOException {
        mark.close();
    }

    /**
     * @param fresh false when the same content was kept before
     * @param file  tells this very file from one that is put in its place later
     */
    public record Kept(String hash, long bytes, boolean fresh, Object file) {
    }

    /** Takes back what was put and is of no use, unless it had been kept before or somebody else put the same content meanwhile. */
    public void discard(Kept kept) throws IOException {
        if (!kept.fresh) {
            return;
        }
        synchronized (placing) {
            Path place = path(kept.hash);
            if (Files.exists(place) && identity(place).equals(kept.file)) {
                Files.delete(place);
            }
        }
    }

    /** Differs between a file and another one that took its place. */
    private static Object identity(Path place) throws IOException {
        BasicFileAttributes of = Files.readAttributes(place, BasicFileAttributes.class);
        return of.fileKey() == null ? of.lastModifiedTime() : of.fileKey();
    }

    /** Writes content that some code produces. */
    @FunctionalInterface
    public interface Producer {
        void write(OutputStream out) throws IOException;
    }

    public static InvalidRequest tooLarge(long most) {
        return new InvalidRequest(InvalidRequest.Reason.FILE_TOO_LARGE, "This file is larger than " + (most >> 20) + " MB.",
            "Export it smaller or with compression.");
    }

    /** Keeps a stream of at most {@code most} bytes. */
    public Kept put(InputStream in, long most) throws IOException {
        return put(out -> {
            byte[] part = new byte[1 << 16];
            long sum = 0;
            for (int n = in.read(part); n >= 0; n = in.read(part)) {
                sum += n;
                if (sum > most) {
                    throw tooLarge(most);
                }
                out.write(part, 0, n);
            }
        });
    }

    public Kept put(Producer producer) throws IOException {
        Path part = staging.resolve(UUID.randomUUID().toString());
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            try (FileChannel file = FileChannel.open(part, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
                OutputStream out = new DigestOutputStream(new BufferedOutputStream(new ToDisk(file), 1 << 18), digest)) {
                producer.write(out);
                out.flush();
                file.force(true);
            }
            String hash = HexFormat.of().formatHex(digest.digest());
            long bytes = Files.size(part);
            Path place = path(hash);
            Files.createDirectories(place.getParent());
            boolean fresh;
            Object file = identity(part);
            synchronized (placing) {
                fresh = !Files.exists(place);
                Files.move(part, place, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            }
            flushed(place.getParent());
            return new Kept(hash, bytes, fresh, file);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    /** A new name counts as kept when its folder is on disk too. */
    private static void flushed(Path folder) throws IOException {
        try (FileChannel open = FileChannel.open(folder, StandardOpenOption.READ)) {
            open.force(true);
        }
    }

    /** Tells a full disk from a sender who went away. */
    static final class ToDisk extends FilterOutputStream {
        ToDisk(FileChannel file) {
            super(Channels.newOutputStream(file));
        }

        @Override
        public void write(byte[] bytes, int from, int count) throws IOException {
            try {
                out.write(bytes, from, count);
            } catch (ClosedByInterruptException e) {
                throw e;
            } catch (IOException e) {
                throw full(e);
            }
        }
    }

    /** A file can't be written. */
    public static RecordException full(IOException e) {
        return new RecordException(RecordException.Reason.DISK_FULL, "The file could not be written: " + e.getMessage() + ".",
            "Make room on the disk, then try again. Nothing half-written was kept.", e);
    }

    /** @throws NotFound when it can't be a hash */
    public Path path(String hash) {
        String hex = new Hash(hash).hex();
        return content.resolve(hex.substring(0, 2)).resolve(hex);
    }

    public boolean has(String hash) {
        return Hash.is(hash) && Files.exists(path(hash));
    }

    /** Bytes of a file; 0 when it isn't there. */
    public long size(String hash) throws IOException {
        return has(hash) ? Files.size(path(hash)) : 0;
    }

    public void delete(String hash) throws IOException {
        if (Hash.is(hash)) {
            Files.deleteIfExists(path(hash));
        }
    }

    public InputStream open(String hash) throws IOException {
        return new BufferedInputStream(Files.newInputStream(path(hash)), 1 << 18);
    }

    public byte[] bytes(String hash) {
        try {
            return Files.readAllBytes(path(hash));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public Supplier<ImageInputStream> image(String hash) {
        return () -> {
            try {
                return new FileImageInputStream(path(hash).toFile());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        };
    }

    /** Where made-again-at-will views lie. */
    public Path previews() {
        return previews;
    }

    /** An empty file that is gone when it is closed. */
    public FileChannel scratch() throws IOException {
        return FileChannel.open(staging.resolve(UUID.randomUUID().toString()), StandardOpenOption.CREATE_NEW, StandardOpenOption.READ,
            StandardOpenOption.WRITE, StandardOpenOption.DELETE_ON_CLOSE);
    }

    public Path staging() {
        return staging;
    }
}
