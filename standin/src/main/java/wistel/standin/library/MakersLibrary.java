package wistel.standin.library;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.json.JsonMapper;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.MachineModel;

/**
 * What the makers' addresses answer: {@code /library/MAKER/feed.json?page=N&q=WORDS}, {@code /library/MAKER/licence.txt} and, as the feed
 * names them, profiles and charts. Every answer carries an ETag.
 */
public final class MakersLibrary {
    /** Of a feed's page: few, so that there is a second one. */
    private static final int ON_A_PAGE = 3;
    private static final double STIFF_MM = 0.35;
    private static final JsonMapper JSON = new JsonMapper();

    private volatile int edition = 1;

    /** @param etag in quotes */
    public record Answer(String type, String etag, byte[] body) {
    }

    /** Every maker measures its papers anew. */
    public void nextEdition() {
        edition++;
    }

    /**
     * @param path  after {@code /library/}
     * @param query its parameters
     * @param base  of this library's addresses: {@code http://localhost:8631/library/}
     * @return empty where nothing is
     */
    public Optional<Answer> answer(String path, Map<String, String> query, String base) {
        String[] parts = path.split("/");
        Optional<PaperMaker> maker = PaperMaker.of(parts[0]);
        int now = edition;
        if (maker.isEmpty() || parts.length < 2) {
            return Optional.empty();
        }
        if (parts[1].equals("feed.json")) {
            return Optional.of(feed(maker.get(), now, query, base));
        }
        if (parts[1].equals("licence.txt")) {
            String words = "The profiles and charts of " + maker.get().label()
                + " may be used, changed and passed on with every print made on its papers. They come as they are.\n";
            return Optional.of(new Answer("text/plain; charset=utf-8", "\"1\"", words.getBytes(StandardCharsets.UTF_8)));
        }
        return parts.length < 3 ? Optional.empty() : maker.get().paper(parts[1]).flatMap(paper -> file(paper, parts[2], now));
    }

    private static Optional<Answer> file(Paper paper, String name, int edition) {
        return MadeForPrinter.of(paper, edition).stream().filter(m -> name.startsWith(m.name() + ".")).findFirst()
            .map(m -> name.endsWith(".icc") ? new Answer("application/vnd.iccprofile", "\"" + edition + "\"", m.files().icc())
                : new Answer("text/plain; charset=us-ascii", "\"" + edition + "\"",
                    m.files().chart().getBytes(StandardCharsets.US_ASCII)));
    }

    private static Answer feed(PaperMaker maker, int edition, Map<String, String> query, String base) {
        String words = query.getOrDefault("q", "").toLowerCase(Locale.ROOT);
        List<Paper> found = maker.papers().stream()
            .filter(p -> (p.label() + " " + p.words()).toLowerCase(Locale.ROOT).contains(words)).toList();
        int page = Math.max(1, number(query.getOrDefault("page", "1")));
        int from = Math.min(found.size(), (page - 1) * ON_A_PAGE);
        int to = Math.min(found.size(), from + ON_A_PAGE);
        String home = base + maker.key() + "/";
        Map<String, Object> feed = new LinkedHashMap<>();
        feed.put("version", "https://jsonfeed.org/version/1.1");
        feed.put("title", maker.label());
        feed.put("feed_url", home + "feed.json");
        if (to < found.size()) {
            feed.put("next_url",
                home + "feed.json?page=" + (page + 1) + (words.isEmpty() ? "" : "&q=" + words.replaceAll("[^a-z0-9]", "+")));
        }
        feed.put("items", found.subList(from, to).stream().map(p -> item(p, edition, home)).toList());
        return new Answer("application/feed+json; charset=utf-8", "\"" + edition + "-" + page + "-" + words.hashCode() + "\"",
            JSON.writeValueAsBytes(feed));
    }

    private static int number(String text) {
        return text.matches("\\d{1,4}") ? Integer.parseInt(text) : 1;
    }

    private static Map<String, Object> item(Paper paper, int edition, String home) {
        Map<String, Object> item = new LinkedHashMap<>();
        item.put("id", home + PaperMaker.id(paper));
        item.put("title", paper.label());
        item.put("content_text", paper.label() + ": " + paper.words() + ".");
        item.put("date_modified", "2026-0" + Math.min(9, 2 + edition) + "-01T00:00:00Z");
        item.put("tags", List.of(paper.words()));
        List<MadeForPrinter> made = MadeForPrinter.of(paper, edition);
        item.put("attachments", made.stream().map(m -> Map.of("url", home + PaperMaker.id(paper) + "/" + m.name() + ".icc", "mime_type",
            "application/vnd.iccprofile", "title", m.printer().name() + (m.quality() == 5 ? ", fine" : ", standard"))).toList());
        Map<String, Object> own = new LinkedHashMap<>();
        own.put("edition", Integer.toString(edition));
        own.put("surface", paper.words());
        own.put("thickness_mm", paper.thicknessMm());
        own.put("grammage", Integer.parseInt(paper.label().replaceAll(".*\\D", "")));
        own.put("curl", paper.lifts() > 0.45 ? "strong" : paper.lifts() > 0.25 ? "slight" : "flat");
        own.put("drying_hours", paper.photoBlack() ? 24 : 12);
        own.put("licence", home + "licence.txt");
        own.put("profiles", made.stream().map(m -> profile(m, home + PaperMaker.id(paper) + "/" + m.name())).toList());
        item.put("_paper", own);
        return item;
    }

    private static Map<String, Object> profile(MadeForPrinter made, String address) {
        Map<String, Object> profile = new LinkedHashMap<>();
        profile.put("url", address + ".icc");
        profile.put("chart", address + ".cgats");
        profile.put("printer", made.printer().name());
        profile.put("quality", made.quality());
        profile.put("media_type", made.paper().mediaType());
        boolean roll = made.printer() == MachineModel.ARDLE_44;
        profile.put("feed", roll ? Feeds.ROLL : made.paper().thicknessMm() > STIFF_MM ? Feeds.FRONT : Feeds.REAR);
        profile.put("black", made.paper().photoBlack() ? "photo" : "matte");
        profile.put("intent", made.paper().photoBlack() ? "relative" : "perceptual");
        return profile;
    }
}
