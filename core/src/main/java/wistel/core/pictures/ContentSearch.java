package wistel.core.pictures;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * Finds a picture's content in another file of it that may have another frame, another size and other tones: normalised cross-correlation
 * (J. P. Lewis, "Fast Normalized Cross-Correlation", 1995) of locally normalised lightness, all shifts at a few scales on a small copy,
 * then least squares through the shifts of patches, twice as fine each time. The same two files give the same answer.
 */
public final class ContentSearch {
    private static final int COARSE = 64;
    private static final int[] FINER = {256, 1024, 1024};
    private static final double SCALE_STEP = 1.06;
    private static final int SCALES_UP = 8;
    /** Share of the larger one that must lie on the other. */
    private static final double LEAST_OVERLAP = 0.4;
    /** L*: noise of a flat tone isn't taken for structure. */
    private static final double FLAT = 1.0;
    private static final double TELLING = 0.7;
    /** Likeness on the small copies below which it isn't looked at any closer. */
    private static final double ANOTHER = 0.45;
    private static final double NOISE = 0.02;
    /** Of a patch that would reach beyond the newer file. */
    private static final double BESIDE = -2;
    /** Pixels of the newer file, half-way out: a scale that is as near to one that editors make is that one. */
    private static final double SNAPS = 2;
    private static final double WHOLE_PIXEL = 0.35;
    private static final int PATCHES = 8;
    private static final int LEAST_PATCHES = 6;
    /** Pixels of the finest copies: patches that lie farther from where the fit puts them don't follow it. */
    private static final double FOLLOWS = 1.5;
    private static final double MOST_FOLLOW = 0.7;
    private static final int ROUNDS = 4;

    private final LightnessPlane older;
    private final LightnessPlane newer;
    /** Of both, what the coarse copies are made of. */
    private final LightnessPlane olderSmall;
    private final LightnessPlane newerSmall;
    private final SameContent.Size olderSize;
    private final SameContent.Size newerSize;

    private ContentSearch(LightnessPlane older, SameContent.Size olderSize, LightnessPlane newer, SameContent.Size newerSize) {
        this.older = older;
        this.newer = newer;
        this.olderSize = olderSize;
        this.newerSize = newerSize;
        this.olderSmall = small(older);
        this.newerSmall = small(newer);
    }

    private static LightnessPlane small(LightnessPlane plane) {
        double scale = Math.min(1, 4.0 * COARSE / Math.max(plane.width(), plane.height()));
        return plane.resized(Math.max(1, (int) Math.round(plane.width() * scale)), Math.max(1, (int) Math.round(plane.height() * scale)));
    }

    /** @param olderSize of the file that the plane was made of */
    public static SameContent of(LightnessPlane older, SameContent.Size olderSize, LightnessPlane newer, SameContent.Size newerSize) {
        return new ContentSearch(older, olderSize, newer, newerSize).found();
    }

    /** Pixels of the newer file per pixel of the older, and where its corner lies. */
    private record Fit(double scale, double dx, double dy) {
    }

    /** Pixels of a copy per pixel of its file. */
    private record Density(double x, double y) {
        static Density of(LightnessPlane copy, SameContent.Size file) {
            return new Density((double) copy.width() / file.width(), (double) copy.height() / file.height());
        }
    }

    /** Copies of both in which content is as large. */
    private record Pair(LightnessPlane a, LightnessPlane b, Density older, Density newer) {
    }

    private Pair pair(int longest, double scale) {
        double per = Math.min(1.0 * longest / Math.max(olderSize.width(), olderSize.height()),
            scale * longest / Math.max(newerSize.width(), newerSize.height()));
        LightnessPlane a = sized(longest > COARSE ? older : olderSmall, olderSize, per);
        LightnessPlane b = sized(longest > COARSE ? newer : newerSmall, newerSize, per / scale);
        int reach = Math.max(2, Math.max(a.width(), a.height()) / 16);
        return new Pair(a.structure(reach, FLAT), b.structure(reach, FLAT), Density.of(a, olderSize), Density.of(b, newerSize));
    }

