package wistel.core.docket.spec;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Margins;
import wistel.core.light.HangingLight;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.LinearisationStep;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Item;
import wistel.core.sheet.LayoutInput;
import wistel.core.sheet.Plans;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Single;
import wistel.core.sheet.SinglePiece;
import wistel.core.sheet.Strip;
import wistel.core.sheet.Tiled;
import wistel.core.sheet.TiledPiece;
import wistel.core.sheet.Wrap;
import wistel.core.sheet.WrapPiece;
import wistel.core.tone.PairingToneCurve;

/**
 * Everything that a person decides on a docket. Immutable: undo keeps old ones, a change makes a new one. What was merely looked
 * at, or how, is no decision and not in here.
 *
 * @param schema the form in which it was written; this one reads {@link #SCHEMA}
 * @param items  pieces that the plan lays, each of one of the renditions
 * @param copies of what the plan lays
 */
public record DocketSpec(int schema, Heading heading, List<Rendition> renditions, List<Item> items, PaperChoice paper, SheetPlan plan,
    Output output, Conversion colour, int copies) {
    public static final int SCHEMA = 12;
    /** The piece of a docket that has one. */
    public static final String FIRST_ITEM = "i1";
    private static final int LONGEST_TITLE = 200;
    private static final int LONGEST_NOTES = 4000;
    private static final int MOST_COPIES = 99;
    public static final int MOST_PIECES = 500;

    /** @param light that the print will hang in, where somebody chose one */
    public record Heading(String title, String notes, Purpose purpose, Optional<HangingLight> light) {
        /** With no light chosen. */
        public Heading(String title, String notes, Purpose purpose) {
            this(title, notes, purpose, Optional.empty());
        }

        /** @throws InvalidRequest when a text is too long, or the title blank */
        public Heading {
            if (title.isBlank() || title.length() > LONGEST_TITLE || notes.length() > LONGEST_NOTES) {
                throw new InvalidRequest(InvalidRequest.Reason.TEXT_OUT_OF_RANGE,
                    "A title has 1 to " + LONGEST_TITLE + " characters, notes up to " + LONGEST_NOTES + ".", "Write it shorter.");
            }
        }
    }

    /**
     * @param pairingId empty while none is chosen
     * @param checked   a control strip is printed along an edge of the first page
     */
    public record PaperChoice(Optional<String> pairingId, Stock stock, boolean checked) {
    }

    /** What is made of the pictures' pixels. */
    public record Output(Resolution resolution, Sharpening sharpening) {
    }

    /** Who converts colour, and what the printer is told. */
    public record Conversion(ColourRoute route, DriverSettings settings) {
    }

    /** @throws InvalidRequest when a value is out of its range, or a piece is of no picture of the docket */
    public DocketSpec {
        renditions = List.copyOf(renditions);
        items = List.copyOf(items);
        if (schema != SCHEMA || renditions.isEmpty()) {
            throw new IllegalArgumentException("schema " + schema + ", " + renditions.size() + " renditions");
        }
        Set<String> pictures = renditions.stream().map(Rendition::id).collect(Collectors.toSet());
        Set<String> pieces = items.stream().map(Item::id).collect(Collectors.toSet());
        if (pictures.size() != renditions.size() || pieces.size() != items.size()) {
            throw new InvalidRequest(InvalidRequest.Reason.REQUEST_UNCLEAR, "Two pictures or pieces of a docket can't have one name.",
                "Look at the docket as it is now.");
        }
        if (!items.stream().map(Item::renditionId).allMatch(pictures::contains)) {
            throw new InvalidRequest(InvalidRequest.Reason.RENDITION_UNKNOWN, "This picture is not on the docket.",
                "Look at the docket as it is now.");
        }
        if (!pieces.containsAll(plan.items())) {
            throw new InvalidRequest(InvalidRequest.Reason.ITEM_UNKNOWN, "This piece is not on the docket.",
                "Look at the docket as it is now.");
        }
        if (copies < 1 || copies > MOST_COPIES || items.size() > MOST_PIECES) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                copies + " copies of " + items.size() + " pieces can't be printed.",
                "Enter 1 to " + MOST_COPIES + " copies, of up to " + MOST_PIECES + " pieces.");
        }
    }

    /** A fresh docket: nothing chosen, the picture as large as an A4 sheet holds with a border of 20 mm. */
    public static DocketSpec fresh(String title, Rendition rendition, SheetPlan.PixelSize picture) {
        Stock.Sheet a4 = Stock.Sheet.of(SheetSize.A4);
        SinglePiece piece = SinglePiece.usual(FIRST_ITEM, rendition.id(),
            LayoutInput.bare(a4, Margins.NONE, Map.of(rendition.id(), picture), List.of()));
        return new DocketSpec(SCHEMA, new Heading(title, "", new Purpose.Work()), List.of(rendition), List.of(piece.item()),
            new PaperChoice(Optional.empty(), a4, false), piece.plan(),
            new Output(new Resolution(Resolution.Pixels.KEEP, 360, 0), Sharpening.OFF),
            new Conversion(new ColourRoute.ByWistel(Intent.RELATIVE, true), DriverSettings.of("", "", 5)), 1);
    }

    public String title() {
        return heading.title;
    }

    public String notes() {
        return heading.notes;
    }

    public Optional<String> pairingId() {
        return paper.pairingId;
    }

    public Stock stock() {
        return paper.stock;
    }

    public Resolution resolution() {
        return output.resolution;
    }

    public Sharpening sharpening() {
        return output.sharpening;
    }

    public ColourRoute route() {
        return colour.route;
    }

    public DriverSettings settings() {
        return colour.settings;
    }

    /** Whether a rendition comes out in black, gray and white, toned or not. */
    public boolean monochrome(Rendition rendition, int channels) {
        return channels == 1 || route() instanceof ColourRoute.DriverMonochrome || rendition.treatment() instanceof Treatment.Monochrome;
    }

    /**
     * What happens to a rendition's colours before they are converted.
     *
     * @param channels of its master
     * @param curve    of the pairing, in the docket's mode
     */
    public RenditionChange change(String renditionId, int channels, Optional<PairingToneCurve> curve) {
        Rendition r = rendition(renditionId);
        return r.change().straightened(inForce(r, channels, curve).map(PairingToneCurve::curve).map(LinearisationStep::of));
    }

    /** Names by what a rendition's tones are proofed; empty where it is in colour or no wedge was measured. */
    public Optional<String> tone(Rendition r, int channels, Optional<PairingToneCurve> curve) {
        return curve.filter(k -> monochrome(r, channels)).map(k -> k.key(inForce(r, channels, curve).isPresent()));
    }

    /** The curve, where it applies to the rendition, does something and isn't switched off. */
    public Optional<PairingToneCurve> inForce(Rendition r, int channels, Optional<PairingToneCurve> curve) {
        return curve.filter(k -> r.straightened() && monochrome(r, channels) && !k.curve().points().isEmpty());
    }

    public DocketSpec withRendition(Rendition changed) {
        rendition(changed.id());
        return withRenditions(renditions.stream().map(r -> r.id().equals(changed.id()) ? changed : r).toList());
    }

    /** @throws InvalidRequest when it is not on the docket */
    public Rendition rendition(String id) {
        return renditions.stream().filter(r -> r.id().equals(id)).findFirst()
            .orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.RENDITION_UNKNOWN, "This picture is not on the docket.",
                "Look at the docket as it is now."));
    }

    /** @throws InvalidRequest when it is not on the docket */
    public Item item(String id) {
        return items.stream().filter(i -> i.id().equals(id)).findFirst()
            .orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.ITEM_UNKNOWN, "This piece is not on the docket.",
                "Look at the docket as it is now."));
    }

    public DocketSpec withItem(Item changed) {
        return withChanged(List.of(changed));
    }

    /**
     * Pieces as they are from now on, the others as they were.
     *
     * @throws InvalidRequest when one of them isn't there
     */
    public DocketSpec withChanged(List<Item> changed) {
        Map<String, Item> byId = changed.stream()
            .collect(Collectors.toMap(i -> item(i.id()).id(), Function.identity(), (one, same) -> same));
        return withItems(items.stream().map(i -> byId.getOrDefault(i.id(), i)).toList());
    }

    /** Each copy bears a number of its edition: they are pages of their own. */
    public boolean numbered() {
        return !plan.copiesByPrinter(itemsById());
    }

    /** Copies that the printer makes of each page. */
    public int copiesByPrinter() {
        return numbered() ? 1 : copies;
    }

    public Map<String, Item> itemsById() {
        return items.stream().collect(Collectors.toMap(Item::id, Function.identity()));
    }

    /** The route that a proof shows: with the driver converting, the pairing's usual intent. */
    public ColourRoute.ByWistel shownRoute(PairingVersion pairing) {
        return route() instanceof ColourRoute.ByWistel by ? by : new ColourRoute.ByWistel(pairing.intent(), true);
    }

    /** @throws InvalidRequest when the docket has another plan */
    public SinglePiece single() {
        Single single = Plans.single(plan).orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS,
            "This docket doesn't print one picture on one sheet.", "Look at the docket as it is now."));
        return new SinglePiece(item(single.itemId()), single);
    }

    /** @throws InvalidRequest when the docket has another plan */
    public WrapPiece wrap() {
        Wrap wrap = Plans.wrap(plan).orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS,
            "This docket's picture is wrapped round nothing.", "Choose wrapped at the size station first."));
        return new WrapPiece(item(wrap.itemId()), wrap);
    }

    /** @throws InvalidRequest when the docket has another plan */
    public TiledPiece tiled() {
        Tiled tiled = Plans.tiled(plan).orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS,
            "This docket's picture doesn't go over several sheets.", "Choose over sheets at the size station first."));
        return new TiledPiece(item(tiled.itemId()), tiled);
    }

    /** @throws InvalidRequest when the docket has another plan */
    public Strip strip() {
        return Plans.strip(plan).orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS,
            "This docket is no test strip.", "Try variations from it first: that is a docket of its own."));
    }

    public DocketSpec with(SinglePiece piece) {
        return withItem(piece.item()).withPlan(piece.plan());
    }

    public DocketSpec withHeading(Heading next) {
        return new DocketSpec(schema, next, renditions, items, paper, plan, output, colour, copies);
    }

    public DocketSpec withTitle(String next) {
        return withHeading(new Heading(next, heading.notes, heading.purpose, heading.light));
    }

    public DocketSpec withLight(Optional<HangingLight> next) {
        return withHeading(new Heading(heading.title, heading.notes, heading.purpose, next));
    }

    public DocketSpec withNotes(String next) {
        return withHeading(new Heading(heading.title, next, heading.purpose, heading.light));
    }

    public DocketSpec withRenditions(List<Rendition> next) {
        return new DocketSpec(schema, heading, next, items, paper, plan, output, colour, copies);
    }

    public DocketSpec withItems(List<Item> next) {
        return new DocketSpec(schema, heading, renditions, next, paper, plan, output, colour, copies);
    }

    /** Other pictures, pieces of them, and a plan that lays these: they change together. */
    public DocketSpec withPictures(List<Rendition> pictures, List<Item> pieces, SheetPlan laid) {
        return new DocketSpec(schema, heading, pictures, pieces, paper, laid, output, colour, copies);
    }

    public DocketSpec withStock(Stock next) {
        return new DocketSpec(schema, heading, renditions, items, new PaperChoice(paper.pairingId, next, paper.checked), plan, output,
            colour, copies);
    }

    public DocketSpec withCheck(boolean next) {
        return new DocketSpec(schema, heading, renditions, items, new PaperChoice(paper.pairingId, paper.stock, next), plan, output, colour,
            copies);
    }

    public DocketSpec withPlan(SheetPlan next) {
        return new DocketSpec(schema, heading, renditions, items, paper, next, output, colour, copies);
    }

    public DocketSpec withResolution(Resolution next) {
        return new DocketSpec(schema, heading, renditions, items, paper, plan, new Output(next, output.sharpening), colour, copies);
    }

    public DocketSpec withSharpening(Sharpening next) {
        return new DocketSpec(schema, heading, renditions, items, paper, plan, new Output(output.resolution, next), colour, copies);
    }

    public DocketSpec withRoute(ColourRoute next) {
        return new DocketSpec(schema, heading, renditions, items, paper, plan, output, new Conversion(next, colour.settings), copies);
    }

    public DocketSpec withSettings(DriverSettings next) {
        return new DocketSpec(schema, heading, renditions, items, paper, plan, output, new Conversion(colour.route, next), copies);
    }

    public DocketSpec withCopies(int next) {
        return new DocketSpec(schema, heading, renditions, items, paper, plan, output, colour, next);
    }

    /** What is wrapped is as thick as the paper, where that is known; how another one gives is not known. */
    private SheetPlan on(PairingVersion pairing) {
        double thickness = pairing.body().thicknessMm();
        return Plans.wrap(plan).filter(w -> thickness > 0)
            .<SheetPlan>map(
                w -> w.around(w.body().of(thickness, pairingId().filter(pairing.pairingId()::equals).flatMap(same -> w.body().growth()))))
            .orElse(plan);
    }

    /** A pairing brings all that hangs on it: settings and intent. Colour is Wistel's to convert. */
    public DocketSpec withPairing(PairingVersion pairing) {
        boolean blackPoint = !(route() instanceof ColourRoute.ByWistel by) || by.blackPoint();
        ColourRoute route = pairing.grayOnly() ? new ColourRoute.DriverMonochrome()
            : new ColourRoute.ByWistel(pairing.intent(), blackPoint);
        return new DocketSpec(schema, heading, renditions, items, new PaperChoice(Optional.of(pairing.pairingId()), stock(), paper.checked),
            on(pairing),
            output, new Conversion(route, pairing.settings()), copies);
    }
}
