package wistel.core.icc.profile;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;

/**
 * Values as tag bytes: the types of ICC.1:2022 clause 10, and textDescriptionType of v2.4, 6.5.17. The counterpart of {@link TagReader}.
 */
public final class TagWriter {
    private TagWriter() {
    }

    public static byte[] xyz(double... xyz) {
        return numbers("XYZ ", xyz);
    }

    /** s15Fixed16ArrayType, as {@code chad} holds its nine numbers. */
    public static byte[] numbers(double... numbers) {
        return numbers("sf32", numbers);
    }

    private static byte[] numbers(String type, double[] numbers) {
        ByteBuffer out = type(type, 4 * numbers.length);
        for (double v : numbers) {
            out.putInt(fixed(v));
        }
        return out.array();
    }

    /** {@code para}; which type follows from how many parameters are given (1, 3, 4, 5 or 7). */
    public static byte[] parametric(double... parameters) {
        ByteBuffer out = type("para", 4 + 4 * parameters.length);
        out.putShort((short) switch (parameters.length) {
            case 1 -> 0;
            case 3 -> 1;
            case 4 -> 2;
            case 5 -> 3;
            case 7 -> 4;
            default -> throw new IllegalArgumentException("parameters: " + parameters.length);
        }).putShort((short) 0);
        for (double p : parameters) {
            out.putInt(fixed(p));
        }
        return out.array();
    }

    /** {@code curv} with samples in 16-bit codes; none is the identity, and one is a gamma in 256ths. */
    public static byte[] sampled(char... codes) {
        ByteBuffer out = type("curv", 4 + 2 * codes.length).putInt(codes.length);
        for (char code : codes) {
            out.putShort((short) code);
        }
        return out.array();
    }

    /** Plain text, as {@code targ}, and {@code cprt} of version 2 hold it. */
    public static byte[] text(String text) {
        byte[] ascii = text.getBytes(StandardCharsets.US_ASCII);
        return type("text", ascii.length + 1).put(ascii).array();
    }

    /** multiLocalizedUnicodeType with one record. */
    public static byte[] localized(String text) {
        byte[] utf16 = text.getBytes(StandardCharsets.UTF_16BE);
        return type("mluc", 20 + utf16.length).putInt(1).putInt(12).put("enUS".getBytes(StandardCharsets.US_ASCII))
            .putInt(utf16.length).putInt(28).put(utf16).array();
    }

    /** textDescriptionType of version 2, with its empty Unicode and script parts. */
    public static byte[] description(String text) {
        byte[] ascii = text.getBytes(StandardCharsets.US_ASCII);
        return type("desc", 4 + ascii.length + 1 + 8 + 3 + 67).putInt(ascii.length + 1).put(ascii).array();
    }

    static ByteBuffer type(String signature, int length) {
        return ByteBuffer.allocate(8 + length).put(signature.getBytes(StandardCharsets.US_ASCII)).putInt(0);
    }

    /** dataType of binary data (ICC.1:2022, 10.7). */
    public static byte[] data(byte[] content) {
        return type("data", 4 + content.length).putInt(1).put(content).array();
    }

    /** s15Fixed16Number. */
    static int fixed(double value) {
        return (int) Math.round(value * 65536);
    }
}
