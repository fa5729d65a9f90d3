package wistel.server.library;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.fault.Conflict;
import wistel.core.fault.LibraryException;
import wistel.core.fault.NotFound;
import wistel.server.edge.Events;
import wistel.server.library.Catalogue.CataloguePaper;
import wistel.server.library.Catalogue.CatalogueProfile;
import wistel.server.library.LibraryRepository.Kept;
import wistel.server.library.LibraryRepository.Library;
import wistel.server.library.LibraryRepository.Origin;
import wistel.server.outside.OutsideAddress;
import wistel.server.outside.OutsideClient;
import wistel.server.pairing.ProfileFiles;

/** Asks libraries, only when a person wants it, and fetches profiles from them. */
@Service
public class LibraryService {
    private static final int LARGEST_PAGE = 4 << 20;
    private static final int LARGEST_PROFILE = 32 << 20;
    private static final int LARGEST_LICENCE = 64 << 10;
    private static final int LONGEST_LICENCE = 20_000;
    private static final int MOST_PAGES = 40;
    private static final int MOST_PAPERS = 5000;
    private static final Set<String> FEEDS = Set.of("application/feed+json", "application/json", "text/json");
    /** Servers that don't know ICC profiles send one of the last two. */
    private static final Set<String> PROFILES = Set.of("application/vnd.iccprofile", "application/octet-stream", "");

    private final LibraryRepository libraries;
    private final OutsideClient client;
    private final ProfileFiles files;
    private final Events events;
    private final Clock clock;
    private final TransactionTemplate transaction;

    LibraryService(LibraryRepository libraries, OutsideClient client, ProfileFiles files, Events events, Clock clock,
        TransactionTemplate transaction) {
        this.libraries = libraries;
        this.client = client;
        this.files = files;
        this.events = events;
        this.clock = clock;
        this.transaction = transaction;
    }

    /** @throws LibraryException when there is no library at the address; then nothing is kept */
    Library add(String address, boolean ownNetwork) {
        OutsideAddress at = OutsideAddress.of(address, ownNetwork);
        if (libraries.has(at.uri().toString())) {
            throw new Conflict(Conflict.Reason.STOPPED, "This library is there already.", "Look for news in it.");
        }
        Instant now = clock.instant();
        Read read = read(at, Optional.empty());
        Library added = new Library(UUID.randomUUID(), at.uri().toString(), ownNetwork, read.title(at), read.etag, now, Optional.empty(),
            now);
        transaction.executeWithoutResult(t -> libraries.put(added, read.papers));
        events.publish("library", added.id().toString());
        return added;
    }

    /** The id of a library at an address, added where it isn't there yet. */
    public UUID known(String address, boolean ownNetwork) {
        return libraries.all().stream().filter(l -> l.address().equals(address)).map(Library::id).findFirst()
            .orElseGet(() -> add(address, ownNetwork).id());
    }

    /** A paper with its profile for a printer, as a library gave it. */
    public record Found(ProfileFiles.PaperProfile profile, CataloguePaper paper, CatalogueProfile of) {
    }

    /** Fetches a paper by its name; empty where the library has none for the printer. */
    public Optional<Found> fetchNamed(UUID library, String title, String printer) throws IOException {
        for (Kept k : libraries.papers()) {
            Optional<CatalogueProfile> of = k.paper().profiles().stream().filter(p -> p.printer().equals(printer)).findFirst();
            if (k.libraryId().equals(library) && k.paper().title().equals(title) && of.isPresent()) {
                return Optional.of(fetch(library, k.paper().itemId(), of.get().url().toString()).found());
            }
        }
        return Optional.empty();
    }

    /** Asks it anew; what was there stays when it doesn't answer. */
    Library refresh(UUID id) {
        Library l = libraries.get(id);
        OutsideAddress at = OutsideAddress.of(l.address(), l.ownNetwork());
        try {
            Read read = read(at, l.etag());
            if (read.same) {
                libraries.asked(id, Optional.of(clock.instant()), Optional.empty());
            } else {
                transaction.executeWithoutResult(t -> libraries.put(new Library(id, l.address(), l.ownNetwork(), read.title(at), read.etag,
                    clock.instant(), Optional.empty(), l.added()), read.papers));
            }
        } catch (LibraryException e) {
            libraries.asked(id, Optional.empty(), Optional.of(e.getMessage()));
        }
        events.publish("library", id.toString());
        return libraries.get(id);
    }

    void remove(UUID id) {
        libraries.remove(libraries.get(id).id());
        events.publish("library", id.toString());
    }

    /** @param same nothing has changed since; then there is nothing else in it */
    private record Read(String title, Optional<String> etag, List<CataloguePaper> papers, boolean same) {
        String title(OutsideAddress at) {
            return title.isEmpty() ? at.uri().getHost() : title;
        }
    }

