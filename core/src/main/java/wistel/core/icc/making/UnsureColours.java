package wistel.core.icc.making;

import java.util.ArrayList;
import java.util.List;
import wistel.core.cgats.Patch;

/**
 * Device colours of which a chart says least: half-way between the nodes of its cube, where the model is farthest from straight lines
 * between them; no grays, which judge. A colour that is taken halves what its neighbours are worth, so that the hundred spread out.
 */
final class UnsureColours {
    /** Neighbours lie within so many half steps. */
    private static final int NEAR = 2;

    private UnsureColours() {
    }

    /**
     * @param measured patches that are there already
     * @return the most unsure first; fewer than {@code count} where the model has no more places
     */
    static List<double[]> of(PrinterModel model, List<Patch> measured, int count) {
        double[] worth = model.unsure();
        int side = (int) Math.round(Math.cbrt(worth.length));
        for (int n = 0; n < worth.length; n++) {
            worth[n] *= PrinterModel.gray(rgb(place(n, side), side)) ? 0 : 1;
        }
        measured.forEach(p -> {
            int[] at = new int[3];
            for (int c = 0; c < 3; c++) {
                at[c] = (int) Math.round(p.device()[c] * (side - 1));
            }
            worth[(at[0] * side + at[1]) * side + at[2]] = 0;
        });
        List<double[]> found = new ArrayList<>();
        while (found.size() < count) {
            int best = 0;
            for (int n = 1; n < worth.length; n++) {
                best = worth[n] > worth[best] ? n : best;
            }
            if (worth[best] <= 0) {
                break;
            }
            int[] taken = place(best, side);
            found.add(rgb(taken, side));
            worth[best] = 0;
            for (int n = 0; n < worth.length; n++) {
                int[] at = place(n, side);
                boolean near = Math.abs(at[0] - taken[0]) <= NEAR && Math.abs(at[1] - taken[1]) <= NEAR
                    && Math.abs(at[2] - taken[2]) <= NEAR;
                worth[n] *= near ? 0.5 : 1;
            }
        }
        return found;
    }

    private static int[] place(int node, int side) {
        return new int[] {node / (side * side), node / side % side, node % side};
    }

    private static double[] rgb(int[] at, int side) {
        return new double[] {at[0] / (side - 1.0), at[1] / (side - 1.0), at[2] / (side - 1.0)};
    }
}
