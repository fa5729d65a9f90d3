package wistel.core.printer;

import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/** IPP keywords as words for people, where the printer has none of its own: "photographic-semi-gloss" becomes "semi gloss photo paper". */
public final class Keywords {
    /** Media types of PWG 5101.1 as people say them. */
    private static final Map<String, String> TYPES = Map.ofEntries(Map.entry("stationery", "plain paper"),
        Map.entry("stationery-coated", "coated paper"),
        Map.entry("stationery-cotton", "cotton paper"), Map.entry("stationery-fine", "fine paper"),
        Map.entry("stationery-heavyweight", "heavy paper"),
        Map.entry("stationery-inkjet", "inkjet paper"), Map.entry("stationery-lightweight", "light paper"),
        Map.entry("photographic", "photo paper"),
        Map.entry("auto", "whatever lies there"), Map.entry("other", "some other paper"));
    private static final Map<String, String> SETTINGS = Map.of("media-type", "media type", "media-source", "feed", "print-color-mode",
        "colour", "print-quality", "quality",
        "printer-resolution", "resolution", "finishings", "cutting", "media-top-margin", "margin at the ends", "output-bin", "goes out to",
        "print-content-optimize", "made for", "print-rendering-intent", "the driver's intent");
    /** PWG 5100.1, 5.1: what is done with the sheet. */
    private static final Map<String, String> FINISHINGS = Map.of("3", "nothing", "11", "cut", "60", "cut after each page", "61",
        "cut after each document",
        "62", "cut after each copy", "63", "cut after the job");

    private Keywords() {
    }

    /** Whose keyword it is: an enterprise number (RFC 8011, 5.1.4), a name that begins with x, the parts of a host's name. */
    private static final Pattern OWNER = Pattern
        .compile("^(smi\\d+-|x-[a-z0-9]+-|(com|org|net)\\.[a-z0-9]+-|([a-z0-9-]+\\.)+(?=[a-z])|wistel-)", Pattern.CASE_INSENSITIVE);
    private static final int LONGEST = 60;

    /** A keyword without whose it is, as words; what is longer than anybody reads is cut. */
    public static String words(String keyword) {
        String own = OWNER.matcher(keyword).replaceFirst("").replaceAll("[-_.]+", " ").strip().toLowerCase(Locale.ROOT);
        return own.length() <= LONGEST ? own : own.substring(0, LONGEST).strip() + "…";
    }

    static String setting(String name) {
        return SETTINGS.getOrDefault(name, words(name));
    }

    static String value(String setting, String value) {
        return switch (setting) {
            case DriverSettings.QUALITY -> value.matches("\\d{1,3}") ? quality(Integer.parseInt(value)) : words(value);
            case DriverSettings.FEED -> feedName(value);
            case DriverSettings.MEDIA_TYPE -> type(value);
            case DriverSettings.FINISHING -> FINISHINGS.getOrDefault(value, words(value));
            case DriverSettings.RESOLUTION -> value + " dpi";
            case DriverSettings.TOP_MARGIN,
                PrinterDescription.OVER_EDGE -> value.matches("\\d{1,6}") ? trimmed(Integer.parseInt(value) / 100.0) + " mm" : value;
            default -> value.equals("true") ? "yes" : value.equals("false") ? "no" : words(value);
        };
    }

    private static String trimmed(double mm) {
        return mm == Math.rint(mm) ? Long.toString(Math.round(mm)) : String.format(Locale.ROOT, "%.1f", mm);
    }

    private static String type(String keyword) {
        String known = TYPES.get(keyword);
        return known != null ? known
            : keyword.startsWith("photographic-") ? words(keyword.substring("photographic-".length())) + " photo paper" : words(keyword);
    }

    public static String feed(String keyword) {
        return switch (keyword) {
            case "rear" -> "the rear feed";
            case "manual", "by-pass-tray" -> "the front path";
            case "main-roll" -> "the roll";
            case "" -> "any feed";
            default -> "the " + words(keyword) + " feed";
        };
    }

    /** Without its article, for lists. */
    static String feedName(String keyword) {
        return feed(keyword).replaceFirst("^the ", "");
    }

    static String quality(int quality) {
        return switch (quality) {
            case 3 -> "quick";
            case 4 -> "standard";
            case 5 -> "fine";
            default -> "quality " + quality;
        };
    }
}
