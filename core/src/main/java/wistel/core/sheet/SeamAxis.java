package wistel.core.sheet;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.function.DoubleUnaryOperator;

/**
 * The joints along one side of a picture that goes over several sheets, as few as cover it.
 *
 * @param wholeMm  the picture's side
 * @param mostMm   what one sheet can print of it
 * @param commonMm what neighbours print both
 * @param count    of sheets
 */
public record SeamAxis(double wholeMm, double mostMm, double commonMm, int count) {
    private static final double ROUNDING_MM = 1e-6;
    /** Places that are tried are about so far from each other. */
    private static final double STEP_MM = 1;
    private static final int MOST_PLACES = 3000;
    private static final int LEAST_PLACES = 200;
    /** No sheet shows less than this of what it would evenly. */
    private static final double LEAST_SHARE = 1.0 / 3;
    /** Of the mean contrast: the price of lying as far from its even place as the slack goes. */
    private static final double PRICE = 0.25;

    /** @throws IllegalArgumentException when a sheet prints nothing beside what its neighbours print */
    static SeamAxis of(double wholeMm, double mostMm, double commonMm) {
        return new SeamAxis(wholeMm, mostMm, commonMm, PictureGrid.count(wholeMm, mostMm, commonMm));
    }

    private double reachMm() {
        return commonMm / 2;
    }

    /** What the sheets hold more than the picture needs. */
    public double slackMm() {
        return count == 1 ? 0 : Math.max(0, count * mostMm - (count - 1) * commonMm - wholeMm);
    }

    private double leastMm() {
        return LEAST_SHARE * wholeMm / count;
    }

    /** Joints of sheets that show equally much. */
    public List<Double> even() {
        double tile = (wholeMm + (count - 1) * commonMm) / count;
        List<Double> even = new ArrayList<>();
        for (int i = 1; i < count; i++) {
            even.add(i * (tile - commonMm) + reachMm());
        }
        return even;
    }

    /** Where sheets begin and end: from the first joint's reach to the last one's. */
    double fromMm(List<Double> seams, int sheet) {
        return sheet == 0 ? 0 : seams.get(sheet - 1) - reachMm();
    }

    double toMm(List<Double> seams, int sheet) {
        return sheet == count - 1 ? wholeMm : seams.get(sheet) + reachMm();
    }

    /** The wanted ones where sheets can be parted so, else the even ones. */
    List<Double> suited(List<Double> wanted) {
        return suits(wanted) ? wanted : even();
    }

    private boolean suits(List<Double> seams) {
        if (seams.size() != count - 1) {
            return false;
        }
        for (int i = 0; i < count; i++) {
            double length = toMm(seams, i) - fromMm(seams, i);
            if (length > mostMm + ROUNDING_MM || length < Math.min(mostMm, leastMm()) - ROUNDING_MM) {
                return false;
            }
        }
        return true;
    }

    /** The nearest and farthest place of a joint while the others stay: two lengths. */
    public double[] range(List<Double> seams, int seam) {
        double before = seam == 0 ? 0 : seams.get(seam - 1);
        double after = seam == seams.size() - 1 ? wholeMm : seams.get(seam + 1);
        double low = Math.max(before + leastMm(), toMm(seams, seam + 1) - mostMm + reachMm());
        double high = Math.min(after - leastMm(), fromMm(seams, seam) + mostMm - reachMm());
        double now = seams.get(seam);
        return new double[] {Math.min(low, now), Math.max(high, now)};
    }

    /** With one joint at a place, or as near to it as the sheets allow. */
    List<Double> moved(List<Double> seams, int seam, double toMm) {
        double[] range = range(seams, seam);
        List<Double> moved = new ArrayList<>(seams);
        moved.set(seam, Math.max(range[0], Math.min(range[1], toMm)));
        return moved;
    }

    /**
     * The joints that cost least together, by dynamic programming over places about a millimetre apart. Of places alike the even ones.
     *
     * @param cost of a joint at a place, 0 or more
     */
    List<Double> cheapest(DoubleUnaryOperator cost) {
        if (count == 1 || slackMm() < ROUNDING_MM) {
            return even();
        }
        int places = (int) Math.max(LEAST_PLACES, Math.min(MOST_PLACES, Math.round(wholeMm / STEP_MM)));
        double step = wholeMm / places;
        double[] costs = new double[places + 1];
        Arrays.setAll(costs, k -> cost.applyAsDouble(k * step));
        double price = PRICE * Arrays.stream(costs).average().orElse(0) + Double.MIN_NORMAL;
        List<Double> even = even();
        int[][] from = new int[count - 1][places + 1];
        double[] best = new double[places + 1];
        for (int i = 0; i < count - 1; i++) {
            double[] sum = new double[places + 1];
            Arrays.fill(sum, Double.POSITIVE_INFINITY);
            for (int k = 0; k <= places; k++) {
                double at = k * step;
                if (i == count - 2 && (at < wholeMm - mostMm + reachMm() || at > wholeMm - leastMm())) {
                    continue;
                }
                double off = (at - even.get(i)) / slackMm();
                double here = costs[k] + price * off * off;
                if (i == 0) {
                    sum[k] = at >= leastMm() && at <= mostMm - reachMm() ? here : Double.POSITIVE_INFINITY;
                } else {
                    int first = (int) Math.max(0, Math.ceil((at - mostMm + commonMm) / step));
                    int last = (int) Math.floor((at - leastMm()) / step);
                    for (int j = first; j <= last; j++) {
                        if (best[j] + here < sum[k]) {
                            sum[k] = best[j] + here;
                            from[i][k] = j;
                        }
                    }
                }
            }
            best = sum;
        }
        return path(best, from, step);
    }

    private List<Double> path(double[] best, int[][] from, double step) {
        int end = 0;
        for (int k = 1; k < best.length; k++) {
            end = best[k] < best[end] ? k : end;
        }
        if (best[end] == Double.POSITIVE_INFINITY) {
            // less slack than the places lie apart
            return even();
        }
        List<Double> seams = new ArrayList<>();
        for (int i = count - 2; i >= 0; i--) {
            seams.add(end * step);
            end = from[i][end];
        }
        Collections.reverse(seams);
        return seams;
    }
}
