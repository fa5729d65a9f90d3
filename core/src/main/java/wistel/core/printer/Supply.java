package wistel.core.printer;

/**
 * Something that runs out: an ink, a waste box.
 *
 * @param name    for people
 * @param percent left, 0 to 100; below 0 when the printer doesn't know
 * @param colour  of an ink, as the printer writes it ("cyan", "#00FFFF"); empty when it has none
 */
public record Supply(String name, int percent, String colour) {
    private static final int LOW = 10;

    public boolean low() {
        return percent >= 0 && percent < LOW;
    }
}
