package wistel.server.store;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Purpose;
import wistel.core.docket.spec.Sharpening;
import wistel.core.paper.FeedScale;
import wistel.core.paper.PaperBody;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.RasterType;
import wistel.core.printer.ValueSet;
import wistel.core.rendition.Compensated;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Arrangement;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Edge;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Item;

/** Specs and orders as they were written at any time, in the newest form. What was written is never rewritten. */
@Component
public class StoredSpecs {
    /** Before dockets said what they are for, those of wedges were known by this. */
    private static final Pattern WEDGE_TITLE = Pattern.compile("Wedge (\\d{1,9})");

    private final Json json;

    public StoredSpecs(Json json) {
        this.json = json;
    }

    public DocketSpec spec(int schema, String text) {
        JsonNode tree = json.tree(text);
        return switch (schema) {
            case 1 -> FirstSchema.spec(tree);
            case 2 -> json.read(thirdSpec(secondSpec((ObjectNode) tree)), DocketSpec.class);
            case 3 -> json.read(thirdSpec((ObjectNode) tree), DocketSpec.class);
            case 4 -> json.read(fourthSpec((ObjectNode) tree), DocketSpec.class);
            case 5 -> json.read(fifthSpec((ObjectNode) tree), DocketSpec.class);
            case 6 -> json.read(sixthSpec((ObjectNode) tree), DocketSpec.class);
            case 7 -> json.read(seventhSpec((ObjectNode) tree), DocketSpec.class);
            case 8 -> json.read(eighthSpec((ObjectNode) tree), DocketSpec.class);
            case 9 -> json.read(ninthSpec((ObjectNode) tree), DocketSpec.class);
            case 10 -> json.read(tenthSpec((ObjectNode) tree), DocketSpec.class);
            case 11 -> json.read(eleventhSpec((ObjectNode) tree), DocketSpec.class);
            default -> json.read(tree, DocketSpec.class);
        };
    }

    public PrintOrder order(String text) {
        JsonNode node = json.tree(text);
        return switch (node.path("schema").asInt()) {
            case 1 -> FirstSchema.order(node);
            case 2 -> json.read(thirdOrder(secondOrder((ObjectNode) node)), PrintOrder.class);
            case 3 -> json.read(thirdOrder((ObjectNode) node), PrintOrder.class);
            case 4 -> json.read(fourthOrder((ObjectNode) node), PrintOrder.class);
            case 5 -> json.read(fifthOrder((ObjectNode) node), PrintOrder.class);
            case 6 -> json.read(sixthOrder((ObjectNode) node), PrintOrder.class);
            case 7 -> json.read(seventhOrder((ObjectNode) node), PrintOrder.class);
            case 8 -> json.read(eighthOrder((ObjectNode) node), PrintOrder.class);
            case 9 -> json.read(ninthOrder((ObjectNode) node), PrintOrder.class);
            case 10 -> json.read(tenthOrder((ObjectNode) node), PrintOrder.class);
            case 11 -> json.read(eleventhOrder((ObjectNode) node), PrintOrder.class);
            case 12 -> json.read(twelfthOrder((ObjectNode) node), PrintOrder.class);
            case 13 -> json.read(thirteenthOrder((ObjectNode) node), PrintOrder.class);
            default -> json.read(node, PrintOrder.class);
        };
    }

    /** Schema 2: one picture on a sheet, all of it or filling a frame, in even borders or with a heavier foot; nothing round it. */
    private ObjectNode secondSpec(ObjectNode d) {
        ObjectNode plan = (ObjectNode) d.path("plan");
        plan.set("borders", json
            .sum(plan.path("borders").asString().equals("HEAVIER_FOOT") ? new Borders.HeavierFoot() : new Borders.Even(), Borders.class));
        plan.set("cut", json.tree(Cut.WHOLE));
        plan.set("edge", json.tree(Edge.BORDERED));
        d.put("sharpening", Sharpening.OFF.name()).set("annotation", json.tree(Annotation.NONE));
        return d;
    }

    private ObjectNode secondOrder(ObjectNode o) {
        ObjectNode spec = secondSpec((ObjectNode) o.path("spec"));
        for (JsonNode page : o.path("layout").path("pages")) {
            ((ObjectNode) page).put("overMm", 0).putArray("bleed");
            page.path("placed").forEach(placed -> ((ObjectNode) placed).put("straighten", 0));
        }
        ((ObjectNode) o.path("output")).put("copies", spec.path("copies").asInt());
        return o;
    }