    /** All pages of a catalogue. */
    private Read read(OutsideAddress first, Optional<String> etag) {
        Map<String, CataloguePaper> papers = new LinkedHashMap<>();
        Optional<OutsideAddress> at = Optional.of(first);
        String title = "";
        Optional<String> tag = Optional.empty();
        List<URI> seen = new ArrayList<>();
        while (at.isPresent() && seen.size() < MOST_PAGES && papers.size() < MOST_PAPERS) {
            OutsideAddress page = at.get();
            seen.add(page.uri());
            boolean start = seen.size() == 1;
            OutsideClient.Answer answer = client.get(new OutsideClient.Asked(page, start ? etag : Optional.empty(), LARGEST_PAGE));
            if (answer.same()) {
                return new Read("", etag, List.of(), true);
            }
            if (!FEEDS.contains(answer.type())) {
                throw new LibraryException(LibraryException.Reason.UNCLEAR,
                    page.uri().getHost() + " sends " + (answer.type().equals("text/html") ? "a web page" : "something else")
                        + " where a catalogue should be.",
                    "A library is a JSON Feed; ask its maker for that address.");
            }
            Catalogue catalogue = Catalogue.parse(answer.body(), page.uri());
            catalogue.papers().forEach(p -> papers.putIfAbsent(p.itemId(), p));
            if (start) {
                title = catalogue.title();
                tag = answer.etag();
            }
            at = catalogue.next().filter(next -> !seen.contains(next)).map(next -> page.redirected(next.toString()));
        }
        return new Read(title, tag, List.copyOf(papers.values()), false);
    }

    /** @param words all of which a paper's name, surface, maker or one of its printers has */
    List<Kept> found(String words) {
        List<String> all = Arrays.stream(words.toLowerCase(Locale.ROOT).split("\\s+")).filter(w -> !w.isEmpty()).toList();
        return libraries.papers().stream().filter(k -> {
            CataloguePaper p = k.paper();
            String text = (p.title() + " " + p.surface() + " " + k.maker() + " "
                + String.join(" ", p.profiles().stream().map(CatalogueProfile::printer).distinct().toList())).toLowerCase(Locale.ROOT);
            return all.stream().allMatch(text::contains);
        }).toList();
    }

    /**
     * What was fetched, to be looked at before it is paired.
     *
     * @param remarks what the library did that a person should know
     */
    record Fetched(Found found, Origin origin, List<String> remarks) {
    }

    /** Fetches a profile that a library names. */
    Fetched fetch(UUID library, String item, String url) throws IOException {
        Library l = libraries.get(library);
        Kept kept = libraries.paper(library, item)
            .orElseThrow(() -> new NotFound(l.title() + " has no such paper.", "Look for news in the library."));
        CatalogueProfile of = kept.paper().profiles().stream().filter(p -> p.url().toString().equals(url)).findFirst()
            .orElseThrow(() -> new NotFound(l.title() + " has no such profile.", "Look for news in the library."));
        OutsideAddress home = OutsideAddress.of(l.address(), l.ownNetwork());
        OutsideClient.Answer answer = client.get(new OutsideClient.Asked(near(of.url(), home), Optional.empty(), LARGEST_PROFILE));
        if (!PROFILES.contains(answer.type())) {
            throw new LibraryException(LibraryException.Reason.UNCLEAR,
                l.title() + " sends " + (answer.type().equals("text/html") ? "a web page" : answer.type()) + " where a profile should be.",
                "Tell its maker; nothing was kept.");
        }
        ProfileFiles.PaperProfile profile = files.take(new ByteArrayInputStream(answer.body())).get(0).profile()
            .orElseThrow(() -> new LibraryException(LibraryException.Reason.UNCLEAR, l.title() + " sends no single profile.",
                "Tell its maker."));
        List<String> remarks = new ArrayList<>();
        libraries.fetchedFrom(url).stream()
            .filter(o -> !o.profileHash().equals(profile.hash()) && o.edition().equals(kept.paper().edition()))
            .findFirst().ifPresent(o -> remarks.add("The library has changed this file without calling it a new edition."));
        String licence = licence(kept.paper(), home);
        if (licence.isEmpty()) {
            remarks.add("The library says nothing of a licence.");
        }
        Origin origin = new Origin(profile.hash(), Optional.of(library), l.title(), item, url, kept.paper().edition(), answer.etag(),
            licence,
            clock.instant());
        libraries.add(origin);
        return new Fetched(new Found(profile, kept.paper(), of), origin, remarks);
    }

    /** A library of the person's own network leads to its own host there and to nothing else in it. */
    private static OutsideAddress near(URI url, OutsideAddress home) {
        OutsideAddress at = new OutsideAddress(url, false);
        return at.sameHost(home) ? new OutsideAddress(url, home.ownNetwork()) : at;
    }

    /** Empty where it has none that can be read. */
    private String licence(CataloguePaper paper, OutsideAddress home) {
        if (paper.licence().isEmpty()) {
            return "";
        }
        try {
            OutsideClient.Answer answer = client
                .get(new OutsideClient.Asked(near(paper.licence().get(), home), Optional.empty(), LARGEST_LICENCE));
            return answer.type().equals("text/plain")
                ? Catalogue.cleaned(new String(answer.body(), StandardCharsets.UTF_8), LONGEST_LICENCE)
                : "";
        } catch (LibraryException e) {
            return "";
        }
    }

    /** @param newer the same paper's profile in an edition that came later; empty for none that is known */
    record Told(Origin origin, Optional<String> newer) {
    }

    /** Where a profile came from; empty of one that wasn't fetched. */
    Optional<Told> origin(String profileHash) {
        return libraries.origin(profileHash).map(o -> new Told(o, o.libraryId().flatMap(l -> libraries.paper(l, o.itemId()))
            .map(k -> k.paper().edition()).filter(edition -> !edition.equals(o.edition()))));
    }
}
