package wistel.core.docket.spec;

import wistel.core.paper.Surface;

/** How much sharpness the print gets back that ink and paper take. Off unless asked for: many pictures come sharpened from the editor. */
public enum Sharpening {
    OFF(0), LIGHT(0.5), STANDARD(0.9), STRONG(1.4);

    /** What an eye can't tell apart any more: half a minute of arc. */
    private static final double HALF_MINUTE = Math.tan(Math.toRadians(0.5 / 60));
    /** Where nothing is said, a print is looked at from the hand. */
    private static final double HAND_MM = 300;

    private final double strength;

    Sharpening(double strength) {
        this.strength = strength;
    }

    /** @param viewingMm how far away the print is looked at; 0 when not said */
    public double radiusMm(Surface surface, double viewingMm) {
        return Math.max(surface.spreadMm(), (viewingMm > 0 ? viewingMm : HAND_MM) * HALF_MINUTE);
    }

    /** Of the difference between a place and its surroundings, how much is added to it. */
    public double amount(Surface surface) {
        return strength * surface.loss();
    }
}
