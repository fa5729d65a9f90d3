package wistel.server.print;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Which page of a printer's attempts is made next. Pages are made in the order of release, and few ahead of what was sent, so that the disk
 * doesn't fill with files that nobody prints yet and a print that is cancelled cost little.
 */
final class RenderQueue {
    /** Pages that are made and not sent yet. */
    static final int MOST_AHEAD = 2;

    private RenderQueue() {
    }

    /** A page to be made. */
    record Next(Attempt attempt, AttemptPage page) {
    }

    /**
     * @param running of one printer, in the order of release
     * @param made    whether a page's file is there
     * @return empty when no page wants to be made now
     */
    static Optional<Next> next(List<Attempt> running, Predicate<AttemptPage> made) {
        int ahead = 0;
        for (Attempt a : running) {
            if (a.cancelAsked() || a.spoilt()) {
                continue;
            }
            for (AttemptPage page : a.pages()) {
                if (page.state().over() || page.jobSent()) {
                    continue;
                }
                if (!made.test(page)) {
                    return ahead < MOST_AHEAD ? Optional.of(new Next(a, page)) : Optional.empty();
                }
                // what waits for a person's word may wait for days
                ahead += a.held() || a.labFile() ? 0 : 1;
            }
        }
        return Optional.empty();
    }
}