    /** Schema 3: pictures in their own colours, with no moves. */
    private ObjectNode thirdSpec(ObjectNode d) {
        d.path("renditions").forEach(r -> ((ObjectNode) r).set("compensation", json.tree(Compensated.NONE)));
        return fourthSpec(d);
    }

    /** Schema 4: a driver that converts got sRGB, always. */
    private ObjectNode fourthSpec(ObjectNode d) {
        if (d.path("route").path("kind").asString().equals("by-driver")) {
            ((ObjectNode) d.path("route")).put("space", RasterType.Space.SRGB.name());
        }
        return fifthSpec(d);
    }

    /** Schema 5: no wedge had been measured. */
    private ObjectNode fifthSpec(ObjectNode d) {
        d.path("renditions").forEach(r -> ((ObjectNode) r).put("straightened", true));
        return sixthSpec(d);
    }

    /** Schema 6: the plan laid a rendition itself, and everything stood side by side. */
    private ObjectNode sixthSpec(ObjectNode d) {
        ObjectNode plan = (ObjectNode) d.path("plan");
        JsonNode rendition = plan.remove("renditionId");
        ObjectNode item = (ObjectNode) json
            .tree(Item.whole(DocketSpec.FIRST_ITEM, rendition.asString(), Frame.SMALLEST_MM, Frame.SMALLEST_MM));
        plan.put("itemId", DocketSpec.FIRST_ITEM);
        move(plan, "cut", item);
        ObjectNode frame = (ObjectNode) item.path("frame");
        List.of("fit", "cropX", "cropY").forEach(part -> move(plan, part, frame));
        List<Double> size = switch (plan.path("kind").asString()) {
            case "wrap" -> wall(plan.path("body"), plan.path("panels"));
            case "chart" -> List.of(plan.path("widthMm").asDouble(), plan.path("widthMm").asDouble());
            default -> List.of(plan.remove("widthMm").asDouble(), plan.remove("heightMm").asDouble());
        };
        frame.put("widthMm", FirstSchema.within(size.get(0))).put("heightMm", FirstSchema.within(size.get(1)));
        move(d, "annotation", item);
        d.putArray("items").add(item);
        String title = d.path("title").asString();
        Matcher wedge = WEDGE_TITLE.matcher(title);
        boolean ofWedge = plan.path("kind").asString().equals("chart") && wedge.matches();
        ObjectNode heading = d.putObject("heading");
        heading.set("purpose",
            json.sum(ofWedge ? new Purpose.WedgeOf(Integer.parseInt(wedge.group(1))) : new Purpose.Work(), Purpose.class));
        List.of("title", "notes").forEach(part -> move(d, part, heading));
        ObjectNode paper = d.putObject("paper");
        List.of("pairingId", "stock").forEach(part -> move(d, part, paper));
        ObjectNode output = d.putObject("output");
        List.of("resolution", "sharpening").forEach(part -> move(d, part, output));
        ObjectNode colour = d.putObject("colour");
        List.of("route", "settings").forEach(part -> move(d, part, colour));
        return seventhSpec(d);
    }

    /** Schema 7: pieces had no titles of their own, and those that were printed together lay where they were put. */
    private ObjectNode seventhSpec(ObjectNode d) {
        d.path("items").forEach(item -> ((ObjectNode) item).put("title", ""));
        ObjectNode plan = (ObjectNode) d.path("plan");
        if (plan.path("kind").asString().equals("gang")) {
            plan.set("arrangement", json.tree(Arrangement.UNTOLD));
            ArrayNode pieces = plan.putArray("pieces");
            plan.path("spots").valueStream().map(s -> s.path("itemId").asString()).distinct().forEach(pieces::add);
        }
        return eighthSpec(d);
    }

    /** Schema 8: captions said nothing of files, and rows gave no sizes. */
    private ObjectNode eighthSpec(ObjectNode d) {
        d.path("items").forEach(item -> ((ObjectNode) item.path("annotation").path("caption")).put("number", false).put("fileName", false)
            .put("taken", false));
        if (d.path("plan").path("arrangement") instanceof ObjectNode arrangement) {
            arrangement.set("rows", json.tree(Arrangement.Rows.AS_SIZED));
        }
        return ninthSpec(d);
    }

