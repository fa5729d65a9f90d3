package wistel.core.pictures;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;
import javax.imageio.stream.ImageInputStream;
import wistel.core.fault.PictureException;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;

/** Chunks of a PNG file (ISO/IEC 15948). */
final class PngProbe {
    private static final String TITLE = "Title\0";
    /** Keyword, no packing, no language (XMP specification part 3, 1.1.5). */
    private static final String XMP = "XML:com.adobe.xmp\0\0\0\0\0";

    private PngProbe() {
    }

    static PictureProbe.Found probe(ImageInputStream in) throws IOException {
        in.setByteOrder(ByteOrder.BIG_ENDIAN);
        in.seek(8);
        int wide = 0;
        int high = 0;
        int bits = 0;
        int type = -1;
        PictureProbe.Storage storage = PictureProbe.Storage.PLAIN;
        byte[] profile = {};
        boolean srgb = false;
        Orientation orientation = Orientation.UPRIGHT;
        PictureNotes notes = PictureNotes.NONE;
        for (int chunk = 0; chunk < 10_000; chunk++) {
            long length = in.readUnsignedInt();
            String name = ascii(in, 4);
            long body = in.getStreamPosition();
            switch (name) {
                case "IHDR" -> {
                    wide = in.readInt();
                    high = in.readInt();
                    bits = in.readUnsignedByte();
                    type = in.readUnsignedByte();
                    in.skipBytes(2);
                    storage = in.readUnsignedByte() == 1 ? PictureProbe.Storage.INTERLACED : PictureProbe.Storage.PLAIN;
                }
                case "acTL" -> throw new PictureException(PictureException.Reason.ANIMATED, "This PNG is an animation of several pictures.",
                    "Export the one picture that you want to print.");
                case "iCCP" -> profile = pngProfile(in, length);
                // ISO/IEC 15948, 11.3.3.5: a profile that stands there too goes first
                case "sRGB" -> srgb = true;
                case "eXIf" -> {
                    byte[] exif = new byte[(int) Math.min(length, 1 << 16)];
                    in.readFully(exif);
                    orientation = JpegProbe.exifOrientation(exif);
                    notes = notes.withExif(exif);
                }
                case "tEXt", "iTXt" -> notes = noted(notes, in, length);
                case "IDAT" -> {
                    if (type < 0) {
                        throw PictureProbe.damaged("it has no header");
                    }
                    int channels = type == 0 || type == 4 ? 1 : 3;
                    if (srgb && profile.length == 0) {
                        profile = (channels == 1 ? StandardSpaces.SGRAY : StandardSpaces.SRGB).bytes();
                    }
                    return new PictureProbe.Found(
                        new PictureFacts("PNG", wide, high, type == 3 ? 8 : bits, channels, orientation, profile, notes),
                        List.of(),
                        storage);
                }
                case "IEND" -> throw PictureProbe.truncated();
                default -> {
                }
            }
            in.seek(body + length + 4);
        }
        throw PictureProbe.damaged("it holds thousands of blocks before its first pixel");
    }

    /** Title and XMP packet of a text block; what is packed is left aside (ISO/IEC 15948, 11.3.4). */
    private static PictureNotes noted(PictureNotes notes, ImageInputStream in, long length) throws IOException {
        if (!PictureNotes.takes(length)) {
            return notes;
        }
        byte[] data = new byte[(int) length];
        in.readFully(data);
        String latin = new String(data, StandardCharsets.ISO_8859_1);
        if (latin.startsWith(TITLE)) {
            String behind = latin.substring(TITLE.length());
            // an international block has two flags, and two more words that end in 0
            if (!behind.startsWith("\0\0")) {
                return notes.describedAs(behind);
            }
            return notes.describedAs(new String(data, TITLE.length() + 2, data.length - TITLE.length() - 2, StandardCharsets.UTF_8)
                .replaceFirst("(?s)^[^\0]*\0[^\0]*\0", ""));
        }
        return latin.startsWith(XMP) && latin.length() > XMP.length()
            ? notes.withXmp(Arrays.copyOfRange(data, XMP.length(), data.length)) : notes;
    }

    private static byte[] pngProfile(ImageInputStream in, long length) throws IOException {
        if (length > ProfileReader.LARGEST_BYTES || length < 3) {
            return new byte[] {0};
        }
        byte[] data = new byte[(int) length];
        in.readFully(data);
        int zero = 0;
        while (zero < data.length && data[zero] != 0) {
            zero++;
        }
        if (zero + 2 >= data.length) {
            return new byte[] {0};
        }
        Inflater inflater = new Inflater();
        inflater.setInput(data, zero + 2, data.length - zero - 2);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] part = new byte[1 << 16];
        try {
            while (!inflater.finished() && out.size() <= ProfileReader.LARGEST_BYTES) {
                int n = inflater.inflate(part);
                if (n == 0) {
                    break;
                }
                out.write(part, 0, n);
            }
        } catch (DataFormatException e) {
            return new byte[] {0};
        } finally {
            inflater.end();
        }
        return out.toByteArray();
    }

    private static String ascii(ImageInputStream in, int length) throws IOException {
        byte[] name = new byte[length];
        in.readFully(name);
        return new String(name, StandardCharsets.ISO_8859_1);
    }
}
