package wistel.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import wistel.core.colour.Lab;
import wistel.core.docket.DocketSpec;
import wistel.core.docket.PrintOrder;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Margins;
import wistel.core.paper.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.RasterType;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Layout;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.SideMoves;
import wistel.core.sheet.Cut;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Wrap;
import wistel.core.sheet.WrapBody;

/** What earlier versions wrote, as it is read now. */
public class StoredSpecsTest {
    private static final Json JSON = new Json(mapper());
    private static final StoredSpecs SPECS = new StoredSpecs(JSON);

    private static JsonMapper mapper() {
        JsonMapper.Builder builder = JsonMapper.builder();
        new Json.Setup().sumsByKind().customize(builder);
        return builder.build();
    }

    @Test
    public void aDescriptionOfListsIsReadAsSettings() {
        PrinterDescription d = SPECS.description("""
            {"model":"Old","media":[{"type":"glossy","feed":"rear","widthMm":{"from":210,"to":210},"lengthMm":{"from":297,"to":297},"margins":{"top":3,"right":3,"bottom":14,"left":3}}],
            "mediaTypes":["glossy"],"feeds":["rear"],"qualities":[3,5],"resolutions":[360],"rasters":["device3_16"],"formats":["image/pwg-raster"],"colourModes":["color"],"intents":[],
            "overEdgesMm":[0,2.5]}""");
        assertThat(d.mediaTypes()).containsExactly("glossy");
        assertThat(d.qualities()).containsExactly(3, 5);
        assertThat(d.overEdgesMm()).containsExactly(0.0, 2.5);
        assertThat(d.media().get(0).thicknessMm()).isEqualTo(MediaRow.ANY_THICKNESS);
        assertThat(d.constraints()).isEmpty();
    }

    private static final DocketSpec SPEC = DocketSpec.fresh("Slate quarry", Rendition.of("r1", "master"), new SheetPlan.PixelSize(3000, 2000));

    private static ObjectNode without(Object value, int schema) {
        ObjectNode tree = (ObjectNode) JSON.tree(value);
        ObjectNode spec = tree.has("renditions") ? tree : (ObjectNode) tree.path("spec");
        spec.path("renditions").forEach(r -> ((ObjectNode) r).remove("straightened"));
        return tree.put("schema", schema);
    }

    /** Before wedges were measured nothing could be switched off: it counts as on. */
    @Test
    public void aSpecOfBeforeTheToneBenchIsStraightened() {
        assertThat(SPECS.spec(5, without(SPEC, 5).toString())).isEqualTo(SPEC);
        assertThat(SPECS.spec(DocketSpec.SCHEMA, JSON.tree(SPEC).toString())).isEqualTo(SPEC);
    }

    /** Its pairing had no curves, and none was in force. */
    @Test
    public void anOrderOfBeforeTheToneBenchHasNoCurve() {
        PairingVersion pairing = new PairingVersion("g", 3, "p", "Desk", "Some Gloss", "gloss", PaperBody.UNKNOWN, DriverSettings.of("glossy", "rear", 5), "hash", Intent.RELATIVE,
            new Lab(96, 0, -1), 4);
        Layout layout = SPEC.plan().lay(SheetPlan.Ground.bare(SPEC.stock(), Margins.NONE, Map.of("r1", new SheetPlan.PixelSize(3000, 2000))));
        PrintOrder order = new PrintOrder(PrintOrder.SCHEMA, SPEC, layout, pairing, new PrintOrder.Output(RasterType.DEVICE3_16, 360, Margins.NONE, 1), List.of(new PrintOrder.Master("r1", "master", "profile")),
            "description", "3", Optional.empty(), Optional.empty());
        ObjectNode before = without(order, 5);
        ((ObjectNode) before.path("spec")).put("schema", 5);
        ((ObjectNode) before.path("pairing")).remove("curves");
        before.remove("curve");
        PrintOrder read = SPECS.order(before.toString());
        assertThat(read.curve()).isEmpty();
        assertThat(read.pairing().curves()).isEmpty();
        assertThat(read.spec()).isEqualTo(SPEC);
        assertThat(read.layout()).isEqualTo(layout);
        assertThat(SPECS.order(JSON.tree(order).toString()).spec()).isEqualTo(SPEC);
    }

    /** Nothing was made round pictures yet; what says so is not in what was written. */
    @Test
    public void anOrderOfBeforeWrapsHasPicturesWithoutSides() {
        PairingVersion pairing = new PairingVersion("g", 3, "p", "Desk", "Some Gloss", "gloss", PaperBody.UNKNOWN, DriverSettings.of("glossy", "rear", 5), "hash", Intent.RELATIVE,
            new Lab(96, 0, -1), 4);
        Layout layout = SPEC.plan().lay(SheetPlan.Ground.bare(SPEC.stock(), Margins.NONE, Map.of("r1", new SheetPlan.PixelSize(3000, 2000))));
        PrintOrder order = new PrintOrder(PrintOrder.SCHEMA, SPEC, layout, pairing, new PrintOrder.Output(RasterType.DEVICE3_16, 360, Margins.NONE, 1), List.of(new PrintOrder.Master("r1", "master", "profile")),
            "description", "3", Optional.empty(), Optional.empty());
        ObjectNode before = ((ObjectNode) JSON.tree(order)).put("schema", 6);
        before.path("layout").path("pages").forEach(page -> page.path("placed").forEach(p -> ((ObjectNode) p).remove("sides")));
        PrintOrder read = SPECS.order(before.toString());
        assertThat(read.schema()).isEqualTo(PrintOrder.SCHEMA);
        assertThat(read.layout()).isEqualTo(layout);
    }

    /** A wrap with everything on it comes back as it was. */
    @Test
    public void aWrapIsReadAsItWasWritten() {
        WrapBody body = new WrapBody(600, 400, new WrapBody.Support(WrapBody.Kind.BOARD, 5, 3), new WrapBody.TurnOver(25, 3, true, 2), 0.3, Optional.of(new WrapBody.Growth(-0.01, 0.002)));
        SideFill fill = new SideFill.OneColour(new SideFill.Patch(0.1, 0.2, 0.3, 0.4), List.of(1, 2, 65535));
        DocketSpec wrapped = SPEC.withPlan(new Wrap("r1", true, body, new Wrap.Panels(3, 1, 30), Cut.WHOLE, 0.5, 0.5, fill, new SideMoves(12, 18, 5), Wrap.Corners.MITRED));
        assertThat(SPECS.spec(DocketSpec.SCHEMA, JSON.tree(wrapped).toString())).isEqualTo(wrapped);
        DocketSpec unknown = wrapped.withPlan(wrapped.wrap().around(body.of(0.3, Optional.empty())).filled(new SideFill.Extended(4)));
        assertThat(SPECS.spec(DocketSpec.SCHEMA, JSON.tree(unknown).toString())).isEqualTo(unknown);
    }
}
