package wistel.core.pictures;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeMap;
import javax.imageio.stream.ImageInputStream;
import wistel.core.fault.PictureException;
import wistel.core.icc.profile.ProfileReader;

/** Segments of a JPEG file (ITU-T T.81 annex B, ICC.1 annex B.4). */
final class JpegProbe {
    /** A decoder holds all coefficients of a progressive JPEG, six bytes a pixel. */
    private static final long MOST_PROGRESSIVE_PIXELS = 120_000_000;

    /** Of an APP1 segment that holds a packet (XMP specification part 3, 1.1.3). */
    private static final String XMP_MARK = "http://ns.adobe.com/xap/1.0/\0";

    private JpegProbe() {
    }

    static PictureProbe.Found probe(ImageInputStream in) throws IOException {
        in.setByteOrder(ByteOrder.BIG_ENDIAN);
        List<long[]> keep = new ArrayList<>(List.of(new long[] {0, 2}));
        TreeMap<Integer, byte[]> profile = new TreeMap<>();
        int profileBytes = 0;
        Orientation orientation = Orientation.UPRIGHT;
        PictureNotes notes = PictureNotes.NONE;
        int[] frame = null;
        long at = 2;
        while (true) {
            in.seek(at);
            if (in.readUnsignedByte() != 0xFF) {
                throw PictureProbe.damaged("a marker is missing at byte " + at);
            }
            int marker = in.readUnsignedByte();
            if (marker == 0xFF) {
                at++;
                continue;
            }
            if (marker == 0xD9) {
                throw PictureProbe.truncated();
            }
            int length = in.readUnsignedShort();
            if (length < 2) {
                throw PictureProbe.damaged("a segment at byte " + at + " has no length");
            }
            if (marker >= 0xC0 && marker <= 0xCF && marker != 0xC4 && marker != 0xC8 && marker != 0xCC) {
                int bits = in.readUnsignedByte();
                int high = in.readUnsignedShort();
                int wide = in.readUnsignedShort();
                frame = new int[] {bits, wide, high, in.readUnsignedByte(), marker};
            } else if (marker == 0xE2) {
                byte[] data = segment(in, length);
                if (startsWith(data, "ICC_PROFILE\0") && data.length > 14) {
                    profileBytes += data.length;
                    if (profileBytes < ProfileReader.LARGEST_BYTES) {
                        profile.put(data[12] & 0xFF, Arrays.copyOfRange(data, 14, data.length));
                    }
                }
            } else if (marker == 0xE1) {
                byte[] data = segment(in, length);
                if (startsWith(data, "Exif\0\0")) {
                    byte[] exif = Arrays.copyOfRange(data, 6, data.length);
                    orientation = exifOrientation(exif);
                    notes = notes.withExif(exif);
                } else if (startsWith(data, XMP_MARK)) {
                    notes = notes.withXmp(Arrays.copyOfRange(data, XMP_MARK.length(), data.length));
                }
            } else if (marker == 0xED) {
                notes = notes.withIptc(segment(in, length));
            }
            long next = at + 2 + length;
            if (marker == 0xDA) {
                keep.add(new long[] {at, Long.MAX_VALUE});
                break;
            }
            boolean metadata = marker >= 0xE1 && marker <= 0xED || marker == 0xEF || marker == 0xFE;
            if (!metadata) {
                keep.add(new long[] {at, next});
            }
            at = next;
        }
        if (frame == null) {
            throw PictureProbe.damaged("it has no frame header");
        }
        if (frame[3] == 4) {
            throw PictureProbe.inks();
        }
        if (frame[4] != 0xC0 && frame[4] != 0xC1 && frame[4] != 0xC2) {
            throw PictureProbe.unsupported("This JPEG is of " + (frame[4] == 0xC3 ? "the lossless" : "a rare") + " kind (frame "
                + Integer.toHexString(frame[4]) + ")");
        }
        if (frame[0] == 12) {
            throw PictureProbe.unsupported("This JPEG has 12 bits a sample");
        }
        if (frame[0] != 8 || frame[3] != 1 && frame[3] != 3) {
            throw PictureProbe.damaged("it has " + frame[3] + " channels of " + frame[0] + " bits");
        }
        if (frame[4] == 0xC2 && (long) frame[1] * frame[2] > MOST_PROGRESSIVE_PIXELS) {
            throw new PictureException(PictureException.Reason.PROGRESSIVE,
                "This is a progressive JPEG of " + (long) frame[1] * frame[2] / 1_000_000
                    + " million pixels; such a file has to be held whole to be read.",
                "Export it as an ordinary (baseline) JPEG or as TIFF.");
        }
        ByteArrayOutputStream joined = new ByteArrayOutputStream();
        profile.values().forEach(joined::writeBytes);
        return new PictureProbe.Found(new PictureFacts("JPEG", frame[1], frame[2], 8, frame[3], orientation, joined.toByteArray(), notes),
            keep,
            PictureProbe.Storage.PLAIN,
            frame[4] == 0xC2 ? scans(in, at) : 1);
    }

    /** Start-of-scan markers from a place on; inside a scan's data an FF is followed by 00 or a restart marker (ITU-T T.81, B.1.1.5). */
    private static int scans(ImageInputStream in, long from) throws IOException {
        in.seek(from);
        byte[] part = new byte[1 << 16];
        int scans = 0;
        boolean mark = false;
        for (int n = in.read(part); n > 0; n = in.read(part)) {
            for (int i = 0; i < n; i++) {
                scans += mark && (part[i] & 0xFF) == 0xDA ? 1 : 0;
                mark = (part[i] & 0xFF) == 0xFF;
            }
        }
        return Math.max(1, scans);
    }

    private static byte[] segment(ImageInputStream in, int length) throws IOException {
        byte[] data = new byte[length - 2];
        in.readFully(data);
        return data;
    }

    private static boolean startsWith(byte[] data, String ascii) {
        byte[] mark = ascii.getBytes(StandardCharsets.ISO_8859_1);
        return data.length >= mark.length && Arrays.equals(data, 0, mark.length, mark, 0, mark.length);
    }

    static Orientation exifOrientation(byte[] tiff) {
        if (tiff.length < 14) {
            return Orientation.UPRIGHT;
        }
        ByteBuffer in = ByteBuffer.wrap(tiff).order(tiff[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        try {
            int at = in.getInt(4);
            int entries = in.getShort(at) & 0xFFFF;
            for (int i = 0; i < entries; i++) {
                if (in.getShort(at + 2 + 12 * i) == 274) {
                    return Orientation.ofTag(in.getShort(at + 10 + 12 * i));
                }
            }
        } catch (IndexOutOfBoundsException e) {
            // a damaged Exif block costs the orientation, not the picture
        }
        return Orientation.UPRIGHT;
    }
}
