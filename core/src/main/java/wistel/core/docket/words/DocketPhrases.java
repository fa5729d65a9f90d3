package wistel.core.docket.words;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Length;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.FeedScale;
import wistel.core.pictures.SideMoves;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.RasterType;
import wistel.core.sheet.OwnMark;
import wistel.core.sheet.Wrap;
import wistel.core.sheet.WrapBody;

/** Small words that several sentences about a docket share. */
public final class DocketPhrases {

    private DocketPhrases() {
    }

    public static String percent(double share) {
        return String.format(Locale.ROOT, share < 0.1 ? "%.1f %%" : "%.0f %%", 100 * share);
    }

    /** A mark of one's own, as it stands in the readback. */
    static String mark(OwnMark mark) {
        String does = switch (mark.ink()) {
            case OWN -> "";
            case DARKENS -> ", darkening what lies below";
            case LIGHTENS -> ", lightening what lies below";
        };
        return ", the mark “" + mark.art().name() + "” " + (mark.over() ? "over the picture" : "in the border") + does;
    }

    /** What is done for a print to come out true: "scaled by +0.21 % along the feed to come out true"; nothing where nothing is. */
    public static String trueSize(FeedScale scale) {
        long along = hundredths(scale.along());
        long across = hundredths(scale.across());
        List<String> scaled = new ArrayList<>();
        if (along != 0) {
            scaled.add(signed(along) + " along the feed");
        }
        if (across != 0) {
            scaled.add(signed(across) + (along == 0 ? " across the feed" : " across it"));
        }
        return scaled.isEmpty() ? "" : "scaled by " + String.join(" and ", scaled) + " to come out true";
    }

    /** Of a percent, by which what is sent is larger. */
    private static long hundredths(double factor) {
        return Math.round(1e4 * (1 / factor - 1));
    }

    private static String signed(long hundredths) {
        return String.format(Locale.ROOT, "%+.2f %%", hundredths / 100.0).replace('-', '−');
    }

    public static String capital(String words) {
        return words.isEmpty() ? words : Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    public static String wrap(Wrap wrap) {
        return faces(wrap) + " on " + support(wrap);
    }

    /** "600 × 400 mm", "3 pieces of 300 × 400 mm". */
    public static String faces(Wrap wrap) {
        String size = Length.mm(wrap.body().faceWidthMm()) + " × " + Length.mm(wrap.body().faceHeightMm()) + " mm";
        return wrap.panels().count() == 1 ? size : wrap.panels().count() + " pieces of " + size;
    }

    /** "38 mm bars". */
    public static String support(Wrap wrap) {
        WrapBody.Support support = wrap.body().support();
        return Length.mm(support.totalMm()) + " mm " + (support.kind() == WrapBody.Kind.BARS ? "bars" : "of board");
    }

    /** "12 % darker, softer, 20 % less colour". */
    public static String sides(SideMoves moves) {
        List<String> words = new ArrayList<>();
        if (moves.darker() != 0) {
            words.add(Math.abs(moves.darker()) + " % " + (moves.darker() > 0 ? "darker" : "lighter"));
        }
        if (moves.softer() > 0) {
            words.add("softer");
        }
        if (moves.lessColour() > 0) {
            words.add(moves.lessColour() == 100 ? "without colour" : moves.lessColour() + " % less colour");
        }
        return String.join(", ", words);
    }

    public static String intent(Intent intent) {
        boolean colorimetric = intent == Intent.RELATIVE || intent == Intent.ABSOLUTE;
        return shortIntent(intent) + (colorimetric ? " colorimetric" : "");
    }

    public static String shortIntent(Intent intent) {
        return switch (intent) {
            case PERCEPTUAL -> "perceptual";
            case RELATIVE -> "relative";
            case SATURATION -> "saturation";
            case ABSOLUTE -> "absolute";
        };
    }

    public static String space(RasterType.Space space) {
        return space == RasterType.Space.OPRGB ? "opRGB" : "sRGB";
    }

    public static String printer(PairingVersion pairing) {
        return pairing.printerName().isEmpty() ? "The printer" : pairing.printerName();
    }

    /** As exactly as it can be known: to five seconds, to a tenth of a minute, to a minute. */
    public static String duration(double seconds) {
        if (seconds < 90) {
            return Math.max(5, Math.round(seconds / 5) * 5) + " seconds";
        }
        double minutes = seconds / 60;
        return (minutes < 9.95 ? String.format(Locale.ROOT, "%.1f", minutes) : Long.toString(Math.round(minutes))) + " minutes";
    }
}
