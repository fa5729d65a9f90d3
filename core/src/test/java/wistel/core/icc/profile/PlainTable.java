package wistel.core.icc.profile;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * A second reading of table tags for tests, clause by clause from the bytes (ICC.1:2022, 10.10 to 10.13), one colour at a time, in double
 * precision throughout, and with interpolation from its definition: the corners of the simplex that holds a place, by its fractions in
 * falling order. Shares nothing with {@link LutReader} but the standard.
 */
final class PlainTable {
    private final ByteBuffer tag;
    private final String type;
    private final int inputs;
    private final int outputs;
    private final ColourSpace from;
    private final ColourSpace to;

    PlainTable(byte[] bytes, ColourSpace from, ColourSpace to) {
        tag = ByteBuffer.wrap(bytes);
        type = new String(bytes, 0, 4, StandardCharsets.US_ASCII);
        inputs = bytes[8];
        outputs = bytes[9];
        this.from = from;
        this.to = to;
    }

    /** Values in their own units in and out. */
    double[] at(double... in) {
        double[] coded = coded(from, in, true);
        double[] out = switch (type) {
            case "mft1" -> lut(coded, 1, 256, 256, 48);
            case "mft2" -> lut(coded, 2, tag.getShort(48) & 0xFFFF, tag.getShort(50) & 0xFFFF, 52);
            case "mAB " -> connectionPart(cube(curves(coded, tag.getInt(28))), false);
            case "mBA " -> curves(cube(connectionPart(coded, true)), tag.getInt(28));
            default -> throw new IllegalArgumentException(type);
        };
        return coded(to, out, false);
    }

    private double[] coded(ColourSpace space, double[] v, boolean encode) {
        if (space == ColourSpace.LAB) {
            // lut16Type: FF00 is L* 100 and 8000 is a* 0 (10.10, note); the others: FFFF is 100, 8080 is 0 (6.3.4.2)
            double l = type.equals("mft2") ? 65280 / 65535.0 / 100 : 0.01;
            double ab = type.equals("mft2") ? 256 / 65535.0 : 257 / 65535.0;
            return encode ? new double[] {v[0] * l, (v[1] + 128) * ab, (v[2] + 128) * ab}
                : new double[] {v[0] / l, v[1] / ab - 128, v[2] / ab - 128};
        }
        double[] out = v.clone();
        for (int i = 0; space == ColourSpace.XYZ && i < 3; i++) {
            out[i] = encode ? v[i] * 32768 / 65535 : v[i] * 65535 / 32768;
        }
        return out;
    }

    private double[] lut(double[] in, int width, int entriesBefore, int entriesAfter, int start) {
        double[] v = from == ColourSpace.XYZ ? matrix(in, 12, -1) : in;
        int side = tag.get(10) & 0xFF;
        int nodes = start + width * inputs * entriesBefore;
        int after = nodes + width * outputs * (int) Math.round(Math.pow(side, inputs));
        double[] place = new double[inputs];
        for (int i = 0; i < inputs; i++) {
            place[i] = line(v[i], start + width * entriesBefore * i, entriesBefore, width);
        }
        int[] sizes = new int[inputs];
        Arrays.fill(sizes, side);
        double[] out = interpolated(place, sizes, nodes, width);
        for (int i = 0; i < outputs; i++) {
            out[i] = line(out[i], after + width * entriesAfter * i, entriesAfter, width);
        }
        return out;
    }

    private double[] cube(double[] in) {
        int at = tag.getInt(24);
        if (at == 0) {
            return in;
        }
        int[] sizes = new int[inputs];
        for (int i = 0; i < inputs; i++) {
            sizes[i] = tag.get(at + i) & 0xFF;
        }
        return interpolated(in, sizes, at + 20, tag.get(at + 16));
    }

    /** B, matrix and M curves, in this order or the other. */
    private double[] connectionPart(double[] in, boolean first) {
        int b = tag.getInt(12);
        int matrix = tag.getInt(16);
        int m = tag.getInt(20);
        return first ? curves(matrix(curves(in, b), matrix, matrix + 36), m) : curves(matrix(curves(in, m), matrix, matrix + 36), b);
    }

