package wistel.server.strip;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.rendition.StripPart;
import wistel.core.sheet.Varied;
import wistel.server.docket.DocketAnswers;
import wistel.server.docket.DocketView;
import wistel.server.docket.IfMatch;

/** Test strips over REST. */
@RestController
@RequestMapping("/api/dockets/{id}")
class StripController {
    private final StripService strips;
    private final DocketAnswers answers;

    StripController(StripService strips, DocketAnswers answers) {
        this.strips = strips;
        this.answers = answers;
    }

    /**
     * One thing that is varied.
     *
     * @param steps  of a slider, how many; 5 where nothing is said
     * @param step   how far each is from the next
     * @param values of what is one of several, those that are tried beside what is there
     */
    record AxisAsked(Varied what, Optional<Integer> steps, Optional<Double> step, List<String> values) {
    }

    /** A setting of the printer that is varied page by page. */
    record PagesAsked(String setting, List<String> values) {
    }

    record StripAsked(AxisAsked across, Optional<AxisAsked> down, Optional<PagesAsked> pages) {
    }

    /** @param placed ids of one piece of a page, or of two neighbours: what lies in the middle between them is meant */
    record PieceAsked(int page, List<String> placed) {
    }

    /** Variations of a docket's picture, as a docket of their own. */
    @PostMapping("/strips")
    ResponseEntity<DocketView> tryVariations(@PathVariable UUID id, @RequestParam Optional<String> rendition) {
        return answers.created(strips.open(id, rendition));
    }

    /** Finer variations about a piece of a strip, as a docket of their own. */
    @PostMapping("/strips/finer")
    ResponseEntity<DocketView> finer(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestBody PieceAsked piece) {
        return answers.created(strips.finer(id, IfMatch.version(version), piece));
    }

    /** What can be varied of the strip's picture and printer. */
    @GetMapping("/strip/choices")
    StripChoices choices(@PathVariable UUID id) {
        return strips.choices(id);
    }

    /** Decides what is varied. */
    @PutMapping("/strip")
    ResponseEntity<DocketView> vary(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestBody StripAsked asked) {
        strips.vary(id, IfMatch.version(version), asked);
        return answers.changed(id);
    }

    /** What lies in the part that is shown. */
    @GetMapping("/strip/part")
    StripPart part(@PathVariable UUID id) {
        return strips.part(id);
    }

    /** Takes the part of the picture with most of what is looked for, as large as the present one. */
    @PutMapping("/strip/part")
    ResponseEntity<DocketView> choosePart(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestParam StripPart.By by) {
        strips.choosePart(id, IfMatch.version(version), by);
        return answers.changed(id);
    }

    /** Prints the docket that the strip came from like one of its pieces. */
    @PutMapping("/strip/choice")
    StripService.TakenOver choose(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestBody PieceAsked piece) {
        return strips.choose(id, IfMatch.version(version), piece);
    }
}
