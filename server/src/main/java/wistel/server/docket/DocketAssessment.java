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
import wistel.core.sheet.OwnMark;
import wistel.core.sheet.PictureStamp;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
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

    /** Marks of one's own over a picture, where it lies first. */
    List<PictureStamp> stamps(String renditionId) {
        SheetPlan plan = row.spec().plan();
        boolean bordered = plan.annotates() && !plan.edge().borderless();
        return layout.placed().stream().filter(p -> p.renditionId().equals(renditionId)).findFirst().flatMap(p -> {
            Placed whole = p.untiled().face();
            Rect upright = new Rect(0, 0, whole.uprightWidthMm(), whole.uprightHeightMm());
            return row.spec().item(p.itemId()).annotation().laid(bordered).filter(OwnMark::over).map(m -> PictureStamp.of(m, upright));
        }).stream().toList();
    }

    public String descriptionHash() {
        return printer.map(Printer::descriptionHash).orElse("");
    }
}
