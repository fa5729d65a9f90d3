package wistel.core.pictures;

import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.imageio.stream.ImageInputStream;
import wistel.core.fault.PictureException;
import wistel.core.icc.profile.ProfileReader;

/** The first directory of a TIFF 6.0 or BigTIFF file. */
final class TiffProbe {
    /** Directories of pictures have some dozens. */
    private static final int MOST_ENTRIES = 65_535;

    private static final int DESCRIPTION = 270;
    private static final int CHANGED = 306;
    private static final int XMP = 700;
    private static final int IPTC = 33723;
    private static final int EXIF = 34665;
    private static final int TAKEN = 36867;

    private TiffProbe() {
    }

    static PictureProbe.Found probe(ImageInputStream in) throws IOException {
        in.seek(0);
        in.setByteOrder(in.readUnsignedByte() == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        in.seek(2);
        boolean big = in.readUnsignedShort() == 43;
        if (big && (in.readUnsignedShort() != 8 || in.readUnsignedShort() != 0)) {
            throw PictureProbe.damaged("it is a BigTIFF with offsets of another size than 8");
        }
        long ifd = offset(in, big);
        in.seek(ifd);
        long entries = big ? in.readLong() : in.readUnsignedShort();
        if (entries < 0 || entries > MOST_ENTRIES) {
            throw PictureProbe.damaged("its directory says it has " + entries + " entries");
        }
        long[] v = {0, 0, 1, 0, 1, 1, 1, 0, 1, 0, 1, 1};
        int[] tags = {256, 257, 258, 262, 274, 277, 339, 278, 259, 322, 317, 284};
        byte[] profile = {};
        PictureNotes notes = PictureNotes.NONE;
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
            notes = noted(notes, in, new Entry(tag, type, count, big));
        }
        if (v[3] == 5) {
            throw PictureProbe.inks();
        }
        if (v[3] == 8 || v[3] == 9 || v[3] > 6) {
            throw new PictureException(PictureException.Reason.LAB,
                "This TIFF is in a colour form that Wistel doesn't print (photometric " + v[3] + ").",
                "Export it in an RGB space or in gray.");
        }
        if (v[8] == 6) {
            throw PictureProbe.unsupported("This TIFF is packed as an old-style JPEG, a form that was given up in 1995");
        }
        boolean planes = v[3] == 6 && v[11] == 2;
        if (planes && big) {
            throw PictureProbe.unsupported("This is a BigTIFF that keeps luminance and colour in planes apart");
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
        return new PictureProbe.Found(
            new PictureFacts("TIFF", (int) Math.min(v[0], Integer.MAX_VALUE), (int) Math.min(v[1], Integer.MAX_VALUE),
                v[3] == 3 ? 8 : (int) v[2], channels, Orientation.ofTag((int) v[4]), profile, notes),
            List.of(),
            big ? PictureProbe.Storage.BIG
                : planes ? PictureProbe.Storage.PLANES : floating ? PictureProbe.Storage.FLOAT
                    : v[10] == 2 && v[2] == 16 ? PictureProbe.Storage.DIFFERENCED : PictureProbe.Storage.PLAIN);
    }

    /** At whose value or place of a value the stream stands. */
    private record Entry(int tag, int type, long count, boolean big) {
    }

    private static PictureNotes noted(PictureNotes notes, ImageInputStream in, Entry e) throws IOException {
        int size = e.type == 4 ? 4 : 1;
        // some write IPTC records as numbers of 4 bytes
        boolean words = Set.of(DESCRIPTION, CHANGED, XMP, IPTC).contains(e.tag) && PictureNotes.takes(e.count * size);
        if (!words && e.tag != EXIF) {
            return notes;
        }
        if (e.tag == EXIF) {
            long after = in.getStreamPosition();
            Optional<String> taken = taken(in, offset(in, e.big), e.big);
            in.seek(after);
            return taken.map(notes::takenAt).orElse(notes);
        }
        byte[] value = new byte[(int) (e.count * size)];
        try {
            if (value.length > (e.big ? 8 : 4)) {
                in.seek(offset(in, e.big));
            }
            in.readFully(value);
        } catch (IOException | IndexOutOfBoundsException damaged) {
            // costs the words, not the picture
            return notes;
        }
        return switch (e.tag) {
            case DESCRIPTION -> notes.describedAs(text(value));
            case CHANGED -> notes.taken().isEmpty() ? notes.takenAt(text(value)) : notes;
            case XMP -> notes.withXmp(value);
            default -> notes.withIptc(value);
        };
    }

    /** When the picture was taken, in its Exif directory. */
    private static Optional<String> taken(ImageInputStream in, long ifd, boolean big) {
        try {
            in.seek(ifd);
            long entries = big ? in.readLong() : in.readUnsignedShort();
            for (int i = 0; i < Math.min(Math.max(0, entries), 1000); i++) {
                in.seek(ifd + (big ? 8 + 20L * i : 2 + 12L * i));
                if (in.readUnsignedShort() == TAKEN && in.readUnsignedShort() == 2 && offset(in, big) == 20) {
                    in.seek(offset(in, big));
                    byte[] date = new byte[20];
                    in.readFully(date);
                    return Optional.of(text(date));
                }
            }
        } catch (IOException | IndexOutOfBoundsException damaged) {
            // costs the date, not the picture
        }
        return Optional.empty();
    }

    private static String text(byte[] value) {
        return new String(value, StandardCharsets.UTF_8).replaceFirst("(?s)\0.*", "");
    }

    /** A place or count of 4 bytes, or of 8 in a BigTIFF. */
    private static long offset(ImageInputStream in, boolean big) throws IOException {
        return big ? in.readLong() : in.readUnsignedInt();
    }

    private static long firstValue(ImageInputStream in, int type, long count, boolean big) throws IOException {
        int size = type == 3 ? 2 : type == 4 ? 4 : type == 16 ? 8 : 1;
        if (count * size > (big ? 8 : 4)) {
            in.seek(offset(in, big));
        }
        return size == 2 ? in.readUnsignedShort() : size == 4 ? in.readUnsignedInt() : size == 8 ? in.readLong() : in.readUnsignedByte();
    }
}
