package wistel.core.sheet;

import java.util.List;

/**
 * What a plan comes to on paper.
 *
 * @param losses       parts of pictures that are not printed, only where there are any
 * @param bareMm2      paper without picture, over all pages
 * @param usedLengthMm length of paper that goes through the printer, over all pages
 */
public record Layout(List<Page> pages, List<Loss> losses, double bareMm2, double usedLengthMm) {
    /** @param share of the rendition's picture that no page shows, 0 to 1 */
    public record Loss(String renditionId, double share) {
    }

    public Layout {
        if (pages.isEmpty()) {
            throw new IllegalArgumentException("a layout has at least one page");
        }
        pages = List.copyOf(pages);
        losses = List.copyOf(losses);
    }

    /** The pictures of all pages, in their order. */
    public List<Placed> placed() {
        return pages.stream().flatMap(p -> p.placed().stream()).toList();
    }

    public static Layout of(List<Page> pages, List<Loss> losses) {
        double bare = 0;
        double length = 0;
        for (Page page : pages) {
            double printed = page.placed().stream().mapToDouble(p -> page.visibleMm2(p.atMm())).sum();
            bare += Math.max(0, page.areaMm2() - printed);
            length += page.fedHeightMm();
        }
        return new Layout(pages, losses, bare, length);
    }
}
