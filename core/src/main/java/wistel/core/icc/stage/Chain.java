package wistel.core.icc.stage;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Stages one after another, simplified once: what a transform exactly does. Immutable. */
public final class Chain {
    /** Room for the widest colour inside a chain: sixteen colorants, the most a table of ICC.1 can have. */
    public static final int STRIDE = 16;

    private final List<Stage> stages;

    private Chain(List<Stage> stages) {
        this.stages = List.copyOf(stages);
    }

    public static Chain of(List<Stage> stages) {
        return new Chain(simplified(stages));
    }

    public List<Stage> stages() {
        return stages;
    }

    /** A block of pixels in place, each from {@code p * STRIDE} on. */
    public void apply(double[] work, int pixels) {
        for (Stage stage : stages) {
            stage.apply(work, STRIDE, pixels);
        }
    }

    /** One colour. */
    public double[] at(double... in) {
        double[] work = Arrays.copyOf(in, STRIDE);
        apply(work, 1);
        return work;
    }

    /** Bytes of its tables. */
    public long bytes() {
        return stages.stream().mapToLong(s -> s instanceof Stage.Clut clut ? 4L * clut.grid().values().length : 1024).sum();
    }

    /** What is left when the first stages are taken away. */
    public Chain from(int first) {
        return new Chain(stages.subList(first, stages.size()));
    }

    /** Neighbouring matrices and neighbouring curves become one, what undoes itself at once or changes nothing is dropped. */
    private static List<Stage> simplified(List<Stage> chain) {
        List<Stage> out = new ArrayList<>();
        for (Stage stage : chain) {
            Stage next = stage;
            while (!out.isEmpty()) {
                Optional<Stage> merged = merged(out.get(out.size() - 1), next);
                if (merged.isEmpty()) {
                    break;
                }
                out.remove(out.size() - 1);
                next = merged.get();
            }
            if (!next.isIdentity()) {
                out.add(next);
            }
        }
        return out;
    }

    private static final Stage NOTHING = Stage.Linear.scale(1, 1, 1, 0, 0, 0);

    private static Optional<Stage> merged(Stage first, Stage second) {
        if (first instanceof Stage.Linear a && second instanceof Stage.Linear b) {
            return Optional.of(a.then(b));
        }
        if (first instanceof Stage.Curves a && second instanceof Stage.Curves b) {
            Curve[] both = new Curve[a.curves().length];
            Arrays.setAll(both, i -> a.curves()[i].then(b.curves()[i]));
            return Optional.of(new Stage.Curves(both));
        }
        boolean undone = first instanceof Stage.LabToXyz && second instanceof Stage.XyzToLab
            || first instanceof Stage.XyzToLab && second instanceof Stage.LabToXyz
            || first instanceof Stage.GrayToXyz && second instanceof Stage.XyzToGray
            || first instanceof Stage.GrayToLab && second instanceof Stage.LabToGray;
        return undone ? Optional.of(NOTHING) : Optional.empty();
    }
}
