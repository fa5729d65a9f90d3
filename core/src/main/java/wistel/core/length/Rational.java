package wistel.core.length;

/** A positive number as a fraction of two 32-bit integers, as TIFF 6.0 and Exif hold resolutions: 299.88 as 7497/25. */
public record Rational(int numerator, int denominator) {
    private static final double CLOSE = 1e-10;
    private static final int MOST_STEPS = 30;

    /** @throws IllegalArgumentException when one of them isn't positive */
    public Rational {
        if (numerator < 1 || denominator < 1) {
            throw new IllegalArgumentException(numerator + "/" + denominator);
        }
    }

    /**
     * The continued fraction's first convergent that is as near as 1 in 10^10, or the last one that fits into 32 bits.
     *
     * @param value from 1e-6 to 1e6
     * @throws IllegalArgumentException when it is outside of that
     */
    public static Rational of(double value) {
        if (!(value >= 1e-6 && value <= 1e6)) {
            throw new IllegalArgumentException("no fraction is made of " + value);
        }
        long before = 1;
        long beforeUnder = 0;
        long above = (long) Math.floor(value);
        long under = 1;
        double rest = value - above;
        for (int i = 0; i < MOST_STEPS && Math.abs((double) above / under - value) > CLOSE * value && rest > 0; i++) {
            double inverse = 1 / rest;
            long whole = (long) Math.floor(inverse);
            long next = whole * above + before;
            long nextUnder = whole * under + beforeUnder;
            if (next > Integer.MAX_VALUE || nextUnder > Integer.MAX_VALUE) {
                break;
            }
            before = above;
            beforeUnder = under;
            above = next;
            under = nextUnder;
            rest = inverse - whole;
        }
        return new Rational((int) above, (int) under);
    }

    public double value() {
        return (double) numerator / denominator;
    }
}
