package wistel.core.tone;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import wistel.core.cgats.Readings;
import wistel.core.cgats.Readings.Reading;
import wistel.core.colour.Lab;

/** Made-up printers for the tests of tone: a scale that prints deeper or lighter than it is sent, read with noise. */
final class Scales {
    static final double PAPER = 96;
    static final double BLACK = 12;

    private Scales() {
    }

    /** @param printed depth that comes out for a depth that is sent, both 0 to 1 */
    static Readings read(Wedge wedge, DoubleUnaryOperator printed, double noise, long seed) {
        Random random = new Random(seed);
        List<Reading> readings = new ArrayList<>();
        for (int step : wedge.order()) {
            double l = PAPER + (BLACK - PAPER) * printed.applyAsDouble(wedge.depth(step));
            readings
                .add(new Reading(wedge.id(readings.size()), OptionalDouble.empty(), new Lab(l + noise * random.nextGaussian(), 0.4, -1.2)));
        }
        return new Readings(Readings.Kind.COLOUR, readings);
    }

    static ToneScale scale(int steps, DoubleUnaryOperator printed, double noise, long seed) {
        Wedge wedge = new Wedge(steps, 1, false, 7);
        return ToneScale.of(wedge, read(wedge, printed, noise, seed));
    }

    /** The depth that has to be sent for a depth to come out, by halving: printers that this curve straightens. */
    static DoubleUnaryOperator straightenedBy(ToneCurve curve) {
        DoubleUnaryOperator through = curve.function();
        return sent -> {
            double low = 0;
            double high = 1;
            for (int i = 0; i < 60; i++) {
                double middle = (low + high) / 2;
                if (through.applyAsDouble(middle) < sent) {
                    low = middle;
                } else {
                    high = middle;
                }
            }
            return (low + high) / 2;
        };
    }
}
