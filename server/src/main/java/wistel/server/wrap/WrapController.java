package wistel.server.wrap;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.InvalidRequest;
import wistel.core.pictures.SideFill;
import wistel.core.sheet.WrapBody;
import wistel.server.display.Display;
import wistel.server.display.DisplayRepository;
import wistel.server.docket.DocketAnswers;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketView;
import wistel.server.docket.IfMatch;
import wistel.server.edge.FileAnswer;
import wistel.server.proof.PrintPredictionService;
import wistel.server.proof.Png;

/** Wraps over REST. */
@RestController
@RequestMapping("/api")
class WrapController {
    private static final int LONGEST_NAME = 80;
    /** Shown until a patch is picked. */
    private static final SideFill.Patch MIDDLE = new SideFill.Patch(0.4, 0.4, 0.2, 0.2);

    private final WrapService wraps;
    private final DocketAnswers answers;
    private final DocketAssessor assessor;
    private final DocketRepository dockets;
    private final PrintPredictionService predictions;
    private final DisplayRepository displays;
    private final OwnBodyRepository own;

    WrapController(WrapService wraps, DocketAnswers answers, DocketAssessor assessor, DocketRepository dockets,
        PrintPredictionService predictions,
        DisplayRepository displays, OwnBodyRepository own) {
        this.wraps = wraps;
        this.answers = answers;
        this.assessor = assessor;
        this.dockets = dockets;
        this.predictions = predictions;
        this.displays = displays;
        this.own = own;
    }

    /** Wraps the docket's picture round a body as its paper suggests. */
    @PostMapping("/dockets/{id}/wrap")
    ResponseEntity<DocketView> wrap(@PathVariable UUID id, @RequestHeader("If-Match") String version) {
        wraps.wrap(id, IfMatch.version(version));
        return answers.changed(id);
    }

    /** Back to one picture on a sheet. */
    @DeleteMapping("/dockets/{id}/wrap")
    ResponseEntity<DocketView> unwrap(@PathVariable UUID id, @RequestHeader("If-Match") String version) {
        wraps.unwrap(id, IfMatch.version(version));
        return answers.changed(id);
    }

    @PatchMapping("/dockets/{id}/wrap")
    ResponseEntity<DocketView> change(@PathVariable UUID id, @RequestHeader("If-Match") String version,
        @RequestBody WrapService.WrapRequest asked) {
        wraps.change(id, IfMatch.version(version), asked);
        return answers.changed(id);
    }

    /** Fills the sides with the mean of a patch of the picture. */
    @PutMapping("/dockets/{id}/wrap/colour")
    ResponseEntity<DocketView> colour(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestBody SideFill.Patch patch) {
        wraps.colour(id, IfMatch.version(version), patch);
        return answers.changed(id);
    }

    /** What the sides may show; {@code CHOSEN} is what the docket says. */
    enum Shown {
        CHOSEN, ITSELF, MIRRORED, STRETCHED, ONE_COLOUR, EXTENDED
    }

    /** One piece, counted from 1, as it is printed, face and sides; with other sides than the docket's where they are asked for. */
    @GetMapping(value = "/dockets/{id}/wrap/pieces/{piece}/picture", produces = {MediaType.IMAGE_PNG_VALUE, MediaType.IMAGE_JPEG_VALUE})
    ResponseEntity<byte[]> picture(@PathVariable UUID id, @PathVariable int piece, @RequestParam(defaultValue = "900") int longest,
        @RequestParam(defaultValue = "CHOSEN") Shown sides,
        @RequestParam(defaultValue = "srgb") String display, @RequestParam(defaultValue = "true") boolean tagged) {
        DocketRepository.Row row = dockets.get(id);
        DocketSpec d = row.spec();
        Optional<SideFill> other = other(d, sides);
        DocketAssessment judged = assessor.assess(other.map(f -> row.with(d.withPlan(d.wrap().plan().filled(f)))).orElse(row));
        if (longest < 16) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A picture of " + longest + " pixels can't be made.",
                "Ask for 16 or more.");
        }
        byte[] png = predictions.alone(judged, piece, displays.display(display, tagged), longest);
        return ResponseEntity.ok().contentType(Png.type(png)).cacheControl(CacheControl.noStore()).body(png);
    }

    private Optional<SideFill> other(DocketSpec d, Shown sides) {
        SideFill now = d.wrap().plan().fill();
        return switch (sides) {
            case CHOSEN -> Optional.empty();
            case ITSELF -> Optional.of(new SideFill.Itself());
            case MIRRORED -> Optional.of(new SideFill.Mirrored());
            case STRETCHED -> Optional.of(new SideFill.Stretched());
            case ONE_COLOUR -> Optional.of(now instanceof SideFill.OneColour ? now : wraps.picked(d, MIDDLE));
            case EXTENDED -> Optional.of(now instanceof SideFill.Extended ? now : new SideFill.Extended(1));
        };
    }

    /** A page for the workbench: sizes, cuts, which side is up, in which order it is folded. */
    @GetMapping(value = "/dockets/{id}/wrap/instructions", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> instructions(@PathVariable UUID id) throws IOException {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        byte[] picture = predictions.alone(judged, 1, new Display(displays.profile("srgb"), true), 900);
        byte[] pdf = WrapInstructions.pdf(judged, picture);
        return FileAnswer.opened("wrap-" + judged.row().number() + ".pdf", MediaType.APPLICATION_PDF, pdf);
    }

    @GetMapping("/own-bodies")
    List<OwnBodyRepository.OwnBody> own() {
        return own.all();
    }

    record BodyAsked(WrapBody.Support support, double turnOverMm) {
    }

    /** Keeps bars or a board under a name. */
    @PutMapping("/own-bodies/{name}")
    List<OwnBodyRepository.OwnBody> keep(@PathVariable String name, @RequestBody BodyAsked asked) {
        String kept = name.strip();
        if (kept.isEmpty() || kept.length() > LONGEST_NAME || !(asked.turnOverMm >= 0)) {
            throw new InvalidRequest(InvalidRequest.Reason.TEXT_OUT_OF_RANGE, "A name has 1 to " + LONGEST_NAME + " characters.",
                "Write another one.");
        }
        own.keep(new OwnBodyRepository.OwnBody(kept, asked.support, asked.turnOverMm));
        return own.all();
    }

    @DeleteMapping("/own-bodies/{name}")
    ResponseEntity<Void> forget(@PathVariable String name) {
        own.forget(name);
        return ResponseEntity.noContent().build();
    }
}
