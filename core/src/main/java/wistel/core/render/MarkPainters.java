package wistel.core.render;

import com.github.weisj.jsvg.SVGDocument;
import com.github.weisj.jsvg.parser.LoaderContext;
import com.github.weisj.jsvg.parser.SVGLoader;
import com.github.weisj.jsvg.view.FloatSize;
import com.github.weisj.jsvg.view.ViewBox;
import java.awt.Color;
import java.awt.Component;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.io.ByteArrayInputStream;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.transform.Transform;
import wistel.core.pictures.Orientation;

/** Marks of one's own that are drawn: SVG that was made safe, and lines of text in the typeface that Wistel prints with. */
public final class MarkPainters {
    /** Units across in which drawings are drawn: what they do by pixels is done finely. */
    private static final float UNITS = 2000;
    private static final int TRIED = 96;
    private static final double WIDEST = 100;

    private MarkPainters() {
    }

    /**
     * @param svg     as {@link SafeSvg} gives it
     * @param fromRgb sRGB to WORKING
     * @throws InvalidRequest when it can't be drawn, or shows nothing
     */
    public static StampArt.Painted drawing(byte[] svg, Transform fromRgb) {
        SVGDocument document = new SVGLoader().load(new ByteArrayInputStream(svg), null, LoaderContext.createDefault());
        if (document == null) {
            throw unfit("This drawing can't be drawn.");
        }
        FloatSize size = document.size();
        double aspect = size.width / size.height;
        if (!(aspect >= 1 / WIDEST && aspect <= WIDEST)) {
            throw unfit("This drawing doesn't say how large it is.");
        }
        ViewBox box = new ViewBox(0, 0, UNITS, (float) (UNITS / aspect));
        StampArt.Painted art = new StampArt.Painted(g -> {
            g.scale(1 / UNITS, 1 / UNITS);
            document.render((Component) null, g, box);
        }, aspect, fromRgb);
        if (shows(art)) {
            return art;
        }
        throw unfit("This drawing shows nothing.");
    }

    private static boolean shows(StampArt.Painted art) {
        try {
            int high = (int) Math.max(1, Math.round(TRIED / Math.max(1 / WIDEST, art.aspect())));
            for (float share : art.rows(Orientation.UPRIGHT, new int[] {TRIED, Math.min(high, 20 * TRIED)}, 0, Math.min(high, 20 * TRIED))
                .share()) {
                if (share > 0) {
                    return true;
                }
            }
            return false;
        } catch (RuntimeException | StackOverflowError e) {
            return false;
        }
    }

    /** @throws InvalidRequest when nothing of it can be written in the typeface */
    public static StampArt.Painted words(String words, Transform fromRgb) {
        Shape outline = Typeface.outline(words);
        Rectangle2D bounds = outline.getBounds2D();
        if (bounds.isEmpty()) {
            throw unfit("This text has no letters that can be drawn.");
        }
        AffineTransform fitted = AffineTransform.getScaleInstance(1 / bounds.getWidth(), 1 / bounds.getWidth());
        fitted.translate(-bounds.getX(), -bounds.getY());
        Shape unit = fitted.createTransformedShape(outline);
        return new StampArt.Painted(g -> {
            g.setColor(Color.BLACK);
            g.fill(unit);
        }, bounds.getWidth() / bounds.getHeight(), fromRgb);
    }

    private static InvalidRequest unfit(String what) {
        return new InvalidRequest(InvalidRequest.Reason.DRAWING_UNFIT, what, "Look at it in another program, and export it anew.");
    }
}
