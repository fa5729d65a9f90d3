package wistel.core.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.StandardOpenOption;
import java.util.function.Consumer;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import javax.imageio.stream.MemoryCacheImageInputStream;
import wistel.core.fault.PictureException;

/** Picture files made for tests, whole and with something changed in them. */
final class PictureFiles {
    private PictureFiles() {
    }

    static PictureFile open(byte[] bytes) {
        return PictureFile.open(() -> new MemoryCacheImageInputStream(new ByteArrayInputStream(bytes)));
    }

    static BufferedImage picture(int w, int h) {
        BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                image.setRGB(x, y, (x * 255 / w) << 16 | (y * 255 / h) << 8 | 60);
            }
        }
        return image;
    }

    static byte[] encoded(BufferedImage image, String format) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        var writers = ImageIO.getImageWritersByFormatName(format);
        ImageWriter writer = writers.next();
        while (!writer.getClass().getName().startsWith("com.sun.imageio.")) {
            writer = writers.next();
        }
        try (ImageOutputStream stream = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(stream);
            writer.write(image);
        }
        return out.toByteArray();
    }

    /** A JPEG with an APP segment put in right after its start. */
    static byte[] withSegment(byte[] jpeg, int marker, byte[] body) {
        ByteBuffer out = ByteBuffer.allocate(jpeg.length + body.length + 4);
        out.put(jpeg, 0, 2).put((byte) 0xFF).put((byte) marker).putShort((short) (body.length + 2)).put(body).put(jpeg, 2, jpeg.length - 2);
        return out.array();
    }

    static byte[] profileSegment(byte[] profile) {
        byte[] head = "ICC_PROFILE\0".getBytes(StandardCharsets.ISO_8859_1);
        return ByteBuffer.allocate(head.length + 2 + profile.length).put(head).put((byte) 1).put((byte) 1).put(profile).array();
    }

    static FileChannel scratch() throws IOException {
        return FileChannel.open(Files.createTempFile("spool", ".raw"), StandardOpenOption.READ, StandardOpenOption.WRITE,
            StandardOpenOption.DELETE_ON_CLOSE);
    }

    static byte[] written(BufferedImage image, String format, Consumer<ImageWriteParam> how) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        var writers = ImageIO.getImageWritersByFormatName(format);
        ImageWriter writer = writers.next();
        while (!writer.getClass().getName().startsWith("com.sun.imageio.")) {
            writer = writers.next();
        }
        ImageWriteParam param = writer.getDefaultWriteParam();
        how.accept(param);
        try (ImageOutputStream stream = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, null), param);
        }
        return out.toByteArray();
    }

    /** Exif as cameras write it: a TIFF head, one entry, tag 274 (Exif 2.32, 4.6.4). */
    static byte[] exif(boolean little, int orientation, int tag) {
        ByteBuffer exif = ByteBuffer.allocate(8 + 2 + 12 + 4).order(little ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        exif.put((little ? "II" : "MM").getBytes(StandardCharsets.ISO_8859_1)).putShort((short) 42).putInt(8).putShort((short) 1)
            .putShort((short) tag)
            .putShort((short) 3).putInt(1).putShort((short) orientation);
        return exif.array();
    }

    static byte[] exifSegment(byte[] exif) {
        return ByteBuffer.allocate(6 + exif.length).put("Exif\0\0".getBytes(StandardCharsets.ISO_8859_1)).put(exif).array();
    }

    /** A PNG with a chunk put in behind its header. */
    static byte[] withChunk(byte[] png, String name, byte[] body) {
        CRC32 crc = new CRC32();
        crc.update(name.getBytes(StandardCharsets.ISO_8859_1));
        crc.update(body);
        return ByteBuffer.allocate(png.length + body.length + 12).put(png, 0, 33).putInt(body.length)
            .put(name.getBytes(StandardCharsets.ISO_8859_1)).put(body)
            .putInt((int) crc.getValue())
            .put(png, 33, png.length - 33).array();
    }

    /** A TIFF's directory with one value of a tag changed. */
    static byte[] withTag(byte[] tiff, int tag, int value) {
        byte[] changed = tiff.clone();
        ByteBuffer in = ByteBuffer.wrap(changed).order(changed[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        int ifd = in.getInt(4);
        for (int i = 0; i < in.getShort(ifd); i++) {
            int entry = ifd + 2 + 12 * i;
            if (in.getShort(entry) == (short) tag) {
                if (in.getShort(entry + 2) == 3) {
                    in.putShort(entry + 8, (short) value);
                } else {
                    in.putInt(entry + 8, value);
                }
            }
        }
        return changed;
    }

    /** TIFF 6.0 and its extension with 8-byte offsets, one uncompressed strip, as their specifications lay them out. */
    static byte[] tiff(float[] values, int w, int h, boolean big, boolean floating) {
        int sample = floating ? 4 : 2;
        int word = big ? 8 : 4;
        int entries = 11;
        int head = big ? 16 : 8;
        int bitsAt = head + (big ? 8 + 20 * entries + 8 : 2 + 12 * entries + 4);
        int dataAt = bitsAt + 16;
        ByteBuffer b = ByteBuffer.allocate(dataAt + values.length * sample).order(ByteOrder.LITTLE_ENDIAN);
        b.put((byte) 'I').put((byte) 'I').putShort((short) (big ? 43 : 42));
        if (big) {
            b.putShort((short) 8).putShort((short) 0).putLong(16).putLong(entries);
        } else {
            b.putInt(8).putShort((short) entries);
        }
        int[][] tags = {{256, 4, 1, w}, {257, 4, 1, h}, {258, 3, 3, big ? -1 : bitsAt}, {259, 3, 1, 1}, {262, 3, 1, 2}, {273, 4, 1, dataAt},
            {277, 3, 1, 3}, {278, 4, 1, h},
            {279, 4, 1, values.length * sample}, {284, 3, 1, 1}, {339, 3, 1, floating ? 3 : 1}};
        for (int[] t : tags) {
            b.putShort((short) t[0]).putShort((short) t[1]);
            int place = b.position() + word;
            if (big) {
                b.putLong(t[2]);
            } else {
                b.putInt(t[2]);
            }
            if (t[3] == -1) {
                b.putShort((short) (8 * sample)).putShort((short) (8 * sample)).putShort((short) (8 * sample));
            } else if (t[1] == 3 && t[2] == 1) {
                b.putShort((short) t[3]);
            } else {
                b.putInt(t[3]);
            }
            b.position(place + word);
        }
        b.position(bitsAt);
        b.putShort((short) (8 * sample)).putShort((short) (8 * sample)).putShort((short) (8 * sample));
        b.position(dataAt);
        for (float v : values) {
            if (floating) {
                b.putFloat(v);
            } else {
                b.putShort((short) (v > 0 ? Math.round(Math.min(1, v) * 65535) : 0));
            }
        }
        return b.array();
    }

    static int[] smooth(double x, double y) {
        return new int[] {(int) (40 + 150 * x), (int) (200 - 120 * y), (int) (60 + 60 * x + 70 * y)};
    }

    /** @param said whether the subsampling is; unsaid, it is 2 by 2 unless the bytes tell otherwise */
    static byte[] planarTiff(int w, int h, int subX, int subY, boolean packed, boolean said) throws IOException {
        int stripRows = 16;
        int strips = (h + stripRows - 1) / stripRows;
        ByteArrayOutputStream data = new ByteArrayOutputStream();
        int[] offsets = new int[3 * strips];
        int[] counts = new int[3 * strips];
        for (int p = 0; p < 3; p++) {
            int sx = p == 0 ? 1 : subX;
            int sy = p == 0 ? 1 : subY;
            int rows = (h + sy - 1) / sy;
            for (int strip = 0; strip < strips; strip++) {
                ByteArrayOutputStream plain = new ByteArrayOutputStream();
                for (int y = strip * stripRows / sy; y < Math.min(rows, (strip + 1) * stripRows / sy); y++) {
                    for (int x = 0; x < (w + sx - 1) / sx; x++) {
                        int[] rgb = smooth((x * sx + (sx - 1) / 2.0) / w, (y * sy + (sy - 1) / 2.0) / h);
                        double luma = 0.299 * rgb[0] + 0.587 * rgb[1] + 0.114 * rgb[2];
                        plain.write(
                            (int) Math.round(p == 0 ? luma : p == 1 ? 128 + (rgb[2] - luma) / 1.772 : 128 + (rgb[0] - luma) / 1.402));
                    }
                }
                byte[] strip8 = plain.toByteArray();
                if (packed) {
                    ByteArrayOutputStream deflated = new ByteArrayOutputStream();
                    try (DeflaterOutputStream out = new DeflaterOutputStream(deflated)) {
                        out.write(strip8);
                    }
                    strip8 = deflated.toByteArray();
                }
                offsets[p * strips + strip] = data.size();
                counts[p * strips + strip] = strip8.length;
                data.writeBytes(strip8);
            }
        }
        int entries = said ? 11 : 10;
        int behind = 8 + 2 + 12 * entries + 4;
        int dataAt = behind + 8 + 8 * offsets.length;
        ByteBuffer b = ByteBuffer.allocate(dataAt + data.size());
        b.put((byte) 'M').put((byte) 'M').putShort((short) 42).putInt(8).putShort((short) entries);
        int[][] tags = {{256, 4, 1, w}, {257, 4, 1, h}, {258, 3, 3, behind}, {259, 3, 1, packed ? 8 : 1}, {262, 3, 1, 6},
            {273, 4, offsets.length, behind + 8},
            {277, 3, 1, 3}, {278, 4, 1, stripRows}, {279, 4, counts.length, behind + 8 + 4 * offsets.length}, {284, 3, 1, 2},
            {530, 3, 2, 0}};
        for (int i = 0; i < entries; i++) {
            int[] t = tags[i];
            b.putShort((short) t[0]).putShort((short) t[1]).putInt(t[2]);
            if (t[0] == 530) {
                b.putShort((short) subX).putShort((short) subY);
            } else if (t[1] == 3 && t[2] == 1) {
                b.putShort((short) t[3]).putShort((short) 0);
            } else {
                b.putInt(t[3]);
            }
        }
        b.putInt(0).putShort((short) 8).putShort((short) 8).putShort((short) 8).putShort((short) 0);
        for (int offset : offsets) {
            b.putInt(dataAt + offset);
        }
        for (int count : counts) {
            b.putInt(count);
        }
        return b.put(data.toByteArray()).array();
    }

    static void assertCode(byte[] file, String code) {
        assertThatThrownBy(() -> open(file)).isInstanceOfSatisfying(PictureException.class, e -> assertThat(e.code()).isEqualTo(code));
    }

    static byte[] animated(byte[] png) {
        return withChunk(png, "acTL", ByteBuffer.allocate(8).putInt(2).putInt(0).array());
    }

    /** A TIFF whose directory stands, with its strips pointing past the end. */
    static byte[] cutPixels(byte[] tiff) {
        byte[] cut = tiff.clone();
        ByteBuffer in = ByteBuffer.wrap(cut).order(cut[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        int ifd = in.getInt(4);
        for (int i = 0; i < in.getShort(ifd); i++) {
            int entry = ifd + 2 + 12 * i;
            if (in.getShort(entry) == 273) {
                int strips = in.getInt(entry + 4);
                int at = strips == 1 ? entry + 8 : in.getInt(entry + 8);
                in.putInt(at + 4 * (strips - 1), tiff.length - 20);
            }
        }
        return cut;
    }
}
