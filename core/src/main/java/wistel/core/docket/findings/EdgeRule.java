package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.length.Length;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Overhang;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Plans;
import wistel.core.sheet.SinglePiece;

/** Pictures against the edges of their pages, and what a frame cuts away. */
final class EdgeRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        List<Finding> found = new ArrayList<>();
        for (Page page : layout.pages()) {
            for (Placed placed : page.placed()) {
                edge(d, facts, page, placed).map(f -> f.of(new Subject.OfPiece(placed.itemId()))).ifPresent(found::add);
            }
        }
        layout.losses().forEach(
            loss -> found
                .add(Finding.note(Stage.SIZE, Code.CROPPED, DocketPhrases.percent(loss.share()) + " of the picture is cropped away.",
                    "What lies outside the crop or past the paper's edge is not printed.").of(new Subject.OfPiece(loss.itemId()))));
        return found.stream();
    }

    private static Optional<Finding> edge(DocketSpec d, PreflightFacts facts, Page page, Placed placed) {
        if (page.overMm() > 0 || d.plan().edge().borderless()) {
            return Optional.empty();
        }
        if (Overhang.largerThanPage(page, placed)) {
            return Optional.of(Finding.stop(Stage.SIZE, Code.LARGER_THAN_SHEET,
                "The picture (" + Length.mm(placed.atMm().width()) + " × " + Length.mm(placed.atMm().height())
                    + " mm) is larger than the sheet ("
                    + Length.mm(page.widthMm()) + " × " + Length.mm(page.heightMm()) + " mm).",
                "It doesn't fit this paper.", toPrintable(d, facts)));
        }
        List<Overhang> overhangs = Overhang.of(page, placed);
        if (overhangs.isEmpty()) {
            return Optional.empty();
        }
        String where = overhangs.stream().map(o -> "the " + o.side().word() + " " + Length.mm(o.mm()) + " mm")
            .collect(Collectors.joining(", "));
        return Optional.of(Finding.stop(Stage.SIZE, Code.ON_UNPRINTABLE_EDGE,
            "The picture runs into the edge that " + facts.described().feed(d.settings().feed()) + " can't print.",
            DocketPhrases.capital(where) + " of it would stay white.", toPrintable(d, facts)));
    }

    /** The largest frame of the same shape that lies wholly on printable paper where the borders put it. */
    private static Fix[] toPrintable(DocketSpec d, PreflightFacts facts) {
        if (Plans.single(d.plan()).isEmpty()) {
            return new Fix[0];
        }
        SinglePiece piece = d.single();
        Stream<Fix> smaller = piece.largestIfAny(facts.input(d)).map(f -> new Fix("Make it " + Length.mm(f.widthMm()) + " mm wide",
            new PieceCommand.Framed(piece.item().id(), f.widthMm(), f.heightMm()))).stream();
        return Stream.concat(smaller, largerSheet(d, facts).stream()).toArray(Fix[]::new);
    }

    /** The smallest known sheet that the printer takes and that holds the picture as it is. */
    private static Optional<Fix> largerSheet(DocketSpec d, PreflightFacts facts) {
        return SheetSize.KNOWN.stream().map(Stock.Sheet::of).sorted(Comparator.comparing(s -> s.widthMm() * s.lengthMm()))
            .map(sheet -> new SheetCommand.Stocked(sheet, facts.feedFor(d, sheet)))
            .filter(stocked -> stocked.feed().isPresent() && holds(facts, stocked.on(d)))
            .findFirst().map(stocked -> new Fix("Take " + stocked.stock().name(), stocked));
    }

    private static boolean holds(PreflightFacts facts, DocketSpec on) {
        Page page = facts.layout(on).pages().get(0);
        return page.placed().stream().allMatch(p -> Overhang.of(page, p).isEmpty());
    }
}
