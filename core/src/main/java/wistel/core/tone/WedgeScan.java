package wistel.core.tone;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.QRDecomposition;
import wistel.core.cgats.Readings;
import wistel.core.cgats.Readings.Reading;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.MeasurementException;
import wistel.core.fault.MeasurementException.Reason;
import wistel.core.pictures.Crop;
import wistel.core.pictures.View;

/**
 * A wedge on a flatbed's scan: found by the codes in its corners however it lies there, its patches against the bare paper around them.
 * What a scanner says of lightness is relative and wants to be calibrated; what it says of colour isn't used.
 *
 * @param reflectances of the patches in their order, bare paper being 1: a quadratic fitted to the paper takes out uneven light
 * @param cast         a* and b* of bare paper, as far from neutral as the scanner sees it
 */
public record WedgeScan(Wedge wedge, List<Double> reflectances, double cast) {
    private static final List<String> CORNERS = List.of("upper left", "upper right", "lower left", "lower right");
    /** Of a code's finder from where the others say it is. */
    private static final double BENT_MM = 1.2;
    /** Beyond it the scanner's channels are too unequal for a luminance. */
    private static final double MOST_CAST = 30;
    private static final double INNER = 0.6;
    private static final int SAMPLES = 14;
    private static final double QUADRANT = 0.6;

    public WedgeScan {
        reflectances = List.copyOf(reflectances);
    }

    /** The number of the wedge on a scan, from any of its codes; empty where there is none. */
    public static OptionalInt number(View lab) {
        return codes(lab).values().stream().mapToInt(f -> f.code().wedge()).findFirst();
    }

    /**
     * @param lab codes of {@link LabEncoding#V4}, by the scanner's profile, or by sRGB where it tells none
     * @throws MeasurementException when it shows another wedge or none, or not all of it
     */
    public static WedgeScan of(Wedge wedge, View lab) {
        Map<Integer, CornerCode.Found> found = codes(lab);
        if (found.isEmpty()) {
            throw new MeasurementException(Reason.SCAN_WITHOUT_WEDGE, "No wedge is to be seen on this scan.",
                "Scan the sheet with the four square codes at the wedge's corners, at 150 dpi or more, as a photo.");
        }
        found.values().stream().map(f -> f.code().wedge()).filter(n -> n != wedge.number()).findFirst().ifPresent(other -> {
            throw new MeasurementException(Reason.READING_OF_ANOTHER_WEDGE,
                "This is a scan of wedge " + other + ", not of wedge " + wedge.number() + ".",
                "Add it to wedge " + other + ", or scan this one.");
        });
        if (found.size() < CORNERS.size()) {
            String missing = IntStream.range(0, CORNERS.size()).filter(c -> !found.containsKey(c)).mapToObj(CORNERS::get)
                .collect(Collectors.joining(" and the "));
            throw new MeasurementException(Reason.SCAN_CROPPED,
                "The " + missing + " of wedge " + wedge.number() + " is not on this scan, or can't be made out.",
                "Lay the whole wedge on the glass, and nothing over it.");
        }
        Scanned scanned = new Scanned(lab, placement(found.values().stream().toList(), wedge));
        return scanned.read(wedge);
    }

    /** By corner. Each is looked for in its own part of the picture first, then in others: it may lie turned, or small in a large scan. */
    private static Map<Integer, CornerCode.Found> codes(View lab) {
        byte[] grays = new byte[lab.width() * lab.height()];
        for (int i = 0; i < grays.length; i++) {
            grays[i] = (byte) Math.min(255, Math.round(255 * LabEncoding.V4.l(lab.pixels()[3 * i]) / 100));
        }
        Map<Integer, CornerCode.Found> found = new HashMap<>();
        for (double share : new double[] {QUADRANT, QUADRANT / 2}) {
            int w = (int) (lab.width() * share);
            int h = (int) (lab.height() * share);
            double[] steps = share == QUADRANT ? new double[] {0, 1} : new double[] {0, 0.25, 0.5, 0.75, 1};
            for (double down : steps) {
                for (double across : steps) {
                    CornerCode
                        .in(grays, lab.width(), new int[] {(int) (across * (lab.width() - w)), (int) (down * (lab.height() - h)), w, h})
                        .ifPresent(f -> found.putIfAbsent(f.code().corner(), f));
                    if (found.size() == CORNERS.size()) {
                        return found;
                    }
                }
            }
        }
        return found;
    }

