package wistel.core.tone;

import wistel.core.colour.D50;

/** How light each depth ought to print, between the paper and the black that are there. */
public enum ToneTarget {
    /** L* in even steps from paper to black. */
    EVEN {
        @Override
        double lightness(double depth, double paperL, double blackL) {
            return paperL + (blackL - paperL) * depth;
        }

        @Override
        double depth(double l, double paperL, double blackL) {
            return (l - paperL) / (blackL - paperL);
        }
    },
    /**
     * As the proof of a gray ramp shows it with black point compensation: L* of the ramp, its luminance scaled between paper and black (ISO
     * 18619).
     */
    PROOF {
        @Override
        double lightness(double depth, double paperL, double blackL) {
            double black = D50.luminance(blackL);
            return D50.lightness(black + (D50.luminance(paperL) - black) * D50.luminance(100 * (1 - depth)));
        }

        @Override
        double depth(double l, double paperL, double blackL) {
            double black = D50.luminance(blackL);
            return 1 - D50.lightness((D50.luminance(l) - black) / (D50.luminance(paperL) - black)) / 100;
        }
    };

    /** @param depth 0 for paper, 1 for black, even in L* of the picture */
    abstract double lightness(double depth, double paperL, double blackL);

    /**
     * The depth that ought to print as light as this, the inverse of {@link #lightness}; below 0 for lighter than the paper, above 1 for
     * darker than the black.
     */
    abstract double depth(double l, double paperL, double blackL);
}
