package wistel.standin.room;

import static wistel.standin.ink.Paper.CORRIE_LUSTRE;
import static wistel.standin.ink.Paper.HEATH_COTTON;
import static wistel.standin.ink.Paper.MOSS_COTTON;
import static wistel.standin.ink.Paper.PLAIN;
import static wistel.standin.ink.Paper.SKERRY_BARYTA;
import static wistel.standin.ink.Paper.TARN_CANVAS;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import wistel.core.length.Length;
import wistel.core.length.Range;
import wistel.core.paper.FeedScale;
import wistel.core.paper.SheetSize;
import wistel.standin.ink.Paper;

/** What one of the two printers is built for: its feeds, media, settings and what excludes what. Invented, and meant to be believable. */
public final class MachineModel {
    /** How far they can print over the edges of borderless paper. */
    public static final List<Double> OVER_EDGE_MM = List.of(0.0, 1.0, 2.0, 3.0);
    public static final double USUAL_OVER_EDGE_MM = 2;
    private static final Set<Paper> FINE_ART = Set.of(MOSS_COTTON, HEATH_COTTON, TARN_CANVAS);
    private static final Set<Paper> GLOSSY = Set.of(SKERRY_BARYTA, CORRIE_LUSTRE);
    private static final double ENDS_MM = 30;
    private static final double INCH = Length.MM_PER_INCH;

    /** One line of the media table; margins in mm as the paper goes through: leading, right, trailing, left. */
    public record Offer(Range widthMm, Range lengthMm, Paper paper, String feed, double thickestMm, double lead, double right, double trail,
        double left) {
        public boolean takes(double width, double length) {
            return widthMm.holds(width) && lengthMm.holds(length);
        }

        public boolean roll() {
            return feed.equals(Feeds.ROLL);
        }

        public boolean borderless() {
            return lead + right + trail + left == 0;
        }

        public boolean has(List<Double> margins) {
            return Math.abs(lead - margins.get(0)) < 0.011 && Math.abs(right - margins.get(1)) < 0.011
                && Math.abs(trail - margins.get(2)) < 0.011 && Math.abs(left - margins.get(3)) < 0.011;
        }
    }

    /** In which IPP syntax a setting's values are. */
    public enum Syntax { KEYWORD, ENUM, RESOLUTION }

    /** @param values with their words for people; an empty word leaves the keyword to speak for itself */
    public record Setting(String name, String words, Syntax syntax, Map<String, String> values, String usual) {
    }

    /** Values that exclude each other, and what the printer would do instead. */
    public record Rule(String name, Map<String, Set<String>> when, Map<String, String> instead) {
        boolean met(Map<String, String> job) {
            return when.entrySet().stream().allMatch(e -> e.getValue().contains(job.getOrDefault(e.getKey(), "")));
        }
    }

    private static final Range SMALL_LENGTHS = new Range(127, 1200);
    private static final List<Double> SMALL_ROLLS = List.of(10 * INCH, 13 * INCH, 16 * INCH, 17 * INCH);
    private static final List<Double> LARGE_ROLLS = List.of(17 * INCH, 24 * INCH, 36 * INCH, 44 * INCH);

    /** The sheet printer: two feeds and a small roll. */
    public static final MachineModel ARDLE_17 = new MachineModel("Ardle 17", "sheet printer", "/ipp/print", 17 * INCH,
        Map.of(Feeds.REAR, "rear feed", Feeds.FRONT, "front path", Feeds.ROLL, "roll"), small(), 12, 1).off(0, -0.3);
    /** The roll printer with its cutter. */
    public static final MachineModel ARDLE_44 = new MachineModel("Ardle 44", "roll printer", "/ipp/large", 44 * INCH,
        Map.of(Feeds.ROLL, "roll", Feeds.FRONT, "front slot"), large(), 20, 0.55).off(-2.3, 0.5);

