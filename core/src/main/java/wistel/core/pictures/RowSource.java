package wistel.core.pictures;

/** A picture that is read once, from its top row to its bottom row. */
public interface RowSource {
    int width();

    int height();

    /** 1 for gray, 3 for RGB. */
    int channels();

    /**
     * Hands every row to the sink, downwards.
     *
     * @throws wistel.core.fault.PictureException when the picture turns out to be cut off or damaged; rows before that were handed out
     */
    void rows(RowSink sink);

    /**
     * Takes rows of {@code width * channels} interleaved 16-bit samples; the array is reused after the call. It may stop the reading by
     * throwing.
     */
    @FunctionalInterface
    interface RowSink {
        void row(int y, char[] samples);
    }
}
