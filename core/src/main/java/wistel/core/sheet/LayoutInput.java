package wistel.core.sheet;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.DetailMap;

/**
 * What a plan is laid out on, and with what.
 *
 * @param feedMargins unprintable edges as the paper feeds
 * @param pictures    upright sizes, by rendition
 * @param items       by id
 * @param details     by rendition, of pictures that are to be parted; others need none
 * @param captions    by item; those without one say nothing
 * @param copies      of each page; numbered ones are pages of their own
 */
public record LayoutInput(Stock stock, Margins feedMargins, Map<String, SheetPlan.PixelSize> pictures, Map<String, Item> items,
    Map<String, DetailMap> details, Map<String, CaptionText> captions, int copies) {
    /** @throws IllegalArgumentException when the picture of an item isn't there */
    public LayoutInput {
        pictures = Map.copyOf(pictures);
        items = Map.copyOf(items);
        details = Map.copyOf(details);
        captions = Map.copyOf(captions);
        for (Item item : items.values()) {
            if (!pictures.containsKey(item.renditionId())) {
                throw new IllegalArgumentException("no picture for rendition " + item.renditionId());
            }
        }
    }

    /** Of pictures that are not parted. */
    public LayoutInput(Stock stock, Margins feedMargins, Map<String, SheetPlan.PixelSize> pictures, Map<String, Item> items,
        Map<String, CaptionText> captions, int copies) {
        this(stock, feedMargins, pictures, items, Map.of(), captions, copies);
    }

    /** Without captions, each page once. */
    public static LayoutInput bare(Stock stock, Margins feedMargins, Map<String, SheetPlan.PixelSize> pictures, List<Item> items) {
        return new LayoutInput(stock, feedMargins, pictures, items.stream().collect(Collectors.toMap(Item::id, Function.identity())),
            Map.of(), Map.of(), 1);
    }

    /** On another stock that nothing is known of but its size. */
    public LayoutInput on(Stock other, Margins margins) {
        return new LayoutInput(other, margins, pictures, items, details, captions, copies);
    }

    /** @throws IllegalArgumentException when there is none */
    public Item item(String id) {
        return Optional.ofNullable(items.get(id)).orElseThrow(() -> new IllegalArgumentException("no item " + id));
    }

    SheetPlan.PixelSize picture(Item item) {
        return pictures.get(item.renditionId());
    }

    CaptionText caption(Item item) {
        return captions.getOrDefault(item.id(), CaptionText.NONE);
    }
}
