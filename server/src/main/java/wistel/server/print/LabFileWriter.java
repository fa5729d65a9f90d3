package wistel.server.print;

import java.awt.image.DataBuffer;
import java.awt.image.PixelInterleavedSampleModel;
import java.awt.image.Raster;
import java.io.ByteArrayInputStream;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.MappedByteBuffer;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import javax.imageio.stream.MemoryCacheImageOutputStream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import wistel.core.length.Length;
import wistel.core.length.Rational;
import wistel.core.sheet.Page;

/** Encodes a page whose samples lie in a scratch file. The same samples give the same bytes. */
final class LabFileWriter {
    private static final int ICC_PART = 65_519;
    private static final long ALWAYS_THE_SAME_ID = 1;

    /**
     * @param xmp   metadata
     * @param title for formats that have a place of their own for it
     */
    record Content(FileChannel samples, int width, int height, double dpi, byte[] profile, byte[] xmp, String title) {
    }

    private LabFileWriter() {
    }

    /** Samples of the raster as a data buffer that the encoder reads from, so that no picture lies in memory. */
    private static final class Mapped extends DataBuffer {
        private final ByteBuffer bytes;

        Mapped(ByteBuffer bytes) {
            super(TYPE_BYTE, bytes.capacity());
            this.bytes = bytes;
        }

        @Override
        public int getElem(int bank, int i) {
            return bytes.get(i) & 0xFF;
        }

        @Override
        public void setElem(int bank, int i, int value) {
            throw new UnsupportedOperationException();
        }
    }

    /** @param quality 1 to 100 */
    static void jpeg(Content c, int quality, OutputStream out) throws IOException {
        MappedByteBuffer bytes = c.samples.map(FileChannel.MapMode.READ_ONLY, 0, 3L * c.width * c.height);
        Raster raster = Raster.createRaster(
            new PixelInterleavedSampleModel(DataBuffer.TYPE_BYTE, c.width, c.height, 3, 3 * c.width, new int[] {0, 1, 2}),
            new Mapped(bytes), null);
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        try (ImageOutputStream to = new MemoryCacheImageOutputStream(new Tagged(out, c))) {
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality(quality / 100f);
            writer.setOutput(to);
            writer.write(null, new IIOImage(raster, null, null), param);
        } finally {
            writer.dispose();
        }
    }

    /** Puts resolution, profile (ICC.1:2022, B.4) and metadata behind the first marker of a JPEG. */
    private static final class Tagged extends FilterOutputStream {
        private int seen;

        private final Content content;

        Tagged(OutputStream out, Content content) {
            super(out);
            this.content = content;
        }

        @Override
        public void write(byte[] b, int off, int len) throws IOException {
            int first = Math.min(len, Math.max(0, 2 - seen));
            out.write(b, off, first);
            seen += first;
            if (first > 0 && seen == 2) {
                segments();
            }
            out.write(b, off + first, len - first);
        }

        @Override
        public void write(int b) throws IOException {
            write(new byte[] {(byte) b}, 0, 1);
        }

        private void segments() throws IOException {
            ByteBuffer jfif = ByteBuffer.allocate(14).put("JFIF\0".getBytes(StandardCharsets.US_ASCII)).put(new byte[] {1, 2, 1})
                .putShort(whole()).putShort(whole())
                .put(new byte[] {0, 0});
            segment(0xE0, jfif.array());
            // JFIF says all of a whole number
            if (content.dpi != Math.rint(content.dpi)) {
                segment(0xE1, exif());
            }
            segment(0xE1, joined("http://ns.adobe.com/xap/1.0/\0".getBytes(StandardCharsets.US_ASCII), content.xmp, 0, content.xmp.length));
            int parts = (content.profile.length + ICC_PART - 1) / ICC_PART;
            for (int part = 0; part < parts; part++) {
                byte[] head = ByteBuffer.allocate(14).put("ICC_PROFILE\0".getBytes(StandardCharsets.US_ASCII)).put((byte) (part + 1))
                    .put((byte) parts).array();
                segment(0xE2, joined(head, content.profile, part * ICC_PART, Math.min(content.profile.length, (part + 1) * ICC_PART)));
            }
        }

