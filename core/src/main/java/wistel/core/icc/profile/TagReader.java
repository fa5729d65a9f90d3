package wistel.core.icc.profile;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import wistel.core.fault.ProfileException;
import wistel.core.icc.stage.Curve;

/**
 * Tag types of ICC.1:2022 clause 10 and v2.4 clause 6.5: text, XYZ, matrix, curves. Bytes in, values out; every count is checked against
 * what is there.
 */
public final class TagReader {
    private static final int MOST_CURVE_POINTS = 65536;

    private TagReader() {
    }

    /** {@code desc}, {@code mluc} (first record) or {@code text}; empty when it can't be read. */
    static String text(byte[] tag) {
        ByteBuffer in = ByteBuffer.wrap(tag);
        try {
            return switch (type(tag)) {
                case "desc" -> latin(tag, 12, in.getInt(8) - 1);
                case "text" -> latin(tag, 8, tag.length - 9);
                case "mluc" -> in.getInt(8) < 1 ? "" : utf16(tag, in.getInt(24), in.getInt(20));
                default -> "";
            };
        } catch (IndexOutOfBoundsException e) {
            return "";
        }
    }

    private static String latin(byte[] tag, int from, int length) {
        return length <= 0 || from + length > tag.length ? "" : new String(tag, from, length, StandardCharsets.ISO_8859_1).trim();
    }

    private static String utf16(byte[] tag, int from, int length) {
        return from < 0 || length < 0 || (long) from + length > tag.length ? ""
            : new String(tag, from, length, StandardCharsets.UTF_16BE).trim();
    }

    public static double[] xyz(byte[] tag) {
        if (!type(tag).equals("XYZ ") || tag.length < 20) {
            throw ProfileReader.broken("A colour in it is not of the XYZ type");
        }
        ByteBuffer in = ByteBuffer.wrap(tag);
        return new double[] {fixed(in, 8), fixed(in, 12), fixed(in, 16)};
    }

    /** s15Fixed16ArrayType with nine numbers, as {@code chad} (ICC.1:2022, 9.2.15). */
    static double[] matrix(byte[] tag) {
        if (!type(tag).equals("sf32") || tag.length < 44) {
            throw ProfileReader.broken("Its chromatic adaptation is not a matrix");
        }
        double[] m = new double[9];
        for (int i = 0; i < 9; i++) {
            m[i] = fixed(ByteBuffer.wrap(tag), 8 + 4 * i);
        }
        return m;
    }

    public static Curve curve(byte[] tag) {
        return curveAt(tag, 0).curve;
    }

    record Placed(Curve curve, int end) {
    }

    static Placed curveAt(byte[] tag, int at) {
        need(tag, at, 12, "A curve");
        ByteBuffer in = ByteBuffer.wrap(tag);
        String type = new String(tag, at, 4, StandardCharsets.ISO_8859_1);
        return switch (type) {
            case "curv" -> sampled(tag, in, at);
            case "para" -> parametric(tag, in, at);
            default -> throw ProfileReader.broken("A curve in it is of an unknown type");
        };
    }

    private static Placed sampled(byte[] tag, ByteBuffer in, int at) {
        int count = in.getInt(at + 8);
        if (count < 0 || count > MOST_CURVE_POINTS) {
            throw ProfileReader.broken("A curve in it claims " + Integer.toUnsignedString(count) + " points");
        }
        need(tag, at + 12, 2 * count, "A curve");
        int end = at + 12 + 2 * count;
        if (count == 0) {
            return new Placed(Curve.Power.IDENTITY, end);
        }
        if (count == 1) {
            return new Placed(new Curve.Power((in.getShort(at + 12) & 0xFFFF) / 256.0), end);
        }
        double[] values = new double[count];
        for (int i = 0; i < count; i++) {
            values[i] = (in.getShort(at + 12 + 2 * i) & 0xFFFF) / 65535.0;
        }
        return new Placed(new Curve.Table(values), end);
    }

    private static final int[] PARAMETERS = {1, 3, 4, 5, 7};

    private static Placed parametric(byte[] tag, ByteBuffer in, int at) {
        int kind = in.getShort(at + 8);
        if (kind < 0 || kind >= PARAMETERS.length) {
            throw ProfileReader.broken("A curve in it has the unknown form " + kind);
        }
        int count = PARAMETERS[kind];
        need(tag, at + 12, 4 * count, "A curve");
        double[] p = new double[count];
        for (int i = 0; i < count; i++) {
            p[i] = fixed(in, at + 12 + 4 * i);
        }
        Curve curve = switch (kind) {
            case 0 -> new Curve.Power(p[0]);
            case 1 -> new Curve.Parametric(p[0], p[1], p[2], 0, knee(p), 0, 0);
            case 2 -> new Curve.Parametric(p[0], p[1], p[2], 0, knee(p), p[3], p[3]);
            case 3 -> new Curve.Parametric(p[0], p[1], p[2], p[3], p[4], 0, 0);
            default -> new Curve.Parametric(p[0], p[1], p[2], p[3], p[4], p[5], p[6]);
        };
        return new Placed(curve, at + 12 + 4 * count);
    }

    /** Where types 1 and 2 change over: -b / a. */
    private static double knee(double[] p) {
        return p[1] == 0 ? 0 : -p[2] / p[1];
    }

    /** Curves one after another, each padded to four bytes, as in mAB and mBA. */
    static Curve[] curves(byte[] tag, int at, int count) {
        List<Curve> curves = new ArrayList<>();
        int next = at;
        for (int i = 0; i < count; i++) {
            Placed placed = curveAt(tag, next);
            curves.add(placed.curve);
            next = (placed.end + 3) & ~3;
        }
        return curves.toArray(Curve[]::new);
    }

    static String type(byte[] tag) {
        return new String(Arrays.copyOf(tag, 4), StandardCharsets.ISO_8859_1);
    }

    /** s15Fixed16Number. */
    static double fixed(ByteBuffer in, int at) {
        return in.getInt(at) / 65536.0;
    }

    static void need(byte[] tag, long at, long length, String what) {
        if (at < 0 || length < 0 || at + length > tag.length) {
            throw new ProfileException(ProfileException.Reason.BROKEN, "This ICC profile can't be read. " + what + " in it is cut off.",
                "Export the picture or the profile again from where it came.");
        }
    }
}
