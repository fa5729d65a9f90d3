package wistel.core.icc.kernel;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import wistel.core.colour.LabEncoding;

/**
 * Three channels through curves and a matrix to L*a*b* codes: what stands before a printer's table when the picture's profile is curves
 * and a matrix. Single precision is good for a hundredth of a code.
 *
 * @param first  65536 values of light a channel; equal ones best shared
 * @param matrix row-major, light to XYZ over its white
 */
public record MatrixTrcToLab(float[][] first, double[] matrix, double[] offset, LabEncoding codes) implements LightKernel {
    @Override
    public int outputs() {
        return 3;
    }

    @Override
    public long bytes() {
        return Arrays.stream(first).distinct().count() * 4L * 65536;
    }

    @Override
    public List<Loop> loops(int[][] in, int[][] out, PlaneLoops by) {
        float[][] light = new float[3][BLOCK];
        float[][] xyz = new float[3][BLOCK];
        List<Loop> loops = new ArrayList<>();
        for (int c = 0; c < 3; c++) {
            int channel = c;
            loops.add(n -> PlaneLoops.look(first[channel], in[channel], light[channel], n));
        }
        loops.addAll(by.mix(SinglePrecision.rows(matrix, offset), light, xyz));
        loops.addAll(by.encode(xyz, codes, out));
        return loops;
    }
}
