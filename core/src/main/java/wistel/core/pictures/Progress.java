package wistel.core.pictures;

/**
 * Told now and then how far a loop over pixels is, 0 to 1. It stops the loop by throwing {@link
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
