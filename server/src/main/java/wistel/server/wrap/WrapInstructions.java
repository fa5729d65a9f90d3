package wistel.server.wrap;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.length.Length;
import wistel.core.pairing.PairingVersion;
import wistel.core.pictures.SideFill;
import wistel.core.sheet.CutLine;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Mark;
import wistel.core.sheet.Rect;
import wistel.core.sheet.Wrap;
import wistel.core.sheet.WrapBody;
import wistel.server.docket.DocketAssessment;
import wistel.server.workbench.WorkbenchPdf;

/**
 * The page that lies on the workbench while a print is wrapped: its flat print drawn with lengths, and what to do one after the other. A4,
 * upright.
 */
final class WrapInstructions {
    private static final float DRAWING = 290;
    /** Marks of a print lie no farther outside of it. */
    private static final double BESIDE_MM = 12;
    private static final float AFTER_DIMENSIONS = 26;

    private WrapInstructions() {
    }

    /** @param picture of the first piece with its sides, PNG */
    static byte[] pdf(DocketAssessment judged, byte[] picture) throws IOException {
        DocketSpec d = judged.row().spec();
        Wrap wrap = d.wrap().plan();
        try (WorkbenchPdf page = new WorkbenchPdf(d.title() + ", how it is wrapped")) {
            page.heading(d.title(), "Docket " + judged.row().number() + " · "
                + judged.facts().pairing().map(PairingVersion::paper).orElse("no paper chosen yet") + " · " + sizes(wrap));
            drawing(page, wrap, judged, picture);
            page.list("Sizes", lengths(wrap), false);
            page.list("One after the other", steps(wrap, judged.layout()), true);
            return page.bytes();
        }
    }

    private static String sizes(Wrap wrap) {
        WrapBody b = wrap.body();
        String face = mm(b.faceWidthMm()) + " × " + mm(b.faceHeightMm()) + " mm, " + mm(b.support().totalMm()) + " mm deep";
        return wrap.panels().count() == 1 ? face
            : wrap.panels().count() + " pieces of " + face + ", " + mm(wrap.panels().gapMm()) + " mm apart";
    }

    private static String mm(double mm) {
        return Length.mm(mm);
    }

    private static List<String> lengths(Wrap wrap) {
        WrapBody b = wrap.body();
        List<String> lines = new ArrayList<>();
        lines.add("Face " + mm(b.faceWidthMm()) + " × " + mm(b.faceHeightMm()) + " mm; "
            + (b.support().kind() == WrapBody.Kind.BARS ? "bars " : "board ") + mm(b.support().depthMm()) + " mm deep"
            + (b.support().airGapMm() > 0 ? ", with a rim of " + mm(b.support().airGapMm()) + " mm that lifts the print off it." : "."));
        lines.add("Print cut to " + mm(b.flatWidthMm()) + " × " + mm(b.flatHeightMm()) + " mm: on every side " + mm(b.sideMm())
            + " mm for the edge (" + mm(b.foldMm()) + " mm of it the fold), "
            + mm(b.turnOver().widthMm()) + " mm to turn over"
            + (b.turnOver().playMm() > 0 ? " and " + mm(b.turnOver().playMm()) + " mm of play." : "."));
        b.growth().ifPresent(g -> lines.add(String.format(Locale.ROOT,
            "Printed %.1f %% narrower and %.1f %% lower, as much as the print gives.", 100 * g.across(), 100 * g.along())));
        lines.add("Sides: " + (wrap.fill() instanceof SideFill.Itself ? "the picture goes round them."
            : wrap.fill().words().replace("sides ", "").replace(" sides", "") + "."));
        return lines;
    }

