package wistel.standin.ink;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** The papers that can lie in the feeds, all invented. */
public enum Paper {
    SKERRY_BARYTA("Skerry Baryta 310", "photographic-glossy", "baryta", new Sheet(0.33, 0.1, 1.8), 0.925, -0.020, 0.0016, 0.13, true, 1.0),
    MOSS_COTTON("Moss Cotton 300", "stationery-fine", "cotton, smooth", new Sheet(0.52, 0.3, -2.1), 0.895, 0.035, 0.0145, 0.24, false, 1.0),
    CORRIE_LUSTRE("Corrie Lustre 260", "photographic-satin", "lustre", new Sheet(0.27, 0.2, 0.9), 0.915, -0.035, 0.0034, 0.16, true, 0.96),
    HEATH_COTTON("Heath Cotton 340", "wistel-cotton-textured", "cotton, textured", new Sheet(0.62, 0.6, -1.5), 0.885, 0.042, 0.0165, 0.26,
        false,
        1.03),
    TARN_CANVAS("Tarn Canvas 390", "wistel-canvas", "canvas", new Sheet(0.48, 0.5, 2.4, 0.035), 0.872, 0.052, 0.0190, 0.22, false, 1.08),
    PLAIN("Plain paper 90", "stationery", "plain", new Sheet(0.11, 0.1, 0.4), 0.860, -0.030, 0.0260, 0.32, false, 0.80),

    SKERRY_GLOSS("Skerry Gloss 255", "photographic-glossy", "gloss", new Sheet(0.26, 0.2, 1.5), 0.930, -0.060, 0.0012, 0.12, true, 1.0),
    SKERRY_WARM_BARYTA("Skerry Warm Baryta 325", "photographic-glossy", "baryta, warm", new Sheet(0.35, 0.1, 1.9), 0.905, 0.022, 0.0018,
        0.14, true, 1.0),
    SKERRY_WHITE_FILM("Skerry White Film 200", "photographic-glossy", "film", new Sheet(0.18, 0.1, 0.6), 0.945, -0.015, 0.0010, 0.10, true,
        1.0),
    SKERRY_PEARL("Skerry Pearl 285", "photographic-satin", "lustre", new Sheet(0.29, 0.2, 1.1), 0.920, -0.028, 0.0030, 0.15, true, 0.96),
    MOSS_FLAX("Moss Flax 290", "stationery-fine", "flax, smooth", new Sheet(0.50, 0.3, -1.9), 0.875, 0.048, 0.0150, 0.25, false, 1.0),
    MOSS_REED("Moss Reed 250", "stationery-fine", "reed, smooth", new Sheet(0.44, 0.4, -1.2), 0.860, 0.060, 0.0155, 0.26, false, 1.0),
    HEATH_LAID("Heath Laid 240", "wistel-cotton-textured", "cotton, laid", new Sheet(0.46, 0.5, -1.0, 0.012), 0.880, 0.038, 0.0170, 0.27,
        false, 1.03),
    HEATH_HEAVY("Heath Heavy 500", "wistel-cotton-textured", "cotton, textured", new Sheet(0.86, 0.4, -2.4), 0.890, 0.034, 0.0160, 0.25,
        false, 1.03),
    TARN_LINEN("Tarn Linen 360", "wistel-canvas", "linen", new Sheet(0.45, 0.5, 2.0, 0.045), 0.845, 0.070, 0.0200, 0.23, false, 1.08),
    TARN_SATIN_CANVAS("Tarn Satin Canvas 410", "wistel-canvas", "canvas, satin", new Sheet(0.50, 0.4, 2.2, 0.030), 0.895, 0.020, 0.0110,
        0.20, false, 1.08),
    TARN_MATTE("Tarn Matte 190", "stationery-fine", "matte, coated", new Sheet(0.24, 0.2, 0.3), 0.910, -0.040, 0.0130, 0.21, false, 1.0),
    TARN_PROOF("Tarn Proof 130", "stationery", "matte, thin", new Sheet(0.15, 0.2, 0.4), 0.890, -0.010, 0.0210, 0.28, false, 0.80);

    private static final List<Paper> KINDS = Arrays.stream(values())
        .filter(p -> Arrays.stream(values()).filter(q -> q.mediaType.equals(p.mediaType)).findFirst().orElseThrow() == p).toList();

    /**
     * The bare sheet: its thickness, how readily its ends lift, 0 to 1, by how many mm a metre the rollers move it too far, and how much of
     * the light its threads take and give from place to place.
     */
    private record Sheet(double thicknessMm, double lifts, double feedOffMm, double weave) {
        Sheet(double thicknessMm, double lifts, double feedOffMm) {
            this(thicknessMm, lifts, feedOffMm, 0);
        }
    }

    /** From thread to thread of a plain weave. */
    private static final double THREAD_MM = 0.95;

    private final String label;
    private final String mediaType;
    private final String words;
    private final Sheet sheet;
    private final double white;
    private final double warmth;
    private final double surface;
    private final double dotGain;
    private final boolean photoBlack;
    private final double ink;

    /**
     * @param words    what the printer calls its media type, for people
     * @param white    reflectance in the middle of the spectrum
     * @param warmth   loss from red to blue: positive is warm, negative a brightened cold white
     * @param surface  light that the surface sends back whatever lies under it: what keeps matte blacks gray
     * @param dotGain  growth of a half-covered area
     * @param photoBlack whether photo black ink suits it; matte black does otherwise
     * @param ink      how much the printer lays down when it is set to this paper's media type, which is what the paper is made for
     */
    Paper(String label, String mediaType, String words, Sheet sheet, double white, double warmth, double surface, double dotGain,
        boolean photoBlack, double ink) {
        this.label = label;
        this.mediaType = mediaType;
        this.words = words;
        this.sheet = sheet;
        this.white = white;
        this.warmth = warmth;
        this.surface = surface;
        this.dotGain = dotGain;
        this.photoBlack = photoBlack;
        this.ink = ink;
    }

    /** The first of each media type: what the printers are set up for; others go by the same settings. */
    public static List<Paper> kinds() {
        return KINDS;
    }

    public String label() {
        return label;
    }

    /** The media type keyword (PWG 5101.1) under which the printer knows it. */
    public String mediaType() {
        return mediaType;
    }

    public String words() {
        return words;
    }

    public double thicknessMm() {
        return sheet.thicknessMm;
    }

    /** By how many mm the rollers move a metre of it too far: what is soft slips, what is thick is taken along. */
    public double feedOffMm() {
        return sheet.feedOffMm;
    }

    public double lifts() {
        return sheet.lifts;
    }

    /** Share of the light that a place sends back, 1 on average: threads that lie above catch more of it than those below. */
    double light(double xMm, double yMm) {
        return sheet.weave == 0 ? 1 : 1 + sheet.weave * Math.cos(Math.PI * xMm / THREAD_MM) * Math.cos(Math.PI * yMm / THREAD_MM);
    }

    double reflectance(double nm) {
        double t = (nm - 550) / 150;
        double glow = warmth < 0 ? -warmth * Math.exp(-Math.pow((nm - 440) / 28, 2)) : 0;
        return white * (1 + Math.max(0, warmth) * t * (t < 0 ? 1.6 : 0.3)) + glow;
    }

    double surface() {
        return surface;
    }

    double dotGain() {
        return dotGain;
    }

    public boolean photoBlack() {
        return photoBlack;
    }

    double ink() {
        return ink;
    }

    public static Optional<Paper> ofMediaType(String mediaType) {
        return KINDS.stream().filter(p -> p.mediaType.equals(mediaType)).findFirst();
    }
}
