package wistel.core.icc;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.LinkedHashMap;
import java.util.Map;
import wistel.core.colour.D50;

/** Writes v4.4 profiles (ICC.1:2022, clause 7): tags in the order they are added, equal ones stored once, profile ID filled in. */
public final class ProfileWriter {
    private final String deviceClass;
    private final ColourSpace space;
    private final ColourSpace pcs;
    private final Map<String, byte[]> tags = new LinkedHashMap<>();

    public ProfileWriter(String deviceClass, ColourSpace space, ColourSpace pcs, String description, String copyright) {
        this.deviceClass = deviceClass;
        this.space = space;
        this.pcs = pcs;
        tags.put("desc", localized(description));
        tags.put("cprt", localized(copyright));
    }

    public ProfileWriter tag(String signature, byte[] data) {
        tags.put(signature, data);
        return this;
    }

    public ProfileWriter xyz(String signature, double[] xyz) {
        return tag(signature, type("XYZ ", 12).putInt(fixed(xyz[0])).putInt(fixed(xyz[1])).putInt(fixed(xyz[2])).array());
    }

    /** A {@code para} curve; which type follows from how many parameters are given (1, 3, 4, 5 or 7). */
    public ProfileWriter parametric(String signature, double... parameters) {
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
        return tag(signature, out.array());
    }

    /** Plain text, as {@code targ} and {@code char} hold it. */
    public ProfileWriter text(String signature, String text) {
        byte[] ascii = text.getBytes(StandardCharsets.US_ASCII);
        return tag(signature, type("text", ascii.length + 1).put(ascii).array());
    }

    /**
     * A lut16 tag with identity curves on both sides.
     *
     * @param codes node values in 16-bit codes, PCS L*a*b* in the older coding that lut16 always uses
     */
    public ProfileWriter lut16(String signature, int inputs, int outputs, int side, char[] codes) {
        ByteBuffer out = type("mft2", 44 + 4 * inputs + 2 * codes.length + 4 * outputs);
        out.put((byte) inputs).put((byte) outputs).put((byte) side).put((byte) 0);
        for (int i = 0; i < 9; i++) {
            out.putInt(i % 4 == 0 ? 65536 : 0);
        }
        out.putShort((short) 2).putShort((short) 2);
        for (int i = 0; i < inputs; i++) {
            out.putShort((short) 0).putShort((short) 0xFFFF);
        }
        for (char code : codes) {
            out.putShort((short) code);
        }
        for (int i = 0; i < outputs; i++) {
            out.putShort((short) 0).putShort((short) 0xFFFF);
        }
        return tag(signature, out.array());
    }

    public byte[] write() {
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        int start = 128 + 4 + 12 * tags.size();
        ByteBuffer table = ByteBuffer.allocate(4 + 12 * tags.size()).putInt(tags.size());
        Map<ByteBuffer, Integer> placed = new LinkedHashMap<>();
        tags.forEach((signature, data) -> {
            Integer at = placed.get(ByteBuffer.wrap(data));
            if (at == null) {
                at = start + body.size();
                placed.put(ByteBuffer.wrap(data), at);
                body.writeBytes(data);
                body.writeBytes(new byte[-data.length & 3]);
            }
            table.put(signature.getBytes(StandardCharsets.US_ASCII)).putInt(at).putInt(data.length);
        });
        ByteBuffer file = ByteBuffer.allocate(start + body.size());
        header(file);
        file.put(128, table.array()).put(start, body.toByteArray());
        file.put(84, profileId(file.array()));
        return file.array();
    }

    private void header(ByteBuffer file) {
        file.putInt(0, file.capacity()).putInt(8, 0x04400000);
        put(file, 12, deviceClass);
        put(file, 16, space.signature());
        put(file, 20, pcs.signature());
        // a fixed date keeps the file, and so its hash, the same for the same content
        file.putShort(24, (short) 2026).putShort(26, (short) 1).putShort(28, (short) 1);
        put(file, 36, "acsp");
        file.putInt(68, fixed(D50.X)).putInt(72, fixed(D50.Y)).putInt(76, fixed(D50.Z));
    }

    private static void put(ByteBuffer file, int at, String signature) {
        file.put(at, signature.getBytes(StandardCharsets.US_ASCII));
    }

    /** MD5 with flags, intent and ID taken as zero (ICC.1:2022, 7.2.18); they are zero when this is called. */
    private static byte[] profileId(byte[] file) {
        try {
            return MessageDigest.getInstance("MD5").digest(file);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] localized(String text) {
        byte[] utf16 = text.getBytes(StandardCharsets.UTF_16BE);
        return type("mluc", 20 + utf16.length).putInt(1).putInt(12).put("enUS".getBytes(StandardCharsets.US_ASCII))
            .putInt(utf16.length).putInt(28).put(utf16).array();
    }

    private static ByteBuffer type(String signature, int length) {
        return ByteBuffer.allocate(8 + length).put(signature.getBytes(StandardCharsets.US_ASCII)).putInt(0);
    }

    private static int fixed(double value) {
        return (int) Math.round(value * 65536);
    }
}
