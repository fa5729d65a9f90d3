package wistel.core.docket.costs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The order in which dockets are printed one after the other on a printer: its black ink is changed over least often, within that the feed,
 * within that the paper; else they come as they stood.
 */
public final class ReleaseOrder {
    /**
     * What a docket needs of its printer.
     *
     * @param black blank where none is asked for: it goes with any
     * @param stock name of the sheet or roll
     */
    public record Needs(String black, String feed, String stock) {
    }

    private ReleaseOrder() {
    }

    /**
     * Indices in the order of printing.
     *
     * @param blackNow that the printer is set up for; blank when it doesn't say
     */
    public static List<Integer> of(List<Needs> needs, String blackNow) {
        List<Integer> all = IntStream.range(0, needs.size()).boxed().toList();
        // what goes with any black goes with the one that is there
        List<List<Integer>> byBlack = grouped(all, i -> needs.get(i).black.isBlank() ? blackNow : needs.get(i).black, blackNow);
        List<List<String>> feeds = feeds(byBlack.stream().map(g -> g.stream().map(i -> needs.get(i).feed).distinct().toList()).toList());
        List<Integer> order = new ArrayList<>();
        String stock = "";
        for (int g = 0; g < byBlack.size(); g++) {
            for (String feed : feeds.get(g)) {
                List<Integer> sameFeed = byBlack.get(g).stream().filter(i -> needs.get(i).feed.equals(feed)).toList();
                for (List<Integer> sameStock : grouped(sameFeed, i -> needs.get(i).stock, stock)) {
                    order.addAll(sameStock);
                    stock = needs.get(sameStock.get(0)).stock;
                }
            }
        }
        return order;
    }

    /** Feeds of each group so ordered that as many groups as can be begin with what the one before ended with. */
    private static List<List<String>> feeds(List<List<String>> groups) {
        // by the feed that the groups so far end with: how often two of them meet in one, and their orders
        Map<String, Chain> ends = Map.of("", new Chain(0, List.of()));
        for (List<String> group : groups) {
            Map<String, Chain> next = new LinkedHashMap<>();
            for (String end : group) {
                for (String start : group) {
                    if (start.equals(end) && group.size() > 1) {
                        continue;
                    }
                    List<String> order = Stream.of(Stream.of(start), group.stream().filter(f -> !f.equals(start) && !f.equals(end)),
                        Stream.of(end).filter(f -> !f.equals(start))).flatMap(f -> f).toList();
                    ends.forEach((before, chain) -> {
                        Chain longer = chain.with(order, before.equals(start) ? 1 : 0);
                        next.merge(end, longer, (x, y) -> y.met > x.met ? y : x);
                    });
                }
            }
            ends = next;
        }
        return ends.values().stream().reduce((x, y) -> y.met > x.met ? y : x).orElseThrow().orders;
    }

    private record Chain(int met, List<List<String>> orders) {
        Chain with(List<String> order, int meets) {
            return new Chain(met + meets, Stream.concat(orders.stream(), Stream.of(order)).toList());
        }
    }

    /** Those alike together; the group that is like what is there now comes first, the others as their first one stood. */
    private static List<List<Integer>> grouped(List<Integer> indices, Function<Integer, String> key, String now) {
        List<String> keys = indices.stream().map(key).distinct().sorted(Comparator.comparing((String k) -> !k.equals(now))).toList();
        return keys.stream().map(k -> indices.stream().filter(i -> key.apply(i).equals(k)).toList()).toList();
    }
}
