package wistel.core.packing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Rows from edge to edge. First fit takes the highest block first and lays each into the first row with room for it (E. G. Coffman, M. R.
 * Garey, D. S. Johnson, R. E. Tarjan, Performance bounds for level-oriented two-dimensional packing algorithms, SIAM Journal on Computing 9
 * (1980) 808-826); pages take the rows in turn. In order, blocks are laid as they come, and nothing is turned.
 */
public final class Shelf {
    private final List<Block> blocks;
    private final Space space;
    private final List<Row> rows = new ArrayList<>();

    private Shelf(List<Block> blocks, Space space) {
        this.blocks = blocks;
        this.space = space;
    }

    private static final class Row {
        private final List<Lain> lain = new ArrayList<>();
        private double used;
        private double height;
    }

    private record Lain(int block, boolean turned) {
    }

    public static Packing firstFit(List<Block> blocks, Space space) {
        Shelf shelf = new Shelf(blocks, space);
        IntStream.range(0, blocks.size()).filter(i -> blocks.get(i).fits(space)).boxed()
            .sorted(Comparator.comparingDouble(i -> -shelf.height(i))).forEach(i -> shelf.lay(i, shelf.lies(i), shelf.rows));
        return shelf.packed();
    }

    public static Packing inOrder(List<Block> blocks, Space space) {
        Shelf shelf = new Shelf(blocks, space);
        for (int i = 0; i < blocks.size(); i++) {
            if (blocks.get(i).fits(space, false)) {
                shelf.lay(i, false, shelf.rows.isEmpty() ? List.of() : List.of(shelf.rows.get(shelf.rows.size() - 1)));
            }
        }
        return shelf.packed();
    }

    /** Turned so that it is as low as it can be. */
    private boolean lies(int i) {
        Block b = blocks.get(i);
        return b.fits(space, true) && (!b.fits(space, false) || b.width() < b.height());
    }

    private double height(int i) {
        return blocks.get(i).down(lies(i));
    }

    private void lay(int i, boolean turned, List<Row> open) {
        Block b = blocks.get(i);
        double w = b.across(turned);
        Row row = open.stream().filter(r -> r.used + w <= space.width() + Space.SAME).findFirst().orElseGet(() -> {
            rows.add(new Row());
            return rows.get(rows.size() - 1);
        });
        row.lain.add(new Lain(i, turned));
        row.used += w;
        row.height = Math.max(row.height, b.down(turned));
    }

    private Packing packed() {
        List<Place> places = new ArrayList<>();
        int page = 0;
        double y = 0;
        for (Row row : rows) {
            if (y + row.height > space.length() + Space.SAME) {
                page++;
                y = 0;
            }
            if (page >= space.most()) {
                break;
            }
            double x = 0;
            for (Lain lain : row.lain) {
                places.add(new Place(lain.block, page, x, y, lain.turned));
                x += blocks.get(lain.block).across(lain.turned);
            }
            y += row.height;
        }
        return Packing.of(blocks, places, space);
    }
}