    private final String name;
    private final String kind;
    private final String path;
    private final double widestMm;
    private final Map<String, String> feeds;
    private final List<Offer> offers;
    private final double inkMlPerM2;
    private final double pace;
    private double feedOffMm;
    private double headOffMm;
    private final List<Setting> settings;
    private final List<Rule> rules;

    /**
     * @param inkMlPerM2 that one ink covering all of a square metre takes
     * @param pace       minutes for a square metre, as a factor of the sheet printer's
     */
    private MachineModel(String name, String kind, String path, double widestMm, Map<String, String> feeds, List<Offer> offers,
        double inkMlPerM2, double pace) {
        this.name = name;
        this.kind = kind;
        this.path = path;
        this.widestMm = widestMm;
        this.feeds = feeds;
        this.offers = List.copyOf(offers);
        this.inkMlPerM2 = inkMlPerM2;
        this.pace = pace;
        this.settings = makeSettings(feeds);
        this.rules = makeRules(feeds);
    }

    /** Not quite exact: by how many mm a metre its rollers and its head go too far. */
    private MachineModel off(double feedMm, double headMm) {
        feedOffMm = feedMm;
        headOffMm = headMm;
        return this;
    }

    /** How long a millimetre comes out on a paper. */
    public FeedScale feedScale(Paper paper) {
        return new FeedScale(1 + headOffMm / 1000, 1 + (feedOffMm + paper.feedOffMm()) / 1000);
    }

    /**
     * Stiff papers go through the straight front path alone, with 30 mm at both ends unless that is waived; elsewhere the trailing edge is
     * the larger.
     */
    private static List<Offer> small() {
        List<Offer> offers = new ArrayList<>();
        double widest = 17 * INCH;
        for (Paper paper : Paper.kinds()) {
            for (SheetSize size : sizes(widest)) {
                sheet(offers, paper, Range.only(size.widthMm()), Range.only(size.heightMm()));
            }
            sheet(offers, paper, new Range(89, widest), SMALL_LENGTHS);
            if (GLOSSY.contains(paper)) {
                Set<String> toTheEdge = Set.of("4 × 6 in", "5 × 7 in", "8 × 10 in", "A4", "A3", "A3+", "A2", "17 × 22 in");
                sizes(widest).stream().filter(s -> toTheEdge.contains(s.name()))
                    .forEach(
                        s -> offers.add(new Offer(Range.only(s.widthMm()), Range.only(s.heightMm()), paper, Feeds.REAR, 0.35, 0, 0, 0, 0)));
                rolls(offers, paper, SMALL_ROLLS, new Range(100, 5000), 0.35);
                List.of(10 * INCH, 13 * INCH, 17 * INCH)
                    .forEach(w -> offers.add(new Offer(Range.only(w), new Range(100, 5000), paper, Feeds.ROLL, 0.35, 0, 0, 0, 0)));
            }
        }
        return offers;
    }

    private static void sheet(List<Offer> offers, Paper paper, Range width, Range length) {
        if (FINE_ART.contains(paper)) {
            offers.add(new Offer(width, length, paper, Feeds.FRONT, 1.5, ENDS_MM, 3.4, ENDS_MM, 3.4));
            offers.add(new Offer(width, length, paper, Feeds.FRONT, 1.5, 3.4, 3.4, 3.4, 3.4));
        } else {
            offers.add(new Offer(width, length, paper, Feeds.REAR, 0.35, 3, 3, 14, 3));
            offers.add(new Offer(width, length, paper, Feeds.FRONT, 1.5, 20, 3.4, 20, 3.4));
        }
    }

    private static void rolls(List<Offer> offers, Paper paper, List<Double> widths, Range lengths, double thickest) {
        for (double w : widths) {
            if (FINE_ART.contains(paper)) {
                offers.add(new Offer(Range.only(w), lengths, paper, Feeds.ROLL, thickest, ENDS_MM, 3, ENDS_MM, 3));
            }
            offers.add(new Offer(Range.only(w), lengths, paper, Feeds.ROLL, thickest, 3, 3, 3, 3));
        }
    }

