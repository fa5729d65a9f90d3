package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wistel.core.length.Margins;
import wistel.core.pictures.Orientation;

/**
 * One sheet or one length of roll as it will be laid down, looked at upright.
 *
 * @param unprintable edges that stay white, as looked at
 * @param feedTurn    how the page is turned to lie as it feeds, leading edge first
 * @param overMm      how far the printer prints over each edge, enlarging what it is sent; 0 unless borderless
 * @param settings    of the printer that are this page's alone, by their IPP names; all others are the docket's
 */
public record Page(double widthMm, double heightMm, Margins unprintable, Orientation feedTurn, double overMm, List<Placed> placed,
    List<Mark> marks, Map<String, String> settings) {
    public Page {
        settings = Map.copyOf(settings);
        if (!(widthMm > 0 && heightMm > 0 && overMm >= 0)) {
            throw new IllegalArgumentException("a page of " + widthMm + " x " + heightMm + " mm, " + overMm + " mm over its edges");
        }
        placed = List.copyOf(placed);
        if (placed.stream().map(Placed::id).distinct().count() != placed.size()) {
            throw new IllegalArgumentException("two pictures of one name on a page");
        }
        marks = List.copyOf(marks);
    }

    /** With no settings of its own. */
    public Page(double widthMm, double heightMm, Margins unprintable, Orientation feedTurn, double overMm, List<Placed> placed,
        List<Mark> marks) {
        this(widthMm, heightMm, unprintable, feedTurn, overMm, placed, marks, Map.of());
    }

    /** With pictures and marks, nothing over its edges. */
    public static Page of(double widthMm, double heightMm, Margins unprintable, Orientation feedTurn, List<Placed> placed,
        List<Mark> marks) {
        return new Page(widthMm, heightMm, unprintable, feedTurn, 0, placed, marks);
    }

    /** With more marks. */
    Page marked(List<Mark> more) {
        List<Mark> all = new ArrayList<>(marks);
        all.addAll(more);
        return new Page(widthMm, heightMm, unprintable, feedTurn, overMm, placed, all, settings);
    }

    /** Its patches, in their order. */
    public List<Mark.ControlPatch> patches() {
        return marks.stream().filter(Mark.ControlPatch.class::isInstance).map(Mark.ControlPatch.class::cast).toList();
    }

    /** Without them. */
    Page unpatched() {
        return new Page(widthMm, heightMm, unprintable, feedTurn, overMm, placed,
            marks.stream().filter(m -> !(m instanceof Mark.ControlPatch)).toList(), settings);
    }

    /** Where a place of the page as it is looked at lies on it as it feeds: x and y. */
    public double[] asFed(double x, double y) {
        Orientation.Box fed = feedTurn.shown(new Orientation.Box(x, y, 0, 0), widthMm, heightMm);
        return new double[] {fed.x(), fed.y()};
    }

    /** The same page with these pictures on it. */
    public Page laid(List<Placed> next) {
        return new Page(widthMm, heightMm, unprintable, feedTurn, overMm, next, marks, settings);
    }

    public Optional<Placed> placed(String id) {
        return placed.stream().filter(p -> p.id().equals(id)).findFirst();
    }

    /** How far pieces lie over one another, the deepest of all pairs; 0 or less where none do. */
    public double deepestOverlapMm() {
        double most = 0;
        for (int a = 0; a < placed.size(); a++) {
            for (int b = a + 1; b < placed.size(); b++) {
                Rect one = placed.get(a).printedMm();
                Rect other = placed.get(b).printedMm();
                double across = Math.min(one.right(), other.right()) - Math.max(one.x(), other.x());
                double down = Math.min(one.bottom(), other.bottom()) - Math.max(one.y(), other.y());
                most = Math.max(most, Math.min(across, down));
            }
        }
        return most;
    }

    /** What lies on it of a rendition. */
    public List<Placed> placedOf(String renditionId) {
        return placed.stream().filter(p -> p.renditionId().equals(renditionId)).toList();
    }

    public double areaMm2() {
        return widthMm * heightMm;
    }

    public double fedWidthMm() {
        return feedTurn.swapsSides() ? heightMm : widthMm;
    }

    public double fedHeightMm() {
        return feedTurn.swapsSides() ? widthMm : heightMm;
    }

    /** The part of a rectangle that lies on the paper, in mm2. */
    public double visibleMm2(Rect r) {
        double w = Math.min(widthMm, r.right()) - Math.max(0, r.x());
        double h = Math.min(heightMm, r.bottom()) - Math.max(0, r.y());
        return Math.max(0, w) * Math.max(0, h);
    }
}
