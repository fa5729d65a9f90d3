package wistel.core.sheet;

import java.util.List;
import java.util.Optional;
import wistel.core.length.Ppi;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;

/**
 * A part of a picture on a page.
 *
 * @param id          among all that lies on its page; pages that repeat a piece name it alike
 * @param itemId      the piece that it is, or is a part of
 * @param crop        in the upright picture's pixels, after it was straightened
 * @param straighten  degrees that the upright picture is turned by about its middle, clockwise, before it is cropped
 * @param atMm        where it lies on the page as it is looked at; it may reach over the paper's edge, and is cut there
 * @param orientation how the part is turned or mirrored to lie there
 * @param bleed       of mirrored picture round it, there to be cut off
 * @param sides       what is made round it to be folded; empty where nothing is
 * @param tile        what it is a part of, where a picture goes over several sheets
 * @param variation   in what it differs from its rendition, where it is a piece of a test strip
 */
public record Placed(String id, String itemId, String renditionId, Crop crop, double straighten, Rect atMm, Orientation orientation,
    Optional<Bleed> bleed, Optional<WrappedSides> sides, Optional<Tile> tile, Optional<Variation> variation) {
    /** Of a page that is made up for one picture: place and piece are named after it. */
    public Placed(String renditionId, Crop crop, double straighten, Rect atMm, Orientation orientation) {
        this(renditionId, renditionId, renditionId, crop, straighten, atMm, orientation, Optional.empty(), Optional.empty());
    }

    /** Of a picture that goes over no other sheet. */
    public Placed(String id, String itemId, String renditionId, Crop crop, double straighten, Rect atMm, Orientation orientation,
        Optional<Bleed> bleed, Optional<WrappedSides> sides) {
        this(id, itemId, renditionId, crop, straighten, atMm, orientation, bleed, sides, Optional.empty(), Optional.empty());
    }

    /** A whole piece, upright. */
    static Placed of(Item item, Crop crop, Rect atMm) {
        return new Placed(item.id(), item.id(), item.renditionId(), crop, item.cut().degrees(), atMm, Orientation.UPRIGHT, Optional.empty(),
            Optional.empty());
    }

    public static Placed upright(String renditionId, Crop crop, Rect atMm) {
        return new Placed(renditionId, crop, 0, atMm, Orientation.UPRIGHT);
    }

    /** A piece of a test strip. */
    Placed varied(int number, Variation by) {
        return new Placed(itemId + "." + number, itemId, renditionId, crop, straighten, atMm, orientation, bleed, sides, tile,
            Optional.of(by));
    }

    /** Names the colours that it is printed in: those of its rendition, or of a test strip's piece its own. */
    public String coloursId() {
        return variation.isPresent() ? id : renditionId;
    }

    Placed oriented(Orientation next) {
        return new Placed(id, itemId, renditionId, crop, straighten, atMm, next, bleed, sides, tile, variation);
    }

    Placed bled(double mm) {
        return new Placed(id, itemId, renditionId, crop, straighten, atMm, orientation,
            mm > 0 ? Optional.of(Bleed.round(crop, atMm, mm)) : Optional.empty(), sides, tile, variation);
    }

    /** One of several parts of its piece. */
    Placed part(int number) {
        return new Placed(itemId + "." + number, itemId, renditionId, crop, straighten, atMm, orientation, bleed, sides, tile, variation);
    }

    public Placed sided(WrappedSides made) {
        return new Placed(id, itemId, renditionId, crop, straighten, atMm, orientation, bleed, Optional.of(made), tile, variation);
    }

    /** Without anything made round it. */
    private Placed bare(Crop shown, Rect at) {
        return new Placed(id, itemId, renditionId, shown, straighten, at, orientation, Optional.empty(), Optional.empty(), Optional.empty(),
            variation);
    }

    /** The mirrored parts round it, each as a picture of its own. */
    public List<Placed> bleedParts() {
        return bleed.map(Bleed::parts).orElse(List.of()).stream()
            .map(p -> new Placed(id, itemId, renditionId, p.crop(), straighten, p.atMm(), p.orientation(), Optional.empty(),
                Optional.empty()))
            .toList();
    }

    /** What of it lies on a page of this size; empty where nothing does. */
    public Optional<Placed> on(double pageWidthMm, double pageHeightMm) {
        double left = Math.max(0, atMm.x());
        double top = Math.max(0, atMm.y());
        double width = Math.min(pageWidthMm, atMm.right()) - left;
        double height = Math.min(pageHeightMm, atMm.bottom()) - top;
        if (width <= 0 || height <= 0) {
            return Optional.empty();
        }
        return Optional.of(part(new Rect(left, top, width, height)));
    }

    /** What of it lies in a rectangle inside of it, without anything made round it. */
    private Placed part(Rect in) {
        Rect share = new Rect((in.x() - atMm.x()) / atMm.width(), (in.y() - atMm.y()) / atMm.height(), in.width() / atMm.width(),
            in.height() / atMm.height());
        Rect upright = share.turned(orientation.inverse(), 1, 1);
        return bare(new Crop(crop.x() + upright.x() * crop.width(), crop.y() + upright.y() * crop.height(), upright.width() * crop.width(),
            upright.height() * crop.height()), in);
    }

    /**
     * What of it lies in a rectangle, as one of the sheets that it goes over.
     *
     * @param seen of that, once all are joined
     */
    Placed tile(Rect in, Rect seen) {
        Placed part = part(in);
        return new Placed(id, itemId, renditionId, part.crop, straighten, in, orientation, Optional.empty(), Optional.empty(),
            Optional.of(new Tile(crop, atMm, seen)), variation);
    }

    /** All of the picture that it is one sheet of, as it would lie in one piece; itself where it goes over no other sheet. */
    public Placed untiled() {
        return tile.map(t -> new Placed(itemId, itemId, renditionId, t.crop(), straighten, t.atMm(), orientation, Optional.empty(),
            Optional.empty())).orElse(this);
    }

    /** Its width on paper as the picture stands upright. */
    public double uprightWidthMm() {
        return orientation.swapsSides() ? atMm.height() : atMm.width();
    }

    public double uprightHeightMm() {
        return orientation.swapsSides() ? atMm.width() : atMm.height();
    }

    Placed moved(double dx, double dy) {
        return new Placed(id, itemId, renditionId, crop, straighten, atMm.moved(dx, dy), orientation, bleed.map(b -> b.moved(dx, dy)),
            sides.map(s -> s.moved(dx, dy)), tile.map(t -> t.moved(dx, dy)), variation);
    }

    /** The same part of the same picture in another size. */
    public Placed scaled(double scale) {
        return new Placed(id, itemId, renditionId, crop.scaled(scale), straighten, atMm, orientation, bleed.map(b -> b.scaled(scale)),
            sides, tile.map(t -> t.scaled(scale)), variation);
    }

    /** What of it is seen from the front of the body that it goes round, or once sheets are joined; all of any other. */
    public Placed face() {
        return sides.map(WrappedSides::faceMm).or(() -> tile.map(Tile::seenMm)).map(this::part).orElse(this);
    }

    /** All that is printed of it, what is made round it too. */
    public Rect printedMm() {
        return sides.map(WrappedSides::grownMm).orElse(atMm);
    }

    /** Pixels of the picture per inch of paper, across the picture. */
    public double ppi() {
        return Ppi.of(crop.width(), uprightWidthMm());
    }
}
