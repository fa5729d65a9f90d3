package wistel.core.sheet;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import wistel.core.length.Margins;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Orientation;

/**
 * What a plan comes to on paper.
 *
 * @param losses       parts of pictures that are not printed, only where there are any
 * @param unplaced     pieces that lie on no page
 * @param cuts         that part what lies on the pages, where there are any
 * @param bareMm2      paper without picture, over all pages
 * @param usedLengthMm length of paper that goes through the printer, over all pages
 */
public record Layout(List<Page> pages, List<Loss> losses, List<Unplaced> unplaced, List<CutLine> cuts, double bareMm2,
    double usedLengthMm) {
    /** @param share of the piece's picture that no page shows, 0 to 1 */
    public record Loss(String itemId, double share) {
        /** A smaller one is rounding. */
        private static final double LEAST = 0.0005;

        static List<Loss> of(Item item, double share) {
            return share > LEAST ? List.of(new Loss(item.id(), share)) : List.of();
        }
    }

    /** A piece that lies on no page. */
    public record Unplaced(String itemId, Reason reason) {
        /**
         * It is larger than what can be printed on this stock; the others leave no room for it; it takes more sheets than anybody joins;
         * a sheet prints nothing beside what its neighbours print.
         */
        public enum Reason {
            TOO_LARGE, NO_ROOM, TOO_MANY_SHEETS, NOTHING_BESIDE_OVERLAP
        }
    }

    public Layout {
        if (pages.isEmpty()) {
            throw new IllegalArgumentException("a layout has at least one page");
        }
        pages = List.copyOf(pages);
        losses = List.copyOf(losses);
        unplaced = List.copyOf(unplaced);
        cuts = List.copyOf(cuts);
    }

    Layout cut(List<CutLine> lines) {
        return new Layout(pages, losses, unplaced, lines, bareMm2, usedLengthMm);
    }

    /** The pictures of all pages, in their order. */
    public List<Placed> placed() {
        return pages.stream().flatMap(p -> p.placed().stream()).toList();
    }

    /**
     * Where each part of a rendition's picture is placed first: the panels of one that is cut up, one of several alike, all of one that goes
     * over several sheets.
     */
    public List<Placed> parts(String renditionId) {
        return distinct(placed().stream().filter(p -> p.renditionId().equals(renditionId)).map(Placed::untiled));
    }

    /** The same, as far as they lie on paper; empty where the picture lies on none. */
    public List<Placed> printed(String renditionId) {
        return distinct(pages.stream().flatMap(page -> page.placed().stream().filter(p -> p.renditionId().equals(renditionId))
            .flatMap(p -> p.tile().isPresent() ? Stream.of(p.untiled()) : p.on(page.widthMm(), page.heightMm()).stream())));
    }

    private static List<Placed> distinct(Stream<Placed> all) {
        record Part(Crop crop, double straighten) {
        }
        Map<Part, Placed> first = new LinkedHashMap<>();
        all.forEach(p -> first.putIfAbsent(new Part(p.crop(), p.straighten()), p));
        return List.copyOf(first.values());
    }

    /**
     * With patches along an edge of the first page; the same where none has room for them.
     *
     * @param codes of each, 16 bit, by channel
     */
    public Layout patched(List<List<Integer>> codes) {
        return EdgePatches.on(pages.get(0), codes).map(first -> {
            List<Page> all = new ArrayList<>(pages);
            all.set(0, first);
            return new Layout(all, losses, unplaced, cuts, bareMm2, usedLengthMm);
        }).orElse(this);
    }

    /** As it is handed to somebody who cuts nothing: upright, and nothing over the edges. */
    public Layout onPaper() {
        return of(pages.stream().map(Page::unpatched)
            .map(p -> new Page(p.widthMm(), p.heightMm(), Margins.NONE, Orientation.UPRIGHT, 0, p.placed(), p.marks()))
            .toList(), losses, unplaced);
    }

    /** A page for each picture, as large as the picture with its bleed. */
    public Layout picturesAlone() {
        List<Page> alone = new ArrayList<>();
        for (Page page : onePerPicture()) {
            for (Placed placed : page.placed()) {
                List<Rect> printed = Stream.concat(Stream.of(placed), placed.bleedParts().stream()).map(Placed::printedMm).toList();
                double left = printed.stream().mapToDouble(Rect::x).min().orElseThrow();
                double top = printed.stream().mapToDouble(Rect::y).min().orElseThrow();
                double right = printed.stream().mapToDouble(Rect::right).max().orElseThrow();
                double bottom = printed.stream().mapToDouble(Rect::bottom).max().orElseThrow();
                alone.add(
                    Page.of(right - left, bottom - top, Margins.NONE, Orientation.UPRIGHT, List.of(placed.moved(-left, -top)), List.of()));
            }
        }
        return of(alone, losses, unplaced);
    }

    /** Numbered copies show the same picture; the panels of a picture that is cut up don't. */
    private List<Page> onePerPicture() {
        return pages.stream().map(Page::placed).distinct().count() == 1 ? pages.subList(0, 1) : pages;
    }

    /** An empty page, as a piece that lies on none would have it. */
    static Layout without(Unplaced piece, Page empty) {
        return of(List.of(empty), List.of(), List.of(piece));
    }

    public static Layout of(List<Page> pages, List<Loss> losses) {
        return of(pages, losses, List.of());
    }

    static Layout of(List<Page> pages, List<Loss> losses, List<Unplaced> unplaced) {
        double bare = 0;
        double length = 0;
        for (Page page : pages) {
            double printed = page.placed().stream().mapToDouble(p -> page.visibleMm2(p.printedMm())).sum();
            bare += Math.max(0, page.areaMm2() - printed);
            length += page.fedHeightMm();
        }
        return new Layout(pages, losses, unplaced, List.of(), bare, length);
    }
}