    private static List<Offer> large() {
        List<Offer> offers = new ArrayList<>();
        Range lengths = new Range(100, 18_000);
        for (Paper paper : Paper.kinds()) {
            rolls(offers, paper, LARGE_ROLLS, lengths, 0.8);
            if (GLOSSY.contains(paper)) {
                LARGE_ROLLS.forEach(w -> offers.add(new Offer(Range.only(w), lengths, paper, Feeds.ROLL, 0.8, 0, 0, 0, 0)));
            }
            for (SheetSize size : sizes(44 * INCH).stream().filter(s -> s.widthMm() >= 297).toList()) {
                double end = FINE_ART.contains(paper) ? ENDS_MM : 20;
                offers.add(new Offer(Range.only(size.widthMm()), Range.only(size.heightMm()), paper, Feeds.FRONT, 1.5, end, 3, end, 3));
            }
        }
        return offers;
    }

    private static Map<String, String> values(String... pairs) {
        Map<String, String> values = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            values.put(pairs[i], pairs[i + 1]);
        }
        return values;
    }

    private static List<Setting> makeSettings(Map<String, String> feeds) {
        Map<String, String> types = new LinkedHashMap<>();
        Paper.kinds().forEach(p -> types.put(p.mediaType(), p.words()));
        Map<String, String> ways = new LinkedHashMap<>();
        List.of(Feeds.REAR, Feeds.FRONT, Feeds.ROLL).stream().filter(feeds::containsKey).forEach(f -> ways.put(f, feeds.get(f)));
        return List.of(
            new Setting("media-type", "paper kind", Syntax.KEYWORD, types, ""),
            new Setting("media-source", "goes through", Syntax.KEYWORD, ways, ""),
            new Setting("print-quality", "quality", Syntax.ENUM, values("3", "quick", "4", "standard", "5", "fine"), "5"),
            new Setting("print-color-mode", "colour", Syntax.KEYWORD, values("color", "all inks", "process-monochrome", "monochrome"),
                "color"),
            new Setting("printer-resolution", "resolution", Syntax.RESOLUTION, values("180", "180 dpi", "360", "360 dpi", "720", "720 dpi"),
                "360"),
            new Setting("finishings", "cutter", Syntax.ENUM, values("3", "doesn't cut", "60", "after each page", "63", "after the job"),
                "3"),
            new Setting("wistel-black-ink", "black", Syntax.KEYWORD,
                values("by-paper", "as the paper kind asks", "photo", "photo", "matte", "matte"), "by-paper"),
            new Setting("wistel-mono-darkness", "darkness of monochrome", Syntax.KEYWORD,
                values("1", "1", "2", "2", "3", "3", "4", "4", "5", "5"), "3"),
            new Setting("wistel-mono-tint", "tint of monochrome", Syntax.KEYWORD,
                values("cool", "cool", "neutral", "neutral", "warm", "warm"), "neutral"),
            new Setting("wistel-head-gap", "gap under the head", Syntax.KEYWORD,
                values("usual", "usual", "wide", "wide, for paper that lifts"), "usual"),
            new Setting("wistel-passes", "lays down ink", Syntax.KEYWORD,
                values("both-ways", "both ways", "one-way", "one way, slower and evener"), "both-ways"),
            new Setting("wistel-drying", "waits between passes", Syntax.KEYWORD,
                values("none", "not at all", "short", "shortly", "long", "long"), "none"));
    }

    private static Set<String> types(Set<Paper> papers) {
        return papers.stream().map(Paper::mediaType).collect(Collectors.toSet());
    }

    private static List<Rule> makeRules(Map<String, String> feeds) {
        Set<String> fineArt = types(FINE_ART);
        Set<String> mono = Set.of("process-monochrome");
        Set<String> sheetFeeds = feeds.keySet().stream().filter(f -> !f.equals(Feeds.ROLL)).collect(Collectors.toSet());
        return List.of(
            new Rule("monochrome-kinds", Map.of("print-color-mode", mono, "media-type", types(Set.of(PLAIN, TARN_CANVAS))),
                Map.of("print-color-mode", "color")),
            new Rule("monochrome-quick", Map.of("print-color-mode", mono, "print-quality", Set.of("3")), Map.of("print-quality", "4")),
            new Rule("photo-black",
                Map.of("wistel-black-ink", Set.of("photo"), "media-type", types(Set.of(MOSS_COTTON, HEATH_COTTON, TARN_CANVAS, PLAIN))),
                Map.of("wistel-black-ink", "matte")),
            new Rule("matte-black", Map.of("wistel-black-ink", Set.of("matte"), "media-type", types(GLOSSY)),
                Map.of("wistel-black-ink", "photo")),
            new Rule("quick-kinds", Map.of("print-quality", Set.of("3"), "media-type", fineArt), Map.of("print-quality", "4")),
            new Rule("fine-plain", Map.of("print-quality", Set.of("5"), "media-type", types(Set.of(PLAIN))), Map.of("print-quality", "4")),
            new Rule("quick-resolution", Map.of("print-quality", Set.of("3"), "printer-resolution", Set.of("720")),
                Map.of("printer-resolution", "360")),
            new Rule("cut-sheets", Map.of("finishings", Set.of("60", "63"), "media-source", sheetFeeds), Map.of("finishings", "3")),
            new Rule("cut-fibres", Map.of("finishings", Set.of("60", "63"), "media-type", fineArt), Map.of("finishings", "3")));
    }

    public String name() {
        return name;
    }

    public String kind() {
        return kind;
    }

    /** Of its IPP address. */
    public String path() {
        return path;
    }

    public double widestMm() {
        return widestMm;
    }

    public List<String> feeds() {
        return List.of(Feeds.REAR, Feeds.FRONT, Feeds.ROLL).stream().filter(feeds::containsKey).toList();
    }

    public String feedWords(String feed) {
        return feeds.get(feed);
    }

    public List<Offer> offers() {
        return offers;
    }

    public List<Setting> settings() {
        return settings;
    }

    public List<Rule> rules() {
        return rules;
    }

    public double inkMlPerM2() {
        return inkMlPerM2;
    }

    /** Printing alone, by quality; the quickest first. */
    public double minutesPerM2(int quality) {
        return pace * switch (quality) {
            case 3 -> 12;
            case 4 -> 24;
            default -> 44;
        };
    }

    /** The known sheets that go through it. */
    public List<SheetSize> sizes() {
        return sizes(widestMm);
    }

    private static List<SheetSize> sizes(double widest) {
        return SheetSize.KNOWN.stream().filter(s -> s.widthMm() <= widest + 0.1).toList();
    }

    /** Whether it can print a job just as it is: its media table has it, each setting a listed value, and no rule forbids it. */
    public boolean takes(Ticket t) {
        return settings.stream().allMatch(s -> t.get(s.name()).isEmpty() || s.values().containsKey(t.get(s.name()))) && offer(t) != null
            && !forbidden(t);
    }

    private boolean forbidden(Ticket t) {
        Map<String, String> whole = new LinkedHashMap<>();
        settings.forEach(s -> whole.put(s.name(), t.get(s.name()).isEmpty() ? s.usual() : t.get(s.name())));
        return rules.stream().anyMatch(r -> r.met(whole));
    }

    /** The line of the media table that a job is printed by; null when there is none. */
    Offer offer(Ticket t) {
        return offers.stream().filter(o -> t.widthMm() == 0 || o.takes(t.widthMm(), t.heightMm()))
            .filter(o -> t.mediaType().isEmpty() || o.paper().mediaType().equals(t.mediaType()))
            .filter(o -> t.feed().isEmpty() || o.feed().equals(t.feed()))
            .filter(o -> t.thicknessMm() == 0 || t.thicknessMm() <= o.thickestMm() + 0.005)
            .filter(o -> t.marginsMm().isEmpty() ? !o.borderless() : o.has(t.marginsMm().get())).findFirst().orElse(null);
    }
}
