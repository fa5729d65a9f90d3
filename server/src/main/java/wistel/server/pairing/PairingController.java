package wistel.server.pairing;

import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.ProfileException;
import wistel.core.icc.profile.Intent;
import wistel.core.pairing.PairingProposal;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.RasterType;
import wistel.server.edge.Events;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;
import wistel.server.store.Hash;

/** Pairings, and the profiles that people bring for new ones. */
@RestController
class PairingController {
    private static final int LONGEST_NAME = 120;

    private final PairingRepository pairings;
    private final ProfileFiles files;
    private final PrinterRepository printers;
    private final Events events;
    private final TransactionTemplate transaction;

    PairingController(PairingRepository pairings, ProfileFiles files, PrinterRepository printers, Events events,
        TransactionTemplate transaction) {
        this.pairings = pairings;
        this.files = files;
        this.printers = printers;
        this.events = events;
        this.transaction = transaction;
    }

    @GetMapping("/api/pairings")
    List<PairingVersion> pairings() {
        return pairings.all();
    }

    /**
     * It is the same paper as that of another pairing: all pairings of it are of that paper from their next version on.
     *
     * @return the next version of the pairing
     */
    @PostMapping("/api/pairings/{id}/same-paper")
    PairingVersion samePaper(@PathVariable UUID id, @RequestBody SamePaper asked) {
        PairingVersion of = pairings.get(id.toString());
        PairingVersion as = pairings.get(asked.pairingId.toString());
        if (of.paper().equals(as.paper())) {
            throw new Conflict(Conflict.Reason.STOPPED, "They are of one paper already.", "Choose another.");
        }
        transaction.executeWithoutResult(t -> pairings.all().stream().filter(p -> p.paper().equals(of.paper()))
            .forEach(p -> pairings.add(p.onPaper(as))));
        events.publish("pairing", id.toString());
        return pairings.get(id.toString());
    }

    /** @param pairingId whose paper it is */
    record SamePaper(UUID pairingId) {
    }

    /** Takes an ICC profile of a printer and paper, or a zip of some, as the request's body, and tells what each is. */
    @PostMapping(value = "/api/profiles", consumes = "!application/x-www-form-urlencoded")
    @ResponseStatus(HttpStatus.CREATED)
    List<ProfileFiles.TakenProfile> take(@Parameter(hidden = true) HttpServletRequest request) throws IOException {
        return files.take(request.getInputStream());
    }

    @GetMapping("/api/profiles/{hash}")
    ProfileFiles.PaperProfile profile(@PathVariable Hash hash) {
        return files.known(hash.hex());
    }

    /** What a profile's own texts say of the pairing that it is for, on this printer. */
    @GetMapping("/api/profiles/{hash}/proposal")
    PairingProposal proposal(@PathVariable Hash hash, @RequestParam UUID printerId) {
        ProfileFiles.PaperProfile profile = files.known(hash.hex());
        return PairingProposal.of(profile.inspection().madeFor(), profile.inspection().blackL().get(Intent.RELATIVE),
            printers.get(printerId).description()
                .orElse(PrinterDescription.UNKNOWN));
    }

    /** @param inks the set that the profile was made with; empty for the printer maker's own */
    record NewPairing(String profileHash, UUID printerId, String paper, String surface, PaperBody body, DriverSettings settings,
        Intent intent, Optional<String> inks) {
    }

    @PostMapping("/api/pairings")
    @ResponseStatus(HttpStatus.CREATED)
    PairingVersion pair(@RequestBody NewPairing asked) {
        return add(UUID.randomUUID(), asked, Optional.empty());
    }

    /** The next version of a pairing: dockets follow it, what was printed keeps the one that it was printed with. */
    @PostMapping("/api/pairings/{id}/versions")
    @ResponseStatus(HttpStatus.CREATED)
    PairingVersion change(@PathVariable UUID id, @RequestBody NewPairing asked) {
        return add(id, asked, Optional.of(pairings.get(id.toString())));
    }

    /** The newest first. */
    @GetMapping("/api/pairings/{id}/versions")
    List<PairingRepository.Made> versions(@PathVariable UUID id) {
        return pairings.versions(id);
    }

    /** @param before the version before */
    private PairingVersion add(UUID id, NewPairing asked, Optional<PairingVersion> before) {
        Printer printer = printers.get(asked.printerId);
        ProfileFiles.PaperProfile profile = files.known(asked.profileHash);
        String paper = InvalidRequest.named(asked.paper, "A paper's name", LONGEST_NAME);
        String surface = InvalidRequest.named(asked.surface, "A surface", LONGEST_NAME);
        printer.offers(asked.settings);
        DriverSettings settings = profile.inspection().volume() == 0 ? gray(profile, printer, asked.settings)
            : asked.settings.with(DriverSettings.COLOUR_MODE, "");
        PairingVersion next = new PairingVersion(id.toString(), 1, printer.id().toString(), printer.name(), paper, surface, asked.body,
            settings, asked.profileHash, asked.intent, profile.inspection().white(), profile.inspection().blackL().get(Intent.RELATIVE))
            .withInks(PairingVersion.inks(asked.inks));
        PairingVersion made = pairings.add(before.map(next::following).orElse(next));
        events.publish("pairing", made.pairingId());
        return made;
    }

    /** A profile of grays is for the printer's own monochrome mode, which gets gray. */
    private static DriverSettings gray(ProfileFiles.PaperProfile profile, Printer printer, DriverSettings asked) {
        PrinterDescription can = printer.description().orElse(PrinterDescription.UNKNOWN);
        boolean takesGray = can.raster(new ColourRoute.DriverMonochrome()).filter(r -> r.space() == RasterType.Space.GRAY).isPresent();
        if (can.monochromeMode().isEmpty() || !takesGray) {
            throw new ProfileException(ProfileException.Reason.NOT_A_PAPER,
                "'" + profile.description() + "' is a profile of grays, and " + printer.name() + " has no monochrome mode that takes gray.",
                "Choose the paper's RGB profile, or another printer.");
        }
        return asked.with(DriverSettings.COLOUR_MODE, can.monochromeMode().get());
    }

    /** Retires it: it is not offered any more; dockets and prints that have it keep it. */
    @DeleteMapping("/api/pairings/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void retire(@PathVariable UUID id) {
        pairings.retire(id, true);
        events.publish("pairing", id.toString());
    }
}
