package wistel.core.pictures;

import java.util.Arrays;
import java.util.Optional;

/**
 * A picture with what is made round it, at the size at which it is printed: any block of it on request, so that no more than a block is
 * ever held. Safe for any number of threads.
 */
public final class Surround {
    /** What the stretched outermost part of the picture is. */
    private static final double STRETCHED_MM = 5;
    private static final double ROUNDING = 1e-6;
    private static final int BOXES = 3;

    private final PixelRuns picture;
    private final Ring ring;
    private final SideFill fill;
    private final double pixelsPerMm;
    private final Optional<GrownTexture> grown;
    private final int n;

    /** Pixels that are made on each side of the picture; 0 where it goes on itself. */
    public record Ring(int left, int top, int right, int bottom) {
        public Ring {
            if (left < 0 || top < 0 || right < 0 || bottom < 0) {
                throw new IllegalArgumentException("a ring of " + left + ", " + top + ", " + right + ", " + bottom);
            }
        }
    }

    /**
     * @param picture     as it is printed
     * @param grown       of it, small; needed where texture is to be grown
     */
    public Surround(PixelRuns picture, Ring ring, SideFill fill, double pixelsPerMm, Optional<GrownTexture> grown) {
        if (fill instanceof SideFill.Extended && grown.isEmpty()) {
            throw new IllegalArgumentException("no texture was grown");
        }
        this.picture = picture;
        this.ring = ring;
        this.fill = fill;
        this.pixelsPerMm = pixelsPerMm;
        this.grown = grown;
        this.n = picture.channels();
    }

    public int width() {
        return ring.left + picture.width() + ring.right;
    }

    public int height() {
        return ring.top + picture.height() + ring.bottom;
    }

    /** Columns x0 to x1 - 1 of rows y0 to y1 - 1, counted from the ring's upper left corner. */
    public char[] block(int x0, int x1, int y0, int y1) {
        char[] out = new char[(x1 - x0) * (y1 - y0) * n];
        for (int y = y0; y < y1; y++) {
            row(y, x0, x1, out, (y - y0) * (x1 - x0) * n);
        }
        return out;
    }

    /**
     * The same, blurred by a bell curve of this standard deviation in pixels, as three boxes one after the other (within a few percent of
     * it).
     */
    public char[] softened(int x0, int x1, int y0, int y1, double sigma) {
        int reach = Math.max(1, (int) Math.round((Math.sqrt(12 * sigma * sigma / BOXES + 1) - 1) / 2));
        int apron = BOXES * reach;
        int w = x1 - x0 + 2 * apron;
        int h = y1 - y0 + 2 * apron;
        float[] values = around(x0 - apron, y0 - apron, w, h);
        float[] spare = new float[values.length];
        for (int pass = 0; pass < BOXES; pass++) {
            boxAcross(values, spare, w, h, reach);
            boxDown(spare, values, w, h, reach);
        }
        char[] out = new char[(x1 - x0) * (y1 - y0) * n];
        for (int y = 0; y < y1 - y0; y++) {
            for (int i = 0; i < (x1 - x0) * n; i++) {
                out[y * (x1 - x0) * n + i] = (char) Math.round(values[((y + apron) * w + apron) * n + i]);
            }
        }
        return out;
    }

    /** A block that may reach beyond what there is: its edge goes on there. */
    private float[] around(int left, int top, int w, int h) {
        float[] values = new float[w * h * n];
        int from = within(left, width());
        int to = within(left + w - 1, width()) + 1;
        char[] line = new char[(to - from) * n];
        for (int y = 0; y < h; y++) {
            row(within(top + y, height()), from, to, line, 0);
            for (int x = 0; x < w; x++) {
                int at = (within(left + x, width()) - from) * n;
                for (int c = 0; c < n; c++) {
                    values[(y * w + x) * n + c] = line[at + c];
                }
            }
        }
        return values;
    }

    /** The mean of 2 reach + 1 neighbours, where there are so many. */
    private void boxAcross(float[] from, float[] to, int w, int h, int reach) {
        int size = 2 * reach + 1;
        for (int y = 0; y < h; y++) {
            for (int c = 0; c < n; c++) {
                int first = y * w * n + c;
                double sum = 0;
                for (int x = 0; x < w; x++) {
                    sum += from[first + x * n];
                    if (x >= size) {
                        sum -= from[first + (x - size) * n];
                    }
                    if (x >= size - 1) {
                        to[first + (x - reach) * n] = (float) (sum / size);
                    }
                }
            }
        }
    }

