package wistel.core.icc.kernel;

import static wistel.core.icc.kernel.SinglePrecision.BLACK;
import static wistel.core.icc.kernel.SinglePrecision.JOINT;
import static wistel.core.icc.kernel.SinglePrecision.SLOPE;

import java.util.ArrayList;
import java.util.List;
import wistel.core.colour.LabEncoding;

/**
 * Loops over planes that several kernels have: light, matrices, and L*a*b* codes from and to XYZ over its white. These are plain ones; a
 * family may have its own, which end at the same bits.
 */
public class PlaneLoops {
    public static final PlaneLoops PLAIN = new PlaneLoops();

    protected PlaneLoops() {
    }

    /** How pixels become planes. */
    public PixelEnds ends() {
        return PixelEnds.PLAIN;
    }

    static void look(float[] table, int[] codes, float[] values, int count) {
        for (int p = 0; p < count; p++) {
            values[p] = table[codes[p]];
        }
    }

    static void look(double[] table, int[] codes, double[] values, int count) {
        for (int p = 0; p < count; p++) {
            values[p] = table[codes[p]];
        }
    }

    /** Three channels through a matrix, a row for each channel of {@code out}, as {@link SinglePrecision#rows} gives them. */
    public final List<Loop> mix(float[] rows, float[][] in, float[][] out) {
        List<Loop> loops = new ArrayList<>();
        for (int c = 0; c < out.length; c++) {
            int row = 4 * c;
            float[] mixed = out[c];
            loops.add(n -> mix(rows, row, in[0], in[1], in[2], mixed, n));
        }
        return loops;
    }

    /** One row of a matrix, from {@code row} on. */
    protected void mix(float[] rows, int row, float[] x, float[] y, float[] z, float[] mixed, int count) {
        float a = rows[row];
        float b = rows[row + 1];
        float c = rows[row + 2];
        float d = rows[row + 3];
        for (int p = 0; p < count; p++) {
            mixed[p] = x[p] * a + y[p] * b + z[p] * c + d;
        }
    }

    /** L*a*b* codes to XYZ over its white. */
    public final List<Loop> decode(LabEncoding codes, int[][] lab, float[][] xyz) {
        float lightness = (float) (1 / (116 * codes.lightness()));
        float neutral = (float) (-codes.lowest() * codes.chroma());
        float a = (float) (1 / (500 * codes.chroma()));
        float b = (float) (-1 / (200 * codes.chroma()));
        return List.of(n -> lightness(lab[0], lightness, xyz[1], n), n -> chroma(lab[1], neutral, a, xyz[1], xyz[0], n),
            n -> chroma(lab[2], neutral, b, xyz[1], xyz[2], n), n -> expand(xyz[0], n), n -> expand(xyz[1], n), n -> expand(xyz[2], n));
    }

    private static void lightness(int[] codes, float scale, float[] f, int count) {
        for (int p = 0; p < count; p++) {
            f[p] = codes[p] * scale;
        }
    }

    private static void chroma(int[] codes, float neutral, float scale, float[] lightness, float[] f, int count) {
        for (int p = 0; p < count; p++) {
            f[p] = (codes[p] - neutral) * scale + lightness[p];
        }
    }

    /** As {@link SinglePrecision#expanded}, in place. */
    public void expand(float[] values, int count) {
        for (int p = 0; p < count; p++) {
            float f = Math.max(values[p], JOINT) + BLACK;
            values[p] = f * f * f + Math.min(values[p] - JOINT, 0) * SLOPE;
        }
    }

    /** XYZ over its white to L*a*b* codes; the values are lost on the way. */
    public final List<Loop> encode(float[][] xyz, LabEncoding codes, int[][] lab) {
        float l = (float) codes.lightness();
        float neutral = (float) (-codes.lowest() * codes.chroma());
        return List.of(n -> compress(xyz[0], n), n -> compress(xyz[1], n), n -> compress(xyz[2], n),
            n -> code(xyz[1], 116 * l, -16 * l, lab[0], n), n -> code(xyz[0], xyz[1], (float) (500 * codes.chroma()), neutral, lab[1], n),
            n -> code(xyz[1], xyz[2], (float) (200 * codes.chroma()), neutral, lab[2], n));
    }

    /** As {@link SinglePrecision#compressed}, in place. */
    public void compress(float[] values, int count) {
        for (int p = 0; p < count; p++) {
            values[p] = SinglePrecision.compressed(values[p]);
        }
    }

    /** Values to codes, clipped. */
    protected void code(float[] f, float scale, float offset, int[] codes, int count) {
        for (int p = 0; p < count; p++) {
            codes[p] = (int) (Math.min(Math.max(f[p] * scale + offset, 0), 65535) + 0.5f);
        }
    }

    /** Differences to codes, clipped. */
    protected void code(float[] f, float[] less, float scale, float offset, int[] codes, int count) {
        for (int p = 0; p < count; p++) {
            codes[p] = (int) (Math.min(Math.max((f[p] - less[p]) * scale + offset, 0), 65535) + 0.5f);
        }
    }

    /** Light through a device's curves; the light is lost on the way. */
    public final List<Loop> codes(InverseTrc[] curves, float[][] light, int[][] codes) {
        List<Loop> loops = new ArrayList<>();
        for (int c = 0; c < curves.length; c++) {
            InverseTrc curve = curves[c];
            float[] channel = light[c];
            int[] to = codes[c];
            loops.addAll(curve.isSearched() ? List.of(n -> curve.codes(channel, to, n)) : codes(curve, channel, to));
        }
        return loops;
    }

    protected List<Loop> codes(InverseTrc curve, float[] light, int[] codes) {
        return List.of(n -> curve.codes(light, codes, n));
    }
}
