package wistel.core.packing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.BiFunction;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;

/**
 * Improves the order in which an algorithm takes blocks: a length that is a little shorter than the best is tried, and the order annealed
 * until all blocks lie within it or the try's steps are used up; then the next length. After L. Wei, W.-C. Oon, W. Zhu, A. Lim, A skyline
 * heuristic for the 2D rectangular packing and strip packing problems, European Journal of Operational Research 215 (2011) 337-346, with
 * annealing in place of a tabu list. Two searches with seeds of their own run beside one another; steps are counted, so the outcome doesn't
 * depend on the machine.
 */
final class OrderSearch {
    private static final int SEARCHES = 2;
    /** Of the way from the lower bound to the best length, where the next try starts; then half of what is left to the best. */
    private static final double NEXT = 0.8;
    private static final double CLOSER = 0.5;
    /** Steps in length, as a share of the lower bound, that aren't worth a try. */
    private static final double FINEST = 0.0005;
    /** Area left out that a step may add at first, as a share of all: one in e such steps is taken. */
    private static final double WARMTH = 0.0003;
    private static final double GROWTH = 1.05;

    private final Filling filling;
    private final int count;
    private final double most;
    private final double bound;
    private final double area;
    private final List<int[]> starts;
    private final Random random;
    private int steps;
    private final int stepsOfATry;
    /** The best so far. */
    private double length = Double.MAX_VALUE;
    private State found;
    private List<Place> places = List.of();

    /** An order, and the flags that go with it. */
    private record State(int[] order, boolean[][] flags) {
    }

    private OrderSearch(Filling filling, List<Block> blocks, Space space, List<Integer> first, Effort effort, long seed) {
        this.filling = filling;
        count = blocks.size();
        most = space.length() * space.most();
        area = blocks.stream().mapToDouble(Block::area).sum();
        bound = Math.min(most, LowerBound.length(blocks, space.width()));
        starts = starts(blocks, first);
        random = new Random(seed);
        steps = effort.steps(count);
        stepsOfATry = effort.stepsOfATry(count);
    }

    static Packing pack(List<Block> blocks, Space space, BiFunction<List<Block>, Space, Filling> algorithm, List<Integer> first,
        Effort effort) {
        List<Integer> fitting = IntStream.range(0, blocks.size()).filter(i -> blocks.get(i).fits(space)).boxed().toList();
        if (fitting.isEmpty()) {
            return Packing.of(blocks, List.of(), space);
        }
        List<Block> packed = fitting.stream().map(blocks::get).toList();
        List<Integer> start = first.stream().map(fitting::indexOf).filter(i -> i >= 0).toList();
        Packing best = IntStream.range(0, SEARCHES).parallel()
            .mapToObj(seed -> new OrderSearch(algorithm.apply(packed, space), packed, space, start, effort, seed).run())
            .map(places -> Packing.of(packed, places, space)).reduce((a, b) -> b.betterThan(a, packed) ? b : a).orElseThrow();
        return Packing.of(blocks, best.places().stream()
            .map(p -> new Place(fitting.get(p.block()), p.page(), p.x(), p.y(), p.turned())).toList(), space);
    }

    /** Large ones first, by several measures of that. */
    private static List<int[]> starts(List<Block> blocks, List<Integer> first) {
        List<int[]> starts = new ArrayList<>();
        if (first.size() == blocks.size()) {
            starts.add(first.stream().mapToInt(Integer::intValue).toArray());
        }
        List<ToDoubleFunction<Block>> measures = List.of(Block::area, b -> Math.max(b.width(), b.height()), b -> b.width() + b.height(),
            b -> Math.min(b.width(), b.height()));
        for (ToDoubleFunction<Block> size : measures) {
            starts.add(IntStream.range(0, blocks.size()).boxed()
                .sorted(Comparator.comparingDouble(i -> -size.applyAsDouble(blocks.get(i)))).mapToInt(Integer::intValue).toArray());
        }
        return starts;
    }

