package wistel.core.rendition;

import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.stream.IntStream;
import wistel.core.colour.Lab;
import wistel.core.rendition.LightnessCurve.TonePoint;
import wistel.core.tone.ToneScale;

/**
 * What a proof has to be made from so that it shows the tones that a wedge measured, where the profile tells others: the lightness whose
 * proof by the profile is as light as the print. It holds for every view of the proof, as all of them go through the same ink.
 */
public final class TonePrediction {
    /** Grays by which the profile is asked. */
    public static final int GRAYS = 101;

    private TonePrediction() {
    }

    /**
     * @param byProfile L* measured on paper, as the profile tells it, of grays of L* 0 to 100 in even steps
     * @param inForce   what is sent through the printer's tones
     */
    public static LinearisationStep of(double[] byProfile, ToneScale scale, Optional<LinearisationStep> inForce) {
        DoubleFunction<Lab> printed = scale.function();
        double[] rising = new double[byProfile.length];
        for (int i = 0; i < rising.length; i++) {
            rising[i] = Math.max(byProfile[i], i == 0 ? Double.NEGATIVE_INFINITY : rising[i - 1]);
        }
        return new LinearisationStep(IntStream.range(0, GRAYS).mapToObj(i -> {
            double[] lab = {100.0 * i / (GRAYS - 1), 0, 0};
            inForce.ifPresent(s -> s.function().apply(lab, 0));
            return new TonePoint(100.0 * i / (GRAYS - 1), asLight(rising, printed.apply(1 - lab[0] / 100).l()));
        }).toList());
    }

    /** The gray, 0 to 100, that the profile prints as light as this. */
    private static double asLight(double[] rising, double l) {
        int i = 0;
        while (i < rising.length && rising[i] < l) {
            i++;
        }
        if (i == 0 || i == rising.length) {
            return i == 0 ? 0 : 100;
        }
        double share = (l - rising[i - 1]) / (rising[i] - rising[i - 1]);
        return 100.0 * (i - 1 + share) / (rising.length - 1);
    }
}
