package wistel.core.sheet;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/**
 * What a piece's caption says.
 *
 * @param edition number of its first print, 1 or more
 */
public record CaptionText(String title, String date, int edition) {
    public static final CaptionText NONE = new CaptionText("", "", 1);

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    /** A day as it is written on paper. */
    public static String date(LocalDate day) {
        return day.format(DAY);
    }

    /** Of a later copy. */
    CaptionText plus(int copies) {
        return new CaptionText(title, date, edition + copies);
    }
}
