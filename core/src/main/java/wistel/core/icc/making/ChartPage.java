package wistel.core.icc.making;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import wistel.core.fault.MeasurementException;

/**
 * Patches of a chart as they lie on one page, row by row; the last row may be short.
 *
 * @param number  1 for the first page
 * @param columns of patches
 */
public record ChartPage(int number, int columns, List<ProfileChart.ChartPatch> patches) {
    /** Side of a patch: an instrument's opening with room to aim. */
    public static final double PATCH_MM = 8;
    /** Pixels of the page's picture along a patch: patches are flat. */
    public static final int PATCH_PIXELS = 16;

    /** @throws IllegalArgumentException without columns or patches */
    public ChartPage {
        patches = List.copyOf(patches);
        if (columns < 1 || patches.isEmpty()) {
            throw new IllegalArgumentException(patches.size() + " patches in " + columns + " columns");
        }
    }

    /**
     * A chart over as many pages as it takes.
     *
     * @param widthMm  that can be printed on
     * @param lengthMm the same
     * @throws MeasurementException where a page holds fewer than twenty patches
     */
    public static List<ChartPage> of(ProfileChart chart, double widthMm, double lengthMm) {
        int columns = (int) Math.floor(widthMm / PATCH_MM) - 1;
        int rows = (int) Math.floor(lengthMm / PATCH_MM) - 1;
        if (columns < 4 || rows < 5) {
            throw new MeasurementException(MeasurementException.Reason.CHART_TOO_SMALL,
                "A page of " + Math.round(widthMm) + " x " + Math.round(lengthMm) + " mm is too small for a chart.",
                "Load a larger sheet.");
        }
        int each = columns * rows;
        int pages = (chart.patches().size() + each - 1) / each;
        // as many on each, so that the last one isn't nearly empty
        int even = (chart.patches().size() + pages - 1) / pages;
        int full = (even + columns - 1) / columns * columns;
        List<ChartPage> all = new ArrayList<>();
        for (int from = 0; from < chart.patches().size(); from += full) {
            all.add(new ChartPage(all.size() + 1, columns, chart.patches().subList(from, Math.min(chart.patches().size(), from + full))));
        }
        return all;
    }

    public int rows() {
        return (patches.size() + columns - 1) / columns;
    }

    /** Of the page's picture: a column of row numbers, then the patches. */
    public double widthMm() {
        return (columns + 1) * PATCH_MM;
    }

    /** Of the page's picture: a row of letters, then the patches. */
    public double heightMm() {
        return (rows() + 1) * PATCH_MM;
    }

    /** The picture's pixels across. */
    public int widthPixels() {
        return (columns + 1) * PATCH_PIXELS;
    }

    public int heightPixels() {
        return (rows() + 1) * PATCH_PIXELS;
    }

    /**
     * Its picture in the printer's own numbers, red, green, blue, 16 bit, row by row: letters above, numbers to the left, paper where there is
     * nothing.
     */
    public char[] picture() {
        char[] picture = new char[3 * widthPixels() * heightPixels()];
        Arrays.fill(picture, (char) 65535);
        for (int i = 0; i < patches.size(); i++) {
            double[] rgb = patches.get(i).rgb();
            int left = (i % columns + 1) * PATCH_PIXELS;
            int top = (i / columns + 1) * PATCH_PIXELS;
            for (int p = 0; p < PATCH_PIXELS * PATCH_PIXELS; p++) {
                int at = 3 * ((top + p / PATCH_PIXELS) * widthPixels() + left + p % PATCH_PIXELS);
                for (int c = 0; c < 3; c++) {
                    picture[at + c] = (char) Math.round(65535 * rgb[c]);
                }
            }
        }
        for (int column = 0; column < columns; column++) {
            write(letters(column), (column + 1) * PATCH_PIXELS, 0, picture);
        }
        for (int row = 0; row < rows(); row++) {
            write(Integer.toString(row + 1), 0, (row + 1) * PATCH_PIXELS, picture);
        }
        return picture;
    }

    /** In the middle of a square of a patch's size, black. */
    private void write(String letters, int left, int top, char[] picture) {
        int x0 = left + (PATCH_PIXELS - letters.length() * (SmallType.WIDTH + 1) + 1) / 2;
        int y0 = top + (PATCH_PIXELS - SmallType.HEIGHT) / 2;
        for (int i = 0; i < letters.length(); i++) {
            for (int y = 0; y < SmallType.HEIGHT; y++) {
                for (int x = 0; x < SmallType.WIDTH; x++) {
                    if (SmallType.dark(letters.charAt(i), x, y)) {
                        int at = 3 * ((y0 + y) * widthPixels() + x0 + i * (SmallType.WIDTH + 1) + x);
                        Arrays.fill(picture, at, at + 3, (char) 0);
                    }
                }
            }
        }
    }

    /** Where the middle of a patch lies, 0 to 1 across and down the page's picture. */
    public double[] middle(int patch) {
        return new double[] {(patch % columns + 1.5) / (columns + 1), (patch / columns + 1.5) / (rows() + 1)};
    }

    /** "C12": the column by letters, the row by number, as they stand on the page. */
    public String name(int patch) {
        return letters(patch % columns) + (patch / columns + 1);
    }

    private static String letters(int column) {
        return (column < 26 ? "" : Character.toString('A' + column / 26 - 1)) + (char) ('A' + column % 26);
    }
}