    /** From mm on the field to pixels of the scan: x, y and 1 times these. */
    private record Placement(double[] toX, double[] toY) {
        private double x(double xMm, double yMm) {
            return toX[0] * xMm + toX[1] * yMm + toX[2];
        }

        private double y(double xMm, double yMm) {
            return toY[0] * xMm + toY[1] * yMm + toY[2];
        }
    }

    private static Placement placement(List<CornerCode.Found> found, Wedge wedge) {
        List<double[]> places = new ArrayList<>();
        List<double[]> seen = new ArrayList<>();
        for (CornerCode.Found f : found) {
            Crop at = Wedge.codePlace(f.code().corner());
            for (int i = 0; i < CornerCode.FINDERS.length; i++) {
                places.add(new double[] {at.x() + CornerCode.FINDERS[i][0] * at.width() / CornerCode.MODULES,
                    at.y() + CornerCode.FINDERS[i][1] * at.height() / CornerCode.MODULES, 1});
                seen.add(f.finders().get(i));
            }
        }
        Placement fit = new Placement(fitted(places, seen.stream().mapToDouble(p -> p[0]).toArray()),
            fitted(places, seen.stream().mapToDouble(p -> p[1]).toArray()));
        double perMm = Math.hypot(fit.toX[0], fit.toY[0]);
        for (int i = 0; i < places.size(); i++) {
            double off = Math.hypot(fit.x(places.get(i)[0], places.get(i)[1]) - seen.get(i)[0],
                fit.y(places.get(i)[0], places.get(i)[1]) - seen.get(i)[1]) / perMm;
            if (off > BENT_MM) {
                throw new MeasurementException(Reason.SCAN_UNCLEAR, "Wedge " + wedge.number() + " is bent or warped on this scan.",
                    "Lay it flat on the glass; a photograph won't do.");
            }
        }
        return fit;
    }

    /** Least squares. */
    private static double[] fitted(List<double[]> rows, double[] values) {
        return new QRDecomposition(new Array2DRowRealMatrix(rows.toArray(double[][]::new))).getSolver().solve(new ArrayRealVector(values))
            .toArray();
    }

    private record Scanned(View lab, Placement at) {
        private WedgeScan read(Wedge wedge) {
            List<double[]> places = new ArrayList<>();
            List<Double> lights = new ArrayList<>();
            double[] cast = new double[2];
            for (Crop bare : bare()) {
                if (inside(bare)) {
                    double[] mean = mean(bare, 1);
                    places.add(terms(bare));
                    lights.add(mean[0]);
                    cast[0] += mean[1];
                    cast[1] += mean[2];
                }
            }
            double away = Math.hypot(cast[0], cast[1]) / places.size();
            if (away > MOST_CAST) {
                throw new MeasurementException(Reason.SCAN_UNCLEAR, "The scan has a strong cast of colour.",
                    "Switch the scanner's own corrections off and scan again.");
            }
            double[] light = fitted(places, lights.stream().mapToDouble(Double::doubleValue).toArray());
            List<Double> reflectances = new ArrayList<>();
            for (int i = 0; i < wedge.patches(); i++) {
                Crop patch = wedge.place(i);
                double[] terms = terms(patch);
                double white = IntStream.range(0, terms.length).mapToDouble(t -> terms[t] * light[t]).sum();
                reflectances.add(mean(patch, INNER)[0] / white);
            }
            return new WedgeScan(wedge, reflectances, away);
        }

