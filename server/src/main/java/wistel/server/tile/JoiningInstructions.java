package wistel.server.tile;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.length.Length;
import wistel.core.pairing.PairingVersion;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.SheetJoint;
import wistel.core.sheet.Seams;
import wistel.core.sheet.TiledPiece;
import wistel.server.docket.DocketAssessment;
import wistel.server.proof.PrintThumbnails;
import wistel.server.workbench.WorkbenchPdf;

/** The page that lies on the workbench while sheets are joined: the finished picture with its joints, and sheet by sheet what to cut. */
@Component
class JoiningInstructions {
    private static final float DRAWING = 330;
    private static final int PIXELS = 900;
    private static final double HARDLY_MM = 0.5;

    private final PrintThumbnails thumbnails;

    JoiningInstructions(PrintThumbnails thumbnails) {
        this.thumbnails = thumbnails;
    }

    byte[] pdf(DocketAssessment judged) throws IOException {
        DocketSpec d = judged.row().spec();
        TiledPiece piece = d.tiled();
        Optional<TiledPiece.Axes> axes = piece.axes(judged.facts().input(d));
        try (WorkbenchPdf out = new WorkbenchPdf(d.title() + ", how it is joined")) {
            out.heading(d.title(), "Docket " + judged.row().number() + " · "
                + judged.facts().pairing().map(PairingVersion::paper).orElse("no paper chosen yet") + " · " + d.stock().name() + " · "
                + judged.layout().pages().size() + " sheets");
            if (axes.isEmpty()) {
                out.text("It can't be joined from these sheets: take larger ones, or make it smaller.", 10.5f, 0);
                return out.bytes();
            }
            Seams seams = axes.get().suited(piece.plan().seams());
            drawing(out, d, judged.layout().placed().get(0).untiled(), axes.get(), seams);
            out.list("In this order", steps(piece.plan().joint(), axes.get()), true);
            out.list("Cuts, sheet by sheet", cuts(piece.plan().joint(), judged.layout().pages(), axes.get()), true);
            return out.bytes();
        }
    }

    /** The finished picture, its joints, and the number of each sheet. */
    private void drawing(WorkbenchPdf out, DocketSpec d, Placed whole, TiledPiece.Axes axes, Seams seams) throws IOException {
        double width = axes.columns().wholeMm();
        double height = axes.rows().wholeMm();
        Rect all = new Rect(0, 0, width, height);
        float scale = (float) Math.min(WorkbenchPdf.WIDTH / width, DRAWING / height);
        WorkbenchPdf.Place place = new WorkbenchPdf.Place(WorkbenchPdf.MARGIN + (WorkbenchPdf.WIDTH - (float) width * scale) / 2, out.y(),
            scale, all);
        Optional<PrintThumbnails.Thumbnail> picture = thumbnails.of(d.rendition(whole.renditionId()), PIXELS);
        if (picture.isPresent()) {
            out.image(place, all, PrintThumbnails.png(picture.get().part(whole.crop())));
        }
        out.rectangle(place, all);
        for (double x : seams.columnsMm()) {
            out.line(place, new double[] {x, 0, x, height});
            out.centred(Length.mm(x), place.x(x), place.y(0) + 3);
        }
        for (double y : seams.rowsMm()) {
            out.line(place, new double[] {0, y, width, y});
            out.upright(Length.mm(y), place.x(0) - 4, place.y(y));
        }
        out.skip((float) height * scale + 6);
        out.text("Joints as they are seen, in mm from the left and from above. Sheets are numbered row by row, from above on the left.",
            8, 0);
    }

    private static List<String> steps(SheetJoint joint, TiledPiece.Axes axes) {
        boolean glued = joint.way() == SheetJoint.Way.GLUED;
        List<String> steps = new ArrayList<>();
        steps.add("Let all sheets dry, and lie them out as the drawing has them. An arrow on each label points to where it is up.");
        steps.add(glued ? "Cut each sheet as it is listed below, along the inner edge of its line. What isn't listed stays for now."
            : "Cut each sheet as it is listed below, along the inner edge of its lines.");
        if (axes.columns().count() > 1) {
            steps.add(glued
                ? "Join each row from the left: the next sheet lies on top, its cut edge between the ticks at both ends of the joint. "
                    + Length.mm(joint.reachMm()) + " mm are glued."
                : "Lay each row edge to edge from the left, face down, and tape it behind.");
        }
        if (axes.rows().count() > 1) {
            steps.add(glued ? "Join the rows from above: the lower one lies on top."
                : "Lay the rows edge to edge from above, and tape them behind.");
        }
        steps.add(
            "Cut round the finished picture: " + Length.mm(axes.columns().wholeMm()) + " × " + Length.mm(axes.rows().wholeMm()) + " mm.");
        return steps;
    }

    /** From which edges of the paper a sheet is cut, and how far from them. */
    private static List<String> cuts(SheetJoint joint, List<Page> pages, TiledPiece.Axes axes) {
        boolean both = joint.way() == SheetJoint.Way.BUTTED;
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < axes.sheets() && i < pages.size(); i++) {
            int column = i % axes.columns().count();
            int row = i / axes.columns().count();
            Page page = pages.get(i);
            Rect seen = page.placed().get(0).face().atMm();
            List<String> cuts = new ArrayList<>();
            if (column > 0) {
                cuts.add(cut(seen.x(), "left"));
            }
            if (row > 0) {
                cuts.add(cut(seen.y(), "upper"));
            }
            if (both && column < axes.columns().count() - 1) {
                cuts.add(cut(page.widthMm() - seen.right(), "right"));
            }
            if (both && row < axes.rows().count() - 1) {
                cuts.add(cut(page.heightMm() - seen.bottom(), "lower"));
            }
            String where = "Row " + (row + 1) + ", column " + (column + 1) + ": ";
            lines.add(where + (cuts.isEmpty() ? "nothing yet; its neighbours lie on top of it." : String.join(", ", cuts) + "."));
        }
        return lines;
    }

    private static String cut(double mm, String edge) {
        return Length.mm(Math.max(HARDLY_MM, mm)) + " mm from the " + edge + " edge";
    }
}
