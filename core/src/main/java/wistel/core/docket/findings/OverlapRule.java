package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.length.Length;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Page;

/** Pieces that lie over one another. */
final class OverlapRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        List<Finding> found = new ArrayList<>();
        for (int i = 0; i < layout.pages().size(); i++) {
            Page page = layout.pages().get(i);
            double most = page.deepestOverlapMm();
            if (most > Gang.TOUCHING_MM) {
                found.add(Finding.stop(Stage.SIZE, Code.PIECES_OVERLAP, "Pieces lie over one another by up to " + Length.mm(most) + " mm.",
                    "The later one would be printed over the other: move them apart.").of(new Subject.OnPage(i + 1)));
            }
        }
        return found.stream();
    }
}
