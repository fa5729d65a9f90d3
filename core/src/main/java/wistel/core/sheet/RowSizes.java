package wistel.core.sheet;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import wistel.core.fault.InvalidRequest;
import wistel.core.paper.Stock;

/**
 * How large the pieces of a {@link Gang} are when about so many are to lie on a page: in frames of one size, the columns and rows that show
 * most of all pictures; in rows of one height, the largest height that takes no more pages.
 *
 * @param width, height that can be printed on of a page; of a roll that isn't cut, a length as an A size would have it
 */
record RowSizes(Gang gang, LayoutInput in, double width, double height) {
    /** By which heights are tried. */
    private static final double STEP_MM = 0.25;

    static RowSizes of(Gang gang, LayoutInput in) {
        Arranger room = Arranger.of(gang, in, item -> 0);
        double gutter = gang.arrangement().gutterMm();
        double width = room.room().width() - gutter;
        boolean endless = !(in.stock() instanceof Stock.Sheet) && gang.arrangement().longestMm() == 0;
        return new RowSizes(gang, in, width, endless ? width * Math.sqrt(2) : room.room().length() - gutter);
    }

    /** One print of a piece: width over height of what is shown of its picture, in a frame that it fills or not. */
    private record Shown(double aspect, boolean fills) {
        double area(double w, double h) {
            return fills ? w * h : Math.min(w, h * aspect) * Math.min(h, w / aspect);
        }
    }

    /**
     * All pieces in their sizes.
     *
     * @throws InvalidRequest when so many don't fit on a page
     */
    List<Item> items() {
        List<Item> items = gang.pieces().stream().map(in::item).toList();
        List<Shown> prints = items.stream().flatMap(i -> Stream.generate(
            () -> new Shown(i.aspect(in.picture(i)), i.frame().fit() == Frame.Fit.FILL)).limit(i.copies())).toList();
        AnnotationMarks.Round round = items.stream().map(i -> AnnotationMarks.round(gang.edge(), i.annotation()))
            .reduce(new AnnotationMarks.Round(0, 0), (a, b) -> new AnnotationMarks.Round(Math.max(a.sidesMm(), b.sidesMm()),
                Math.max(a.belowMm(), b.belowMm())));
        boolean frames = gang.arrangement().rows().alike() == Arrangement.Rows.Alike.FRAMES;
        return frames ? framed(items, prints, round) : high(items, prints, round);
    }

    private List<Item> framed(List<Item> items, List<Shown> prints, AnnotationMarks.Round round) {
        double gutter = gang.arrangement().gutterMm();
        int wanted = Math.min(gang.arrangement().rows().aPage(), prints.size());
        record Grid(double w, double h, double area) {
        }
        List<Grid> grids = new ArrayList<>();
        for (int columns = 1; columns <= wanted; columns++) {
            int rows = (wanted + columns - 1) / columns;
            double w = (width + gutter) / columns - gutter - 2 * round.sidesMm();
            double h = (height + gutter) / rows - gutter - round.sidesMm() - round.belowMm();
            if (w >= Frame.SMALLEST_MM && h >= Frame.SMALLEST_MM) {
                grids.add(new Grid(w, h, prints.stream().mapToDouble(p -> p.area(w, h)).sum()));
            }
        }
        Grid best = grids.stream().max(Comparator.comparingDouble(Grid::area)).orElseThrow(() -> tooMany(wanted));
        return items.stream().map(i -> i.sized(best.w, best.h)).toList();
    }

    private List<Item> high(List<Item> items, List<Shown> prints, AnnotationMarks.Round round) {
        int wanted = Math.min(gang.arrangement().rows().aPage(), prints.size());
        int pages = (prints.size() + wanted - 1) / wanted;
        double most = height - round.sidesMm() - round.belowMm();
        Optional<Double> high = IntStream.rangeClosed(0, (int) ((most - Frame.SMALLEST_MM) / STEP_MM)).mapToObj(i -> most - i * STEP_MM)
            .filter(h -> pages(prints, h, round) <= pages).findFirst();
        double h = high.orElseThrow(() -> tooMany(wanted));
        return items.stream().map(i -> {
            double w = Math.max(Frame.SMALLEST_MM, Math.min(width - 2 * round.sidesMm(), h * i.aspect(in.picture(i))));
            return i.sized(w, Math.max(Frame.SMALLEST_MM, w / i.aspect(in.picture(i))));
        }).toList();
    }

    /** Pages that rows of this height take. */
    private int pages(List<Shown> prints, double high, AnnotationMarks.Round round) {
        double gutter = gang.arrangement().gutterMm();
        int rowsOfPage = (int) ((height + gutter + 1e-6) / (high + round.sidesMm() + round.belowMm() + gutter));
        if (rowsOfPage == 0) {
            return Integer.MAX_VALUE;
        }
        int rows = 0;
        double used = Double.MAX_VALUE;
        for (Shown p : prints) {
            double wide = Math.max(Frame.SMALLEST_MM, Math.min(width - 2 * round.sidesMm(), high * p.aspect)) + 2 * round.sidesMm()
                + gutter;
            if (used + wide > width + gutter + 1e-6) {
                rows++;
                used = 0;
            }
            used += wide;
        }
        return (rows + rowsOfPage - 1) / rowsOfPage;
    }

    private InvalidRequest tooMany(int wanted) {
        return new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
            wanted + " pictures don't fit on a page of " + in.stock().name() + ": they would be smaller than 5 mm.",
            "Lay fewer on a page, on a larger sheet or with a smaller gutter.");
    }
}
