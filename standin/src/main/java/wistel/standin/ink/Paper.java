package wistel.standin.ink;

import java.util.Arrays;
import java.util.Optional;

/**
 * The papers that can lie in the feeds, all invented.
 */
public enum Paper {
    SKERRY_BARYTA("Skerry Baryta 310", "photographic-glossy", 0.925, -0.020, 0.0016, 0.13, true),
    MOSS_COTTON("Moss Cotton 300", "stationery-fine", 0.895, 0.035, 0.0145, 0.24, false),
    CORRIE_LUSTRE("Corrie Lustre 260", "photographic-satin", 0.915, -0.035, 0.0034, 0.16, true);

    private final String label;
    private final String mediaType;
    private final double white;
    private final double warmth;
    private final double surface;
    private final double dotGain;
    private final boolean photoBlack;

    /**
     * @param white    reflectance in the middle of the spectrum
     * @param warmth   loss from red to blue: positive is warm, negative a brightened cold white
     * @param surface  light that the surface sends back whatever lies under it: what keeps matte blacks gray
     * @param dotGain  growth of a half-covered area
     * @param photoBlack whether photo black ink suits it; matte black does otherwise
     */
    Paper(String label, String mediaType, double white, double warmth, double surface, double dotGain, boolean photoBlack) {
        this.label = label;
        this.mediaType = mediaType;
        this.white = white;
        this.warmth = warmth;
        this.surface = surface;
        this.dotGain = dotGain;
        this.photoBlack = photoBlack;
    }

    public String label() {
        return label;
    }

    /** The media type keyword (PWG 5101.1) under which the printer knows it. */
    public String mediaType() {
        return mediaType;
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

    boolean photoBlack() {
        return photoBlack;
    }

    public static Optional<Paper> ofMediaType(String mediaType) {
        return Arrays.stream(values()).filter(p -> p.mediaType.equals(mediaType)).findFirst();
    }
}
