package wistel.core.colour;

/**
 * Spectral reflectance to XYZ under D50 for the 2 degree observer, summed over 10 nm steps (CIE 15:2018, 7.1). Readings that stop early
 * stand for the wavelengths beyond as well (7.2.3).
 */
public final class Spectrum {
    public static final int FIRST_NM = 380;
    private static final int STEP_NM = 10;

    /** Colour matching functions x, y, z of the CIE 1931 standard observer, 380 to 780 nm by 10 (CIE 15:2018, table T.4). */
    private static final double[][] OBSERVER = {
        {0.001368, 0.004243, 0.014310, 0.043510, 0.134380, 0.283900, 0.348280, 0.336200, 0.290800, 0.195360, 0.095640, 0.032010, 0.004900,
            0.009300,
            0.063270, 0.165500, 0.290400, 0.433450, 0.594500, 0.762100, 0.916300, 1.026300, 1.062200, 1.002600, 0.854450, 0.642400,
            0.447900, 0.283500,
            0.164900, 0.087400, 0.046770, 0.022700, 0.011359, 0.005790, 0.002899, 0.001440, 0.000690, 0.000332, 0.000166, 0.000083,
            0.000042},
        {0.000039, 0.000120, 0.000396, 0.001210, 0.004000, 0.011600, 0.023000, 0.038000, 0.060000, 0.090980, 0.139020, 0.208020, 0.323000,
            0.503000,
            0.710000, 0.862000, 0.954000, 0.994950, 0.995000, 0.952000, 0.870000, 0.757000, 0.631000, 0.503000, 0.381000, 0.265000,
            0.175000, 0.107000,
            0.061000, 0.032000, 0.017000, 0.008210, 0.004102, 0.002091, 0.001047, 0.000520, 0.000249, 0.000120, 0.000060, 0.000030,
            0.000015},
        {0.006450, 0.020050, 0.067850, 0.207400, 0.645600, 1.385600, 1.747060, 1.772110, 1.669200, 1.287640, 0.812950, 0.465180, 0.272000,
            0.158200,
            0.078250, 0.042160, 0.020300, 0.008750, 0.003900, 0.002100, 0.001650, 0.001100, 0.000800, 0.000340, 0.000190, 0.000050,
            0.000020, 0,
            0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0}};

    /** Mean daylight and its first two ways of varying, the same wavelengths (CIE 15:2018, table T.2). */
    private static final double[][] DAYLIGHT = {
        {63.4, 65.8, 94.8, 104.8, 105.9, 96.8, 113.9, 125.6, 125.5, 121.3, 121.3, 113.5, 113.1, 110.8, 106.5, 108.8, 105.3, 104.4, 100.0,
            96.0, 95.1,
            89.1, 90.5, 90.3, 88.4, 84.0, 85.1, 81.9, 82.6, 84.9, 81.3, 71.9, 74.3, 76.4, 63.3, 71.7, 77.0, 65.2, 47.7, 68.6, 65.0},
        {38.5, 35.0, 43.4, 46.3, 43.9, 37.1, 36.7, 35.9, 32.6, 27.9, 24.3, 20.1, 16.2, 13.2, 8.6, 6.1, 4.2, 1.9, 0.0, -1.6, -3.5, -3.5,
            -5.8, -7.2, -8.6,
            -9.5, -10.9, -10.7, -12.0, -14.0, -13.6, -12.0, -13.3, -12.9, -10.6, -11.6, -12.2, -10.2, -7.8, -11.2, -10.4},
        {3.0, 1.2, -1.1, -0.5, -0.7, -1.2, -2.6, -2.9, -2.8, -2.6, -2.6, -1.8, -1.5, -1.3, -1.2, -1.0, -0.5, -0.3, 0.0, 0.2, 0.5, 2.1, 3.2,
            4.1, 4.7, 5.1,
            6.7, 7.3, 8.6, 9.8, 10.2, 8.3, 9.6, 8.5, 7.0, 7.6, 8.0, 6.7, 5.2, 7.4, 6.8}};

    private static final double[] D50_POWER = daylight(5003);

    private Spectrum() {
    }

