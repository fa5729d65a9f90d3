package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Cuts that part what lies on a page: each from edge to edge of the part in hand, across its shorter side where that can be, and through the
 * middle of what is bare between neighbours. Each part is cut up before the next.
 */
final class Cuts {
    private static final double TOUCHING_MM = 1e-3;
    /** A part of a page, in mm. */
    private record Part(double left, double top, double right, double bottom) {
    }

    /** What lies there: a picture with all that is round it. */
    record Lain(String id, Rect at) {
        private double from(boolean down) {
            return down ? at.x() : at.y();
        }

        private double to(boolean down) {
            return down ? at.right() : at.bottom();
        }
    }

    private final int page;
    private final List<CutLine> lines = new ArrayList<>();
    private final List<String> joined = new ArrayList<>();

    private Cuts(int page) {
        this.page = page;
    }

    static Cuts of(int number, Page page, List<Lain> lain) {
        Cuts cuts = new Cuts(number);
        cuts.cut(new Part(0, 0, page.widthMm(), page.heightMm()), lain);
        return cuts;
    }

    List<CutLine> lines() {
        return List.copyOf(lines);
    }

    /** What no straight cut parts from its neighbours. */
    List<String> joined() {
        return List.copyOf(joined);
    }

    private record Place(boolean down, double at) {
    }

    private void cut(Part part, List<Lain> lain) {
        if (lain.size() < 2) {
            return;
        }
        Optional<Place> best = best(part, lain);
        if (best.isEmpty()) {
            lain.forEach(l -> joined.add(l.id));
            return;
        }
        boolean down = best.get().down;
        double at = best.get().at;
        List<Lain> before = lain.stream().filter(l -> l.to(down) <= at + TOUCHING_MM).toList();
        List<Lain> behind = lain.stream().filter(l -> l.to(down) > at + TOUCHING_MM).toList();
        lines.add(new CutLine(page, lines.size() + 1, down, at, down ? part.top : part.left, down ? part.bottom : part.right,
            at - (down ? part.left : part.top), before.stream().map(Lain::id).toList()));
        cut(down ? new Part(part.left, part.top, at, part.bottom) : new Part(part.left, part.top, part.right, at), before);
        cut(down ? new Part(at, part.top, part.right, part.bottom) : new Part(part.left, at, part.right, part.bottom), behind);
    }

    /** The shortest cut, of those the one nearest to the middle. */
    private static Optional<Place> best(Part part, List<Lain> lain) {
        double width = part.right - part.left;
        double height = part.bottom - part.top;
        boolean shorterDown = height <= width;
        return Stream.of(shorterDown, !shorterDown)
            .map(down -> places(lain, down).stream().min((a, b) -> Double.compare(off(part, a), off(part, b)))).flatMap(Optional::stream)
            .findFirst();
    }

    private static double off(Part part, Place place) {
        return Math.abs(place.at - (place.down ? part.left + part.right : part.top + part.bottom) / 2);
    }

    private static List<Place> places(List<Lain> lain, boolean down) {
        List<Lain> sorted = lain.stream().sorted((a, b) -> Double.compare(a.from(down), b.from(down))).toList();
        List<Place> places = new ArrayList<>();
        double end = sorted.get(0).to(down);
        for (Lain next : sorted.subList(1, sorted.size())) {
            if (next.from(down) >= end - TOUCHING_MM) {
                places.add(new Place(down, (end + next.from(down)) / 2));
            }
            end = Math.max(end, next.to(down));
        }
        return places;
    }
}
