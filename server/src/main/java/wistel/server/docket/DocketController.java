package wistel.server.docket;

import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
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
import wistel.core.docket.changes.Command;
import wistel.core.docket.findings.SettingChoice;
import wistel.server.edge.Events;
import wistel.server.master.MasterImport;

/** Dockets over REST. Every change names the version it was decided on (If-Match); an older one is refused with 412. */
@RestController
@RequestMapping("/api")
class DocketController {
    private final DocketRepository dockets;
    private final DocketService docketService;
    private final DocketViews views;
    private final DocketOpening opening;
    private final SizeService sizes;
    private final PairingChoice pairings;
    private final MasterImport imports;
    private final OwnSheetRepository ownSheets;
    private final DocketAnswers answers;
    private final Events events;

    DocketController(DocketRepository dockets, DocketService docketService, DocketViews views, DocketOpening opening, SizeService sizes,
        PairingChoice pairings, OwnSheetRepository ownSheets, MasterImport imports, DocketAnswers answers,
        Events events) {
        this.answers = answers;
        this.ownSheets = ownSheets;
        this.dockets = dockets;
        this.docketService = docketService;
        this.views = views;
        this.opening = opening;
        this.sizes = sizes;
        this.pairings = pairings;
        this.imports = imports;
        this.events = events;
    }

    record Opened(DocketView docket, String notice) {
    }

    record SheetAsked(String width, String length, Optional<String> name) {
    }

    record PairingAsked(String pairingId) {
    }

    /** Takes a picture file as the request's body and opens a docket for it; {@code like} names one that it is to be printed like. */
    @PostMapping(value = "/dockets", consumes = "!application/x-www-form-urlencoded")
    ResponseEntity<Opened> open(@RequestParam String name, @RequestParam Optional<UUID> like,
        @RequestParam Optional<UUID> from, @Parameter(hidden = true) HttpServletRequest request) throws IOException {
        like.ifPresent(dockets::get);
        imports.accepts(request.getContentLengthLong());
        MasterImport.Taken taken = imports.take(name, request.getInputStream());
        DocketOpening.Like opened = opening.open(taken, like, from);
        events.publish("docket", opened.docket().toString());
        return ResponseEntity.status(HttpStatus.CREATED)
            .body(new Opened(views.view(opened.docket()), (taken.notice() + " " + opened.notice()).strip()));
    }

    /** The same as a docket of its own. */
    @PostMapping("/dockets/{id}/copies")
    ResponseEntity<DocketView> copy(@PathVariable UUID id) {
        return answers.created(docketService.copy(id));
    }

    @GetMapping("/dockets/{id}")
    ResponseEntity<DocketView> get(@PathVariable UUID id) {
        return answers.of(id);
    }

    /** What the docket's printer can be set to, and what forbids what. */
    @GetMapping("/dockets/{id}/setting-choices")
    List<SettingChoice> settings(@PathVariable UUID id) {
        return views.settings(id);
    }

    /** Makes one decision. */
    @PatchMapping("/dockets/{id}")
    ResponseEntity<DocketView> change(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestBody Command change) {
        docketService.decide(id, IfMatch.version(version), change);
        return answers.changed(id);
    }

    /** Keeps that the proof of a picture as it stands was looked at. It is no decision, so no version is asked for. */
    @PostMapping("/dockets/{id}/renditions/{rendition}/proof-views")
    ResponseEntity<DocketView> seen(@PathVariable UUID id, @PathVariable String rendition) {
        docketService.see(id, rendition);
        return answers.changed(id);
    }

    @PatchMapping("/dockets/{id}/size")
    ResponseEntity<DocketView> resize(@PathVariable UUID id, @RequestHeader("If-Match") String version,
        @RequestBody SizeService.SizeRequest asked) {
        sizes.resize(id, IfMatch.version(version), asked);
        return answers.changed(id);
    }

    @PostMapping("/dockets/{id}/size/largest")
    ResponseEntity<DocketView> enlarge(@PathVariable UUID id, @RequestHeader("If-Match") String version) {
        sizes.enlarge(id, IfMatch.version(version));
        return answers.changed(id);
    }

    /** A sheet cut to measure. */
    @PutMapping("/dockets/{id}/sheet")
    ResponseEntity<DocketView> cutSheet(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestBody SheetAsked asked) {
        sizes.cutSheet(id, IfMatch.version(version), asked.width, asked.length, asked.name.orElse(""));
        return answers.changed(id);
    }

    @DeleteMapping("/own-sheets/{name}")
    ResponseEntity<Void> forget(@PathVariable String name) {
        ownSheets.forget(name);
        return ResponseEntity.noContent().build();
    }

    @PutMapping("/dockets/{id}/pairing")
    ResponseEntity<DocketView> pair(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestBody PairingAsked asked) {
        pairings.choosePairing(id, IfMatch.version(version), asked.pairingId);
        return answers.changed(id);
    }

    /** The docket on other printers' pairings, and what that would change. */
    @GetMapping("/dockets/{id}/alternatives")
    List<AlternativePrinter> elsewhere(@PathVariable UUID id) {
        return pairings.elsewhere(id);
    }

    @PutMapping("/dockets/{id}/alternatives")
    ResponseEntity<DocketView> goElsewhere(@PathVariable UUID id, @RequestHeader("If-Match") String version,
        @RequestBody PairingAsked asked) {
        pairings.goElsewhere(id, IfMatch.version(version), asked.pairingId);
        return answers.changed(id);
    }

    @PostMapping("/dockets/{id}/undo")
    ResponseEntity<DocketView> undo(@PathVariable UUID id, @RequestHeader("If-Match") String version) {
        dockets.step(id, IfMatch.version(version), -1);
        return answers.changed(id);
    }

    @PostMapping("/dockets/{id}/redo")
    ResponseEntity<DocketView> redo(@PathVariable UUID id, @RequestHeader("If-Match") String version) {
        dockets.step(id, IfMatch.version(version), 1);
        return answers.changed(id);
    }

    /** Takes a docket off the bench; its attempts stay in the print log. */
    @PostMapping("/dockets/{id}/archive")
    ResponseEntity<Void> putAway(@PathVariable UUID id, @RequestHeader("If-Match") String version) {
        dockets.putAway(id, IfMatch.version(version));
        events.publish("docket", id.toString());
        return ResponseEntity.noContent().build();
    }
}
