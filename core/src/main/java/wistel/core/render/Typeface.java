package wistel.core.render;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.text.Normalizer;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/** The typeface that Wistel prints with, as outlines. It ships with Wistel, so a text looks the same on every machine. */
final class Typeface {
    private static final TrueTypeFont FONT = load();
    private static final Kerning KERNING = kerning();

    private Typeface() {
    }

    private static TrueTypeFont load() {
        try (InputStream in = Typeface.class.getResourceAsStream("/fonts/archivo-regular.ttf")) {
            return new TTFParser().parse(new RandomAccessReadBuffer(in.readAllBytes()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Its width, in sizes. */
    static double width(String words) {
        try {
            int[] glyphs = glyphs(words);
            double width = 0;
            for (int i = 0; i < glyphs.length; i++) {
                width += advance(glyphs, i);
            }
            return width / FONT.getUnitsPerEm();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static int advance(int[] glyphs, int i) throws IOException {
        return FONT.getAdvanceWidth(glyphs[i]) + (i + 1 < glyphs.length ? KERNING.between(glyphs[i], glyphs[i + 1]) : 0);
    }

    private static Kerning kerning() {
        try {
            var table = FONT.getTableMap().get("GPOS");
            return new Kerning(table == null ? new byte[0] : FONT.getTableBytes(table));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Accents that were written apart are joined to their letters where the typeface has both in one. */
    private static int[] glyphs(String words) throws IOException {
        CmapLookup lookup = FONT.getUnicodeCmapLookup();
        return Normalizer.normalize(words, Normalizer.Form.NFC).codePoints().map(lookup::getGlyphId).toArray();
    }

    /**
     * A line of text from the origin to the right, y downwards, one unit a size. Characters that the typeface lacks are drawn as its empty
     * box.
     */
    static synchronized Shape outline(String words) {
        try {
            double unit = 1.0 / FONT.getUnitsPerEm();
            Path2D line = new Path2D.Double();
            double x = 0;
            int[] glyphs = glyphs(words);
            for (int i = 0; i < glyphs.length; i++) {
                int glyph = glyphs[i];
                var data = FONT.getGlyph().getGlyph(glyph);
                if (data != null) {
                    line.append(data.getPath().getPathIterator(new AffineTransform(unit, 0, 0, -unit, x, 0)), false);
                }
                x += advance(glyphs, i) * unit;
            }
            return line;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
