package wistel.core.sheet;

import java.util.List;

/**
 * One picture on one sheet or one length of roll. Typed borders and borderless printing make the picture's frame themselves.
 *
 * @param across the way the paper feeds lies left to right: of a sheet its long edge, of a roll its length
 */
public record Single(String itemId, boolean across, Borders borders, Edge edge) implements SheetPlan {
    /** With even borders. */
    public static Single of(String itemId, boolean across) {
        return new Single(itemId, across, new Borders.Even(), Edge.BORDERED);
    }

    /** For a frame of another size: borders that were typed give way to even ones. */
    Single reframed() {
        return new Single(itemId, across, borders instanceof Borders.Sides ? new Borders.Even() : borders,
            edge.borderless() ? new Edge(false, 0, edge.bleedMm()) : edge);
    }

    public Single bordered(Borders next) {
        return new Single(itemId, across, next, edge);
    }

    public Single edged(Edge next) {
        return new Single(itemId, across, borders, next);
    }

    @Override
    public List<String> items() {
        return List.of(itemId);
    }

    @Override
    public Layout lay(LayoutInput in) {
        return new SinglePiece(in.item(itemId), this).lay(in);
    }

    @Override
    public Single turned() {
        return new Single(itemId, !across, borders, edge);
    }

    @Override
    public boolean frames() {
        return true;
    }

    @Override
    public boolean annotates() {
        return true;
    }

    @Override
    public <R> R accept(Visitor<R> visitor) {
        return visitor.single(this);
    }
}
