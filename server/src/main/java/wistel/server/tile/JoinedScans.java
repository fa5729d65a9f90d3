package wistel.server.tile;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import wistel.core.docket.PrintOrder;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.transform.Recipe;
import wistel.core.length.Length;
import wistel.core.pictures.Crop;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.ScanDifference;
import wistel.core.pictures.View;
import wistel.core.sheet.Mark;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Plans;
import wistel.core.sheet.Rect;
import wistel.core.sheet.Tile;
import wistel.core.sheet.Tiled;
import wistel.server.display.Display;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptPage;
import wistel.server.print.AttemptRepository;
import wistel.server.proof.Png;
import wistel.server.proof.ProofService;
import wistel.server.proof.ScanService;

/** Scans of the sheets of a picture: laid beside each other, and compared where neighbours show the same. */
@Service
class JoinedScans {
    private static final LightCurve CODES = new LightCurve(v -> v);
    private static final int LARGEST = 2400;
    /** Beside a mark, its ink spreads. */
    private static final double BESIDE_MARK_MM = 1;
    private static final double EDGE_MM = 0.8;
    /** A scanner's pixel beside a cut still sees the line that was cut along. */
    private static final double CUT_MM = 0.5;
    /** Neighbours along a corner share only a square of what all print. */
    private static final double ROUNDING_MM = 0.5;

    private final AttemptRepository attempts;
    private final ScanService scans;
    private final ProofService proofs;

    JoinedScans(AttemptRepository attempts, ScanService scans, ProofService proofs) {
        this.attempts = attempts;
        this.scans = scans;
        this.proofs = proofs;
    }

    /**
     * Two sheets where they show the same.
     *
     * @param page, other     counted from 1
     * @param betweenColumns  else one lies below the other
     * @param meanDifference  CIEDE2000, where they lie on each other
     * @param acrossMm        by how much the second lies farther from the first than it should, across the joint; empty where there is too
     *                        little to be seen
     * @param alongMm         by how much it lies farther along the joint, to the right or downwards
     */
    record SeamScan(int page, int other, boolean betweenColumns, double meanDifference, Optional<Double> acrossMm,
        Optional<Double> alongMm) {
    }

    /** A sheet that was scanned. Of the picture its part lies at {@code part}, in mm from the finished picture's corner. */
    private record Scanned(int number, Page page, Placed placed, Rect part, String hash) {
        Tile tile() {
            return placed.tile().orElseThrow();
        }

        /** A part of the finished picture, as a scan of this sheet shows it. */
        View view(ScanService.Sheet scan, Rect finished, int width, int height) {
            double perMm = scan.dpi() / Length.MM_PER_INCH;
            double x = Math.max(0, (tile().atMm().x() + finished.x()) * perMm);
            double y = Math.max(0, (tile().atMm().y() + finished.y()) * perMm);
            Crop crop = new Crop(x, y, Math.min(scan.view().width() - x, finished.width() * perMm),
                Math.min(scan.view().height() - y, finished.height() * perMm));
            return scan.view().scaled(crop, width, height, CODES);
        }
    }

    /** Two sheets, and the part of the picture that both show; the second one's scan comes later. */
    private record Pair(Scanned one, Scanned other, Rect both, boolean betweenColumns) {
    }

    /** What the first one of a pair shows. */
    private record Half(View view, double mmAPixel) {
    }

