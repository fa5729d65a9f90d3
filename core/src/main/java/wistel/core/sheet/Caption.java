package wistel.core.sheet;

import wistel.core.fault.InvalidRequest;

/**
 * What is written below the picture, in its border.
 *
 * @param number    of the piece among those of its plan
 * @param fileName  as the picture's file is called
 * @param taken     the day on which the picture was taken, where its file tells
 * @param edition   how many prints there will be; 0 for an open edition, which isn't counted
 * @param signature leaves a line to sign on
 * @param sizePt    of the type, 1/72 in
 */
public record Caption(boolean title, boolean date, int edition, boolean signature, double sizePt, boolean number, boolean fileName,
    boolean taken) {
    public static final Caption NONE = new Caption(false, false, 0, false, 9);
    public static final int LARGEST_EDITION = 9999;

    /** @throws InvalidRequest when a number is out of its range */
    public Caption {
        if (!(edition >= 0 && edition <= LARGEST_EDITION && sizePt >= 4 && sizePt <= 72)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A caption of that size or edition can't be.",
                "Type goes from 4 to 72 points, editions up to " + LARGEST_EDITION + ".");
        }
    }

    /** Nothing of the picture's file. */
    public Caption(boolean title, boolean date, int edition, boolean signature, double sizePt) {
        this(title, date, edition, signature, sizePt, false, false, false);
    }

    public boolean blank() {
        return !title && !date && edition == 0 && !signature && !number && !fileName && !taken;
    }
}
