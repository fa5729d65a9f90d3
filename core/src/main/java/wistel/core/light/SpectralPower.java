package wistel.core.light;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import wistel.core.colour.Spectrum;

/**
 * How much a light sends at each wavelength, in even steps, in any unit.
 *
 * @param values none below 0, one above it
 */
public record SpectralPower(int firstNm, int stepNm, List<Double> values) {
    private static final int FIRST = 380;
    private static final int LAST = 780;
    private static final int MOST = 2000;
    /** Second radiation constant as the International Temperature Scale of 1990 has it, m K. */
    private static final double C2 = 1.4388e-2;
    /** Illuminant A was set with another (CIE 15:2018, 4.1.1): 2848 K then. */
    private static final double C2_OF_A = 1.435e-2;
    private static final double KELVIN_OF_A = 2848;

    /** @throws IllegalArgumentException with fewer than two values, or such as no light sends */
    public SpectralPower {
        values = List.copyOf(values);
        if (values.size() < 2 || values.size() > MOST || stepNm < 1 || firstNm < 1 || values.stream().anyMatch(v -> !(v >= 0 && v < 1e12))
            || values.stream().allMatch(v -> v == 0)) {
            throw new IllegalArgumentException(values.size() + " values from " + firstNm + " nm by " + stepNm);
        }
    }

    /**
     * Daylight, or below 4000 K a glowing body.
     *
     * @param kelvin 1000 to 25000
     * @throws IllegalArgumentException when it is another
     */
    public static SpectralPower of(double kelvin) {
        if (!(kelvin >= 1000 && kelvin <= 25_000)) {
            throw new IllegalArgumentException(kelvin + " K");
        }
        return kelvin < 4000 ? planckian(kelvin, C2)
            : new SpectralPower(FIRST, 10, Arrays.stream(Spectrum.daylightPower(kelvin)).boxed().toList());
    }

    /** CIE illuminant A: an incandescent lamp. */
    public static SpectralPower incandescent() {
        return planckian(KELVIN_OF_A, C2_OF_A);
    }

    /** A glowing body (Planck), 100 at 560 nm. */
    private static SpectralPower planckian(double kelvin, double c2) {
        List<Double> values = new ArrayList<>();
        for (int nm = FIRST; nm <= LAST; nm += 5) {
            values.add(100 * planck(nm, kelvin, c2) / planck(560, kelvin, c2));
        }
        return new SpectralPower(FIRST, 5, values);
    }

    private static double planck(int nm, double kelvin, double c2) {
        double m = nm * 1e-9;
        return Math.pow(m, -5) / Math.expm1(c2 / (m * kelvin));
    }

    /** At a wavelength: between two values on a straight line, beyond them none. */
    public double at(double nm) {
        double place = (nm - firstNm) / stepNm;
        if (place < 0 || place > values.size() - 1) {
            return 0;
        }
        int cell = Math.min((int) place, values.size() - 2);
        return values.get(cell) + (values.get(cell + 1) - values.get(cell)) * (place - cell);
    }

    /**
     * XYZ of a surface in this light, Y = 100 for the perfect diffuser; summed over the visible wavelengths in steps of the light's own, 5
     * nm at most.
     *
     * @param reflectance by wavelength, 1 for the perfect diffuser
     */
    public double[] xyz(DoubleUnaryOperator reflectance) {
        int step = Math.min(5, stepNm);
        double[] sum = new double[3];
        double white = 0;
        for (int nm = FIRST; nm <= LAST; nm += step) {
            double power = at(nm);
            double light = power * reflectance.applyAsDouble(nm);
            for (int c = 0; c < 3; c++) {
                sum[c] += light * Spectrum.observer(c, nm);
            }
            white += power * Spectrum.observer(1, nm);
        }
        return new double[] {100 * sum[0] / white, 100 * sum[1] / white, 100 * sum[2] / white};
    }

    /** Of the perfect diffuser. */
    public double[] white() {
        return xyz(nm -> 1);
    }
}
