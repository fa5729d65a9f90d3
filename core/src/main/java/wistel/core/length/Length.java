package wistel.core.length;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wistel.core.fault.InvalidRequest;

/** Lengths as people write them: "305", "30.5cm", "12 in", "12,5 in". Held in millimetres; 1 in = 25.4 mm exactly. */
public final class Length {
    public static final double MM_PER_INCH = 25.4;
    private static final Pattern WRITTEN = Pattern.compile("\\s*(\\d{1,6}(?:[.,]\\d{1,6})?)\\s*(mm|cm|m|in|inch|inches|\"|″)?\\s*",
        Pattern.CASE_INSENSITIVE);

    public enum Unit {
        MM(1), CM(10), IN(MM_PER_INCH);

        private final double mm;

        Unit(double mm) {
            this.mm = mm;
        }

        public double inMm() {
            return mm;
        }
    }

    private Length() {
    }

    /**
     * @param unit taken when none is written
     * @throws InvalidRequest when it is not a length
     */
    public static double parseMm(String written, Unit unit) {
        Matcher m = WRITTEN.matcher(written);
        if (!m.matches()) {
            throw new InvalidRequest(InvalidRequest.Reason.LENGTH_UNCLEAR,
                "'" + (written.length() > 30 ? written.substring(0, 30) + "…" : written) + "' is not a length.",
                "Write a number, with mm, cm or in if you like: 305, 30.5cm, 12in.");
        }
        double number = Double.parseDouble(m.group(1).replace(',', '.'));
        String suffix = m.group(2) == null ? unit.name() : m.group(2).toLowerCase(Locale.ROOT);
        return number * switch (suffix) {
            case "mm", "MM" -> 1;
            case "cm", "CM" -> 10;
            case "m" -> 1000;
            default -> MM_PER_INCH;
        };
    }

    /** "305 mm", "304.8 mm": one decimal at most. */
    public static String mm(double mm) {
        double tenths = Math.round(mm * 10) / 10.0;
        return (tenths == Math.rint(tenths) ? String.format(Locale.ROOT, "%.0f", tenths) : String.format(Locale.ROOT, "%.1f", tenths));
    }
}
