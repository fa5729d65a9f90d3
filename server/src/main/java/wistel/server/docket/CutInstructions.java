package wistel.server.docket;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.length.Length;
import wistel.core.pairing.PairingVersion;
import wistel.core.sheet.CutLine;
import wistel.core.sheet.Item;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.server.workbench.WorkbenchPdf;

/** The page that lies on the workbench while prints are cut apart: each sheet with its numbered cuts, and what comes off at each. */
final class CutInstructions {
    private static final float DRAWING = 300;
    private static final float AFTER_DRAWING = 15;
    /** A drawing with the head of its list and a line of it. */
    private static final float WITH_LIST = DRAWING + 70;

    private CutInstructions() {
    }

    static byte[] pdf(DocketAssessment judged) throws IOException {
        DocketSpec d = judged.row().spec();
        List<Page> pages = judged.layout().pages();
        try (WorkbenchPdf out = new WorkbenchPdf(d.title() + ", how it is cut")) {
            out.heading(d.title(), "Docket " + judged.row().number() + " · "
                + judged.facts().pairing().map(PairingVersion::paper).orElse("no paper chosen yet") + " · " + d.stock().name() + " · "
                + judged.layout().placed().size() + " prints");
            for (int i = 0; i < pages.size(); i++) {
                int number = i + 1;
                out.room(WITH_LIST);
                List<CutLine> cuts = judged.layout().cuts().stream().filter(c -> c.page() == number).toList();
                drawing(out, d, pages.get(i), cuts);
                out.list(pages.size() == 1 ? "Cuts" : "Sheet " + number + " of " + pages.size(), lines(d, pages.get(i), cuts), true);
                out.skip(AFTER_DRAWING);
            }
            return out.bytes();
        }
    }

    private static List<String> lines(DocketSpec d, Page page, List<CutLine> cuts) {
        List<String> lines = new ArrayList<>();
        for (CutLine cut : cuts) {
            String off = cut.off().stream().map(id -> page.placed(id).map(p -> named(d, p)).orElse(id)).collect(Collectors.joining("; "));
            lines.add((cut.down() ? "From above to below, " : "From left to right, ") + Length.mm(cut.offMm()) + " mm from the "
                + (cut.down() ? "left" : "upper") + " edge of the part in hand. " + (cut.down() ? "Left of it: " : "Above it: ") + off
                + ".");
        }
        if (cuts.isEmpty()) {
            lines.add(page.placed().size() < 2 ? "Nothing to part." : "No straight cut parts these: cut them free with a knife.");
        }
        return lines;
    }

    private static String named(DocketSpec d, Placed placed) {
        Item item = d.item(placed.itemId());
        return (item.title().isBlank() ? d.title() : item.title()) + ", " + Length.mm(placed.uprightWidthMm()) + " × "
            + Length.mm(placed.uprightHeightMm()) + " mm";
    }

    /** The paper with what lies on it, and the cuts with their numbers. */
    private static void drawing(WorkbenchPdf out, DocketSpec d, Page page, List<CutLine> cuts) throws IOException {
        Rect paper = new Rect(0, 0, page.widthMm(), page.heightMm());
        float scale = (float) Math.min(WorkbenchPdf.WIDTH / paper.width(), DRAWING / paper.height());
        float left = WorkbenchPdf.MARGIN + (WorkbenchPdf.WIDTH - (float) paper.width() * scale) / 2;
        WorkbenchPdf.Place place = new WorkbenchPdf.Place(left, out.y(), scale, paper);
        out.rectangle(place, paper);
        for (Placed p : page.placed()) {
            Rect at = p.atMm();
            out.rectangle(place, at);
            Item item = d.item(p.itemId());
            out.centred(item.title().isBlank() ? d.title() : item.title(), place.x(at.x() + at.width() / 2),
                place.y(at.y() + at.height() / 2),
                (float) at.width() * scale - 4);
        }
        for (CutLine cut : cuts) {
            out.line(place, cut.down() ? new double[] {cut.atMm(), cut.fromMm(), cut.atMm(), cut.toMm()}
                : new double[] {cut.fromMm(), cut.atMm(), cut.toMm(), cut.atMm()}, 4, 2);
            out.centred(Integer.toString(cut.number()), cut.down() ? place.x(cut.atMm()) + 6 : place.x(cut.fromMm()) + 6,
                cut.down() ? place.y(cut.toMm()) + 3 : place.y(cut.atMm()) + 3);
        }
        out.skip((float) paper.height() * scale + AFTER_DRAWING);
    }
}
