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
        int columns = (int) Math.floor(widthMm / PATCH_MM);
        int rows = (int) Math.floor(lengthMm / PATCH_MM);
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

    public double widthMm() {
        return columns * PATCH_MM;
    }

    public double heightMm() {
        return rows() * PATCH_MM;
    }

    /** Its picture in the printer's own numbers, red, green, blue, 16 bit, row by row; {@link #PATCH_PIXELS} a patch, paper where there is none. */
    public char[] picture() {
        int width = columns * PATCH_PIXELS;
        char[] picture = new char[3 * width * rows() * PATCH_PIXELS];
        Arrays.fill(picture, (char) 65535);
        for (int i = 0; i < patches.size(); i++) {
            double[] rgb = patches.get(i).rgb();
            int left = i % columns * PATCH_PIXELS;
            int top = i / columns * PATCH_PIXELS;
            for (int p = 0; p < PATCH_PIXELS * PATCH_PIXELS; p++) {
                int at = 3 * ((top + p / PATCH_PIXELS) * width + left + p % PATCH_PIXELS);
                for (int c = 0; c < 3; c++) {
                    picture[at + c] = (char) Math.round(65535 * rgb[c]);
                }
            }
        }
        return picture;
    }

    /** Where the middle of a patch lies, 0 to 1 across and down the page's picture. */
    public double[] middle(int patch) {
        return new double[] {(patch % columns + 0.5) / columns, (patch / columns + 0.5) / rows()};
    }

    /** "C12": the column by letters, the row by number, as they stand on the page. */
    public String name(int patch) {
        int column = patch % columns;
        String letters = column < 26 ? "" : Character.toString('A' + column / 26 - 1);
        return letters + (char) ('A' + column % 26) + (patch / columns + 1);
    }
}
