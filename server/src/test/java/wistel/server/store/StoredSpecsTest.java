package wistel.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Purpose;
import wistel.core.docket.spec.Sharpening;
import wistel.core.icc.profile.Intent;
import wistel.core.paper.Stock;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.SideMoves;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Arrangement;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Caption;
import wistel.core.sheet.CaptionText;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Edge;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Item;
import wistel.core.sheet.LayoutInput;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Single;
import wistel.core.sheet.SinglePiece;
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
        PrinterDescription d = SPECS.description(
            """
                {"model":"Old","media":[{"type":"glossy","feed":"rear","widthMm":{"from":210,"to":210},"lengthMm":{"from":297,"to":297},
                "margins":{"top":3,"right":3,"bottom":14,"left":3}}],
                "mediaTypes":["glossy"],"feeds":["rear"],"qualities":[3,5],"resolutions":[360],"rasters":["device3_16"],
                "formats":["image/pwg-raster"],"colourModes":["color"],"intents":[],
                "overEdgesMm":[0,2.5]}""");
        assertThat(d.mediaTypes()).containsExactly("glossy");
        assertThat(d.qualities()).containsExactly(3, 5);
        assertThat(d.overEdgesMm()).containsExactly(0.0, 2.5);
        assertThat(d.media().get(0).thicknessMm()).isEqualTo(MediaRow.ANY_THICKNESS);
        assertThat(d.constraints()).isEmpty();
    }

    /** Written by the version before pieces: two numbered copies with a mirrored bleed, of a picture that is cropped and straightened. */
    private static ObjectNode seventh() {
        try (InputStream in = StoredSpecsTest.class.getResourceAsStream("/order-7.json")) {
            return (ObjectNode) JSON.tree(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static ObjectNode sixthSpec() {
        return (ObjectNode) seventh().path("spec");
    }

    @Test
    public void aSpecOfBeforePiecesHasOneAndAllThatWasDecided() {
        DocketSpec d = SPECS.spec(6, sixthSpec().toString());
        assertThat(d.title()).isEqualTo("Numbered, with a bleed");
        assertThat(d.heading().purpose()).isEqualTo(new Purpose.Work());
        assertThat(d.single()).isEqualTo(new SinglePiece(
            new Item("i1", "r1", new Cut(0.1, 0.1, 0.8, 0.7, 2), Frame.whole(90, 60),
                new Annotation(new Caption(true, false, 25, true, 9), 0.2, 2, true), 1),
            new Single("i1", true, new Borders.Even(), new Edge(false, 0, 3))));
        assertThat(d.sharpening()).isEqualTo(Sharpening.STANDARD);
        assertThat(d.stock()).isEqualTo(new Stock.Sheet("A4", 210, 297));
        assertThat(d.route()).isEqualTo(new ColourRoute.ByWistel(Intent.RELATIVE, true));
        assertThat(d.settings().mediaType()).isEqualTo("photographic-satin");
        assertThat(d.copies()).isEqualTo(2);
        assertThat(SPECS.spec(DocketSpec.SCHEMA, JSON.tree(d).toString())).isEqualTo(d);
    }

    @Test
    public void aWedgeIsKnownByItsNumberWhichWasItsTitle() {
        ObjectNode d = sixthSpec().put("title", "Wedge 12");
        d.set("plan",
            JSON.tree("{\"kind\":\"chart\",\"renditionId\":\"r1\",\"widthMm\":180.0,\"leastShare\":0.55,\"lines\":[\"Wedge 12\"]}"));
        assertThat(SPECS.spec(6, d.toString()).heading().purpose()).isEqualTo(new Purpose.WedgeOf(12));
        assertThat(SPECS.spec(6, sixthSpec().put("title", "Wedge 12").toString()).heading().purpose())
            .as("a picture of that name is no wedge").isEqualTo(new Purpose.Work());
    }

    /** Before wedges were measured nothing could be switched off: it counts as on. */
    @Test
    public void aSpecOfBeforeTheToneBenchIsStraightened() {
        ObjectNode before = sixthSpec().put("schema", 5);
        before.path("renditions").forEach(r -> ((ObjectNode) r).remove("straightened"));
        assertThat(SPECS.spec(5, before.toString())).isEqualTo(SPECS.spec(6, sixthSpec().toString()));
    }

    @Test
    public void anOrderOfBeforePiecesIsLaidAsItWas() {
        PrintOrder order = SPECS.order(seventh().toString());
        assertThat(order.schema()).isEqualTo(PrintOrder.SCHEMA);
        LayoutInput in = new LayoutInput(order.spec().stock(), order.output().feedMargins(),
            Map.of("r1", new SheetPlan.PixelSize(600, 400)), Map.of("i1", order.spec().item("i1")),
            Map.of("i1", new CaptionText(order.spec().title(), "", 1)), 2);
        assertThat(order.layout()).isEqualTo(order.spec().plan().lay(in));
    }

    /** Captions said nothing of files then, and rows gave no sizes: nothing of that is switched on by reading it. */
    @Test
    public void whatWasWrittenBeforeContactSheetsIsReadAsItWas() {
        PrintOrder order = SPECS.order(seventh().toString());
        DocketSpec gang = order.spec()
            .withPlan(new Gang(true, Arrangement.USUAL, List.of("i1"), List.of(new Gang.Spot("i1", 1, 20, 20, false))));
        ObjectNode eighth = (ObjectNode) JSON.tree(JSON.text(gang));
        eighth.put("schema", 8);
        ((ObjectNode) eighth.path("plan").path("arrangement")).remove("rows");
        eighth.path("items")
            .forEach(i -> ((ObjectNode) i.path("annotation").path("caption")).remove(List.of("number", "fileName", "taken")));
        assertThat(SPECS.spec(8, eighth.toString())).isEqualTo(gang);
        ObjectNode ninth = (ObjectNode) JSON.tree(JSON.text(order));
        ninth.put("schema", 9);
        ((ObjectNode) ninth.path("spec")).put("schema", 8).path("items")
            .forEach(i -> ((ObjectNode) i.path("annotation").path("caption")).remove(List.of("number", "fileName", "taken")));
        assertThat(SPECS.order(ninth.toString())).isEqualTo(order);
    }

    /** Strips lay on sheets of their own, and inks were the maker's. */
    @Test
    public void anOrderOfBeforeStripsBesidePicturesHasNone() {
        PrintOrder order = SPECS.order(seventh().toString());
        ObjectNode before = (ObjectNode) JSON.tree(JSON.text(order));
        before.put("schema", 13);
        ((ObjectNode) before.path("pairing")).remove("inks");
        ((ObjectNode) before.path("spec")).put("schema", 11);
        ((ObjectNode) before.path("spec").path("paper")).remove("checked");
        ((ObjectNode) before.path("spec").path("heading")).remove("light");
        before.path("spec").path("renditions").forEach(r -> ((ObjectNode) r.path("compensation")).remove("madeFor"));
        assertThat(SPECS.order(before.toString())).isEqualTo(order);
        assertThat(SPECS.spec(11, before.path("spec").toString())).isEqualTo(order.spec());
        assertThat(order.spec().paper().checked()).isFalse();
        assertThat(order.pairing().inks()).isEmpty();
    }

    /** Its pairing had no curves, and none was in force. */
    @Test
    public void anOrderOfBeforeTheToneBenchHasNoCurve() {
        ObjectNode before = seventh().put("schema", 5);
        ((ObjectNode) before.path("spec")).put("schema", 5).path("renditions").forEach(r -> ((ObjectNode) r).remove("straightened"));
        ((ObjectNode) before.path("pairing")).remove("curves");
        before.remove("curve");
        withoutSides(before);
        PrintOrder read = SPECS.order(before.toString());
        assertThat(read.curve()).isEmpty();
        assertThat(read.pairing().curves()).isEmpty();
        assertThat(read).isEqualTo(SPECS.order(seventh().toString()));
    }

    /** Nothing was made round pictures yet; what says so is not in what was written. */
    @Test
    public void anOrderOfBeforeWrapsHasPicturesWithoutSides() {
        ObjectNode before = seventh().put("schema", 6);
        withoutSides(before);
        assertThat(SPECS.order(before.toString())).isEqualTo(SPECS.order(seventh().toString()));
    }

    private static void withoutSides(ObjectNode order) {
        order.path("layout").path("pages").forEach(
            page -> List.of("placed", "bleed").forEach(pieces -> page.path(pieces).forEach(p -> ((ObjectNode) p).remove("sides"))));
    }

    private static final DocketSpec SPEC = DocketSpec.fresh("Slate quarry", Rendition.of("r1", "master"),
        new SheetPlan.PixelSize(3000, 2000));

    /** A wrap with everything on it comes back as it was. */
    @Test
    public void aWrapIsReadAsItWasWritten() {
        WrapBody body = new WrapBody(600, 400, new WrapBody.Support(WrapBody.Kind.BOARD, 5, 3), new WrapBody.TurnOver(25, 3, true, 2), 0.3,
            Optional.of(new WrapBody.Growth(-0.01, 0.002)));
        SideFill fill = new SideFill.OneColour(new SideFill.Patch(0.1, 0.2, 0.3, 0.4), List.of(1, 2, 65535));
        DocketSpec wrapped = SPEC
            .withPlan(new Wrap("i1", true, body, new Wrap.Panels(3, 1, 30), fill, new SideMoves(12, 18, 5), Wrap.Corners.MITRED));
        assertThat(SPECS.spec(DocketSpec.SCHEMA, JSON.tree(wrapped).toString())).isEqualTo(wrapped);
        DocketSpec unknown = wrapped
            .withPlan(wrapped.wrap().plan().around(body.of(0.3, Optional.empty())).filled(new SideFill.Extended(4)));
        assertThat(SPECS.spec(DocketSpec.SCHEMA, JSON.tree(unknown).toString())).isEqualTo(unknown);
    }

    /** Form 7: pieces that were printed together lay where they were put, and had no titles of their own. */
    @Test
    public void piecesOfTheTimeBeforeArrangementsLieWhereTheyWerePut() {
        Item one = Item.whole("i1", "r1", 90, 60);
        DocketSpec fresh = DocketSpec.fresh("Two", Rendition.of("r1", "a".repeat(64)), new SheetPlan.PixelSize(3000, 2000));
        Gang gang = Gang.byHand(true, List.of(new Gang.Spot("i1", 1, 10, 20, false), new Gang.Spot("i1", 2, 10, 20, true)));
        DocketSpec now = fresh.withPictures(fresh.renditions(), List.of(one), gang);
        ObjectNode written = (ObjectNode) JSON.tree(JSON.text(now));
        written.put("schema", 7);
        written.path("items").forEach(item -> ((ObjectNode) item).remove("title"));
        ((ObjectNode) written.path("plan")).remove(List.of("arrangement", "pieces"));
        assertThat(SPECS.spec(7, written.toString())).isEqualTo(now);
    }
}
