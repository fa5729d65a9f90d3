package wistel.core.rendition;

import wistel.core.colour.LabEncoding;

/**
 * Where a print is bare paper and where it is blocked: L* above 99.5 of its own white, and L* within 0.5 of the deepest the paper gives.
 * Single pixels don't count: most of what lies round one must be the same.
 *
 * @param kinds      a {@link Kind}'s ordinal for each pixel
 * @param bareShare  0 to 1
 * @param blockedShare 0 to 1
 */
public record EndPoints(byte[] kinds, double bareShare, double blockedShare) {
    public static final double BARE = 99.5;
    public static final double BLOCKED = 0.5;
    /** Of the nine pixels in and round one. */
    private static final int LEAST_ALIKE_PIXELS = 6;

    public enum Kind { BETWEEN, BARE, BLOCKED }

    /**
     * @param lab     of the print, relative to its paper, codes of {@link LabEncoding#V4} interleaved by rows
     * @param deepest L* that the paper gives, relative to itself
     */
    public static EndPoints of(char[] lab, int width, double deepest) {
        int n = lab.length / 3;
        byte[] raw = new byte[n];
        for (int i = 0; i < n; i++) {
            double l = LabEncoding.V4.l(lab[3 * i]);
            raw[i] = (byte) (l > BARE ? Kind.BARE : l < deepest + BLOCKED ? Kind.BLOCKED : Kind.BETWEEN).ordinal();
        }
        byte[] kinds = new byte[n];
        int[] counts = new int[3];
        for (int i = 0; i < n; i++) {
            kinds[i] = raw[i] != 0 && alike(raw, i, width) >= LEAST_ALIKE_PIXELS ? raw[i] : 0;
            counts[kinds[i]]++;
        }
        return new EndPoints(kinds, (double) counts[Kind.BARE.ordinal()] / n, (double) counts[Kind.BLOCKED.ordinal()] / n);
    }

    /** Beyond the picture's edge, all is as at the edge. */
    private static int alike(byte[] raw, int i, int width) {
        int x = i % width;
        int y = i / width;
        int height = raw.length / width;
        int alike = 0;
        for (int dy = -1; dy <= 1; dy++) {
            for (int dx = -1; dx <= 1; dx++) {
                int nx = Math.max(0, Math.min(width - 1, x + dx));
                int ny = Math.max(0, Math.min(height - 1, y + dy));
                alike += raw[ny * width + nx] == raw[i] ? 1 : 0;
            }
        }
        return alike;
    }
}