        /** JFIF knows whole numbers alone. */
        private short whole() {
            return (short) Math.max(1, Math.min(65_535, Math.round(content.dpi)));
        }

        /**
         * The resolution as a fraction (Exif 2.3, 4.6.4: XResolution, YResolution, ResolutionUnit in inches), in a directory of its own.
         */
        private byte[] exif() {
            Rational ppi = Rational.of(content.dpi);
            int values = 8 + 2 + 3 * 12 + 4;
            ByteBuffer tiff = ByteBuffer.allocate(6 + values + 16).put("Exif\0\0MM".getBytes(StandardCharsets.US_ASCII))
                .putShort((short) 42).putInt(8).putShort((short) 3);
            tiff.putShort((short) 0x011A).putShort((short) 5).putInt(1).putInt(values);
            tiff.putShort((short) 0x011B).putShort((short) 5).putInt(1).putInt(values + 8);
            tiff.putShort((short) 0x0128).putShort((short) 3).putInt(1).putShort((short) 2).putShort((short) 0).putInt(0);
            for (int axis = 0; axis < 2; axis++) {
                tiff.putInt(ppi.numerator()).putInt(ppi.denominator());
            }
            return tiff.array();
        }

        private static byte[] joined(byte[] head, byte[] body, int from, int to) {
            return ByteBuffer.allocate(head.length + to - from).put(head).put(body, from, to - from).array();
        }

        private void segment(int marker, byte[] body) throws IOException {
            out.write(new byte[] {(byte) 0xFF, (byte) marker, (byte) (body.length + 2 >> 8), (byte) (body.length + 2)});
            out.write(body);
        }
    }

    /** @param scratch an empty file for the deflated samples */
    static void pdf(Content c, Page page, FileChannel scratch, OutputStream out) throws IOException {
        c.samples.position(0);
        try (DeflaterOutputStream deflated = new DeflaterOutputStream(Channels.newOutputStream(scratch), new Deflater(6), 1 << 16)) {
            Channels.newInputStream(c.samples).transferTo(deflated);
            deflated.finish();
            scratch.position(0);
            write(c, page, Channels.newInputStream(scratch), out);
        }
    }

    private static void write(Content c, Page page, InputStream deflated, OutputStream out) throws IOException {
        try (PDDocument document = new PDDocument()) {
            document.setDocumentId(ALWAYS_THE_SAME_ID);
            float width = points(page.widthMm());
            float height = points(page.heightMm());
            PDPage sheet = new PDPage(new PDRectangle(width, height));
            document.addPage(sheet);
            document.getDocumentInformation().setTitle(c.title);
            PDMetadata metadata = new PDMetadata(document);
            metadata.importXMPMetadata(c.xmp);
            document.getDocumentCatalog().setMetadata(metadata);
            PDStream profile = new PDStream(document, new ByteArrayInputStream(c.profile), COSName.FLATE_DECODE);
            profile.getCOSObject().setInt(COSName.N, 3);
            COSArray space = new COSArray();
            space.add(COSName.ICCBASED);
            space.add(profile.getCOSObject());
            PDStream samples = new PDStream(document);
            try (OutputStream raw = samples.getCOSObject().createRawOutputStream()) {
                deflated.transferTo(raw);
            }
            samples.getCOSObject().setItem(COSName.FILTER, COSName.FLATE_DECODE);
            samples.getCOSObject().setItem(COSName.TYPE, COSName.XOBJECT);
            samples.getCOSObject().setItem(COSName.SUBTYPE, COSName.IMAGE);
            samples.getCOSObject().setInt(COSName.WIDTH, c.width);
            samples.getCOSObject().setInt(COSName.HEIGHT, c.height);
            samples.getCOSObject().setInt(COSName.BITS_PER_COMPONENT, 16);
            samples.getCOSObject().setItem(COSName.COLORSPACE, space);
            PDImageXObject image = new PDImageXObject(samples, null);
            try (PDPageContentStream content = new PDPageContentStream(document, sheet)) {
                content.drawImage(image, 0, 0, width, height);
            }
            document.save(out);
        }
    }

    private static float points(double mm) {
        return (float) (mm / Length.MM_PER_INCH * 72);
    }
}
