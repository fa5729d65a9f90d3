package wistel.core.icc.stage;

import java.util.Arrays;

/**
 * A one-dimensional function of a tag: {@code curv} (identity, gamma, table; ICC.1:2022, 10.6) or {@code para} (types 0 to 4; 10.18),
 * and what a chain makes of them: inverses and compositions.
 */
public sealed interface Curve {

    double at(double x);

    /** Values {@code at, at + stride, ...} replaced by the curve's; one call for a block of pixels. */
    void apply(double[] values, int at, int stride, int count);

    default boolean isIdentity() {
        return this instanceof Power power && power.gamma == 1;
    }

    /** x to the power of gamma; negative x gives 0 unless gamma is 1. */
    record Power(double gamma) implements Curve {
        public static final Curve IDENTITY = new Power(1);

        @Override
        public double at(double x) {
            return gamma == 1 ? x : Math.pow(Math.max(0, x), gamma);
        }

        @Override
        public void apply(double[] values, int at, int stride, int count) {
            for (int i = 0, p = at; gamma != 1 && i < count; i++, p += stride) {
                values[p] = Math.pow(Math.max(0, values[p]), gamma);
            }
        }
    }

    /** Samples over 0 to 1, joined by straight lines; end points exact; input clamped. */
    record Table(double[] samples) implements Curve {
        /** @throws IllegalArgumentException with fewer than two samples */
        public Table {
            if (samples.length < 2) {
                throw new IllegalArgumentException("a table of " + samples.length + " samples");
            }
            samples = samples.clone();
        }

        @Override
        public double at(double x) {
            int last = samples.length - 1;
            double place = (x > 0 ? Math.min(1, x) : 0) * last;
            int cell = Math.min((int) place, last - 1);
            return samples[cell] + (samples[cell + 1] - samples[cell]) * (place - cell);
        }

        @Override
        public void apply(double[] values, int at, int stride, int count) {
            for (int i = 0, p = at; i < count; i++, p += stride) {
                values[p] = at(values[p]);
            }
        }

        boolean neverFalls() {
            for (int i = 1; i < samples.length; i++) {
                if (!(samples[i] >= samples[i - 1])) {
                    return false;
                }
            }
            return samples.length > 1;
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Table that && Arrays.equals(samples, that.samples);
        }

        @Override
        public int hashCode() {
            return Arrays.hashCode(samples);
        }

        /** The identity where the samples are those of a straight line from 0 to 1, within a tenth of a 16-bit code; else itself. */
        public Curve simplest() {
            for (int i = 0; i < samples.length; i++) {
                if (Math.abs(samples[i] - (double) i / (samples.length - 1)) > 1.5e-6) {
                    return this;
                }
            }
            return Power.IDENTITY;
        }
    }

    /** y = (a x + b)^g + e from d upwards, c x + f below it; the simpler types are this with some terms fixed. */
    record Parametric(double g, double a, double b, double c, double d, double e, double f) implements Curve {
        @Override
        public double at(double x) {
            return x >= d ? Math.pow(Math.max(0, a * x + b), g) + e : c * x + f;
        }

        @Override
        public void apply(double[] values, int at, int stride, int count) {
            for (int i = 0, p = at; i < count; i++, p += stride) {
                values[p] = at(values[p]);
            }
        }

        /** True when both parts rise, so that the inverse can be written down. */
        boolean rises() {
            return g > 0 && a > 0 && c >= 0 && at(d) >= c * d + f - 1e-6;
        }
    }

    /** The inverse of a rising {@link Parametric}, in closed form. */
    record ParametricInverse(Parametric forward) implements Curve {
        @Override
        public double at(double y) {
            Parametric p = forward;
            if (y >= p.at(p.d)) {
                return (Math.pow(Math.max(0, y - p.e), 1 / p.g) - p.b) / p.a;
            }
            return p.c == 0 ? Math.max(0, p.d) : Math.min(p.d, (y - p.f) / p.c);
        }

        @Override
        public void apply(double[] values, int at, int stride, int count) {
            for (int i = 0, p = at; i < count; i++, p += stride) {
                values[p] = at(values[p]);
            }
        }
    }

    /** The inverse of a table that never falls, line by line; on flat parts its lower end, also for values that lie beyond the table's. */
    record TableInverse(Table forward) implements Curve {
        @Override
        public double at(double value) {
            double[] s = forward.samples;
            int above = reaching(s, Math.min(value, s[s.length - 1]));
            return above == 0 ? 0
                : (above - 1 + (Math.min(value, s[s.length - 1]) - s[above - 1]) / (s[above] - s[above - 1])) / (s.length - 1);
        }

        /** The first sample that is not below a value; what is no number is below all. */
        private static int reaching(double[] samples, double value) {
            int low = 0;
            int high = samples.length - 1;
            while (low < high) {
                int middle = (low + high) / 2;
                if (samples[middle] < value) {
                    low = middle + 1;
                } else {
                    high = middle;
                }
            }
            return low;
        }

        @Override
        public void apply(double[] values, int at, int stride, int count) {
            for (int i = 0, p = at; i < count; i++, p += stride) {
                values[p] = at(values[p]);
            }
        }
    }

    /**
     * The inverse of any monotone curve over 0 to 1, found by bisection to 2^-40; on flat parts its lower end, also for values that lie
     * beyond the curve's.
     */
    record Inverse(Curve forward) implements Curve {
        @Override
        public double at(double value) {
            double most = Math.max(forward.at(0), forward.at(1));
            double y = value > most ? most : value;
            boolean rising = forward.at(1) >= forward.at(0);
            double low = 0;
            double high = 1;
            if (y <= Math.min(forward.at(0), forward.at(1))) {
                return rising ? 0 : 1;
            }
            for (int i = 0; i < 40; i++) {
                double middle = (low + high) / 2;
                if (forward.at(middle) < y == rising) {
                    low = middle;
                } else {
                    high = middle;
                }
            }
            return (low + high) / 2;
        }

        @Override
        public void apply(double[] values, int at, int stride, int count) {
            for (int i = 0, p = at; i < count; i++, p += stride) {
                values[p] = at(values[p]);
            }
        }
    }

    /** First one curve, then the other. */
    record Composed(Curve first, Curve second) implements Curve {
        @Override
        public double at(double x) {
            return second.at(first.at(x));
        }

        @Override
        public void apply(double[] values, int at, int stride, int count) {
            first.apply(values, at, stride, count);
            second.apply(values, at, stride, count);
        }
    }

    /** This curve undone: written down where there is a formula, else searched. */
    default Curve inverse() {
        if (this instanceof Power power) {
            return power.gamma == 0 ? Power.IDENTITY : new Power(1 / power.gamma);
        }
        if (this instanceof Parametric parametric && parametric.rises()) {
            return new ParametricInverse(parametric);
        }
        if (this instanceof ParametricInverse undone) {
            return undone.forward;
        }
        if (this instanceof Table table && table.neverFalls()) {
            return new TableInverse(table);
        }
        if (this instanceof TableInverse undone) {
            return undone.forward;
        }
        return this instanceof Inverse undone ? undone.forward : new Inverse(this);
    }

    /** This curve and then another; what cancels out is dropped. */
    default Curve then(Curve next) {
        if (isIdentity()) {
            return next;
        }
        if (next.isIdentity()) {
            return this;
        }
        if (this instanceof Power a && next instanceof Power b && a.gamma * b.gamma != 1) {
            return new Power(a.gamma * b.gamma);
        }
        return new Composed(this, next);
    }
}