    private static Tiled plan(PrintOrder order) {
        return Plans.tiled(order.spec().plan()).orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS,
            "This print is no picture over several sheets.", "Look at its pages one by one."));
    }

    private List<Scanned> scanned(UUID id, PrintOrder order) {
        Attempt attempt = attempts.get(id);
        List<Scanned> scanned = new ArrayList<>();
        for (AttemptPage at : attempt.pages()) {
            Page page = order.page(at.page());
            if (at.scanHash().isPresent() && at.scanKept() && !page.placed().isEmpty()) {
                Placed placed = page.placed().get(0);
                Rect all = placed.tile().orElseThrow().atMm();
                scanned.add(new Scanned(at.page(), page, placed, placed.atMm().moved(-all.x(), -all.y()), at.scanHash().get()));
            }
        }
        return scanned;
    }

    /** Every joint of which both sheets were scanned. One scan is held at a time, and strips of those whose neighbours are still to come. */
    List<SeamScan> seams(UUID id) {
        PrintOrder order = attempts.order(id);
        double common = plan(order).joint().commonMm();
        List<Scanned> all = scanned(id, order);
        List<Pair> pairs = pairs(all, common);
        Half[] halves = new Half[pairs.size()];
        List<SeamScan> seams = new ArrayList<>();
        for (Scanned sheet : all) {
            ScanService.Sheet scan = scans.sheet(sheet.hash, sheet.page);
            for (int i = 0; i < halves.length; i++) {
                Pair pair = pairs.get(i);
                if (pair.one.number == sheet.number) {
                    double mmAPixel = Length.MM_PER_INCH / scan.dpi();
                    int w = (int) Math.max(1, Math.round(pair.both.width() / mmAPixel));
                    int h = (int) Math.max(1, Math.round(pair.both.height() / mmAPixel));
                    halves[i] = new Half(sheet.view(scan, pair.both, w, h), mmAPixel);
                } else if (pair.other.number == sheet.number) {
                    seam(pair, halves[i], scan).ifPresent(seams::add);
                    halves[i] = null;
                }
            }
        }
        seams.sort(Comparator.comparingInt(SeamScan::page).thenComparingInt(SeamScan::other));
        return seams;
    }

    /** Neighbours across a joint; sheets that share only the square where four meet are none. */
    private static List<Pair> pairs(List<Scanned> all, double common) {
        List<Pair> pairs = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            for (Scanned other : all.subList(i + 1, all.size())) {
                Scanned one = all.get(i);
                double left = Math.max(one.part.x(), other.part.x());
                double top = Math.max(one.part.y(), other.part.y());
                double width = Math.min(one.part.right(), other.part.right()) - left;
                double height = Math.min(one.part.bottom(), other.part.bottom()) - top;
                boolean narrow = width < common + ROUNDING_MM;
                if (width > ROUNDING_MM && height > ROUNDING_MM && !(narrow && height < common + ROUNDING_MM)) {
                    // at the ends of what is printed, paper comes in
                    pairs.add(new Pair(one, other, new Rect(left + EDGE_MM, top + EDGE_MM, Math.max(EDGE_MM, width - 2 * EDGE_MM),
                        Math.max(EDGE_MM, height - 2 * EDGE_MM)), narrow));
                }
            }
        }
        return pairs;
    }

    private static Optional<SeamScan> seam(Pair pair, Half half, ScanService.Sheet scan) {
        int w = half.view.width();
        int h = half.view.height();
        boolean[] leftOut = new boolean[w * h];
        leaveOut(leftOut, pair.one, pair.both, w, h);
        leaveOut(leftOut, pair.other, pair.both, w, h);
        boolean columns = pair.betweenColumns;
        return ScanDifference.of(half.view, pair.other.view(scan, pair.both, w, h), leftOut, half.mmAPixel)
            .map(d -> new SeamScan(pair.one.number, pair.other.number, columns, d.meanDeltaE(),
                d.shift().map(s -> columns ? s.xMm() : s.yMm()), d.shift().map(s -> columns ? s.yMm() : s.xMm())));
    }

    /** Where a sheet's marks lie in what both show. */
    private static void leaveOut(boolean[] leftOut, Scanned sheet, Rect both, int w, int h) {
        Rect all = sheet.tile().atMm();
        for (Mark mark : sheet.page.marks()) {
            double[] ends = mark instanceof Mark.Line l ? new double[] {l.fromX(), l.fromY(), l.toX(), l.toY()}
                : mark instanceof Mark.Bare b ? new double[] {b.atMm().x(), b.atMm().y(), b.atMm().right(), b.atMm().bottom()} : null;
            if (ends == null) {
                // a text stands on its bare rectangle
                continue;
            }
            double perX = w / both.width();
            double perY = h / both.height();
            int fromX = (int) Math.floor((Math.min(ends[0], ends[2]) - BESIDE_MARK_MM - all.x() - both.x()) * perX);
            int toX = (int) Math.ceil((Math.max(ends[0], ends[2]) + BESIDE_MARK_MM - all.x() - both.x()) * perX);
            int fromY = (int) Math.floor((Math.min(ends[1], ends[3]) - BESIDE_MARK_MM - all.y() - both.y()) * perY);
            int toY = (int) Math.ceil((Math.max(ends[1], ends[3]) + BESIDE_MARK_MM - all.y() - both.y()) * perY);
            for (int y = Math.max(0, fromY); y < Math.min(h, toY); y++) {
                if (fromX < w && toX > 0) {
                    Arrays.fill(leftOut, y * w + Math.max(0, fromX), y * w + Math.min(w, toX), true);
                }
            }
        }
    }

    /** What is seen of all sheets once they are joined, as far as they were scanned; the rest is white. */
    byte[] picture(UUID id, Display display, int longest) {
        PrintOrder order = attempts.order(id);
        plan(order);
        List<Scanned> scanned = scanned(id, order);
        if (scanned.isEmpty()) {
            throw new NotFound("No sheet of it was scanned.", "Join the sheets themselves.");
        }
        Rect all = scanned.get(0).tile().atMm();
        double scale = Math.max(16, Math.min(LARGEST, longest)) / Math.max(all.width(), all.height());
        int width = (int) Math.max(1, Math.round(all.width() * scale));
        int height = (int) Math.max(1, Math.round(all.height() * scale));
        char[] lab = new char[3 * width * height];
        for (int i = 0; i < lab.length; i++) {
            lab[i] = (char) (i % 3 == 0 ? 65535 : 0x8080);
        }
        // each lies over those before it from its joint on, as on the workbench
        for (Scanned sheet : scanned) {
            double left = sheet.part.x() > ROUNDING_MM ? sheet.tile().seenMm().x() - sheet.tile().atMm().x() + CUT_MM : 0;
            double top = sheet.part.y() > ROUNDING_MM ? sheet.tile().seenMm().y() - sheet.tile().atMm().y() + CUT_MM : 0;
            int x0 = (int) Math.round(left * scale);
            int y0 = (int) Math.round(top * scale);
            int x1 = Math.min(width, (int) Math.round(sheet.part.right() * scale));
            int y1 = Math.min(height, (int) Math.round(sheet.part.bottom() * scale));
            if (x1 > x0 && y1 > y0) {
                View seen = sheet.view(scans.sheet(sheet.hash, sheet.page),
                    new Rect(left, top, sheet.part.right() - left, sheet.part.bottom() - top), x1 - x0, y1 - y0);
                for (int y = y0; y < y1; y++) {
                    System.arraycopy(seen.pixels(), 3 * (y - y0) * (x1 - x0), lab, 3 * (y * width + x0), 3 * (x1 - x0));
                }
            }
        }
        return Png.of(width, height, proofs.transforms().get(new Recipe.FromLab(display.profile(), Intent.ABSOLUTE)).apply(lab), display);
    }
}
