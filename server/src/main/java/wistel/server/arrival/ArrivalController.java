package wistel.server.arrival;

import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import wistel.server.docket.DocketAnswers;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketView;
import wistel.server.docket.DocketViews;
import wistel.server.docket.IfMatch;
import wistel.server.edge.FileAnswer;
import wistel.server.master.MasterImport;

/** Files that come in, and newer files of pictures on dockets, over REST. */
@RestController
@RequestMapping("/api")
class ArrivalController {
    private final ArrivalService arrivals;
    private final NewerStates newer;
    private final FileComparison comparison;
    private final MasterImport imports;
    private final DocketAnswers answers;
    private final DocketViews views;
    private final DocketRepository dockets;

    ArrivalController(ArrivalService arrivals, NewerStates newer, FileComparison comparison, MasterImport imports, DocketAnswers answers,
        DocketViews views, DocketRepository dockets) {
        this.arrivals = arrivals;
        this.newer = newer;
        this.comparison = comparison;
        this.imports = imports;
        this.answers = answers;
        this.views = views;
        this.dockets = dockets;
    }

    /**
     * @param docket  that was opened, or is of the newer file now; empty while a person is asked
     * @param arrival that asks
     */
    record ArrivalTaken(Optional<DocketView> docket, Optional<UUID> arrival, String notice) {
    }

    /** @param like a docket that it is printed as, {@code from} a starting point; without both nothing is decided yet */
    record PictureDocketAsked(String hash, String fileName, Optional<UUID> like, Optional<UUID> from) {
    }

    /** @param pictures whose newer state the file is; none for a docket of its own */
    record AnswerAsked(List<NewerStates.DocketPicture> pictures) {
    }

    record NewerFileAsked(String hash, String fileName) {
    }

    private ArrivalTaken taken(ArrivalService.Came came) {
        return new ArrivalTaken(came.docket().map(views::view), came.arrival(), came.notice());
    }

    @GetMapping("/arrivals")
    List<Arrival> all() {
        return arrivals.all();
    }

    /** Takes a picture file as the request's body: a docket is opened for it, or it asks whether it is the newer file of one. */
    @PostMapping(value = "/arrivals", consumes = "!application/x-www-form-urlencoded")
    ResponseEntity<ArrivalTaken> drop(@RequestParam String name, @RequestParam Optional<UUID> from,
        @Parameter(hidden = true) HttpServletRequest request) throws IOException {
        imports.accepts(request.getContentLengthLong());
        return ResponseEntity.status(HttpStatus.CREATED)
            .body(taken(arrivals.dropped(imports.take(name, request.getInputStream()), from)));
    }

    /** A docket for a picture that was brought. */
    @PostMapping("/picture-dockets")
    ResponseEntity<ArrivalTaken> open(@RequestBody PictureDocketAsked asked) {
        asked.like.ifPresent(dockets::get);
        MasterImport.Taken picture = new MasterImport.Taken(newer.master(asked.hash), "", asked.fileName);
        return ResponseEntity.status(HttpStatus.CREATED).body(taken(arrivals.opened(picture, asked.like, asked.from)));
    }

    /** How the file that asks stands to what it may be the newer state of. */
    @GetMapping("/arrivals/{id}/comparisons")
    List<NewerStates.FileCompared> compared(@PathVariable UUID id) {
        return arrivals.compared(id);
    }

    /** What a person says of one that asks. */
    @PutMapping("/arrivals/{id}/answer")
    ArrivalTaken answer(@PathVariable UUID id, @RequestBody AnswerAsked asked) {
        return taken(arrivals.answer(id, asked.pictures));
    }

    /** It isn't told any more; one that asks is let go. */
    @DeleteMapping("/arrivals/{id}")
    ResponseEntity<Void> forget(@PathVariable UUID id) {
        arrivals.forget(id);
        return ResponseEntity.noContent().build();
    }

    /** How a file that was brought stands to each picture of a docket, the likest first. */
    @GetMapping("/masters/{hash}/comparisons")
    List<NewerStates.FileCompared> compared(@PathVariable String hash, @RequestParam UUID docket) {
        return newer.compared(newer.master(hash), docket);
    }

    /** Where a file differs from an older one: the darker, the more; striped where the older one shows nothing. */
    @GetMapping(value = "/masters/{hash}/difference", produces = {MediaType.IMAGE_PNG_VALUE, MediaType.IMAGE_JPEG_VALUE})
    ResponseEntity<byte[]> difference(@PathVariable String hash, @RequestParam String from,
        @RequestParam(defaultValue = "900") int longest) {
        return FileAnswer.forEver().contentType(MediaType.IMAGE_PNG).body(comparison.map(newer.master(from), newer.master(hash), longest));
    }

    /** Puts a newer file in the place of a docket's picture; every decision stays. */
    @PutMapping("/dockets/{id}/renditions/{rendition}/master")
    ResponseEntity<DocketView> take(@PathVariable UUID id, @PathVariable String rendition, @RequestHeader("If-Match") String version,
        @RequestBody NewerFileAsked asked) {
        newer.take(new NewerStates.DocketPicture(id, rendition), IfMatch.version(version), newer.master(asked.hash), asked.fileName);
        return answers.changed(id);
    }
}
