package wistel.standin.ipp;

import static wistel.standin.ipp.Attrs.bool;
import static wistel.standin.ipp.Attrs.charset;
import static wistel.standin.ipp.Attrs.collection;
import static wistel.standin.ipp.Attrs.collections;
import static wistel.standin.ipp.Attrs.dpi;
import static wistel.standin.ipp.Attrs.enums;
import static wistel.standin.ipp.Attrs.integer;
import static wistel.standin.ipp.Attrs.ints;
import static wistel.standin.ipp.Attrs.keyword;
import static wistel.standin.ipp.Attrs.keywords;
import static wistel.standin.ipp.Attrs.language;
import static wistel.standin.ipp.Attrs.mime;
import static wistel.standin.ipp.Attrs.name;
import static wistel.standin.ipp.Attrs.none;
import static wistel.standin.ipp.Attrs.octets;
import static wistel.standin.ipp.Attrs.range;
import static wistel.standin.ipp.Attrs.text;
import static wistel.standin.ipp.Attrs.time;
import static wistel.standin.ipp.Attrs.uri;

import com.hp.jipp.encoding.Attribute;
import com.hp.jipp.encoding.UntypedCollection;
import com.hp.jipp.model.Operation;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import wistel.core.length.Range;
import wistel.core.paper.SheetSize;
import wistel.standin.room.MachineModel;
import wistel.standin.room.RoomPrinter;
import wistel.standin.room.Trouble;

/** What a printer says of itself (RFC 8011, 5.4; PWG 5100.12, 6; PWG 5100.13; PWG 5100.14, 5). */
final class PrinterDescription {
    static final List<String> FORMATS = List.of("image/pwg-raster", "image/jpeg", "application/octet-stream");
    static final int[] OPERATIONS = {Operation.Code.printJob, Operation.Code.validateJob, Operation.Code.createJob,
        Operation.Code.sendDocument, Operation.Code.cancelJob, Operation.Code.getJobAttributes, Operation.Code.getJobs,
        Operation.Code.getPrinterAttributes, Operation.Code.releaseJob, Operation.Code.cancelMyJobs, Operation.Code.closeJob,
        Operation.Code.identifyPrinter};

    /** Said in full media database form; everything else that a job may set. */
    private static final List<String> IN_MEDIA = List.of("media-type", "media-source");

    private final RoomPrinter printer;
    private final MachineModel model;
    private final String ippUri;
    private final String httpUri;

    PrinterDescription(RoomPrinter printer, String authority) {
        this.printer = printer;
        this.model = printer.model();
        this.ippUri = "ipp://" + authority + model.path();
        this.httpUri = "http://" + authority + "/";
    }

    String ippUri() {
        return ippUri;
    }

    String httpUri() {
        return httpUri;
    }

    int upTime(Instant at) {
        return (int) Math.max(1, Duration.between(printer.upSince(), at).toSeconds() + 1);
    }

    List<Attribute<?>> attributes() {
        List<Attribute<?>> all = new ArrayList<>();
        identity(all);
        state(all);
        documents(all);
        settings(all);
        media(all);
        return all;
    }

    private void identity(List<Attribute<?>> all) {
        all.addAll(List.of(
            charset("charset-configured", "utf-8"), charset("charset-supported", "utf-8"),
            language("natural-language-configured", "en"), language("generated-natural-language-supported", "en"),
            uri("printer-uri-supported", ippUri), keyword("uri-security-supported", "none"),
            keyword("uri-authentication-supported", "none"),
            name("printer-name", model.name()), text("printer-info", model.name() + ", " + model.kind() + " (simulated)"),
            text("printer-location", "Print room"),
            text("printer-make-and-model", model.name() + " stand-in"), uri("printer-more-info", httpUri),
            uri("printer-supply-info-uri", httpUri),
            uri("printer-icons", httpUri + "icon.png"), uri("printer-uuid", printer.uuid()),
            text("printer-device-id", "MFG:Wistel;MDL:" + model.name() + ";CMD:PWGRaster,JPEG;"), text("printer-organization", ""),
            text("printer-organizational-unit", ""),
            new com.hp.jipp.encoding.EmptyAttribute<>("printer-geo-location", com.hp.jipp.encoding.Tag.unknown),
            keyword("ipp-versions-supported", "1.1", "2.0"), keyword("ipp-features-supported", "ipp-everywhere"),
            enums("operations-supported", OPERATIONS), keyword("printer-get-attributes-supported", "document-format"),
            keyword("which-jobs-supported", "completed", "not-completed", "all"), bool("job-ids-supported", true),
            bool("preferred-attributes-supported", false), keyword("identify-actions-default", "display"),
            keyword("identify-actions-supported", "display")));
    }

