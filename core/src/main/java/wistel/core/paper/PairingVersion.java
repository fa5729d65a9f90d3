package wistel.core.paper;

import wistel.core.icc.profile.Intent;
import wistel.core.printer.DriverSettings;

/**
 * What belongs together to print well on one paper in one printer, as it stood once. A version is never changed, only followed by the next.
 *
 * @param pairingId   the server's
 * @param number      1 for the first
 * @param paper       the paper's name
 * @param surface     how the paper looks: "baryta gloss", "cotton matte"
 * @param body        the paper's, to handle
 * @param settings    to be set on the printer; the media type is part of the profile's identity
 * @param intent      the usual one
 * @param whiteLab    the paper's own colour, absolute L*a*b*, from its profile
 * @param blackL      L* of its deepest black, from its profile
 */
public record PairingVersion(String pairingId, int number, String printerId, String printerName, String paper, String surface, PaperBody body, DriverSettings settings,
                             String profileHash, Intent intent, double[] whiteLab, double blackL) {
    public PairingVersion {
        if (number < 1 || whiteLab.length != 3) {
            throw new IllegalArgumentException("version " + number + ", white of " + whiteLab.length + " values");
        }
    }

    /** Its profile is one of grays, for the printer's own monochrome mode. */
    public boolean grayOnly() {
        return settings.get(DriverSettings.COLOUR_MODE).filter(mode -> !mode.equals("color")).isPresent();
    }
}