    private static List<String> steps(Wrap wrap, Layout layout) {
        WrapBody b = wrap.body();
        boolean bars = b.support().kind() == WrapBody.Kind.BARS;
        List<String> steps = new ArrayList<>();
        steps.add(bars ? "Let the print dry for a day. Varnish it now, if it is to be varnished." : "Let the print dry for a day.");
        if (!layout.cuts().isEmpty()) {
            layout.cuts().stream().map(CutLine::page).distinct().forEach(
                number -> steps
                    .add((layout.pages().size() > 1 ? "Length " + number + ": part" : "Part") + " the prints that lie side by side, "
                        + layout.cuts().stream().filter(c -> c.page() == number).map(c -> mm(c.atMm())).collect(Collectors.joining(", "))
                        + " mm from the roll's edge."));
        }
        steps.add(
            b.turnOver().printed() ? "Cut it out between the ticks that stand beside its corners." : "Cut it out along the outer line.");
        if (wrap.corners() == Wrap.Corners.MITRED) {
            steps.add("Cut off each corner along its slanted line.");
        }
        steps.add("Carry the ticks round the cut edge to the back with a pencil.");
        steps.add("Lay it face down on a clean cloth. The edge that says “up” lies away from you.");
        if (bars) {
            steps.add(
                "Lay the bars on it: their outer edges stand on the long ticks, which mark the front edges. The short ticks mark the back "
                    + "ones.");
            steps.add(
                "Staple the middle of each side, always the one across next: up, down, left, right. Pull until the weave lies straight.");
            steps.add("Go on from the middles towards the corners, turn by turn, and leave a hand's width free at each corner.");
        } else if (b.support().airGapMm() > 0) {
            steps.add(
                "Wet the back evenly and wait until the paper lies limp; glue goes on the rim and the back of the board, not on its face.");
            steps.add("Lay the board on it, its edges on the long ticks. It tightens over the air as it dries.");
        } else {
            steps.add("Glue the board and lay it on the print, its edges on the long ticks.");
        }
        if (wrap.corners() == Wrap.Corners.FOLDED) {
            steps.add(
                "Corners: pull the corner in along the slanted line, so that a flap stands up; lay the flap on the upper or lower side, "
                    + "then turn the other edge over it.");
        } else {
            steps.add("Turn the upper and lower edges over first, then left and right: the cut corners meet in a slant behind.");
        }
        if (b.turnOver().playMm() > 0) {
            steps.add("The play of " + mm(b.turnOver().playMm())
                + " mm is for a board that doesn't lie quite in the middle: trim what is too much.");
        }
        steps.add(bars ? "Staple the rest and hang it with the edge that says “up” above."
            : "Rub it down from the middle outwards, and leave it under weights until it is dry.");
        if (wrap.panels().count() > 1) {
            steps.add("The pieces are numbered from the left, row by row; hang them " + mm(wrap.panels().gapMm()) + " mm apart.");
        }
        return steps;
    }

    /** It belongs to this print and not to one beside it. */
    private static boolean within(Rect flat, Mark.Line l) {
        double x = (l.fromX() + l.toX()) / 2;
        double y = (l.fromY() + l.toY()) / 2;
        return x > flat.x() - BESIDE_MM && x < flat.right() + BESIDE_MM && y > flat.y() - BESIDE_MM && y < flat.bottom() + BESIDE_MM;
    }

    /** The flat print to scale: picture, folds, cut, corners, lengths. */
    private static void drawing(WorkbenchPdf page, Wrap wrap, DocketAssessment judged, byte[] picture) throws IOException {
        Wrap.Lines lines = wrap.lines(judged.layout()).get(0);
        Rect flat = lines.flatMm();
        float width = WorkbenchPdf.WIDTH - 2 * AFTER_DIMENSIONS;
        float scale = (float) Math.min(width / flat.width(), DRAWING / flat.height());
        float left = WorkbenchPdf.MARGIN + AFTER_DIMENSIONS + (width - (float) flat.width() * scale) / 2;
        float top = page.y() - AFTER_DIMENSIONS;
        WorkbenchPdf.Place place = new WorkbenchPdf.Place(left, top, scale, flat);
        page.image(place, judged.layout().placed().get(0).printedMm(), picture);
        page.rectangle(place, flat);
        page.rectangle(place, lines.faceMm(), 5, 3);
        page.rectangle(place, lines.backMm(), 2, 2);
        for (Mark mark : judged.layout().pages().get(0).marks()) {
            if (mark instanceof Mark.Line l && within(flat, l)) {
                page.line(place, new double[] {l.fromX(), l.fromY(), l.toX(), l.toY()});
            }
        }
        float middle = place.x((flat.x() + flat.right()) / 2);
        float half = place.y((flat.y() + flat.bottom()) / 2);
        page.centred(mm(flat.width()) + " mm", middle, top + 6);
        page.centred("face " + mm(wrap.body().faceWidthMm()) + " mm", middle, place.y(flat.bottom()) - 12);
        page.upright(mm(flat.height()) + " mm", left - 6, half);
        page.upright("face " + mm(wrap.body().faceHeightMm()) + " mm", left + (float) flat.width() * scale + 12, half);
        page.skip(page.y() - place.y(flat.bottom()) + AFTER_DIMENSIONS);
        page.text("Long dashes: front edges. Dots: back edges. Outer line: cut.", WorkbenchPdf.SMALL, 0);
    }
}
