package wistel.server.proof;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOInvalidTreeException;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataNode;
import javax.imageio.stream.MemoryCacheImageOutputStream;

/** 8-bit PNG for the display, tagged sRGB. */
final class Png {
    private Png() {
    }

    /** Packing takes twice as long as the proof it packs and halves its bytes: over loopback, as pictures travel, it doesn't pay. */
    private static final float STORED = 1;
    private static final float PACKED = 0.8f;

    /** @param rgb interleaved 16-bit sRGB samples */
    static byte[] of(int width, int height, char[] rgb) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_3BYTE_BGR);
        byte[] bgr = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        for (int i = 0; i < bgr.length; i += 3) {
            bgr[i] = eight(rgb[i + 2]);
            bgr[i + 1] = eight(rgb[i + 1]);
            bgr[i + 2] = eight(rgb[i]);
        }
        return encode(image, STORED);
    }

    /** Drawn patterns, mostly empty: packed. */
    static byte[] ofMarks(BufferedImage image) {
        return encode(image, PACKED);
    }

    private static byte eight(char v) {
        return (byte) ((v + 128) / 257);
    }

    private static byte[] encode(BufferedImage image, float quality) {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("png").next();
        ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 20);
        try (MemoryCacheImageOutputStream stream = new MemoryCacheImageOutputStream(out)) {
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality(quality);
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, srgb(writer, image, param)), param);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }

    private static IIOMetadata srgb(ImageWriter writer, BufferedImage image, ImageWriteParam param) throws IIOInvalidTreeException {
        IIOMetadata metadata = writer.getDefaultImageMetadata(ImageTypeSpecifier.createFromRenderedImage(image), param);
        IIOMetadataNode root = new IIOMetadataNode("javax_imageio_png_1.0");
        IIOMetadataNode srgb = new IIOMetadataNode("sRGB");
        srgb.setAttribute("renderingIntent", "Relative colorimetric");
        root.appendChild(srgb);
        metadata.mergeTree("javax_imageio_png_1.0", root);
        return metadata;
    }
}
