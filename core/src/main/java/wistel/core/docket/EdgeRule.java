package wistel.core.docket;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wistel.core.docket.Finding.Mend;
import wistel.core.length.Length;
import wistel.core.length.Margins;
import wistel.core.printer.Keywords;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Overhang;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Single;

/** Pictures against the edges of their pages, and what a frame cuts away. */
final class EdgeRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        List<Finding> found = new ArrayList<>();
        for (Page page : layout.pages()) {
            for (Placed placed : page.placed()) {
                edge(d, page, placed).ifPresent(found::add);
            }
        }
        layout.losses().forEach(loss -> found.add(Finding.note(Stage.SIZE, "cropped", Words.percent(loss.share()) + " of the picture is cropped away to fill the frame.",
            "What lies outside the frame is not printed.")));
        return found.stream();
    }

    private static Optional<Finding> edge(DocketSpec d, Page page, Placed placed) {
        if (Overhang.largerThanPage(page, placed)) {
            return Optional.of(Finding.stop(Stage.SIZE, "larger-than-sheet",
                "The picture (" + Length.mm(placed.atMm().width()) + " × " + Length.mm(placed.atMm().height()) + " mm) is larger than the sheet ("
                    + Length.mm(page.widthMm()) + " × " + Length.mm(page.heightMm()) + " mm).", "It doesn't fit this paper.", toPrintable(d, page, placed)));
        }
        List<Overhang> overhangs = Overhang.of(page, placed);
        if (overhangs.isEmpty()) {
            return Optional.empty();
        }
        String where = overhangs.stream().map(o -> "the " + o.side() + " " + Length.mm(o.mm()) + " mm").collect(Collectors.joining(", "));
        return Optional.of(Finding.stop(Stage.SIZE, "on-unprintable-edge",
            "The picture runs into the edge that " + Keywords.feed(d.settings().feed()) + " can't print.",
            Words.capital(where) + " of it would stay white.", toPrintable(d, page, placed)));
    }

    /** The largest frame of the same shape that lies wholly on printable paper where the borders put it. */
    private static Mend[] toPrintable(DocketSpec d, Page page, Placed placed) {
        if (!(d.plan() instanceof Single single)) {
            return new Mend[0];
        }
        Margins m = page.unprintable();
        double shape = placed.atMm().width() / placed.atMm().height();
        double halfWidth = page.widthMm() / 2 - Math.max(m.left(), m.right());
        double spare = Math.max(m.top() / single.aboveShare(), m.bottom() / (1 - single.aboveShare()));
        double width = Math.floor(Math.min(2 * halfWidth, (page.heightMm() - spare) * shape) * 10) / 10;
        return width < 5 || width / shape < 5 ? new Mend[0] : new Mend[] {new Mend("Make it " + Length.mm(width) + " mm wide", new Change.Framed(width, width / shape))};
    }
}
