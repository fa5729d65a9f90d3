package wistel.standin.room;

/**
 * What a job asks of the printer. An empty media type or feed, or a size of zero, leaves it to what is loaded.
 *
 * @param colourMode, intent as asked for, empty when not
 */
public record Ticket(String name, String user, String mediaType, String feed, double widthMm, double heightMm, int quality, int copies, boolean held, String colourMode,
                     String intent) {
}
