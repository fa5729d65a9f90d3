package wistel.server.master;

import com.drew.lang.ByteArrayReader;
import com.drew.lang.SequentialByteArrayReader;
import com.drew.metadata.Metadata;
import com.drew.metadata.exif.ExifDirectoryBase;
import com.drew.metadata.exif.ExifReader;
import com.drew.metadata.iptc.IptcDirectory;
import com.drew.metadata.iptc.IptcReader;
import com.drew.metadata.xmp.XmpDirectory;
import com.drew.metadata.xmp.XmpReader;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import wistel.core.pictures.PictureNotes;

/**
 * A picture's title and when it was taken, from what its file carries. Title: XMP dc:title, IPTC object name (2:05), Exif description. Day:
 * Exif's original date, XMP exif:DateTimeOriginal or xmp:CreateDate, IPTC date created (2:55). What is damaged counts as missing.
 *
 * @param title blank when there is none
 */
public record FileNotes(String title, Optional<LocalDateTime> taken) {
    static final FileNotes NONE = new FileNotes("", Optional.empty());
    private static final Logger LOG = LoggerFactory.getLogger(FileNotes.class);
    private static final int LONGEST_TITLE = 200;
    private static final byte TAG_MARK = 0x1C;
    /** Mark and number of the resource block that holds IIM records. */
    private static final byte[] RECORDS = {'8', 'B', 'I', 'M', 4, 4};
    private static final DateTimeFormatter EXIF = DateTimeFormatter.ofPattern("yyyy:MM:dd HH:mm:ss", Locale.ROOT);

    /** Never fails: what can't be read isn't told. */
    static FileNotes of(PictureNotes raw) {
        try {
            Metadata found = new Metadata();
            if (raw.exif().length > 0) {
                new ExifReader().extract(new ByteArrayReader(raw.exif()), found);
            }
            if (raw.xmp().length > 0 && !declaresEntities(raw.xmp())) {
                new XmpReader().extract(raw.xmp(), found);
            }
            byte[] records = records(raw.iptc());
            if (records.length > 0) {
                new IptcReader().extract(new SequentialByteArrayReader(records), found, records.length);
            }
            return new FileNotes(title(found, raw), taken(found, raw));
        } catch (RuntimeException e) {
            LOG.warn("the words in a picture file were left aside: {}", e.toString());
            return NONE;
        }
    }

    /**
     * IIM records by themselves, as TIFF has them, or taken out of the image resource blocks of a JPEG: each has a mark, its number, a name
     * of an even number of bytes with its length, the length of what it holds, and that.
     */
    private static byte[] records(byte[] block) {
        if (block.length == 0 || block[0] == TAG_MARK) {
            return block;
        }
        for (int at = 0; at + RECORDS.length + 6 < block.length; at++) {
            if (Arrays.equals(block, at, at + RECORDS.length, RECORDS, 0, RECORDS.length)) {
                int name = (block[at + RECORDS.length] & 0xFF) + 1;
                int size = at + RECORDS.length + name + name % 2;
                if (size + 4 > block.length) {
                    break;
                }
                int bytes = ByteBuffer.wrap(block, size, 4).getInt();
                return bytes < 0 || bytes > block.length - size - 4 ? new byte[0] : Arrays.copyOfRange(block, size + 4, size + 4 + bytes);
            }
        }
        return new byte[0];
    }

    /** A packet has none (ISO 16684-1, 7); entities grow without bound. */
    private static boolean declaresEntities(byte[] xmp) {
        return new String(xmp, StandardCharsets.ISO_8859_1).replace("\0", "").contains("<!");
    }

    private static String title(Metadata found, PictureNotes raw) {
        Stream<String> xmp = found.getDirectoriesOfType(XmpDirectory.class).stream()
            .flatMap(d -> Optional.ofNullable(d.getXmpProperties().get("dc:title[1]")).stream());
        Stream<String> iptc = found.getDirectoriesOfType(IptcDirectory.class).stream()
            .flatMap(d -> Optional.ofNullable(d.getString(IptcDirectory.TAG_OBJECT_NAME)).stream());
        Stream<String> exif = found.getDirectoriesOfType(ExifDirectoryBase.class).stream()
            .flatMap(d -> Optional.ofNullable(d.getString(ExifDirectoryBase.TAG_IMAGE_DESCRIPTION)).stream());
        return Stream.of(xmp, iptc, exif, Stream.of(raw.description())).flatMap(s -> s)
            // of several lines it is no title
            .map(String::strip).filter(s -> !s.isEmpty() && s.lines().count() == 1).map(s -> s.replaceAll("\\p{Cntrl}", " ")).findFirst()
            .map(s -> s.length() > LONGEST_TITLE ? s.substring(0, LONGEST_TITLE) : s).orElse("");
    }

    private static Optional<LocalDateTime> taken(Metadata found, PictureNotes raw) {
        Stream<String> exif = found.getDirectoriesOfType(ExifDirectoryBase.class).stream()
            .flatMap(d -> Optional.ofNullable(d.getString(ExifDirectoryBase.TAG_DATETIME_ORIGINAL)).stream());
        Stream<String> xmp = found.getDirectoriesOfType(XmpDirectory.class).stream().flatMap(d -> Stream
            .of("exif:DateTimeOriginal", "xmp:CreateDate").map(d.getXmpProperties()::get)
            .flatMap(s -> Optional.ofNullable(s).stream()));
        Stream<String> iptc = found.getDirectoriesOfType(IptcDirectory.class).stream()
            .flatMap(d -> Optional.ofNullable(d.getString(IptcDirectory.TAG_DATE_CREATED)).stream());
        return Stream.of(exif, Stream.of(raw.taken()), xmp, iptc).flatMap(s -> s).flatMap(s -> date(s.strip()).stream()).findFirst();
    }

    private static Optional<LocalDateTime> date(String written) {
        for (var form : List.<Function<String, LocalDateTime>>of(s -> LocalDateTime.parse(s, EXIF), LocalDateTime::parse,
            s -> OffsetDateTime.parse(s).toLocalDateTime(), s -> LocalDate.parse(s).atStartOfDay(),
            s -> LocalDate.parse(s, DateTimeFormatter.BASIC_ISO_DATE).atStartOfDay())) {
            try {
                LocalDateTime date = form.apply(written);
                return date.getYear() >= 1800 && date.getYear() < 3000 ? Optional.of(date) : Optional.empty();
            } catch (DateTimeParseException e) {
                // of another form
            }
        }
        return Optional.empty();
    }
}
