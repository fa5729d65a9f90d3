package wistel.core.pictures;

/** Brings a part of a picture to another size, band by band; bands may be made on different threads. */
public sealed interface Resampling permits Resampler, RotatedResampler {
    /** First source row that result row y needs; never falls from one row to the next. */
    int firstRow(int y);

    /** Last source row that result row y needs. */
    int lastRow(int y);

    /** Samples in a result row. */
    int rowSamples();

    /**
     * Result rows {@code from} to {@code to - 1} as 16-bit codes.
     *
     * @param source whole source rows, the first of them row {@code top}, up to {@code lastRow(to - 1)} at least
     */
    char[] band(char[] source, int top, int from, int to);
}
