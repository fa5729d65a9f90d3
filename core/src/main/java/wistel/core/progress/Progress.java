package wistel.core.progress;

/**
 * Told now and then how far a long loop is, 0 to 1. It stops the loop by throwing {@link
 * java.util.concurrent.CancellationException}.
 */
@FunctionalInterface
public interface Progress {
    Progress SILENT = share -> {};

    void at(double share);

    /** This progress for a part of the way. */
    default Progress part(double from, double to) {
        return share -> at(from + (to - from) * share);
    }
}
