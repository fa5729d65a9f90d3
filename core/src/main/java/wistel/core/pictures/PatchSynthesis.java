package wistel.core.pictures;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;

/**
 * A picture grown outwards by new texture of its own: patches from near the edge, laid row by row so that each fits what lies there
 * already, and joined along the path of least error (A. A. Efros and W. T. Freeman, Image Quilting for Texture Synthesis and Transfer,
 * SIGGRAPH 2001). The first pixels outside mirror the picture, so nothing shows at the edge itself, and the picture is not touched.
 *
 * <p>What comes out is where each new pixel is taken from, so that a small picture's answer can be carried to a large one.
 */
public final class PatchSynthesis {
    private static final int PATCH = 24;
    private static final int OVERLAP = 8;
    /** How far along and across the edge patches are looked for. */
    private static final int ALONG = 3 * PATCH;
    private static final int ACROSS = 4 * PATCH;
    /** Rows next to the edge that mirror the picture in any case. */
    private static final int MIRRORED = 1;
    /** Within these the mirrored picture gives way to the first patches. */
    private static final int GIVES_WAY = 4;
    /** Every so many places are tried, and of the best ones their neighbours. */
    private static final int SPARSE = 2;
    private static final int COARSE = 2;
    private static final int REFINED = 6;
    /** Patches that fit nearly as well as the best are taken as well, by chance: the same one again and again would show. */
    private static final double NEARLY = 1.15;
    private static final long AGAIN = 4;
    /**
     * Mean squared difference of a channel's upper 12 bits, 6 % of its range, from which nothing in the picture looks like its edge; that
     * is mirrored there, then.
     */
    private static final long TOO_FAR = 245 * 245;
    /** Of the edge's own contrast: parts that have nothing to do with each other differ by twice of it. */
    private static final double UNLIKE = 3;
    static final int ACROSS_FLIPPED = 1;
    static final int DOWN_FLIPPED = 2;
    private final int width;
    private final int channels;
    private final SplittableRandom random;
    /** What mirroring downwards is in the picture's own directions. */
    private final int flip;
    private int height;
    private int[] origin;
    /** What lies at each place, as it looks. */
    private char[] shown;
    private final char[] source;
    /** How often a place was taken from. */
    private final int[] used;

    /** The picture lies at the top; it is grown downwards. */
    private PatchSynthesis(char[] source, int channels, int width, int height, int[] origin, int flip, SplittableRandom random) {
        this.source = source;
        this.channels = channels;
        this.width = width;
        this.height = height;
        this.origin = origin;
        this.flip = flip;
        this.random = random;
        this.used = new int[source.length / channels];
    }

    static int place(int code) {
        return code >>> 2;
    }

    /**
     * @param margin  pixels on all four sides
     * @param seed    another one grows another picture; the same one the same
     * @throws IllegalArgumentException for a margin below one, or larger than the picture
     */
    public static GrownTexture grow(View picture, int margin, long seed) {
        if (margin < 1 || margin > Math.max(picture.width(), picture.height())) {
            throw new IllegalArgumentException("a margin of " + margin + " round " + picture.width() + " x " + picture.height());
        }
        SplittableRandom random = new SplittableRandom(seed);
        int w = picture.width();
        int h = picture.height();
        int[] origin = IntStream.range(0, w * h).map(i -> i << 2).toArray();
        for (int side = 0; side < 4; side++) {
            // below and above first, then left and right over the whole height
            PatchSynthesis down = new PatchSynthesis(picture.pixels(), picture.channels(), w, h, origin,
                side < 2 ? DOWN_FLIPPED : ACROSS_FLIPPED, random.split());
            down.downwards(margin);
            origin = side % 2 == 0 ? turned(turned(down.origin, w, h + margin), h + margin, w) : turned(down.origin, w, h + margin);
            h += margin;
            if (side % 2 == 1) {
                int swap = w;
                w = h;
                h = swap;
            }
        }
        // one half turn and two quarter turns more than it came: once more half way round
        int[] upright = turned(turned(origin, w, h), h, w);
        return new GrownTexture(margin, w, h, sided(upright, w, h, picture, margin));
    }

