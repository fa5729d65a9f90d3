package wistel.core.icc.profile;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;

/** Tables as tag bytes (ICC.1:2022, 10.10 to 10.13): the counterpart of {@link LutReader}. Node values are codes, first input slowest. */
public final class LutWriter {
    private static final char[] STRAIGHT = {0, 0xFFFF};

    private LutWriter() {
    }

    /** lut16Type with straight curves; L*a*b* nodes in the older coding that this type always uses. */
    public static byte[] lut16(int inputs, int outputs, int side, char[] nodes) {
        char[][] before = new char[inputs][];
        Arrays.fill(before, STRAIGHT);
        return lut16(outputs, side, nodes, before);
    }

    /** lut16Type with a curve for each input, all of the same length, 2 to 4096 samples; output curves are straight. */
    public static byte[] lut16(int outputs, int side, char[] nodes, char[]... inputCurves) {
        int inputs = inputCurves.length;
        int entries = inputCurves[0].length;
        check(inputs, outputs, side, nodes.length);
        int length = 44 + 2 * (inputs * entries + nodes.length + outputs * STRAIGHT.length);
        ByteBuffer out = start("mft2", length, inputs, outputs, side).putShort((short) entries).putShort((short) STRAIGHT.length);
        for (char[] curve : inputCurves) {
            put(out, curve);
        }
        put(out, nodes);
        for (int i = 0; i < outputs; i++) {
            put(out, STRAIGHT);
        }
        return out.array();
    }

    /** lut8Type with straight curves: for small profiles only, as its steps are coarse. */
    public static byte[] lut8(int inputs, int outputs, int side, byte[] nodes) {
        check(inputs, outputs, side, nodes.length);
        ByteBuffer out = start("mft1", 40 + 256 * inputs + nodes.length + 256 * outputs, inputs, outputs, side);
        for (int i = 0; i < 256 * inputs; i++) {
            out.put((byte) i);
        }
        out.put(nodes);
        for (int i = 0; i < 256 * outputs; i++) {
            out.put((byte) i);
        }
        return out.array();
    }

    private static ByteBuffer start(String type, int length, int inputs, int outputs, int side) {
        ByteBuffer out = TagWriter.type(type, length).put((byte) inputs).put((byte) outputs).put((byte) side).put((byte) 0);
        for (int i = 0; i < 9; i++) {
            out.putInt(i % 4 == 0 ? 65536 : 0);
        }
        return out;
    }

    private static void put(ByteBuffer out, char[] codes) {
        for (char code : codes) {
            out.putShort((short) code);
        }
    }

    private static void check(int inputs, int outputs, int side, int values) {
        if (values != outputs * Math.round(Math.pow(side, inputs))) {
            throw new IllegalArgumentException(
                "a table of " + side + " a side, " + inputs + " inputs and " + outputs + " outputs has not " + values + " values");
        }
    }

    /** The table of a lutAToB or lutBToA: a size for each input, 16-bit nodes. */
    public record Table(int[] sizes, char[] nodes) {
    }

    /**
     * The parts of a lutAToB or lutBToA. Curves are tags of their own ({@link TagWriter#parametric}, {@link TagWriter#sampled}).
     *
     * @param connectionCurves B curves, three
     * @param matrix           nine numbers and three offsets, or empty
     * @param matrixCurves     M curves, three, or empty
     * @param table            one, or none
     * @param deviceCurves     A curves, as many as the device has channels, or empty
     */
    public record Parts(List<byte[]> connectionCurves, double[] matrix, List<byte[]> matrixCurves, List<Table> table,
        List<byte[]> deviceCurves) {
    }

    /** lutAToBType: device to connection space. */
    public static byte[] deviceFirst(int inputs, Parts parts) {
        return composed("mAB ", inputs, 3, parts);
    }

    /** lutBToAType: connection space to device. */
    public static byte[] connectionFirst(int outputs, Parts parts) {
        return composed("mBA ", 3, outputs, parts);
    }

    private static byte[] composed(String type, int inputs, int outputs, Parts parts) {
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        ByteBuffer head = ByteBuffer.allocate(32).put(type.getBytes(StandardCharsets.US_ASCII)).putInt(0).put((byte) inputs)
            .put((byte) outputs).putShort((short) 0);
        head.putInt(curves(body, parts.connectionCurves));
        // the matrix's numbers without the head of the array type that TagWriter puts before them
        head.putInt(parts.matrix.length == 0 ? 0 : placed(body, ByteBuffer.wrap(TagWriter.numbers(parts.matrix)).slice(8, 48)));
        head.putInt(curves(body, parts.matrixCurves));
        head.putInt(parts.table.isEmpty() ? 0 : placed(body, table(parts.table.get(0))));
        head.putInt(curves(body, parts.deviceCurves));
        return ByteBuffer.allocate(32 + body.size()).put(head.array()).put(body.toByteArray()).array();
    }

    private static ByteBuffer table(Table table) {
        ByteBuffer out = ByteBuffer.allocate(20 + 2 * table.nodes.length);
        for (int i = 0; i < table.sizes.length; i++) {
            out.put(i, (byte) table.sizes[i]);
        }
        out.put(16, (byte) 2).position(20);
        put(out, table.nodes);
        return out.flip();
    }

    private static int curves(ByteArrayOutputStream body, List<byte[]> curves) {
        int at = curves.isEmpty() ? 0 : 32 + body.size();
        curves.forEach(curve -> placed(body, ByteBuffer.wrap(curve)));
        return at;
    }

    private static int placed(ByteArrayOutputStream body, ByteBuffer part) {
        int at = 32 + body.size();
        byte[] bytes = new byte[part.remaining()];
        part.get(bytes);
        body.writeBytes(bytes);
        body.writeBytes(new byte[-bytes.length & 3]);
        return at;
    }
}
