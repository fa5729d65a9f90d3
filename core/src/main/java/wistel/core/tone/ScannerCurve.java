package wistel.core.tone;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import wistel.core.colour.D50;
import wistel.core.colour.MonotoneCubic;

/**
 * What a scanner's relative reflectances mean, from a wedge that it scanned and an instrument read: both relative to bare paper.
 *
 * @param points in rising order of both
 */
public record ScannerCurve(List<ScanPoint> points) {
    private static final double LEAST_STEP = 1e-4;

    public record ScanPoint(double scanned, double luminance) {
    }

    public ScannerCurve {
        points = List.copyOf(points);
        if (points.size() < 2) {
            throw new IllegalArgumentException("a curve of " + points.size() + " points");
        }
    }

    /** @param scale of the same wedge, read by an instrument */
    public static ScannerCurve of(WedgeScan scan, ToneScale scale) {
        double paper = scan.mean(0);
        double paperY = D50.luminance(scale.paper().l());
        List<ScanPoint> all = new ArrayList<>();
        for (ToneScale.Step s : scale.steps()) {
            int step = (int) Math.round(s.depth() * (scan.wedge().steps() - 1));
            all.add(new ScanPoint(scan.mean(step) / paper, D50.luminance(s.lab().l()) / paperY));
        }
        all.sort(Comparator.comparingDouble(ScanPoint::scanned));
        List<ScanPoint> rising = new ArrayList<>();
        for (ScanPoint p : all) {
            ScanPoint last = rising.isEmpty() ? new ScanPoint(-1, -1) : rising.get(rising.size() - 1);
            if (p.scanned - last.scanned > LEAST_STEP && p.luminance >= last.luminance) {
                rising.add(p);
            }
        }
        return new ScannerCurve(rising);
    }

    /** Luminance relative to bare paper; beyond the darkest and lightest that it was made of, as they are. Make it once for many. */
    public DoubleUnaryOperator function() {
        return new MonotoneCubic(points.stream().mapToDouble(ScanPoint::scanned).toArray(),
            points.stream().mapToDouble(ScanPoint::luminance).toArray())::at;
    }
}
