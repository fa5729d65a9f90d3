package wistel.core.render;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.channels.SeekableByteChannel;
import java.util.Arrays;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.transform.Transform;
import wistel.core.length.Length;
import wistel.core.picture.Crop;
import wistel.core.picture.Orientation;
import wistel.core.picture.PixelSource;
import wistel.core.picture.Progress;
import wistel.core.picture.Resampler;
import wistel.core.picture.SpooledPixels;
import wistel.core.sheet.Placement;

/**
 * Makes the print-ready page: the picture resampled once to the printer's resolution, colour converted, set on white paper, row by row.
 * A sheet that lies across is turned a quarter to the right, as it feeds.
 */
public final class PrintRaster {
    /**
     * @param pixels     the picture upright
     * @param profile    what its numbers mean
     * @param conversion picture space to the space of the print file; its output has three channels
     * @param resamplePpi when above 0, the picture is first brought to this resolution, as the docket decided
     */
    public record Job(PixelSource pixels, IccProfile profile, Transform conversion, Placement placement, int dpi, PwgRaster.Space space,
                      String sizeName, String mediaType, int quality, int copies, int resamplePpi) {
    }

    /** Opens an empty place for an intermediate picture. */
    @FunctionalInterface
    public interface Scratch {
        SeekableByteChannel open() throws IOException;
    }

    private PrintRaster() {
    }

    /** @param progress may stop the work by throwing; nothing more is written then */
    public static void write(Job job, OutputStream out, Scratch scratch, Progress progress) throws IOException {
        try {
            if (job.resamplePpi == 0) {
                compose(job, out, progress);
                return;
            }
            Placement p = job.placement;
            int w = Math.max(1, pixels(p.width(), job.resamplePpi));
            int h = Math.max(1, pixels(p.height(), job.resamplePpi));
            try (SeekableByteChannel channel = scratch.open()) {
                PixelSource first = SpooledPixels.resampled(job.pixels, p.crop(), w, h, PictureLight.of(job.profile), channel, progress.part(0, 0.5));
                Placement whole = new Placement(p.sheetWidthMm(), p.sheetHeightMm(), p.across(), p.margins(), p.x(), p.y(), p.width(), p.height(),
                    Crop.whole(first), p.lostShare(), job.resamplePpi);
                compose(new Job(first, job.profile, job.conversion, whole, job.dpi, job.space, job.sizeName, job.mediaType, job.quality, job.copies, 0),
                    out, progress.part(0.5, 1));
            }
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    private static void compose(Job job, OutputStream out, Progress progress) throws IOException {
        Placement p = job.placement;
        boolean turn = p.across();
        double pageW = turn ? p.sheetHeightMm() : p.sheetWidthMm();
        double pageH = turn ? p.sheetWidthMm() : p.sheetHeightMm();
        double left = turn ? p.sheetHeightMm() - p.y() - p.height() : p.x();
        double top = turn ? p.x() : p.y();
        int width = pixels(pageW, job.dpi);
        int height = pixels(pageH, job.dpi);
        int x = Math.max(0, pixels(left, job.dpi));
        int y = Math.max(0, pixels(top, job.dpi));
        int w = Math.min(width - x, pixels(turn ? p.height() : p.width(), job.dpi));
        int h = Math.min(height - y, pixels(turn ? p.width() : p.height(), job.dpi));
        PixelSource source = turn ? job.pixels.oriented(Orientation.QUARTER_RIGHT) : job.pixels;
        Crop crop = turn ? turned(p.crop(), job.pixels.height()) : p.crop();

        PwgRaster.Writer writer = new PwgRaster.Writer(out, new PwgRaster.Page(width, height, job.dpi, 16, job.space,
            points(pageW), points(pageH), job.sizeName, job.mediaType, job.quality, job.copies));
        char[] row = new char[3 * width];
        Arrays.fill(row, (char) 65535);
        for (int i = 0; i < y; i++) {
            writer.row(row);
        }
        char[] page = row.clone();
        new Resampler(source, crop, w, h, PictureLight.of(job.profile)).rows((line, samples) -> {
            job.conversion.apply(samples, 0, page, 3 * x, w);
            try {
                writer.row(page);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }, progress);
        for (int i = y + h; i < height; i++) {
            writer.row(row);
        }
        writer.finish();
    }

    private static Crop turned(Crop c, int pictureHeight) {
        return new Crop(Math.max(0, pictureHeight - c.y() - c.height()), c.x(), c.height(), c.width());
    }

    static int pixels(double mm, int dpi) {
        return (int) Math.round(mm / Length.MM_PER_INCH * dpi);
    }

    static int points(double mm) {
        return (int) Math.round(mm / Length.MM_PER_INCH * 72);
    }
}
