package wistel.core.render;

import java.nio.ByteBuffer;
import java.util.Arrays;
import wistel.core.colour.CieDe2000;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;

/**
 * What a page looks like in small places spread evenly over it, as L*a*b*: enough to tell how much another page of the same order differs
 * from it when neither file is there any more. It is no picture: what lies between the places is not in it.
 */
public final class PageFingerprint {
    public static final int COLUMNS = 96;
    public static final int ROWS = 64;
    private static final int SAMPLES = 3 * COLUMNS * ROWS;

    private final char[] lab;

    private PageFingerprint(char[] lab) {
        this.lab = lab;
    }

    /**
     * @param lab row by row, coded as {@link LabEncoding#V4}
     * @throws IllegalArgumentException when it isn't {@link #COLUMNS} x {@link #ROWS} places
     */
    public static PageFingerprint of(char[] lab) {
        if (lab.length != SAMPLES) {
            throw new IllegalArgumentException(lab.length + " samples instead of " + SAMPLES);
        }
        return new PageFingerprint(lab.clone());
    }

    /**
     * @param bytes of {@link #bytes()}
     * @throws IllegalArgumentException when they are not as many
     */
    public static PageFingerprint read(byte[] bytes) {
        if (bytes.length != 2 * SAMPLES) {
            throw new IllegalArgumentException(bytes.length + " bytes instead of " + 2 * SAMPLES);
        }
        char[] lab = new char[SAMPLES];
        ByteBuffer.wrap(bytes).asCharBuffer().get(lab);
        return new PageFingerprint(lab);
    }

    public byte[] bytes() {
        ByteBuffer bytes = ByteBuffer.allocate(2 * SAMPLES);
        bytes.asCharBuffer().put(lab);
        return bytes.array();
    }

    /** @param mean, most over all places, CIEDE2000 */
    public record Difference(double mean, double most) {
    }

    public Difference difference(PageFingerprint other) {
        double sum = 0;
        double most = 0;
        for (int i = 0; i < SAMPLES; i += 3) {
            Lab a = LabEncoding.V4.lab(lab, i);
            Lab b = LabEncoding.V4.lab(other.lab, i);
            double apart = CieDe2000.between(a.l(), a.a(), a.b(), b.l(), b.a(), b.b());
            sum += apart;
            most = Math.max(most, apart);
        }
        return new Difference(sum / (COLUMNS * ROWS), most);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof PageFingerprint that && Arrays.equals(lab, that.lab);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(lab);
    }
}
