package wistel.core.docket.findings;

import java.util.stream.IntStream;
import java.util.stream.Stream;
import wistel.core.docket.changes.Command;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Mark;
import wistel.core.sheet.Page;
import wistel.core.sheet.Rect;

/** What is written and drawn round a picture needs a border to stand in. */
final class AnnotationRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        return IntStream.range(0, layout.pages().size())
            .filter(i -> layout.pages().get(i).marks().stream().anyMatch(mark -> !printable(mark, layout.pages().get(i))))
            .mapToObj(i -> Finding.look(Stage.SIZE, Code.CAPTION_CUT, "The border is too narrow for what stands round the picture.",
                "A part of the caption, rule, cut marks or mark of your own falls on paper that can't be printed, or beside it.",
                new Fix("Leave it out",
                    Command.of(d.plan().items().stream().<Command>map(id -> new PieceCommand.Annotated(id, Annotation.NONE)).toList())))
                .of(new Subject.OnPage(i + 1)));
    }

    private static boolean printable(Mark mark, Page page) {
        if (mark instanceof Mark.Line line) {
            return inside(line.fromX(), line.fromY(), page) && inside(line.toX(), line.toY(), page);
        }
        if (mark instanceof Mark.Stamp stamp) {
            Rect at = stamp.shownMm();
            return page.overMm() > 0 || inside(at.x(), at.y(), page) && inside(at.right(), at.bottom(), page);
        }
        if (mark instanceof Mark.ControlPatch) {
            return true;
        }
        Mark.Text text = (Mark.Text) mark;
        return inside(text.x(), text.y(), page);
    }

    private static boolean inside(double x, double y, Page page) {
        return x >= page.unprintable().left() && x <= page.widthMm() - page.unprintable().right() && y >= page.unprintable().top()
            && y <= page.heightMm() - page.unprintable().bottom();
    }
}
