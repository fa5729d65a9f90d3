package wistel.server.proof;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.MemoryCacheImageOutputStream;
import org.springframework.http.MediaType;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.StandardSpaces;
import wistel.server.display.Display;

/** 8-bit PNG for a display, tagged with its profile; thumbnails are JPEG. */
public final class Png {
    /** First byte of a JPEG (ISO/IEC 10918-1, B.1.1.3). */
    private static final int JPEG_START = 0xFF;
    /** Profiles, deflated. */
    private static final Cache<IccProfile, byte[]> DEFLATED = Caffeine.newBuilder().maximumWeight(8 << 20)
        .weigher((IccProfile p, byte[] deflated) -> deflated.length).build();
    /** Packing takes twice as long as the proof it packs and halves its bytes: over loopback, as pictures travel, it doesn't pay. */
    private static final int STORED = Deflater.NO_COMPRESSION;
    /** Quality at which a picture of some hundred pixels is about 20 kB. */
    private static final float THUMBNAIL = 0.8f;

    private Png() {
    }

    /** What the bytes of a picture are. */
    public static MediaType type(byte[] picture) {
        return (picture[0] & 0xFF) == JPEG_START ? MediaType.IMAGE_JPEG : MediaType.IMAGE_PNG;
    }

    /** @param rgb interleaved 16-bit sRGB samples */
    public static byte[] of(int width, int height, char[] rgb) {
        return of(width, height, rgb, new Display(StandardSpaces.SRGB, true));
    }

    /** @param rgb interleaved 16-bit samples of the display's own */
    public static byte[] of(int width, int height, char[] rgb, Display display) {
        return display.thumbnail() ? jpeg(width, height, rgb) : png(width, height, rgb, display);
    }

    private static byte[] png(int width, int height, char[] rgb, Display display) {
        PngFile png = PngFile.begin(width, height, PngFile.Pixels.RGB);
        if (display.tagged()) {
            if (display.profile().equals(StandardSpaces.SRGB)) {
                png.srgb();
            } else {
                png.profile(DEFLATED.get(display.profile(), Png::deflated));
            }
        }
        int row = 3 * width;
        byte[] rows = new byte[height * (row + 1)];
        for (int y = 0; y < height; y++) {
            int to = y * (row + 1) + 1;
            int from = y * row;
            for (int i = 0; i < row; i++) {
                rows[to + i] = eight(rgb[from + i]);
            }
        }
        return png.end(rows, STORED);
    }

    /** Drawn patterns, mostly empty: packed. */
    static byte[] ofMarks(BufferedImage image) {
        int width = image.getWidth();
        int[] argb = image.getRGB(0, 0, width, image.getHeight(), null, 0, width);
        byte[] rows = new byte[4 * argb.length + image.getHeight()];
        int to = 0;
        for (int i = 0; i < argb.length; i++) {
            if (i % width == 0) {
                to++;
            }
            for (int shift : new int[] {16, 8, 0, 24}) {
                rows[to++] = (byte) (argb[i] >> shift);
            }
        }
        return PngFile.begin(width, image.getHeight(), PngFile.Pixels.RGBA).srgb().end(rows, Deflater.BEST_SPEED);
    }

    private static byte eight(char v) {
        return (byte) ((v + 128) / 257);
    }

    private static byte[] jpeg(int width, int height, char[] rgb) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_3BYTE_BGR);
        byte[] bgr = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        for (int i = 0; i < bgr.length; i += 3) {
            bgr[i] = eight(rgb[i + 2]);
            bgr[i + 1] = eight(rgb[i + 1]);
            bgr[i + 2] = eight(rgb[i]);
        }
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 16);
        try (MemoryCacheImageOutputStream stream = new MemoryCacheImageOutputStream(out)) {
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality(THUMBNAIL);
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, null), param);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
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
