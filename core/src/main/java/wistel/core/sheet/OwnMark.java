package wistel.core.sheet;

import java.util.Objects;
import wistel.core.fault.InvalidRequest;
import wistel.core.pictures.Orientation;

/**
 * A mark of one's own beside a picture or over a corner of it: a signature, a stamp, a logo, a line of text.
 *
 * @param over    the picture, in its corner; else in the border beside that corner
 * @param insetMm from the picture's edges, inwards over it, outwards in the border
 * @param opacity 0.05 to 1
 */
public record OwnMark(MarkArt art, Spot spot, boolean over, double insetMm, double widthMm, double opacity, Ink ink) {
    public static final double NARROWEST_MM = 2;
    public static final double WIDEST_MM = 300;
    private static final double FARTHEST_MM = 200;
    private static final double LEAST_OPACITY = 0.05;

    /** At the picture's corners and in the middle of its upper and lower edge. */
    public enum Spot {
        UPPER_LEFT, UPPER_MIDDLE, UPPER_RIGHT, LOWER_LEFT, LOWER_MIDDLE, LOWER_RIGHT;

        boolean upper() {
            return ordinal() < 3;
        }

        /** 0 left, 1 in the middle, 2 right. */
        int column() {
            return ordinal() % 3;
        }
    }

    /** In its own colours; or its shape, the darker it is there the more, darkens or lightens what lies below. */
    public enum Ink {
        OWN, DARKENS, LIGHTENS
    }

    /** @throws InvalidRequest when a number is out of its range */
    public OwnMark {
        Objects.requireNonNull(art);
        Objects.requireNonNull(spot);
        Objects.requireNonNull(ink);
        if (!(insetMm >= 0 && insetMm <= FARTHEST_MM && widthMm >= NARROWEST_MM && widthMm <= WIDEST_MM && opacity >= LEAST_OPACITY
            && opacity <= 1)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A mark can't be laid like that.",
                "It is 2 to 300 mm wide, up to 200 mm from the picture's edge, and covers 5 to 100 %.");
        }
    }

    public double heightMm() {
        return widthMm / art.aspect();
    }

    /** Where it lies at a picture, upright. */
    Rect at(Rect picture) {
        double x = switch (spot.column()) {
            case 0 -> picture.x() + (over ? insetMm : 0);
            case 1 -> picture.x() + (picture.width() - widthMm) / 2;
            default -> picture.right() - (over ? insetMm : 0) - widthMm;
        };
        double inside = spot.upper() ? picture.y() + insetMm : picture.bottom() - insetMm - heightMm();
        double beside = spot.upper() ? picture.y() - insetMm - heightMm() : picture.bottom() + insetMm;
        return new Rect(x, over ? inside : beside, widthMm, heightMm());
    }

    /** Over a picture, whatever was chosen: for work that has no border. */
    OwnMark inside() {
        return new OwnMark(art, spot, true, insetMm, widthMm, opacity, ink);
    }

    /** Cut off where what it lies on ends. */
    Mark.Stamp stamp(Rect at, Rect shown) {
        return new Mark.Stamp(art, at, shown, Orientation.UPRIGHT, opacity, ink);
    }
}
