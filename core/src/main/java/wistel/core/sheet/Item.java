package wistel.core.sheet;

import java.util.Objects;
import wistel.core.fault.InvalidRequest;
import wistel.core.pictures.Crop;

/**
 * A piece: one picture as it is wanted on paper. Plans name items; where several are laid, one rendition may be in many of them.
 *
 * @param id         among the items of its docket
 * @param cut        the part of the picture that is wanted
 * @param annotation what is written and drawn round it, where the plan leaves room for that
 * @param copies     how often a plan that lays several pieces lays this one; others print it once on each copy of their pages
 */
public record Item(String id, String renditionId, Cut cut, Frame frame, Annotation annotation, int copies) {
    public static final int MOST_COPIES = 500;

    /** @throws InvalidRequest when a number is out of its range */
    public Item {
        Objects.requireNonNull(cut);
        Objects.requireNonNull(frame);
        Objects.requireNonNull(annotation);
        if (id.isBlank() || renditionId.isBlank()) {
            throw new IllegalArgumentException("a piece and its picture have names");
        }
        if (copies < 1 || copies > MOST_COPIES) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, copies + " copies of a piece can't be laid.",
                "Enter 1 to " + MOST_COPIES + ".");
        }
    }

    /** All of a picture, nothing round it. */
    public static Item whole(String id, String renditionId, double widthMm, double heightMm) {
        return new Item(id, renditionId, Cut.WHOLE, Frame.whole(widthMm, heightMm), Annotation.NONE, 1);
    }

    public Item framed(Frame next) {
        return new Item(id, renditionId, cut, next, annotation, copies);
    }

    public Item sized(double widthMm, double heightMm) {
        return framed(frame.sized(widthMm, heightMm));
    }

    public Item cut(Cut next) {
        return new Item(id, renditionId, next, frame, annotation, copies);
    }

    public Item annotated(Annotation next) {
        return new Item(id, renditionId, cut, frame, next, copies);
    }

    /** Width over height of what is wanted of the picture. */
    double aspect(SheetPlan.PixelSize picture) {
        Cut kept = cut.inside(picture.aspect());
        return picture.aspect() * kept.width() / kept.height();
    }

    /** What of it a frame of this size shows. */
    Crop shown(SheetPlan.PixelSize picture, double widthMm, double heightMm) {
        Crop wanted = wanted(picture);
        return frame.fit() == Frame.Fit.FILL ? wanted.shaped(widthMm / heightMm, frame.cropX(), frame.cropY()) : wanted;
    }

    /** What is wanted of the picture, in its pixels. */
    Crop wanted(SheetPlan.PixelSize picture) {
        return cut.inside(picture.aspect()).of(picture);
    }
}
