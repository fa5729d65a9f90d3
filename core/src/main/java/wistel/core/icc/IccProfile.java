package wistel.core.icc;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Collections;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;

/** An ICC profile as read: its header fields and every tag's bytes, known or not. Immutable; equal when its bytes are. */
public final class IccProfile {
    private final byte[] bytes;
    private final Map<String, byte[]> tags;
    private final String hash;
    private final ColourSpace space;
    private final ColourSpace pcs;

    IccProfile(byte[] bytes, Map<String, byte[]> tags, ColourSpace space, ColourSpace pcs) {
        this.bytes = bytes;
        this.tags = Collections.unmodifiableMap(tags);
        this.space = space;
        this.pcs = pcs;
        this.hash = sha256(bytes);
    }

    /** {@code mntr}, {@code prtr}, {@code scnr}, {@code spac}, {@code abst} or {@code link}. */
    public String deviceClass() {
        return new String(bytes, 12, 4, StandardCharsets.US_ASCII);
    }

    public int majorVersion() {
        return bytes[8];
    }

    public ColourSpace space() {
        return space;
    }

    public ColourSpace pcs() {
        return pcs;
    }

    public boolean isOutput() {
        return deviceClass().equals("prtr");
    }

    public Optional<byte[]> tag(String signature) {
        return Optional.ofNullable(tags.get(signature));
    }

    public boolean has(String signature) {
        return tags.containsKey(signature);
    }

    public Map<String, byte[]> tags() {
        return tags;
    }

    /** The whole file, a copy. */
    public byte[] bytes() {
        return bytes.clone();
    }

    /** SHA-256 of the file, hex. */
    public String hash() {
        return hash;
    }

    /** What the profile calls itself. */
    public String description() {
        return tag("desc").map(TagReader::text).filter(t -> !t.isBlank()).orElse("unnamed profile");
    }

    /** Media white in XYZ as stored; D50 where the tag is missing. */
    public double[] mediaWhite() {
        return tag("wtpt").map(TagReader::xyz).orElse(new double[] {
            wistel.core.colour.D50.X, wistel.core.colour.D50.Y, wistel.core.colour.D50.Z});
    }

    private static String sha256(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof IccProfile that && hash.equals(that.hash);
    }

    @Override
    public int hashCode() {
        return hash.hashCode();
    }

    @Override
    public String toString() {
        return description() + " (" + space + ", " + hash.substring(0, 8) + ")";
    }
}
