package wistel.server.printer;

import static wistel.server.printer.IppValues.all;
import static wistel.server.printer.IppValues.collections;
import static wistel.server.printer.IppValues.first;
import static wistel.server.printer.IppValues.lengths;
import static wistel.server.printer.IppValues.member;
import static wistel.server.printer.IppValues.number;
import static wistel.server.printer.IppValues.strings;
import static wistel.server.printer.IppValues.value;
import static wistel.server.printer.IppValues.whole;

import com.hp.jipp.encoding.Attribute;
import com.hp.jipp.encoding.AttributeCollection;
import com.hp.jipp.encoding.AttributeGroup;
import com.hp.jipp.encoding.Resolution;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wistel.core.fault.PrinterException;
import wistel.core.length.Margins;
import wistel.core.length.Range;
import wistel.core.printer.BlackChange;
import wistel.core.printer.Conflict;
import wistel.core.printer.Constraint;
import wistel.core.printer.Consumption;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;
import wistel.core.printer.Resolver;
import wistel.core.printer.Supply;
import wistel.core.printer.ValueSet;

/** A printer's attributes (RFC 8011, 5.4; PWG 5100.7, 5100.12, 5100.13, 5100.14) as core's description and state of it, within bounds. */
final class IppDescription {
    static final int MOST_ROWS = 30_000;
    private static final int MOST_RULES = 4000;
    private static final int MOST_SETTINGS = 200;
    private static final int MOST_SUPPLIES = 40;
    /** Attributes of a job that are no settings of a print: who, when, which part, how many; and what Wistel decides itself. */
    private static final Set<String> NO_SETTINGS = Set.of("media", "media-col", "job-name", "ipp-attribute-fidelity", "page-ranges",
        "overrides", "copies", "job-hold-until", "job-priority",
        "job-sheets", "job-account-id", "job-accounting-user-id", "job-password", "job-password-encryption", "number-up", "sides",
        "orientation-requested", "print-scaling",
        "multiple-document-handling", "job-phone-number", "job-recipient-name", "job-message-to-operator", "job-pages-per-set",
        "compression", "document-format", "document-name",
        "presentation-direction-number-up", "imposition-template", "x-image-position", "y-image-position", "job-hold-until-time",
        "job-delay-output-until", "pdf-versions", "finishings-col");
    private static final List<String> ALWAYS = List.of("print-quality", "print-color-mode", "printer-resolution", "media-type",
        "media-source", "finishings", "output-bin",
        "print-content-optimize", "print-rendering-intent");
    private static final ValueSet ANY_NUMBER = new ValueSet(ValueSet.Syntax.INTEGER, List.of(),
        List.of(new ValueSet.Span(1, Integer.MAX_VALUE)));
    private static final Pattern SELF_DESCRIBING = Pattern.compile(".*_(\\d+(?:\\.\\d+)?)x(\\d+(?:\\.\\d+)?)(mm|in)");
    private static final Pattern SUPPLY_PART = Pattern.compile("\\s*([a-z]+)\\s*=\\s*([^;]*)");

    private IppDescription() {
    }

    /** @param words of the printer's own strings file; empty when it has none */
    static PrinterDescription description(AttributeGroup p, Map<String, String> words) {
        List<MediaRow> media = media(p);
        Map<String, ValueSet> supported = supported(p);
        Map<String, String> defaults = new TreeMap<>();
        supported.keySet().forEach(name -> value(p, name + "-default").flatMap(IppValues::setting).ifPresent(v -> defaults.put(name, v)));
        List<Constraint> constraints = collections(p, "job-constraints-supported").stream().limit(MOST_RULES)
            .flatMap(c -> constraints(c).stream()).filter(c -> c.when().size() > 1).limit(MOST_RULES).toList();
        List<Resolver> resolvers = collections(p, "job-resolvers-supported").stream().limit(MOST_RULES).map(IppDescription::resolver)
            .toList();
        return new PrinterDescription(first(p, "printer-make-and-model"), media, supported, defaults, constraints, resolvers,
            resolutions(p),
            strings(p, "pwg-raster-document-type-supported"), strings(p, "document-format-supported"), consumption(p), blackChange(p),
            words);
    }

