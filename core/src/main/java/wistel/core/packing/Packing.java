package wistel.core.packing;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * What came of packing.
 *
 * @param places in the order of pages, from above, from the left
 * @param left   indices of blocks that lie on no page
 * @param length used: whole pages and what is used of the last
 */
public record Packing(List<Place> places, List<Integer> left, double length) {
    private static final Comparator<Place> READ = Comparator.comparingInt(Place::page).thenComparingDouble(Place::y)
        .thenComparingDouble(Place::x);

    public Packing {
        places = places.stream().sorted(READ).toList();
        left = List.copyOf(left);
    }

    static Packing of(List<Block> blocks, List<Place> places, Space space) {
        boolean[] placed = new boolean[blocks.size()];
        int last = 0;
        for (Place p : places) {
            placed[p.block()] = true;
            last = Math.max(last, p.page());
        }
        double end = 0;
        for (Place p : places) {
            Block b = blocks.get(p.block());
            if (p.page() == last) {
                end = Math.max(end, p.y() + b.down(p.turned()));
            }
        }
        return new Packing(places, IntStream.range(0, placed.length).filter(i -> !placed[i]).boxed().toList(), last * space.length() + end);
    }

    public int pages() {
        return places.isEmpty() ? 0 : places.get(places.size() - 1).page() + 1;
    }

    /** Blocks in the order in which they lie, those that lie nowhere last: a start for the next search. */
    public List<Integer> order() {
        return Stream.concat(places.stream().map(Place::block), left.stream()).toList();
    }

    /** All blocks placed, then the shorter one. */
    boolean betterThan(Packing other, List<Block> blocks) {
        double mine = left.stream().mapToDouble(i -> blocks.get(i).area()).sum();
        double theirs = other.left.stream().mapToDouble(i -> blocks.get(i).area()).sum();
        return Math.abs(mine - theirs) > Space.SAME ? mine < theirs : length < other.length - Space.SAME;
    }
}
