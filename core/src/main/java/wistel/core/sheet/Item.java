package wistel.core.sheet;

import java.util.Objects;
import wistel.core.fault.InvalidRequest;
import wistel.core.pictures.Crop;
import wistel.core.pictures.SameContent;

/**
 * A piece: one picture as it is wanted on paper. Plans name items; where several are laid, one rendition may be in many of them.
 *
 * @param id         among the items of its docket
 * @param cut        the part of the picture that is wanted
 * @param annotation what is written and drawn round it, where the plan leaves room for that
 * @param copies     how often a plan that lays several pieces lays this one; others print it once on each copy of their pages
 * @param title      what its caption calls it; blank where that is the docket's title
 */
public record Item(String id, String renditionId, Cut cut, Frame frame, Annotation annotation, int copies, String title) {
    public static final int MOST_COPIES = 500;
    private static final int LONGEST_TITLE = 200;

    /** @throws InvalidRequest when a number is out of its range */
    public Item {
        Objects.requireNonNull(cut);
        Objects.requireNonNull(frame);
        Objects.requireNonNull(annotation);
        if (title.length() > LONGEST_TITLE) {
            throw new InvalidRequest(InvalidRequest.Reason.TEXT_OUT_OF_RANGE, "A title has up to " + LONGEST_TITLE + " characters.",
                "Write it shorter.");
        }
        if (id.isBlank() || renditionId.isBlank()) {
            throw new IllegalArgumentException("a piece and its picture have names");
        }
        if (copies < 1 || copies > MOST_COPIES) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, copies + " copies of a piece can't be laid.",
                "Enter 1 to " + MOST_COPIES + ".");
        }
    }

    /** With a caption that names the docket. */
    public Item(String id, String renditionId, Cut cut, Frame frame, Annotation annotation, int copies) {
        this(id, renditionId, cut, frame, annotation, copies, "");
    }

    /** The same of another picture, or under another id. */
    public Item as(String nextId, String ofRendition) {
        return new Item(nextId, ofRendition, cut, frame, annotation, copies, title);
    }

    public Item titled(String next) {
        return new Item(id, renditionId, cut, frame, annotation, copies, next);
    }

    /** All of a picture, nothing round it. */
    public static Item whole(String id, String renditionId, double widthMm, double heightMm) {
        return new Item(id, renditionId, Cut.WHOLE, Frame.whole(widthMm, heightMm), Annotation.NONE, 1);
    }

    public Item framed(Frame next) {
        return new Item(id, renditionId, cut, next, annotation, copies, title);
    }

    public Item sized(double widthMm, double heightMm) {
        return framed(frame.sized(widthMm, heightMm));
    }

    public Item cut(Cut next) {
        return new Item(id, renditionId, next, frame, annotation, copies, title);
    }

    /** The same piece of another file of its picture: the same content, where that has it. */
    public Item in(SameContent content) {
        Cut next = cut.in(content);
        if (frame.fit() == Frame.Fit.WHOLE || content.sameFrame()) {
            return cut(next);
        }
        SheetPlan.PixelSize older = new SheetPlan.PixelSize(content.older().width(), content.older().height());
        SheetPlan.PixelSize newer = new SheetPlan.PixelSize(content.newer().width(), content.newer().height());
        Crop before = shown(older, frame.widthMm(), frame.heightMm());
        Crop wanted = cut(next).wanted(newer);
        Crop shown = cut(next).shown(newer, frame.widthMm(), frame.heightMm());
        double x = content.x((before.x() + before.width() / 2) / older.width()) * newer.width();
        double y = content.y((before.y() + before.height() / 2) / older.height()) * newer.height();
        return cut(next).framed(frame.cropped(within(x - shown.width() / 2 - wanted.x(), wanted.width() - shown.width(), frame.cropX()),
            within(y - shown.height() / 2 - wanted.y(), wanted.height() - shown.height(), frame.cropY())));
    }

    /** A share of what is left beside; as it was where nothing is. */
    private static double within(double at, double left, double was) {
        return left < 1e-6 ? was : Math.max(0, Math.min(1, at / left));
    }

    public Item repeated(int next) {
        return new Item(id, renditionId, cut, frame, annotation, next, title);
    }

    public Item annotated(Annotation next) {
        return new Item(id, renditionId, cut, frame, next, copies, title);
    }

    /** Width over height of what is wanted of the picture. */
    double aspect(SheetPlan.PixelSize picture) {
        Cut kept = cut.inside(picture.aspect());
        return picture.aspect() * kept.width() / kept.height();
    }

    /** Width and height of its picture on paper, upright. */
    public double[] size(SheetPlan.PixelSize picture) {
        return frame.filledBy(aspect(picture), frame.widthMm(), frame.heightMm());
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
