package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.length.Length;
import wistel.core.paper.Stock;
import wistel.core.printer.MediaRow;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Page;
import wistel.core.sheet.Plans;
import wistel.core.sheet.Rect;

/** Lengths of a roll: their ends, what is left of it, how they come down from the printer. */
final class RollRule implements Rule {
    /** Advised at both ends of paper that keeps the shape of its roll. */
    private static final double ENDS_MM = 50;
    /** The end of a roll holds to its core, and lies between that and the head. */
    private static final double ON_CORE_MM = 200;
    /** A longer piece reaches the floor from a printer on its stand. */
    private static final double TO_FLOOR_MM = 1000;

    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        if (facts.pairing().isEmpty() || facts.printer().isEmpty() || !(d.stock() instanceof Stock.Roll roll)) {
            return Stream.empty();
        }
        List<Finding> found = new ArrayList<>();
        if (facts.pairing().get().body().lifts()) {
            for (int i = 0; i < layout.pages().size(); i++) {
                int number = i + 1;
                ends(d, layout.pages().get(i)).map(f -> f.of(new Subject.OnPage(number))).ifPresent(found::add);
            }
        }
        left(d, facts, layout, roll).ifPresent(found::add);
        falls(d, facts, layout).ifPresent(found::add);
        return found.stream();
    }

    private static Optional<Finding> ends(DocketSpec d, Page page) {
        OptionalDouble end = page.placed().stream().mapToDouble(p -> {
            Rect at = p.atMm().turned(page.feedTurn(), page.widthMm(), page.heightMm());
            return Math.min(at.y(), page.fedHeightMm() - at.bottom());
        }).min();
        if (page.overMm() > 0 || end.isEmpty() || end.getAsDouble() >= ENDS_MM - 0.05) {
            return Optional.empty();
        }
        Fix[] fixes = Plans.single(d.plan()).map(plan -> {
            Rect at = page.placed().get(0).atMm();
            boolean across = page.feedTurn().swapsSides();
            return new Fix("Leave " + Length.mm(ENDS_MM) + " mm at both ends", new SheetCommand.Laid(
                new Rect(across ? ENDS_MM : at.x(), across ? at.y() : ENDS_MM, at.width(), at.height())));
        }).stream().toArray(Fix[]::new);
        return Optional.of(Finding.note(Stage.SIZE, Code.ROLL_ENDS_SHORT,
            "The ends of this length are " + Length.mm(Math.max(0, end.getAsDouble())) + " mm wide.",
            "Heavy paper keeps the curl of its roll and may touch the head there; 50 mm at both ends can be trimmed off later.", fixes));
    }

    /** Of a roll that lies in the printer. */
    private static Optional<Finding> left(DocketSpec d, PreflightFacts facts, Layout layout, Stock.Roll roll) {
        OptionalDouble lies = facts.state().away() ? OptionalDouble.empty()
            : facts.state().loaded().stream().filter(
                l -> l.feed().equals(d.settings().feed()) && l.type().equals(d.settings().mediaType()) && l.widthMm().holds(roll.widthMm()))
                .filter(MediaRow::roll).mapToDouble(l -> l.lengthMm().to()).findFirst();
        double needed = layout.usedLengthMm() * d.copiesByPrinter();
        if (lies.isEmpty() || lies.getAsDouble() - ON_CORE_MM >= needed) {
            return Optional.empty();
        }
        double usable = Math.max(0, lies.getAsDouble() - ON_CORE_MM);
        long whole = whole(d, layout, usable);
        int all = layout.pages().size() * d.copiesByPrinter();
        return Optional.of(Finding.look(Stage.RELEASE, Code.ROLL_TOO_SHORT,
            "The roll has " + Length.mm(lies.getAsDouble()) + " mm left, the last " + Length.mm(ON_CORE_MM)
                + " of them on its core; this takes " + Length.mm(needed) + " mm.",
            all > 1 && whole > 0 ? whole + " of " + all + " lengths come out; then the printer stops and waits for a new roll."
                : "The printer stops in the middle of it: put a longer roll in first."));
    }

    /** How many lengths come out whole. */
    private static long whole(DocketSpec d, Layout layout, double usable) {
        double used = 0;
        long whole = 0;
        for (int copy = 0; copy < d.copiesByPrinter(); copy++) {
            for (Page page : layout.pages()) {
                used += page.fedHeightMm();
                whole += used <= usable ? 1 : 0;
            }
        }
        return whole;
    }

    /** What hangs down to the floor and is cut off falls, wet as it is. */
    private static Optional<Finding> falls(DocketSpec d, PreflightFacts facts, Layout layout) {
        double longest = layout.pages().stream().mapToDouble(Page::fedHeightMm).max().orElse(0);
        if (longest <= TO_FLOOR_MM) {
            return Optional.empty();
        }
        String what = "A length of " + Length.mm(longest) + " mm reaches the floor before it is done.";
        return Optional.of(!facts.cuts(d)
            ? Finding.note(Stage.MACHINE, Code.LENGTH_HANGS, what,
                "Lay something clean below the printer, or hang up its catcher; take hold of it before you cut it.")
            : Finding.look(Stage.MACHINE, Code.LENGTH_HANGS, what,
                "Cut off while it is wet it falls, and its face rubs: hang up the catcher, or leave it uncut and take it off yourself.",
                Fix.uncut()));
    }
}
