package wistel.core.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
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

    private static Resampler resampler(View source, Resampler.Size size) {
        return new Resampler(source.width(), source.height(), source.channels(), size, STRAIGHT);
    }

    private static char[] resampled(View source, Crop crop, int w, int h) {
        return resampler(source, Resampler.Size.of(crop, w, h)).band(source.pixels(), 0, 0, h);
    }

    /**
     * The readable twin of the loop: every result pixel as one double sum over the source, edges repeated. Enlarging, values are L* of
     * light and each pass is limited to the range of the four nearest.
     */
    private static double twin(View v, Resampler.Size size, int x, int y, int channel) {
        boolean enlarges = size.finest() == 1 && size.crop().width() < size.width();
        double[] column = new double[v.height()];
        for (int sy = 0; sy < v.height(); sy++) {
            double[] line = new double[v.width()];
            for (int sx = 0; sx < v.width(); sx++) {
                double light = v.pixels()[(sy * v.width() + sx) * v.channels() + channel] / 65535.0;
                line[sx] = enlarges ? lightness(light) : light;
            }
            column[sy] = at(line, size.crop().x(), size.crop().width() / size.width(), x, size.finest(), enlarges);
        }
        double value = at(column, size.crop().y(), size.crop().height() / size.height(), y, size.finest(), enlarges);
        double light = enlarges ? light(value) : value;
        return 65535 * Math.max(0, Math.min(1, light));
    }

    private static double at(double[] samples, double from, double step, int result, double finest, boolean limited) {
        double centre = from + (result + 0.5) * step - 0.5;
        double scale = Math.max(finest, step);
        double sum = 0;
        double weights = 0;
        for (int s = (int) Math.ceil(centre - 3 * scale); s <= centre + 3 * scale; s++) {
            double weight = lanczos((s - centre) / scale);
            sum += weight * samples[Math.max(0, Math.min(samples.length - 1, s))];
            weights += weight;
        }
        double value = sum / weights;
        if (!limited) {
            return value;
        }
        double low = Double.MAX_VALUE;
        double high = 0;
        int near = Math.max(0, Math.min(samples.length - 4, (int) Math.floor(centre) - 1));
        for (int s = near; s < near + Math.min(4, samples.length); s++) {
            low = Math.min(low, samples[s]);
            high = Math.max(high, samples[s]);
        }
        return Math.max(low, Math.min(high, value));
    }

    /** CIE 1976 L* over 100, and back. */
    private static double lightness(double y) {
        return y > 216.0 / 24389 ? 1.16 * Math.cbrt(y) - 0.16 : y * 24389 / 2700;
    }

    private static double light(double lightness) {
        double f = (lightness + 0.16) / 1.16;
        return lightness > 0.08 ? f * f * f : lightness * 2700 / 24389;
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
            {40, 30, 3, new Resampler.Size(new Crop(0, 0, 40, 30), 17, 11, 1)},
            {40, 30, 1, new Resampler.Size(new Crop(0, 0, 40, 30), 95, 71, 1)},
            {40, 30, 3, new Resampler.Size(new Crop(0, 0, 40, 30), 50, 38, 1)},
            {23, 51, 3, new Resampler.Size(new Crop(3.5, 7.25, 15, 30.5), 15, 31, 1)},
            {23, 51, 1, new Resampler.Size(new Crop(0, 40, 23, 11), 60, 29, 1)},
            {7, 7, 3, new Resampler.Size(new Crop(0, 0, 7, 7), 1, 1, 1)},
            {2, 3, 3, new Resampler.Size(new Crop(0, 0, 2, 3), 40, 60, 1)},
            {40, 30, 3, new Resampler.Size(new Crop(1, 2, 30, 20), 60, 40, 3.5)}};
    }

    @Test(dataProvider = "sizes")
    public void theRowByRowLoopAgreesWithItsPlainTwin(int w, int h, int channels, Resampler.Size size) {
        View source = noise(w, h, channels);
        char[] fast = resampler(source, size).band(source.pixels(), 0, 0, size.height());
        for (int y = 0; y < size.height(); y++) {
            for (int x = 0; x < size.width(); x++) {
                for (int c = 0; c < channels; c++) {
                    assertThat((double) fast[(y * size.width() + x) * channels + c]).isCloseTo(twin(source, size, x, y, c), within(4.0));
                }
            }
        }
    }

    /** Files that older engines made come out in their way; what is laid down is the same. */
    @Test(dataProvider = "sizes")
    public void bothOrdersOfThePassesGiveTheSameButForRounding(int w, int h, int channels, Resampler.Size size) {
        View source = noise(w, h, channels);
        Resampler.Size as3 = new Resampler.Size(size.crop(), size.width(), size.height(), size.finest(), Resampler.Passes.ACROSS_FIRST);
        char[] then = resampler(source, as3).band(source.pixels(), 0, 0, size.height());
        char[] now = resampler(source, size).band(source.pixels(), 0, 0, size.height());
        for (int i = 0; i < now.length; i++) {
            assertThat((int) now[i]).isCloseTo(then[i], within(2));
        }
    }

    /** A print file is made band by band on several threads: where the bands are cut can't show. */
    @Test(dataProvider = "sizes")
    public void bandsPutTogetherAreTheWhole(int w, int h, int channels, Resampler.Size size) {
        View source = noise(w, h, channels);
        Resampler resampler = resampler(source, size);
        char[] whole = resampler.band(source.pixels(), 0, 0, size.height());
        int row = resampler.rowSamples();
        for (int from = 0; from < size.height(); from += 4) {
            int to = Math.min(size.height(), from + 4);
            int top = resampler.firstRow(from);
            char[] rows = Arrays.copyOfRange(source.pixels(), top * w * channels, (resampler.lastRow(to - 1) + 1) * w * channels);
            assertThat(resampler.band(rows, top, from, to)).isEqualTo(Arrays.copyOfRange(whole, from * row, to * row));
        }
    }

    @Test
    public void theSameSizeCopiesEveryBit() {
        View source = noise(31, 17, 3);
        assertThat(resampled(source, Crop.whole(31, 17), 31, 17)).isEqualTo(source.pixels());
        assertThat(resampled(source, new Crop(4, 2, 10, 8), 10, 8)[0]).isEqualTo(source.pixels()[3 * (2 * 31 + 4)]);
    }

    /** Lanczos alone would dig a dark ditch beside a light edge: in the shadows, where it clips to black, people see it first. */
    @DataProvider
    Object[][] edges() {
        return new Object[][] {{200, 2600}, {0, 65535}, {1000, 1400}, {30000, 60000}};
    }

    @Test(dataProvider = "edges")
    public void anEnlargedEdgeNeverRings(int dark, int light) {
        char[] pixels = new char[24 * 24];
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = (char) (i % 24 < 11 || i / 24 < 5 ? dark : light);
        }
        char[] large = resampled(new View(24, 24, 1, pixels), Crop.whole(24, 24), 101, 101);
        for (char v : large) {
            assertThat((int) v).isBetween(Math.max(0, dark - 4), Math.min(65535, light + 4));
        }
        // and it stays an edge: from one tenth to nine tenths of the way within two source pixels
        long between = IntStream.range(0, 101)
            .filter(x -> large[90 * 101 + x] > dark + 0.1 * (light - dark) && large[90 * 101 + x] < dark + 0.9 * (light - dark)).count();
        assertThat(between).isBetween(1L, 9L);
    }

    /** Brought to fewer pixels per inch, a fine grid is gray although the raster could still draw it. */
    @Test
    public void detailFinerThanWantedIsAveragedAwayAtTheSameSize() {
        char[] grid = new char[60 * 60];
        for (int i = 0; i < grid.length; i++) {
            grid[i] = i % 60 / 2 % 2 == 0 ? (char) 60000 : (char) 4000;
        }
        View source = new View(60, 60, 1, grid);
        char[] kept = resampler(source, new Resampler.Size(Crop.whole(60, 60), 120, 120, 1)).band(grid, 0, 0, 120);
        char[] coarse = resampler(source, new Resampler.Size(Crop.whole(60, 60), 120, 120, 6)).band(grid, 0, 0, 120);
        assertThat(kept[60 * 120 + 61] - kept[60 * 120 + 65]).isNotZero();
        for (int x = 20; x < 100; x++) {
            assertThat((int) coarse[60 * 120 + x]).isBetween(31000, 33000);
        }
    }

    @Test
    public void everyCodeSurvivesTheWayToLightAndBack() {
        LightCurve srgb = new LightCurve(v -> v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4));
        for (LightCurve curve : new LightCurve[] {LightCurve.GAMMA_22, srgb, srgb.overLightness()}) {
            for (int code = 2000; code < 65536; code += 7) {
                assertThat((double) curve.code(curve.light((char) code))).isCloseTo(code, within(3.0));
            }
            assertThat((int) curve.code(-0.2f)).isLessThan(50);
            assertThat((int) curve.code(1.3f)).isEqualTo(65535);
        }
    }
}