    private static LightnessPlane sized(LightnessPlane of, SameContent.Size size, double per) {
        return of.resized(Math.max(1, (int) Math.round(size.width() * per)), Math.max(1, (int) Math.round(size.height() * per)));
    }

    private SameContent found() {
        Fit best = null;
        double likest = 0;
        for (double scale : scales()) {
            Pair pair = pair(COARSE, scale);
            double[] at = likest(pair.a, pair.b);
            if (at[2] > likest) {
                likest = at[2];
                best = fit(pair, scale, at[0], at[1]);
            }
        }
        if (best == null) {
            return SameContent.framed(olderSize, newerSize, 0);
        }
        if (likest < ANOTHER) {
            return new SameContent(olderSize, newerSize, best.scale, best.dx, best.dy, likest, false);
        }
        boolean followed = false;
        for (int longest : FINER) {
            Fitted finer = finer(best, longest);
            best = finer.fit;
            followed = finer.followed;
        }
        return new SameContent(olderSize, newerSize, best.scale, best.dx, best.dy, likeness(best), followed);
    }

    /** Frames of one resolution, of one width, of one height, and smaller and smaller parts of the older one. */
    private List<Double> scales() {
        double across = (double) newerSize.width() / olderSize.width();
        double down = (double) newerSize.height() / olderSize.height();
        List<Double> scales = new ArrayList<>(List.of(1.0, across, down));
        for (int k = 1; k <= SCALES_UP; k++) {
            scales.add(Math.max(across, down) * Math.pow(SCALE_STEP, k));
            scales.add(Math.min(across, down) / Math.pow(SCALE_STEP, k));
        }
        return scales.stream().map(s -> Math.round(s * 1e4) / 1e4).filter(s -> s > 0).distinct().toList();
    }

    private static Fit fit(Pair pair, double scale, double dx, double dy) {
        return new Fit(scale, dx / pair.newer.x, dy / pair.newer.y);
    }

    /** Shift of the first one on the second, in pixels, and how alike both are there. */
    private static double[] likest(LightnessPlane a, LightnessPlane b) {
        double[] best = {0, 0, 0};
        double least = LEAST_OVERLAP * Math.max(a.width() * a.height(), b.width() * b.height());
        for (int dy = 1 - a.height(); dy < b.height(); dy++) {
            int rows = Math.min(a.height(), b.height() - dy) - Math.max(0, -dy);
            for (int dx = 1 - a.width(); dx < b.width(); dx++) {
                int columns = Math.min(a.width(), b.width() - dx) - Math.max(0, -dx);
                if ((double) rows * columns >= least) {
                    double alike = correlation(a, Math.max(0, -dx), Math.max(0, -dy), columns, rows, b, dx, dy);
                    if (alike > best[2]) {
                        best = new double[] {dx, dy, alike};
                    }
                }
            }
        }
        return best;
    }

    /** Of a part of the first one with the second shifted; 0 where one of them shows nothing. */
    private static double correlation(LightnessPlane a, int x, int y, int width, int height, LightnessPlane b, int dx, int dy) {
        double sumA = 0;
        double sumB = 0;
        double squaresA = 0;
        double squaresB = 0;
        double products = 0;
        for (int row = y; row < y + height; row++) {
            int atA = row * a.width() + x;
            int atB = (row + dy) * b.width() + x + dx;
            for (int i = 0; i < width; i++) {
                double u = a.values()[atA + i];
                double v = b.values()[atB + i];
                sumA += u;
                sumB += v;
                squaresA += u * u;
                squaresB += v * v;
                products += u * v;
            }
        }
        double n = (double) width * height;
        double spread = (squaresA - sumA * sumA / n) * (squaresB - sumB * sumB / n);
        return spread > 1e-6 * n * n ? (products - sumA * sumB / n) / Math.sqrt(spread) : 0;
    }