    private void state(List<Attribute<?>> all) {
        Instant now = printer.clock().instant();
        String reason = reason();
        boolean stopped = !reason.equals("none");
        long queued = printer.jobs().stream().filter(j -> !j.state().over()).count();
        all.addAll(List.of(
            enums("printer-state", stopped ? 5 : printer.busy() ? 4 : 3),
            keyword("printer-state-reasons", reason),
            text("printer-state-message", stopped ? "See to " + model.name() : ""),
            bool("printer-is-accepting-jobs", true), integer("queued-job-count", (int) queued), integer("printer-up-time", upTime(now)),
            time("printer-current-time", now), integer("printer-config-change-time", 1),
            time("printer-config-change-date-time", printer.upSince()),
            integer("printer-state-change-time", 1), time("printer-state-change-date-time", printer.upSince()),
            octets("printer-supply", printer.inks().entrySet().stream().map(e -> supply(e.getKey(), e.getValue())).toArray(String[]::new)),
            text("printer-supply-description",
                printer.inks().keySet().stream().map(n -> Character.toUpperCase(n.charAt(0)) + n.substring(1)).toArray(String[]::new)),
            keyword("wistel-black-ink-ready", printer.photoBlack() ? "photo" : "matte")));
    }

    private String reason() {
        return printer.trouble() != Trouble.NONE ? printer.trouble().reason()
            : printer.inkEmpty() ? "marker-supply-empty-error" : printer.waitsForPaper() ? "media-needed-error" : "none";
    }

    private static String supply(String colour, int level) {
        return "type=ink;maxcapacity=100;level=" + level + ";colorantname=" + colour + ";";
    }

    private void documents(List<Attribute<?>> all) {
        all.addAll(List.of(
            mime("document-format-supported", FORMATS.toArray(String[]::new)), mime("document-format-default", "image/pwg-raster"),
            keyword("compression-supported", "none", "gzip", "deflate"), keyword("pdl-override-supported", "attempted"),
            bool("multiple-document-jobs-supported", false), integer("multiple-operation-time-out", 120),
            keyword("multiple-operation-time-out-action", "abort-job"), keyword("overrides-supported", "document-number", "pages"),
            dpi("pwg-raster-document-resolution-supported", 150, 180, 300, 360, 600, 720),
            keyword("pwg-raster-document-sheet-back", "normal"),
            keyword("pwg-raster-document-type-supported", "device3_16", "srgb_16", "srgb_8", "adobe-rgb_16", "sgray_16", "sgray_8",
                "black_1"),
            bool("page-ranges-supported", false), range("jpeg-k-octets-supported", 0, 300_000),
            range("jpeg-x-dimension-supported", 0, 60_000), range("jpeg-y-dimension-supported", 1, 60_000)));
    }

