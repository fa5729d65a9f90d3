package wistel.core.tone;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import wistel.core.colour.MonotoneCubic;
import wistel.core.fault.InvalidRequest;

/**
 * The correction of a scale: the depth that is wanted to the depth that is sent, through as few points as there need be between the ends,
 * which stay. It never turns back, and its slope stays between a quarter and four.
 */
public record ToneCurve(List<Point> points) {
    public static final int MOST_POINTS = 6;
    public static final ToneCurve STRAIGHT = new ToneCurve(List.of());
    static final double FLATTEST = 0.25;
    static final double STEEPEST = 4;
    static final double NEAREST = 0.015;
    private static final int SAMPLES = 400;
    private static final double ROUNDING = 1e-6;

    public record Point(double wanted, double sent) {
    }

    /** @throws InvalidRequest when there are too many points, two at one place, or one that makes the curve too flat or too steep */
    public ToneCurve {
        points = List.copyOf(points);
        double at = 0;
        for (Point p : points) {
            if (!(p.wanted - at >= NEAREST && p.wanted <= 1 - NEAREST && p.sent > 0 && p.sent < 1)) {
                throw new InvalidRequest(InvalidRequest.Reason.CURVE_UNCLEAR,
                    "Points of the correction stand in order, apart from each other and from the ends.",
                    "Move the point back between its neighbours.");
            }
            at = p.wanted;
        }
        if (points.size() > MOST_POINTS || !slopesHold(points)) {
            throw new InvalidRequest(InvalidRequest.Reason.CURVE_UNCLEAR,
                points.size() > MOST_POINTS ? "A correction has at most " + MOST_POINTS + " points."
                    : "The correction gets too steep or too flat there.",
                "More would band, or follow the reading's noise.");
        }
    }

    /** As near to these points as the bounds of the slope allow: drawn towards the straight line until they hold. */
    static ToneCurve within(List<Point> points) {
        for (double share = 1; share > 0; share -= 0.02) {
            double s = share;
            List<Point> drawn = points.stream().map(p -> new Point(p.wanted, p.wanted + s * (p.sent - p.wanted))).toList();
            if (drawn.stream().allMatch(p -> p.sent > 0 && p.sent < 1) && slopesHold(drawn)) {
                return new ToneCurve(drawn);
            }
        }
        return STRAIGHT;
    }

    static MonotoneCubic through(List<Point> points) {
        double[] x = new double[points.size() + 2];
        double[] y = new double[points.size() + 2];
        for (int i = 0; i < points.size(); i++) {
            x[i + 1] = points.get(i).wanted;
            y[i + 1] = points.get(i).sent;
        }
        x[points.size() + 1] = 1;
        y[points.size() + 1] = 1;
        return new MonotoneCubic(x, y);
    }

    private static boolean slopesHold(List<Point> points) {
        MonotoneCubic cubic = through(points);
        double before = 0;
        for (int i = 1; i <= SAMPLES; i++) {
            double now = cubic.at((double) i / SAMPLES);
            double slope = (now - before) * SAMPLES;
            if (slope < FLATTEST - ROUNDING || slope > STEEPEST + ROUNDING) {
                return false;
            }
            before = now;
        }
        return true;
    }

    /** A function of the depth that is wanted; make it once for many. */
    public DoubleUnaryOperator function() {
        MonotoneCubic cubic = through(points);
        return cubic::at;
    }

    /** The largest move, as a share of the scale, and the wanted depth where it is. */
    public Point largestMove() {
        MonotoneCubic cubic = through(points);
        Point most = new Point(0, 0);
        for (int i = 0; i <= SAMPLES; i++) {
            double x = (double) i / SAMPLES;
            double move = cubic.at(x) - x;
            if (Math.abs(move) > Math.abs(most.sent)) {
                most = new Point(x, move);
            }
        }
        return most;
    }

    /** It moves more than a sound match of ink, media type and paper needs. */
    public boolean unsuited() {
        return Math.abs(largestMove().sent) > Linearisation.LARGEST_SOUND_MOVE;
    }

    /** With one point elsewhere, in its place among the others. */
    public ToneCurve moved(int nth, Point to) {
        List<Point> next = new ArrayList<>(points);
        next.set(nth, to);
        return new ToneCurve(next);
    }
}
