package wistel.core.pictures;

import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Executor;

/** A picture small enough to hold: 16-bit samples, interleaved, in the picture's own space. */
public record View(int width, int height, int channels, char[] pixels) implements RowSource, PixelRuns {
    private static final int BAND_SAMPLES = 3 << 20;
    private static final int BANDS_UNDER_WAY = 4;

    /** @throws IllegalArgumentException when it is empty, or has another number of samples than its size says; they are kept, not copied */
    public View {
        if (width < 1 || height < 1 || channels < 1 || pixels.length != (long) width * height * channels) {
            throw new IllegalArgumentException(width + " x " + height + " x " + channels + " with " + pixels.length + " samples");
        }
    }

    /** All of a source as it is; for sources that are known to be small. */
    public static View whole(RowSource source) {
        int row = source.width() * source.channels();
        char[] pixels = new char[row * source.height()];
        source.rows((y, samples) -> System.arraycopy(samples, 0, pixels, y * row, row));
        return new View(source.width(), source.height(), source.channels(), pixels);
    }

    /**
     * Views of one width and one space, one below the other.
     *
     * @throws IllegalArgumentException when there are none, or they differ in width or channels
     */
    public static View stacked(List<View> views) {
        View first = views.stream().findFirst().orElseThrow(() -> new IllegalArgumentException("no views"));
        if (views.stream().anyMatch(v -> v.width != first.width || v.channels != first.channels)) {
            throw new IllegalArgumentException("views of different widths");
        }
        int height = views.stream().mapToInt(View::height).sum();
        char[] pixels = new char[height * first.width * first.channels];
        int at = 0;
        for (View view : views) {
            System.arraycopy(view.pixels, 0, pixels, at, view.pixels.length);
            at += view.pixels.length;
        }
        return new View(first.width, height, first.channels, pixels);
    }

    /** Scaled to fit a box, never enlarged; proportions kept. */
    public View fitting(int longestSide, LightCurve light) {
        double scale = Math.min(1, (double) longestSide / Math.max(width, height));
        return scaled(Crop.whole(width, height), side(width, scale), side(height, scale), light);
    }

    /** A crop of it at another size, turned by some degrees about the view's middle before. */
    public View scaled(Crop crop, double degrees, int toWidth, int toHeight, LightCurve light) {
        if (degrees == 0) {
            return scaled(crop, toWidth, toHeight, light);
        }
        Resampling turned = new RotatedResampler(width, height, channels, Resampler.Size.of(crop, toWidth, toHeight), degrees, light);
        return new View(toWidth, toHeight, channels, turned.band(pixels, 0, 0, toHeight));
    }

    /** A crop of it at another size. */
    public View scaled(Crop crop, int toWidth, int toHeight, LightCurve light) {
        Resampler resampler = new Resampler(width, height, channels, Resampler.Size.of(crop, toWidth, toHeight), light);
        return new View(toWidth, toHeight, channels, resampler.band(pixels, 0, 0, toHeight));
    }

    /**
     * A source of any size, read once and scaled to fit a box in strips on several threads, never enlarged. The histogram counts what is
     * read.
     *
     * @param workers runs the strips
     */
    public static View fitting(RowSource source, int longestSide, LightCurve light, Histogram.Counter histogram, Executor workers) {
        double scale = Math.min(1, (double) longestSide / Math.max(source.width(), source.height()));
        int w = side(source.width(), scale);
        int h = side(source.height(), scale);
        int row = w * source.channels();
        char[] pixels = new char[row * h];
        Resampler resampler = new Resampler(source.width(), source.height(), source.channels(),
            Resampler.Size.of(Crop.whole(source.width(), source.height()), w, h), light);
        int sourceRow = source.width() * source.channels();
        int rows = Math.max(1, (int) ((double) BAND_SAMPLES / sourceRow * h / source.height()));
        record Band(int from, char[] samples) {
        }
        try (ForwardRows reader = new ForwardRows(source);
            OrderedExecutor<Band> bands = new OrderedExecutor<>(workers, BANDS_UNDER_WAY,
                b -> System.arraycopy(b.samples, 0, pixels, b.from * row, b.samples.length))) {
            int counted = 0;
            for (int from = 0; from < h; from += rows) {
                int to = Math.min(h, from + rows);
                int first = from;
                int top = Math.min(counted, resampler.firstRow(from));
                int bottom = to == h ? source.height() : resampler.lastRow(to - 1) + 1;
                int count = counted;
                char[] read = reader.rows(top, Math.max(bottom, counted));
                bands.submit(() -> {
                    histogram.count(read, (count - top) * sourceRow, read.length);
                    return new Band(first, resampler.band(read, top, first, to));
                });
                counted = Math.max(bottom, counted);
            }
            bands.finish();
            reader.finish();
        }
        return new View(w, h, source.channels(), pixels);
    }

    /**
     * A part of a source of any size, read down to where that ends.
     *
     * @throws IllegalArgumentException when the part reaches beyond the source
     */
    public static View part(RowSource source, Crop crop, int toWidth, int toHeight, LightCurve light) {
        Resampler resampler = new Resampler(source.width(), source.height(), source.channels(),
            Resampler.Size.of(crop, toWidth, toHeight), light);
        int row = toWidth * source.channels();
        char[] pixels = new char[row * toHeight];
        int rows = Math.max(1, BAND_SAMPLES / Math.max(1, (int) (source.width() * source.channels() * crop.height() / toHeight)));
        try (ForwardRows reader = new ForwardRows(source)) {
            for (int from = 0; from < toHeight; from += rows) {
                int to = Math.min(toHeight, from + rows);
                int top = resampler.firstRow(from);
                char[] read = reader.rows(top, resampler.lastRow(to - 1) + 1);
                char[] band = resampler.band(read, top, from, to);
                System.arraycopy(band, 0, pixels, from * row, band.length);
            }
        }
        return new View(toWidth, toHeight, source.channels(), pixels);
    }

    private static int side(int pixels, double scale) {
        return Math.max(1, (int) Math.round(pixels * scale));
    }

    /** This picture turned or mirrored. */
    public View oriented(Orientation orientation) {
        if (orientation == Orientation.UPRIGHT) {
            return this;
        }
        int w = orientation.swapsSides() ? height : width;
        int h = orientation.swapsSides() ? width : height;
        char[] turned = new char[pixels.length];
        for (int y = 0, to = 0; y < h; y++) {
            int[] a = orientation.toStored(0, y, width, height);
            int[] b = orientation.toStored(1, y, width, height);
            int step = ((b[1] - a[1]) * width + b[0] - a[0]) * channels;
            for (int x = 0, from = (a[1] * width + a[0]) * channels; x < w; x++, from += step) {
                for (int c = 0; c < channels; c++) {
                    turned[to++] = pixels[from + c];
                }
            }
        }
        return new View(w, h, channels, turned);
    }

    @Override
    public void rows(RowSink sink) {
        int row = width * channels;
        char[] samples = new char[row];
        for (int y = 0; y < height; y++) {
            System.arraycopy(pixels, y * row, samples, 0, row);
            sink.row(y, samples);
        }
    }

    @Override
    public void run(int x, int y, int count, char[] out, int at) {
        System.arraycopy(pixels, (y * width + x) * channels, out, at, count * channels);
    }

    /** One pixel's samples. */
    public char[] pixel(int x, int y) {
        int at = (y * width + x) * channels;
        return Arrays.copyOfRange(pixels, at, at + channels);
    }

    /** Bytes held. */
    public long bytes() {
        return 2L * pixels.length;
    }
}
