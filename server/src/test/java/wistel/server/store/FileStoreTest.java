package wistel.server.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.testng.annotations.Test;
import wistel.core.fault.RecordException;

public class FileStoreTest {
    /** What a process that is gone was writing is cleared away; what another one writes just now is not. */
    @Test
    public void aStartClearsWhatWasLeftBehindAndLeavesAnothersWorkAlone() throws IOException {
        Path folder = Files.createTempDirectory("files");
        Path left = Files.createDirectories(folder.resolve("staging/gone"));
        Files.createFile(left.resolve("in-use"));
        Files.write(left.resolve("half-a-file"), new byte[10]);
        FileStore first = new FileStore(folder);
        assertThat(left).doesNotExist();
        try (FileChannel scratch = first.scratch()) {
            scratch.write(ByteBuffer.wrap(new byte[100]));
            FileStore second = new FileStore(folder);
            scratch.write(ByteBuffer.wrap(new byte[100]));
            assertThat(scratch.size()).isEqualTo(200);
            assertThat(first.staging()).exists().isNotEqualTo(second.staging());
        }
    }

    @Test
    public void aFileAppearsOnlyWhenItIsWhole() throws IOException {
        FileStore files = new FileStore(Files.createTempDirectory("files"));
        assertThatThrownBy(() -> files.put(out -> {
            out.write(new byte[1000]);
            throw new IOException("the disk is full");
        })).hasMessage("the disk is full");
        try (var staged = Files.list(files.staging())) {
            assertThat(staged.map(p -> p.getFileName().toString())).containsExactly("in-use");
        }
        String hash = files.put(out -> out.write("abc".getBytes(StandardCharsets.UTF_8))).hash();
        // SHA-256 of "abc" (FIPS 180-4, example B.1)
        assertThat(hash).isEqualTo("ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad");
        assertThat(files.size(hash)).isEqualTo(3);
        files.delete(hash);
        assertThat(files.has(hash)).isFalse();
    }

    /** Two imports of one file at once: the one that fails doesn't take from the other what that has put meanwhile. */
    @Test
    public void whatIsOfNoUseIsTakenBackUnlessSomebodyElseHasPutItToo() throws IOException {
        FileStore files = new FileStore(Files.createTempDirectory("files"));
        FileStore.Kept first = files.put(out -> out.write("abc".getBytes(StandardCharsets.UTF_8)));
        FileStore.Kept second = files.put(out -> out.write("abc".getBytes(StandardCharsets.UTF_8)));
        files.discard(first);
        assertThat(files.has(second.hash())).as("the second one's").isTrue();
        files.discard(second);
        assertThat(files.has(second.hash())).as("it had been there before the second one").isTrue();
        FileStore.Kept alone = files.put(out -> out.write("abcd".getBytes(StandardCharsets.UTF_8)));
        files.discard(alone);
        assertThat(files.has(alone.hash())).isFalse();
        assertThat(files.has("no hash")).isFalse();
        assertThat(files.size("../../etc/passwd")).isZero();
    }

    /** Linux has a device that is always full. */
    @Test
    public void aFullDiskIsToldAsSuchAndNotAsABrokenConnection() throws IOException {
        try (FileChannel full = FileChannel.open(Path.of("/dev/full"), StandardOpenOption.WRITE)) {
            assertThatThrownBy(() -> new FileStore.ToDisk(full).write(new byte[100], 0, 100))
                .isInstanceOfSatisfying(RecordException.class, e -> assertThat(e.code()).isEqualTo("disk-full"));
        }
    }
}