    private void boxDown(float[] from, float[] to, int w, int h, int reach) {
        int size = 2 * reach + 1;
        int row = w * n;
        double[] sum = new double[row];
        for (int y = 0; y < h; y++) {
            for (int i = 0; i < row; i++) {
                sum[i] += from[y * row + i] - (y >= size ? from[(y - size) * row + i] : 0);
                if (y >= size - 1) {
                    to[(y - reach) * row + i] = (float) (sum[i] / size);
                }
            }
        }
    }

    private static int within(int at, int size) {
        return Math.max(0, Math.min(size - 1, at));
    }

    private boolean besides(int y) {
        return y < ring.top || y >= ring.top + picture.height();
    }

    private void row(int y, int x0, int x1, char[] out, int at) {
        int left = ring.left;
        int right = ring.left + picture.width();
        if (!besides(y) && Math.max(x0, left) < Math.min(x1, right)) {
            int from = Math.max(x0, left);
            picture.run(from - left, y - ring.top, Math.min(x1, right) - from, out, at + (from - x0) * n);
            made(y, x0, Math.min(x1, left), out, at);
            made(y, Math.max(x0, right), x1, out, at + (Math.max(x0, right) - x0) * n);
        } else {
            made(y, x0, x1, out, at);
        }
    }

    /** A part of a row that lies in the ring. */
    private void made(int y, int x0, int x1, char[] out, int at) {
        if (x0 >= x1) {
            return;
        }
        if (fill instanceof SideFill.OneColour one) {
            for (int i = 0; i < (x1 - x0) * n; i++) {
                out[at + i] = (char) (int) one.codes().get(Math.min(i % n, one.codes().size() - 1));
            }
        } else if (fill instanceof SideFill.Extended) {
            extended(y, x0, x1, out, at);
        } else if (fill instanceof SideFill.Stretched) {
            stretched(y, x0, x1, out, at);
        } else {
            mirrored(y, x0, x1, out, at);
        }
    }

    private void mirrored(int y, int x0, int x1, char[] out, int at) {
        int row = reflected(y - ring.top, picture.height());
        int low = picture.width();
        int high = 0;
        for (int x = x0; x < x1; x++) {
            int from = reflected(x - ring.left, picture.width());
            low = Math.min(low, from);
            high = Math.max(high, from);
        }
        char[] source = new char[(high - low + 1) * n];
        picture.run(low, row, high - low + 1, source, 0);
        for (int x = x0; x < x1; x++) {
            System.arraycopy(source, (reflected(x - ring.left, picture.width()) - low) * n, out, at + (x - x0) * n, n);
        }
    }

    private static int reflected(int at, int size) {
        int place = Math.floorMod(at, 2 * size);
        return place < size ? place : 2 * size - 1 - place;
    }

    private void stretched(int y, int x0, int x1, char[] out, int at) {
        double row = drawn(y - ring.top, picture.height());
        int upper = within((int) Math.floor(row), picture.height());
        int lower = within(upper + 1, picture.height());
        double f = Math.max(0, row - upper);
        char[] one = new char[picture.width() * n];
        char[] two = new char[picture.width() * n];
        picture.run(0, upper, picture.width(), one, 0);
        picture.run(0, lower, picture.width(), two, 0);
        for (int x = x0; x < x1; x++) {
            double column = drawn(x - ring.left, picture.width());
            int a = within((int) Math.floor(column), picture.width());
            int b = within(a + 1, picture.width());
            double g = Math.max(0, column - a);
            for (int c = 0; c < n; c++) {
                double above = one[a * n + c] * (1 - g) + one[b * n + c] * g;
                double below = two[a * n + c] * (1 - g) + two[b * n + c] * g;
                out[at + (x - x0) * n + c] = (char) Math.round(above * (1 - f) + below * f);
            }
        }
    }

    /**
     * Where in the picture a place outside of it is taken from: as far inside as it lies outside at the edge, then less and less farther,
     * never beyond the outermost part.
     */
    private double drawn(int at, int size) {
        if (at >= 0 && at < size) {
            return at;
        }
        double most = Math.min(STRETCHED_MM * pixelsPerMm, size / 2.0);
        double out = at < 0 ? -at - 0.5 : at - size + 0.5;
        double in = most * -Math.expm1(-out / most);
        return at < 0 ? in - 0.5 : size - in - 0.5;
    }

