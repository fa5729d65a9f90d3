package wistel.server.check;

import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
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
import wistel.core.colour.Lab;
import wistel.core.icc.check.ControlStrip;
import wistel.core.icc.check.StripVerdict;
import wistel.core.icc.making.ChartPage;
import wistel.server.check.PaperCheckRepository.Read;
import wistel.server.check.PaperCheckRepository.Row;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptRepository;
import wistel.server.print.AttemptState;
import wistel.server.print.ChartSheets;
import wistel.server.store.ReadingFiles;

/** Checks of papers, and how often they are wished for. */
@RestController
class PaperCheckController {
    private final PaperCheckService service;
    private final PaperCheckRepository checks;
    private final CheckInterval interval;
    private final ChartSheets sheets;
    private final AttemptRepository attempts;

    PaperCheckController(PaperCheckService service, PaperCheckRepository checks, CheckInterval interval, ChartSheets sheets,
        AttemptRepository attempts) {
        this.service = service;
        this.checks = checks;
        this.interval = interval;
        this.sheets = sheets;
        this.attempts = attempts;
    }

    /** @param read empty before */
    record StripPatchView(String place, String name, ControlStrip.Kind kind, Lab foreseen, Optional<Lab> read, Optional<Double> distance) {
    }

    /**
     * @param version of the pairing that it is about
     * @param attempt of its print; empty before, and of a strip that was printed elsewhere
     * @param beside  what it was printed beside; empty of one on a sheet of its own
     * @param figures of the verdict beside their limits
     */
    record CheckView(UUID id, UUID pairingId, int version, Instant created, Optional<UUID> attempt, Optional<AttemptState> state,
        Optional<String> beside, List<StripPatchView> patches, Optional<StripVerdict> verdict, List<StripVerdict.Figure> figures,
        Optional<Instant> taken) {
    }

    /** Of a pairing, the newest first. */
    @GetMapping("/api/pairings/{id}/checks")
    List<CheckView> checks(@PathVariable UUID id) {
        return checks.of(id).stream().map(this::view).toList();
    }

    record NewCheck(int patches) {
    }

    /** Prints a strip. */
    @PostMapping("/api/pairings/{id}/checks")
    @ResponseStatus(HttpStatus.CREATED)
    CheckView begin(@PathVariable UUID id, @RequestBody NewCheck asked) {
        return view(service.begin(id, asked.patches));
    }

    /** Has the instrument in the printer's room read it. */
    @PostMapping("/api/checks/{id}/readings/instrument")
    @ResponseStatus(HttpStatus.CREATED)
    CheckView instrument(@PathVariable UUID id) {
        return view(service.byInstrument(id));
    }

    /** Takes its reading, CGATS or plain lines, as the request's body. */
    @PostMapping(value = "/api/checks/{id}/readings", consumes = "!application/x-www-form-urlencoded")
    @ResponseStatus(HttpStatus.CREATED)
    CheckView file(@PathVariable UUID id, @Parameter(hidden = true) HttpServletRequest request) throws IOException {
        return view(service.byFile(id, ReadingFiles.text(request.getInputStream())));
    }

    /** Strikes it from the history. */
    @DeleteMapping("/api/checks/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void drop(@PathVariable UUID id) {
        service.drop(id);
    }

    /** @param days 0 for never */
    record CheckEvery(int days) {
    }

    @GetMapping("/api/settings/checks")
    CheckEvery every() {
        return new CheckEvery(interval.days());
    }

    @PutMapping("/api/settings/checks")
    CheckEvery every(@RequestBody CheckEvery asked) {
        interval.set(asked.days);
        return asked;
    }

    private CheckView view(Row r) {
        ChartPage page = service.page(r);
        List<StripPatchView> patches = new ArrayList<>();
        for (int i = 0; i < r.strip().patches().size(); i++) {
            ControlStrip.StripPatch p = r.strip().patches().get(i);
            int at = i;
            Optional<Lab> read = r.read().map(x -> x.colours().get(at));
            patches.add(new StripPatchView(page.name(i), p.name(), p.kind(), p.foreseen(), read, read.map(p.foreseen()::deltaE2000)));
        }
        Optional<Attempt> attempt = r.beside().map(attempts::get).or(() -> r.docketId().flatMap(sheets::attempt));
        return new CheckView(r.id(), r.pairingId(), r.version(), r.created(), attempt.map(Attempt::id), attempt.map(Attempt::state),
            r.beside().flatMap(b -> attempt).map(a -> a.title() + ", print " + a.number()), patches,
            r.read().map(Read::verdict), r.read().map(x -> x.verdict().figures()).orElse(List.of()), r.read().map(Read::taken));
    }
}
