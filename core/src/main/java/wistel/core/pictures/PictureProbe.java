package wistel.core.pictures;

import java.io.ByteArrayOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeMap;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;
import javax.imageio.stream.ImageInputStream;
import wistel.core.fault.PictureException;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;

/**
 * Reads the headers of JPEG (ITU-T T.81 annex B, ICC.1 annex B.4), PNG (ISO/IEC 15948) and TIFF 6.0 files, and nothing else of them:
 * no pixel is decoded, no count is trusted, nothing is inflated beyond the size of the largest profile.
 */
final class PictureProbe {
    private static final String TAKES = "Wistel prints JPEG, PNG and TIFF: export it as one of these.";

    /** A decoder holds all coefficients of a progressive JPEG, six bytes a pixel. */
    private static final long MOST_PROGRESSIVE_PIXELS = 120_000_000;

    /** Directories of pictures have some dozens. */
    private static final int MOST_ENTRIES = 65_535;

    /**
     * Facts, and what a decoder needs to know.
     *
     * @param keep       for JPEG the byte ranges (from, to) to decode, metadata left out
     * @param storage how its pixels lie in the file, where that decides how they are decoded
     * @param scans   of a progressive JPEG, each of which refines the whole picture; 1 elsewhere
     */
    record Found(PictureFacts facts, List<long[]> keep, Storage storage, int scans) {
        Found(PictureFacts facts, List<long[]> keep, Storage storage) {
            this(facts, keep, storage, 1);
        }

        boolean interlaced() {
            return storage == Storage.INTERLACED;
        }

        /** Of what the JDK's reader doesn't take. */
        boolean secondReader() {
            return storage == Storage.DIFFERENCED || storage == Storage.FLOAT || storage == Storage.BIG;
        }

        boolean big() {
            return storage == Storage.BIG;
        }

        boolean planes() {
            return storage == Storage.PLANES;
        }
    }

    enum Storage {
        PLAIN,
        /** A PNG in seven passes: no row is complete before nearly all of the file is read. */
        INTERLACED,
        /** A TIFF whose 16-bit samples are stored as differences, which the JDK's reader doesn't take. */
        DIFFERENCED,
        /** A TIFF of 32-bit floating point samples, 0 to 1. */
        FLOAT,
        /** A TIFF with 8-byte offsets. */
        BIG,
        /** A TIFF of luminance and two colour differences in planes apart. */
        PLANES
    }

    private PictureProbe() {
    }

    static Found probe(ImageInputStream in) {
        try {
            in.seek(0);
            byte[] head = new byte[16];
            int got = in.read(head);
            if (got <= 0) {
                throw new PictureException(PictureException.Reason.EMPTY, "This file is empty: 0 bytes.",
                    "Export it again, or copy it again from its card.");
            }
            Found found = starts(head, 0xFF, 0xD8) ? jpeg(in)
                : starts(head, 0x89, 'P', 'N', 'G') ? png(in)
                    : starts(head, 'I', 'I', 42, 0) || starts(head, 'M', 'M', 0, 42) || starts(head, 'I', 'I', 43, 0)
                        || starts(head, 'M', 'M', 0, 43) ? tiff(in)
                            : refuse(head);
            return checked(found);
        } catch (EOFException e) {
            throw truncated();
        } catch (IndexOutOfBoundsException e) {
            // streams answer so when a damaged header sends them to a place that can't be
            throw damaged("its header points outside the file");
        } catch (IOException e) {
            throw new PictureException(PictureException.Reason.UNREADABLE, "This file can't be read: " + e.getMessage() + ".",
                "Try to drop it again.", e);
        }
    }

    static PictureException truncated() {
        return new PictureException(PictureException.Reason.TRUNCATED, "This picture is cut off: the file ends before its last row.",
            "Copy or export it again; nothing of it was kept.");
    }

    private static Found refuse(byte[] head) {
        String ascii = new String(head, StandardCharsets.ISO_8859_1);
        String what = ascii.startsWith("GIF8") ? "This is a GIF, a format for animations with 256 colours."
            : ascii.startsWith("8BPS") ? "This is a layered document."
                : ascii.startsWith("RIFF") && ascii.startsWith("WEBP", 8) ? "This is a WebP picture."
                    : ascii.startsWith("%PDF") ? "This is a PDF document."
                        : ascii.startsWith("ftyp", 4) ? "This is a HEIF picture or a film."
                            : "This is not a picture file that Wistel knows.";
        throw new PictureException(PictureException.Reason.UNKNOWN, what, TAKES);
    }

