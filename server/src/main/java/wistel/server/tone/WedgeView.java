package wistel.server.tone;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wistel.core.cgats.Readings;
import wistel.core.colour.Lab;
import wistel.core.tone.ToneCurve;
import wistel.core.tone.ToneMode;
import wistel.core.tone.ToneTarget;

/**
 * A wedge, how it was printed, and what its newest reading says.
 *
 * @param words    of the mode
 * @param through  it was printed through the curve of {@code ofWedge}, to prove it
 * @param printing how its sheet stands; empty for a scale that was printed elsewhere
 * @param kept     its curve is the one in force on its pairing
 * @param old      and was measured more than a year ago
 * @param reading  empty until it was read
 */
record WedgeView(int number, String pairingId, String paper, String printer, ToneMode mode, String words, String sheet, int steps,
    int repeats, boolean scattered, boolean through, Optional<Integer> ofWedge,
    Instant created, Optional<WedgeSheet> printing, boolean kept, boolean old, List<WedgeRead> readings, Optional<WedgeTold> reading) {
    /** @param dried hours since it came out */
    record WedgeSheet(UUID attemptId, UUID docketId, boolean over, boolean done, int percent, String words, Optional<Double> dried) {
    }

    /** A reading among others. */
    record WedgeRead(UUID id, WedgeRepository.Origin origin, Instant taken, String note, boolean scan) {
    }

    /**
     * What a reading says.
     *
     * @param before     root mean square of L* against the target
     * @param after      the same through the curve
     * @param byPoints   error in L* on steps that the fit didn't see, with no point, one, two and so on
     * @param target     of lightness, in even steps of depth from paper to black
     * @param through    L* through the curve, of the same depths
     * @param line       of the curve: what is sent for depths in even steps
     * @param drawn      a person moved its points
     */
    record WedgeTold(UUID id, Readings.Kind kind, boolean turned, boolean reversed, List<WedgeStep> steps, double noise, double density,
        double paperDensity, Lab paper, Lab black, Optional<Double> blockedFrom, double drift, double driftDepth,
        int rises, List<String> verdict, double before, double after, List<Double> byPoints, List<ToneCurve.Point> points,
        ToneCurve.Point largestMove, boolean unsuited, boolean drawn, ToneTarget aim,
        double[] target, double[] through, double[] line) {
    }

    /**
     * @param depth   0 paper, 1 black
     * @param shown   as a display shows it, "#rrggbb"
     * @param suspect it lies off its neighbours' line
     * @param leftOut a person left it out
     */
    record WedgeStep(double depth, Lab lab, String shown, boolean suspect, boolean leftOut) {
    }
}