        /** Places of bare paper: between the codes and the patches, between the codes, and beside the field. */
        private static List<Crop> bare() {
            List<Crop> all = new ArrayList<>();
            for (double x = 2; x < Wedge.WIDTH_MM - 4; x += 8) {
                all.add(new Crop(x, 23.5, 3, 3));
                all.add(new Crop(x, Wedge.HEIGHT_MM - 26.5, 3, 3));
                if (x > 28 && x < Wedge.WIDTH_MM - 30) {
                    all.add(new Crop(x, 8, 3, 3));
                    all.add(new Crop(x, Wedge.HEIGHT_MM - 11, 3, 3));
                }
            }
            return all;
        }

        /** Of a quadratic in the field's mm, scaled to about 1. */
        private static double[] terms(Crop at) {
            double u = (at.x() + at.width() / 2) / Wedge.WIDTH_MM - 0.5;
            double v = (at.y() + at.height() / 2) / Wedge.HEIGHT_MM - 0.5;
            return new double[] {1, u, v, u * u, u * v, v * v};
        }

        private boolean inside(Crop mm) {
            double x = at.x(mm.x() + mm.width() / 2, mm.y() + mm.height() / 2);
            double y = at.y(mm.x() + mm.width() / 2, mm.y() + mm.height() / 2);
            return x >= 0 && y >= 0 && x < lab.width() && y < lab.height();
        }

        /** Luminance, a* and b* of the inner part of a place. */
        private double[] mean(Crop mm, double share) {
            double[] sum = new double[3];
            for (int i = 0; i < SAMPLES; i++) {
                for (int j = 0; j < SAMPLES; j++) {
                    double xMm = mm.x() + mm.width() * (0.5 + share * ((i + 0.5) / SAMPLES - 0.5));
                    double yMm = mm.y() + mm.height() * (0.5 + share * ((j + 0.5) / SAMPLES - 0.5));
                    int x = (int) Math.max(0, Math.min(lab.width() - 1, at.x(xMm, yMm)));
                    int y = (int) Math.max(0, Math.min(lab.height() - 1, at.y(xMm, yMm)));
                    Lab seen = LabEncoding.V4.lab(lab.pixels(), 3 * (y * lab.width() + x));
                    sum[0] += D50.luminance(seen.l());
                    sum[1] += seen.a();
                    sum[2] += seen.b();
                }
            }
            return Arrays.stream(sum).map(s -> s / (SAMPLES * SAMPLES)).toArray();
        }
    }

    /**
     * L* by the wedge's own ends, whose L* are known otherwise: the scanner's flare and gain drop out, its curve is taken as its profile
     * says.
     */
    public Readings byEnds(double paperL, double blackL) {
        double paper = mean(0);
        double black = mean(wedge.steps() - 1);
        double paperY = D50.luminance(paperL);
        double blackY = D50.luminance(blackL);
        if (!(paper - black > 0.05)) {
            throw new MeasurementException(Reason.SCAN_UNCLEAR, "Paper and black of wedge " + wedge.number() + " look alike on this scan.",
                "Scan it with no correction of the scanner's own.");
        }
        return readings(reflectances.stream().map(r -> blackY + (r - black) / (paper - black) * (paperY - blackY)).toList());
    }

    /** L* by a scanner's curve, which a wedge told that an instrument has read too. */
    public Readings by(ScannerCurve scanner, double paperL) {
        double paper = mean(0);
        DoubleUnaryOperator luminance = scanner.function();
        return readings(reflectances.stream().map(r -> luminance.applyAsDouble(r / paper) * D50.luminance(paperL)).toList());
    }

    /** Of the patches of one step. */
    double mean(int step) {
        List<Integer> order = wedge.order();
        return IntStream.range(0, order.size()).filter(i -> order.get(i) == step).mapToDouble(reflectances::get).average().orElseThrow();
    }

    private Readings readings(List<Double> luminances) {
        List<Reading> all = new ArrayList<>();
        for (int i = 0; i < luminances.size(); i++) {
            all.add(new Reading(wedge.id(i), OptionalDouble.empty(), new Lab(D50.lightness(Math.max(0, luminances.get(i))), 0, 0)));
        }
        return new Readings(Readings.Kind.LIGHTNESS, all);
    }
}
