package wistel.core.icc.profile;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import wistel.core.colour.D50;

/**
 * Writes profiles of version 4.4 (ICC.1:2022, clause 7) and 2.4 (ICC.1:2001-04, clause 6): tags in the order they are added, equal ones
 * stored once. A profile that was read can be taken up and written again; what Wistel doesn't know of it stays as it was.
 */
public final class ProfileWriter {
    /** The two versions of the standard that are in use. */
    public enum Version { V2, V4 }

    private static final int HEADER = 128;
    /** Of profiles that say no day: the file, and so its hash, is the same for the same content. */
    private static final LocalDate SAME_DAY = LocalDate.of(2026, 1, 1);

    private final Version version;
    private final byte[] header;
    private final Map<String, byte[]> tags = new LinkedHashMap<>();

    private ProfileWriter(Version version, byte[] header) {
        this.version = version;
        this.header = header;
    }

    /** A version 4 profile. */
    public ProfileWriter(DeviceClass deviceClass, ColourSpace space, ColourSpace pcs, String description, String copyright) {
        this(Version.V4, deviceClass, space, pcs, description, copyright);
    }

    public ProfileWriter(Version version, DeviceClass deviceClass, ColourSpace space, ColourSpace pcs, String description,
        String copyright) {
        this(version, new byte[HEADER]);
        ByteBuffer out = ByteBuffer.wrap(header);
        out.putInt(8, version == Version.V4 ? 0x04400000 : 0x02400000);
        put(out, 12, deviceClass.signature());
        put(out, 16, space.signature());
        put(out, 20, pcs.signature());
        put(out, 36, "acsp");
        out.putInt(68, TagWriter.fixed(D50.X)).putInt(72, TagWriter.fixed(D50.Y)).putInt(76, TagWriter.fixed(D50.Z));
        made(SAME_DAY);
        describe(description);
        tag("cprt", version == Version.V4 ? TagWriter.localized(copyright) : TagWriter.text(copyright));
    }

    /** A profile as it was read, header and every tag, to be changed and written again. */
    public static ProfileWriter of(IccProfile profile) {
        byte[] header = Arrays.copyOf(profile.bytes(), HEADER);
        ProfileWriter writer = new ProfileWriter(profile.majorVersion() < 4 ? Version.V2 : Version.V4, header);
        writer.tags.putAll(profile.tags());
        return writer;
    }

    public Version version() {
        return version;
    }

    /** The day on which it was made. */
    public ProfileWriter made(LocalDate day) {
        ByteBuffer.wrap(header).putShort(24, (short) day.getYear()).putShort(26, (short) day.getMonthValue())
            .putShort(28, (short) day.getDayOfMonth());
        return this;
    }

    /** What the profile calls itself. */
    public ProfileWriter describe(String description) {
        return tag("desc", version == Version.V4 ? TagWriter.localized(description) : TagWriter.description(description));
    }

    public ProfileWriter tag(String signature, byte[] data) {
        tags.put(signature, data);
        return this;
    }

    public ProfileWriter xyz(String signature, double[] xyz) {
        return tag(signature, TagWriter.xyz(xyz));
    }

    /** A tone curve by the parameters of {@code para}; version 2, which lacks that type, gets it sampled at 4096 points. */
    public ProfileWriter parametric(String signature, double... parameters) {
        byte[] curve = TagWriter.parametric(parameters);
        if (version == Version.V2) {
            char[] codes = new char[4096];
            for (int i = 0; i < codes.length; i++) {
                codes[i] = (char) Math.round(65535 * Math.max(0, Math.min(1, TagReader.curve(curve).at(i / 4095.0))));
            }
            return tag(signature, TagWriter.sampled(codes));
        }
        return tag(signature, curve);
    }

    /** The whole file, with the profile ID filled in where the version has one. */
    public byte[] write() {
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        int start = HEADER + 4 + 12 * tags.size();
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
            table.put(signature.getBytes(StandardCharsets.ISO_8859_1)).putInt(at).putInt(data.length);
        });
        ByteBuffer file = ByteBuffer.allocate(start + body.size());
        file.put(0, header).putInt(0, file.capacity()).put(HEADER, table.array()).put(start, body.toByteArray());
        file.put(84, new byte[16]);
        if (version == Version.V4) {
            file.put(84, profileId(file.array()));
        }
        return file.array();
    }

    private static void put(ByteBuffer file, int at, String signature) {
        file.put(at, signature.getBytes(StandardCharsets.US_ASCII));
    }

    /** MD5 with flags, intent and ID taken as zero (ICC.1:2022, 7.2.18). */
    private static byte[] profileId(byte[] file) {
        byte[] blank = file.clone();
        ByteBuffer.wrap(blank).putInt(44, 0).putInt(64, 0).put(84, new byte[16]);
        try {
            return MessageDigest.getInstance("MD5").digest(blank);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
