package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import wistel.core.docket.changes.GangCommand;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.length.Length;
import wistel.core.paper.Stock;
import wistel.core.sheet.Arrangement;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Item;
import wistel.core.sheet.Layout;
import wistel.core.sheet.LayoutInput;

/** What can be done about pieces that don't fit: smaller, turned, cut otherwise, on other paper that is there. What all of them need is made once. */
final class UnplacedFixes {
    private static final double CUT_LENGTH_MM = 1500;

    private final Gang gang;
    private final DocketSpec d;
    private final PreflightFacts facts;
    private final LayoutInput in;
    /** With all pieces allowed to be turned. */
    private final LayoutInput turning;
    private final List<OnStock> others;

    /** The docket on another stock. */
    private record OnStock(Stock stock, Gang gang, LayoutInput input) {
    }

    UnplacedFixes(Gang gang, DocketSpec d, PreflightFacts facts) {
        this.gang = gang;
        this.d = d;
        this.facts = facts;
        this.in = facts.input(d);
        this.turning = facts.input(d.withItems(d.items().stream().map(i -> i.framed(i.frame().turning(true))).toList()));
        this.others = facts.stocks(d).filter(s -> !s.equals(d.stock())).distinct().map(s -> {
            Gang there = gang.onStock(s);
            return new OnStock(s, there, facts.input(d.withStock(s).withPlan(there)));
        }).toList();
    }

    List<Fix> of(Layout.Unplaced u) {
        Item item = d.item(u.itemId());
        List<Fix> fixes = new ArrayList<>();
        if (u.reason() == Layout.Unplaced.Reason.TOO_LARGE) {
            if (!item.frame().mayTurn() && gang.holds(item.id(), turning)) {
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
        others.stream().filter(o -> o.gang.holds(item.id(), o.input)).findFirst()
            .ifPresent(o -> fixes.add(new Fix("Take " + o.stock.name(), new SheetCommand.Stocked(o.stock, facts.feedFor(d, o.stock)))));
        return fixes;
    }
}
