package wistel.core.icc.profile;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import wistel.core.icc.stage.ClutGrid;
import wistel.core.icc.stage.Curve;
import wistel.core.icc.stage.Interpolation;
import wistel.core.icc.stage.Stage;

/**
 * Table tags as stages in natural units: lut8Type and lut16Type (ICC.1:2022, 10.10, 10.11; v2.4, 6.5.7, 6.5.8), lutAToBType and lutBToAType
 * (10.12, 10.13). Connection spaces are decoded and encoded here, so that a stage never has to know how a tag coded them.
 */
public final class LutReader {
    /** 64 MB of nodes: a table of 255 a side and three inputs needs 50 million. */
    private static final long MOST_VALUES = 16L << 20;
    /** lut16Type allows no more (10.10). */
    private static final int MOST_ENTRIES = 4096;

    private LutReader() {
    }

    /**
     * @param from the space that goes in: device values, or the connection space of a B2A tag
     * @param to   the space that comes out
     * @throws wistel.core.fault.ProfileException when the tag is cut off, of another type, or for other channels
     */
    public static List<Stage> read(byte[] tag, ColourSpace from, ColourSpace to) {
        TagReader.need(tag, 0, 32, "A table");
        String type = TagReader.type(tag);
        int inputs = tag[8] & 0xFF;
        int outputs = tag[9] & 0xFF;
        if (inputs != from.channels() || outputs != to.channels()) {
            throw ProfileReader.broken("A table in it has " + inputs + " inputs and " + outputs + " outputs");
        }
        List<Stage> stages = new ArrayList<>();
        PcsEncoding.ofTable(from, type).map(PcsEncoding::encode).ifPresent(stages::add);
        Body body = new Body(tag, inputs, outputs, from == ColourSpace.LAB ? Interpolation.MULTILINEAR : Interpolation.forInputs(inputs));
        stages.addAll(switch (type) {
            case "mft1" -> body.lut(1, from == ColourSpace.XYZ);
            case "mft2" -> body.lut(2, from == ColourSpace.XYZ);
            case "mAB " -> body.deviceFirst();
            case "mBA " -> body.connectionFirst();
            default -> throw ProfileReader.broken("A table in it is of an unknown type");
        });
        PcsEncoding.ofTable(to, type).map(PcsEncoding::decode).ifPresent(stages::add);
        return stages;
    }

    /** The tag's inner part, which knows only numbers from 0 to 1. */
    private record Body(byte[] tag, int inputs, int outputs, Interpolation interpolation) {

        /** @param width 1 byte a value in lut8Type, 2 in lut16Type; the matrix counts only where XYZ goes in */
        List<Stage> lut(int width, boolean fromXyz) {
            ByteBuffer in = ByteBuffer.wrap(tag);
            int side = tag[10] & 0xFF;
            TagReader.need(tag, 0, 52, "A table");
            int inputEntries = width == 1 ? 256 : in.getShort(48) & 0xFFFF;
            int outputEntries = width == 1 ? 256 : in.getShort(50) & 0xFFFF;
            int at = width == 1 ? 48 : 52;
            if (side < 2 || inputEntries < 2 || outputEntries < 2 || inputEntries > MOST_ENTRIES || outputEntries > MOST_ENTRIES) {
                throw ProfileReader.broken("A table in it has no usable size");
            }
            int[] sizes = new int[inputs];
            Arrays.fill(sizes, side);
            long nodes = nodes(sizes);
            TagReader.need(tag, at, width * ((long) inputs * inputEntries + nodes + (long) outputs * outputEntries), "A table");
            List<Stage> stages = new ArrayList<>();
            if (fromXyz) {
                stages.add(new Stage.Linear(numbers(12, 9), new double[3]));
            }
            stages.add(tables(in, at, inputs, inputEntries, width));
            at += inputs * inputEntries * width;
            stages.add(new Stage.Clut(new ClutGrid(sizes, outputs, values(in, at, (int) nodes, width)), interpolation));
            at += (int) nodes * width;
            stages.add(tables(in, at, outputs, outputEntries, width));
            return stages;
        }

        private Stage tables(ByteBuffer in, int at, int count, int entries, int width) {
            Curve[] curves = new Curve[count];
            for (int c = 0; c < count; c++) {
                double[] table = new double[entries];
                for (int i = 0; i < entries; i++) {
                    table[i] = sample(in, at + (c * entries + i) * width, width);
                }
                curves[c] = new Curve.Table(table).simplest();
            }
            return new Stage.Curves(curves);
        }

        /** A curves, table, M curves, matrix, B curves. */
        List<Stage> deviceFirst() {
            List<Stage> stages = new ArrayList<>();
            deviceCurves(inputs).ifPresent(stages::add);
            table().ifPresent(stages::add);
            List<Stage> last = connectionPart(outputs);
            Collections.reverse(last);
            stages.addAll(last);
            return stages;
        }

        /** B curves, matrix, M curves, table, A curves. */
        List<Stage> connectionFirst() {
            List<Stage> stages = connectionPart(inputs);
            table().ifPresent(stages::add);
            deviceCurves(outputs).ifPresent(stages::add);
            return stages;
        }

        private int offset(int at) {
            return ByteBuffer.wrap(tag).getInt(at);
        }

        private Optional<Stage> deviceCurves(int channels) {
            return offset(28) == 0 || offset(24) == 0 ? Optional.empty()
                : Optional.of(new Stage.Curves(TagReader.curves(tag, offset(28), channels)));
        }

        /** B curves, matrix, M curves: the order of lutBToA. */
        private List<Stage> connectionPart(int channels) {
            int b = offset(12);
            int matrix = offset(16);
            int m = offset(20);
            if (b == 0 || offset(24) == 0 && inputs != outputs || matrix != 0 && channels != 3) {
                throw ProfileReader.broken("A table in it lacks a part");
            }
            List<Stage> stages = new ArrayList<>();
            stages.add(new Stage.Curves(TagReader.curves(tag, b, channels)));
            if (matrix != 0) {
                TagReader.need(tag, matrix, 48, "A matrix");
                stages.add(new Stage.Linear(numbers(matrix, 9), numbers(matrix + 36, 3)));
            }
            if (m != 0) {
                stages.add(new Stage.Curves(TagReader.curves(tag, m, channels)));
            }
            return stages;
        }

        private Optional<Stage> table() {
            int at = offset(24);
            if (at == 0) {
                return Optional.empty();
            }
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
            long nodes = nodes(sizes);
            TagReader.need(tag, at + 20L, nodes * width, "A table");
            return Optional
                .of(new Stage.Clut(new ClutGrid(sizes, outputs, values(ByteBuffer.wrap(tag), at + 20, (int) nodes, width)), interpolation));
        }

        private long nodes(int[] sizes) {
            long nodes = outputs;
            for (int size : sizes) {
                nodes *= size;
                if (nodes > MOST_VALUES) {
                    throw ProfileReader.broken("A table in it claims more than " + (MOST_VALUES >> 20) + " million values");
                }
            }
            return nodes;
        }

        private double[] numbers(int at, int count) {
            double[] numbers = new double[count];
            for (int i = 0; i < count; i++) {
                numbers[i] = TagReader.fixed(ByteBuffer.wrap(tag), at + 4 * i);
            }
            return numbers;
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
}
