package wistel.core.docket;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import wistel.core.icc.profile.Intent;
import wistel.core.paper.PairingVersion;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.RasterType;

/** Small words that several sentences about a docket share. */
final class Words {
    static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private Words() {
    }

    static String percent(double share) {
        return String.format(Locale.ROOT, share < 0.1 ? "%.1f %%" : "%.0f %%", 100 * share);
    }

    static String capital(String words) {
        return words.isEmpty() ? words : Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    static String intent(Intent intent) {
        return switch (intent) {
            case PERCEPTUAL -> "perceptual";
            case RELATIVE -> "relative colorimetric";
            case SATURATION -> "saturation";
            case ABSOLUTE -> "absolute colorimetric";
        };
    }

    /** Whether black comes out compensated: asked for, or because the profile always does. */
    static boolean compensatesBlack(ColourRoute.ByWistel route, PreflightFacts facts) {
        return route.compensatesBlack() || facts.blackAlways().contains(route.intent());
    }

    static String space(RasterType.Space space) {
        return space == RasterType.Space.OPRGB ? "opRGB" : "sRGB";
    }

    static String date(LocalDate day) {
        return day.format(DAY);
    }

    static String printer(PairingVersion pairing) {
        return pairing.printerName().isEmpty() ? "The printer" : pairing.printerName();
    }
}
