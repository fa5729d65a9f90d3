package wistel.core.render;

import java.util.Arrays;
import wistel.core.length.Length;
import wistel.core.pictures.LightCurve;

/**
 * Output sharpening by an unsharp mask on lightness alone: a place is moved away from its surroundings, weighted by a mask that leaves
 * grain and smooth areas as they are, and never by more than 6 L*. Chromaticity is kept. Immutable.
 */
public final class Sharpener {
    public static final Sharpener NONE = new Sharpener(0, 0, false);
    private static final double LARGEST_RADIUS = 40;
    /** L* by which a place may be moved. */
    static final double MOST = 6;
    /** Local contrast in L* below which nothing is moved, and from which on all is. */
    private static final float GRAIN = 1.2f;
    private static final float EDGE = 4;

    private final double radius;
    private final float amount;
    private final boolean showsMask;

    private Sharpener(double radius, double amount, boolean showsMask) {
        this.radius = radius;
        this.amount = (float) amount;
        this.showsMask = showsMask;
    }

    /**
     * @param radius standard deviation of the surroundings' weights, in pixels; 0 to 40
     * @param amount of the difference that is added, 0 to 5
     */
    public static Sharpener of(double radius, double amount) {
        if (!(radius >= 0 && radius <= LARGEST_RADIUS && amount >= 0 && amount <= 5)) {
            throw new IllegalArgumentException("radius " + radius + ", amount " + amount);
        }
        return new Sharpener(radius, amount, false);
    }

    /**
     * On paper; radii that would reach over more than is sharpened at once are cut short there.
     *
     * @param radiusMm 0 or more
     * @param amount   0 sharpens nothing
     */
    public static Sharpener onPaper(double radiusMm, double amount, double dpi) {
        return of(Math.min(LARGEST_RADIUS, radiusMm / Length.MM_PER_INCH * dpi), amount);
    }

    /** The mask itself in place of the picture: white where it sharpens fully. */
    public Sharpener mask() {
        return new Sharpener(radius, amount, true);
    }

    boolean off() {
        return radius == 0 || amount == 0 && !showsMask;
    }

    /** Rows and columns around a place that its result depends on. */
    int reach() {
        return off() ? 0 : 2 * half();
    }

    private int half() {
        return (int) Math.ceil(3 * radius);
    }

    /**
     * Sharpens whole rows in place; the outermost {@link #reach} rows are meant to be left aside by the caller, but for the picture's own
     * first and last ones.
     *
     * @param codes     interleaved, 1 or 3 channels
     * @param luminance weights of the channels in luminance, adding up to one
     */
    void apply(char[] codes, int width, int channels, LightCurve curve, float[] luminance) {
        int rows = codes.length / (width * channels);
        float[] lights = new float[codes.length];
        curve.light(codes, 0, lights);
        float[] lightness = new float[width * rows];
        for (int i = 0, at = 0; i < lightness.length; i++, at += channels) {
            float y = 0;
            for (int c = 0; c < channels; c++) {
                y += luminance[c] * lights[at + c];
            }
            lightness[i] = lightness(y);
        }
        float[] kernel = kernel();
        float[] detail = blurred(lightness, width, rows, kernel);
        float[] contrast = new float[detail.length];
        for (int i = 0; i < detail.length; i++) {
            detail[i] = lightness[i] - detail[i];
            contrast[i] = detail[i] * detail[i];
        }
        contrast = blurred(contrast, width, rows, kernel);
        for (int i = 0, at = 0; i < lightness.length; i++, at += channels) {
            float t = Math.max(0, Math.min(1, ((float) Math.sqrt(contrast[i]) - GRAIN) / (EDGE - GRAIN)));
            float mask = t * t * (3 - 2 * t);
            if (showsMask) {
                Arrays.fill(lights, at, at + channels, light(100 * mask));
            } else if (mask > 0) {
                float move = (float) Math.max(-MOST, Math.min(MOST, amount * mask * detail[i]));
                float before = light(lightness[i]);
                float after = light(Math.max(0, Math.min(100, lightness[i] + move)));
                for (int c = 0; c < channels; c++) {
                    lights[at + c] = before > 1e-5f ? Math.min(1, lights[at + c] * after / before) : after;
                }
            }
        }
        curve.codes(lights, codes, 0);
    }

    private float[] kernel() {
        int half = half();
        float[] kernel = new float[2 * half + 1];
        float sum = 0;
        for (int k = -half; k <= half; k++) {
            kernel[k + half] = (float) Math.exp(-k * k / (2 * radius * radius));
            sum += kernel[k + half];
        }
        for (int k = 0; k < kernel.length; k++) {
            kernel[k] /= sum;
        }
        return kernel;
    }

    /** Along rows, then down; beyond the ends the last values are repeated. */
    private static float[] blurred(float[] values, int width, int rows, float[] kernel) {
        int half = kernel.length / 2;
        float[] across = new float[values.length];
        float[] line = new float[width + 2 * half];
        float[] sum = new float[width];
        for (int y = 0; y < rows; y++) {
            Arrays.fill(line, 0, half, values[y * width]);
            System.arraycopy(values, y * width, line, half, width);
            Arrays.fill(line, half + width, line.length, values[(y + 1) * width - 1]);
            Arrays.fill(sum, 0);
            for (int k = 0; k < kernel.length; k++) {
                add(line, k, kernel[k], sum, 0, width);
            }
            System.arraycopy(sum, 0, across, y * width, width);
        }
        float[] down = new float[values.length];
        for (int y = 0; y < rows; y++) {
            for (int k = -half; k <= half; k++) {
                add(across, Math.max(0, Math.min(rows - 1, y + k)) * width, kernel[k + half], down, y * width, width);
            }
        }
        return down;
    }

    private static void add(float[] from, int at, float weight, float[] to, int into, int count) {
        for (int i = 0; i < count; i++) {
            to[into + i] += weight * from[at + i];
        }
    }

    /** L* of a luminance (CIE 15:2018, 8.2.1.1). */
    private static float lightness(float y) {
        return y > 216f / 24389 ? 116 * (float) Math.cbrt(y) - 16 : y * 24389 / 27;
    }

    private static float light(float lightness) {
        float f = (lightness + 16) / 116;
        return lightness > 8 ? f * f * f : lightness * 27 / 24389;
    }
}
