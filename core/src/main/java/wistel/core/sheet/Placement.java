package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import wistel.core.length.Margins;
import wistel.core.length.Ppi;
import wistel.core.picture.Crop;
import wistel.core.picture.Orientation;

/**
 * How one picture lies on one sheet, in millimetres from the sheet's upper left corner as it is looked at.
 *
 * @param margins    the unprintable edge, turned with the sheet
 * @param crop       the part of the picture used, in its upright pixels
 * @param lostShare  share of the picture's area that is cropped away
 * @param ppi        pixels of the picture per inch of paper
 */
public record Placement(double sheetWidthMm, double sheetHeightMm, boolean across, Margins margins, double x, double y, double width, double height,
                        Crop crop, double lostShare, double ppi) {

    /**
     * @param shortMm, longMm the sheet as it feeds, short edge leading
     * @param feedMargins     unprintable edges as it feeds
     * @param fill            fill the frame and crop, else show the whole picture inside it
     * @param heavyFoot       leave half as much again below as above
     */
    public static Placement of(double shortMm, double longMm, boolean across, Margins feedMargins, int widthPx, int heightPx,
                               double frameWidthMm, double frameHeightMm, boolean fill, double cropX, double cropY, boolean heavyFoot) {
        double sheetW = across ? longMm : shortMm;
        double sheetH = across ? shortMm : longMm;
        Margins margins = across ? feedMargins.across() : feedMargins;
        double aspect = (double) widthPx / heightPx;
        double w = frameWidthMm;
        double h = frameHeightMm;
        Crop crop = new Crop(0, 0, widthPx, heightPx);
        if (fill) {
            double frame = w / h;
            double cw = frame < aspect ? heightPx * frame : widthPx;
            double ch = frame < aspect ? heightPx : widthPx / frame;
            crop = new Crop((widthPx - cw) * clamp(cropX), (heightPx - ch) * clamp(cropY), cw, ch);
        } else if (w / h > aspect) {
            w = h * aspect;
        } else {
            h = w / aspect;
        }
        double lost = 1 - crop.width() * crop.height() / ((double) widthPx * heightPx);
        double spare = sheetH - h;
        double y = heavyFoot && spare > 0 ? spare * 0.4 : spare / 2;
        return new Placement(sheetW, sheetH, across, margins, (sheetW - w) / 2, y, w, h, crop, lost, Ppi.of(crop.width(), w));
    }

    private static double clamp(double v) {
        return v > 0 ? Math.min(1, v) : 0;
    }

    /** As a page with this one picture on it. */
    public Page page(String renditionId) {
        return new Page(sheetWidthMm, sheetHeightMm, margins, across ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT,
            List.of(new Placed(renditionId, crop, new Rect(x, y, width, height), Orientation.UPRIGHT)), List.of());
    }

    public double printableWidth() {
        return sheetWidthMm - margins.left() - margins.right();
    }

    public double printableHeight() {
        return sheetHeightMm - margins.top() - margins.bottom();
    }

    public boolean largerThanSheet() {
        return width > sheetWidthMm + 0.05 || height > sheetHeightMm + 0.05;
    }

    /** What of the picture falls on the unprintable edge, side by side, in mm; empty when nothing does. */
    public List<Overhang> overhangs() {
        List<Overhang> found = new ArrayList<>();
        add(found, "left", margins.left() - x);
        add(found, "right", x + width - (sheetWidthMm - margins.right()));
        add(found, "upper", margins.top() - y);
        add(found, "lower", y + height - (sheetHeightMm - margins.bottom()));
        return found;
    }

    public record Overhang(String side, double mm) {
    }

    private static void add(List<Overhang> found, String side, double mm) {
        if (mm > 0.05) {
            found.add(new Overhang(side, mm));
        }
    }
}
