package wistel.core.light;

/**
 * The Grayscale Standard Display Function (DICOM PS3.14, 7): luminances that lie one just noticeable difference apart, for an eye that is
 * adapted to each.
 */
public final class GrayscaleFunction {
    /** Of the first index and the last one, cd/m2. */
    public static final double DARKEST = 0.05;
    public static final double BRIGHTEST = 3993.4;
    public static final int LAST_INDEX = 1023;

    /** PS3.14, 7.1, equation 2: numerator and denominator in powers of the index's natural logarithm. */
    private static final double[] ABOVE = {-1.3011877, 8.0242636e-2, 1.3646699e-1, -2.5468404e-2, 1.3635334e-3};
    private static final double[] BELOW = {1, -2.5840191e-2, -1.0320229e-1, 2.8745620e-2, -3.1978977e-3, 1.2992634e-4};
    /** PS3.14, 7.1, equation 3: the index in powers of the luminance's common logarithm. */
    private static final double[] INDEX = {71.498068, 94.593053, 41.912053, 9.8247004, 0.28175407, -1.1878455, -0.18014349, 0.14710899,
        -0.017046845};

    private GrayscaleFunction() {
    }

    /**
     * @param index 1 to 1023, also between whole ones
     * @return cd/m2
     * @throws IllegalArgumentException when it is outside of that
     */
    public static double luminance(double index) {
        if (!(index >= 1 && index <= LAST_INDEX)) {
            throw new IllegalArgumentException("index " + index);
        }
        double x = Math.log(index);
        return Math.pow(10, sum(ABOVE, x) / sum(BELOW, x));
    }

    /**
     * How many just noticeable differences lie below a luminance.
     *
     * @param luminance cd/m2; below and above what the function knows it is that of its ends
     * @throws IllegalArgumentException when it is no number
     */
    public static double index(double luminance) {
        if (Double.isNaN(luminance)) {
            throw new IllegalArgumentException("luminance " + luminance);
        }
        double x = Math.log10(Math.max(DARKEST, Math.min(BRIGHTEST, luminance)));
        return Math.max(1, Math.min(LAST_INDEX, sum(INDEX, x)));
    }

    private static double sum(double[] factors, double x) {
        double sum = 0;
        for (int i = factors.length - 1; i >= 0; i--) {
            sum = sum * x + factors[i];
        }
        return sum;
    }
}