    /** Over all that lies on each other, on a copy small enough for retouched details not to count. */
    private double likeness(Fit fit) {
        Pair pair = pair(COARSE, fit.scale);
        float[] moved = new float[pair.a.values().length];
        int left = pair.a.width();
        int right = 0;
        int top = pair.a.height();
        int bottom = 0;
        for (int y = 0; y < pair.a.height(); y++) {
            for (int x = 0; x < pair.a.width(); x++) {
                double[] at = moved(pair, fit, x, y);
                if (at[0] >= 0 && at[1] >= 0 && at[0] <= pair.b.width() - 1 && at[1] <= pair.b.height() - 1) {
                    moved[y * pair.a.width() + x] = (float) pair.b.at(at[0], at[1]);
                    left = Math.min(left, x);
                    right = Math.max(right, x + 1);
                    top = Math.min(top, y);
                    bottom = Math.max(bottom, y + 1);
                }
            }
        }
        return right <= left || bottom <= top ? 0
            : correlation(pair.a, left, top, right - left, bottom - top, new LightnessPlane(pair.a.width(), pair.a.height(), moved), 0, 0);
    }

    /** Where a pixel's middle of the older copy lies on the newer one. */
    private static double[] moved(Pair pair, Fit fit, double x, double y) {
        return new double[] {(fit.scale * (x + 0.5) / pair.older.x + fit.dx) * pair.newer.x - 0.5,
            (fit.scale * (y + 0.5) / pair.older.y + fit.dy) * pair.newer.y - 0.5};
    }

    private record Fitted(Fit fit, boolean followed) {
    }

    /**
     * A patch's middle in the older file and where it lies in the newer, in pixels of the files.
     *
     * @param weight how sharply it says so in the direction in which it says least, as an edge slides along itself, over what isn't alike
     */
    private record Match(double x, double y, double toX, double toY, double weight) {
        double off(Fit fit) {
            return Math.hypot(fit.scale * x + fit.dx - toX, fit.scale * y + fit.dy - toY);
        }
    }

    private Fitted finer(Fit before, int longest) {
        Pair pair = pair(longest, before.scale);
        int side = Math.max(8, Math.min(pair.a.width(), pair.a.height()) / PATCHES);
        int reach = longest == FINER[0] ? 10 : 5;
        List<Match> matches = new ArrayList<>();
        for (int row = 0; row < PATCHES; row++) {
            for (int column = 0; column < PATCHES; column++) {
                int x = (int) Math.round((pair.a.width() - side) * (double) column / (PATCHES - 1));
                int y = (int) Math.round((pair.a.height() - side) * (double) row / (PATCHES - 1));
                match(pair, before, x, y, side, reach).ifPresent(matches::add);
            }
        }
        if (matches.size() < LEAST_PATCHES) {
            return new Fitted(before, false);
        }
        double pixel = 1 / pair.newer.x;
        List<Match> kept = matches;
        Fit fit = before;
        for (int round = 0; round < ROUNDS; round++) {
            fit = leastSquares(kept).map(this::snapped).orElse(fit);
            Fit now = fit;
            double median = matches.stream().mapToDouble(m -> m.off(now)).sorted().skip(matches.size() / 2).findFirst().orElse(0);
            List<Match> near = matches.stream().filter(m -> m.off(now) <= Math.max(0.5 * pixel, 2.5 * median)).toList();
            kept = near.size() < LEAST_PATCHES ? kept : near;
        }
        Fit last = fit;
        long follow = matches.stream().filter(m -> m.off(last) <= FOLLOWS * pixel).count();
        return new Fitted(fit, follow >= MOST_FOLLOW * matches.size());
    }

