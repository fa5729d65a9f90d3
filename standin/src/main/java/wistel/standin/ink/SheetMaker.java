package wistel.standin.ink;

import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import wistel.core.colour.D50;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.stage.ClutGrid;
import wistel.core.pictures.LabScan;
import wistel.core.render.PwgRaster;

/** Lays one page down, row by row, and keeps what a scan of the dry sheet would show: light averaged over small squares, as L*a*b*. */
public final class SheetMaker {
    private static final int SCAN_DPI = 90;
    private static final Map<String, InkOnPaper> INKS = new ConcurrentHashMap<>();
    private static final Map<String, ClutGrid> DRIVERS = new ConcurrentHashMap<>();

    private final PwgRaster.Page page;
    private final InkOnPaper ink;
    private final ClutGrid driver;
    private final int block;
    private final int columns;
    private final char[] pixels;
    private final double[] sums;
    private final int[] counts;
    private int row;

    public SheetMaker(PwgRaster.Page page, Paper paper, String mediaType, int quality) {
        this.page = page;
        this.ink = INKS.computeIfAbsent(paper + mediaType + quality, k -> new InkOnPaper(paper, mediaType, quality));
        Paper meant = Paper.ofMediaType(mediaType).orElse(paper);
        this.driver = page.space() == PwgRaster.Space.DEVICE3 ? null
            : DRIVERS.computeIfAbsent(meant + "" + quality, k -> DriverColour.forPaper(meant, quality));
        this.block = Math.max(1, Math.round((float) page.dpi() / SCAN_DPI));
        this.columns = page.width() / block;
        this.pixels = new char[3 * columns * (page.height() / block)];
        this.sums = new double[3 * columns];
        this.counts = new int[columns];
    }

    /** The next row of the page, in its own space. Every second dot in both directions is laid and measured. */
    public void row(char[] samples) {
        int line = row / block;
        if ((row & 1) == 0 && line < page.height() / block) {
            int n = page.space().channels();
            double[] rgb = new double[3];
            double[] lab = new double[3];
            double[] xyz = new double[3];
            long last = -1;
            for (int x = 0; x < columns * block; x += 2) {
                long key = 0;
                for (int c = 0; c < n; c++) {
                    key = key << 16 | samples[x * n + c];
                }
                if (key != last) {
                    last = key;
                    driverRgb(samples, x * n, rgb);
                    ink.lab(rgb, lab);
                    D50.labToXyz(lab, xyz);
                }
                int column = x / block;
                sums[3 * column] += xyz[0];
                sums[3 * column + 1] += xyz[1];
                sums[3 * column + 2] += xyz[2];
                counts[column]++;
            }
        }
        row++;
        if (row % block == 0 && line < page.height() / block) {
            finishLine(line);
        }
    }

    private void driverRgb(char[] samples, int at, double[] rgb) {
        for (int c = 0; c < 3; c++) {
            rgb[c] = switch (page.space()) {
                case SRGB, DEVICE3 -> samples[at + c] / 65535.0;
                case SGRAY -> samples[at] / 65535.0;
                case BLACK -> 1 - samples[at] / 65535.0;
                case CMYK -> (1 - samples[at + c] / 65535.0) * (1 - samples[at + 3] / 65535.0);
            };
        }
        if (driver != null) {
            driver.at(rgb, rgb);
        }
    }

    private void finishLine(int line) {
        double[] lab = new double[3];
        for (int x = 0; x < columns; x++) {
            double n = Math.max(1, counts[x]);
            double[] xyz = {sums[3 * x] / n, sums[3 * x + 1] / n, sums[3 * x + 2] / n};
            D50.xyzToLab(xyz, lab);
            int to = 3 * (line * columns + x);
            pixels[to] = LabEncoding.V4.ofL(lab[0]);
            pixels[to + 1] = LabEncoding.V4.ofAb(lab[1]);
            pixels[to + 2] = LabEncoding.V4.ofAb(lab[2]);
        }
        Arrays.fill(sums, 0);
        Arrays.fill(counts, 0);
    }

    public LabScan scan() {
        return new LabScan(columns, page.height() / block, (double) page.dpi() / block, pixels);
    }
}
