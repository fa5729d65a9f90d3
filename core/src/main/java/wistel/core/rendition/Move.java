package wistel.core.rendition;

import java.util.List;
import java.util.stream.Collectors;
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

    /** Of several, one after another; empty for none. */
    static String words(List<Move> moves) {
        return moves.stream().map(Move::words).collect(Collectors.joining(", "));
    }
}
