package wistel.core.pictures;

/** A picture with left and right exchanged. */
public record MirroredRows(RowSource source) implements RowSource {
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
        return source.channels();
    }

    @Override
    public void rows(RowSink sink) {
        int n = channels();
        char[] mirrored = new char[width() * n];
        source.rows((y, samples) -> {
            for (int x = 0; x < width(); x++) {
                System.arraycopy(samples, x * n, mirrored, (width() - 1 - x) * n, n);
            }
            sink.row(y, mirrored);
        });
    }
}
