package wistel.core.icc.making;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import wistel.core.cgats.Patch;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.colour.MonotoneCubic;
import wistel.core.fault.MeasurementException;

/**
 * A monochrome printer's tone scale on one paper: media-relative L*a*b* over the gray value, 0 black to 1 paper. Lightness never falls
 * (runs that do are averaged: pool adjacent violators, Ayer et al. 1955) and is joined by monotone cubics (Fritsch and Carlson 1980); the
 * tint by straight lines.
 */
final class GrayRamp {
    private static final int FEWEST = 5;

    private final double[] levels;
    private final double[][] lab;
    private final MonotoneCubic lightness;
    private final double[] whiteXyz;

    private GrayRamp(double[] levels, double[][] lab, double[] whiteXyz) {
        this.levels = levels;
        this.lab = lab;
        this.whiteXyz = whiteXyz;
        pool(lab);
        this.lightness = new MonotoneCubic(levels, Arrays.stream(lab).mapToDouble(colour -> colour[0]).toArray());
    }

    /** @throws MeasurementException when there are fewer than five levels, or neither black nor paper among them */
    static GrayRamp of(List<Patch> patches) {
        Map<Double, List<Lab>> byLevel = new TreeMap<>();
        patches.forEach(p -> byLevel.computeIfAbsent(Math.round(p.device()[0] * 1e4) / 1e4, k -> new ArrayList<>()).add(p.lab()));
        double[] levels = byLevel.keySet().stream().mapToDouble(Double::doubleValue).toArray();
        if (levels.length < FEWEST || levels[0] > 0.001 || levels[levels.length - 1] < 0.999) {
            throw new MeasurementException(MeasurementException.Reason.RAMP_TOO_SHORT,
                "This gray chart has " + levels.length + " levels; a profile takes at least " + FEWEST
                    + ", with full black and bare paper among them.",
                "Measure a gray ramp from black to paper.");
        }
        double[][] absolute = byLevel.values().stream().map(GrayRamp::mean).toArray(double[][]::new);
        double[] white = absolute[absolute.length - 1].clone();
        D50.labToXyz(white, 0);
        for (double[] colour : absolute) {
            D50.labToXyz(colour, 0);
            for (int i = 0; i < 3; i++) {
                colour[i] *= new double[] {D50.X, D50.Y, D50.Z}[i] / white[i];
            }
            D50.xyzToLab(colour, 0);
        }
        return new GrayRamp(levels, absolute, white);
    }

    private static double[] mean(List<Lab> labs) {
        return new double[] {labs.stream().mapToDouble(Lab::l).average().orElseThrow(),
            labs.stream().mapToDouble(Lab::a).average().orElseThrow(),
            labs.stream().mapToDouble(Lab::b).average().orElseThrow()};
    }

    /** Lightness averaged wherever it would fall, until it nowhere does. */
    private static void pool(double[][] lab) {
        List<double[]> runs = new ArrayList<>();
        for (double[] colour : lab) {
            runs.add(new double[] {colour[0], 1});
            while (runs.size() > 1 && runs.get(runs.size() - 2)[0] > runs.get(runs.size() - 1)[0]) {
                double[] last = runs.remove(runs.size() - 1);
                double[] before = runs.get(runs.size() - 1);
                before[0] = (before[0] * before[1] + last[0] * last[1]) / (before[1] + last[1]);
                before[1] += last[1];
            }
        }
        int at = 0;
        for (double[] run : runs) {
            for (int i = 0; i < run[1]; i++) {
                lab[at++][0] = run[0];
            }
        }
    }

    double[] whiteXyz() {
        return whiteXyz.clone();
    }

    double blackL() {
        return lab[0][0];
    }

    /** Media-relative L*a*b* of a gray value. */
    Lab at(double gray) {
        int i = 0;
        while (i < levels.length - 2 && gray > levels[i + 1]) {
            i++;
        }
        double span = levels[i + 1] - levels[i];
        double t = Math.max(0, Math.min(1, (gray - levels[i]) / span));
        return new Lab(lightness.at(gray), lab[i][1] + t * (lab[i + 1][1] - lab[i][1]), lab[i][2] + t * (lab[i + 1][2] - lab[i][2]));
    }

    /** The gray value of a lightness, by bisection; darker than black gives 0. */
    double grayOf(double l) {
        double low = 0;
        double high = 1;
        if (l <= blackL()) {
            return 0;
        }
        for (int i = 0; i < 40; i++) {
            double middle = (low + high) / 2;
            if (at(middle).l() < l) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return high;
    }

    /** For each level between the ends, CIEDE2000 between it and a ramp made without it. */
    double[] leaveOneOut() {
        double[] differences = new double[levels.length - 2];
        for (int out = 1; out < levels.length - 1; out++) {
            double[] fewer = new double[levels.length - 1];
            double[][] colours = new double[levels.length - 1][];
            for (int i = 0, to = 0; i < levels.length; i++) {
                if (i != out) {
                    fewer[to] = levels[i];
                    colours[to++] = lab[i].clone();
                }
            }
            differences[out - 1] = new GrayRamp(fewer, colours, whiteXyz).at(levels[out]).deltaE2000(Lab.of(lab[out]));
        }
        return differences;
    }
}
