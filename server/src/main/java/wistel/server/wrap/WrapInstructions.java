package wistel.server.wrap;

import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.util.Matrix;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.length.Length;
import wistel.core.pairing.PairingVersion;
import wistel.core.pictures.SideFill;
import wistel.core.render.LayoutRenderer;
import wistel.core.sheet.Mark;
import wistel.core.sheet.Rect;
import wistel.core.sheet.Wrap;
import wistel.core.sheet.WrapBody;
import wistel.server.docket.DocketAssessment;

/**
 * The page that lies on the workbench while a print is wrapped: its flat print drawn with lengths, and what to do one after the other. A4,
 * upright.
 */
final class WrapInstructions {
    private static final float MARGIN = 56;
    private static final float TITLE = 20;
    private static final float TEXT = 10.5f;
    private static final float LINE = 14.5f;
    private static final float DRAWING = 290;
    private static final float SMALL = 8;
    private static final float HAIRLINE = 0.6f;
    private static final float AFTER_DIMENSIONS = 26;

    private final PDDocument document;
    private final PDFont font;
    private PDPageContentStream out;
    private float y;

    private WrapInstructions(PDDocument document, PDFont font) {
        this.document = document;
        this.font = font;
    }

    /** @param picture of the first piece with its sides, PNG */
    static byte[] pdf(DocketAssessment judged, byte[] picture) throws IOException {
        DocketSpec d = judged.row().spec();
        Wrap wrap = d.wrap().plan();
        try (PDDocument document = new PDDocument();
            InputStream face = LayoutRenderer.class.getResourceAsStream("/fonts/archivo-regular.ttf")) {
            document.getDocumentInformation().setTitle(d.title() + ", how it is wrapped");
            WrapInstructions page = new WrapInstructions(document, PDType0Font.load(document, face, true));
            page.begin();
            page.text(d.title(), TITLE, 0);
            page.y -= TITLE * 0.5f;
            page.text("Docket " + judged.row().number() + " · "
                + judged.facts().pairing().map(PairingVersion::paper).orElse("no paper chosen yet") + " · " + sizes(wrap), TEXT, 0);
            page.y -= LINE;
            page.drawing(wrap, judged, picture);
            page.list("Sizes", lengths(wrap), false);
            page.list("One after the other", steps(wrap), true);
            page.out.close();
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            document.save(bytes);
            return bytes.toByteArray();
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

    private static List<String> steps(Wrap wrap) {
        WrapBody b = wrap.body();
        boolean bars = b.support().kind() == WrapBody.Kind.BARS;
        List<String> steps = new ArrayList<>();
        steps.add(bars ? "Let the print dry for a day. Varnish it now, if it is to be varnished." : "Let the print dry for a day.");
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

    private void begin() throws IOException {
        PDPage page = new PDPage(PDRectangle.A4);
        document.addPage(page);
        out = new PDPageContentStream(document, page);
        y = PDRectangle.A4.getHeight() - MARGIN;
    }

    private void list(String head, List<String> lines, boolean numbered) throws IOException {
        y -= LINE * 0.4f;
        text(head, TEXT + 2, 0);
        y -= 3;
        for (int i = 0; i < lines.size(); i++) {
            if (numbered) {
                write(i + 1 + ".", MARGIN, y - TEXT, TEXT);
            }
            text(lines.get(i), TEXT, numbered ? 18 : 0);
        }
    }

    /** Wrapped to the page's width; a new page where this one is full. */
    private void text(String words, float size, float indent) throws IOException {
        StringBuilder line = new StringBuilder();
        float width = PDRectangle.A4.getWidth() - 2 * MARGIN - indent;
        for (String word : shown(words).split(" ")) {
            if (!line.isEmpty() && width(line + " " + word, size) > width) {
                line(line.toString(), size, indent);
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : " ").append(word);
        }
        line(line.toString(), size, indent);
    }

    private void line(String words, float size, float indent) throws IOException {
        if (y - LINE < MARGIN) {
            out.close();
            begin();
        }
        write(words, MARGIN + indent, y - size, size);
        y -= Math.max(LINE, size * 1.2f);
    }

    private void write(String words, float x, float at, float size) throws IOException {
        out.beginText();
        out.setFont(font, size);
        out.newLineAtOffset(x, at);
        out.showText(words);
        out.endText();
    }

    private float width(String words, float size) throws IOException {
        return font.getStringWidth(words) / 1000 * size;
    }

    /** A title may have characters that the typeface hasn't. */
    private String shown(String words) {
        StringBuilder kept = new StringBuilder();
        words.codePoints().filter(c -> !Character.isISOControl(c)).forEach(c -> {
            String one = Character.toString(c);
            try {
                font.encode(one);
                kept.append(one);
            } catch (IllegalArgumentException | IOException e) {
                kept.append('?');
            }
        });
        return kept.toString();
    }

    /** The flat print to scale: picture, folds, cut, corners, lengths. */
    private void drawing(Wrap wrap, DocketAssessment judged, byte[] picture) throws IOException {
        Wrap.Lines lines = wrap.lines(judged.layout());
        Rect flat = lines.flatMm();
        Rect grown = judged.layout().placed().get(0).printedMm();
        float width = PDRectangle.A4.getWidth() - 2 * MARGIN - 2 * AFTER_DIMENSIONS;
        float scale = (float) Math.min(width / flat.width(), DRAWING / flat.height());
        float left = MARGIN + AFTER_DIMENSIONS + (width - (float) flat.width() * scale) / 2;
        float top = y - AFTER_DIMENSIONS;
        Sheet sheet = new Sheet(left, top, scale, flat);
        PDImageXObject image = PDImageXObject.createFromByteArray(document, picture, "print");
        out.drawImage(image, sheet.x(grown.x()), sheet.y(grown.bottom()), (float) grown.width() * scale, (float) grown.height() * scale);
        out.setLineWidth(HAIRLINE);
        out.setStrokingColor(Color.BLACK);
        rectangle(sheet, flat, new float[0]);
        rectangle(sheet, lines.faceMm(), new float[] {5, 3});
        rectangle(sheet, lines.backMm(), new float[] {2, 2});
        for (Mark mark : judged.layout().pages().get(0).marks()) {
            if (mark instanceof Mark.Line l) {
                stroke(sheet, l.fromX(), l.fromY(), l.toX(), l.toY());
            }
        }
        out.setLineDashPattern(new float[0], 0);
        centred(mm(flat.width()) + " mm", sheet.x((flat.x() + flat.right()) / 2), top + 6);
        centred("face " + mm(wrap.body().faceWidthMm()) + " mm", sheet.x((flat.x() + flat.right()) / 2), sheet.y(flat.bottom()) - 12);
        upright(mm(flat.height()) + " mm", left - 6, sheet.y((flat.y() + flat.bottom()) / 2));
        upright("face " + mm(wrap.body().faceHeightMm()) + " mm", left + (float) flat.width() * scale + 12,
            sheet.y((flat.y() + flat.bottom()) / 2));
        y = sheet.y(flat.bottom()) - AFTER_DIMENSIONS;
        text("Long dashes: front edges. Dots: back edges. Outer line: cut.", SMALL, 0);
    }

    /** From the page of a layout to points of the drawing. */
    private record Sheet(float left, float top, float scale, Rect flat) {
        float x(double mm) {
            return left + (float) (mm - flat.x()) * scale;
        }

        float y(double mm) {
            return top - (float) (mm - flat.y()) * scale;
        }
    }

    private void rectangle(Sheet sheet, Rect r, float[] dashes) throws IOException {
        out.setLineDashPattern(dashes, 0);
        out.addRect(sheet.x(r.x()), sheet.y(r.bottom()), (float) r.width() * sheet.scale, (float) r.height() * sheet.scale);
        out.stroke();
    }

    private void stroke(Sheet sheet, double fromX, double fromY, double toX, double toY) throws IOException {
        out.setLineDashPattern(new float[0], 0);
        out.moveTo(sheet.x(fromX), sheet.y(fromY));
        out.lineTo(sheet.x(toX), sheet.y(toY));
        out.stroke();
    }

    private void centred(String words, float x, float at) throws IOException {
        write(words, x - width(words, SMALL) / 2, at, SMALL);
    }

    private void upright(String words, float x, float at) throws IOException {
        out.beginText();
        out.setFont(font, SMALL);
        out.setTextMatrix(Matrix.getRotateInstance(Math.PI / 2, x, at - width(words, SMALL) / 2));
        out.showText(words);
        out.endText();
    }
}
