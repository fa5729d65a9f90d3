package wistel.server.proof;

import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.docket.costs.Costs;
import wistel.core.docket.findings.PrintPrediction;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Sharpening;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.ProofView;
import wistel.core.pairing.PairingVersion;
import wistel.core.pictures.Crop;
import wistel.core.pictures.Histogram;
import wistel.core.pictures.View;
import wistel.core.printer.RasterType;
import wistel.core.render.StampLayer;
import wistel.core.rendition.PairingComparison;
import wistel.core.rendition.PicturePlaces;
import wistel.core.rendition.RenditionCompiler;
import wistel.server.display.DisplayRepository;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.PrintHistory;
import wistel.server.edge.FileAnswer;
import wistel.server.mark.MarkArts;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.master.PreviewStore;
import wistel.server.pairing.PairingRepository;
import wistel.server.store.Hash;
import wistel.server.store.ProfileRepository;

/**
 * Pictures and figures of the viewing booth. A picture's address names everything that it depends on, so a browser may keep it for ever.
 */
@RestController
@RequestMapping("/api")
class ProofController {
    private static final int MOST_SLICES = 101;
    private static final int WIDEST_PART = 4000;
    static final String SRGB = "srgb";

    private final ProofService proofs;
    private final PaperViews papers;
    private final LoupeService loupes;
    private final PrintPredictionService predictions;
    private final PrintHistory history;
    private final DocketAssessor assessor;
    private final MasterRepository masters;
    private final DocketRepository dockets;
    private final PairingRepository pairings;
    private final RenditionChangeParser changes;
    private final DisplayRepository displays;
    private final ToneProofs tones;
    private final ProfileRepository profiles;
    private final PreviewStore previews;
    private final MarkArts marks;

    ProofController(ProofService proofs, PaperViews papers, LoupeService loupes, PrintPredictionService predictions, PrintHistory history,
        DocketAssessor assessor,
        MasterRepository masters, DocketRepository dockets, PairingRepository pairings,
        RenditionChangeParser changes,
        DisplayRepository displays, ProfileRepository profiles, ToneProofs tones, PreviewStore previews,
        MarkArts marks) {
        this.marks = marks;
        this.previews = previews;
        this.tones = tones;
        this.profiles = profiles;
        this.displays = displays;
        this.changes = changes;
        this.proofs = proofs;
        this.papers = papers;
        this.loupes = loupes;
        this.predictions = predictions;
        this.history = history;
        this.assessor = assessor;
        this.masters = masters;
        this.dockets = dockets;
        this.pairings = pairings;
    }

    /** Its address names everything that it depends on. */
    static ResponseEntity<byte[]> picture(byte[] png) {
        return FileAnswer.forEver().contentType(Png.type(png)).body(png);
    }

    private Master byHash(String hash) {
        return masters.byHash(hash).orElseThrow(() -> new NotFound("There is no such picture.", "Go back to the bench."));
    }

    private PairingVersion version(String pairing, int number) {
        return pairings.find(pairing, number).orElseThrow(() -> new NotFound("There is no such pairing.", "Choose another one."));
    }

    private RenditionView seen(String hash, String change) {
        RenditionChangeParser.AskedChange asked = changes.asked(change);
        return new RenditionView(byHash(hash), asked.change(), asked.framed(), List.of(),
            asked.stamps().stream().map(s -> new StampLayer.OnPicture(s, marks.art(s.art()), marks.white())).toList());
    }

    @GetMapping(value = "/masters/{hash}/picture", produces = {MediaType.IMAGE_PNG_VALUE, MediaType.IMAGE_JPEG_VALUE})
    ResponseEntity<byte[]> master(@PathVariable String hash, @RequestParam(defaultValue = "900") int longest,
        @RequestParam(defaultValue = "") String change,
        @RequestParam(defaultValue = SRGB) String display, @RequestParam(defaultValue = "true") boolean tagged) {
        RenditionView seen = seen(hash, change);
        return picture(proofs.master(seen, displays.display(display, tagged), previews.view(seen.master(), longest)));
    }

