package wistel.core.printer;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.RandomAccess;
import java.util.stream.Collectors;

/**
 * A printer's media as an unchangeable list that also finds its entries by type, and by type and feed: a request is held against the few
 * entries that it can mean. Entries for any type or feed are found under each.
 */
final class MediaTable extends AbstractList<MediaRow> implements RandomAccess {
    private final List<MediaRow> all;
    private final Map<String, List<MediaRow>> byType = new HashMap<>();
    private final Map<String, Map<String, List<MediaRow>>> byTypeAndFeed = new HashMap<>();
    private final List<MediaRow> ofAnyType;

    private MediaTable(List<MediaRow> media) {
        all = List.copyOf(media);
        ofAnyType = all.stream().filter(m -> m.type().isEmpty()).toList();
        all.stream().filter(m -> !m.type().isEmpty()).forEach(m -> byType.computeIfAbsent(m.type(), t -> new ArrayList<>()).add(m));
        byType.values().forEach(list -> list.addAll(ofAnyType));
        byType.forEach((type, rows) -> byTypeAndFeed.put(type, byFeed(rows)));
        byTypeAndFeed.put("", byFeed(ofAnyType));
    }

    static MediaTable of(List<MediaRow> rows) {
        return rows instanceof MediaTable table ? table : new MediaTable(rows);
    }

    @Override
    public MediaRow get(int index) {
        return all.get(index);
    }

    @Override
    public int size() {
        return all.size();
    }

    /** @param type, feed empty where any will do */
    List<MediaRow> of(String type, String feed) {
        if (type.isEmpty()) {
            return all;
        }
        List<MediaRow> typed = byType.getOrDefault(type, ofAnyType);
        if (feed.isEmpty()) {
            return typed;
        }
        Map<String, List<MediaRow>> feeds = byTypeAndFeed.get(byType.containsKey(type) ? type : "");
        return feeds.getOrDefault(feed, feeds.getOrDefault("", List.of()));
    }

    /** Those for any feed stand under "" and under each. */
    private static Map<String, List<MediaRow>> byFeed(List<MediaRow> rows) {
        Map<String, List<MediaRow>> feeds = rows.stream().collect(Collectors.groupingBy(MediaRow::feed));
        List<MediaRow> ofAny = feeds.getOrDefault("", List.of());
        Map<String, List<MediaRow>> whole = new HashMap<>();
        feeds.forEach((feed, own) -> {
            List<MediaRow> both = new ArrayList<>(own);
            if (!feed.isEmpty()) {
                both.addAll(ofAny);
            }
            whole.put(feed, both);
        });
        return whole;
    }
}
