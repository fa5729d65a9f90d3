package wistel.core.icc.profile;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wistel.core.colour.D50;

/** An ICC profile as read: its header fields and every tag's bytes, known or not. Immutable; equal when its bytes are. */
public final class IccProfile {
    private final byte[] bytes;
    private final Map<String, byte[]> tags;
    private final String hash;
    private final DeviceClass deviceClass;
    private final ColourSpace space;
    private final ColourSpace pcs;

    IccProfile(byte[] bytes, Map<String, byte[]> tags, DeviceClass deviceClass, ColourSpace space, ColourSpace pcs) {
        this.bytes = bytes;
        this.tags = Collections.unmodifiableMap(tags);
        this.deviceClass = deviceClass;
        this.space = space;
        this.pcs = pcs;
        this.hash = sha256(bytes);
    }

    public DeviceClass deviceClass() {
        return deviceClass;
    }

    public int majorVersion() {
        return bytes[8];
    }

    /** The device's colour space; of an abstract profile the connection space it reads. */
    public ColourSpace space() {
        return space;
    }

    /** The connection space; of a device link the colour space it ends in. */
    public ColourSpace pcs() {
        return pcs;
    }

    public boolean isOutput() {
        return deviceClass == DeviceClass.OUTPUT;
    }

    public Optional<byte[]> tag(String signature) {
        return Optional.ofNullable(tags.get(signature));
    }

    public boolean has(String signature) {
        return tags.containsKey(signature);
    }

    /** Every tag in the file's order, known or not; the bytes are not to be changed. */
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

    /** What the profile calls itself, without the zero bytes and the like that no name has in it. */
    public String description() {
        return tag("desc").map(TagReader::text).map(t -> t.replaceAll("\\p{Cntrl}", "")).filter(t -> !t.isBlank())
            .orElse("unnamed profile");
    }

    /** A tag's text; empty where it is missing or holds none. */
    public Optional<String> text(String signature) {
        return tag(signature).map(TagReader::text).filter(t -> !t.isBlank());
    }

    /** The chart the profile was made from ({@code targ}), as CGATS text. */
    public Optional<String> chartText() {
        return text("targ");
    }

    /** Media white in XYZ as stored ({@code wtpt}); D50 where the tag is missing. */
    public double[] mediaWhite() {
        return tag("wtpt").map(TagReader::xyz).orElse(new double[] {D50.X, D50.Y, D50.Z});
    }

    /** The adaptation that the profile's maker applied to reach D50 ({@code chad}, 3 x 3 row-major). */
    public Optional<double[]> adaptation() {
        return tag("chad").map(TagReader::matrix);
    }

    /** What in this profile Wistel passes over, in words for people. */
    public List<String> notes() {
        List<String> notes = new ArrayList<>();
        if (tags.keySet().stream().anyMatch(t -> t.matches("[DB]2[BD][0-3]"))) {
            notes.add("It also holds tables of floating-point elements; Wistel uses the 16-bit ones beside them.");
        }
        return notes;
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
