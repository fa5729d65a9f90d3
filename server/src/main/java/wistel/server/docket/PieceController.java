package wistel.server.docket;

import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
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
import wistel.core.sheet.Layout;
import wistel.server.edge.FileAnswer;
import wistel.server.master.MasterImport;

/** Pieces that are printed together, over REST. */
@RestController
@RequestMapping("/api")
class PieceController {
    private final GangService gangs;
    private final DocketRepository dockets;
    private final DocketAnswers answers;
    private final MasterImport imports;
    private final DocketAssessor assessor;
    private final TriedLayouts trials;

    PieceController(GangService gangs, DocketRepository dockets, DocketAnswers answers, MasterImport imports, DocketAssessor assessor,
        TriedLayouts trials) {
        this.trials = trials;
        this.assessor = assessor;
        this.gangs = gangs;
        this.dockets = dockets;
        this.answers = answers;
        this.imports = imports;
    }

    record DocketsAsked(List<UUID> dockets) {
    }

    record SizesAsked(String itemId, List<GangService.SizeWanted> sizes) {
    }

    /** A docket that prints what others hold together. */
    @PostMapping("/joint-dockets")
    ResponseEntity<DocketView> together(@RequestBody DocketsAsked asked) {
        return answers.created(gangs.together(asked.dockets));
    }

    record PicturesAsked(List<GangService.Brought> pictures) {
    }

    /** @param title blank for one that says what it is */
    record PicturesTogether(GangService.Sheet sheet, String title, List<GangService.Brought> pictures) {
    }

    record PiecesAsked(List<String> itemIds) {
    }

    record LongerSide(List<String> itemIds, String longer) {
    }

    record OrderAsked(GangService.Order by) {
    }

    /** @param notice something to tell, empty when there is nothing */
    record BroughtPicture(String hash, String fileName, String notice) {
    }

    /** Takes a picture file as the request's body; it lies on no docket yet. */
    @PostMapping(value = "/masters", consumes = "!application/x-www-form-urlencoded")
    BroughtPicture bring(@RequestParam String name, @Parameter(hidden = true) HttpServletRequest request) throws IOException {
        imports.accepts(request.getContentLengthLong());
        MasterImport.Taken taken = imports.take(name, request.getInputStream());
        return new BroughtPicture(taken.master().hash(), taken.fileName(), taken.notice());
    }

    /** Lays pictures that were brought beside what is on the docket, however that stands by then. */
    @PostMapping("/dockets/{id}/pieces")
    ResponseEntity<DocketView> add(@PathVariable UUID id, @RequestBody PicturesAsked asked) {
        gangs.add(id, asked.pictures);
        return answers.changed(id);
    }

    /** A docket for pictures that were brought together. */
    @PostMapping("/sheet-dockets")
    ResponseEntity<DocketView> open(@RequestBody PicturesTogether asked) {
        return answers.created(gangs.open(asked.sheet, asked.title, asked.pictures));
    }

    /** Puts the pieces in order. */
    @PutMapping("/dockets/{id}/pieces/order")
    ResponseEntity<DocketView> order(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestBody OrderAsked asked) {
        gangs.order(id, IfMatch.version(version), asked.by);
        return answers.changed(id);
    }

    /** Lays what other dockets of the same paper hold beside it. */
    @PostMapping("/dockets/{id}/pieces/from-dockets")
    ResponseEntity<DocketView> add(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestBody DocketsAsked asked) {
        gangs.add(id, IfMatch.version(version), asked.dockets);
        return answers.changed(id);
    }

    /** Lays a picture of the docket in more sizes. */
    @PostMapping("/dockets/{id}/pieces/sizes")
    ResponseEntity<DocketView> resized(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestBody SizesAsked asked) {
        gangs.resized(id, IfMatch.version(version), asked.itemId, asked.sizes);
        return answers.changed(id);
    }

    /** How the pieces would lie with another gutter, or a piece of another size: for who drags it. Nothing is kept. */
    @GetMapping("/dockets/{id}/tried-layout")
    Layout tried(@PathVariable UUID id, @RequestParam(required = false) Double gutterMm, @RequestParam(required = false) String itemId,
        @RequestParam(required = false) Double longerMm) {
        return trials.tried(id,
            new TriedLayouts.Trial(Optional.ofNullable(gutterMm), Optional.ofNullable(itemId), Optional.ofNullable(longerMm)));
    }

    /** A page for the workbench: the numbered cuts of each sheet, and what comes off at each. */
    @GetMapping(value = "/dockets/{id}/cuts", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> cuts(@PathVariable UUID id) throws IOException {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        return FileAnswer.opened("cuts-" + judged.row().number() + ".pdf", MediaType.APPLICATION_PDF, CutInstructions.pdf(judged));
    }

    /** Gives a piece another size. */
    @PatchMapping("/dockets/{id}/pieces/{itemId}")
    ResponseEntity<DocketView> resize(@PathVariable UUID id, @PathVariable String itemId, @RequestHeader("If-Match") String version,
        @RequestBody GangService.PieceSize asked) {
        gangs.resize(id, IfMatch.version(version), itemId, asked);
        return answers.changed(id);
    }

    /** Gives several pieces another size: how long their longer side is. */
    @PatchMapping("/dockets/{id}/pieces")
    ResponseEntity<DocketView> resizeAll(@PathVariable UUID id, @RequestHeader("If-Match") String version,
        @RequestBody LongerSide asked) {
        gangs.resizeAll(id, IfMatch.version(version), asked.itemIds, asked.longer);
        return answers.changed(id);
    }

    /** Lays pieces once more, each to be changed by itself. */
    @PostMapping("/dockets/{id}/pieces/copies")
    ResponseEntity<DocketView> copy(@PathVariable UUID id, @RequestHeader("If-Match") String version, @RequestBody PiecesAsked asked) {
        gangs.copy(id, IfMatch.version(version), asked.itemIds);
        return answers.changed(id);
    }

    /** Dockets that wait for the same paper and together fit on what stays bare. */
    @GetMapping("/dockets/{id}/fitting")
    List<UUID> fitting(@PathVariable UUID id) {
        return gangs.fitting(id);
    }

    /** Lays the pieces in another way. */
    @PatchMapping("/dockets/{id}/arrangement")
    ResponseEntity<DocketView> arrange(@PathVariable UUID id, @RequestHeader("If-Match") String version,
        @RequestBody GangService.ArrangementAsked asked) {
        gangs.arrange(id, IfMatch.version(version), asked);
        return answers.changed(id);
    }
}
