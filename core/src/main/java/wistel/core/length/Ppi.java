package wistel.core.length;

/** Pixels of the placed picture per inch of paper, and how fine that looks. */
public final class Ppi {
    /** A 20/20 eye resolves about one arc minute: ppi needed = 3438 / distance in inches (1 / tan(1/60 degree)). */
    private static final double ARC_MINUTE = 3438;
    private static final double FINE = 300;
    private static final double GOOD = 200;
    private static final double FAIR = 150;
    /** The distance that the plain limits are meant for: 3438 / 300 inches. */
    private static final double READING_MM = ARC_MINUTE / FINE * Length.MM_PER_INCH;

    public enum Label { FINE, GOOD, FAIR, POOR }

    private Ppi() {
    }

    public static double of(double pixels, double mm) {
        return pixels / (mm / Length.MM_PER_INCH);
    }

    /** @param viewingMm how far away it will be looked at; 0 when not said */
    public static Label label(double ppi, double viewingMm) {
        return label(ppi, viewingMm, 1);
    }

    /** @param needed share of the usual pixels that the surface asks for: its own texture hides the rest */
    public static Label label(double ppi, double viewingMm, double needed) {
        double scale = (viewingMm > 0 ? READING_MM / viewingMm : 1) * needed;
        if (ppi >= FINE * scale) {
            return Label.FINE;
        }
        if (ppi >= GOOD * scale) {
            return Label.GOOD;
        }
        return ppi >= FAIR * scale ? Label.FAIR : Label.POOR;
    }

    /** The longest side in mm at which a picture still earns a label, at reading distance. */
    public static double longestMm(int pixels, Label label) {
        double needed = switch (label) {
            case FINE -> FINE;
            case GOOD -> GOOD;
            case FAIR, POOR -> FAIR;
        };
        return pixels / needed * Length.MM_PER_INCH;
    }
}
