package wistel.core.icc.kernel;

import java.util.ArrayList;
import java.util.List;
import wistel.core.colour.LabEncoding;

/**
 * L*a*b* codes to a display that is curves and a matrix, by arithmetic: no grid would follow the clipping of colours it can't show, nor
 * the steep start of its curves.
 *
 * @param matrix row-major, a row for each output, XYZ over its white to light
 * @param offset added after it
 */
public record LabToLight(double[] matrix, double[] offset, InverseTrc[] last, LabEncoding codes) implements LightKernel {
    @Override
    public int outputs() {
        return last.length;
    }

    @Override
    public long bytes() {
        return last.length * InverseTrc.bytes();
    }

    @Override
    public List<Loop> loops(int[][] in, int[][] out, PlaneLoops by) {
        float[][] xyz = new float[3][BLOCK];
        float[][] light = new float[last.length][BLOCK];
        List<Loop> loops = new ArrayList<>(by.decode(codes, in, xyz));
        loops.addAll(by.mix(SinglePrecision.rows(matrix, offset), xyz, light));
        loops.addAll(by.codes(last, light, out));
        return loops;
    }
}
