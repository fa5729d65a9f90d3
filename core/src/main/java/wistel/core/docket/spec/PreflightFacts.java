package wistel.core.docket.spec;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import wistel.core.icc.check.ControlStrip;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Margins;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.FeedScale;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.paper.Surface;
import wistel.core.pictures.DetailMap;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.JobRequest;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterRules;
import wistel.core.printer.PrinterState;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.CaptionText;
import wistel.core.sheet.Item;
import wistel.core.sheet.Layout;
import wistel.core.sheet.LayoutInput;
import wistel.core.sheet.Plans;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Strip;
import wistel.core.tone.PairingToneCurve;
import wistel.core.tone.ToneMode;

/**
 * What a docket is judged against.
 *
 * @param pictures     by rendition
 * @param printer      empty when the pairing's printer has never been reached
 * @param state        of the pairing's printer
 * @param blackAlways  intents through which the pairing's profile compensates black whether or not it is asked for
 * @param proofsSeen   renditions whose proof was looked at as it stands now
 * @param secondsPerM2 printing alone, from past pages on this pairing; 0 when there are none
 * @param editions     number that the next numbered print of an item gets, by item; those without one start at 1
 * @param strip        patches by which the pairing's profile is checked; empty where a print can't bear them
 */
public record PreflightFacts(Map<String, Picture> pictures, Optional<PairingVersion> pairing, Optional<PrinterDescription> printer,
    PrinterState state,
    Set<Intent> blackAlways, Set<String> proofsSeen, double secondsPerM2, LocalDate today, Map<String, Integer> editions,
    Optional<ControlStrip> strip) {
    /** Where no control strip can be printed along. */
    public PreflightFacts(Map<String, Picture> pictures, Optional<PairingVersion> pairing, Optional<PrinterDescription> printer,
        PrinterState state, Set<Intent> blackAlways, Set<String> proofsSeen, double secondsPerM2, LocalDate today,
        Map<String, Integer> editions) {
        this(pictures, pairing, printer, state, blackAlways, proofsSeen, secondsPerM2, today, editions, Optional.empty());
    }

    /**
     * @param size           upright
     * @param hasProfile     the file brought a usable profile
     * @param profileProblem why an embedded one could not be used; empty when there was none or it is fine
     * @param sourceName     the profile's name, or what would be taken
     * @param file           what captions may say of its file
     * @param detail         where there is something to see in it; only where the plan asks for that
     */
    public record Picture(SheetPlan.PixelSize size, int channels, boolean hasProfile, String profileProblem, String sourceName,
        CaptionText.OfFile file, Optional<DetailMap> detail) {
        public Picture(SheetPlan.PixelSize size, int channels, boolean hasProfile, String profileProblem, String sourceName) {
            this(size, channels, hasProfile, profileProblem, sourceName, CaptionText.OfFile.UNKNOWN, Optional.empty());
        }
    }

    public PreflightFacts {
        pictures = Map.copyOf(pictures);
        blackAlways = Set.copyOf(blackAlways);
        editions = Map.copyOf(editions);
        proofsSeen = Set.copyOf(proofsSeen);
    }

    /** Of all pictures of the docket. */
    public boolean proofSeen(DocketSpec d) {
        return d.renditions().stream().allMatch(r -> proofsSeen.contains(r.id()));
    }

    public int nextEdition(String itemId) {
        return editions.getOrDefault(itemId, 1);
    }

    /** What a wedge told of the docket's mode; empty where none was measured. */
    public Optional<PairingToneCurve> curve(DocketSpec d) {
        return pairing.flatMap(p -> PairingToneCurve.of(p.curves(), mode(d)));
    }

    /** Names by what a rendition's tones are proofed; empty where it is in colour or no wedge was measured. */
    public Optional<String> tone(DocketSpec d, Rendition r) {
        return d.tone(r, pictures.get(r.id()).channels(), curve(d));
    }

    /** How gray becomes ink with the settings as they stand. */
    public ToneMode mode(DocketSpec d) {
        return ToneMode.of(d.route(), d.settings(), described());
    }

    /** Share of the usual pixels that the paper's surface asks for. */
    public double neededPixels() {
        return pairing.map(p -> Surface.neededPixels(p.surface())).orElse(1.0);
    }

    /** A stock of the docket's type and feed lies in the printer, a roll of this width or a sheet of this size. */
    public boolean loaded(DocketSpec d, Stock stock) {
        return state.loaded().stream().anyMatch(l -> l.type().equals(d.settings().mediaType()) && l.widthMm().holds(stock.widthMm())
            && (stock instanceof Stock.Sheet s ? !l.roll() && l.lengthMm().holds(s.lengthMm()) : l.roll()));
    }

    /** What the printer takes of the docket's media type, rolls before known sheets; what lies in it comes first. */
    public Stream<Stock> stocks(DocketSpec d) {
        List<Stock> taken = Stream.<Stock>concat(rolls(d).stream(), SheetSize.KNOWN.stream().map(Stock.Sheet::of))
            .filter(s -> feedFor(d, s).isPresent()).toList();
        return Stream.concat(taken.stream().filter(s -> loaded(d, s)), taken.stream());
    }

    /** Where the work comes to lie. */
    public Layout layout(DocketSpec d) {
        Layout laid = d.plan().lay(input(d));
        return d.paper().checked() ? strip.map(s -> laid.patched(s.codes())).orElse(laid) : laid;
    }

    /** What its plan is laid out on, and with what. */
    public LayoutInput input(DocketSpec d) {
        Map<String, SheetPlan.PixelSize> sizes = pictures.entrySet().stream()
            .collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().size()));
        List<String> laid = d.plan().items();
        Map<String, Integer> numbers = IntStream.range(0, laid.size()).boxed().collect(Collectors.toMap(laid::get, i -> i + 1));
        Map<String, CaptionText> captions = d.items().stream()
            .collect(Collectors.toMap(Item::id, item -> new CaptionText(item.title().isBlank() ? d.title() : item.title(),
                CaptionText.date(today), nextEdition(item.id()), numbers.getOrDefault(item.id(), 0),
                pictures.get(item.renditionId()).file())));
        Map<String, DetailMap> details = new HashMap<>();
        pictures.forEach((id, p) -> p.detail().ifPresent(detail -> details.put(id, detail)));
        return new LayoutInput(d.stock(), margins(d), sizes, d.itemsById(), details, captions, d.copies());
    }

    /** Edges that the printer says it keeps white, as the paper feeds; none where it doesn't say. */
    public Margins printerMargins(DocketSpec d) {
        return media(d).map(MediaRow::margins).orElse(Margins.NONE);
    }

    /** Edges that stay white: those of the printer, and on sheets what a feed that moves the paper too little doesn't get to. */
    public Margins margins(DocketSpec d) {
        // pages that are told other settings lie alike
        Margins m = Plans.strip(d.plan()).flatMap(Strip::pages).stream()
            .flatMap(p -> p.values().stream().map(v -> d.withSettings(d.settings().with(p.setting(), v.value()))))
            .map(this::printerMargins).reduce(printerMargins(d), Margins::widest);
        Stock stock = d.stock();
        FeedScale scale = pairing.map(PairingVersion::feedScale).orElse(FeedScale.NONE);
        double trailing = stock instanceof Stock.Sheet s ? s.lengthMm() * (1 - scale.along()) : 0;
        return new Margins(m.top(), Math.max(m.right(), stock.widthMm() * (1 - scale.across())), Math.max(m.bottom(), trailing), m.left());
    }

    /**
     * The printer's entry for this stock, type and feed: a borderless one if the docket wants that, otherwise one with borders where there
     * is one.
     */
    public Optional<MediaRow> media(DocketSpec d) {
        return printer.flatMap(p -> new PrinterRules(p).row(job(d)));
    }

    /** What the printer is asked for; a roll is cut to any length. */
    public JobRequest job(DocketSpec d) {
        return JobRequests.of(d, pairing, described());
    }

    /** What is known of the printer; nothing of one that has never answered. */
    public PrinterDescription described() {
        return printer.orElse(PrinterDescription.UNKNOWN);
    }

    /** The feed through which the printer takes this stock of the docket's media type: the docket's own, where that does. */
    public Optional<String> feedFor(DocketSpec d, Stock stock) {
        if (printer.isEmpty()) {
            return Optional.empty();
        }
        PrinterRules rules = new PrinterRules(printer.get());
        JobRequest job = job(d.withStock(stock)).edged(false).with(DriverSettings.TOP_MARGIN, "");
        return Stream.concat(Stream.of(d.settings().feed()), printer.get().feeds().stream())
            .filter(f -> rules.row(job.with(DriverSettings.FEED, f)).isPresent()).findFirst();
    }

    /** Widths of the rolls that the printer takes of the docket's media type, from narrow to wide. */
    public List<Stock.Roll> rolls(DocketSpec d) {
        return printer.stream().flatMap(p -> p.media().stream())
            .filter(m -> m.roll() && (m.type().isEmpty() || m.type().equals(d.settings().mediaType())))
            .map(m -> m.widthMm().from()).distinct().sorted().map(Stock.Roll::new).toList();
    }

    /** Whether it takes this stock at all. */
    public boolean offersStock(DocketSpec d) {
        return printer.flatMap(p -> new PrinterRules(p).row(job(d).edged(false))).isPresent();
    }

    /** Whether the printer could print this to the edge, the rest left as it is. */
    public boolean offersBorderless(DocketSpec d) {
        return printer.flatMap(p -> new PrinterRules(p).row(job(d).edged(true))).isPresent();
    }

    /**
     * The black ink that will be used: as it is set, or where that is left to the printer the only one that its rules allow; empty where
     * that isn't known.
     */
    public String wantedBlack(DocketSpec d) {
        PrinterDescription printer = described();
        String usual = printer.defaults().getOrDefault(DriverSettings.BLACK, "");
        String set = d.settings().get(DriverSettings.BLACK).orElse(usual);
        if (!set.equals(usual)) {
            return set;
        }
        List<String> possible = new PrinterRules(printer).possible(DriverSettings.BLACK, job(d)).stream().filter(v -> !v.equals(usual))
            .toList();
        return possible.size() == 1 ? possible.get(0) : "";
    }

    /** Whether the printer cuts paper off by itself: as it is set, or as it does where nothing is said. */
    public boolean cuts(DocketSpec d) {
        return !d.settings().get(DriverSettings.FINISHING)
            .orElse(described().defaults().getOrDefault(DriverSettings.FINISHING, DriverSettings.NO_FINISHING))
            .equals(DriverSettings.NO_FINISHING);
    }

    /** Whether black comes out compensated: asked for, or because the profile always does. */
    public boolean compensatesBlack(ColourRoute.ByWistel route) {
        return route.compensatesBlack() || blackAlways.contains(route.intent());
    }
}
