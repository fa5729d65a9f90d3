package wistel.core.printer;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What a printer says it can do, in the terms of IPP (PWG 5100.14); what it is doing and holds just now is {@link PrinterState}.
 *
 * @param media       every combination of sheet, type and feed that it offers
 * @param supported   values of the settings that a job may have, by name
 * @param defaults    what holds for a setting that a job doesn't name
 * @param constraints combinations of settings that it can't print
 * @param resolutions square resolutions in dpi, finest last
 * @param rasters     PWG raster types it takes, by their keywords ({@code device3_16}, {@code srgb_8})
 * @param formats     document formats it takes
 * @param consumption by quality; empty when it tells no figures
 * @param words       its own words for people: for a setting by its name, for a value by name and value with a dot between (PWG 5100.13)
 */
public record PrinterDescription(String model, List<MediaRow> media, Map<String, ValueSet> supported, Map<String, String> defaults,
    List<Constraint> constraints,
    List<Resolver> resolvers, List<Integer> resolutions, List<String> rasters, List<String> formats, List<Consumption> consumption,
    Optional<BlackChange> blackChange, Map<String, String> words) {
    /** How far over the edges a printer may print, in hundredths of a millimetre. */
    public static final String OVER_EDGE = "wistel-over-edge";

    /** Of a printer that has not answered yet. */
    public static final PrinterDescription UNKNOWN = of("", List.of(), Map.of(), List.of(), List.of(), List.of());

    /** Pictures are made for this resolution, or the coarsest that is offered, unless they have more. */
    private static final int USUAL_DPI = 360;
    /** A picture that has a little more than the printer takes isn't worth four times the data. */
    private static final double HARDLY_MORE = 1.005;

    public PrinterDescription {
        media = MediaTable.of(media);
        supported = Collections.unmodifiableSortedMap(new TreeMap<>(supported));
        defaults = Collections.unmodifiableSortedMap(new TreeMap<>(defaults));
        constraints = List.copyOf(constraints);
        resolvers = List.copyOf(resolvers);
        resolutions = resolutions.stream().sorted().toList();
        rasters = List.copyOf(rasters);
        formats = List.copyOf(formats);
        consumption = List.copyOf(consumption);
        words = Collections.unmodifiableSortedMap(new TreeMap<>(words));
    }

    /** Without rules and figures. */
    public static PrinterDescription of(String model, List<MediaRow> media, Map<String, ValueSet> supported, List<Integer> resolutions,
        List<String> rasters, List<String> formats) {
        return new PrinterDescription(model, media, supported, Map.of(), List.of(), List.of(), resolutions, rasters, formats, List.of(),
            Optional.empty(), Map.of());
    }

    /** Empty for a setting that it says nothing of. */
    public ValueSet supported(String setting) {
        return supported.getOrDefault(setting, ValueSet.EMPTY);
    }

    public List<String> mediaTypes() {
        return supported(DriverSettings.MEDIA_TYPE).values();
    }

    public List<String> feeds() {
        return supported(DriverSettings.FEED).values();
    }

    /** IPP print-quality values. */
    public List<Integer> qualities() {
        return supported(DriverSettings.QUALITY).values().stream().filter(q -> q.matches("\\d{1,3}")).map(Integer::valueOf).toList();
    }

    /** How far it can print over the edges of borderless paper, from which one is chosen; empty when it doesn't say. */
    public List<Double> overEdgesMm() {
        return supported(OVER_EDGE).values().stream().filter(v -> v.matches("\\d{1,4}")).map(v -> Integer.parseInt(v) / 100.0).sorted()
            .toList();
    }

    /** What the driver's monochrome mode is called; empty where there is none. Several inks mix a more even gray than one. */
    public Optional<String> monochromeMode() {
        List<String> modes = supported(DriverSettings.COLOUR_MODE).values();
        return List.of("process-monochrome", "monochrome").stream().filter(modes::contains).findFirst();
    }

    public boolean offersFeed(String type, String feed) {
        return media.stream().anyMatch(m -> m.takes(type, feed));
    }

    /**
     * Settings that are not among those it lists, in words; what it lists nothing of isn't judged. Some printers take such jobs and print
     * otherwise.
     */
    public List<String> unknown(DriverSettings settings) {
        List<String> unknown = new ArrayList<>();
        settings.values().forEach((name, value) -> {
            ValueSet offered = supported(name);
            if (!value.isEmpty() && !offered.empty() && !offered.holds(value)) {
                unknown.add(phrase(name, value));
            }
        });
        return unknown;
    }

    /** A value so that it can stand in a sentence: "media type baryta", "the roll". */
    public String phrase(String name, String value) {
        return switch (name) {
            case DriverSettings.FEED -> feed(value);
            case DriverSettings.QUALITY -> word(name, value) + " quality";
            default -> word(name) + " " + word(name, value);
        };
    }

    /** A setting in words: the printer's own, or what its name says. */
    public String word(String setting) {
        return words.getOrDefault(setting, Keywords.setting(setting));
    }

    /** A value in words: the printer's own, or what its keyword says. */
    public String word(String setting, String value) {
        return Optional.ofNullable(words.get(setting + "." + value)).orElseGet(() -> Keywords.value(setting, value));
    }

    public String type(String mediaType) {
        return word(DriverSettings.MEDIA_TYPE, mediaType);
    }

    /** With its article: "the rear feed". */
    public String feed(String keyword) {
        return Optional.ofNullable(words.get(DriverSettings.FEED + "." + keyword)).map(w -> "the " + w)
            .orElseGet(() -> Keywords.feed(keyword));
    }

    public String quality(int quality) {
        return word(DriverSettings.QUALITY, Integer.toString(quality));
    }

    public boolean offersSheet(double widthMm, double lengthMm) {
        return media.stream().anyMatch(m -> m.fits(widthMm, lengthMm));
    }

    /** The resolution that a picture without much detail is made for: the finest up to 360 dpi, or the coarsest if all are finer. */
    public int usualDpi() {
        return resolutions.stream().filter(r -> r <= USUAL_DPI).mapToInt(r -> r).max()
            .orElse(resolutions.stream().mapToInt(r -> r).min().orElse(300));
    }

    /** The input resolution for a picture: the usual one, or the first that keeps all of its pixels, or the finest there is. */
    public int inputDpi(double ppi) {
        int usual = usualDpi();
        return resolutions.stream().filter(r -> r >= usual && r * HARDLY_MORE >= ppi).mapToInt(r -> r).min()
            .orElse(Math.max(usual, resolutions.stream().mapToInt(r -> r).max().orElse(usual)));
    }

    /** The same, where the settings may name one. */
    public int inputDpi(double ppi, DriverSettings settings) {
        return settings.get(DriverSettings.RESOLUTION).filter(v -> v.matches("\\d{2,4}")).map(Integer::valueOf)
            .filter(resolutions::contains).orElseGet(() -> inputDpi(ppi));
    }

    /** The raster type that it takes for this way of the colour: in the space that is asked for where it has it, the deepest first. */
    public Optional<RasterType> raster(ColourRoute route) {
        return RasterType.wanted(route).stream().filter(t -> rasters.contains(t.keyword())).findFirst();
    }

    /** Spaces in which the driver takes pictures for its own conversion, each in its deepest type. */
    public List<RasterType> driverSpaces() {
        Map<RasterType.Space, RasterType> deepest = new EnumMap<>(RasterType.Space.class);
        RasterType.TAGGED.stream().filter(t -> rasters.contains(t.keyword())).forEach(t -> deepest.putIfAbsent(t.space(), t));
        return List.copyOf(deepest.values());
    }

    /** What it says that printing at this quality takes. */
    public Optional<Consumption> consumption(int quality) {
        return consumption.stream().filter(c -> c.quality() == quality).findFirst();
    }
}
