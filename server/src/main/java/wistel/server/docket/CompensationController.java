package wistel.server.docket;

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
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.fault.NotFound;
import wistel.core.rendition.Compensation;
import wistel.core.rendition.Move;
import wistel.server.compensation.CompensationFiles;
import wistel.server.compensation.CompensationRepository;
import wistel.server.edge.FileAnswer;
import wistel.server.pairing.PairingRepository;

/** Compensations: kept, used again, changed, let go of. */
@RestController
@RequestMapping("/api/compensations")
class CompensationController {
    private final CompensationRepository compensations;
    private final CompensationUses uses;
    private final PairingRepository pairings;
    private final CompensationFiles files;

    CompensationController(CompensationRepository compensations, CompensationUses uses, PairingRepository pairings,
        CompensationFiles files) {
        this.files = files;
        this.compensations = compensations;
        this.uses = uses;
        this.pairings = pairings;
    }

    /**
     * @param words   what it does
     * @param madeFor paper that it was made on; empty when it was made on none
     * @param usualOn papers whose new dockets start with it
     */
    record CompensationView(String id, int version, String name, List<Move> moves, String words, String madeFor, List<String> usualOn,
        List<CompensationUses.CompensationUse> uses) {
    }

    private CompensationView view(CompensationRepository.Row row) {
        Compensation c = row.compensation();
        UUID id = UUID.fromString(c.id());
        String madeFor = row.pairingId().flatMap(p -> pairings.find(p.toString())).map(p -> p.paper()).orElse("");
        return new CompensationView(c.id(), c.version(), c.name(), c.moves(), c.words(), madeFor, compensations.usualOn(id),
            uses.of(c.id()));
    }

    @GetMapping
    List<CompensationView> all() {
        return compensations.all().stream().map(this::view).toList();
    }

    /** @param pairingId that it was made on */
    record NewCompensation(String name, List<Move> moves, Optional<UUID> pairingId) {
    }

    @PostMapping
    ResponseEntity<CompensationView> keep(@RequestBody NewCompensation kept) {
        Compensation made = new Compensation(UUID.randomUUID().toString(), 1, kept.name.strip(), kept.moves);
        return ResponseEntity.status(HttpStatus.CREATED).body(view(compensations.add(made, known(kept.pairingId))));
    }

    private Optional<UUID> known(Optional<UUID> pairingId) {
        if (pairingId.isPresent() && pairings.find(pairingId.get().toString()).isEmpty()) {
            throw new NotFound("There is no such pairing.", "Choose another one.");
        }
        return pairingId;
    }

    /** @param follow whether dockets that use an earlier version take this one; each can undo it */
    record NextVersion(List<Move> moves, Optional<UUID> pairingId, boolean follow) {
    }

    @PostMapping("/{id}/versions")
    CompensationView next(@PathVariable UUID id, @RequestBody NextVersion next) {
        uses.next(id, next.moves, known(next.pairingId), next.follow);
        return view(compensations.newest(id));
    }

    record CompensationName(String name) {
    }

    @PatchMapping("/{id}")
    CompensationView rename(@PathVariable UUID id, @RequestBody CompensationName renamed) {
        Compensation now = compensations.newest(id).compensation();
        Compensation next = new Compensation(now.id(), now.version(), renamed.name.strip(), now.moves());
        compensations.rename(id, next.name());
        return view(compensations.newest(id));
    }

    /** The newest version as a small file of its moves. */
    @GetMapping(value = "/{id}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> file(@PathVariable UUID id) {
        Compensation c = compensations.newest(id).compensation();
        return FileAnswer.saved(c.name() + ".json", MediaType.APPLICATION_JSON, files.text(c));
    }

    /** The newest version as an ICC abstract profile. */
    @GetMapping(value = "/{id}/profile", produces = "application/vnd.iccprofile")
    ResponseEntity<byte[]> profile(@PathVariable UUID id) {
        Compensation c = compensations.newest(id).compensation();
        return FileAnswer.saved(c.name() + ".icc", MediaType.parseMediaType("application/vnd.iccprofile"), files.profile(c));
    }

    /** @param words how it was read */
    record TakenCompensation(CompensationView compensation, String words) {
    }

    /** Takes a compensation's file, or an abstract profile, as the request's body. */
    @PostMapping(value = "/files", consumes = "!application/x-www-form-urlencoded")
    ResponseEntity<TakenCompensation> take(@Parameter(hidden = true) HttpServletRequest request) throws IOException {
        CompensationFiles.Taken taken = files.take(request.getInputStream());
        return ResponseEntity.status(HttpStatus.CREATED).body(new TakenCompensation(view(taken.row()), taken.words()));
    }

    /** One that a docket or paper uses stays. */
    @DeleteMapping("/{id}")
    ResponseEntity<Void> delete(@PathVariable UUID id) {
        uses.delete(id);
        return ResponseEntity.noContent().build();
    }

    record UsualCompensation(Optional<UUID> compensationId) {
    }

    /** What new dockets on a pairing start with. */
    @PutMapping("/usual/{pairingId}")
    ResponseEntity<Void> usual(@PathVariable UUID pairingId, @RequestBody UsualCompensation usual) {
        known(Optional.of(pairingId));
        compensations.makeUsual(pairingId, usual.compensationId);
        return ResponseEntity.noContent().build();
    }
}
