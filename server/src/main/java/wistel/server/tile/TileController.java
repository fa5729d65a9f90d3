package wistel.server.tile;

import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.docket.findings.Tilings;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.edge.FileAnswer;

/** Pictures over several sheets, over REST. */
@RestController
@RequestMapping("/api/dockets/{id}")
class TileController {
    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final JoiningInstructions instructions;

    TileController(DocketRepository dockets, DocketAssessor assessor, JoiningInstructions instructions) {
        this.dockets = dockets;
        this.assessor = assessor;
        this.instructions = instructions;
    }

    /** What the picture takes on each stock that the printer takes, both ways round; the fewest sheets first. */
    @GetMapping("/tilings")
    List<Tilings.Tiling> tilings(@PathVariable UUID id) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        return Tilings.of(judged.row().spec(), judged.facts());
    }

    /** A page for the workbench: which sheet lies where, which edge on top, and where each is cut. */
    @GetMapping(value = "/joining", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> joining(@PathVariable UUID id) throws IOException {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        return FileAnswer.opened("joining-" + judged.row().number() + ".pdf", MediaType.APPLICATION_PDF, instructions.pdf(judged));
    }
}
