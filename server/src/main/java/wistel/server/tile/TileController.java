package wistel.server.tile;

import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.docket.changes.TileCommand;
import wistel.core.docket.findings.Tilings;
import wistel.core.length.Length;
import wistel.core.sheet.SheetJoint;
import wistel.server.display.DisplayRepository;
import wistel.server.docket.DocketAnswers;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketService;
import wistel.server.docket.DocketView;
import wistel.server.docket.IfMatch;
import wistel.server.edge.FileAnswer;
import wistel.server.proof.Png;

/** Pictures over several sheets, over REST. */
@RestController
@RequestMapping("/api")
class TileController {
    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final JoiningInstructions instructions;
    private final JoinedScans joined;
    private final DisplayRepository displays;
    private final DocketService decisions;
    private final DocketAnswers answers;

    TileController(DocketRepository dockets, DocketAssessor assessor, JoiningInstructions instructions, JoinedScans joined,
        DisplayRepository displays, DocketService decisions, DocketAnswers answers) {
        this.decisions = decisions;
        this.answers = answers;
        this.joined = joined;
        this.displays = displays;
        this.dockets = dockets;
        this.assessor = assessor;
        this.instructions = instructions;
    }

    /** What the picture takes on each stock that the printer takes, both ways round; the fewest sheets first. */
    @GetMapping("/dockets/{id}/tilings")
    List<Tilings.Tiling> tilings(@PathVariable UUID id) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        return Tilings.of(judged.row().spec(), judged.facts());
    }

    /** @param over overlap or bleed as it is typed: "12.7", "0.5in" */
    record JointAsked(SheetJoint.Way way, String over) {
    }

    /** How its sheets are joined. */
    @PutMapping("/dockets/{id}/joint")
    ResponseEntity<DocketView> join(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestBody JointAsked asked) {
        decisions.change(id, IfMatch.version(version),
            new TileCommand.SheetsJoined(new SheetJoint(asked.way, Length.parseMm(asked.over, Length.Unit.MM))));
        return answers.changed(id);
    }

    /** Sheets of a print beside their neighbours: how much they differ where both show the same, and how far they lie beside each other. */
    @GetMapping("/attempts/{id}/seams")
    List<JoinedScans.SeamScan> seams(@PathVariable UUID id) {
        return joined.seams(id);
    }

    /** What is seen of all sheets of a print once they are joined, from their scans. */
    @GetMapping(value = "/attempts/{id}/joined", produces = {MediaType.IMAGE_PNG_VALUE, MediaType.IMAGE_JPEG_VALUE})
    ResponseEntity<byte[]> joined(@PathVariable UUID id, @RequestParam(defaultValue = "900") int longest,
        @RequestParam(defaultValue = "srgb") String display, @RequestParam(defaultValue = "true") boolean tagged) {
        byte[] picture = joined.picture(id, displays.display(display, tagged), longest);
        return ResponseEntity.ok().contentType(Png.type(picture)).cacheControl(CacheControl.noStore()).body(picture);
    }

    /** A page for the workbench: which sheet lies where, which edge on top, and where each is cut. */
    @GetMapping(value = "/dockets/{id}/joining", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> joining(@PathVariable UUID id) throws IOException {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        return FileAnswer.opened("joining-" + judged.row().number() + ".pdf", MediaType.APPLICATION_PDF, instructions.pdf(judged));
    }
}
