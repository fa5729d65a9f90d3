package wistel.server.print;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
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
import wistel.core.docket.findings.Finding;
import wistel.core.docket.spec.LabFile;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.NotFound;
import wistel.core.sheet.Layout;
import wistel.server.docket.IfMatch;
import wistel.server.edge.FileAnswer;
import wistel.server.store.FileStore;

@RestController
@RequestMapping("/api")
class AttemptController {
    private static final Set<String> VERDICTS = Set.of("", "matches", "too dark", "too light", "a cast", "banding", "head strike");
    private static final int LONGEST_REMARK = 2000;

    private final AttemptRepository attempts;
    private final ReleaseService releases;
    private final FileStore files;

    AttemptController(AttemptRepository attempts, ReleaseService releases, FileStore files) {
        this.files = files;
        this.attempts = attempts;
        this.releases = releases;
    }

    record Verdict(Optional<String> verdict, Optional<String> remark) {
    }

    /** Releases the docket: 202 with the attempt to follow by server-sent events. */
    @PostMapping("/dockets/{id}/attempts")
    ResponseEntity<Attempt> release(@PathVariable UUID id, @RequestHeader("If-Match") String version,
        @RequestParam(defaultValue = "false") boolean held) {
        return accepted(releases.release(id, IfMatch.version(version), held));
    }

    /** Writes a print-ready file for a lab: 202 with the attempt to follow. */
    @PostMapping("/dockets/{id}/files")
    ResponseEntity<Attempt> write(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestBody LabFile file) {
        return accepted(releases.write(id, IfMatch.version(version), file));
    }

    /** The file of one page, for whoever prints it. */
    @GetMapping("/attempts/{id}/pages/{page}/file")
    ResponseEntity<Resource> file(@PathVariable UUID id, @PathVariable int page) {
        Attempt a = attempts.get(id);
        String hash = a.page(page).fileHash().filter(files::has)
            .orElseThrow(() -> new NotFound("This file is not there: it isn't written yet, or was let go.",
                "Wait for it, or have exactly this written again."));
        Optional<LabFile.Format> format = attempts.order(id).labFile().map(LabFile::format);
        String name = a.title().replaceAll("[^\\p{L}\\p{N} ,.-]", " ").strip() + (a.pages().size() > 1 ? " " + page : "") + "."
            + format.map(LabFile.Format::suffix).orElse("pwg");
        return FileAnswer.saved(name, MediaType.parseMediaType(format.map(LabFile.Format::mediaType).orElse("image/pwg-raster")),
            new FileSystemResource(files.path(hash)));
    }

    @GetMapping("/dockets/{id}/attempts")
    List<Attempt> ofDocket(@PathVariable UUID id) {
        return attempts.ofDocket(id);
    }

    @GetMapping("/attempts")
    List<Attempt> search(@RequestParam(defaultValue = "") String words) {
        return attempts.search(words.length() > 100 ? words.substring(0, 100) : words);
    }

    @GetMapping("/attempts/{id}")
    Attempt get(@PathVariable UUID id) {
        return attempts.get(id);
    }

    @PostMapping("/attempts/{id}/cancel")
    ResponseEntity<Attempt> cancel(@PathVariable UUID id) {
        releases.cancel(id);
        return ResponseEntity.status(HttpStatus.ACCEPTED).body(attempts.get(id));
    }

    /** @param agreed to pages that were made anew and look different */
    record Held(boolean held, Optional<Boolean> agreed) {
    }

    /** Holds a print before it is sent, or lets it go on. */
    @PutMapping("/attempts/{id}/held")
    Attempt hold(@PathVariable UUID id, @RequestBody Held asked) {
        releases.hold(attempts.get(id).id(), asked.held, asked.agreed.orElse(false));
        return attempts.get(id);
    }

    /** Prints exactly this again. A page whose file must be made anew and comes out different is held until a person agrees. */
    @PostMapping("/attempts/{id}/reprints")
    ResponseEntity<Attempt> again(@PathVariable UUID id) {
        return accepted(releases.again(id));
    }

    /** Prints one page of an attempt that is over again, alone. */
    @PostMapping("/attempts/{id}/pages/{page}/reprints")
    ResponseEntity<Attempt> pageAgain(@PathVariable UUID id, @PathVariable int page) {
        releases.again(id, page);
        return ResponseEntity.accepted().body(attempts.get(id));
    }

    /** Goes on with an attempt that stopped: prints its pages that failed, and those that were never printed. */
    @PostMapping("/attempts/{id}/rest")
    ResponseEntity<Attempt> goOn(@PathVariable UUID id) {
        releases.goOn(id);
        return ResponseEntity.accepted().body(attempts.get(id));
    }

    /** Opens a docket that prints one piece of a print alone. */
    @PostMapping("/attempts/{id}/pieces/{itemId}/dockets")
    ResponseEntity<Alone> alone(@PathVariable UUID id, @PathVariable String itemId) {
        return ResponseEntity.status(HttpStatus.CREATED).body(new Alone(releases.alone(id, itemId)));
    }

    record Alone(UUID docketId) {
    }

    /** The frozen order, as it was written at release. */
    @GetMapping(value = "/attempts/{id}/order", produces = "application/json")
    String order(@PathVariable UUID id) {
        return attempts.storedOrder(id).text();
    }

    /** Where its pictures lie, page by page. */
    @GetMapping("/attempts/{id}/layout")
    Layout layout(@PathVariable UUID id) {
        return attempts.order(id).layout();
    }

    @PutMapping("/attempts/{id}/verdict")
    Attempt judge(@PathVariable UUID id, @RequestBody Verdict v) {
        String verdict = v.verdict().orElse("");
        String remark = v.remark().orElse("");
        if (!VERDICTS.contains(verdict) || remark.length() > LONGEST_REMARK) {
            throw new InvalidRequest(InvalidRequest.Reason.VERDICT_UNCLEAR, "'" + verdict + "' is not one of the verdicts.",
                "Choose one of the list.", Map.of("verdicts", VERDICTS));
        }
        attempts.judge(attempts.get(id).id(), verdict, remark);
        return attempts.get(id);
    }

    /** What to change for the next attempt, by the verdict on this one. */
    @GetMapping("/attempts/{id}/next")
    List<Finding.Fix> next(@PathVariable UUID id) {
        return releases.next(id);
    }

    /** What was different between this print and an earlier one, in words; empty where nothing that a person decides was. */
    @GetMapping("/attempts/{id}/differences")
    List<String> differences(@PathVariable UUID id, @RequestParam UUID from) {
        return releases.differences(from, id);
    }

    private ResponseEntity<Attempt> accepted(UUID id) {
        return ResponseEntity.accepted().header("Location", "/api/attempts/" + id).body(attempts.get(id));
    }
}
