package wistel.core.pictures;

import java.util.Arrays;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CancellationException;
import java.util.concurrent.TimeUnit;

/**
 * A window over a picture that is decoded once, forward: a thread of its own decodes a few blocks ahead of the reader. Closing it stops
 * the decoding and waits for its end.
 */
public final class ForwardRows implements RowWindow {
    private static final int BLOCK_SAMPLES = 1 << 20;
    private static final int BLOCKS_AHEAD = 3;

    /** How often it is seen to that the decoder is still there. */
    private static final int LOOK_SECONDS = 2;

    private final StageTimes times;
    private final int row;
    private final int height;
    private final BlockingQueue<Block> blocks = new ArrayBlockingQueue<>(BLOCKS_AHEAD);
    private final Thread decoder;
    private volatile boolean closed;
    private volatile Throwable failure;
    private char[] held = new char[0];
    private int heldFrom;
    private int heldTo;

    private record Block(char[] samples, int rows) {
    }

    public ForwardRows(RowSource source) {
        this(source, new StageTimes());
    }

    /** @param times is told how long decoding took */
    public ForwardRows(RowSource source, StageTimes times) {
        this.times = times;
        this.row = source.width() * source.channels();
        this.height = source.height();
        this.decoder = new Thread(() -> decode(source), "decoder");
        decoder.setDaemon(true);
        decoder.start();
    }

    private void decode(RowSource source) {
        int most = Math.max(1, Math.min(height, BLOCK_SAMPLES / row));
        long began = StageTimes.now();
        try {
            char[][] filling = {new char[most * row]};
            source.rows((y, samples) -> {
                int at = y % most;
                System.arraycopy(samples, 0, filling[0], at * row, row);
                if (at == most - 1 || y == height - 1) {
                    put(new Block(filling[0], at + 1));
                    filling[0] = new char[most * row];
                }
            });
        } catch (Throwable e) {
            // whatever ends the decoding is the reader's to know
            failure = e;
        }
        times.add(StageTimes.Stage.DECODE, began);
        try {
            put(new Block(new char[0], 0));
        } catch (CancellationException e) {
            // nobody waits for the end any more
        }
    }

    private void put(Block block) {
        try {
            blocks.put(block);
        } catch (InterruptedException e) {
            throw new CancellationException("decoding was stopped");
        }
        if (closed) {
            throw new CancellationException("decoding was stopped");
        }
    }

    @Override
    public char[] rows(int from, int to) {
        if (from < heldFrom || to > height || to <= from) {
            throw new IllegalArgumentException("rows " + from + " to " + to + " of " + height + ", held from " + heldFrom);
        }
        while (heldTo < to) {
            append(next(), Math.max(heldFrom, Math.min(from, heldTo)));
        }
        return Arrays.copyOfRange(held, (from - heldFrom) * row, (to - heldFrom) * row);
    }

    /** Puts a block behind what is held and drops rows above {@code keepFrom}. */
    private void append(Block block, int keepFrom) {
        int kept = (heldTo - keepFrom) * row;
        char[] next = new char[kept + block.rows * row];
        System.arraycopy(held, (keepFrom - heldFrom) * row, next, 0, kept);
        System.arraycopy(block.samples, 0, next, kept, block.rows * row);
        held = next;
        heldFrom = keepFrom;
        heldTo += block.rows;
    }

    private Block next() {
        try {
            Block block = taken();
            if (block.rows == 0) {
                throw ended();
            }
            return block;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("reading was stopped");
        }
    }

    /** The next block, waited for as long as there is a decoder that may bring it. */
    private Block taken() throws InterruptedException {
        Block block = blocks.poll(LOOK_SECONDS, TimeUnit.SECONDS);
        while (block == null) {
            if (!decoder.isAlive() && blocks.isEmpty()) {
                throw ended();
            }
            block = blocks.poll(LOOK_SECONDS, TimeUnit.SECONDS);
        }
        return block;
    }

    /** Why no more rows come. A picture that handed out fewer than it has is a fault of the decoder. */
    private RuntimeException ended() {
        if (failure instanceof Error e) {
            throw e;
        }
        return failure instanceof RuntimeException e ? e : new IllegalStateException("rows ended at " + heldTo + " of " + height);
    }

    /** Reads to the end, so that damage behind the last row that was asked for is found too. */
    public void finish() {
        while (heldTo < height) {
            append(next(), heldTo);
        }
        try {
            if (taken().rows == 0 && failure != null) {
                throw ended();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("reading was stopped");
        }
    }

    @Override
    public void close() {
        closed = true;
        blocks.clear();
        decoder.interrupt();
        boolean interrupted = Thread.interrupted();
        while (decoder.isAlive()) {
            try {
                blocks.clear();
                decoder.join(50);
            } catch (InterruptedException e) {
                interrupted = true;
            }
        }
        if (interrupted) {
            Thread.currentThread().interrupt();
        }
    }
}