    /** Relative spectral power of daylight, 100 at 560 nm (CIE 15:2018, 4.1.2). */
    private static double[] daylight(double kelvin) {
        double x = kelvin <= 7000
            ? -4.6070e9 / Math.pow(kelvin, 3) + 2.9678e6 / (kelvin * kelvin) + 0.09911e3 / kelvin + 0.244063
            : -2.0064e9 / Math.pow(kelvin, 3) + 1.9018e6 / (kelvin * kelvin) + 0.24748e3 / kelvin + 0.237040;
        double y = -3 * x * x + 2.870 * x - 0.275;
        double m = 0.0241 + 0.2562 * x - 0.7341 * y;
        double m1 = Math.round(1000 * (-1.3515 - 1.7703 * x + 5.9114 * y) / m) / 1000.0;
        double m2 = Math.round(1000 * (0.0300 - 31.4424 * x + 30.0717 * y) / m) / 1000.0;
        double[] power = new double[DAYLIGHT[0].length];
        for (int i = 0; i < power.length; i++) {
            power[i] = DAYLIGHT[0][i] + m1 * DAYLIGHT[1][i] + m2 * DAYLIGHT[2][i];
        }
        return power;
    }

    /**
     * Relative spectral power of daylight from 380 to 780 nm by 10, 100 at 560 nm.
     *
     * @param kelvin 4000 to 25000: what the formula of CIE 15:2018, 4.1.2 is for
     * @throws IllegalArgumentException when it is another
     */
    public static double[] daylightPower(double kelvin) {
        if (!(kelvin >= 4000 && kelvin <= 25_000)) {
            throw new IllegalArgumentException("daylight of " + kelvin + " K");
        }
        return daylight(kelvin);
    }

    /**
     * A response of the CIE 1931 standard observer.
     *
     * @param channel 0 to 2 for x, y, z
     * @param nm      between the tabled wavelengths on a cubic through its four neighbours (Lagrange); 0 outside of 380 to 780
     */
    public static double observer(int channel, double nm) {
        double place = (nm - FIRST_NM) / STEP_NM;
        double[] table = OBSERVER[channel];
        if (place < 0 || place > table.length - 1) {
            return 0;
        }
        int first = Math.max(0, Math.min(table.length - 4, (int) Math.floor(place) - 1));
        double sum = 0;
        for (int i = 0; i < 4; i++) {
            double weight = 1;
            for (int k = 0; k < 4; k++) {
                weight *= k == i ? 1 : (place - first - k) / (i - k);
            }
            sum += weight * table[first + i];
        }
        return Math.max(0, sum);
    }

    /** D50's relative power at a multiple of 10 nm from 380 to 780. */
    public static double d50Power(int nm) {
        return D50_POWER[(nm - FIRST_NM) / STEP_NM];
    }

    /**
     * @param firstNm     the first reading's wavelength
     * @param stepNm      from one reading to the next
     * @param reflectance 1 for the perfect diffuser
     * @return XYZ, Y = 1 for the perfect diffuser
     */
    public static double[] xyz(double firstNm, double stepNm, double... reflectance) {
        double[] sum = new double[3];
        double[] white = new double[3];
        for (int i = 0; i < D50_POWER.length; i++) {
            double r = at(FIRST_NM + i * STEP_NM, firstNm, stepNm, reflectance);
            for (int c = 0; c < 3; c++) {
                sum[c] += D50_POWER[i] * OBSERVER[c][i] * r;
                white[c] += D50_POWER[i] * OBSERVER[c][i];
            }
        }
        // steps of 10 nm put the perfect diffuser a third of a thousandth beside the connection space's white: it is moved onto it
        return new double[] {sum[0] / white[0] * D50.X, sum[1] / white[1] * D50.Y, sum[2] / white[2] * D50.Z};
    }

    private static double at(int nm, double firstNm, double stepNm, double[] r) {
        double place = Math.max(0, Math.min(r.length - 1, (nm - firstNm) / stepNm));
        int cell = Math.min((int) place, Math.max(0, r.length - 2));
        return r.length == 1 ? r[0] : r[cell] + (r[cell + 1] - r[cell]) * (place - cell);
    }
}
