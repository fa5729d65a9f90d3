package wistel.core.sheet;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/**
 * What a piece's caption says.
 *
 * @param date    of its print
 * @param edition number of its first print, 1 or more
 * @param number  among the pieces of its plan, 1 or more
 */
public record CaptionText(String title, String date, int edition, int number, OfFile file) {
    public static final CaptionText NONE = new CaptionText("", "", 1);

    /**
     * What a picture's file is called and tells.
     *
     * @param taken a day as it is written on paper; blank where the file doesn't tell
     */
    public record OfFile(String name, String taken) {
        public static final OfFile UNKNOWN = new OfFile("", "");
    }

    public CaptionText(String title, String date, int edition) {
        this(title, date, edition, 1, OfFile.UNKNOWN);
    }

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    /** A day as it is written on paper. */
    public static String date(LocalDate day) {
        return day.format(DAY);
    }

    /** Of a later copy. */
    CaptionText plus(int copies) {
        return new CaptionText(title, date, edition + copies, number, file);
    }
}