    /**
     * A part of a master, for who looks at it in life size.
     *
     * @param x, y, width, height of the part, in pixels of the upright master
     * @param wide of what is answered, in pixels; never enlarged
     */
    @GetMapping(value = "/masters/{hash}/part", produces = {MediaType.IMAGE_PNG_VALUE, MediaType.IMAGE_JPEG_VALUE})
    ResponseEntity<byte[]> part(@PathVariable String hash, @RequestParam double x, @RequestParam double y, @RequestParam double width,
        @RequestParam double height, @RequestParam int wide, @RequestParam(defaultValue = "") String change,
        @RequestParam(defaultValue = SRGB) String display, @RequestParam(defaultValue = "true") boolean tagged) {
        RenditionView seen = seen(hash, change);
        Master m = seen.master();
        boolean within = x >= 0 && y >= 0 && width >= 1 && height >= 1 && x + width <= m.width() && y + height <= m.height();
        if (!within || wide < 1 || wide > WIDEST_PART || height * Math.min(1, wide / width) > WIDEST_PART) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "There is no such part of this picture.",
                "Ask for a part that lies within it, up to " + WIDEST_PART + " pixels a side.");
        }
        Crop crop = new Crop(x, y, width, height);
        View part = previews.part(m, crop, wide);
        return picture(proofs.master(seen, displays.display(display, tagged), part, PicturePlaces
            .part(new PicturePlaces.Part(m.width(), m.height(), crop, 0), part.width(), part.height(), seen.framed())));
    }

    /** How a master's codes are spread. */
    @GetMapping("/masters/{hash}/histogram")
    ResponseEntity<Histogram> histogram(@PathVariable String hash) {
        return FileAnswer.forEver().body(masters.histogram(new Hash(hash).hex()));
    }

    /** A master as a version of a pairing would lay it down. */
    @GetMapping(value = "/masters/{hash}/proof", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> proof(@PathVariable String hash, @RequestParam String pairing, @RequestParam int version,
        @RequestParam Intent intent,
        @RequestParam boolean black, @RequestParam(defaultValue = "PAPER_WHITE") ProofView view,
        @RequestParam(defaultValue = "900") int longest,
        @RequestParam(defaultValue = "") String change, @RequestParam(defaultValue = "") String tone,
        @RequestParam(defaultValue = SRGB) String display,
        @RequestParam(defaultValue = "true") boolean tagged) {
        ProofService.ProofOptions how = new ProofService.ProofOptions(intent, black, view, displays.display(display, tagged));
        ToneProofs.MeasuredProof toned = tones.of(seen(hash, change), version(pairing, version), tone,
            new RenditionCompiler.ConversionOptions(intent, black));
        return picture(proofs.proof(toned.seen(), toned.pairing(), how, longest));
    }

    /** A master as it would look through a profile that need not belong to a pairing yet. */
    @GetMapping(value = "/profiles/{hash}/proofs/{master}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> proofThrough(@PathVariable String hash, @PathVariable String master, @RequestParam Intent intent,
        @RequestParam(defaultValue = "900") int longest, @RequestParam(defaultValue = SRGB) String display,
        @RequestParam(defaultValue = "true") boolean tagged) {
        ProofService.ProofOptions how = new ProofService.ProofOptions(intent, true, ProofView.PAPER_WHITE,
            displays.display(display, tagged));
        return picture(proofs.proof(seen(master, ""), profiles.get(hash), how, longest));
    }

    /** What a version of a pairing can't hold of a master, as marks to lay over it. */
    @GetMapping(value = "/masters/{hash}/gamut", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> gamut(@PathVariable String hash, @RequestParam String pairing, @RequestParam int version,
        @RequestParam(defaultValue = "900") int longest,
        @RequestParam(defaultValue = "") String change, @RequestParam(defaultValue = "") String tone) {
        PairingVersion on = version(pairing, version);
        ToneProofs.MeasuredProof toned = tones.of(seen(hash, change), on, tone, new RenditionCompiler.ConversionOptions(on.intent(), true));
        return picture(proofs.gamut(toned.seen(), toned.pairing(), longest));
    }

    /** Grays and hues as the paper of a profile gives them. */
    @GetMapping(value = "/profiles/{hash}/sweep", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> sweep(@PathVariable String hash, @RequestParam(defaultValue = SRGB) String display,
        @RequestParam(defaultValue = "true") boolean tagged) {
        return picture(papers.sweep(profiles.get(hash), displays.display(display, tagged)));
    }

    /** The boundary of what a paper on a printer can hold, as numbers for plots. */
    @GetMapping("/pairings/{id}/gamut")
    PaperViews.Boundary boundary(@PathVariable String id, @RequestParam(defaultValue = "") List<Double> slices) {
        checked(slices);
        return papers.boundary(pairings.find(id).orElseThrow(() -> new NotFound("This pairing isn't there.", "Choose another one.")),
            slices);
    }

    /** The boundary of a standard RGB space, to be seen beside a paper's. */
    @GetMapping("/spaces/{space}/gamut")
    PaperViews.Boundary boundary(@PathVariable Space space, @RequestParam(defaultValue = "") List<Double> slices) {
        checked(slices);
        return papers.boundary(space.profile, slices);
    }

    /** Standard spaces that pictures are often in. */
    enum Space {
        SRGB(StandardSpaces.SRGB), P3(StandardSpaces.P3), OPRGB(StandardSpaces.OPRGB), WIDE(StandardSpaces.WIDE_RGB);

        private final IccProfile profile;

        Space(IccProfile profile) {
            this.profile = profile;
        }
    }

    private static void checked(List<Double> slices) {
        if (slices.size() > MOST_SLICES || slices.stream().anyMatch(l -> !(l >= 0 && l <= 100))) {
            throw new InvalidRequest(InvalidRequest.Reason.SLICES_OUT_OF_RANGE,
                "Slices lie at L* 0 to 100, at most " + MOST_SLICES + " at once.", "Ask for other slices.");
        }
    }

    @GetMapping("/dockets/{id}/renditions/{rendition}/figures")
    Figures figures(@PathVariable UUID id, @PathVariable String rendition,
        @RequestParam(defaultValue = "true") boolean compensated,
        @RequestParam(defaultValue = SRGB) String display) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        DocketSpec d = judged.row().spec();
        ToneProofs.MeasuredProof toned = toned(judged, rendition);
        return proofs.figures(compensated ? toned.seen() : toned.seen().withoutMoves(), toned.pairing(), onward(d),
            displays.profile(display));
    }

    @GetMapping("/dockets/{id}/renditions/{rendition}/probe")
    ProofService.Probe probe(@PathVariable UUID id, @PathVariable String rendition, @RequestParam double x, @RequestParam double y) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        ToneProofs.MeasuredProof toned = toned(judged, rendition);
        return proofs.probe(toned.seen(), toned.pairing(), onward(judged.row().spec()), x, y);
    }

    private RenditionCompiler.ConversionOptions onward(DocketSpec d) {
        return ProofService.onward(d.shownRoute(pairing(d)));
    }

    /**
     * A place of the final raster, pixel for pixel: x and y are shares of one part of the picture, of those that the layout cuts it into.
     */
    @GetMapping(value = "/dockets/{id}/renditions/{rendition}/loupe", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> loupe(@PathVariable UUID id, @PathVariable String rendition, @RequestParam(defaultValue = "0") int part,
        @RequestParam double x, @RequestParam double y,
        @RequestParam(defaultValue = "OFF") Sharpening sharpening, @RequestParam(defaultValue = "false") boolean mask) {
        if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A place in a picture goes from 0 to 1.", "Choose another one.");
        }
        DocketAssessment judged = assessor.assess(dockets.get(id));
        byte[] png = loupes.picture(judged, master(judged.row().spec(), rendition), rendition,
            new LoupeService.At(part, x, y, sharpening, mask));
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).cacheControl(CacheControl.noStore()).body(png);
    }

    /**
     * A space in which the driver would take the pictures for a conversion of its own.
     *
     * @param lost share of the pictures' colours that it can't hold, of the picture that loses most
     */
    record DriverSpace(RasterType.Space space, String name, double lost) {
    }

    /** The spaces that the docket's printer takes, the one that loses least first. */
    @GetMapping("/dockets/{id}/driver-spaces")
    List<DriverSpace> driverSpaces(@PathVariable UUID id) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        return judged.facts().described().driverSpaces().stream().map(RasterType::space).map(space -> {
            IccProfile profile = space == RasterType.Space.OPRGB ? StandardSpaces.OPRGB : StandardSpaces.SRGB;
            double lost = judged.row().spec().renditions().stream().mapToDouble(r -> proofs.lost(counted(judged, r.id()), profile)).max()
                .orElse(0);
            return new DriverSpace(space, space == RasterType.Space.OPRGB ? "opRGB" : "sRGB", lost);
        }).sorted(Comparator.comparingDouble(DriverSpace::lost)).toList();
    }

    /** Time, ink and paper that printing the docket takes, and how sure that is. */
    @GetMapping("/dockets/{id}/costs")
    Costs costs(@PathVariable UUID id) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        PairingVersion pairing = pairings.chosen(judged.row().spec().pairingId());
        return Costs.of(judged.row().spec(), judged.facts(), judged.layout(), predictions.coverage(judged),
            history.past(pairing.pairingId()));
    }

    /** A page as the settings would have it come out, mistakes included. */
    @GetMapping(value = "/dockets/{id}/pages/{page}/prediction", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> laidDown(@PathVariable UUID id, @PathVariable int page, @RequestParam(defaultValue = "900") int longest,
        @RequestParam(defaultValue = SRGB) String display,
        @RequestParam(defaultValue = "true") boolean tagged) {
        byte[] png = predictions.picture(assessor.assess(dockets.get(id)), page, displays.display(display, tagged), longest);
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).cacheControl(CacheControl.noStore()).body(png);
    }

    /** What there is to see on it, and why. */
    @GetMapping("/dockets/{id}/pages/{page}/prediction/notes")
    PrintPrediction laidDownNotes(@PathVariable UUID id, @PathVariable int page) {
        return predictions.told(assessor.assess(dockets.get(id)), page);
    }

    /** How a picture would come out on every pairing, the best first; nothing is decided for it. */
    @GetMapping("/dockets/{id}/renditions/{rendition}/pairing-comparison")
    List<PairingComparison> comparison(@PathVariable UUID id, @PathVariable String rendition) {
        return proofs.compared(counted(assessor.assess(dockets.get(id)), rendition), pairings.all());
    }

    private RenditionView seen(DocketSpec d, String renditionId) {
        return new RenditionView(master(d, renditionId), d.rendition(renditionId).change());
    }

    /** As a wedge says that its tones print, where one was measured. */
    private ToneProofs.MeasuredProof toned(DocketAssessment judged, String renditionId) {
        return tones.of(judged, renditionId, counted(judged, renditionId), pairing(judged.row().spec()));
    }

    /** With the part of it that is printed. */
    private RenditionView counted(DocketAssessment judged, String renditionId) {
        return seen(judged.row().spec(), renditionId).on(judged, renditionId);
    }

    private Master master(DocketSpec d, String renditionId) {
        return byHash(d.rendition(renditionId).masterHash());
    }

    private PairingVersion pairing(DocketSpec d) {
        return pairings.chosen(d.pairingId());
    }
}
