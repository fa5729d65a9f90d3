package wistel.core.rendition;

import java.util.Comparator;
import java.util.List;
import wistel.core.fault.InvalidRequest;

/**
 * A named set of moves that bring prints on a pairing closer to their masters. A version never changes; the next one follows it.
 *
 * @param version from 1
 * @param moves   each kind once: curve, tones, chroma, warmth, in this order
 */
public record Compensation(String id, int version, String name, List<Move> moves) {
    private static final List<Class<? extends Move>> ORDER = List.of(LightnessCurve.class, ToneMoves.class, ChromaMoves.class,
        Warmth.class);
    public static final int LONGEST_NAME = 80;

    /** @throws InvalidRequest when the name is too short or too long, or a kind of move stands twice */
    public Compensation {
        moves = inOrder(moves);
        name = InvalidRequest.named(name, "A compensation's name", LONGEST_NAME);
    }

    public CompensationRef ref() {
        return new CompensationRef(id, version, name);
    }

    /** Those that do something, each kind once, in the order in which they are run whatever order they were given in. */
    static List<Move> inOrder(List<Move> moves) {
        if (moves.stream().map(Object::getClass).distinct().count() < moves.size()) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "One kind of move stands there twice.",
                "Bring the two together in one.");
        }
        return moves.stream().filter(m -> !m.changesNothing()).sorted(Comparator.comparing(m -> ORDER.indexOf(m.getClass()))).toList();
    }

    public String words() {
        return moves.isEmpty() ? "nothing moved" : Move.words(moves);
    }
}
