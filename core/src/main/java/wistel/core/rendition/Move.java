package wistel.core.rendition;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wistel.core.icc.stage.LabFunction;

/**
 * One step of a compensation: a pure function of a colour, relative to the paper (L*a*b*, D50). Whatever its numbers are, tones keep their
 * order, bare paper and full black stay what they are, and neutrals stay neutral unless the move is there to tint them.
 */
public sealed interface Move permits LightnessCurve, ToneMoves, ChromaMoves, Warmth {
    /** Ready to be used for many colours. */
    LabFunction function();

    /** True when it changes nothing. */
    boolean changesNothing();

    /** What a person would call it: "shadows +12, contrast -5". */
    String words();

    /** The one of a kind among several. */
    static <M extends Move> Optional<M> of(Class<M> kind, List<Move> moves) {
        return moves.stream().filter(kind::isInstance).map(kind::cast).findFirst();
    }

    /** Several with another one in place of that of its kind. */
    static List<Move> with(List<Move> moves, Move next) {
        return Stream.concat(moves.stream().filter(m -> m.getClass() != next.getClass()), Stream.of(next)).toList();
    }

    /** Of several, one after another; empty for none. */
    static String words(List<Move> moves) {
        return moves.stream().map(Move::words).collect(Collectors.joining(", "));
    }
}
