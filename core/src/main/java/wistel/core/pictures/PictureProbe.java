package wistel.core.pictures;

import java.io.EOFException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import javax.imageio.stream.ImageInputStream;
import wistel.core.fault.PictureException;

/**
 * Reads the headers of JPEG, PNG and TIFF files, and nothing else of them:
 * no pixel is decoded, no count is trusted, nothing is inflated beyond the size of the largest profile.
 */
final class PictureProbe {
    private static final String TAKES = "Wistel prints JPEG, PNG and TIFF: export it as one of these.";

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
            Found found = starts(head, 0xFF, 0xD8) ? JpegProbe.probe(in)
                : starts(head, 0x89, 'P', 'N', 'G') ? PngProbe.probe(in)
                    : starts(head, 'I', 'I', 42, 0) || starts(head, 'M', 'M', 0, 42) || starts(head, 'I', 'I', 43, 0)
                        || starts(head, 'M', 'M', 0, 43) ? TiffProbe.probe(in)
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

    static PictureException damaged(String why) {
        return new PictureException(PictureException.Reason.DAMAGED, "This picture is damaged: " + why + ".", "Export it again.");
    }

    static PictureException inks() {
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

    static PictureException unsupported(String what) {
        return new PictureException(PictureException.Reason.UNSUPPORTED, what + ", which Wistel doesn't read.", TAKES);
    }
}
