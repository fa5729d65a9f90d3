package wistel.server.tile;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import wistel.core.docket.PrintOrder;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.transform.Recipe;
import wistel.core.pictures.Crop;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.ScanDifference;
import wistel.core.pictures.View;
import wistel.core.sheet.Mark;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Plans;
import wistel.core.sheet.Rect;
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
    private static final double MM_PER_INCH = 25.4;
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
    private record Scanned(int number, Page page, Placed placed, Rect part, ScanService.Sheet scan) {
        /** A part of the finished picture, as this sheet's scan shows it. */
        View view(Rect finished, int width, int height) {
            double perMm = scan.dpi() / MM_PER_INCH;
            double x = Math.max(0, (placed.tile().orElseThrow().atMm().x() + finished.x()) * perMm);
            double y = Math.max(0, (placed.tile().orElseThrow().atMm().y() + finished.y()) * perMm);
            Crop crop = new Crop(x, y, Math.min(scan.view().width() - x, finished.width() * perMm),
                Math.min(scan.view().height() - y, finished.height() * perMm));
            return scan.view().scaled(crop, width, height, CODES);
        }
    }

    private static Tiled plan(PrintOrder order) {
        return Plans.tiled(order.spec().plan()).orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS,
            "This print is no picture over several sheets.", "Look at its pages one by one."));
    }

    private Map<Integer, Scanned> scanned(UUID id, PrintOrder order) {
        plan(order);
        Attempt attempt = attempts.get(id);
        Map<Integer, Scanned> scanned = new LinkedHashMap<>();
        for (AttemptPage at : attempt.pages()) {
            Page page = order.page(at.page());
            if (at.scanHash().isPresent() && at.scanKept() && !page.placed().isEmpty()) {
                Placed placed = page.placed().get(0);
                Rect all = placed.tile().orElseThrow().atMm();
                scanned.put(at.page(),
                    new Scanned(at.page(), page, placed, placed.atMm().moved(-all.x(), -all.y()), scans.sheet(at.scanHash().get(), page)));
            }
        }
        return scanned;
    }

    /** Every joint of which both sheets were scanned. */
    List<SeamScan> seams(UUID id) {
        PrintOrder order = attempts.order(id);
        double common = plan(order).joint().commonMm();
        List<Scanned> all = List.copyOf(scanned(id, order).values());
        List<SeamScan> seams = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            for (int j = i + 1; j < all.size(); j++) {
                seam(all.get(i), all.get(j), common).ifPresent(seams::add);
            }
        }
        return seams;
    }

    private static Optional<SeamScan> seam(Scanned one, Scanned other, double common) {
        double left = Math.max(one.part.x(), other.part.x());
        double top = Math.max(one.part.y(), other.part.y());
        double width = Math.min(one.part.right(), other.part.right()) - left;
        double height = Math.min(one.part.bottom(), other.part.bottom()) - top;
        if (width <= ROUNDING_MM || height <= ROUNDING_MM || width < common + ROUNDING_MM && height < common + ROUNDING_MM) {
            return Optional.empty();
        }
        // at the ends of what is printed, paper comes in
        Rect both = new Rect(left + EDGE_MM, top + EDGE_MM, Math.max(EDGE_MM, width - 2 * EDGE_MM),
            Math.max(EDGE_MM, height - 2 * EDGE_MM));
        boolean betweenColumns = width < common + ROUNDING_MM;
        double mmAPixel = MM_PER_INCH / Math.min(one.scan.dpi(), other.scan.dpi());
        int w = (int) Math.max(1, Math.round(both.width() / mmAPixel));
        int h = (int) Math.max(1, Math.round(both.height() / mmAPixel));
        boolean[] leftOut = new boolean[w * h];
        leaveOut(leftOut, one, both, w, h);
        leaveOut(leftOut, other, both, w, h);
        return ScanDifference.of(one.view(both, w, h), other.view(both, w, h), leftOut, mmAPixel)
            .map(d -> new SeamScan(one.number, other.number, betweenColumns, d.meanDeltaE(),
                d.shift().map(s -> betweenColumns ? s.xMm() : s.yMm()), d.shift().map(s -> betweenColumns ? s.yMm() : s.xMm())));
    }

    /** Where a sheet's marks lie in what both show. */
    private static void leaveOut(boolean[] leftOut, Scanned sheet, Rect both, int w, int h) {
        Rect all = sheet.placed.tile().orElseThrow().atMm();
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
        Map<Integer, Scanned> scanned = scanned(id, order);
        if (scanned.isEmpty()) {
            throw new NotFound("No sheet of it was scanned.", "Join the sheets themselves.");
        }
        Rect all = scanned.values().iterator().next().placed.tile().orElseThrow().atMm();
        double scale = Math.max(16, Math.min(LARGEST, longest)) / Math.max(all.width(), all.height());
        int width = (int) Math.max(1, Math.round(all.width() * scale));
        int height = (int) Math.max(1, Math.round(all.height() * scale));
        char[] lab = new char[3 * width * height];
        for (int i = 0; i < lab.length; i++) {
            lab[i] = (char) (i % 3 == 0 ? 65535 : 0x8080);
        }
        // each lies over those before it from its joint on, as on the workbench
        double reach = plan(order).joint().reachMm();
        for (Scanned sheet : scanned.values()) {
            double left = sheet.part.x() > ROUNDING_MM ? sheet.part.x() + reach + CUT_MM : 0;
            double top = sheet.part.y() > ROUNDING_MM ? sheet.part.y() + reach + CUT_MM : 0;
            int x0 = (int) Math.round(left * scale);
            int y0 = (int) Math.round(top * scale);
            int x1 = Math.min(width, (int) Math.round(sheet.part.right() * scale));
            int y1 = Math.min(height, (int) Math.round(sheet.part.bottom() * scale));
            if (x1 > x0 && y1 > y0) {
                View seen = sheet.view(new Rect(left, top, sheet.part.right() - left, sheet.part.bottom() - top), x1 - x0, y1 - y0);
                for (int y = y0; y < y1; y++) {
                    System.arraycopy(seen.pixels(), 3 * (y - y0) * (x1 - x0), lab, 3 * (y * width + x0), 3 * (x1 - x0));
                }
            }
        }
        return Png.of(width, height, proofs.transforms().get(new Recipe.FromLab(display.profile(), Intent.ABSOLUTE)).apply(lab), display);
    }
}
