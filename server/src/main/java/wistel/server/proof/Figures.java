package wistel.server.proof;

import java.util.List;
import java.util.Map;
import wistel.core.icc.gamut.GamutCheck;
import wistel.core.icc.profile.Intent;

/**
 * What the proof of a picture comes to in numbers.
 *
 * @param meanDifference mean CIEDE2000 between master and print by intent, over the part that is printed; both against their own white,
 *                       as an eye that is used to the paper sees them, whichever the intent
 * @param threshold      CIEDE2000 from which a colour counts as one that the paper can't hold, or the screen can't show
 * @param screen         what the screen can't show
 * @param blackAlways    intents that compensate black whether or not it is asked for, as the paper's profile is of version 4
 */
public record Figures(Map<Intent, Double> meanDifference, GamutCheck.Report gamut, double threshold, Screen screen, double paperL,
    double blackL, List<Intent> blackAlways) {
    /** Shares that the screen can't show, of the master, and of the print with its paper white. */
    public record Screen(double ofMaster, double ofPrint) {
    }
}
