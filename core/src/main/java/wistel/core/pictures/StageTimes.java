package wistel.core.pictures;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.EnumMap;
import java.util.Map;
import java.util.concurrent.atomic.LongAdder;

/**
 * Processor time that the stages of a picture's way took, summed over all threads, so waiting doesn't count: what a measurement says of
 * where to look.
 */
public final class StageTimes {
    public enum Stage { DECODE, TURN, RESAMPLE, SHARPEN, CONVERT, PACK, WRITE }

    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();

    private final Map<Stage, LongAdder> nanos = new EnumMap<>(Stage.class);

    public StageTimes() {
        for (Stage stage : Stage.values()) {
            nanos.put(stage, new LongAdder());
        }
    }

    /** This thread's processor time now, for {@link #add}. */
    public static long now() {
        return THREADS.getCurrentThreadCpuTime();
    }

    /** Counts what this thread did since an earlier {@link #now()} of its own. */
    public void add(Stage stage, long since) {
        nanos.get(stage).add(now() - since);
    }

    public double seconds(Stage stage) {
        return nanos.get(stage).sum() / 1e9;
    }
}
