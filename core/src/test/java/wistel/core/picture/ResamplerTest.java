package wistel.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.CancellationException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ResamplerTest {
    private static final LightCurve STRAIGHT = new LightCurve(v -> v);

    private static View noise(int w, int h, int channels) {
        SplittableRandom random = new SplittableRandom(w * 31L + h);
        char[] pixels = new char[w * h * channels];
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = (char) (8000 + random.nextInt(50_000));
        }
        return new View(w, h, channels, pixels);
    }

    private static char[] resampled(PixelSource source, Crop crop, int w, int h) {
        char[] out = new char[w * h * source.channels()];
        int row = w * source.channels();
        new Resampler(source, crop, w, h, STRAIGHT).rows((y, samples) -> System.arraycopy(samples, 0, out, y * row, row), Progress.SILENT);
        return out;
    }

    /** The readable twin of the loop: every result pixel as one double sum over the source, edges repeated. */
    private static double twin(View v, Crop crop, int w, int h, int x, int y, int channel) {
        double stepX = crop.width() / w;
        double stepY = crop.height() / h;
        double sum = 0;
        double weights = 0;
        double cx = crop.x() + (x + 0.5) * stepX - 0.5;
        double cy = crop.y() + (y + 0.5) * stepY - 0.5;
        for (int sy = (int) Math.ceil(cy - 3 * Math.max(1, stepY)); sy <= cy + 3 * Math.max(1, stepY); sy++) {
            for (int sx = (int) Math.ceil(cx - 3 * Math.max(1, stepX)); sx <= cx + 3 * Math.max(1, stepX); sx++) {
                double weight = lanczos((sx - cx) / Math.max(1, stepX)) * lanczos((sy - cy) / Math.max(1, stepY));
                int px = Math.max(0, Math.min(v.width() - 1, sx));
                int py = Math.max(0, Math.min(v.height() - 1, sy));
                sum += weight * v.pixels()[(py * v.width() + px) * v.channels() + channel];
                weights += weight;
            }
        }
        return Math.max(0, Math.min(65535, sum / weights));
    }

    private static double lanczos(double t) {
        if (t == 0) {
            return 1;
        }
        return Math.abs(t) >= 3 ? 0 : 3 * Math.sin(Math.PI * t) * Math.sin(Math.PI * t / 3) / (Math.PI * Math.PI * t * t);
    }

    @DataProvider
    Object[][] sizes() {
        return new Object[][] {
            {40, 30, 3, new Crop(0, 0, 40, 30), 17, 11}, {40, 30, 1, new Crop(0, 0, 40, 30), 95, 71}, {23, 51, 3, new Crop(3.5, 7.25, 15, 30.5), 15, 31},
            {23, 51, 1, new Crop(0, 40, 23, 11), 60, 5}, {7, 7, 3, new Crop(0, 0, 7, 7), 1, 1}};
    }

    @Test(dataProvider = "sizes")
    public void theRowByRowLoopAgreesWithItsPlainTwin(int w, int h, int channels, Crop crop, int toW, int toH) {
        View source = noise(w, h, channels);
        char[] fast = resampled(source, crop, toW, toH);
        for (int y = 0; y < toH; y++) {
            for (int x = 0; x < toW; x++) {
                for (int c = 0; c < channels; c++) {
                    assertThat((double) fast[(y * toW + x) * channels + c]).isCloseTo(twin(source, crop, toW, toH, x, y, c), within(3.0));
                }
            }
        }
    }

    @Test
    public void theSameSizeCopiesEveryBit() {
        View source = noise(31, 17, 3);
        assertThat(resampled(source, Crop.whole(source), 31, 17)).isEqualTo(source.pixels());
        assertThat(resampled(source, new Crop(4, 2, 10, 8), 10, 8)[0]).isEqualTo(source.pixels()[3 * (2 * 31 + 4)]);
    }

    /** Memory is bounded only if the source is read downwards, each row once. */
    @Test
    public void theSourceIsReadDownwardsAndEachRowOnce() {
        View source = noise(4000, 3000, 1);
        List<int[]> reads = new ArrayList<>();
        PixelSource watched = new PixelSource() {
            @Override
            public int width() {
                return source.width();
            }

            @Override
            public int height() {
                return source.height();
            }

            @Override
            public int channels() {
                return 1;
            }

            @Override
            public int bandRows() {
                return 64;
            }

            @Override
            public void read(int x, int y, int w, int h, char[] out) {
                reads.add(new int[] {y, h});
                source.read(x, y, w, h, out);
            }
        };
        resampled(watched, Crop.whole(watched), 200, 150);
        int next = 0;
        for (int[] read : reads) {
            assertThat(read[0]).isEqualTo(next);
            assertThat(read[1]).isLessThanOrEqualTo(64);
            next = read[0] + read[1];
        }
        assertThat(next).isEqualTo(3000);
    }

    @Test
    public void progressRisesAndMayStopTheLoop() {
        View source = noise(100, 400, 1);
        List<Double> told = new ArrayList<>();
        new Resampler(source, Crop.whole(source), 50, 200, STRAIGHT).rows((y, s) -> { }, told::add);
        assertThat(told).isSorted().endsWith(1.0);
        assertThatThrownBy(() -> new Resampler(source, Crop.whole(source), 50, 200, STRAIGHT).rows((y, s) -> { }, share -> {
            throw new CancellationException();
        })).isInstanceOf(CancellationException.class);
    }

    @Test
    public void everyCodeSurvivesTheWayToLightAndBack() {
        LightCurve srgb = new LightCurve(v -> v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4));
        for (LightCurve curve : new LightCurve[] {LightCurve.GAMMA_22, srgb}) {
            for (int code = 2000; code < 65536; code += 7) {
                assertThat((double) curve.code(curve.light((char) code))).isCloseTo(code, within(3.0));
            }
            assertThat((int) curve.code(-0.2f)).isLessThan(50);
            assertThat((int) curve.code(1.3f)).isEqualTo(65535);
        }
    }

    @Test
    public void aSpooledPictureReadsLikeTheOneInMemory() throws Exception {
        View source = noise(60, 45, 3);
        Path file = Files.createTempFile("spool", ".raw");
        try (var channel = Files.newByteChannel(file, StandardOpenOption.READ, StandardOpenOption.WRITE, StandardOpenOption.DELETE_ON_CLOSE)) {
            SpooledPixels spooled = SpooledPixels.resampled(source, Crop.whole(source), 33, 20, STRAIGHT, channel, Progress.SILENT);
            View held = new View(33, 20, 3, resampled(source, Crop.whole(source), 33, 20));
            char[] a = new char[3 * 10 * 7];
            char[] b = new char[3 * 10 * 7];
            spooled.read(5, 9, 10, 7, a);
            held.read(5, 9, 10, 7, b);
            assertThat(a).isEqualTo(b);
        }
    }
}
