package wistel.core.render;

import java.io.IOException;
import java.io.OutputStream;
import java.util.Arrays;
import java.util.List;
import wistel.core.fault.InvalidRequest;
import wistel.core.paper.SheetSize;
import wistel.core.sheet.PageRaster;

/** Lays device-colour patches out on a sheet, edge to edge in rows, and knows where each lies. */
public record ChartSheet(SheetSize sheet, double marginMm, double patchMm, List<double[]> patches) {

    /** @throws InvalidRequest when they don't fit the sheet */
    public ChartSheet {
        int columns = (int) ((sheet.widthMm() - 2 * marginMm) / patchMm);
        int rows = (int) ((sheet.heightMm() - 2 * marginMm) / patchMm);
        if (columns * rows < patches.size()) {
            throw new InvalidRequest(InvalidRequest.Reason.CHART_TOO_LARGE,
                patches.size() + " patches of " + patchMm + " mm don't fit " + sheet.name() + ".",
                "Take a larger sheet or smaller patches.");
        }
    }

    private int columns() {
        return (int) ((sheet.widthMm() - 2 * marginMm) / patchMm);
    }

    /** Centre of a patch, in mm from the sheet's upper left corner as it feeds. */
    public double[] centreMm(int patch) {
        return new double[] {marginMm + (patch % columns() + 0.5) * patchMm, marginMm + (patch / columns() + 0.5) * patchMm};
    }

    /** The chart as a print file in the printer's own space. */
    public void write(OutputStream out, int dpi, String mediaType, int quality) throws IOException {
        int width = PageRaster.pixels(sheet.widthMm(), dpi);
        int height = PageRaster.pixels(sheet.heightMm(), dpi);
        PwgRaster.Writer writer = new PwgRaster.Writer(out, new PwgRaster.Page(width, height, dpi, 16, PwgRaster.Space.DEVICE3,
            PwgRaster.points(sheet.widthMm()), PwgRaster.points(sheet.heightMm()), sheet.ippName(), mediaType, quality, 1));
        char[] row = new char[3 * width];
        for (int y = 0; y < height; y++) {
            Arrays.fill(row, (char) 65535);
            int line = (int) Math.floor((y * 25.4 / dpi - marginMm) / patchMm);
            for (int x = 0; line >= 0 && x < width; x++) {
                int column = (int) Math.floor((x * 25.4 / dpi - marginMm) / patchMm);
                int patch = line * columns() + column;
                if (column >= 0 && column < columns() && patch < patches.size()) {
                    for (int c = 0; c < 3; c++) {
                        row[3 * x + c] = (char) Math.round(patches.get(patch)[c] * 65535);
                    }
                }
            }
            writer.row(row);
        }
        writer.finish();
    }
}
