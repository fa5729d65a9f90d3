package wistel.core.light;

import wistel.core.colour.Bradford;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.colour.Matrix3;

/**
 * How colours of a print look in a light. What is known of them is their colour under D50, so the lamp's own way with single inks isn't
 * foreseen: level, white and what the eye makes of both are.
 */
public final class PrintLook {
    /** Of the white, on all of the print: what the room sends back into the eye. */
    public static final double FLARE = 0.005;
    /**
     * Just noticeable differences that neighbouring tones of a picture take to be told apart: as many as half an L* makes at L* 10 in the
     * judging light. One alone is seen where an even bar lies in an even field, and a picture is neither.
     */
    private static final double APART = 3;
    /** The eye is adapted to a fifth of the white. */
    private static final double GRAY_WORLD = 0.2;
    private static final double BACKGROUND = 20;
    /** A screen's white (D65, CIE 15:2018, 2 degree observer), Y = 1. */
    private static final double[] D65 = {0.95047, 1, 1.08883};

    private static final double[] SCREEN_TO_D50 = Bradford.toD50(D65);
    /** Its white being that of all absolute colours, what is seen in it is what is measured. */
    private static final Ciecam16 IN_JUDGING_LIGHT = new Ciecam16(viewing(Light.JUDGING, new double[] {100 * D50.X, 100, 100 * D50.Z}));
    /** In the light for judging. */
    public static final PrintLook JUDGING = new PrintLook(Light.JUDGING);

    private final Light light;
    private final double[] fromD50;
    private final Ciecam16 here;

    public PrintLook(Light light) {
        this.light = light;
        double[] white = light.white();
        this.fromD50 = Matrix3.inverse(Bradford.toD50(new double[] {white[0] / 100, 1, white[2] / 100}));
        this.here = new Ciecam16(viewing(light, white));
    }

    private static Viewing viewing(Light light, double[] white) {
        return new Viewing(white[0], white[2], GRAY_WORLD * light.luminance(1), BACKGROUND, Viewing.Surround.AVERAGE);
    }

    /** XYZ in this light, Y = 100 for the perfect diffuser. */
    private double[] inLight(Lab print) {
        double[] seen = Matrix3.times(fromD50, print.xyz());
        return new double[] {100 * seen[0], 100 * seen[1], 100 * seen[2]};
    }

    /**
     * Seen beside a screen to which the eye is adapted: as bright and as warm as it is, next to the screen's white. Where the print is the
     * brighter one it is shown as bright as the screen can.
     *
     * @param print absolute, as an instrument reads it
     * @return relative to the screen's white
     */
    public Lab beside(Lab print, Screen screen) {
        double[] xyz = inLight(print);
        double ratio = Math.min(1, ratio(screen)) / 100;
        double[] shown = Matrix3.times(SCREEN_TO_D50, new double[] {xyz[0] * ratio, xyz[1] * ratio, xyz[2] * ratio});
        return Lab.ofXyz(shown);
    }

    /** The white of a perfect diffuser here against the screen's. */
    public double ratio(Screen screen) {
        return light.luminance(1) / screen.white();
    }

    /**
     * Once the eye has settled in the light: the colour that looks so in the judging light, as CIECAM16 has it; lightness as it is there,
     * colourfulness as it is in this light.
     *
     * @param print absolute
     */
    public Lab settled(Lab print) {
        Ciecam16.Appearance a = appearance(print);
        double[] xyz = IN_JUDGING_LIGHT.colour(a.lightness(), a.colourfulness(), a.hue());
        return Lab.ofXyz(new double[] {xyz[0] / 100, xyz[1] / 100, xyz[2] / 100});
    }

    public Ciecam16.Appearance appearance(Lab print) {
        double[] xyz = inLight(print);
        return here.of(xyz[0], xyz[1], xyz[2]);
    }

    /**
     * How many just noticeable differences lie below a tone.
     *
     * @param reflectance Y of the tone, 0 to 1
     * @param paper       Y of the bare paper
     */
    public double index(double reflectance, double paper) {
        return GrayscaleFunction.index(light.luminance(reflectance + FLARE * paper));
    }

    /**
     * Of tones from dark to light, how many can be told from the one before; the first counts as one.
     *
     * @param reflectance Y of each
     * @param paper       Y of the bare paper
     */
    public int apart(double[] reflectance, double paper) {
        int apart = 1;
        for (int i = 1; i < reflectance.length; i++) {
            apart += index(reflectance[i], paper) - index(reflectance[i - 1], paper) >= APART ? 1 : 0;
        }
        return apart;
    }
}