    private static Found checked(Found found) {
        PictureFacts f = found.facts;
        if (f.width() < 1 || f.height() < 1) {
            throw damaged("its header says " + f.width() + " x " + f.height() + " pixels");
        }
        if (f.width() > PictureFacts.LONGEST_SIDE || f.height() > PictureFacts.LONGEST_SIDE
            || (long) f.width() * f.height() > PictureFacts.MOST_PIXELS) {
            throw new PictureException(PictureException.Reason.TOO_LARGE, "Its header says " + f.width() + " x " + f.height()
                + " pixels; Wistel takes up to " + PictureFacts.LONGEST_SIDE + " on a side and " + PictureFacts.MOST_PIXELS / 1_000_000
                + " million in all.", "Export it smaller, or in parts.");
        }
        return found;
    }

    private static PictureException damaged(String why) {
        return new PictureException(PictureException.Reason.DAMAGED, "This picture is damaged: " + why + ".", "Export it again.");
    }

    private static PictureException inks() {
        return new PictureException(PictureException.Reason.CMYK, "This picture is in CMYK, made for a press.",
            "Export it in an RGB space or in gray: the printer's own inks are reached through its paper profile.");
    }

    private static boolean starts(byte[] head, int... bytes) {
        for (int i = 0; i < bytes.length; i++) {
            if ((head[i] & 0xFF) != bytes[i]) {
                return false;
            }
        }
        return true;
    }

