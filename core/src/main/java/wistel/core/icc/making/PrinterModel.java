package wistel.core.icc.making;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import wistel.core.cgats.Patch;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.fault.MeasurementException;
import wistel.core.icc.stage.ClutGrid;

/**
 * A printer's RGB behaviour on one paper, from a measured chart: media-relative L*a*b* for any RGB (Catmull-Rom between the nodes of a
 * cube, measured where the patches fill one, else fitted), and the RGB that comes nearest to a wanted colour.
 */
final class PrinterModel {
    private static final int FINE_SIDE = 41;

    private final ClutGrid measured;
    /** Whether patches between the nodes of a cube have made its steps half as long. */
    private final boolean halved;
    private final ClutGrid fine;
    private final double[] whiteXyz;
    private final double blackL;
    private final NearestColour search;

    private PrinterModel(ClutGrid measured, boolean halved, double[] whiteXyz) {
        this.measured = measured;
        this.halved = halved;
        this.whiteXyz = whiteXyz;
        this.fine = upsampled(FINE_SIDE);
        this.blackL = fine.values()[0];
        this.search = new NearestColour(measured, fine);
    }

    /** Patches that a model is made of, and others that judge it. */
    record Split(List<Patch> used, List<Patch> heldBack) {
    }

    private static final int FEWEST = 80;
    /** Of a chart that is no cube, one patch in this many is held back. */
    private static final int HOLD_BACK_EVERY = 12;

    static Split split(List<Patch> patches) {
        int side = side(patches);
        List<Patch> used = new ArrayList<>();
        List<Patch> heldBack = new ArrayList<>();
        for (int i = 0; i < patches.size(); i++) {
            double[] rgb = patches.get(i).device();
            boolean back = side > 0 ? !refines(rgb, side) && Arrays.stream(rgb).noneMatch(v -> v < 0.001 || v > 0.999)
                : i % HOLD_BACK_EVERY == HOLD_BACK_EVERY - 1 && !isEnd(rgb);
            (back ? heldBack : used).add(patches.get(i));
        }
        return new Split(used, heldBack);
    }

    /** On a node of the cube, or half-way between some and no gray: patches that were added to the cube later; grays between judge. */
    private static boolean refines(double[] rgb, int side) {
        return node(rgb, side) >= 0 || node(rgb, 2 * side - 1) >= 0 && !gray(rgb);
    }

    /** Whether all channels are alike. */
    static boolean gray(double[] rgb) {
        return rgb[0] == rgb[1] && rgb[1] == rgb[2];
    }

    private static boolean isEnd(double[] rgb) {
        return Arrays.stream(rgb).allMatch(v -> v < 0.001) || Arrays.stream(rgb).allMatch(v -> v > 0.999);
    }

    /** @throws MeasurementException when there are too few patches, or black or the bare paper is missing */
    static PrinterModel of(List<Patch> patches) {
        if (patches.size() < FEWEST
            || patches.stream().filter(p -> isEnd(p.device())).mapToLong(p -> Math.round(p.device()[0])).distinct().count() < 2) {
            throw new MeasurementException(MeasurementException.Reason.CHART_TOO_SMALL,
                "This RGB chart has " + patches.size() + " patches to work with; a profile takes at least " + FEWEST
                    + ", with full black and bare paper among them.",
                "Measure a chart that Wistel laid out, or a larger one of your own.");
        }
        double[] white = new double[3];
        D50.labToXyz(mean(patches.stream().filter(p -> isEnd(p.device()) && p.device()[0] > 0.5).map(Patch::lab).toList()), white);
        List<Lab> relative = patches.stream().map(p -> relative(p.lab(), white)).toList();
        int side = side(patches);
        ClutGrid nodes = side > 0 ? refined(grid(cube(patches, relative, side), side), patches, relative)
            : grid(CubeFit.nodes(patches, relative), CubeFit.SIDE);
        return new PrinterModel(nodes, side > 0 && nodes.size(0) > side, white);
    }

    private static ClutGrid grid(double[] nodes, int side) {
        float[] values = new float[nodes.length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (float) nodes[i];
        }
        return new ClutGrid(new int[] {side, side, side}, 3, values);
    }

