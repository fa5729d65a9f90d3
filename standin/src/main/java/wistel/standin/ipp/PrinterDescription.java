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
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import wistel.core.length.Range;
import wistel.core.paper.SheetSize;
import wistel.standin.ink.Paper;
import wistel.standin.room.Feeds;
import wistel.standin.room.SheetPrinter;

/** What the sheet printer says of itself (RFC 8011, 5.4; PWG 5100.12, 6; PWG 5100.14, 5). */
final class PrinterDescription {
    static final String NAME = "Ardle 17";
    static final List<String> FORMATS = List.of("image/pwg-raster", "image/jpeg", "application/octet-stream");
    static final int[] OPERATIONS = {0x02, 0x04, 0x05, 0x06, 0x08, 0x09, 0x0a, 0x0b, 0x0d, 0x39, 0x3b, 0x3c};

    private final SheetPrinter printer;
    private final String ippUri;
    private final String httpUri;

    PrinterDescription(SheetPrinter printer, String authority) {
        this.printer = printer;
        this.ippUri = "ipp://" + authority + "/ipp/print";
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
            uri("printer-uri-supported", ippUri), keyword("uri-security-supported", "none"), keyword("uri-authentication-supported", "none"),
            name("printer-name", NAME), text("printer-info", NAME + ", sheet printer (simulated)"), text("printer-location", "Print room"),
            text("printer-make-and-model", NAME + " stand-in"), uri("printer-more-info", httpUri), uri("printer-supply-info-uri", httpUri),
            uri("printer-icons", httpUri + "icon.png"), uri("printer-uuid", printer.uuid()),
            text("printer-device-id", "MFG:Wistel;MDL:" + NAME + ";CMD:PWGRaster,JPEG;"), text("printer-organization", ""),
            text("printer-organizational-unit", ""), new com.hp.jipp.encoding.EmptyAttribute<>("printer-geo-location", com.hp.jipp.encoding.Tag.unknown),
            keyword("ipp-versions-supported", "1.1", "2.0"), keyword("ipp-features-supported", "ipp-everywhere"),
            enums("operations-supported", OPERATIONS), keyword("printer-get-attributes-supported", "document-format"),
            keyword("which-jobs-supported", "completed", "not-completed", "all"), bool("job-ids-supported", true),
            bool("preferred-attributes-supported", false), keyword("identify-actions-default", "display"),
            keyword("identify-actions-supported", "display")));
    }

    private void state(List<Attribute<?>> all) {
        Instant now = printer.clock().instant();
        boolean waits = printer.waitsForPaper();
        long queued = printer.jobs().stream().filter(j -> !j.state().over()).count();
        all.addAll(List.of(
            enums("printer-state", waits ? 5 : printer.busy() ? 4 : 3),
            keyword("printer-state-reasons", waits ? "media-needed-error" : "none"),
            text("printer-state-message", waits ? "Load the paper that the job asks for" : ""),
            bool("printer-is-accepting-jobs", true), integer("queued-job-count", (int) queued), integer("printer-up-time", upTime(now)),
            time("printer-current-time", now), integer("printer-config-change-time", 1), time("printer-config-change-date-time", printer.upSince()),
            integer("printer-state-change-time", 1), time("printer-state-change-date-time", printer.upSince()),
            octets("printer-supply", supply("cyan", 71), supply("magenta", 64), supply("yellow", 68), supply("black", 52)),
            text("printer-supply-description", "Cyan ink", "Magenta ink", "Yellow ink", "Black inks")));
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
            dpi("pwg-raster-document-resolution-supported", 150, 180, 300, 360, 600, 720), keyword("pwg-raster-document-sheet-back", "normal"),
            keyword("pwg-raster-document-type-supported", "device3_16", "srgb_16", "srgb_8", "sgray_8", "black_1"),
            bool("page-ranges-supported", false), range("jpeg-k-octets-supported", 0, 300_000),
            range("jpeg-x-dimension-supported", 0, 60_000), range("jpeg-y-dimension-supported", 1, 60_000)));
    }

    private void settings(List<Attribute<?>> all) {
        all.addAll(List.of(
            bool("color-supported", true), integer("pages-per-minute", 1), integer("pages-per-minute-color", 1),
            integer("copies-default", 1), range("copies-supported", 1, 99), enums("finishings-default", 3), enums("finishings-supported", 3),
            enums("orientation-requested-default", 3), enums("orientation-requested-supported", 3, 4, 5, 6),
            keyword("output-bin-default", "face-up"), keyword("output-bin-supported", "face-up"),
            enums("print-quality-default", 5), enums("print-quality-supported", 3, 4, 5), dpi("printer-resolution-default", 360),
            dpi("printer-resolution-supported", 180, 360, 720), keyword("sides-default", "one-sided"), keyword("sides-supported", "one-sided"),
            keyword("print-color-mode-default", "color"), keyword("print-color-mode-supported", "color", "monochrome"),
            keyword("print-content-optimize-default", "photo"), keyword("print-content-optimize-supported", "photo"),
            keyword("print-rendering-intent-default", "relative"), keyword("print-rendering-intent-supported", "relative"),
            keyword("print-scaling-default", "none"), keyword("print-scaling-supported", "none"),
            keyword("job-hold-until-default", "no-hold"), keyword("job-hold-until-supported", "no-hold", "indefinite"),
            integer("number-up-default", 1), integer("number-up-supported", 1), keyword("job-sheets-default", "none"),
            keyword("job-sheets-supported", "none"), integer("job-priority-default", 50), integer("job-priority-supported", 100),
            keyword("multiple-document-handling-supported", "single-document"),
            keyword("job-creation-attributes-supported", "copies", "media", "media-col", "print-quality", "print-color-mode", "print-content-optimize",
                "print-rendering-intent", "print-scaling", "printer-resolution", "sides", "orientation-requested", "output-bin", "finishings",
                "job-hold-until", "ipp-attribute-fidelity", "job-name", "wistel-over-edge")));
    }

    /** Whether a job's keywords, enums and resolutions are among those supported; what isn't known here is not judged. */
    boolean offers(com.hp.jipp.encoding.AttributeGroup job) {
        if (job == null) {
            return true;
        }
        List<Attribute<?>> known = new ArrayList<>();
        settings(known);
        return Stream.of("print-color-mode", "print-rendering-intent", "print-quality", "printer-resolution", "print-scaling", "sides").allMatch(name -> {
            Attribute<?> asked = job.get(name);
            Optional<Attribute<?>> supported = known.stream().filter(a -> a.getName().equals(name + "-supported")).findFirst();
            return asked == null || asked.isEmpty() || supported.isEmpty() || supported.get().stream().anyMatch(v -> same(v, asked.get(0)));
        });
    }

    private static boolean same(Object supported, Object asked) {
        return supported.equals(asked) || words(supported).equals(words(asked));
    }

    private static String words(Object value) {
        return value instanceof com.hp.jipp.encoding.Enum e ? Integer.toString(e.getCode())
            : value instanceof com.hp.jipp.encoding.Stringable s ? s.asString() : String.valueOf(value);
    }

    private void media(List<Attribute<?>> all) {
        List<SheetSize> sizes = Feeds.sizes();
        List<Feeds.Offer> ready = new ArrayList<>();
        List<String> names = new ArrayList<>();
        printer.feeds().forEach((feed, loaded) -> {
            List<Feeds.Offer> lying = Feeds.offers().stream().filter(o -> loaded.sheets() > 0 && o.feed().equals(feed) && o.paper() == loaded.paper() && loaded.lies(o))
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
        media.addAll(List.of("custom_min_89x127mm", "custom_max_431.8x1200mm", "roll_min_254x100mm", "roll_max_431.8x5000mm"));
        List<UntypedCollection> dimensions = new ArrayList<>();
        Feeds.offers().stream().map(o -> new Lengths(o.widthMm(), o.lengthMm())).distinct().forEach(l -> dimensions.add(mediaSize(l)));
        all.addAll(List.of(
            keyword("media-default", SheetSize.A4.ippName()), keywords("media-supported", media),
            collections("media-col-default", List.of(mediaCol(Feeds.offers().stream().filter(o -> o.takes(SheetSize.A4.widthMm(), SheetSize.A4.heightMm())).findFirst().orElseThrow()))),
            collections("media-col-database", Feeds.offers().stream().map(PrinterDescription::mediaCol).toList()),
            keyword("media-col-supported", "media-size", "media-type", "media-source", "media-top-margin", "media-bottom-margin",
                "media-left-margin", "media-right-margin"),
            collections("media-size-supported", dimensions),
            keyword("media-source-supported", Feeds.REAR, Feeds.FRONT, Feeds.ROLL),
            ints("wistel-over-edge-supported", Feeds.OVER_EDGE_MM.stream().map(PrinterDescription::hundredths).toList()),
            integer("wistel-over-edge-default", hundredths(Feeds.USUAL_OVER_EDGE_MM)),
            keywords("media-type-supported", Arrays.stream(Paper.values()).map(Paper::mediaType).toList()),
            margins("media-top-margin-supported", Feeds.Offer::lead), margins("media-bottom-margin-supported", Feeds.Offer::trail),
            margins("media-left-margin-supported", Feeds.Offer::left), margins("media-right-margin-supported", Feeds.Offer::right)));
    }

    private record Lengths(Range width, Range length) {
    }

    private static Attribute<?> margins(String name, ToDoubleFunction<Feeds.Offer> margin) {
        return ints(name, Feeds.offers().stream().map(o -> hundredths(margin.applyAsDouble(o))).distinct().sorted().toList());
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

    private static UntypedCollection mediaCol(Feeds.Offer o) {
        return collection(collections("media-size", List.of(mediaSize(new Lengths(o.widthMm(), o.lengthMm())))), keyword("media-type", o.paper().mediaType()),
            keyword("media-source", o.feed()), integer("media-top-margin", hundredths(o.lead())), integer("media-bottom-margin", hundredths(o.trail())),
            integer("media-left-margin", hundredths(o.left())), integer("media-right-margin", hundredths(o.right())));
    }
}
