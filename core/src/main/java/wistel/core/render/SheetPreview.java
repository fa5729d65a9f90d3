package wistel.core.render;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.function.UnaryOperator;
import wistel.core.length.Length;
import wistel.core.length.Margins;
import wistel.core.pictures.View;
import wistel.core.progress.Progress;
import wistel.core.sheet.Page;

/**
 * A page as it comes out of the printer, as measured L*a*b*: its raster at a low resolution, enlarged over the edges, on paper, edges that
 * can't be printed left bare.
 */
public final class SheetPreview {
    private SheetPreview() {
    }

    /**
     * @param job      of the page, at the preview's resolution
     * @param channels of the raster
     * @param toLab    from the raster's 16-bit codes to 16-bit codes of measured L*a*b*, white to the paper's own
     * @return upright, as the page is looked at
     */
    public static View of(LayoutRenderer renderer, LayoutRenderer.Job job, int channels, UnaryOperator<char[]> toLab) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        renderer.render(job, new SampleSink(channels, 16, false), out, Progress.SILENT);
        byte[] bytes = out.toByteArray();
        char[] samples = new char[bytes.length / 2];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (char) ((bytes[2 * i] & 0xFF) << 8 | bytes[2 * i + 1] & 0xFF);
        }
        Page page = job.page();
        char[] paper = page.overMm() > 0 ? enlarged(samples, job, channels) : samples;
        View sheet = new View(job.width(), job.height(), 3, toLab.apply(paper)).oriented(page.feedTurn().inverse());
        char[] white = new char[channels];
        Arrays.fill(white, (char) 65535);
        bare(sheet, page.unprintable(), job.dpi() / Length.MM_PER_INCH, toLab.apply(white));
        return sheet;
    }

    /** The printer lays the raster down enlarged about the middle, and the paper keeps what falls on it. */
    private static char[] enlarged(char[] samples, LayoutRenderer.Job job, int channels) {
        int w = job.width();
        int h = job.height();
        double over = job.page().overMm();
        double across = w / (w + 2 * over / Length.MM_PER_INCH * job.dpi());
        double down = h / (h + 2 * over / Length.MM_PER_INCH * job.dpi());
        char[] out = new char[samples.length];
        for (int y = 0; y < h; y++) {
            int fromY = source(y, h, down);
            for (int x = 0; x < w; x++) {
                System.arraycopy(samples, (fromY * w + source(x, w, across)) * channels, out, (y * w + x) * channels, channels);
            }
        }
        return out;
    }

    private static int source(int place, int length, double scale) {
        return Math.max(0, Math.min(length - 1, (int) Math.floor(length / 2.0 + (place + 0.5 - length / 2.0) * scale)));
    }

    private static void bare(View sheet, Margins m, double perMm, char[] white) {
        int left = (int) Math.round(m.left() * perMm);
        int right = sheet.width() - (int) Math.round(m.right() * perMm);
        int top = (int) Math.round(m.top() * perMm);
        int bottom = sheet.height() - (int) Math.round(m.bottom() * perMm);
        for (int y = 0; y < sheet.height(); y++) {
            for (int x = 0; x < sheet.width(); x++) {
                if (x < left || x >= right || y < top || y >= bottom) {
                    System.arraycopy(white, 0, sheet.pixels(), 3 * (y * sheet.width() + x), 3);
                }
            }
        }
    }
}
