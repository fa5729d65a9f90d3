package wistel.core.rendition;

import java.util.ArrayList;
import java.util.List;

/**
 * What a local move does where its weight is full: lightness and contrast of {@link ToneMoves}, chroma in hundredths of its factor, and
 * warmth.
 */
public record LocalChange(double lightness, double contrast, double chroma, double warmth) {
    public static final double MOST_CHROMA = 100;
    /** Contrast turns about the middle: a place has no median that would stay while it is dragged. */
    private static final double PIVOT = 50;

    /** @throws wistel.core.fault.InvalidRequest when one is out of its range */
    public LocalChange {
        Ranges.within("lightness", lightness, -ToneMoves.MOST, ToneMoves.MOST);
        Ranges.within("contrast", contrast, -ToneMoves.MOST, ToneMoves.MOST);
        Ranges.within("chroma", chroma, -MOST_CHROMA, MOST_CHROMA);
        Ranges.within("warmth", warmth, -Warmth.MOST, Warmth.MOST);
    }

    /** As moves of a whole picture, those of colour left out where it is gray. */
    List<Move> moves(boolean gray) {
        List<Move> moves = new ArrayList<>(List.of(new ToneMoves(0, 0, 0, contrast, lightness, PIVOT)));
        if (!gray) {
            moves.add(ChromaMoves.all(1 + chroma / 100));
            moves.add(new Warmth(warmth, 0));
        }
        return moves.stream().filter(m -> !m.changesNothing()).toList();
    }

    String words() {
        List<String> words = new ArrayList<>();
        if (lightness != 0) {
            words.add(lightness > 0 ? "lighter by " + Ranges.number(lightness) : "darker by " + Ranges.number(-lightness));
        }
        if (contrast != 0) {
            words.add("contrast " + Ranges.signed(contrast));
        }
        if (chroma != 0) {
            words.add("chroma " + Ranges.signed(chroma));
        }
        if (warmth != 0) {
            words.add((warmth > 0 ? "warmer by " : "colder by ") + Ranges.number(Math.abs(warmth)));
        }
        return words.isEmpty() ? "nothing changed" : String.join(", ", words);
    }
}
