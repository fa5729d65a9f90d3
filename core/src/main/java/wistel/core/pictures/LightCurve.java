package wistel.core.pictures;

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
    /** Codes over the square root of light, where the usual curves are nearly straight; over lightness as it is, which is so already. */
    private final char[] codes = new char[STEPS];
    private final boolean overRoot;

    /** @param toLight rising, from 0 to 1, over 0 to 1 */
    public LightCurve(DoubleUnaryOperator toLight) {
        this(toLight, true);
    }

    private LightCurve(DoubleUnaryOperator toLight, boolean overRoot) {
        this.overRoot = overRoot;
        for (int i = 0; i < 65536; i++) {
            light[i] = (float) toLight.applyAsDouble(i / 65535.0);
        }
        int code = 0;
        for (int i = 0; i < STEPS; i++) {
            double root = i / (STEPS - 1.0);
            double wanted = overRoot ? root * root : root;
            while (code < 65535 && light[code] < wanted) {
                code++;
            }
            boolean lower = code > 0 && wanted - light[code - 1] < light[code] - wanted;
            codes[i] = (char) (lower ? code - 1 : code);
        }
    }

    /** This curve followed by lightness (CIE 15:2018, 8.2.1.1, L* over 100): even steps of it look even, in the shadows too. */
    public LightCurve overLightness() {
        return new LightCurve(v -> {
            double y = light[(int) Math.round(v * 65535)];
            return y > 216.0 / 24389 ? 1.16 * Math.cbrt(y) - 0.16 : y * 24389 / 2700;
        }, false);
    }

    float light(char code) {
        return light[code];
    }

    char code(float light) {
        return codes[overRoot ? rootStep(light) : step(light)];
    }

    private static int rootStep(float light) {
        return light <= 0 ? 0 : light >= 1 ? STEPS - 1 : (int) (Math.sqrt(light) * (STEPS - 1) + 0.5);
    }

    private static int step(float light) {
        int step = (int) (light * (STEPS - 1) + 0.5f);
        return Math.max(0, Math.min(STEPS - 1, step));
    }

    /** Codes from a place on, as many as {@code out} is long. */
    public void light(char[] from, int at, float[] out) {
        for (int i = 0; i < out.length; i++) {
            out[i] = light[from[at + i]];
        }
    }

    /** As many codes as there are lights. */
    public void codes(float[] lights, char[] out, int at) {
        if (overRoot) {
            for (int i = 0; i < lights.length; i++) {
                out[at + i] = codes[rootStep(lights[i])];
            }
        } else {
            for (int i = 0; i < lights.length; i++) {
                out[at + i] = codes[step(lights[i])];
            }
        }
    }
}