    private double[] matrix(double[] v, int at, int offset) {
        if (at == 0) {
            return v;
        }
        double[] out = new double[3];
        for (int row = 0; row < 3; row++) {
            out[row] = offset < 0 ? 0 : tag.getInt(offset + 4 * row) / 65536.0;
            for (int c = 0; c < 3; c++) {
                out[row] += tag.getInt(at + 12 * row + 4 * c) / 65536.0 * v[c];
            }
        }
        return out;
    }

    private double[] curves(double[] v, int at) {
        double[] out = v.clone();
        int next = at;
        for (int i = 0; at != 0 && i < v.length; i++) {
            int count = tag.getInt(next + 8);
            if (tag.getInt(next) == 0x63757276) { // curv, 10.6
                out[i] = count == 0 ? v[i]
                    : count == 1 ? Math.pow(v[i], (tag.getShort(next + 12) & 0xFFFF) / 256.0) : line(v[i], next + 12, count, 2);
                next += 12 + 2 * count + (count & 1) * 2;
            } else { // para, 10.18: of its types only the first is met in tables here
                if (tag.getShort(next + 8) != 0) {
                    throw new IllegalArgumentException("para of type " + tag.getShort(next + 8));
                }
                out[i] = Math.pow(Math.max(0, v[i]), tag.getInt(next + 12) / 65536.0);
                next += 16;
            }
        }
        return out;
    }

    private double sample(int at, int width) {
        return width == 1 ? (tag.get(at) & 0xFF) / 255.0 : (tag.getShort(at) & 0xFFFF) / 65535.0;
    }

    private double line(double x, int at, int entries, int width) {
        double place = Math.max(0, Math.min(1, x)) * (entries - 1);
        int low = (int) Math.min(entries - 2, Math.floor(place));
        double a = sample(at + low * width, width);
        return a + (sample(at + (low + 1) * width, width) - a) * (place - low);
    }

    /** Over L*a*b* all eight corners weigh in; over device values the simplex; of four inputs the first joins two simplices. */
    private double[] interpolated(double[] v, int[] sizes, int nodes, int width) {
        int n = v.length;
        int[] low = new int[n];
        double[] part = new double[n];
        for (int i = 0; i < n; i++) {
            double place = Math.max(0, Math.min(1, v[i])) * (sizes[i] - 1);
            low[i] = (int) Math.min(sizes[i] - 2, Math.floor(place));
            part[i] = place - low[i];
        }
        if (from == ColourSpace.LAB || n != 3 && n != 4) {
            return weighted(low, part, sizes, nodes, width);
        }
        if (n == 3) {
            return simplex(low, part, 0, sizes, nodes, width);
        }
        double[] near = simplex(low, part, 1, sizes, nodes, width);
        low[0]++;
        double[] far = simplex(low, part, 1, sizes, nodes, width);
        for (int o = 0; o < outputs; o++) {
            near[o] += (far[o] - near[o]) * part[0];
        }
        return near;
    }

    private double[] weighted(int[] low, double[] part, int[] sizes, int nodes, int width) {
        double[] out = new double[outputs];
        for (int corner = 0; corner < 1 << low.length; corner++) {
            int[] node = low.clone();
            double weight = 1;
            for (int i = 0; i < low.length; i++) {
                boolean up = (corner >> i & 1) == 1;
                node[i] += up ? 1 : 0;
                weight *= up ? part[i] : 1 - part[i];
            }
            add(out, weight, node, sizes, nodes, width);
        }
        return out;
    }

    private double[] simplex(int[] low, double[] part, int firstAxis, int[] sizes, int nodes, int width) {
        List<Integer> axes = new ArrayList<>();
        for (int i = firstAxis; i < low.length; i++) {
            axes.add(i);
        }
        axes.sort(Comparator.comparingDouble((Integer i) -> part[i]).reversed());
        double[] out = new double[outputs];
        int[] node = low.clone();
        add(out, 1 - part[axes.get(0)], node, sizes, nodes, width);
        for (int k = 0; k < axes.size(); k++) {
            node[axes.get(k)]++;
            add(out, part[axes.get(k)] - (k + 1 < axes.size() ? part[axes.get(k + 1)] : 0), node, sizes, nodes, width);
        }
        return out;
    }

    private void add(double[] out, double weight, int[] node, int[] sizes, int nodes, int width) {
        int index = 0;
        for (int i = 0; i < node.length; i++) {
            index = index * sizes[i] + node[i];
        }
        for (int o = 0; o < out.length && weight != 0; o++) {
            out[o] += weight * sample(nodes + width * (index * outputs + o), width);
        }
    }
}
