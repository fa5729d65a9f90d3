package wistel.server.truesize;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.FeedScale;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptState;

/** True size of a pairing: its factors, ruled lines, what a ruler said of them. */
@RestController
class TrueSizeController {
    private final TrueSizeService service;

    TrueSizeController(TrueSizeService service) {
        this.service = service;
    }

    /**
     * @param words  what is done to prints because of it; empty for nothing
     * @param rulers printed ones, the newest first
     */
    record TrueSize(FeedScale scale, String words, List<RulerView> rulers) {
    }

    /**
     * @param attempt its newest print, and how far that is
     * @param reading what a ruler said, where it was measured
     */
    record RulerView(UUID id, UUID docketId, double acrossMm, double alongMm, String stock, Instant printed,
        Optional<UUID> attempt, Optional<AttemptState> state, Optional<RulerRepository.Reading> reading) {
    }

    /** Lengths as they are read and typed: "999.2", "39.4in"; one may be left empty. */
    record RulerReading(String across, String along) {
    }

    @GetMapping("/api/pairings/{id}/true-size")
    TrueSize trueSize(@PathVariable UUID id) {
        return of(service.pairing(id));
    }

    /** Prints ruled lines on what lies in the printer. */
    @PostMapping("/api/pairings/{id}/rulers")
    @ResponseStatus(HttpStatus.CREATED)
    RulerView print(@PathVariable UUID id) {
        return view(service.print(id));
    }

    /** Keeps what a ruler says, in the pairing's next version. */
    @PutMapping("/api/rulers/{id}/reading")
    TrueSize read(@PathVariable UUID id, @RequestBody RulerReading reading) {
        return of(service.read(id, reading.across, reading.along));
    }

    /** Lets the factors go, in the pairing's next version. */
    @DeleteMapping("/api/pairings/{id}/true-size")
    TrueSize forget(@PathVariable UUID id) {
        return of(service.forget(id));
    }

    private TrueSize of(PairingVersion pairing) {
        return new TrueSize(pairing.feedScale(), DocketPhrases.trueSize(pairing.feedScale()),
            service.printed(UUID.fromString(pairing.pairingId())).stream().map(this::view).toList());
    }

    private RulerView view(RulerRepository.Row r) {
        Optional<Attempt> attempt = service.attempt(r);
        return new RulerView(r.id(), r.docketId(), r.lengths().acrossMm(), r.lengths().alongMm(), r.stock(), r.created(),
            attempt.map(Attempt::id), attempt.map(Attempt::state), r.reading());
    }
}
