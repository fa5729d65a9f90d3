package wistel.core.pictures;

/** Blocks of a picture's rows on request. */
public interface RowWindow extends AutoCloseable {
    /**
     * Rows {@code from} to {@code to - 1} in a new array, interleaved. A window that reads forward only takes requests whose {@code from}
     * never falls.
     */
    char[] rows(int from, int to);

    @Override
    void close();
}
