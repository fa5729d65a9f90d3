package wistel.server.proof;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.docket.DocketSpec;
import wistel.core.docket.DocketSpec.ProofSpec;
import wistel.core.docket.Preflight;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.icc.profile.Intent;
import wistel.core.paper.Pairing;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketService;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.pairing.PairingRepository;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptRepository;

/** Pictures and figures of the viewing booth. Pictures are named by all that makes them, so a browser may keep them. */
@RestController
@RequestMapping("/api")
class ProofController {
    private static final int MOST_SLICES = 101;

    private final ProofService proofs;
    private final MasterRepository masters;
    private final DocketRepository dockets;
    private final PairingRepository pairings;
    private final AttemptRepository attempts;
    private final DocketService docketService;

    ProofController(ProofService proofs, MasterRepository masters, DocketRepository dockets, PairingRepository pairings, AttemptRepository attempts, DocketService docketService) {
        this.proofs = proofs;
        this.masters = masters;
        this.dockets = dockets;
        this.pairings = pairings;
        this.attempts = attempts;
        this.docketService = docketService;
    }

    private static ResponseEntity<byte[]> picture(byte[] png) {
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).cacheControl(CacheControl.maxAge(Duration.ofHours(12)).cachePrivate()).body(png);
    }

    @GetMapping(value = "/masters/{id}/picture", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> master(@PathVariable UUID id, @RequestParam(defaultValue = "900") int longest) {
        return picture(proofs.master(masters.get(id), longest));
    }

    /** The proof on the docket's pairing; intent, black point and view as asked, else as decided. */
    @GetMapping(value = "/dockets/{id}/proof", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> proof(@PathVariable UUID id, @RequestParam(defaultValue = "900") int longest, @RequestParam Optional<Intent> intent) {
        DocketSpec d = dockets.get(id).decisions();
        ProofSpec how = new ProofSpec(intent.orElse(d.proof().intent()), d.proof().blackPoint(), d.proof().view(), true);
        return picture(proofs.proof(master(id), pairing(d), how, longest));
    }

    @GetMapping(value = "/dockets/{id}/gamut", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> gamut(@PathVariable UUID id, @RequestParam(defaultValue = "900") int longest) {
        return picture(proofs.gamut(master(id), pairing(dockets.get(id).decisions()), longest));
    }

    /** The boundary of what a paper on a printer can hold, as numbers for plots. */
    @GetMapping("/pairings/{id}/gamut")
    ProofService.Boundary boundary(@PathVariable String id, @RequestParam(defaultValue = "") List<Double> slices) {
        if (slices.size() > MOST_SLICES || slices.stream().anyMatch(l -> !(l >= 0 && l <= 100))) {
            throw new InvalidRequest("slices-out-of-range", "Slices lie at L* 0 to 100, at most " + MOST_SLICES + " at once.", "Ask for other slices.");
        }
        return proofs.boundary(pairings.find(id).orElseThrow(() -> new NotFound("This pairing isn't there.", "Choose another one.")), slices);
    }

    @GetMapping("/dockets/{id}/proof/figures")
    ProofService.Figures figures(@PathVariable UUID id) {
        DocketSpec d = dockets.get(id).decisions();
        return proofs.figures(master(id), pairing(d), d.proof().blackPoint(), Intent.values());
    }

    @GetMapping("/dockets/{id}/proof/probe")
    ProofService.Probe probe(@PathVariable UUID id, @RequestParam double x, @RequestParam double y) {
        DocketSpec d = dockets.get(id).decisions();
        return proofs.probe(master(id), pairing(d), d.proof(), x, y);
    }

    /** How a picture compares on one pairing, without deciding for it: shares out of gamut and mean difference. */
    @GetMapping("/dockets/{id}/pairing-comparison")
    ProofService.Figures comparison(@PathVariable UUID id, @RequestParam String pairingId) {
        Pairing pairing = find(pairingId);
        return proofs.figures(master(id), pairing, true, pairing.intent());
    }

    @GetMapping(value = "/attempts/{id}/scan", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> scan(@PathVariable UUID id, @RequestParam(defaultValue = "900") int longest) {
        Attempt a = attempts.get(id);
        return picture(proofs.scan(scanHash(a), Preflight.place(a.decisions(), docketService.facts(a.decisions(), masters.get(a.masterId()))), longest));
    }

    record ScanFigures(double meanDifference) {
    }

    @GetMapping("/attempts/{id}/scan/figures")
    ScanFigures scanFigures(@PathVariable UUID id) {
        Attempt a = attempts.get(id);
        Master master = masters.get(a.masterId());
        return new ScanFigures(proofs.scanDifference(master, a.profileHash(), a.decisions(),
            Preflight.place(a.decisions(), docketService.facts(a.decisions(), master)), scanHash(a)));
    }

    private static String scanHash(Attempt a) {
        return a.scanHash().orElseThrow(() -> new NotFound("This printer gave no scan of the sheet.", "Judge the sheet itself."));
    }

    private Master master(UUID docket) {
        return masters.get(dockets.get(docket).masterId());
    }

    private Pairing pairing(DocketSpec d) {
        return find(d.pairingId());
    }

    private Pairing find(String id) {
        return pairings.find(id).orElseThrow(() -> new InvalidRequest("pairing-missing", "No paper is chosen yet.", "Choose one at the paper station."));
    }
}
