package wistel.core.rendition;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import wistel.core.colour.MonotoneCubic;
import wistel.core.colour.Oklab;
import wistel.core.icc.stage.LabChange;
import wistel.core.icc.stage.LabFunction;

/**
 * How light each hue becomes in monochrome: L* plus mix(hue) c/(c + c0), a periodic curve through up to 6 points; hue and chroma c in
 * Oklab. Neutrals keep their lightness, paper and black are left alone.
 */
public record HueMix(List<MixPoint> points) {
    public static final HueMix EVEN = new HueMix(List.of());
    public static final int MOST_POINTS = 6;
    public static final double MOST_LIGHTER = 30;
    /** Half of the mix reaches colours of this chroma, about C* 14. */
    private static final double HALF_CHROMA = 0.04;

    /** @param hue in Oklab, degrees from 0 to 360
     * @param lighter L*, -30 to 30 */
    public record MixPoint(double hue, double lighter) {
        public MixPoint {
            Ranges.within("hue", hue, 0, 360);
            Ranges.within("lightness by hue", lighter, -MOST_LIGHTER, MOST_LIGHTER);
        }
    }

    /** @throws wistel.core.fault.InvalidRequest when a number is out of its range, there are too many points, or two at one hue */
    public HueMix {
        points = points.stream().sorted(Comparator.comparing(MixPoint::hue)).toList();
        if (points.size() > MOST_POINTS) {
            throw Ranges.curve(points.size() + " points by hue are more than can be.", "Give up to " + MOST_POINTS + ".");
        }
        for (int i = 1; i < points.size(); i++) {
            if (points.get(i).hue - points.get(i - 1).hue < 1) {
                throw Ranges.curve("Two points of the mix stand at one hue.", "Move them apart.");
            }
        }
        if (points.size() > 1 && points.get(0).hue + 360 - points.get(points.size() - 1).hue < 1) {
            throw Ranges.curve("Two points of the mix stand at one hue: 0° is 360°.", "Move them apart.");
        }
    }

    public boolean even() {
        return points.stream().allMatch(p -> p.lighter == 0);
    }

    /** Any colour to the neutral of its lightness in this mix. */
    LabFunction function() {
        if (even()) {
            return (lab, at) -> {
                lab[at + 1] = 0;
                lab[at + 2] = 0;
            };
        }
        LabChange.OklabPlane plane = plane();
        return (lab, at) -> {
            double l = lab[at];
            Oklab.fromLab(lab, at);
            double[] v = {lab[at + 1], lab[at + 2], 0};
            plane.apply(v);
            lab[at] = Math.max(0, Math.min(100, l + v[2]));
            lab[at + 1] = 0;
            lab[at + 2] = 0;
        };
    }

    /** What the strongest colours of a hue are lightened by. */
    public double at(double hue) {
        return points.isEmpty() ? 0 : curve().at(hue);
    }

    private MonotoneCubic curve() {
        return MonotoneCubic.periodic(points.stream().mapToDouble(MixPoint::hue).toArray(),
            points.stream().mapToDouble(MixPoint::lighter).toArray());
    }

    /** What is added to L* by a colour's place in Oklab's plane. */
    LabChange.OklabPlane plane() {
        MonotoneCubic mix = curve();
        return at -> {
            double c = Math.sqrt(at[0] * at[0] + at[1] * at[1]);
            at[2] = mix.at(Oklab.hue(at[0], at[1])) * c / (c + HALF_CHROMA);
        };
    }

    String words() {
        return points.stream().filter(p -> p.lighter != 0).map(p -> Hues.name(p.hue) + " " + Ranges.signed(p.lighter))
            .collect(Collectors.joining(", "));
    }
}
