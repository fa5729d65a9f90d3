package wistel.core.docket;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wistel.core.docket.findings.Finding;
import wistel.core.docket.findings.Preflight;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.JobRequests;
import wistel.core.docket.spec.LabFile;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.spec.Resolution;
import wistel.core.docket.spec.Variations;
import wistel.core.fault.Conflict;
import wistel.core.icc.stage.LabChange.TonesOf;
import wistel.core.length.Margins;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.Stock;
import wistel.core.pictures.Resampler;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.JobRequest;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.RasterType;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Page;
import wistel.core.sheet.PageRaster;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Plans;
import wistel.core.tone.PairingToneCurve;

/**
 * A docket frozen at release, with everything that decides a byte of its print files. Its hash is what "exactly this again" means: nothing
 * else is looked at when it is printed, neither the docket, nor the pairing, nor what the printer says of itself by then.
 *
 * @param masters         pictures by rendition, with the profiles that say what their numbers mean
 * @param descriptionHash of what the printer said of itself
 * @param labFile         the form of a file that somebody else prints; empty for a printer of our own
 * @param curve           of the docket's monochrome mode, where a wedge told one; the pairing stands without the others
 * @param engine          version of the code that turns an order into a file; it changes when the same order would give other bytes
 */
public record PrintOrder(int schema, DocketSpec spec, Layout layout, PairingVersion pairing, Output output, List<Master> masters,
    String descriptionHash,
    String engine, Optional<LabFile> labFile, Optional<PairingToneCurve> curve) {
    public static final int SCHEMA = 14;
    public static final String ENGINE = "5";
    /** Those before 4 reduced pictures across first. */
    private static final Set<String> ACROSS_FIRST = Set.of("1", "2", "3");
    /** Those before 5 moved L* of colours and kept a* and b*. */
    private static final Set<String> TONES_OF_LAB = Set.of("1", "2", "3", "4");
    private static final String INTENT = "print-rendering-intent";
    /** A whole sheet for a lab keeps the pixels between these. */
    private static final double LEAST_PPI = 150;
    private static final double MOST_PPI = 720;

    /** @param profileHash of the embedded profile, or of the standard one that is assumed */
    public record Master(String renditionId, String hash, String profileHash) {
    }

    /**
     * The form of the print files.
     *
     * @param dpi         pixels an inch: the printer's own, whole; of a file for a lab what the picture has on its paper
     * @param feedMargins what the paper can't be printed on, as it feeds
     * @param copies      that the printer makes of each page
     */
    public record Output(RasterType raster, double dpi, Margins feedMargins, int copies) {
    }

    public PrintOrder {
        masters = List.copyOf(masters);
    }

    /** @param number 1 for the first */
    public Page page(int number) {
        return layout.pages().get(number - 1);
    }

    /** The way in which its pictures are reduced. */
    public Resampler.Passes passes() {
        return ACROSS_FIRST.contains(engine) ? Resampler.Passes.ACROSS_FIRST : Resampler.Passes.DOWN_FIRST;
    }

    /** What its tone moves act on in colours. */
    public TonesOf tonesOf() {
        return TONES_OF_LAB.contains(engine) ? TonesOf.LAB : TonesOf.OKLAB;
    }

    /**
     * Whether files that an engine made come out the same to the byte today. Those of earlier ones go another way through profiles' tables,
     * a code or two apart; all that is decided is as it was.
     */
    public static boolean madeTheSame(String engine) {
        return engine.equals(ENGINE);
    }

    /** A print that bears a number of its edition. */
    public record Numbered(int page, String placedId, String itemId, int number) {
    }

    /**
     * The numbers that its pages bear, counted up from the first one of each piece.
     *
     * @param first by item; those without one start at 1
     */
    public List<Numbered> numbered(Map<String, Integer> first) {
        List<Numbered> numbered = new ArrayList<>();
        if (spec.numbered()) {
            Map<String, Integer> next = new HashMap<>(first);
            for (int page = 1; page <= layout.pages().size(); page++) {
                for (Placed placed : page(page).placed()) {
                    // the sheets of one picture are one print
                    boolean further = placed.tile().isPresent() && page > 1;
                    if (!further && spec.item(placed.itemId()).annotation().numbered()) {
                        int number = next.getOrDefault(placed.itemId(), 1);
                        numbered.add(new Numbered(page, placed.id(), placed.itemId(), number));
                        next.put(placed.itemId(), number + 1);
                    }
                }
            }
        }
        return numbered;
    }

    /** How its pages lie on what is sent: a lab's file as it is, on a printer of our own so that it comes out true. */
    public PageRaster raster() {
        return labFile.isPresent() ? PageRaster.exact(output.dpi, spec.resolution().mostPpi())
            : new PageRaster(output.dpi, spec.resolution().mostPpi(), pairing.feedScale(), roll());
    }

    private boolean roll() {
        return spec.stock() instanceof Stock.Roll;
    }

    /** What the printer is asked for, in the words that it has now; its paper as the page feeds. */
    public JobRequest request(int number, PrinterDescription now) {
        Page page = page(number);
        JobRequest asked = JobRequests.of(Variations.of(spec, page), Optional.of(pairing), now).sized(page.fedWidthMm(),
            raster().sentLengthMm(page), roll());
        List<String> intents = now.supported(INTENT).values();
        String intent = spec.route() instanceof ColourRoute.ByDriver && intents.contains("relative") ? "relative"
            : intents.contains("auto") ? "auto" : "";
        int whole = (int) Math.round(output.dpi());
        String dpi = now.resolutions().contains(whole) ? Integer.toString(whole) : "";
        return asked.with(DriverSettings.RESOLUTION, dpi).with(INTENT,
            intents.isEmpty() ? "" : asked.get(INTENT).isEmpty() ? intent : asked.get(INTENT));
    }

    /**
     * @throws Conflict when a finding stops the print: nothing that stops may be frozen
     */
    public static PrintOrder freeze(DocketSpec d, PreflightFacts facts, List<Master> masters, String descriptionHash) {
        Layout layout = facts.layout(d);
        Preflight.findings(d, facts, layout).stream().filter(f -> f.severity() == Finding.Severity.STOP).findFirst().ifPresent(stop -> {
            throw new Conflict(Conflict.Reason.STOPPED, "This can't be printed: " + stop.what(),
                "Change that first; for a docket the release station shows how.");
        });
        PrinterDescription printer = facts.printer().orElseThrow();
        double ppi = layout.placed().stream().mapToDouble(Placed::ppi).max().orElse(0);
        Output output = new Output(printer.raster(d.route()).orElseThrow(),
            printer.inputDpi(Math.min(ppi, d.resolution().mostPpi()), d.settings()),
            facts.printerMargins(d), d.copiesByPrinter());
        return new PrintOrder(SCHEMA, d, layout, facts.pairing().orElseThrow().withCurves(List.of()), output, masters, descriptionHash,
            ENGINE, Optional.empty(), facts.curve(d));
    }

    /**
     * Of a file that is printed elsewhere: what this printer can't do doesn't matter, the picture keeps its pixels.
     *
     * @throws Conflict when no paper is chosen, or what the picture is read by isn't settled
     */
    public static PrintOrder freeze(DocketSpec d, PreflightFacts facts, List<Master> masters, LabFile file) {
        PairingVersion pairing = facts.pairing().orElseThrow(
            () -> new Conflict(Conflict.Reason.STOPPED, "No paper is chosen yet.", "Choose the paper that the lab prints on."));
        Layout whole = Plans.wrap(d.plan()).map(w -> d.wrap().alone(facts.input(d)))
            .or(() -> Plans.tiled(d.plan()).map(t -> d.tiled().inOnePiece(facts.input(d)))).orElseGet(() -> facts.layout(d));
        double ppi = whole.placed().stream().mapToDouble(Placed::ppi).max().orElse(LEAST_PPI);
        boolean kept = d.resolution().pixels() == Resolution.Pixels.KEEP && !file.sheet();
        // its own pixels, whatever that is an inch; a sheet's text and marks want some, and are no better for more
        double dpi = kept ? Math.max(1, ppi) : Math.max(LEAST_PPI, Math.min(MOST_PPI, Math.min(ppi, d.resolution().mostPpi())));
        Layout layout = file.sheet() ? whole.onPaper() : whole.picturesAlone();
        return new PrintOrder(SCHEMA, d, layout, pairing.withCurves(List.of()), new Output(RasterType.DEVICE3_16, dpi, Margins.NONE, 1),
            masters, "", ENGINE, Optional.of(file), Optional.empty());
    }
}
