package wistel.core.pictures;

import java.awt.Point;
import java.awt.image.DataBufferByte;
import java.awt.image.Raster;
import java.awt.image.SampleModel;
import java.awt.image.WritableRaster;

/**
 * A raster for ImageIO readers to decode into that holds one row: what a reader stores goes on to a sink as soon as it starts the next row.
 * It serves readers that store rows downwards by {@code setRect} or {@code setPixel}, as the JDK's for JPEG and PNG do.
 */
final class RowRaster extends WritableRaster {
    /** Takes the finished row, one int a sample as the file has them. */
    interface Rows {
        void bytes(int y, byte[] row);

        void samples(int y, int[] row);
    }

    private final Rows rows;
    private final int[] row;
    private int current = -1;

    RowRaster(SampleModel model, Rows rows) {
        // readers write through setRect and setPixel only, so no pixel is ever kept here
        super(model, new DataBufferByte(1), new Point(0, 0));
        this.rows = rows;
        this.row = new int[model.getWidth() * model.getNumBands()];
    }

    @Override
    public void setRect(int dx, int dy, Raster source) {
        int y = dy + source.getMinY();
        boolean whole = dx + source.getMinX() == 0 && source.getWidth() == getWidth() && source.getHeight() == 1;
        if (whole && source.getDataBuffer() instanceof DataBufferByte bytes && bytes.getOffset() == 0 && bytes.getSize() >= row.length) {
            rows.bytes(y, bytes.getData());
            return;
        }
        if (!whole) {
            throw new IllegalStateException("a reader stored a part of a row");
        }
        source.getPixels(source.getMinX(), source.getMinY(), getWidth(), 1, row);
        rows.samples(y, row);
    }

    @Override
    public void setPixel(int x, int y, int[] samples) {
        if (y != current) {
            finish();
            current = y;
        }
        System.arraycopy(samples, 0, row, x * numBands, numBands);
    }

    /** Hands out the last row of a reader that stores pixel by pixel. */
    void finish() {
        if (current >= 0) {
            rows.samples(current, row);
            current = -1;
        }
    }
}
