package wistel.core.pairing;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import wistel.core.icc.profile.Intent;
import wistel.core.printer.PrinterDescription;

/**
 * What a profile's own texts say of the pairing that it is for; a person decides.
 *
 * @param paper     a name for it
 * @param mediaType of those that the printer offers, or empty when it says none
 * @param feed      one that takes this type, or empty
 * @param quality   the finest that the printer has
 */
public record PairingProposal(String paper, String surface, String mediaType, String feed, int quality, Intent intent) {
    /** L* of black from which a paper is matte: gloss and lustre go deeper, matte and cotton don't get there. */
    private static final double MATTE_FROM = 9;
    private static final Pattern FILLERS = Pattern.compile("(?i)\\.ic[cm]$|[_]+|\\s+");
    private static final List<String> MATTE = List.of("matte", "matt", "cotton", "rag", "fine", "watercolor", "canvas");
    private static final List<String> GLOSS = List.of("glossy", "gloss", "baryta", "lustre", "luster", "satin", "pearl", "semi");
    private static final int SHORTEST_WORD = 3;
    private static final int FINEST = 5;

    /**
     * @param texts  of the profile, its description first
     * @param blackL L* of its deepest black
     */
    public static PairingProposal of(List<String> texts, double blackL, PrinterDescription printer) {
        String all = String.join(" ", texts).toLowerCase(Locale.ROOT);
        boolean matte = blackL >= MATTE_FROM;
        String type = printer.mediaTypes().stream().max(Comparator.comparingDouble(t -> score(printer.type(t), all, matte))).orElse("");
        String feed = printer.feeds().stream().filter(f -> printer.offersFeed(type, f)).findFirst().orElse("");
        String surface = (matte ? MATTE : GLOSS).stream().filter(all::contains).findFirst().orElse(matte ? "matte" : "gloss");
        return new PairingProposal(FILLERS.matcher(texts.get(0)).replaceAll(" ").strip(), surface, type, feed,
            printer.qualities().stream().max(Comparator.naturalOrder()).orElse(FINEST), Intent.RELATIVE);
    }

    /** A word of the type that the texts have counts for one, one that suits the depth of black for a half. */
    private static double score(String type, String texts, boolean matte) {
        List<String> words = Arrays.stream(type.split("[ ,]+")).filter(w -> w.length() >= SHORTEST_WORD).toList();
        double named = words.stream().filter(texts::contains).count();
        double suits = words.stream().filter((matte ? MATTE : GLOSS)::contains).count();
        return named + suits / 2;
    }
}
