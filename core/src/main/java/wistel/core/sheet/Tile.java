package wistel.core.sheet;

import wistel.core.pictures.Crop;

/**
 * What a part of a picture over several sheets is a part of: its samples are those of the whole picture printed in one piece, so that what
 * neighbours print both is the same on both.
 *
 * @param crop all of the picture that is shown, in its pixels, as {@link Placed#crop}
 * @param atMm where all of it would lie on the page that the part lies on
 * @param seenMm what of the part is seen once all are joined, on that page
 */
public record Tile(Crop crop, Rect atMm, Rect seenMm) {
    Tile moved(double dx, double dy) {
        return new Tile(crop, atMm.moved(dx, dy), seenMm.moved(dx, dy));
    }

    Tile scaled(double scale) {
        return new Tile(crop.scaled(scale), atMm, seenMm);
    }
}
