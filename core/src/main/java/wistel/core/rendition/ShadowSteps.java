package wistel.core.rendition;

import java.util.Arrays;
import wistel.core.colour.LabEncoding;

/**
 * Ten tones of a picture's darkest part: a tenth of its darkest third lies between each and the next. What becomes of them shows whether
 * shadows stay apart.
 */
public final class ShadowSteps {
    public static final int STEPS = 10;
    private static final double DARKEST = 1 / 3.0;
    /** Tones nearer than this can't be told apart side by side. */
    private static final double VISIBLE_STEP_L = 0.5;

    private ShadowSteps() {
    }

    /**
     * @param lab of the picture, codes of {@link LabEncoding#V4}
     * @return neutrals of these tones, as such codes, from dark to light
     */
    public static char[] of(char[] lab) {
        int[] lightness = new int[lab.length / 3];
        for (int i = 0; i < lightness.length; i++) {
            lightness[i] = lab[3 * i];
        }
        Arrays.sort(lightness);
        char[] steps = new char[3 * STEPS];
        for (int s = 0; s < STEPS; s++) {
            int at = (int) Math.min(lightness.length - 1, (s + 0.5) / STEPS * DARKEST * lightness.length);
            steps[3 * s] = (char) lightness[at];
            steps[3 * s + 1] = LabEncoding.V4.ofAb(0);
            steps[3 * s + 2] = LabEncoding.V4.ofAb(0);
        }
        return steps;
    }

    /** Of the steps that are apart in the picture, how many are in the print. Both as codes; the first step counts as one. */
    public static int apart(char[] steps) {
        int apart = 1;
        for (int s = 1; s < STEPS; s++) {
            apart += LabEncoding.V4.l(steps[3 * s]) - LabEncoding.V4.l(steps[3 * s - 3]) >= VISIBLE_STEP_L ? 1 : 0;
        }
        return apart;
    }
}
