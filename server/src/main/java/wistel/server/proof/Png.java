package wistel.server.proof;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Optional;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOInvalidTreeException;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataNode;
import javax.imageio.stream.MemoryCacheImageOutputStream;
import org.springframework.http.MediaType;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.StandardSpaces;
import wistel.server.display.Display;

/** 8-bit PNG for a display, tagged with its profile; thumbnails are JPEG. */
public final class Png {
    /** First byte of a JPEG (ISO/IEC 10918-1, B.1.1.3). */
    private static final int JPEG_START = 0xFF;
    private static final String FORMAT = "javax_imageio_png_1.0";
    /** Profiles, deflated. */
    private static final Cache<IccProfile, byte[]> DEFLATED = Caffeine.newBuilder().maximumWeight(8 << 20)
        .weigher((IccProfile p, byte[] deflated) -> deflated.length).build();

    private Png() {
    }

    /** What the bytes of a picture are. */
    public static MediaType type(byte[] picture) {
        return (picture[0] & 0xFF) == JPEG_START ? MediaType.IMAGE_JPEG : MediaType.IMAGE_PNG;
    }

    /** Packing takes twice as long as the proof it packs and halves its bytes: over loopback, as pictures travel, it doesn't pay. */
    private static final float STORED = 1;
    private static final float PACKED = 0.8f;
    /** Quality at which a picture of some hundred pixels is about 20 kB. */
    private static final float THUMBNAIL = 0.8f;

    /** @param rgb interleaved 16-bit sRGB samples */
    public static byte[] of(int width, int height, char[] rgb) {
        return of(width, height, rgb, new Display(StandardSpaces.SRGB, true));
    }

    /** @param rgb interleaved 16-bit samples of the display's own */
    public static byte[] of(int width, int height, char[] rgb, Display display) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_3BYTE_BGR);
        byte[] bgr = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        for (int i = 0; i < bgr.length; i += 3) {
            bgr[i] = eight(rgb[i + 2]);
            bgr[i + 1] = eight(rgb[i + 1]);
            bgr[i + 2] = eight(rgb[i]);
        }
        return display.thumbnail() ? encode("jpeg", image, THUMBNAIL, Optional.empty()) : encode("png", image, STORED, tag(display));
    }

    /** Drawn patterns, mostly empty: packed. */
    static byte[] ofMarks(BufferedImage image) {
        return encode("png", image, PACKED, Optional.of(srgb()));
    }

    private static byte eight(char v) {
        return (byte) ((v + 128) / 257);
    }

    private static byte[] encode(String format, BufferedImage image, float quality, Optional<IIOMetadataNode> tag) {
        ImageWriter writer = ImageIO.getImageWritersByFormatName(format).next();
        ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 20);
        try (MemoryCacheImageOutputStream stream = new MemoryCacheImageOutputStream(out)) {
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality(quality);
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, tagged(writer, image, param, tag)), param);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }

    private static IIOMetadata tagged(ImageWriter writer, BufferedImage image, ImageWriteParam param, Optional<IIOMetadataNode> tag)
        throws IIOInvalidTreeException {
        IIOMetadata metadata = writer.getDefaultImageMetadata(ImageTypeSpecifier.createFromRenderedImage(image), param);
        if (tag.isPresent()) {
            IIOMetadataNode root = new IIOMetadataNode(FORMAT);
            root.appendChild(tag.get());
            metadata.mergeTree(FORMAT, root);
        }
        return metadata;
    }

    private static Optional<IIOMetadataNode> tag(Display display) {
        if (!display.tagged()) {
            return Optional.empty();
        }
        return Optional.of(display.profile().equals(StandardSpaces.SRGB) ? srgb() : profile(display.profile()));
    }

    private static IIOMetadataNode srgb() {
        IIOMetadataNode srgb = new IIOMetadataNode("sRGB");
        srgb.setAttribute("renderingIntent", "Relative colorimetric");
        return srgb;
    }

    /** PNG (third edition), 11.3.2.3: a name, and the profile deflated. */
    private static IIOMetadataNode profile(IccProfile profile) {
        IIOMetadataNode node = new IIOMetadataNode("iCCP");
        node.setAttribute("profileName", "display");
        node.setAttribute("compressionMethod", "deflate");
        node.setUserObject(DEFLATED.get(profile, Png::deflated));
        return node;
    }

    private static byte[] deflated(IccProfile profile) {
        ByteArrayOutputStream deflated = new ByteArrayOutputStream();
        try (DeflaterOutputStream out = new DeflaterOutputStream(deflated)) {
            out.write(profile.bytes());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return deflated.toByteArray();
    }
}
