package wistel.core.rendition;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import wistel.core.colour.MonotoneCubic;
import wistel.core.colour.Oklab;
import wistel.core.icc.stage.LabChange;
import wistel.core.icc.stage.LabFunction;

/**
 * Chroma of all colours and, by hue, chroma, hue and lightness, as periodic curves through up to 6 points. In Oklab, so that a blue that
 * gets weaker stays a blue. Chroma and lightness fade out towards neutrals with c/(c + c0); a turn leaves neutrals alone by itself, and one
 * that faded out as well could carry colours past each other.
 *
 * @param chroma factor for all hues, 0 to 2
 * @param byHue  in the order of their hues
 */
public record ChromaMoves(double chroma, List<HuePoint> byHue) implements Move {
    public static final int MOST_POINTS = 6;
    /** Half of a move reaches colours of this chroma in Oklab, about C* 7. */
    static final double HALF_CHROMA = 0.02;
    private static final double LARGEST_FACTOR = 2;
    private static final double MOST_SHIFT = 15;
    private static final double MOST_LIGHTER = 10;
    /** Share of the distance between two hues that must remain between them: nearer, colours would fold over. */
    private static final double NEAREST = 0.2;

    private static final MonotoneCubic LEVEL = new MonotoneCubic(new double[] {0, 360}, new double[] {0, 0});

    /**
     * @param hue     in Oklab, degrees from 0 to 360
     * @param chroma  factor, 0 to 2
     * @param shift   of hue, -15 to 15 degrees
     * @param lighter hundredths of Oklab's L, -10 to 10, weighted to zero at black and paper
     */
    public record HuePoint(double hue, double chroma, double shift, double lighter) {
        public HuePoint {
            Ranges.within("hue", hue, 0, 360);
            Ranges.within("chroma", chroma, 0, LARGEST_FACTOR);
            Ranges.within("hue shift", shift, -MOST_SHIFT, MOST_SHIFT);
            Ranges.within("lightness by hue", lighter, -MOST_LIGHTER, MOST_LIGHTER);
        }
    }

    /**
     * @throws wistel.core.fault.InvalidRequest when a number is out of its range, there are too many points, or two of them pass each other
     */
    public ChromaMoves {
        Ranges.within("chroma", chroma, 0, LARGEST_FACTOR);
        byHue = byHue.stream().sorted(Comparator.comparing(HuePoint::hue)).toList();
        if (byHue.size() > MOST_POINTS) {
            throw Ranges.curve(byHue.size() + " points by hue are more than can be.", "Give up to " + MOST_POINTS + ".");
        }
        for (int i = 0; i < byHue.size() && byHue.size() > 1; i++) {
            HuePoint a = byHue.get(i);
            HuePoint b = byHue.get((i + 1) % byHue.size());
            double apart = i + 1 == byHue.size() ? b.hue - a.hue + 360 : b.hue - a.hue;
            if (apart < 1 || apart + b.shift - a.shift < NEAREST * apart) {
                throw Ranges.curve(
                    "Two hues at " + Ranges.number(a.hue) + "° and " + Ranges.number(b.hue)
                        + "° come too near: colours would change places.",
                    "Move the points apart, or shift them less.");
            }
        }
    }

    public static ChromaMoves all(double chroma) {
        return new ChromaMoves(chroma, List.of());
    }

    @Override
    public LabFunction function() {
        LabChange.OklabPlane plane = plane();
        return (lab, i) -> {
            Oklab.fromLab(lab, i);
            double[] v = {lab[i + 1], lab[i + 2], 0};
            plane.apply(v);
            lab[i] += v[2] * Warmth.weight(100 * lab[i]);
            lab[i + 1] = v[0];
            lab[i + 2] = v[1];
            Oklab.toLab(lab, i);
        };
    }

    /** Factor of the chroma of the strongest colours of a hue. */
    public double at(double hue) {
        return byHue.isEmpty() ? chroma : chroma * MonotoneCubic
            .periodic(byHue.stream().mapToDouble(HuePoint::hue).toArray(), byHue.stream().mapToDouble(HuePoint::chroma).toArray()).at(hue);
    }

    /** The same in Oklab's plane: what a colour becomes, and how much lighter, before that is weighted by its lightness. */
    LabChange.OklabPlane plane() {
        double[] hues = byHue.stream().mapToDouble(HuePoint::hue).toArray();
        boolean even = byHue.isEmpty();
        MonotoneCubic factors = even ? LEVEL : MonotoneCubic.periodic(hues, byHue.stream().mapToDouble(HuePoint::chroma).toArray());
        MonotoneCubic turned = even ? LEVEL : MonotoneCubic.turning(hues, byHue.stream().mapToDouble(p -> p.hue + p.shift).toArray());
        MonotoneCubic lighter = even ? LEVEL : MonotoneCubic.periodic(hues, byHue.stream().mapToDouble(HuePoint::lighter).toArray());
        return at -> {
            double c = Math.sqrt(at[0] * at[0] + at[1] * at[1]);
            double w = faded(c);
            double hue = even ? 0 : Oklab.hue(at[0], at[1]);
            double factor = 1 + (chroma * (even ? 1 : factors.at(hue)) - 1) * w;
            double turn = even ? 0 : Math.toRadians(turned.at(hue) - hue);
            double a = at[0];
            at[0] = factor * (a * Math.cos(turn) - at[1] * Math.sin(turn));
            at[1] = factor * (a * Math.sin(turn) + at[1] * Math.cos(turn));
            at[2] = even ? 0 : lighter.at(hue) / 100 * w;
        };
    }

    /** How much of a move a colour of this chroma takes. */
    static double faded(double c) {
        return c / (c + HALF_CHROMA);
    }

    @Override
    public boolean changesNothing() {
        return chroma == 1 && byHue.stream().allMatch(p -> p.chroma == 1 && p.shift == 0 && p.lighter == 0);
    }

    @Override
    public String words() {
        List<String> words = new ArrayList<>();
        if (chroma != 1) {
            words.add("chroma " + percent(chroma));
        }
        for (HuePoint p : byHue) {
            List<String> of = new ArrayList<>();
            if (p.chroma != 1) {
                of.add("chroma " + percent(p.chroma));
            }
            if (p.shift != 0) {
                of.add("turned by " + Ranges.signed(p.shift) + "°");
            }
            if (p.lighter != 0) {
                of.add((p.lighter > 0 ? "lighter by " : "darker by ") + Ranges.number(Math.abs(p.lighter)));
            }
            if (!of.isEmpty()) {
                words.add(Hues.name(p.hue) + " " + String.join(" and ", of));
            }
        }
        return String.join(", ", words);
    }

    private static String percent(double factor) {
        return Ranges.signed((double) Math.round(100 * (factor - 1))) + " %";
    }
}
