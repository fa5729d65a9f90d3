package wistel.core.pictures;

import java.awt.image.ColorModel;
import java.awt.image.IndexColorModel;

/** Decoded samples of one row, whatever their depth, alpha or palette, as 16-bit gray or RGB. Transparent parts show the paper. */
final class RowSamples {
    private final int width;
    private final int channels;
    private final int bands;
    private final boolean alpha;
    private final int top;
    private final char[] widened;
    private final IndexColorModel palette;
    private final char[] out;

    RowSamples(int width, int channels, ColorModel model, int bands) {
        this.width = width;
        this.channels = channels;
        this.bands = bands;
        this.alpha = model.hasAlpha() && bands > channels;
        this.top = (1 << model.getComponentSize(0)) - 1;
        this.palette = model instanceof IndexColorModel index ? index : null;
        this.widened = new char[top + 1];
        for (int v = 0; v <= top; v++) {
            widened[v] = (char) ((v * 65535L + top / 2) / top);
        }
        this.out = new char[width * channels];
    }

    /** The same array at every call. */
    char[] ofBytes(byte[] row) {
        if (alpha || bands != channels || top != 255) {
            int[] wide = new int[width * bands];
            for (int i = 0; i < wide.length; i++) {
                wide[i] = row[i] & 0xFF;
            }
            return of(wide);
        }
        for (int i = 0; i < out.length; i++) {
            out[i] = (char) ((row[i] & 0xFF) * 257);
        }
        return out;
    }

    /** The same array at every call. */
    char[] of(int[] row) {
        int to = 0;
        for (int x = 0; x < width; x++) {
            if (palette != null) {
                int argb = palette.getRGB(row[x]);
                for (int c = 0; c < channels; c++) {
                    out[to++] = (char) overPaper((argb >> (16 - 8 * c) & 0xFF) * 257, (argb >>> 24) * 257);
                }
                continue;
            }
            for (int c = 0; c < channels; c++) {
                char v = widened[row[x * bands + Math.min(c, bands - 1)]];
                out[to++] = alpha ? (char) overPaper(v, widened[row[x * bands + bands - 1]]) : v;
            }
        }
        return out;
    }

    private static long overPaper(long value, long opaque) {
        return (value * opaque + 65535L * (65535 - opaque)) / 65535;
    }
}
