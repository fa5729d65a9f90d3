package wistel.server.pairing;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.paper.PairingVersion;

@RestController
class PairingController {
    private final PairingRepository pairings;

    PairingController(PairingRepository pairings) {
        this.pairings = pairings;
    }

    @GetMapping("/api/pairings")
    List<PairingVersion> pairings() {
        return pairings.all();
    }
}
