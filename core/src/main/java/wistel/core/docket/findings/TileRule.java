package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.changes.TileCommand;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.length.Length;
import wistel.core.sheet.SheetJoint;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Tiled;

/** A picture over several sheets: whether it needs them, and whether they hold together. */
final class TileRule implements Rule {
    /** Less is hard to glue. */
    private static final double ENOUGH_TO_GLUE_MM = 6;

    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        Tiled plan = d.tiled().plan();
        List<Finding> found = new ArrayList<>();
        if (layout.unplaced().isEmpty() && layout.pages().size() == 1) {
            found.add(Finding.note(Stage.SIZE, Code.ONE_SHEET_HOLDS_IT, "One sheet of " + d.stock().name() + " holds all of it.",
                "There is nothing to join.", new Fix("Print it on one sheet", new SheetCommand.OnOneSheet())));
        }
        if (plan.joint().way() == SheetJoint.Way.GLUED && plan.joint().overMm() < ENOUGH_TO_GLUE_MM && layout.pages().size() > 1) {
            found.add(Finding.look(Stage.SIZE, Code.LITTLE_TO_GLUE, "Only " + Length.mm(plan.joint().overMm() / 2) + " mm are glued.",
                "The joint lies in the middle of the overlap, and what is behind it holds the sheets.",
                new Fix("Overlap by " + Length.mm(SheetJoint.USUAL.overMm()) + " mm", new TileCommand.SheetsJoined(SheetJoint.USUAL))));
        }
        layout.losses().forEach(loss -> found.add(Finding.note(Stage.SIZE, Code.CROPPED,
            DocketPhrases.percent(loss.share()) + " of the picture is cropped away.", "It has another shape than what is printed of it.")
            .of(new Subject.OfPiece(loss.itemId()))));
        return found.stream();
    }

    /** What helps where it can't be laid at all. */
    static List<Fix> fixes(Layout.Unplaced.Reason reason, DocketSpec d, PreflightFacts facts) {
        List<Fix> fixes = new ArrayList<>();
        if (reason == Layout.Unplaced.Reason.NOTHING_BESIDE_OVERLAP && !d.tiled().plan().joint().equals(SheetJoint.USUAL)) {
            fixes
                .add(new Fix("Overlap by " + Length.mm(SheetJoint.USUAL.overMm()) + " mm", new TileCommand.SheetsJoined(SheetJoint.USUAL)));
        }
        Tilings.of(d, facts).stream().findFirst().ifPresent(t -> fixes.add(new Fix("Take " + t.words(), t.chosen())));
        return fixes;
    }
}
