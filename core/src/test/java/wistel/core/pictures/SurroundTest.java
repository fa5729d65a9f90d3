package wistel.core.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.progress.Progress;

/** What is made round a picture of noise, against the same worked out place by place. */
public class SurroundTest {
    private static final int WIDTH = 60;
    private static final int HEIGHT = 40;
    private static final Surround.Ring RING = new Surround.Ring(23, 11, 17, 29);
    private static final View PICTURE = noise(WIDTH, HEIGHT, 3);

    private static View noise(int width, int height, int channels) {
        SplittableRandom random = new SplittableRandom(11);
        char[] pixels = new char[width * height * channels];
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = (char) random.nextInt(65536);
        }
        return new View(width, height, channels, pixels);
    }

    private static Surround surround(PixelRuns picture, SideFill fill) {
        Optional<GrownTexture> grown = fill instanceof SideFill.Extended ? Optional.of(PatchSynthesis.grow(PICTURE, 30, 1))
            : Optional.empty();
        return new Surround(picture, RING, fill, 4, grown);
    }

    @DataProvider
    public Object[][] fills() {
        return new Object[][] {{new SideFill.Itself()}, {new SideFill.Mirrored()}, {new SideFill.Stretched()},
            {new SideFill.OneColour(new SideFill.Patch(0, 0, 1, 1), List.of(1, 200, 60000))},
            {new SideFill.Extended(1)}};
    }

    /** A block is a part of the whole, wherever it is cut and however small it is. */
    @Test(dataProvider = "fills")
    public void anyBlockIsAPartOfTheWhole(SideFill fill) {
        Surround all = surround(PICTURE, fill);
        char[] whole = all.block(0, all.width(), 0, all.height());
        assertThat(all.width()).isEqualTo(WIDTH + 40);
        assertThat(all.height()).isEqualTo(HEIGHT + 40);
        SplittableRandom random = new SplittableRandom(3);
        for (int i = 0; i < 60; i++) {
            int x0 = random.nextInt(all.width());
            int x1 = x0 + 1 + random.nextInt(all.width() - x0);
            int y0 = random.nextInt(all.height());
            int y1 = y0 + 1 + random.nextInt(Math.min(7, all.height() - y0));
            char[] block = all.block(x0, x1, y0, y1);
            for (int y = y0; y < y1; y++) {
                assertThat(Arrays.copyOfRange(block, (y - y0) * (x1 - x0) * 3, (y - y0 + 1) * (x1 - x0) * 3))
                    .isEqualTo(Arrays.copyOfRange(whole, (y * all.width() + x0) * 3, (y * all.width() + x1) * 3));
            }
        }
    }

    /** Read from a file it is the same as from memory. */
    @Test(dataProvider = "fills")
    public void aLargePictureIsReadFromItsFile(SideFill fill) throws IOException {
        PixelSpool.Places places = () -> FileChannel.open(Files.createTempFile("spool", ".raw"), StandardOpenOption.READ,
            StandardOpenOption.WRITE, StandardOpenOption.DELETE_ON_CLOSE);
        try (PixelSpool spool = PixelSpool.of(PICTURE, new Orientation[] {Orientation.UPRIGHT},
            new PixelSpool.Means(places, Runnable::run, Progress.SILENT, new StageTimes()))[0]) {
            Surround filed = surround(spool, fill);
            Surround held = surround(PICTURE, fill);
            assertThat(filed.block(0, held.width(), 0, held.height())).isEqualTo(held.block(0, held.width(), 0, held.height()));
        }
    }

    /** A mirror at each edge, and mirrors of mirrors where the ring is wider than the picture. */
    @Test
    public void mirrorsGoOnAsFarAsTheRing() {
        View small = noise(5, 4, 1);
        Surround all = new Surround(small, new Surround.Ring(12, 9, 13, 7), new SideFill.Mirrored(), 4, Optional.empty());
        char[] whole = all.block(0, all.width(), 0, all.height());
        int[] across = {0, 1, 2, 3, 4, 4, 3, 2, 1, 0};
        int[] down = {0, 1, 2, 3, 3, 2, 1, 0};
        for (int y = 0; y < all.height(); y++) {
            for (int x = 0; x < all.width(); x++) {
                assertThat(whole[y * all.width() + x])
                    .isEqualTo(small.pixel(across[Math.floorMod(x - 12, 10)], down[Math.floorMod(y - 9, 8)])[0]);
            }
        }
    }

    /** Against a bell curve summed over every place: of noise, three boxes come within a few percent of its range. */
    @Test
    public void softeningIsNearlyABellCurve() {
        Surround all = surround(PICTURE, new SideFill.Mirrored());
        double sigma = 4;
        char[] soft = all.softened(30, 50, 20, 30, sigma);
        char[] whole = all.block(0, all.width(), 0, all.height());
        for (int y = 20; y < 30; y += 3) {
            for (int x = 30; x < 50; x += 4) {
                double sum = 0;
                double weights = 0;
                for (int v = Math.max(0, y - 16); v < Math.min(all.height(), y + 17); v++) {
                    for (int u = Math.max(0, x - 16); u < Math.min(all.width(), x + 17); u++) {
                        double w = Math.exp(-((u - x) * (u - x) + (v - y) * (v - y)) / (2 * sigma * sigma));
                        sum += w * whole[(v * all.width() + u) * 3];
                        weights += w;
                    }
                }
                assertThat((double) soft[((y - 20) * 20 + x - 30) * 3]).isCloseTo(sum / weights, within(0.02 * 65535));
            }
        }
    }

    /** A flat picture stays flat, at the outermost corner too. */
    @Test
    public void softeningLeavesAnEvenPictureAlone() {
        char[] even = new char[WIDTH * HEIGHT];
        Arrays.fill(even, (char) 31000);
        Surround all = new Surround(new View(WIDTH, HEIGHT, 1, even), RING, new SideFill.Stretched(), 4, Optional.empty());
        char[] soft = all.softened(0, all.width(), 0, all.height(), 9.3);
        for (char v : soft) {
            assertThat((int) v).isBetween(30999, 31001);
        }
    }

    /** Nothing deeper inside than 5 mm is taken, and the picture itself is handed out as it is. */
    @Test
    public void stretchedSidesTakeTheOutermostFiveMillimetresAlone() {
        char[] marked = new char[WIDTH * HEIGHT];
        for (int i = 0; i < marked.length; i++) {
            int x = i % WIDTH;
            int y = i / WIDTH;
            // at four pixels a millimetre 5 mm are 20 pixels
            marked[i] = (char) (Math.min(Math.min(x, WIDTH - 1 - x), Math.min(y, HEIGHT - 1 - y)) >= 20 ? 60000 : 5000);
        }
        Surround all = new Surround(new View(WIDTH, HEIGHT, 1, marked), new Surround.Ring(100, 100, 100, 100), new SideFill.Stretched(), 4,
            Optional.empty());
        char[] whole = all.block(0, all.width(), 0, all.height());
        for (int y = 0; y < all.height(); y++) {
            for (int x = 0; x < all.width(); x++) {
                boolean inside = x >= 100 && x < 100 + WIDTH && y >= 100 && y < 100 + HEIGHT;
                char v = whole[y * all.width() + x];
                assertThat(inside ? v == marked[(y - 100) * WIDTH + x - 100] : v == 5000).isTrue();
            }
        }
    }

    @Test
    public void whatCantBeIsRefused() {
        assertThatThrownBy(() -> new Surround.Ring(0, -1, 0, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Surround(PICTURE, RING, new SideFill.Extended(1), 4, Optional.empty()))
            .isInstanceOf(IllegalArgumentException.class);
    }

    /** The mean of a patch is the mean of its light: half black and half white is 50 % of light, 73.5 % of sRGB's code. */
    @Test
    public void aPatchIsAveragedAsLight() {
        char[] halves = new char[40 * 10];
        for (int i = 0; i < halves.length; i++) {
            halves[i] = i % 40 < 20 ? (char) 0 : (char) 65535;
        }
        LightCurve srgb = new LightCurve(v -> v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4));
        View view = new View(40, 10, 1, halves);
        assertThat(new SideFill.Patch(0, 0, 1, 1).meanOf(view, srgb).get(0) / 65535.0).isCloseTo(0.7354, within(0.001));
        assertThat(new SideFill.Patch(0, 0, 0.5, 1).meanOf(view, srgb)).containsExactly(0);
        assertThat(new SideFill.Patch(0.9999, 0.9999, 0.0001, 0.0001).meanOf(view, srgb)).as("less than a pixel").containsExactly(65535);
    }
}
