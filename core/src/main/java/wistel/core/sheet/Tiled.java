package wistel.core.sheet;

import java.util.List;
import java.util.Objects;
import wistel.core.paper.Stock;

/**
 * One picture over as many sheets as it takes, or lengths of a roll, to be joined. The piece's frame is the finished picture. It has no
 * caption: what is written on the sheets is cut off or covered.
 *
 * @param across the way the paper feeds lies left to right, as in {@link Single}
 * @param marks  lines to cut along, and ticks at the joints
 * @param labels which sheet each is, outside of the finished picture
 */
public record Tiled(String itemId, boolean across, SheetJoint joint, Seams seams, boolean marks, boolean labels) implements SheetPlan {
    /** Of one picture. */
    public static final int MOST_SHEETS = 200;

    public Tiled {
        Objects.requireNonNull(itemId);
        Objects.requireNonNull(joint);
        Objects.requireNonNull(seams);
    }

    /** Glued, even, with marks and labels. */
    public static Tiled of(String itemId, boolean across) {
        return new Tiled(itemId, across, SheetJoint.USUAL, Seams.EVEN, true, true);
    }

    public Tiled joined(SheetJoint next) {
        return new Tiled(itemId, across, next, Seams.of(seams.choice()), marks, labels);
    }

    public Tiled parted(Seams next) {
        return new Tiled(itemId, across, joint, next, marks, labels);
    }

    public Tiled marked(boolean withMarks, boolean withLabels) {
        return new Tiled(itemId, across, joint, seams, withMarks, withLabels);
    }

    public Tiled lying(boolean next) {
        return new Tiled(itemId, next, joint, next == across ? seams : Seams.of(seams.choice()), marks, labels);
    }

    @Override
    public List<String> items() {
        return List.of(itemId);
    }

    @Override
    public Layout lay(LayoutInput in) {
        return new TiledPiece(in.item(itemId), this).lay(in);
    }

    @Override
    public Tiled turned() {
        return lying(!across);
    }

    /** The joints are found anew where they don't suit it. */
    @Override
    public Tiled onStock(Stock stock) {
        return this;
    }

    @Override
    public boolean frames() {
        return true;
    }

    @Override
    public boolean annotates() {
        return false;
    }

    @Override
    public <R> R accept(Visitor<R> visitor) {
        return visitor.tiled(this);
    }
}
