package wistel.core.sheet;

import java.util.List;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;

/**
 * One picture on one sheet.
 *
 * @param across   long edge lying left to right
 * @param widthMm  of the frame; with {@link Fit#WHOLE} all of the picture is shown as large as the frame allows
 * @param cropX    with {@link Fit#FILL}, where the frame sits in the picture: 0 left, 1 right
 */
public record Single(String renditionId, boolean across, double widthMm, double heightMm, Fit fit, double cropX, double cropY, Borders borders) implements SheetPlan {
    public enum Fit { WHOLE, FILL }

    public enum Borders { EVEN, HEAVIER_FOOT }

    private static final double SMALLEST_MM = 5;
    private static final double LARGEST_MM = 5000;
    /** A heavier foot leaves half as much again below as above. */
    private static final double ABOVE_WITH_FOOT = 0.4;

    /** @throws InvalidRequest when a length or place is out of its range */
    public Single {
        boolean sane = widthMm >= SMALLEST_MM && heightMm >= SMALLEST_MM && widthMm <= LARGEST_MM && heightMm <= LARGEST_MM
            && cropX >= 0 && cropX <= 1 && cropY >= 0 && cropY <= 1;
        if (!sane) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A picture of " + widthMm + " × " + heightMm + " mm can't be printed.", "Pictures go from 5 mm to 5 m.");
        }
    }

    public Single framed(double width, double height) {
        return new Single(renditionId, across, width, height, fit, cropX, cropY, borders);
    }

    public Single turned() {
        return new Single(renditionId, !across, widthMm, heightMm, fit, cropX, cropY, borders);
    }

    public Single fitted(Fit next) {
        return new Single(renditionId, across, widthMm, heightMm, next, cropX, cropY, borders);
    }

    public Single cropped(double x, double y) {
        return new Single(renditionId, across, widthMm, heightMm, fit, x, y, borders);
    }

    public Single bordered(Borders next) {
        return new Single(renditionId, across, widthMm, heightMm, fit, cropX, cropY, next);
    }

    /** Share of the spare height that lies above the picture. */
    public double aboveShare() {
        return borders == Borders.HEAVIER_FOOT ? ABOVE_WITH_FOOT : 0.5;
    }

    @Override
    public Layout lay(Ground ground) {
        Stock.Sheet sheet = (Stock.Sheet) ground.stock();
        PixelSize picture = ground.pictures().get(renditionId);
        double pageW = across ? sheet.lengthMm() : sheet.widthMm();
        double pageH = across ? sheet.widthMm() : sheet.lengthMm();
        Margins margins = across ? ground.feedMargins().across() : ground.feedMargins();
        double aspect = (double) picture.width() / picture.height();
        double w = widthMm;
        double h = heightMm;
        Crop crop = Crop.whole(picture.width(), picture.height());
        if (fit == Fit.FILL) {
            double frame = w / h;
            double cw = frame < aspect ? picture.height() * frame : picture.width();
            double ch = frame < aspect ? picture.height() : picture.width() / frame;
            crop = new Crop((picture.width() - cw) * cropX, (picture.height() - ch) * cropY, cw, ch);
        } else if (w / h > aspect) {
            w = h * aspect;
        } else {
            h = w / aspect;
        }
        double spare = pageH - h;
        double y = spare > 0 ? spare * aboveShare() : spare / 2;
        Placed placed = new Placed(renditionId, crop, new Rect((pageW - w) / 2, y, w, h), Orientation.UPRIGHT);
        double lost = 1 - crop.width() * crop.height() / ((double) picture.width() * picture.height());
        Page page = new Page(pageW, pageH, margins, across ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT, List.of(placed), List.of());
        return Layout.of(List.of(page), lost > 0.0005 ? List.of(new Layout.Loss(renditionId, lost)) : List.of());
    }
}
