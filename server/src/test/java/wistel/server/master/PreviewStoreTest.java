package wistel.server.master;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.Instant;
import javax.imageio.ImageIO;
import javax.imageio.stream.MemoryCacheImageInputStream;
import org.testng.annotations.Test;
import wistel.core.fault.RecordException;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.pictures.Histogram;
import wistel.core.pictures.PictureFile;
import wistel.server.store.FileStore;

public class PreviewStoreTest {
    /** A view that a full disk doesn't take is refused as such when a picture comes in, with nothing half-written left. */
    @Test
    public void aPreviewThatCantBeWrittenIsToldAsAFullDisk() throws IOException {
        FileStore files = new FileStore(Files.createTempDirectory("files"));
        Files.delete(files.previews());
        PixelExecutor workers = new PixelExecutor();
        PreviewStore store = new PreviewStore(files, null, workers, Clock.systemUTC());
        BufferedImage image = new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB);
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(image, "png", png);
        PictureFile picture = PictureFile.open(() -> new MemoryCacheImageInputStream(new ByteArrayInputStream(png.toByteArray())));
        assertThatThrownBy(() -> store.make("0".repeat(64), picture, StandardSpaces.SRGB, new Histogram.Counter(3)))
            .isInstanceOfSatisfying(RecordException.class, e -> assertThat(e.reason()).isEqualTo(RecordException.Reason.DISK_FULL));
        try (var left = Files.list(files.staging())) {
            assertThat(left.filter(p -> !p.getFileName().toString().equals("in-use"))).isEmpty();
        }
        workers.stop();
    }

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
