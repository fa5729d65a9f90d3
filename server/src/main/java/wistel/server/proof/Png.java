package wistel.server.proof;

import java.awt.image.BufferedImage;
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

    /** @param rgb interleaved 16-bit sRGB samples */
    static byte[] of(int width, int height, char[] rgb) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        int[] row = new int[width];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int at = 3 * (y * width + x);
                row[x] = eight(rgb[at]) << 16 | eight(rgb[at + 1]) << 8 | eight(rgb[at + 2]);
            }
            image.setRGB(0, y, width, 1, row, 0, width);
        }
        return encode(image);
    }

    private static int eight(char v) {
        return (v + 128) / 257;
    }

    static byte[] encode(BufferedImage image) {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("png").next();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (MemoryCacheImageOutputStream stream = new MemoryCacheImageOutputStream(out)) {
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality(0.8f);
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
