package wistel.core.rendition;

import java.util.ArrayList;
import java.util.List;
import wistel.core.icc.stage.LabFunction;

/**
 * Five tone sliders, each -50 to 50, as curves of t = L*&#47;100 that are run one after another. Each rises everywhere and keeps 0 and 1,
 * so any combination does: brightness and contrast bend by t / (t + (1 - t) k), contrast on either side of the pivot; shadows add t (1 -
 * t)^4, midtones t^2 (1 - t)^2 and lights t^4 (1 - t), each times a factor that leaves the slope at least a quarter.
 *
 * @param pivot L* that contrast leaves alone: the picture's median
 */
public record ToneMoves(double shadows, double midtones, double lights, double contrast, double brightness, double pivot) implements Move {
    public static final double MOST = 50;
    /** Nothing moved; contrast would turn about the middle. */
    public static final ToneMoves NONE = new ToneMoves(0, 0, 0, 0, 0, 50);
    /** Slope that full brightness and contrast give, at black and at the pivot. */
    private static final double STEEPEST = 2;
    /** The slope of t (1 - t)^4 is between 1 and -0.216. */
    private static final double LIFT = 2.5;
    private static final double LOWER = 0.75;
    /** The slope of t^2 (1 - t)^2 is between 0.192 and -0.192. */
    private static final double MIDDLE = 3.5;
    private static final double NEAREST_PIVOT = 5;

    /** @throws wistel.core.fault.InvalidRequest when one is out of its range */
    public ToneMoves {
        Ranges.within("shadows", shadows, -MOST, MOST);
        Ranges.within("midtones", midtones, -MOST, MOST);
        Ranges.within("lights", lights, -MOST, MOST);
        Ranges.within("contrast", contrast, -MOST, MOST);
        Ranges.within("brightness", brightness, -MOST, MOST);
        Ranges.within("pivot", pivot, NEAREST_PIVOT, 100 - NEAREST_PIVOT);
    }

    @Override
    public LabFunction function() {
        double s = factor(shadows, LIFT, LOWER);
        double m = midtones / MOST * MIDDLE;
        // lights are shadows seen from above
        double l = -factor(-lights, LIFT, LOWER);
        double b = Math.pow(STEEPEST, -brightness / MOST);
        double c = Math.pow(STEEPEST, contrast / MOST);
        double p = pivot / 100;
        return (lab, at) -> {
            double t = lab[at] / 100;
            if (t <= 0 || t >= 1) {
                return;
            }
            t = bent(t, b);
            t = t < p ? p * bent(t / p, c) : 1 - (1 - p) * bent((1 - t) / (1 - p), c);
            double u = 1 - t;
            t += s * t * u * u * u * u;
            u = 1 - t;
            t += m * t * t * u * u;
            u = 1 - t;
            t += l * t * t * t * t * u;
            lab[at] = 100 * t;
        };
    }

    private static double factor(double slider, double lift, double lower) {
        return slider / MOST * (slider > 0 ? lift : lower);
    }

    /** From 0 to 1 with slope 1/k at 0 and k at 1. */
    private static double bent(double t, double k) {
        return t / (t + (1 - t) * k);
    }

    @Override
    public boolean changesNothing() {
        return shadows == 0 && midtones == 0 && lights == 0 && contrast == 0 && brightness == 0;
    }

    @Override
    public String words() {
        List<String> words = new ArrayList<>();
        String[] names = {"shadows", "midtones", "lights", "contrast", "brightness"};
        double[] values = {shadows, midtones, lights, contrast, brightness};
        for (int i = 0; i < names.length; i++) {
            if (values[i] != 0) {
                words.add(names[i] + " " + Ranges.signed(values[i]));
            }
        }
        return String.join(", ", words);
    }
}
