package wistel.core.icc;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Lookup-table tags as stages in natural units: lut8Type, lut16Type (ICC.1:2022, 10.10 and 10.11), lutAToBType and lutBToAType (10.12,
 * 10.13). The PCS side is decoded or encoded here: L*a*b* of lut16 is always the older coding (FF00 = 100, 10.11), whatever the
 * profile's version.
 */
final class LutReader {
    private static final long MOST_VALUES = 16L << 20;
    private static final double XYZ_SCALE = 1 + 32767.0 / 32768;

    private LutReader() {
    }

    /** How a table codes the connection space. */
    private enum Coding {
        LAB_OLD_16, LAB, XYZ;

        Stage decode() {
            return switch (this) {
                case LAB -> Stage.Linear.scale(100, 255, 255, 0, -128, -128);
                case LAB_OLD_16 -> {
                    double code = 65535.0 / 65280;
                    yield Stage.Linear.scale(100 * code, 255 * code, 255 * code, 0, -128, -128);
                }
                case XYZ -> Stage.Linear.scale(XYZ_SCALE, XYZ_SCALE, XYZ_SCALE, 0, 0, 0);
            };
        }

        Stage encode() {
            return switch (this) {
                case LAB -> Stage.Linear.scale(1 / 100.0, 1 / 255.0, 1 / 255.0, 0, 128 / 255.0, 128 / 255.0);
                case LAB_OLD_16 -> {
                    double code = 65280 / 65535.0;
                    yield Stage.Linear.scale(code / 100, code / 255, code / 255, 0, 128 * code / 255, 128 * code / 255);
                }
                case XYZ -> Stage.Linear.scale(1 / XYZ_SCALE, 1 / XYZ_SCALE, 1 / XYZ_SCALE, 0, 0, 0);
            };
        }
    }

    /** Device to PCS: the stages of an A2B tag, ending in L*a*b* or XYZ as the profile's PCS says. */
    static List<Stage> toPcs(byte[] tag, ColourSpace device, ColourSpace pcs) {
        List<Stage> stages = new ArrayList<>(body(tag, device.channels(), pcs.channels(), false));
        stages.add(coding(tag, pcs).decode());
        return stages;
    }

    /** PCS to device: the stages of a B2A tag. */
    static List<Stage> fromPcs(byte[] tag, ColourSpace device, ColourSpace pcs) {
        List<Stage> stages = new ArrayList<>();
        stages.add(coding(tag, pcs).encode());
        stages.addAll(body(tag, pcs.channels(), device.channels(), pcs == ColourSpace.XYZ));
        return stages;
    }

    private static Coding coding(byte[] tag, ColourSpace pcs) {
        if (pcs == ColourSpace.XYZ) {
            return Coding.XYZ;
        }
        return TagReader.type(tag).equals("mft2") ? Coding.LAB_OLD_16 : Coding.LAB;
    }

    private static List<Stage> body(byte[] tag, int inputs, int outputs, boolean fromXyz) {
        TagReader.need(tag, 0, 32, "A table");
        if ((tag[8] & 0xFF) != inputs || (tag[9] & 0xFF) != outputs) {
            throw ProfileReader.broken("A table in it has " + (tag[8] & 0xFF) + " inputs and " + (tag[9] & 0xFF) + " outputs");
        }
        return switch (TagReader.type(tag)) {
            case "mft1" -> legacy(tag, inputs, outputs, fromXyz, 1);
            case "mft2" -> legacy(tag, inputs, outputs, fromXyz, 2);
            case "mAB " -> composed(tag, inputs, outputs, false);
            case "mBA " -> composed(tag, inputs, outputs, true);
            default -> throw ProfileReader.broken("A table in it is of an unknown type");
        };
    }

    private static List<Stage> legacy(byte[] tag, int inputs, int outputs, boolean fromXyz, int width) {
        ByteBuffer in = ByteBuffer.wrap(tag);
        int side = tag[10] & 0xFF;
        TagReader.need(tag, 0, 52, "A table");
        int inputEntries = width == 1 ? 256 : in.getShort(48) & 0xFFFF;
        int outputEntries = width == 1 ? 256 : in.getShort(50) & 0xFFFF;
        int at = width == 1 ? 48 : 52;
        if (side < 2 || inputEntries < 2 || outputEntries < 2 || inputEntries > 4096 || outputEntries > 4096) {
            throw ProfileReader.broken("A table in it has no usable size");
        }
        int[] sizes = new int[inputs];
        Arrays.fill(sizes, side);
        long nodes = nodes(sizes, outputs);
        TagReader.need(tag, at, width * ((long) inputs * inputEntries + nodes + (long) outputs * outputEntries), "A table");
        List<Stage> stages = new ArrayList<>();
        if (fromXyz) {
            double[] matrix = new double[9];
            for (int i = 0; i < 9; i++) {
                matrix[i] = TagReader.fixed(in, 12 + 4 * i);
            }
            stages.add(new Stage.Linear(matrix, new double[3]));
        }
        stages.add(tables(in, at, inputs, inputEntries, width));
        at += inputs * inputEntries * width;
        stages.add(new Stage.Clut(new Grid(sizes, outputs, values(in, at, (int) nodes, width))));
        at += (int) nodes * width;
        stages.add(tables(in, at, outputs, outputEntries, width));
        return stages;
    }

