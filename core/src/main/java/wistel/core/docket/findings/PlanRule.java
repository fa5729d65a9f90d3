package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import wistel.core.docket.changes.GangCommand;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.length.Length;
import wistel.core.paper.Stock;
import wistel.core.sheet.Arrangement;
import wistel.core.sheet.Chart;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Item;
import wistel.core.sheet.Layout;
import wistel.core.sheet.LayoutInput;
import wistel.core.sheet.Plans;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Single;
import wistel.core.sheet.Wrap;

/** What each plan is checked for, and that it lays all that it was given. */
final class PlanRule implements Rule {
    private static final double CUT_LENGTH_MM = 1500;
    private static final SheetPlan.Visitor<List<Rule>> OF_PLAN = new SheetPlan.Visitor<>() {
        @Override
        public List<Rule> single(Single plan) {
            return List.of(new EdgeRule(), new AnnotationRule());
        }

        @Override
        public List<Rule> gang(Gang plan) {
            return List.of(new EdgeRule(), new OverlapRule(), new AnnotationRule());
        }

        @Override
        public List<Rule> wrap(Wrap plan) {
            return List.of(new WrapRule());
        }

        @Override
        public List<Rule> chart(Chart plan) {
            return List.of(new EdgeRule());
        }
    };

    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        Stream<Finding> unplaced = layout.unplaced().stream().map(u -> unplaced(u, d, facts));
        return Stream.concat(unplaced, d.plan().accept(OF_PLAN).stream().flatMap(rule -> rule.check(d, facts, layout)));
    }

    private static Finding unplaced(Layout.Unplaced u, DocketSpec d, PreflightFacts facts) {
        Fix[] fixes = Plans.gang(d.plan()).map(gang -> fixes(gang, u, d, facts)).orElse(List.of()).toArray(Fix[]::new);
        return (switch (u.reason()) {
            case TOO_LARGE -> Finding.stop(Stage.SIZE, Code.PIECE_TOO_LARGE, "It doesn't fit " + d.stock().name() + ".",
                "Nothing of it would be printed: take a larger sheet, or make it smaller.", fixes);
            case NO_ROOM -> Finding.stop(Stage.SIZE, Code.NO_ROOM, "Not all of its prints find room on " + d.stock().name() + ".",
                "What is left out is not printed: make it smaller, let it be turned, or take other paper.", fixes);
        }).of(new Subject.OfPiece(u.itemId()));
    }

    /** Smaller, turned, or on other paper that is there. */
    private static List<Fix> fixes(Gang gang, Layout.Unplaced u, DocketSpec d, PreflightFacts facts) {
        LayoutInput in = facts.input(d);
        Item item = d.item(u.itemId());
        List<Fix> fixes = new ArrayList<>();
        if (u.reason() == Layout.Unplaced.Reason.TOO_LARGE) {
            if (!item.frame().mayTurn() && gang.holds(item.id(), facts.input(d.withItem(item.framed(item.frame().turning(true)))))) {
                fixes.add(new Fix("Let it be turned", new GangCommand.MayTurn(List.of(item.id()), true)));
            }
            double scale = Math.floor(gang.largestScale(item.id(), in) * 1000) / 1000;
            double[] size = item.size(facts.pictures().get(item.renditionId()).size());
            if (scale < 1 && Math.min(size[0], size[1]) * scale >= Frame.SMALLEST_MM) {
                fixes.add(new Fix("Make it as large as fits", new PieceCommand.Framed(item.id(), size[0] * scale, size[1] * scale)));
            }
        } else if (!(d.stock() instanceof Stock.Sheet) && gang.arrangement().longestMm() == 0) {
            fixes.add(new Fix("Cut the roll into lengths of " + Length.mm(CUT_LENGTH_MM) + " mm",
                new GangCommand.Arranged(gang.arrangement().lengths(CUT_LENGTH_MM))));
        } else if (gang.arrangement().way() == Arrangement.Way.ROWS) {
            fixes.add(new Fix("Lay it to be cut right across",
                new GangCommand.Arranged(gang.arrangement().by(Arrangement.Way.CUT_ACROSS))));
        }
        facts.stocks(d).filter(s -> !s.equals(d.stock())).filter(s -> {
            DocketSpec on = d.withStock(s).withPlan(gang.onStock(s));
            return Plans.gang(on.plan()).orElseThrow().holds(item.id(), facts.input(on));
        }).findFirst().ifPresent(s -> fixes.add(new Fix("Take " + s.name(), new SheetCommand.Stocked(s, facts.feedFor(d, s)))));
        return fixes;
    }
}
