package wistel.core.rendition;

import java.util.Arrays;
import wistel.core.colour.LabEncoding;

/**
 * Which part of a picture a test strip shows: the one with most of its darkest third in it, of its strongest colour, or of both. Sums over
 * rectangles come from a table of sums (F. Crow, "Summed-area tables for texture mapping", SIGGRAPH 1984).
 *
 * @param x, y    of its corner, in shares of the picture's width and height
 * @param darkest share of the darkest third of all places that lies in it, 0 to 1
 * @param colour  the same of the tenth with the strongest colour; 0 of a picture without
 */
public record StripPart(double x, double y, double width, double height, double darkest, double colour) {
    private static final double DARKEST = 1 / 3.0;
    private static final double STRONGEST = 0.1;
    /** Weaker than this is gray to the eye. */
    private static final double LEAST_CHROMA = 4;
    private static final int STEPS = 48;

    /** What is looked for. */
    public enum By {
        DARKEST, COLOUR, BOTH
    }

    /** A picture of which each place is among the darkest, among the strongest in colour, or not. */
    public static final class Map {
        private final int width;
        private final int height;
        private final long[] dark;
        private final long[] strong;

        /** @param lab codes of {@link LabEncoding#V4}, row by row */
        public Map(char[] lab, int width, int height) {
            if (lab.length != 3L * width * height || width < 1 || height < 1) {
                throw new IllegalArgumentException(lab.length + " codes of " + width + " x " + height);
            }
            this.width = width;
            this.height = height;
            int n = width * height;
            double[] lightness = new double[n];
            double[] chroma = new double[n];
            for (int i = 0; i < n; i++) {
                lightness[i] = lab[3 * i];
                chroma[i] = Math.hypot(LabEncoding.V4.ab(lab[3 * i + 1]), LabEncoding.V4.ab(lab[3 * i + 2]));
            }
            double darkest = sorted(lightness)[(int) Math.max(0, Math.ceil(n * DARKEST) - 1)];
            double strongest = Math.max(LEAST_CHROMA, sorted(chroma)[(int) Math.max(0, Math.ceil(n * (1 - STRONGEST)) - 1)]);
            dark = new long[(width + 1) * (height + 1)];
            strong = new long[dark.length];
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    int i = y * width + x;
                    sum(dark, x, y, lightness[i] <= darkest ? 1 : 0);
                    sum(strong, x, y, chroma[i] >= strongest ? 1 : 0);
                }
            }
        }

        private static double[] sorted(double[] values) {
            double[] sorted = values.clone();
            Arrays.sort(sorted);
            return sorted;
        }

        private void sum(long[] table, int x, int y, int value) {
            int row = width + 1;
            table[(y + 1) * row + x + 1] = value + table[y * row + x + 1] + table[(y + 1) * row + x] - table[y * row + x];
        }

        private double share(long[] table, int left, int top, int right, int bottom) {
            int row = width + 1;
            long in = table[bottom * row + right] - table[top * row + right] - table[bottom * row + left] + table[top * row + left];
            long all = table[table.length - 1];
            return all == 0 ? 0 : (double) in / all;
        }

        /** What of both lies in a part, given in shares of the picture; what of the part lies outside of it counts for nothing. */
        public StripPart part(double x, double y, double partWidth, double partHeight) {
            int left = within(Math.round(x * width), width);
            int top = within(Math.round(y * height), height);
            int right = within(Math.round((x + partWidth) * width), width);
            int bottom = within(Math.round((y + partHeight) * height), height);
            return new StripPart(x, y, partWidth, partHeight, share(dark, left, top, right, bottom),
                share(strong, left, top, right, bottom));
        }

        private static int within(long at, int most) {
            return (int) Math.max(0, Math.min(most, at));
        }

        /** The part of this size with most of what is looked for; of equal ones the first from above. */
        public StripPart best(By by, double partWidth, double partHeight) {
            StripPart best = null;
            for (int j = 0; j <= STEPS; j++) {
                for (int i = 0; i <= STEPS; i++) {
                    StripPart part = part((1 - partWidth) * i / STEPS, (1 - partHeight) * j / STEPS, partWidth, partHeight);
                    if (best == null || part.worth(by) > best.worth(by) + 1e-9) {
                        best = part;
                    }
                }
            }
            return best;
        }
    }

    private double worth(By by) {
        return switch (by) {
            case DARKEST -> darkest;
            case COLOUR -> colour;
            // what holds something of both before what holds all of one
            case BOTH -> Math.sqrt(darkest * colour) + 1e-3 * (darkest + colour);
        };
    }
}
