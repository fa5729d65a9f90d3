package wistel.core.picture;

import java.util.function.DoubleUnaryOperator;

/**
 * Codes to linear light and back. Scaling averages light, not codes: fine white lines on dark water would darken otherwise. One curve
 * serves all channels; profiles whose channels differ are near enough to their green one for this purpose.
 */
public final class LightCurve {
    private static final int STEPS = 1 << 16;

    /** Gamma 2.2, for pictures whose profile has no plain curve. */
    public static final LightCurve GAMMA_22 = new LightCurve(v -> Math.pow(v, 2.2));

    private final float[] light = new float[65536];
    /** Codes over the square root of light, where the usual curves are nearly straight. */
    private final char[] codes = new char[STEPS];

    /** @param toLight rising, from 0 to 1, over 0 to 1 */
    public LightCurve(DoubleUnaryOperator toLight) {
        for (int i = 0; i < 65536; i++) {
            light[i] = (float) toLight.applyAsDouble(i / 65535.0);
        }
        int code = 0;
        for (int i = 0; i < STEPS; i++) {
            double root = i / (STEPS - 1.0);
            double wanted = root * root;
            while (code < 65535 && light[code] < wanted) {
                code++;
            }
            boolean lower = code > 0 && wanted - light[code - 1] < light[code] - wanted;
            codes[i] = (char) (lower ? code - 1 : code);
        }
    }

    float light(char code) {
        return light[code];
    }

    char code(float light) {
        return light <= 0 ? codes[0] : codes[light >= 1 ? STEPS - 1 : (int) (Math.sqrt(light) * (STEPS - 1) + 0.5)];
    }
}
