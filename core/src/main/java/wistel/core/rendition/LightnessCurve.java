package wistel.core.rendition;

import java.util.List;
import java.util.stream.Collectors;
import wistel.core.colour.MonotoneCubic;
import wistel.core.icc.stage.LabFunction;

/**
 * Lightness against lightness, L* 0 to 100, as a curve through 2 to 8 points that never turns back ({@link MonotoneCubic}). What is darker
 * than the first point or lighter than the last becomes as dark or light as they are.
 */
public record LightnessCurve(List<TonePoint> points) implements Move {
    public static final int MOST_POINTS = 8;
    /** Points nearer than this can't be told apart on paper. */
    private static final double NEAREST = 0.5;

    /** @param from L* of the picture
     * @param to   L* that it becomes */
    public record TonePoint(double from, double to) {
        public TonePoint {
            Ranges.within("point", from, 0, 100);
            Ranges.within("point", to, 0, 100);
        }
    }

    /**
     * @throws wistel.core.fault.InvalidRequest when there are too few or too many points, two at one place, or one that turns the curve
     *                                          back
     */
    public LightnessCurve {
        points = List.copyOf(points);
        if (points.size() < 2 || points.size() > MOST_POINTS) {
            throw Ranges.curve("A lightness curve of " + points.size() + " points can't be.", "Give it 2 to " + MOST_POINTS + ".");
        }
        for (int i = 1; i < points.size(); i++) {
            if (points.get(i).from - points.get(i - 1).from < NEAREST) {
                throw Ranges.curve("Two points of the lightness curve stand at one place, or in the wrong order.",
                    "Keep them half an L* apart, from dark to light.");
            }
            if (points.get(i).to < points.get(i - 1).to) {
                throw Ranges.curve("The lightness curve turns back: a lighter tone would print darker.",
                    "Let it rise from point to point.");
            }
        }
    }

    @Override
    public LabFunction function() {
        MonotoneCubic curve = new MonotoneCubic(points.stream().mapToDouble(TonePoint::from).toArray(),
            points.stream().mapToDouble(TonePoint::to).toArray());
        return (lab, at) -> lab[at] = curve.at(lab[at]);
    }

    @Override
    public boolean changesNothing() {
        return points.get(0).from == 0 && points.get(points.size() - 1).from == 100 && points.stream().allMatch(p -> p.from == p.to);
    }

    @Override
    public String words() {
        return "lightness curve "
            + points.stream().map(p -> Ranges.number(p.from) + "→" + Ranges.number(p.to)).collect(Collectors.joining(", "));
    }
}