    /** By a quarter to the right. */
    private static int[] turned(int[] of, int width, int height) {
        int[] turned = new int[of.length];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                turned[x * height + height - 1 - y] = of[y * width + x];
            }
        }
        return turned;
    }

    /** Checked: the picture lies in the middle as it is. */
    private static int[] sided(int[] origin, int w, int h, View picture, int margin) {
        if (w != picture.width() + 2 * margin || h != picture.height() + 2 * margin || origin[margin * w + margin] != 0) {
            throw new IllegalStateException("grown to " + w + " x " + h + " and turned");
        }
        return origin;
    }

    private void downwards(int margin) {
        int known = height;
        origin = Arrays.copyOf(origin, width * (known + margin));
        height = known + margin;
        shown = new char[origin.length * channels];
        show(0, width * known);
        int patch = Math.min(PATCH, Math.min(width, known));
        boolean mirror = patch < 2 * OVERLAP;
        for (int y = known; y < height && (mirror || y < known + OVERLAP); y++) {
            int ago = (y - known) % (2 * known);
            int from = ago < known ? known - 1 - ago : ago - known;
            for (int x = 0; x < width; x++) {
                origin[y * width + x] = origin[from * width + x] ^ (ago < known ? flip : 0);
            }
            show(y * width, width);
        }
        for (int top = known; !mirror && top + OVERLAP < height; top += patch - OVERLAP) {
            int rows = Math.min(patch, height - top);
            for (int left = 0; left + OVERLAP < width; left += patch - OVERLAP) {
                lay(Math.min(left, width - patch), top, patch, rows, known);
            }
        }
    }

    private void show(int from, int count) {
        for (int i = from; i < from + count; i++) {
            System.arraycopy(source, place(origin[i]) * channels, shown, i * channels, channels);
        }
    }

    /** Finds a patch for a place, whose upper rows and left columns lie there already, and joins it. */
    private void lay(int left, int top, int w, int rows, int known) {
        // the first patches follow the picture itself: what is mirrored outside of it would lead back into it
        int inside = top == known ? Math.min(OVERLAP, known - rows) : 0;
        int overlapRows = Math.min(OVERLAP, rows);
        int overlapColumns = left == 0 ? 0 : Math.min(OVERLAP, w);
        int lowest = known - rows - inside;
        int highest = Math.max(0, lowest - ACROSS);
        int from = Math.max(0, left - ALONG);
        int to = Math.min(width - w, left + ALONG);
        Overlap overlap = new Overlap(left, top - inside, w, rows + inside, inside > 0 ? inside : overlapRows, overlapColumns);
        List<long[]> best = IntStream.rangeClosed(0, (lowest - highest) / SPARSE).parallel()
            .mapToObj(i -> bestInRow(overlap, from, to, lowest - i * SPARSE))
            .sorted(Comparator.comparingLong(found -> found[0])).limit(REFINED).toList();
        long least = Long.MAX_VALUE;
        int[][] found = new int[REFINED][];
        long[] errorOf = new long[REFINED];
        for (int k = 0; k < best.size(); k++) {
            int cx = (int) best.get(k)[1];
            int cy = (int) best.get(k)[2];
            errorOf[k] = Long.MAX_VALUE;
            for (int y = Math.max(highest, cy + 1 - SPARSE); y <= Math.min(lowest, cy + SPARSE - 1); y++) {
                for (int x = Math.max(from, cx + 1 - SPARSE); x <= Math.min(to, cx + SPARSE - 1); x++) {
                    long e = error(overlap, x, y, 1, errorOf[k]);
                    e += e / AGAIN * used[place(origin[(y + rows / 2) * width + x + w / 2])];
                    if (e < errorOf[k]) {
                        found[k] = new int[] {x, y};
                        errorOf[k] = e;
                    }
                }
            }
            least = Math.min(least, errorOf[k]);
        }
        int[] good = new int[REFINED];
        int count = 0;
        for (int k = 0; k < REFINED; k++) {
            if (found[k] != null && errorOf[k] <= least * NEARLY) {
                good[count++] = k;
            }
        }
        int[] chosen = found[good[random.nextInt(count)]];
        boolean mirrors = inside > 0 && least > TOO_FAR * channels * inside * w && least > UNLIKE * contrast(left, top - inside, w, inside);
        Patch patch = mirrors ? new Patch(left, known - 1, true) : new Patch(chosen[0], chosen[1] + inside, false);
        used[place(origin[patch.at(w / 2, rows / 2)])]++;
        join(new Overlap(left, top, w, rows, top == known ? Math.min(GIVES_WAY, rows) : overlapRows, overlapColumns), patch,
            top == known ? MIRRORED : 0);
    }

    /** Squared differences to the mean of a part. */
    private double contrast(int left, int top, int w, int h) {
        double all = 0;
        for (int c = 0; c < channels; c++) {
            double sum = 0;
            double squares = 0;
            for (int y = top; y < top + h; y++) {
                for (int x = left; x < left + w; x++) {
                    double v = shown[(y * width + x) * channels + c] >> 4;
                    sum += v;
                    squares += v * v;
                }
            }
            all += squares - sum * sum / (w * h);
        }
        return all;
    }

    /** Where a patch is taken from: its upper left corner; a mirrored one goes upwards from there. */
    private final class Patch {
        private final int x;
        private final int y;
        private final boolean mirrored;

        Patch(int x, int y, boolean mirrored) {
            this.x = x;
            this.y = y;
            this.mirrored = mirrored;
        }

        int at(int u, int v) {
            return (mirrored ? y - v : y + v) * width + x + u;
        }

        int code(int u, int v) {
            return mirrored ? origin[at(u, v)] ^ flip : origin[at(u, v)];
        }
    }

    /** Where a patch is to lie, and how much of it lies over what is there. */
    private record Overlap(int left, int top, int width, int rows, int upper, int beside) {
    }

    /** Error, x and y of the best place in one row. */
    private long[] bestInRow(Overlap overlap, int from, int to, int y) {
        long least = Long.MAX_VALUE;
        int at = from;
        for (int x = from; x <= to; x += SPARSE) {
            long e = error(overlap, x, y, COARSE, least);
            if (e < least) {
                least = e;
                at = x;
            }
        }
        return new long[] {least, at, y};
    }

    /** Squared differences where a patch would lie over what is there; given up once it is beyond a bound. */
    private long error(Overlap o, int x, int y, int every, long bound) {
        long sum = 0;
        for (int v = 0; v < o.rows && sum < bound; v += every) {
            int columns = v < o.upper ? o.width : o.beside;
            int there = (o.top + v) * width + o.left;
            int here = (y + v) * width + x;
            for (int u = 0; u < columns; u += every) {
                sum += apart(there + u, here + u);
            }
        }
        return sum;
    }

    private int apart(int one, int other) {
        int a = one * channels;
        int b = other * channels;
        int sum = 0;
        for (int c = 0; c < channels; c++) {
            int d = (shown[a + c] >> 4) - (shown[b + c] >> 4);
            sum += d * d;
        }
        return sum;
    }

    /**
     * Keeps what lies there up to the path of least error, and lays the patch beyond it.
     *
     * @param mirrored rows that stay whatever the path
     */
    private void join(Overlap o, Patch patch, int mirrored) {
        int[] above = path(o, patch, o.width, o.upper, false);
        int[] beside = o.beside > 1 ? path(o, patch, o.rows, o.beside, true) : new int[o.rows];
        int[] taken = new int[o.width * o.rows];
        for (int v = 0; v < o.rows; v++) {
            for (int u = 0; u < o.width; u++) {
                boolean keep = v < Math.max(mirrored, above[u]) || u < beside[v];
                taken[v * o.width + u] = keep ? origin[(o.top + v) * width + o.left + u] : patch.code(u, v);
            }
        }
        for (int v = 0; v < o.rows; v++) {
            System.arraycopy(taken, v * o.width, origin, (o.top + v) * width + o.left, o.width);
            show((o.top + v) * width + o.left, o.width);
        }
    }

    /** For each place along an overlap how far across it what lies there is kept: dynamic programming from one end to the other. */
    private int[] path(Overlap o, Patch patch, int along, int across, boolean upright) {
        long[][] cost = new long[along][across];
        for (int i = 0; i < along; i++) {
            for (int k = 0; k < across; k++) {
                int u = upright ? k : i;
                int v = upright ? i : k;
                long before = i == 0 ? 0 : Math.min(cost[i - 1][k],
                    Math.min(k > 0 ? cost[i - 1][k - 1] : Long.MAX_VALUE, k + 1 < across ? cost[i - 1][k + 1] : Long.MAX_VALUE));
                cost[i][k] = before + apart((o.top + v) * width + o.left + u, patch.at(u, v));
            }
        }
        int[] path = new int[along];
        int k = 0;
        for (int i = along - 1; i >= 0; i--) {
            int best = -1;
            for (int n = i == along - 1 ? 0 : Math.max(0, k - 1); n <= (i == along - 1 ? across - 1 : Math.min(across - 1, k + 1)); n++) {
                best = best < 0 || cost[i][n] < cost[i][best] ? n : best;
            }
            k = best;
            path[i] = k;
        }
        return path;
    }
}
