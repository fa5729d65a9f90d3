package wistel.core.pictures;

import java.util.Optional;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;

/**
 * How two scans of the same part of a picture differ: how far one lies beside the other, and in colour when that is taken out. The shift is
 * the one that leaves the differences in lightness spread least about their mean, refined between pixels by a parabola; where there is
 * nothing to be seen, none is told.
 *
 * @param meanDeltaE CIEDE2000 where both show picture, shifted onto each other, of means over a few pixels: what a scanner's grid makes of
 *                   fine detail differs from sheet to sheet
 * @param shift      of the second one; empty where the part has too little contrast to tell
 */
public record ScanDifference(double meanDeltaE, Optional<Shift> shift) {
    private static final int REACH = 8;
    private static final int LEAST_PIXELS = 50;
    /** Pixels along a side of what colours are compared over. */
    private static final int BLOCK = 4;
    /** In L*: least that the spread must rise by from the best shift to its worst neighbours. */
    private static final double TELLS = 0.3;

    /** @param xMm to the right; {@code yMm} downwards */
    public record Shift(double xMm, double yMm) {
    }

    /**
     * @param one      codes of {@link LabEncoding#V4}, as is {@code other}, of the same size
     * @param leftOut  pixels that aren't compared, row by row
     * @param mmAPixel of both
     * @return empty where too little is left to compare
     * @throws IllegalArgumentException when their sizes differ
     */
    public static Optional<ScanDifference> of(View one, View other, boolean[] leftOut, double mmAPixel) {
        if (one.width() != other.width() || one.height() != other.height() || leftOut.length != one.width() * one.height()) {
            throw new IllegalArgumentException(one.width() + " x " + one.height() + " beside " + other.width() + " x " + other.height());
        }
        int reachX = Math.min(REACH, one.width() / 4);
        int reachY = Math.min(REACH, one.height() / 4);
        Sides sides = new Sides(one, other, leftOut);
        double[][] means = new double[2 * reachY + 1][2 * reachX + 1];
        int bestX = 0;
        int bestY = 0;
        double least = Double.MAX_VALUE;
        for (int dy = -reachY; dy <= reachY; dy++) {
            for (int dx = -reachX; dx <= reachX; dx++) {
                double mean = sides.lightness(dx, dy);
                means[dy + reachY][dx + reachX] = mean;
                if (mean < least - 1e-9) {
                    least = mean;
                    bestX = dx;
                    bestY = dy;
                }
            }
        }
        if (least == Double.MAX_VALUE) {
            return Optional.empty();
        }
        int atX = bestX + reachX;
        int atY = bestY + reachY;
        Optional<Shift> shift = Optional.empty();
        if (atX > 0 && atX < 2 * reachX && atY > 0 && atY < 2 * reachY) {
            double left = means[atY][atX - 1];
            double right = means[atY][atX + 1];
            double above = means[atY - 1][atX];
            double below = means[atY + 1][atX];
            if (Math.max(left, right) - least + Math.max(above, below) - least > TELLS) {
                shift = Optional
                    .of(new Shift((bestX + Parabola.vertex(left, least, right)) * mmAPixel,
                        (bestY + Parabola.vertex(above, least, below)) * mmAPixel));
            }
        }
        return Optional.of(new ScanDifference(shift.isPresent() ? sides.colour(bestX, bestY) : sides.colour(0, 0), shift));
    }

    /** @param leftOut of both, where they lie on each other unshifted */
    private record Sides(View one, View other, boolean[] leftOut) {
        /** Standard deviation of the differences in L*: a sheet that is lighter all over isn't taken for one that lies elsewhere. */
        double lightness(int dx, int dy) {
            int w = one.width();
            int h = one.height();
            double sum = 0;
            double squares = 0;
            int count = 0;
            for (int y = Math.max(0, -dy); y < Math.min(h, h - dy); y++) {
                for (int x = Math.max(0, -dx); x < Math.min(w, w - dx); x++) {
                    int a = y * w + x;
                    int b = (y + dy) * w + x + dx;
                    if (!leftOut[a] && !leftOut[b]) {
                        double apart = (one.pixels()[3 * a] - other.pixels()[3 * b]) * 100 / 65535.0;
                        sum += apart;
                        squares += apart * apart;
                        count++;
                    }
                }
            }
            return count < LEAST_PIXELS ? Double.MAX_VALUE : Math.sqrt(Math.max(0, squares / count - sum / count * sum / count));
        }

        double colour(int dx, int dy) {
            int w = one.width();
            int h = one.height();
            double sum = 0;
            int count = 0;
            for (int y = Math.max(0, -dy); y + BLOCK <= Math.min(h, h - dy); y += BLOCK) {
                for (int x = Math.max(0, -dx); x + BLOCK <= Math.min(w, w - dx); x += BLOCK) {
                    if (whole(x, y) && whole(x + dx, y + dy)) {
                        sum += block(one, x, y).deltaE2000(block(other, x + dx, y + dy));
                        count++;
                    }
                }
            }
            return count == 0 ? 0 : sum / count;
        }

        private boolean whole(int x, int y) {
            for (int i = 0; i < BLOCK * BLOCK; i++) {
                if (leftOut[(y + i / BLOCK) * one.width() + x + i % BLOCK]) {
                    return false;
                }
            }
            return true;
        }

        private static Lab block(View view, int x, int y) {
            double[] sum = new double[3];
            for (int i = 0; i < BLOCK * BLOCK; i++) {
                int at = 3 * ((y + i / BLOCK) * view.width() + x + i % BLOCK);
                for (int c = 0; c < 3; c++) {
                    sum[c] += view.pixels()[at + c] / (65535.0 * BLOCK * BLOCK);
                }
            }
            return LabEncoding.V4.lab(sum);
        }
    }
}
