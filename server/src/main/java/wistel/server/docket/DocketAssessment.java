package wistel.server.docket;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.findings.Finding;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.rendition.LocalMove;
import wistel.core.rendition.PicturePlaces;
import wistel.core.sheet.Layout;
import wistel.core.sheet.SheetPlan;
import wistel.server.printer.Printer;

/**
 * A docket with what it is judged against.
 *
 * @param proofKeys name the proof of each rendition; empty without a paper
 * @param findings  what is wrong or doubtful
 */
public record DocketAssessment(DocketRepository.Row row, PreflightFacts facts, Layout layout, List<PrintOrder.Master> masters,
    Optional<Printer> printer, Map<String, String> proofKeys, List<Finding> findings) {
    /** The same, of a printer that was seen since and is as it was. */
    DocketAssessment seen(Optional<Printer> now) {
        return new DocketAssessment(row, facts, layout, masters, now, proofKeys, findings);
    }

    /** What is printed of a picture, which edges follow: where it lies first, and all of it where it lies nowhere. */
    public LocalMove.PrintFrame framed(String renditionId) {
        SheetPlan.PixelSize size = facts.pictures().get(renditionId).size();
        return layout.parts(renditionId).stream().findFirst()
            .map(p -> new PicturePlaces.Part(size.width(), size.height(), p.face().crop(), p.straighten()).framed())
            .orElse(LocalMove.PrintFrame.WHOLE);
    }

    public String descriptionHash() {
        return printer.map(Printer::descriptionHash).orElse("");
    }
}
