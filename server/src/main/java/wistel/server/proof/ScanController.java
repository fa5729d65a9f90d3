package wistel.server.proof;

import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Variations;
import wistel.core.fault.NotFound;
import wistel.core.pairing.PairingVersion;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.server.display.DisplayRepository;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.print.AttemptPage;
import wistel.server.print.AttemptRepository;

/** Scans of printed pages over REST. */
@RestController
@RequestMapping("/api")
class ScanController {
    private static final String SRGB = "srgb";

    private final ScanService scans;
    private final AttemptRepository attempts;
    private final MasterRepository masters;
    private final ToneProofs tones;
    private final DisplayRepository displays;

    ScanController(ScanService scans, AttemptRepository attempts, MasterRepository masters, ToneProofs tones, DisplayRepository displays) {
        this.scans = scans;
        this.attempts = attempts;
        this.masters = masters;
        this.tones = tones;
        this.displays = displays;
    }

    /** The scan of one picture of a page, as the picture stands upright. */
    @GetMapping(value = "/attempts/{id}/pages/{page}/placed/{placed}/scan", produces = {MediaType.IMAGE_PNG_VALUE,
        MediaType.IMAGE_JPEG_VALUE})
    ResponseEntity<byte[]> scan(@PathVariable UUID id, @PathVariable int page, @PathVariable String placed,
        @RequestParam(defaultValue = "900") int longest,
        @RequestParam(defaultValue = SRGB) String display, @RequestParam(defaultValue = "true") boolean tagged) {
        return ProofController.picture(scans.scan(scanned(id, page, placed), displays.display(display, tagged), longest));
    }

    /** @param shifted how the print came out otherwise than foreseen, in words; blank where nobody would see it */
    record ScanFigures(double meanDifference, String shifted) {
    }

    @GetMapping("/attempts/{id}/pages/{page}/placed/{placed}/scan/figures")
    ScanFigures scanFigures(@PathVariable UUID id, @PathVariable int page, @PathVariable String placed) {
        PrintOrder order = attempts.order(id);
        ScanService.Scanned scanned = scanned(id, page, placed);
        ScanService.ScanReading reading = scans.reading(promised(order, scanned.placed()),
            Variations.of(order.spec(), scanned.placed()).shownRoute(order.pairing()), scanned);
        return new ScanFigures(reading.mean(), reading.shift().words());
    }

    /** What the proof showed when the order was frozen. */
    private ToneProofs.MeasuredProof promised(PrintOrder order, Placed placed) {
        DocketSpec d = Variations.of(order.spec(), placed);
        Rendition r = d.rendition(placed.renditionId());
        Master master = masters.byHash(r.masterHash())
            .orElseThrow(() -> new NotFound("There is no such picture.", "Go back to the bench."));
        PairingVersion pairing = order.pairing().withCurves(order.curve().stream().toList());
        String tone = d.tone(r, master.channels(), order.curve()).orElse("");
        return tones.of(new RenditionView(master, r.change()), pairing, tone, ProofService.onward(d.shownRoute(pairing)));
    }

    private ScanService.Scanned scanned(UUID attempt, int number, String id) {
        String hash = scanHash(attempt, number);
        Page page = attempts.order(attempt).page(number);
        Placed whole = page.placed(id)
            .orElseThrow(() -> new NotFound("Nothing of that name lies on page " + number + ".", "Choose one of its pictures."));
        // of a picture that reaches over the edge, the scan shows what is on the paper; of one with sides its face, as these may be moved
        Placed placed = whole.face().on(page.widthMm(), page.heightMm())
            .orElseThrow(() -> new NotFound("This picture lies beside the paper.", "Choose another one."));
        return new ScanService.Scanned(hash, page, placed);
    }

    private String scanHash(UUID attempt, int number) {
        AttemptPage page = attempts.get(attempt).page(number);
        if (page.scanHash().isPresent() && !page.scanKept()) {
            throw new NotFound("The scan of this sheet was let go to make room.", "Print it again to see one.");
        }
        return page.scanHash().orElseThrow(() -> new NotFound("This printer gave no scan of the sheet.", "Judge the sheet itself."));
    }
}
