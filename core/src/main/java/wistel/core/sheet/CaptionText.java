package wistel.core.sheet;

/**
 * What a piece's caption says.
 *
 * @param edition number of its first print, 1 or more
 */
public record CaptionText(String title, String date, int edition) {
    public static final CaptionText NONE = new CaptionText("", "", 1);

    /** Of a later copy. */
    CaptionText plus(int copies) {
        return new CaptionText(title, date, edition + copies);
    }
}
