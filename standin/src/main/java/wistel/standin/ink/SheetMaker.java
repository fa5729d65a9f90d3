package wistel.standin.ink;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import wistel.core.colour.D50;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.stage.ClutGrid;
import wistel.core.pictures.LabScan;
import wistel.core.render.PwgRaster;

/** Lays one page down, row by row, and keeps what a scan of the dry sheet would show: light averaged over small squares, as L*a*b*. */
public final class SheetMaker {
    private static final int SCAN_DPI = 90;
    /** Ink is counted on every so many dots. */
    private static final int COUNTED = 16;
    private static final Map<List<Object>, InkOnPaper> INKS = new ConcurrentHashMap<>();
    private static final Map<List<Object>, ClutGrid> DRIVERS = new ConcurrentHashMap<>();

    private final PwgRaster.Page page;
    private final Paper paper;
    private final InkOnPaper ink;
    private final Optional<ClutGrid> driver;
    private final double[] edgesMm;
    private final double[] white = new double[3];
    private final int block;
    private final int step;
    private final int columns;
    private final char[] pixels;
    private final double[] sums;
    private final int[] counts;
    private final double[] cover = new double[Laying.INKS.size()];
    private final double[] covered = new double[Laying.INKS.size()];
    private long counted;
    private int row;

    /** @param edgesMm that stay white: leading, right, trailing, left */
    public SheetMaker(PwgRaster.Page page, Paper paper, Laying laying, double[] edgesMm) {
        this.page = page;
        this.paper = paper;
        this.edgesMm = edgesMm.clone();
        this.ink = INKS.computeIfAbsent(List.of(paper, laying), k -> new InkOnPaper(paper, laying));
        this.driver = laying.monochrome() ? Optional.empty()
            : space(page.space()).map(s -> DRIVERS.computeIfAbsent(List.of(laying.meant(), laying.quality(), page.space()),
                k -> DriverColour.forPaper(laying.meant(), laying.quality(), s)));
        this.block = Math.max(1, Math.round((float) page.dpi() / SCAN_DPI));
        this.step = block > 1 ? 2 : 1;
        this.columns = page.width() / block;
        this.pixels = new char[3 * columns * (page.height() / block)];
        this.sums = new double[3 * columns];
        this.counts = new int[columns];
        double[] lab = new double[3];
        ink.lab(new double[] {1, 1, 1}, lab);
        D50.labToXyz(lab, white);
    }

    /** Of pictures that the driver converts; its own colorants it leaves alone. */
    private static Optional<IccProfile> space(PwgRaster.Space space) {
        return switch (space) {
            case DEVICE3 -> Optional.empty();
            case OPRGB -> Optional.of(StandardSpaces.OPRGB);
            default -> Optional.of(StandardSpaces.SRGB);
        };
    }

    private int dots(double mm) {
        return (int) Math.round(mm / 25.4 * page.dpi());
    }

    /** Millilitres of each ink that the page took so far. */
    public double[] inkMl(double mlPerM2) {
        double area = page.width() * 25.4 / page.dpi() * page.height() * 25.4 / page.dpi() / 1e6;
        double[] ml = new double[covered.length];
        for (int i = 0; i < ml.length; i++) {
            ml[i] = counted == 0 ? 0 : covered[i] / counted * area * mlPerM2;
        }
        return ml;
    }

    /**
     * The next row of the page, in its own space. Every second dot in both directions is laid and measured, every one of a coarse raster.
     */
    public void row(char[] samples) {
        int line = row / block;
        if (row % step == 0 && line < page.height() / block) {
            int n = page.space().channels();
            double[] rgb = new double[3];
            double[] lab = new double[3];
            double[] xyz = new double[3];
            long last = -1;
            int left = dots(edgesMm[3]);
            int right = page.width() - dots(edgesMm[1]);
            boolean ends = row < dots(edgesMm[0]) || row >= page.height() - dots(edgesMm[2]);
            for (int x = 0; x < columns * block; x += step) {
                int column = x / block;
                if (ends || x < left || x >= right) {
                    sums[3 * column] += white[0];
                    sums[3 * column + 1] += white[1];
                    sums[3 * column + 2] += white[2];
                    counts[column]++;
                    counted += x % COUNTED == 0 ? 1 : 0;
                    continue;
                }
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
                if (x % COUNTED == 0) {
                    count(rgb);
                }
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

    private void count(double[] rgb) {
        ink.inks(rgb, cover);
        for (int i = 0; i < cover.length; i++) {
            covered[i] += cover[i];
        }
        counted++;
    }

    private void driverRgb(char[] samples, int at, double[] rgb) {
        for (int c = 0; c < 3; c++) {
            rgb[c] = switch (page.space()) {
                case SRGB, OPRGB, DEVICE3 -> samples[at + c] / 65535.0;
                case SGRAY -> samples[at] / 65535.0;
                case BLACK -> 1 - samples[at] / 65535.0;
                case CMYK -> (1 - samples[at + c] / 65535.0) * (1 - samples[at + 3] / 65535.0);
            };
        }
        driver.ifPresent(d -> d.at(rgb, rgb));
    }

    private void finishLine(int line) {
        double[] lab = new double[3];
        for (int x = 0; x < columns; x++) {
            double n = Math.max(1, counts[x])
                / paper.light((x + 0.5) * block * 25.4 / page.dpi(), (line + 0.5) * block * 25.4 / page.dpi());
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
