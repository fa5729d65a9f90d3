package wistel.server.workbench;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.util.Matrix;
import wistel.core.render.LayoutRenderer;
import wistel.core.sheet.Rect;

/** Pages that lie on the workbench: text from above, lists, and drawings to scale. A4, upright, where nothing else is said; lengths in points. */
public final class WorkbenchPdf implements AutoCloseable {
    public static final float MARGIN = 56;
    private static final float TITLE = 20;
    private static final float TEXT = 10.5f;
    private static final float LINE = 14.5f;
    public static final float SMALL = 8;
    public static final float WIDTH = PDRectangle.A4.getWidth() - 2 * MARGIN;
    private static final float HAIRLINE = 0.6f;
    /** In a millimetre. */
    public static final float POINTS = 72 / 25.4f;

    private final PDDocument document = new PDDocument();
    private final PDFont font;
    private final PDRectangle size;
    private PDPageContentStream out;
    private float y;

    public WorkbenchPdf(String title) throws IOException {
        this(title, PDRectangle.A4);
    }

    /** Of another size than A4. */
    public WorkbenchPdf(String title, double widthMm, double heightMm) throws IOException {
        this(title, new PDRectangle((float) widthMm * POINTS, (float) heightMm * POINTS));
    }

    private WorkbenchPdf(String title, PDRectangle size) throws IOException {
        this.size = size;
        document.getDocumentInformation().setTitle(title);
        try (InputStream face = LayoutRenderer.class.getResourceAsStream("/fonts/archivo-regular.ttf")) {
            font = PDType0Font.load(document, face, true);
        }
        begin();
    }

    private void begin() throws IOException {
        PDPage page = new PDPage(size);
        document.addPage(page);
        out = new PDPageContentStream(document, page);
        out.setLineWidth(HAIRLINE);
        y = size.getHeight() - MARGIN;
    }

    public void newPage() throws IOException {
        out.close();
        begin();
    }

    /** All of a page, in millimetres from its upper left corner. */
    public Place page() {
        return new Place(0, size.getHeight(), POINTS, new Rect(0, 0, size.getWidth() / POINTS, size.getHeight() / POINTS));
    }

    /** Where the next line stands, in millimetres from above. */
    public double topMm() {
        return (size.getHeight() - y) / POINTS;
    }

    /** Somewhere, as much of it as a width holds. */
    public void at(String words, float x, float at, float size, float most) throws IOException {
        write(held(words, size, most), x, at, size);
    }

    /** Where the next line stands, from below. */
    public float y() {
        return y;
    }

    /** Goes on to a new page where this one hasn't so much left. */
    public void room(float height) throws IOException {
        if (y - height < MARGIN) {
            out.close();
            begin();
        }
    }

    public void skip(float height) {
        y -= height;
    }

    /** What it is about, and a line on it. */
    public void heading(String title, String below) throws IOException {
        text(title, TITLE, 0);
        skip(TITLE * 0.5f);
        text(below, TEXT, 0);
        skip(LINE);
    }

    public void list(String head, List<String> lines, boolean numbered) throws IOException {
        y -= LINE * 0.4f;
        text(head, TEXT + 2, 0);
        y -= 3;
        for (int i = 0; i < lines.size(); i++) {
            room(LINE);
            if (numbered) {
                write(i + 1 + ".", MARGIN, y - TEXT, TEXT);
            }
            text(lines.get(i), TEXT, numbered ? 18 : 0);
        }
    }

    /** Wrapped to the page's width; a new page where this one is full. */
    public void text(String words, float size, float indent) throws IOException {
        StringBuilder line = new StringBuilder();
        float width = WIDTH - indent;
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
        room(LINE);
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

    /**
     * A drawing's place on the page: millimetres to points.
     *
     * @param left, top of what lies at {@code from}
     * @param scale     points for a millimetre
     */
    public record Place(float left, float top, float scale, Rect from) {
        public float x(double mm) {
            return left + (float) (mm - from.x()) * scale;
        }

        public float y(double mm) {
            return top - (float) (mm - from.y()) * scale;
        }
    }

    public void image(Place place, Rect at, byte[] png) throws IOException {
        PDImageXObject image = PDImageXObject.createFromByteArray(document, png, "picture");
        out.drawImage(image, place.x(at.x()), place.y(at.bottom()), (float) at.width() * place.scale, (float) at.height() * place.scale);
    }

    /** @param dashes lengths in points; none for a solid line */
    public void rectangle(Place place, Rect r, float... dashes) throws IOException {
        out.setLineDashPattern(dashes, 0);
        out.addRect(place.x(r.x()), place.y(r.bottom()), (float) r.width() * place.scale, (float) r.height() * place.scale);
        out.stroke();
    }

    public void line(Place place, double[] fromTo, float... dashes) throws IOException {
        out.setLineDashPattern(dashes, 0);
        out.moveTo(place.x(fromTo[0]), place.y(fromTo[1]));
        out.lineTo(place.x(fromTo[2]), place.y(fromTo[3]));
        out.stroke();
    }

    /** About a point, small. */
    public void centred(String words, float x, float at) throws IOException {
        centred(words, x, at, Float.MAX_VALUE);
    }

    /** The same, as much of it as a width holds. */
    public void centred(String words, float x, float at, float most) throws IOException {
        String kept = held(words, SMALL, most);
        write(kept, x - width(kept, SMALL) / 2, at, SMALL);
    }

    /** What a width holds of it. */
    private String held(String words, float size, float most) throws IOException {
        String kept = shown(words);
        while (kept.length() > 1 && width(kept, size) > most) {
            kept = kept.substring(0, kept.offsetByCodePoints(kept.length(), -1));
        }
        return kept;
    }

    /** Read from the right. */
    public void upright(String words, float x, float at) throws IOException {
        out.beginText();
        out.setFont(font, SMALL);
        out.setTextMatrix(Matrix.getRotateInstance(Math.PI / 2, x, at - width(words, SMALL) / 2));
        out.showText(words);
        out.endText();
    }

    public byte[] bytes() throws IOException {
        out.close();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        document.save(bytes);
        return bytes.toByteArray();
    }

    @Override
    public void close() throws IOException {
        document.close();
    }
}
