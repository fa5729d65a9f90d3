package wistel.core.pictures;

import java.awt.Rectangle;
import java.awt.image.Raster;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Supplier;
import javax.imageio.IIOException;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageInputStreamImpl;

/**
 * A TIFF that keeps luminance and two colour differences in planes apart (TIFF 6.0, sections 20 and 21). Each plane is read as a gray TIFF
 * of its own, whose directory stands behind the file: so every packing that the reader knows is read here too. Colour planes of fewer
 * samples are interpolated linearly between the places that the file names.
 */
final class LumaChromaPlanes {
    private static final int BAND_ROWS = 256;
    private static final int MOST_SUBSAMPLING = 4;

    private final Supplier<ImageInputStream> file;
    private final Supplier<ImageReader> readers;
    private final TiffDirectory whole;
    private final int width;
    private final int height;
    private final int subX;
    private final int subY;
    private final float[][] toRgb;

    /**
     * @param readers makes readers of gray TIFFs
     * @throws IOException when its directory can't be
     */
    LumaChromaPlanes(Supplier<ImageInputStream> file, Supplier<ImageReader> readers) throws IOException {
        this.file = file;
        this.readers = readers;
        try (ImageInputStream in = file.get()) {
            whole = TiffDirectory.read(in);
        }
        width = (int) whole.value(256, 0);
        height = (int) whole.value(257, 0);
        double[] sub = whole.values(530, 2, 2);
        boolean full = storesFullColourPlanes();
        subX = full ? 1 : (int) sub[0];
        subY = full ? 1 : (int) sub[1];
        if (subX < 1 || subY < 1 || subX > MOST_SUBSAMPLING || subY > MOST_SUBSAMPLING) {
            throw new IIOException("subsampling " + subX + " x " + subY);
        }
        toRgb = toRgb();
    }

    /** Some writers store every sample and don't say so, though what isn't said means half: the bytes of an unpacked strip tell. */
    private boolean storesFullColourPlanes() {
        double[] bytes = counts();
        double rows = Math.min(height, whole.value(278, height));
        return whole.value(259, 1) == 1 && !tiled() && bytes.length >= 3
            && bytes[bytes.length / 3] >= width * rows * whole.value(258, 8) / 8;
    }

    private boolean tiled() {
        return whole.tags().containsKey(322);
    }

    private double[] counts() {
        return whole.values(tiled() ? 325 : 279);
    }

    /**
     * Rows of the linear map from the three planes' samples, 0 to 1, to RGB; the fourth number is what is added (section 20 and 21,
     * ReferenceBlackWhite).
     */
    private float[][] toRgb() {
        double top = Math.pow(2, whole.value(258, 8)) - 1;
        double[] luma = whole.values(529, 0.299, 0.587, 0.114);
        double[] range = whole.values(532, 0, top, (top + 1) / 2, top, (top + 1) / 2, top);
        double[] gain = new double[3];
        double[] zero = new double[3];
        for (int p = 0; p < 3; p++) {
            double coding = p == 0 ? 1 : Math.floor(top / 2) / top;
            gain[p] = coding * top / (range[2 * p + 1] - range[2 * p]);
            zero[p] = -range[2 * p] / top * gain[p];
        }
        double red = 2 - 2 * luma[0];
        double blue = 2 - 2 * luma[2];
        double[][] rows = {{1, 0, red}, {1, -blue * luma[2] / luma[1], -red * luma[0] / luma[1]}, {1, blue, 0}};
        float[][] map = new float[3][4];
        for (int c = 0; c < 3; c++) {
            for (int p = 0; p < 3; p++) {
                map[c][p] = (float) (rows[c][p] * gain[p]);
                map[c][3] += (float) (rows[c][p] * zero[p]);
            }
        }
        return map;
    }

    void decode(RowSource.RowSink sink) throws IOException {
        try (Plane luma = new Plane(0, 1, 1); Plane blue = new Plane(1, subX, subY); Plane red = new Plane(2, subX, subY)) {
            char[] row = new char[3 * width];
            float[] b = new float[width];
            float[] r = new float[width];
            for (int top = 0; top < height; top += BAND_ROWS) {
                int bottom = Math.min(height, top + BAND_ROWS);
                luma.load(top, bottom);
                blue.load(top, bottom);
                red.load(top, bottom);
                for (int y = top; y < bottom; y++) {
                    float[] l = luma.row(y);
                    blue.interpolate(y, b);
                    red.interpolate(y, r);
                    for (int x = 0, to = 0; x < width; x++) {
                        for (float[] m : toRgb) {
                            float v = m[0] * l[x] + m[1] * b[x] + m[2] * r[x] + m[3];
                            row[to++] = (char) Math.round(Math.max(0, Math.min(1, v)) * 65535);
                        }
                    }
                    sink.row(y, row);
                }
            }
        }
    }

    /** One of the three, with a band of its rows as shares of full. */
    private final class Plane implements AutoCloseable {
        private final int w;
        private final int h;
        private final int everyX;
        private final int everyY;
        private final double sitedX;
        private final double sitedY;
        private final ImageInputStream in;
        private final ImageReader reader;
        private int first;
        private float[][] rows = {};

