package wistel.core.render;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.util.List;
import wistel.core.length.Length;
import wistel.core.pictures.Orientation;
import wistel.core.sheet.Mark;
import wistel.core.sheet.Page;
import wistel.core.sheet.PageRaster;
import wistel.core.sheet.Rect;

/** The marks of a page as shapes in the raster's pixels, drawn over bands of it with smooth edges. */
final class MarkLayer {
    private static final double POINT_MM = Length.MM_PER_INCH / 72;

    private final List<Drawn> drawn;

    private static final int[] BLACK = {0};
    private static final int[] BARE = {65535};

    /** @param codes of each channel, or one for all */
    private record Drawn(Shape shape, int[] codes) {
        private int code(int channel) {
            return codes.length == 1 ? codes[0] : codes[channel];
        }
    }

    MarkLayer(Page page, PageRaster raster) {
        double perMm = raster.dpi() / Length.MM_PER_INCH;
        AffineTransform toRaster = AffineTransform.getScaleInstance(perMm / raster.scale().across(), perMm / raster.scale().along());
        toRaster.concatenate(turn(page));
        drawn = page.marks().stream().filter(m -> !(m instanceof Mark.Stamp))
            .map(m -> new Drawn(toRaster.createTransformedShape(shape(m)), codes(m))).toList();
    }

    private static int[] codes(Mark mark) {
        return mark instanceof Mark.ControlPatch patch ? patch.codes().stream().mapToInt(Integer::intValue).toArray()
            : mark instanceof Mark.Bare ? BARE : BLACK;
    }

    /** From the page as it is looked at to the page as it feeds. */
    private static AffineTransform turn(Page page) {
        Orientation.Box origin = shown(page, 0, 0);
        Orientation.Box right = shown(page, 1, 0);
        Orientation.Box below = shown(page, 0, 1);
        return new AffineTransform(Math.rint(right.x() - origin.x()), Math.rint(right.y() - origin.y()), Math.rint(below.x() - origin.x()),
            Math.rint(below.y() - origin.y()),
            origin.x(), origin.y());
    }

    private static Orientation.Box shown(Page page, double x, double y) {
        return page.feedTurn().shown(new Orientation.Box(x, y, 0, 0), page.widthMm(), page.heightMm());
    }

    private static Shape shape(Mark mark) {
        if (mark instanceof Mark.Line line) {
            return new BasicStroke((float) line.widthMm(), BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER)
                .createStrokedShape(new Line2D.Double(line.fromX(), line.fromY(), line.toX(), line.toY()));
        }
        if (mark instanceof Mark.Bare || mark instanceof Mark.ControlPatch) {
            Rect at = mark.extentMm();
            return new Rectangle2D.Double(at.x(), at.y(), at.width(), at.height());
        }
        Mark.Text text = (Mark.Text) mark;
        AffineTransform place = AffineTransform.getTranslateInstance(text.x(), text.y());
        place.rotate(Math.toRadians(text.turnDegrees()));
        place.scale(text.sizePt() * POINT_MM, text.sizePt() * POINT_MM);
        double width = Typeface.width(text.words());
        place.translate(switch (text.anchor()) {
            case START -> 0;
            case MIDDLE -> -width / 2;
            case END -> -width;
        }, 0);
        return place.createTransformedShape(Typeface.outline(text.words()));
    }

    /** @param band interleaved rows of the raster from row {@code top} on */
    void draw(char[] band, int width, int top, int rows, int channels) {
        for (Drawn mark : drawn) {
            Rectangle at = mark.shape.getBounds();
            at.grow(1, 1);
            at = at.intersection(new Rectangle(0, top, width, rows));
            if (!at.isEmpty()) {
                draw(mark, at, band, width, top, channels);
            }
        }
    }

    private static void draw(Drawn mark, Rectangle at, char[] band, int width, int top, int channels) {
        BufferedImage ink = new BufferedImage(at.width, at.height, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = ink.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        g.translate(-at.x, -at.y);
        g.setColor(Color.WHITE);
        g.fill(mark.shape);
        g.dispose();
        byte[] cover = ((DataBufferByte) ink.getRaster().getDataBuffer()).getData();
        for (int y = 0; y < at.height; y++) {
            for (int x = 0; x < at.width; x++) {
                int left = 255 - (cover[y * at.width + x] & 0xFF);
                int to = ((at.y - top + y) * width + at.x + x) * channels;
                for (int c = 0; left < 255 && c < channels; c++) {
                    int code = mark.code(c);
                    band[to + c] = (char) (code + (band[to + c] - code) * left / 255);
                }
            }
        }
    }
}