    private void settings(List<Attribute<?>> all) {
        all.addAll(List.of(
            bool("color-supported", true), integer("pages-per-minute", 1), integer("pages-per-minute-color", 1),
            integer("copies-default", 1), range("copies-supported", 1, 99),
            enums("orientation-requested-default", 3), enums("orientation-requested-supported", 3, 4, 5, 6),
            keyword("output-bin-default", "face-up"), keyword("output-bin-supported", "face-up"),
            keyword("sides-default", "one-sided"), keyword("sides-supported", "one-sided"),
            keyword("print-content-optimize-default", "photo"), keyword("print-content-optimize-supported", "photo"),
            keyword("print-rendering-intent-default", "relative"), keyword("print-rendering-intent-supported", "relative"),
            keyword("print-scaling-default", "none"), keyword("print-scaling-supported", "none"),
            keyword("job-hold-until-default", "no-hold"), keyword("job-hold-until-supported", "no-hold", "indefinite"),
            integer("number-up-default", 1), integer("number-up-supported", 1), keyword("job-sheets-default", "none"),
            keyword("job-sheets-supported", "none"), integer("job-priority-default", 50), integer("job-priority-supported", 100),
            keyword("multiple-document-handling-supported", "single-document")));
        for (MachineModel.Setting s : model.settings()) {
            all.add(values(s.name() + "-supported", s, s.values().keySet()));
            if (!s.usual().isEmpty()) {
                all.add(values(s.name() + "-default", s, List.of(s.usual())));
            }
        }
        List<String> names = new ArrayList<>(List.of("copies", "media", "media-col", "print-content-optimize", "print-rendering-intent",
            "print-scaling", "sides", "orientation-requested",
            "output-bin", "job-hold-until", "ipp-attribute-fidelity", "job-name", "wistel-over-edge"));
        model.settings().stream().map(MachineModel.Setting::name).filter(n -> !IN_MEDIA.contains(n)).forEach(names::add);
        all.add(keywords("job-creation-attributes-supported", names));
        all.add(collections("job-constraints-supported", model.rules().stream().map(this::constraint).toList()));
        all.add(collections("job-resolvers-supported", model.rules().stream().map(this::resolver).toList()));
        all.add(uri("printer-strings-uri", httpUri + "strings" + model.path() + ".strings"));
        all.add(language("printer-strings-languages-supported", "en"));
        all.add(collections("wistel-consumption",
            Stream.of(3, 4, 5)
                .map(q -> collection(enums("print-quality", q),
                    integer("seconds-per-square-metre", (int) Math.round(60 * model.minutesPerM2(q))),
                    integer("ink-millilitres-per-square-metre", (int) Math.round(model.inkMlPerM2()))))
                .toList()));
        all.add(collections("wistel-black-ink-change", List.of(collection(integer("seconds", RoomPrinter.BLACK_CHANGE_SECONDS),
            integer("ink-microlitres", RoomPrinter.BLACK_CHANGE_MICROLITRES)))));
    }

    private MachineModel.Setting setting(String name) {
        return model.settings().stream().filter(s -> s.name().equals(name)).findFirst().orElseThrow();
    }

    private static Attribute<?> values(String name, MachineModel.Setting setting, Collection<String> values) {
        return switch (setting.syntax()) {
            case KEYWORD -> keywords(name, List.copyOf(values));
            case ENUM -> enums(name, values.stream().mapToInt(Integer::parseInt).toArray());
            case RESOLUTION -> dpi(name, values.stream().mapToInt(Integer::parseInt).toArray());
        };
    }

    private static UntypedCollection named(String resolver, List<Attribute<?>> members) {
        List<Attribute<?>> all = new ArrayList<>(List.of(name("resolver-name", resolver)));
        all.addAll(members);
        return new UntypedCollection(all);
    }

    private UntypedCollection resolver(MachineModel.Rule rule) {
        List<Attribute<?>> members = new ArrayList<>();
        rule.instead().forEach((name, value) -> members.add(values(name, setting(name), List.of(value))));
        return named(rule.name(), members);
    }

    /** Media type and feed stand in a media-col, as they do in a job (PWG 5100.13); each of its values is a collection of its own. */
    private UntypedCollection constraint(MachineModel.Rule rule) {
        List<Attribute<?>> members = new ArrayList<>();
        List<UntypedCollection> media = new ArrayList<>();
        rule.when().forEach((name, values) -> {
            if (IN_MEDIA.contains(name)) {
                values.stream().sorted().forEach(v -> media.add(collection(keyword(name, v))));
            } else {
                members.add(values(name, setting(name), values.stream().sorted().toList()));
            }
        });
        if (!media.isEmpty()) {
            members.add(collections("media-col", media));
        }
        return named(rule.name(), members);
    }

    /** Its own words for people (PWG 5100.13, printer-strings-uri). */
    String strings() {
        StringBuilder out = new StringBuilder();
        for (MachineModel.Setting s : model.settings()) {
            out.append('"').append(s.name()).append("\" = \"").append(s.words()).append("\";\n");
            s.values().forEach((value, words) -> out.append('"').append(s.name()).append('.').append(value).append("\" = \"").append(words)
                .append("\";\n"));
        }
        return out.toString();
    }

