package wistel.core.icc.inspection;

import wistel.core.colour.Lab;

/** Plain names of L*a*b* hues. */
final class HueNames {
    private static final double NEUTRAL = 5;
    private static final int[] FROM = {0, 25, 50, 80, 115, 165, 215, 260, 290, 325};
    private static final String[] NAMES = {"pink", "red", "orange", "yellow", "green", "blue-green", "blue", "deep blue", "violet",
        "magenta"};

    private HueNames() {
    }

    /** "green", or "gray" where there is hardly any chroma. */
    static String of(Lab lab) {
        if (lab.chroma() < NEUTRAL) {
            return "gray";
        }
        double hue = lab.hueDegrees();
        int name = 0;
        while (name + 1 < FROM.length && hue >= FROM[name + 1]) {
            name++;
        }
        return NAMES[name];
    }
}
