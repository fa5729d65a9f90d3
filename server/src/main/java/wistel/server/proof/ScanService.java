package wistel.server.proof;

import java.io.IOException;
import java.io.InputStream;
import org.springframework.stereotype.Service;
import wistel.core.fault.NotFound;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.pictures.Crop;
import wistel.core.pictures.LabScan;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.View;
import wistel.core.printer.ColourRoute;
import wistel.core.rendition.ScanShift;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.server.display.Display;
import wistel.server.store.FileStore;

/** Scans of printed pages, a placed picture at a time. */
@Service
public class ScanService {
    private static final int LARGEST_SCAN_VIEW = 1600;
    private static final LightCurve CODES = new LightCurve(v -> v);

    private final FileStore files;
    private final ProofService proofs;

    ScanService(FileStore files, ProofService proofs) {
        this.files = files;
        this.proofs = proofs;
    }

    /** A placed picture of a page that was scanned. */
    public record Scanned(String scanHash, Page page, Placed placed) {
    }

    /** A scan of a page, as the page is looked at. */
    public record Sheet(View view, double dpi) {
    }

    /** @throws NotFound when it was let go */
    public Sheet sheet(String scanHash, Page page) {
        try (InputStream in = files.open(scanHash)) {
            LabScan scan = LabScan.read(in);
            return new Sheet(new View(scan.width(), scan.height(), 3, scan.pixels()).oriented(page.feedTurn().inverse()), scan.dpi());
        } catch (IOException e) {
            throw new NotFound("The scan of this sheet is not there any more.", "Scan it again, or print it again.");
        }
    }

    /** The picture's part of the scan, as the picture stands upright. */
    private View scanView(Scanned scanned, int width, int height) {
        Orientation turned = scanned.placed.orientation();
        Placed placed = scanned.placed;
        Sheet scan = sheet(scanned.scanHash, scanned.page);
        View sheet = scan.view;
        double perMm = scan.dpi / 25.4;
        double x = Math.max(0, placed.atMm().x() * perMm);
        double y = Math.max(0, placed.atMm().y() * perMm);
        Crop crop = new Crop(x, y, Math.min(sheet.width() - x, placed.atMm().width() * perMm),
            Math.min(sheet.height() - y, placed.atMm().height() * perMm));
        return sheet.scaled(crop, turned.swapsSides() ? height : width, turned.swapsSides() ? width : height, CODES)
            .oriented(turned.inverse());
    }

    public byte[] scan(Scanned scanned, Display display, int longest) {
        Placed placed = scanned.placed;
        double scale = Math.min(longest, LARGEST_SCAN_VIEW) / Math.max(placed.uprightWidthMm(), placed.uprightHeightMm());
        View view = scanView(scanned, (int) Math.max(1, Math.round(placed.uprightWidthMm() * scale)),
            (int) Math.max(1, Math.round(placed.uprightHeightMm() * scale)));
        Transform toDisplay = proofs.transforms().get(new Recipe.FromLab(display.profile(), Intent.ABSOLUTE));
        return Png.of(view.width(), view.height(), toDisplay.apply(view.pixels()), display);
    }

    /**
     * What a scan says of a print against what its proof promised, paper white included.
     *
     * @param mean  CIEDE2000
     * @param shift what is no matter of taste
     */
    record ScanReading(double mean, ScanShift shift) {
    }

    ScanReading reading(ToneProofs.MeasuredProof promised, ColourRoute.ByWistel route, Scanned scanned) {
        Placed placed = scanned.placed;
        int w = 160;
        int h = (int) Math.max(1, Math.round(w * placed.uprightHeightMm() / placed.uprightWidthMm()));
        View small = proofs.pictures().part(promised.seen().master(), placed, w, h);
        char[] shown = proofs.measured(promised.seen(), promised.pairing(), ProofService.onward(route), placed, small);
        char[] seen = scanView(scanned, w, h).pixels();
        return new ScanReading(ProofService.meanDifference(shown, seen), ScanShift.of(shown, seen));
    }
}
