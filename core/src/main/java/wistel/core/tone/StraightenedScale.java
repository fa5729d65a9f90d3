package wistel.core.tone;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleFunction;
import java.util.function.DoubleUnaryOperator;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.colour.Lab;
import wistel.core.icc.making.ProfileMaker;

/** A scale as it prints through a curve, for other programs: as CGATS, and as a Gray output profile. */
public record StraightenedScale(ToneScale scale, ToneCurve curve) {
    private static final int STEPS = 51;

    /**
     * What each gray, 0 black to 1 paper, prints as when it is sent through the curve; between the steps that were read by monotone cubics.
     */
    public List<Patch> patches() {
        DoubleFunction<Lab> printed = scale.function();
        DoubleUnaryOperator through = curve.function();
        List<Patch> patches = new ArrayList<>();
        for (int i = 0; i < STEPS; i++) {
            double depth = i / (STEPS - 1.0);
            patches.add(new Patch(String.valueOf(i + 1), new double[] {1 - depth}, printed.apply(through.applyAsDouble(depth))));
        }
        return patches;
    }

    /** @param description what was printed how, for people; the curve's points follow it */
    public Cgats cgats(String description) {
        StringBuilder points = new StringBuilder();
        for (ToneCurve.Point p : curve.points()) {
            points.append(String.format(Locale.ROOT, " %.4f>%.4f", p.wanted(), p.sent()));
        }
        return Cgats.of(Cgats.Device.GRAY, "Wistel", description + (points.isEmpty() ? "" : ", depth wanted>sent" + points), patches());
    }

    /** A profile of the printer with the curve before it. */
    public byte[] profile(String description) {
        return ProfileMaker.make(description, cgats(description)).profile();
    }
}
