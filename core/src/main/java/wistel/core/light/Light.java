package wistel.core.light;

import java.util.Locale;
import wistel.core.fault.InvalidRequest;

/**
 * A light that a print is looked at in.
 *
 * @param lux    on the print
 * @param kelvin its colour temperature: a glowing body's, from 4000 on daylight's
 */
public record Light(double lux, double kelvin) {
    public static final double DIMMEST = 0.5;
    public static final double BRIGHTEST = 100_000;
    public static final double WARMEST = 1500;
    public static final double COLDEST = 20_000;
    /** For judging prints (ISO 3664, condition P1). */
    public static final Light JUDGING = new Light(2000, 5000);

    /** @throws InvalidRequest when nobody looks at a print in it, or no lamp or sky has that colour */
    public Light {
        if (!(lux >= DIMMEST && lux <= BRIGHTEST)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                String.format(Locale.ROOT, "Prints are looked at in %.1f to %.0f lx.", DIMMEST, BRIGHTEST),
                "A dim hall has 30, a desk 500, a window in the sun 10000.");
        }
        if (!(kelvin >= WARMEST && kelvin <= COLDEST)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                String.format(Locale.ROOT, "A light has %.0f to %.0f K.", WARMEST, COLDEST),
                "Candles have 1900, lamps 2700, the sky 6500.");
        }
    }

    /**
     * Luminance of a surface in it that spreads light evenly, cd/m2.
     *
     * @param reflectance Y of 0 to 1
     */
    public double luminance(double reflectance) {
        return lux * reflectance / Math.PI;
    }

    /** White of the perfect diffuser, XYZ, Y = 100. */
    public double[] white() {
        return SpectralPower.of(kelvin).white();
    }
}
