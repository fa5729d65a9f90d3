package wistel.server.library;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import wistel.core.fault.LibraryException;
import wistel.core.icc.profile.Intent;
import wistel.core.paper.PaperBody;

/**
 * A page of a maker's catalogue: a JSON Feed (version 1.1) whose items are papers. What a feed's own fields don't say stands in each
 * item's {@code _paper}, as docs/papers.md describes it. Words are cleaned and cut to a bound, numbers out of range are taken as unknown.
 *
 * @param next the catalogue's next page
 */
public record Catalogue(String title, List<CataloguePaper> papers, Optional<URI> next) {
    private static final int MOST_ITEMS = 2000;
    private static final int MOST_PROFILES = 200;
    private static final int LONGEST_WORDS = 120;
    private static final int LONGEST_ADDRESS = 2000;
    private static final JsonMapper JSON = new JsonMapper();

    /**
     * @param itemId   by which the maker knows it
     * @param edition  of its profiles, as the maker counts
     * @param licence  where it is written down
     */
    public record CataloguePaper(String itemId, String title, String edition, String surface, PaperBody body, double dryingHours,
        Optional<URI> licence, List<CatalogueProfile> profiles) {
    }

    /**
     * @param printer   a model's name
     * @param mediaType what it is to be set to; empty where the maker doesn't say
     * @param black     "photo", "matte" or empty
     */
    public record CatalogueProfile(URI url, Optional<URI> chart, String printer, int quality, String mediaType, String feed, String black,
        Intent intent) {
    }

    /**
     * @param from its own address, against which others are read
     * @throws LibraryException when it is no such feed
     */
    static Catalogue parse(byte[] body, URI from) {
        JsonNode feed;
        try {
            feed = JSON.readTree(body);
        } catch (JacksonException e) {
            throw unclear(from, e);
        }
        if (!feed.path("version").asString("").startsWith("https://jsonfeed.org/version/") || !feed.path("items").isArray()) {
            throw unclear(from, null);
        }
        List<CataloguePaper> papers = new ArrayList<>();
        for (JsonNode item : feed.path("items")) {
            if (papers.size() < MOST_ITEMS) {
                paper(item, from).ifPresent(papers::add);
            }
        }
        return new Catalogue(words(feed, "title"), papers, address(feed, "next_url", from));
    }

    private static LibraryException unclear(URI from, Exception cause) {
        return new LibraryException(LibraryException.Reason.UNCLEAR, from.getHost() + " sends no catalogue of papers.",
            "A library is a JSON Feed; ask its maker for that address.", cause);
    }

    /** Empty for an item that names no profile. */
    private static Optional<CataloguePaper> paper(JsonNode item, URI from) {
        JsonNode own = item.path("_paper");
        List<CatalogueProfile> profiles = new ArrayList<>();
        for (JsonNode profile : own.path("profiles")) {
            if (profiles.size() < MOST_PROFILES) {
                profile(profile, from).ifPresent(profiles::add);
            }
        }
        String id = cleaned(item.path("id").asString(""), LONGEST_ADDRESS);
        String title = words(item, "title");
        if (profiles.isEmpty() || id.isEmpty() || title.isEmpty()) {
            return Optional.empty();
        }
        PaperBody body = new PaperBody(within(own, "thickness_mm", 5), (int) within(own, "grammage", 1500), "",
            constant(PaperBody.Curl.class, words(own, "curl"), PaperBody.Curl.FLAT));
        return Optional.of(new CataloguePaper(id, title, words(own, "edition"), words(own, "surface"), body,
            within(own, "drying_hours", 336), address(own, "licence", from), profiles));
    }

    private static Optional<CatalogueProfile> profile(JsonNode profile, URI from) {
        return address(profile, "url", from)
            .map(url -> new CatalogueProfile(url, address(profile, "chart", from), words(profile, "printer"),
                (int) within(profile, "quality", 5), words(profile, "media_type"), words(profile, "feed"), words(profile, "black"),
                constant(Intent.class, words(profile, "intent"), Intent.RELATIVE)));
    }

    private static <E extends Enum<E>> E constant(Class<E> of, String word, E otherwise) {
        try {
            return Enum.valueOf(of, word.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            return otherwise;
        }
    }

    /** 0 where it isn't told, or can't be. */
    private static double within(JsonNode node, String name, double most) {
        double value = node.path(name).asDouble(0);
        return value >= 0 && value <= most ? value : 0;
    }

    private static Optional<URI> address(JsonNode node, String name, URI from) {
        String text = node.path(name).asString("");
        if (text.isEmpty() || text.length() > LONGEST_ADDRESS) {
            return Optional.empty();
        }
        try {
            return Optional.of(from.resolve(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static String words(JsonNode node, String name) {
        return cleaned(node.path(name).asString(""), LONGEST_WORDS);
    }

    /** Without control characters and halves of characters, blanks run together, cut to a length. */
    static String cleaned(String text, int longest) {
        String clean = text.substring(0, Math.min(text.length(), 4 * longest)).replaceAll("[\\p{C}&&[^\\n\\t]]", "").replaceAll("\\s+", " ")
            .trim();
        return clean.length() <= longest ? clean : clean.substring(0, clean.offsetByCodePoints(0, clean.codePointCount(0, longest)));
    }
}
