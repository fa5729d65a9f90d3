package wistel.core.light;

/**
 * The screen that a print is foreseen on.
 *
 * @param white luminance of its white, cd/m2
 */
public record Screen(double white) {
    public static final double DARKEST = 5;
    public static final double BRIGHTEST = 5000;
    /** As many are set for judging prints. */
    public static final Screen USUAL = new Screen(140);

    /** @throws IllegalArgumentException when no screen is so dark or so bright */
    public Screen {
        if (!(white >= DARKEST && white <= BRIGHTEST)) {
            throw new IllegalArgumentException("white of " + white + " cd/m2");
        }
    }
}
