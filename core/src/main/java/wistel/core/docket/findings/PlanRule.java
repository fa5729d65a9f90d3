package wistel.core.docket.findings;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.sheet.Chart;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Plans;
import wistel.core.sheet.Ruler;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Single;
import wistel.core.sheet.Strip;
import wistel.core.sheet.Tiled;
import wistel.core.sheet.Wrap;

/** What each plan is checked for, and that it lays all that it was given. */
final class PlanRule implements Rule {
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
        public List<Rule> tiled(Tiled plan) {
            return List.of(new TileRule());
        }

        @Override
        public List<Rule> wrap(Wrap plan) {
            return List.of(new WrapRule());
        }

        @Override
        public List<Rule> strip(Strip plan) {
            return List.of(new StripRule());
        }

        @Override
        public List<Rule> chart(Chart plan) {
            return List.of(new EdgeRule());
        }

        @Override
        public List<Rule> ruler(Ruler plan) {
            return List.of(new EdgeRule());
        }
    };

    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        Optional<UnplacedFixes> fixes = layout.unplaced().isEmpty() ? Optional.empty()
            : Plans.gang(d.plan()).map(gang -> new UnplacedFixes(gang, d, facts));
        Stream<Finding> unplaced = layout.unplaced().stream().map(u -> unplaced(u, d, (Plans.tiled(d.plan()).isPresent()
            ? TileRule.fixes(u.reason(), d, facts)
            : Plans.strip(d.plan()).map(strip -> StripRule.fixes(strip, d, facts)).or(() -> fixes.map(f -> f.of(u))).orElse(List.of()))
            .toArray(Fix[]::new)));
        return Stream.concat(unplaced, d.plan().accept(OF_PLAN).stream().flatMap(rule -> rule.check(d, facts, layout)));
    }

    private static Finding unplaced(Layout.Unplaced u, DocketSpec d, Fix... fixes) {
        return (switch (u.reason()) {
            case TOO_LARGE -> Finding.stop(Stage.SIZE, Code.PIECE_TOO_LARGE, "It doesn't fit " + d.stock().name() + ".",
                "Nothing of it would be printed: take a larger sheet, or make it smaller.", fixes);
            case NO_ROOM -> Finding.stop(Stage.SIZE, Code.NO_ROOM, "Not all of its prints find room on " + d.stock().name() + ".",
                "What is left out is not printed: make it smaller, let it be turned, or take other paper.", fixes);
            case TOO_MANY_SHEETS -> Finding.stop(Stage.SIZE, Code.TOO_MANY_SHEETS,
                "It takes more than " + Tiled.MOST_SHEETS + " sheets of " + d.stock().name() + ".",
                "Nobody joins so many: take larger sheets or a roll, or make it smaller.", fixes);
            case NOTHING_BESIDE_OVERLAP -> Finding.stop(Stage.SIZE, Code.NOTHING_BESIDE_OVERLAP,
                "A sheet of " + d.stock().name() + " prints nothing beside the overlap.",
                "Its margins and the overlap leave no picture: overlap less, or take larger sheets.", fixes);
        }).of(new Subject.OfPiece(u.itemId()));
    }
}
