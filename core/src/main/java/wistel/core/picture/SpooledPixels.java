package wistel.core.picture;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.SeekableByteChannel;

/** Pixels written to a channel row by row and read back in any rectangle: an intermediate picture that is not held in memory. */
public final class SpooledPixels implements PixelSource {
    private final SeekableByteChannel channel;
    private final int width;
    private final int height;
    private final int channels;

    private SpooledPixels(SeekableByteChannel channel, int width, int height, int channels) {
        this.channel = channel;
        this.width = width;
        this.height = height;
        this.channels = channels;
    }

    /** The crop of a source brought to a size, spooled. */
    public static SpooledPixels resampled(PixelSource source, Crop crop, int width, int height, LightCurve light, SeekableByteChannel channel, Progress progress) {
        ByteBuffer row = ByteBuffer.allocate(2 * width * source.channels());
        new Resampler(source, crop, width, height, light).rows((y, samples) -> {
            row.clear();
            row.asCharBuffer().put(samples);
            try {
                while (row.hasRemaining()) {
                    channel.write(row);
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }, progress);
        return new SpooledPixels(channel, width, height, source.channels());
    }

    @Override
    public int width() {
        return width;
    }

    @Override
    public int height() {
        return height;
    }

    @Override
    public int channels() {
        return channels;
    }

    @Override
    public void read(int x, int y, int w, int h, char[] out) {
        ByteBuffer line = ByteBuffer.allocate(2 * w * channels);
        try {
            for (int row = 0; row < h; row++) {
                line.clear();
                channel.position(2L * channels * ((long) (y + row) * width + x));
                while (line.hasRemaining() && channel.read(line) >= 0) {
                    // until the row is whole
                }
                line.flip();
                line.asCharBuffer().get(out, row * w * channels, w * channels);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