    private static Optional<Match> match(Pair pair, Fit before, int x, int y, int side, int reach) {
        double[] middle = moved(pair, before, x, y);
        int dx = (int) Math.round(middle[0]) - x;
        int dy = (int) Math.round(middle[1]) - y;
        int wide = 2 * reach + 1;
        double[] alike = new double[wide * wide];
        int best = -1;
        for (int i = 0; i < alike.length; i++) {
            int toX = x + dx + i % wide - reach;
            int toY = y + dy + i / wide - reach;
            boolean within = toX >= 0 && toY >= 0 && toX + side <= pair.b.width() && toY + side <= pair.b.height();
            alike[i] = within ? correlation(pair.a, x, y, side, side, pair.b, toX - x, toY - y) : BESIDE;
            best = best < 0 || alike[i] > alike[best] ? i : best;
        }
        int atX = best % wide;
        int atY = best / wide;
        if (alike[best] < TELLING || atX == 0 || atY == 0 || atX == wide - 1 || atY == wide - 1
            || Math.min(Math.min(alike[best - wide - 1], alike[best - wide + 1]),
                Math.min(alike[best + wide - 1], alike[best + wide + 1])) <= BESIDE) {
            return Optional.empty();
        }
        double shiftX = dx + atX - reach + Parabola.vertex(alike[best - 1], alike[best], alike[best + 1]);
        double shiftY = dy + atY - reach + Parabola.vertex(alike[best - wide], alike[best], alike[best + wide]);
        double half = side / 2.0;
        return Optional.of(new Match((x + half) / pair.older.x, (y + half) / pair.older.y,
            (x + half + shiftX) / pair.newer.x, (y + half + shiftY) / pair.newer.y,
            sharpness(alike, best, wide) / (NOISE + 1 - alike[best] * alike[best])));
    }

    /** Least bend of a peak of likeness: the smaller eigenvalue of its second differences. */
    private static double sharpness(double[] alike, int at, int wide) {
        double xx = 2 * alike[at] - alike[at - 1] - alike[at + 1];
        double yy = 2 * alike[at] - alike[at - wide] - alike[at + wide];
        double xy = (alike[at - wide - 1] + alike[at + wide + 1] - alike[at - wide + 1] - alike[at + wide - 1]) / 4;
        return Math.max(0, (xx + yy) / 2 - Math.hypot((xx - yy) / 2, xy));
    }

    /**
     * With the scale that an editor made, where it is as near: pixels kept, or the frame resized as a whole; about the picture's middle, on
     * whole pixels where they were kept.
     */
    private Fit snapped(Fit fit) {
        double across = (double) newerSize.width() / olderSize.width();
        double down = (double) newerSize.height() / olderSize.height();
        double half = Math.max(olderSize.width(), olderSize.height()) / 2.0;
        for (double scale : new double[] {1, across, down}) {
            if (Math.abs(fit.scale - scale) * half <= SNAPS) {
                double dx = fit.dx + (fit.scale - scale) * olderSize.width() / 2;
                double dy = fit.dy + (fit.scale - scale) * olderSize.height() / 2;
                return scale == 1 ? new Fit(1, whole(dx), whole(dy)) : new Fit(scale, dx, dy);
            }
        }
        return fit;
    }

    private static double whole(double shift) {
        return Math.abs(shift - Math.rint(shift)) <= WHOLE_PIXEL ? Math.rint(shift) : shift;
    }

    /** One scale for both directions; empty where all lie in one place. */
    private static Optional<Fit> leastSquares(List<Match> matches) {
        double x = mean(matches, Match::x);
        double y = mean(matches, Match::y);
        double toX = mean(matches, Match::toX);
        double toY = mean(matches, Match::toY);
        double square = 0;
        double product = 0;
        for (Match m : matches) {
            square += m.weight * ((m.x - x) * (m.x - x) + (m.y - y) * (m.y - y));
            product += m.weight * ((m.x - x) * (m.toX - toX) + (m.y - y) * (m.toY - toY));
        }
        if (!(square > 0) || !(product > 0)) {
            return Optional.empty();
        }
        double scale = product / square;
        return Optional.of(new Fit(scale, toX - scale * x, toY - scale * y));
    }

    private static double mean(List<Match> matches, ToDoubleFunction<Match> of) {
        return matches.stream().mapToDouble(m -> m.weight * of.applyAsDouble(m)).sum() / matches.stream().mapToDouble(Match::weight).sum();
    }
}