        Plane(int plane, int subX, int subY) throws IOException {
            w = (width + subX - 1) / subX;
            h = (height + subY - 1) / subY;
            everyX = subX;
            everyY = subY;
            // centred between the samples of luminance, or beside the first of them (tag 531)
            boolean beside = whole.value(531, 1) == 2;
            sitedX = beside ? 0 : (subX - 1) / 2.0;
            sitedY = beside ? 0 : (subY - 1) / 2.0;
            ImageInputStream raw = file.get();
            in = new WithDirectory(raw, grayDirectory(plane, subX, subY));
            reader = readers.get();
            reader.setInput(in, false, true);
            if (reader.getWidth(0) != w || reader.getHeight(0) != h) {
                throw new IIOException("a plane's size differs from the header's");
            }
        }

        private TiffDirectory grayDirectory(int plane, int subX, int subY) throws IOException {
            Map<Integer, double[]> tags = new TreeMap<>();
            for (int kept : new int[] {259, 266, 317, 347}) {
                if (whole.tags().containsKey(kept)) {
                    tags.put(kept, whole.values(kept));
                }
            }
            tags.put(256, new double[] {w});
            tags.put(257, new double[] {h});
            tags.put(258, new double[] {whole.value(258, 8)});
            tags.put(262, new double[] {1});
            tags.put(277, new double[] {1});
            if (tiled()) {
                tags.put(322, new double[] {whole.value(322, 0) / subX});
                tags.put(323, new double[] {whole.value(323, 0) / subY});
            } else {
                tags.put(278, new double[] {Math.ceil(Math.min(height, whole.value(278, height)) / subY)});
            }
            tags.put(tiled() ? 324 : 273, third(whole.values(tiled() ? 324 : 273), plane));
            tags.put(tiled() ? 325 : 279, third(counts(), plane));
            return new TiffDirectory(whole.order(), tags);
        }

        private double[] third(double[] all, int plane) throws IOException {
            if (all.length < 3 || all.length % 3 != 0) {
                throw new IIOException(all.length + " strips for three planes");
            }
            return Arrays.copyOfRange(all, plane * all.length / 3, (plane + 1) * all.length / 3);
        }

        /** Its rows that these rows of the picture need. */
        void load(int top, int bottom) throws IOException {
            first = Math.max(0, (int) Math.floor(at(top)));
            int end = Math.min(h, (int) Math.floor(at(bottom - 1)) + 2);
            ImageReadParam param = reader.getDefaultReadParam();
            param.setSourceRegion(new Rectangle(0, first, w, end - first));
            Raster raster = reader.read(0, param).getRaster();
            float full = (1 << raster.getSampleModel().getSampleSize(0)) - 1;
            rows = new float[end - first][];
            for (int y = 0; y < rows.length; y++) {
                rows[y] = raster.getSamples(raster.getMinX(), raster.getMinY() + y, w, 1, 0, (float[]) null);
                for (int x = 0; x < w; x++) {
                    rows[y][x] /= full;
                }
            }
        }

        private double at(int y) {
            return Math.max(0, Math.min(h - 1, (y - sitedY) / everyY));
        }

        float[] row(int y) {
            return rows[y - first];
        }

        void interpolate(int y, float[] into) {
            double v = at(y);
            int above = (int) Math.floor(v);
            float down = (float) (v - above);
            float[] a = rows[above - first];
            float[] b = rows[Math.min(rows.length - 1, above + 1 - first)];
            for (int x = 0; x < into.length; x++) {
                double u = Math.max(0, Math.min(w - 1, (x - sitedX) / everyX));
                int left = (int) u;
                int right = Math.min(w - 1, left + 1);
                float across = (float) (u - left);
                float over = a[left] + (a[right] - a[left]) * across;
                into[x] = over + (b[left] + (b[right] - b[left]) * across - over) * down;
            }
        }

        @Override
        public void close() throws IOException {
            reader.dispose();
            in.close();
        }
    }

    /** A file with another directory, which stands where no file that is taken reaches. */
    private static final class WithDirectory extends ImageInputStreamImpl {
        private static final long BEHIND = 0xF000_0000L;
        private final ImageInputStream file;
        private final byte[] head;
        private final byte[] directory;

        WithDirectory(ImageInputStream file, TiffDirectory instead) throws IOException {
            this.file = file;
            directory = instead.written(BEHIND);
            head = new byte[8];
            file.seek(0);
            file.readFully(head, 0, 4);
            ByteBuffer.wrap(head).order(instead.order()).putInt(4, (int) BEHIND);
        }

        @Override
        public int read() throws IOException {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
        }

        @Override
        public int read(byte[] into, int off, int len) throws IOException {
            bitOffset = 0;
            int n;
            if (streamPos >= BEHIND) {
                n = (int) Math.min(len, BEHIND + directory.length - streamPos);
                if (n <= 0) {
                    return -1;
                }
                System.arraycopy(directory, (int) (streamPos - BEHIND), into, off, n);
            } else if (streamPos < head.length) {
                n = (int) Math.min(len, head.length - streamPos);
                System.arraycopy(head, (int) streamPos, into, off, n);
            } else {
                file.seek(streamPos);
                n = file.read(into, off, len);
                if (n < 0) {
                    return -1;
                }
            }
            streamPos += n;
            return n;
        }

        @Override
        public long length() {
            return BEHIND + directory.length;
        }

        @Override
        public void close() throws IOException {
            super.close();
            file.close();
        }
    }
}
