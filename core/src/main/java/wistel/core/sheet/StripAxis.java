package wistel.core.sheet;

import java.util.List;
import java.util.stream.IntStream;
import wistel.core.fault.InvalidRequest;

/**
 * One thing that a test strip varies, with its steps in their order.
 *
 * @param steps of one thing, each another one, as it is among them
 */
public record StripAxis(List<Delta> steps) {
    public static final int MOST_STEPS = 7;
    public static final int LEAST_STEPS = 2;

    /** @throws InvalidRequest when there are too few or too many steps, two alike, or none as it is */
    public StripAxis {
        steps = List.copyOf(steps);
        if (steps.size() < LEAST_STEPS || steps.size() > MOST_STEPS) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, steps.size() + " steps can't be.",
                "Take " + LEAST_STEPS + " to " + MOST_STEPS + ".");
        }
        if (steps.stream().map(Delta::what).distinct().count() != 1 || steps.stream().distinct().count() != steps.size()
            || steps.stream().noneMatch(Delta::asItIs)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Steps that are alike, or that leave out what is there, can't be.",
                "Let each be another one, with the picture as it stands among them.");
        }
    }

    public Varied what() {
        return steps.get(0).what();
    }

    /**
     * Even steps about where a slider stands, moved along where its end is near so that all of them lie on it.
     *
     * @param from where the slider stands
     * @throws InvalidRequest when the step is none, or so many don't lie on the slider
     */
    public static StripAxis even(Varied what, int count, double step, double from) {
        if (!(step > 0 && Double.isFinite(step))) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A step of " + step + " changes nothing.", "Enter one above 0.");
        }
        if (count < LEAST_STEPS || count > MOST_STEPS || (count - 1) * step > 2 * what.most()) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                count + " steps of " + step + " are more than the " + what.word() + " can be moved.",
                "Take " + LEAST_STEPS + " to " + MOST_STEPS + " steps within " + Math.round(2 * what.most()) + " in all.");
        }
        int first = -(count - 1) / 2;
        while (from + first * step < -what.most() && first < 0) {
            first++;
        }
        while (from + (first + count - 1) * step > what.most() && first > -(count - 1)) {
            first--;
        }
        int start = first;
        return new StripAxis(
            IntStream.range(start, start + count).<Delta>mapToObj(i -> new Delta.Shift(what, i * step)).toList());
    }
}
