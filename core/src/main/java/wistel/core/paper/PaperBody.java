package wistel.core.paper;

import wistel.core.fault.InvalidRequest;

/**
 * What a paper is like to handle.
 *
 * @param thicknessMm 0 when it isn't known
 * @param grammage    g/m2; 0 when it isn't known
 * @param texture     in words: "smooth", "laid"; empty when nothing was said
 */
public record PaperBody(double thicknessMm, int grammage, String texture, Curl curl) {
    /** How much a sheet or length of it lifts by itself. */
    public enum Curl { FLAT, SLIGHT, STRONG }

    public static final PaperBody UNKNOWN = new PaperBody(0, 0, "", Curl.FLAT);
    private static final double THICKEST_MM = 5;
    private static final int HEAVIEST = 1500;
    private static final int HEAVY = 280;
    private static final int LONGEST = 60;

    /** @throws InvalidRequest when a value is out of its range */
    public PaperBody {
        if (!(thicknessMm >= 0 && thicknessMm <= THICKEST_MM) || grammage < 0 || grammage > HEAVIEST || texture.length() > LONGEST) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                "A paper of " + thicknessMm + " mm and " + grammage + " g/m² can't be.",
                "Papers go up to " + (int) THICKEST_MM + " mm and " + HEAVIEST + " g/m²; leave at 0 what you don't know.");
        }
    }

    /** It keeps the shape of its roll, or lifts at its ends. */
    public boolean lifts() {
        return curl == Curl.STRONG || grammage >= HEAVY;
    }
}
