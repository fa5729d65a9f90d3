package wistel.standin.room;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import javax.imageio.stream.FileImageInputStream;
import wistel.core.paper.SheetSize;
import wistel.core.pictures.Histogram;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.PictureFile;
import wistel.core.pictures.View;
import wistel.core.render.PwgRaster;

/** A JPEG document as a page: fitted to the middle of the sheet, at the scan's resolution, row by row. */
final class JpegPage {
    private static final int DPI = 90;

    private final PwgRaster.Page page;
    private final View view;
    private final int top;
    private final int left;
    private int y;

    JpegPage(PrintJob job, SheetSize size) {
        int w = (int) Math.round(size.widthMm() / 25.4 * DPI);
        int h = (int) Math.round(size.heightMm() / 25.4 * DPI);
        page = new PwgRaster.Page(w, h, DPI, 8, PwgRaster.Space.SRGB, 0, 0, size.ippName(), job.ticket().mediaType(),
            job.ticket().quality(), 1);
        PictureFile file = PictureFile.open(() -> {
            try {
                return new FileImageInputStream(job.document.toFile());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        view = View.fitting(file.rows(), Math.min(w, h), LightCurve.GAMMA_22, new Histogram.Counter(file.facts().channels()),
            Runnable::run);
        top = (h - view.height()) / 2;
        left = (w - view.width()) / 2;
    }

    PwgRaster.Page page() {
        return page;
    }

    /** The next row, white where the picture doesn't reach. */
    void row(char[] samples) {
        Arrays.fill(samples, (char) 65535);
        int line = y++ - top;
        for (int x = 0; line >= 0 && line < view.height() && x < view.width(); x++) {
            for (int c = 0; c < 3; c++) {
                samples[3 * (left + x) + c] = view.pixels()[(line * view.width() + x) * view.channels() + Math.min(c, view.channels() - 1)];
            }
        }
    }
}
