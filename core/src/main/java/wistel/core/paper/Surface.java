package wistel.core.paper;

import java.util.Locale;

/** How a paper's surface takes ink: how far a dot spreads, and how much sharpness is lost by it. */
public enum Surface {
    GLOSS(0.04, 1), LUSTRE(0.05, 1.1), MATTE(0.09, 1.4), CANVAS(0.14, 1.6);

    /** Canvas and textured papers hide about a third of the detail. */
    private static final double NEEDED_UNDER_TEXTURE = 2 / 3.0;

    private final double spreadMm;
    private final double loss;

    Surface(double spreadMm, double loss) {
        this.spreadMm = spreadMm;
        this.loss = loss;
    }

    /** Of a surface in words, "cotton matte"; anything unknown is taken for lustre, which lies between. */
    public static Surface of(String words) {
        String w = words.toLowerCase(Locale.ROOT);
        if (w.contains("canvas")) {
            return CANVAS;
        }
        if (w.matches(".*(matt|cotton|rag|watercolou?r|textured|plain).*")) {
            return MATTE;
        }
        return w.contains("gloss") ? GLOSS : LUSTRE;
    }

    /** Share of the usual pixels that a surface, in words, asks for. */
    public static double neededPixels(String words) {
        return words.toLowerCase(Locale.ROOT).matches(".*(canvas|textured).*") ? NEEDED_UNDER_TEXTURE : 1;
    }

    public double spreadMm() {
        return spreadMm;
    }

    /** Sharpness that it takes, as a factor of what gloss does. */
    public double loss() {
        return loss;
    }
}
