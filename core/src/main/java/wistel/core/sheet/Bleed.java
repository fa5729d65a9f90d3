package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;

/** A picture mirrored outwards at its four edges and corners, so that a cut beside the edge shows no white. */
public record Bleed(List<MirroredPart> parts) {
    /** A mirrored part of the picture beside it, as a {@link Placed} has them. */
    public record MirroredPart(Crop crop, Rect atMm, Orientation orientation) {
    }

    public Bleed {
        parts = List.copyOf(parts);
    }

    /** @param mm how far; where the picture is narrower than that, as far as it goes */
    static Bleed round(Crop c, Rect at, double mm) {
        double w = Math.min(mm, at.width());
        double h = Math.min(mm, at.height());
        double cw = c.width() * w / at.width();
        double ch = c.height() * h / at.height();
        List<MirroredPart> parts = new ArrayList<>();
        for (int row = -1; row <= 1; row++) {
            for (int column = -1; column <= 1; column++) {
                if (row == 0 && column == 0) {
                    continue;
                }
                double x = column < 0 ? at.x() - w : column == 0 ? at.x() : at.right();
                double y = row < 0 ? at.y() - h : row == 0 ? at.y() : at.bottom();
                Rect to = new Rect(x, y, column == 0 ? at.width() : w, row == 0 ? at.height() : h);
                Crop from = new Crop(column > 0 ? c.x() + c.width() - cw : c.x(), row > 0 ? c.y() + c.height() - ch : c.y(),
                    column == 0 ? c.width() : cw, row == 0 ? c.height() : ch);
                Orientation mirror = row == 0 ? Orientation.MIRRORED : column == 0 ? Orientation.FLIPPED : Orientation.HALF_TURN;
                parts.add(new MirroredPart(from, to, mirror));
            }
        }
        return new Bleed(parts);
    }

    Bleed moved(double dx, double dy) {
        return new Bleed(parts.stream().map(p -> new MirroredPart(p.crop, p.atMm.moved(dx, dy), p.orientation)).toList());
    }

    Bleed scaled(double scale) {
        return new Bleed(parts.stream().map(p -> new MirroredPart(p.crop.scaled(scale), p.atMm, p.orientation)).toList());
    }
}
