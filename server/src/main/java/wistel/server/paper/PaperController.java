package wistel.server.paper;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.icc.inspection.ProfileJudgement;
import wistel.core.pairing.PairingVersion;
import wistel.server.pairing.PairingRepository;
import wistel.server.pairing.ProfileFiles;
import wistel.server.printer.PrinterRepository;
import wistel.server.printer.PrinterView;
import wistel.server.store.Hash;

/** What a paper's own page tells beside its versions. */
@RestController
class PaperController {
    private final ProfileFiles files;
    private final PairingRepository pairings;
    private final PaperUseRepository uses;
    private final PrinterRepository printers;

    PaperController(ProfileFiles files, PairingRepository pairings, PaperUseRepository uses, PrinterRepository printers) {
        this.files = files;
        this.pairings = pairings;
        this.uses = uses;
        this.printers = printers;
    }

    /** A profile looked into, place by place. */
    @GetMapping("/api/profiles/{hash}/judgement")
    ProfileJudgement judgement(@PathVariable Hash hash) {
        return files.judgement(hash.hex());
    }

    /**
     * @param prints attempts that came out, by the pairing's version
     * @param loaded what lies in its printer now under its media type, in words
     */
    record PaperUses(Map<Integer, Integer> prints, List<String> loaded) {
    }

    @GetMapping("/api/pairings/{id}/uses")
    PaperUses uses(@PathVariable UUID id) {
        PairingVersion pairing = pairings.get(id.toString());
        return new PaperUses(uses.prints(id),
            PrinterView.lying(printers.get(UUID.fromString(pairing.printerId())), pairing.settings().mediaType()));
    }
}
