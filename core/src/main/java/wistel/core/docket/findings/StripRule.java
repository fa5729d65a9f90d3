package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.spec.Variations;
import wistel.core.length.Length;
import wistel.core.paper.Stock;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Item;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Strip;

/** A test strip's pages are told settings of their own: the printer must be able to do each of them. What its pieces vary is meant. */
final class StripRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        return IntStream.range(0, layout.pages().size()).boxed().filter(i -> !layout.pages().get(i).settings().isEmpty())
            .flatMap(i -> SettingsRule.conflicts(Variations.of(d, layout.pages().get(i)), facts)
                .map(f -> f.of(new Finding.Subject.OnPage(i + 1))));
    }

    /** Of pieces of which a page doesn't hold all: smaller, the sheet turned, another stock. */
    static List<Fix> fixes(Strip strip, DocketSpec d, PreflightFacts facts) {
        Item item = d.item(strip.itemId());
        List<Fix> fixes = new ArrayList<>();
        double turned = strip.turned().largestMm(facts.input(d));
        if (turned >= item.frame().widthMm()) {
            fixes.add(new Fix("Turn the sheet", new SheetCommand.Turned()));
        }
        double largest = strip.largestMm(facts.input(d));
        double high = largest * item.frame().heightMm() / item.frame().widthMm();
        if (Math.min(largest, high) >= Frame.SMALLEST_MM) {
            fixes.add(new Fix("Make each " + Length.mm(largest) + " mm wide", new PieceCommand.Framed(item.id(), largest, high)));
        }
        facts.stocks(d).filter(s -> !s.equals(d.stock())).filter(s -> fits(strip, d.withStock(s), facts)).findFirst()
            .ifPresent(s -> fixes.add(new Fix("Take " + ((Stock) s).name(), new SheetCommand.Stocked(s, facts.feedFor(d, s)))));
        return fixes;
    }

    private static boolean fits(Strip strip, DocketSpec on, PreflightFacts facts) {
        return strip.onStock(on.stock()).lay(facts.input(on)).unplaced().isEmpty();
    }
}
