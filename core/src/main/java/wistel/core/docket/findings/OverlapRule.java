package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.length.Length;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;

/** Pieces that lie over one another. */
final class OverlapRule implements Rule {
    /** Rounding, in mm. */
    private static final double TOUCHING_MM = 0.01;

    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        List<Finding> found = new ArrayList<>();
        for (int i = 0; i < layout.pages().size(); i++) {
            Page page = layout.pages().get(i);
            double most = overlap(page.placed());
            if (most > TOUCHING_MM) {
                found.add(Finding.stop(Stage.SIZE, Code.PIECES_OVERLAP, "Pieces lie over one another by up to " + Length.mm(most) + " mm.",
                    "The later one would be printed over the other: move them apart.").of(new Subject.OnPage(i + 1)));
            }
        }
        return found.stream();
    }

    /** The deepest of all pairs; 0 or less where none overlap. */
    private static double overlap(List<Placed> placed) {
        double most = 0;
        for (int a = 0; a < placed.size(); a++) {
            for (int b = a + 1; b < placed.size(); b++) {
                Rect one = placed.get(a).printedMm();
                Rect other = placed.get(b).printedMm();
                double across = Math.min(one.right(), other.right()) - Math.max(one.x(), other.x());
                double down = Math.min(one.bottom(), other.bottom()) - Math.max(one.y(), other.y());
                most = Math.max(most, Math.min(across, down));
            }
        }
        return most;
    }
}
