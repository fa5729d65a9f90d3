package wistel.core.pictures;

import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.Raster;
import java.awt.image.SampleModel;
import java.io.IOException;
import java.time.Duration;
import java.util.Iterator;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.Supplier;
import javax.imageio.IIOException;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.stream.ImageInputStream;
import wistel.core.fault.PictureException;

/**
 * A JPEG, PNG or TIFF as a source of 16-bit rows, each decoded once. Decoding is left to ImageIO readers; no colour is converted on the
 * way.
 */
public final class PictureFile {
    private static final int BAND_SAMPLES = 12 << 20;
    /** A strip up to this size is decoded at once, a larger one again for each band. */
    private static final int LARGEST_BAND_SAMPLES = 64 << 20;

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
            throw new PictureException(PictureException.Reason.UNREADABLE, "This file can't be read.", "Try to drop it again.", e);
        }
    }

    public PictureFacts facts() {
        return found.facts();
    }

    /** The pixels as stored; {@link PictureFacts#orientation()} says how they are to be shown. */
    public RowSource rows() {
        return new Stored(Optional.empty());
    }

    /**
     * The same, given up with {@link PictureException.Reason#TOO_SLOW} when it takes longer than this: small files can be made whose
     * decoding takes hours.
     */
    public RowSource rows(Duration most) {
        return new Stored(Optional.of(most));
    }

    private final class Stored implements RowSource {
        private final Optional<Duration> most;

        Stored(Optional<Duration> most) {
            this.most = most;
        }

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
        public void rows(RowSink sink) {
            Counted counted = new Counted(sink, most.map(d -> System.nanoTime() + d.toNanos()));
            try (ImageInputStream raw = file.get()) {
                decode(found.keep().isEmpty() ? raw : new KeptRanges(raw, found.keep()), counted);
            } catch (PictureException | CancellationException e) {
                throw e;
            } catch (OutOfMemoryError e) {
                // a damaged directory asked for an array beyond all measure: that one request failed, nothing else is lost
                throw new PictureException(PictureException.Reason.DAMAGED,
                    "This picture is damaged: its directory asks for more memory than any picture needs.",
                    "Export it again; nothing of it was kept.");
            } catch (SinkFailure e) {
                throw e.cause;
            } catch (IOException | RuntimeException e) {
                if (Thread.currentThread().isInterrupted()) {
                    throw new CancellationException("reading was stopped");
                }
                // decoders may wrap what they were stopped by
                counted.inTime();
                // decoders answer damage with any runtime exception; all of them mean the same to a person
                throw new PictureException(PictureException.Reason.DAMAGED,
                    "This picture is cut off or damaged: not all of its rows can be read.",
                    "Export it again; nothing of it was kept.", e);
            }
        }
    }

    /** What the taker of rows threw, told apart from what the decoder throws. */
    private static final class SinkFailure extends RuntimeException {
        private final transient RuntimeException cause;

        SinkFailure(RuntimeException cause) {
            super(cause);
            this.cause = cause;
        }
    }

    /** Sees to it that rows come downwards, each once. */
    private static final class Counted implements RowSource.RowSink {
        private final RowSource.RowSink sink;
        private final Optional<Long> deadline;
        private int next;

        Counted(RowSource.RowSink sink, Optional<Long> deadline) {
            this.sink = sink;
            this.deadline = deadline;
        }

        /** Asked for each row that a decoder makes, in passes that are not kept as well. */
        void inTime() {
            if (deadline.isPresent() && System.nanoTime() > deadline.get()) {
                throw new PictureException(PictureException.Reason.TOO_SLOW,
                    "Reading this picture takes far longer than one of its size should.",
                    "Export it again in an ordinary form: baseline JPEG, PNG or TIFF. Nothing of it was kept.");
            }
        }

        @Override
        public void row(int y, char[] samples) {
            inTime();
            if (y != next++) {
                throw new IllegalStateException("row " + y + " came out of order");
            }
            try {
                sink.row(y, samples);
            } catch (CancellationException e) {
                throw e;
            } catch (RuntimeException e) {
                throw new SinkFailure(e);
            }
        }
    }

    private void decode(ImageInputStream in, Counted sink) throws IOException {
        if (found.planes()) {
            new LumaChromaPlanes(file, () -> reader("tiff", "com.sun.imageio.")).decode(sink);
            return;
        }
        ImageReader reader = reader(found.big() ? "bigtiff" : found.facts().format(),
            found.secondReader() ? "com.twelvemonkeys." : "com.sun.imageio.");
        try {
            reader.setInput(in, false, true);
            boolean[] cut = new boolean[1];
            reader.addIIOReadWarningListener((source, warning) -> cut[0] |= warning.contains("remature end"));
            if (reader.getWidth(0) != found.facts().width() || reader.getHeight(0) != found.facts().height()) {
                throw new IIOException("size differs from the header's");
            }
            ImageTypeSpecifier type = reader.getImageTypes(0).next();
            if (storesRowsDownwards(type)) {
                int passes = decodeDownwards(reader, type, found.scans(), sink);
                if (sink.next == 0 && passes > 0) {
                    // fewer passes than scans: now their number is known
                    in.seek(0);
                    reader.setInput(in, false, true);
                    decodeDownwards(reader, type, passes, sink);
                }
            } else {
                decodeInBands(reader, sink);
            }
            if (cut[0]) {
                throw PictureProbe.truncated();
            }
            if (sink.next != found.facts().height()) {
                throw new IIOException("only " + sink.next + " rows came");
            }
        } finally {
            reader.dispose();
        }
    }

    private boolean storesRowsDownwards(ImageTypeSpecifier type) {
        boolean plain = type.getColorModel() instanceof ComponentColorModel;
        long samples = (long) found.facts().width() * found.facts().height() * type.getNumBands();
        // a sample model counts its samples in an int
        boolean countable = samples < Integer.MAX_VALUE;
        return plain && countable && (found.facts().format().equals("JPEG") || found.facts().format().equals("PNG") && !found.interlaced());
    }

    /**
     * A progressive file is stored once for each of its scans; only the pass that is named goes on.
     *
     * @return passes that the reader made
     */
    private int decodeDownwards(ImageReader reader, ImageTypeSpecifier type, int pass, Counted sink) throws IOException {
        int w = found.facts().width();
        SampleModel model = type.getSampleModel(w, found.facts().height());
        RowSamples convert = new RowSamples(w, found.facts().channels(), type.getColorModel(), type.getNumBands());
        int[] passes = {0};
        RowRaster raster = new RowRaster(model, new RowRaster.Rows() {
            @Override
            public void bytes(int y, byte[] row) {
                sink.inTime();
                passes[0] += y == 0 ? 1 : 0;
                if (passes[0] == pass) {
                    sink.row(y, convert.ofBytes(row));
                }
            }

            @Override
            public void samples(int y, int[] row) {
                sink.inTime();
                passes[0] += y == 0 ? 1 : 0;
                if (passes[0] == pass) {
                    sink.row(y, convert.of(row));
                }
            }
        });
        ImageReadParam param = reader.getDefaultReadParam();
        param.setDestination(new BufferedImage(type.getColorModel(), raster, type.getColorModel().isAlphaPremultiplied(), null));
        reader.read(0, param);
        raster.finish();
        return passes[0];
    }

    /** In bands of whole strips or tiles; a reader that keeps its place decodes each of them once. */
    private void decodeInBands(ImageReader reader, Counted sink) throws IOException {
        int w = found.facts().width();
        int h = found.facts().height();
        int row = w * found.facts().channels();
        int unit = found.interlaced() ? h : reader.getTileHeight(0);
        long wanted = Math.max(1, BAND_SAMPLES / row / unit) * (long) unit;
        int most = (int) Math.min(h, (long) row * wanted <= LARGEST_BAND_SAMPLES ? wanted : Math.max(1, BAND_SAMPLES / row));
        int[] pixels = new int[0];
        for (int top = 0; top < h; top += most) {
            int count = Math.min(most, h - top);
            ImageReadParam param = reader.getDefaultReadParam();
            param.setSourceRegion(new Rectangle(0, top, w, count));
            BufferedImage image = reader.read(0, param);
            if (image.getWidth() != w || image.getHeight() != count) {
                throw new IIOException("size differs from the header's");
            }
            Raster raster = image.getRaster();
            if (raster.getTransferType() == DataBuffer.TYPE_FLOAT) {
                floats(raster, top, sink);
                continue;
            }
            RowSamples convert = new RowSamples(w, found.facts().channels(), image.getColorModel(), raster.getNumBands());
            pixels = pixels.length == w * raster.getNumBands() ? pixels : new int[w * raster.getNumBands()];
            for (int y = 0; y < count; y++) {
                sink.row(top + y, convert.of(raster.getPixels(raster.getMinX(), raster.getMinY() + y, w, 1, pixels)));
            }
        }
    }

    /** Samples from 0 to 1; what lies beyond is cut off, as no paper shows it, and what is no number is black. */
    private void floats(Raster raster, int top, Counted sink) {
        int bands = raster.getNumBands();
        int channels = found.facts().channels();
        int w = raster.getWidth();
        float[] values = new float[w * bands];
        char[] row = new char[w * channels];
        for (int y = 0; y < raster.getHeight(); y++) {
            raster.getPixels(raster.getMinX(), raster.getMinY() + y, w, 1, values);
            for (int x = 0; x < w; x++) {
                for (int c = 0; c < channels; c++) {
                    float v = values[x * bands + Math.min(c, bands - 1)];
                    row[x * channels + c] = v > 0 ? (char) Math.round(Math.min(1, v) * 65535) : 0;
                }
            }
            sink.row(top + y, row);
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
}
