package wistel.core.icc.kernel;

import java.util.ArrayList;
import java.util.List;
import wistel.core.colour.LabEncoding;

/** L*a*b* codes through a linear change of XYZ over its white, as black point compensation between two tables is. */
public record LabScaling(double[] matrix, double[] offset, LabEncoding from, LabEncoding to) implements LightKernel {
    @Override
    public int outputs() {
        return 3;
    }

    @Override
    public long bytes() {
        return 0;
    }

    @Override
    public List<Loop> loops(int[][] in, int[][] out, PlaneLoops by) {
        float[][] xyz = new float[3][BLOCK];
        float[][] scaled = new float[3][BLOCK];
        List<Loop> loops = new ArrayList<>(by.decode(from, in, xyz));
        loops.addAll(by.mix(SinglePrecision.rows(matrix, offset), xyz, scaled));
        loops.addAll(by.encode(scaled, to, out));
        return loops;
    }
}
