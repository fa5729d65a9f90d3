package wistel.core.docket;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wistel.core.colour.Lab;
import wistel.core.docket.findings.Finding;
import wistel.core.docket.findings.Preflight;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.spec.Resolution;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Margins;
import wistel.core.length.Range;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;
import wistel.core.printer.ValueSet;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.SheetPlan;

/** A docket in order, and ways to put single things about it and its surroundings out of order. */
public final class Dockets {
    public static final Margins REAR = new Margins(3, 3, 14, 3);
    public static final MediaRow GLOSS_A4 = row("photographic-glossy", "rear", 210, 297, REAR);
    public static final MediaRow COTTON_A4 = row("stationery-fine", "by-pass-tray", 210, 297, new Margins(30, 3.4, 30, 3.4));
    public static final PrinterDescription PRINTER = printer(List.of("device3_16", "srgb_16"), 180, 360, 720);
    public static final PairingVersion GLOSS = new PairingVersion("g", 3, "p", "Test printer", "Some Gloss", "gloss", PaperBody.UNKNOWN,
        DriverSettings.of("photographic-glossy", "rear", 5), "hash", Intent.RELATIVE, new Lab(96, 0, -1), 4);

    public static final LocalDate TODAY = LocalDate.of(2026, 5, 1);

    private Dockets() {
    }

    public static MediaRow row(String type, String feed, double width, double length, Margins margins) {
        return new MediaRow(type, feed, Range.only(width), Range.only(length), margins);
    }

    public static PrinterDescription printer(List<String> rasters, Integer... resolutions) {
        return PrinterDescription.of("test printer", List.of(GLOSS_A4, COTTON_A4),
            Map.of(DriverSettings.MEDIA_TYPE, ValueSet.keywords("photographic-glossy", "stationery-fine"),
                DriverSettings.FEED, ValueSet.keywords("rear", "by-pass-tray"), DriverSettings.QUALITY, ValueSet.enums(3, 4, 5)),
            List.of(resolutions), rasters, List.of("image/pwg-raster"));
    }

    public static PrinterState idle(MediaRow... loaded) {
        return new PrinterState(PrinterState.Doing.IDLE, "", List.of(loaded), List.of(), "");
    }

    public static PreflightFacts facts() {
        return facts(PRINTER, idle(GLOSS_A4), true, true);
    }

    public static PreflightFacts facts(PrinterDescription printer, PrinterState state, boolean profile, boolean seen) {
        return new PreflightFacts(Map.of("r1", new PreflightFacts.Picture(new SheetPlan.PixelSize(3000, 2000), 3, profile, "", "sRGB")),
            Optional.of(GLOSS),
            Optional.of(printer), state, Set.of(), seen ? Set.of("r1") : Set.of(), 600, Dockets.TODAY, Map.of());
    }

    public static PreflightFacts unpaired() {
        return new PreflightFacts(facts().pictures(), Optional.empty(), Optional.empty(), PrinterState.AWAY, Set.of(), Set.of(), 0,
            Dockets.TODAY, Map.of());
    }

    public static DocketSpec ready() {
        return DocketSpec.fresh("Test", Rendition.of("r1", "master"), new SheetPlan.PixelSize(3000, 2000)).withPairing(GLOSS);
    }

    public static DocketSpec framed(double width, double height) {
        return ready().with(ready().single().framed(width, height));
    }

    public static DocketSpec annotated(DocketSpec d, Annotation annotation) {
        return d.withItem(d.items().get(0).annotated(annotation));
    }

    public static DocketSpec on(String sheet) {
        return ready().withStock(Stock.Sheet.of(SheetSize.named(sheet).orElseThrow()));
    }

    public static DocketSpec resampled(int ppi) {
        return framed(250, 166.67).withResolution(new Resolution(Resolution.Pixels.RESAMPLE, ppi, 0));
    }

    public static DocketSpec set(String name, String value) {
        return ready().withSettings(ready().settings().with(name, value));
    }

    public static DocketSpec routed(ColourRoute route) {
        return ready().withRoute(route);
    }

    public static List<Finding> findings(DocketSpec d, PreflightFacts facts) {
        return Preflight.findings(d, facts, facts.layout(d));
    }

    public static List<Finding.Code> codes(DocketSpec d, PreflightFacts facts) {
        return findings(d, facts).stream().map(Finding::code).toList();
    }
}
