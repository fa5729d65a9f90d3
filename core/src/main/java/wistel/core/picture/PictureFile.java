package wistel.core.picture;

import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.awt.image.IndexColorModel;
import java.awt.image.Raster;
import java.io.IOException;
import java.util.Iterator;
import java.util.function.Supplier;
import javax.imageio.IIOException;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import wistel.core.fault.PictureException;

/** A JPEG, PNG or TIFF as a source of 16-bit rows, shown the right way up. Decoding is left to ImageIO readers; no colour is converted on the way. */
public final class PictureFile {
    private final Supplier<ImageInputStream> file;
    private final PictureProbe.Found found;

    private PictureFile(Supplier<ImageInputStream> file, PictureProbe.Found found) {
        this.file = file;
        this.found = found;
    }

    /**
     * Reads the header only.
     *
     * @param file opens the file anew each time it is called
     * @throws PictureException when this is not a picture that can be printed
     */
    public static PictureFile open(Supplier<ImageInputStream> file) {
        try (ImageInputStream in = file.get()) {
            return new PictureFile(file, PictureProbe.probe(in));
        } catch (IOException e) {
            throw new PictureException("picture-unreadable", "This file can't be read.", "Try to drop it again.", e);
        }
    }

    public PictureFacts facts() {
        return found.facts();
    }

    /** The pixels, upright. */
    public PixelSource pixels() {
        return new Stored().oriented(found.facts().orientation());
    }

    private final class Stored implements PixelSource {
        @Override
        public int width() {
            return found.facts().width();
        }

        @Override
        public int height() {
            return found.facts().height();
        }

        @Override
        public int channels() {
            return found.facts().channels();
        }

        @Override
        public void read(int x, int y, int w, int h, char[] out) {
            try (ImageInputStream raw = file.get()) {
                decode(found.keep().isEmpty() ? raw : new KeptRanges(raw, found.keep()), new Rectangle(x, y, w, h), out);
            } catch (PictureException e) {
                throw e;
            } catch (OutOfMemoryError e) {
                // a damaged directory asked for an array beyond all measure: that one request failed, nothing else is lost
                throw new PictureException("picture-damaged", "This picture is damaged: its directory asks for more memory than any picture needs.",
                    "Export it again; nothing of it was kept.");
            } catch (IOException | RuntimeException e) {
                // decoders answer damage with any runtime exception; all of them mean the same to a person
                throw new PictureException("picture-damaged", "This picture is cut off or damaged: its rows from " + y + " on can't be read.",
                    "Export it again; nothing of it was kept.", e);
            }
        }
    }

    private void decode(ImageInputStream in, Rectangle region, char[] out) throws IOException {
        ImageReader reader = reader(found.facts().format(), found.differenced() ? "com.twelvemonkeys." : "com.sun.imageio.");
        try {
            reader.setInput(in, false, true);
            boolean[] cut = new boolean[1];
            reader.addIIOReadWarningListener((source, warning) -> cut[0] |= warning.contains("remature end"));
            ImageReadParam param = reader.getDefaultReadParam();
            param.setSourceRegion(region);
            BufferedImage image = reader.read(0, param);
            if (cut[0]) {
                throw PictureProbe.truncated();
            }
            if (image.getWidth() != region.width || image.getHeight() != region.height) {
                throw new IIOException("size differs from the header's");
            }
            samples(image, found.facts().channels(), out);
        } finally {
            reader.dispose();
        }
    }

    /** Readers by name of their package: a plug-in on the class path must not change what a file means. */
    private static ImageReader reader(String format, String origin) {
        Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName(format);
        while (readers.hasNext()) {
            ImageReader reader = readers.next();
            if (reader.getClass().getName().startsWith(origin)) {
                return reader;
            }
        }
        throw new IllegalStateException("no " + format + " reader of " + origin);
    }

    private static void samples(BufferedImage image, int channels, char[] out) {
        Raster raster = image.getRaster();
        ColorModel model = image.getColorModel();
        int w = raster.getWidth();
        int bands = raster.getNumBands();
        boolean alpha = model.hasAlpha() && bands > channels;
        int[] row = new int[w * bands];
        int top = (1 << model.getComponentSize(0)) - 1;
        int to = 0;
        for (int y = 0; y < raster.getHeight(); y++) {
            raster.getPixels(raster.getMinX(), raster.getMinY() + y, w, 1, row);
            for (int x = 0; x < w; x++) {
                if (model instanceof IndexColorModel palette) {
                    int argb = palette.getRGB(row[x]);
                    for (int c = 0; c < channels; c++) {
                        out[to++] = (char) overPaper((argb >> (16 - 8 * c) & 0xFF) * 257, (argb >>> 24) * 257);
                    }
                    continue;
                }
                for (int c = 0; c < channels; c++) {
                    int v = row[x * bands + Math.min(c, bands - 1)];
                    long wide = top == 65535 ? v : (v * 65535L + top / 2) / top;
                    if (alpha) {
                        wide = overPaper(wide, row[x * bands + bands - 1] * 65535L / top);
                    }
                    out[to++] = (char) wide;
                }
            }
        }
    }

    /** Transparent parts show the paper. */
    private static long overPaper(long value, long opaque) {
        return (value * opaque + 65535L * (65535 - opaque)) / 65535;
    }
}
