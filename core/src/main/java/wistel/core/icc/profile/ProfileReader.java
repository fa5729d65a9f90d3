package wistel.core.icc.profile;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import wistel.core.fault.ProfileException;

/** Reads the header and tag table of ICC.1:2022 clause 7 (and v2.4 clause 6): every offset is checked before it is used. */
public final class ProfileReader {
    /** The largest profile taken: real ones with fine tables stay below a fifth of it. */
    public static final int LARGEST_BYTES = 32 << 20;
    private static final int MOST_TAGS = 200;
    private static final int HEADER = 128;

    private ProfileReader() {
    }

    /** Of a stream of any length, of which no more is read than a profile may have. */
    public static IccProfile read(InputStream in) throws IOException {
        // one byte more than may be: then it is too large
        return read(in.readNBytes(LARGEST_BYTES + 1));
    }

    /**
     * @param file the whole profile, copied
     * @throws ProfileException when the bytes are not a profile, are cut off, or of a colour space Wistel doesn't know
     */
    public static IccProfile read(byte[] file) {
        if (file.length < HEADER + 4) {
            throw broken("It is only " + file.length + " bytes long");
        }
        if (file.length > LARGEST_BYTES) {
            throw broken("It is larger than " + (LARGEST_BYTES >> 20) + " MB");
        }
        byte[] bytes = file.clone();
        ByteBuffer in = ByteBuffer.wrap(bytes);
        if (!signature(in, 36).equals("acsp")) {
            throw broken("The mark of an ICC profile is missing");
        }
        int version = bytes[8];
        if (version < 2 || version > 5) {
            throw broken("Its version is " + version);
        }
        DeviceClass deviceClass = DeviceClass.of(signature(in, 12))
            .orElseThrow(() -> broken("Its class " + printable(signature(in, 12)) + " is not one Wistel reads"));
        ColourSpace space = space(in, 16);
        ColourSpace pcs = space(in, 20);
        if (deviceClass != DeviceClass.LINK && !pcs.isConnection()) {
            throw broken("Its connection space is " + pcs);
        }
        if (deviceClass == DeviceClass.ABSTRACT && !space.isConnection()) {
            throw broken("It is abstract, yet starts from " + space);
        }
        return new IccProfile(bytes, tags(in, bytes), deviceClass, space, pcs);
    }

    private static Map<String, byte[]> tags(ByteBuffer in, byte[] bytes) {
        int count = in.getInt(HEADER);
        if (count < 0 || count > MOST_TAGS || HEADER + 4L + 12L * count > bytes.length) {
            throw broken("It claims " + Integer.toUnsignedString(count) + " tags");
        }
        Map<String, byte[]> tags = new LinkedHashMap<>();
        Map<Long, byte[]> shared = new LinkedHashMap<>();
        long held = 0;
        for (int i = 0; i < count; i++) {
            int entry = HEADER + 4 + 12 * i;
            String name = signature(in, entry);
            long offset = Integer.toUnsignedLong(in.getInt(entry + 4));
            long size = Integer.toUnsignedLong(in.getInt(entry + 8));
            if (size < 8 || offset < HEADER || offset + size > bytes.length) {
                throw broken("The tag " + printable(name) + " lies outside the file");
            }
            if (!shared.containsKey(offset << 32 | size)) {
                held += size;
                if (held > bytes.length) {
                    throw broken("Its tags lie over one another");
                }
                shared.put(offset << 32 | size, Arrays.copyOfRange(bytes, (int) offset, (int) (offset + size)));
            }
            tags.putIfAbsent(name, shared.get(offset << 32 | size));
        }
        return tags;
    }

    private static ColourSpace space(ByteBuffer in, int at) {
        String name = signature(in, at);
        return ColourSpace.of(name).orElseThrow(() -> broken("Its colour space " + printable(name) + " is not one Wistel reads"));
    }

    private static String signature(ByteBuffer in, int at) {
        return new String(in.array(), at, 4, StandardCharsets.ISO_8859_1);
    }

    private static String printable(String signature) {
        return "'" + signature.replaceAll("[^\\x20-\\x7e]", "?") + "'";
    }

    static ProfileException broken(String why) {
        return new ProfileException(ProfileException.Reason.BROKEN, "This ICC profile can't be read. " + why + ".",
            "Export the picture or the profile again from where it came.");
    }
}
