package wistel.core.sheet;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToIntFunction;
import wistel.core.length.Margins;
import wistel.core.packing.Block;
import wistel.core.packing.Effort;
import wistel.core.packing.Guillotine;
import wistel.core.packing.LowerBound;
import wistel.core.packing.Packing;
import wistel.core.packing.Place;
import wistel.core.packing.Shelf;
import wistel.core.packing.Skyline;
import wistel.core.packing.Space;
import wistel.core.paper.Stock;

/**
 * Finds the places of a {@link Gang}'s pieces: those of its arrangement, on its stock, with what stands round them.
 *
 * @param blocks pieces with what stands round them and a gutter; one a print, in the order of the pieces
 * @param room   what can be printed on, and a gutter
 */
record Arranger(boolean across, Arrangement arrangement, List<Print> prints, List<Block> blocks, Space room, double left, double top,
    boolean sheet) {
    /** One print of a piece. */
    private record Print(String itemId, AnnotationMarks.Round round) {
    }

    /** For all prints of all pieces. */
    static Arranger of(Gang gang, LayoutInput in) {
        return of(gang, in, Item::copies);
    }

    /** @param count prints of a piece */
    static Arranger of(Gang gang, LayoutInput in, ToIntFunction<Item> count) {
        double gutter = gang.arrangement().gutterMm();
        Margins margins = gang.across() ? in.feedMargins().across() : in.feedMargins();
        boolean roll = !(in.stock() instanceof Stock.Sheet);
        double start = gang.across() ? margins.left() : margins.top();
        double end = gang.across() ? margins.right() : margins.bottom();
        double lead = roll ? Math.max(Gang.ROLL_END_MM, start) : start;
        double longest = in.stock() instanceof Stock.Sheet s ? s.lengthMm()
            : gang.arrangement().longestMm() > 0 ? gang.arrangement().longestMm() : Stock.LONGEST_MM;
        double length = longest - lead - (roll ? Math.max(Gang.ROLL_END_MM, end) : end);
        double side = gang.across() ? margins.top() : margins.left();
        double width = in.stock().widthMm() - side - (gang.across() ? margins.bottom() : margins.right());
        List<Print> prints = new ArrayList<>();
        List<Block> blocks = new ArrayList<>();
        for (String id : gang.pieces()) {
            Item item = in.item(id);
            double[] size = item.size(in.picture(item));
            AnnotationMarks.Round round = AnnotationMarks.round(gang.edge(), item.annotation());
            double w = size[0] + 2 * round.sidesMm() + gutter;
            double h = size[1] + round.sidesMm() + round.belowMm() + gutter;
            for (int k = 0; k < count.applyAsInt(item); k++) {
                prints.add(new Print(id, round));
                blocks.add(gang.across() ? new Block(h, w, item.frame().mayTurn()) : new Block(w, h, item.frame().mayTurn()));
            }
        }
        boolean many = !roll || gang.arrangement().longestMm() > 0;
        return new Arranger(gang.across(), gang.arrangement(), prints, blocks,
            new Space(Math.max(1, width + gutter), Math.max(1, length + gutter), many ? Gang.MOST_PAGES : 1), gang.across() ? lead : side,
            gang.across() ? side : lead, !roll);
    }

    /** @param before where they lay, to begin with; may be empty */
    List<Gang.Spot> spots(List<Gang.Spot> before) {
        if (blocks.isEmpty()) {
            return List.of();
        }
        List<Integer> first = order(before);
        Packing packing = switch (arrangement.way()) {
            case TIGHTEST -> tightest(first);
            case CUT_ACROSS -> Guillotine.pack(blocks, room, first, Effort.THOROUGH);
            case ROWS, BY_HAND -> Shelf.inOrder(blocks, room);
        };
        return packing.places().stream().map(p -> spot(p, packing)).toList();
    }

    /** Straight cuts may lie tighter by chance, and are nicer then. */
    private Packing tightest(List<Integer> first) {
        Packing tight = Skyline.pack(blocks, room, first, Effort.THOROUGH);
        Packing straight = Guillotine.pack(blocks, room, first, Effort.THOROUGH);
        return straight.left().size() <= tight.left().size() && straight.length() <= tight.length() + 1e-6 ? straight : tight;
    }

    /** Prints in the order in which they lay; empty when those were others. */
    private List<Integer> order(List<Gang.Spot> before) {
        List<Integer> open = new ArrayList<>();
        for (int i = 0; i < prints.size(); i++) {
            open.add(i);
        }
        List<Integer> order = new ArrayList<>();
        before.stream().sorted(Comparator.comparingInt(Gang.Spot::page).thenComparingDouble(across ? Gang.Spot::x : Gang.Spot::y))
            .forEach(s -> open.stream().filter(i -> prints.get(i).itemId.equals(s.itemId())).findFirst().ifPresent(i -> {
                order.add(i);
                open.remove(i);
            }));
        order.addAll(open);
        return order;
    }

    /** Of the picture's frame: in the middle of the paper's width, on sheets also of their length. */
    private Gang.Spot spot(Place p, Packing packing) {
        double wide = packing.places().stream().filter(o -> o.page() == p.page()).mapToDouble(o -> o.x() + block(o).across(o.turned()))
            .max().orElseThrow();
        double far = packing.places().stream().filter(o -> o.page() == p.page()).mapToDouble(o -> o.y() + block(o).down(o.turned())).max()
            .orElseThrow();
        double u = p.x() + (room.width() - wide) / 2;
        double v = p.y() + (sheet ? (room.length() - far) / 2 : 0);
        AnnotationMarks.Round round = prints.get(p.block()).round;
        // turned to the right, what stands below a picture stands left of it
        double fromLeft = p.turned() ? round.belowMm() : round.sidesMm();
        return new Gang.Spot(prints.get(p.block()).itemId, p.page() + 1, left + (across ? v : u) + fromLeft,
            top + (across ? u : v) + round.sidesMm(), p.turned());
    }

    private Block block(Place p) {
        return blocks.get(p.block());
    }

    /** Whether a piece fits by itself. */
    boolean holds(String itemId) {
        for (int i = 0; i < prints.size(); i++) {
            if (prints.get(i).itemId.equals(itemId)) {
                return blocks.get(i).fits(room);
            }
        }
        return false;
    }

    /** Length that no arrangement of these goes below, over all pages, with what stays bare at the ends of a roll left out. */
    double leastLengthMm() {
        return blocks.isEmpty() ? 0 : LowerBound.length(blocks, room.width());
    }
}