    static PrinterState state(AttributeGroup p) {
        int state = value(p, "printer-state").map(IppValues::number).orElse(3);
        List<MediaRow> loaded = collections(p, "media-col-ready").stream().map(IppDescription::row).flatMap(Optional::stream).limit(100)
            .toList();
        if (loaded.isEmpty()) {
            loaded = strings(p, "media-ready").stream().map(IppDescription::named).flatMap(Optional::stream).limit(100).toList();
        }
        String reason = state == 5 ? StopReasons.words(strings(p, "printer-state-reasons")) : "";
        return new PrinterState(
            state == 5 ? PrinterState.Doing.STOPPED : state == 4 ? PrinterState.Doing.PRINTING : PrinterState.Doing.IDLE, reason, loaded,
            supplies(p),
            first(p, "wistel-black-ink-ready"));
    }

    private static Map<String, ValueSet> supported(AttributeGroup p) {
        Set<String> names = new LinkedHashSet<>(ALWAYS);
        strings(p, "job-creation-attributes-supported").stream().limit(MOST_SETTINGS).filter(n -> !NO_SETTINGS.contains(n))
            .forEach(names::add);
        Map<String, ValueSet> supported = new TreeMap<>();
        for (String name : names) {
            ValueSet values = IppValues.values(all(p, name + "-supported"));
            if (!values.empty()) {
                supported.put(name, values);
            }
        }
        if (strings(p, "media-col-supported").contains(Conflict.THICKNESS)) {
            ValueSet thickness = IppValues.values(all(p, Conflict.THICKNESS + "-supported"));
            supported.put(Conflict.THICKNESS, thickness.empty() ? ANY_NUMBER : thickness);
        }
        return supported;
    }

    // --- media ---