    private static Stage tables(ByteBuffer in, int at, int count, int entries, int width) {
        Curve[] curves = new Curve[count];
        for (int c = 0; c < count; c++) {
            double[] table = new double[entries];
            for (int i = 0; i < entries; i++) {
                table[i] = sample(in, at + (c * entries + i) * width, width);
            }
            curves[c] = new Curve.Table(table);
        }
        return new Stage.Curves(curves);
    }

    private static List<Stage> composed(byte[] tag, int inputs, int outputs, boolean reverse) {
        ByteBuffer in = ByteBuffer.wrap(tag);
        int b = in.getInt(12);
        int matrix = in.getInt(16);
        int m = in.getInt(20);
        int clut = in.getInt(24);
        int a = in.getInt(28);
        int pcsSide = reverse ? inputs : outputs;
        int deviceSide = reverse ? outputs : inputs;
        if (b == 0 || clut == 0 && inputs != outputs || matrix != 0 && pcsSide != 3) {
            throw ProfileReader.broken("A table in it lacks a part");
        }
        List<Stage> stages = new ArrayList<>();
        if (a != 0 && clut != 0) {
            stages.add(new Stage.Curves(TagReader.curves(tag, a, deviceSide)));
        }
        if (clut != 0) {
            Stage grid = clut(tag, in, clut, inputs, outputs);
            if (reverse) {
                stages.add(0, grid);
            } else {
                stages.add(grid);
            }
        }
        List<Stage> pcs = new ArrayList<>();
        if (m != 0) {
            pcs.add(new Stage.Curves(TagReader.curves(tag, m, pcsSide)));
        }
        if (matrix != 0) {
            TagReader.need(tag, matrix, 48, "A matrix");
            double[] e = new double[12];
            for (int i = 0; i < 12; i++) {
                e[i] = TagReader.fixed(in, matrix + 4 * i);
            }
            pcs.add(new Stage.Linear(Arrays.copyOf(e, 9), Arrays.copyOfRange(e, 9, 12)));
        }
        pcs.add(new Stage.Curves(TagReader.curves(tag, b, pcsSide)));
        if (reverse) {
            java.util.Collections.reverse(pcs);
            pcs.addAll(stages);
            return pcs;
        }
        stages.addAll(pcs);
        return stages;
    }

    private static Stage clut(byte[] tag, ByteBuffer in, int at, int inputs, int outputs) {
        TagReader.need(tag, at, 20, "A table");
        int[] sizes = new int[inputs];
        for (int i = 0; i < inputs; i++) {
            sizes[i] = tag[at + i] & 0xFF;
            if (sizes[i] < 2) {
                throw ProfileReader.broken("A table in it has a side of " + sizes[i]);
            }
        }
        int width = tag[at + 16];
        if (width != 1 && width != 2) {
            throw ProfileReader.broken("A table in it has values of " + width + " bytes");
        }
        long nodes = nodes(sizes, outputs);
        TagReader.need(tag, at + 20, nodes * width, "A table");
        return new Stage.Clut(new Grid(sizes, outputs, values(in, at + 20, (int) nodes, width)));
    }

    private static long nodes(int[] sizes, int outputs) {
        long nodes = outputs;
        for (int size : sizes) {
            nodes *= size;
            if (nodes > MOST_VALUES) {
                throw ProfileReader.broken("A table in it claims more than " + (MOST_VALUES >> 20) + " million values");
            }
        }
        return nodes;
    }

    private static float[] values(ByteBuffer in, int at, int count, int width) {
        float[] values = new float[count];
        for (int i = 0; i < count; i++) {
            values[i] = (float) sample(in, at + i * width, width);
        }
        return values;
    }

    private static double sample(ByteBuffer in, int at, int width) {
        return width == 1 ? (in.get(at) & 0xFF) / 255.0 : (in.getShort(at) & 0xFFFF) / 65535.0;
    }
}
