package wistel.core.rendition;

import java.util.List;
import java.util.Optional;
import wistel.core.light.HangingLight;

/**
 * The compensation of one rendition. It holds its moves itself: a docket keeps those it was judged with whatever becomes of the
 * compensation that they were taken from.
 *
 * @param moves each kind once, in the order in which they are run
 * @param kept  the version whose moves these are; empty for moves that were not kept under a name, or were changed since
 * @param on    false to print as if there were none
 * @param madeFor the light that the moves were made for; empty for moves that are good in any
 */
public record Compensated(List<Move> moves, Optional<CompensationRef> kept, boolean on, Optional<HangingLight> madeFor) {
    public static final Compensated NONE = new Compensated(List.of(), Optional.empty(), true);

    /** @throws wistel.core.fault.InvalidRequest when a kind of move stands twice */
    public Compensated {
        moves = Compensation.inOrder(moves);
    }

    /** For no light in particular. */
    public Compensated(List<Move> moves, Optional<CompensationRef> kept, boolean on) {
        this(moves, kept, on, Optional.empty());
    }

    /** The light that what is in force was made for. */
    public Optional<HangingLight> inForceFor() {
        return inForce().isEmpty() ? Optional.empty() : madeFor;
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
