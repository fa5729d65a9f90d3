package wistel.server.proof;

import java.util.Optional;
import java.util.List;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.gamut.PictureColours;
import wistel.core.icc.profile.Intent;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.ColourRoute;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.Suggestion;
import wistel.core.rendition.Toning;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.pairing.PairingRepository;

/**
 * What helps to treat and compensate a docket's picture. {@code change} stands for sliders that are not saved yet; without it, the docket's
 * own count.
 */
@RestController
@RequestMapping("/api/dockets/{id}/renditions/{rendition}")
class RenditionController {
    private final RenditionService renditions;
    private final AskedViews views;
    private final DocketRepository dockets;
    private final PairingRepository pairings;
    private final DocketAssessor assessor;
    private final ProofService proofs;

    RenditionController(RenditionService renditions, AskedViews views, DocketRepository dockets, PairingRepository pairings,
        DocketAssessor assessor, ProofService proofs) {
        this.proofs = proofs;
        this.assessor = assessor;
        this.renditions = renditions;
        this.views = views;
        this.dockets = dockets;
        this.pairings = pairings;
    }

    private PairingVersion pairing(DocketSpec d) {
        return pairings.chosen(d.pairingId());
    }

    @GetMapping("/hues")
    RenditionService.Hues hues(@PathVariable UUID id, @PathVariable String rendition) {
        return renditions.hues(views.seen(dockets.get(id).spec(), rendition, ""));
    }

    record Hue(double hue) {
    }

    /** The hue at a place of the picture, 0 to 1 across and down. */
    @GetMapping("/hue")
    Hue hue(@PathVariable UUID id, @PathVariable String rendition, @RequestParam double x, @RequestParam double y) {
        if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A place in a picture goes from 0 to 1.", "Choose another one.");
        }
        return new Hue(renditions.hue(views.seen(dockets.get(id).spec(), rendition, ""), x, y));
    }

    @GetMapping("/move-curves")
    RenditionService.Shape shape(@PathVariable UUID id, @PathVariable String rendition, @RequestParam(defaultValue = "") String change) {
        return renditions.shape(views.seen(dockets.get(id).spec(), rendition, change).change());
    }

    /** Grays from black to paper, as the picture's treatment and moves print them. */
    @GetMapping(value = "/ramp", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> ramp(@PathVariable UUID id, @PathVariable String rendition, @RequestParam(defaultValue = "") String change) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        DocketSpec d = judged.row().spec();
        Optional<ToneProofs.MeasuredProof> toned = judged.facts().pairing().map(p -> views.toned(judged, rendition, change));
        byte[] png = renditions.ramp(toned.map(ToneProofs.MeasuredProof::seen).orElseGet(() -> views.seen(d, rendition, change)),
            toned.map(ToneProofs.MeasuredProof::pairing),
            toned.map(t -> d.shownRoute(t.pairing())).orElse(new ColourRoute.ByWistel(Intent.RELATIVE, true)));
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).cacheControl(CacheControl.noStore()).body(png);
    }

    @GetMapping("/end-points")
    RenditionService.Ends ends(@PathVariable UUID id, @PathVariable String rendition, @RequestParam(defaultValue = "") String change) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        DocketSpec d = judged.row().spec();
        ToneProofs.MeasuredProof toned = views.toned(judged, rendition, change);
        return renditions.ends(toned.seen(), toned.pairing(), d.shownRoute(toned.pairing()));
    }

    @GetMapping(value = "/end-points/picture", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> endMarks(@PathVariable UUID id, @PathVariable String rendition, @RequestParam(defaultValue = "") String change,
        @RequestParam(defaultValue = "900") int longest) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        DocketSpec d = judged.row().spec();
        ToneProofs.MeasuredProof toned = views.toned(judged, rendition, change);
        byte[] png = renditions.endMarks(toned.seen(), toned.pairing(), d.shownRoute(toned.pairing()), longest);
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).cacheControl(CacheControl.noStore()).body(png);
    }

    @GetMapping("/shadows")
    RenditionService.Shadows shadows(@PathVariable UUID id, @PathVariable String rendition,
        @RequestParam(defaultValue = "") String change) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        DocketSpec d = judged.row().spec();
        ToneProofs.MeasuredProof toned = views.toned(judged, rendition, change);
        return renditions.shadows(toned.seen(), toned.pairing(), d.shownRoute(toned.pairing()));
    }

    /** The print's colours as points, those apart that a paper can't hold; of any paper, not the docket's alone. */
    @GetMapping("/gamut-colours")
    PictureColours gamutColours(@PathVariable UUID id, @PathVariable String rendition, @RequestParam UUID pairing) {
        DocketSpec d = dockets.get(id).spec();
        return proofs.colours(views.seen(d, rendition, ""), pairings.get(pairing.toString()));
    }

    /** The moves that bring this print closest to its master; the docket is not changed. */
    @PostMapping("/suggestion")
    RenditionService.Suggested suggestion(@PathVariable UUID id, @PathVariable String rendition,
        @RequestParam(defaultValue = "CLOSEST") Suggestion.Goal goal) {
        return renditions.suggestion(dockets.get(id), rendition, goal);
    }

    /** Toning that suits the docket's paper. */
    @GetMapping("/toning")
    Toning toning(@PathVariable UUID id, @PathVariable String rendition) {
        DocketSpec d = dockets.get(id).spec();
        d.rendition(rendition);
        return Toning.following(pairing(d).white().toArray());
    }
}
