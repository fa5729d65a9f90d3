package wistel.core.sheet;

import wistel.core.pictures.Crop;
import wistel.core.pictures.DetailMap;
import wistel.core.sheet.SheetPlan.PixelSize;

/**
 * How much contrast there is across a joint at a place of a printed picture: the mean step over the joint's whole length. Where the eye
 * follows something, it has contrast; where nothing is to be seen, a joint isn't either. Of a straightened picture the crop is taken as if
 * it were level.
 *
 * @param columns   mean steps from left to right by column of cells, of the part that is shown
 * @param fromX     where the part begins in the picture, as a share of its width; {@code perMmX} of a printed millimetre
 */
record SeamContrast(double[] columns, double[] rows, double fromX, double perMmX, double fromY, double perMmY) {
    /** Beside a joint, too, what the eye follows shows where sheets don't quite meet. */
    private static final double BESIDE_MM = 4;

    /**
     * @param shown  of the picture
     * @param sizeMm of that on paper
     */
    static SeamContrast of(DetailMap detail, PixelSize picture, Crop shown, double[] sizeMm) {
        double x = shown.x() / picture.width();
        double y = shown.y() / picture.height();
        double w = shown.width() / picture.width();
        double h = shown.height() / picture.height();
        double perMmX = w / sizeMm[0];
        double perMmY = h / sizeMm[1];
        return new SeamContrast(around(detail.acrossByColumn(y, y + h), perMmX), around(detail.downByRow(x, x + w), perMmY), x, perMmX, y,
            perMmY);
    }

    /** Each cell with its neighbours on both sides. */
    private static double[] around(double[] cells, double perMm) {
        int beside = (int) Math.ceil(BESIDE_MM * perMm * cells.length);
        double[] means = new double[cells.length];
        for (int i = 0; i < cells.length; i++) {
            int from = Math.max(0, i - beside);
            int to = Math.min(cells.length - 1, i + beside);
            for (int k = from; k <= to; k++) {
                means[i] += cells[k] / (to - from + 1);
            }
        }
        return means;
    }

    /** @param mm from the left of what is shown */
    double betweenColumns(double mm) {
        return at(columns, fromX + mm * perMmX);
    }

    /** @param mm from above */
    double betweenRows(double mm) {
        return at(rows, fromY + mm * perMmY);
    }

    /** Between the middles of two cells. */
    private static double at(double[] cells, double share) {
        double at = Math.max(0, Math.min(cells.length - 1, share * cells.length - 0.5));
        int low = (int) at;
        int high = Math.min(cells.length - 1, low + 1);
        return cells[low] + (at - low) * (cells[high] - cells[low]);
    }
}