    /**
     * What lies between two neighbours of the small picture goes over from one's surroundings into the other's; where these are one piece,
     * it is copied.
     */
    private void extended(int y, int x0, int x1, char[] out, int at) {
        GrownTexture g = grown.orElseThrow();
        double scaleX = (double) picture.width() / g.faceWidth();
        double scaleY = (double) picture.height() / g.faceHeight();
        double v = (y - ring.top + 0.5) / scaleY + g.margin() - 0.5;
        Cell cell = new Cell(g, scaleX, scaleY, within((int) Math.floor(v), g.height()), v);
        for (int x = x0; x < x1;) {
            double u = (x - ring.left + 0.5) / scaleX + g.margin() - 0.5;
            int column = (int) Math.floor(u);
            // the first pixel that lies in the next column, or in the picture
            int end = (int) Math.ceil((column + 1 - g.margin() + 0.5) * scaleX - 0.5 + ring.left - ROUNDING);
            end = Math.max(x + 1, Math.min(x1, end));
            cell.copy(column, x, end, y, out, at + (x - x0) * n);
            x = end;
        }
    }

    /** Pixels between four neighbours of the small picture. */
    private final class Cell {
        private final GrownTexture g;
        private final double scaleX;
        private final double scaleY;
        private final int row;
        private final double v;
        private char[] run = new char[0];
        private double[] sum = new double[0];

        Cell(GrownTexture g, double scaleX, double scaleY, int row, double v) {
            this.g = g;
            this.scaleX = scaleX;
            this.scaleY = scaleY;
            this.row = row;
            this.v = v;
        }

        private void copy(int column, int from, int to, int y, char[] out, int at) {
            int count = to - from;
            if (run.length < count * n) {
                run = new char[count * n];
                sum = new double[count * (n + 1)];
            }
            Arrays.fill(sum, 0, count * (n + 1), 0);
            long[] taken = new long[4];
            int pieces = 0;
            for (int k = 0; k < 4; k++) {
                int nx = within(column + k % 2, g.width());
                int ny = within(row + k / 2, g.height());
                double weight = Math.max(ROUNDING, 1 - Math.abs(v - ny));
                if (g.inFace(nx, ny) || weight <= ROUNDING && pieces > 0) {
                    continue;
                }
                pieces = add(nx, ny, weight, from, count, y, taken, pieces);
            }
            for (int i = 0; i < count; i++) {
                for (int c = 0; c < n; c++) {
                    out[at + i * n + c] = (char) Math.round(sum[i * (n + 1) + c] / sum[i * (n + 1) + n]);
                }
            }
        }

        private int add(int nx, int ny, double weight, int from, int count, int y, long[] taken, int pieces) {
            int code = g.origin()[ny * g.width() + nx];
            boolean backwards = (code & PatchSynthesis.ACROSS_FLIPPED) != 0;
            double dx = from - ring.left + 0.5 - (nx - g.margin() + 0.5) * scaleX;
            double dy = y - ring.top + 0.5 - (ny - g.margin() + 0.5) * scaleY;
            double sy = (g.row(code) + 0.5) * scaleY + ((code & PatchSynthesis.DOWN_FLIPPED) == 0 ? dy : -dy);
            double sx = (g.column(code) + 0.5) * scaleX + (backwards ? -dx : dx);
            int sourceRow = within((int) Math.floor(sy + ROUNDING), picture.height());
            int first = (int) Math.floor(sx + ROUNDING);
            long piece = ((long) sourceRow << 33) + ((long) (first + (1 << 20)) << 1) + (backwards ? 1 : 0);
            boolean read = pieces > 0 && taken[pieces - 1] == piece;
            if (!read) {
                read(sourceRow, first, count, backwards);
                taken[pieces] = piece;
            }
            for (int i = 0; i < count; i++) {
                double u = (from + i - ring.left + 0.5) / scaleX + g.margin() - 0.5;
                double w = weight * Math.max(ROUNDING, 1 - Math.abs(u - nx));
                for (int c = 0; c < n; c++) {
                    sum[i * (n + 1) + c] += w * run[i * n + c];
                }
                sum[i * (n + 1) + n] += w;
            }
            return read ? pieces : pieces + 1;
        }

        private void read(int sourceRow, int first, int count, boolean backwards) {
            int low = backwards ? first - count + 1 : first;
            int from = within(low, picture.width());
            int to = within(low + count - 1, picture.width());
            char[] straight = new char[(to - from + 1) * n];
            picture.run(from, sourceRow, to - from + 1, straight, 0);
            for (int i = 0; i < count; i++) {
                int x = within(backwards ? first - i : first + i, picture.width());
                System.arraycopy(straight, (Math.max(from, Math.min(to, x)) - from) * n, run, i * n, n);
            }
        }
    }
}
