package wistel.core.rendition;

import wistel.core.icc.stage.LabFunction;

/**
 * A shift of b* (warm above 0, cold below) and a* (towards red above 0, towards green below), up to 10 each, weighted 4 L*(100 - L*)/100^2,
 * so that paper and black keep their colour.
 */
public record Warmth(double warmth, double tint) implements Move {
    public static final double MOST = 10;
    public static final Warmth NONE = new Warmth(0, 0);

    /** @throws wistel.core.fault.InvalidRequest when one is out of its range */
    public Warmth {
        Ranges.within("warmth", warmth, -MOST, MOST);
        Ranges.within("tint", tint, -MOST, MOST);
    }

    /** 0 at black and paper, 1 in the middle. */
    static double weight(double l) {
        return Math.max(0, 4 * l * (100 - l) / 10_000);
    }

    @Override
    public LabFunction function() {
        return (lab, at) -> {
            double w = weight(lab[at]);
            lab[at + 1] += tint * w;
            lab[at + 2] += warmth * w;
        };
    }

    @Override
    public boolean changesNothing() {
        return warmth == 0 && tint == 0;
    }

    @Override
    public String words() {
        String warm = warmth == 0 ? "" : (warmth > 0 ? "warmer by " : "colder by ") + Ranges.number(Math.abs(warmth));
        String red = tint == 0 ? "" : (tint > 0 ? "redder by " : "greener by ") + Ranges.number(Math.abs(tint));
        return warm.isEmpty() || red.isEmpty() ? warm + red : warm + ", " + red;
    }
}
