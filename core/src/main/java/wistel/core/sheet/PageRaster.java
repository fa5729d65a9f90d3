package wistel.core.sheet;

import wistel.core.length.Length;
import wistel.core.paper.FeedScale;

/**
 * The raster that stands for a page as it feeds: how its pixels lie on the paper.
 *
 * @param dpi     pixels an inch as they are sent; a fraction where pictures keep their pixels
 * @param mostPpi detail finer than this is averaged away, as the docket decided; infinite to keep what the raster can hold
 * @param scale   how long what is sent comes out: the raster is smaller by as much, so that the print comes out true
 * @param cut     the paper ends where the raster does, as on a roll; a sheet is as long as it is
 */
public record PageRaster(double dpi, double mostPpi, FeedScale scale, boolean cut) {
    public PageRaster {
        if (!(dpi >= 1) || !(mostPpi > 0)) {
            throw new IllegalArgumentException(dpi + " dpi, at most " + mostPpi + " ppi");
        }
    }

    /** Of what comes out as long as it is sent: files, previews, feeds that nobody has measured. */
    public static PageRaster exact(double dpi, double mostPpi) {
        return new PageRaster(dpi, mostPpi, FeedScale.NONE, false);
    }

    /** Whole pixels of a length. */
    public static int pixels(double mm, double dpi) {
        return (int) Math.round(mm / Length.MM_PER_INCH * dpi);
    }

    /** The length that the printer is told, to which it cuts a roll. */
    public double sentLengthMm(Page page) {
        return cut ? page.fedHeightMm() / scale.along() : page.fedHeightMm();
    }

    public int width(Page page) {
        return pixels(page.fedWidthMm(), dpi);
    }

    public int height(Page page) {
        return pixels(sentLengthMm(page), dpi);
    }

    /**
     * A rectangle of the page as it feeds, in pixels: left, top, right, bottom. A printer that prints over the edges enlarges the raster by
     * as much, so the raster stands for the page and what lies over its edges.
     */
    public int[] of(Page page, Rect fed) {
        int[] across = span(page, new Span(fed.x(), fed.width(), page.fedWidthMm(), scale.across()));
        int[] down = span(page, new Span(fed.y(), fed.height(), sentLengthMm(page), scale.along()));
        return new int[] {across[0], down[0], across[1], down[1]};
    }

    /**
     * @param sideMm of what is sent
     * @param scaled what a millimetre of it becomes
     */
    private record Span(double fromMm, double lengthMm, double sideMm, double scaled) {
    }

    /** Pictures keep their size in whole pixels; where a bleed joins them, their ends meet its ends instead. */
    private int[] span(Page page, Span s) {
        double over = page.overMm();
        double from = s.fromMm / s.scaled + over;
        double length = s.lengthMm / s.scaled;
        double enlarged = (s.sideMm + 2 * over) / s.sideMm;
        int first = (int) Math.round(from / (Length.MM_PER_INCH * enlarged) * dpi);
        int end = page.placed().stream().allMatch(p -> p.bleed().isEmpty())
            ? first + (int) Math.round(length / (Length.MM_PER_INCH * enlarged) * dpi)
            : (int) Math.round((from + length) / (Length.MM_PER_INCH * enlarged) * dpi);
        return new int[] {first, Math.max(first + 1, end)};
    }
}
