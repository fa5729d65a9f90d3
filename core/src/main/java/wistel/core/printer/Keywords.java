package wistel.core.printer;

import java.util.Locale;

/** IPP keywords as words for people: "photographic-semi-gloss" becomes "photographic semi gloss". */
public final class Keywords {
    private Keywords() {
    }

    public static String words(String keyword) {
        return keyword.replaceFirst("^(com\\.)?wistel[.-]", "").replace('-', ' ').toLowerCase(Locale.ROOT);
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
    public static String feedName(String keyword) {
        return feed(keyword).replaceFirst("^the ", "");
    }

    public static String quality(int quality) {
        return switch (quality) {
            case 3 -> "quick";
            case 4 -> "standard";
            case 5 -> "fine";
            default -> "quality " + quality;
        };
    }
}
