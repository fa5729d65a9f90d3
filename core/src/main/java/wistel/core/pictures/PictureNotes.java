package wistel.core.pictures;

/**
 * What a file carries in words beside its pixels, as it stands there: blocks of at most {@link #MOST_BYTES}, empty where there is none.
 *
 * @param exif        a block of its own, as JPEG and PNG have it: a TIFF structure (Exif 2.32)
 * @param xmp         an XMP packet (ISO 16684-1)
 * @param iptc        IPTC-IIM records, in JPEG still in their image resource blocks
 * @param description of a TIFF's own directory (tag 270)
 * @param taken       of a TIFF's own directories, as they write dates (tag 36867, else 306)
 */
public record PictureNotes(byte[] exif, byte[] xmp, byte[] iptc, String description, String taken) {
    static final int MOST_BYTES = 1 << 20;
    public static final PictureNotes NONE = new PictureNotes(new byte[0], new byte[0], new byte[0], "", "");

    static boolean takes(long bytes) {
        return bytes > 0 && bytes <= MOST_BYTES;
    }

    PictureNotes withExif(byte[] block) {
        return new PictureNotes(block, xmp, iptc, description, taken);
    }

    PictureNotes withXmp(byte[] packet) {
        return new PictureNotes(exif, packet, iptc, description, taken);
    }

    PictureNotes withIptc(byte[] records) {
        return new PictureNotes(exif, xmp, records, description, taken);
    }

    PictureNotes describedAs(String words) {
        return new PictureNotes(exif, xmp, iptc, words, taken);
    }

    PictureNotes takenAt(String date) {
        return new PictureNotes(exif, xmp, iptc, description, date);
    }
}