    /** Schema 9: what was done to a picture was done to all of it. */
    private ObjectNode ninthSpec(ObjectNode d) {
        d.path("renditions").forEach(r -> ((ObjectNode) r).putArray("local"));
        return tenthSpec(d);
    }

    /** Schema 10: nobody had marks of their own. */
    private ObjectNode tenthSpec(ObjectNode d) {
        d.path("items").forEach(i -> ((ObjectNode) i.path("annotation")).putNull("own"));
        return eleventhSpec(d);
    }

    /** Schema 11: control strips had sheets of their own, and nobody said where a print will hang. */
    private static ObjectNode eleventhSpec(ObjectNode d) {
        ((ObjectNode) d.path("paper")).put("checked", false);
        ((ObjectNode) d.path("heading")).putNull("light");
        d.path("renditions").forEach(r -> ((ObjectNode) r.path("compensation")).putNull("madeFor"));
        return d.put("schema", DocketSpec.SCHEMA);
    }

    /** Of all faces and the gaps between them. */
    private static List<Double> wall(JsonNode body, JsonNode panels) {
        double gap = panels.path("gapMm").asDouble();
        int across = panels.path("across").asInt();
        int down = panels.path("down").asInt();
        return List.of(across * body.path("faceWidthMm").asDouble() + (across - 1) * gap,
            down * body.path("faceHeightMm").asDouble() + (down - 1) * gap);
    }

    private static void move(ObjectNode from, String part, ObjectNode to) {
        JsonNode value = from.remove(part);
        if (value != null) {
            to.set(part, value);
        }
    }

    private ObjectNode fifthOrder(ObjectNode o) {
        fifthSpec((ObjectNode) o.path("spec"));
        ((ObjectNode) o.path("pairing")).putArray("curves");
        o.putNull("curve");
        return sixthOrder(o);
    }

    /** Schema 6: nothing was made round pictures but a bleed. */
    private ObjectNode sixthOrder(ObjectNode o) {
        o.path("layout").path("pages").forEach(
            page -> List.of("placed", "bleed").forEach(pieces -> page.path(pieces).forEach(p -> ((ObjectNode) p).putNull("sides"))));
        return seventhOrder(o);
    }

    /** Schema 7: a page had one picture, and its bleed beside it; what was lost of a picture was told by rendition; all was placed. */
    private ObjectNode seventhOrder(ObjectNode o) {
        ObjectNode spec = (ObjectNode) o.path("spec");
        if (!spec.has("heading")) {
            sixthSpec(spec);
        }
        ObjectNode layout = (ObjectNode) o.path("layout");
        for (JsonNode page : layout.path("pages")) {
            JsonNode bleed = ((ObjectNode) page).remove("bleed");
            List<JsonNode> placed = page.path("placed").valueStream().toList();
            for (int i = 0; i < placed.size(); i++) {
                ObjectNode one = (ObjectNode) placed.get(i);
                one.put("id", placed.size() == 1 ? DocketSpec.FIRST_ITEM : DocketSpec.FIRST_ITEM + "." + (i + 1)).put("itemId",
                    DocketSpec.FIRST_ITEM);
                one.set("bleed", i > 0 || bleed.isEmpty() ? null : bleed(bleed));
            }
        }
        layout.path("losses").forEach(loss -> ((ObjectNode) loss).put("itemId", DocketSpec.FIRST_ITEM).remove("renditionId"));
        layout.putArray("unplaced");
        return eighthOrder(o);
    }

    /** Schema 8: a layout knew no cuts. */
    private ObjectNode eighthOrder(ObjectNode o) {
        seventhSpec((ObjectNode) o.path("spec"));
        ((ObjectNode) o.path("layout")).putArray("cuts");
        return ninthOrder(o);
    }

    private ObjectNode ninthOrder(ObjectNode o) {
        eighthSpec((ObjectNode) o.path("spec"));
        return tenthOrder(o);
    }

    /** Schema 10: no feed had been measured. */
    private ObjectNode tenthOrder(ObjectNode o) {
        ((ObjectNode) o.path("pairing")).set("feedScale", json.tree(FeedScale.NONE));
        return eleventhOrder(o);
    }