    private void media(List<Attribute<?>> all) {
        List<SheetSize> sizes = model.sizes();
        List<MachineModel.Offer> ready = new ArrayList<>();
        List<String> names = new ArrayList<>();
        printer.feeds().forEach((feed, loaded) -> {
            List<MachineModel.Offer> lying = model.offers().stream()
                .filter(o -> loaded.sheets() > 0 && o.feed().equals(feed) && o.paper().mediaType().equals(loaded.paper().mediaType())
                    && loaded.lies(o))
                .map(loaded::cut).toList();
            if (!lying.isEmpty()) {
                ready.addAll(lying);
                names.add(loaded.size().ippName());
            }
        });
        if (ready.isEmpty()) {
            all.add(none("media-ready"));
            all.add(none("media-col-ready"));
        } else {
            all.add(keywords("media-ready", names.stream().distinct().toList()));
            all.add(collections("media-col-ready", ready.stream().map(PrinterDescription::mediaCol).distinct().toList()));
        }
        List<String> media = new ArrayList<>(sizes.stream().map(SheetSize::ippName).toList());
        media.addAll(model == MachineModel.ARDLE_17
            ? List.of("custom_min_89x127mm", "custom_max_431.8x1200mm", "roll_min_254x100mm", "roll_max_431.8x5000mm")
            : List.of("roll_min_431.8x100mm", "roll_max_1117.6x18000mm"));
        List<UntypedCollection> dimensions = new ArrayList<>();
        model.offers().stream().map(o -> new Lengths(o.widthMm(), o.lengthMm())).distinct().forEach(l -> dimensions.add(mediaSize(l)));
        all.addAll(List.of(
            keyword("media-default", usual().ippName()), keywords("media-supported", media),
            collections("media-col-default",
                List.of(mediaCol(
                    model.offers().stream().filter(o -> o.takes(usual().widthMm(), usual().heightMm())).findFirst().orElseThrow()))),
            collections("media-col-database", model.offers().stream().map(PrinterDescription::mediaCol).toList()),
            keyword("media-col-supported", "media-size", "media-type", "media-source", "media-top-margin", "media-bottom-margin",
                "media-left-margin", "media-right-margin", "media-thickness"),
            collections("media-size-supported", dimensions),
            range("media-thickness-supported", 1, 150),
            ints("wistel-over-edge-supported", MachineModel.OVER_EDGE_MM.stream().map(PrinterDescription::hundredths).toList()),
            integer("wistel-over-edge-default", hundredths(MachineModel.USUAL_OVER_EDGE_MM)),
            margins("media-top-margin-supported", MachineModel.Offer::lead),
            margins("media-bottom-margin-supported", MachineModel.Offer::trail),
            margins("media-left-margin-supported", MachineModel.Offer::left),
            margins("media-right-margin-supported", MachineModel.Offer::right)));
    }

    private SheetSize usual() {
        return model == MachineModel.ARDLE_17 ? SheetSize.A4 : SheetSize.named("A2").orElseThrow();
    }

    private record Lengths(Range width, Range length) {
    }

    private Attribute<?> margins(String name, ToDoubleFunction<MachineModel.Offer> margin) {
        return ints(name, model.offers().stream().map(o -> hundredths(margin.applyAsDouble(o))).distinct().sorted().toList());
    }

    private static int hundredths(double mm) {
        return (int) Math.round(mm * 100);
    }

    private static UntypedCollection mediaSize(Lengths l) {
        return collection(length("x-dimension", l.width), length("y-dimension", l.length));
    }

    private static Attribute<?> length(String name, Range mm) {
        return mm.from() == mm.to() ? integer(name, hundredths(mm.from())) : range(name, hundredths(mm.from()), hundredths(mm.to()));
    }

    private static UntypedCollection mediaCol(MachineModel.Offer o) {
        return collection(collections("media-size", List.of(mediaSize(new Lengths(o.widthMm(), o.lengthMm())))),
            keyword("media-type", o.paper().mediaType()),
            keyword("media-source", o.feed()), integer("media-top-margin", hundredths(o.lead())),
            integer("media-bottom-margin", hundredths(o.trail())),
            integer("media-left-margin", hundredths(o.left())), integer("media-right-margin", hundredths(o.right())),
            range("media-thickness", 1, hundredths(o.thickestMm())));
    }
}
