package wistel.core.pictures;

/** A picture that can be read anywhere, a run of neighbours in one row at a time, from any number of threads. */
public interface PixelRuns extends AutoCloseable {
    int width();

    int height();

    int channels();

    /** Puts {@code count} pixels from (x, y) to the right into {@code out}, from sample {@code at} on. */
    void run(int x, int y, int count, char[] out, int at);

    @Override
    default void close() {
    }
}
