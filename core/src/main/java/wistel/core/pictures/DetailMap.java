package wistel.core.pictures;

import java.util.Arrays;

/**
 * How much there is to see where in a picture: the mean step from pixel to pixel in a grid of cells, each in one unit of the picture's
 * codes over 65535. What a person finds important it can't know; where nothing is to be seen, nothing is lost.
 *
 * @param columns of cells
 * @param steps   row by row, of the upright picture
 */
public record DetailMap(int columns, int rows, float[] steps) {
    private static final int LONGER_SIDE = 48;

    /** @param view upright, some hundred pixels large */
    public static DetailMap of(View view) {
        double scale = (double) LONGER_SIDE / Math.max(view.width(), view.height());
        int columns = Math.max(1, (int) Math.round(view.width() * scale));
        int rows = Math.max(1, (int) Math.round(view.height() * scale));
        float[] sum = new float[columns * rows];
        int[] count = new int[columns * rows];
        int n = view.channels();
        for (int y = 1; y < view.height(); y++) {
            for (int x = 1; x < view.width(); x++) {
                int cell = y * rows / view.height() * columns + x * columns / view.width();
                int at = (y * view.width() + x) * n;
                for (int c = 0; c < n; c++) {
                    int here = view.pixels()[at + c];
                    sum[cell] += Math.abs(here - view.pixels()[at + c - n]) + Math.abs(here - view.pixels()[at + c - view.width() * n]);
                }
                count[cell] += 2 * n;
            }
        }
        for (int i = 0; i < sum.length; i++) {
            sum[i] = count[i] == 0 ? 0 : sum[i] / count[i] / 65535;
        }
        return new DetailMap(columns, rows, sum);
    }

    /** The mean in a part of the picture, given in shares of its sides; 0 where that lies outside. */
    public double in(double x, double y, double width, double height) {
        double sum = 0;
        double weights = 0;
        for (int i = 0; i < steps.length; i++) {
            double w = overlap(i % columns, columns, x, width) * overlap(i / columns, rows, y, height);
            sum += w * steps[i];
            weights += w;
        }
        return weights > 0 ? sum / weights : 0;
    }

    private static double overlap(int cell, int cells, double from, double length) {
        return Math.max(0, Math.min(cell + 1.0, (from + length) * cells) - Math.max(cell, from * cells));
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof DetailMap d && d.columns == columns && Arrays.equals(d.steps, steps);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(steps);
    }
}