    private List<Place> run() {
        if (!grow()) {
            leastLeft();
            return places;
        }
        double target = next();
        while (steps > 0 && length > bound + Space.SAME) {
            Optional<State> reached = anneal(target, stepsOfATry);
            if (reached.isPresent()) {
                keep(reached.get(), target);
                target = next();
            } else {
                target += (length - target) * CLOSER;
                target = length - target < bound * FINEST ? next() : target;
            }
        }
        return places;
    }

    private double next() {
        return bound + (length - bound) * NEXT;
    }

    /** The shortest of a row of lengths that one of the starts comes out with. */
    private boolean grow() {
        for (double target = bound;; target = Math.min(most, target * GROWTH)) {
            for (int[] order : starts) {
                if (filling.fill(order, target) == 0) {
                    keep(new State(order.clone(), copy(filling.flags())), target);
                    return true;
                }
            }
            if (target >= most) {
                return false;
            }
        }
    }

    private void keep(State state, double target) {
        set(state.flags);
        filling.fill(state.order, target);
        if (filling.length() < length) {
            length = filling.length();
            found = state;
            places = filling.places();
        }
    }

    /** There is no room for all of them: as little as may be is left. */
    private void leastLeft() {
        anneal(most, steps).ifPresent(reached -> keep(reached, most));
    }

    /** @return a state that places all within the length; empty when none was found */
    private Optional<State> anneal(double target, int most) {
        State start = best(target);
        int[] order = start.order.clone();
        set(start.flags);
        double left = filling.fill(order, target);
        double least = left;
        places = found == null ? filling.places() : places;
        int[] other = new int[count];
        for (int k = 0; k < most && left > 0 && steps > 0; k++, steps--) {
            int a = random.nextInt(count);
            int b = random.nextInt(count);
            int kind = random.nextInt(3 + filling.flags().length);
            if (kind < 3) {
                System.arraycopy(order, 0, other, 0, count);
                change(other, a, b, kind);
            } else {
                flip(kind - 3, a);
            }
            double warmth = WARMTH * area * (1 - (double) k / most);
            double allowed = left - warmth * StrictMath.log(1 - random.nextDouble());
            double now = filling.fill(kind < 3 ? other : order, target, allowed);
            if (now <= allowed) {
                left = now;
                int[] kept = kind < 3 ? other : order;
                other = kind < 3 ? order : other;
                order = kept;
                if (found == null && left < least) {
                    least = left;
                    places = filling.places();
                }
            } else if (kind >= 3) {
                flip(kind - 3, a);
            }
        }
        return left > 0 ? Optional.empty() : Optional.of(new State(order.clone(), copy(filling.flags())));
    }

    /** Of the starts and the best so far, the one that leaves least. */
    private State best(double target) {
        State best = null;
        double least = Double.MAX_VALUE;
        List<State> all = new ArrayList<>();
        if (found != null) {
            all.add(found);
        }
        boolean[][] none = new boolean[filling.flags().length][count];
        starts.forEach(order -> all.add(new State(order, none)));
        for (State state : all) {
            set(state.flags);
            double left = filling.fill(state.order, target);
            steps--;
            if (left < least) {
                least = left;
                best = state;
            }
        }
        return best;
    }

    /** Two blocks change places, or one moves to another's place. */
    private static void change(int[] order, int a, int b, int kind) {
        int block = order[a];
        if (kind < 2) {
            order[a] = order[b];
        } else if (a < b) {
            System.arraycopy(order, a + 1, order, a, b - a);
        } else {
            System.arraycopy(order, b, order, b + 1, a - b);
        }
        order[b] = block;
    }

    private void flip(int flag, int block) {
        boolean[] flags = filling.flags()[flag];
        flags[block] = !flags[block];
    }

    private void set(boolean[][] flags) {
        boolean[][] to = filling.flags();
        for (int k = 0; k < flags.length; k++) {
            System.arraycopy(flags[k], 0, to[k], 0, count);
        }
    }

    private static boolean[][] copy(boolean[][] flags) {
        boolean[][] copy = new boolean[flags.length][];
        for (int k = 0; k < flags.length; k++) {
            copy[k] = flags[k].clone();
        }
        return copy;
    }
}
