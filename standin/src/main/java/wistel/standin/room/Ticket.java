package wistel.standin.room;

/**
 * What a job asks of the printer. An empty media type or feed, or a size of zero, leaves it to what is loaded.
 *
 * @param colourMode, intent as asked for, empty when not
 * @param borderless asked for by margins of zero
 * @param overMm     how far to print over the edges then
 */
public record Ticket(String name, String user, String mediaType, String feed, double widthMm, double heightMm, int quality, int copies, boolean held, String colourMode,
                     String intent, boolean borderless, double overMm) {
    /** With borders. */
    public static Ticket bordered(String name, String user, String mediaType, String feed, double widthMm, double heightMm, int quality, int copies, boolean held) {
        return new Ticket(name, user, mediaType, feed, widthMm, heightMm, quality, copies, held, "", "", false, 0);
    }
}
