package wistel.core.paper;

import wistel.core.icc.profile.Intent;

/**
 * What belongs together to print well on one paper in one printer.
 *
 * @param id        the server's
 * @param paper     the paper's name
 * @param surface   how the paper looks: "baryta gloss", "cotton matte"
 * @param mediaType the media type to set, the printer's keyword; part of the profile's identity
 * @param feed      the printer's keyword of the feed it goes through
 * @param quality   IPP print-quality: 3 draft, 4 normal, 5 high
 * @param whiteLab  the paper's own colour, absolute L*a*b*, from its profile
 * @param blackL    L* of its deepest black, from its profile
 */
public record Pairing(String id, String printerId, String printerName, String paper, String surface, String mediaType, String feed, int quality,
                      String profileHash, Intent intent, double[] whiteLab, double blackL) {
}