    /** Schema 11: all pages were told the same, and a piece was printed as its rendition is. */
    private ObjectNode eleventhOrder(ObjectNode o) {
        ObjectNode spec = (ObjectNode) o.path("spec");
        if (spec.path("schema").asInt() < DocketSpec.SCHEMA) {
            ninthSpec(spec);
        }
        for (JsonNode page : o.path("layout").path("pages")) {
            ((ObjectNode) page).putObject("settings");
            page.path("placed").forEach(placed -> ((ObjectNode) placed).putNull("variation"));
        }
        return twelfthOrder(o);
    }

    /** Schema 12: nobody had marks of their own. */
    private ObjectNode twelfthOrder(ObjectNode o) {
        ObjectNode spec = (ObjectNode) o.path("spec");
        if (spec.path("schema").asInt() < DocketSpec.SCHEMA) {
            tenthSpec(spec);
        }
        return thirteenthOrder(o);
    }

    /** Schema 13: control strips had sheets of their own, and nobody said which inks they use. */
    private ObjectNode thirteenthOrder(ObjectNode o) {
        ObjectNode spec = (ObjectNode) o.path("spec");
        if (spec.path("schema").asInt() < DocketSpec.SCHEMA) {
            eleventhSpec(spec);
        }
        ((ObjectNode) o.path("pairing")).put("inks", "");
        return o.put("schema", PrintOrder.SCHEMA);
    }

    private JsonNode bleed(JsonNode pieces) {
        ObjectNode bleed = (ObjectNode) json.tree("{}");
        ArrayNode parts = bleed.putArray("parts");
        pieces.forEach(p -> {
            ObjectNode part = parts.addObject();
            List.of("crop", "atMm", "orientation").forEach(name -> part.set(name, p.path(name)));
        });
        return bleed;
    }

    /** Schema 4: nothing was known of how a paper handles. */
    private ObjectNode fourthOrder(ObjectNode o) {
        fourthSpec((ObjectNode) o.path("spec"));
        ((ObjectNode) o.path("pairing")).set("body", json.tree(PaperBody.UNKNOWN));
        return fifthOrder(o);
    }

    /** What a printer said of itself; before there were rules, it was kept as lists side by side. */
    public PrinterDescription description(String text) {
        JsonNode tree = json.tree(text);
        if (tree.has("supported")) {
            return json.read(tree, PrinterDescription.class);
        }
        Map<String, ValueSet> supported = new HashMap<>();
        supported.put(DriverSettings.MEDIA_TYPE, ValueSet.keywords(words(tree.path("mediaTypes"))));
        supported.put(DriverSettings.FEED, ValueSet.keywords(words(tree.path("feeds"))));
        supported.put(DriverSettings.QUALITY, ValueSet.enums(tree.path("qualities").valueStream().mapToInt(JsonNode::asInt).toArray()));
        supported.put(DriverSettings.COLOUR_MODE, ValueSet.keywords(words(tree.path("colourModes"))));
        supported.put(PrinterDescription.OVER_EDGE, new ValueSet(ValueSet.Syntax.INTEGER,
            tree.path("overEdgesMm").valueStream().map(v -> Long.toString(Math.round(v.asDouble() * 100))).toList(), List.of()));
        supported.values().removeIf(ValueSet::empty);
        return PrinterDescription.of(tree.path("model").asString(), rows(tree.path("media")), supported,
            tree.path("resolutions").valueStream().map(JsonNode::asInt).toList(),
            List.of(words(tree.path("rasters"))), List.of(words(tree.path("formats"))));
    }

    private static String[] words(JsonNode list) {
        return list.valueStream().map(JsonNode::asString).toArray(String[]::new);
    }

    /** Media, with or without a thickness. */
    public List<MediaRow> rows(String text) {
        return rows(json.tree(text));
    }

    private List<MediaRow> rows(JsonNode list) {
        list.forEach(row -> {
            if (!row.has("thicknessMm")) {
                ((ObjectNode) row).set("thicknessMm", json.tree(MediaRow.ANY_THICKNESS));
            }
        });
        return list.valueStream().map(row -> json.read(row, MediaRow.class)).toList();
    }

    private ObjectNode thirdOrder(ObjectNode o) {
        thirdSpec((ObjectNode) o.path("spec"));
        return fourthOrder(o);
    }
}
