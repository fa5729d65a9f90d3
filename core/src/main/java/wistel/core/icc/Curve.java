package wistel.core.icc;

/** A one-dimensional function of a tag: {@code curv} (identity, gamma, table) or {@code para} (types 0 to 4, ICC.1:2022, 10.18). */
public sealed interface Curve {

    double at(double x);

    Curve IDENTITY = new Power(1);

    record Power(double gamma) implements Curve {
        @Override
        public double at(double x) {
            return gamma == 1 ? x : Math.pow(Math.max(0, x), gamma);
        }
    }

    /** Samples over 0 to 1, joined by straight lines; end points exact; input clamped. */
    record Table(double[] values) implements Curve {
        @Override
        public double at(double x) {
            int last = values.length - 1;
            double place = (x <= 0 || Double.isNaN(x) ? 0 : Math.min(1, x)) * last;
            int cell = Math.min((int) place, last - 1);
            return values[cell] + (values[cell + 1] - values[cell]) * (place - cell);
        }
    }

    /** y = (a x + b)^g + e from d upwards, c x + f below it; the simpler types are this with some terms fixed. */
    record Parametric(double g, double a, double b, double c, double d, double e, double f) implements Curve {
        @Override
        public double at(double x) {
            return x >= d ? Math.pow(Math.max(0, a * x + b), g) + e : c * x + f;
        }
    }

    /** The inverse of a monotone curve, found by bisection: exact to 2^-40, and stable on flat parts. */
    record Inverse(Curve forward) implements Curve {
        @Override
        public double at(double y) {
            boolean rising = forward.at(1) >= forward.at(0);
            double low = 0;
            double high = 1;
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
    }

    /** This curve undone; of a power, the reciprocal power. */
    default Curve inverse() {
        if (this instanceof Power power) {
            return power.gamma == 0 ? IDENTITY : new Power(1 / power.gamma);
        }
        return this instanceof Inverse undone ? undone.forward : new Inverse(this);
    }
}
