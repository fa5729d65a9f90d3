package wistel.core.sheet;

import wistel.core.pictures.SideFill;
import wistel.core.pictures.SideMoves;

/**
 * What is made round a placed picture, to be folded over a body's edges.
 *
 * @param faceMm  what is seen from the front; nothing of it is changed
 * @param grownMm all that is printed, face and sides
 * @param moves   of what lies outside the face
 */
public record WrappedSides(Rect faceMm, Rect grownMm, SideFill fill, SideMoves moves) {
    WrappedSides moved(double dx, double dy) {
        return new WrappedSides(faceMm.moved(dx, dy), grownMm.moved(dx, dy), fill, moves);
    }
}
