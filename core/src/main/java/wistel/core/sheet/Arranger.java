package wistel.core.sheet;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
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
    /** White round all rows that give pieces their sizes. */
    private static final double ROWS_EDGE_MM = 10;

    /**
     * One print of a piece.
     *
     * @param inX, inY of its picture in its frame, where that is larger
     */
    private record Print(String itemId, AnnotationMarks.Round round, double inX, double inY) {
    }

    /** For all prints of all pieces. */
    static Arranger of(Gang gang, LayoutInput in) {
        return of(gang, in, Item::copies);
    }

    /** @param count prints of a piece */
    static Arranger of(Gang gang, LayoutInput in, ToIntFunction<Item> count) {
        double gutter = gang.arrangement().gutterMm();
        Margins unprintable = gang.across() ? in.feedMargins().across() : in.feedMargins();
        double bare = gang.arrangement().sizes() ? ROWS_EDGE_MM : 0;
        Margins margins = new Margins(Math.max(bare, unprintable.top()), Math.max(bare, unprintable.right()),
            Math.max(bare, unprintable.bottom()), Math.max(bare, unprintable.left()));
        boolean roll = !(in.stock() instanceof Stock.Sheet);
        // rows on a sheet go from left to right as it is looked at
        boolean rows = !roll && gang.arrangement().way() == Arrangement.Way.ROWS;
        boolean across = gang.across() && !rows;
        double start = across ? margins.left() : margins.top();
        double end = across ? margins.right() : margins.bottom();
        double lead = roll ? Math.max(Gang.ROLL_END_MM, start) : start;
        double along = in.stock() instanceof Stock.Sheet s ? s.lengthMm()
            : gang.arrangement().longestMm() > 0 ? gang.arrangement().longestMm() : Stock.LONGEST_MM;
        double wide = rows && gang.across() ? along : in.stock().widthMm();
        double longest = rows && gang.across() ? in.stock().widthMm() : along;
        double length = longest - lead - (roll ? Math.max(Gang.ROLL_END_MM, end) : end);
        double side = across ? margins.top() : margins.left();
        double width = wide - side - (across ? margins.bottom() : margins.right());
        boolean cells = gang.arrangement().sizes() && gang.arrangement().rows().alike() == Arrangement.Rows.Alike.FRAMES;
        List<Print> prints = new ArrayList<>();
        List<Block> blocks = new ArrayList<>();
        for (String id : gang.pieces()) {
            Item item = in.item(id);
            double[] size = item.size(in.picture(item));
            AnnotationMarks.Round round = AnnotationMarks.round(gang.edge(), item.annotation());
            double[] frame = cells ? new double[] {item.frame().widthMm(), item.frame().heightMm()} : size;
            double w = frame[0] + 2 * round.sidesMm() + gutter;
            double h = frame[1] + round.sidesMm() + round.belowMm() + gutter;
            for (int k = 0; k < count.applyAsInt(item); k++) {
                // pictures stand at the foot of their frames, so that captions stand on one line
                prints.add(new Print(id, round, (frame[0] - size[0]) / 2, frame[1] - size[1]));
                blocks.add(across ? new Block(h, w, item.frame().mayTurn()) : new Block(w, h, item.frame().mayTurn()));
            }
        }
        boolean many = !roll || gang.arrangement().longestMm() > 0;
        return new Arranger(across, gang.arrangement(), prints, blocks,
            new Space(Math.max(1, width + gutter), Math.max(1, length + gutter), many ? Gang.MOST_PAGES : 1), across ? lead : side,
            across ? side : lead, !roll);
    }

    /** @param before where they lay, to begin with; may be empty */
    List<Gang.Spot> spots(List<Gang.Spot> before) {
        return spots(before, Effort.THOROUGH);
    }

    List<Gang.Spot> spots(List<Gang.Spot> before, Effort effort) {
        if (blocks.isEmpty()) {
            return List.of();
        }
        List<Integer> first = order(before);
        Packing packing = switch (arrangement.way()) {
            case TIGHTEST -> tightest(first, effort);
            case CUT_ACROSS -> Guillotine.pack(blocks, room, first, effort);
            case ROWS, BY_HAND -> Shelf.inOrder(blocks, room);
        };
        return packing.places().stream().map(p -> spot(p, packing)).toList();
    }

    /** Straight cuts may lie tighter by chance, and are nicer then. */
    private Packing tightest(List<Integer> first, Effort effort) {
        Packing tight = Skyline.pack(blocks, room, first, effort);
        Packing straight = Guillotine.pack(blocks, room, first, effort);
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
        // a last page of few keeps the places of those before it
        Predicate<Place> together = o -> arrangement.sizes() || o.page() == p.page();
        double wide = packing.places().stream().filter(together).mapToDouble(o -> o.x() + block(o).across(o.turned()))
            .max().orElseThrow();
        double far = packing.places().stream().filter(together).mapToDouble(o -> o.y() + block(o).down(o.turned())).max()
            .orElseThrow();
        double u = p.x() + (room.width() - wide) / 2;
        double v = p.y() + (sheet ? (room.length() - far) / 2 : 0);
        Print print = prints.get(p.block());
        AnnotationMarks.Round round = print.round;
        // turned to the right, what stands below a picture stands left of it
        double fromLeft = p.turned() ? round.belowMm() : round.sidesMm();
        return new Gang.Spot(print.itemId, p.page() + 1, left + (across ? v : u) + fromLeft + print.inX,
            top + (across ? u : v) + round.sidesMm() + print.inY, p.turned());
    }

    private Block block(Place p) {
        return blocks.get(p.block());
    }

    /** Whether its first block fits by itself. */
    boolean holds() {
        return blocks.get(0).fits(room);
    }

    /** By what the picture of its first block is to be scaled so that it fits with what stands round it; 0 where that alone doesn't. */
    double largestScale(double[] size) {
        Block b = blocks.get(0);
        double wide = across ? size[1] : size[0];
        double high = across ? size[0] : size[1];
        // what stands round the picture keeps its size
        double roundWide = b.width() - wide;
        double roundHigh = b.height() - high;
        double upright = Math.min((room.width() - roundWide) / wide, (room.length() - roundHigh) / high);
        double turned = Math.min((room.length() - roundWide) / wide, (room.width() - roundHigh) / high);
        return Math.max(0, b.mayTurn() && arrangement.way() != Arrangement.Way.ROWS ? Math.max(upright, turned) : upright);
    }

    /** Length that no arrangement of these goes below, over all pages, with what stays bare at the ends of a roll left out. */
    double leastLengthMm() {
        return blocks.isEmpty() ? 0 : LowerBound.length(blocks, room.width());
    }
}
