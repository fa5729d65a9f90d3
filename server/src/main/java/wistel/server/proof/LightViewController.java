package wistel.server.proof;

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
import wistel.core.fault.InvalidRequest;
import wistel.core.light.Light;
import wistel.server.display.DisplayRepository;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.light.ScreenWhite;

/** A docket's print in a light. {@code change} stands for moves that are not saved yet; the light is given by its numbers. */
@RestController
@RequestMapping("/api/dockets/{id}/renditions/{rendition}")
class LightViewController {
    private static final int LONGEST = 1600;

    private final LightService service;
    private final AskedViews views;
    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final ScreenWhite screen;
    private final DisplayRepository displays;

    LightViewController(LightService service, AskedViews views, DocketRepository dockets, DocketAssessor assessor, ScreenWhite screen,
        DisplayRepository displays) {
        this.service = service;
        this.views = views;
        this.dockets = dockets;
        this.assessor = assessor;
        this.screen = screen;
        this.displays = displays;
    }

    private LightService.Hung hung(UUID id, String rendition, String change, Light light) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        ToneProofs.MeasuredProof toned = views.toned(judged, rendition, change);
        return new LightService.Hung(toned.seen(), toned.pairing(), judged.row().spec().shownRoute(toned.pairing()), light,
            screen.screen());
    }

    @GetMapping(value = "/light-views", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> picture(@PathVariable UUID id, @PathVariable String rendition, @RequestParam(defaultValue = "") String change,
        @RequestParam double lux, @RequestParam double kelvin, @RequestParam(defaultValue = "BESIDE") LightService.Seen seen,
        @RequestParam(defaultValue = ProofController.SRGB) String display, @RequestParam(defaultValue = "true") boolean tagged,
        @RequestParam(defaultValue = "900") int longest) {
        if (longest < 16 || longest > LONGEST) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A view has 16 to " + LONGEST + " pixels.", "Ask for as many.");
        }
        byte[] png = service.picture(hung(id, rendition, change, new Light(lux, kelvin)), seen, displays.display(display, tagged), longest);
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).cacheControl(CacheControl.noStore()).body(png);
    }

    @GetMapping("/light-figures")
    LightService.LightFigures figures(@PathVariable UUID id, @PathVariable String rendition, @RequestParam(defaultValue = "") String change,
        @RequestParam double lux, @RequestParam double kelvin) {
        return service.figures(hung(id, rendition, change, new Light(lux, kelvin)));
    }

    /** The moves that make the print look in this light as it does in the judging light; the docket is not changed. */
    @PostMapping("/light-suggestion")
    LightService.SuggestedForLight suggestion(@PathVariable UUID id, @PathVariable String rendition,
        @RequestParam(defaultValue = "") String change, @RequestParam double lux, @RequestParam double kelvin,
        @RequestParam(defaultValue = "0.7") double share) {
        if (!(share >= 0 && share <= 1)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "It goes from 0, nothing, to 1, all the way.",
                "Give such a share.");
        }
        return service.suggestion(hung(id, rendition, change, new Light(lux, kelvin)), share);
    }
}
