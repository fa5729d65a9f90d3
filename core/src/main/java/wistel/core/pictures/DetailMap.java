package wistel.core.pictures;

import java.util.Arrays;

/**
 * How much there is to see where in a picture: the mean step from pixel to pixel in a grid of cells, each in one unit of the picture's
 * codes over 65535. What a person finds important it can't know; where nothing is to be seen, nothing is lost.
 *
 * @param columns of cells
 * @param across  steps from left to right, row by row of the upright picture
 * @param down    steps downwards
 */
public record DetailMap(int columns, int rows, float[] across, float[] down) {
    private static final int LONGER_SIDE = 240;

    /** @param view upright, some hundred pixels large */
    public static DetailMap of(View view) {
        double scale = (double) LONGER_SIDE / Math.max(view.width(), view.height());
        int columns = Math.max(1, (int) Math.round(view.width() * scale));
        int rows = Math.max(1, (int) Math.round(view.height() * scale));
        float[] across = new float[columns * rows];
        float[] down = new float[columns * rows];
        int[] count = new int[columns * rows];
        int n = view.channels();
        for (int y = 1; y < view.height(); y++) {
            for (int x = 1; x < view.width(); x++) {
                int cell = y * rows / view.height() * columns + x * columns / view.width();
                int at = (y * view.width() + x) * n;
                for (int c = 0; c < n; c++) {
                    int here = view.pixels()[at + c];
                    across[cell] += Math.abs(here - view.pixels()[at + c - n]);
                    down[cell] += Math.abs(here - view.pixels()[at + c - view.width() * n]);
                }
                count[cell] += n;
            }
        }
        for (int i = 0; i < count.length; i++) {
            across[i] = count[i] == 0 ? 0 : across[i] / count[i] / 65535;
            down[i] = count[i] == 0 ? 0 : down[i] / count[i] / 65535;
        }
        return new DetailMap(columns, rows, across, down);
    }

    /** The mean in a part of the picture, given in shares of its sides; 0 where that lies outside. */
    public double in(double x, double y, double width, double height) {
        double sum = 0;
        double weights = 0;
        for (int row = first(y, rows); row < end(y + height, rows); row++) {
            for (int column = first(x, columns); column < end(x + width, columns); column++) {
                double w = overlap(column, columns, x, width) * overlap(row, rows, y, height);
                sum += w * (across[row * columns + column] + down[row * columns + column]) / 2;
                weights += w;
            }
        }
        return weights > 0 ? sum / weights : 0;
    }

    private static int first(double share, int cells) {
        return (int) Math.max(0, Math.floor(share * cells));
    }

    private static int end(double share, int cells) {
        return (int) Math.min(cells, Math.ceil(share * cells));
    }

    /** Mean steps from left to right in each column of cells, between two shares of the height. */
    public double[] acrossByColumn(double from, double to) {
        double[] means = new double[columns];
        int first = Math.min(rows - 1, first(from, rows));
        int end = Math.max(first + 1, end(to, rows));
        for (int row = first; row < end; row++) {
            for (int column = 0; column < columns; column++) {
                means[column] += across[row * columns + column] / (end - first);
            }
        }
        return means;
    }

    /** Mean steps downwards in each row of cells, between two shares of the width. */
    public double[] downByRow(double from, double to) {
        double[] means = new double[rows];
        int first = Math.min(columns - 1, first(from, columns));
        int end = Math.max(first + 1, end(to, columns));
        for (int row = 0; row < rows; row++) {
            for (int column = first; column < end; column++) {
                means[row] += down[row * columns + column] / (end - first);
            }
        }
        return means;
    }

    /** That it holds. */
    public int bytes() {
        return Float.BYTES * (across.length + down.length);
    }

    private static double overlap(int cell, int cells, double from, double length) {
        return Math.max(0, Math.min(cell + 1.0, (from + length) * cells) - Math.max(cell, from * cells));
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof DetailMap d && d.columns == columns && Arrays.equals(d.across, across) && Arrays.equals(d.down, down);
    }

    @Override
    public int hashCode() {
        return 31 * Arrays.hashCode(across) + Arrays.hashCode(down);
    }
}