    private static Found jpeg(ImageInputStream in) throws IOException {
        in.setByteOrder(ByteOrder.BIG_ENDIAN);
        List<long[]> keep = new ArrayList<>(List.of(new long[] {0, 2}));
        TreeMap<Integer, byte[]> profile = new TreeMap<>();
        int profileBytes = 0;
        Orientation orientation = Orientation.UPRIGHT;
        int[] frame = null;
        long at = 2;
        while (true) {
            in.seek(at);
            if (in.readUnsignedByte() != 0xFF) {
                throw damaged("a marker is missing at byte " + at);
            }
            int marker = in.readUnsignedByte();
            if (marker == 0xFF) {
                at++;
                continue;
            }
            if (marker == 0xD9) {
                throw truncated();
            }
            int length = in.readUnsignedShort();
            if (length < 2) {
                throw damaged("a segment at byte " + at + " has no length");
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
                    orientation = exifOrientation(Arrays.copyOfRange(data, 6, data.length));
                }
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
            throw damaged("it has no frame header");
        }
        if (frame[3] == 4) {
            throw inks();
        }
        if (frame[4] != 0xC0 && frame[4] != 0xC1 && frame[4] != 0xC2) {
            throw unsupported("This JPEG is of " + (frame[4] == 0xC3 ? "the lossless" : "a rare") + " kind (frame "
                + Integer.toHexString(frame[4]) + ")");
        }
        if (frame[0] == 12) {
            throw unsupported("This JPEG has 12 bits a sample");
        }
        if (frame[0] != 8 || frame[3] != 1 && frame[3] != 3) {
            throw damaged("it has " + frame[3] + " channels of " + frame[0] + " bits");
        }
        if (frame[4] == 0xC2 && (long) frame[1] * frame[2] > MOST_PROGRESSIVE_PIXELS) {
            throw new PictureException(PictureException.Reason.PROGRESSIVE,
                "This is a progressive JPEG of " + (long) frame[1] * frame[2] / 1_000_000
                    + " million pixels; such a file has to be held whole to be read.",
                "Export it as an ordinary (baseline) JPEG or as TIFF.");
        }
        ByteArrayOutputStream joined = new ByteArrayOutputStream();
        profile.values().forEach(joined::writeBytes);
        return new Found(new PictureFacts("JPEG", frame[1], frame[2], 8, frame[3], orientation, joined.toByteArray()), keep, Storage.PLAIN,
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

    private static Orientation exifOrientation(byte[] tiff) {
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

    private static Found png(ImageInputStream in) throws IOException {
        in.setByteOrder(ByteOrder.BIG_ENDIAN);
        in.seek(8);
        int wide = 0;
        int high = 0;
        int bits = 0;
        int type = -1;
        Storage storage = Storage.PLAIN;
        byte[] profile = {};
        boolean srgb = false;
        Orientation orientation = Orientation.UPRIGHT;
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
                    storage = in.readUnsignedByte() == 1 ? Storage.INTERLACED : Storage.PLAIN;
                }
                case "acTL" -> throw new PictureException(PictureException.Reason.ANIMATED, "This PNG is an animation of several pictures.",
                    "Export the one picture that you want to print.");
                case "iCCP" -> profile = pngProfile(in, length);
                // ISO/IEC 15948, 11.3.3.5: a profile that stands there too goes first
                case "sRGB" -> srgb = true;
                case "eXIf" -> {
                    byte[] exif = new byte[(int) Math.min(length, 1 << 16)];
                    in.readFully(exif);
                    orientation = exifOrientation(exif);
                }
                case "IDAT" -> {
                    if (type < 0) {
                        throw damaged("it has no header");
                    }
                    int channels = type == 0 || type == 4 ? 1 : 3;
                    if (srgb && profile.length == 0) {
                        profile = (channels == 1 ? StandardSpaces.SGRAY : StandardSpaces.SRGB).bytes();
                    }
                    return new Found(new PictureFacts("PNG", wide, high, type == 3 ? 8 : bits, channels, orientation, profile), List.of(),
                        storage);
                }
                case "IEND" -> throw truncated();
                default -> {
                }
            }
            in.seek(body + length + 4);
        }
        throw damaged("it holds thousands of blocks before its first pixel");
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

    private static Found tiff(ImageInputStream in) throws IOException {
        in.seek(0);
        in.setByteOrder(in.readUnsignedByte() == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        in.seek(2);
        boolean big = in.readUnsignedShort() == 43;
        if (big && (in.readUnsignedShort() != 8 || in.readUnsignedShort() != 0)) {
            throw damaged("it is a BigTIFF with offsets of another size than 8");
        }
        long ifd = offset(in, big);
        in.seek(ifd);
        long entries = big ? in.readLong() : in.readUnsignedShort();
        if (entries < 0 || entries > MOST_ENTRIES) {
            throw damaged("its directory says it has " + entries + " entries");
        }
        long[] v = {0, 0, 1, 0, 1, 1, 1, 0, 1, 0, 1, 1};
        int[] tags = {256, 257, 258, 262, 274, 277, 339, 278, 259, 322, 317, 284};
        byte[] profile = {};
        for (int i = 0; i < entries; i++) {
            in.seek(ifd + (big ? 8 + 20L * i : 2 + 12L * i));
            int tag = in.readUnsignedShort();
            int type = in.readUnsignedShort();
            long count = offset(in, big);
            for (int t = 0; t < tags.length; t++) {
                if (tag == tags[t]) {
                    v[t] = firstValue(in, type, count, big);
                }
            }
            if (tag == 34675 && count > 0 && count <= ProfileReader.LARGEST_BYTES) {
                in.seek(offset(in, big));
                profile = new byte[(int) count];
                in.readFully(profile);
            }
        }
        if (v[3] == 5) {
            throw inks();
        }
        if (v[3] == 8 || v[3] == 9 || v[3] > 6) {
            throw new PictureException(PictureException.Reason.LAB,
                "This TIFF is in a colour form that Wistel doesn't print (photometric " + v[3] + ").",
                "Export it in an RGB space or in gray.");
        }
        if (v[8] == 6) {
            throw unsupported("This TIFF is packed as an old-style JPEG, a form that was given up in 1995");
        }
        boolean planes = v[3] == 6 && v[11] == 2;
        if (planes && big) {
            throw unsupported("This is a BigTIFF that keeps luminance and colour in planes apart");
        }
        boolean floating = v[6] == 3 && v[2] == 32;
        if (v[6] == 3 && !floating || v[2] > 16 && !floating) {
            throw new PictureException(PictureException.Reason.FLOAT,
                "This TIFF has " + v[2] + "-bit samples, for editing rather than for print.",
                "Export it with 8 or 16 bits.");
        }
        long stripRows = v[7] == 0 ? v[1] : Math.min(v[7], v[1]);
        boolean packedWhole = v[8] != 1 && v[9] == 0 && stripRows * v[0] * v[5] * Math.max(8, v[2]) / 8 > 400L << 20;
        if (packedWhole) {
            throw new PictureException(PictureException.Reason.ONE_STRIP, "This TIFF is packed in one piece of several hundred megabytes.",
                "Export it in strips or tiles, or without compression.");
        }
        int channels = v[3] == 2 || v[3] == 3 || v[3] == 6 ? 3 : 1;
        return new Found(new PictureFacts("TIFF", (int) Math.min(v[0], Integer.MAX_VALUE), (int) Math.min(v[1], Integer.MAX_VALUE),
            v[3] == 3 ? 8 : (int) v[2], channels, Orientation.ofTag((int) v[4]), profile), List.of(),
            big ? Storage.BIG
                : planes ? Storage.PLANES : floating ? Storage.FLOAT : v[10] == 2 && v[2] == 16 ? Storage.DIFFERENCED : Storage.PLAIN);
    }

    /** A place or count of 4 bytes, or of 8 in a BigTIFF. */
    private static long offset(ImageInputStream in, boolean big) throws IOException {
        return big ? in.readLong() : in.readUnsignedInt();
    }

    private static PictureException unsupported(String what) {
        return new PictureException(PictureException.Reason.UNSUPPORTED, what + ", which Wistel doesn't read.", TAKES);
    }

    private static long firstValue(ImageInputStream in, int type, long count, boolean big) throws IOException {
        int size = type == 3 ? 2 : type == 4 ? 4 : type == 16 ? 8 : 1;
        if (count * size > (big ? 8 : 4)) {
            in.seek(offset(in, big));
        }
        return size == 2 ? in.readUnsignedShort() : size == 4 ? in.readUnsignedInt() : size == 8 ? in.readLong() : in.readUnsignedByte();
    }
}
