package wistel.core.rendition;

import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;

/**
 * Where the pixels of a raster lie in an upright picture, before that is straightened: shares of its width and height. The raster shows a
 * part of the picture, or goes on beyond it.
 *
 * @param x, y     of the middle of the raster's first pixel
 * @param acrossX, acrossY what each column adds
 * @param downX, downY     what each row adds
 * @param aspect   width over height of the picture
 * @param frame    what is printed of it
 */
public record PicturePlaces(double x, double y, double acrossX, double acrossY, double downX, double downY, double aspect,
    LocalMove.PrintFrame frame) {
    /** @param width, height of a view of all of a picture */
    public static PicturePlaces whole(int width, int height, LocalMove.PrintFrame frame) {
        return new PicturePlaces(0.5 / width, 0.5 / height, 1.0 / width, 0, 0, 1.0 / height, (double) width / height, frame);
    }

    /**
     * A part of a picture that was cut out, straightened before.
     *
     * @param picture its pixels across and down
     * @param crop    in these pixels
     */
    public record Part(int pictureWidth, int pictureHeight, Crop crop, double straighten) {
        /** In shares of the picture, after it was straightened. */
        public LocalMove.PrintFrame framed() {
            return new LocalMove.PrintFrame(crop.x() / pictureWidth, crop.y() / pictureHeight, crop.width() / pictureWidth,
                crop.height() / pictureHeight, straighten);
        }
    }

    /** A part in a raster of its own, upright. */
    public static PicturePlaces part(Part part, int width, int height, LocalMove.PrintFrame frame) {
        return turned(part, Orientation.UPRIGHT, new double[] {0, 0, width, height}, frame);
    }

    /**
     * A part that is turned or mirrored to lie somewhere on a raster.
     *
     * @param at where it lies: left, top, right, bottom in the raster's pixels
     */
    public static PicturePlaces turned(Part part, Orientation orientation, double[] at, LocalMove.PrintFrame frame) {
        Mapping mapping = new Mapping(part, orientation, at);
        double[] first = mapping.place(0.5, 0.5);
        double[] next = mapping.place(1.5, 0.5);
        double[] below = mapping.place(0.5, 1.5);
        return new PicturePlaces(first[0], first[1], next[0] - first[0], next[1] - first[1], below[0] - first[0], below[1] - first[1],
            (double) part.pictureWidth / part.pictureHeight, frame);
    }

    private record Mapping(Part part, Orientation orientation, double[] at) {
        private double[] shown(double x, double y) {
            Orientation.Box point = orientation.inverse().shown(new Orientation.Box(x, y, 0, 0), 1, 1);
            return new double[] {point.x(), point.y()};
        }

        private double[] place(double x, double y) {
            double[] upright = shown((x - at[0]) / (at[2] - at[0]), (y - at[1]) / (at[3] - at[1]));
            double px = part.crop.x() + upright[0] * part.crop.width() - part.pictureWidth / 2.0;
            double py = part.crop.y() + upright[1] * part.crop.height() - part.pictureHeight / 2.0;
            // back by the angle that the picture was turned by, clockwise
            double angle = Math.toRadians(part.straighten);
            return new double[] {(px * Math.cos(angle) + py * Math.sin(angle)) / part.pictureWidth + 0.5,
                (-px * Math.sin(angle) + py * Math.cos(angle)) / part.pictureHeight + 0.5};
        }
    }

    /** The same from another pixel of the raster on. */
    public PicturePlaces from(int column, int row) {
        return new PicturePlaces(x + column * acrossX + row * downX, y + column * acrossY + row * downY, acrossX, acrossY, downX, downY,
            aspect, frame);
    }
}