    /** The media database; of a printer that has none, what follows from its sizes and margins. */
    private static List<MediaRow> media(AttributeGroup p) {
        List<AttributeCollection> database = collections(p, "media-col-database");
        if (database.size() > MOST_ROWS) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR,
                "The printer lists " + database.size() + " kinds of media, more than " + MOST_ROWS + ".", "It can't be used as it is.");
        }
        List<MediaRow> rows = database.stream().map(IppDescription::row).flatMap(Optional::stream).distinct().toList();
        if (!rows.isEmpty()) {
            return rows;
        }
        Margins margins = new Margins(widest(p, "top"), widest(p, "right"), widest(p, "bottom"), widest(p, "left"));
        List<MediaRow> sizes = new ArrayList<>();
        for (AttributeCollection size : collections(p, "media-size-supported").stream().limit(1000).toList()) {
            sized(size).ifPresent(s -> sizes.add(new MediaRow("", "", s[0], s[1], margins)));
        }
        if (sizes.isEmpty()) {
            strings(p, "media-supported").stream().map(IppDescription::named).flatMap(Optional::stream).limit(1000)
                .forEach(m -> sizes.add(new MediaRow("", "", m.widthMm(), m.lengthMm(), margins)));
        }
        return sizes;
    }

    private static double widest(AttributeGroup p, String side) {
        return all(p, "media-" + side + "-margin-supported").stream().map(IppValues::whole).flatMap(Optional::stream).mapToInt(v -> v)
            .filter(v -> v >= 0).max().orElse(0) / 100.0;
    }

    /** A self-describing name (PWG 5101.1) as a sheet. */
    private static Optional<MediaRow> named(String name) {
        Matcher m = SELF_DESCRIBING.matcher(name);
        if (!m.matches() || name.contains("_min_") || name.contains("_max_")) {
            return Optional.empty();
        }
        double unit = m.group(3).equals("in") ? 25.4 : 1;
        double w = Double.parseDouble(m.group(1)) * unit;
        double h = Double.parseDouble(m.group(2)) * unit;
        return w > 0 && h > 0 && w < 10_000 && h < 100_000 ? Optional.of(new MediaRow("", "", Range.only(w), Range.only(h), Margins.NONE))
            : Optional.empty();
    }

    private static Optional<Range[]> sized(AttributeCollection size) {
        Optional<Range> x = member(size, "x-dimension").flatMap(IppValues::lengths);
        Optional<Range> y = member(size, "y-dimension").flatMap(IppValues::lengths);
        return x.isPresent() && y.isPresent() ? Optional.of(new Range[] {x.get(), y.get()}) : Optional.empty();
    }

    static Optional<MediaRow> row(AttributeCollection c) {
        Optional<Range[]> size = member(c, "media-size").filter(AttributeCollection.class::isInstance).map(AttributeCollection.class::cast)
            .flatMap(IppDescription::sized);
        return size.map(s -> new MediaRow(text(c, "media-type"), text(c, "media-source"), s[0], s[1],
            new Margins(margin(c, "top"), margin(c, "right"), margin(c, "bottom"), margin(c, "left")),
            member(c, "media-thickness").flatMap(IppValues::span).filter(t -> t.from() >= 0 && t.to() > t.from())
                .map(t -> new Range(t.from() / 100.0, t.to() / 100.0)).orElse(MediaRow.ANY_THICKNESS)));
    }

    private static String text(AttributeCollection c, String name) {
        return member(c, name).map(IppValues::plain).orElse("");
    }

    private static double margin(AttributeCollection c, String side) {
        return member(c, "media-" + side + "-margin").flatMap(IppValues::whole).map(v -> Math.max(0, v)).orElse(0) / 100.0;
    }

    // --- rules ---

    /** One for each media-col that a constraint names, with its members beside the other settings. */
    private static List<Constraint> constraints(AttributeCollection c) {
        String resolver = text(c, "resolver-name");
        Map<String, ValueSet> plain = new HashMap<>();
        List<AttributeCollection> media = List.of();
        for (Attribute<?> a : c.getAttributes()) {
            if (a.getName().equals("media-col")) {
                media = collections(List.copyOf(a));
            } else if (a.getName().equals("media")) {
                List<MediaRow> named = a.stream().map(IppValues::plain).map(IppDescription::named).flatMap(Optional::stream).toList();
                plain.put("x-dimension", around(named.stream().map(MediaRow::widthMm).toList()));
                plain.put("y-dimension", around(named.stream().map(MediaRow::lengthMm).toList()));
            } else if (!a.getName().equals("resolver-name")) {
                ValueSet values = IppValues.values(List.copyOf(a));
                if (!values.empty()) {
                    plain.put(a.getName(), values);
                }
            }
        }
        if (media.isEmpty()) {
            return List.of(new Constraint(resolver, plain));
        }
        List<Constraint> all = new ArrayList<>();
        for (AttributeCollection m : media) {
            Map<String, ValueSet> whole = new HashMap<>(plain);
            flat(m, whole);
            all.add(new Constraint(resolver, whole));
        }
        return all;
    }

    private static ValueSet around(List<Range> lengths) {
        return new ValueSet(ValueSet.Syntax.INTEGER, List.of(), lengths.stream()
            .map(r -> new ValueSet.Span((int) Math.round(r.from() * 100) - 5, (int) Math.round(r.to() * 100) + 5)).toList());
    }

    private static void flat(AttributeCollection media, Map<String, ValueSet> into) {
        for (Attribute<?> a : media.getAttributes()) {
            if (a.getName().equals("media-size")) {
                collections(List.copyOf(a)).forEach(size -> flat(size, into));
            } else {
                ValueSet values = IppValues.values(List.copyOf(a));
                if (!values.empty()) {
                    into.put(a.getName(), values);
                }
            }
        }
    }

    private static Resolver resolver(AttributeCollection c) {
        Map<String, ValueSet> values = new HashMap<>();
        for (Attribute<?> a : c.getAttributes()) {
            if (a.getName().equals("media-col")) {
                collections(List.copyOf(a)).forEach(m -> flat(m, values));
            } else if (!a.getName().equals("resolver-name")) {
                values.put(a.getName(), IppValues.values(List.copyOf(a)));
            }
        }
        Map<String, String> settings = new HashMap<>();
        values.forEach((name, set) -> set.values().stream().findFirst().ifPresent(v -> settings.put(name, v)));
        return new Resolver(text(c, "resolver-name"), settings);
    }

    // --- resolutions, figures, supplies ---

    /** Those that both a raster may have and a job may ask for, where it tells of both. */
    private static List<Integer> resolutions(AttributeGroup p) {
        List<Integer> rasters = square(p, "pwg-raster-document-resolution-supported");
        List<Integer> jobs = square(p, "printer-resolution-supported");
        List<Integer> both = rasters.stream().filter(jobs::contains).toList();
        return both.isEmpty() ? rasters : both;
    }

    private static List<Integer> square(AttributeGroup p, String name) {
        return all(p, name).stream().filter(Resolution.class::isInstance).map(Resolution.class::cast)
            .filter(r -> r.getX() == r.getY() && r.getX() > 0 && r.getX() <= 4800)
            .map(Resolution::getX).distinct().toList();
    }

    private static List<Consumption> consumption(AttributeGroup p) {
        return collections(p, "wistel-consumption").stream().limit(20)
            .map(c -> new Consumption(member(c, "print-quality").map(IppValues::number).orElse(0),
                positive(c, "seconds-per-square-metre"), positive(c, "ink-millilitres-per-square-metre")))
            .filter(c -> c.quality() > 0).toList();
    }

    private static Optional<BlackChange> blackChange(AttributeGroup p) {
        return collections(p, "wistel-black-ink-change").stream().findFirst()
            .map(c -> new BlackChange(positive(c, "seconds"), positive(c, "ink-microlitres") / 1000));
    }

    private static double positive(AttributeCollection c, String name) {
        return member(c, name).flatMap(IppValues::whole).map(v -> Math.max(0, v)).orElse(0);
    }

    /** From printer-supply (PWG 5100.13), or else from the older marker attributes. */
    private static List<Supply> supplies(AttributeGroup p) {
        List<Object> coded = all(p, "printer-supply");
        List<String> named = strings(p, "printer-supply-description");
        List<Supply> supplies = new ArrayList<>();
        for (int i = 0; i < Math.min(coded.size(), MOST_SUPPLIES); i++) {
            String name = i < named.size() ? named.get(i) : "";
            String text = coded.get(i) instanceof byte[] bytes ? new String(bytes, StandardCharsets.UTF_8) : IppValues.plain(coded.get(i));
            supply(text, name).ifPresent(supplies::add);
        }
        if (supplies.isEmpty()) {
            List<String> names = strings(p, "marker-names");
            List<Object> levels = all(p, "marker-levels");
            List<String> colours = strings(p, "marker-colors");
            for (int i = 0; i < Math.min(Math.min(names.size(), levels.size()), MOST_SUPPLIES); i++) {
                int level = number(levels.get(i));
                supplies.add(new Supply(names.get(i), level < 0 || level > 100 ? -1 : level, i < colours.size() ? colours.get(i) : ""));
            }
        }
        return supplies;
    }

    private static Optional<Supply> supply(String text, String name) {
        Map<String, String> parts = new HashMap<>();
        Matcher m = SUPPLY_PART.matcher(text.length() > 500 ? text.substring(0, 500) : text);
        while (m.find()) {
            parts.put(m.group(1), m.group(2).strip());
        }
        if (!parts.containsKey("level")) {
            return Optional.empty();
        }
        double level = decimal(parts.get("level"));
        double most = decimal(parts.getOrDefault("maxcapacity", "100"));
        int percent = level < 0 || most <= 0 ? -1 : (int) Math.round(Math.min(100, 100 * level / most));
        String colour = parts.getOrDefault("colorantname", "");
        return Optional
            .of(new Supply(name.isBlank() ? colour.isBlank() ? parts.getOrDefault("type", "supply") : colour : name, percent, colour));
    }

    private static double decimal(String text) {
        return text.matches("-?\\d{1,9}") ? Integer.parseInt(text) : -1;
    }
}
