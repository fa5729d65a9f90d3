package wistel.core.pictures;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.util.concurrent.Executor;
import wistel.core.progress.Progress;

/**
 * A picture turned or mirrored on its way through a file: written once in stored order, block of rows by block of rows, and read in the
 * shown order, from any number of threads. For quarter turns each block is cut into groups of columns that are transposed in memory, so
 * both sides move long runs of bytes.
 */
public final class PixelSpool implements RowWindow, PixelRuns {
    private static final int BLOCK_SAMPLES = 3 << 20;
    private static final int BLOCKS_UNDER_WAY = 3;
    /** Stored columns side by side in one tile of a turned picture: shown rows that are read together. */
    private static final int GROUP = 32;

    private final FileChannel channel;
    private final Orientation orientation;
    private final int width;
    private final int height;
    private final int channels;
    private final int block;

    private PixelSpool(RowSource stored, Orientation orientation, FileChannel channel) {
        this.channel = channel;
        this.orientation = orientation;
        this.width = stored.width();
        this.height = stored.height();
        this.channels = stored.channels();
        this.block = Math.max(1, Math.min(height, BLOCK_SAMPLES / (width * channels)));
    }

    /** An empty place for each way in which a picture is to be turned. */
    @FunctionalInterface
    public interface Places {
        FileChannel open() throws IOException;
    }

    /**
     * With what a picture is spooled.
     *
     * @param workers turns the blocks
     */
    public record Means(Places places, Executor workers, Progress progress, StageTimes times) {
    }

    /**
     * Decodes a picture once into a spool for each orientation.
     *
     * @throws wistel.core.fault.PictureException when it is damaged; nothing is left open then
     */
    public static PixelSpool[] of(RowSource stored, Orientation[] orientations, Means means) throws IOException {
        PixelSpool[] spools = new PixelSpool[orientations.length];
        try {
            for (int i = 0; i < spools.length; i++) {
                spools[i] = new PixelSpool(stored, orientations[i], means.places.open());
            }
            fill(stored, spools, means);
            return spools;
        } catch (RuntimeException | IOException | Error e) {
            for (PixelSpool spool : spools) {
                if (spool != null) {
                    spool.close();
                }
            }
            throw e;
        }
    }

    private static void fill(RowSource stored, PixelSpool[] spools, Means means) {
        StageTimes times = means.times;
        try (ForwardRows reader = new ForwardRows(stored, times);
            OrderedExecutor<ByteBuffer[]> turned = new OrderedExecutor<>(means.workers, BLOCKS_UNDER_WAY,
                blocks -> append(spools, blocks))) {
            int rows = spools[0].block;
            for (int top = 0; top < stored.height(); top += rows) {
                char[] samples = reader.rows(top, Math.min(stored.height(), top + rows));
                turned.submit(() -> {
                    long began = StageTimes.now();
                    ByteBuffer[] blocks = new ByteBuffer[spools.length];
                    for (int i = 0; i < spools.length; i++) {
                        blocks[i] = spools[i].tiled(samples);
                    }
                    times.add(StageTimes.Stage.TURN, began);
                    return blocks;
                });
                means.progress.at((double) top / stored.height());
            }
            turned.finish();
            reader.finish();
        }
        means.progress.at(1);
    }

    private static void append(PixelSpool[] spools, ByteBuffer[] blocks) {
        try {
            for (int i = 0; i < spools.length; i++) {
                while (blocks[i].hasRemaining()) {
                    spools[i].channel.write(blocks[i]);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A block of rows as it stands in the file: for quarter turns one tile behind the other, each column after column. */
    private ByteBuffer tiled(char[] rows) {
        ByteBuffer bytes = ByteBuffer.allocate(2 * rows.length);
        if (!orientation.swapsSides()) {
            bytes.asCharBuffer().put(rows);
            return bytes;
        }
        int count = rows.length / (width * channels);
        char[] tile = new char[GROUP * count * channels];
        var out = bytes.asCharBuffer();
        for (int left = 0; left < width; left += GROUP) {
            int columns = Math.min(GROUP, width - left);
            for (int y = 0; y < count; y++) {
                int from = (y * width + left) * channels;
                for (int x = 0, to = y * channels; x < columns; x++, to += count * channels) {
                    for (int c = 0; c < channels; c++) {
                        tile[to + c] = rows[from++];
                    }
                }
            }
            out.put(tile, 0, columns * count * channels);
        }
        return bytes;
    }

    private char[] readIn(long sample, int count) {
        ByteBuffer bytes = ByteBuffer.allocate(2 * count);
        try {
            while (bytes.hasRemaining()) {
                if (channel.read(bytes, 2 * sample + bytes.position()) < 0) {
                    throw new IOException("the spool ends early");
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        char[] samples = new char[count];
        bytes.flip().asCharBuffer().get(samples);
        return samples;
    }

    @Override
    public char[] rows(int from, int to) {
        int shownWidth = orientation.swapsSides() ? height : width;
        char[] out = new char[(to - from) * shownWidth * channels];
        int held = -1;
        char[] columns = {};
        for (int y = from; y < to; y++) {
            int[] start = orientation.toStored(0, y, width, height);
            int[] second = orientation.toStored(1, y, width, height);
            boolean backwards = second[0] < start[0] || second[1] < start[1];
            int at = (y - from) * shownWidth * channels;
            if (orientation.swapsSides()) {
                if (start[0] / GROUP != held) {
                    held = start[0] / GROUP;
                    columns = columns(held);
                }
                copy(columns, start[0] % GROUP * height, backwards, out, at, shownWidth);
            } else {
                copy(readIn((long) start[1] * width * channels, width * channels), 0, backwards, out, at, shownWidth);
            }
        }
        return out;
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

    /** Of a spool that keeps the picture as it is stored. */
    @Override
    public void run(int x, int y, int count, char[] out, int at) {
        if (orientation != Orientation.UPRIGHT) {
            throw new IllegalStateException("runs of a picture that is turned");
        }
        char[] samples = readIn(((long) y * width + x) * channels, count * channels);
        System.arraycopy(samples, 0, out, at, samples.length);
    }

    private void copy(char[] stored, int firstPixel, boolean backwards, char[] out, int at, int pixels) {
        if (!backwards) {
            System.arraycopy(stored, firstPixel * channels, out, at, pixels * channels);
            return;
        }
        for (int to = at, source = (firstPixel + pixels - 1) * channels; to < at + pixels * channels; to += channels, source -= channels) {
            for (int c = 0; c < channels; c++) {
                out[to + c] = stored[source + c];
            }
        }
    }

    /** A group of stored columns, each from top to bottom. */
    private char[] columns(int group) {
        int left = group * GROUP;
        int columns = Math.min(GROUP, width - left);
        char[] all = new char[columns * height * channels];
        for (int top = 0; top < height; top += block) {
            int count = Math.min(block, height - top);
            char[] tile = readIn((long) top * width * channels + (long) left * count * channels, columns * count * channels);
            for (int c = 0; c < columns; c++) {
                System.arraycopy(tile, c * count * channels, all, (c * height + top) * channels, count * channels);
            }
        }
        return all;
    }

    @Override
    public void close() {
        try {
            channel.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
