package wistel.core.rendition;

import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import wistel.core.icc.transform.Transform;

/**
 * A way of a picture's codes that may depend on the place: to {@link RenditionCompiler#WORKING}, through its local moves, and on. Without
 * local moves it is a plain transform. Safe for any number of threads.
 */
public final class PlacedTransform {
    private final Transform first;
    private final Optional<Local> local;

    /**
     * @param onward empty where WORKING's codes are wanted
     * @param runs   by what is printed of a picture: weights are worked out once for all of its rows
     */
    private record Local(LocalSteps steps, Optional<Transform> onward, Map<Of, LocalSteps.Run> runs) {
        private record Of(double aspect, LocalMove.PrintFrame frame) {
        }

        private LocalSteps.Run run(PicturePlaces places) {
            return runs.computeIfAbsent(new Of(places.aspect(), places.frame()), of -> steps.run(places));
        }
    }

    private PlacedTransform(Transform first, Optional<Local> local) {
        this.first = first;
        this.local = local;
    }

    public static PlacedTransform everywhere(Transform transform) {
        return new PlacedTransform(transform, Optional.empty());
    }

    /**
     * @param toWorking from the picture's codes
     * @param onward    from WORKING's
     */
    public static PlacedTransform of(Transform toWorking, LocalSteps steps, Transform onward) {
        return new PlacedTransform(toWorking, Optional.of(new Local(steps, Optional.of(onward), new ConcurrentHashMap<>())));
    }

    /** To WORKING, local moves done. */
    public static PlacedTransform toWorking(Transform first, LocalSteps steps) {
        return new PlacedTransform(first, Optional.of(new Local(steps, Optional.empty(), new ConcurrentHashMap<>())));
    }

    /** The transform of a picture without local moves; empty where the place counts. */
    public Optional<Transform> plain() {
        return local.isPresent() ? Optional.empty() : Optional.of(first);
    }

    /** @param places of the first pixel of the run */
    public void apply(char[] in, int inAt, char[] out, int outAt, int pixels, PicturePlaces places) {
        if (local.isEmpty()) {
            first.apply(in, inAt, out, outAt, pixels);
            return;
        }
        char[] working = new char[pixels * RenditionCompiler.WORKING.space().channels()];
        first.apply(in, inAt, working, 0, pixels);
        local.get().run(places).apply(working, 0, new int[] {pixels, 1}, places);
        local.get().onward.ifPresentOrElse(onward -> onward.apply(working, 0, out, outAt, pixels),
            () -> System.arraycopy(working, 0, out, outAt, working.length));
    }
}
