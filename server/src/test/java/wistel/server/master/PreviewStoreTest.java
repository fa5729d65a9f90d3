package wistel.server.master;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.Instant;
import org.testng.annotations.Test;
import wistel.server.store.FileStore;

public class PreviewStoreTest {
    @Test
    public void previewsThatWereNotLookedAtForTheLongestGoFirstAndNoMoreThanNeeded() throws IOException {
        FileStore files = new FileStore(Files.createTempDirectory("files"));
        Instant start = Instant.parse("2026-01-01T00:00:00Z");
        String[] names = {"third", "first", "fourth", "second"};
        int[] ages = {3, 1, 4, 2};
        for (int i = 0; i < 4; i++) {
            Path file = Files.write(files.previews().resolve(names[i]), new byte[1000]);
            Files.setLastModifiedTime(file, FileTime.from(start.plusSeconds(ages[i])));
        }
        PreviewStore store = new PreviewStore(files, null, null, Clock.systemUTC());
        store.bound(4000);
        assertThat(files.previews()).isDirectoryContaining(p -> p.endsWith("first"));
        store.bound(2500);
        try (var left = Files.list(files.previews())) {
            assertThat(left.map(p -> p.getFileName().toString())).containsExactlyInAnyOrder("third", "fourth");
        }
    }
}
