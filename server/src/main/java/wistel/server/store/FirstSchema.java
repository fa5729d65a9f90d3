package wistel.server.store;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import wistel.core.colour.Lab;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.spec.Purpose;
import wistel.core.docket.spec.Resolution;
import wistel.core.docket.spec.Sharpening;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
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
import wistel.core.printer.RasterType;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Edge;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Item;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.core.sheet.Single;

/** Specs and orders of schema 1: one picture on one sheet, decided station by station. */
final class FirstSchema {
    private static final String ONLY = "r1";

    private FirstSchema() {
    }

    static DocketSpec spec(JsonNode d) {
        return spec(d, d.path("masterHash").asString());
    }

    private static DocketSpec spec(JsonNode d, String masterHash) {
        JsonNode z = d.path("size");
        JsonNode p = d.path("proof");
        JsonNode m = d.path("machine");
        String title = d.path("title").asString();
        Stock.Sheet sheet = Stock.Sheet.of(SheetSize.named(z.path("sheet").asString()).orElse(SheetSize.A4));
        Frame frame = new Frame(within(z.path("widthMm").asDouble()), within(z.path("heightMm").asDouble()),
            Frame.Fit.valueOf(z.path("fit").asString()),
            share(z.path("cropX").asDouble()), share(z.path("cropY").asDouble()), true);
        Item item = new Item(DocketSpec.FIRST_ITEM, ONLY, Cut.WHOLE, frame, Annotation.NONE, 1);
        Single plan = new Single(item.id(), z.path("across").asBoolean(),
            z.path("borders").asString().equals("HEAVIER_FOOT") ? new Borders.HeavierFoot() : new Borders.Even(), Edge.BORDERED);
        ColourRoute route = m.path("colourBy").asString().equals("DRIVER") ? new ColourRoute.ByDriver()
            : new ColourRoute.ByWistel(Intent.valueOf(p.path("intent").asString()), p.path("blackPoint").asBoolean());
        return new DocketSpec(DocketSpec.SCHEMA,
            new DocketSpec.Heading(title.isBlank() ? "Untitled" : title, d.path("notes").asString(), new Purpose.Work()),
            List.of(new Rendition(ONLY, masterHash, new Treatment.Colour(), Compensated.NONE,
                d.path("picture").path("profileTaken").asBoolean(), true, List.of())),
            List.of(item),
            new DocketSpec.PaperChoice(Optional.of(d.path("pairingId").asString()).filter(id -> !id.isEmpty()), sheet, false), plan,
            new DocketSpec.Output(new Resolution(Resolution.Pixels.valueOf(z.path("pixels").asString()), z.path("resamplePpi").asInt(),
                z.path("viewingMm").asDouble()), Sharpening.OFF),
            new DocketSpec.Conversion(route,
                DriverSettings.of(m.path("mediaType").asString(), m.path("feed").asString(), m.path("quality").asInt())),
            d.path("copies").asInt());
    }

    /** The first version let very small frames through. */
    static double within(double mm) {
        return Math.max(5, Math.min(5000, mm));
    }

    private static double share(double v) {
        return Math.max(0, Math.min(1, v));
    }

    /**
     * The first schema kept what an order is made of side by side; its print files were made at the usual resolution, always 16 bits deep.
     */
    static PrintOrder order(JsonNode o) {
        JsonNode master = o.path("master");
        DocketSpec spec = spec(o.path("decisions"), master.path("hash").asString());
        PairingVersion pairing = pairing(o.path("pairing"));
        PrinterDescription printer = description(o.path("capabilities"));
        PreflightFacts facts = new PreflightFacts(
            Map.of(ONLY, new PreflightFacts.Picture(new PixelSize(master.path("width").asInt(), master.path("height").asInt()),
                master.path("channels").asInt(), true, "", "")),
            Optional.of(pairing), Optional.of(printer), PrinterState.AWAY, Set.of(), Set.of(ONLY), 0, LocalDate.EPOCH, Map.of());
        String profile = master.path("profileHash").isNull() ? StandardSpaces.assumedFor(master.path("channels").asInt()).hash()
            : master.path("profileHash").asString();
        return new PrintOrder(PrintOrder.SCHEMA, spec, facts.layout(spec), pairing,
            new PrintOrder.Output(spec.route() instanceof ColourRoute.ByDriver ? RasterType.SRGB_16 : RasterType.DEVICE3_16,
                printer.usualDpi(), facts.printerMargins(spec), spec.copies()),
            List.of(new PrintOrder.Master(ONLY, master.path("hash").asString(), profile)), "", "1", Optional.empty(), Optional.empty());
    }

    private static PairingVersion pairing(JsonNode g) {
        JsonNode white = g.path("white");
        return new PairingVersion(g.path("id").asString(), 1, g.path("printerId").asString(), g.path("printerName").asString(),
            g.path("paper").asString(),
            g.path("surface").asString(), PaperBody.UNKNOWN,
            DriverSettings.of(g.path("mediaType").asString(), g.path("feed").asString(), g.path("quality").asInt()),
            g.path("profileHash").asString(), Intent.valueOf(g.path("intent").asString("RELATIVE")),
            new Lab(white.path(0).asDouble(), white.path(1).asDouble(), white.path(2).asDouble()), g.path("blackL").asDouble());
    }

    private static PrinterDescription description(JsonNode c) {
        List<MediaRow> media = c.path("media").valueStream().map(m -> new MediaRow(m.path("type").asString(), m.path("feed").asString(),
            Range.only(m.path("widthMm").asDouble()), Range.only(m.path("heightMm").asDouble()), margins(m.path("margins")))).toList();
        List<Integer> resolutions = c.path("resolutions").valueStream().map(JsonNode::asInt).toList();
        return PrinterDescription.of("", media, Map.of(), resolutions, List.of(), List.of());
    }

    private static Margins margins(JsonNode m) {
        return new Margins(m.path("top").asDouble(), m.path("right").asDouble(), m.path("bottom").asDouble(), m.path("left").asDouble());
    }
}
