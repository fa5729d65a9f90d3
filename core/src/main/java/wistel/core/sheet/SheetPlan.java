package wistel.core.sheet;

import java.util.List;
import java.util.Map;
import wistel.core.paper.Stock;

/** How the work sits on the paper. Each plan is an algorithm of its own; all of them give a {@link Layout}. */
public sealed interface SheetPlan permits Single, Gang, Tiled, Wrap, Strip, Chart, Ruler {
    /** Upright size of a picture. */
    record PixelSize(int width, int height) {
        public PixelSize {
            if (width < 1 || height < 1) {
                throw new IllegalArgumentException(width + " x " + height + " pixels");
            }
        }

        public double aspect() {
            return (double) width / height;
        }
    }

    /**
     * What differs from plan to plan outside of this package: words, rules, views. A new plan doesn't compile until each of them has an
     * answer.
     */
    interface Visitor<R> {
        R single(Single plan);

        R gang(Gang plan);

        R tiled(Tiled plan);

        R wrap(Wrap plan);

        R strip(Strip plan);

        R chart(Chart plan);

        R ruler(Ruler plan);
    }

    /** Ids of the items that it lays, in their order. */
    List<String> items();

    /**
     * Where everything comes to lie. What doesn't fit is among the layout's unplaced pieces, with the reason.
     *
     * @throws IllegalArgumentException when the input lacks an item of the plan
     */
    Layout lay(LayoutInput in);

    /** The paper the other way round under the work. */
    SheetPlan turned();

    /** For another stock, lying on it so that it fits where it can; the same where that is the layout's to find out. */
    default SheetPlan onStock(Stock stock) {
        return this;
    }

    /** Whether it can lie wholly on this stock, as far as the plan alone tells. */
    default boolean fits(Stock stock) {
        return true;
    }

    /** How pictures meet the paper's edge; few plans reach over it. */
    default Edge edge() {
        return Edge.BORDERED;
    }

    /** Pieces are as large as their frames; else the plan says how large they are. */
    boolean frames();

    /** What stands round its pieces is written and drawn: captions, rules, cut marks. */
    boolean annotates();

    /** The printer may be told to repeat each page; else copies are pages of their own. */
    default boolean copiesByPrinter(Map<String, Item> items) {
        return !annotates() || items().stream().map(items::get).noneMatch(item -> item.annotation().numbered());
    }

    <R> R accept(Visitor<R> visitor);
}
