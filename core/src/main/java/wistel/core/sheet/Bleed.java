package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;

/** The picture mirrored outwards at its four edges and corners, so that a cut beside the edge shows no white. */
final class Bleed {
    private Bleed() {
    }

    /** @param mm how far; where the picture is narrower than that, as far as it goes */
    static List<Placed> round(Placed picture, double mm) {
        Crop c = picture.crop();
        Rect at = picture.atMm();
        double w = Math.min(mm, at.width());
        double h = Math.min(mm, at.height());
        double cw = c.width() * w / at.width();
        double ch = c.height() * h / at.height();
        List<Placed> pieces = new ArrayList<>();
        for (int row = -1; row <= 1; row++) {
            for (int column = -1; column <= 1; column++) {
                if (row == 0 && column == 0) {
                    continue;
                }
                double x = column < 0 ? at.x() - w : column == 0 ? at.x() : at.right();
                double y = row < 0 ? at.y() - h : row == 0 ? at.y() : at.bottom();
                Rect to = new Rect(x, y, column == 0 ? at.width() : w, row == 0 ? at.height() : h);
                Crop from = new Crop(column > 0 ? c.x() + c.width() - cw : c.x(), row > 0 ? c.y() + c.height() - ch : c.y(), column == 0 ? c.width() : cw, row == 0 ? c.height() : ch);
                Orientation mirror = row == 0 ? Orientation.MIRRORED : column == 0 ? Orientation.FLIPPED : Orientation.HALF_TURN;
                pieces.add(new Placed(picture.renditionId(), from, picture.straighten(), to, mirror));
            }
        }
        return pieces;
    }
}