    /**
     * A cube with half its spacing, where patches were measured half-way between nodes: by how far they are from what the cube says there,
     * fading out evenly towards its nodes.
     */
    private static ClutGrid refined(ClutGrid cube, List<Patch> patches, List<Lab> colours) {
        int side = cube.size(0);
        int fine = 2 * side - 1;
        List<double[]> devices = new ArrayList<>();
        List<double[]> off = new ArrayList<>();
        for (int p = 0; p < patches.size(); p++) {
            double[] rgb = patches.get(p).device();
            if (node(rgb, side) < 0 && refines(rgb, side)) {
                double[] said = new double[3];
                smooth(cube, rgb, said);
                double[] measured = colours.get(p).toArray();
                devices.add(rgb);
                off.add(new double[] {measured[0] - said[0], measured[1] - said[1], measured[2] - said[2]});
            }
        }
        if (devices.isEmpty()) {
            return cube;
        }
        for (int n = 0; n < side * side * side; n++) {
            double top = side - 1;
            devices.add(new double[] {n / (side * side) / top, n / side % side / top, n % side / top});
            off.add(new double[3]);
        }
        double[] correction = CubeFit.nodes(devices, off, fine);
        float[] values = upsampled(cube, fine).values();
        double[] sum = new double[values.length];
        for (int i = 0; i < sum.length; i++) {
            sum[i] = values[i] + correction[i];
        }
        return grid(sum, fine);
    }

    private static Lab relative(Lab measured, double[] white) {
        double[] xyz = measured.toArray();
        D50.labToXyz(xyz, 0);
        xyz[0] *= D50.X / white[0];
        xyz[1] *= D50.Y / white[1];
        xyz[2] *= D50.Z / white[2];
        D50.xyzToLab(xyz, 0);
        return Lab.of(xyz);
    }

    private static double[] mean(List<Lab> labs) {
        double[] mean = new double[3];
        for (Lab lab : labs) {
            double[] v = lab.toArray();
            for (int i = 0; i < 3; i++) {
                mean[i] += v[i] / labs.size();
            }
        }
        return mean;
    }

    /** Patches at the nodes of a full cube, averaged where there are several. */
    private static double[] cube(List<Patch> patches, List<Lab> colours, int side) {
        double[] sums = new double[3 * side * side * side];
        int[] counts = new int[side * side * side];
        for (int p = 0; p < patches.size(); p++) {
            int at = node(patches.get(p).device(), side);
            if (at >= 0) {
                double[] lab = colours.get(p).toArray();
                for (int i = 0; i < 3; i++) {
                    sums[3 * at + i] += lab[i];
                }
                counts[at]++;
            }
        }
        for (int i = 0; i < sums.length; i++) {
            sums[i] /= counts[i / 3];
        }
        return sums;
    }

    /**
     * Nodes along each side of the finest full cube among the patches; 0 where there is none of at least four, or most patches lie off it.
     */
    private static int side(List<Patch> patches) {
        long levels = patches.stream().mapToLong(p -> Math.round(p.device()[0] * 1000)).distinct().count();
        for (int side = (int) Math.min(33, levels); side >= 4; side--) {
            boolean[] seen = new boolean[side * side * side];
            for (Patch patch : patches) {
                int at = node(patch.device(), side);
                if (at >= 0) {
                    seen[at] = true;
                }
            }
            boolean full = true;
            for (boolean s : seen) {
                full &= s;
            }
            if (full) {
                return 2 * seen.length < patches.size() ? 0 : side;
            }
        }
        return 0;
    }

    private static int node(double[] rgb, int side) {
        int at = 0;
        for (int i = 0; i < 3; i++) {
            double place = rgb[i] * (side - 1);
            long near = Math.round(place);
            if (Math.abs(place - near) > 0.02) {
                return -1;
            }
            at = at * side + (int) near;
        }
        return at;
    }

    /** XYZ of the bare paper, Y = 1 for the perfect diffuser. */
    double[] whiteXyz() {
        return whiteXyz.clone();
    }

    /** L* of the darkest mix, relative to the paper. */
    double blackL() {
        return blackL;
    }

    /** The model on a grid of any side, media-relative L*a*b*. */
    ClutGrid upsampled(int side) {
        return upsampled(measured, side);
    }

