package wistel.core.rendition;

import java.util.List;

/** Six hues of Oklab that people have words for; evenly enough apart that each can be turned by 15 degrees beside its neighbours. */
public final class Hues {
    public static final List<Double> SIX = List.of(25.0, 95.0, 145.0, 195.0, 260.0, 325.0);
    private static final String[] NAMES = {"reds", "yellows", "greens", "cyans", "blues", "magentas"};

    private Hues() {
    }

    /** Of the nearest of the six. */
    public static String name(double hue) {
        int nearest = 0;
        double best = 360;
        for (int i = 0; i < NAMES.length; i++) {
            double apart = Math.abs(hue - SIX.get(i));
            double turn = Math.min(apart, 360 - apart);
            if (turn < best) {
                best = turn;
                nearest = i;
            }
        }
        return NAMES[nearest];
    }
}
