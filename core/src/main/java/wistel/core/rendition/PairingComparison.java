package wistel.core.rendition;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import wistel.core.icc.gamut.GamutCheck;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.PaperTone;

/**
 * How one rendition would come out on one pairing.
 *
 * @param meanDifference mean CIEDE2000 between master and print, each against its own white
 * @param blackL         L* of the deepest black
 */
public record PairingComparison(String pairingId, double meanDifference, GamutCheck.Report gamut, PaperTone tone, double blackL) {

    public static PairingComparison of(PairingVersion pairing, double meanDifference, GamutCheck.Report gamut) {
        return new PairingComparison(pairing.pairingId(), meanDifference, gamut, PaperTone.of(pairing.white().toArray()), pairing.blackL());
    }

    /** The closest first; of equally close ones, that which holds more of the picture; then that with the deeper black. */
    public static List<PairingComparison> ranked(Collection<PairingComparison> comparisons) {
        return comparisons.stream().sorted(Comparator.comparingDouble(PairingComparison::meanDifference)
            .thenComparing(c -> c.gamut.outside()).thenComparingDouble(PairingComparison::blackL)
            .thenComparing(PairingComparison::pairingId)).toList();
    }
}
