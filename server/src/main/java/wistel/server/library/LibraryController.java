package wistel.server.library;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.icc.profile.Intent;
import wistel.core.paper.PaperBody;
import wistel.core.printer.PrinterDescription;
import wistel.server.library.Catalogue.CataloguePaper;
import wistel.server.library.Catalogue.CatalogueProfile;
import wistel.server.library.LibraryRepository.Kept;
import wistel.server.library.LibraryRepository.Library;
import wistel.server.pairing.ProfileFiles;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;
import wistel.server.store.Hash;

/** Paper makers' libraries, and what is fetched from them. */
@RestController
class LibraryController {
    private static final int MOST_SHOWN = 200;

    private final LibraryService service;
    private final LibraryRepository libraries;
    private final PrinterRepository printers;

    LibraryController(LibraryService service, LibraryRepository libraries, PrinterRepository printers) {
        this.service = service;
        this.libraries = libraries;
        this.printers = printers;
    }

    @GetMapping("/api/libraries")
    List<Library> libraries() {
        return libraries.all();
    }

    /** @param ownNetwork the person knows that the address is in their own network */
    record NewLibrary(String address, boolean ownNetwork) {
    }

    @PostMapping("/api/libraries")
    @ResponseStatus(HttpStatus.CREATED)
    Library add(@RequestBody NewLibrary asked) {
        return service.add(asked.address == null ? "" : asked.address, asked.ownNetwork);
    }

    /** Looks for news in it. */
    @PostMapping("/api/libraries/{id}/refresh")
    Library refresh(@PathVariable UUID id) {
        return service.refresh(id);
    }

    /** Takes it off the list; what was fetched from it stays. */
    @DeleteMapping("/api/libraries/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        service.remove(id);
    }

    /** @param printerId of a printer here that it is for */
    record LibraryProfile(String url, String printer, int quality, Optional<UUID> printerId) {
    }

    record LibraryPaper(UUID libraryId, String itemId, String maker, String title, String surface, PaperBody body, double dryingHours,
        String edition, List<LibraryProfile> profiles) {
    }

    /**
     * Papers in all libraries.
     *
     * @param own only those that a printer here has a profile for
     */
    @GetMapping("/api/library-papers")
    List<LibraryPaper> papers(@RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "false") boolean own) {
        List<Printer> here = printers.all();
        return service.found(q).stream().map(k -> paper(k, here))
            .filter(p -> !own || p.profiles.stream().anyMatch(f -> f.printerId.isPresent()))
            .limit(MOST_SHOWN).toList();
    }

    private static LibraryPaper paper(Kept k, List<Printer> here) {
        CataloguePaper p = k.paper();
        return new LibraryPaper(k.libraryId(), p.itemId(), k.maker(), p.title(), p.surface(), p.body(), p.dryingHours(), p.edition(),
            p.profiles().stream().map(f -> new LibraryProfile(f.url().toString(), f.printer(), f.quality(),
                here.stream().filter(h -> is(h, f.printer())).map(Printer::id).findFirst())).toList());
    }

    /** By its own name or the model's. */
    private static boolean is(Printer printer, String named) {
        String name = named.toLowerCase(Locale.ROOT);
        return !name.isEmpty() && (printer.name().toLowerCase(Locale.ROOT).equals(name)
            || printer.description().map(d -> d.model().toLowerCase(Locale.ROOT)).filter(m -> m.equals(name) || m.endsWith(" " + name))
                .isPresent());
    }

    record AskedProfile(UUID libraryId, String itemId, String url, UUID printerId) {
    }

    /**
     * What a pairing of it would be, as far as the library and the printer agree.
     *
     * @param mediaType empty where the printer has none of that name
     * @param unsure    what a person has to decide, in words
     */
    record FetchedProposal(String paper, String surface, PaperBody body, String mediaType, String feed, int quality, String black,
        Intent intent, List<String> unsure) {
    }

    record FetchedProfile(ProfileFiles.PaperProfile profile, String maker, String edition, String licence, double dryingHours,
        FetchedProposal proposal, List<String> remarks) {
    }

    /** Fetches a profile for one of the printers here. */
    @PostMapping("/api/library-papers/fetch")
    @ResponseStatus(HttpStatus.CREATED)
    FetchedProfile fetch(@RequestBody AskedProfile asked) throws IOException {
        Printer printer = printers.get(asked.printerId);
        LibraryService.Fetched f = service.fetch(asked.libraryId, asked.itemId, asked.url);
        LibraryService.Found found = f.found();
        return new FetchedProfile(found.profile(), f.origin().maker(), f.origin().edition(), f.origin().licence(),
            found.paper().dryingHours(), proposal(found.paper(), found.of(), printer), f.remarks());
    }

    private static FetchedProposal proposal(CataloguePaper paper, CatalogueProfile of, Printer printer) {
        PrinterDescription can = printer.description().orElse(PrinterDescription.UNKNOWN);
        List<String> unsure = new ArrayList<>();
        boolean media = can.mediaTypes().contains(of.mediaType());
        if (!media) {
            unsure.add(of.mediaType().isEmpty() ? "The library doesn't say what the printer is to be set to: choose a media type."
                : "The library says media type '" + of.mediaType() + "', which this printer doesn't have: choose the one that is meant.");
        }
        if (!is(printer, of.printer())) {
            unsure.add(
                "It was made for " + (of.printer().isEmpty() ? "a printer that isn't named" : of.printer()) + ", not for " + printer.name()
                    + ".");
        }
        return new FetchedProposal(paper.title(), paper.surface(), paper.body(), media ? of.mediaType() : "",
            can.feeds().contains(of.feed()) ? of.feed() : "", of.quality(), of.black(), of.intent(), unsure);
    }

    /**
     * Where a profile was fetched.
     *
     * @param newer an edition that came later
     */
    record ProfileOrigin(String maker, String url, String edition, String licence, Instant fetched, Optional<UUID> libraryId, String itemId,
        Optional<String> newer) {
    }

    /** Empty of a profile that came some other way. */
    @GetMapping("/api/profiles/{hash}/origin")
    Optional<ProfileOrigin> origin(@PathVariable Hash hash) {
        return service.origin(hash.hex()).map(t -> new ProfileOrigin(t.origin().maker(), t.origin().url(), t.origin().edition(),
            t.origin().licence(), t.origin().fetched(), t.origin().libraryId(), t.origin().itemId(), t.newer()));
    }
}
