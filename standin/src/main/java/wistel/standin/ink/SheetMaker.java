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
import wistel.core.paper.FeedScale;
import wistel.core.pictures.LabScan;
import wistel.core.render.PwgRaster;

/** Lays one page down, row by row, and keeps what a scan of the dry sheet would show: light averaged over small squares, as L*a*b*. */
public final class SheetMaker {
    private static final int SCAN_DPI = 90;
    /** Less of a place of the scan than this tells nothing of its colour. */
    private static final double LEAST_SHARE = 0.05;
    /** Ink is counted on every so many dots. */
    private static final int COUNTED = 16;
    private static final Map<List<Object>, InkOnPaper> INKS = new ConcurrentHashMap<>();
    private static final Map<List<Object>, ClutGrid> DRIVERS = new ConcurrentHashMap<>();

    private final PwgRaster.Page page;
    private final Paper paper;
    private final InkOnPaper ink;
    private final Optional<ClutGrid> driver;
    private final Feeding feeding;
    private final double[] white = new double[3];
    private final int block;
    private final int step;
    private final int columns;
    private final int lines;
    private final char[] pixels;
    /** Light on the line of the scan that is being made, and on the one below it, with the share of each place that it lies on. */
    private double[][] sums;
    private double[][] shares;
    private final double[] cover = new double[Laying.INKS.size()];
    private final double[] covered = new double[Laying.INKS.size()];
    private long counted;
    private int row;
    private int line;

    /**
     * How the paper goes through.
     *
     * @param edgesMm that stay white: leading, right, trailing, left
     * @param scale   how long what is sent comes out
     * @param cut     the paper is cut off where the page ends; a sheet is as long as it is
     */
    public record Feeding(double[] edgesMm, FeedScale scale, boolean cut) {
        public Feeding {
            edgesMm = edgesMm.clone();
        }

        /** Exact, printed to all edges. */
        public static final Feeding EXACT = new Feeding(new double[4], FeedScale.NONE, false);
    }

    public SheetMaker(PwgRaster.Page page, Paper paper, Laying laying, Feeding feeding) {
        this.page = page;
        this.paper = paper;
        this.feeding = feeding;
        this.ink = INKS.computeIfAbsent(List.of(paper, laying), k -> new InkOnPaper(paper, laying));
        this.driver = laying.monochrome() ? Optional.empty()
            : space(page.space()).map(s -> DRIVERS.computeIfAbsent(List.of(laying.meant(), laying.quality(), page.space()),
                k -> DriverColour.forPaper(laying.meant(), laying.quality(), s)));
        this.block = Math.max(1, Math.round((float) page.dpi() / SCAN_DPI));
        this.step = block > 1 ? 2 : 1;
        this.columns = page.width() / block;
        this.lines = (int) Math.round(page.height() * (feeding.cut ? feeding.scale.along() : 1)) / block;
        this.pixels = new char[3 * columns * lines];
        this.sums = new double[2][3 * columns];
        this.shares = new double[2][columns];
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
        double along = feeding.scale.along();
        double from = row * along / block;
        while (line < (int) from) {
            finishLine();
        }
        if (row % step == 0 && line < lines) {
            double to = (row + step) * along / block;
            double mine = Math.min(to, line + 1) - from;
            boolean ends = row * along < dots(feeding.edgesMm[0]) || row * along >= lines * block - dots(feeding.edgesMm[2]);
            lay(samples, ends, new double[] {mine, to - from - mine});
        }
        row++;
    }

    /**
     * @param ends  the row lies where nothing is printed
     * @param lines shares of the row that lie on the present line of the scan and on the next
     */
    private void lay(char[] samples, boolean ends, double[] lines) {
        int n = page.space().channels();
        double[] rgb = new double[3];
        double[] lab = new double[3];
        double[] xyz = new double[3];
        long last = -1;
        double scale = feeding.scale.across();
        int left = dots(feeding.edgesMm[3]);
        int right = page.width() - dots(feeding.edgesMm[1]);
        for (int x = 0; x < page.width(); x += step) {
            double from = x * scale / block;
            double to = (x + step) * scale / block;
            if (ends || x * scale < left || x * scale >= right) {
                add(from, to, white, lines);
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
            add(from, to, xyz, lines);
        }
    }

    /** Light of a dot that lies on one column of the scan or on two. */
    private void add(double from, double to, double[] xyz, double[] lines) {
        int column = (int) from;
        double here = Math.min(to, column + 1) - from;
        add(column, xyz, here, lines);
        if (to - from - here > 1e-9) {
            add(column + 1, xyz, to - from - here, lines);
        }
    }

    private void add(int column, double[] xyz, double share, double[] lines) {
        for (int l = 0; l < 2 && column < columns && lines[l] > 1e-9; l++) {
            double weight = share * lines[l];
            sums[l][3 * column] += weight * xyz[0];
            sums[l][3 * column + 1] += weight * xyz[1];
            sums[l][3 * column + 2] += weight * xyz[2];
            shares[l][column] += weight;
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

    private void finishLine() {
        if (line < lines) {
            double[] lab = new double[3];
            for (int x = 0; x < columns; x++) {
                if (shares[0][x] < LEAST_SHARE) {
                    // the page ends before the paper does
                    System.arraycopy(white, 0, sums[0], 3 * x, 3);
                    shares[0][x] = 1;
                }
                double n = shares[0][x] / paper.light((x + 0.5) * block * 25.4 / page.dpi(), (line + 0.5) * block * 25.4 / page.dpi());
                double[] xyz = {sums[0][3 * x] / n, sums[0][3 * x + 1] / n, sums[0][3 * x + 2] / n};
                D50.xyzToLab(xyz, lab);
                int to = 3 * (line * columns + x);
                pixels[to] = LabEncoding.V4.ofL(lab[0]);
                pixels[to + 1] = LabEncoding.V4.ofAb(lab[1]);
                pixels[to + 2] = LabEncoding.V4.ofAb(lab[2]);
            }
        }
        double[] below = sums[0];
        sums[0] = sums[1];
        sums[1] = below;
        double[] shared = shares[0];
        shares[0] = shares[1];
        shares[1] = shared;
        Arrays.fill(sums[1], 0);
        Arrays.fill(shares[1], 0);
        line++;
    }

    /** The whole sheet, also where the page ended before it. */
    public LabScan scan() {
        while (line < lines) {
            finishLine();
        }
        return new LabScan(columns, lines, (double) page.dpi() / block, pixels);
    }
}
