package wistel.core.rendition;

import wistel.core.icc.stage.LabFunction;

/**
 * The colour of a monochrome's shadows and of its lights, each a hue and a strength, changing over about a crossing lightness; none at bare
 * paper and full black.
 *
 * @param crossing L* where both count half
 * @param softness L* over which one gives way to the other: the width of a logistic step
 */
public record Toning(Tone shadows, Tone lights, double crossing, double softness) {
    public static final Toning NEUTRAL = new Toning(Tone.NONE, Tone.NONE, 50, 15);
    /** Share of a paper's own tint that makes a print suit it (printing-rules: a third). */
    private static final double OF_THE_PAPER = 1 / 3.0;

    /** @param hue      in L*a*b*, degrees from 0 to 360
     * @param strength C*, 0 to 20 */
    public record Tone(double hue, double strength) {
        public static final Tone NONE = new Tone(0, 0);
        public static final double STRONGEST = 20;

        public Tone {
            Ranges.within("hue", hue, 0, 360);
            Ranges.within("strength", strength, 0, STRONGEST);
        }

        double a() {
            return strength * Math.cos(Math.toRadians(hue));
        }

        double b() {
            return strength * Math.sin(Math.toRadians(hue));
        }
    }

    /** @throws wistel.core.fault.InvalidRequest when a number is out of its range */
    public Toning {
        Ranges.within("crossing", crossing, 10, 90);
        Ranges.within("softness", softness, 2, 40);
    }

    /** What suits a paper: a third of its own tint, in all tones. */
    public static Toning following(double[] paperLab) {
        double strength = Math.hypot(paperLab[1], paperLab[2]) * OF_THE_PAPER;
        double hue = Math.toDegrees(Math.atan2(paperLab[2], paperLab[1]));
        Tone tone = new Tone(Math.round(hue < 0 ? hue + 360 : hue), Math.min(Tone.STRONGEST, Math.round(strength * 10) / 10.0));
        return new Toning(tone, tone, 50, 15);
    }

    public boolean changesNothing() {
        return shadows.strength == 0 && lights.strength == 0;
    }

    LabFunction function() {
        double sa = shadows.a();
        double sb = shadows.b();
        double da = lights.a() - sa;
        double db = lights.b() - sb;
        return (lab, at) -> {
            double l = lab[at];
            double w = Warmth.weight(l);
            double light = 1 / (1 + Math.exp((crossing - l) / softness * 4));
            lab[at + 1] += w * (sa + light * da);
            lab[at + 2] += w * (sb + light * db);
        };
    }

    String words() {
        if (shadows.equals(lights)) {
            return "toned at " + Ranges.number(shadows.hue) + "°, C* " + Ranges.number(shadows.strength);
        }
        return "shadows toned at " + Ranges.number(shadows.hue) + "°, C* " + Ranges.number(shadows.strength) + ", lights at "
            + Ranges.number(lights.hue) + "°, C* "
            + Ranges.number(lights.strength);
    }
}