    private static ClutGrid upsampled(ClutGrid from, int side) {
        float[] values = new float[3 * side * side * side];
        double[] lab = new double[3];
        int at = 0;
        for (int r = 0; r < side; r++) {
            for (int g = 0; g < side; g++) {
                for (int b = 0; b < side; b++) {
                    smooth(from, new double[] {(double) r / (side - 1), (double) g / (side - 1), (double) b / (side - 1)}, lab);
                    for (double v : lab) {
                        values[at++] = (float) v;
                    }
                }
            }
        }
        return new ClutGrid(new int[] {side, side, side}, 3, values);
    }

    private static void smooth(ClutGrid nodes, double[] rgb, double[] lab) {
        int side = nodes.size(0);
        double[] wr = new double[4];
        double[] wg = new double[4];
        double[] wb = new double[4];
        int cr = weights(rgb[0], side, wr);
        int cg = weights(rgb[1], side, wg);
        int cb = weights(rgb[2], side, wb);
        Arrays.fill(lab, 0);
        float[] values = nodes.values();
        for (int i = 0; i < 4; i++) {
            for (int j = 0; j < 4; j++) {
                for (int k = 0; k < 4; k++) {
                    double w = wr[i] * wg[j] * wb[k];
                    int at = 3 * ((clamp(cr + i - 1, side) * side + clamp(cg + j - 1, side)) * side + clamp(cb + k - 1, side));
                    for (int c = 0; w != 0 && c < 3; c++) {
                        lab[c] += w * values[at + c];
                    }
                }
            }
        }
    }

    private static int clamp(int i, int side) {
        return Math.max(0, Math.min(side - 1, i));
    }

    /** Catmull-Rom weights of the four nodes round a place; at the ends the missing node is mirrored through the last one. */
    private static int weights(double x, int side, double[] w) {
        double place = x * (side - 1);
        int cell = Math.min((int) place, side - 2);
        double t = place - cell;
        w[0] = ((-t + 2) * t - 1) * t / 2;
        w[1] = ((3 * t - 5) * t * t + 2) / 2;
        w[2] = ((-3 * t + 4) * t + 1) * t / 2;
        w[3] = (t - 1) * t * t / 2;
        if (cell == 0) {
            w[1] += 2 * w[0];
            w[2] -= w[0];
            w[0] = 0;
        }
        if (cell == side - 2) {
            w[2] += 2 * w[3];
            w[1] -= w[3];
            w[3] = 0;
        }
        return cell;
    }

    /**
     * How unsure the model is half-way between the nodes of its cube: what straight lines between them and the model itself say apart.
     *
     * @return the distance in L*a*b* for a cube of twice as many steps, first channel slowest; 0 at the nodes
     */
    double[] unsure() {
        ClutGrid half = halved ? measured : upsampled(2 * measured.size(0) - 1);
        int side = half.size(0);
        double[] distance = new double[side * side * side];
        ClutGrid nodes = everySecond(half);
        double[] straight = new double[3];
        for (int n = 0; n < distance.length; n++) {
            double top = side - 1;
            nodes.at(new double[] {n / (side * side) / top, n / side % side / top, n % side / top}, straight);
            double sum = 0;
            for (int c = 0; c < 3; c++) {
                sum += Math.pow(straight[c] - half.values()[3 * n + c], 2);
            }
            distance[n] = Math.sqrt(sum);
        }
        return distance;
    }

    private static ClutGrid everySecond(ClutGrid half) {
        int fine = half.size(0);
        int side = (fine + 1) / 2;
        double[] nodes = new double[3 * side * side * side];
        for (int n = 0; n < nodes.length; n++) {
            int at = n / 3;
            int from = (2 * (at / (side * side)) * fine + 2 * (at / side % side)) * fine + 2 * (at % side);
            nodes[n] = half.values()[3 * from + n % 3];
        }
        return grid(nodes, side);
    }

    Lab relative(double[] rgb) {
        double[] lab = new double[3];
        fine.at(rgb, lab);
        return Lab.of(lab);
    }

    /** What {@link NearestColour#of} finds. */
    double[] nearest(Lab wanted) {
        return search.of(wanted);
    }
}
