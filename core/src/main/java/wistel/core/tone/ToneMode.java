package wistel.core.tone;

import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.PrinterDescription;

/**
 * The exact way in which gray becomes ink: who converts it, and the printer's settings that the tones hang on. A curve holds for its own
 * mode alone.
 *
 * @param settings by their IPP names, without those that only say how the sheet is handled
 */
public record ToneMode(ColourRoute route, Map<String, String> settings) {
    /** How the sheet goes through and comes out, which moves no tone. */
    private static final Set<String> HANDLING = Set.of(DriverSettings.FEED, DriverSettings.TOP_MARGIN, DriverSettings.RESOLUTION,
        DriverSettings.FINISHING, DriverSettings.COLOUR_MODE,
        PrinterDescription.OVER_EDGE, "output-bin");

    /** Worth a word on the sheet, in this order. */
    private static final List<String> SAID = List.of(DriverSettings.MEDIA_TYPE, DriverSettings.QUALITY, DriverSettings.BLACK,
        DriverSettings.DARKNESS, DriverSettings.TINT);

    public ToneMode {
        settings = Collections.unmodifiableSortedMap(new TreeMap<>(settings));
    }

    /** @param can what the printer says of itself: what is left to it counts as set to what it takes then */
    public static ToneMode of(ColourRoute route, DriverSettings settings, PrinterDescription can) {
        Map<String, String> kept = new TreeMap<>(settings.values());
        can.defaults().forEach((name, value) -> {
            if (can.supported().containsKey(name)) {
                kept.putIfAbsent(name, value);
            }
        });
        kept.keySet().removeAll(HANDLING);
        if (!(route instanceof ColourRoute.DriverMonochrome)) {
            kept.keySet().removeAll(Set.of(DriverSettings.DARKNESS, DriverSettings.TINT));
        }
        kept.values().removeIf(String::isEmpty);
        return new ToneMode(route, kept);
    }

    /** For people: who converts, and each setting. */
    public String words(PrinterDescription can) {
        String way = route instanceof ColourRoute.DriverMonochrome ? "driver's monochrome"
            : route instanceof ColourRoute.ByWistel by ? "gray through the profile" + intent(by) : "the driver's own conversion";
        return Stream.concat(Stream.of(way), SAID.stream().filter(settings::containsKey).map(name -> can.phrase(name, settings.get(name))))
            .collect(Collectors.joining(" · "));
    }

    private static String intent(ColourRoute.ByWistel by) {
        return ", " + by.intent().name().toLowerCase(Locale.ROOT) + (by.compensatesBlack() ? "" : " without black point compensation");
    }

    /** Whether both differ in the black ink alone. */
    public boolean differsInBlack(ToneMode other) {
        return route.equals(other.route) && !settings.equals(other.settings)
            && without(DriverSettings.BLACK).equals(other.without(DriverSettings.BLACK));
    }

    private Map<String, String> without(String setting) {
        Map<String, String> rest = new TreeMap<>(settings);
        rest.remove(setting);
        return rest;
    }
}
