package wistel.core.rendition;

import java.util.List;
import java.util.Optional;

/**
 * The compensation of one rendition. It holds its moves itself: a docket keeps those it was judged with whatever becomes of the
 * compensation that they were taken from.
 *
 * @param moves each kind once, in the order in which they are run
 * @param kept  the version whose moves these are; empty for moves that were not kept under a name, or were changed since
 * @param on    false to print as if there were none
 */
public record Compensated(List<Move> moves, Optional<CompensationRef> kept, boolean on) {
    public static final Compensated NONE = new Compensated(List.of(), Optional.empty(), true);

    /** @throws wistel.core.fault.InvalidRequest when a kind of move stands twice */
    public Compensated {
        moves = Compensation.inOrder(moves);
    }

    /** Those that are in force. */
    List<Move> inForce() {
        return on ? moves : List.of();
    }

    /** By its name where it has one, by its moves otherwise; empty when nothing is moved. */
    public String inForceWords() {
        return inForce().isEmpty() ? "" : kept.map(k -> "“" + k.name() + "”").orElseGet(this::words);
    }

    public String words() {
        return moves.isEmpty() ? "no compensation" : Move.words(moves);
    }
}
